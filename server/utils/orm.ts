/** One ORM for the process; a fork of its entity manager for every request. */
import { loadOwner, type Owner } from '../domain/kitchen'
import { MikroORM, type EntityManager } from '@mikro-orm/postgresql'
import type { H3Event } from 'h3'
import { ormConfig, PATIENCE } from '../database/config'
import { startPulse, type Pulse } from '../database/pulse'
import { Refusal } from '../domain/refusal'
import type { Session } from '../people/sessions'

let opened: Promise<MikroORM> | undefined
let ready: Promise<void> = Promise.resolve()
let pulse: Pulse | undefined

/** The database's address: one environment variable. */
export const databaseUrl = (): string => process.env.DATABASE_URL ?? 'postgresql://127.0.0.1:5432/lumbik'

/** Its owner's, where the server's own user is not: for making tables and for jobs. */
export const ownerUrl = (): string => process.env.LUMBIK_OWNER_URL ?? databaseUrl()

/** Requests wait for this, so long as it does not take long. */
export const setReady = (start: Promise<void>): void => {
  ready = start
  start.catch(() => {})
}

const WAIT_MS = 2500 * PATIENCE
async function whenReady(): Promise<void> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Refusal('away', '', 'database')), WAIT_MS)
  })
  try {
    await Promise.race([ready, late])
  } finally {
    clearTimeout(timer)
  }
}

export function useOrm(): Promise<MikroORM> {
  opened ??= MikroORM.init(ormConfig(databaseUrl())).catch((error) => {
    opened = undefined
    throw error
  })
  return opened
}

/** From now on a database that is away is told at once. */
export async function watchDatabase(): Promise<void> {
  pulse ??= await startPulse(databaseUrl())
}

/** Whether somebody asks already. */
export const hasPulse = (): boolean => pulse !== undefined

export async function closeOrm(): Promise<void> {
  const [orm, beating] = [await opened?.catch(() => undefined), pulse]
  opened = pulse = undefined
  await Promise.all([orm?.close(true), beating?.stop()])
}

/** Entity manager of a request, or of work of the server's own. */
export async function newEm(): Promise<EntityManager> {
  await whenReady()
  if (pulse?.away()) throw new Refusal('away', '', 'database')
  return (await useOrm()).em.fork() as EntityManager
}

/** Entity manager of a request. */
export async function useEm(event: H3Event): Promise<EntityManager> {
  const context = event.context as { em?: EntityManager }
  return (context.em ??= await newEm())
}

/** What every request carries: its entity manager, its kitchen and its actor. The door has let it in by now. */
export async function useRequest(event: H3Event): Promise<{ em: EntityManager, owner: Owner }> {
  const context = event.context as { owner?: Owner, session?: Session }
  const em = await useEm(event)
  const { session } = context
  if (!session?.who) throw new Refusal('unsigned', '', 'signIn')
  return { em, owner: (context.owner ??= await loadOwner(em, session.kitchenId, session.who.actorId)) }
}

/** Now, or the fixed time the tests set. */
export const now = (): Date => (process.env.LUMBIK_NOW ? new Date(process.env.LUMBIK_NOW) : new Date())
