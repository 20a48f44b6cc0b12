/** Formulas: drafts with an optimistic version, immutable versions, deletion that can be undone. */
import { randomUUID } from 'node:crypto'
import { LockMode } from '@mikro-orm/core'
import type { EntityManager } from '@mikro-orm/postgresql'
import { assess } from '#core/assess'
import { ENGINE_VERSION } from '#core/assessment'
import { InputError } from '#core/errors'
import { SCHEMA_VERSION, type FormulaDocument, type Kitchen } from '#core/formula/document'
import { migrate } from '#core/formula/migrate'
import { summarise, type Summary } from '#core/summary'
import { FormulaEntity, FormulaVersionEntity, type FormulaRow } from '../database/entities'
import { coreKitchen, type KitchenRecord } from '../../shared/schemas/kitchen'
import { fillingOf } from '#core/formula/document'
import type { EggUse, FormulaListItem, FormulaRecord, VersionItem, VersionList, VersionRecord } from '../../shared/schemas/wire'

export type Owner = KitchenRecord & { actorId: string }

/** A stored document in the current schema. */
const current = (row: FormulaRow): FormulaDocument => row.schemaVersion === SCHEMA_VERSION ? row.document : migrate(row.document) as unknown as FormulaDocument

function summaryOf(document: FormulaDocument, kitchen: Kitchen): Summary | null {
  try {
    return summarise(document, assess(document, kitchen))
  } catch (error) {
    if (error instanceof InputError) return null
    throw error
  }
}

export const recordOf = (row: FormulaRow): FormulaRecord => ({ id: row.id, version: row.version, updatedAt: row.updatedAt.toISOString(), document: current(row) })

/** The shelf, last change first. Results of an older engine or kitchen are computed anew and kept. */
export async function listFormulas(em: EntityManager, owner: Owner): Promise<FormulaListItem[]> {
  const rows = await em.find(FormulaEntity, { kitchenId: owner.id, deletedAt: null }, { orderBy: [{ updatedAt: 'desc' }, { position: 'asc' }] })
  const kitchen = coreKitchen(owner)
  for (const row of rows) {
    if (row.resultEngine === ENGINE_VERSION && row.resultKitchenVersion === owner.version) continue
    Object.assign(row, { result: summaryOf(current(row), kitchen), resultEngine: ENGINE_VERSION, resultKitchenVersion: owner.version })
  }
  await em.flush()
  return rows.map(row => ({ id: row.id, name: row.name, school: row.document.school, eggs: eggsOf(row.document), version: row.version, updatedAt: row.updatedAt.toISOString(), demo: row.demo, summary: row.result ?? null }))
}

function eggsOf(document: FormulaDocument): EggUse {
  const sum = (id: string) => fillingOf(document).lines.reduce((s, l) => s + (l.ingredientId === id ? l.massG : 0), 0)
  return { wholeG: sum('egg'), yolkG: sum('yolk_sep'), whiteG: sum('white') + sum('white_carton') }
}

export interface NewFormulaRow { id: string, mutationId: string, document: FormulaDocument, label?: string, parentFormulaId?: string | null }

/** Makes a formula and its first immutable version. Asking twice with one mutation makes one. */
export async function createFormulaRow(em: EntityManager, owner: Owner, at: Date, n: NewFormulaRow): Promise<FormulaRecord> {
  return em.transactional(async (tx) => {
    const existing = await tx.findOne(FormulaEntity, { id: n.id, kitchenId: owner.id })
    if (existing) return recordOf(existing)
    const result = summaryOf(n.document, coreKitchen(owner))
    const row = tx.create(FormulaEntity, {
      id: n.id, kitchenId: owner.id, actorId: owner.actorId, createdAt: at, updatedAt: at, name: n.document.name, document: n.document, schemaVersion: SCHEMA_VERSION, version: 1, lastMutationId: n.mutationId,
      demo: false, position: 0, deletedAt: null, result, resultEngine: ENGINE_VERSION, resultKitchenVersion: owner.version,
    })
    await tx.flush()
    const parent = n.parentFormulaId ? await tx.findOne(FormulaVersionEntity, { formulaId: n.parentFormulaId, kitchenId: owner.id }, { orderBy: { createdAt: 'desc' } }) : null
    tx.create(FormulaVersionEntity, {
      id: randomUUID(), kitchenId: owner.id, actorId: owner.actorId, createdAt: at, formulaId: n.id, parentId: parent?.id ?? null, label: n.label || 'as first written', document: n.document,
      schemaVersion: SCHEMA_VERSION, engineVersion: ENGINE_VERSION, result,
    })
    await tx.flush()
    return recordOf(row)
  })
}

export type SaveOutcome = { kind: 'saved', record: FormulaRecord } | { kind: 'conflict', record: FormulaRecord } | { kind: 'gone' }

/** Saves a draft if nobody saved in between. The same mutation sent twice is taken once. */
export async function saveFormula(em: EntityManager, owner: Owner, at: Date, id: string, s: { mutationId: string, baseVersion: number, document: FormulaDocument }): Promise<SaveOutcome> {
  return em.transactional(async (tx): Promise<SaveOutcome> => {
    const row = await tx.findOne(FormulaEntity, { id, kitchenId: owner.id, deletedAt: null }, { lockMode: LockMode.PESSIMISTIC_WRITE })
    if (!row) return { kind: 'gone' }
    if (row.lastMutationId === s.mutationId) return { kind: 'saved', record: recordOf(row) }
    if (row.version !== s.baseVersion) return { kind: 'conflict', record: recordOf(row) }
    Object.assign(row, {
      document: s.document, name: s.document.name, schemaVersion: SCHEMA_VERSION, version: row.version + 1, lastMutationId: s.mutationId, updatedAt: at,
      result: summaryOf(s.document, coreKitchen(owner)), resultEngine: ENGINE_VERSION, resultKitchenVersion: owner.version,
    })
    await tx.flush()
    await keepVersion(tx, owner, at, row, '')
    return { kind: 'saved', record: recordOf(row) }
  })
}

