/** The whole dessert in its worker: the latest wins, what was there stays until the next is worked out. */
import type { Planned } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import type { PlateAnswer, PlateApi } from '../workers/plate.worker'
import { keepWorker, toPlain } from './useAssessor'

export function usePlate(planned: () => Planned | null, kitchen: () => Kitchen | null) {
  const answer = shallowRef<Exclude<PlateAnswer, { problem: string }> | null>(null)
  const problem = ref<string | null>(null)
  const settled = ref(false)
  const keeper = keepWorker<PlateApi>(
    () => new Worker(new URL('../workers/plate.worker.ts', import.meta.url), { type: 'module' }), () => void ask(),
  )
  onScopeDispose(keeper.stop)
  let asking = false
  let again = false
  async function ask() {
    const [p, k] = [planned(), kitchen()]
    if (!p || !k) return
    settled.value = false
    again = asking
    if (asking) return
    asking = true
    const said = await keeper.api().plate(toPlain(p), toPlain(k)).finally(() => { asking = false })
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
