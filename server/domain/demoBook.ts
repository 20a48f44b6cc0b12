/** Writes the demo's Book beside the first requests: twenty batches take some seconds to make. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { BatchEntity, BatchEventEntity, FormulaVersionEntity } from '../database/entities'
import { ACTOR_ID, KITCHEN_ID } from '../database/demo'
import { within } from '../database/wall'
import { DEMO_BATCHES, type demoBatch } from '../database/demoBook'
import { inThread } from '../threads/pool'
import { newEm } from '../utils/orm'
import { frozenOf, lotsOf } from './batches'
import { addReadings } from './readings'

/** What is missing of the demo's Book, one batch after another; what is there stays. */
export async function writeDemoBook(at: Date): Promise<void> {
  for (let n = 0; n < DEMO_BATCHES; n++) {
    const made = await inThread('demoBatchOf', { n, at: at.toISOString() })
    await within(KITCHEN_ID, async () => writeBatch(await newEm(), at, made))
  }
}

/** One batch with all that happened in it, unless it is there. */
async function writeBatch(em: EntityManager, at: Date, { formulaId, record }: ReturnType<typeof demoBatch>) {
  const { id } = record
  const whose = { kitchenId: KITCHEN_ID, actorId: ACTOR_ID }
  const startedAt = new Date(record.startedAt)
  const outcome = record.events.findLast(e => e.kind === 'outcome')
  await em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(hashtextextended(?, 0))', [id])
    const version = await tx.findOne(
      FormulaVersionEntity, { formulaId, kitchenId: KITCHEN_ID }, { orderBy: { createdAt: 'asc', id: 'asc' }, fields: ['id'] },
    )
    if (!version || (await tx.count(BatchEntity, { id })) > 0) return
    const planned = { formula: record.formula, occasion: record.occasion }
    tx.create(BatchEntity, {
      id, ...whose, createdAt: at, updatedAt: at, formulaId, versionId: version.id, name: record.formula.name,
      startedAt, clockAt: at, clockS: 0, speed: 1,
      frozen: frozenOf({ planned, componentId: record.componentId, kitchen: record.kitchen }), simulation: null,
      simulated: true, demo: true, isDone: true, head: record.events.length, shown: null, lots: lotsOf(planned),
      faults: outcome?.kind === 'outcome' ? outcome.outcome.faults : [],
    })
    await tx.flush()
    record.events.forEach(({ id: eventId, atS, actorId: _, ...happened }, i) =>
      void tx.create(BatchEventEntity, {
        id: eventId, ...whose, createdAt: new Date(startedAt.getTime() + 1000 * atS), batchId: id, number: i + 1, atS,
        happened: happened as never,
      }))
    await tx.flush()
  })
  await addReadings(em.fork(), { id: KITCHEN_ID, actorId: ACTOR_ID }, id, record.readings)
}
