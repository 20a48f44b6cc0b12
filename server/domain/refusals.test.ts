/** Every no of the domain: its kind, its field and its code; lists in their order; one kitchen apart from another. */
import { randomUUID } from 'node:crypto'
import type { EntityManager, MikroORM } from '@mikro-orm/postgresql'
import { addDays, addMinutes, subDays } from 'date-fns'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase } from '../../tests/support/database'
import { SCHEMA_VERSION } from '#core/formula/document'
import { demoFormulas, LOTS } from '../database/demo'
import { FormulaEntity, FormulaVersionEntity, KitchenEntity, LotEntity, MutationEntity, PlaceEntity } from '../database/entities'
import { seed } from '../database/seed'
import { kitchenDocument, type KitchenDocument } from '../../shared/kitchen'
import { PAGE_SIZE } from '../../shared/schemas/wire'
import { emptyBin, listBin, revive } from './bin'
import { eggsOf } from './eggs'
import { createFormulaRow, deleteFormula, isStale, listFormulas, loadFormula, renameFormula, saveFormula } from './formulas'
import { tidy } from './housekeeping'
import { loadKitchen, loadOwner, type Owner, saveKitchen } from './kitchen'
import { removeLot, saveLot } from './lots'
import { forgetBefore, remember, takenBefore } from './mutations'
import { usualOccasion } from './occasions'
import { readStored } from './stored'
import { usesOf } from './uses'
import { listVersions, loadVersion, nameVersion } from './versions'

const AT = new Date('2026-11-28T08:00:00Z')
let orm: MikroORM
let drop: () => Promise<void>
const fork = () => orm.em.fork() as EntityManager
const owner = () => loadOwner(fork())
beforeAll(async () => {
  ;({ orm, drop } = await openDatabase())
  await orm.getMigrator().up()
  await seed(fork(), AT, true)
})
afterAll(() => drop())

const plain = demoFormulas()[1]!.document
const fresh = async (name: string, at = AT, over: { parentFormulaId?: string } = {}) =>
  createFormulaRow(fork(), await owner(), at, {
    id: randomUUID(), mutationId: randomUUID(), document: { ...plain, formula: { ...plain.formula, name } }, ...over,
  })
const save = async (id: string, baseVersion: number, mutationId: string = randomUUID(), document: object = plain) =>
  saveFormula(fork(), await owner(), AT, id, { mutationId, baseVersion, document } as Parameters<typeof saveFormula>[4])
const keepKitchen = (me: Owner, mutationId: string, version: number, document: KitchenDocument) =>
  saveKitchen(fork(), me, AT, { mutationId, version, document } as Parameters<typeof saveKitchen>[3])
const page = (after: string | null) => ({ after, search: '', eggs: false })
const NOBODY = randomUUID()
const kept = { ...LOTS[0]!, id: randomUUID(), name: 'Crate by the door', method: { kind: 'entered' as const } }
const lot = (over: object = {}) => ({ mutationId: randomUUID(), baseVersion: 0, lot: { ...kept, ...over } })

