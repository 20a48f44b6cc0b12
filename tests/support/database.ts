/** Databases of their own for server tests, on the real PostgreSQL that the test command started. */
import { MikroORM } from '@mikro-orm/postgresql'
import { ormConfig } from '../../server/database/config'
import { KITCHEN_ID } from '../../server/database/demo'

/** Address of a database on the test server; the test command names it. */
export function testUrl(database: string): string {
  const admin = process.env.LUMBIK_TEST_DATABASE
  if (!admin) throw new Error('LUMBIK_TEST_DATABASE is not set: run the server tests through "npm test"')
  return Object.assign(new URL(admin), { pathname: `/${database}` }).toString()
}

async function admin<T>(work: (execute: (sql: string) => Promise<unknown>) => Promise<T>): Promise<T> {
  const orm = await MikroORM.init({ ...ormConfig(testUrl('postgres'), 'own'), driverOptions: {} })
  try {
    return await work(sql => orm.em.getConnection().execute(sql))
  } finally {
    await orm.close(true)
  }
}

/** One statement on a database, by its address. */
export async function execute(url: string, sql: string): Promise<void> {
  const orm = await MikroORM.init({ ...ormConfig(url, 'own'), driverOptions: {} })
  try {
    await orm.em.getConnection().execute(sql)
  } finally {
    await orm.close(true)
  }
}

let count = 0
/** Makes a database, empty or as a copy of a template. @returns its name */
export async function withDatabase(template?: string): Promise<string> {
  const name = `lumbik_t_${process.pid}_${Date.now().toString(36)}_${++count}`
  await admin(execute => execute(`create database "${name}"${template ? ` template "${template}"` : ''}`))
  return name
}
export const dropDatabase = (name: string) =>
  admin(execute => execute(`drop database if exists "${name}" with (force)`))

/**
 * Opens a database: the one named, or an empty one of its own. `drop` closes and removes it, `close` leaves it.
 * @param mode as the owner of the tables, who sees everything, or as it is served, behind the wall between kitchens
 */
export async function openDatabase(
  named?: string, mode: 'own' | 'serve' = 'own',
): Promise<{ orm: MikroORM, url: string, drop: () => Promise<void>, close: () => Promise<void> }> {
  const name = named ?? (await withDatabase())
  // The owner's work is the demonstration's kitchen's, unless a test says otherwise; what is served says so each time.
  if (mode === 'own') await admin(run => run(`alter database "${name}" set lumbik.kitchen = '${KITCHEN_ID}'`))
  const url = testUrl(name)
  // As when it is served, but patient (LUMBIK_PATIENCE): tests share two cores with one another.
  const orm = await MikroORM.init({ ...ormConfig(url, mode), driverOptions: {} })
  const close = () => orm.close(true)
  return {
    orm,
    url,
    close,
    async drop() {
      await close()
      await dropDatabase(name)
    },
  }
}

/** Tables in the order in which rows may refer to one another. */
const TABLES = [
  'kitchen', 'actor', 'place', 'vessel', 'equipment', 'lot', 'formula', 'occasion', 'formula_version', 'mutation',
  'batch', 'batch_event', 'reading', 'batch_text', 'batch_photo', 'device', 'calibration', 'learned_set', 'work', 'day',
  'person', 'membership', 'tablet', 'door_session', 'invitation', 'shared_link', 'attempt', 'audit', 'passkey', 'challenge',
  'change_note', 'presence', 'work_file',
]

/**
 * A copy of a template whose rows can be put back as they were, without a new database: in milliseconds, under a
 * running server.
 */
export async function restorable(
  template: string,
): Promise<{ name: string, restore: (ask: () => Promise<unknown>) => Promise<void>, drop: () => Promise<void> }> {
  const name = await withDatabase(template)
  const orm = await MikroORM.init({ ...ormConfig(testUrl(name), 'own'), driverOptions: {} })
  /** Statements sent together are one transaction. Told to give way to a late request, it tries again. */
  const execute = async (sql: string, tries = 5): Promise<unknown> => {
    try {
      return await orm.em.getConnection().execute(sql)
    } catch (error) {
      if (tries === 0 || !/deadlock/.test(String(error))) throw error
      return execute(sql, tries - 1)
    }
  }
  await execute(
    `create schema "kept"; ${TABLES.map(t => `create table "kept"."${t}" as table "public"."${t}"`).join('; ')}`,
  )
  return {
    name,
    restore: async (ask) => {
      // What a closed page had still asked for is let through first: the server has answered what came before this
      // question, and its database rests.
      const busy =
        'select count(*)::int as n from pg_stat_activity where datname = current_database() and state <> \'idle\' and pid <> pg_backend_pid()'
      for (let quiet = 0; quiet < 4;) {
        await ask()
        quiet = ((await execute(busy)) as { n: number }[])[0]!.n > 0 ? 0 : quiet + 1
      }
      // Events are never taken out, but by a test that begins anew.
      await execute(
        `set local session_replication_role = replica; truncate ${TABLES.map(t => `"public"."${t}"`).join(', ')}; ${TABLES.map(t => `insert into "public"."${t}" select * from "kept"."${t}"`).join('; ')}`,
      )
    },
    drop: async () => {
      await orm.close(true)
      await dropDatabase(name)
    },
  }
}
