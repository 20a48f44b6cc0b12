/** Cut faces of kept states: each worked out once, in the solving worker, when it is first to be seen. */
import type { Bench } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import type { Summary } from '#core/pipeline/summary'

/** A state as it is to be drawn; null where it cannot be computed. */
export type Faces = Readonly<Record<string, Summary | null>>

/**
 * @param wanted states by key that are to be seen and whose document is there
 * @param kitchen in which they are made: another one, and all are worked out anew
 */
export function useFaces(wanted: () => Readonly<Record<string, Bench>>, kitchen: () => Kitchen | null) {
  const faces = shallowRef<Faces>({})
  const solver = useSolver()
  async function work() {
    const of = kitchen()
    const missing = Object.entries(wanted()).filter(([key]) => !(key in faces.value))
    if (!of || missing.length === 0) return
    const outcome = await solver.run<'faces'>({ kind: 'faces', docs: missing.map(([, doc]) => doc), kitchen: of })
    if (!outcome || !('value' in outcome)) return
    faces.value = { ...faces.value, ...Object.fromEntries(missing.map(([key], i) => [key, outcome.value[i]!])) }
  }
  watch(wanted, work, { immediate: true })
  watch(kitchen, () => {
    faces.value = {}
    void work()
  })
  return { faces, working: solver.running }
}