describe('every refusal names its kind, its field and why', () => {
  const unknown = ['unknown', 'id', 'unknownFormula']
  const cases: [string, string[], () => Promise<unknown>][] = [
    ['load', unknown, async () => loadFormula(fork(), await owner(), NOBODY)],
    ['save', unknown, () => save(NOBODY, 1)],
    ['rename', unknown, async () => renameFormula(fork(), await owner(), AT, NOBODY, 'x')],
    ['delete', unknown, async () => deleteFormula(fork(), await owner(), AT, NOBODY)],
    ['versions', unknown, async () => listVersions(fork(), await owner(), NOBODY, null)],
    ['name a version', unknown, async () => nameVersion(fork(), await owner(), AT, NOBODY, 'x')],
    ['version', ['unknown', 'id', 'unknownVersion'], async () => loadVersion(fork(), await owner(), NOBODY)],
    ['bin', ['unknown', 'id', 'notInTheBin'], async () => revive(fork(), await owner(), 'lot', NOBODY)],
    ['lot', ['unknown', 'id', 'unknownLot'], async () => removeLot(fork(), await owner(), AT, NOBODY)],
    ['parent', ['invalid', 'parentFormulaId', 'unknownFormula'], () => fresh('x', AT, { parentFormulaId: NOBODY })],
    ...['x', '1', `1~${NOBODY}~`, `["${'9'.repeat(60)}","${NOBODY}"]`, '[5e9,1]'].map(after =>
      [`cursor ${after}`, ['invalid', 'after', 'unknownValue'], async () => listFormulas(fork(), await owner(), page(after))] as
      [string, string[], () => Promise<unknown>]),
    ['cursor of versions', ['invalid', 'after', 'unknownValue'], async () => listVersions(fork(), await owner(), (await fresh('v')).id, `x1.${NOBODY}`)],
    ['cursor without an id', ['invalid', 'after', 'unknownValue'], async () => listVersions(fork(), await owner(), (await fresh('v')).id, '1700000000000.x')],
  ]
  it.each(cases)('%s', async (_, [kind, path, code], work) => {
    await expect(work()).rejects.toMatchObject({ kind, path, code })
  })
  it('what lies in the bin', async () => {
    const { id } = await fresh('gone')
    await deleteFormula(fork(), await owner(), AT, id)
    const no = { kind: 'deleted', path: 'id', code: 'deletedFormula' }
    for (const work of [() => save(id, 1), async () => loadFormula(fork(), await owner(), id),
      async () => renameFormula(fork(), await owner(), AT, id, 'x'),
      async () => createFormulaRow(fork(), await owner(), AT, { id, mutationId: randomUUID(), document: plain })])
      await expect(work()).rejects.toMatchObject(no)
  })
  it('a conflict says how it stands, and whether this very write was taken', async () => {
    const { id } = await fresh('twice')
    const first = randomUUID()
    await save(id, 1, first)
    await save(id, 2)
    const conflict = { kind: 'conflict', path: 'baseVersion', code: 'changedElsewhere' }
    await expect(save(id, 1)).rejects.toMatchObject({ ...conflict, extra: { current: { version: 3 }, taken: false } })
    await expect(save(id, 1, first)).rejects.toMatchObject({ ...conflict, extra: { taken: true } })
    const other = await fresh('other')
    await expect(save(other.id, 1, first)).rejects.toMatchObject({ kind: 'invalid', path: 'mutationId', code: 'sameId' })
  })
  it('a lot: conflict, bin, another kitchen', async () => {
    const me = await owner()
    const revision = (await loadKitchen(fork(), me)).revision
    const first = lot()
    expect((await saveLot(fork(), me, AT, first)).version).toBe(1)
    expect((await saveLot(fork(), me, AT, first)).version).toBe(1)
    expect((await saveLot(fork(), me, AT, { ...lot({ name: 'Moved' }), baseVersion: 1 })).name).toBe('Moved')
    const no = { kind: 'conflict', path: 'baseVersion', code: 'changedElsewhere' }
    await expect(saveLot(fork(), me, AT, { ...lot(), baseVersion: 1 })).rejects.toMatchObject({
      ...no, extra: { current: { name: 'Moved', version: 2 }, taken: false },
    })
    await expect(saveLot(fork(), me, AT, first)).rejects.toMatchObject({ ...no, extra: { taken: true } })
    expect((await loadKitchen(fork(), me)).revision).toBe(revision + 2)
    await removeLot(fork(), me, AT, kept.id)
    expect((await loadKitchen(fork(), me)).revision).toBe(revision + 3)
    await expect(saveLot(fork(), me, AT, { ...lot(), baseVersion: 2 })).rejects.toMatchObject({
      kind: 'deleted', path: 'lot.id', code: 'deletedLot', extra: { current: { id: kept.id } },
    })
  })
  it('a kitchen changed elsewhere', async () => {
    const me = await owner()
    const now = await loadKitchen(fork(), me)
    const mutationId = randomUUID()
    const put = (version: number, m: string) =>
      keepKitchen(me, m, version, kitchenDocument(now))
    const saved = await put(now.version, mutationId)
    await put(saved.version, randomUUID())
    const no = { kind: 'conflict', path: 'version', code: 'changedElsewhere' }
    await expect(put(now.version, randomUUID())).rejects.toMatchObject({ ...no, extra: { taken: false } })
    await expect(put(now.version, mutationId)).rejects.toMatchObject({ ...no, extra: { taken: true } })
  })
})

