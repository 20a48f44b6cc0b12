import { describe, expect, it } from 'vitest'
import checks from '../../checks/practice.json'
import { InputError } from '../../base/errors'
import { LEAVES, POWDER_BLOOM, swapByOwnRule, swapGelatin } from './gelatin'
import {
  bestTest, loadReading, loadStress, slumpReading, slumpStress, spreadReading, spreadStress,
} from './kitchenTests'

const near = (x: number, y: number, share: number) => expect(Math.abs(x / y - 1)).toBeLessThan(share)

describe(`kitchen tests (${checks.kitchenTests.source})`, () => {
  it.each(checks.kitchenTests.slump)('a ring that sinks $mm mm reads $pa Pa', r =>
    near(slumpStress(r.mm / 1000), r.pa, 0.02),
  )
  it.each(checks.kitchenTests.spread)('60 ml that spread to $mm mm radius read $pa Pa', r =>
    near(spreadStress(r.mm / 1000), r.pa, 0.03),
  )
  it.each(checks.kitchenTests.load)('a cylinder that bulges under $g g reads $pa Pa', r =>
    near(loadStress(r.g / 1000), r.pa, 0.01),
  )
  it('what is predicted reads back as what was read', () => {
    for (const pa of [30, 60, 120, 170]) near(slumpStress(slumpReading(pa)), pa, 0.001)
    for (const pa of [2, 8, 20]) near(spreadStress(spreadReading(pa)), pa, 0.001)
    for (const pa of [300, 900, 2500]) near(loadStress(loadReading(pa)!), pa, 1e-9)
    expect(loadReading(100)).toBeNull()
  })
  it('each stress is sent to the test that reads it', () => {
    expect([8, 90, 900].map(pa => bestTest(pa).test)).toEqual(['spread', 'slump', 'load'])
    // Between the two a cylinder does not carry itself yet: the ring still says something.
    expect(bestTest(220).test).toBe('slump')
  })
  it('a reading that cannot be is refused', () => {
    expect(() => slumpStress(0.06)).toThrow(InputError)
    expect(() => spreadStress(0)).toThrow(InputError)
    expect(() => loadStress(Number.NaN)).toThrow(InputError)
  })
})

describe('gelatin grades (GMIA handbook: swapped by √Bloom)', () => {
  it('10 g at 200 Bloom does the work of 12 g at 140 and 8.9 g at 250', () => {
    expect(swapGelatin(10, 200, 140)).toBeCloseTo(11.95, 2)
    expect(swapGelatin(10, 200, 250)).toBeCloseTo(8.94, 2)
    expect(() => swapGelatin(10, 200, 0)).toThrow(InputError)
    // 12 g of powder for 10 g of gold leaf: 18 g for 15 g, and back; 10 g of bronze are 8.37 g of gold first.
    expect(swapByOwnRule(15, 200, 12).powderG).toBeCloseTo(18, 9)
    expect(swapByOwnRule(18, POWDER_BLOOM, 12)).toEqual({ powderG: 18, leafG: 15 })
    expect(swapByOwnRule(10, 140, 12).powderG).toBeCloseTo(10.04, 2)
  })
  it('a leaf of each grade does nearly the same work (common practice)', () => {
    const work = Object.values(LEAVES).map(l => l.leafG * Math.sqrt(l.bloom))
    expect(Math.max(...work) / Math.min(...work)).toBeLessThan(1.5)
  })
})
