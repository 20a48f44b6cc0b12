import { randomUUID } from 'node:crypto'
import type { EntityManager, MikroORM } from '@mikro-orm/postgresql'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase, testUrl, withDatabase, dropDatabase } from '../../tests/support/database'
import { inline } from '../../tests/support/server'
import { deleteFormula, listFormulas, renameFormula } from '../domain/formulas'
import { loadKitchen, loadOwner } from '../domain/kitchen'
import { refreshSummaries } from '../domain/summaries'
import { benchOf } from '#core/formula/bench'
import { FAMILIES } from '#core/formula/document'
import { isDatabaseAway } from './away'
import { boot, BootError } from './boot'
import { demoFormulas, FIRST_DEMO_ID, KITCHEN_ID, PLACES } from './demo'
import { FormulaEntity, FormulaVersionEntity, KitchenEntity, PlaceEntity } from './entities'
import { seed } from './seed'

const AT = new Date('2026-11-28T08:00:00Z')
const LATER = new Date('2026-11-28T09:00:00Z')
const FIRST_PAGE = { after: null, search: '', eggs: false }
let orm: MikroORM
let drop: () => Promise<void>
/** A fresh entity manager, as each request has. */
const fork = () => orm.em.fork() as EntityManager

beforeAll(async () => {
  ;({ orm, drop } = await openDatabase())
  await orm.getMigrator().up()
  await seed(fork(), AT, true)
})
afterAll(() => drop())

/**
 * What the entities would change: nothing but the foreign keys, which stand in the migrations only (entities hold
 * plain ids).
 */
async function differences(of: MikroORM) {
  const statements = (await of.getSchemaGenerator().getUpdateSchemaSQL({ wrap: false }))
    .split('\n')
    .filter(line => line.trim() !== '')
  const keys = statements.filter(line => /drop constraint "\w+_fkey";$/.test(line))
  return { keys: keys.length, rest: statements.filter(line => !keys.includes(line)) }
}

describe('migrations', () => {
  it('make just the tables the entities describe, and tie every row to its kitchen and actor', async () => {
    expect(await differences(orm)).toEqual({ keys: 64, rest: [] })
  })
  it('have nothing left to do, and can be taken back and done again', async () => {
    expect(await orm.getMigrator().getPendingMigrations()).toHaveLength(0)
    const other = await openDatabase()
    try {
      await other.orm.getMigrator().up()
      await other.orm.getMigrator().down()
      await other.orm.getMigrator().up()
      expect((await differences(other.orm)).rest).toEqual([])
    } finally {
      await other.drop()
    }
  })
  it('keep what an older database holds: order, variants, kept states', async () => {
    const other = await openDatabase()
    try {
      const run = (sql: string, params: unknown[] = []) =>
        other.orm.em.getConnection().execute<Record<string, unknown>[]>(sql, params)
      await other.orm.getMigrator().up({ to: 'Migration0003' })
      const [k, a] = [randomUUID(), randomUUID()]
      await run('insert into kitchen values (?, ?, \'Old\', 3, \'{}\', ?, ?)', [k, a, AT, AT])
      await run('insert into actor values (?, ?, \'x\', ?)', [a, k, AT])
      const [root, variant, v1, v2] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()]
      for (const [i, id] of [root, variant].entries()) {
        await run(
          `insert into formula (id, kitchen_id, actor_id, created_at, updated_at, name, document, schema_version, version, demo, position)
          values (?, ?, ?, ?, ?, ?, '{"school":"yolkBath"}', 5, 1, true, ?)`,
          [id, k, a, AT, AT, `f${i}`, i],
        )
      }
      const version = (id: string, formula: string, parent: string | null) =>
        run(
          'insert into formula_version (id, kitchen_id, actor_id, created_at, formula_id, parent_id, label, document, schema_version, engine_version) values (?, ?, ?, ?, ?, ?, \'\', \'{}\', 5, \'1\')',
          [id, k, a, AT, formula, parent],
        )
      await version(v1, root, null)
      await version(v2, variant, v1)
      await other.orm.getMigrator().up()
      const rows = await run(
        'select id, school, parent_formula_id, position, readable from formula order by position desc',
      )
      expect(rows).toEqual([
        { id: root, school: 'yolkBath', parent_formula_id: null, position: 1000, readable: true },
        { id: variant, school: 'yolkBath', parent_formula_id: root, position: 999, readable: true },
      ])
      expect(await run('select revision, version from kitchen')).toEqual([{ revision: 3, version: 3 }])
      // A kept state that is thinned out leaves what came after it; nothing else of a version ever changes.
      await run('delete from formula_version where id = ?', [v1])
      expect(await run('select parent_id from formula_version')).toEqual([{ parent_id: null }])
      await expect(run('update formula_version set label = \'changed\'')).rejects.toThrow(/never changed/)
    } finally {
      await other.drop()
    }
  })
})

