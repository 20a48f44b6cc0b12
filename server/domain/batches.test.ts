/** The Book on the real database: what began stays as it began, what happened only grows, readings are kept packed. */
import { randomUUID } from 'node:crypto'
import type { EntityManager, MikroORM } from '@mikro-orm/postgresql'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openDatabase } from '../../tests/support/database'
import { plainOutcome } from '#core/book/outcome'
import type { Happened, Series } from '#core/book/record'
import { fillingOf, benchOf } from '#core/formula/bench'
import { calibrate } from '#core/learn/calibrate'
import { demoFormulas, KITCHEN_ID, ACTOR_ID } from '../database/demo'
import { demoBatch, DEMO_BATCHES } from '../database/demoBook'
import { BatchEventEntity, CalibrationEntity } from '../database/entities'
import { seed } from '../database/seed'
import { coreKitchen } from '../../shared/kitchen'
import { readBatch } from '../../shared/schemas/batch'
import { addEvents, batchRow, clockOf, type NewBatch, setClock, skipClock, startBatch, textsOf, wholeOf } from './batches'
import { emptyBin } from './bin'
import { listBatches } from './book'
import { deleteFormula, loadFormula } from './formulas'
import { loadKitchen, loadOwner, type Owner } from './kitchen'
import { acceptLearned, goByLearned } from './learned'
import { addReadings, foldReadings, pack, readingsOf, unpack } from './readings'
import { redactText } from './redaction'
import { keepPhoto, mimeOf, photoOf, redactPhoto } from './photos'
import { checkDevice, removeDevice, saveDevice } from './devices'
import { probeBias } from '../../shared/book'
import { readLine } from '../../shared/schemas/book'
import { thinVersions } from './versions'

const AT = new Date('2026-11-28T08:00:00Z')
let orm: MikroORM
let drop: () => Promise<void>
const fork = () => orm.em.fork() as EntityManager
const owner = (): Promise<Owner> => loadOwner(fork())
const refusal = (kind: string, code: string) => expect.objectContaining({ kind, code })
const [curd] = [demoFormulas()[4]!]

beforeAll(async () => {
  ;({ orm, drop } = await openDatabase())
  await orm.getMigrator().up()
  await seed(fork(), AT, true)
})
afterAll(() => drop())

const begin = async (over: Partial<NewBatch> = {}, at = AT) => startBatch(fork(), await owner(), at, {
  id: randomUUID(), formulaId: curd.id, planned: curd.document, componentId: benchOf(curd.document).componentId,
  kitchen: coreKitchen(await loadKitchen(fork(), await owner())), simulation: null, ...over,
})
const sent = (happened: Happened, atS = 1, text: string | null = null) =>
  ({ id: randomUUID(), atS, happened, text: text === null ? null : { id: randomUUID(), text } })
const add = async (id: string, ...events: ReturnType<typeof sent>[]) => addEvents(fork(), await owner(), AT, id, events)
const sql = (statement: string, params: unknown[] = []) => fork().execute(statement, params)
const [line] = fillingOf(benchOf(curd.document)).lines

