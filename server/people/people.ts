/** People of a kitchen: the first owner, invitations, roles, passwords and PINs, leaving and being forgotten. */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import { addDays } from 'date-fns'
import type { InvitationShown, PersonShown, Role } from '../../shared/door'
import { enterKitchen } from '../database/wall'
import { Refusal } from '../domain/refusal'
import { countTry, wasRight } from './attempts'
import { asTyped, type Hasher, kept, newRecoveryCodes, newToken } from './secrets'
import type { Who } from './sessions'

/** An invitation is good for so long, days. */
export const INVITED_DAYS = 7
/** Whoever was forgotten is called this in what stays. */
export const FORMER = 'a former cook'

export interface Newcomer { login: string, name: string, password: string }
export const loginKey = (login: string): string => login.trim().toLowerCase()

/** Whether no owner can sign in here yet (the demonstration's have no passwords). */
export const isFirstStart = async (em: EntityManager): Promise<boolean> => (await em.execute<unknown[]>(
  `select 1 from membership m join person p on p.id = m.person_id
    where m.role = 'owner' and m.ended_at is null and p.password is not null limit 1`,
)).length === 0

interface Joining { kitchenId: string, personId: string, name: string, role: Role, at: Date }
/** Somebody in a kitchen, under an actor of their own. @returns the membership's id */
export async function join(
  tx: EntityManager, { kitchenId, personId, name, role, at }: Joining,
): Promise<{ membershipId: string, actorId: string }> {
  enterKitchen(kitchenId)
  const [membershipId, actorId] = [randomUUID(), randomUUID()]
  await tx.execute('insert into actor (id, kitchen_id, name, created_at) values (?, ?, ?, ?)', [actorId, kitchenId, name, at])
  const rows = await tx.execute<{ id: string, actor_id: string }[]>(
    `insert into membership (id, person_id, kitchen_id, actor_id, role, pin, created_at, ended_at)
      values (?, ?, ?, ?, ?, null, ?, null)
      on conflict (person_id, kitchen_id) do update set role = excluded.role, ended_at = null
      returning id, actor_id`,
    [membershipId, personId, kitchenId, actorId, role, at],
  )
  return { membershipId: rows[0]!.id, actorId: rows[0]!.actor_id }
}
async function newPerson(tx: EntityManager, { login, name, password }: Newcomer, hasher: Hasher, at: Date) {
  const id = randomUUID()
  const rows = await tx.execute<unknown[]>(
    `insert into person (id, login, name, password, codes, created_at) values (?, ?, ?, ?, '[]', ?)
      on conflict (login) do nothing returning id`,
    [id, loginKey(login), name.trim(), await hasher.make(password), at],
  )
  return rows.length > 0 ? id : null
}

/** The owner of a kitchen that has none. @throws {Refusal} conflict: somebody is there already */
export async function firstOwner(em: EntityManager, kitchenId: string, who: Newcomer, hasher: Hasher, at: Date) {
  return em.transactional(async (tx) => {
    // Two that come at once: the second waits here, and finds the first.
    await tx.execute('select pg_advisory_xact_lock(460012)')
    if (!(await isFirstStart(tx))) throw new Refusal('conflict', '', 'ownerIsThere')
    const personId = await newPerson(tx, who, hasher, at)
    if (!personId) throw new Refusal('invalid', 'login', 'loginTaken')
    return join(tx, { kitchenId, personId, name: who.name.trim(), role: 'owner', at })
  })
}

