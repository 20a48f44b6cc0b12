/**
 * Batches of this day that are being made: what they have behind them goes into the sheet, with the minutes their pots
 * will still take; the rest is re-planned.
 */
import { wrap, type Remote } from 'comlink'
import { format, parseISO } from 'date-fns'
import { begunBy } from '#core/book/onDay'
import type { BatchRecord } from '#core/book/record'
import { type BookPage, type DeviceRecord, probeBias } from '../../shared/book'
import type { PotApi } from '../workers/pot.worker'
import type { LiveDay } from './useDay'

const EVERY_MS = 30_000
/** Less than this is the same start, ms. */
const SAME_MS = 60_000
/** A pot that is done so much sooner or later is told, min. */
const SAME_MIN = 1

export function useDayBatches(day: LiveDay, date: Ref<string>) {
  /** The batch of a dessert, by the dessert's id. */
  const batches = shallowRef(new Map<string, string>())
  let pot: Remote<PotApi> | null = null
  let worker: Worker | null = null
  onScopeDispose(() => worker?.terminate())
  /** When the pot of a batch is done, by its probe. */
  async function doneS(record: BatchRecord): Promise<number | null> {
    worker ??= new Worker(new URL('../workers/pot.worker.ts', import.meta.url), { type: 'module' })
    pot ??= wrap<PotApi>(worker)
    const { items } = await api<{ items: DeviceRecord[] }>('/api/devices').catch(() => ({ items: [] }))
    return pot.doneS(toPlain(record), probeBias(items))
  }
  async function look() {
    const s = day.sheet.value
    if (!s || date.value !== format(new Date(), 'yyyy-MM-dd')) return
    const found = new Map<string, string>()
    for (const d of s.desserts) {
      if (!d.formulaId) continue
      const page = await api<BookPage>('/api/batches', { query: { formula: d.formulaId } }).catch(() => null)
      const item = page?.items.find(b => format(parseISO(b.startedAt), 'yyyy-MM-dd') === date.value)
      const steps = day.stepsOf(d)
      if (!item || !steps) continue
      found.set(d.id, item.id)
      const batch = await api<{ record: BatchRecord }>(`/api/batches/${item.id}`).catch(() => null)
      const potS = batch && await doneS(batch.record)
      if (!batch || day.sheet.value !== s) continue
      const { startedAt, events, formula } = batch.record
      take(d.id, begunBy(steps, events, startedAt, formula.assembly.count, potS))
    }
    batches.value = found
  }
  /** What the sheet does not say yet. */
  function take(dessertId: string, begun: ReturnType<typeof begunBy>) {
    const d = day.sheet.value?.desserts.find(x => x.id === dessertId)
    if (!d) return
    const isNew = begun.done.some(id => !d.done.includes(id)) || Object.entries(begun.startMs).some(([id, ms]) => {
      const there = d.fixed[id]
      return !there?.began || Math.abs(Date.parse(there.start) - ms) >= SAME_MS
    }) || Object.entries(begun.lasts).some(([id, minutes]) =>
      Math.abs((d.fixed[id]?.lasts ?? 0) - minutes) >= SAME_MIN)
    if (!isNew) return
    const who = new Map(day.plan.value?.tasks.filter(t => t.dessert === dessertId).map(t => [t.id, t.who]))
    day.change((s) => {
      const own = s.desserts.find(x => x.id === dessertId)!
      own.done = [...new Set([...own.done, ...begun.done])]
      for (const [id, ms] of Object.entries(begun.startMs))
        own.fixed[id] = {
          start: format(new Date(ms), 'yyyy-MM-dd\'T\'HH:mm:ss'), who: who.get(id) ?? null, began: true,
          ...(begun.lasts[id] === undefined ? {} : { lasts: begun.lasts[id] }),
        }
    })
  }
  watch([day.isPlanned, date], ([isPlanned]) => { if (isPlanned) void look() }, { immediate: true })
  useIntervalFn(() => void look(), EVERY_MS)
  return { batches }
}