describe('a batch', () => {
  it('freezes formula, occasion and kitchen; asked again with its id it is the same; its record can be read', async () => {
    const first = await begin()
    const { id } = first.record
    const again = await begin({ id, planned: demoFormulas()[0]!.document })
    expect(again.record.formula.name).toBe(curd.document.formula.name)
    expect(again.record).toEqual(first.record)
    expect(first.by).toBe('The kitchen')
    expect(readBatch(JSON.parse(JSON.stringify(first.record))).ok).toBe(true)
    expect(await sql('select count(*)::int as n from batch where id = ?', [id])).toEqual([{ n: 1 }])
  })
  it('of what is not there, or of a part that is not made, is refused', async () => {
    await expect(begin({ formulaId: randomUUID() })).rejects.toEqual(refusal('unknown', 'unknownFormula'))
    await expect(begin({ componentId: 'nothing' })).rejects.toEqual(refusal('invalid', 'unknownValue'))
    await expect(batchRow(fork(), await owner(), randomUUID())).rejects.toEqual(refusal('unknown', 'unknownBatch'))
  })
  it('keeps the version it was made by, and its formula, however old', async () => {
    const { versionId, formulaId } = await begin({}, new Date('2026-01-02T08:00:00Z'))
    await begin({}, new Date('2026-01-02T08:05:00Z'))
    await thinVersions(fork(), formulaId, AT)
    expect(await sql('select count(*)::int as n from formula_version where id = ?', [versionId])).toEqual([{ n: 1 }])
    await deleteFormula(fork(), await owner(), new Date('2026-01-03T08:00:00Z'), formulaId)
    await emptyBin(fork(), AT)
    await expect(loadFormula(fork(), await owner(), formulaId)).rejects.toEqual(refusal('deleted', 'deletedFormula'))
    await sql('update formula set deleted_at = null where id = ?', [formulaId])
  })
})

describe('what happened', () => {
  it('counts once, in order, by number; free text lies apart', async () => {
    const { record: { id } } = await begin()
    const [a, b] = [sent({ kind: 'heatOn' }, 5), sent({ kind: 'note', textId: 'x' }, 7, 'Ines stirred')]
    b.happened = { kind: 'note', textId: b.text!.id }
    expect((await add(id, a, b)).row.head).toBe(2)
    expect((await add(id, b, a, sent({ kind: 'heatOff' }, 9))).row.head).toBe(3)
    const whole = await wholeOf(fork(), await batchRow(fork(), await owner(), id))
    expect(whole.record.events.map(e => e.kind)).toEqual(['heatOn', 'note', 'heatOff'])
    expect(JSON.stringify(whole.record)).not.toContain('Ines')
    expect(whole.texts).toEqual([{ id: b.text!.id, text: 'Ines stirred' }])
    await redactText(fork(), await owner(), AT, b.text!.id)
    expect(await textsOf(fork(), id)).toEqual([{ id: b.text!.id, text: null }])
    await expect(redactText(fork(), await owner(), AT, randomUUID())).rejects.toEqual(refusal('unknown', 'unknownText'))
  })
  it('is never changed: the database refuses it; a correction holds in its place', async () => {
    const { record: { id } } = await begin()
    const put = sent({ kind: 'added', lineId: line!.id, shownG: 180 })
    await add(id, put)
    for (const statement of [
      'update batch_event set at_s = 3 where id = ?', 'delete from batch_event where id = ?',
    ]) await expect(sql(statement, [put.id])).rejects.toThrow(/never changed/)
    await expect(sql('truncate batch_event')).rejects.toThrow(/never changed/)
    const instead: Happened = { kind: 'added', lineId: line!.id, shownG: 80 }
    await add(id, sent({ kind: 'corrected', eventId: put.id, whyId: null, instead }))
    expect(await fork().count(BatchEventEntity, { batchId: id })).toBe(2)
  })
  it('of a line, a leg or an event that is not the batch\'s is refused, and nothing of it is kept', async () => {
    const { record: { id } } = await begin()
    const fine = sent({ kind: 'heatOn' })
    await expect(add(id, fine, sent({ kind: 'added', lineId: 'stone', shownG: 1 })))
      .rejects.toEqual(refusal('invalid', 'unknownLine'))
    await expect(add(id, fine, sent({ kind: 'movedTo', legId: 'moon' })))
      .rejects.toEqual(refusal('invalid', 'unknownValue'))
    await expect(add(id, fine, sent({ kind: 'corrected', eventId: randomUUID(), whyId: null, instead: null })))
      .rejects.toMatchObject({ code: 'unknownValue' })
    expect((await batchRow(fork(), await owner(), id)).head).toBe(0)
  })
  it('two at once are both kept, each with a number of its own', async () => {
    const { record: { id } } = await begin()
    await Promise.all(Array.from({ length: 6 }, (_, i) => add(id, sent({ kind: 'stepDone', stepKey: `s${i}` }, i))))
    const numbers = (await fork().find(BatchEventEntity, { batchId: id })).map(e => e.number).sort()
    expect(numbers).toEqual([1, 2, 3, 4, 5, 6])
  })
  it('what came out makes it done; taken back it is open again', async () => {
    const { record: { id } } = await begin()
    const came = sent({ kind: 'outcome', outcome: { ...plainOutcome(), asMeant: false, faults: ['runny'] } })
    expect((await add(id, came)).row).toMatchObject({ isDone: true, faults: ['runny'] })
    const back = sent({ kind: 'corrected', eventId: came.id, whyId: null, instead: null })
    expect((await add(id, back)).row).toMatchObject({ isDone: false, faults: [] })
  })
})

