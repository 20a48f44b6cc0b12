/** Seeding: what is missing is written, what is there is never touched. */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import { ACTOR_ID, BURNERS, demoFormulas, KITCHEN_ID, KITCHEN_NAME, LOTS, OVENS, PANS, PLACES, SETTINGS, VESSELS } from './demo'
import { ActorEntity, EquipmentEntity, FormulaEntity, FormulaVersionEntity, KitchenEntity, LotEntity, PlaceEntity, VesselEntity } from './entities'
import { ENGINE_VERSION } from '#core/assessment'
import { SCHEMA_VERSION } from '#core/formula/document'

/** Makes sure there is a kitchen; with `demo`, that the demo's rows were once written. Idempotent. */
export async function seed(em: EntityManager, at: Date, demo: boolean): Promise<void> {
  await em.transactional(async (tx) => {
    const has = async (entity: typeof KitchenEntity, id: string) => await tx.count(entity, { id }) > 0
    const some = await tx.count(KitchenEntity) > 0
    if (!some) {
      const id = demo ? KITCHEN_ID : randomUUID()
      const actorId = demo ? ACTOR_ID : randomUUID()
      tx.create(KitchenEntity, { id, actorId, name: demo ? KITCHEN_NAME : 'Our kitchen', version: 1, settings: SETTINGS, createdAt: at, updatedAt: at })
      await tx.flush()
      tx.create(ActorEntity, { id: actorId, kitchenId: id, name: 'The kitchen', createdAt: at })
      await tx.flush()
      const owned = { kitchenId: id, actorId, createdAt: at, updatedAt: at }
      if (!demo) tx.create(PlaceEntity, { id: randomUUID(), ...owned, name: 'Fridge', kind: 'domesticFridge', airTempC: 4, position: 0 })
    }
    if (!demo || !await has(KitchenEntity, KITCHEN_ID)) return
    const owned = { kitchenId: KITCHEN_ID, actorId: ACTOR_ID, createdAt: at, updatedAt: at }
    // Each demo row is written once: what a cook deletes (formulas stay as rows) or changes afterwards stays so, and a later
    // Lumbik adds the formulas it brings. Places, vessels and lots come with a formula's first writing only.
    const known = new Set((await tx.find(FormulaEntity, { kitchenId: KITCHEN_ID }, { fields: ['id'] })).map(f => f.id))
    const fresh = demoFormulas().map((d, position) => ({ ...d, position })).filter(d => !known.has(d.id))
    if (fresh.length === 0) return
    for (const [position, row] of PLACES.entries()) if (known.size === 0) tx.create(PlaceEntity, { ...row, ...owned, position })
    const vessels = new Set((await tx.find(VesselEntity, { kitchenId: KITCHEN_ID }, { fields: ['id'] })).map(v => v.id))
    for (const [position, row] of VESSELS.entries()) if (!vessels.has(row.id)) tx.create(VesselEntity, { ...row, ...owned, position })
    const equipment = new Set((await tx.find(EquipmentEntity, { kitchenId: KITCHEN_ID }, { fields: ['id'] })).map(e => e.id))
    for (const [kind, rows] of [['oven', OVENS], ['burner', BURNERS], ['pan', PANS]] as const) {
      rows.forEach(({ id, name, ...figures }, position) => {
        if (!equipment.has(id)) tx.create(EquipmentEntity, { id, kind, name, figures, ...owned, position })
      })
    }
    for (const row of LOTS) if (known.size === 0) tx.create(LotEntity, { ...row, ...owned })
    await tx.flush()
    for (const { id, document, position } of fresh) {
      tx.create(FormulaEntity, { id, ...owned, name: document.name, document, schemaVersion: SCHEMA_VERSION, version: 1, lastMutationId: null, demo: true, position, deletedAt: null, result: null, resultEngine: null, resultKitchenVersion: null })
    }
    await tx.flush()
    for (const { id, document } of fresh) {
      tx.create(FormulaVersionEntity, { id: randomUUID(), kitchenId: KITCHEN_ID, actorId: ACTOR_ID, createdAt: at, formulaId: id, parentId: null, label: 'as first written', document, schemaVersion: SCHEMA_VERSION, engineVersion: ENGINE_VERSION, result: null })
    }
  })
}
