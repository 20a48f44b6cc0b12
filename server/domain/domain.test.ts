import { randomUUID } from 'node:crypto'
import type { EntityManager, MikroORM } from '@mikro-orm/postgresql'
import { addDays, subDays, subMinutes } from 'date-fns'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase } from '../../tests/support/database'
import { inline } from '../../tests/support/server'
import { ENGINE_VERSION, RESULT_ENGINE } from '#core/pipeline/assessment'
import older from '#core/checks/older.json'
import { type FormulaDocument, SCHEMA_VERSION } from '#core/formula/document'
import { demoFormulas, LOTS } from '../database/demo'
import {
  EquipmentEntity,
  FormulaEntity,
  FormulaVersionEntity,
  OccasionEntity,
  KitchenEntity,
  MutationEntity,
} from '../database/entities'
import { seed } from '../database/seed'
import { coreKitchen, kitchenDocument, type KitchenDocument } from '../../shared/kitchen'
import { PAGE_SIZE } from '../../shared/schemas/wire'
import { emptyBin, listBin, revive } from './bin'
import { createFormulaRow, deleteFormula, listFormulas, loadFormula, renameFormula, saveFormula } from './formulas'
import { tidy } from './housekeeping'
import { knownKitchen, loadKitchen, loadOwner, saveKitchen, type Owner } from './kitchen'
import { removeLot, saveLot } from './lots'
import { Refusal } from './refusal'
import { refreshSummaries, type Summarise } from './summaries'
import { listVersions, loadVersion, nameVersion, thinVersions } from './versions'

const AT = new Date('2026-11-28T08:00:00Z')
const LATER = new Date('2026-11-28T09:00:00Z')
const FIRST_PAGE = { after: null, search: '', eggs: false }
let orm: MikroORM
let drop: () => Promise<void>
/** A fresh entity manager, as each request has. */
const fork = () => orm.em.fork() as EntityManager
const owner = (): Promise<Owner> => loadOwner(fork())
const refusal = (kind: string, code: string) => expect.objectContaining({ kind, code })

beforeAll(async () => {
  ;({ orm, drop } = await openDatabase())
  await orm.getMigrator().up()
  await seed(fork(), AT, true)
})
afterAll(() => drop())

const plain = demoFormulas()[1]!.document
/** The plain formula with something else said of it. */
const said = (over: Partial<FormulaDocument>) => ({ ...plain, formula: { ...plain.formula, ...over } })
const fresh = async (name: string, at = AT) =>
  createFormulaRow(fork(), await owner(), at, {
    id: randomUUID(),
    mutationId: randomUUID(),
    document: said({ name }),
  })
const save = async (id: string, baseVersion: number, note: string, at = LATER, mutationId = randomUUID()) =>
  saveFormula(fork(), await owner(), at, id, { mutationId, baseVersion, document: said({ note }) })
const load = async (id: string) => loadFormula(fork(), await owner(), id)

