/** The kitchen: reading it whole, and changing its settings and places. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { LockMode } from '@mikro-orm/core'
import { KitchenEntity, LotEntity, PlaceEntity, VesselEntity } from '../database/entities'
import type { KitchenRecord, KitchenSettings } from '../../shared/schemas/kitchen'
import type { KitchenPlace } from '#core/formula/document'

/** This installation serves one kitchen; its rows are found through it. */
export async function loadKitchen(em: EntityManager): Promise<KitchenRecord & { actorId: string }> {
  const kitchen = await em.findOneOrFail(KitchenEntity, { id: { $ne: null } }, { orderBy: { createdAt: 'asc' } })
  const where = { kitchenId: kitchen.id }
  const places = await em.find(PlaceEntity, where, { orderBy: { position: 'asc' } })
  const vessels = await em.find(VesselEntity, where, { orderBy: { position: 'asc' } })
  const lots = await em.find(LotEntity, where, { orderBy: { name: 'asc' } })
  return {
    id: kitchen.id, actorId: kitchen.actorId, name: kitchen.name, version: kitchen.version, settings: kitchen.settings,
    places: places.map(({ id, name, kind, airTempC }) => ({ id, name, kind, airTempC })),
    vessels: vessels.map(({ id, name, kind, material, lengthM, widthM, heightM }) => ({ id, name, kind, material, lengthM, widthM, heightM })),
    lots: lots.map(({ id, name, ingredientId, acidPercent, pH, useBy }) => ({ id, name, ingredientId, acidPercent, pH: pH ?? null, useBy: useBy ?? null })),
  }
}

export interface KitchenUpdate { version: number, name: string, settings: KitchenSettings, places: KitchenPlace[] }

/** Writes settings and places if the version still fits. @returns the kitchen, or null on a conflict */
export async function updateKitchen(em: EntityManager, at: Date, update: KitchenUpdate): Promise<KitchenRecord | null> {
  return em.transactional(async (tx) => {
    const kitchen = await tx.findOneOrFail(KitchenEntity, { id: { $ne: null } }, { orderBy: { createdAt: 'asc' }, lockMode: LockMode.PESSIMISTIC_WRITE })
    if (kitchen.version !== update.version) return null
    Object.assign(kitchen, { name: update.name, settings: update.settings, version: kitchen.version + 1, updatedAt: at })
    const rows = await tx.find(PlaceEntity, { kitchenId: kitchen.id })
    for (const row of rows) if (!update.places.some(p => p.id === row.id)) tx.remove(row)
    update.places.forEach((place, position) => {
      const row = rows.find(r => r.id === place.id)
      if (row) Object.assign(row, place, { position, updatedAt: at })
      else tx.create(PlaceEntity, { ...place, position, kitchenId: kitchen.id, actorId: kitchen.actorId, createdAt: at, updatedAt: at })
    })
    await tx.flush()
    return loadKitchen(tx)
  })
}
