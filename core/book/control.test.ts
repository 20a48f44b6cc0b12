import { describe, expect, it } from 'vitest'
import { controlOf } from './control'

describe('a control chart', () => {
  it('by hand: 100, 102, 100, 102 move by 2, σ = 2/1.128', () => {
    const c = controlOf([100, 102, 100, 102])
    expect(c.high).toBeCloseTo(101 + (3 * 2) / 1.12838, 4)
    expect(c.low).toBeCloseTo(101 - (3 * 2) / 1.12838, 4)
    expect(c.out).toEqual([false, false, false, false])
  })
  it('one that stands apart is out, just inside is not; a drift does not widen its own limits', () => {
    const calm = [100, 101, 100, 101, 100, 101, 100, 101, 100, 101]
    const with100 = (v: number) => controlOf([...calm, v, ...calm]).out.some(Boolean)
    expect(with100(108)).toBe(true)
    expect(with100(102.5)).toBe(false)
    const drift = Array.from({ length: 20 }, (_, i) => 100 + i)
    expect(controlOf(drift).out.filter(Boolean).length).toBeGreaterThan(10)
  })
  it('of one value, or none, there are no limits to speak of', () => {
    expect(controlOf([5])).toEqual({ mean: 5, low: 5, high: 5, out: [false] })
    expect(controlOf([]).out).toEqual([])
  })
})
