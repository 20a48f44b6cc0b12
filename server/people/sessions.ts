/** Sessions: who a request comes from. What the sealed cookie carries is an id; everything else stands here. */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import { addMinutes, subDays, subMinutes } from 'date-fns'
import { type Role, type SessionShown, TABLET_LOCKS_MIN } from '../../shared/door'
import { DEMO_OWNER } from '../database/demo'
import { beforeKitchens } from '../database/wall'
import { Refusal } from '../domain/refusal'

/** Somebody signed in, or a tablet that nobody has unlocked. */
export interface Session {
  /** null: the demonstration's, which has none. */
  id: string | null
  kitchenId: string
  tablet: { id: string, name: string } | null
  who: Who | null
}
export interface Who {
  membershipId: string
  personId: string
  actorId: string
  name: string
  role: Role
}
/** Nobody came for so long: signed out, days. */
const IDLE_DAYS = 30
/** How often it is written down that somebody was here, minutes. */
const SEEN_EVERY_MIN = 1

interface Row {
  id: string
  kitchen_id: string
  tablet_id: string | null
  tablet: string | null
  seen_at: string
  membership_id: string | null
  person_id: string | null
  actor_id: string | null
  name: string | null
  role: Role | null
}
const whoOf = (r: Row): Who | null => r.membership_id === null ? null : {
  membershipId: r.membership_id, personId: r.person_id!, actorId: r.actor_id!, name: r.name!, role: r.role!,
}

/** The session of an id that still holds; null: ended, idle too long, its tablet cut off, its person gone. */
export const sessionOf = (em: EntityManager, id: string, at: Date): Promise<Session | null> =>
  beforeKitchens(async () => readSession(em, id, at))
async function readSession(em: EntityManager, id: string, at: Date): Promise<Session | null> {
  const [row] = await em.execute<Row[]>(
    `select s.id, s.kitchen_id, s.tablet_id, t.name as tablet, s.seen_at, m.id as membership_id, m.person_id,
      m.actor_id, p.name, m.role
    from door_session s
      left join tablet t on t.id = s.tablet_id
      left join membership m on m.id = s.membership_id and m.ended_at is null
      left join person p on p.id = m.person_id
    where s.id = ? and s.ended_at is null and t.ended_at is null and s.seen_at > ?
      and (s.tablet_id is not null or m.id is not null)`,
    [id, subDays(at, IDLE_DAYS)],
  )
  if (!row) return null
  const tablet = row.tablet_id === null ? null : { id: row.tablet_id, name: row.tablet! }
  const seenAt = new Date(row.seen_at)
  const isLocked = tablet !== null && row.membership_id !== null && seenAt < subMinutes(at, TABLET_LOCKS_MIN)
  if (isLocked) await em.execute('update door_session set membership_id = null where id = ?', [id])
  if (isLocked || addMinutes(seenAt, SEEN_EVERY_MIN) < at)
    await em.execute('update door_session set seen_at = ? where id = ?', [at, id])
  return { id: row.id, kitchenId: row.kitchen_id, tablet, who: isLocked ? null : whoOf(row) }
}

/** The demonstration's cook, where there is one. */
export async function demoSession(em: EntityManager): Promise<Session | null> {
  const [row] = await em.execute<Row[]>(
    `select m.id as membership_id, m.kitchen_id, m.person_id, m.actor_id, p.name, m.role
      from membership m join person p on p.id = m.person_id where m.id = ? and m.ended_at is null`,
    [DEMO_OWNER.membershipId],
  )
  return row ? { id: null, kitchenId: row.kitchen_id, tablet: null, who: whoOf(row) } : null
}

export interface Opens {
  kitchenId: string
  membershipId: string | null
  tabletId?: string | null
  /** What browser and device, in words. */
  label: string
}
/** Begins a session. @returns its id */
export async function openSession(em: EntityManager, at: Date, opens: Opens): Promise<string> {
  const id = randomUUID()
  await em.execute(
    `insert into door_session (id, kitchen_id, membership_id, tablet_id, label, created_at, seen_at, ended_at)
      values (?, ?, ?, ?, ?, ?, ?, null)`,
    [id, opens.kitchenId, opens.membershipId, opens.tabletId ?? null, opens.label.slice(0, 120), at, at],
  )
  return id
}
/** Ends a session of a kitchen. @throws {Refusal} unknown */
export async function endSession(em: EntityManager, kitchenId: string, id: string, at: Date): Promise<void> {
  const rows = await em.execute<unknown[]>(
    'update door_session set ended_at = ? where id = ? and kitchen_id = ? and ended_at is null returning id',
    [at, id, kitchenId],
  )
  if (rows.length === 0) throw new Refusal('unknown', 'id', 'unknownSession')
}
/** Who holds a tablet now; null: nobody, it is locked. */
export const holdTablet = (em: EntityManager, id: string, membershipId: string | null, at: Date) =>
  em.execute('update door_session set membership_id = ?, seen_at = ? where id = ?', [membershipId, at, id])

/** Sessions of a kitchen that hold, the latest first. */
export async function listSessions(
  em: EntityManager, kitchenId: string, mine: string | null, at: Date,
): Promise<SessionShown[]> {
  interface Shown { id: string, name: string | null, tablet: string | null, label: string, seen_at: string }
  const rows = await em.execute<Shown[]>(
    `select s.id, p.name, t.name as tablet, s.label, s.seen_at from door_session s
      left join tablet t on t.id = s.tablet_id left join membership m on m.id = s.membership_id
      left join person p on p.id = m.person_id
    where s.kitchen_id = ? and s.ended_at is null and t.ended_at is null and s.seen_at > ?
    order by s.seen_at desc limit 100`,
    [kitchenId, subDays(at, IDLE_DAYS)],
  )
  return rows.map(r => ({
    id: r.id, name: r.name, tablet: r.tablet, label: r.label, seenAt: new Date(r.seen_at).toISOString(),
    isThis: r.id === mine,
  }))
}
