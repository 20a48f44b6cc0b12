/** The whole dessert in its worker: the latest wins, what was there stays until the next is worked out. */
import type { Planned } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import type { PlateAnswer, PlateApi } from '../workers/plate.worker'
import { inTime, keepWorker, toPlain } from './useAssessor'

/** A worker that says nothing for so long is begun anew, ms. */
const SILENCE_MS = 8000

export function usePlate(planned: () => Planned | null, kitchen: () => Kitchen | null) {
  const answer = shallowRef<Exclude<PlateAnswer, { problem: string }> | null>(null)
  const problem = ref<string | null>(null)
  const settled = ref(false)
  let asking = false
  let again = false
  let turn = 0
  const keeper = keepWorker<PlateApi>(
    () => new Worker(new URL('../workers/plate.worker.ts', import.meta.url), { type: 'module' }),
    () => {
      asking = false
      void ask()
    },
  )
  onScopeDispose(keeper.stop)
  async function ask() {
    const [p, k] = [planned(), kitchen()]
    if (!p || !k) return
    settled.value = false
    again = asking
    if (asking) return
    asking = true
    const mine = ++turn
    const answered = keeper.api().plate(toPlain(p), toPlain(k)) as Promise<PlateAnswer>
    const said = await inTime(answered, SILENCE_MS).catch(() => null)
    // A worker that is gone is replaced, and asked anew; what it was asked before is no longer waited for.
    if (mine !== turn) return
    if (!said) return keeper.restart()
    asking = false
    if ('problem' in said) problem.value = said.problem
    else {
      problem.value = null
      answer.value = said
    }
    if (again) void ask()
    else settled.value = true
  }
  watch([planned, kitchen], () => void ask(), { immediate: true })
  return { answer, problem, settled }
}