describe('formulas', () => {
  it('a save raises the version; what the shelf shows of it follows, and says so until then', async () => {
    const made = await fresh('a')
    expect(await save(made.id, 1, 'n')).toMatchObject({ version: 2, updatedAt: LATER.toISOString() })
    const item = async () =>
      (await listFormulas(fork(), await owner(), FIRST_PAGE)).items.find(i => i.id === made.id)!
    expect(await item()).toMatchObject({ summary: null, stale: true, version: 2 })
    expect(await refreshSummaries(fork(), [made.id], inline)).toEqual([made.id])
    expect(await item()).toMatchObject({ summary: { code: 'good' }, stale: false })
    const row = await fork().findOneOrFail(FormulaEntity, { id: made.id })
    expect([row.schemaVersion, row.resultEngine, row.resultVersion, row.document.note]).toEqual([
      SCHEMA_VERSION,
      RESULT_ENGINE,
      2,
      'n',
    ])
    // Asked again, there is nothing to do.
    expect(await refreshSummaries(fork(), [made.id], inline)).toEqual([])
  })
  it('a result never replaces that of a newer save: worked out of the older state, it is not written', async () => {
    const made = await fresh('race')
    const overtaken: Summarise = async (job) => {
      await save(made.id, 1, 'newer')
      return inline(job)
    }
    expect(await refreshSummaries(fork(), [made.id], overtaken)).toEqual([])
    expect((await fork().findOneOrFail(FormulaEntity, { id: made.id })).resultVersion).toBeNull()
    expect(await refreshSummaries(fork(), [made.id], inline)).toEqual([made.id])
  })
  it('one that cannot be read says so and takes nothing else down', async () => {
    const [bad, good] = [await fresh('bad'), await fresh('good')]
    await fork().nativeUpdate(FormulaEntity, { id: bad.id }, { document: { format: 'nonsense' } as never })
    await refreshSummaries(fork(), [bad.id, good.id], inline)
    const { items } = await listFormulas(fork(), await owner(), FIRST_PAGE)
    expect(items.find(i => i.id === bad.id)).toMatchObject({
      readable: false,
      stale: false,
      summary: null,
      name: 'bad',
    })
    expect(items.find(i => i.id === good.id)).toMatchObject({ readable: true, summary: { code: 'good' } })
    await expect(load(bad.id)).rejects.toEqual(refusal('invalid', 'unreadable'))
  })
  it('the same write sent twice counts once, also long after', async () => {
    const made = await fresh('b')
    const [first, second] = [randomUUID(), randomUUID()]
    await save(made.id, 1, 'one', LATER, first)
    expect(await save(made.id, 1, 'one', LATER, first)).toMatchObject({ version: 2 })
    await save(made.id, 2, 'two', LATER, second)
    // The first once more, after the second: it was taken, and something newer stands there.
    await expect(save(made.id, 1, 'one', LATER, first)).rejects.toMatchObject({
      kind: 'conflict',
      extra: { taken: true, current: { version: 3, document: { formula: { note: 'two' } } } },
    })
    expect((await load(made.id)).document.formula.note).toBe('two')
    const again = { id: made.id, mutationId: randomUUID(), document: said({ name: 'other' }) }
    expect((await createFormulaRow(fork(), await owner(), LATER, again)).version).toBe(3)
    // One id for two writes is refused.
    const other = await fresh('b2')
    await expect(save(other.id, 1, 'x', LATER, first)).rejects.toMatchObject({ kind: 'invalid', path: 'mutationId' })
  })
  it('a save from an older state is a conflict, told how it stands, and writes nothing', async () => {
    const made = await fresh('c')
    await save(made.id, 1, 'first')
    await expect(save(made.id, 1, 'second')).rejects.toMatchObject({
      kind: 'conflict',
      path: 'baseVersion',
      extra: { taken: false, current: { version: 2, document: { formula: { note: 'first' } } } },
    })
    expect((await load(made.id)).document.formula.note).toBe('first')
  })
  it('of two saves at once one wins and one is told; of two creates at once there is one', async () => {
    const made = await fresh('d')
    const both = await Promise.allSettled(['x', 'y'].map(note => save(made.id, 1, note)))
    expect(both.map(o => o.status).sort()).toEqual(['fulfilled', 'rejected'])
    const id = randomUUID()
    const twice = await Promise.all(
      [1, 2, 3].map(async () =>
        createFormulaRow(fork(), await owner(), AT, { id, mutationId: randomUUID(), document: plain }),
      ),
    )
    expect(twice.map(r => r.version)).toEqual([1, 1, 1])
    expect(await fork().count(FormulaVersionEntity, { formulaId: id })).toBe(1)
  })
  it('deleted, it is in the bin with its versions and comes back; what is in the bin cannot be saved or made anew', async () => {
    const made = await fresh('e')
    await save(made.id, 1, 'kept')
    const who = await owner()
    await deleteFormula(fork(), who, LATER, made.id)
    await deleteFormula(fork(), who, LATER, made.id)
    await expect(load(made.id)).rejects.toEqual(refusal('deleted', 'deletedFormula'))
    await expect(save(made.id, 2, 'late')).rejects.toEqual(refusal('deleted', 'deletedFormula'))
    await expect(renameFormula(fork(), who, LATER, made.id, 'x')).rejects.toEqual(
      refusal('deleted', 'deletedFormula'),
    )
    await expect(
      createFormulaRow(fork(), who, LATER, { id: made.id, mutationId: randomUUID(), document: plain }),
    ).rejects.toEqual(refusal('deleted', 'deletedFormula'))
    expect(await listBin(fork(), who, LATER)).toContainEqual(
      expect.objectContaining({
        kind: 'formula',
        id: made.id,
        name: plain.formula.name,
        until: addDays(LATER, 30).toISOString(),
      }),
    )
    await revive(fork(), who, 'formula', made.id)
    await revive(fork(), who, 'formula', made.id)
    expect((await load(made.id)).document.formula.note).toBe('kept')
    expect((await listVersions(fork(), who, made.id, null)).items).toHaveLength(2)
    for (const work of [
      () => deleteFormula(fork(), who, LATER, randomUUID()),
      () => revive(fork(), who, 'formula', randomUUID()),
      () => load(randomUUID()),
      () => save(randomUUID(), 1, 'x'),
    ])
      await expect(work()).rejects.toMatchObject({ kind: 'unknown' })
  })
  it('a stored document of an older schema is migrated when it is read', async () => {
    const made = await fresh('g')
    for (const { version, document } of older.files) {
      await fork().nativeDelete(OccasionEntity, { formulaId: made.id })
      await fork().nativeUpdate(FormulaEntity, { id: made.id }, { document: document as never, schemaVersion: version })
      const { formula, occasion } = (await load(made.id)).document
      expect([formula.version, formula.name]).toEqual([SCHEMA_VERSION, document.name])
      expect(occasion.startAt).toBe(document.serve.startAt)
    }
    expect(await refreshSummaries(fork(), [made.id], inline)).toEqual([made.id])
  })
  it('one kitchen does not see another\'s', async () => {
    const made = await fresh('h')
    const stranger = { ...(await owner()), id: randomUUID() }
    await expect(loadFormula(fork(), stranger, made.id)).rejects.toMatchObject({ kind: 'unknown' })
    await expect(deleteFormula(fork(), stranger, LATER, made.id)).rejects.toMatchObject({ kind: 'unknown' })
    await expect(
      createFormulaRow(fork(), stranger, AT, { id: made.id, mutationId: randomUUID(), document: plain }),
    ).rejects.toEqual(refusal('invalid', 'sameId'))
    expect((await listFormulas(fork(), stranger, FIRST_PAGE)).items).toEqual([])
  })
  it('a parent that is not there is refused by its field', async () => {
    await expect(
      createFormulaRow(fork(), await owner(), AT, {
        id: randomUUID(),
        mutationId: randomUUID(),
        document: plain,
        parentFormulaId: randomUUID(),
      }),
    ).rejects.toMatchObject({ path: 'parentFormulaId' })
  })
})

