import { describe, expect, it } from 'vitest'
import { counter, formula, kitchen } from '../../tests/support/core'
import { findIngredient } from '../base/ingredients/ingredients'
import checks from '../checks/vessels.json'
import type { Bench } from '../formula/bench'
import { PART_KINDS } from '../formula/document'
import { partWork } from './partWork'
import { meringueHeat, PART_FACTS, partLines, partMassG, plainMake, resizeParts, withPart } from '../formula/parts'
import { plainVessel } from '../physics/geometry/cavity'
import { stirInTemperature } from '../physics/heat/pot'
import { assess } from '../pipeline/assess'

const pie = formula(
  { condensed: 400, yolk_sep: 55, lime: 120 },
  (d) => {
    d.assembly = {
      ...d.assembly,
      vessel: plainVessel('round', 'metal', 0.2, 0.2, 0.05),
      crustM: 0.006,
      crustForm: 'shell',
    }
  },
  { school: 'lowOven', use: 'cut' },
)
const part = (d: Bench, role: 'crust' | 'topping') => d.components.find(c => c.role === role)!

describe('sized to the vessel, by hand', () => {
  it('a crumb shell 6 mm thick in a 20 × 5 cm tin: π(10²·5 − 9.4²·4.4) = 350 cm³ at 1 g/cm³', () => {
    const d = withPart(pie, kitchen, 'crust', plainMake('crumbChilled'), counter(), 'Crumb')
    expect(partMassG('crumbChilled', d, kitchen)).toBeCloseTo(Math.PI * (500 - 9.4 ** 2 * 4.4), 6)
    const [crumb, butter] = part(d, 'crust').lines
    expect(crumb!.massG / butter!.massG).toBeCloseTo(2, 2)
    expect(crumb!.massG + butter!.massG).toBeCloseTo(349.4, 0)
  })
  it('on the base alone it is π·10²·.6 = 188.5 cm³', () => {
    expect(
      partMassG('crumbChilled', { ...pie, assembly: { ...pie.assembly, crustForm: 'base' } }, kitchen),
    ).toBeCloseTo(188.5, 1)
  })
  it('what the oven takes and the trimming is made over: shell 1.05·1.2/.9 of its volume', () => {
    const lined = Math.PI * (500 - 9.6 ** 2 * 4.6)
    expect(partMassG('blindShell', { ...pie, assembly: { ...pie.assembly, crustM: 0.004 } }, kitchen)).toBeCloseTo(
      (lined * 1.05 * 1.2) / 0.9,
      6,
    )
  })
  it('a topping 3 cm high covers the open face; it is sized again with the tin', () => {
    const d = withPart(pie, kitchen, 'topping', plainMake('meringueBoiled'), counter(), 'Meringue')
    expect(d.assembly.toppingM).toBe(0.03)
    expect(partMassG('meringueBoiled', d, kitchen)).toBeCloseTo(Math.PI * 9.4 ** 2 * 3 * 0.28 * 1.05, 6)
    const sum = (x: Bench) => part(x, 'topping').lines.reduce((s, l) => s + l.massG, 0)
    const small = resizeParts(
      { ...d, assembly: { ...d.assembly, vessel: plainVessel('round', 'metal', 0.15, 0.15, 0.05) } },
      kitchen,
    )
    expect(sum(small) / sum(d)).toBeCloseTo((13.8 / 18.8) ** 2, 2)
    expect(part(small, 'topping').lines.map(l => l.id)).toEqual(part(d, 'topping').lines.map(l => l.id))
  })
  it.each(PART_KINDS.filter(k => PART_FACTS[k].role !== 'level'))('%s: known ingredients, its own weight, and gone again without a trace', (kind) => {
    const make = plainMake(kind)
    const role = PART_FACTS[kind].role as 'crust' | 'topping'
    const lines = partLines(make, 500, [], counter())
    expect(lines.reduce((s, l) => s + l.massG, 0)).toBeCloseTo(500, 0)
    expect(lines.every(l => findIngredient(l.ingredientId))).toBe(true)
    const d = withPart(pie, kitchen, role, make, counter(), kind)
    expect(() => assess(d, kitchen)).not.toThrow()
    expect(withPart(d, kitchen, role, null, counter(), '').components.some(c => c.role === role)).toBe(false)
  })
})

