import { describe, expect, it } from 'vitest'
import { STANDARD } from '../../base/parameters'
import checks from '../../checks/practice.json'
import { freezingOf, freezingPoint, ICE_LATENT } from '../chill/freezing'
import { singleActivity, SUGARS } from '../matter/solutes'
import { coolCylinder, timeBelow } from '../thermal/conduction'
import { heatAt, solidFat } from '../thermal/properties'
import { settingAlong, settingAt, type SettingInputs, UNSET } from './setting'

const cream: SettingInputs = { pH: 4.2, caseinC: 3.2, knitsCold: true }
/** After some hours at a steady temperature. */
const at = (tempC: number, hours: number, inputs = cream, start = UNSET) =>
  settingAlong([0, hours * 3600], [tempC, tempC], inputs, start)[1]!

describe('setting over time, each state by hand', () => {
  it('butter has half-hardened after ln 2 of its 30 min at 5 °C, cream after that of 35; both melt at once', () => {
    expect(at(5, 0.5 * Math.LN2).butter).toBeCloseTo(0.28, 6)
    expect(at(5, (35 / 60) * Math.LN2).cream).toBeCloseTo(0.28, 6)
    expect(settingAlong([0, 36000, 36060], [5, 5, 25], cream)[2]!.butter).toBeCloseTo(0.105, 6)
  })
  it('milk that bakes, at pH 4.2, 20 °C and 3.2 g, has a time constant of an hour: twice that at 0 °C, 2.5 times at pH 4.7', () => {
    const baked = { ...cream, knitsCold: false }
    expect(at(20, Math.LN2, baked).casein).toBeCloseTo(0.5, 6)
    expect(at(0, 2 * Math.LN2, baked).casein).toBeCloseTo(0.5, 6)
    expect(at(20, 10 ** 0.4 * Math.LN2, { ...baked, pH: 4.7 }).casein).toBeCloseTo(0.5, 6)
    expect(at(60, 5, baked).casein).toBeGreaterThan(0.9)
  })
  it('acid cream gains its strength cold: 25 min at pH 4.2, half as fast at 13 °C, 5.6 times as long at pH 4.7', () => {
    const cold = (tempC: number) => 1 / (1 + Math.exp((tempC - 13) / 2.5))
    const half = (25 / 60) * Math.LN2
    expect(at(5, half / cold(5)).casein).toBeCloseTo(0.5, 6)
    expect(at(13, 2 * half).casein).toBeCloseTo(0.5, 6)
    expect(at(5, (10 ** 0.75 * half) / cold(5), { ...cream, pH: 4.7 }).casein).toBeCloseTo(0.5, 6)
    expect(at(5, half / cold(5), { ...cream, pH: 3.8 }).casein).toBeCloseTo(0.5, 6)
    expect(at(5, half / cold(5) / 2, { ...cream, caseinC: 6.4 }).casein).toBeCloseTo(0.5, 6)
    expect(at(40, 5).casein).toBeLessThan(1e-3)
  })
  it('gelatin at 10 °C ripens to .77 in the 17 h of its Bloom test (GMIA definition), nothing above 24 °C, gone at 29 °C', () => {
    expect(at(10, 17).gelatin).toBeCloseTo(0.77, 1)
    expect(at(25, 17).gelatin).toBe(0)
    const set = at(5, 17)
    expect(settingAlong([0, 60], [5, 27], cream, set)[1]!.gelatin).toBeCloseTo(2 / 24, 2)
    expect(settingAlong([0, 60], [5, 30], cream, set)[1]!.gelatin).toBe(0)
  })
  it('starch firms in two hours at 5 °C and not above 60; agar in ten minutes below 35, melting at 85', () => {
    expect(at(5, 2).starch).toBeCloseTo(1 - Math.exp(-1), 6)
    expect(at(70, 2).starch).toBe(0)
    expect(at(20, 1 / 6).agar).toBeCloseTo(1 - Math.exp(-1), 6)
    expect(settingAlong([0, 60], [20, 20], cream, { ...UNSET, agar: 1 })[1]!.agar).toBe(1)
    expect(settingAlong([0, 60, 120], [90, 90, 90], cream, { ...UNSET, agar: 1 })[2]!.agar).toBe(0)
  })
  it('the oven firms only what bakes: a minute at 76 °C is 63 % of it', () => {
    expect(settingAlong([0, 60], [76, 76], cream, UNSET, true)[1]!.oven).toBeCloseTo(1 - Math.exp(-1), 6)
    expect(settingAlong([0, 60], [76, 76], cream)[1]!.oven).toBe(0)
  })
  it('a long piece taken at once or in many gives the same within 1.5 %', () => {
    const once = settingAlong([0, 7200], [60, 4], cream)[1]!
    const many = settingAlong(
      Array.from({ length: 721 }, (_, i) => 10 * i),
      Array.from({ length: 721 }, (_, i) => 60 - (56 * i) / 720),
      cream,
    )[720]!
    for (const key of ['butter', 'cream', 'casein', 'gelatin', 'starch'] as const)
      expect(Math.abs(once[key] - many[key])).toBeLessThan(0.015)
  })
})

