/** Passkeys against a real database: who a key lets in, and which answer to a challenge is none. */
import { addMinutes, addSeconds } from 'date-fns'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { newAuthenticator } from '../../tests/support/authenticator'
import { openServed, type Served } from '../../tests/support/served'
import { DEMO_PEOPLE } from '../database/demo'
import {
  ASKED_MIN, askPasskey, endPasskey, keepPasskey, KEYS_MOST, listPasskeys, offerPasskey, personByPasskey,
} from './passkeys'

const AT = new Date('2026-11-28T08:00:00Z')
const SITE = { name: 'kitchen.example', origin: 'https://kitchen.example' }
const [owner, chef] = DEMO_PEOPLE
let db: Served
const em = () => db.em()
const code = (work: Promise<unknown>) => work.then(() => 'taken', (e: { code?: string }) => e.code)
beforeAll(async () => {
  db = await openServed(AT)
})
afterAll(() => db.drop())

type Told = Partial<{ origin: string, rpId: string, isVerified: boolean, counter: number, at: Date }>
const ceremony = (challenge: string, told: Told) => ({ challenge, rpId: SITE.name, origin: SITE.origin, ...told })
/** A key of a device, made for somebody. */
async function make(device: ReturnType<typeof newAuthenticator>, who = owner!, told: Told = {}, label = 'Phone') {
  const { id, options } = await offerPasskey(em(), who, SITE, AT)
  const made = { id, label, response: device.made(ceremony(options.challenge, told)) }
  return keepPasskey(em(), who, made, SITE, told.at ?? AT)
}
async function enter(device: ReturnType<typeof newAuthenticator>, told: Told = {}) {
  const { id, options } = await askPasskey(em(), SITE, AT)
  return personByPasskey(em(), { id, response: device.used(ceremony(options.challenge, told)) }, SITE, told.at ?? AT)
}

it('a key signs its person in, says when it was used, and opens nothing once it is taken away', async () => {
  const device = newAuthenticator()
  await make(device)
  expect(await enter(device, { at: addSeconds(AT, 9) })).toBe(owner!.personId)
  const [key] = await listPasskeys(em(), owner!.personId)
  expect(key).toEqual({ id: key!.id, label: 'Phone', since: AT.toISOString(), usedAt: addSeconds(AT, 9).toISOString() })
  expect(await code(endPasskey(em(), chef!.personId, key!.id))).toBe('unknownPasskey')
  await endPasskey(em(), owner!.personId, key!.id)
  expect(await code(enter(device))).toBe('wrongPasskey')
})
it('an answer from another page, for another name, without a finger, or of a key nobody has is none', async () => {
  const device = newAuthenticator()
  for (const told of [{ origin: 'https://kitchen.example.evil' }, { rpId: 'evil.example' }, { isVerified: false }])
    expect(await code(make(device, owner, told))).toBe('wrongPasskey')
  await make(device)
  for (const told of [{ origin: 'http://kitchen.example' }, { rpId: 'evil.example' }, { isVerified: false }])
    expect(await code(enter(device, told))).toBe('wrongPasskey')
  expect(await code(enter(newAuthenticator()))).toBe('wrongPasskey')
  expect(await code(make(device, chef))).toBe('wrongPasskey')
})
it('a key that was copied is noticed by its count', async () => {
  const device = newAuthenticator()
  await make(device, owner, { counter: 7 })
  expect(await code(enter(device, { counter: 8 }))).toBe('taken')
  expect(await code(enter(device, { counter: 8 }))).toBe('wrongPasskey')
})
it('a challenge is good once, for minutes, and for whom it was made', async () => {
  const device = newAuthenticator()
  expect(await code(make(device, owner, { at: addSeconds(addMinutes(AT, ASKED_MIN), 1) }))).toBe('passkeyOver')
  await make(device, owner, { at: addMinutes(AT, ASKED_MIN) })
  const { id, options } = await askPasskey(em(), SITE, AT)
  const response = device.used(ceremony(options.challenge, {}))
  expect(await code(personByPasskey(em(), { id, response }, SITE, AT))).toBe('taken')
  expect(await code(personByPasskey(em(), { id, response }, SITE, AT))).toBe('passkeyOver')
  const offered = await offerPasskey(em(), owner!, SITE, AT)
  const made = { id: offered.id, label: 'x', response: newAuthenticator().made(ceremony(offered.options.challenge, {})) }
  expect(await code(keepPasskey(em(), chef!, made, SITE, AT))).toBe('passkeyOver')
})
it('somebody has ten keys at most', async () => {
  for (let i = 0; i < KEYS_MOST; i++) await make(newAuthenticator(), chef)
  expect(await code(offerPasskey(em(), chef!, SITE, AT))).toBe('tooManyKeys')
})
