/** Notes of what was changed: each is read once and none is passed over, whatever commits when. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { addSeconds } from 'date-fns'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { soon } from '../../tests/support/patient'
import { openServed, type Served } from '../../tests/support/served'
import { KITCHEN_ID, LOTS } from '../database/demo'
import { within } from '../database/wall'
import { GONE_S } from '../../shared/live'
import { onChange, startListening } from './listen'
import { type Cursor, cursorOf, forgetNotes, lastCursor, notesAfter, othersAt, sayHere, textOf } from './notes'

const AT = new Date('2026-11-28T08:00:00Z')
let db: Served
const em = () => db.em()
const here = <T>(work: () => Promise<T>) => db.here(work)
const LOT = LOTS[0]!.id
/**
 * A note is read once no older transaction is open, of any database the cluster has: other tests' are waited for, as a
 * page asks again.
 */
const begin = () => soon(async () => {
  const start = await lastCursor(em())
  expect(await notesAfter(em(), start)).toMatchObject({ notes: [], more: false })
  return start
})
const readAll = (start: Cursor) => soon(async () => {
  const news = await notesAfter(em(), start)
  expect(news.more).toBe(false)
  return news
})
const write = (tx: EntityManager) => tx.execute('update lot set version = version + 1 where id = ?', [LOT])

beforeAll(async () => {
  db = await openServed(AT)
})
afterAll(() => db.drop())

describe('notes', () => {
  it('are read once, in order, each target as it last was; a write that was taken back leaves none', async () => {
    await here(async () => {
      const start = await begin()
      await write(em())
      await write(em())
      await em().transactional(async (tx) => {
        await write(tx)
        throw new Error('taken back')
      }).catch(() => {})
      await em().execute('update kitchen set version = version + 1')
      const { notes, cursor } = await readAll(start)
      expect(notes).toEqual([
        { kind: 'lot', target: LOT, version: 3 }, { kind: 'kitchen', target: KITCHEN_ID, version: 2 },
      ])
      expect(await notesAfter(em(), cursor)).toEqual({ notes: [], cursor, more: false })
      expect(cursorOf(textOf(cursor))).toEqual(cursor)
    })
  })
  it('of a write that commits late are not passed over by one that came after it', async () => {
    await here(async () => {
      const start = await begin()
      let commit = () => {}
      let written = () => {}
      const [mayCommit, isWritten] = [
        new Promise<void>((resolve) => { commit = resolve }), new Promise<void>((resolve) => { written = resolve }),
      ]
      const held = em().transactional(async (tx) => {
        await write(tx)
        written()
        await mayCommit
      })
      await isWritten
      await em().execute('update kitchen set version = version + 1')
      const early = await notesAfter(em(), start)
      expect([early.notes, early.more, early.cursor]).toEqual([[], true, start])
      commit()
      await held
      expect((await readAll(start)).notes.map(n => n.kind)).toEqual(['lot', 'kitchen'])
    })
  })
  it('of a neighbour are not heard; a cursor that is none is none; old ones are forgotten', async () => {
    await here(async () => {
      const start = await begin()
      await write(em())
      const other = '11111111-1111-4111-8111-111111111111'
      expect((await within(other, () => notesAfter(em(), start))).notes).toEqual([])
      for (const text of [undefined, '', '5', 'a-b', '1-2-3', '9'.repeat(30)]) expect(cursorOf(text)).toBeNull()
      await forgetNotes(em(), addSeconds(new Date(), 23 * 3600))
      expect((await readAll(start)).notes).toHaveLength(1)
      await forgetNotes(em(), addSeconds(new Date(), 25 * 3600))
      expect((await readAll(start)).notes).toEqual([])
    })
  })
  it('wake whoever listens, and again after the connection was cut', async () => {
    let woken = 0
    let wake: () => void = () => {}
    const off = onChange(KITCHEN_ID, () => {
      woken++
      wake()
    })
    const next = () => new Promise<void>((resolve) => { wake = resolve })
    const first = next()
    const stop = startListening(db.url)
    // Begun to listen is heard of, too: what came before is read then.
    await first
    const second = next()
    await here(() => write(em()))
    await second
    const third = next()
    await db.owner().execute(
      `select pg_terminate_backend(pid) from pg_stat_activity
        where application_name = 'lumbik listens' and datname = current_database()`)
    await third
    const fourth = next()
    await here(() => write(em()))
    await fourth
    expect(woken).toBeGreaterThanOrEqual(4)
    off()
    await stop()
  })
})

describe('who is where', () => {
  const [a, b] = ['22222222-2222-4222-8222-222222222222', '33333333-3333-4333-8333-333333333333']
  it('is heard by others at the same place, until somebody leaves or is not heard of', async () => {
    await here(async () => {
      const say = (id: string, name: string, place: string, at = AT) =>
        sayHere(em(), KITCHEN_ID, { id, name, place }, at)
      // As long as places are: of a formula's id.
      const there = `formula:${LOT}`
      const others = (at = AT) => othersAt(em(), there, a, at)
      await say(a, 'Isolde', there)
      await say(b, 'Bram', there)
      expect(await others()).toEqual(['Bram'])
      expect([await others(addSeconds(AT, GONE_S - 1)), await others(addSeconds(AT, GONE_S))]).toEqual([['Bram'], []])
      await say(b, 'Bram', 'formula:y', addSeconds(AT, 1))
      expect(await others(addSeconds(AT, 1))).toEqual([])
    })
  })
})
