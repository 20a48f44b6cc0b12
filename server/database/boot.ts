/**
 * From a bare or older database to one that can be served. Several servers may do it at once: one does, the others
 * wait.
 */
import { randomBytes } from 'node:crypto'
import { MikroORM, type EntityManager } from '@mikro-orm/postgresql'
import { faultName, isDatabaseAway } from './away'
import { MIGRATION_NAMES, ormConfig } from './config'
import { seed } from './seed'
import { APP_ROLE, LETS_IN } from './wall'

/** Key of the advisory lock under which tables are made and first rows written (any number, always the same). */
const LOCK = 460_011
/** A database that is still starting is waited for, ms. */
const PATIENCE_MS = 20_000

/** Why the server cannot start, in words for whoever starts it. */
export class BootError extends Error {}

/** Migrates and seeds, alone. @returns what cookies are sealed with. @throws {BootError} */
export async function boot(
  url: string,
  at: Date,
  demo: boolean,
  say: (line: string) => void = () => {},
): Promise<string> {
  const until = Date.now() + PATIENCE_MS
  for (let told = false; ;) {
    try {
      return await attempt(url, at, demo)
    } catch (error) {
      if (error instanceof BootError) throw error
      if (!isDatabaseAway(error))
        throw new BootError(`Lumbik could not prepare its database (${faultName(error)}). ${hint(error)}`)
      if (Date.now() > until)
        throw new BootError(
          `Lumbik cannot reach its database at ${place(url)} (${faultName(error)}). ` +
          'Start PostgreSQL, set DATABASE_URL, or use "npm run demo".',
        )
      if (!told) say(`waiting for the database at ${place(url)} …`)
      told = true
      await new Promise(resolve => setTimeout(resolve, 500))
    }
  }
}

async function attempt(url: string, at: Date, demo: boolean): Promise<string> {
  const orm = await MikroORM.init(ormConfig(url, 'migrate'))
  try {
    const run = (sql: string) => orm.em.getConnection().execute<Record<string, string>[]>(sql)
    await run(`select pg_advisory_lock(${LOCK})`)
    try {
      const newer =
        (await run('select to_regclass(\'migrations\') as "table"'))[0]!.table === null
          ? []
          : (await run('select name from migrations order by id'))
              .map(r => r.name!)
              .filter(n => !MIGRATION_NAMES.includes(n))
      if (newer.length)
        throw new BootError(
          `This database was written by a newer Lumbik (it has ${newer.at(-1)}; this program ends with ` +
          `${MIGRATION_NAMES.at(-1)}). Update Lumbik, or restore a backup of this version. Nothing was changed.`,
        )
      await orm.getMigrator().up()
      for (const sql of LETS_IN) await run(sql)
      await run(`set role ${APP_ROLE}`)
      await run('reset role')
      await seed(orm.em.fork() as EntityManager, at, demo)
      await run(`insert into server_secret values ('session', '${randomBytes(32).toString('base64url')}') on conflict do nothing`)
      return (await run('select value from server_secret where name = \'session\''))[0]!.value!
    } finally {
      await run(`select pg_advisory_unlock(${LOCK})`).catch(() => {})
    }
  } finally {
    await orm.close(true)
  }
}

/** Host, port and database of an address: never its password. */
function place(url: string): string {
  if (!URL.canParse(url)) return 'the address in DATABASE_URL (which is not one)'
  const { hostname, port, pathname } = new URL(url)
  return `${hostname}:${port || 5432}${pathname}`
}

/** What to do about it, by SQLSTATE. */
function hint(error: unknown): string {
  const code = String((error as { code?: unknown }).code ?? '')
  if (code === '28P01' || code === '28000') return 'User or password in DATABASE_URL are not taken.'
  if (code === '3D000') return 'The database named in DATABASE_URL does not exist: create it first.'
  if (code === '42501') return 'This user may not make tables there.'
  return 'Its tables were left as they were.'
}
