/** A batch for its dessert in the day. */
import { describe, expect, it } from 'vitest'
import type { StepInput } from '../schedule/read'
import { begunBy } from './onDay'
import type { BatchEvent } from './record'

const STEPS: StepInput[] = [
  { id: 'weigh-0', name: 'weigh', minutes: 10 }, { id: 'heat-1', name: 'heat', minutes: 15 },
  { id: 'pour-2', name: 'pour', minutes: 5 }, { id: 'chill-3', name: 'chill', minutes: 120 },
]
const START = '2026-11-28T09:00:00.000Z'
const poured = (vessel: number, minute: number): BatchEvent =>
  ({ id: `p${vessel}`, actorId: 'a', atS: 60 * minute, kind: 'poured', vessel, shownG: null })
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16)

describe('a batch that is being made', () => {
  it('has begun its first step; nothing is over before the last vessel is filled', () => {
    const begun = begunBy(STEPS, [poured(0, 40)], START, 2)
    expect(begun.done).toEqual([])
    expect(Object.entries(begun.startMs).map(([k, ms]) => [k, clock(ms)])).toEqual([['weigh-0', '09:00']])
  })
  it('poured, it has all up to there behind it, ending when the last was filled', () => {
    const begun = begunBy(STEPS, [poured(0, 40), poured(1, 47)], START, 2)
    expect(begun.done).toEqual(['weigh-0', 'heat-1', 'pour-2'])
    expect(Object.entries(begun.startMs).map(([k, ms]) => [k, clock(ms)]))
      .toEqual([['pour-2', '09:42'], ['heat-1', '09:27'], ['weigh-0', '09:17']])
  })
  it('one vessel poured twice is one vessel; a pour that was taken back is none', () => {
    expect(begunBy(STEPS, [poured(0, 40), { ...poured(0, 41), id: 'again' }], START, 2).done).toEqual([])
    const back: BatchEvent = { id: 'c', actorId: 'a', atS: 50, kind: 'corrected', eventId: 'p0', whyId: null, instead: null }
    expect(begunBy(STEPS, [poured(0, 40), back], START, 1).done).toEqual([])
  })
  const on = (minute: number): BatchEvent => ({ id: 'on', actorId: 'a', atS: 60 * minute, kind: 'heatOn' })
  const off = (minute: number): BatchEvent => ({ id: 'off', actorId: 'a', atS: 60 * minute, kind: 'heatOff' })
  const HEATED: StepInput[] = STEPS.map(s => (s.name === 'heat' ? { ...s, name: 'heatBath' } : s))
  it('on the heat, what led there is over; the heat lasts as its probe foretells, or nobody knows', () => {
    const begun = begunBy(HEATED, [on(14)], START, 2, 60 * 34)
    expect(begun.done).toEqual(['weigh-0'])
    expect(Object.entries(begun.startMs).map(([k, ms]) => [k, clock(ms)])).toEqual([['weigh-0', '09:04'], ['heat-1', '09:14']])
    expect(begun.lasts).toEqual({ 'heat-1': 20 })
    expect(begunBy(HEATED, [on(14)], START, 2).lasts).toEqual({})
  })
  it('off the heat, it lasted as long as it did, and is over; put on again, it is not', () => {
    expect(begunBy(HEATED, [on(14), off(31)], START, 2, 999)).toMatchObject({ done: ['weigh-0', 'heat-1'], lasts: { 'heat-1': 17 } })
    const again = begunBy(HEATED, [on(14), off(31), { ...on(40), id: 'on2' }], START, 2, 60 * 50)
    expect(again).toMatchObject({ done: ['weigh-0'], lasts: { 'heat-1': 10 } })
  })
  it('of a dessert of several parts only what leads there is over', () => {
    const parts: StepInput[] = [
      { id: 'c/0', name: 'mix · Curd', minutes: 5, after: [] }, { id: 'c/1', name: 'heatDirect · Curd', minutes: 9, after: ['c/0'] },
      { id: 'm/0', name: 'whip · Top', minutes: 9, after: [] },
      { id: 'build-0', name: 'build:pour · Curd', minutes: 2, after: ['c/1'] },
    ]
    expect(begunBy(parts, [on(14)], START, 1).done).toEqual(['c/0'])
    expect(begunBy(parts, [poured(0, 40)], START, 1).done).toEqual(['c/0', 'c/1', 'build-0'])
  })
})
