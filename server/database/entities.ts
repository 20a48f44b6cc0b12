/** Tables. Every row carries its kitchen and the actor who wrote it. */
import { defineEntity, p, type InferEntity } from '@mikro-orm/core'
import type { FormulaDocument } from '#core/formula/document'
import type { Occasion } from '#core/formula/occasion'
import type { Material, VesselKind } from '#core/physics/geometry/cavity'
import type { PlaceKind } from '#core/physics/thermal/places'
import type { LotMethod } from '#core/kitchen/strength'
import type { Summary } from '#core/pipeline/summary'
import type { KitchenSettings } from '../../shared/kitchen'
import type { EggUse } from '../../shared/schemas/wire'

export type EquipmentKind = 'oven' | 'burner' | 'pan'

const owned = { kitchenId: p.uuid(), actorId: p.uuid(), createdAt: p.datetime(), updatedAt: p.datetime() }

export const KitchenEntity = defineEntity({
  name: 'Kitchen',
  tableName: 'kitchen',
  properties: {
    id: p.uuid().primary(),
    actorId: p.uuid(),
    name: p.string(),
    version: p.integer(),
    revision: p.integer(),
    settings: p.json<KitchenSettings>(),
    createdAt: p.datetime(),
    updatedAt: p.datetime(),
  },
})
export const ActorEntity = defineEntity({
  name: 'Actor',
  tableName: 'actor',
  properties: { id: p.uuid().primary(), kitchenId: p.uuid(), name: p.string(), createdAt: p.datetime() },
})
export const PlaceEntity = defineEntity({
  name: 'Place',
  tableName: 'place',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    name: p.string(),
    kind: p.string().$type<PlaceKind>(),
    airTempC: p.float().columnType('double precision'),
    position: p.integer(),
    deletedAt: p.datetime().nullable(),
  },
})
export const VesselEntity = defineEntity({
  name: 'Vessel',
  tableName: 'vessel',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    name: p.string(),
    kind: p.string().$type<VesselKind>(),
    material: p.string().$type<Material>(),
    lengthM: p.float().columnType('double precision'),
    widthM: p.float().columnType('double precision'),
    heightM: p.float().columnType('double precision'),
    taper: p.float().columnType('double precision'),
    heldM3: p.float().columnType('double precision').nullable(),
    position: p.integer(),
    deletedAt: p.datetime().nullable(),
  },
})
/** Ovens, burners and pans: few, small, always read whole; what each kind knows stands in `figures`. */
export const EquipmentEntity = defineEntity({
  name: 'Equipment',
  tableName: 'equipment',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    kind: p.string().$type<EquipmentKind>(),
    name: p.string(),
    figures: p.json<Record<string, unknown>>(),
    position: p.integer(),
    deletedAt: p.datetime().nullable(),
  },
})
export const LotEntity = defineEntity({
  name: 'Lot',
  tableName: 'lot',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    name: p.string(),
    ingredientId: p.string(),
    acidPercent: p.float().columnType('double precision').nullable(),
    pH: p.float().columnType('double precision').nullable(),
    brix: p.float().columnType('double precision').nullable(),
    fatPercent: p.float().columnType('double precision').nullable(),
    acidLnSigma: p.float().columnType('double precision').nullable(),
    massG: p.float().columnType('double precision').nullable(),
    method: p.json<LotMethod>(),
    deletedAt: p.datetime().nullable(),
    useBy: p.string().length(10).nullable(),
    version: p.integer(),
  },
})
/**
 * The draft: mutable, with an optimistic version. `result` is what the shelf shows, worked out later: it belongs to
 * `resultVersion` of the draft, `resultRevision` of the kitchen and `resultEngine`.
 */
export const FormulaEntity = defineEntity({
  name: 'Formula',
  tableName: 'formula',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    name: p.string(),
    school: p.string(),
    eggs: p.json<EggUse>().nullable(),
    document: p.json<FormulaDocument>(),
    schemaVersion: p.integer(),
    version: p.integer(),
    demo: p.boolean(),
    position: p.integer(),
    deletedAt: p.datetime().nullable(),
    parentFormulaId: p.uuid().nullable(),
    result: p.json<Summary>().nullable(),
    resultEngine: p.string().nullable(),
    resultRevision: p.integer().nullable(),
    resultVersion: p.integer().nullable(),
    readable: p.boolean(),
  },
  // Newest first within a kitchen is this index read backwards.
  indexes: [
    { properties: ['kitchenId', 'deletedAt', 'updatedAt', 'position', 'id'] },
    { properties: ['parentFormulaId'] },
  ],
})
/** When a formula is made, for how many, with which stock. A formula's usual one bears its id. */
export const OccasionEntity = defineEntity({
  name: 'Occasion',
  tableName: 'occasion',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    formulaId: p.uuid(),
    document: p.json<Occasion>(),
    schemaVersion: p.integer(),
  },
  indexes: [{ properties: ['formulaId'] }],
})
/** An immutable version of a formula. */
export const FormulaVersionEntity = defineEntity({
  name: 'FormulaVersion',
  tableName: 'formula_version',
  properties: {
    id: p.uuid().primary(),
    kitchenId: p.uuid(),
    actorId: p.uuid(),
    createdAt: p.datetime(),
    formulaId: p.uuid(),
    parentId: p.uuid().nullable(),
    label: p.string(),
    document: p.json<FormulaDocument>(),
    /** The occasion of its time; null where an earlier schema held it in the document. */
    occasion: p.json<Occasion>().nullable(),
    schemaVersion: p.integer(),
    engineVersion: p.string(),
  },
  indexes: [
    { properties: ['formulaId', 'createdAt', 'id'] },
    { properties: ['formulaId', 'label'] },
    { properties: ['parentId'] },
  ],
})
/** Writes that were taken, for as long as somebody may send them again: what they wrote, and the version they made. */
export const MutationEntity = defineEntity({
  name: 'Mutation',
  tableName: 'mutation',
  properties: {
    id: p.uuid().primary(),
    kitchenId: p.uuid(),
    createdAt: p.datetime(),
    targetId: p.uuid(),
    version: p.integer(),
  },
  indexes: [{ properties: ['createdAt'] }],
})

export const entities = [
  KitchenEntity,
  ActorEntity,
  PlaceEntity,
  VesselEntity,
  EquipmentEntity,
  LotEntity,
  FormulaEntity,
  OccasionEntity,
  FormulaVersionEntity,
  MutationEntity,
]
export type FormulaRow = InferEntity<typeof FormulaEntity>
