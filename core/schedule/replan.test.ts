/** A day planned anew: fewest moves, what was put stays, who must know. */
import { describe, expect, it } from 'vitest'
import { toEnd } from '../base/run'
import { type DayPlan, planOf } from './plan'
import type { DayInput } from './read'
import { movesOf, replanSteps, whoMustKnow } from './replan'

const DATE = '2026-11-28'
const step = (name: string, minutes: number, attended: boolean | number = true) => ({ name, minutes, attended })
const day = (): DayInput => ({
  date: DATE,
  hands: ['Ines', 'Tomas'].map(name => ({ name, from: `${DATE}T08:00`, to: `${DATE}T20:00` })),
  equipment: [{ id: 'ring', kind: 'ring', capacity: 1 }],
  desserts: ['tart', 'fool', 'posset'].map((id, i) => ({
    id, name: id, serveAt: `${DATE}T${15 + i}:00`,
    steps: [
      step('weigh', 20), { ...step('cook', 30), uses: [{ kind: 'ring' }] }, step('chill', 120, false),
      step('plate', 15),
    ],
  })),
})
const plan = planOf(day())
const startOf = (p: DayPlan, dessert: string, id: string) =>
  p.tasks.find(t => t.dessert === dessert && t.id === id)!.start
const at = (hhmm: string) => `${DATE}T${hhmm}`
function late(dessert: string, id: string, minutes: number): DayInput {
  const d = day()
  const old = plan.tasks.find(t => t.dessert === dessert && t.id === id)!
  const start = new Date(Date.parse(`${old.start.slice(0, 16)}Z`) + 60_000 * minutes).toISOString().slice(0, 16)
  const s = d.desserts.find(x => x.id === dessert)!.steps!.find(x => x.name === id)!
  s.fixed = { start, who: old.who }
  return d
}
const again = (d: DayInput, before = plan) => toEnd(replanSteps(d, before))

describe('planned anew', () => {
  it('nothing put elsewhere: the same plan, and nobody has to know', () => {
    const next = again(day())
    expect(movesOf(plan, next)).toEqual([])
    expect(whoMustKnow([])).toEqual([])
  })
  it('one step earlier moves that dessert at most; the others stay to the minute', () => {
    const next = again(late('fool', 'weigh', -5))
    expect(next.feasible).toBe(true)
    const moves = movesOf(plan, next)
    expect(moves.length).toBeGreaterThan(0)
    expect(new Set(moves.map(m => m.key.split('/')[0]))).toEqual(new Set(['fool']))
    for (const id of ['weigh', 'cook', 'chill', 'plate'])
      expect(startOf(next, 'posset', id)).toBe(startOf(plan, 'posset', id))
  })
  it('what was there where a step is put gives way, and nothing else', () => {
    const next = again(late('fool', 'weigh', -40))
    expect(next.feasible).toBe(true)
    expect(next.conflicts).toEqual([])
    const moves = new Set(movesOf(plan, next).map(m => m.key.split('/')[0]))
    expect(moves.has('posset')).toBe(false)
  })
  it('a ring that is taken longer moves the other that needs it, where nothing else goes', () => {
    const d = day()
    // One pair of hands only, and the fool's cooking begun when the tart's was meant to be.
    d.hands = [d.hands![0]!]
    const before = planOf(d)
    const cook = before.tasks.find(t => t.dessert === 'fool' && t.id === 'cook')!
    const tart = before.tasks.find(t => t.dessert === 'tart' && t.id === 'cook')!
    const moved: DayInput = structuredClone(d)
    moved.desserts.find(x => x.id === 'fool')!.steps![0]!.fixed = {
      start: new Date(Date.parse(`${tart.start.slice(0, 16)}Z`) - 20 * 60_000).toISOString().slice(0, 16), who: 'Ines',
    }
    const next = toEnd(replanSteps(moved, before))
    expect(next.feasible).toBe(true)
    expect(startOf(next, 'fool', 'weigh').slice(0, 16)).toBe(moved.desserts[1]!.steps![0]!.fixed!.start)
    expect(startOf(next, 'fool', 'cook') <= cook.start).toBe(true)
    for (const t of next.tasks.filter(x => x.who === 'Ines'))
      for (const u of next.tasks.filter(x => x.who === 'Ines' && x !== t))
        expect(u.start >= t.attended[0]![1] || t.start >= u.attended[0]![1], `${t.id} ${u.id}`).toBe(true)
  })
  it('a dessert that is new is planned as a new day is', () => {
    const d = day()
    d.desserts.push({ id: 'bar', name: 'bar', serveAt: at('18:30'), steps: [step('cut', 10)] })
    d.desserts[0]!.steps![0]!.fixed = { start: at('09:00'), who: 'Ines' }
    const next = again(d)
    expect(next.feasible).toBe(true)
    expect(next.tasks.some(t => t.dessert === 'bar')).toBe(true)
    expect(startOf(next, 'tart', 'weigh').slice(0, 16)).toBe(at('09:00'))
  })
})

describe('who must know', () => {
  const move = (key: string, from: [string, string | null], to: [string, string | null]) =>
    ({ key, name: key, from: { start: at(from[0]), who: from[1] }, to: { start: at(to[0]), who: to[1] } })
  it('whoever has it now and whoever had it before, the soonest first; nobody for what goes on alone', () => {
    const moves = [
      move('a/x', ['10:00', 'Ines'], ['11:00', 'Tomas']), move('b/y', ['09:00', 'Tomas'], ['09:30', 'Tomas']),
      move('c/z', ['09:00', null], ['09:40', null]),
    ]
    expect(whoMustKnow(moves).map(w => [w.who, w.moves.map(m => m.key)]))
      .toEqual([['Tomas', ['b/y', 'a/x']], ['Ines', ['a/x']]])
  })
  it('a minute is a move, less is none; another pair of hands is one', () => {
    const task = (start: string, who: string | null) =>
      ({ tasks: [{ id: 'x', dessert: 'a', name: 'x', start, end: start, attended: [], who, uses: [] }] })
    expect(movesOf(task(at('10:00:00'), 'Ines'), task(at('10:00:59'), 'Ines'))).toEqual([])
    expect(movesOf(task(at('10:00:00'), 'Ines'), task(at('10:01:00'), 'Ines'))).toHaveLength(1)
    expect(movesOf(task(at('10:00:00'), 'Ines'), task(at('10:00:00'), 'Tomas'))).toHaveLength(1)
  })
})
