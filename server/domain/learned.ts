/** Learned sets: accepted by a cook, numbered, and taken back by going by an earlier one, or by none. */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import { thetaBy } from '#core/learn/told'
import { CalibrationEntity, LearnedSetEntity } from '../database/entities'
import type { LearnedItem, LearnedList } from '../../shared/book'
import { lockKitchen, type Owner } from './kitchen'
import { Refusal } from './refusal'

interface Row {
  goes_by: string | null
  id: string
  number: number
  created_at: string
  calibration_id: string
  theta: Record<string, number>
}
/** Which sets there are, the newest first, and which one counts. */
export async function listLearned(em: EntityManager, owner: Pick<Owner, 'id'>): Promise<LearnedList> {
  const rows = await em.execute<(Row | { goes_by: string | null, id: null })[]>(
    `select k.learned_set_id as goes_by, s.id, s.number, s.created_at, s.calibration_id, s.theta
    from kitchen k left join learned_set s on s.kitchen_id = k.id
    where k.id = ? order by s.number desc nulls last limit 100`,
    [owner.id],
  )
  const items = rows.filter((r): r is Row => r.id !== null).map((r): LearnedItem => ({
    id: r.id, number: r.number, createdAt: new Date(r.created_at).toISOString(), calibrationId: r.calibration_id,
    theta: r.theta,
  }))
  return { items, goesBy: rows[0]?.goes_by ?? null }
}

/** Accepts what a calibration found: a set of its own, which counts from now on. @throws {Refusal} unknown */
export async function acceptLearned(
  em: EntityManager, owner: Owner, at: Date, calibrationId: string,
): Promise<LearnedList> {
  await em.transactional(async (tx) => {
    const kitchen = await lockKitchen(tx, owner)
    const calibration = await tx.findOne(CalibrationEntity, { id: calibrationId, kitchenId: owner.id })
    if (!calibration) throw new Refusal('unknown', 'calibrationId', 'unknownCalibration')
    const [last] = await tx.find(LearnedSetEntity, { kitchenId: owner.id }, { orderBy: { number: 'desc' }, limit: 1 })
    const row = tx.create(LearnedSetEntity, {
      id: randomUUID(), kitchenId: owner.id, actorId: owner.actorId, createdAt: at, number: (last?.number ?? 0) + 1,
      calibrationId, theta: thetaBy(calibration.result),
    })
    await tx.flush()
    Object.assign(kitchen, { learnedSetId: row.id, revision: kitchen.revision + 1, updatedAt: at })
    await tx.flush()
  })
  return listLearned(em.fork(), owner)
}

/** Goes by another set, or by none. @throws {Refusal} unknown */
export async function goByLearned(em: EntityManager, owner: Owner, at: Date, id: string | null): Promise<LearnedList> {
  await em.transactional(async (tx) => {
    const kitchen = await lockKitchen(tx, owner)
    if (id !== null && (await tx.count(LearnedSetEntity, { id, kitchenId: owner.id })) === 0)
      throw new Refusal('unknown', 'id', 'unknownSet')
    Object.assign(kitchen, { learnedSetId: id, revision: kitchen.revision + 1, updatedAt: at })
    await tx.flush()
  })
  return listLearned(em.fork(), owner)
}
