/**
 * A batch as it goes on: what the server has of it, with what this browser has not sent yet on top. News come over the
 * batch's line from whoever writes them; what happens here is kept at once, sent again until it is answered, and counts
 * once.
 */
import type { BatchEvent, BatchRecord, Happened, Series } from '#core/book/record'
import { holding } from '#core/book/record'
import { stepStates } from '#core/book/steps'
import { type BatchClock, type BatchNews, type BatchWhole, channelKey } from '../../shared/book'
import type { SentEvent } from '../../shared/schemas/book'
import { keepEvent, keptEvents, letGoEvents, SENT_MOST } from './keptEvents'

const RETRY_MS = 1500
/** The clock on screen is read so often, ms. */
const TICK_MS = 250

export function useBatch(id: string) {
  const whole = shallowRef<BatchWhole | null>(null)
  const missing = ref(false)
  const failed = ref(false)
  const pending = shallowRef<SentEvent[]>(keptEvents(id))
  /** What the server did not take, and why: told, since it is in no batch. */
  const refused = shallowRef<{ event: SentEvent, code: string }[]>([])
  const connected = ref(false)

  /* The clock: as the server last said it, and the time since by this device's own stopwatch. */
  const clock = shallowRef<BatchClock & { heardMs: number }>({ nowS: 0, speed: 1, heardMs: performance.now() })
  const tick = ref(performance.now())
  useIntervalFn(() => { tick.value = performance.now() }, TICK_MS)
  const nowAt = (ms: number) => clock.value.nowS + (clock.value.speed * Math.max(0, ms - clock.value.heardMs)) / 1000
  const nowS = computed(() => nowAt(tick.value))
  const hear = (c: BatchClock) => {
    clock.value = { ...c, heardMs: performance.now() }
  }

  const mine = computed<BatchEvent[]>(() => pending.value.map(e =>
    ({ id: e.id, atS: e.atS, actorId: 'me', ...e.happened }) as BatchEvent))
  const record = computed<BatchRecord | null>(() => {
    const w = whole.value
    if (!w) return null
    const known = new Set(w.record.events.map(e => e.id))
    return { ...w.record, events: [...w.record.events, ...mine.value.filter(e => !known.has(e.id))] }
  })
  const events = computed(() => record.value?.events ?? [])
  const held = computed(() => holding(events.value))
  const steps = computed(() => stepStates(events.value))
  const texts = computed(() => new Map([
    ...(whole.value?.texts ?? []).map(t => [t.id, t.text] as const),
    ...pending.value.flatMap(e => (e.text ? [[e.text.id, e.text.text] as const] : [])),
  ]))

  function take(news: BatchNews) {
    hear(news.clock)
    const w = whole.value
    if (!w) return
    const known = new Set(w.record.events.map(e => e.id))
    const fresh = news.events.filter(e => !known.has(e.id))
    const readings = news.series.reduce(withSeries, w.record.readings)
    whole.value = {
      ...w,
      head: Math.max(w.head, news.head),
      record: { ...w.record, events: [...w.record.events, ...fresh], readings },
      texts: news.texts.length > 0 ? news.texts : w.texts,
      names: { ...w.names, ...news.names },
    }
    forgetSent()
  }
  /** What the server has is not pending any more. */
  function forgetSent() {
    const known = new Set(whole.value?.record.events.map(e => e.id))
    if (pending.value.some(e => known.has(e.id))) keep(pending.value.filter(e => !known.has(e.id)))
  }
  function keep(list: SentEvent[]) {
    const [before, now] = [new Set(pending.value.map(e => e.id)), new Set(list.map(e => e.id))]
    for (const e of list)
      if (!before.has(e.id)) keepEvent(id, e)
    letGoEvents(id, pending.value.filter(e => !now.has(e.id)), list.length === 0)
    pending.value = list
  }
  /** What another tab left behind is sent from here, too; it counts once. */
  function adopt() {
    const mine = new Set(pending.value.map(e => e.id))
    const left = keptEvents(id).filter(e => !mine.has(e.id))
    if (left.length > 0) pending.value = [...pending.value, ...left]
  }

  async function load(): Promise<void> {
    adopt()
    try {
      const said = await api<BatchWhole>(`/api/batches/${id}`)
      // What was taken while this was on its way is not in it yet.
      const known = new Set(said.record.events.map(e => e.id))
      const newer = whole.value?.record.events.filter(e => !known.has(e.id)) ?? []
      whole.value = { ...said, record: { ...said.record, events: [...said.record.events, ...newer] } }
      hear(whole.value.clock)
      failed.value = false
      forgetSent()
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      if (error.status === 404) missing.value = true
      else failed.value = true
    }
  }

  /** What the server has taken is no longer this browser's alone. */
  function taken(some: readonly SentEvent[]) {
    const w = whole.value
    if (w) {
      const known = new Set(w.record.events.map(e => e.id))
      const sent = new Set(some.map(e => e.id))
      const events = [...w.record.events, ...mine.value.filter(e => sent.has(e.id) && !known.has(e.id))]
      whole.value = { ...w, record: { ...w.record, events } }
    }
    keep(pending.value.filter(e => !some.some(x => x.id === e.id)))
  }

  /* Sending: in order, again until it is answered. */
  let sending = false
  async function send(): Promise<void> {
    if (sending) return
    sending = true
    try {
      // What is refused with others is sent again alone, so that none goes with another's fault.
      let most = SENT_MOST
      while (pending.value.length > 0) {
        const some = pending.value.slice(0, most)
        try {
          await api(`/api/batches/${id}/events`, { method: 'POST', body: { events: some } })
          taken(some)
          most = SENT_MOST
        } catch (error) {
          if (!(error instanceof ApiError)) throw error
          if (error.away) {
            setTimeout(() => void send(), RETRY_MS)
            return
          }
          if (some.length > 1) {
            most = 1
            continue
          }
          refused.value = [...refused.value, { event: some[0]!, code: error.problem.code }]
          keep(pending.value.slice(1))
        }
      }
    } finally {
      sending = false
    }
  }

  /** Something happened, now. @returns the event's id */
  function happen(happened: Happened, text = '', atS = nowAt(performance.now())): string {
    const eventId = crypto.randomUUID()
    const words = text.trim() === '' ? null : { id: crypto.randomUUID(), text: text.trim() }
    const said = words && happened.kind === 'note' ? { ...happened, textId: words.id }
      : words && happened.kind === 'corrected' ? { ...happened, whyId: words.id } : happened
    keep([...pending.value, { id: eventId, atS: Math.round(10 * atS) / 10, happened: toPlain(said), text: words }])
    void send()
    return eventId
  }
  /** What holds in place of an event, and why. */
  const correct = (eventId: string, instead: Happened | null, why = '') =>
    happen({ kind: 'corrected', eventId, whyId: null, instead }, why)

  /* The line: what others write, and the instruments. */
  let source: EventSource | null = null
  function listen() {
    source?.close()
    const w = whole.value
    if (!w) return
    const have = Object.fromEntries(w.record.readings.map(s => [channelKey(s), s.timeS.at(-1) ?? -1]))
    source = new EventSource(`/api/batches/${id}/line?after=${w.head}&have=${encodeURIComponent(JSON.stringify(have))}`)
    source.onopen = () => {
      connected.value = true
    }
    source.onmessage = message => take(JSON.parse(message.data as string) as BatchNews)
    source.onerror = () => {
      connected.value = false
      source?.close()
      source = null
      setTimeout(() => void again(), RETRY_MS)
    }
  }
  let open = true
  async function again() {
    if (!open || source) return
    await load()
    listen()
    void send()
  }
  onScopeDispose(() => {
    open = false
    source?.close()
  })
  const ready = load().then(() => {
    if (!open || missing.value) return
    if (whole.value) listen()
    else setTimeout(() => void again(), RETRY_MS)
    void send()
  })
  onBack(() => void again())

  /** The clock and the flame of a demonstration. */
  async function setClock(ask: { speed?: number, power?: number, skipS?: number }) {
    const said = await api<BatchClock & { power: number }>(`/api/batches/${id}/clock`, { method: 'PUT', body: ask })
    hear(said)
    if (whole.value) whole.value = { ...whole.value, power: said.power }
  }

  return {
    id, whole, record, events, held, steps, texts, nowS, clock, missing, failed, refused, connected, pending, ready,
    load, happen, correct, setClock,
  }
}
export type LiveBatch = ReturnType<typeof useBatch>

/** Readings with some more of one channel. */
function withSeries(all: readonly Series[], more: Series): Series[] {
  const old = all.find(s => s.deviceId === more.deviceId && s.channel === more.channel)
  if (!old) return [...all, more]
  const from = more.timeS.findIndex(t => t > (old.timeS.at(-1) ?? -1))
  if (from < 0) return [...all]
  const grown = {
    ...old, timeS: [...old.timeS, ...more.timeS.slice(from)], values: [...old.values, ...more.values.slice(from)],
  }
  return all.map(s => (s === old ? grown : s))
}
