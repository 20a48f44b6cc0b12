/** Seeding: what is missing is written, what is there is never touched. Run under the lock of `boot`. */
import { randomUUID } from 'node:crypto'
import { isSaturday, nextSaturday, subDays } from 'date-fns'
import type { EntityManager } from '@mikro-orm/postgresql'
import {
  ACTOR_ID,
  BURNERS,
  demoDay,
  DEMO_PEOPLE,
  demoFormulas,
  INSTRUMENTS,
  KITCHEN_ID,
  KITCHEN_NAME,
  LOTS,
  OVENS,
  PANS,
  PLACES,
  SETTINGS,
  VESSELS,
} from './demo'
import {
  ActorEntity,
  DayEntity,
  DeviceEntity,
  EquipmentEntity,
  FormulaEntity,
  FormulaVersionEntity,
  OccasionEntity,
  KitchenEntity,
  LotEntity,
  MembershipEntity,
  PersonEntity,
  PlaceEntity,
  VesselEntity,
} from './entities'
import { ENGINE_VERSION } from '#core/pipeline/assessment'
import { mainComponent } from '#core/formula/bench'
import { SCHEMA_VERSION } from '#core/formula/document'
import { OCCASION_VERSION } from '#core/formula/occasion'
import { eggsOf } from '../domain/eggs'

/** The first fridge of a kitchen that begins empty. */
const FRIDGE_ID = '0e1f0000-0003-4000-8000-0000000000ff'

/** Makes sure there is a kitchen; with `demo`, that the demo's rows were once written. Idempotent. */
export async function seed(em: EntityManager, at: Date, demo: boolean): Promise<void> {
  await em.transactional(async (tx) => {
    if ((await tx.count(KitchenEntity)) === 0) await firstKitchen(tx, at, demo)
    if (
      demo &&
      (await tx.count(KitchenEntity, { id: KITCHEN_ID, name: KITCHEN_NAME })) +
      (await tx.count(FormulaEntity, { kitchenId: KITCHEN_ID, demo: true })) >
      0
    )
      await demoRows(tx, at)
  })
}

/** A kitchen of its own, always with the same id: two servers that begin at once make one. */
async function firstKitchen(tx: EntityManager, at: Date, demo: boolean): Promise<void> {
  tx.create(KitchenEntity, {
    id: KITCHEN_ID,
    actorId: ACTOR_ID,
    name: demo ? KITCHEN_NAME : 'Our kitchen',
    version: 1,
    revision: 1,
    settings: SETTINGS,
    learnedSetId: null,
    createdAt: at,
    updatedAt: at,
  })
  await tx.flush()
  tx.create(ActorEntity, { id: ACTOR_ID, kitchenId: KITCHEN_ID, name: 'The kitchen', createdAt: at })
  await tx.flush()
  const owned = { kitchenId: KITCHEN_ID, actorId: ACTOR_ID, createdAt: at, updatedAt: at }
  if (!demo)
    tx.create(PlaceEntity, {
      id: FRIDGE_ID,
      ...owned,
      name: 'Fridge',
      kind: 'domesticFridge',
      airTempC: 4,
      position: 0,
      deletedAt: null,
    })
}

/** Who works in the tea room; whoever has left stays away, and a kitchen with people of its own gets none. */
async function demoPeople(tx: EntityManager, at: Date): Promise<void> {
  if ((await tx.count(MembershipEntity, { kitchenId: KITCHEN_ID })) > 0) return
  for (const { personId, actorId, name, login } of DEMO_PEOPLE) {
    tx.create(PersonEntity, { id: personId, login, name, password: null, codes: [], createdAt: at })
    tx.create(ActorEntity, { id: actorId, kitchenId: KITCHEN_ID, name, createdAt: at })
  }
  await tx.flush()
  for (const { personId, membershipId, actorId, role, pin } of DEMO_PEOPLE)
    tx.create(MembershipEntity, {
      id: membershipId, personId, kitchenId: KITCHEN_ID, actorId, role, pin, createdAt: at, endedAt: null,
    })
  await tx.flush()
}