describe('the shelf, page by page', () => {
  it('every formula comes once, newest first, whatever is saved meanwhile; found by any part of its name', async () => {
    const names = Array.from({ length: PAGE_SIZE + 20 }, (_, i) => `Paged ${String(i).padStart(3, '0')}`)
    for (const [i, name] of names.entries()) await fresh(name, new Date(AT.getTime() + 1000 * (i % 7)))
    const who = await owner()
    const page = (after: string | null) => listFormulas(fork(), who, { after, search: 'paGED', eggs: false })
    const first = await page(null)
    expect([first.items.length, first.total]).toEqual([PAGE_SIZE, names.length])
    const rest = await page(first.next)
    expect([rest.items.length, rest.next, rest.total]).toEqual([20, null, null])
    const all = [...first.items, ...rest.items]
    expect(new Set(all.map(i => i.id)).size).toBe(names.length)
    expect(all.map(i => i.updatedAt)).toEqual(
      all
        .map(i => i.updatedAt)
        .sort()
        .reverse(),
    )
  })
  it('signs that mean something to a search mean themselves', async () => {
    await fresh('100 % lime_curd')
    const found = async (search: string) =>
      (await listFormulas(fork(), await owner(), { after: null, search, eggs: false })).items.map(i => i.name)
    expect(await found('% lime_')).toEqual(['100 % lime_curd'])
    expect(await found('%%')).toEqual([])
    expect(await found('\\')).toEqual([])
    expect(await found('\'; drop table formula; --')).toEqual([])
  })
  it('a place in the order that nobody gave out is refused', async () => {
    for (const after of [
      'x',
      'e30',
      Buffer.from('[1,2,3]').toString('base64url'),
      Buffer.from('["2026-11-28","1; drop","x"]').toString('base64url'),
    ]) {
      await expect(listFormulas(fork(), await owner(), { after, search: '', eggs: false })).rejects.toMatchObject({
        kind: 'invalid',
        path: 'after',
      })
    }
  })
  it('says which eggs a formula takes', async () => {
    const { items } = await listFormulas(fork(), await owner(), {
      after: null,
      search: demoFormulas()[0]!.document.formula.name,
      eggs: true,
    })
    expect(items[0]!.eggs).toEqual({ wholeG: 0, yolkG: 173, whiteG: 0 })
  })
})