describe(`freezing (${checks.freezing.source})`, () => {
  it.each(checks.freezing.points)(
    'a $percent % sucrose solution freezes at $tempC °C, within 12 %',
    ({ percent, tempC }) => {
      expect(
        Math.abs(freezingPoint(singleActivity(SUGARS.sucrose, percent, 100 - percent)) / tempC - 1),
      ).toBeLessThan(0.12)
    },
  )
  const f = { water: 0.72, protein: 0.03, fat: 0.05, carbohydrate: 0.19, fibre: 0, ash: 0.01 }
  const fz = freezingOf(f, 0.985)
  it('a slab in moving air freezes in Plank\'s time, within a quarter', () => {
    const d = 0.03
    const h = 30
    const run = coolCylinder({
      radiusM: 1,
      heightM: d,
      nr: 1,
      nz: 16,
      solid: fz.solid,
      startTempC: fz.freezingC + 0.3,
      endS: 40000,
      boundary: () => ({
        top: { u: h, airC: -30, evaporationW: 0 },
        base: { u: h, airC: -30 },
        side: { u: 0, airC: -30 },
      }),
    })
    const took = timeBelow(run.timeS, run.coreC, -10)!
    // Plank counts the latent heat of the ice at −10 °C at one temperature, with the frozen part's conductivity.
    const latent = ICE_LATENT * (f.water - 0.4 * f.protein) * fz.ice(-10)
    const k = fz.solid.freezing!.k(-10)
    const plank = ((fz.solid.rho * latent) / (fz.freezingC + 30)) * (d / 2 / h + (d * d) / 8 / k)
    expect(Math.abs(took / plank - 1)).toBeLessThan(0.25)
  })
  it('enthalpy rises by heat capacity above the point and by ice below it; ice only below; what is left alone stays', () => {
    const { enthalpy } = fz.solid.freezing!
    expect(enthalpy(30) - enthalpy(20)).toBeCloseTo(10 * heatAt(fz.solid.cp, 25), -2)
    for (const [low, high] of [[-44, -30], [-12, -2], [-2, 0], [0, 60], [100, 140]] as const)
      expect(enthalpy(high)).toBeGreaterThan(enthalpy(low))
    expect(fz.ice(fz.freezingC)).toBe(0)
    expect(fz.ice(-20)).toBeGreaterThan(0.85)
    expect(enthalpy(4) - enthalpy(-20)).toBeGreaterThan(0.8 * ICE_LATENT * f.water)
    const still = coolCylinder({
      radiusM: 0.04,
      heightM: 0.03,
      solid: fz.solid,
      startTempC: -3,
      endS: 7200,
      boundary: () => ({ top: { u: 0, airC: 0, evaporationW: 0 }, base: { u: 0, airC: 0 }, side: { u: 0, airC: 0 } }),
    })
    expect(still.meanC.every(t => Math.abs(t + 3) < 1e-9)).toBe(true)
  })
})

describe('setting at a time', () => {
  const course = [UNSET, { ...UNSET, starch: 0.4, g1: 0.2 }, { ...UNSET, starch: 0.5 }]
  it('is linear between the points of its course, and held before and after it', () => {
    const at = (t: number) => settingAt([100, 200, 300], course, t)
    expect(at(150)).toMatchObject({ starch: 0.2, g1: 0.1 })
    expect(at(275).starch).toBeCloseTo(0.475, 12)
    expect([at(50), at(100), at(300), at(900)]).toEqual([course[0], course[0], course[2], course[2]])
  })
})

describe('what a step reaches', () => {
  const ripe = { ...UNSET, butter: 0.9, cream: 0.9, g1: 1, g2: 1, gelatin: 1 }
  it('fat and gelatin melt to what the temperature allows, each part', () => {
    const warm = settingAlong([0, 1], [5, 26], { pH: 3, caseinC: 0, knitsCold: false }, ripe)[1]!
    expect(warm.g1).toBeCloseTo((STANDARD.setting.gelatinMeltsC - 26) / 24, 9)
    expect(warm.g2).toBe(warm.g1)
    expect(warm.gelatin).toBeCloseTo(warm.g1, 12)
    expect([warm.butter, warm.cream]).toEqual([solidFat(26), solidFat(26)])
  })
  it('the pace of all of it is one number: twice the pace for half the time is the same', () => {
    const rates = { ...STANDARD.setting, pace: 2 * STANDARD.setting.pace }
    const inputs = { pH: 3, caseinC: 2, knitsCold: false }
    expect(settingAlong([0, 300], [6, 6], { ...inputs, rates })[1]!.starch)
      .toBeCloseTo(settingAlong([0, 600], [6, 6], inputs)[1]!.starch, 12)
  })
})
