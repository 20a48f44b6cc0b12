/** Hot tubs in one fridge: planned with what each costs the other. */
import { describe, expect, it } from 'vitest'
import { curd, posset } from '../../tests/support/batches'
import { kitchen } from '../../tests/support/core'
import { stepsOfFormula } from './ofFormula'
import { type DayPlan, planOf } from './plan'
import type { DayInput, StepInput } from './read'

const minutesOf = (plan: DayPlan, dessert: string, id: string) => {
  const t = plan.tasks.find(x => x.dessert === dessert && x.id === id)!
  return (Date.parse(t.end) - Date.parse(t.start)) / 60_000
}
const WARM = { heatJPerK: 8000, fromC: 60, tauS: 3000 }
const tub = (id: string, over: Partial<DayInput['desserts'][number]> = {}, cold: Partial<StepInput> = {}) => ({
  id, name: id, serveAt: '2026-11-28T19:00', ...over, steps: [
    { id: 'cook', name: 'cook', minutes: 20 },
    { id: 'cold', name: 'cold', minutes: 240, attended: false, uses: [{ kind: 'fridge' }], warm: WARM, ...cold },
  ],
})
const day = (desserts: DayInput['desserts'], fridges = ['one']): DayInput => ({
  date: '2026-11-28', desserts,
  equipment: fridges.map(id => ({ id, kind: 'fridge', place: { kind: 'domesticFridge', airC: 4 } })),
})

describe('a second hot tub in a fridge', () => {
  it('makes both stay longer, and so begin sooner; in a fridge of its own it does not', () => {
    const alone = planOf(day([tub('a')]))
    const two = planOf(day([tub('a'), tub('b')]))
    const apart = planOf(day([tub('a', {}, { uses: [{ id: 'one' }] }), tub('b', {}, { uses: [{ id: 'two' }] })], ['one', 'two']))
    expect(minutesOf(alone, 'a', 'cold')).toBe(240)
    expect(minutesOf(two, 'a', 'cold')).toBeGreaterThan(250)
    expect(two.tasks[0]!.start < alone.tasks[0]!.start).toBe(true)
    expect([minutesOf(apart, 'a', 'cold'), minutesOf(apart, 'b', 'cold')]).toEqual([240, 240])
  })
  it('that comes hours later costs the first nothing; one that brings no heat costs nobody anything', () => {
    const later = planOf(day([tub('a', { serveAt: '2026-11-28T14:00' }), tub('b', { serveAt: '2026-11-28T23:00' })]))
    expect(minutesOf(later, 'a', 'cold')).toBe(240)
    const cold = planOf(day([tub('a'), tub('b', {}, { warm: null })]))
    expect(minutesOf(cold, 'a', 'cold')).toBe(240)
  })
  it('where nothing may begin so early, the plan stands and says who is slowed, and by what', () => {
    const tight = { earliest: '2026-11-28T14:40' }
    const plan = planOf(day([tub('a', tight), tub('b', tight)]))
    expect(plan.feasible).toBe(true)
    expect(minutesOf(plan, 'a', 'cold')).toBe(240)
    const said = plan.conflicts.filter(c => c.code === 'slowedInFridge')
    expect(said.flatMap(c => c.tasks).sort()).toEqual(['a/cold', 'b/cold'])
    expect(said[0]!.ways[0]).toMatchObject({ code: 'oneMore', params: { id: 'one' } })
    expect(said[0]!.ways[0]!.params.minutes).toBeGreaterThan(5)
  })
  it('formulas bring their own heat, with the first that goes into the cold', () => {
    for (const planned of [curd(), posset()]) {
      const warm = stepsOfFormula(planned, kitchen, null, new Set(['fridge'])).filter(s => s.warm)
      expect(warm.map(s => s.name)).toEqual(['chill'])
      expect(warm[0]!.warm!.fromC).toBeGreaterThan(25)
    }
    expect(stepsOfFormula(curd(), kitchen, null, new Set()).some(s => s.warm)).toBe(false)
  })
})
