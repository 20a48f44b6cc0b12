/** Formulas: drafts with an optimistic version, listed page by page, deleted into the bin. */
import { randomUUID } from 'node:crypto'
import { LockMode } from '@mikro-orm/core'
import type { EntityManager } from '@mikro-orm/postgresql'
import { ENGINE_VERSION, RESULT_ENGINE } from '#core/pipeline/assessment'
import { mainComponent, type Planned } from '#core/formula/bench'
import { type Family, SCHEMA_VERSION, type FormulaDocument } from '#core/formula/document'
import { familyOf } from '#core/formula/families'
import type { Summary } from '#core/pipeline/summary'
import { FormulaEntity } from '../database/entities'
import { PAGE_SIZE, type EggUse, type FormulaListItem, type FormulaRecord, type Saved } from '../../shared/schemas/wire'
import { eggsOf } from './eggs'
import type { Owner } from './kitchen'
import { remember, takenBefore } from './mutations'
import type { Read } from '../../shared/schemas/formula'
import { isUuid } from '../../shared/schemas/shape'
import { Refusal } from './refusal'
import { KEEP_USUAL, keepUsual, keepUsualParams } from './occasions'
import { recordOf, storedOf } from './stored'
import { keepVersion } from './versions'

/** What lists show of a document without opening it. */
const shownOf = (document: FormulaDocument) => ({
  name: document.name,
  school: mainComponent(document).process.school,
  eggs: eggsOf(document),
  document,
  schemaVersion: SCHEMA_VERSION,
  readable: true,
})

export interface ListQuery {
  after: string | null
  search: string
  eggs: boolean
  /** Only of one kind of dessert; null, absent: all. */
  family?: Family | null
  /** What is in trouble first, then by last change. */
  troubleFirst?: boolean
}
export interface FormulaPage {
  items: FormulaListItem[]
  next: string | null
  total: number | null
}

/** Where a page ended: the last row's place in the order. */
const cursorOf = (row: { trouble: number, updated_at: string, position: number, id: string }) =>
  Buffer.from(JSON.stringify([row.trouble, row.updated_at, row.position, row.id])).toString('base64url')
function readCursor(cursor: string): [number, string, number, string] {
  try {
    const [trouble, at, position, id] = JSON.parse(Buffer.from(cursor, 'base64url').toString('utf8')) as [
      unknown,
      unknown,
      unknown,
      unknown,
    ]
    if (
      (trouble === 0 || trouble === 1 || trouble === 2) &&
      typeof at === 'string' &&
      at.length < 40 &&
      !Number.isNaN(new Date(at).getTime()) &&
      Number.isInteger(position) &&
      Math.abs(position as number) < 2 ** 31 &&
      isUuid(String(id))
    )
      return [trouble, at, position as number, String(id)]
  } catch {
    /* told below */
  }
  throw new Refusal('invalid', 'after', 'unknownValue')
}
interface ListedRow {
  trouble: number
  id: string
  name: string
  school: string
  eggs: EggUse | null
  version: number
  updated_at: string
  demo: boolean
  position: number
  result: Summary | null
  result_engine: string | null
  result_revision: number | null
  result_version: number | null
  readable: boolean
}

/** Whether what a row shows was worked out of what it now holds. */
export const isStale = (
  row: Pick<ListedRow, 'version' | 'result_version' | 'result_revision' | 'result_engine'>,
  owner: Pick<Owner, 'revision'>,
) =>
  row.result_version !== row.version || row.result_revision !== owner.revision || row.result_engine !== RESULT_ENGINE

const itemOf = (row: ListedRow, owner: Owner): FormulaListItem => ({
  id: row.id,
  name: row.name,
  school: row.school,
  eggs: row.eggs,
  version: row.version,
  updatedAt: new Date(row.updated_at).toISOString(),
  demo: row.demo,
  summary: row.result,
  stale: row.readable && isStale(row, owner),
  readable: row.readable,
})