interface Known { id: string, password: string | null, codes: string[], name: string }
/** A hash of nothing anybody knows: whoever is not there takes as long to refuse as whoever is. */
let nobody: Promise<string> | undefined
async function knownBy(em: EntityManager, login: string): Promise<Known | undefined> {
  const [row] = await em.execute<Known[]>('select id, password, codes, name from person where login = ?', [loginKey(login)])
  return row
}
export interface Knocking { login: string, password: string, address: string }
/** Whoever a login and password are. @throws {Refusal} wrongWords, alike for a wrong login; tooManyTries */
export async function personBy(em: EntityManager, k: Knocking, hasher: Hasher, at: Date): Promise<string> {
  await countTry(em, 'address', k.address, at)
  await countTry(em, 'account', k.login, at)
  const row = await knownBy(em, k.login)
  nobody ??= hasher.make(newToken())
  const isRight = await hasher.verify(row?.password ?? await nobody, k.password)
  if (!row?.password || !isRight) throw new Refusal('unsigned', '', 'wrongWords')
  await wasRight(em, { account: k.login, address: k.address }, at)
  return row.id
}
/** A new password for a recovery code, which is good once. @throws {Refusal} wrongWords; tooManyTries */
export async function recover(
  em: EntityManager, k: Knocking & { code: string }, hasher: Hasher, at: Date,
): Promise<string> {
  await countTry(em, 'address', k.address, at)
  await countTry(em, 'account', k.login, at)
  const password = await hasher.make(k.password)
  const rows = await em.execute<{ id: string }[]>(
    'update person set password = ?, codes = codes - ?::text where login = ? and jsonb_exists(codes, ?) returning id',
    [password, kept(asTyped(k.code)), loginKey(k.login), kept(asTyped(k.code))],
  )
  if (rows.length === 0) throw new Refusal('unsigned', '', 'wrongWords')
  await wasRight(em, { account: k.login, address: k.address }, at)
  await endSessionsOf(em, rows[0]!.id, at)
  return rows[0]!.id
}
/** Everywhere else this person is signed in, they are no more. */
const endSessionsOf = (em: EntityManager, personId: string, at: Date, but: string | null = null) => em.execute(
  `update door_session s set ended_at = ? from membership m
    where m.id = s.membership_id and m.person_id = ? and s.ended_at is null and s.id is distinct from ?::uuid`,
  [at, personId, but],
)

export interface Belonging { membershipId: string, kitchenId: string, actorId: string, role: Role }
/** Where a person belongs, the kitchen they were in last first. */
export async function belongings(em: EntityManager, personId: string): Promise<Belonging[]> {
  const rows = await em.execute<{ id: string, kitchen_id: string, actor_id: string, role: Role }[]>(
    `select m.id, m.kitchen_id, m.actor_id, m.role from membership m
      left join lateral (select max(seen_at) as seen from door_session s where s.membership_id = m.id) s on true
      where m.person_id = ? and m.ended_at is null order by s.seen desc nulls last, m.created_at`,
    [personId],
  )
  return rows.map(r => ({ membershipId: r.id, kitchenId: r.kitchen_id, actorId: r.actor_id, role: r.role }))
}

/** Invites somebody, under a name the owner knows them by. @returns the token that opens it, told once */
export async function invite(
  em: EntityManager, kitchenId: string, { name, role }: { name: string, role: Role }, at: Date,
): Promise<InvitationShown & { token: string }> {
  const [id, token, until] = [randomUUID(), newToken(), addDays(at, INVITED_DAYS)]
  await em.execute(
    `insert into invitation (id, kitchen_id, role, name, token, until, created_at, used_at, ended_at)
      values (?, ?, ?, ?, ?, ?, ?, null, null)`,
    [id, kitchenId, role, name.trim(), kept(token), until, at],
  )
  return { id, name: name.trim(), role, until: until.toISOString(), token }
}
interface InvitationRow { id: string, kitchen_id: string, role: Role, name: string }
/** An invitation that is still good. @throws {Refusal} unknown */
export async function invitationBy(em: EntityManager, token: string, at: Date): Promise<InvitationRow> {
  const [row] = await em.execute<InvitationRow[]>(
    `select id, kitchen_id, role, name from invitation
      where token = ? and used_at is null and ended_at is null and until > ?`,
    [kept(token), at],
  )
  if (!row) throw new Refusal('unknown', 'token', 'invitationOver')
  return row
}
/**
 * Takes an invitation up: as somebody new, or as who a login and password are already (whoever belongs to another
 * kitchen, too).
 * @throws {Refusal} invitationOver; loginTaken where the login is somebody's and the password is not theirs
 */
