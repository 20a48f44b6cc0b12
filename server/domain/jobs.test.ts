/** Long work on the real database and the real queue; only what a job works out is put in its place. */
import { randomUUID } from 'node:crypto'
import type { EntityManager, MikroORM } from '@mikro-orm/postgresql'
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest'
import { openDatabase } from '../../tests/support/database'
import { soon } from '../../tests/support/patient'
import { benchOf } from '#core/formula/bench'
import type { Calibration } from '#core/learn/calibrate'
import { demoFormulas } from '../database/demo'
import { WorkEntity } from '../database/entities'
import { boot } from '../database/boot'
import { within } from '../database/wall'
import { coreKitchen } from '../../shared/kitchen'
import { progressOf, STOPPED, type Watched } from '../threads/watched'
import { closeOrm } from '../utils/orm'
import { addEvents, startBatch } from './batches'
import { forgetExports, lastExport } from './exports'
import { listFormulas } from './formulas'
import { askWork, cancelWork, lastWork, startJobs, type Workers } from './jobs'
import { loadKitchen, loadOwner } from './kitchen'
import { wantSummaries } from './refresh'

// No thread was built here: what it would do is done in place.
vi.mock('../threads/pool', async () => {
  const tasks = await import('../threads/tasks') as unknown as Record<string, (job: unknown) => unknown>
  return { inThread: async (name: string, job: unknown) => tasks[name]!(job), inLongThread: () => {} }
})

const AT = new Date('2026-11-28T08:00:00Z')
const [curd] = [demoFormulas()[4]!]
const NOTHING: Calibration = { parameters: [], leftOut: { before: 1, after: 1, floor: null } } as unknown as Calibration

let orm: MikroORM
let url: string
let drop: () => Promise<void>
let batchId: string
let stops: (() => Promise<void>)[] = []
const fork = () => orm.em.fork() as EntityManager
const owner = () => loadOwner(fork())
const ask = async () => askWork(fork(), await owner(), 'diagnose', batchId)
const last = async () => lastWork(fork(), await owner(), 'diagnose', batchId)
const begins = async (workers: Partial<Workers>, at = url) => {
  const stop = await startJobs(at, { diagnose: async () => null, learn: async () => NOTHING, ...workers })
  stops.push(stop)
  return stop
}
const untilStopped = (watch: Watched, each: () => void = () => {}): Promise<never> => new Promise((_, reject) => {
  const looking = setInterval(() => {
    each()
    if (Atomics.load(new Int32Array(watch.cells), 1) !== 1) return
    clearInterval(looking)
    reject(new Error(STOPPED))
  }, 20)
})

beforeAll(async () => {
  ;({ orm, url, drop } = await openDatabase())
  vi.stubEnv('DATABASE_URL', url)
  // As a server finds it: its own queries are behind the wall.
  await boot(url, AT, true)
  const kitchen = coreKitchen(await loadKitchen(fork(), await owner()))
  const { record } = await startBatch(fork(), await owner(), AT, {
    id: randomUUID(), formulaId: curd.id, planned: curd.document, componentId: benchOf(curd.document).componentId,
    kitchen, simulation: null,
  })
  batchId = record.id
})
afterEach(async () => {
  for (const stop of stops) await stop()
  stops = []
  await fork().nativeDelete(WorkEntity, {})
})
afterAll(async () => {
  await closeOrm()
  vi.unstubAllEnvs()
  await drop()
})

