/** Kept states of a formula: immutable, named by a cook or kept by themselves, and thinned out as these grow old. */
import { randomUUID } from 'node:crypto'
import { startOfDay, subDays } from 'date-fns'
import { type InferEntity, LockMode } from '@mikro-orm/core'
import type { EntityManager } from '@mikro-orm/postgresql'
import { ENGINE_VERSION } from '#core/pipeline/assessment'
import { benchOf, type Planned } from '#core/formula/bench'
import { SCHEMA_VERSION } from '#core/formula/document'
import { differences } from '#core/solve/compare'
import { FormulaEntity, FormulaVersionEntity } from '../database/entities'
import type { VersionItem, VersionList, VersionRecord } from '../../shared/schemas/wire'
import type { Owner } from './kitchen'
import { isUuid } from '../../shared/schemas/shape'
import { Refusal } from './refusal'
import { readStored, storedOf } from './stored'

export interface Kept {
  at: Date
  formulaId: string
  document: Planned
  label: string
  /** Whose newest state it came after. */
  parentFormulaId: string
}

/** Keeps a state, after the one before it. @returns its id */
export async function keepVersion(tx: EntityManager, owner: Owner, k: Kept): Promise<string> {
  const id = randomUUID()
  const before = await tx.findOne(
    FormulaVersionEntity,
    { formulaId: k.parentFormulaId, kitchenId: owner.id },
    { orderBy: { createdAt: 'desc', id: 'desc' }, fields: ['id'] },
  )
  tx.create(FormulaVersionEntity, {
    id,
    kitchenId: owner.id,
    actorId: owner.actorId,
    createdAt: k.at,
    formulaId: k.formulaId,
    parentId: before?.id ?? null,
    label: k.label,
    document: k.document.formula,
    occasion: k.document.occasion,
    schemaVersion: SCHEMA_VERSION,
    engineVersion: ENGINE_VERSION,
  })
  await tx.flush()
  return id
}

/** How many states one answer holds; named ones come with the first, so that none is ever missed. */
const VERSIONS_PAGE = 60
const NAMED_MOST = 200
const SHOWN = ['id', 'label', 'createdAt'] as const
const cursorOf = (v: { createdAt: Date, id: string }) => `${v.createdAt.getTime()}_${v.id}`
function readCursor(cursor: string): [string, string] {
  const [ms, id] = cursor.split('_')
  const time = new Date(/^\d{1,15}$/.test(ms ?? '') ? Number(ms) : NaN)
  if (Number.isNaN(time.getTime()) || !isUuid(id ?? '')) throw new Refusal('invalid', 'after', 'unknownValue')
  return [time.toISOString(), id!]
}

/** How many differences name a state. */
const CHANGES_SHOWN = 3

type VersionRow = InferEntity<typeof FormulaVersionEntity>
type Changes = Pick<VersionItem, 'changes'>
/** What was found between two kept states, by their ids: neither ever changes. The oldest found goes first. */
const found = new Map<string, Changes>()
const FOUND_MOST = 20_000
/** What changed with each state of a page since the one before it, by id; nothing where either cannot be read. */
async function changesOf(em: EntityManager, ids: readonly string[]): Promise<Map<string, Changes>> {
  const pairs = ids.map((id, i) => ({ id, before: ids[i + 1], of: `${id} ${ids[i + 1]}` }))
  const open = pairs.filter(p => p.before && !found.has(p.of))
  const rows = open.length === 0 ? [] : await em.find(
    FormulaVersionEntity, { id: { $in: open.flatMap(p => [p.id, p.before!]) } },
    { fields: ['document', 'occasion', 'schemaVersion'] })
  const benches = new Map(rows.map(row => [row.id, benchIn(row as VersionRow)]))
  for (const { id, before, of } of open) {
    const [a, b] = [benches.get(before!), benches.get(id)]
    if (found.size >= FOUND_MOST) found.delete(found.keys().next().value!)
    found.set(of, a && b ? { changes: differences(a, b).map(u => u.difference).slice(0, CHANGES_SHOWN) } : {})
  }
  return new Map(pairs.map(p => [p.id, found.get(p.of) ?? {}]))
}
function benchIn(row: VersionRow) {
  try {
    return benchOf(readStored(row, row.occasion ?? null))
  } catch {
    return null
  }
}