describe('several that begin at once on one empty database', () => {
  it('make one kitchen, one set of tables, and all can serve', async () => {
    const name = await withDatabase()
    try {
      await Promise.all(Array.from({ length: 6 }, () => boot(testUrl(name), AT, true)))
      const other = await openDatabase(name)
      const em = () => other.orm.em.fork() as EntityManager
      expect([await em().count(KitchenEntity), await em().count(FormulaEntity)]).toEqual([1, demoFormulas().length])
      await other.close()
    } finally {
      await dropDatabase(name)
    }
  })
  it('without the demo too; its kitchen always has the same id', async () => {
    const name = await withDatabase()
    try {
      await Promise.all(Array.from({ length: 4 }, () => boot(testUrl(name), AT, false)))
      const other = await openDatabase(name)
      const em = other.orm.em.fork() as EntityManager
      const kitchen = await loadKitchen(em, await loadOwner(em))
      expect([kitchen.id, kitchen.places.length, await other.orm.em.fork().count(KitchenEntity)]).toEqual([
        KITCHEN_ID,
        1,
        1,
      ])
      await other.close()
    } finally {
      await dropDatabase(name)
    }
  })
  it('a database of a newer Lumbik is refused in words, and left as it is', async () => {
    const name = await withDatabase()
    try {
      await boot(testUrl(name), AT, false)
      const other = await openDatabase(name)
      await other.orm.em.getConnection().execute('insert into migrations (name) values (\'Migration0999\')')
      await expect(boot(testUrl(name), AT, false)).rejects.toThrow(/newer Lumbik \(it has Migration0999/)
      await other.close()
    } finally {
      await dropDatabase(name)
    }
  })
  it('what cannot work is told by what it is', async () => {
    const wrong = (change: (url: URL) => void) => {
      const url = new URL(testUrl('postgres'))
      change(url)
      return boot(url.toString(), AT, false)
    }
    await expect(
      wrong((u) => {
        u.password = 'wrong'
      }),
    ).rejects.toThrow(/User or password/)
    await expect(
      wrong((u) => {
        u.pathname = '/not_there'
      }),
    ).rejects.toThrow(/does not exist/)
    await expect(
      wrong((u) => {
        u.password = 'wrong'
      }),
    ).rejects.toBeInstanceOf(BootError)
  })
})

describe('a database that is away', () => {
  it('is told from a fault of ours', () => {
    for (const code of ['ECONNREFUSED', '57P01', '57P03', '08006', '53300', '57014', '40P01'])
      expect(isDatabaseAway({ code })).toBe(true)
    for (const message of [
      'Query read timeout',
      'Connection terminated unexpectedly',
      'timeout exceeded when trying to connect',
      'Transaction query already complete, run with DEBUG=knex:tx for more info',
    ])
      expect(isDatabaseAway(new Error('x', { cause: new Error(message) }))).toBe(true)
    for (const code of ['23505', '22P02', '42703', '42P01'])
      expect(isDatabaseAway({ code, message: 'insert into "formula" failed' })).toBe(false)
    expect(isDatabaseAway(new TypeError('x is not a function'))).toBe(false)
    expect(isDatabaseAway({ errors: [{ code: 'ECONNREFUSED' }] })).toBe(true)
  })
})

describe('the seed', () => {
  it('writes the tea room once, every row with its kitchen and actor', async () => {
    const em = fork()
    const formulas = await em.find(FormulaEntity, {})
    expect(formulas).toHaveLength(demoFormulas().length)
    for (const f of formulas) expect([f.kitchenId, typeof f.actorId]).toEqual([KITCHEN_ID, 'string'])
    expect(await em.count(FormulaVersionEntity)).toBe(formulas.length)
  })
  it('run again changes nothing: not a cook\'s edit, not a deletion', async () => {
    const { drop: dropOther, orm: other } = await openDatabase()
    try {
      const at = () => other.em.fork() as EntityManager
      await other.getMigrator().up()
      await seed(at(), AT, true)
      const who = await loadOwner(at())
      const [first, second] = demoFormulas()
      await renameFormula(at(), who, LATER, first!.id, 'Mine now')
      await deleteFormula(at(), who, LATER, second!.id)
      await seed(at(), LATER, true)
      await seed(at(), LATER, false)
      const names = (await listFormulas(at(), who, FIRST_PAGE)).items.map(f => f.name)
      expect(names[0]).toBe('Mine now')
      expect(names).not.toContain(second!.document.formula.name)
      expect(await at().count(KitchenEntity)).toBe(1)
    } finally {
      await dropOther()
    }
  })
  it('a formula that a later Lumbik brings is added beside what is there; a place taken out stays out', async () => {
    const { drop: dropOther, orm: other } = await openDatabase()
    try {
      const at = () => other.em.fork() as EntityManager
      await other.getMigrator().up()
      await seed(at(), AT, true)
      const newest = demoFormulas().at(-1)!.id
      // As if it had been written before the newest formula and its vessel were known.
      await at().nativeDelete(FormulaVersionEntity, { formulaId: newest })
      await at().nativeDelete(FormulaEntity, { id: newest })
      await at().nativeDelete(PlaceEntity, { id: PLACES[1]!.id })
      await seed(at(), LATER, true)
      expect((await listFormulas(at(), await loadOwner(at()), FIRST_PAGE)).items.map(f => f.id)).toContain(newest)
      expect((await loadKitchen(at(), await loadOwner(at()))).places).toHaveLength(PLACES.length - 1)
    } finally {
      await dropOther()
    }
  })
  it('the demo teaches: one sags, one is grainy, one cools too slowly, and some hold', async () => {
    const who = await loadOwner(fork())
    await refreshSummaries(
      fork(),
      demoFormulas().map(d => d.id),
      inline,
    )
    const list = (await listFormulas(fork(), who, FIRST_PAGE)).items
    const codes = list.map(f => f.summary!.code)
    for (const code of ['sagsOnTable', 'grainy', 'good']) expect(codes).toContain(code)
    expect(list.some(f => !f.summary!.safe)).toBe(true)
    // What a first start opens is the first of the shelf, and sags.
    expect([list[0]!.id, list[0]!.summary!.code]).toEqual([FIRST_DEMO_ID, 'sagsOnTable'])
    expect(list.map(f => f.id)).toEqual(demoFormulas().map(d => d.id))
    // Trouble first: what is not meant or not safe, then the rest, each by its last change; page by page the same.
    const trouble = { ...FIRST_PAGE, troubleFirst: true }
    const bad = (f: (typeof list)[number]) => f.summary!.code !== 'good' || !f.summary!.safe
    const sorted = (await listFormulas(fork(), who, trouble)).items
    expect(sorted.map(f => f.id)).toEqual([...list.filter(bad), ...list.filter(f => !bad(f))].map(f => f.id))
    const last = sorted.find(f => !bad(f))!
    const cursor = Buffer.from(JSON.stringify([2, '2999-01-01T00:00:00Z', 1, last.id])).toString('base64url')
    expect((await listFormulas(fork(), who, { ...trouble, after: cursor })).items.map(f => f.id))
      .toEqual(sorted.map(f => f.id))
    const fine = Buffer.from(JSON.stringify([1, '2999-01-01T00:00:00Z', 1, last.id])).toString('base64url')
    expect((await listFormulas(fork(), who, { ...trouble, after: fine })).items.every(f => !bad(f))).toBe(true)
    // One kind only, and nothing of another.
    const possets = (await listFormulas(fork(), who, { ...FIRST_PAGE, family: 'posset' })).items
    expect(possets.map(f => f.id)).toEqual(
      demoFormulas().filter(d => benchOf(d.document).family === 'posset').map(d => d.id))
    // Every kind of dessert is on the shelf.
    expect(new Set(demoFormulas().map(d => benchOf(d.document).family))).toEqual(new Set(FAMILIES))
  })
})