describe('versions', () => {
  it('every save is kept, each after the one before; a name is a state of its own', async () => {
    const made = await fresh('kept')
    for (const [i, note] of ['one', 'two'].entries()) await save(made.id, i + 1, note, new Date(LATER.getTime() + i))
    const named = await nameVersion(fork(), await owner(), new Date(LATER.getTime() + 5), made.id, 'Saturday')
    const list = await listVersions(fork(), await owner(), made.id, null)
    expect(list.items.map(v => v.label)).toEqual(['Saturday', '', '', 'as first written'])
    expect(list.next).toBeNull()
    const rows = await fork().find(FormulaVersionEntity, { formulaId: made.id }, { orderBy: { createdAt: 'desc' } })
    expect(rows.map(r => r.parentId)).toEqual([...rows.slice(1).map(r => r.id), null])
    expect((await loadVersion(fork(), await owner(), named.id)).document.formula.note).toBe('two')
    await expect(loadVersion(fork(), { ...(await owner()), id: randomUUID() }, named.id)).rejects.toMatchObject({
      kind: 'unknown',
    })
    await expect(nameVersion(fork(), await owner(), LATER, randomUUID(), 'nothing')).rejects.toMatchObject({
      kind: 'unknown',
    })
  })
  it('a state says what changed since the one before it', async () => {
    const made = await fresh('said')
    const { formula, occasion } = said({ name: 'said' })
    const line = formula.components[0]!.lines.find(l => l.massG > 100)!
    const heavier = { ...line, massG: line.massG + 40 }
    const components = formula.components.map((c, i) =>
      i > 0 ? c : { ...c, lines: c.lines.map(l => (l.id === line.id ? heavier : l)) })
    await saveFormula(fork(), await owner(), new Date(LATER.getTime() + 1), made.id, {
      mutationId: randomUUID(), baseVersion: 1, document: { formula: { ...formula, components }, occasion },
    })
    const [newest, first] = (await listVersions(fork(), await owner(), made.id, null)).items
    expect(newest!.changes).toEqual([
      expect.objectContaining({ kind: 'line', ingredientId: line.ingredientId, from: line.massG, to: line.massG + 40 }),
    ])
    // The first of them has none before it.
    expect(first!.changes).toBeUndefined()
  })
  it('a variant and what it came from know each other', async () => {
    const made = await fresh('root')
    const variant = await createFormulaRow(fork(), await owner(), LATER, {
      id: randomUUID(),
      mutationId: randomUUID(),
      document: said({ name: 'root, variant' }),
      label: 'variant',
      parentFormulaId: made.id,
    })
    expect((await listVersions(fork(), await owner(), made.id, null)).variants).toEqual([
      { id: variant.id, name: 'root, variant' },
    ])
    expect((await listVersions(fork(), await owner(), variant.id, null)).origin).toEqual({
      id: made.id,
      name: 'root',
    })
  })
  const many = async (name: string, times: Date[], label = '') => {
    const made = await fresh(name)
    const who = await owner()
    const em = fork()
    for (const createdAt of times)
      em.create(FormulaVersionEntity, {
        id: randomUUID(),
        kitchenId: who.id,
        actorId: who.actorId,
        createdAt,
        formulaId: made.id,
        parentId: null,
        label,
        document: plain.formula,
        occasion: plain.occasion,
        schemaVersion: SCHEMA_VERSION,
        engineVersion: ENGINE_VERSION,
      })
    await em.flush()
    return made.id
  }
  it('are listed a page at a time, named ones with the first', async () => {
    const id = await many(
      'long',
      Array.from({ length: 130 }, (_, i) => subMinutes(AT, 5 * i + 5)),
    )
    await fork().insert(FormulaVersionEntity, {
      id: randomUUID(),
      kitchenId: (await owner()).id,
      actorId: (await owner()).actorId,
      createdAt: subDays(AT, 300),
      formulaId: id,
      parentId: null,
      label: 'The very old one',
      document: plain.formula,
      occasion: null,
      schemaVersion: SCHEMA_VERSION,
      engineVersion: '1',
    })
    const seen: string[] = []
    let after: string | null = null
    let pages = 0
    do {
      const list = await listVersions(fork(), await owner(), id, after)
      if (pages++ === 0) expect(list.items.map(v => v.label)).toContain('The very old one')
      seen.push(...list.items.map(v => v.id))
      after = list.next
    } while (after)
    expect([new Set(seen).size, pages]).toEqual([132, 3])
    await expect(listVersions(fork(), await owner(), id, 'x_y')).rejects.toMatchObject({ path: 'after' })
  })
  it('are thinned: all of today, the last of each hour of a week, then the last of each day; named ones stay', async () => {
    const now = new Date(2026, 10, 28, 12, 0)
    const today = Array.from({ length: 10 }, (_, i) => new Date(2026, 10, 28, 9, i))
    const hours = [9, 10].flatMap(h => Array.from({ length: 6 }, (_, i) => new Date(2026, 10, 27, h, 5 + i)))
    const days = [10, 11].flatMap(d => Array.from({ length: 6 }, (_, i) => new Date(2026, 10, d, 8 + i, 0)))
    const id = await many('thin', [...today, ...hours, ...days])
    const em = fork()
    for (const label of ['Easter', 'Whitsun'])
      await nameVersion(em, await owner(), new Date(2026, 10, 10, 7), id, label)
    expect(await thinVersions(fork(), id, now)).toBe(hours.length - 2 + days.length - 2)
    const left = (
      await fork().find(FormulaVersionEntity, { formulaId: id, label: '' }, { orderBy: { createdAt: 'asc' } })
    ).map(v => v.createdAt.getTime())
    const expected = [
      new Date(2026, 10, 10, 13),
      new Date(2026, 10, 11, 13),
      new Date(2026, 10, 27, 9, 10),
      new Date(2026, 10, 27, 10, 10),
      ...today,
    ].map(d => d.getTime())
    expect(left).toEqual(expected)
    expect(await fork().count(FormulaVersionEntity, { formulaId: id, label: { $ne: '' } })).toBe(3)
    expect(await thinVersions(fork(), id, now)).toBe(0)
  })
})

