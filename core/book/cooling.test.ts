/**
 * Cooling against the code, each limit just under and just over: US Food Code 3-501.14, 57 to 21 °C in 2 h and to
 * 5 °C in 6 h; UK national guidance, 8 °C in 90 min (both from memory).
 */
import { describe, expect, it } from 'vitest'
import { batch } from '../../tests/support/batches'
import { cooledAsAsked, coolingOf } from './cooling'
import type { BatchRecord } from './record'

const H = 3600
/** Falls in straight lines through these hours and degrees; put into the cold a thousand seconds in. */
function fell(points: [number, number][], over: { openedH?: number, code?: 'us' | 'uk' } = {}): BatchRecord {
  const record = batch()
  const at = (h: number) => 1000 + h * H
  const opened = over.openedH === undefined ? []
    : [{ id: 'o', atS: at(over.openedH), actorId: 'me', kind: 'opened' as const }]
  return {
    ...record,
    kitchen: { ...record.kitchen, foodCode: over.code ?? 'us' },
    events: [{ id: 'm', atS: 1000, actorId: 'me', kind: 'movedTo', legId: 'x' }, ...opened],
    readings: [{
      deviceId: 'logger', channel: 'core', timeS: points.map(([h]) => at(h)), values: points.map(([, c]) => c),
    }],
  }
}
const states = (r: BatchRecord, hours: number) => coolingOf(r, 1000 + hours * H).map(s => s.state)

describe('cooling against the code', () => {
  it('just in time and just too late, to the first and to the last temperature', () => {
    expect(states(fell([[0, 57], [1.99, 21], [5.99, 5]]), 7)).toEqual(['met', 'met'])
    expect(states(fell([[0, 57], [2.01, 21], [5.99, 5]]), 7)).toEqual(['missed', 'met'])
    expect(states(fell([[0, 57], [1.99, 21], [6.01, 5]]), 7)).toEqual(['met', 'missed'])
    expect(states(fell([[0, 57], [1.49, 8]], { code: 'uk' }), 2)).toEqual(['met'])
    expect(states(fell([[0, 57], [1.51, 8]], { code: 'uk' }), 2)).toEqual(['missed'])
  })
  it('never reached while it was watched is missed: nothing of it is left out', () => {
    const warm = fell([[0, 57], [1, 20], [20, 9]])
    expect(states(warm, 20)).toEqual(['met', 'missed'])
    expect(coolingOf(warm, 1000 + 20 * H)[1]!.takesS).toBeNull()
    expect(cooledAsAsked(warm)).toBe(false)
  })
  it('is due until its time is up; watched no longer it is not known', () => {
    const early = fell([[0, 57], [1, 30]])
    expect(states(early, 1.5)).toEqual(['due', 'due'])
    expect(states(early, 2.5)).toEqual(['unmeasured', 'due'])
    expect(coolingOf(early, 3000).map(s => s.dueS)).toEqual([1000 + 2 * H, 1000 + 6 * H])
  })
  it('the clock begins at 57 °C, and stands still above', () => {
    expect(states(fell([[0, 80], [1, 57], [2.9, 21], [6.9, 5]]), 8)).toEqual(['met', 'met'])
    const hot = coolingOf(fell([[0, 80], [0.5, 70]]), 1000 + H)
    expect(hot.map(s => [s.state, s.dueS])).toEqual([['due', 1000 + 3 * H], ['due', 1000 + 7 * H]])
  })
  it('opened before its time was up has broken nothing; opened after it, unseen, has', () => {
    expect(cooledAsAsked(fell([[0, 57], [1, 30]], { openedH: 1.5 }))).toBe(true)
    expect(cooledAsAsked(fell([[0, 57], [1, 30]], { openedH: 5 }))).toBe(false)
    expect(states(fell([[0, 57], [1, 30]], { openedH: 1.5 }), 30)).toEqual(['due', 'due'])
  })
  it('where nobody measures, it is said once it is due; foretold says when the clock begins', () => {
    const blind = { ...fell([]), readings: [] }
    expect(cooledAsAsked(blind)).toBeNull()
    expect(states(blind, 1.9)).toEqual(['due', 'due'])
    expect(states(blind, 2.1)).toEqual(['unmeasured', 'due'])
    const foretold = { timeS: [0, H], tempC: [77, 37] }
    expect(coolingOf(blind, 1000, foretold)[0]!.dueS).toBe(1000 + H / 2 + 2 * H)
    expect(coolingOf({ ...blind, events: [] }, 1000)).toEqual([])
  })
})