describe('readings', () => {
  const series = (from: number, n: number): Series => ({
    deviceId: 'probe', channel: 'pot', timeS: Array.from({ length: n }, (_, i) => from + 3 * i),
    values: Array.from({ length: n }, (_, i) => (i % 7 === 3 ? null : 20 + i / 10)),
  })
  it('are packed and unpacked to a thousandth, gaps included', () => {
    const s = { timeS: [0, 0.5, 86_399.9], values: [20.1, null, -18.25] }
    expect(unpack(pack(s))).toEqual(s)
    expect(pack(s).length).toBe(24)
  })
  it('sent again or late they count once; folded they are the same in fewer rows', async () => {
    const { record: { id } } = await begin()
    const o = await owner()
    for (const s of [series(0, 20), series(0, 20), series(30, 20), series(90, 10)])
      await addReadings(fork(), o, id, [s])
    const all = await readingsOf(fork(), id)
    expect(all).toHaveLength(1)
    expect(all[0]!.timeS).toEqual([...new Set(all[0]!.timeS)].sort((a, b) => a - b))
    expect(all[0]!.timeS.at(-1)).toBe(117)
    expect((await readingsOf(fork(), id, { 'probe/pot': 100 }))[0]!.timeS).toEqual([102, 105, 108, 111, 114, 117])
    // What comes later with earlier times, of another channel, is news to who has the first.
    const air = { ...series(0, 3), deviceId: 'logger', channel: 'air' as const }
    await addReadings(fork(), o, id, [air])
    expect(await readingsOf(fork(), id, { 'probe/pot': 117 })).toEqual([expect.objectContaining({ channel: 'air' })])
    expect(await readingsOf(fork(), id, { 'probe/pot': 117, 'logger/air': air.timeS.at(-1)! })).toEqual([])
    await sql('delete from reading where batch_id = ? and channel = ?', [id, 'air'])
    const rows = async () =>
      (await sql('select count(*)::int as n from reading where batch_id = ?', [id]) as { n: number }[])[0]!.n
    expect(await rows()).toBeGreaterThan(1)
    await foldReadings(fork(), o, id)
    expect(await rows()).toBe(1)
    expect(await readingsOf(fork(), id)).toEqual(all)
  })
})

describe('pictures', () => {
  it('are what their first bytes say, and can be taken back', async () => {
    const { record: { id } } = await begin()
    const o = await owner()
    const jpeg = new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3])
    expect(mimeOf(new TextEncoder().encode('RIFF1234WEBPVP8 '))).toBe('image/webp')
    const photo = await keepPhoto(fork(), o, AT, id, jpeg)
    const kept = await photoOf(fork(), o, photo)
    expect([kept.mime, [...kept.bytes]]).toEqual(['image/jpeg', [...jpeg]])
    await expect(keepPhoto(fork(), o, AT, id, new TextEncoder().encode('<svg onload=alert(1)>')))
      .rejects.toEqual(refusal('invalid', 'notAPicture'))
    await redactPhoto(fork(), o, AT, photo)
    await expect(photoOf(fork(), o, photo)).rejects.toEqual(refusal('deleted', 'redacted'))
    await expect(photoOf(fork(), o, randomUUID())).rejects.toEqual(refusal('unknown', 'unknownPhoto'))
  })
})

