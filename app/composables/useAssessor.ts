/**
 * The two workers behind the workspace. Live: latest wins, a late answer never replaces a newer one. Bulk: follows
 * 100 ms after the last change, is cancelled by id when the inputs move on. Each is restarted without loss if it dies.
 */
import { proxy, wrap, type Remote } from 'comlink'
import type { Assessment } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import type { Part } from '#core/pipeline/dessert'
import type { Kitchen } from '#core/kitchen/kitchen'
import type { Adjustment } from '#core/solve/adjust'
import type { Lever } from '#core/solve/elasticity'
import type { Shares } from '#core/solve/sampling'
import type { BulkApi, BulkProgress } from '../workers/bulk.worker'
import { takeLiveWorker } from './liveWorker'
import type { InputProblem, LiveAnswer, LiveApi } from '../workers/live.worker'

const BULK_DELAY_MS = 100
/**
 * A worker that says nothing for this long is taken for dead: an assessment takes milliseconds, a whole search below
 * a second or two.
 */
const LIVE_SILENCE_MS = 3000
const BULK_SILENCE_MS = 15000

/** Rejects when an answer does not come in time. */
export function inTime<T>(answer: Promise<T>, ms: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout>
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('no answer')), ms)
  })
  return Promise.race([answer, late]).finally(() => clearTimeout(timer))
}

/** Rejects when a worker says nothing for too long: each sign of life buys it time. */
export function whileItSpeaks<T>(ms: number, call: (sign: () => void) => Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const listen = () => {
      clearTimeout(timer)
      timer = setTimeout(() => reject(new Error('no answer')), ms)
    }
    listen()
    call(listen)
      .then(resolve, reject)
      .finally(() => clearTimeout(timer))
  })
}

export interface Keeper<T> {
  api: () => Remote<T>
  restart: () => void
  stop: () => void
}

/** Keeps a worker alive: on an error it is replaced, and `onRestart` resends what was lost. */
export function keepWorker<T>(make: () => Worker, onRestart: () => void): Keeper<T> {
  let worker: Worker | null = null
  let remote: Remote<T> | null = null
  const start = () => {
    const w = (worker = make())
    remote = wrap<T>(w)
    w.onerror = w.onmessageerror = () => {
      if (w === worker) restart()
    }
  }
  const stop = () => {
    worker?.terminate()
    worker = remote = null
  }
  const restart = () => {
    stop()
    start()
    onRestart()
  }
  return {
    api: () => {
      if (!remote) start()
      return remote!
    },
    restart,
    stop,
  }
}

export function useAssessor() {
  const assessment = shallowRef<Assessment | null>(null)
  /** The component the assessment is of. */
  const of = ref('')
  /** How all components of the dessert stand. */
  const parts = shallowRef<Part[]>([])
  const problem = shallowRef<InputProblem | null>(null)
  const shares = shallowRef<Shares | null>(null)
  const adjustments = shallowRef<Adjustment[]>([])
  const levers = shallowRef<Lever[]>([])
  /** The direction levers are offered in. */
  const firmer = ref(true)
  /** Sequence numbers: of the last question, of the last point answer, of the last shares and adjustments. */
  const asked = ref(0)
  const answered = ref(0)
  const sampled = ref(0)
  const adjusted = ref(0)

  let latest: { seq: number, doc: Bench, kitchen: Kitchen } | null = null
  let busy = false
  let job = 0

  const live = keepWorker<LiveApi>(
    takeLiveWorker,
    () => {
      busy = false
      pump()
    },
  )
  const bulk = keepWorker<BulkApi>(
    () => new Worker(new URL('../workers/bulk.worker.ts', import.meta.url), { type: 'module' }),
    () => startBulk(),
  )

  async function pump() {
    if (busy || !latest || latest.seq <= answered.value) return
    busy = true
    const question = latest
    try {
      const answer = await inTime(
        live.api().assess(question.seq, question.doc, question.kitchen) as Promise<LiveAnswer>,
        LIVE_SILENCE_MS,
      )
      if (answer.seq > answered.value) {
        answered.value = answer.seq
        parts.value = answer.parts
        if ('assessment' in answer) {
          assessment.value = answer.assessment
          of.value = answer.of
          problem.value = null
        } else {
          problem.value = answer.problem
        }
      }
      busy = false
    } catch {
      busy = false
      live.restart()
      return
    }
    pump()
  }

  function startBulk() {
    if (!latest) return
    const { seq, doc, kitchen } = latest
    const id = ++job
    const take = (from: number, progress: BulkProgress) => {
      if (from !== job || seq !== asked.value) return
      if (progress.shares) {
        shares.value = progress.shares
        sampled.value = seq
      }
      if (progress.levers) levers.value = progress.levers
      if (progress.adjustments) {
        adjustments.value = progress.adjustments
        adjusted.value = seq
      }
    }
    inTime(bulk.api().run(id, doc, kitchen, firmer.value, proxy(take)), BULK_SILENCE_MS).then(
      (finished) => {
        if (finished && id === job && seq === asked.value) sampled.value = adjusted.value = seq
      },
      () => {
        if (id === job) bulk.restart()
      },
    )
  }

  const bulkSoon = useTimeoutFn(startBulk, BULK_DELAY_MS, { immediate: false })

  /** Asks for the assessment of a document; only plain data crosses. */
  function ask(doc: Bench, kitchen: Kitchen) {
    latest = { seq: ++asked.value, doc: toPlain(doc), kitchen: toPlain(kitchen) }
    if (job > 0) void bulk.api().cancel(job)
    job++
    bulkSoon.start()
    void pump()
  }

  /** Offers the levers in the other direction. */
  function turn() {
    firmer.value = !firmer.value
    if (latest) ask(latest.doc, latest.kitchen)
  }

  onScopeDispose(() => {
    live.stop()
    bulk.stop()
  })

  return {
    ask,
    turn,
    assessment,
    of,
    parts,
    problem,
    shares,
    adjustments,
    levers,
    pointSettled: computed(() => asked.value > 0 && answered.value === asked.value),
    sharesSettled: computed(() => asked.value > 0 && sampled.value === asked.value),
    adjustmentsSettled: computed(() => asked.value > 0 && adjusted.value === asked.value),
  }
}

/** A plain copy, free of proxies. */
export const toPlain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
