/** What is worked out beside requests: gathered, by kitchen, thinned seldom; what fails does not stop the rest. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

const at = new Date('2026-11-28T08:00:00Z')
const done = vi.hoisted(() => ({
  refreshSummaries: vi.fn(), thinVersions: vi.fn(), inThread: vi.fn(), insert: vi.fn(),
}))
const em = {
  findOne: (_: unknown, { id }: { id: string }) =>
    Promise.resolve(id === 'gone' ? null : { id, kitchenId: 'k1', actorId: 'a', head: 3 }),
  nativeUpdate: vi.fn(),
}
vi.mock('../utils/orm', () => ({ newEm: () => Promise.resolve(em), now: () => at }))
vi.mock('../threads/pool', () => ({ inThread: done.inThread }))
vi.mock('./summaries', () => ({ refreshSummaries: done.refreshSummaries }))
vi.mock('./versions', () => ({ thinVersions: done.thinVersions }))
vi.mock('./readings', () => ({ foldReadings: () => Promise.resolve() }))
vi.mock('./batches', () => ({ recordOfBatch: () => Promise.resolve('record') }))
vi.mock('./queue', () => ({ queueNow: () => ({ insert: done.insert, notifyWorker: () => {} }) }))
const { refresh, wantShown, wantSummaries } = await import('./refresh')
const { kitchenNow, within } = await import('../database/wall')

const formulas = (ids: string[], kitchenId = 'k1') => ids.map(id => ({ kind: 'formula' as const, id, kitchenId }))
const idsAsked = () => done.refreshSummaries.mock.calls.map(c => c[1] as string[])
/** Worked on to its end, the moment of gathering over. @returns what it failed by */
const worked = async (asked: Parameters<typeof refresh>[0]) => {
  const end = refresh(asked).then(() => null, (error: unknown) => error)
  await vi.advanceTimersByTimeAsync(150)
  return end
}
let told: ReturnType<typeof vi.spyOn>
beforeEach(() => {
  vi.useFakeTimers({ now: at })
  told = vi.spyOn(console, 'error').mockImplementation(() => {})
  Object.values(done).forEach(f => f.mockReset())
  em.nativeUpdate.mockReset()
  done.insert.mockResolvedValue(undefined)
})
afterEach(() => {
  vi.useRealTimers()
  told.mockRestore()
})

describe('asking', () => {
  it('puts each on the queue with its kitchen, by a key of its own; outside of any kitchen, or for none, nothing', () => {
    wantSummaries(['nobody’s'])
    within('k1', () => wantSummaries([]))
    expect(done.insert).not.toHaveBeenCalled()
    within('k1', () => wantSummaries(['a', 'b']))
    within('k2', () => wantShown('c'))
    const jobs = done.insert.mock.calls.flatMap(c => c[0] as { data: unknown, singletonKey: string }[])
    expect(jobs.map(j => [j.singletonKey, j.data])).toEqual([
      ['formula a', { kind: 'formula', id: 'a', kitchenId: 'k1' }],
      ['formula b', { kind: 'formula', id: 'b', kitchenId: 'k1' }],
      ['batch c', { kind: 'batch', id: 'c', kitchenId: 'k2' }],
    ])
  })
  it('a queue that fails is told, one whose database is away not', async () => {
    for (const [error, times] of [[{ code: 'ECONNREFUSED' }, 0], [new TypeError('x'), 1]] as const) {
      done.insert.mockRejectedValueOnce(error)
      within('k1', () => wantShown('c'))
      await vi.advanceTimersByTimeAsync(1)
      expect(told).toHaveBeenCalledTimes(times)
    }
  })
})

describe('working out', () => {
  it('waits a moment, then each kitchen’s at once behind its own wall, in a thread', async () => {
    const inside: (string | null)[] = []
    done.refreshSummaries.mockImplementation(async () => void inside.push(kitchenNow()))
    const end = refresh([...formulas(['a', 'b', 'a']), ...formulas(['c'], 'k2'), ...formulas(['d'])])
    await vi.advanceTimersByTimeAsync(149)
    expect(idsAsked()).toEqual([])
    await vi.advanceTimersByTimeAsync(1)
    await end
    expect(idsAsked()).toEqual([['a', 'b', 'd'], ['c']])
    expect(inside).toEqual(['k1', 'k2'])
    expect(done.refreshSummaries.mock.calls.map(c => c[3] as string)).toEqual(['k1', 'k2'])
    ;(done.refreshSummaries.mock.calls[0]![2] as (job: unknown) => void)('job')
    expect(done.inThread).toHaveBeenCalledWith('summaries', 'job')
  })
  it('a batch keeps what is shown of it only while nothing was added; one that is gone is let be', async () => {
    done.inThread.mockResolvedValue('shown')
    expect(await worked([{ kind: 'batch', id: 'b', kitchenId: 'k1' }, { kind: 'batch', id: 'gone', kitchenId: 'k1' }])).toBeNull()
    expect(done.inThread.mock.calls).toEqual([['batchShown', { record: 'record' }]])
    expect(em.nativeUpdate.mock.calls.map(c => c.slice(1) as unknown[])).toEqual([[{ id: 'b', head: 3 }, { shown: 'shown' }]])
  })
  it('a formula is thinned at most every ten minutes', async () => {
    for (const [wait, times] of [[0, 1], [590_000, 1], [10_000, 2]] as const) {
      await vi.advanceTimersByTimeAsync(wait)
      await worked(formulas(['t']))
      expect(done.thinVersions).toHaveBeenCalledTimes(times)
    }
    expect(done.thinVersions.mock.calls[0]!.slice(1)).toEqual(['t', at])
  })
  it('what fails is told, unless the database is away, and fails the piece; the rest of it is done', async () => {
    const away = { code: 'ECONNREFUSED' }
    done.refreshSummaries.mockRejectedValueOnce(away)
    expect(await worked([...formulas(['f']), ...formulas(['g'], 'k2')])).toBe(away)
    expect(told).not.toHaveBeenCalled()
    expect(idsAsked()).toEqual([['f'], ['g']])
    done.refreshSummaries.mockRejectedValueOnce(new TypeError('x'))
    expect(await worked(formulas(['h']))).toBeInstanceOf(TypeError)
    expect(told.mock.calls.map((c: unknown[]) => String(c[0])))
      .toEqual([expect.stringContaining('summaries were not worked out (')])
  })
})
