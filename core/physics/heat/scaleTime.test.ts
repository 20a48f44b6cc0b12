import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../../tests/support/core'
import type { InputError } from '../../base/errors'
import { assess } from '../../pipeline/assess'
import { boilPlan } from '../../plan/boil'
import { type CookVariant, cookVariants } from '../../plan/variants'
import { plainVessel } from '../geometry/cavity'
import { coolCylinder, timeBelow } from '../thermal/conduction'
import { heatCapacityTable } from '../thermal/properties'
import { scaleTime, type TimeWish } from './scaleTime'

const wish = (part: Partial<TimeWish>): TimeWish => ({
  process: 'bake',
  timeS: 1200,
  depthM: [0.02, 0.02],
  massG: [1000, 1000],
  powerW: [500, 500],
  ...part,
})

describe('a time for another size, by hand', () => {
  it('bakes by depth: twice as deep 2^1.22 = 2.33 times', () => {
    expect(scaleTime(wish({ depthM: [0.02, 0.04] })) / 1200).toBeCloseTo(2.33, 2)
  })
  it('reduces by water and power: half as much again on twice the power takes three quarters', () => {
    expect(scaleTime(wish({ process: 'reduce', massG: [1000, 1500], powerW: [500, 1000] }))).toBeCloseTo(900, 9)
    expect(scaleTime(wish({ process: 'microwave', massG: [400, 600] }))).toBeCloseTo(1800, 9)
  })
  it('whips as before', () => {
    expect(scaleTime(wish({ process: 'whip', massG: [200, 800] }))).toBe(1200)
  })
  it('chills between once and twice over, as a slab in moving air does (our own conduction, within 8 %)', () => {
    const solid = {
      k: 0.42,
      rho: 1080,
      cp: heatCapacityTable({ water: 0.5, protein: 0.05, fat: 0.15, carbohydrate: 0.29, fibre: 0, ash: 0.01 }),
    }
    const took = (d: number) => {
      const face = { u: 12, airC: 3 }
      const run = coolCylinder({
        radiusM: 1,
        heightM: d,
        nr: 1,
        nz: 12,
        solid,
        startTempC: 60,
        endS: 200000,
        boundary: () => ({ top: { ...face, evaporationW: 0 }, base: face, side: { u: 0, airC: 3 } }),
      })
      return timeBelow(run.timeS, run.coreC, 10)!
    }
    for (const [from, to] of [
      [0.02, 0.04],
      [0.03, 0.09],
    ] as const)
      expect(
        Math.abs(scaleTime(wish({ process: 'chill', depthM: [from, to] })) / 1200 / (took(to) / took(from)) - 1),
      ).toBeLessThan(0.08)
  })
  it('names the field of what cannot be', () => {
    expect(() => scaleTime(wish({ depthM: [0.02, 0] }))).toThrow(
      expect.objectContaining({ path: 'time.depthM.to' }) as InputError,
    )
  })
})

const all = (doc: ReturnType<typeof formula>, k = kitchen): Record<string, CookVariant> => {
  const run = cookVariants(doc, k)
  for (;;) {
    const step = run.next()
    if (step.done) return Object.fromEntries(step.value.map(v => [v.code, v]))
  }
}

describe('the same cook another way', () => {
  const pie = formula(
    { condensed: 400, yolk_sep: 55, lime: 120 },
    (d) => {
      d.assembly = { ...d.assembly, crustM: 0.006, vessel: plainVessel('round', 'metal', 0.22, 0.22, 0.05) }
      d.heat.targetTempC = 72
    },
    { school: 'lowOven', use: 'cut' },
  )
  it('the mix doubled in one tin bakes longer by depth^1.22 within a quarter; in two tins as before', () => {
    const v = all(pie)
    expect(v.doubleSameTin!.depthM / v.planned!.depthM).toBeCloseTo(2, 1)
    expect(v.doubleSameTin!.endS / v.planned!.endS / 2 ** 1.22).toBeGreaterThan(0.75)
    expect(v.doubleSameTin!.endS / v.planned!.endS / 2 ** 1.22).toBeLessThan(1.25)
    expect(Math.abs(v.doubleTwoTins!.endS / v.planned!.endS - 1)).toBeLessThan(0.04)
  })
  it('fan and a warm start are quicker, glass and a water bath slower', () => {
    const v = all(pie)
    for (const code of ['fanToggled', 'warmStart']) expect(v[code]!.endS).toBeLessThan(v.planned!.endS)
    for (const code of ['otherMaterial', 'bathToggled']) expect(v[code]!.endS).toBeGreaterThan(v.planned!.endS)
  })
  it('an oven that runs hot bakes sooner at the same dial', () => {
    const time = (offsetK: number) =>
      assess({ ...pie, heat: { ...pie.heat, oven: { ...pie.heat.oven, offsetK } } }, kitchen).heat.endS
    expect(time(20)).toBeLessThan(time(0))
    expect(time(0)).toBeLessThan(time(-20))
    const own = { ...kitchen, ovens: [{ id: 'o', name: 'own', fan: false, offsetK: 20 }] }
    expect(assess({ ...pie, heat: { ...pie.heat, oven: { ...pie.heat.oven, ovenId: 'o' } } }, own).heat.endS).toBe(
      time(20),
    )
  })
  it('a pot: twice the batch takes longer, more heat less; a water bath is weaker high up', () => {
    const pot = all(
      formula(undefined, (d) => {
        d.heat.method = 'direct'
      }),
    )
    expect(pot.doubleBatch!.endS).toBeGreaterThan(1.4 * pot.planned!.endS)
    expect(pot.moreHeat!.endS).toBeLessThan(pot.planned!.endS)
    const bath = all(formula())
    expect(bath.highUp!.endS).toBeGreaterThan(bath.seaLevel!.endS)
    expect(all(formula({ condensed: 400, yolk: 60, lime: 120 }, () => {}, { school: 'chillOnly' }))).toEqual({})
  })
})

