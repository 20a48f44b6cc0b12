/** What was deleted, for as long as it can come back; and its end. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { addDays, subDays } from 'date-fns'
import {
  EquipmentEntity,
  FormulaEntity,
  FormulaVersionEntity,
  LotEntity,
  PlaceEntity,
  VesselEntity,
} from '../database/entities'
import { BIN_DAYS, type BinItem, type BinKind } from '../../shared/schemas/wire'
import { lockKitchen, type Owner } from './kitchen'
import { Refusal } from './refusal'

const LISTED_MOST = 200
const oldest = (at: Date) => subDays(at, BIN_DAYS)
type Thing = typeof PlaceEntity
/** Where each kind stands; equipment shares one table. */
const TABLES: Record<BinKind, { entity: Thing, kind?: string }> = {
  formula: { entity: FormulaEntity as unknown as Thing },
  lot: { entity: LotEntity as unknown as Thing },
  vessel: { entity: VesselEntity as unknown as Thing },
  place: { entity: PlaceEntity },
  oven: { entity: EquipmentEntity as unknown as Thing, kind: 'oven' },
  burner: { entity: EquipmentEntity as unknown as Thing, kind: 'burner' },
  pan: { entity: EquipmentEntity as unknown as Thing, kind: 'pan' },
}
const among = ({ kind }: { kind?: string }) => (kind ? { kind } : {}) as object

/** What can be brought back, the last deleted first. */
export async function listBin(em: EntityManager, owner: Owner, at: Date): Promise<BinItem[]> {
  const of = Object.entries(TABLES).map(([kind, table]) =>
    `(select '${kind}' as kind, id, name, deleted_at from "${em.getMetadata().get(table.entity.name).tableName}"
      where kitchen_id = ? and deleted_at > ?::timestamptz ${table.kind ? `and kind = '${table.kind}'` : ''}
      order by deleted_at desc limit ${LISTED_MOST})`)
  const rows = await em.execute<{ kind: BinKind, id: string, name: string, deleted_at: string }[]>(
    `${of.join(' union all ')} order by deleted_at desc`,
    of.flatMap(() => [owner.id, oldest(at).toISOString()]),
  )
  return rows.map(({ kind, id, name, deleted_at }) => {
    const deletedAt = new Date(deleted_at)
    return { kind, id, name, deletedAt: deletedAt.toISOString(), until: addDays(deletedAt, BIN_DAYS).toISOString() }
  })
}

/** Brings one back, with all its versions. Asked twice, it is simply there. @throws {Refusal} unknown */
export async function revive(em: EntityManager, owner: Owner, kind: BinKind, id: string): Promise<void> {
  const table = TABLES[kind]
  await em.transactional(async (tx) => {
    const where = { id, kitchenId: owner.id, ...among(table) }
    const back = await tx.nativeUpdate(table.entity, { ...where, deletedAt: { $ne: null } }, { deletedAt: null })
    if (back === 0 && (await tx.count(table.entity, where)) === 0) throw new Refusal('unknown', 'id', 'notInTheBin')
    if (back === 0 || kind === 'formula') return
    const kitchen = await lockKitchen(tx, owner)
    // A lot counts its own versions; a tin or a fridge is of the kitchen's own list.
    if (kind !== 'lot') kitchen.version++
    kitchen.revision++
    await tx.flush()
  })
}

const PURGE_BATCH = 50
/** Empties the bin of what lay there too long. @returns how many formulas went */
export async function emptyBin(em: EntityManager, at: Date): Promise<number> {
  const gone = { deletedAt: { $lt: oldest(at) } }
  for (const entity of [LotEntity, VesselEntity, PlaceEntity, EquipmentEntity])
    await em.nativeDelete(entity as unknown as Thing, gone)
  let formulas = 0
  for (;;) {
    // What a batch was made by stays as long as the batch does.
    const ids = (await em.execute<{ id: string }[]>(
      `select id from formula f where deleted_at < ?::timestamptz
        and not exists (select 1 from batch where formula_id = f.id) limit ${PURGE_BATCH}`,
      [oldest(at).toISOString()],
    )).map(f => f.id)
    for (const id of ids) {
      await em.nativeDelete(FormulaVersionEntity, { formulaId: id })
      await em.nativeDelete(FormulaEntity, { id })
    }
    formulas += ids.length
    if (ids.length < PURGE_BATCH) return formulas
  }
}
