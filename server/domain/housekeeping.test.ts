/** The server's own round by its clock: when it comes, how it rests, what it says when it fails. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

const at = new Date('2026-11-28T08:00:00Z')
const done = vi.hoisted(() => ({
  thinVersions: vi.fn(), emptyBin: vi.fn(), forgetBefore: vi.fn(),
  find: vi.fn((): Promise<{ id: string }[]> => Promise.resolve([])),
}))
const em = { fork: () => ({ find: done.find }), execute: () => Promise.resolve([{ id: 'k1' }]) }
vi.mock('../utils/orm', () => ({ newEm: () => Promise.resolve(em), now: () => at }))
vi.mock('./versions', () => ({ thinVersions: done.thinVersions }))
vi.mock('./bin', () => ({ emptyBin: done.emptyBin }))
vi.mock('./mutations', () => ({ forgetBefore: done.forgetBefore }))
const { startHousekeeping, tidy } = await import('./housekeeping')

const AWAY = { code: 'ECONNREFUSED' }
const thinned = () => done.thinVersions.mock.calls.map(c => c[1] as string)
let told: ReturnType<typeof vi.spyOn>
beforeEach(() => {
  vi.useFakeTimers({ now: at })
  told = vi.spyOn(console, 'error').mockImplementation(() => {})
  Object.values(done).forEach(f => f.mockClear())
})
afterEach(async () => {
  await vi.advanceTimersByTimeAsync(5000)
  vi.useRealTimers()
  told.mockRestore()
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
