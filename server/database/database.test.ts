import { randomUUID } from 'node:crypto'
import type { EntityManager, MikroORM } from '@mikro-orm/postgresql'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase } from '../../tests/support/database'
import { createFormulaRow, findFormula, findVersion, listFormulas, listVersions, nameVersion, recordOf, renameFormula, saveFormula, setDeleted, type Owner } from '../utils/formulas'
import { loadKitchen, removeLot, saveLot, updateKitchen } from '../utils/kitchens'
import { FAMILIES } from '#core/formula/document'
import { demoFormulas, KITCHEN_ID, LOTS, PLACES } from './demo'
import { FormulaEntity, FormulaVersionEntity, KitchenEntity, PlaceEntity } from './entities'
import { seed } from './seed'
import { ENGINE_VERSION } from '#core/assessment'
import { SCHEMA_VERSION, type FormulaDocument } from '#core/formula/document'

const AT = new Date('2026-11-28T08:00:00Z')
const LATER = new Date('2026-11-28T09:00:00Z')
let orm: MikroORM
let drop: () => Promise<void>
/** A fresh entity manager, as each request has. */
const fork = () => orm.em.fork() as EntityManager
const owner = (): Promise<Owner> => loadKitchen(fork())

beforeAll(async () => {
  ({ orm, drop } = await openDatabase())
  await orm.getMigrator().up()
  await seed(fork(), AT, true)
})
afterAll(() => drop())

/** What the entities would change: nothing but the foreign keys, which stand in the migrations only (entities hold plain ids). */
async function differences(of: MikroORM) {
  const statements = (await of.getSchemaGenerator().getUpdateSchemaSQL({ wrap: false })).split('\n').filter(line => line.trim() !== '')
  const keys = statements.filter(line => /drop constraint "\w+_fkey";$/.test(line))
  return { keys: keys.length, rest: statements.filter(line => !keys.includes(line)) }
}

describe('migrations', () => {
  it('make just the tables the entities describe, and tie every row to its kitchen and actor', async () => {
    expect(await differences(orm)).toEqual({ keys: 14, rest: [] })
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
      const who = await loadKitchen(at())
      const [first, second] = demoFormulas()
      await renameFormula(at(), who, LATER, first!.id, 'Mine now')
      await setDeleted(at(), who, second!.id, LATER)
      await seed(at(), LATER, true)
      await seed(at(), LATER, false)
      expect((await at().findOneOrFail(FormulaEntity, { id: first!.id })).name).toBe('Mine now')
      const names = (await listFormulas(at(), who)).map(f => f.name)
      expect(names).toContain('Mine now')
      expect(names).not.toContain(second!.document.name)
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
      await other.em.getConnection().execute('alter table formula_version disable trigger all')
      await at().nativeDelete(FormulaVersionEntity, { formulaId: newest })
      await at().nativeDelete(FormulaEntity, { id: newest })
      await at().nativeDelete(PlaceEntity, { id: PLACES[1]!.id })
      await seed(at(), LATER, true)
      expect((await listFormulas(at(), await loadKitchen(at()))).map(f => f.id)).toContain(newest)
      expect((await loadKitchen(at())).places).toHaveLength(PLACES.length - 1)
    } finally {
      await dropOther()
    }
  })
  it('without the demo there is an empty kitchen with a fridge', async () => {
    const { drop: dropOther, orm: other } = await openDatabase()
    try {
      await other.getMigrator().up()
      await seed(other.em.fork() as EntityManager, AT, false)
      const kitchen = await loadKitchen(other.em.fork() as EntityManager)
      expect(kitchen.places).toHaveLength(1)
      expect(await listFormulas(other.em.fork() as EntityManager, kitchen)).toEqual([])
    } finally {
      await dropOther()
    }
  })
  it('the demo teaches: one sags, one is grainy, one cools too slowly, and some hold', async () => {
    const list = await listFormulas(fork(), await owner())
    const codes = list.map(f => f.summary!.code)
    expect(codes).toContain('sagsOnTable')
    expect(codes).toContain('grainy')
    expect(codes).toContain('good')
    expect(list.some(f => !f.summary!.safe)).toBe(true)
    expect(demoFormulas().map(d => d.id)[0]).toBe(list.find(f => f.summary!.code === 'sagsOnTable')!.id)
    // Every kind of dessert is on the shelf.
    expect(new Set(demoFormulas().map(d => d.document.family))).toEqual(new Set(FAMILIES))
  })
})

