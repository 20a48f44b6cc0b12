import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { SolveAnswer, SolveProgress, SolveTask } from '../workers/solve.worker'
import { formula, kitchen } from '../../tests/support/core'

/** A worker whose answers the test gives. */
const calls: {
  id: number
  task: SolveTask
  report: (id: number, p: SolveProgress) => void
  answer: (a: SolveAnswer) => void
  fail: () => void
}[] = []
const cancelled: number[] = []
let terminated = 0
vi.mock('comlink', () => ({
  proxy: <T>(x: T) => x,
  wrap: () => ({
    run: (id: number, task: SolveTask, report: (id: number, p: SolveProgress) => void) =>
      new Promise<SolveAnswer>((resolve, reject) =>
        calls.push({ id, task, report, answer: resolve, fail: () => reject(new Error('gone')) }),
      ),
    cancel: (id: number) => {
      cancelled.push(id)
    },
  }),
}))
const { SOLVER_SILENCE_MS, useSolver } = await import('./useSolver')

const task = (): Extract<SolveTask, { kind: 'levers' }> => ({ kind: 'levers', doc: formula(), kitchen, firmer: true })
const scope = effectScope()
const solver = () => scope.run(() => useSolver())!

beforeEach(() => {
  calls.length = cancelled.length = terminated = 0
  vi.useFakeTimers()
  vi.stubGlobal(
    'Worker',
    class {
      onerror = null
      onmessageerror = null
      terminate() {
        terminated++
      }
    },
  )
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const last = () => calls.at(-1)!

describe('jobs for the solving worker', () => {
  it('gives the answer, with progress on the way', async () => {
    const s = solver()
    const seen: number[] = []
    const outcome = s.run<'levers'>(task(), p => seen.push(p.done))
    expect(s.running.value).toBe(true)
    last().report(last().id, { done: 0.4 })
    expect([s.done.value, seen]).toEqual([0.4, [0.4]])
    last().answer({ value: [] })
    expect(await outcome).toEqual({ value: [] })
    expect(s.running.value).toBe(false)
  })
  it('a problem is an answer, named by its field', async () => {
    const s = solver()
    const outcome = s.run<'levers'>(task())
    last().answer({ problem: { code: 'tooLarge', path: 'goal.set.heightM', params: {} } })
    expect(await outcome).toMatchObject({ problem: { path: 'goal.set.heightM' } })
  })
  it('the next job cancels the one before: its late answer and progress count for nothing', async () => {
    const s = solver()
    const first = s.run<'levers'>(task())
    const old = last()
    const second = s.run<'levers'>(task())
    expect(cancelled).toEqual([old.id])
    old.report(old.id, { done: 0.9 })
    expect(s.done.value).toBe(0)
    old.answer({ value: [] })
    expect(await first).toBeNull()
    last().answer({ value: [] })
    expect(await second).toEqual({ value: [] })
  })
  it('stopped by hand, it answers null and runs no more', async () => {
    const s = solver()
    const outcome = s.run<'levers'>(task())
    s.cancel()
    expect(s.running.value).toBe(false)
    last().answer({ cancelled: true })
    expect(await outcome).toBeNull()
  })
  it('a worker that falls silent is replaced and asked again; one that goes on reporting is not', async () => {
    const s = solver()
    const outcome = s.run<'levers'>(task())
    for (let i = 0; i < 4; i++) {
      await vi.advanceTimersByTimeAsync(SOLVER_SILENCE_MS - 1)
      last().report(last().id, { done: i / 4 })
    }
    expect(calls).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(SOLVER_SILENCE_MS + 1)
    expect(terminated).toBe(1)
    expect(calls).toHaveLength(2)
    last().answer({ value: [] })
    expect(await outcome).toEqual({ value: [] })
  })
  it('twice without an answer it gives up, and says so by null', async () => {
    const s = solver()
    const outcome = s.run<'levers'>(task())
    last().fail()
    await vi.advanceTimersByTimeAsync(0)
    last().fail()
    expect(await outcome).toBeNull()
    expect([s.running.value, s.gaveUp.value]).toEqual([false, true])
    expect(calls).toHaveLength(2)
    void s.run<'levers'>(task())
    expect(s.gaveUp.value).toBe(false)
  })
})
