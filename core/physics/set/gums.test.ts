/** Gums, pectins and plant fats that harden: by hand, and against the doses cooks use (common practice). */
import { describe, expect, it } from 'vitest'
import { parts } from '../../../tests/support/core'
import { mix } from '../matter/mix'
import { singleActivity, SUGARS, sweetnessG } from '../matter/solutes'
import { solidHardFat } from '../thermal/properties'
import { bodyOf, elasticOf, firmness, type Making, phasesOf, type SetState } from './firmness'
import { gumNeedMet, gumsOf } from './gums'
import { settingAfter, UNSET } from './setting'

const plain: Making = {
  stirred: true, milkHeat: 0, air: 0, whisked: 0, whippedFat: 0,
  whiteFoam: false, starch: [], acidDoseMin: 0, amylase: 0,
  peakC: 90, bloom: 200, fluidGel: false,
}
const cold: SetState = {
  tempC: 5, a: 0, b: 0, butter: 0, cream: 0, hard: 1, casein: 0, gelatin: 0, starch: 0, oven: 0, agar: 1,
}
const of = (grams: Record<string, number>, pH = 3.1, blended = false, peakC = 90) => {
  const m = mix(parts(grams))
  return gumsOf(m, { pH, sugarShare: phasesOf(m).sugarShare, peakC, blended })
}

describe('jelly pectin', () => {
  it('at .65 % and 65 % of sugar it is the grade\'s own gel: 720 Pa, which sags 23.5 % at 79 mm', () => {
    const { pa, elastic } = of({ sugar: 65, water: 34.35, pectin: 0.65 })
    // ρ·g·h/(2·3·G) with 1,320 kg/m³
    expect((1320 * 9.81 * 0.0794) / (6 * pa)).toBeGreaterThan(0.2)
    expect((1320 * 9.81 * 0.0794) / (6 * pa)).toBeLessThan(0.3)
    expect(elastic).toBe(1)
  })
  it('wants sugar and acid: a third of it at half sugar or pH 4 is next to nothing', () => {
    const met = (sugarShare: number, pH: number) => gumNeedMet('sugarAcid', { sugarShare, pH, calciumMg: 0, peakC: 90 })
    expect(met(0.57, 2.5)).toBeCloseTo(0.5, 5)
    expect(met(0.9, 3.55)).toBeCloseTo(0.5, 5)
    expect(met(0.65, 3.1)).toBeGreaterThan(0.9)
    expect(met(0.5, 3.1)).toBeLessThan(0.05)
    expect(met(0.65, 4)).toBeLessThan(0.01)
  })
})

describe('what milk\'s calcium sets', () => {
  it('low-methoxyl pectin sets with 30 mg a gram, half with half of it, not at all without', () => {
    const met = (calciumMg: number) => gumNeedMet('calcium', { sugarShare: 0.2, pH: 4, calciumMg, peakC: 90 })
    expect([met(0), met(15), met(30), met(90)]).toEqual([0, 0.5, 1, 1])
    expect(of({ milk: 80, sugar: 19, pectin_lm: 1 }).pa).toBeGreaterThan(500)
    expect(of({ water: 80, sugar: 19, pectin_lm: 1 }).pa).toBe(0)
  })
  it('iota: .5 % soft, 1 % firm and never brittle; with no calcium two fifths of it', () => {
    const iota = (g: number, base = 'milk') => of({ [base]: 100 - g, iota: g })
    expect(iota(0.5).pa).toBeGreaterThan(100)
    expect(iota(1).pa).toBeGreaterThan(500)
    expect(iota(1, 'water').pa / iota(1).pa).toBeCloseTo(0.4, 1)
    expect(iota(1).tearsAt).toBe(1)
    expect(of({ milk: 99, iota: 1 }, 6.5, true).pa / iota(1).pa).toBeCloseTo(0.5, 9)
  })
})