describe('how hot the whites of a meringue get', () => {
  const of = (
    kind: 'meringueCold' | 'meringueWarm' | 'meringueBoiled',
    ratio = PART_FACTS[kind].ratio!.usual,
    massG = 900,
  ) =>
    meringueHeat({
      id: 'm',
      role: 'topping',
      name: '',
      steps: [],
      make: { kind, ratio },
      lines: partLines({ kind, ratio }, massG, [], counter()),
    })
  it(checks.meringue.source, () => {
    const { reachesC, counts } = of('meringueBoiled')
    expect(reachesC).toBeGreaterThan(checks.meringue.low)
    expect(reachesC).toBeLessThan(checks.meringue.high)
    expect(counts).toBe(false)
  })
  it('is an energy balance: 200 g sugar as 229.9 g of syrup at 119.5 °C on 100 g of white and a 500 J/K bowl, near 78 °C at 2.5 J/gK', () => {
    // Whites 3.9 kJ/(kg·K), such a syrup 2.3–2.6 (Choi & Okos at 90 °C): the model lies between.
    const by = (cp: number) =>
      stirInTemperature({ massG: 200 / 0.87, cp, tempC: 119.5 }, { massG: 100 + 500 / 3.9, cp: 3900, tempC: 20 })
    const { reachesC } = of('meringueBoiled', 2, 360)
    expect(reachesC).toBeGreaterThan(by(1900))
    expect(reachesC).toBeLessThan(by(2700))
  })
  it('more sugar is hotter; only a measured temperature counts: 72 °C for 1.08 min (70 °C for 2 min, z 7.5)', () => {
    expect(of('meringueBoiled', 2.2).reachesC!).toBeGreaterThan(of('meringueBoiled', 1.4).reachesC!)
    expect(of('meringueWarm')).toEqual({
      reachesC: 72,
      needMinutes: expect.closeTo(2 * 10 ** (-2 / 7.5), 9),
      counts: true,
    })
    expect(of('meringueCold')).toEqual({ reachesC: null, needMinutes: null, counts: false })
  })
  it('a poured or cold meringue carries its caution, whites from the shell a stop', () => {
    const found = (kind: 'meringueCold' | 'meringueWarm' | 'meringueBoiled', shell = false) => {
      const d = withPart(pie, kitchen, 'topping', plainMake(kind), counter(), 'Meringue')
      if (shell)
        part(d, 'topping').lines.forEach((l) => {
          if (l.ingredientId === 'white_carton') l.ingredientId = 'white'
        })
      return assess(d, kitchen).findings.find(f => f.code === 'rawTopping')?.severity
    }
    expect([found('meringueCold'), found('meringueBoiled', true), found('meringueWarm')]).toEqual([
      'look',
      'stop',
      undefined,
    ])
  })
})

describe('what is baked slowly, and what is laid in', () => {
  const worked = (kind: (typeof PART_KINDS)[number]) => partWork({
    id: 'p', role: 'crust', name: '', steps: [], make: plainMake(kind), lines: partLines(plainMake(kind), 500, [], counter()),
  }, 0)
  it('a dried meringue: ninety minutes at 93 °C, then two and a half hours in the shut oven', () => {
    const [dry, cool] = worked('meringueDry').slice(-2)
    expect([dry!.code, dry!.timeS, dry!.tempC]).toEqual(['part:dryOut', 90 * 60, 93])
    expect([cool!.code, cool!.timeS, cool!.tempC]).toEqual(['part:coolInOven', 150 * 60, 93])
    expect(cool!.params!.inOven).toBe(true)
    expect(cool!.atS).toBe(dry!.atS + 90 * 60)
  })
  it('choux is cooked, takes its eggs, is piped and baked until golden', () => {
    expect(worked('chouxShell').map(s => s.code)).toEqual(['part:cookPaste', 'part:eggsIn', 'part:pipe', 'part:bakePuffs'])
    expect(worked('chouxShell').at(-1)!.cue).toBe('golden')
  })
  it.each(PART_KINDS.filter(k => PART_FACTS[k].role === 'level' && k !== 'readyFilling'))('%s: known ingredients, and its grams on its first step', (kind) => {
    const steps = worked(kind)
    expect(steps[0]!.lines.reduce((s, l) => s + l.massG, 0)).toBeCloseTo(500, 0)
    expect(steps.slice(1).every(s => s.lines.length === 0)).toBe(true)
    expect(steps[0]!.lines.every(l => findIngredient(l.ingredientId))).toBe(true)
  })
})
