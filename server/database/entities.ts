/** Tables. Every row carries its kitchen and the actor who wrote it. */
import { defineEntity, p, type InferEntity } from '@mikro-orm/core'
import type { FormulaDocument } from '#core/formula/document'
import type { Occasion } from '#core/formula/occasion'
import type { Material, VesselKind } from '#core/physics/geometry/cavity'
import type { PlaceKind } from '#core/physics/thermal/places'
import type { LotMethod } from '#core/kitchen/strength'
import type { Summary } from '#core/pipeline/summary'
import type { KitchenSettings } from '../../shared/kitchen'
import type { Calibration } from '#core/learn/calibrate'
import type { EggUse } from '../../shared/schemas/wire'
import type { BatchShown, DeviceFigures, Frozen, Simulation, WorkKind, WorkState } from '../../shared/book'
import type { Happened } from '#core/book/record'
import type { DaySheet } from '../../shared/day'
import type { Role } from '../../shared/door'

export type EquipmentKind = 'oven' | 'burner' | 'pan'

/** Whose a row is, and who wrote it when; `owned` rows change. */
const written = { kitchenId: p.uuid(), actorId: p.uuid(), createdAt: p.datetime() }
const owned = { ...written, updatedAt: p.datetime() }

const only = (name: string, of: string) => ({ name, expression: `create index "${name}" on ${of}` })
/** What a kitchen's rows are found by: text by any part of it, lists by what is in them. */
const found = (table: string, column: string, ops = '') =>
  only(`${table}_found_${column}_index`, `"${table}" using gin ("kitchen_id", "${column}" ${ops})`)

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
    learnedSetId: p.uuid().nullable(),
    createdAt: p.datetime(),
    updatedAt: p.datetime(),
  },
})
export const ActorEntity = defineEntity({
  name: 'Actor',
  tableName: 'actor',
  properties: { id: p.uuid().primary(), kitchenId: p.uuid(), name: p.string(), createdAt: p.datetime() },
  indexes: [{ properties: ['kitchenId'] }],
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
  indexes: [{ properties: ['kitchenId'] }],
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
  indexes: [{ properties: ['kitchenId'] }],
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
  indexes: [{ properties: ['kitchenId'] }],
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
  indexes: [{ properties: ['kitchenId'] }],
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
    /** Ids that its document names, and how much is the matter with it: kept up by the database, for its lists. */
    things: p.array().columnType('text[]').defaultRaw('\'{}\'').lazy(),
    trouble: p.smallint().defaultRaw('1').lazy(),
  },
  // Newest first within a kitchen is this index read backwards.
  indexes: [
    { properties: ['kitchenId', 'deletedAt', 'updatedAt', 'position', 'id'] },
    { properties: ['parentFormulaId'] },
    found('formula', 'name', 'gin_trgm_ops'),
    found('formula', 'things'),
    only('formula_school_index', '"formula" ("kitchen_id", "school", "updated_at", "position", "id", "trouble") where "deleted_at" is null'),
    only('formula_trouble_index', '"formula" ("kitchen_id", "trouble", "updated_at", "position", "id") where "deleted_at" is null'),
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
    ...written,
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

/**
 * A batch: what was frozen as it began, and what the Book lists of it (worked out from its events, again whenever one
 * is added). `clock` is the demonstration's; a real batch goes by the time of day.
 */
export const BatchEntity = defineEntity({
  name: 'Batch',
  tableName: 'batch',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    formulaId: p.uuid(),
    versionId: p.uuid(),
    name: p.string(),
    startedAt: p.datetime(),
    /** The instant its clock stood at `clockS`, in real time. */
    clockAt: p.datetime(),
    clockS: p.float().columnType('double precision'),
    speed: p.float().columnType('double precision'),
    frozen: p.json<Frozen>(),
    simulation: p.json<Simulation>().nullable(),
    simulated: p.boolean(),
    demo: p.boolean(),
    isDone: p.boolean(),
    /** Events so far: the number of the last. */
    head: p.integer(),
    shown: p.json<BatchShown>().nullable(),
    lots: p.array().columnType('text[]'),
    faults: p.array().columnType('text[]'),
  },
  indexes: [
    { properties: ['kitchenId', 'startedAt', 'id'] },
    { properties: ['formulaId', 'startedAt'] },
    { properties: ['versionId'] },
    found('batch', 'name', 'gin_trgm_ops'),
    found('batch', 'faults'),
    found('batch', 'lots'),
    only('batch_done_index', '"batch" ("kitchen_id") where "is_done"'),
    only('batch_of_formula_index', '"batch" ("kitchen_id", "formula_id", "started_at", "id")'),
    only('batch_going_index', '"batch" ("kitchen_id", "started_at", "id") where not "is_done"'),
  ],
})
/** What happened, in order; never changed and never taken out (a trigger of the database refuses it). */
export const BatchEventEntity = defineEntity({
  name: 'BatchEvent',
  tableName: 'batch_event',
  properties: {
    id: p.uuid().primary(),
    ...written,
    batchId: p.uuid(),
    number: p.integer(),
    atS: p.float().columnType('double precision'),
    happened: p.json<Happened>(),
  },
  uniques: [{ properties: ['batchId', 'number'] }],
})
/** Readings of a channel, packed: so many pairs of seconds and value, four bytes each. */
export const ReadingEntity = defineEntity({
  name: 'Reading',
  tableName: 'reading',
  properties: {
    batchId: p.uuid().primary(),
    deviceId: p.string().length(80).primary(),
    channel: p.string().length(16).primary(),
    fromS: p.float().columnType('double precision').primary(),
    kitchenId: p.uuid(),
    actorId: p.uuid(),
    toS: p.float().columnType('double precision'),
    count: p.integer(),
    packed: p.blob(),
  },
})
/** Free text of an event, and pictures: in rows of their own, so that they can be taken back. */
export const BatchTextEntity = defineEntity({
  name: 'BatchText',
  tableName: 'batch_text',
  properties: {
    id: p.uuid().primary(),
    ...written,
    batchId: p.uuid(),
    text: p.text().nullable(),
    redactedAt: p.datetime().nullable(),
  },
  indexes: [{ properties: ['batchId'] }],
})
export const BatchPhotoEntity = defineEntity({
  name: 'BatchPhoto',
  tableName: 'batch_photo',
  properties: {
    id: p.uuid().primary(),
    ...written,
    batchId: p.uuid(),
    mime: p.string().length(40),
    bytes: p.blob().nullable(),
    redactedAt: p.datetime().nullable(),
  },
  indexes: [{ properties: ['batchId'] }],
})
/** An instrument of the kitchen, and when it was last held against something known. */
export const DeviceEntity = defineEntity({
  name: 'Device',
  tableName: 'device',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    kind: p.string().$type<'probe' | 'scale' | 'pHMeter' | 'refractometer' | 'logger'>(),
    name: p.string(),
    figures: p.json<DeviceFigures>(),
    position: p.integer(),
    deletedAt: p.datetime().nullable(),
  },
  indexes: [{ properties: ['kitchenId'] }],
})
/** The sheet of a day. */
export const DayEntity = defineEntity({
  name: 'Day',
  tableName: 'day',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    date: p.string().length(10),
    version: p.integer(),
    sheet: p.json<DaySheet>(),
  },
  uniques: [{ properties: ['kitchenId', 'date'] }],
})
/** What batches of the Book were found to teach. */
export const CalibrationEntity = defineEntity({
  name: 'Calibration',
  tableName: 'calibration',
  properties: {
    id: p.uuid().primary(),
    ...written,
    batchIds: p.array().columnType('text[]'),
    result: p.json<Calibration>(),
  },
  indexes: [{ properties: ['kitchenId', 'createdAt'] }],
})
/** A set of learned figures that a cook accepted; the kitchen says which one it goes by. */
export const LearnedSetEntity = defineEntity({
  name: 'LearnedSet',
  tableName: 'learned_set',
  properties: {
    id: p.uuid().primary(),
    ...written,
    number: p.integer(),
    calibrationId: p.uuid(),
    theta: p.json<Record<string, number>>(),
  },
  uniques: [{ properties: ['kitchenId', 'number'] }],
})

