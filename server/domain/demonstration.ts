/**
 * A demonstration's instruments: whenever somebody listens, what the simulated kitchen has written since is worked out
 * and kept, by the batch's own clock. It follows from what is stored, so that a restart changes nothing.
 */
import type { EntityManager } from '@mikro-orm/postgresql'
import type { Outcome } from '#core/book/outcome'
import { eventsOf } from '#core/book/record'
import { inThread } from '../threads/pool'
import { type BatchRow, clockOf, eventsAfter, recordOfBatch } from './batches'
import type { Owner } from './kitchen'
import { addReadings } from './readings'
import type { Series } from '#core/book/record'

/** A loggers' course is worked out no more often than this, s of the batch's clock. */
const COLD_EVERY_S = 300
/** Until when each batch's instruments have been worked out here, s. */
const done = new Map<string, number>()

/** Whether it is worth working out: something heats, or the loggers have something to write. */
async function isDue(em: EntityManager, row: BatchRow, nowS: number): Promise<boolean> {
  const events = await eventsAfter(em, row.id, 0)
  const has = (kind: 'heatOn' | 'heatOff' | 'ovenIn' | 'ovenOut' | 'movedTo' | 'opened') => eventsOf(events, kind)[0]
  if (!has('heatOn') && !has('ovenIn') && !has('movedTo')) return false
  const hot = (has('heatOn') && !has('heatOff')) || (has('ovenIn') && !has('ovenOut'))
  const lastS = done.get(row.id) ?? 0
  const ended = has('opened')?.atS ?? Infinity
  return hot ? nowS - lastS >= 1 : lastS < ended && nowS - lastS >= (has('movedTo') ? COLD_EVERY_S : 5)
}

/** Brings the instruments of a demonstration to its clock. @returns what is new */
export async function catchUp(em: EntityManager, owner: Owner, row: BatchRow): Promise<Series[]> {
  const { simulation } = row
  if (!simulation) return []
  const { nowS } = clockOf(row)
  if (!(await isDue(em, row, nowS))) return []
  const record = await recordOfBatch(em, row)
  const { readings } = await inThread('kitchenAlongside', { record: { ...record, readings: [] }, simulation, nowS })
  if (done.size > 1000) done.clear()
  done.set(row.id, nowS)
  return addReadings(em, owner, row.id, readings)
}

/** What the simulated cook would find of it now; null: it is not cold yet. */
export async function foundNow(em: EntityManager, row: BatchRow): Promise<Outcome | null> {
  if (!row.simulation) return null
  const record = await recordOfBatch(em, row)
  const { nowS } = clockOf(row)
  return (await inThread('kitchenAlongside', { record: { ...record, readings: [] }, simulation: row.simulation, nowS })).outcome
}
