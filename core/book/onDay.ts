/** A batch that is being made, for its dessert in the day: what of its steps is done, when each began and will end. */
import { addMilliseconds, parseISO } from 'date-fns'
import { ON_HEAT } from '../plan/work'
import type { StepInput } from '../schedule/read'
import { type BatchEvent, eventsOf } from './record'

export interface Begun {
  /** Ids of steps that are over. */
  done: string[]
  /** When steps began, ms since the epoch, by id. */
  startMs: Record<string, number>
  /** Minutes that a step takes, as the batch has shown or its pot foretells, by id. */
  lasts: Record<string, number>
}
const idOf = (s: StepInput) => s.id ?? s.name
const isPour = (s: StepInput) => idOf(s).startsWith('pour') || s.name.startsWith('pour') || s.name.startsWith('build:pour')
const isHeat = (s: StepInput) => (ON_HEAT as readonly string[]).includes(s.name.split(' · ')[0]!)

/** What a step comes after, in order: by what each says it follows, or all before it where none says so. */
function leadingTo(steps: readonly StepInput[], at: number): StepInput[] {
  if (steps.every(s => s.after == null)) return steps.slice(0, at)
  const wanted = new Set(steps[at]!.after ?? [])
  return steps.slice(0, at).reverse().filter((s) => {
    if (!wanted.has(idOf(s))) return false
    for (const id of s.after ?? []) wanted.add(id)
    return true
  }).reverse()
}

/**
 * Steps that a batch has behind it: up to the heat once the pot is on, up to the pour once the last vessel is filled,
 * each ending where the next began; before that only its first has begun.
 * @param startedAt ISO, when the batch was begun
 * @param doneS when the pot will be done by what its probe has shown, s from the batch's start; null: nothing tells
 * @example begunBy([{ id: 'pour', name: 'pour', minutes: 2 }], [], '2026-11-28T09:00:00Z', 1).done // []
 */
export function begunBy(
  steps: readonly StepInput[], events: readonly BatchEvent[], startedAt: string, vessels: number,
  doneS: number | null = null,
): Begun {
  const out: Begun = { done: [], startMs: {}, lasts: {} }
  const first = steps[0]
  if (!first) return out
  const began = parseISO(startedAt)
  const msAt = (s: number) => addMilliseconds(began, 1000 * s).getTime()
  /** Those that lead there end where the next began. */
  const endAt = (over: readonly StepInput[], endMs: number) => {
    for (const s of over.toReversed()) {
      endMs -= 60_000 * s.minutes
      out.startMs[idOf(s)] = endMs
    }
    out.done.push(...over.map(idOf))
  }
  const poured = eventsOf(events, 'poured')
  const pour = steps.findIndex(isPour)
  if (pour >= 0 && new Set(poured.map(e => e.vessel)).size >= vessels) {
    endAt([...leadingTo(steps, pour), steps[pour]!], msAt(Math.max(...poured.map(e => e.atS))))
    return out
  }
  const on = eventsOf(events, 'heatOn').at(-1)
  const heat = steps.findIndex(isHeat)
  if (!on || heat < 0) {
    out.startMs[idOf(first)] = began.getTime()
    return out
  }
  endAt(leadingTo(steps, heat), msAt(on.atS))
  const off = eventsOf(events, 'heatOff').at(-1)
  const isOff = off !== undefined && off.atS > on.atS
  const endS = isOff ? off.atS : doneS
  const id = idOf(steps[heat]!)
  out.startMs[id] = msAt(on.atS)
  if (endS !== null) out.lasts[id] = (endS - on.atS) / 60
  if (isOff) out.done.push(id)
  return out
}
