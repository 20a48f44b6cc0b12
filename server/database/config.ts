/** One ORM configuration for the server and its tests. */
import { defineConfig } from '@mikro-orm/postgresql'
import { Migrator } from '@mikro-orm/migrations'
import { entities } from './entities'
import { Migration0001 } from './migrations/Migration0001'
import { Migration0002 } from './migrations/Migration0002'
import { Migration0003 } from './migrations/Migration0003'
import { Migration0004 } from './migrations/Migration0004'
import { Migration0005 } from './migrations/Migration0005'
import { Migration0006 } from './migrations/Migration0006'
import { Migration0007 } from './migrations/Migration0007'
import { Migration0008 } from './migrations/Migration0008'
import { Migration0009 } from './migrations/Migration0009'
import { Migration0010 } from './migrations/Migration0010'
import { Migration0011 } from './migrations/Migration0011'
import { Migration0012 } from './migrations/Migration0012'
import { walled } from './wall'

const MIGRATIONS = [
  Migration0001, Migration0002, Migration0003, Migration0004, Migration0005, Migration0006, Migration0007,
  Migration0008, Migration0009, Migration0010, Migration0011, Migration0012,
]
export const MIGRATION_NAMES = MIGRATIONS.map(m => m.name)

/** Times the usual waits for the database: of a machine known to be slow, and of tests that share its cores. */
export const PATIENCE = Math.max(1, Number(process.env.LUMBIK_PATIENCE) || 1)
/**
 * A request that the database does not answer within this is told so, ms; the server's own limit ends first, so that
 * the connection stays clean.
 */
const ANSWER_MS = 2500 * PATIENCE
const STATEMENT_MS = 2000 * PATIENCE
const CONNECT_MS = 2000 * PATIENCE
/** A pulse that does not come within this tells that the database is away, ms. */
const PULSE_MS = 1500 * PATIENCE

type Answered = (error: Error | null, result: unknown) => void
interface PgClient {
  query: (...args: unknown[]) => unknown
  connection?: { stream?: { destroy: () => void } }
  __knex__disposed?: Error
}

/**
 * A connection on which an answer did not come is never used again: its transaction may still be open, and what was
 * asked may still be answered. The database takes back what was not committed once it notices.
 */
function disposedWhenLate(client: PgClient, done: Opened): void {
  const query = client.query.bind(client)
  client.query = (...args: unknown[]) => {
    const last = args.at(-1)
    if (typeof last === 'function') {
      args[args.length - 1] = ((error, result) => {
        if (error?.message === 'Query read timeout') {
          client.__knex__disposed = error
          client.connection?.stream?.destroy()
        }
        ;(last as Answered)(error, result)
      }) satisfies Answered
    }
    return query(...args)
  }
  done(null, client)
}

type Opened = (error: Error | null, client: PgClient) => void
/** The same, behind the wall between kitchens. */
function walledWhenLate(client: PgClient, done: Opened): void {
  disposedWhenLate(client, () => walled(client.query.bind(client), (error, query) => {
    client.query = query
    done(error, client)
  }))
}

/** How long who asks of the database waits for it. */
const patience = (ms: number) => ({
  acquireTimeoutMillis: ms,
  createTimeoutMillis: ms,
  afterCreate: disposedWhenLate,
})

const SERVING = {
  pool: { min: 0, max: 8, ...patience(ANSWER_MS), afterCreate: walledWhenLate },
  driverOptions: {
    acquireConnectionTimeout: ANSWER_MS,
    connection: {
      connectionTimeoutMillis: CONNECT_MS,
      query_timeout: ANSWER_MS,
      statement_timeout: STATEMENT_MS,
      idle_in_transaction_session_timeout: 30_000 * PATIENCE,
      keepAlive: true,
      application_name: 'lumbik',
    },
  },
}
/** Migrations take as long as they take, on one connection, which also holds their lock. */
const MIGRATING = {
  pool: { min: 1, max: 1 },
  driverOptions: { connection: { connectionTimeoutMillis: 5000 * PATIENCE, application_name: 'lumbik migrations' } },
}

/** As the owner of the tables, past the wall: for tests that look at everything. */
const OWNING = { ...SERVING, pool: { min: 0, max: 8, ...patience(ANSWER_MS) } }
/** One connection of its own that only asks whether anybody is there. */
const ASKING = {
  pool: { min: 0, max: 1, ...patience(PULSE_MS) },
  driverOptions: {
    acquireConnectionTimeout: PULSE_MS,
    connection: { connectionTimeoutMillis: PULSE_MS, query_timeout: PULSE_MS, application_name: 'lumbik pulse' },
  },
}
const MODES = { serve: SERVING, own: OWNING, migrate: MIGRATING, ask: ASKING }

export const ormConfig = (clientUrl: string, mode: keyof typeof MODES = 'serve') =>
  defineConfig({
    clientUrl,
    entities,
    connect: false,
    extensions: [Migrator],
    discovery: { disableDynamicFileAccess: true },
    metadataCache: { enabled: false },
    migrations: {
      migrationsList: MIGRATIONS.map(m => ({ name: m.name, class: m })),
      snapshot: false,
      tableName: 'migrations',
    },
    schemaGenerator: { createForeignKeyConstraints: false },
    logger: message => (process.env.LUMBIK_LOG ? console.log(message) : undefined),
    ...MODES[mode],
  })
