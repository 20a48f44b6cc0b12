import { describe, expect, it } from 'vitest'
import { parts } from '../../../tests/support/core'
import checks from '../../checks/acidity.json'
import tables from '../../checks/tables.json'
import { InputError } from '../../base/errors'
import { findIngredient } from '../../base/ingredients/ingredients'
import {
  baseToReach, chargeBalance, meanCharge, pHOfMix, solutionOf, solvePH, strongIonsOf, titratableAcidity,
} from './acidity'
import { evaporate, mix } from './mix'

const pH = (grams: Record<string, number>) => pHOfMix(mix(parts(grams)))

describe(`pH of plain acids (${checks.acids.source})`, () => {
  it.each(checks.acids.rows)('$name', (row) => {
    const got = solvePH({ waterKg: 1, strongIonMEq: row.strongIonMEq, acidMmol: row.acid, sites: [] })
    expect(Math.abs(got - row.pH)).toBeLessThanOrEqual(0.015)
  })
})

describe(`pH of foods as they come (${checks.juices.source})`, () => {
  it.each(checks.juices.rows)('$ingredient', (row) => {
    const got = pH({ [row.ingredient]: 100 })
    expect(got).toBeGreaterThanOrEqual(row.low)
    expect(got).toBeLessThanOrEqual(row.high)
  })
})

describe(`pH of mixes (${checks.mixes.source})`, () => {
  it.each(checks.mixes.rows)('$name', (row) => {
    const grams = Object.fromEntries(Object.entries(row.massG).filter(([, g]) => g !== undefined)) as Record<
      string,
      number
    >
    expect(Math.abs(pH(grams) - row.pH)).toBeLessThanOrEqual(row.within)
  })
})

describe('the charge balance', () => {
  it(`brings milk to pH 4.6 with the acid it takes (${tables.milkBuffer.source})`, () => {
    const acid = -baseToReach(solutionOf(mix(parts({ milk: 1000 }))), 4.6)
    expect(acid).toBeGreaterThanOrEqual(tables.milkBuffer.low)
    expect(acid).toBeLessThanOrEqual(tables.milkBuffer.high)
  })

  it('gives lemon juice the strong ions its minerals have (USDA: K 103 mg, Ca 6, Mg 6 per 100 g)', () => {
    // 26.3 mEq/kg of potassium, 3.0 calcium, 4.9 magnesium: the strong ions cannot be fewer than K, nor twice the sum.
    const sid = 10 * strongIonsOf(findIngredient('lemon')!)
    expect(sid).toBeGreaterThan(26.3)
    expect(sid).toBeLessThan(2 * (26.3 + 3 + 4.9))
  })

  it('falls as pH rises, so that there is one answer', () => {
    const s = solutionOf(mix(parts({ egg: 240, sugar: 200, lemon: 240 })))
    const values = [2, 3, 4, 5, 6, 7, 8].map(x => chargeBalance(s, x))
    expect([...values].sort((a, b) => b - a)).toEqual(values)
  })

  it('counts up to three protons of citric acid', () => {
    expect(meanCharge('citric', 1)).toBeLessThan(0.05)
    expect(meanCharge('citric', 11)).toBeCloseTo(3, 3)
    expect(meanCharge('lactic', 3.86 - 0.107)).toBeCloseTo(0.5, 6)
  })

  it('does not call reduction acidifying: boiling a tenth away moves pH by less than the eye of a meter', () => {
    const grams = { egg: 240, sugar: 200, lemon: 240 }
    const before = pH(grams)
    const after = solvePH(solutionOf(mix(parts(grams)), 0.1 * 680))
    expect(Math.abs(after - before)).toBeLessThan(0.06)
    expect(evaporate(mix(parts(grams)), 68).acidG).toBe(mix(parts(grams)).acidG)
  })

  it('uses a lot\'s own acidity and pH when both were measured', () => {
    const lot = (acidPercent: number, own?: number) =>
      pHOfMix(
        mix([
          {
            row: findIngredient('lemon')!,
            massG: 100,
            strength: { kind: 'measured', acidPercent, ...(own === undefined ? {} : { pH: own }) },
          },
        ]),
      )
    expect(lot(5.5, 2.45)).toBeCloseTo(2.45, 2)
    expect(lot(5.5)).toBeCloseTo(2.3, 2)
    expect(lot(4)).toBeGreaterThan(lot(5.5))
  })

  it('has no answer without water, and says which field', () => {
    expect(() => pH({ butter82: 0, sugar: 0 })).toThrow(InputError)
    expect(() => solvePH({ waterKg: 0, strongIonMEq: 0, acidMmol: {}, sites: [] })).toThrow(/components/)
  })
})

describe('titration', () => {
  it('reads 5.2 % from 12.1 ml of 0.1 M on 1.5 g (hand-computed: 12.1 × 0.1 × 6.404 / 1.5)', () => {
    expect(titratableAcidity(12.1, 0.1, 1.5)).toBeCloseTo(5.166, 3)
  })
  it('takes about 8.6 ml of 0.1 M for a gram of ordinary lemon juice (trade rule of thumb)', () => {
    const perGram = 5.5 / (0.1 * 6.404)
    expect(titratableAcidity(perGram, 0.1, 1)).toBeCloseTo(5.5, 6)
    expect(Math.abs(perGram - 8.6)).toBeLessThan(0.1)
  })
})
