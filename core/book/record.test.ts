import { describe, expect, it } from 'vitest'
import { spoonRange, SPOON_WORDS, spoonWordOf } from './outcome'
import { type BatchEvent, eventsOf, holding, seriesOf } from './record'

const at = (id: string, atS: number, what: object) => ({ id, atS, actorId: 'a', ...what }) as BatchEvent

describe('events', () => {
  const weighed = at('e1', 10, { kind: 'added', lineId: 'l1', shownG: 100 })
  const wrong = (id: string, of: string, instead: object | null) =>
    at(id, 50, { kind: 'corrected', eventId: of, whyId: null, instead })
  it('a correction holds in place of what it names, at its time and by its author; the last one wins', () => {
    const events = [weighed, wrong('e2', 'e1', { kind: 'added', lineId: 'l1', shownG: 110 })]
    expect(holding(events)).toEqual([{ ...weighed, shownG: 110 }])
    const again = [...events, wrong('e3', 'e1', { kind: 'added', lineId: 'l1', shownG: 120 })]
    expect(eventsOf(again, 'added')[0]!.shownG).toBe(120)
    expect(again).toHaveLength(3)
  })
  it('a correction of a correction counts for what that one corrected; null takes it back', () => {
    const events = [weighed, wrong('e2', 'e1', null), wrong('e3', 'e2', { kind: 'added', lineId: 'l1', shownG: 90 })]
    expect(holding(events.slice(0, 2))).toEqual([])
    expect(eventsOf(events, 'added')[0]!.shownG).toBe(90)
  })
  it('stand in the order of their time; a correction of what is not there is refused by name', () => {
    expect(holding([at('b', 20, { kind: 'opened' }), at('a', 5, { kind: 'started' })]).map(e => e.id)).toEqual(['a', 'b'])
    expect(() => holding([wrong('e2', 'nobody', null)])).toThrow('events.0.eventId')
  })
})

describe('the spoon', () => {
  it('each word spans what it says, one after another', () => {
    for (const word of SPOON_WORDS) {
      const [low, high] = spoonRange(word)
      expect(spoonWordOf(Math.sqrt(low * high))).toBe(word)
      expect(spoonWordOf(high * 0.999)).toBe(word)
      if (word !== 'springsBack') expect(spoonWordOf(high)).not.toBe(word)
    }
  })
})

describe('a channel', () => {
  const of = (deviceId: string, timeS: number[], values: (number | null)[]) =>
    ({ deviceId, channel: 'pot' as const, timeS, values })
  it('is one row of readings, whoever read them: what is typed beside a probe counts', () => {
    const probe = of('probe', [1, 2, 9], [20, 21, 30])
    const air = { ...of('logger', [0], [4]), channel: 'air' as const }
    expect(seriesOf({ readings: [air, probe] }, 'pot')).toBe(probe)
    expect(seriesOf({ readings: [probe, of('typed', [5], [25])] }, 'pot'))
      .toEqual(of('probe', [1, 2, 5, 9], [20, 21, 25, 30]))
    expect(seriesOf({ readings: [air] }, 'pot')).toBeNull()
  })
})