describe('instruments', () => {
  it('are written down, held against something known, taken out; the last checks say how a probe errs', async () => {
    const o = await owner()
    const id = randomUUID()
    const save = (name: string, kind: 'probe' | 'scale' = 'probe') =>
      saveDevice(fork(), o, AT, id, { kind, name, simulated: false })
    expect(probeBias(await save('Old probe'))).toBeNull()
    await checkDevice(fork(), o, AT, id, { against: 'ice', shown: 3, truth: 0 })
    await checkDevice(fork(), o, AT, id, { against: 'ice', shown: 1, truth: 0 })
    const all = await checkDevice(fork(), o, AT, id, { against: 'boil', shown: 101.8, truth: 100 })
    expect(probeBias(all)).toBeCloseTo((1 + 1.8) / 2, 9)
    expect((await save('New name')).find(d => d.id === id)).toMatchObject({ name: 'New name', checks: [{}, {}, {}] })
    await expect(save('x', 'scale')).rejects.toEqual(refusal('invalid', 'unknownValue'))
    expect((await removeDevice(fork(), o, AT, id)).map(d => d.id)).not.toContain(id)
    await expect(removeDevice(fork(), o, AT, id)).rejects.toEqual(refusal('unknown', 'unknownDevice'))
    await expect(checkDevice(fork(), o, AT, id, { against: 'ice', shown: 0, truth: 0 }))
      .rejects.toEqual(refusal('unknown', 'unknownDevice'))
  })
})

describe('a line of an instrument', () => {
  it('is a time, a device, what it reads and how much, or a dash', () => {
    expect(readLine('2026-11-28T08:12:03.5Z probe-1 pot 64.2', 0))
      .toEqual({ at: new Date('2026-11-28T08:12:03.500Z'), deviceId: 'probe-1', channel: 'pot', value: 64.2 })
    expect(readLine('2026-11-28T08:12:03Z logger air -', 0).value).toBeNull()
    for (const bad of ['', 'yesterday probe pot 3', '2026-11-28T08:12:03Z probe nowhere 3', '2026-11-28T08:12:03Z probe pot x'])
      expect(() => readLine(bad, 4), bad).toThrow(expect.objectContaining({ path: 'lines.4' }))
  })
})

describe('the clock of a demonstration', () => {
  const simulation = { said: { values: {}, mistake: null }, kitchenSeed: 0, seed: 1, turns: [] }
  it('runs as fast as it is set, from where it stood; a real one cannot be set', async () => {
    const o = await owner()
    const { record: { id } } = await begin({ simulation })
    await skipClock(fork(), o, id, 600)
    await setClock(fork(), o, id, { speed: 60, power: 0.5 })
    const row = await batchRow(fork(), o, id)
    const inSeconds = (s: number) => clockOf(row, row.clockAt.getTime() + 1000 * s).nowS
    expect(inSeconds(0)).toBeGreaterThanOrEqual(600)
    expect(inSeconds(10) - inSeconds(0)).toBeCloseTo(600, 6)
    expect(row.simulation!.turns.map(t => t.power)).toEqual([0.5])
    const real = await begin()
    await expect(setClock(fork(), o, real.record.id, { speed: 60 })).rejects.toEqual(refusal('invalid', 'notSimulated'))
  })
})

