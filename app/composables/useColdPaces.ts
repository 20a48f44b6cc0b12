/** A leg of the cold at several paces, worked out in a worker that is gone once it has said so. */
import { wrap } from 'comlink'
import type { Bench } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import type { Pace } from '#core/live/course'
import type { PotApi } from '../workers/pot.worker'

export function useColdPaces(bench: Bench, kitchen: Kitchen, legId: string) {
  const paces = shallowRef<readonly Pace[] | null>(null)
  const worker = new Worker(new URL('../workers/pot.worker.ts', import.meta.url), { type: 'module' })
  onScopeDispose(() => worker.terminate())
  void (wrap<PotApi>(worker).coldPaces(toPlain(bench), toPlain(kitchen), legId) as Promise<Pace[]>).then((said) => {
    paces.value = said
    worker.terminate()
  }, () => {
    // What the pipeline cannot run is said where it is planned: here nothing is foretold.
  })
  return { paces }
}
