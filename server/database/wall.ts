/**
 * The second wall between kitchens. Every query the server makes is made by a role that owns nothing, for the kitchen
 * its work is about; row-level security of the database shows it no other's rows. Outside of any kitchen it sees none.
 */
import { AsyncLocalStorage } from 'node:async_hooks'
import type { EntityManager } from '@mikro-orm/postgresql'

/** The role of the server's queries. It cannot log in, owns no table, and does not bypass row security. */
export const APP_ROLE = 'lumbik_app'
/** Tables whose rows are one kitchen's. */
export const WALLED = [
  'actor', 'place', 'vessel', 'equipment', 'lot', 'formula', 'occasion', 'formula_version', 'mutation', 'batch',
  'batch_event', 'reading', 'batch_text', 'batch_photo', 'device', 'calibration', 'learned_set', 'work', 'day', 'audit',
  'change_note', 'presence', 'work_file',
] as const

/** `undefined`: of people only, whichever kitchen a connection last was in. */
interface Inside { kitchenId: string | null | undefined }
const inside = new AsyncLocalStorage<Inside>()

/** Work for one kitchen, and whatever it begins; null: for none yet. */
export const within = <T>(kitchenId: string | null, work: () => T): T => inside.run({ kitchenId }, work)
/** From here on a request is of this kitchen; it was begun by `within(null, …)`. */
export function enterKitchen(kitchenId: string): void {
  const now = inside.getStore()
  if (now) now.kitchenId = kitchenId
}
/** Work that asks for people and their sessions only, which are in no kitchen: a connection stays where it is. */
export const beforeKitchens = <T>(work: () => T): T => inside.run({ kitchenId: undefined }, work)
/** The kitchen that the work in hand is for. */
export const kitchenNow = (): string | null => inside.getStore()?.kitchenId ?? null

/** All kitchens there are, the oldest first, for work that goes round them. */
export const everyKitchen = async (em: EntityManager): Promise<string[]> =>
  (await em.execute<{ id: string }[]>('select id::text as id from lumbik_kitchens() as id')).map(r => r.id)

/**
 * Does a piece of work for each kitchen, one after another.
 * @param restMs between two of them: what nobody waits for lets whoever is asked go first
 */
export async function forEveryKitchen(
  newEm: () => Promise<EntityManager>, work: () => Promise<void>, restMs = 0,
): Promise<void> {
  for (const id of await everyKitchen(await newEm())) {
    await within(id, work)
    if (restMs > 0) await rest(restMs)
  }
}
/** Nothing, for so long; a process that ends does not wait for it. */
export const rest = (ms: number) => new Promise<void>(resolve => setTimeout(resolve, ms).unref())

type Answered = (error: Error | null, result?: unknown) => void
type Query = (...args: unknown[]) => unknown
/**
 * Puts a connection behind the wall: as it is opened it becomes the role, and from then on it says which kitchen it
 * asks for ahead of a query whenever that is another than before (never within a transaction: one is all of one
 * kitchen).
 * @param ready called with the query to use from now on, or with why there is none
 */
export function walled(query: Query, ready: (error: Error | null, query: Query) => void): void {
  let of: string | null = null
  const ask: Query = (...args) => {
    const [said] = args as [string | { text?: string }]
    // What was said within a transaction that is taken back is taken back with it.
    if (/^\s*rollback/i.test(typeof said === 'string' ? said : said?.text ?? '')) {
      of = null
      return query(...args)
    }
    const at = inside.getStore()
    const wanted = at?.kitchenId ?? ''
    if (wanted === of || (at && at.kitchenId === undefined)) return query(...args)
    const done = args.at(-1) as Answered
    query('select set_config(\'lumbik.kitchen\', $1, false)', [wanted], ((error) => {
      if (error) return done(error)
      of = wanted
      query(...args)
    }) satisfies Answered)
  }
  query(`set role ${APP_ROLE}`, ((error: Error | null) => ready(error, ask)) satisfies Answered)
}

/** Statements with which the database's owner lets the role work, again at each start: what a restore leaves out. */
export const LETS_IN = [
  `do $$ begin if not exists (select from pg_roles where rolname = '${APP_ROLE}') then create role ${APP_ROLE} nologin;
    end if; exception when duplicate_object or unique_violation then null; end $$`,
  `do $$ begin execute format('grant ${APP_ROLE} to %I', current_user); exception when others then null; end $$`,
  `grant usage on schema public to ${APP_ROLE}`,
  `grant select, insert, update, delete on all tables in schema public to ${APP_ROLE}`,
  `grant usage on all sequences in schema public to ${APP_ROLE}`,
  `revoke update, delete, truncate on "audit" from ${APP_ROLE}`,
  `revoke all on "server_secret" from ${APP_ROLE}`,
]