describe('the Book', () => {
  const ALL = { after: null, search: '', fault: null, lot: null, formulaId: null, by: null, going: false }
  it('lists the newest first, page by page, by name, fault, lot and formula', async () => {
    const o = await owner()
    const lot = randomUUID()
    const strength = { kind: 'lot' as const, lotId: lot, name: 'A crate', acidPercent: 4.6 }
    const { occasion } = curd.document
    const planned = { ...curd.document, occasion: { ...occasion, lots: [{ lineId: line!.id, strength }] } }
    const ids: string[] = []
    for (let i = 0; i < 53; i++)
      ids.push((await begin({ planned }, new Date(AT.getTime() + 1000 * i))).record.id)
    await add(ids[7]!, sent({ kind: 'outcome', outcome: { ...plainOutcome(), faults: ['grainy', 'weeping'] } }))
    const byLot = await listBatches(fork(), o, { ...ALL, lot })
    expect([byLot.items.length, byLot.total]).toEqual([50, 53])
    const rest = await listBatches(fork(), o, { ...ALL, lot, after: byLot.next })
    expect([...byLot.items, ...rest.items].map(i => i.id)).toEqual([...ids].reverse())
    expect((await listBatches(fork(), o, { ...ALL, lot, fault: 'weeping' })).items.map(i => i.id)).toEqual([ids[7]])
    expect((await listBatches(fork(), o, { ...ALL, lot, going: true })).total).toBe(52)
    expect((await listBatches(fork(), o, { ...ALL, search: 'orange_' })).total).toBe(0)
    expect((await listBatches(fork(), o, { ...ALL, search: 'BITTER', lot })).total).toBe(53)
    expect((await listBatches(fork(), o, { ...ALL, formulaId: randomUUID() })).total).toBe(0)
    expect((await listBatches(fork(), o, { ...ALL, lot, by: ACTOR_ID })).total).toBe(53)
    expect((await listBatches(fork(), o, { ...ALL, by: randomUUID() })).total).toBe(0)
    expect(byLot.cooks!.map(c => c.id)).toContain(ACTOR_ID)
    expect(rest.cooks).toBeNull()
    await expect(listBatches(fork(), o, { ...ALL, after: 'nonsense' })).rejects.toEqual(refusal('invalid', 'unknownValue'))
  })
  it('the demo\'s batches are whole records, some of them failed', () => {
    const all = Array.from({ length: DEMO_BATCHES }, (_, n) => demoBatch(n, AT).record)
    const faults = all.map(r => r.events.flatMap(e => (e.kind === 'outcome' ? [e.outcome.faults.length > 0] : []))[0])
    expect([faults.length, faults.filter(Boolean).length]).toEqual([20, 5])
    expect(readBatch(JSON.parse(JSON.stringify(all[5]))).ok).toBe(true)
    const ids = all.flatMap(r => [r.id, ...r.events.map(e => e.id)])
    expect(new Set(ids).size).toBe(ids.length)
  })
})

describe('what was learned', () => {
  it('counts once it is accepted, for every formula, and can be taken back', async () => {
    const o = await owner()
    const result = calibrate([demoBatch(0, AT).record, demoBatch(3, AT).record])
    const em = fork()
    const id = randomUUID()
    em.create(CalibrationEntity, { id, kitchenId: KITCHEN_ID, actorId: ACTOR_ID, createdAt: AT, batchIds: [], result })
    await em.flush()
    const list = await acceptLearned(fork(), o, AT, id)
    expect([list.items[0]!.number, list.goesBy]).toEqual([1, list.items[0]!.id])
    expect(list.items[0]!.theta.burnerFactor).toBeLessThan(0.95)
    const kitchen = await loadKitchen(fork(), o)
    expect(coreKitchen(kitchen).learned).toEqual(list.items[0]!.theta)
    expect(kitchen.revision).toBe(o.revision + 1)
    const none = await goByLearned(fork(), o, AT, null)
    expect([none.goesBy, none.items.length]).toEqual([null, 1])
    expect(coreKitchen(await loadKitchen(fork(), o)).learned).toBeUndefined()
    expect((await goByLearned(fork(), o, AT, list.items[0]!.id)).goesBy).toBe(list.items[0]!.id)
    await expect(goByLearned(fork(), o, AT, randomUUID())).rejects.toEqual(refusal('unknown', 'unknownSet'))
    await expect(acceptLearned(fork(), o, AT, randomUUID())).rejects.toEqual(refusal('unknown', 'unknownCalibration'))
    expect((await acceptLearned(fork(), o, AT, id)).items[0]!.number).toBe(2)
  })
})
