import { describe, expect, it } from 'vitest'
import { bracketOf, solveFor } from './solveFor'

describe('the root finder', () => {
  it('halves to the last place that holds and the first that does not', () => {
    const b = bracketOf(x => x * x < 2, 0, 2)
    expect(b.middle).toBeCloseTo(Math.SQRT2, 14)
    expect(b.low * b.low).toBeLessThan(2)
    expect(b.high * b.high).toBeGreaterThanOrEqual(2)
  })
  it('stops when it is narrow enough, or at its last step', () => {
    const narrow = bracketOf(x => x < 0.3, 0, 1, { within: 0.1 })
    expect(narrow.high - narrow.low).toBe(0.0625)
    const few = bracketOf(x => x < 0.3, 0, 1, { steps: 2 })
    expect([few.low, few.high]).toEqual([0.25, 0.5])
  })
  it('over decades it halves the ratio', () => {
    const b = bracketOf(x => x < 3, 0.001, 1000, { ratio: true, within: 1.001 })
    expect(b.high / b.low).toBeLessThan(1.001)
    expect(b.low).toBeLessThan(3)
    expect(b.high).toBeGreaterThanOrEqual(3)
  })
  it('a value outside the ends gives the nearer end', () => {
    expect(solveFor(x => x, -5, 0, 10)).toBeCloseTo(0, 12)
    expect(solveFor(x => x, 50, 0, 10)).toBeCloseTo(10, 12)
    expect(solveFor(x => x ** 3, 8, 0, 10)).toBeCloseTo(2, 12)
  })
})
