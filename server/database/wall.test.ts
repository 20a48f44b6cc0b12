/** The second wall: the application's own filter taken away, nothing of the neighbour is seen, changed or written. */
import { randomUUID } from 'node:crypto'
import type { EntityManager, MikroORM } from '@mikro-orm/postgresql'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { dropDatabase, openDatabase, testUrl, withDatabase } from '../../tests/support/database'
import { boot } from './boot'
import { entities } from './entities'
import { ACTOR_ID, KITCHEN_ID } from './demo'
import { APP_ROLE, enterKitchen, everyKitchen, forEveryKitchen, kitchenNow, WALLED, within } from './wall'

const AT = new Date('2026-11-28T08:00:00Z')
const NEIGHBOUR = { kitchenId: randomUUID(), actorId: randomUUID(), lotId: randomUUID() }
let name: string
let served: MikroORM
let owned: MikroORM
let closes: (() => Promise<void>)[] = []
const run = <T>(sql: string, params: unknown[] = []): Promise<T[]> =>
  (served.em.fork() as EntityManager).execute<T[]>(sql, params)

beforeAll(async () => {
  name = await withDatabase()
  await boot(testUrl(name), AT, true)
  const [a, b] = [await openDatabase(name, 'serve'), await openDatabase(name)]
  ;[served, owned, closes] = [a.orm, b.orm, [a.close, b.close]]
  const { kitchenId, actorId, lotId } = NEIGHBOUR
  const em = owned.em.fork() as EntityManager
  await em.execute(
    `insert into kitchen (id, actor_id, name, version, revision, settings, created_at, updated_at)
      select ?, ?, 'Next door', 1, 1, settings, created_at, updated_at from kitchen where id = ?`,
    [kitchenId, actorId, KITCHEN_ID])
  await em.execute('insert into actor (id, kitchen_id, name, created_at) values (?, ?, \'x\', ?)', [actorId, kitchenId, AT])
  await em.execute(
    `insert into lot (id, kitchen_id, actor_id, created_at, updated_at, name, ingredient_id, method, version)
      values (?, ?, ?, ?, ?, 'their lemons', 'lemon', '{}', 1)`,
    [lotId, kitchenId, actorId, AT, AT])
})
afterAll(async () => {
  for (const close of closes) await close()
  await dropDatabase(name)
})

