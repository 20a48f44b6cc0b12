/** Who a request comes from: by its sealed cookie; the demonstration's cook, on its own machine, without one. */
import { getCookie, getHeader, type H3Event } from 'h3'
import type { EntityManager } from '@mikro-orm/postgresql'
import { enterKitchen, within } from '../database/wall'
import { Refusal } from '../domain/refusal'
import { tell } from '../people/audit'
import { belongings } from '../people/people'
import type { Site } from '../people/passkeys'
import type { Hasher } from '../people/secrets'
import { demoSession, openSession, type Session, sessionOf, type Who } from '../people/sessions'
import { isLoopback, listedHosts } from './door'
import { newEm, now, useEm } from './orm'

/** As nuxt.config has it. */
export const COOKIE = 'lumbik'
/** What the cookie carries: a session's id; or that somebody left the demonstration by its door. */
interface Sealed { id?: string, isOut?: boolean }

/** Whether anybody but this machine may call. */
export const isOpenToOthers = (): boolean => listedHosts(process.env.LUMBIK_HOSTS).length > 0
/** From this very machine, and nobody else could be. */
export const isLocal = (event: H3Event): boolean =>
  !isOpenToOthers() && isLoopback(event.node.req.socket.remoteAddress)

/** What cookies were found to carry: opening one takes longer than the rest of the door. Whether it holds is asked. */
const opened = new Map<string, { sealed: Sealed, untilMs: number }>()
const OPENED_MOST = 1000
const OPENED_MS = 60_000
const sealed = async (event: H3Event): Promise<Sealed> => {
  const cookie = getCookie(event, COOKIE)
  if (!cookie) return {}
  const known = opened.get(cookie)
  if (known && performance.now() < known.untilMs) return known.sealed
  const { secure } = await getUserSession(event) as { secure?: Sealed }
  if (!secure) return {}
  opened.delete(cookie)
  if (opened.size >= OPENED_MOST) opened.delete(opened.keys().next().value!)
  opened.set(cookie, { sealed: secure, untilMs: performance.now() + OPENED_MS })
  return secure
}

/** The session a request is of; null: none. It is looked up once. */
export async function useSessionOf(event: H3Event): Promise<Session | null> {
  const context = event.context as { session?: Session | null }
  if (context.session !== undefined) return context.session
  const em = await useEm(event)
  const { id, isOut } = await sealed(event)
  const session = id
    ? await sessionOf(em, id, now())
    : process.env.LUMBIK_DEMO === '1' && !isOut && isLocal(event) ? await demoSession(em) : null
  if (session) enterKitchen(session.kitchenId)
  context.session = session
  return session
}
/** Whether whoever began a long answer is still signed in. */
export async function isStillIn(event: H3Event): Promise<boolean> {
  const { session } = event.context as { session?: Session | null }
  if (!session?.who) return false
  if (session.id === null) return true
  return (await sessionOf(await newEm(), session.id, now()))?.who?.membershipId === session.who.membershipId
}
/** Whoever is signed in. @throws {Refusal} signIn; locked, on a tablet nobody has taken up */
export async function useWho(event: H3Event): Promise<Session & { who: Who }> {
  const session = await useSessionOf(event)
  if (!session) throw new Refusal('unsigned', '', 'signIn')
  if (!session.who) throw new Refusal('unsigned', '', 'locked')
  return session as Session & { who: Who }
}

/** The answer carries this session from now on; null: none. */
export async function carry(event: H3Event, id: string | null): Promise<void> {
  await replaceUserSession(event, { secure: id ? { id } : { isOut: true } } as never)
}

/** Where the page stands that asks, as the browser names it; the guard has looked at it already. */
export function siteOf(event: H3Event): Site {
  const { host, origin } = event.node.req.headers
  return { name: new URL(`http://${host}`).hostname, origin: origin ?? '' }
}

/** Where from, for slowing wrong words. */
export const addressOf = (event: H3Event): string => event.node.req.socket.remoteAddress ?? ''
/** The browser and its device, in a few words, so that a list of sessions can be told apart. */
export function labelOf(event: H3Event): string {
  const agent = getHeader(event, 'user-agent') ?? ''
  const browser = /(Firefox|Edg|OPR|Chrome|Safari)\//.exec(agent)?.[1] ?? ''
  const device = /(iPad|iPhone|Android|Windows|Macintosh|Linux)/.exec(agent)?.[1] ?? ''
  return [browser.replace('Edg', 'Edge').replace('OPR', 'Opera'), device].filter(Boolean).join(', ')
}

/** Scrypt, as the session library has it. */
export const scrypt: Hasher = {
  make: word => hashPassword(word),
  verify: (hash, word) => verifyPassword(hash, word),
}

/** Kitchens by their ids, as they are called: each is asked for behind its own wall. */
export async function kitchensOf(em: EntityManager, ids: readonly string[]): Promise<{ id: string, name: string }[]> {
  const all: { id: string, name: string }[] = []
  for (const id of new Set(ids))
    all.push(...await within(id, () =>
      em.execute<{ id: string, name: string }[]>('select id, name from kitchen where id = ?', [id])))
  return all
}

/** A person comes in, to the kitchen they were in last. @throws {Refusal} wrongWords: they belong nowhere any more */
export async function enterAs(event: H3Event, personId: string, what: string): Promise<{ ok: true }> {
  const em = await useEm(event)
  const [there] = await belongings(em, personId)
  if (!there) throw new Refusal('unsigned', '', 'wrongWords')
  await tell(em, { kitchenId: there.kitchenId, actorId: there.actorId, at: now(), what })
  await carry(event, await openSession(em, now(), { ...there, label: labelOf(event) }))
  return { ok: true }
}