/**
 * Each demo row is written once: what a cook deletes (it stays as a row) or changes afterwards stays so, and a later
 * Lumbik adds the formulas it brings. Places, tins and lots come with a formula's first writing only.
 */
async function demoRows(tx: EntityManager, at: Date): Promise<void> {
  const owned = { kitchenId: KITCHEN_ID, actorId: ACTOR_ID, createdAt: at, updatedAt: at }
  const ids = async (entity: typeof FormulaEntity) =>
    new Set((await tx.find(entity, { kitchenId: KITCHEN_ID }, { fields: ['id'] })).map(row => row.id))
  await demoPeople(tx, at)
  const known = await ids(FormulaEntity)
  const all = demoFormulas()
  // The shelf reads its index backwards: what comes first has the highest position.
  const fresh = all.map((d, i) => ({ ...d, position: 1000 - i })).filter(d => !known.has(d.id))
  if (fresh.length === 0) return
  for (const [position, row] of PLACES.entries())
    if (known.size === 0) tx.create(PlaceEntity, { ...row, ...owned, position, deletedAt: null })
  const vessels = await ids(VesselEntity as unknown as typeof FormulaEntity)
  for (const [position, row] of VESSELS.entries())
    if (!vessels.has(row.id)) tx.create(VesselEntity, { ...row, ...owned, position, deletedAt: null })
  const equipment = await ids(EquipmentEntity as unknown as typeof FormulaEntity)
  for (const [kind, rows] of [
    ['oven', OVENS],
    ['burner', BURNERS],
    ['pan', PANS],
  ] as const) {
    rows.forEach(({ id, name, ...figures }, position) => {
      if (!equipment.has(id))
        tx.create(EquipmentEntity, { id, kind, name, figures, ...owned, position, deletedAt: null })
    })
  }
  const checkedAt = (daysAgo: number) => subDays(at, daysAgo).toISOString()
  for (const [position, { checks, ...row }] of INSTRUMENTS.entries())
    if (known.size === 0)
      tx.create(DeviceEntity, {
        ...row, ...owned, position, deletedAt: null,
        figures: { simulated: true, checks: checks.map(({ daysAgo, ...c }) => ({ ...c, at: checkedAt(daysAgo) })) },
      })
  const saturday = isSaturday(at) ? at : nextSaturday(at)
  for (const [which, date] of [['friday', subDays(saturday, 1)], ['saturday', saturday]] as const)
    if (known.size === 0)
      tx.create(DayEntity, {
        id: randomUUID(), ...owned, date: date.toISOString().slice(0, 10), version: 1, sheet: demoDay(which),
      })
  for (const row of LOTS) if (known.size === 0) tx.create(LotEntity, { ...row, ...owned, version: 1, deletedAt: null })
  await tx.flush()
  for (const { id, document, position } of fresh) {
    const { formula } = document
    tx.create(FormulaEntity, {
      id,
      ...owned,
      name: formula.name,
      school: mainComponent(formula).process.school,
      eggs: eggsOf(formula),
      document: formula,
      schemaVersion: SCHEMA_VERSION,
      version: 1,
      demo: true,
      position,
      deletedAt: null,
      parentFormulaId: null,
      result: null,
      resultEngine: null,
      resultRevision: null,
      resultVersion: null,
      readable: true,
    })
  }
  await tx.flush()
  for (const { id, document: { formula, occasion } } of fresh) {
    tx.create(OccasionEntity, {
      id, ...owned, formulaId: id, document: occasion, schemaVersion: OCCASION_VERSION,
    })
    tx.create(FormulaVersionEntity, {
      id: randomUUID(),
      kitchenId: KITCHEN_ID,
      actorId: ACTOR_ID,
      createdAt: at,
      formulaId: id,
      parentId: null,
      label: 'as first written',
      document: formula,
      occasion,
      schemaVersion: SCHEMA_VERSION,
      engineVersion: ENGINE_VERSION,
    })
  }
}