describe('the wall between kitchens', () => {
  it('shows a kitchen its own rows alone, with no filter in the query', async () => {
    const names = (kitchenId: string) => within(kitchenId, () => run<{ name: string }>('select name from lot'))
    expect((await names(KITCHEN_ID)).map(r => r.name)).not.toContain('their lemons')
    expect((await names(KITCHEN_ID)).length).toBeGreaterThan(0)
    expect(await names(NEIGHBOUR.kitchenId)).toEqual([{ name: 'their lemons' }])
    expect(await within(NEIGHBOUR.kitchenId, () => run('select name from kitchen'))).toEqual([{ name: 'Next door' }])
  })
  it('shows nothing outside of any kitchen, nor in one that is none', async () => {
    for (const of of [null, randomUUID()])
      for (const table of ['kitchen', ...WALLED])
        expect(await within(of, () => run(`select 1 from "${table}" limit 1`)), table).toEqual([])
  })
  it('neither changes nor takes nor writes what is the neighbour’s', async () => {
    const mine = <T>(sql: string, params: unknown[] = []) => within(KITCHEN_ID, () => run<T>(sql, params))
    expect(await mine('update lot set name = \'mine\' where id = ? returning id', [NEIGHBOUR.lotId])).toEqual([])
    expect(await mine('delete from lot where id = ? returning id', [NEIGHBOUR.lotId])).toEqual([])
    await expect(mine(
      `insert into lot (id, kitchen_id, actor_id, created_at, updated_at, name, ingredient_id, method, version)
        values (?, ?, ?, ?, ?, 'smuggled', 'lemon', '{}', 1)`,
      [randomUUID(), NEIGHBOUR.kitchenId, ACTOR_ID, AT, AT])).rejects.toThrow(/row-level security/)
    await expect(mine('update lot set kitchen_id = ?', [NEIGHBOUR.kitchenId])).rejects.toThrow(/row-level security/)
  })
  it('stands on every table that has a kitchen, but those of people and doors', async () => {
    const rows = await run<{ table: string, walled: boolean }>(
      `select c.relname as table, c.relrowsecurity as walled from pg_class c join pg_attribute a on a.attrelid = c.oid
        where c.relkind = 'r' and a.attname = 'kitchen_id' and c.relnamespace = 'public'::regnamespace order by 1`)
    const open = rows.filter(r => !r.walled).map(r => r.table)
    expect(open).toEqual(['door_session', 'invitation', 'membership', 'shared_link', 'tablet'])
    expect(rows.filter(r => r.walled).map(r => r.table)).toEqual([...WALLED].sort())
    expect(entities.length).toBeGreaterThan(WALLED.length)
  })
  it('is of a role that owns nothing, bypasses nothing and cannot log in; it does not read what cookies are sealed with', async () => {
    const [role] = await run<Record<string, unknown>>(
      'select current_user::text as name, rolsuper, rolbypassrls, rolcanlogin from pg_roles where rolname = current_user')
    expect(role).toEqual({ name: APP_ROLE, rolsuper: false, rolbypassrls: false, rolcanlogin: false })
    const owns = `select 1 from pg_class where relowner = '${APP_ROLE}'::regrole limit 1`
    expect(await run(owns)).toEqual([])
    await expect(run('select value from server_secret')).rejects.toThrow(/permission denied/)
  })
  it('a list of what was done is only added to', async () => {
    const own = (sql: string, params: unknown[] = []) => within(KITCHEN_ID, () => run(sql, params))
    await own(
      'insert into audit (id, kitchen_id, created_at, what) values (?, ?, ?, \'x\')', [randomUUID(), KITCHEN_ID, AT])
    await expect(own('delete from audit')).rejects.toThrow(/permission denied/)
    await expect(own('update audit set what = \'y\'')).rejects.toThrow(/permission denied/)
    await expect((owned.em.fork() as EntityManager).execute('delete from audit')).rejects.toThrow(/never changed/)
  })
  it('goes with the work: connections change kitchens between queries, never within a transaction', async () => {
    const count = async (kitchenId: string) => within(kitchenId, async () => {
      await new Promise(resolve => setTimeout(resolve, Math.random() * 5))
      const [{ n }] = await run<{ n: number }>('select count(*)::int as n from kitchen') as [{ n: number }]
      const [{ id }] = await run<{ id: string }>('select id from kitchen') as [{ id: string }]
      return n === 1 && id === kitchenId
    })
    const all = await Promise.all(Array.from({ length: 60 }, (_, i) => count(i % 2 ? KITCHEN_ID : NEIGHBOUR.kitchenId)))
    expect(all.every(Boolean)).toBe(true)
    const em = served.em.fork() as EntityManager
    await within(KITCHEN_ID, () => em.transactional(async (tx) => {
      await tx.execute('update kitchen set name = name')
      throw new Error('rolled back')
    })).catch(() => {})
    expect(await within(NEIGHBOUR.kitchenId, () => run('select name from kitchen'))).toEqual([{ name: 'Next door' }])
    // Which kitchen was said within a transaction that is taken back is taken back, too.
    await within(KITCHEN_ID, async () => {
      await run('select 1')
      await (served.em.fork() as EntityManager).transactional(async (tx) => {
        enterKitchen(NEIGHBOUR.kitchenId)
        await tx.execute('select 1')
        throw new Error('rolled back')
      }).catch(() => {})
    })
    const seen = await Promise.all(Array.from({ length: 8 }, () =>
      within(NEIGHBOUR.kitchenId, () => run<{ name: string }>('select name from kitchen'))))
    expect(new Set(seen.flat().map(k => k.name))).toEqual(new Set(['Next door']))
  })
  it('work that goes round all kitchens is in one at a time', async () => {
    const em = () => Promise.resolve(served.em.fork() as EntityManager)
    expect((await everyKitchen(await em())).sort()).toEqual([KITCHEN_ID, NEIGHBOUR.kitchenId].sort())
    const been: (string | null)[] = []
    await forEveryKitchen(em, async () => void been.push(kitchenNow()))
    expect(been.sort()).toEqual([KITCHEN_ID, NEIGHBOUR.kitchenId].sort())
    expect(kitchenNow()).toBeNull()
  })
})
