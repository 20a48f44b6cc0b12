/** One ORM configuration for the server and its tests. */
import { defineConfig } from '@mikro-orm/postgresql'
import { Migrator } from '@mikro-orm/migrations'
import { entities } from './entities'
import { Migration0001 } from './migrations/Migration0001'
import { Migration0002 } from './migrations/Migration0002'
import { Migration0003 } from './migrations/Migration0003'
import { Migration0004 } from './migrations/Migration0004'

const MIGRATIONS = [Migration0001, Migration0002, Migration0003, Migration0004]
export const MIGRATION_NAMES = MIGRATIONS.map(m => m.name)

/**
 * A request that the database does not answer within this is told so, ms; the server's own limit ends first, so that
 * the connection stays clean.
 */
const ANSWER_MS = 2500
const STATEMENT_MS = 2000
const CONNECT_MS = 2000

const SERVING = {
  pool: { min: 0, max: 8, acquireTimeoutMillis: ANSWER_MS, createTimeoutMillis: ANSWER_MS },
  driverOptions: { acquireConnectionTimeout: ANSWER_MS, connection: { connectionTimeoutMillis: CONNECT_MS, query_timeout: ANSWER_MS, statement_timeout: STATEMENT_MS, idle_in_transaction_session_timeout: 30_000, keepAlive: true, application_name: 'lumbik' } },
}
/** Migrations take as long as they take, on one connection, which also holds their lock. */
const MIGRATING = { pool: { min: 1, max: 1 }, driverOptions: { connection: { connectionTimeoutMillis: 5000, application_name: 'lumbik migrations' } } }

export const ormConfig = (clientUrl: string, mode: 'serve' | 'migrate' = 'serve') => defineConfig({
  clientUrl,
  entities,
  connect: false,
  extensions: [Migrator],
  discovery: { disableDynamicFileAccess: true },
  metadataCache: { enabled: false },
  migrations: { migrationsList: MIGRATIONS.map(m => ({ name: m.name, class: m })), snapshot: false, tableName: 'migrations' },
  schemaGenerator: { createForeignKeyConstraints: false },
  logger: message => process.env.LUMBIK_LOG ? console.log(message) : undefined,
  ...(mode === 'serve' ? SERVING : MIGRATING),
})