describe('the kitchen', () => {
  const put = async (document: KitchenDocument, version: number, mutationId = randomUUID()) =>
    saveKitchen(fork(), await owner(), LATER, { mutationId, version, document })
  const whole = async () => {
    const k = await loadKitchen(fork(), await owner())
    return { version: k.version, document: kitchenDocument(k), revision: k.revision }
  }
  it('keeps settings and lists in their order; a stale writer is told how it stands; the same write counts once', async () => {
    const { version, document, revision } = await whole()
    const id = randomUUID()
    const mutation = randomUUID()
    const next = {
      ...document,
      name: 'Potting shed',
      settings: { ...document.settings, altitudeM: 900 },
      places: [{ id, name: 'Cellar', kind: 'walkIn' as const, airTempC: 6 }, ...document.places.slice(1)],
    }
    const after = await put(next, version, mutation)
    expect(kitchenDocument(after)).toEqual(next)
    expect([after.version, after.revision, 'actorId' in after]).toEqual([version + 1, revision + 1, false])
    expect((await put(next, version, mutation)).version).toBe(version + 1)
    await expect(put(document, version)).rejects.toMatchObject({
      kind: 'conflict',
      extra: { taken: false, current: { name: 'Potting shed', version: version + 1 } },
    })
  })
  it('keeps tins, ovens, burners and pans: changed, new, and gone into the bin', async () => {
    const { version, document } = await whole()
    const dome = {
      id: randomUUID(),
      name: 'Dome',
      kind: 'mould' as const,
      material: 'silicone' as const,
      lengthM: 0.06,
      widthM: 0.06,
      heightM: 0.035,
      taper: 0.5,
      heldM3: 6e-5,
    }
    const next = {
      ...document,
      vessels: [dome, ...document.vessels.slice(2)],
      ovens: [],
      burners: document.burners.toReversed(),
      pans: document.pans.map((p, i) => (i === 1 ? { ...p, tareG: 940 } : p)),
    }
    expect(kitchenDocument(await put(next, version))).toEqual(next)
    const gone = document.vessels[0]!
    const oven = document.ovens[0]!
    const bin = await listBin(fork(), await owner(), LATER)
    for (const [kind, { id, name }] of [
      ['vessel', gone],
      ['oven', oven],
    ] as const)
      expect(bin).toContainEqual(expect.objectContaining({ kind, id, name }))
    const before = await whole()
    await revive(fork(), await owner(), 'oven', oven.id)
    const after = await whole()
    expect([after.document.ovens, after.version, after.revision]).toEqual([
      [oven],
      before.version + 1,
      before.revision + 1,
    ])
    // Listed again, it is back too; an oven is no pan.
    expect(
      (await put({ ...after.document, vessels: [...after.document.vessels, gone] }, after.version)).vessels.map(
        v => v.id,
      ),
    ).toContain(gone.id)
    await expect(revive(fork(), await owner(), 'pan', oven.id)).rejects.toMatchObject({ kind: 'unknown' })
  })
  it('an id given twice, or to two things, is refused by its place in the list', async () => {
    const { version, document } = await whole()
    const [place] = document.places
    await expect(put({ ...document, places: [...document.places, place!] }, version)).rejects.toMatchObject({
      kind: 'invalid',
      code: 'sameId',
      path: `places.${document.places.length}.id`,
    })
    await expect(
      put({ ...document, ovens: [{ id: document.pans[0]!.id, name: 'x', fan: false, offsetK: 0 }] }, version),
    ).rejects.toMatchObject({ path: 'ovens.0.id' })
    expect((await whole()).version).toBe(version)
    // In the very same write the pan is still a pan.
    expect(await fork().findOneOrFail(EquipmentEntity, { id: document.pans[0]!.id })).toMatchObject({ kind: 'pan' })
  })
  it('settings of an earlier version have a currency and no prices', async () => {
    const row = await fork().findOneOrFail(KitchenEntity, { id: (await owner()).id })
    const { currency: _c, prices: _p, ...old } = row.settings
    await fork().nativeUpdate(KitchenEntity, { id: row.id }, { settings: old as never })
    expect((await loadKitchen(fork(), await owner())).settings).toMatchObject({ currency: '£', prices: {} })
    await fork().nativeUpdate(KitchenEntity, { id: row.id }, { settings: row.settings })
  })
  it('what is known of it is read again after any change of it, by whomever', async () => {
    const first = await knownKitchen(fork(), await owner())
    expect(await knownKitchen(fork(), await owner())).toBe(first)
    await removeLot(fork(), await owner(), LATER, first.lots[0]!.id)
    expect((await knownKitchen(fork(), await owner())).lots).toHaveLength(first.lots.length - 1)
    await revive(fork(), await owner(), 'lot', first.lots[0]!.id)
    expect(coreKitchen(await knownKitchen(fork(), await owner())).lots).toHaveLength(first.lots.length)
  })
  it('a change of it makes what the shelf shows stale, not slow', async () => {
    const made = await fresh('stale')
    await refreshSummaries(fork(), [made.id], inline)
    const item = async () =>
      (await listFormulas(fork(), await owner(), { after: null, search: 'stale', eggs: false })).items[0]!
    expect((await item()).stale).toBe(false)
    const { version, document } = await whole()
    await put({ ...document, settings: { ...document.settings, roomTempC: 25 } }, version)
    expect(await item()).toMatchObject({ stale: true, summary: { code: 'good' } })
    expect(await refreshSummaries(fork(), [made.id], inline)).toEqual([made.id])
    expect((await item()).stale).toBe(false)
  })
})

