/** People and doors against a real database: who gets in, who is slowed, who is let go, and that an owner remains. */
import { addDays, addMinutes, addSeconds } from 'date-fns'
import { Hash } from '@adonisjs/hash'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openServed, type Served } from '../../tests/support/served'
import { DEMO_OWNER, DEMO_PEOPLE, KITCHEN_ID } from '../database/demo'
import { countTry, forgetOldTries, FREE, MOST_S } from './attempts'
import { listAudit, tell } from './audit'
import { endLink, linkBy, listLinks, newLink } from './links'
import {
  accept, belongings, changeMine, changeRole, endInvitation, firstOwner, FORMER, invitationBy, invite, isFirstStart,
  leave,
  listInvitations, listPeople, personBy, recover, renewCodes,
} from './people'
import { demoSession, endSession, listSessions, openSession, sessionOf } from './sessions'
import { endTablet, enrol, listTablets, newTablet, shownTablet, unlock } from './tablets'

const AT = new Date('2026-11-28T08:00:00Z')
// The same library and cost as the server's.
const hash = new Hash(new Scrypt({}))
const scrypt = { make: (w: string) => hash.make(w), verify: (h: string, w: string) => hash.verify(h, w) }
let db: Served
const em = () => db.em()
const here = <T>(work: () => Promise<T>) => db.here(work)
const PASSWORD = 'quince and medlar'
const OLIVE = { login: 'Olive@Fern.example', name: 'Olive Rush', password: PASSWORD }
let address = 0
const from = () => `192.0.2.${++address}`
const signIn = (login: string, password: string, at = AT) =>
  personBy(em(), { login, password, address: from() }, scrypt, at)
const code = (work: Promise<unknown>) => work.then(() => 'taken', (e: { code?: string }) => e.code)

beforeAll(async () => {
  db = await openServed(AT)
})
afterAll(() => db.drop())

describe('the first owner', () => {
  it('is asked for while nobody can sign in, and is one, also of two that come at once', async () => {
    expect(await isFirstStart(em())).toBe(true)
    const both = await Promise.all(['a', 'b'].map(n => here(() =>
      code(firstOwner(em(), KITCHEN_ID, { ...OLIVE, login: n === 'a' ? OLIVE.login : 'second@fern.example' }, scrypt, AT)))))
    expect(both.sort()).toEqual(['ownerIsThere', 'taken'])
    expect(await isFirstStart(em())).toBe(false)
    const login = (await here(() => listPeople(em(), KITCHEN_ID, ''))).find(p => p.login.endsWith('.example'))!.login
    expect(await signIn(login.toUpperCase(), PASSWORD)).toMatch(/^[0-9a-f-]{36}$/)
  })
  it('is refused with one word for a wrong login and a wrong password; who has none gets in by none', async () => {
    expect(await code(signIn('nobody@fern.example', PASSWORD))).toBe('wrongWords')
    expect(await code(signIn('isolde', ''))).toBe('wrongWords')
  })
})

