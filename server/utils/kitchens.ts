/** The kitchen: reading it whole, and changing its settings and places. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { LockMode } from '@mikro-orm/core'
import { EquipmentEntity, KitchenEntity, LotEntity, PlaceEntity, VesselEntity, type EquipmentKind } from '../database/entities'
import { SETTINGS_ADDED, type KitchenRecord, type KitchenSettings } from '../../shared/schemas/kitchen'
import type { KitchenBurner, KitchenOven, KitchenPan, KitchenPlace, KitchenVessel, Lot } from '#core/formula/document'
import { findIngredient } from '#core/ingredients'
import { figuresOf } from '#core/stock/strength'

/** This installation serves one kitchen; its rows are found through it. */
export async function loadKitchen(em: EntityManager): Promise<KitchenRecord & { actorId: string }> {
  const kitchen = await em.findOneOrFail(KitchenEntity, { id: { $ne: null } }, { orderBy: { createdAt: 'asc' } })
  const where = { kitchenId: kitchen.id }
  const places = await em.find(PlaceEntity, where, { orderBy: { position: 'asc' } })
  const vessels = await em.find(VesselEntity, where, { orderBy: { position: 'asc' } })
  const equipment = await em.find(EquipmentEntity, where, { orderBy: { position: 'asc' } })
  const things = <T>(kind: EquipmentKind) => equipment.filter(e => e.kind === kind).map(e => ({ id: e.id, name: e.name, ...e.figures }) as T)
  const lots = await em.find(LotEntity, { ...where, deletedAt: null }, { orderBy: { name: 'asc' } })
  return {
    id: kitchen.id, actorId: kitchen.actorId, name: kitchen.name, version: kitchen.version, settings: { ...SETTINGS_ADDED, ...kitchen.settings },
    places: places.map(({ id, name, kind, airTempC }) => ({ id, name, kind, airTempC })),
    vessels: vessels.map(({ id, name, kind, material, lengthM, widthM, heightM, taper, heldM3 }) => ({ id, name, kind, material, lengthM, widthM, heightM, taper, heldM3: heldM3 ?? null })),
    ovens: things<KitchenOven>('oven'), burners: things<KitchenBurner>('burner'), pans: things<KitchenPan>('pan'),
    lots: lots.map(l => ({
      id: l.id, name: l.name, ingredientId: l.ingredientId, acidPercent: l.acidPercent ?? null, pH: l.pH ?? null, brix: l.brix ?? null, fatPercent: l.fatPercent ?? null, acidLnSigma: l.acidLnSigma ?? null, massG: l.massG ?? null, method: l.method, useBy: l.useBy ?? null,
    })),
  }
}

export interface KitchenUpdate { version: number, name: string, settings: KitchenSettings, places: KitchenPlace[], vessels: KitchenVessel[], ovens: KitchenOven[], burners: KitchenBurner[], pans: KitchenPan[] }

/** Writes settings, places, vessels and equipment if the version still fits. @returns the kitchen, or null on a conflict */
export async function updateKitchen(em: EntityManager, at: Date, update: KitchenUpdate): Promise<KitchenRecord | null> {
  return em.transactional(async (tx) => {
    const kitchen = await tx.findOneOrFail(KitchenEntity, { id: { $ne: null } }, { orderBy: { createdAt: 'asc' }, lockMode: LockMode.PESSIMISTIC_WRITE })
    if (kitchen.version !== update.version) return null
    Object.assign(kitchen, { name: update.name, settings: update.settings, version: kitchen.version + 1, updatedAt: at })
    const owned = { kitchenId: kitchen.id, actorId: kitchen.actorId, createdAt: at, updatedAt: at }
    /** A list as it now is: what is gone goes, what is known changes, what is new comes. */
    const keep = async <T extends { id: string }>(entity: typeof PlaceEntity | typeof VesselEntity | typeof EquipmentEntity, list: readonly T[], extra: object = {}) => {
      const rows = await tx.find(entity as typeof PlaceEntity, { kitchenId: kitchen.id, ...extra })
      for (const row of rows) if (!list.some(x => x.id === row.id)) tx.remove(row)
      list.forEach((item, position) => {
        const row = rows.find(r => r.id === item.id)
        if (row) Object.assign(row, item, { position, updatedAt: at })
        else tx.create(entity as typeof PlaceEntity, { ...owned, ...extra, ...item, position } as never)
      })
    }
    await keep(PlaceEntity, update.places)
    await keep(VesselEntity, update.vessels)
    for (const [kind, list] of [['oven', update.ovens], ['burner', update.burners], ['pan', update.pans]] as const) {
      await keep(EquipmentEntity, list.map(({ id, name, ...figures }) => ({ id, name, figures })), { kind })
    }
    await tx.flush()
    return loadKitchen(tx)
  })
}

/**
 * Writes a lot, new or changed. What its card tells (a titration, a reading) is worked out here again, so that figures
 * and card agree. Results kept for the shelf are stale after it, hence the kitchen's version goes up.
 * @throws {InputError} naming the card's field
 */
export async function saveLot(em: EntityManager, at: Date, lot: Lot): Promise<KitchenRecord> {
  const row = findIngredient(lot.ingredientId)!
  const found = Object.fromEntries(Object.entries(figuresOf(row, lot.method)).filter(([, v]) => v !== null))
  const { id, ...rest } = { ...lot, ...found }
  return em.transactional(async (tx) => {
    const kitchen = await tx.findOneOrFail(KitchenEntity, { id: { $ne: null } }, { orderBy: { createdAt: 'asc' }, lockMode: LockMode.PESSIMISTIC_WRITE })
    const existing = await tx.findOne(LotEntity, { id, kitchenId: kitchen.id })
    if (existing) Object.assign(existing, rest, { updatedAt: at, deletedAt: null })
    else tx.create(LotEntity, { id, ...rest, kitchenId: kitchen.id, actorId: kitchen.actorId, createdAt: at, updatedAt: at, deletedAt: null })
    kitchen.version++
    await tx.flush()
    return loadKitchen(tx)
  })
}

/** Takes a lot off the shelf; formulas that use it keep its snapshot. Writing it again brings it back. */
export async function removeLot(em: EntityManager, at: Date, id: string): Promise<KitchenRecord | null> {
  return em.transactional(async (tx) => {
    const kitchen = await tx.findOneOrFail(KitchenEntity, { id: { $ne: null } }, { orderBy: { createdAt: 'asc' }, lockMode: LockMode.PESSIMISTIC_WRITE })
    if (await tx.nativeUpdate(LotEntity, { id, kitchenId: kitchen.id, deletedAt: null }, { deletedAt: at }) === 0) return null
    kitchen.version++
    await tx.flush()
    return loadKitchen(tx)
  })
}