export async function accept(
  em: EntityManager, token: string, who: Newcomer & { address: string }, hasher: Hasher, at: Date,
): Promise<Belonging> {
  await countTry(em, 'address', who.address, at)
  // It may be somebody's login: theirs is tried no more often here than at the door.
  await countTry(em, 'account', who.login, at)
  const belonging = await em.transactional(async (tx) => {
    const row = await invitationBy(tx, token, at)
    const known = await knownBy(tx, who.login)
    if (known && !(known.password && (await hasher.verify(known.password, who.password))))
      throw new Refusal('invalid', 'login', 'loginTaken')
    const used = await tx.execute<unknown[]>(
      'update invitation set used_at = ?, name = \'\' where id = ? and used_at is null returning id', [at, row.id])
    const personId = known?.id ?? (await newPerson(tx, who, hasher, at))
    if (used.length === 0 || !personId) throw new Refusal('unknown', 'token', 'invitationOver')
    const joined = await join(tx, { kitchenId: row.kitchen_id, personId, name: who.name.trim(), role: row.role, at })
    return { ...joined, kitchenId: row.kitchen_id, role: row.role }
  })
  await wasRight(em, { account: who.login, address: who.address }, at)
  return belonging
}
/** @throws {Refusal} unknown */
export async function endInvitation(em: EntityManager, kitchenId: string, id: string, at: Date): Promise<void> {
  const rows = await em.execute<unknown[]>(
    'update invitation set ended_at = ? where id = ? and kitchen_id = ? and used_at is null and ended_at is null returning id',
    [at, id, kitchenId],
  )
  if (rows.length === 0) throw new Refusal('unknown', 'id', 'invitationOver')
}

/** Everybody of a kitchen. */
export async function listPeople(em: EntityManager, kitchenId: string, mine: string): Promise<PersonShown[]> {
  const rows = await em.execute<{ id: string, name: string, login: string, role: Role, has_pin: boolean }[]>(
    `select m.id, p.name, p.login, m.role, m.pin is not null as has_pin from membership m join person p on p.id = m.person_id
      where m.kitchen_id = ? and m.ended_at is null order by p.name, m.id`,
    [kitchenId],
  )
  return rows.map(r => ({
    membershipId: r.id, name: r.name, login: r.login, role: r.role, hasPin: r.has_pin, isMe: r.id === mine,
  }))
}
/** Invitations that wait. */
export async function listInvitations(em: EntityManager, kitchenId: string, at: Date): Promise<InvitationShown[]> {
  const rows = await em.execute<{ id: string, name: string, role: Role, until: Date }[]>(
    `select id, name, role, until from invitation
      where kitchen_id = ? and used_at is null and ended_at is null and until > ? order by until`,
    [kitchenId, at],
  )
  return rows.map(r => ({ ...r, until: new Date(r.until).toISOString() }))
}

/** Locks the people of a kitchen, so that two changes at once leave an owner. @throws {Refusal} lastOwner */
async function keepingAnOwner(em: EntityManager, kitchenId: string, change: (tx: EntityManager) => Promise<void>) {
  await em.transactional(async (tx) => {
    await tx.execute('select pg_advisory_xact_lock(hashtextextended(?, 1))', [kitchenId])
    await change(tx)
    const owners = await tx.execute<unknown[]>(
      'select 1 from membership where kitchen_id = ? and role = \'owner\' and ended_at is null limit 1', [kitchenId])
    if (owners.length === 0) throw new Refusal('invalid', 'role', 'lastOwner')
  })
}
/** @throws {Refusal} unknown; lastOwner */
export async function changeRole(
  em: EntityManager, kitchenId: string, membershipId: string, role: Role,
): Promise<void> {
  await keepingAnOwner(em, kitchenId, async (tx) => {
    const rows = await tx.execute<unknown[]>(
      'update membership set role = ? where id = ? and kitchen_id = ? and ended_at is null returning id',
      [role, membershipId, kitchenId],
    )
    if (rows.length === 0) throw new Refusal('unknown', 'id', 'unknownPerson')
  })
}
/**
 * Somebody leaves a kitchen: signed out everywhere in it. Forgotten, their name goes from what they wrote, too, and the
 * person with it where they belong nowhere else.
 * @throws {Refusal} unknown; lastOwner
 */