describe('wrong words', () => {
  it('are slowed after five of an account, twice as long each time, however many come at once; right ones forget them', async () => {
    const { login } = (await here(() => listPeople(em(), KITCHEN_ID, ''))).find(p => p.login.endsWith('.example'))!
    const five = await Promise.all(Array.from({ length: 12 }, () => code(signIn(login, 'wrong words here'))))
    expect(five.filter(c => c === 'wrongWords')).toHaveLength(FREE.account)
    expect(five.filter(c => c === 'tooManyTries')).toHaveLength(12 - FREE.account)
    expect(await code(signIn(login, PASSWORD))).toBe('tooManyTries')
    const later = (s: number) => addSeconds(AT, s)
    expect(await code(signIn(login, 'wrong again', later(1)))).toBe('wrongWords')
    expect(await code(signIn(login, PASSWORD, later(2.9)))).toBe('tooManyTries')
    expect(await code(signIn(login, PASSWORD, later(3)))).toBe('taken')
    expect(await code(signIn(login, 'wrong words here', later(3)))).toBe('wrongWords')
    for (let i = 0; i < FREE.account; i++) await code(signIn(login, 'wrong words here', later(3)))
    // A clock set back: by little it waits as before, by more than anybody ever waits nobody does.
    expect(await code(signIn(login, PASSWORD, later(3 - MOST_S)))).toBe('tooManyTries')
    expect(await code(signIn(login, PASSWORD, later(2 - MOST_S)))).toBe('taken')
  })
  it('of one address are slowed too, whoever they are said to be', async () => {
    const tries = await Promise.all(Array.from({ length: FREE.address + 3 }, (_, i) => code(
      personBy(em(), { login: `x${i}@fern.example`, password: 'wrong words', address: '198.51.100.7' }, scrypt, AT))))
    expect(tries.filter(c => c === 'tooManyTries')).toHaveLength(3)
    // The next day begins anew, and right words count for nothing: a kitchen behind a proxy has one address.
    const address = '203.0.113.9'
    const { login } = (await here(() => listPeople(em(), KITCHEN_ID, ''))).find(p => p.login.endsWith('.example'))!
    for (let i = 0; i < FREE.address + 5; i++)
      expect(await code(personBy(em(), { login, password: PASSWORD, address }, scrypt, addSeconds(AT, 5)))).toBe('taken')
    expect(await code(personBy(
      em(), { login: 'x99@fern.example', password: 'wrong words', address: '198.51.100.7' }, scrypt, addDays(AT, 1))))
      .toBe('wrongWords')
    expect(MOST_S).toBe(900)
  })
  it('are forgotten once they are of other days', async () => {
    const [old, young] = ['old@fern.example', 'young@fern.example']
    await em().execute('delete from attempt')
    await countTry(em(), 'account', old, addSeconds(addDays(AT, -2), -1))
    await countTry(em(), 'account', young, addDays(AT, -2))
    await forgetOldTries(em(), AT)
    const left = await em().execute<{ n: number }[]>('select count(*)::int as n from attempt')
    expect(left[0]!.n).toBe(1)
  })
})

describe('sessions', () => {
  const open = () => here(() =>
    openSession(em(), AT, { kitchenId: KITCHEN_ID, membershipId: DEMO_OWNER.membershipId, label: 'Firefox, Linux' }))
  it('hold until they are ended, or nobody came for thirty days', async () => {
    const id = await open()
    expect((await sessionOf(em(), id, AT))?.who).toMatchObject({ name: DEMO_OWNER.name, role: 'owner' })
    expect(await sessionOf(em(), id, addDays(AT, 29))).not.toBeNull()
    expect(await sessionOf(em(), id, addDays(AT, 58))).not.toBeNull()
    expect(await sessionOf(em(), id, addDays(AT, 89))).toBeNull()
    const other = await open()
    const listed = await here(() => listSessions(em(), KITCHEN_ID, other, AT))
    expect(listed.find(s => s.isThis)).toMatchObject({ id: other, name: DEMO_OWNER.name, label: 'Firefox, Linux' })
    await endSession(em(), KITCHEN_ID, other, AT)
    expect(await sessionOf(em(), other, AT)).toBeNull()
    expect(await code(endSession(em(), KITCHEN_ID, other, AT))).toBe('unknownSession')
  })
  it('of another kitchen cannot be ended; the demonstration’s has no id', async () => {
    const id = await open()
    expect(await code(endSession(em(), DEMO_OWNER.personId, id, AT))).toBe('unknownSession')
    expect(await demoSession(em())).toMatchObject({ id: null, who: { name: DEMO_OWNER.name } })
  })
})

