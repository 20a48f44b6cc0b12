/** Databases of their own for server tests, on the real PostgreSQL that the test command started. */
import { MikroORM } from '@mikro-orm/postgresql'
import { ormConfig } from '../../server/database/config'

/** Address of a database on the test server; the test command names it. */
export function testUrl(database: string): string {
  const admin = process.env.LUMBIK_TEST_DATABASE
  if (!admin) throw new Error('LUMBIK_TEST_DATABASE is not set: run the server tests through "npm test"')
  return Object.assign(new URL(admin), { pathname: `/${database}` }).toString()
}

async function admin<T>(work: (execute: (sql: string) => Promise<unknown>) => Promise<T>): Promise<T> {
  const orm = await MikroORM.init({ ...ormConfig(testUrl('postgres')) })
  try {
    return await work(sql => orm.em.getConnection().execute(sql))
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
export const dropDatabase = (name: string) => admin(execute => execute(`drop database if exists "${name}" with (force)`))

/** Makes an empty database and opens it; `drop` closes and removes it. */
export async function openDatabase(): Promise<{ orm: MikroORM, url: string, drop: () => Promise<void> }> {
  const name = await withDatabase()
  const url = testUrl(name)
  const orm = await MikroORM.init(ormConfig(url))
  return {
    orm,
    url,
    async drop() {
      await orm.close(true)
      await dropDatabase(name)
    },
  }
}