describe('lots', () => {
  const card = { kind: 'titration' as const, sampleG: 1.5, mlNaOH: 12.1, molarity: 0.1, endPH: 8.2 }
  const write = async (lot: object, baseVersion: number, over: { mutationId?: string } = {}) =>
    saveLot(fork(), await owner(), LATER, {
      mutationId: over.mutationId ?? randomUUID(),
      baseVersion,
      lot: lot as (typeof LOTS)[number],
    })
  it('are worked out from their card, have versions of their own, and never overwrite one another silently', async () => {
    const before = await loadKitchen(fork(), await owner())
    const lot = {
      ...LOTS[0]!,
      id: randomUUID(),
      name: 'North crate',
      acidPercent: 99,
      acidLnSigma: null,
      method: card,
    }
    const mutationId = randomUUID()
    const made = await write(lot, 0, { mutationId })
    // 12.1 × .1 × 6.404 / 1.5, whatever the writer said it was.
    expect(made.acidPercent).toBeCloseTo(5.166, 3)
    expect([made.version, made.acidLnSigma]).toEqual([1, 0.03])
    expect((await write(lot, 0, { mutationId })).version).toBe(1)
    const after = await loadKitchen(fork(), await owner())
    // The kitchen's own version is not touched: whoever edits a tin has no conflict with a lot.
    expect([after.version, after.revision]).toEqual([before.version, before.revision + 1])
    expect((await write({ ...lot, massG: 500 }, 1)).version).toBe(2)
    await expect(write({ ...lot, massG: 700 }, 1)).rejects.toMatchObject({
      kind: 'conflict',
      extra: { current: { massG: 500, version: 2 } },
    })
    await expect(write({ ...lot, method: { ...card, sampleG: 0 } }, 2)).rejects.toThrow(/method.sampleG/)
  })
  it('put away, one takes no writes until it is brought back with what it was', async () => {
    const made = await write({ ...LOTS[1]!, id: randomUUID(), name: 'South crate' }, 0)
    const { version, ...lot } = made
    await removeLot(fork(), await owner(), LATER, lot.id)
    await expect(removeLot(fork(), await owner(), LATER, lot.id)).rejects.toMatchObject({ kind: 'unknown' })
    await expect(write({ ...lot, massG: 3 }, version)).rejects.toEqual(refusal('deleted', 'deletedLot'))
    expect(await listBin(fork(), await owner(), LATER)).toContainEqual(
      expect.objectContaining({ kind: 'lot', name: 'South crate' }),
    )
    await revive(fork(), await owner(), 'lot', lot.id)
    expect(await write({ ...lot, massG: 3 }, version)).toMatchObject({ massG: 3, version: 2 })
  })
})