describe('a tablet', () => {
  const cook = DEMO_PEOPLE.find(p => p.role === 'cook')!
  const pin = (membershipId: string, p: string) => ({ membershipId, pin: p, address: from() })
  it('is enrolled once by its code, within its minutes, however it is typed', async () => {
    const { code: word, id } = await newTablet(em(), KITCHEN_ID, 'Wall by the stove', AT)
    const typed = `${word.slice(0, 4).toLowerCase()} ${word.slice(4)}`
    const enter = (at: Date) => enrol(em(), { code: typed, label: '', address: from() }, at)
    expect(await code(enter(addMinutes(AT, 16)))).toBe('wrongCode')
    const session = await enter(addMinutes(AT, 14))
    expect(await code(enter(AT))).toBe('wrongCode')
    expect(await sessionOf(em(), session, AT)).toMatchObject({ who: null, tablet: { id, name: 'Wall by the stove' } })
    expect((await listTablets(em(), KITCHEN_ID, AT)).find(t => t.id === id)!.enrolledAt).not.toBeNull()
  })
  it('is taken up by a PIN, locks itself after ten minutes, and shows who may take it up', async () => {
    const { code: word } = await newTablet(em(), KITCHEN_ID, 'Pass', AT)
    const id = await enrol(em(), { code: word, label: '', address: from() }, AT)
    const session = async (at = AT) => (await sessionOf(em(), id, at))!
    const shown = (await shownTablet(em(), await session()))!
    expect(shown.cooks.map(c => [c.name, c.hasPin])).toContainEqual([cook.name, true])
    expect(await code(unlock(em(), await session(), pin(cook.membershipId, '1112'), scrypt, AT))).toBe('wrongWords')
    const inspector = DEMO_PEOPLE.find(p => p.pin === null)!
    expect(await code(unlock(em(), await session(), pin(inspector.membershipId, ''), scrypt, AT))).toBe('wrongWords')
    await unlock(em(), await session(), pin(cook.membershipId, '1111'), scrypt, AT)
    expect((await session(addMinutes(AT, 10))).who?.name).toBe(cook.name)
    // Seen then: ten minutes more from there.
    expect((await session(addMinutes(AT, 20))).who?.name).toBe(cook.name)
    expect((await session(addMinutes(AT, 31))).who).toBeNull()
    expect((await session(addMinutes(AT, 32))).who).toBeNull()
  })
  it('that is lost is cut off', async () => {
    const { code: word, id: tabletId } = await newTablet(em(), KITCHEN_ID, 'Lost', AT)
    const id = await enrol(em(), { code: word, label: '', address: from() }, AT)
    await endTablet(em(), KITCHEN_ID, tabletId, AT)
    expect(await sessionOf(em(), id, AT)).toBeNull()
    expect(await code(endTablet(em(), KITCHEN_ID, tabletId, AT))).toBe('unknownTablet')
  })
})

describe('an invitation', () => {
  it('lets one in, once, within a week, in the role it names', async () => {
    const { token } = await invite(em(), KITCHEN_ID, { name: 'Rowan', role: 'cook' }, AT)
    expect(await code(invitationBy(em(), token, addDays(AT, 7)))).toBe('invitationOver')
    const who = { login: 'rowan', name: 'Rowan Pike', password: PASSWORD, address: from() }
    expect(await code(here(() => accept(em(), token, { ...who, login: OLIVE.login, password: 'not theirs at all' }, scrypt, AT))))
      .toBe('loginTaken')
    expect(await here(() => accept(em(), token, who, scrypt, AT))).toMatchObject({ role: 'cook', kitchenId: KITCHEN_ID })
    expect(await code(here(() => accept(em(), token, { ...who, login: 'again' }, scrypt, AT)))).toBe('invitationOver')
    expect((await here(() => listPeople(em(), KITCHEN_ID, ''))).find(p => p.login === 'rowan')).toMatchObject({ role: 'cook' })
  })
  it('taken back is over, and is no longer listed', async () => {
    const { token, id } = await invite(em(), KITCHEN_ID, { name: 'Nobody', role: 'chef' }, AT)
    expect((await listInvitations(em(), KITCHEN_ID, AT)).map(i => i.id)).toContain(id)
    await endInvitation(em(), KITCHEN_ID, id, AT)
    expect(await code(invitationBy(em(), token, AT))).toBe('invitationOver')
    expect((await listInvitations(em(), KITCHEN_ID, AT)).map(i => i.id)).not.toContain(id)
  })
})