/** Kept states, newest first, a page at a time. @throws {Refusal} unknown */
export async function listVersions(
  em: EntityManager,
  owner: Owner,
  formulaId: string,
  after: string | null,
): Promise<VersionList> {
  const formula = await em.findOne(
    FormulaEntity,
    { id: formulaId, kitchenId: owner.id, deletedAt: null },
    { fields: ['id', 'name', 'parentFormulaId'] },
  )
  if (!formula) throw new Refusal('unknown', 'id', 'unknownFormula')
  const where = { formulaId, kitchenId: owner.id }
  const rows = (await em.execute<{ id: string, label: string, created_at: string }[]>(
    `select id, label, created_at from formula_version where formula_id = ? and kitchen_id = ?
      ${after ? 'and (created_at, id) < (?::timestamptz, ?::uuid)' : ''}
    order by created_at desc, id desc limit ${VERSIONS_PAGE + 1}`,
    [formulaId, owner.id, ...(after ? readCursor(after) : [])],
  )).map(r => ({ id: r.id, label: r.label, createdAt: new Date(r.created_at) }))
  const page = rows.slice(0, VERSIONS_PAGE)
  const changes = await changesOf(em, rows.map(r => r.id))
  const named = after
    ? []
    : await em.find(
        FormulaVersionEntity,
        { ...where, label: { $gt: '' } },
        { fields: SHOWN, orderBy: { label: 'asc' }, limit: NAMED_MOST },
      )
  const all = [...page, ...named.filter(n => !page.some(p => p.id === n.id))].sort(
    (a, b) => b.createdAt.getTime() - a.createdAt.getTime() || (a.id < b.id ? 1 : -1),
  )
  const names = (found: { id: string, name: string }[]) => found.map(({ id, name }) => ({ id, name }))
  const others = { kitchenId: owner.id, deletedAt: null }
  return {
    items: all.map(v => ({
      id: v.id,
      formulaId,
      formulaName: formula.name,
      label: v.label,
      createdAt: v.createdAt.toISOString(),
      ...changes.get(v.id),
    })),
    next: rows.length > VERSIONS_PAGE ? cursorOf(page.at(-1)!) : null,
    variants: names(
      await em.find(
        FormulaEntity,
        { ...others, parentFormulaId: formulaId },
        { fields: ['id', 'name'], orderBy: { createdAt: 'asc' }, limit: 100 },
      ),
    ),
    origin: formula.parentFormulaId
      ? (names(
          await em.find(FormulaEntity, { ...others, id: formula.parentFormulaId }, { fields: ['id', 'name'] }),
        )[0] ?? null)
      : null,
  }
}

/**
 * Names the state a draft is in; the name is a state of its own, since a kept one is never changed.
 * @throws {Refusal} unknown
 */
export async function nameVersion(
  em: EntityManager,
  owner: Owner,
  at: Date,
  formulaId: string,
  label: string,
): Promise<VersionItem> {
  return em.transactional(async (tx) => {
    const row = await tx.findOne(
      FormulaEntity,
      { id: formulaId, kitchenId: owner.id, deletedAt: null },
      { lockMode: LockMode.PESSIMISTIC_WRITE },
    )
    if (!row) throw new Refusal('unknown', 'id', 'unknownFormula')
    const id = await keepVersion(tx, owner, {
      at,
      formulaId,
      document: await storedOf(tx, row),
      label,
      parentFormulaId: formulaId,
    })
    return { id, formulaId, formulaName: row.name, label, createdAt: at.toISOString() }
  })
}

/** A kept state with its document, brought to the current schema. @throws {Refusal} unknown */
export async function loadVersion(em: EntityManager, owner: Owner, id: string): Promise<VersionRecord> {
  const row = await em.findOne(FormulaVersionEntity, { id, kitchenId: owner.id })
  if (!row) throw new Refusal('unknown', 'id', 'unknownVersion')
  const formula = await em.findOne(FormulaEntity, { id: row.formulaId, kitchenId: owner.id }, { fields: ['name'] })
  return {
    id: row.id,
    formulaId: row.formulaId,
    formulaName: formula?.name ?? '',
    label: row.label,
    createdAt: row.createdAt.toISOString(),
    document: readStored(row, row.occasion ?? null),
  }
}

/** At most so many states are taken out at a time: each such statement is short. */
const THIN_BATCH = 500

/**
 * Thins out what was kept by itself: all of today stay, of the week before the last of each hour, of what is older the
 * last of each day. Named states stay, those that a batch was made by, and
 * the newest: it is the last of its day.
 * @returns how many went
 */
export async function thinVersions(em: EntityManager, formulaId: string, at: Date): Promise<number> {
  const today = startOfDay(at)
  let gone = 0
  for (;;) {
    const rows = await em.execute<{ id: string }[]>(
      `
      delete from formula_version where id in (
        select id from (
          select id, row_number() over (
            partition by created_at >= ?::timestamptz, case when created_at >= ?::timestamptz
              then date_trunc('hour', created_at) else date_trunc('day', created_at) end
            order by created_at desc, id desc) as n
          from formula_version where formula_id = ? and label = '' and created_at < ?::timestamptz
            and not exists (select 1 from batch where version_id = formula_version.id)
        ) kept where n > 1 limit ${THIN_BATCH})
      returning id`,
      [subDays(today, 7).toISOString(), subDays(today, 7).toISOString(), formulaId, today.toISOString()],
    )
    gone += rows.length
    if (rows.length < THIN_BATCH) return gone
  }
}
