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
})