/** A page of the shelf, last change first. Nothing is computed here: what is not up to date is marked so. */
export async function listFormulas(em: EntityManager, owner: Owner, query: ListQuery): Promise<FormulaPage> {
  const where = ['kitchen_id = ?', 'deleted_at is null']
  const params: unknown[] = [owner.id]
  const also = (condition: string, ...values: unknown[]) => {
    where.push(condition)
    params.push(...values)
  }
  const search = query.search.trim()
  if (search) also('id in (select lumbik_formulas_named(?::text))', `%${search.replace(/[\\%_]/g, '\\$&')}%`)
  if (query.eggs) also('eggs is not null')
  if (query.family) {
    const schools = familyOf(query.family).schools
    also(`school in (${schools.map(() => '?').join(', ')})`, ...schools)
  }
  // How much is the matter: 2 does not come out as meant or is not safe, 1 not known, 0 fine.
  const trouble = query.troubleFirst ? 'trouble' : '0'
  const total = query.after
    ? null
    : Number(
        (
          await em.execute<{ n: string }[]>(`select count(*) as n from formula where ${where.join(' and ')}`, params)
        )[0]!.n,
      )
  if (query.after)
    also(
      `(${trouble}, updated_at, position, id) < (?::int, ?::timestamptz, ?::int, ?::uuid)`,
      ...readCursor(query.after),
    )
  const order =
    `order by ${query.troubleFirst ? 'trouble desc' : 'deleted_at desc'}, updated_at desc, position desc, id desc`
  const rows = await em.execute<ListedRow[]>(
    // Which they are first, from indexes alone; what is shown is read of those.
    `select ${trouble} as trouble, id, name, school, eggs, version, updated_at, demo, position,
      result, result_engine, result_revision, result_version, readable
    from formula where id = any(array(select id from formula where ${where.join(' and ')}
      ${order} limit ${PAGE_SIZE + 1})) ${order}`,
    params,
  )
  const page = rows.slice(0, PAGE_SIZE)
  return {
    items: page.map(row => itemOf(row, owner)),
    next: rows.length > PAGE_SIZE ? cursorOf(page.at(-1)!) : null,
    total,
  }
}

/** Whether a formula is on the shelf. */
export const isThere = async (em: EntityManager, owner: Owner, id: string) =>
  (await em.count(FormulaEntity, { id, kitchenId: owner.id, deletedAt: null })) > 0

export interface NewFormulaRow {
  id: string
  mutationId: string
  document: Planned
  label?: string
  parentFormulaId?: string | null
}

/**
 * Makes a formula and its first immutable version. Asking again with its id answers what is there.
 * @throws {Refusal} deleted, for the id of one in the bin; invalid, for an id or a parent that is not this kitchen's
 */
export async function createFormulaRow(
  em: EntityManager,
  owner: Owner,
  at: Date,
  n: NewFormulaRow,
): Promise<FormulaRecord> {
  return em.transactional(async (tx) => {
    // Two that make the same one at once come one after the other.
    await tx.execute('select pg_advisory_xact_lock(hashtextextended(?, 0))', [n.id])
    const existing = await tx.findOne(FormulaEntity, { id: n.id })
    if (existing?.deletedAt && existing.kitchenId === owner.id) throw new Refusal('deleted', 'id', 'deletedFormula')
    if (existing && existing.kitchenId !== owner.id) throw new Refusal('invalid', 'id', 'sameId')
    if (existing) return recordOf(tx, existing)
    if (n.parentFormulaId && (await tx.count(FormulaEntity, { id: n.parentFormulaId, kitchenId: owner.id })) === 0)
      throw new Refusal('invalid', 'parentFormulaId', 'unknownFormula')
    await takenBefore(tx, n.mutationId, n.id)
    const row = tx.create(FormulaEntity, {
      id: n.id,
      kitchenId: owner.id,
      actorId: owner.actorId,
      createdAt: at,
      updatedAt: at,
      ...shownOf(n.document.formula),
      version: 1,
      demo: false,
      position: 0,
      deletedAt: null,
      parentFormulaId: n.parentFormulaId ?? null,
      result: null,
      resultEngine: null,
      resultRevision: null,
      resultVersion: null,
    })
    remember(tx, { id: n.mutationId, kitchenId: owner.id, at, targetId: n.id, version: 1 })
    await tx.flush()
    await keepUsual(tx, owner, at, n.id, n.document.occasion)
    await keepVersion(tx, owner, {
      at,
      formulaId: n.id,
      document: n.document,
      label: n.label || 'as first written',
      parentFormulaId: n.parentFormulaId ?? n.id,
    })
    return recordOf(tx, row)
  })
}

export interface FormulaSave {
  mutationId: string
  baseVersion: number
  /** Without an occasion: the usual one stays. */
  document: Pick<Read, 'formula' | 'occasion'>
}

interface DraftRow {
  version: number
  updated_at: string
  deleted_at: string | null
  taken: number | null
  used: boolean
}

/**
 * Saves a draft if nobody saved in between; a write sent twice is taken once. The most frequent write there is, so it
 * is two statements: the row under its lock, then draft, kept state and remembered write at once.
 * @throws {Refusal} unknown, deleted, or conflict with the formula as it stands
 */