describe('what grows old', () => {
  it('leaves the bin after 30 days, not before; a write is forgotten then too', async () => {
    const [stays, goes] = [await fresh('stays'), await fresh('goes')]
    const who = await owner()
    const now = addDays(AT, 40)
    await deleteFormula(fork(), who, subDays(now, 29), stays.id)
    await deleteFormula(fork(), who, subDays(now, 31), goes.id)
    const lot = (await loadKitchen(fork(), await owner())).lots.at(-1)!
    await removeLot(fork(), await owner(), subDays(now, 31), lot.id)
    expect(await fork().count(MutationEntity)).toBeGreaterThan(0)
    await tidy(fork(), now)
    expect(await fork().count(FormulaEntity, { id: { $in: [stays.id, goes.id] } })).toBe(1)
    expect(await fork().count(FormulaVersionEntity, { formulaId: goes.id })).toBe(0)
    await revive(fork(), who, 'formula', stays.id)
    await expect(revive(fork(), who, 'lot', lot.id)).rejects.toMatchObject({ kind: 'unknown' })
    // What was written 30 days and more ago nobody sends again.
    expect(await fork().count(MutationEntity, { createdAt: { $lt: subDays(now, 30) } })).toBe(0)
    expect(await emptyBin(fork(), now)).toBe(0)
  })
})

it('a refusal says what, where and why', () => {
  const no = new Refusal('invalid', 'ovens.0.id', 'sameId')
  expect([no.message, no.name, no instanceof Error]).toEqual(['ovens.0.id: sameId', 'Refusal', true])
})
