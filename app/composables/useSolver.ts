/**
 * Jobs for the solving worker: one at a time, with progress, cancelled by the next or by hand, restarted if it dies.
 */
import { proxy } from 'comlink'
import { keepWorker, toPlain, whileItSpeaks } from './useAssessor'
import type {
  SolveAnswer,
  SolveApi,
  SolveProblem,
  SolveProgress,
  SolveResults,
  SolveTask,
} from '../workers/solve.worker'

export type SolveOutcome<K extends keyof SolveResults> = { value: SolveResults[K] } | { problem: SolveProblem } | null

/**
 * A worker that says nothing for this long is taken for dead. Its steps take milliseconds, but on a busy tablet the
 * loading of the worker alone can take several seconds: giving it up early would only start the same load again.
 */
export const SOLVER_SILENCE_MS = 20_000

export function useSolver() {
  const running = ref(false)
  const done = ref(0)
  /** The last job gave no answer twice over: whoever asked says so and offers to ask again. */
  const gaveUp = ref(false)
  let job = 0
  const keeper = keepWorker<SolveApi>(
    () => new Worker(new URL('../workers/solve.worker.ts', import.meta.url), { type: 'module' }),
    () => {},
  )

  /** Gives up what is running. */
  function cancel() {
    if (running.value) void keeper.api().cancel(job)
    job++
    running.value = false
  }
  const attempt = (id: number, task: SolveTask, onProgress: (p: SolveProgress) => void): Promise<SolveAnswer> =>
    whileItSpeaks(
      SOLVER_SILENCE_MS,
      async sign =>
        await keeper.api().run(
          id,
          task,
          proxy((from: number, p: SolveProgress) => {
            if (from !== job) return
            sign()
            done.value = p.done
            onProgress(p)
          }),
        ),
    )
  /**
   * Runs a task; the one before it is cancelled. @returns null when it was cancelled itself, or gave no answer twice
   */
  async function run<K extends keyof SolveResults>(
    task: Extract<SolveTask, { kind: K }>,
    onProgress: (p: SolveProgress) => void = () => {},
  ): Promise<SolveOutcome<K>> {
    cancel()
    const id = job
    running.value = true
    gaveUp.value = false
    done.value = 0
    for (let tries = 0; tries < 2; tries++) {
      try {
        const answer = await attempt(id, toPlain(task) as SolveTask, onProgress)
        if (id !== job || 'cancelled' in answer) return null
        running.value = false
        return answer as SolveOutcome<K>
      } catch {
        if (id !== job) return null
        keeper.restart()
      }
    }
    running.value = false
    gaveUp.value = true
    return null
  }
  onScopeDispose(() => {
    job++
    keeper.stop()
  })
  return { run, cancel, running, done, gaveUp }
}
