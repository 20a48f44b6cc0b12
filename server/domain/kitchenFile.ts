/**
 * A whole kitchen as one open file: lines of JSON, a head and then each row of each table with its columns' names
 * (docs/formats.md). Read in again it is a new kitchen, with ids of its own; nothing in the file is taken on trust.
 */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import { coreKitchen } from '../../shared/kitchen'
import { readBatch } from '../../shared/schemas/batch'
import { sheetSchema } from '../../shared/schemas/day'
import { readDocument } from '../../shared/schemas/formula'
import type { Problem } from '../../shared/schemas/problem'
import { takeKitchen } from '../../shared/schemas/kitchen'
import { BatchEntity, BatchPhotoEntity, DayEntity } from '../database/entities'
import { enterKitchen } from '../database/wall'
import { recordOfBatch } from './batches'
import { loadKitchen } from './kitchen'
import { mimeOf } from './photos'
import { Refusal } from './refusal'

export const KITCHEN_FORMAT = 'lumbik-kitchen'
export const KITCHEN_FILE_VERSION = 1
/** What is a kitchen's, each after what it refers to. People, doors, what was done and what is under way stay. */
export const FILED = [
  'actor', 'place', 'vessel', 'equipment', 'lot', 'device', 'formula', 'formula_version', 'occasion', 'batch',
  'batch_event', 'reading', 'batch_text', 'batch_photo', 'calibration', 'learned_set', 'day',
] as const
type Filed = (typeof FILED)[number]
/** In what order a table's rows are written: what came first, first; many at a time. */
const ORDER: Partial<Record<Filed, string>> = {
  formula_version: 'created_at, id', batch_event: 'batch_id, number', reading: 'batch_id, device_id, channel, from_s',
}
const AT_ONCE = 500

interface Head { format: string, version: number, at: string }
interface Line { table: Filed | 'kitchen', row: Record<string, unknown> }
/** With where it stands in its file. */
type Read = Line & { line: number }
const textOf = (value: Head | Line) => `${JSON.stringify(value)}\n`

/** Whose rows of a table are filed. */
const whose = (table: string) => `from "${table}" t where ${table === 'kitchen' ? 'id' : 'kitchen_id'} = ?`
const TABLES = ['kitchen', ...FILED] as const
/** How many lines a kitchen's file will have. */
export async function linesOf(tx: EntityManager, kitchenId: string): Promise<number> {
  const [row] = await tx.execute<{ n: number }[]>(
    `select (1 + ${TABLES.map(t => `(select count(*) ${whose(t)})`).join(' + ')})::int as n`, TABLES.map(() => kitchenId))
  return row!.n
}
/** The file of the kitchen of the work in hand, line by line; within one transaction, so that it is of one moment. */
export async function* kitchenFile(tx: EntityManager, kitchenId: string, at: Date): AsyncGenerator<string> {
  yield textOf({ format: KITCHEN_FORMAT, version: KITCHEN_FILE_VERSION, at: at.toISOString() })
  for (const table of TABLES) {
    const order = (table === 'kitchen' ? undefined : ORDER[table]) ?? 'id'
    await tx.execute(`declare filed no scroll cursor for select to_jsonb(t) as row ${whose(table)} order by ${order}`, [kitchenId])
    for (;;) {
      const rows = await tx.execute<{ row: Line['row'] }[]>(`fetch ${AT_ONCE} from filed`)
      for (const { row } of rows) yield textOf({ table, row })
      if (rows.length < AT_ONCE) break
    }
    await tx.execute('close filed')
  }
}

const refused = (line: number, code: string, extra: object = {}) => new Refusal('invalid', `line.${line}`, code, { ...extra })
const isRow = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
/** The file's lines. @throws {Refusal} notAKitchen, newerFile; the line that is none */
function readLines(text: string): Read[] {
  const [head, ...rest] = text.split('\n').filter(l => l.trim() !== '').map((l, i): unknown => {
    try {
      return JSON.parse(l)
    } catch {
      throw refused(i + 1, 'notAKitchen')
    }
  })
  const { format, version } = (isRow(head) ? head : {}) as unknown as Partial<Head>
  if (format !== KITCHEN_FORMAT || typeof version !== 'number') throw refused(1, 'notAKitchen')
  if (version > KITCHEN_FILE_VERSION) throw refused(1, 'newerFile', { version })
  return rest.map((l, i) => {
    const { table, row } = (isRow(l) ? l : {}) as unknown as Line
    if (!isRow(row) || !(table === 'kitchen' ? i === 0 : i > 0 && FILED.includes(table as Filed)))
      throw refused(i + 2, 'unknownValue')
    return { table, row, line: i + 2 }
  })
}
const UUID = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/gi
/** May be gone where it came from: then it is gone here. */
const LOOSE = new Set(['parent_formula_id', 'parent_id'])
/** The same rows under ids that are nobody's yet; whatever refers to a row must find it in the file. */
function renamed(lines: readonly Read[]): Read[] {
  const fresh = new Map(lines.flatMap(({ row }) => (typeof row.id === 'string' ? [[row.id.toLowerCase(), randomUUID()]] : [])))
  const anew = (text: string) => text.replace(UUID, id => fresh.get(id.toLowerCase()) ?? id)
  return lines.map(({ table, row: said, line }) => {
    const row = { ...said }
    for (const [column, value] of Object.entries(row)) {
      const isOurs = /_id$/.test(column) && column !== 'ingredient_id' && !(table === 'reading' && column === 'device_id')
      if (!isOurs || value === null || fresh.has(String(value).toLowerCase())) continue
      if (!LOOSE.has(column)) throw refused(line, 'unknownValue', { column })
      row[column] = null
    }
    return { table, line, row: JSON.parse(anew(JSON.stringify(row))) as Line['row'] }
  })
}
/** Kept states after those they came from; in a circle none is first, and the database says so. */
function parentsFirst(lines: readonly Read[]): Read[] {
  const states = lines.filter(l => l.table === 'formula_version')
  const after = new Map<unknown, Read[]>()
  for (const l of states) {
    const of = l.row.parent_id ?? null
    const siblings = after.get(of)
    if (siblings) siblings.push(l)
    else after.set(of, [l])
  }
  const ordered = [...after.get(null) ?? []]
  for (const l of ordered) for (const child of after.get(l.row.id) ?? []) ordered.push(child)
  const all = [...new Set([...ordered, ...states])]
  let next = 0
  return lines.map(l => (l.table === 'formula_version' ? all[next++]! : l))
}
/** What is worked out is worked out here; what is a demonstration's stays one of nobody. */
const AGAIN: Partial<Record<Line['table'], object>> = {
  formula: { result: null, result_engine: null, result_revision: null, result_version: null, demo: false },
  batch: { shown: null, demo: false },
  kitchen: { learned_set_id: null },
}

