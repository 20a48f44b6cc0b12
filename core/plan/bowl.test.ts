import { describe, expect, it } from 'vitest'
import { bowlPlan } from './bowl'

describe('a bowl put together from parts', () => {
  it('3.325 l of parts need a bowl of 3.5 l; one of 2.625 l takes three quarters, by hand', () => {
    const parts = [0.0012, 0.001, 0.0008, 0.000325]
    const plan = bowlPlan(parts, 0.002625)
    expect(plan.needM3).toBeCloseTo(0.003325, 9)
    expect(plan.bowlM3).toBeCloseTo(0.0035, 9)
    expect(plan.factor).toBeCloseTo(0.75, 9)
    // What fits is 95 % of 2.625 l: 2.494; .831 l run over.
    expect(plan.overM3).toBeCloseTo(0.00083125, 9)
  })
  it('just under and just over what it takes; nothing in it fits every bowl', () => {
    expect(bowlPlan([0.00094999], 0.001).overM3).toBe(0)
    expect(bowlPlan([0.00095001], 0.001).overM3).toBeGreaterThan(0)
    expect(bowlPlan([], 0.001)).toEqual({ needM3: 0, bowlM3: 0, overM3: 0, factor: 1 })
    expect(bowlPlan([-1, 0.0005], 0.001).needM3).toBe(0.0005)
  })
})