describe('people', () => {
  const person = async (login: string) => {
    const { token } = await invite(em(), KITCHEN_ID, { name: login, role: 'owner' }, AT)
    const who = { login, name: login, password: PASSWORD, address: from() }
    const b = await here(() => accept(em(), token, who, scrypt, AT))
    return { ...b, personId: await signIn(login, PASSWORD) }
  }
  it('change their own password with the one they have, and are signed out everywhere else', async () => {
    const { membershipId, personId } = await person('hazel')
    const open = () => here(() => openSession(em(), AT, { kitchenId: KITCHEN_ID, membershipId, label: '' }))
    const [a, b] = await Promise.all([open(), open()])
    const { who } = (await sessionOf(em(), a, AT))!
    const change = (current: string) => changeMine(
      em(), who!, { current, password: 'a new long word', pin: '2468', name: 'Hazel B', address: from(), sessionId: a }, scrypt, AT)
    expect(await code(change('not it, surely'))).toBe('wrongWords')
    await here(() => change(PASSWORD))
    expect([await sessionOf(em(), b, AT), (await sessionOf(em(), a, AT))?.who?.name]).toEqual([null, 'Hazel B'])
    expect(await signIn('hazel', 'a new long word')).toBe(personId)
  })
  it('get back in by a recovery code, once, and by none that was renewed', async () => {
    const { membershipId } = await person('aspen')
    const id = await here(() => openSession(em(), AT, { kitchenId: KITCHEN_ID, membershipId, label: '' }))
    const { who } = (await sessionOf(em(), id, AT))!
    const codes = () => renewCodes(em(), who!, { current: PASSWORD, address: from() }, scrypt, AT)
    const [old, fresh] = [await codes(), await codes()]
    const use = (word: string) => code(recover(
      em(), { login: 'aspen', code: word, password: PASSWORD, address: from() }, scrypt, AT))
    expect(await use(old[0]!)).toBe('wrongWords')
    expect(await use(fresh[0]!.toLowerCase().replace('-', ' '))).toBe('taken')
    expect(await sessionOf(em(), id, AT)).toBeNull()
    expect(await use(fresh[0]!)).toBe('wrongWords')
    expect(await use(fresh[7]!)).toBe('taken')
  })
  it('an owner remains, also when two leave at once', async () => {
    const owners = (await here(() => listPeople(em(), KITCHEN_ID, ''))).filter(p => p.role === 'owner')
    const left = await Promise.all(owners.map(o => code(here(() => changeRole(em(), KITCHEN_ID, o.membershipId, 'chef')))))
    expect(left.filter(c => c === 'lastOwner')).toHaveLength(1)
    const [last] = (await here(() => listPeople(em(), KITCHEN_ID, ''))).filter(p => p.role === 'owner')
    expect(await code(here(() => leave(em(), KITCHEN_ID, last!.membershipId, { isForgotten: false, at: AT })))).toBe('lastOwner')
    expect(await code(here(() => changeRole(em(), KITCHEN_ID, KITCHEN_ID, 'chef')))).toBe('unknownPerson')
  })
  it('who leaves is out; who is forgotten has no name left anywhere, and the book keeps a former cook', async () => {
    const { membershipId, actorId, personId } = await person('linden')
    await here(() => changeRole(em(), KITCHEN_ID, membershipId, 'cook'))
    const id = await here(() => openSession(em(), AT, { kitchenId: KITCHEN_ID, membershipId, label: '' }))
    await here(() => leave(em(), KITCHEN_ID, membershipId, { isForgotten: true, at: AT }))
    expect(await sessionOf(em(), id, AT)).toBeNull()
    expect(await belongings(em(), personId)).toEqual([])
    const names = await here(() => em().execute('select name from actor where id = ?', [actorId]))
    expect(names).toEqual([{ name: FORMER }])
    expect(await em().execute('select 1 from person where login = \'linden\'')).toEqual([])
  })
})

describe('links and what was done', () => {
  it('a link is open for its days, until it is taken back', async () => {
    const { token, id } = await here(() => newLink(em(), KITCHEN_ID, { kind: 'day', target: '2026-11-28', days: 2 }, AT))
    expect(await linkBy(em(), token, addDays(AT, 1.9))).toEqual({ kind: 'day', target: '2026-11-28', kitchenId: KITCHEN_ID })
    expect(await code(linkBy(em(), token, addDays(AT, 2)))).toBe('linkOver')
    expect((await listLinks(em(), KITCHEN_ID, AT)).map(l => l.id)).toEqual([id])
    await endLink(em(), KITCHEN_ID, id, AT)
    expect(await code(linkBy(em(), token, AT))).toBe('linkOver')
  })
  it('what was done is listed, the newest first, by its cook’s name', async () => {
    const done = { kitchenId: KITCHEN_ID, actorId: DEMO_OWNER.actorId }
    await here(() => tell(em(), { ...done, at: AT, what: 'first' }))
    await here(() => tell(em(), { ...done, at: addSeconds(AT, 1), what: 'second', about: 'x' }))
    expect((await here(() => listAudit(em(), KITCHEN_ID))).slice(0, 2)).toEqual([
      { at: addSeconds(AT, 1).toISOString(), name: DEMO_OWNER.name, what: 'second', about: 'x' },
      { at: AT.toISOString(), name: DEMO_OWNER.name, what: 'first', about: null },
    ])
  })
})