describe('a job', () => {
  it('is refused where nobody does any', async () => {
    await expect(ask()).rejects.toEqual(expect.objectContaining({ kind: 'away' }))
  })
  it('of a batch that is not there is refused', async () => {
    await begins({})
    await expect(askWork(fork(), await owner(), 'diagnose', randomUUID()))
      .rejects.toEqual(expect.objectContaining({ kind: 'unknown', code: 'unknownBatch' }))
  })
  it('works from the batch\'s record, says how far it is, and keeps what came of it', async () => {
    let goOn = () => {}
    const seen: string[] = []
    await begins({
      diagnose: async (record, watch) => {
        seen.push(record.id)
        Atomics.store(new Int32Array(watch.cells), 0, 400)
        await new Promise<void>((resolve) => { goOn = resolve })
        return { causes: [{ id: 'openedWarm', share: 0.7 }] }
      },
    })
    const asked = await ask()
    expect(asked).toMatchObject({ state: 'waiting', progress: 0, isStale: false, result: null })
    await soon(async () => expect(await last()).toMatchObject({ state: 'going', progress: 0.4 }))
    expect(await ask()).toMatchObject({ id: asked.id })
    goOn()
    await soon(async () => expect(await last()).toMatchObject({ id: asked.id, state: 'done', progress: 1 }))
    expect((await last())!.result).toEqual({ causes: [{ id: 'openedWarm', share: 0.7 }] })
    expect(seen).toEqual([batchId])
  })
  it('whose batch went on is out of date, and is asked anew', async () => {
    await begins({})
    const { id } = await ask()
    await soon(async () => expect((await last())!.state).toBe('done'))
    await addEvents(fork(), await owner(), AT, batchId, [
      { id: randomUUID(), atS: 5, happened: { kind: 'foundSet' }, text: null }])
    expect(await last()).toMatchObject({ id, isStale: true })
    expect((await ask()).id).not.toBe(id)
    await soon(async () => expect(await last()).toMatchObject({ state: 'done', isStale: false }))
  })
  it('given up stops what computes, and stays given up', async () => {
    let stopped = false
    await begins({ diagnose: async (_, watch) => untilStopped(watch).catch((e) => { stopped = true; throw e }) })
    const { id } = await ask()
    await soon(async () => expect((await last())!.state).toBe('going'))
    expect(await cancelWork(fork(), await owner(), id)).toMatchObject({ state: 'cancelled' })
    await soon(() => expect(stopped).toBe(true))
    expect(await last()).toMatchObject({ id, state: 'cancelled', result: null })
    await expect(cancelWork(fork(), await owner(), randomUUID())).rejects.toEqual(
      expect.objectContaining({ kind: 'unknown', code: 'unknownWork' }))
  })
  it('that fails is tried again', async () => {
    let tries = 0
    await begins({
      diagnose: async () => {
        if (++tries === 1) throw new Error('once')
        return { tries }
      },
    })
    vi.spyOn(console, 'error').mockImplementation(() => {})
    await ask()
    await soon(async () => expect(await last()).toMatchObject({ state: 'done', result: { tries: 2 } }))
    vi.restoreAllMocks()
  })
  it('whose server went silent is taken up; one that still speaks is left to it', async () => {
    const { id: actorId } = { id: (await owner()).actorId }
    const kitchenId = (await owner()).id
    const left = async (ago: number) => {
      const id = randomUUID()
      const at = new Date(Date.now() - ago)
      const em = fork()
      em.create(WorkEntity, {
        id, kitchenId, actorId, createdAt: at, updatedAt: at, kind: 'diagnose', targetId: batchId, state: 'going',
        progress: 0.5, head: 0, result: null,
      })
      await em.flush()
      await fork().execute(`update work set updated_at = now() - interval '${ago / 1000} seconds' where id = ?`, [id])
      return id
    }
    const [silent, speaks] = [await left(16_000), await left(1000)]
    const stateOf = async (id: string) => (await fork().findOneOrFail(WorkEntity, { id })).state
    await begins({})
    await soon(async () => expect(await stateOf(silent)).toBe('done'))
    expect(await stateOf(speaks)).toBe('going')
  })
  it('is done by one of two servers, and learning keeps what it learned with its batches', async () => {
    const done: string[] = []
    const by = (name: string) => ({ learn: async (records: { id: string }[]) => {
      done.push(`${name} ${records.length}`)
      return NOTHING
    } })
    await begins(by('one'))
    await begins(by('two'))
    const em = fork()
    const before = await em.execute<{ n: number }[]>('select count(*)::int as n from batch where is_done')
    const { id } = await askWork(em, await owner(), 'learn', (await owner()).id)
    const learnedOf = async () => lastWork(fork(), await owner(), 'learn', (await owner()).id)
    await soon(async () => expect((await learnedOf())!.state).toBe('done'))
    expect(done).toHaveLength(1)
    expect(done[0]).toMatch(new RegExp(` ${Math.min(60, before[0]!.n)}$`))
    const kept = await fork().execute<{ batch_ids: string[] }[]>('select batch_ids from calibration where id = ?', [id])
    expect(kept[0]!.batch_ids).toHaveLength(Math.min(60, before[0]!.n))
  })
})

describe('a kitchen’s file as a job', () => {
  it('is written beside its work, fetched whole, and gone after a day', async () => {
    const who = await owner()
    await expect(lastExport(fork(), who)).rejects.toMatchObject({ code: 'noFile' })
    await begins({})
    const { id } = await askWork(fork(), who, 'export', who.id)
    const written = () => lastWork(fork(), who, 'export', who.id)
    await soon(async () => expect(await written()).toMatchObject({ id, state: 'done', progress: 1 }))
    const { result } = (await written())!
    let text = ''
    const { parts } = await lastExport(fork(), who)
    for await (const part of parts()) text += part
    const [{ n }] = await fork().execute<[{ n: number }]>('select count(*)::int as n from batch')
    const lines = text.trim().split('\n').map(l => JSON.parse(l) as { table?: string })
    expect(lines.filter(l => l.table === 'batch')).toHaveLength(n)
    expect(result).toMatchObject({ lines: lines.length, bytes: Buffer.byteLength(text) })
    const [made, day] = [new Date((result as { at: string }).at).getTime(), 86_400_000]
    for (const [after, there] of [[day - 1, true], [day + 1, false]] as const) {
      await within(who.id, () => forgetExports(fork(), new Date(made + after)))
      expect(await lastExport(fork(), who).then(() => true, () => false)).toBe(there)
    }
  })
})

describe('what the shelf shows', () => {
  it('is asked for on the queue, once however often, and worked out by whoever works there', async () => {
    const who = await owner()
    const staleNow = async () =>
      (await listFormulas(fork(), who, { after: null, search: '', eggs: false })).items.filter(i => i.stale).map(i => i.id)
    await fork().execute('update formula set result_version = null')
    const [id] = await staleNow()
    // A server that only asks: what it asked for waits.
    const web = await startJobs(url, undefined, false)
    for (let i = 0; i < 5; i++) within(who.id, () => wantSummaries([id!]))
    const queued = async () => (await fork().execute<{ n: number }[]>(
      `select count(*)::int as n from pgboss.job where name = 'shown' and state = 'created'`).catch(() => [{ n: -1 }]))[0]!.n
    await soon(async () => expect(await queued()).toBe(1))
    await web()
    await begins({})
    await soon(async () => expect(await staleNow()).not.toContain(id))
  })
})

it('progress is in thousandths that both threads see', () => {
  const watch = { cells: new SharedArrayBuffer(8) }
  Atomics.store(new Int32Array(watch.cells), 0, 250)
  expect(progressOf(watch)).toBe(0.25)
})