export async function saveFormula(
  em: EntityManager,
  owner: Owner,
  at: Date,
  id: string,
  s: FormulaSave,
): Promise<Saved> {
  return em.transactional(async (tx) => {
    const [row] = await tx.execute<DraftRow[]>(
      `select version, updated_at, deleted_at,
        (select version from mutation where id = ? and target_id = formula.id) as taken,
        exists (select 1 from mutation where id = ? and target_id <> formula.id) as used
      from formula where id = ? and kitchen_id = ? for update`,
      [s.mutationId, s.mutationId, id, owner.id],
    )
    if (!row) throw new Refusal('unknown', 'id', 'unknownFormula')
    if (row.used) throw new Refusal('invalid', 'mutationId', 'sameId')
    if (row.deleted_at) throw new Refusal('deleted', 'id', 'deletedFormula')
    if (row.taken === row.version)
      return { id, version: row.version, updatedAt: new Date(row.updated_at).toISOString() }
    if (row.taken !== null || row.version !== s.baseVersion) {
      throw new Refusal('conflict', 'baseVersion', 'changedElsewhere', {
        current: await recordOf(tx, await tx.findOneOrFail(FormulaEntity, { id })),
        taken: row.taken !== null,
      })
    }
    const { formula } = s.document
    const occasion = s.document.occasion ?? (await storedOf(tx, await tx.findOneOrFail(FormulaEntity, { id }))).occasion
    const document = JSON.stringify(formula)
    await tx.execute(
      `with kept as (
        insert into formula_version
          (id, kitchen_id, actor_id, created_at, formula_id, parent_id, label, document, occasion, schema_version,
            engine_version)
        values (?, ?, ?, ?, ?,
          (select id from formula_version where formula_id = ? order by created_at desc, id desc limit 1),
          '', ?::jsonb, ?::jsonb, ?, ?)
      ), usual as (
        ${KEEP_USUAL}
      ), remembered as (
        insert into mutation (id, kitchen_id, created_at, target_id, version) values (?, ?, ?, ?, ?)
      ) update formula set name = ?, school = ?, eggs = ?::jsonb, document = ?::jsonb, schema_version = ?, version = ?,
        updated_at = ?, readable = true where id = ?`,
      [
        randomUUID(),
        owner.id,
        owner.actorId,
        at,
        id,
        id,
        document,
        JSON.stringify(occasion),
        SCHEMA_VERSION,
        ENGINE_VERSION,
        ...keepUsualParams(owner, at, id, occasion),
        s.mutationId,
        owner.id,
        at,
        id,
        row.version + 1,
        formula.name,
        mainComponent(formula).process.school,
        JSON.stringify(eggsOf(formula)),
        document,
        SCHEMA_VERSION,
        row.version + 1,
        at,
        id,
      ],
    )
    return { id, version: row.version + 1, updatedAt: at.toISOString() }
  })
}

/** @throws {Refusal} unknown, deleted, or unreadable */
export async function loadFormula(em: EntityManager, owner: Owner, id: string): Promise<FormulaRecord> {
  const row = await em.findOne(FormulaEntity, { id, kitchenId: owner.id })
  if (!row) throw new Refusal('unknown', 'id', 'unknownFormula')
  if (row.deletedAt) throw new Refusal('deleted', 'id', 'deletedFormula')
  return recordOf(em, row)
}

/** Renames without touching anything else of the draft. @throws {Refusal} */
export async function renameFormula(
  em: EntityManager,
  owner: Owner,
  at: Date,
  id: string,
  name: string,
): Promise<FormulaRecord> {
  return em.transactional(async (tx) => {
    const row = await tx.findOne(FormulaEntity, { id, kitchenId: owner.id }, { lockMode: LockMode.PESSIMISTIC_WRITE })
    if (!row) throw new Refusal('unknown', 'id', 'unknownFormula')
    if (row.deletedAt) throw new Refusal('deleted', 'id', 'deletedFormula')
    const { formula, occasion } = await storedOf(tx, row)
    await keepUsual(tx, owner, at, id, occasion)
    Object.assign(row, {
      name,
      document: { ...formula, name },
      schemaVersion: SCHEMA_VERSION,
      version: row.version + 1,
      updatedAt: at,
    })
    await tx.flush()
    return recordOf(tx, row)
  })
}

/** Puts a formula into the bin. @throws {Refusal} unknown */
export async function deleteFormula(em: EntityManager, owner: Owner, at: Date, id: string): Promise<void> {
  const gone = await em.nativeUpdate(FormulaEntity, { id, kitchenId: owner.id, deletedAt: null }, { deletedAt: at })
  if (gone === 0 && (await em.count(FormulaEntity, { id, kitchenId: owner.id })) === 0)
    throw new Refusal('unknown', 'id', 'unknownFormula')
}
