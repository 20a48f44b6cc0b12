/** Batches of this day that are being made: what they have behind them goes into the sheet, the rest is re-planned. */
import { format, parseISO } from 'date-fns'
import { begunBy } from '#core/book/onDay'
import type { BatchEvent } from '#core/book/record'
import type { BookPage } from '../../shared/book'
import type { LiveDay } from './useDay'

const EVERY_MS = 30_000
/** Less than this is the same start, ms. */
const SAME_MS = 60_000

export function useDayBatches(day: LiveDay, date: Ref<string>) {
  /** The batch of a dessert, by the dessert's id. */
  const batches = shallowRef(new Map<string, string>())
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
      const batch = await api<{ record: Made }>(`/api/batches/${item.id}`).catch(() => null)
      if (!batch || day.sheet.value !== s) continue
      const { startedAt, events, formula } = batch.record
      take(d.id, begunBy(steps, events, startedAt, formula.assembly.count))
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
    })
    if (!isNew) return
    const who = new Map(day.plan.value?.tasks.filter(t => t.dessert === dessertId).map(t => [t.id, t.who]))
    day.change((s) => {
      const own = s.desserts.find(x => x.id === dessertId)!
      own.done = [...new Set([...own.done, ...begun.done])]
      for (const [id, ms] of Object.entries(begun.startMs))
        own.fixed[id] = { start: format(new Date(ms), 'yyyy-MM-dd\'T\'HH:mm:ss'), who: who.get(id) ?? null, began: true }
    })
  }
  watch([day.isPlanned, date], ([isPlanned]) => { if (isPlanned) void look() }, { immediate: true })
  useIntervalFn(() => void look(), EVERY_MS)
  return { batches }
}
interface Made { startedAt: string, events: BatchEvent[], formula: { assembly: { count: number } } }
