/** Instruments of the kitchen, and when each was last held against something known. */
import type { EntityManager } from '@mikro-orm/postgresql'
import type { InferEntity } from '@mikro-orm/core'
import { DeviceEntity } from '../database/entities'
import type { DeviceCheck, DeviceRecord } from '../../shared/book'
import { lockKitchen, type Owner } from './kitchen'
import { Refusal } from './refusal'

/** So many checks of one are kept, the newest first. */
const CHECKS_KEPT = 50

const recordOf = (d: InferEntity<typeof DeviceEntity>): DeviceRecord =>
  ({ id: d.id, kind: d.kind, name: d.name, ...d.figures })

export async function listDevices(em: EntityManager, owner: Pick<Owner, 'id'>): Promise<DeviceRecord[]> {
  const rows = await em.find(
    DeviceEntity, { kitchenId: owner.id, deletedAt: null }, { orderBy: { position: 'asc', createdAt: 'asc' } },
  )
  return rows.map(recordOf)
}

export interface DeviceSave {
  kind: DeviceRecord['kind']
  name: string
  simulated: boolean
}
/** A device, new or under another name. @throws {Refusal} invalid, for the id of another kitchen's, or another kind */
export async function saveDevice(em: EntityManager, owner: Owner, at: Date, id: string, s: DeviceSave) {
  await em.transactional(async (tx) => {
    await lockKitchen(tx, owner)
    const there = await tx.findOne(DeviceEntity, { id })
    if (there && there.kitchenId !== owner.id) throw new Refusal('invalid', 'id', 'sameId')
    if (there && there.kind !== s.kind) throw new Refusal('invalid', 'kind', 'unknownValue')
    if (there) Object.assign(there, { name: s.name, updatedAt: at, deletedAt: null })
    else
      tx.create(DeviceEntity, {
        id, kitchenId: owner.id, actorId: owner.actorId, createdAt: at, updatedAt: at, kind: s.kind, name: s.name,
        figures: { simulated: s.simulated, checks: [] },
        position: await tx.count(DeviceEntity, { kitchenId: owner.id }), deletedAt: null,
      })
    await tx.flush()
  })
  return listDevices(em.fork(), owner)
}

/** What a device showed of something known. @throws {Refusal} unknown */
export async function checkDevice(em: EntityManager, owner: Owner, at: Date, id: string, check: Omit<DeviceCheck, 'at'>) {
  await em.transactional(async (tx) => {
    await lockKitchen(tx, owner)
    const row = await tx.findOne(DeviceEntity, { id, kitchenId: owner.id, deletedAt: null })
    if (!row) throw new Refusal('unknown', 'id', 'unknownDevice')
    const checks = [{ ...check, at: at.toISOString() }, ...row.figures.checks].slice(0, CHECKS_KEPT)
    row.figures = { ...row.figures, checks }
    row.updatedAt = at
    await tx.flush()
  })
  return listDevices(em.fork(), owner)
}

/** Takes a device out. @throws {Refusal} unknown */
export async function removeDevice(em: EntityManager, owner: Owner, at: Date, id: string) {
  const n = await em.nativeUpdate(DeviceEntity, { id, kitchenId: owner.id, deletedAt: null }, { deletedAt: at })
  if (n === 0) throw new Refusal('unknown', 'id', 'unknownDevice')
  return listDevices(em.fork(), owner)
}
