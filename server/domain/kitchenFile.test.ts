/** A kitchen as a file, against a real database: out, in again as another, all of it or nothing. */
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openServed, type Served } from '../../tests/support/served'
import { DEMO_OWNER, KITCHEN_ID, LOTS, SETTINGS } from '../database/demo'
import { within } from '../database/wall'
import { belongings, join } from '../people/people'
import { startBatch } from './batches'
import { listFormulas, loadFormula } from './formulas'
import { KITCHEN_FILE_VERSION, KITCHEN_FORMAT, kitchenFile, linesOf, takeKitchenFile } from './kitchenFile'
import { knownKitchen, loadKitchen, loadOwner } from './kitchen'
import { keepPhoto } from './photos'
import { coreKitchen } from '../../shared/kitchen'

const AT = new Date('2026-11-28T08:00:00Z')
const PNG = Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3])
let db: Served
let lines: string[]
const em = () => db.em()
const take = (text: string) => within(null, () => takeKitchenFile(em(), text, (tx, kitchenId) =>
  join(tx, { kitchenId, personId: DEMO_OWNER.personId, name: DEMO_OWNER.name, role: 'owner', at: AT })))
const refusal = (text: string) => take(text).then(() => 'taken', (e: { code?: string, path?: string }) => `${e.path} ${e.code}`)
const counts = async (kitchenId: string) => within(kitchenId, () => em().execute<Record<string, string>[]>(
  ['place', 'vessel', 'equipment', 'lot', 'formula', 'formula_version', 'occasion', 'batch', 'batch_photo', 'day', 'device']
    .map(t => `select '${t}' as t, count(*)::int as n from "${t}"`).join(' union all ') + ' order by 1'))
/** The file with one row changed. */
const changed = (table: string, change: (row: Record<string, unknown>) => void) => {
  let done = false
  const out = lines.map((l) => {
    const value = JSON.parse(l) as { table?: string, row: Record<string, unknown> }
    if (done || value.table !== table) return l
    done = true
    change(value.row)
    return JSON.stringify(value)
  })
  expect(done).toBe(true)
  return out.join('\n')
}

beforeAll(async () => {
  db = await openServed(AT)
  await db.here(async () => {
    const owner = await loadOwner(em())
    const kitchen = coreKitchen(await knownKitchen(em(), owner))
    const [first] = (await listFormulas(em(), owner, { after: null, search: '', eggs: false })).items
    const { document } = await loadFormula(em(), owner, first!.id)
    const componentId = document.formula.components.find(c => c.process)!.id
    const id = randomUUID()
    await startBatch(
      em(), owner, AT, { id, formulaId: first!.id, planned: document, componentId, kitchen, simulation: null })
    await keepPhoto(em(), owner, AT, id, PNG)
    lines = []
    await em().transactional(async (tx) => {
      for await (const line of kitchenFile(tx, KITCHEN_ID, AT)) lines.push(line.trim())
      expect(await linesOf(tx, KITCHEN_ID)).toBe(lines.length)
    })
  })
})
afterAll(() => db.drop())

describe('a kitchen’s file', () => {
  it('begins with what it is, and holds no word that opens a door', () => {
    expect(JSON.parse(lines[0]!))
      .toEqual({ format: KITCHEN_FORMAT, version: KITCHEN_FILE_VERSION, at: AT.toISOString() })
    expect((JSON.parse(lines[1]!) as { table: string }).table).toBe('kitchen')
    expect(lines.join()).not.toMatch(/scrypt|password|token|isolde@/)
  })
  it('read in is a kitchen of its own: everything there, under other ids, its owner whoever brought it', async () => {
    const id = await take(lines.join('\n'))
    expect(id).not.toBe(KITCHEN_ID)
    expect(await counts(id)).toEqual(await counts(KITCHEN_ID))
    expect((await belongings(em(), DEMO_OWNER.personId)).find(b => b.kitchenId === id)).toMatchObject({ role: 'owner' })
    await within(id, async () => {
      const kitchen = await loadKitchen(em(), { id })
      expect(kitchen.settings).toEqual(SETTINGS)
      expect(kitchen.lots.map(l => l.name).sort()).toEqual(LOTS.map(l => l.name).sort())
      // What a document names of its kitchen is this one's.
      const [row] = await em().execute<{ n: string }[]>(
        'select count(*)::text as n from formula, unnest(things) t where t in (select id::text from place union select id::text from lot)')
      expect(Number(row!.n)).toBeGreaterThan(5)
      const old = await em().execute(`select id from formula where document::text like '%${LOTS[0]!.id}%'`)
      expect(old).toEqual([])
    })
    // Brought twice, it is two.
    expect(await take(lines.join('\n'))).not.toBe(id)
  })
})

describe('a file that is not as it must be leaves nothing behind', () => {
  const kitchens = async () => (await em().execute<unknown[]>('select * from lumbik_kitchens()')).length
  it.each([
    ['nothing', () => '', 'line.1 notAKitchen'],
    ['no JSON', () => 'x', 'line.1 notAKitchen'],
    ['another format', () => '{"format":"x","version":1}', 'line.1 notAKitchen'],
    ['a head alone', () => lines[0]!, 'line.2 notAKitchen'],
    ['a newer one', () => lines.join('\n').replace('"version":1', `"version":${KITCHEN_FILE_VERSION + 1}`), 'line.1 newerFile'],
    ['a table that is nobody’s to bring', () => `${lines.slice(0, 2).join('\n')}\n{"table":"person","row":{}}`, 'line.3 unknownValue'],
    ['two kitchens', () => `${lines.slice(0, 2).join('\n')}\n${lines[1]}`, 'line.3 unknownValue'],
  ])('%s', async (_, text, wanted) => {
    const before = await kitchens()
    expect(await refusal(text())).toBe(wanted)
    expect(await kitchens()).toBe(before)
  })
  it('a row that refers to somebody else’s, a document nobody can read, a sheet that is none, a picture that is none', async () => {
    const before = await kitchens()
    expect(await refusal(changed('batch', (r) => { r.formula_id = randomUUID() }))).toMatch(/^line\.\d+ unknownValue/)
    expect(await refusal(changed('formula', (r) => { r.document = { name: 'x' } }))).toMatch(/^formula\./)
    expect(await refusal(changed('day', (r) => { r.sheet = { x: 1 } }))).toMatch(/^day\.2026/)
    expect(await refusal(changed('batch_photo', (r) => { r.bytes = '\\x00' }))).toMatch(/^batch_photo\..* notAPicture/)
    expect(await refusal(changed('kitchen', (r) => { (r.settings as Record<string, unknown>).altitudeM = 'high' }))).toBe('kitchen unknownValue')
    expect(await refusal(changed('lot', (r) => { r.acid_percent = 'sour' }))).toMatch(/^line\.\d+ unknownValue/)
    expect(await kitchens()).toBe(before)
    // What is gone where it came from may be gone.
    expect(await refusal(changed('formula', (r) => { r.parent_formula_id = randomUUID() }))).toBe('taken')
  })
})
