/** Work of the server's own, beside requests: what the shelf shows, and what grows old. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { subDays } from 'date-fns'
import { BatchEntity, FormulaEntity } from '../database/entities'
import { faultName, isDatabaseAway } from '../database/away'
import { forEveryKitchen, kitchenNow, rest, within } from '../database/wall'
import { forgetNotes } from '../live/notes'
import { forgetOldTries } from '../people/attempts'
import { inThread } from '../threads/pool'
import { newEm, now } from '../utils/orm'
import { emptyBin } from './bin'
import { recordOfBatch } from './batches'
import { forgetBefore } from './mutations'
import { foldReadings } from './readings'
import { Refusal } from './refusal'
import { refreshSummaries } from './summaries'
import { thinVersions } from './versions'

/** The database does not answer: whoever looks next asks again. */
const isAway = (error: unknown) => isDatabaseAway(error) || (error instanceof Refusal && error.kind === 'away')

const HOUR_MS = 3_600_000
/** A formula that is being worked on is not thinned at each save. */
const THIN_EVERY_MS = 600_000
/** The hourly round rests between kitchens, and between formulas: hundreds of them take minutes of their hour, ms. */
const ROUND_REST_MS = 100
const THIN_REST_MS = 20

/** What is asked for within this is worked out together, ms. */
const GATHER_MS = 150

/** Formulas, each with its kitchen. */
const wanted = new Map<string, string>()
const thinned = new Map<string, number>()
let working: Promise<void> | null = null

/** Asks for the summaries of these formulas, soon. Asked for many times, each is worked out once. */
export function wantSummaries(ids: readonly string[]): void {
  const kitchenId = kitchenNow()
  if (kitchenId === null) return
  for (const id of ids) wanted.set(id, kitchenId)
  if (wanted.size > 0)
    working ??= within(null, work).finally(() => {
      working = null
    })
}

async function work(): Promise<void> {
  // A run of saves is one piece of work.
  await new Promise(resolve => setTimeout(resolve, GATHER_MS))
  while (wanted.size > 0) {
    const [[, kitchenId]] = [...wanted] as [[string, string]]
    const ids = [...wanted].filter(([, k]) => k === kitchenId).slice(0, 8).map(([id]) => id)
    for (const id of ids) wanted.delete(id)
    try {
      await within(kitchenId, async () => {
        await refreshSummaries(await newEm(), ids, job => inThread('summaries', job), kitchenId)
        for (const id of ids) await thinOnce(id)
      })
    } catch (error) {
      // Whoever looks at the shelf next asks again.
      if (!isAway(error)) console.error(`Lumbik: summaries were not worked out (${faultName(error)})`)
      wanted.clear()
    }
  }
}

const toShow = new Map<string, string>()
let showing: Promise<void> | null = null
/** Asks for what the Book lists of a batch, soon; its readings are packed into few rows then. */
export function wantShown(id: string): void {
  const kitchenId = kitchenNow()
  if (kitchenId === null) return
  toShow.set(id, kitchenId)
  showing ??= within(null, showAll).finally(() => {
    showing = null
  })
}
async function showAll(): Promise<void> {
  while (toShow.size > 0) {
    const [[id, kitchenId]] = [...toShow] as [[string, string]]
    toShow.delete(id)
    try {
      await within(kitchenId, async () => refreshShown(await newEm(), id))
    } catch (error) {
      if (!isAway(error)) console.error(`Lumbik: a batch was not worked out (${faultName(error)})`)
    }
  }
}
/** Works out what the Book lists of a batch, and folds its readings. */
export async function refreshShown(em: EntityManager, id: string): Promise<void> {
  const row = await em.findOne(BatchEntity, { id })
  if (!row) return
  await foldReadings(em, { id: row.kitchenId, actorId: row.actorId }, id)
  const { head } = row
  const shown = await inThread('batchShown', { record: await recordOfBatch(em, row) })
  // What came in meanwhile asks again by itself.
  await em.nativeUpdate(BatchEntity, { id, head }, { shown })
}

async function thinOnce(id: string): Promise<void> {
  const at = Date.now()
  if (at - (thinned.get(id) ?? 0) < THIN_EVERY_MS) return
  if (thinned.size > 5000) thinned.clear()
  thinned.set(id, at)
  await thinVersions(await newEm(), id, now())
}

/** Once: empties the bin, forgets old writes, thins what was worked on in the last days. */
export async function tidy(em: EntityManager, at: Date): Promise<void> {
  await emptyBin(em, at)
  await forgetBefore(em, at)
  await forgetNotes(em, at)
  await forgetOldTries(em, at)
  for (let offset = 0; ; offset += 200) {
    const ids = (
      await em
        .fork()
        .find(
          FormulaEntity,
          { updatedAt: { $gt: subDays(at, 9) } },
          { fields: ['id'], orderBy: { id: 'asc' }, limit: 200, offset },
        )
    ).map(f => f.id)
    for (const id of ids) {
      await thinVersions(em, id, at)
      await rest(THIN_REST_MS)
    }
    if (ids.length < 200) return
  }
}

/** What the Book shows of batches that were never worked out (the demo's, or a server ended before it came to them). */
export async function showMissing(em: EntityManager): Promise<void> {
  const rows = await em.find(BatchEntity, { isDone: true, shown: null }, { fields: ['id'], limit: 200 })
  for (const { id } of rows) wantShown(id)
}

/** Starts the hourly round. @returns its end */
export function startHousekeeping(): () => void {
  const round = () =>
    forEveryKitchen(newEm, async () => tidy(await newEm(), now()), ROUND_REST_MS)
      .catch((error) => {
        if (!isAway(error)) console.error(`Lumbik: tidying up did not work (${faultName(error)})`)
      })
  const first = setTimeout(round, 60_000).unref()
  const timer = setInterval(round, HOUR_MS).unref()
  return () => {
    clearTimeout(first)
    clearInterval(timer)
  }
}
