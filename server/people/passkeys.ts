/**
 * Passkeys: a key that somebody's own device keeps and opens by its finger, face or PIN (W3C Web Authentication,
 * level 2). A challenge is good once and for minutes, on whichever server it comes back to.
 */
import { randomUUID } from 'node:crypto'
import {
  generateAuthenticationOptions, generateRegistrationOptions, verifyAuthenticationResponse, verifyRegistrationResponse,
} from '@simplewebauthn/server'
import type { EntityManager } from '@mikro-orm/postgresql'
import { addMinutes } from 'date-fns'
import type { PasskeyShown } from '../../shared/door'
import { Refusal } from '../domain/refusal'
import type { Who } from './sessions'

/** What a browser answers; the library that asked looks through it. */
export type MadeKey = Parameters<typeof verifyRegistrationResponse>[0]['response']
export type UsedKey = Parameters<typeof verifyAuthenticationResponse>[0]['response']
type Transports = Parameters<typeof verifyAuthenticationResponse>[0]['credential']['transports']

/** A challenge is good for so long, minutes; a person has so many keys. */
export const ASKED_MIN = 5
export const KEYS_MOST = 10
/** Challenges that wait for whoever comes in. */
const WAITING_MOST = 500
/** Where the page stands: keys are made for a name and open nowhere else. */
export interface Site { name: string, origin: string }

async function ask(em: EntityManager, challenge: string, personId: string | null, at: Date): Promise<string> {
  const id = randomUUID()
  // Nobody fills the table by asking: what is over goes, and of those that nobody signed in asked, the oldest.
  await em.execute(
    `delete from challenge where until < ? or id in
      (select id from challenge where person_id is null order by until desc offset ${WAITING_MOST})`, [at])
  await em.execute('insert into challenge (id, value, person_id, until) values (?, ?, ?, ?)',
    [id, challenge, personId, addMinutes(at, ASKED_MIN)])
  return id
}
/** What was asked, once. @throws {Refusal} passkeyOver */
async function asked(em: EntityManager, id: string, personId: string | null, at: Date): Promise<string> {
  const rows = await em.execute<{ value: string }[]>(
    'delete from challenge where id = ? and person_id is not distinct from ?::uuid and until >= ? returning value',
    [id, personId, at])
  if (!rows[0]) throw new Refusal('unsigned', '', 'passkeyOver')
  return rows[0].value
}

interface Row {
  id: string
  credential: string
  person_id: string
  public_key: string
  counter: string
  transports: string[]
}
const keysOf = (em: EntityManager, personId: string) => em.execute<Row[]>(
  'select id, credential, person_id, public_key, counter, transports from passkey where person_id = ?', [personId])
const known = (r: Row) => ({
  id: r.credential, publicKey: new Uint8Array(Buffer.from(r.public_key, 'base64url')), counter: Number(r.counter),
  transports: r.transports as Transports,
})

/** What a device is asked for to make a key for somebody. @throws {Refusal} tooManyKeys */
export async function offerPasskey(em: EntityManager, who: Who, site: Site, at: Date) {
  const keys = await keysOf(em, who.personId)
  if (keys.length >= KEYS_MOST) throw new Refusal('invalid', '', 'tooManyKeys', { most: KEYS_MOST })
  const options = await generateRegistrationOptions({
    rpID: site.name, rpName: 'Lumbik', userName: who.name, userID: new TextEncoder().encode(who.personId),
    attestationType: 'none', excludeCredentials: keys.map(k => ({ id: k.credential })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  })
  return { id: await ask(em, options.challenge, who.personId, at), options }
}
/** Keeps the key a device made. @throws {Refusal} passkeyOver; wrongPasskey */
export async function keepPasskey(
  em: EntityManager, who: Who, made: { id: string, label: string, response: MadeKey }, site: Site,
  at: Date,
): Promise<void> {
  const expectedChallenge = await asked(em, made.id, who.personId, at)
  const said = await verifyRegistrationResponse({
    response: made.response, expectedChallenge, expectedOrigin: site.origin, expectedRPID: site.name,
    requireUserVerification: true,
  }).catch(() => null)
  if (!said?.verified || !said.registrationInfo) throw new Refusal('invalid', 'response', 'wrongPasskey')
  const { credential } = said.registrationInfo
  const rows = await em.execute<unknown[]>(
    `insert into passkey (id, credential, person_id, public_key, counter, transports, label, created_at, used_at)
      values (?, ?, ?, ?, ?, ?::jsonb, ?, ?, null) on conflict (credential) do nothing returning id`,
    [randomUUID(), credential.id, who.personId, Buffer.from(credential.publicKey).toString('base64url'), credential.counter,
      JSON.stringify(credential.transports ?? []), made.label.trim(), at],
  )
  if (rows.length === 0) throw new Refusal('invalid', 'response', 'wrongPasskey')
}

/** What a device is asked for to sign somebody in: whoever has a key, nobody is named. */
export async function askPasskey(em: EntityManager, site: Site, at: Date) {
  const options = await generateAuthenticationOptions({ rpID: site.name, userVerification: 'required' })
  return { id: await ask(em, options.challenge, null, at), options }
}
/** Whose the key is that answered. @throws {Refusal} passkeyOver; wrongPasskey, alike for a key nobody has */
export async function personByPasskey(
  em: EntityManager, { id, response }: { id: string, response: UsedKey }, site: Site, at: Date,
): Promise<string> {
  const expectedChallenge = await asked(em, id, null, at)
  const [row] = await em.execute<Row[]>(
    'select id, credential, person_id, public_key, counter, transports from passkey where credential = ?', [response.id])
  const said = row && await verifyAuthenticationResponse({
    response, expectedChallenge, expectedOrigin: site.origin, expectedRPID: site.name, credential: known(row),
    requireUserVerification: true,
  }).catch(() => null)
  if (!row || !said?.verified) throw new Refusal('unsigned', '', 'wrongPasskey')
  await em.execute('update passkey set counter = ?, used_at = ? where id = ?',
    [said.authenticationInfo.newCounter, at, row.id])
  return row.person_id
}

/** Somebody's keys, the newest first. */
export async function listPasskeys(em: EntityManager, personId: string): Promise<PasskeyShown[]> {
  const rows = await em.execute<{ id: string, label: string, created_at: string, used_at: string | null }[]>(
    'select id, label, created_at, used_at from passkey where person_id = ? order by created_at desc, id', [personId])
  return rows.map(r => ({
    id: r.id, label: r.label, since: new Date(r.created_at).toISOString(),
    usedAt: r.used_at === null ? null : new Date(r.used_at).toISOString(),
  }))
}
/** A key opens nothing any more. @throws {Refusal} unknown */
export async function endPasskey(em: EntityManager, personId: string, id: string): Promise<void> {
  const rows = await em.execute<unknown[]>(
    'delete from passkey where id = ? and person_id = ? returning id', [id, personId])
  if (rows.length === 0) throw new Refusal('unknown', 'id', 'unknownPasskey')
}