/** Keeps the state a draft is in, after the one before it. */
async function keepVersion(tx: EntityManager, owner: Owner, at: Date, row: FormulaRow, label: string) {
  const before = await tx.findOne(FormulaVersionEntity, { formulaId: row.id, kitchenId: owner.id }, { orderBy: { createdAt: 'desc', id: 'desc' }, fields: ['id'] })
  const version = tx.create(FormulaVersionEntity, {
    id: randomUUID(), kitchenId: owner.id, actorId: owner.actorId, createdAt: at, formulaId: row.id, parentId: before?.id ?? null, label, document: current(row), schemaVersion: SCHEMA_VERSION, engineVersion: ENGINE_VERSION, result: row.result ?? null,
  })
  await tx.flush()
  return version
}

/** How many states a list shows; older ones stay kept. */
const VERSIONS_SHOWN = 80

/** Kept states of a formula, newest first; named ones are never left out. */
export async function listVersions(em: EntityManager, owner: Owner, id: string): Promise<VersionList> {
  const fields = ['id', 'formulaId', 'label', 'createdAt', 'result', 'parentId'] as const
  const rows = await em.find(FormulaVersionEntity, { formulaId: id, kitchenId: owner.id }, { orderBy: { createdAt: 'desc', id: 'desc' }, fields })
  const shown = rows.filter((row, i) => i < VERSIONS_SHOWN || row.label)
  const nameOf = async (ids: string[]) => (await em.find(FormulaEntity, { id: { $in: [...new Set(ids)] }, kitchenId: owner.id, deletedAt: null }, { fields: ['id', 'name'] })).map(f => ({ id: f.id, name: f.name }))
  const children = rows.length === 0 ? [] : await em.find(FormulaVersionEntity, { kitchenId: owner.id, parentId: { $in: rows.map(r => r.id) }, formulaId: { $ne: id } }, { fields: ['formulaId'] })
  const parentId = rows.at(-1)?.parentId
  const parent = parentId ? await em.findOne(FormulaVersionEntity, { id: parentId, kitchenId: owner.id }, { fields: ['formulaId'] }) : null
  const name = (await nameOf([id]))[0]?.name ?? ''
  return {
    items: shown.map(row => ({ id: row.id, formulaId: id, formulaName: name, label: row.label, createdAt: row.createdAt.toISOString(), summary: row.result ?? null })), more: shown.length < rows.length,
    variants: await nameOf(children.map(c => c.formulaId)), origin: parent ? (await nameOf([parent.formulaId]))[0] ?? null : null,
  }
}

/** Names the state a draft is in; the name is a state of its own, since a kept one is never changed. */
export async function nameVersion(em: EntityManager, owner: Owner, at: Date, id: string, label: string): Promise<VersionItem | null> {
  return em.transactional(async (tx) => {
    const row = await tx.findOne(FormulaEntity, { ...mine(owner, id), deletedAt: null }, { lockMode: LockMode.PESSIMISTIC_WRITE })
    if (!row) return null
    const version = await keepVersion(tx, owner, at, row, label)
    return { id: version.id, formulaId: id, formulaName: row.name, label, createdAt: at.toISOString(), summary: row.result ?? null }
  })
}

/** A kept state with its document, brought to the current schema. */
export async function findVersion(em: EntityManager, owner: Owner, id: string): Promise<VersionRecord | null> {
  const row = await em.findOne(FormulaVersionEntity, { id, kitchenId: owner.id })
  if (!row) return null
  const formula = await em.findOne(FormulaEntity, { id: row.formulaId, kitchenId: owner.id }, { fields: ['name'] })
  const document = row.schemaVersion === SCHEMA_VERSION ? row.document : migrate(row.document) as unknown as FormulaDocument
  return { id: row.id, formulaId: row.formulaId, formulaName: formula?.name ?? '', label: row.label, createdAt: row.createdAt.toISOString(), summary: row.result ?? null, document }
}

const mine = (owner: Owner, id: string) => ({ id, kitchenId: owner.id })

export const findFormula = (em: EntityManager, owner: Owner, id: string) => em.findOne(FormulaEntity, { ...mine(owner, id), deletedAt: null })

/** Renames without touching anything else of the draft. */
export async function renameFormula(em: EntityManager, owner: Owner, at: Date, id: string, name: string): Promise<FormulaRecord | null> {
  return em.transactional(async (tx) => {
    const row = await tx.findOne(FormulaEntity, { ...mine(owner, id), deletedAt: null }, { lockMode: LockMode.PESSIMISTIC_WRITE })
    if (!row) return null
    Object.assign(row, { name, document: { ...current(row), name }, schemaVersion: SCHEMA_VERSION, version: row.version + 1, updatedAt: at, lastMutationId: null })
    await tx.flush()
    return recordOf(row)
  })
}

/** Puts a formula away, or brings it back. @returns whether it was found */
export async function setDeleted(em: EntityManager, owner: Owner, id: string, deletedAt: Date | null): Promise<boolean> {
  return await em.nativeUpdate(FormulaEntity, mine(owner, id), { deletedAt }) > 0
}
