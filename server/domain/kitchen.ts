/** The kitchen: reading it whole, and changing its settings, places, tins and machines. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { LockMode, type InferEntity } from '@mikro-orm/core'
import type { KitchenBurner, KitchenOven, KitchenPan } from '#core/kitchen/kitchen'
import {
  EquipmentEntity,
  KitchenEntity,
  LearnedSetEntity,
  LotEntity,
  PlaceEntity,
  VesselEntity,
  type EquipmentKind,
} from '../database/entities'
import { SETTINGS_ADDED, type KitchenDocument, type KitchenRecord, type LotRecord } from '../../shared/kitchen'
import { KITCHEN_ID, KITCHEN_NAME } from '../database/demo'
import { remember, takenBefore } from './mutations'
import { Refusal } from './refusal'

/** Whose rows a request may see, and under whose name it writes. */
export interface Owner {
  id: string
  actorId: string
  revision: number
  /** Names the transaction that last wrote the kitchen: whatever changes anything of it writes its row. */
  stamp: string
}

interface OwnerRow {
  id: string
  actor_id: string
  revision: number
  stamp: string
}

/**
 * A kitchen as it now stands, for who writes in it.
 * @param actorId the kitchen's own where nobody is named: work of the server's
 */
export async function loadOwner(em: EntityManager, kitchenId: string = KITCHEN_ID, actorId?: string): Promise<Owner> {
  const [row] = await em.execute<OwnerRow[]>(
    'select id, actor_id, revision, xmin::text as stamp from kitchen where id = ?', [kitchenId],
  )
  if (!row) throw new Refusal('unknown', 'kitchen', 'noKitchen')
  return { id: row.id, actorId: actorId ?? row.actor_id, revision: row.revision, stamp: row.stamp }
}

/** Whether the demo's kitchen is here, under its own name. */
export const isDemo = async (em: EntityManager): Promise<boolean> =>
  (await em.count(KitchenEntity, { id: KITCHEN_ID, name: KITCHEN_NAME })) > 0

/** The kitchen's row, locked: whatever changes anything of the kitchen holds it, so changes come one after another. */
export const lockKitchen = (tx: EntityManager, { id }: Pick<Owner, 'id'>) =>
  tx.findOneOrFail(KitchenEntity, { id }, { lockMode: LockMode.PESSIMISTIC_WRITE })

export const lotOf = (l: InferEntity<typeof LotEntity>): LotRecord => ({
  id: l.id,
  name: l.name,
  ingredientId: l.ingredientId,
  acidPercent: l.acidPercent ?? null,
  pH: l.pH ?? null,
  brix: l.brix ?? null,
  fatPercent: l.fatPercent ?? null,
  acidLnSigma: l.acidLnSigma ?? null,
  massG: l.massG ?? null,
  method: l.method,
  useBy: l.useBy ?? null,
  version: l.version,
})

/** A kitchen as it is read, with whose it is. */
export type OwnedKitchen = KitchenRecord & Pick<Owner, 'id' | 'actorId' | 'revision'>

/** A kitchen, whole. */
export async function loadKitchen(em: EntityManager, owner: Pick<Owner, 'id'>): Promise<OwnedKitchen> {
  const kitchen = await em.findOneOrFail(KitchenEntity, { id: owner.id })
  const where = { kitchenId: kitchen.id, deletedAt: null }
  const places = await em.find(PlaceEntity, where, { orderBy: { position: 'asc' } })
  const vessels = await em.find(VesselEntity, where, { orderBy: { position: 'asc' } })
  const equipment = await em.find(EquipmentEntity, where, { orderBy: { position: 'asc' } })
  const things = <T>(kind: EquipmentKind) =>
    equipment.filter(e => e.kind === kind).map(e => ({ id: e.id, name: e.name, ...e.figures }) as T)
  const lots = await em.find(LotEntity, where, { orderBy: { name: 'asc', id: 'asc' } })
  const learned = kitchen.learnedSetId ? await em.findOne(LearnedSetEntity, { id: kitchen.learnedSetId }) : null
  return {
    id: kitchen.id,
    actorId: kitchen.actorId,
    name: kitchen.name,
    version: kitchen.version,
    revision: kitchen.revision,
    settings: { ...SETTINGS_ADDED, ...kitchen.settings },
    places: places.map(({ id, name, kind, airTempC }) => ({ id, name, kind, airTempC })),
    vessels: vessels.map(({ id, name, kind, material, lengthM, widthM, heightM, taper, heldM3 }) => ({
      id,
      name,
      kind,
      material,
      lengthM,
      widthM,
      heightM,
      taper,
      heldM3: heldM3 ?? null,
    })),
    ovens: things<KitchenOven>('oven'),
    burners: things<KitchenBurner>('burner'),
    pans: things<KitchenPan>('pan'),
    lots: lots.map(lotOf),
    ...(learned ? { learned: { id: learned.id, number: learned.number, theta: learned.theta } } : {}),
  }
}