describe('plant proteins', () => {
  it('soya gels once it was hot, pea at two thirds of it; a tenth of it to some 800 Pa', () => {
    const soya = (peakC: number, id = 'soy_protein') => of({ water: 90, [id]: 10 }, 7, false, peakC).pa
    expect(soya(95)).toBeGreaterThan(600)
    expect(soya(95)).toBeLessThan(1000)
    expect(soya(80) / soya(200)).toBeCloseTo(0.5, 6)
    expect(soya(60) / soya(95)).toBeLessThan(0.001)
    expect(soya(95, 'pea_protein') / soya(95)).toBeCloseTo(0.625, 2)
  })
})

describe('thickeners', () => {
  it('xanthan holds a trace of yield stress and no slice, guar a tenth of it; neither is a gel', () => {
    const thick = of({ water: 99.7, xanthan: 0.3 })
    expect(thick.pa).toBeCloseTo(40 * 0.3 ** 2, 1)
    expect(of({ water: 99.7, guar: 0.3 }).pa / thick.pa).toBeCloseTo(0.1, 6)
    expect(thick.elastic).toBe(0)
    const m = mix(parts({ water: 99.5, xanthan: 0.5 }))
    const set = firmness(bodyOf(m, 6, plain), { ...cold, agar: 0 })
    expect(set.gumPa).toBeCloseTo(40 * 0.5 ** 2, 1)
    expect(elasticOf(set, bodyOf(m, 6, plain).gums).share).toBe(0)
  })
  it('a gel and a thickener together are as elastic as the gel\'s share', () => {
    const body = bodyOf(mix(parts({ milk: 98.5, iota: 0.5, xanthan: 1 })), 6.5, plain)
    const { elastic, pa } = body.gums
    expect(elastic).toBeCloseTo(1 - 40 / pa, 1)
    expect(elasticOf(firmness({ ...body, caseinC: 0, phases: { ...body.phases, phiCream: 0 } }, cold), body.gums).share)
      .toBeCloseTo(elastic, 9)
  })
})

describe('plant fats that harden', () => {
  it('cocoa butter is hard at room temperature and gone at 35 °C, coconut fat soft by 25 °C', () => {
    expect(solidHardFat('cocoa', 20)).toBeGreaterThan(0.7)
    expect(solidHardFat('cocoa', 35)).toBe(0)
    expect(solidHardFat('coconut', 25)).toBeLessThan(0.1)
    expect(solidHardFat('coconut', 5)).toBeGreaterThan(0.8)
  })
  it('white chocolate sets a ganache by (φ·SFC)³, its milk fat as cream\'s; it forms in hours, melts at once', () => {
    const m = mix(parts({ choc_white: 300, cream36: 100 }))
    const phi = phasesOf(m).phiHard
    expect(phi.coconut).toBe(0)
    const set = firmness(bodyOf(m, 6, plain), cold)
    expect(set.hardFatPa).toBeCloseTo(4e4 * (phi.cocoa * solidHardFat('cocoa', 5)) ** 3, 6)
    expect(set.hardFatPa).toBeGreaterThan(100)
    const inputs = { pH: 6, caseinC: 0, knitsCold: false }
    expect(settingAfter(UNSET, 5, 120, inputs).hard).toBeCloseTo(1 - Math.exp(-1), 6)
    expect(settingAfter({ ...UNSET, hard: 1 }, 36, 1, inputs).hard).toBe(0)
    expect(phasesOf(mix(parts({ coconut_cream: 100 }))).phiHard.coconut).toBeGreaterThan(0.3)
  })
})

it('polyols: less sweet than sugar, and more of the water taken by weight (Norrish)', () => {
  expect(sweetnessG(mix(parts({ erythritol: 100, water: 100 })))).toBeCloseTo(65, 0)
  expect(singleActivity(SUGARS.erythritol, 30, 70)).toBeLessThan(singleActivity(SUGARS.sucrose, 30, 70))
  // X_s = (30/182.17)/(30/182.17 + 70/18.015) = .0407
  expect(singleActivity(SUGARS.sorbitol, 30, 70)).toBeCloseTo((1 - 0.04066) * Math.exp(-1.65 * 0.04066 ** 2), 4)
})
