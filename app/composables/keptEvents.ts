/** What happened in batches and is not on the server yet, as this browser keeps it: all its tabs together. */
import type { SentEvent } from '../../shared/schemas/book'

const KEPT = 'lumbik:batch:'
/** So many events go at a time. */
export const SENT_MOST = 50

/** An event as it is kept: under a key of its own, so that two tabs never write over one another. */
interface KeptEvent { keptMs: number, event: SentEvent }
const keyOf = (id: string, eventId: string) => `${KEPT}${id}:${eventId}`
function parsed<T>(text: string | null): T | null {
  try {
    return JSON.parse(text ?? 'null') as T | null
  } catch {
    return null
  }
}
/** What this browser has not sent of a batch, in the order in which it happened. */
export function keptEvents(id: string): SentEvent[] {
  // As an earlier Lumbik kept them: all in one.
  const before = parsed<SentEvent[]>(browserStore.get(KEPT + id))
  const kept = browserStore.keys(`${KEPT}${id}:`).map(k => parsed<KeptEvent>(browserStore.get(k)))
    .filter(k => k?.event?.id !== undefined) as KeptEvent[]
  kept.sort((a, b) => a.keptMs - b.keptMs)
  return [...(Array.isArray(before) ? before : []), ...kept.map(k => k.event)]
}
export const keepEvent = (id: string, event: SentEvent): boolean =>
  browserStore.set(keyOf(id, event.id), JSON.stringify({ keptMs: Date.now(), event } satisfies KeptEvent))
/** Lets go what the server has; `isAll`: nothing of the batch is left. */
export function letGoEvents(id: string, events: readonly SentEvent[], isAll: boolean): void {
  for (const e of events) browserStore.remove(keyOf(id, e.id))
  if (isAll) browserStore.remove(KEPT + id)
}
/** Batches of which something is kept. */
export const batchesKept = (): string[] =>
  [...new Set(browserStore.keys(KEPT).map(k => k.slice(KEPT.length).split(':')[0]!))]
    .filter(id => keptEvents(id).length > 0)
