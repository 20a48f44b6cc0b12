/** Jobs for the solving worker: one at a time, with progress, cancelled by the next or by hand, restarted if it dies. */
import { proxy } from 'comlink'
import { keepWorker, toPlain } from './useAssessor'
import type { SolveApi, SolveProblem, SolveProgress, SolveResults, SolveTask } from '../workers/solve.worker'

export type SolveOutcome<K extends keyof SolveResults> = { value: SolveResults[K] } | { problem: SolveProblem } | null

export function useSolver() {
  const running = ref(false)
  const done = ref(0)
  let job = 0
  const keeper = keepWorker<SolveApi>(() => new Worker(new URL('../workers/solve.worker.ts', import.meta.url), { type: 'module' }), () => {})

  /** Gives up what is running. */
  function cancel() {
    if (running.value) void keeper.api().cancel(job)
    job++
    running.value = false
  }
  /** Runs a task; the one before it is cancelled. @returns null when it was cancelled itself */
  async function run<K extends keyof SolveResults>(task: Extract<SolveTask, { kind: K }>, onProgress: (p: SolveProgress) => void = () => {}): Promise<SolveOutcome<K>> {
    cancel()
    const id = job
    running.value = true
    done.value = 0
    try {
      const answer = await keeper.api().run(id, toPlain(task) as SolveTask, proxy((from: number, p: SolveProgress) => {
        if (from !== job) return
        done.value = p.done
        onProgress(p)
      }))
      if (id !== job || 'cancelled' in answer) return null
      running.value = false
      return answer as SolveOutcome<K>
    } catch {
      if (id === job) {
        running.value = false
        keeper.restart()
      }
      return null
    }
  }
  onScopeDispose(() => {
    job++
    keeper.stop()
  })
  return { run, cancel, running, done }
}