describe('a pan of the kitchen', () => {
  const posset = formula(
    { cream36: 600, sugar: 150, lemon: 90 },
    (d) => {
      d.heat.targetTempC = 100
    },
    { school: 'reduced', use: 'glass' },
  )
  const inPan = (diameterM: number, heightM: number, tareG: number | null, sugarG = 150) =>
    assess(
      {
        ...posset,
        heat: { ...posset.heat, pan: { panId: null, diameterM, heightM, tareG } },
        components: posset.components.map(c => ({
          ...c,
          lines: c.lines.map(l => (l.ingredientId === 'sugar' ? { ...l, massG: sugarG } : l)),
        })),
      },
      kitchen,
    )
  it('the scale reads pan and contents: 1200 + 750 − .62·150 = 1857 g; with 50 g less sugar 19 g less', () => {
    const { panG } = inPan(0.2, 0.13, 1200).heat.reduction!
    expect(panG).toBeCloseTo(1857, 6)
    expect(panG - inPan(0.2, 0.13, 1200, 100).heat.reduction!.panG).toBeCloseTo(50 * 0.38, 6)
  })
  it('half the sugar: the scale stops 28.5 g earlier and 46.5 g more water stay, as a run with half of it agrees', () => {
    const d = {
      ...posset,
      heat: { ...posset.heat, pan: { panId: null, diameterM: 0.2, heightM: 0.13, tareG: 1200 } },
    }
    const plan = boilPlan(d, kitchen, assess(d, kitchen))
    expect(plan).toMatchObject({
      stopG: expect.closeTo(1857, 6),
      tareG: 1200,
      lossG: expect.closeTo(93, 6),
      sugarG: 150,
      panM3: expect.closeTo(Math.PI * 0.01 * 0.13, 9),
    })
    expect(plan.halfSugar).toEqual({ stopG: expect.closeTo(1828.5, 6), staysG: expect.closeTo(46.5, 6) })
    expect(inPan(0.2, 0.13, 1200, 75).heat.reduction!.panG).toBeCloseTo(plan.halfSugar!.stopG, 6)
    expect(plan.juice!.beforeC).toBeCloseTo(82, 6)
    // It never asks for more than was there: 1200 + 600 + 150 g went on; 600 of cream and .62·150 ml of sugar.
    expect(plan.startG).toBeCloseTo(1950, 0)
    expect(plan.startG).toBeGreaterThan(plan.stopG)
    expect(plan.startMl).toBeCloseTo(assess(d, kitchen).heat.reduction!.volumeMl + 93, 6)
  })
  it('too small for the boil is a stop that says how much it holds and should hold', () => {
    const found = inPan(0.14, 0.1, null).findings.find(f => f.code === 'panTooSmall')!
    expect(found).toMatchObject({
      severity: 'stop',
      params: { holdMl: expect.closeTo(Math.PI * 49 * 10, 6), needMl: expect.closeTo((750 / 1.06) * 3, 6) },
    })
    expect(inPan(0.24, 0.13, null).findings.some(f => f.code === 'panTooSmall')).toBe(false)
  })
  it('juice under 50 °C meets a cream that knits already', () => {
    const late = {
      ...posset,
      components: posset.components.map(c => ({
        ...c,
        steps: c.steps.map(s => (s.kind === 'stirIn' ? { ...s, mixTempC: { given: 42 } } : s)),
      })),
    }
    expect(assess(late, kitchen).findings.some(f => f.code === 'acidTooLate')).toBe(true)
    expect(assess(posset, kitchen).findings.some(f => f.code === 'acidTooLate')).toBe(false)
  })
})
