/** The filter beside a pot: fed by the probe's readings as they come, asked what is to be expected. */
import { wrap, type Remote } from 'comlink'
import type { Bench } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import type { Series } from '#core/book/record'
import type { Watch } from '#core/plan/watch'
import { type DeviceRecord, probeBias } from '../../shared/book'
import type { PotApi, PotOutlook } from '../workers/pot.worker'

export function useLivePot(of: {
  bench: Ref<Bench | null>
  kitchen: Ref<Kitchen | null>
  /** The probe's series, and when the heat went on by the batch's clock; null: not yet. */
  series: Ref<Series | null>
  onS: Ref<number | null>
}) {
  const watched = shallowRef<Watch | null>(null)
  const outlook = shallowRef<PotOutlook | null>(null)
  const worker = new Worker(new URL('../workers/pot.worker.ts', import.meta.url), { type: 'module' })
  const pot: Remote<PotApi> = wrap<PotApi>(worker)
  onScopeDispose(() => worker.terminate())

  /** A probe that was held against ice or boiling water is read as it errs. */
  async function begin(bench: Bench, kitchen: Kitchen) {
    const { items } = await api<{ items: DeviceRecord[] }>('/api/devices').catch(() => ({ items: [] }))
    return pot.begin(toPlain(bench), toPlain(kitchen), probeBias(items))
  }
  let begun: Promise<void> | null = null
  watch([of.bench, of.kitchen], ([bench, kitchen]) => {
    if (bench && kitchen)
      begun ??= begin(bench, kitchen).then((w) => {
        watched.value = w
      })
  }, { immediate: true })

  /** Seconds up to which readings have gone to the filter; one question at a time, the next with all that came. */
  let fedS = -1
  let asking = false
  let putOnS: number | null = null
  async function feed() {
    const onS = of.onS.value
    if (asking || !begun || onS === null) return
    asking = true
    try {
      await begun
      if (putOnS !== onS) {
        await pot.reset()
        fedS = -1
        putOnS = onS
      }
      const { timeS, values } = of.series.value ?? { timeS: [], values: [] }
      const fresh = timeS.flatMap((t, i) =>
        (t - onS > Math.max(0, fedS) && values[i] != null ? [{ atS: t - onS, tempC: values[i]! }] : []))
      if (fresh.length === 0) return
      fedS = fresh.at(-1)!.atS
      outlook.value = (await pot.read(fresh)) as PotOutlook | null
    } finally {
      asking = false
    }
  }
  watch([of.series, of.onS, watched], () => void feed(), { immediate: true })
  // What came while a question was open.
  useIntervalFn(() => void feed(), 500)
  return { watched, outlook }
}
