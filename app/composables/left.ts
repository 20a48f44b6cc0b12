/**
 * What this browser has not sent beside documents: what happened in batches, and sheets of days. What happened is sent
 * from wherever the cook is; a sheet waits for its own page, which asks where somebody else changed it, too.
 */
import { batchesKept, keptEvents, letGoEvents, SENT_MOST } from './keptEvents'
import { KEPT_DAY } from './useDay'

export interface Left { kind: 'batch' | 'day', id: string }
const LOOKS_MS = 2000

const sending = new Set<string>()
/** Batches of which the server took something not: told on their own page, and not asked again from here. */
const refused = new Set<string>()
/** Sends what is kept of a batch, in order; each counts once, however often it is sent, and from wherever. */
export async function sendKept(id: string): Promise<void> {
  if (sending.has(id) || refused.has(id)) return
  sending.add(id)
  try {
    const all = keptEvents(id)
    for (let i = 0; i < all.length; i += SENT_MOST) {
      const events = all.slice(i, i + SENT_MOST)
      await api(`/api/batches/${id}/events`, { method: 'POST', body: { events } })
      letGoEvents(id, events, i + SENT_MOST >= all.length)
    }
  } catch (error) {
    // Nobody answered: again at the next look.
    if (!(error instanceof ApiError)) throw error
    if (error.status === 422 || error.status === 404) refused.add(id)
  } finally {
    sending.delete(id)
  }
}

/** What is left: there at two looks, since what is being sent this moment is no news. */
export function useLeft(): Ref<Left[]> {
  const left = shallowRef<Left[]>([])
  const door = useDoorStore()
  let before = new Set<string>()
  function look() {
    const now: Left[] = [
      ...batchesKept().map(id => ({ kind: 'batch' as const, id })),
      ...browserStore.keys(KEPT_DAY).map(k => ({ kind: 'day' as const, id: k.slice(KEPT_DAY.length) })),
    ]
    left.value = now.filter(l => before.has(`${l.kind} ${l.id}`))
    before = new Set(now.map(l => `${l.kind} ${l.id}`))
    if (door.may('make')) for (const l of left.value) if (l.kind === 'batch') void sendKept(l.id)
  }
  useIntervalFn(look, LOOKS_MS)
  return left
}
