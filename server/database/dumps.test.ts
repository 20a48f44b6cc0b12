/**
 * Databases as each earlier schema left them, the demonstration in each (tests/dumps: dumped by the program of that
 * time): this program starts on every one, and everything in it is still there and read.
 */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import pg from 'pg'
import { expect, it } from 'vitest'
import { openDatabase, testUrl, withDatabase } from '../../tests/support/database'
import { listBatches } from '../domain/book'
import { batchRow, recordOfBatch } from '../domain/batches'
import { loadFormula } from '../domain/formulas'
import { knownKitchen, loadOwner } from '../domain/kitchen'
import { usesOf } from '../domain/uses'
import { listVersions } from '../domain/versions'
import { boot } from './boot'
import { MIGRATION_NAMES } from './config'
import { KITCHEN_ID, PLACES, SETTINGS } from './demo'
import { APP_ROLE, within } from './wall'

const FOLDER = join(process.cwd(), 'tests/dumps')
const DUMPS = readdirSync(FOLDER)

async function restored(file: string) {
  const name = await withDatabase()
  const client = new pg.Client({ connectionString: testUrl(name) })
  await client.connect()
  // A dump brings neither roles nor extensions.
  await client.query(`create extension if not exists pg_trgm;
    create extension if not exists btree_gin; do $$ begin create role ${APP_ROLE} nologin;
    exception when duplicate_object or unique_violation then null; end $$`)
  await client.query(gunzipSync(readFileSync(join(FOLDER, file))).toString())
  const count = async (table: string): Promise<number> =>
    Number((await client.query<{ n: string }>(`select count(*) as n from public."${table}"`)).rows[0]!.n)
  const there = (await client.query<{ t: string }>('select tablename as t from pg_tables where schemaname = \'public\'')).rows
  const before: Record<string, number> = {}
  for (const { t } of there) before[t] = await count(t)
  return { name, before, count, end: () => client.end() }
}
const all = /^schema-(\d{4})/
/** Schemas that no program ever had: they came together with the next. */
const NEVER_ALONE = ['0010']
it('there is one of each schema before this one', () => {
  const numbers = MIGRATION_NAMES.map(n => n.slice(-4)).filter(n => !NEVER_ALONE.includes(n))
  expect(DUMPS.map(d => all.exec(d)![1])).toEqual(numbers.slice(0, DUMPS.length))
  expect(DUMPS.length).toBeGreaterThanOrEqual(numbers.length - 1)
})

it.each(DUMPS)('%s starts, loses nothing, and is read', async (file) => {
  const { name, before, count, end } = await restored(file)
  const { orm, url, drop } = await openDatabase(name)
  try {
    await boot(url, new Date('2026-11-28T09:00:00Z'), false)
    // Nothing is fewer than before; the demonstration's people came with the schema that knows people.
    for (const [table, n] of Object.entries(before)) expect(await count(table), table).toBeGreaterThanOrEqual(n)
    expect(before.formula).toBeGreaterThan(10)
    await within(KITCHEN_ID, async () => {
      const em = () => orm.em.fork() as never
      const owner = await loadOwner(em())
      const kitchen = await knownKitchen(em(), owner)
      expect([kitchen.settings.altitudeM, kitchen.places.length > 2]).toEqual([SETTINGS.altitudeM, true])
      const ids = await orm.em.fork().execute<{ id: string }[]>('select id from formula where deleted_at is null')
      for (const { id } of ids) {
        const { document } = await loadFormula(em(), owner, id)
        const title = document.formula.name
        expect(document.formula.components.length, title).toBeGreaterThan(0)
        expect((await listVersions(em(), owner, id, null)).items.length, title).toBeGreaterThan(0)
      }
      expect((await usesOf(em(), owner, PLACES[0]!.id)).count).toBeGreaterThan(0)
      const query = { after: null, search: '', fault: null, lot: null, formulaId: null, by: null, going: false }
      const { items } = await listBatches(em(), owner, query)
      expect(items.length).toBe(before.batch ?? 0)
      for (const { id } of items.slice(0, 3))
        expect((await recordOfBatch(em(), await batchRow(em(), owner, id))).events.length).toBeGreaterThan(5)
    })
  } finally {
    await end()
    await drop()
  }
})
