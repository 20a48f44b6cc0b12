/** A batch that is being made, for its dessert in the day: what is done of its steps, and when each began. */
import { addMilliseconds, parseISO } from 'date-fns'
import type { StepInput } from '../schedule/read'
import { type BatchEvent, eventsOf } from './record'

export interface Begun {
  /** Ids of steps that are over. */
  done: string[]
  /** When steps began, ms since the epoch, by id. */
  startMs: Record<string, number>
}
const idOf = (s: StepInput) => s.id ?? s.name
const isPour = (s: StepInput) => idOf(s).startsWith('pour') || s.name.startsWith('pour') || s.name.startsWith('build:pour')

/**
 * Steps that a batch has behind it: up to the pour once the last vessel is filled, each ending where the next began;
 * before that only its first has begun.
 * @param startedAt ISO, when the batch was begun
 * @example begunBy([{ id: 'pour', name: 'pour', minutes: 2 }], [], '2026-11-28T09:00:00Z', 1).done // []
 */
export function begunBy(
  steps: readonly StepInput[], events: readonly BatchEvent[], startedAt: string, vessels: number,
): Begun {
  const first = steps[0]
  if (!first) return { done: [], startMs: {} }
  const began = parseISO(startedAt)
  const poured = eventsOf(events, 'poured')
  const last = steps.findIndex(isPour)
  const filled = new Set(poured.map(e => e.vessel)).size
  if (last < 0 || filled < vessels) return { done: [], startMs: { [idOf(first)]: began.getTime() } }
  const startMs: Record<string, number> = {}
  let endMs = addMilliseconds(began, 1000 * Math.max(...poured.map(e => e.atS))).getTime()
  for (const s of steps.slice(0, last + 1).toReversed()) {
    endMs -= 60_000 * s.minutes
    startMs[idOf(s)] = endMs
  }
  return { done: steps.slice(0, last + 1).map(idOf), startMs }
}
