/** Tables. Every row carries its kitchen and the actor who wrote it. */
import { defineEntity, p, type InferEntity } from '@mikro-orm/core'
import type { FormulaDocument, Material, PlaceKind, VesselKind } from '#core/formula/document'
import type { LotMethod } from '#core/stock/strength'
import type { Summary } from '#core/summary'
import type { KitchenSettings } from '../../shared/schemas/kitchen'

export type EquipmentKind = 'oven' | 'burner' | 'pan'

const owned = { kitchenId: p.uuid(), actorId: p.uuid(), createdAt: p.datetime(), updatedAt: p.datetime() }

export const KitchenEntity = defineEntity({
  name: 'Kitchen', tableName: 'kitchen',
  properties: { id: p.uuid().primary(), actorId: p.uuid(), name: p.string(), version: p.integer(), settings: p.json<KitchenSettings>(), createdAt: p.datetime(), updatedAt: p.datetime() },
})
export const ActorEntity = defineEntity({
  name: 'Actor', tableName: 'actor',
  properties: { id: p.uuid().primary(), kitchenId: p.uuid(), name: p.string(), createdAt: p.datetime() },
})
export const PlaceEntity = defineEntity({
  name: 'Place', tableName: 'place',
  properties: { id: p.uuid().primary(), ...owned, name: p.string(), kind: p.string().$type<PlaceKind>(), airTempC: p.float().columnType('double precision'), position: p.integer() },
})
export const VesselEntity = defineEntity({
  name: 'Vessel', tableName: 'vessel',
  properties: {
    id: p.uuid().primary(), ...owned, name: p.string(), kind: p.string().$type<VesselKind>(), material: p.string().$type<Material>(),
    lengthM: p.float().columnType('double precision'), widthM: p.float().columnType('double precision'), heightM: p.float().columnType('double precision'),
    taper: p.float().columnType('double precision'), heldM3: p.float().columnType('double precision').nullable(), position: p.integer(),
  },
})
/** Ovens, burners and pans: few, small, always read whole; what each kind knows stands in `figures`. */
export const EquipmentEntity = defineEntity({
  name: 'Equipment', tableName: 'equipment',
  properties: { id: p.uuid().primary(), ...owned, kind: p.string().$type<EquipmentKind>(), name: p.string(), figures: p.json<Record<string, unknown>>(), position: p.integer() },
})
export const LotEntity = defineEntity({
  name: 'Lot', tableName: 'lot',
  properties: {
    id: p.uuid().primary(), ...owned, name: p.string(), ingredientId: p.string(), acidPercent: p.float().columnType('double precision').nullable(),
    pH: p.float().columnType('double precision').nullable(), brix: p.float().columnType('double precision').nullable(), fatPercent: p.float().columnType('double precision').nullable(),
    acidLnSigma: p.float().columnType('double precision').nullable(), massG: p.float().columnType('double precision').nullable(), method: p.json<LotMethod>(), deletedAt: p.datetime().nullable(), useBy: p.string().length(10).nullable(),
  },
})
/** The draft: mutable, with an optimistic version and the last write taken, so that a repeated one counts once. */
export const FormulaEntity = defineEntity({
  name: 'Formula', tableName: 'formula',
  properties: {
    id: p.uuid().primary(), ...owned, name: p.string(), document: p.json<FormulaDocument>(), schemaVersion: p.integer(), version: p.integer(), lastMutationId: p.uuid().nullable(),
    demo: p.boolean(), position: p.integer(), deletedAt: p.datetime().nullable(),
    result: p.json<Summary>().nullable(), resultEngine: p.string().nullable(), resultKitchenVersion: p.integer().nullable(),
  },
  indexes: [{ properties: ['kitchenId', 'deletedAt'] }],
})
/** An immutable version of a formula. */
export const FormulaVersionEntity = defineEntity({
  name: 'FormulaVersion', tableName: 'formula_version',
  properties: {
    id: p.uuid().primary(), kitchenId: p.uuid(), actorId: p.uuid(), createdAt: p.datetime(), formulaId: p.uuid(), parentId: p.uuid().nullable(), label: p.string(),
    document: p.json<FormulaDocument>(), schemaVersion: p.integer(), engineVersion: p.string(), result: p.json<Summary>().nullable(),
  },
  indexes: [{ properties: ['formulaId'] }],
})

export const entities = [KitchenEntity, ActorEntity, PlaceEntity, VesselEntity, EquipmentEntity, LotEntity, FormulaEntity, FormulaVersionEntity]
export type FormulaRow = InferEntity<typeof FormulaEntity>