/** Writes the rows. @throws {Refusal} the line that the database would not take */
async function write(tx: EntityManager, lines: readonly Read[]): Promise<void> {
  for (const { table, row, line } of lines)
    try {
      const columns = (await columnsOf(tx, table)).filter(c => c in row || c in (AGAIN[table] ?? {}))
      const names = columns.map(c => `"${c}"`).join(', ')
      await tx.execute(
        `insert into "${table}" (${names}) select ${names} from jsonb_populate_record(null::"${table}", ?::jsonb)`,
        [JSON.stringify({ ...row, ...AGAIN[table] })],
      )
    } catch (error) {
      if (error instanceof Refusal) throw error
      throw refused(line, 'unknownValue', { table })
    }
}
const known = new Map<string, string[]>()
/** Columns by their names, of this server's own tables. */
async function columnsOf(tx: EntityManager, table: string): Promise<string[]> {
  const before = known.get(table)
  if (before) return before
  const rows = await tx.execute<{ c: string }[]>(
    'select attname as c from pg_attribute where attrelid = ?::regclass and attnum > 0 and not attisdropped', [`"${table}"`])
  known.set(table, rows.map(r => r.c))
  return known.get(table)!
}

const orRefused = (what: string, id: string, problem: Problem) =>
  new Refusal('invalid', `${what}.${problem.path}`, problem.code, { ...problem.params, id })
/** Reads what was written as everything that comes in is read. @throws {Refusal} naming what is not as it must be */
async function check(tx: EntityManager, kitchenId: string): Promise<void> {
  const record = await loadKitchen(tx, { id: kitchenId })
  const kitchen = coreKitchen(record)
  try {
    takeKitchen(JSON.parse(JSON.stringify(kitchen)))
  } catch {
    throw new Refusal('invalid', 'kitchen', 'unknownValue')
  }
  for (const table of ['formula', 'formula_version'] as const)
    for (const { id, document } of await tx.execute<{ id: string, document: unknown }[]>(
      `select id, document from "${table}" where kitchen_id = ?`, [kitchenId])) {
      const read = readDocument({ formula: document }, kitchen)
      if (!read.ok) throw orRefused(table, id, read.problem)
    }
  for (const { date, version, sheet } of await tx.find(DayEntity, { kitchenId }))
    if (!sheetSchema.isValidSync({ version, sheet }, { strict: true })) throw new Refusal('invalid', `day.${date}`, 'unknownValue')
  for (const row of await tx.find(BatchEntity, { kitchenId })) {
    const read = readBatch(JSON.parse(JSON.stringify(await recordOfBatch(tx, row))))
    if (!read.ok) throw orRefused('batch', row.id, read.problem)
  }
  for (const { id, bytes, mime } of await tx.find(BatchPhotoEntity, { kitchenId }))
    if (bytes && mimeOf(bytes) !== mime) throw new Refusal('invalid', `batch_photo.${id}`, 'notAPicture')
}

/**
 * Makes a new kitchen of a file. All of it, or nothing.
 * @param joins makes somebody of whoever brought it, in the new kitchen
 * @returns the kitchen's id
 * @throws {Refusal} notAKitchen; newerFile; the line, or the thing, that is not as it must be
 */
export async function takeKitchenFile(
  em: EntityManager, text: string, joins: (tx: EntityManager, kitchenId: string) => Promise<unknown>,
): Promise<string> {
  const lines = parentsFirst(renamed(readLines(text)))
  const kitchenId = String(lines[0]?.row.id ?? '')
  if (!kitchenId) throw refused(2, 'notAKitchen')
  return em.transactional(async (tx) => {
    enterKitchen(kitchenId)
    await write(tx, lines.map(l => (l.table === 'kitchen' ? l : { ...l, row: { ...l.row, kitchen_id: kitchenId } })))
    const learned = lines[0]!.row.learned_set_id
    if (learned) await tx.execute('update kitchen set learned_set_id = ? where id = ?', [learned, kitchenId])
    await check(tx, kitchenId)
    await joins(tx, kitchenId)
    return kitchenId
  })
}