describe('lists in their order', () => {
  it('the shelf page by page, by search whatever its signs, and only what takes eggs', async () => {
    const me = await owner()
    const { total } = await listFormulas(fork(), me, page(null))
    for (let i = total!; i < PAGE_SIZE; i++) await fresh(`filler ${i}`, addMinutes(AT, i))
    expect((await listFormulas(fork(), me, page(null))).next).toBeNull()
    await fresh('  100 % lime_  ', addMinutes(AT, 500))
    const first = await listFormulas(fork(), me, page(null))
    expect(first.items).toHaveLength(PAGE_SIZE)
    const second = await listFormulas(fork(), me, page(first.next))
    expect(second.items).toHaveLength(1)
    expect(first.items.map(i => i.id)).not.toContain(second.items[0]!.id)
    const found = await listFormulas(fork(), me, { after: null, search: ' 100 % lime_ ', eggs: false })
    expect(found.items.map(i => i.name.trim())).toEqual(['100 % lime_'])
    expect((await listFormulas(fork(), me, { after: null, search: '1%0', eggs: false })).items).toEqual([])
    const eggs = await listFormulas(fork(), me, { after: null, search: '', eggs: true })
    expect(eggs.items.length).toBeLessThanOrEqual(first.items.length)
  })
  it('the bin, the last deleted first, of every kind', async () => {
    const me = await owner()
    const [a, b] = [await fresh('early'), await fresh('late')]
    await deleteFormula(fork(), me, addMinutes(AT, 1), a.id)
    await deleteFormula(fork(), me, addMinutes(AT, 3), b.id)
    const other = { ...kept, id: randomUUID(), name: 'between' }
    await saveLot(fork(), me, AT, { mutationId: randomUUID(), baseVersion: 0, lot: other })
    await removeLot(fork(), me, addMinutes(AT, 2), other.id)
    const bin = (await listBin(fork(), me, addMinutes(AT, 4))).map(x => x.id)
    const at = [b.id, other.id, a.id].map(id => bin.indexOf(id))
    expect(at.every(i => i >= 0)).toBe(true)
    expect(at).toEqual([...at].sort((x, y) => x - y))
    const before = await loadKitchen(fork(), me)
    await revive(fork(), me, 'lot', other.id)
    await revive(fork(), me, 'lot', other.id)
    const after = await loadKitchen(fork(), me)
    expect([after.version, after.revision]).toEqual([before.version, before.revision + 1])
    await revive(fork(), me, 'formula', a.id)
    expect((await loadKitchen(fork(), me)).revision).toBe(after.revision)
  })
  it('places and vessels as the cook ordered them; what was taken out comes back and counts as a change', async () => {
    const me = await owner()
    const now = await loadKitchen(fork(), me)
    const document = kitchenDocument(now)
    const places = [...document.places].reverse()
    const put = (d: typeof document, version: number) =>
      keepKitchen(me, randomUUID(), version, d)
    const turned = await put({ ...document, places }, now.version)
    expect((await loadKitchen(fork(), me)).places.map(p => p.id)).toEqual(places.map(p => p.id))
    const fewer = await put({ ...document, places: places.slice(1) }, turned.version)
    expect((await listBin(fork(), me, AT)).map(x => x.id)).toContain(places[0]!.id)
    await revive(fork(), me, 'place', places[0]!.id)
    const back = await loadKitchen(fork(), me)
    expect([back.places.length, back.version]).toEqual([places.length, fewer.version + 1])
  })
  it('versions: named ones with the first page, the newest first, and where a variant came from', async () => {
    const me = await owner()
    const made = await fresh('source')
    await nameVersion(fork(), me, AT, made.id, 'as for the fair')
    const child = await fresh('child', addMinutes(AT, 1), { parentFormulaId: made.id })
    const versions = await listVersions(fork(), me, made.id, null)
    expect(versions.items.filter(v => v.label === 'as for the fair')).toHaveLength(1)
    expect(versions.variants.map(v => v.id)).toEqual([child.id])
    const of = await listVersions(fork(), me, child.id, null)
    expect(of.origin).toMatchObject({ id: made.id, name: 'source' })
    const kept0 = await loadVersion(fork(), me, versions.items[0]!.id)
    expect(kept0).toMatchObject({ formulaName: 'source', document: { formula: { name: 'source' } } })
    const stranger = { ...me, id: NOBODY }
    await expect(loadVersion(fork(), stranger, versions.items[0]!.id)).rejects.toMatchObject({ kind: 'unknown' })
  })
})

