/** The server's own round by its clock: what is gathered, how often it thins, what it says when it fails. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

const at = new Date('2026-11-28T08:00:00Z')
const done = vi.hoisted(() => ({
  refreshSummaries: vi.fn(), thinVersions: vi.fn(), emptyBin: vi.fn(), forgetBefore: vi.fn(), inThread: vi.fn(),
  find: vi.fn((): Promise<{ id: string }[]> => Promise.resolve([])),
}))
const em = { fork: () => ({ find: done.find }), execute: () => Promise.resolve([{ id: 'k1' }]) }
vi.mock('../utils/orm', () => ({ newEm: () => Promise.resolve(em), now: () => at }))
vi.mock('../threads/pool', () => ({ inThread: done.inThread }))
vi.mock('./summaries', () => ({ refreshSummaries: done.refreshSummaries }))
vi.mock('./versions', () => ({ thinVersions: done.thinVersions }))
vi.mock('./bin', () => ({ emptyBin: done.emptyBin }))
vi.mock('./mutations', () => ({ forgetBefore: done.forgetBefore }))
const { startHousekeeping, tidy, wantSummaries: want } = await import('./housekeeping')
const { kitchenNow, within } = await import('../database/wall')
const wantSummaries = (ids: string[], kitchenId = 'k1') => within(kitchenId, () => want(ids))

const AWAY = { code: 'ECONNREFUSED' }
const idsAsked = () => done.refreshSummaries.mock.calls.map(c => c[1] as string[])
const thinned = () => done.thinVersions.mock.calls.map(c => c[1] as string)
let told: ReturnType<typeof vi.spyOn>
beforeEach(() => {
  vi.useFakeTimers({ now: at })
  told = vi.spyOn(console, 'error').mockImplementation(() => {})
  Object.values(done).forEach(f => f.mockClear())
})
afterEach(async () => {
  await vi.advanceTimersByTimeAsync(5000)
  done.refreshSummaries.mockReset()
  vi.useRealTimers()
  told.mockRestore()
})

describe('summaries', () => {
  it('what is asked for within a moment is worked out together, each once', async () => {
    wantSummaries(['a', 'b'])
    wantSummaries(['b', 'c'])
    await vi.advanceTimersByTimeAsync(149)
    expect(idsAsked()).toEqual([])
    await vi.advanceTimersByTimeAsync(1)
    expect(idsAsked()).toEqual([['a', 'b', 'c']])
    wantSummaries([])
    await vi.advanceTimersByTimeAsync(1000)
    expect(idsAsked()).toHaveLength(1)
    wantSummaries(['a'])
    await vi.advanceTimersByTimeAsync(200)
    expect(idsAsked()).toEqual([['a', 'b', 'c'], ['a']])
  })
  it('each kitchen’s by itself, behind its own wall; outside of any nothing is asked for', async () => {
    const inside: (string | null)[] = []
    done.refreshSummaries.mockImplementation(async () => void inside.push(kitchenNow()))
    want(['nobody’s'])
    wantSummaries(['a', 'b'])
    wantSummaries(['c'], 'k2')
    wantSummaries(['d'])
    await vi.advanceTimersByTimeAsync(200)
    expect(idsAsked()).toEqual([['a', 'b', 'd'], ['c']])
    expect(inside).toEqual(['k1', 'k2'])
    expect(done.refreshSummaries.mock.calls.map(c => c[3] as string)).toEqual(['k1', 'k2'])
  })
  it('eight at a time, in a thread of their own', async () => {
    wantSummaries(Array.from({ length: 17 }, (_, i) => `x${i}`))
    await vi.advanceTimersByTimeAsync(200)
    expect(idsAsked().map(ids => ids.length)).toEqual([8, 8, 1])
    const inThread = done.refreshSummaries.mock.calls[0]![2] as (job: unknown) => void
    inThread('job')
    expect(done.inThread).toHaveBeenCalledWith('summaries', 'job')
  })
  it('a formula is thinned at most every ten minutes', async () => {
    for (const [wait, times] of [[0, 1], [590_000, 1], [10_000, 2]] as const) {
      await vi.advanceTimersByTimeAsync(wait)
      wantSummaries(['t'])
      await vi.advanceTimersByTimeAsync(200)
      expect(thinned()).toHaveLength(times)
    }
    expect(done.thinVersions.mock.calls[0]!.slice(1)).toEqual(['t', at])
  })
  it('a fault is told and ends the work; a database that is away is not told', async () => {
    done.refreshSummaries.mockRejectedValueOnce(AWAY)
    wantSummaries(['f'])
    await vi.advanceTimersByTimeAsync(200)
    expect(told).not.toHaveBeenCalled()
    done.refreshSummaries.mockRejectedValueOnce(new TypeError('x'))
    wantSummaries(Array.from({ length: 12 }, (_, i) => `y${i}`))
    await vi.advanceTimersByTimeAsync(400)
    expect(told.mock.calls.map((c: unknown[]) => String(c[0]))).toEqual([expect.stringContaining('summaries were not worked out (')])
    expect(idsAsked().map(ids => ids.length)).toEqual([1, 8])
  })
})

describe('the hourly round', () => {
  it('begins after a minute, comes every hour, and ends', async () => {
    const stop = startHousekeeping()
    await vi.advanceTimersByTimeAsync(59_999)
    expect(done.emptyBin).not.toHaveBeenCalled()
    await vi.advanceTimersByTimeAsync(1)
    expect(done.emptyBin).toHaveBeenCalledTimes(1)
    expect(done.forgetBefore).toHaveBeenCalledWith(expect.anything(), at)
    await vi.advanceTimersByTimeAsync(3_540_000)
    expect(done.emptyBin).toHaveBeenCalledTimes(2)
    stop()
    await vi.advanceTimersByTimeAsync(7_200_000)
    expect(done.emptyBin).toHaveBeenCalledTimes(2)
  })
  it('stopped before its first minute it does nothing', async () => {
    startHousekeeping()()
    await vi.advanceTimersByTimeAsync(120_000)
    expect(done.emptyBin).not.toHaveBeenCalled()
  })
  it('a fault is told, one of a database that is away not', async () => {
    const stop = startHousekeeping()
    done.emptyBin.mockRejectedValueOnce(AWAY)
    await vi.advanceTimersByTimeAsync(60_000)
    expect(told).not.toHaveBeenCalled()
    done.emptyBin.mockRejectedValueOnce(new TypeError('x'))
    await vi.advanceTimersByTimeAsync(3_540_000)
    expect(told.mock.calls.map((c: unknown[]) => String(c[0]))).toEqual([expect.stringContaining('tidying up did not work (')])
    stop()
  })
  it('thins whatever was touched in nine days, two hundred at a time', async () => {
    const page = (n: number, from: number) => Array.from({ length: n }, (_, i) => ({ id: `p${from + i}` }))
    done.find.mockResolvedValueOnce(page(200, 0)).mockResolvedValueOnce(page(3, 200))
    const tidying = tidy(em as unknown as Parameters<typeof tidy>[0], at)
    // It rests between them: whoever is asked goes first.
    await vi.advanceTimersByTimeAsync(2000)
    expect(thinned().length).toBeGreaterThan(90)
    expect(thinned().length).toBeLessThan(110)
    await vi.advanceTimersByTimeAsync(2060)
    await tidying
    expect(thinned()).toHaveLength(203)
    const asked = done.find.mock.calls as unknown as [unknown, { updatedAt: { $gt: Date } }, Record<string, unknown>][]
    expect(asked.map(c => c[2])).toEqual([0, 200].map(offset => ({
      fields: ['id'], orderBy: { id: 'asc' }, limit: 200, offset,
    })))
    expect(asked[0]![1].updatedAt.$gt).toEqual(new Date('2026-11-19T08:00:00Z'))
  })
})
