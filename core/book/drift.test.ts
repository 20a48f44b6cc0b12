import { describe, expect, it } from 'vitest'
import { driftOf } from './drift'

const checks = (offs: number[], everyDays = 10) => offs.map((off, i) => ({ day: i * everyDays, off }))

describe('an instrument that drifts', () => {
  it('by hand: errors 0, 1, 1, 2 at days 0, 10, 20, 30', () => {
    // Slope 300/500 = 0.06 a day; rest (0.1² + 0.3² + 0.3² + 0.1²)/2 = 0.1; spread √(0.1/500).
    const d = driftOf(checks([0, 1, 1, 2]))!
    expect(d.perMonth).toBeCloseTo(1.8, 9)
    expect(d.sigma).toBeCloseTo(30 * Math.sqrt(0.1 / 500), 9)
    // 1.8 over 0.424 is 4.243: just under Student's 4.303.
    expect(d.isSure).toBe(false)
    expect(driftOf(checks([0, 0.95, 1.05, 2]))!.isSure).toBe(true)
  })
  it('says nothing of few checks, of checks on one day, and is not sure of a steady one', () => {
    expect(driftOf(checks([0, 1, 2]))).toBeNull()
    expect(driftOf(checks([0, 1, 2, 3], 0))).toBeNull()
    expect(driftOf(checks([0.1, -0.1, 0.1, -0.1, 0.1, -0.1]))!.isSure).toBe(false)
    expect(driftOf(checks([0.3, 0.3, 0.3, 0.3]))).toMatchObject({ perMonth: 0, isSure: false })
  })
})