describe('what a thing of the kitchen is used in', () => {
  it('formulas that name it anywhere, counted; none in the bin, none of another kitchen, none for what nobody uses', async () => {
    const me = await owner()
    const id = randomUUID()
    const { assembly } = plain.formula
    const withIt = async (name: string) => createFormulaRow(fork(), me, AT, {
      id: randomUUID(), mutationId: randomUUID(),
      document: { ...plain, formula: { ...plain.formula, name, assembly: { ...assembly, vesselId: id } } },
    })
    expect(await usesOf(fork(), me, id)).toEqual({ count: 0, formulas: [] })
    const made = []
    for (let i = 0; i < 6; i++) made.push(await withIt(`in the tin ${i}`))
    const used = await usesOf(fork(), me, id)
    expect(used.count).toBe(6)
    expect(used.formulas).toHaveLength(5)
    expect(used.formulas.every(f => f.name.startsWith('in the tin'))).toBe(true)
    await deleteFormula(fork(), me, AT, made[0]!.id)
    expect((await usesOf(fork(), me, id)).count).toBe(5)
    expect((await usesOf(fork(), { ...me, id: NOBODY }, id)).count).toBe(0)
  })
})

describe('kept states', () => {
  it('page by page, the newest first; an older named one comes with the first page', async () => {
    const me = await owner()
    const made = await fresh('paged')
    const em = fork()
    const row = await em.findOneOrFail(FormulaVersionEntity, { formulaId: made.id })
    const { document, occasion, schemaVersion, engineVersion, kitchenId, actorId } = row
    await em.nativeDelete(FormulaVersionEntity, { formulaId: made.id })
    // Two of one moment, the oldest named.
    const times = Array.from({ length: 70 }, (_, i) => addMinutes(AT, i === 69 ? 68 : i))
    const ids = times.map(() => randomUUID())
    times.forEach((createdAt, i) => em.create(FormulaVersionEntity, {
      id: ids[i]!, formulaId: made.id, kitchenId, actorId, label: i === 0 ? 'the first' : '', createdAt, document, occasion, schemaVersion,
      engineVersion,
    }))
    await em.flush()
    const first = await listVersions(fork(), me, made.id, null)
    expect(first.items).toHaveLength(61)
    expect(first.items.at(-1)).toMatchObject({ id: ids[0], label: 'the first', formulaName: 'paged' })
    const moments = first.items.map(v => new Date(v.createdAt).getTime())
    expect(moments).toEqual([...moments].sort((a, b) => b - a))
    expect(first.items.slice(0, 2).map(v => v.id)).toEqual([ids[68]!, ids[69]!].sort().reverse())
    const rest = await listVersions(fork(), me, made.id, first.next)
    expect(rest.items).toHaveLength(10)
    expect(rest.next).toBeNull()
    expect(new Set([...first.items, ...rest.items].map(v => v.id)).size).toBe(70)
  })
  it.each(['', 'x', `${AT.getTime()}`, `x${AT.getTime()}_${NOBODY}`, `${AT.getTime()}x_${NOBODY}`, `${AT.getTime()}_no`, `_${NOBODY}`])(
    'a place that is none: %s', async (after) => {
      const made = await fresh('cursor')
      const asked = listVersions(fork(), await owner(), made.id, after || 'none')
      await expect(asked).rejects.toMatchObject({ kind: 'invalid', path: 'after', code: 'unknownValue' })
    })
  it('a document that no version wrote is refused; a whole one is read as it is', () => {
    const { formula } = plain
    const row = (document: unknown, schemaVersion = SCHEMA_VERSION) =>
      ({ document, schemaVersion } as Parameters<typeof readStored>[0])
    expect(readStored(row(formula), null).formula).toBe(formula)
    const broken = [null, {}, { ...formula, components: {} }, { ...formula, components: [null] },
      { ...formula, components: [{ id: 'a' }] }, { ...formula, assembly: undefined }, { ...formula, assembly: { layers: 1 } }]
    for (const document of broken)
      for (const version of [SCHEMA_VERSION, 1])
        expect(() => readStored(row(document, version), null)).toThrow(
          expect.objectContaining({ kind: 'invalid', path: 'document', code: 'unreadable' }))
  })
})

