/** One ORM for the process; a fork of its entity manager for every request. */
import { MikroORM, type EntityManager } from '@mikro-orm/postgresql'
import type { H3Event } from 'h3'
import { ormConfig } from '../database/config'

let ready: Promise<MikroORM> | undefined

/** The database's address: one environment variable. */
export const databaseUrl = (): string => process.env.DATABASE_URL ?? 'postgresql://127.0.0.1:5432/lumbik'

export function useOrm(): Promise<MikroORM> {
  ready ??= MikroORM.init(ormConfig(databaseUrl())).catch((error) => {
    ready = undefined
    throw error
  })
  return ready
}

export async function closeOrm(): Promise<void> {
  const orm = await ready?.catch(() => undefined)
  ready = undefined
  await orm?.close(true)
}

/** Entity manager of a request. */
export async function useEm(event: H3Event): Promise<EntityManager> {
  const context = event.context as { em?: EntityManager }
  context.em ??= (await useOrm()).em.fork() as EntityManager
  return context.em
}

/** Now, or the fixed time the tests set. */
export const now = (): Date => process.env.LUMBIK_NOW ? new Date(process.env.LUMBIK_NOW) : new Date()