export async function leave(
  em: EntityManager, kitchenId: string, membershipId: string, { isForgotten, at }: { isForgotten: boolean, at: Date },
): Promise<void> {
  await keepingAnOwner(em, kitchenId, async (tx) => {
    const [row] = await tx.execute<{ person_id: string, actor_id: string }[]>(
      `update membership set ended_at = ?, pin = null where id = ? and kitchen_id = ? and ended_at is null
        returning person_id, actor_id`,
      [at, membershipId, kitchenId],
    )
    if (!row) throw new Refusal('unknown', 'id', 'unknownPerson')
    await tx.execute(
      'update door_session set ended_at = ? where membership_id = ? and tablet_id is null and ended_at is null',
      [at, membershipId],
    )
    await tx.execute(
      'update door_session set membership_id = null where membership_id = ? and tablet_id is not null', [membershipId])
    if (!isForgotten) return
    await tx.execute('update actor set name = ? where id = ? and kitchen_id = ?', [FORMER, row.actor_id, kitchenId])
    await tx.execute('delete from membership where id = ?', [membershipId])
    await tx.execute(
      'delete from person p where p.id = ? and not exists (select 1 from membership m where m.person_id = p.id)',
      [row.person_id],
    )
  })
}

export interface OwnChange { current: string, address: string, password?: string, pin?: string | null, name?: string }
/** What somebody changes of themselves, with the password they have. @throws {Refusal} wrongWords; tooManyTries */
export async function changeMine(
  em: EntityManager, who: Who, { sessionId, ...change }: OwnChange & { sessionId: string | null }, hasher: Hasher,
  at: Date,
): Promise<void> {
  await confirm(em, who, change, hasher, at)
  const { password, pin, name } = change
  if (password !== undefined) {
    await em.execute('update person set password = ? where id = ?', [await hasher.make(password), who.personId])
    await endSessionsOf(em, who.personId, at, sessionId)
  }
  if (pin !== undefined)
    await em.execute('update membership set pin = ? where id = ?', [pin && (await hasher.make(pin)), who.membershipId])
  if (name !== undefined) {
    await em.execute('update person set name = ? where id = ?', [name.trim(), who.personId])
    await em.execute('update actor set name = ? where id = ?', [name.trim(), who.actorId])
  }
}
/** That it is really them. @throws {Refusal} wrongWords */
export async function confirm(
  em: EntityManager, who: Who, { current, address }: { current: string, address: string }, hasher: Hasher, at: Date,
): Promise<void> {
  const [row] = await em.execute<{ login: string }[]>('select login from person where id = ?', [who.personId])
  await personBy(em, { login: row?.login ?? '', password: current, address }, hasher, at)
}
/** New recovery codes; those before are good no more. @returns them, told once */
export async function renewCodes(
  em: EntityManager, who: Who, proof: { current: string, address: string }, hasher: Hasher, at: Date,
): Promise<string[]> {
  await confirm(em, who, proof, hasher, at)
  const codes = newRecoveryCodes()
  await em.execute(
    'update person set codes = ?::jsonb where id = ?', [JSON.stringify(codes.map(c => kept(asTyped(c)))), who.personId])
  return codes
}