describe('small rules', () => {
  it('stale: another state of formula, kitchen or engine', async () => {
    const me = await owner()
    const { id } = await fresh('stale')
    const row = await fork().findOneOrFail(FormulaEntity, { id })
    const fit = {
      result_version: row.version, version: row.version, result_revision: me.revision, result_engine: 'e',
    } as unknown as Parameters<typeof isStale>[0]
    expect(isStale({ ...fit, result_version: row.version - 1 }, me)).toBe(true)
    expect(isStale({ ...fit, result_revision: me.revision - 1 }, me)).toBe(true)
  })
  it('eggs of everything that is made', () => {
    const c = plain.formula.components[0]!
    const line = (ingredientId: string, massG: number) => ({ ...c.lines[0]!, ingredientId, massG })
    const lines = [line('egg', 100), line('yolk_sep', 30), line('white', 20), line('white_carton', 5), line('sugar', 9)]
    const { process: _, ...bare } = c
    expect(eggsOf({ ...plain.formula, components: [{ ...c, lines }, { ...bare, id: 'x', lines: [line('egg', 999)] }] }))
      .toEqual({ wholeG: 100, yolkG: 30, whiteG: 25 })
  })
  it('a write is remembered for thirty days, and belongs to one thing', async () => {
    const me = await owner()
    const [old, young, target] = [randomUUID(), randomUUID(), randomUUID()]
    const em = fork()
    for (const [id, at] of [[old, subDays(AT, 31)], [young, subDays(AT, 29)]] as const)
      remember(em, { id, kitchenId: me.id, at, targetId: target, version: 7 })
    await em.flush()
    expect(await takenBefore(fork(), young, target)).toBe(7)
    await expect(takenBefore(fork(), young, NOBODY)).rejects.toMatchObject({ path: 'mutationId', code: 'sameId' })
    await forgetBefore(fork(), AT)
    expect(await fork().count(MutationEntity, { id: { $in: [old, young] } })).toBe(1)
  })
  it('the usual occasion of a formula, and of none', async () => {
    const { id } = await fresh('occasion')
    expect(await usualOccasion(fork(), id)).toMatchObject({ startAt: plain.occasion.startAt })
    expect(await usualOccasion(fork(), NOBODY)).toBeNull()
  })
  it('the bin empties after thirty days with its versions, and tidying thins only what is new', async () => {
    const me = await owner()
    const made = await fresh('old')
    await deleteFormula(fork(), me, subDays(AT, 31), made.id)
    const stays = await fresh('stays')
    await deleteFormula(fork(), me, subDays(AT, 29), stays.id)
    expect(await emptyBin(fork(), AT)).toBe(1)
    expect(await fork().count(FormulaVersionEntity, { formulaId: made.id })).toBe(0)
    expect(await fork().count(FormulaEntity, { id: { $in: [made.id, stays.id] } })).toBe(1)
    await tidy(fork(), addDays(AT, 1))
    expect(await fork().count(PlaceEntity)).toBeGreaterThan(0)
    expect(await fork().count(LotEntity)).toBeGreaterThan(0)
    expect(await fork().count(KitchenEntity)).toBe(1)
  })
})
