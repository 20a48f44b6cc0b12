/**
 * A demonstration's instruments: whenever somebody listens, what the simulated kitchen has written since is worked out
 * and kept, by the batch's own clock. It follows from what is stored, so that a restart changes nothing.
 */
import type { EntityManager } from '@mikro-orm/postgresql'
import type { Outcome } from '#core/book/outcome'
import { type BatchEvent, eventsOf, type Series } from '#core/book/record'
import { inThread } from '../threads/pool'
import { batchRow, type BatchRow, clockOf, eventsAfter, recordOfBatch, type Ticking } from './batches'
import type { Owner } from './kitchen'
import { addReadings } from './readings'

/** How often instruments are worked out, s of the batch's clock: at the stove, on the way, by a logger in the cold. */
const EVERY_S = { hot: 1, between: 5, cold: 300 }
interface Phase {
  /** Events that it was judged by. */
  head: number
  /** null: nothing is read yet. */
  everyS: number | null
  /** Nothing is written after this, s. */
  endS: number
}
/** What each batch is at, judged anew when something happens in it; until when its instruments were worked out, s. */
const known = new Map<string, Phase & { doneS: number }>()
const KNOWN_MOST = 1000

/** What goes on, by the events. */
function phaseOf(events: readonly BatchEvent[], head: number): Phase {
  const has = (kind: 'heatOn' | 'heatOff' | 'ovenIn' | 'ovenOut' | 'movedTo' | 'opened') => eventsOf(events, kind)[0]
  const isHot = (has('heatOn') && !has('heatOff')) || (has('ovenIn') && !has('ovenOut'))
  const everyS = isHot ? EVERY_S.hot
    : has('movedTo') ? EVERY_S.cold : has('heatOn') || has('ovenIn') ? EVERY_S.between : null
  return { head, everyS, endS: has('opened')?.atS ?? Infinity }
}

/** Brings the instruments of a demonstration to its clock. @returns what is new */
export async function catchUp(em: EntityManager, owner: Owner, t: Ticking): Promise<Series[]> {
  // A demo's own batch was made long ago.
  if (!t.simulated || t.demo) return []
  const { nowS } = clockOf(t)
  let at = known.get(t.id)
  if (at?.head !== t.head) {
    at = { ...phaseOf(await eventsAfter(em, t.id, 0), t.head), doneS: at?.doneS ?? 0 }
    if (known.size > KNOWN_MOST) known.clear()
    known.set(t.id, at)
  }
  if (at.everyS === null || at.doneS >= at.endS || nowS - at.doneS < at.everyS) return []
  const row = await batchRow(em, owner, t.id)
  const worked = await workOut(em, row, nowS)
  at.doneS = nowS
  return worked ? addReadings(em, owner, t.id, worked.readings) : []
}

/** What the simulated kitchen has written, and would be found to have made, until now. */
async function workOut(em: EntityManager, row: BatchRow, nowS: number) {
  const { simulation } = row
  if (!simulation) return null
  const record = await recordOfBatch(em, row)
  return inThread('kitchenAlongside', { record: { ...record, readings: [] }, simulation, nowS })
}

/** What the simulated cook would find of it now; null: it is not cold yet. */
export const foundNow = async (em: EntityManager, row: BatchRow): Promise<Outcome | null> =>
  (await workOut(em, row, clockOf(row).nowS))?.outcome ?? null
