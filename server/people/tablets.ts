/** The kitchen's own devices: enrolled once by a code, shared by its cooks, each behind a PIN. */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import { addMinutes } from 'date-fns'
import type { DoorState, TabletShown } from '../../shared/door'
import { Refusal } from '../domain/refusal'
import { countTry, wasRight } from './attempts'
import { asTyped, type Hasher, kept, newTabletCode } from './secrets'
import { holdTablet, openSession, type Session } from './sessions'

/** A code is good for so long, minutes. */
export const CODE_MIN = 15

/** A tablet to be. @returns the code to type into it, told once */
export async function newTablet(
  em: EntityManager, kitchenId: string, name: string, at: Date,
): Promise<TabletShown & { code: string }> {
  const [id, code, until] = [randomUUID(), newTabletCode(), addMinutes(at, CODE_MIN)]
  await em.execute(
    `insert into tablet (id, kitchen_id, name, code, code_until, created_at, enrolled_at, ended_at)
      values (?, ?, ?, ?, ?, ?, null, null)`,
    [id, kitchenId, name.trim(), kept(code), until, at],
  )
  return { id, name: name.trim(), enrolledAt: null, codeUntil: until.toISOString(), code }
}

export interface Enrolling { code: string, label: string, address: string }
/** Makes a device the kitchen's. @returns its session. @throws {Refusal} wrongCode; tooManyTries */
export async function enrol(em: EntityManager, { code, label, address }: Enrolling, at: Date): Promise<string> {
  await countTry(em, 'address', address, at)
  const [row] = await em.execute<{ id: string, kitchen_id: string }[]>(
    `update tablet set code = null, code_until = null, enrolled_at = ?
      where code = ? and code_until > ? and ended_at is null returning id, kitchen_id`,
    [at, kept(asTyped(code)), at],
  )
  if (!row) throw new Refusal('unsigned', 'code', 'wrongCode')
  await wasRight(em, { address }, at)
  return openSession(em, at, { kitchenId: row.kitchen_id, membershipId: null, tabletId: row.id, label })
}

export interface Pinned { membershipId: string, pin: string, address: string }
/** A cook takes the tablet up. @throws {Refusal} wrongWords, also for who has no PIN; tooManyTries */
export async function unlock(em: EntityManager, session: Session, p: Pinned, hasher: Hasher, at: Date): Promise<void> {
  if (!session.tablet || !session.id) throw new Refusal('unsigned', '', 'noTablet')
  await countTry(em, 'account', p.membershipId, at)
  const [row] = await em.execute<{ pin: string | null }[]>(
    'select pin from membership where id = ? and kitchen_id = ? and ended_at is null', [p.membershipId, session.kitchenId])
  if (!row?.pin || !(await hasher.verify(row.pin, p.pin))) throw new Refusal('unsigned', 'pin', 'wrongWords')
  await wasRight(em, { account: p.membershipId }, at)
  await holdTablet(em, session.id, p.membershipId, at)
}

/** Cuts a tablet off: whatever it asks for from now on, it is nobody's. @throws {Refusal} unknown */
export async function endTablet(em: EntityManager, kitchenId: string, id: string, at: Date): Promise<void> {
  const rows = await em.execute<unknown[]>(
    'update tablet set ended_at = ?, code = null where id = ? and kitchen_id = ? and ended_at is null returning id',
    [at, id, kitchenId],
  )
  if (rows.length === 0) throw new Refusal('unknown', 'id', 'unknownTablet')
  await em.execute('update door_session set ended_at = ? where tablet_id = ? and ended_at is null', [at, id])
}

/** Tablets of a kitchen, and those that wait for their code. */
export async function listTablets(em: EntityManager, kitchenId: string, at: Date): Promise<TabletShown[]> {
  const rows = await em.execute<{ id: string, name: string, enrolled_at: Date | null, code_until: Date | null }[]>(
    `select id, name, enrolled_at, code_until from tablet
      where kitchen_id = ? and ended_at is null and (enrolled_at is not null or code_until > ?) order by name, id`,
    [kitchenId, at],
  )
  const text = (d: Date | null) => d && new Date(d).toISOString()
  return rows.map(r => ({ id: r.id, name: r.name, enrolledAt: text(r.enrolled_at), codeUntil: text(r.code_until) }))
}

/** A tablet as it shows itself: its name, and who may take it up. */
export async function shownTablet(em: EntityManager, session: Session): Promise<DoorState['tablet']> {
  if (!session.tablet) return null
  const rows = await em.execute<{ id: string, name: string, has_pin: boolean }[]>(
    `select m.id, p.name, m.pin is not null as has_pin from membership m join person p on p.id = m.person_id
      where m.kitchen_id = ? and m.ended_at is null order by p.name, m.id`,
    [session.kitchenId],
  )
  return {
    name: session.tablet.name,
    cooks: rows.map(r => ({ membershipId: r.id, name: r.name, hasPin: r.has_pin })),
  }
}