/** Work that outlives requests and restarts (a job of pg-boss runs it): how far it is, and what came of it. */
export const WorkEntity = defineEntity({
  name: 'Work',
  tableName: 'work',
  properties: {
    id: p.uuid().primary(),
    ...owned,
    kind: p.string().$type<WorkKind>(),
    /** What it is about: a batch, or the kitchen. */
    targetId: p.uuid(),
    state: p.string().$type<WorkState>(),
    progress: p.float().columnType('double precision'),
    /** State of its target as it began: events of a batch, batches of the kitchen. */
    head: p.integer(),
    result: p.json<unknown>().nullable(),
  },
  indexes: [
    { properties: ['targetId', 'kind', 'createdAt'] },
    only('work_unfinished_index', '"work" ("updated_at") where "state" in (\'waiting\', \'going\')'),
  ],
})

/* People and doors. None of these is behind the wall: who somebody is comes before which kitchen they are in. */
/** Somebody who signs in; `codes`: hashes of recovery codes, each good once. */
export const PersonEntity = defineEntity({
  name: 'Person',
  tableName: 'person',
  properties: {
    id: p.uuid().primary(),
    login: p.string().length(120).unique(),
    name: p.string().length(60),
    password: p.text().nullable(),
    codes: p.json<string[]>(),
    createdAt: p.datetime(),
  },
})
/** A person in a kitchen, under the actor they write as there. */
export const MembershipEntity = defineEntity({
  name: 'Membership',
  tableName: 'membership',
  properties: {
    id: p.uuid().primary(),
    personId: p.uuid(),
    kitchenId: p.uuid(),
    actorId: p.uuid(),
    role: p.string().length(12).$type<Role>(),
    pin: p.text().nullable(),
    createdAt: p.datetime(),
    endedAt: p.datetime().nullable(),
  },
  indexes: [{ properties: ['kitchenId'] }],
  uniques: [{ properties: ['personId', 'kitchenId'] }],
})
/** A device of the kitchen: enrolled once by a code, its cooks known by their PIN. */
export const TabletEntity = defineEntity({
  name: 'Tablet',
  tableName: 'tablet',
  properties: {
    id: p.uuid().primary(),
    kitchenId: p.uuid(),
    name: p.string().length(60),
    code: p.string().length(64).nullable(),
    codeUntil: p.datetime().nullable(),
    createdAt: p.datetime(),
    enrolledAt: p.datetime().nullable(),
    endedAt: p.datetime().nullable(),
  },
  indexes: [{ properties: ['kitchenId'] }],
})
/** Somebody signed in somewhere; on a tablet nobody while it is locked. */
export const DoorSessionEntity = defineEntity({
  name: 'DoorSession',
  tableName: 'door_session',
  properties: {
    id: p.uuid().primary(),
    kitchenId: p.uuid(),
    membershipId: p.uuid().nullable(),
    tabletId: p.uuid().nullable(),
    label: p.string().length(120),
    createdAt: p.datetime(),
    seenAt: p.datetime(),
    endedAt: p.datetime().nullable(),
  },
  indexes: [{ properties: ['kitchenId'] }, { properties: ['membershipId'] }],
})
export const InvitationEntity = defineEntity({
  name: 'Invitation',
  tableName: 'invitation',
  properties: {
    id: p.uuid().primary(),
    kitchenId: p.uuid(),
    role: p.string().length(12).$type<Role>(),
    name: p.string().length(60),
    token: p.string().length(64).unique(),
    until: p.datetime(),
    createdAt: p.datetime(),
    usedAt: p.datetime().nullable(),
    endedAt: p.datetime().nullable(),
  },
})
/** A formula or a day's sheet that whoever has the link may read. */
export const SharedLinkEntity = defineEntity({
  name: 'SharedLink',
  tableName: 'shared_link',
  properties: {
    id: p.uuid().primary(),
    kitchenId: p.uuid(),
    kind: p.string().length(12).$type<'formula' | 'day'>(),
    target: p.string().length(40),
    token: p.string().length(64).unique(),
    until: p.datetime(),
    createdAt: p.datetime(),
    endedAt: p.datetime().nullable(),
  },
  indexes: [{ properties: ['kitchenId'] }],
})
/** Wrong words at a door, by whose and from where. */
export const AttemptEntity = defineEntity({
  name: 'Attempt',
  tableName: 'attempt',
  properties: { key: p.string().length(80).primary(), count: p.integer(), at: p.datetime() },
})
/** A file that long work wrote, in parts. */
export const WorkFileEntity = defineEntity({
  name: 'WorkFile',
  tableName: 'work_file',
  properties: {
    workId: p.uuid().primary(),
    number: p.integer().primary(),
    kitchenId: p.uuid(),
    actorId: p.uuid(),
    createdAt: p.datetime(),
    part: p.text(),
  },
  indexes: [{ properties: ['kitchenId'] }],
})
/** What was changed, written by triggers, for whoever listens. */
export const ChangeNoteEntity = defineEntity({
  name: 'ChangeNote',
  tableName: 'change_note',
  properties: {
    id: p.bigint().primary(),
    tx: p.bigint(),
    kitchenId: p.uuid(),
    createdAt: p.datetime().defaultRaw('now()'),
    kind: p.string().length(12),
    target: p.string().length(60),
    version: p.integer(),
  },
  indexes: [{ properties: ['kitchenId', 'tx', 'id'] }],
})
/** Where the tabs of a kitchen are. */
export const PresenceEntity = defineEntity({
  name: 'Presence',
  tableName: 'presence',
  properties: {
    id: p.uuid().primary(),
    kitchenId: p.uuid(),
    name: p.string().length(60),
    place: p.string().length(60),
    seenAt: p.datetime(),
  },
  indexes: [{ properties: ['kitchenId'] }],
})
/** Keys that people's own devices keep. */
export const PasskeyEntity = defineEntity({
  name: 'Passkey',
  tableName: 'passkey',
  properties: {
    id: p.uuid().primary(),
    credential: p.string().length(400).unique(),
    personId: p.uuid(),
    publicKey: p.text(),
    counter: p.bigint(),
    transports: p.json<string[]>(),
    label: p.string().length(60),
    createdAt: p.datetime(),
    usedAt: p.datetime().nullable(),
  },
  indexes: [{ properties: ['personId'] }],
})
/** What a device was asked to answer with its key: once, for minutes. */
export const ChallengeEntity = defineEntity({
  name: 'Challenge',
  tableName: 'challenge',
  properties: {
    id: p.uuid().primary(), value: p.string().length(100), personId: p.uuid().nullable(), until: p.datetime(),
  },
})
/** What only the servers know among themselves. */
export const ServerSecretEntity = defineEntity({
  name: 'ServerSecret',
  tableName: 'server_secret',
  properties: { name: p.string().length(20).primary(), value: p.string().length(120) },
})
/** Who did what; never changed and never taken out. */
export const AuditEntity = defineEntity({
  name: 'Audit',
  tableName: 'audit',
  properties: {
    id: p.uuid().primary(),
    kitchenId: p.uuid(),
    actorId: p.uuid().nullable(),
    createdAt: p.datetime(),
    what: p.string().length(80),
    about: p.string().length(120).nullable(),
  },
  indexes: [{ properties: ['kitchenId', 'createdAt'] }],
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
  BatchEntity,
  BatchEventEntity,
  ReadingEntity,
  BatchTextEntity,
  BatchPhotoEntity,
  DeviceEntity,
  CalibrationEntity,
  DayEntity,
  LearnedSetEntity,
  WorkEntity,
  PersonEntity,
  MembershipEntity,
  TabletEntity,
  DoorSessionEntity,
  InvitationEntity,
  SharedLinkEntity,
  AttemptEntity,
  PasskeyEntity,
  ChallengeEntity,
  ServerSecretEntity,
  ChangeNoteEntity,
  PresenceEntity,
  WorkFileEntity,
  AuditEntity,
]
export type FormulaRow = InferEntity<typeof FormulaEntity>