describe('formulas', () => {
  const fresh = async (name: string) => {
    const document: FormulaDocument = { ...demoFormulas()[1]!.document, name }
    return createFormulaRow(fork(), await owner(), AT, { id: randomUUID(), mutationId: randomUUID(), document })
  }
  it('a save raises the version and keeps the result with its engine', async () => {
    const made = await fresh('a')
    const outcome = await saveFormula(fork(), await owner(), LATER, made.id, { mutationId: randomUUID(), baseVersion: 1, document: { ...made.document, note: 'n' } })
    expect(outcome).toMatchObject({ kind: 'saved', record: { version: 2, document: { note: 'n' } } })
    const row = await fork().findOneOrFail(FormulaEntity, { id: made.id })
    expect([row.schemaVersion, row.resultEngine]).toEqual([SCHEMA_VERSION, ENGINE_VERSION])
    expect(row.result!.code).toBe('good')
  })
  it('the same write sent twice counts once', async () => {
    const made = await fresh('b')
    const write = { mutationId: randomUUID(), baseVersion: 1, document: { ...made.document, note: 'once' } }
    await saveFormula(fork(), await owner(), LATER, made.id, write)
    expect(await saveFormula(fork(), await owner(), LATER, made.id, write)).toMatchObject({ kind: 'saved', record: { version: 2 } })
    const again = { id: made.id, mutationId: randomUUID(), document: { ...made.document, name: 'other' } }
    expect((await createFormulaRow(fork(), await owner(), LATER, again)).version).toBe(2)
  })
  it('a save from an older state is a conflict, and writes nothing', async () => {
    const made = await fresh('c')
    await saveFormula(fork(), await owner(), LATER, made.id, { mutationId: randomUUID(), baseVersion: 1, document: { ...made.document, note: 'first' } })
    const late = await saveFormula(fork(), await owner(), LATER, made.id, { mutationId: randomUUID(), baseVersion: 1, document: { ...made.document, note: 'second' } })
    expect(late).toMatchObject({ kind: 'conflict', record: { version: 2, document: { note: 'first' } } })
  })
  it('of two saves at once one wins and one is told', async () => {
    const made = await fresh('d')
    const who = await owner()
    const both = await Promise.all(['x', 'y'].map(note => saveFormula(fork(), who, LATER, made.id, { mutationId: randomUUID(), baseVersion: 1, document: { ...made.document, note } })))
    expect(both.map(o => o.kind).sort()).toEqual(['conflict', 'saved'])
  })
  it('deletion can be undone, and what is deleted cannot be saved', async () => {
    const made = await fresh('e')
    const who = await owner()
    expect(await setDeleted(fork(), who, made.id, LATER)).toBe(true)
    expect(await findFormula(fork(), who, made.id)).toBeNull()
    expect((await saveFormula(fork(), who, LATER, made.id, { mutationId: randomUUID(), baseVersion: 1, document: made.document })).kind).toBe('gone')
    await setDeleted(fork(), who, made.id, null)
    expect((await findFormula(fork(), who, made.id))!.version).toBe(1)
    expect(await setDeleted(fork(), who, randomUUID(), LATER)).toBe(false)
  })
  it('versions are immutable in the database itself, and a variant knows its parent', async () => {
    const made = await fresh('f')
    const variant = await createFormulaRow(fork(), await owner(), LATER, { id: randomUUID(), mutationId: randomUUID(), document: { ...made.document, name: 'f, variant' }, label: 'variant', parentFormulaId: made.id })
    const [parent] = await fork().find(FormulaVersionEntity, { formulaId: made.id })
    const [child] = await fork().find(FormulaVersionEntity, { formulaId: variant.id })
    expect([child!.label, child!.parentId]).toEqual(['variant', parent!.id])
    await expect(fork().nativeUpdate(FormulaVersionEntity, { id: parent!.id }, { label: 'changed' })).rejects.toThrow(/never changed/)
  })
  it('a stored document of an older schema is migrated when it is read', async () => {
    const made = await fresh('g')
    const { use, heat: { holdS, ...heat }, ...rest } = made.document
    const old = { ...rest, version: 1, use: use.kind, pieceHeightM: use.pieceHeightM, pieceWidthM: use.pieceWidthM, tableTempC: use.tableTempC, tableTimeS: use.tableTimeS, heat: { ...heat, holdMin: holdS / 60 } }
    await fork().nativeUpdate(FormulaEntity, { id: made.id }, { document: old as never, schemaVersion: 1 })
    const row = (await findFormula(fork(), await owner(), made.id))!
    expect(recordOf(row).document).toEqual(made.document)
  })
  it('every save is kept, each after the one before; a name is a state of its own', async () => {
    const made = await fresh('kept')
    for (const [i, note] of ['one', 'two'].entries()) await saveFormula(fork(), await owner(), new Date(LATER.getTime() + i), made.id, { mutationId: randomUUID(), baseVersion: i + 1, document: { ...made.document, note } })
    const named = (await nameVersion(fork(), await owner(), new Date(LATER.getTime() + 5), made.id, 'Saturday'))!
    const list = await listVersions(fork(), await owner(), made.id)
    expect(list.items.map(v => v.label)).toEqual(['Saturday', '', '', 'as first written'])
    expect(list.more).toBe(false)
    const rows = await fork().find(FormulaVersionEntity, { formulaId: made.id }, { orderBy: { createdAt: 'desc' } })
    expect(rows.map(r => r.parentId)).toEqual([...rows.slice(1).map(r => r.id), null])
    expect((await findVersion(fork(), await owner(), named.id))!.document.note).toBe('two')
    expect((await findVersion(fork(), await owner(), list.items.at(-2)!.id))!.document.note).toBe('one')
    expect(await findVersion(fork(), { ...(await owner()), id: randomUUID() }, named.id)).toBeNull()
    expect(await nameVersion(fork(), await owner(), LATER, randomUUID(), 'nothing')).toBeNull()
  })
  it('a variant and what it came from know each other', async () => {
    const made = await fresh('root')
    const variant = await createFormulaRow(fork(), await owner(), LATER, { id: randomUUID(), mutationId: randomUUID(), document: { ...made.document, name: 'root, variant' }, label: 'variant', parentFormulaId: made.id })
    expect((await listVersions(fork(), await owner(), made.id)).variants).toEqual([{ id: variant.id, name: 'root, variant' }])
    expect((await listVersions(fork(), await owner(), variant.id)).origin).toEqual({ id: made.id, name: 'root' })
  })
  it('the shelf says which eggs a formula takes', async () => {
    const items = await listFormulas(fork(), await owner())
    const curd = items.find(i => i.id === demoFormulas()[0]!.id)!
    expect(curd.eggs).toEqual({ wholeG: 0, yolkG: 173, whiteG: 0 })
  })
  it('one kitchen does not see another\'s', async () => {
    const made = await fresh('h')
    const stranger = { ...(await owner()), id: randomUUID() }
    expect(await findFormula(fork(), stranger, made.id)).toBeNull()
    expect(await setDeleted(fork(), stranger, made.id, LATER)).toBe(false)
  })
})