/** Kitchens as they were last read, by whose they are. */
const known = new Map<string, { stamp: string, kitchen: OwnedKitchen }>()
const KNOWN_MOST = 200
/** As `loadKitchen`, read again only after something of it was written, by whichever server: for what only reads it. */
export async function knownKitchen(em: EntityManager, owner: Owner): Promise<OwnedKitchen> {
  const before = known.get(owner.id)
  if (before?.stamp === owner.stamp) return before.kitchen
  const kitchen = await loadKitchen(em, owner)
  if (known.size >= KNOWN_MOST) known.clear()
  known.set(owner.id, { stamp: owner.stamp, kitchen })
  return kitchen
}

/** The kitchen as it is sent: who writes in it is nobody's business outside. */
export const sentKitchen = ({ actorId: _, ...kitchen }: OwnedKitchen): KitchenRecord => kitchen

export interface KitchenSave {
  mutationId: string
  version: number
  document: KitchenDocument
}

/**
 * Writes settings, places, tins and machines if nobody wrote in between. What is no longer listed goes to the bin.
 * @throws {Refusal} conflict with the kitchen as it stands; invalid, naming a list's entry, for an id that is another
 * thing's
 */
export async function saveKitchen(
  em: EntityManager,
  owner: Pick<Owner, 'id' | 'actorId'>,
  at: Date,
  { mutationId, version, document }: KitchenSave,
): Promise<KitchenRecord> {
  return em.transactional(async (tx) => {
    const kitchen = await lockKitchen(tx, owner)
    const before = await takenBefore(tx, mutationId, kitchen.id)
    if (before === kitchen.version) return sentKitchen(await loadKitchen(tx, owner))
    if (before !== null || kitchen.version !== version)
      throw new Refusal('conflict', 'version', 'changedElsewhere', {
        current: sentKitchen(await loadKitchen(tx, owner)),
        taken: before !== null,
      })
    Object.assign(kitchen, {
      name: document.name,
      settings: document.settings,
      version: kitchen.version + 1,
      revision: kitchen.revision + 1,
      updatedAt: at,
    })
    remember(tx, { id: mutationId, kitchenId: kitchen.id, at, targetId: kitchen.id, version: kitchen.version })
    const keep = listKeeper(tx, { kitchenId: kitchen.id, actorId: owner.actorId, createdAt: at, updatedAt: at })
    await keep('places', PlaceEntity, document.places)
    await keep('vessels', VesselEntity, document.vessels)
    for (const [path, kind] of [
      ['ovens', 'oven'],
      ['burners', 'burner'],
      ['pans', 'pan'],
    ] as const) {
      await keep(
        path,
        EquipmentEntity,
        document[path].map(({ id, name, ...figures }) => ({ id, name, figures })),
        { kind },
      )
    }
    await tx.flush()
    return sentKitchen(await loadKitchen(tx, owner))
  })
}

type Listed = typeof PlaceEntity | typeof VesselEntity | typeof EquipmentEntity
interface Owned {
  kitchenId: string
  actorId: string
  createdAt: Date
  updatedAt: Date
}

/**
 * Writes a list as it now is: what is gone goes to the bin, what is known changes (and comes back), what is new
 * comes.
 */
function listKeeper(tx: EntityManager, owned: Owned) {
  return async <T extends { id: string }>(
    path: string,
    entity: Listed,
    list: readonly T[],
    extra: { kind?: string } = {},
  ) => {
    list.forEach((item, i) => {
      if (list.findIndex(x => x.id === item.id) < i) throw new Refusal('invalid', `${path}.${i}.id`, 'sameId')
    })
    const there = await tx.find(entity as typeof PlaceEntity, {
      $or: [{ kitchenId: owned.kitchenId, ...(extra as object) }, { id: { $in: list.map(x => x.id) } }],
    })
    const mine = (row: (typeof there)[number]) =>
      row.kitchenId === owned.kitchenId && (extra.kind === undefined || String(row.kind) === extra.kind)
    for (const row of there)
      if (mine(row) && row.deletedAt === null && !list.some(x => x.id === row.id)) row.deletedAt = owned.updatedAt
    list.forEach((item, position) => {
      const row = there.find(r => r.id === item.id)
      if (row && !mine(row)) throw new Refusal('invalid', `${path}.${position}.id`, 'sameId')
      if (row) Object.assign(row, item, { position, updatedAt: owned.updatedAt, deletedAt: null })
      else tx.create(entity as typeof PlaceEntity, { ...owned, ...extra, ...item, position, deletedAt: null } as never)
    })
  }
}