describe('the kitchen', () => {
  it('keeps settings and places, in order, and tells a stale writer', async () => {
    const before = await owner()
    const id = randomUUID()
    const update = { version: before.version, name: 'Potting shed', settings: { ...before.settings, altitudeM: 900 }, places: [{ id, name: 'Cellar', kind: 'walkIn' as const, airTempC: 6 }, ...before.places.slice(1)], vessels: before.vessels, ovens: before.ovens, burners: before.burners, pans: before.pans }
    const after = (await updateKitchen(fork(), LATER, update))!
    expect(after.version).toBe(before.version + 1)
    expect(after.settings.altitudeM).toBe(900)
    expect(after.places.map(p => p.name)).toEqual(['Cellar', ...before.places.slice(1).map(p => p.name)])
    expect(await updateKitchen(fork(), LATER, update)).toBeNull()
  })
  it('keeps tins, ovens, burners and pans: changed, new and gone, each list in its order', async () => {
    const before = await owner()
    expect([before.ovens.length, before.burners.length, before.pans.length]).toEqual([1, 2, 3])
    const dome = { id: randomUUID(), name: 'Dome', kind: 'mould' as const, material: 'silicone' as const, lengthM: 0.06, widthM: 0.06, heightM: 0.035, taper: 0.5, heldM3: 6e-5 }
    const update = {
      version: before.version, name: before.name, settings: before.settings, places: before.places, vessels: [dome, ...before.vessels.slice(2)], ovens: [], burners: before.burners.toReversed(),
      pans: before.pans.map((p, i) => i === 1 ? { ...p, tareG: 940 } : p),
    }
    const after = (await updateKitchen(fork(), LATER, update))!
    expect(after).toMatchObject({ vessels: update.vessels, ovens: [], burners: update.burners, pans: update.pans })
    expect(await owner()).toMatchObject({ vessels: update.vessels, ovens: [], burners: update.burners, pans: update.pans })
  })
  it('settings of an earlier version have a currency and no prices', async () => {
    const em = fork()
    const row = await em.findOneOrFail(KitchenEntity, { id: KITCHEN_ID })
    const { currency: _c, prices: _p, ...old } = row.settings
    await fork().nativeUpdate(KitchenEntity, { id: KITCHEN_ID }, { settings: old as never })
    expect((await owner()).settings).toMatchObject({ currency: '£', prices: {} })
    await fork().nativeUpdate(KitchenEntity, { id: KITCHEN_ID }, { settings: row.settings })
  })
  it('a lot is worked out from its card, raises the kitchen\'s version, and can be put away and brought back', async () => {
    const before = await owner()
    const lot = { ...LOTS[0]!, id: randomUUID(), name: 'North crate', acidPercent: 99, acidLnSigma: null, method: { kind: 'titration' as const, sampleG: 1.5, mlNaOH: 12.1, molarity: 0.1, endPH: 8.2 } }
    const after = await saveLot(fork(), LATER, lot)
    expect(after.version).toBe(before.version + 1)
    const kept = after.lots.find(l => l.id === lot.id)!
    // 12.1 × .1 × 6.404 / 1.5, whatever the writer said it was.
    expect(kept.acidPercent).toBeCloseTo(5.166, 3)
    expect(kept.acidLnSigma).toBe(0.03)
    expect((await removeLot(fork(), LATER, lot.id))!.lots.some(l => l.id === lot.id)).toBe(false)
    expect(await removeLot(fork(), LATER, lot.id)).toBeNull()
    expect((await saveLot(fork(), LATER, kept)).lots.find(l => l.id === lot.id)).toEqual(kept)
    await expect(saveLot(fork(), LATER, { ...lot, method: { ...lot.method, sampleG: 0 } })).rejects.toThrow(/method.sampleG/)
  })
  it('a change of it makes the shelf\'s results anew', async () => {
    const id = demoFormulas()[0]!.id
    const who = await owner()
    await listFormulas(fork(), who)
    const seen = await fork().findOneOrFail(FormulaEntity, { id })
    expect(seen.resultKitchenVersion).toBe(who.version)
  })
})
