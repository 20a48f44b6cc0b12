/**
 * The one way to the server for whatever is written: formulas, the kitchen, lots. A change is kept in the browser at
 * once, sent after a moment, repeated until it is answered and counted once. What somebody else wrote meanwhile is
 * merged by field; where both changed the same, nothing is lost and a person decides.
 */
import { same, type Side } from '../../shared/merge'
import {
  afterTaken, beside, changed, type Entry, isAsked, joined, KINDS, newEntry, type Settled,
} from '../composables/outboxEntry'
import {
  adoptUnsent,
  allUnsent,
  documentKey,
  dropUnsent,
  isUnsentKey,
  keepUnsent,
  DOCUMENT_KINDS,
  type DocumentKind,
  type Unsent,
  type Write,
} from '../composables/unsent'

const SAVE_DELAY_MS = 500
const RETRY_MS = [1000, 2000, 4000]

export const useOutboxStore = defineStore('outbox', () => {
  const entries = shallowRef<Record<string, Entry>>({})
  /** Names of what other tabs of this browser have not sent yet. */
  const elsewhere = ref<string[]>([])
  const settledHook = createEventHook<Settled>()
  const timers = new Map<string, ReturnType<typeof setTimeout>>()
  const running = new Map<string, Promise<void>>()
  const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('lumbik')
  const changedElsewhere = createEventHook<{ kind: DocumentKind, id: string, version: number }>()
  let tab = ''
  /** What was left unsent is known; nothing may be opened before. */
  const ready = start()

  async function start() {
    tab = await claimTab()
    await adopt()
  }
  async function adopt() {
    for (const kept of adoptUnsent(tab, await livingTabs())) {
      const key = documentKey(kept.kind, kept.id)
      if (entries.value[key]) continue
      update(key, { ...newEntry(kept, 'unsent'), inFlight: kept.inFlight })
      void send(key)
    }
    look()
  }
  const look = () => {
    elsewhere.value = allUnsent()
      .filter(e => e.tab !== tab)
      .map(e => e.name)
  }

  const keep = ({ kind, id, name, tab, base, value, inFlight }: Entry) =>
    keepUnsent({ kind, id, name, tab, base, value, inFlight })
  /** While something is dragged its first change is kept, and the last when it is let go: none of those between. */
  const { pressed } = useMousePressed({ drag: false })
  const held = new Set<string>()
  function keepHeld() {
    for (const key of held) if (entries.value[key]) keep(entries.value[key])
    held.clear()
  }
  watch(pressed, is => is || keepHeld(), { flush: 'sync' })
  if (import.meta.client) useEventListener(window, 'pagehide', keepHeld)

  function update(key: string, entry: Entry | null) {
    const { [key]: old, ...rest } = entries.value
    entries.value = entry ? { ...entries.value, [key]: entry } : rest
    if (!entry) {
      held.delete(key)
      if (old) dropUnsent(old)
    } else if (pressed.value && old) held.add(key)
    else keep(entry)
  }
  const entryOf = (kind: DocumentKind, id: string): Entry | null => entries.value[documentKey(kind, id)] ?? null

  /** Notes a change; it goes out after a moment, with whatever is changed until then. */
  function put(kind: DocumentKind, id: string, name: string, base: Unsent['base'], value: unknown) {
    // Whoever may not write it looks and tries; nothing is kept.
    if (!useDoorStore().mayWrite(kind)) return
    const key = documentKey(kind, id)
    const old = entries.value[key]
    const entry = old ? changed(old, name, value) : newEntry({ kind, id, name, tab, base, value })
    update(key, entry)
    if (isAsked(entry)) return
    sendIn(key, SAVE_DELAY_MS)
  }
  function sendIn(key: string, ms: number) {
    clearTimeout(timers.get(key))
    timers.set(
      key,
      setTimeout(() => void send(key), ms),
    )
  }

  /** Sends what waits of a document; asked while it is being sent, it waits for that. */
  function send(key: string): Promise<void> {
    clearTimeout(timers.get(key))
    const now = running.get(key) ?? sendAll(key).finally(() => running.delete(key))
    running.set(key, now)
    return now
  }
  async function sendAll(key: string): Promise<void> {
    await ready
    while (await sendOnce(key)) {
      /* What was changed meanwhile goes with the next. */
    }
  }

  /** One write. @returns whether there is more to send at once */
  async function sendOnce(key: string): Promise<boolean> {
    const entry = entries.value[key]
    if (!entry || entry.state === 'conflict' || entry.state === 'deleted') return false
    const write: Write = entry.inFlight ?? {
      mutationId: crypto.randomUUID(),
      baseVersion: entry.base.version,
      value: entry.value,
    }
    update(key, { ...entry, inFlight: write, state: entry.state === 'unsent' ? 'unsent' : 'sending' })
    try {
      const answer = await KINDS[entry.kind].put(entry, write)
      return taken(key, write, answer)
    } catch (error) {
      if (!(error instanceof ApiError)) throw error
      return notTaken(key, write, error)
    }
  }

  function taken(key: string, write: Write, answer: { version: number, updatedAt?: string }): boolean {
    const entry = entries.value[key]
    if (!entry) return false
    // A lot's figures are worked out from its card by the server: what it answers is what is there.
    const value = entry.kind === 'lot' ? KINDS.lot.valueOf(answer) : write.value
    const done = same(entry.value, write.value)
    update(key, afterTaken(entry, write, answer.version, value))
    settledHook.trigger({
      kind: entry.kind,
      id: entry.id,
      version: answer.version,
      updatedAt: answer.updatedAt ?? new Date().toISOString(),
      value: done ? value : entry.value,
      merged: false,
      before: entry.value,
    })
    channel?.postMessage({ kind: entry.kind, id: entry.id, version: answer.version })
    if (done) void adopt()
    return !done
  }

  function notTaken(key: string, write: Write, error: ApiError): boolean {
    const entry = entries.value[key]
    if (!entry) return false
    if (error.status === 409 && error.problem.current) return conflicting(key, entry, write, error)
    if (error.status === 410 || error.status === 404) {
      update(key, { ...entry, inFlight: null, state: 'deleted', problem: error.problem })
      return false
    }
    if (!error.away) {
      // The server looked at it and said no: sending the same again would not help.
      update(key, { ...entry, inFlight: null, state: 'refused', problem: error.problem })
      return !same(entry.value, write.value)
    }
    update(key, { ...entry, state: 'unsent', tries: entry.tries + 1 })
    sendIn(key, RETRY_MS[Math.min(entry.tries, RETRY_MS.length - 1)]!)
    return false
  }

  /** Somebody else wrote first: what differs is merged; what both changed waits for a decision. */
  function conflicting(key: string, entry: Entry, write: Write, error: ApiError): boolean {
    const { current, taken: wasTaken } = error.problem as unknown as {
      current: { version: number, updatedAt?: string }
      taken: boolean
    }
    const next = beside(entry, write, current, wasTaken)
    if (next.clashes.length === 0) return join(key, next, 'mine')
    update(key, { ...next, state: 'conflict' })
    return false
  }

  /**
   * Takes both into one; where both changed the same, the side asked for.
   * @returns whether anything of mine is left to send
   */
  function join(key: string, entry: Entry, prefer: Side): boolean {
    const theirs = entry.theirs!
    const { value, left } = joined(entry, prefer)
    update(key, left)
    settledHook.trigger({
      kind: entry.kind,
      id: entry.id,
      version: theirs.version,
      updatedAt: new Date().toISOString(),
      value,
      merged: true,
      before: entry.base.value,
    })
    return left !== null
  }

  /** Decides a conflict: whose fields count where both changed the same. */
  function decide(kind: DocumentKind, id: string, prefer: Side) {
    const key = documentKey(kind, id)
    const entry = entries.value[key]
    if (entry?.theirs && join(key, entry, prefer)) void send(key)
  }
  /** Gives up what is unsent of a document; how it stands on the server counts. */
  function drop(kind: DocumentKind, id: string) {
    const key = documentKey(kind, id)
    clearTimeout(timers.get(key))
    update(key, null)
  }
  /** Keeps what somebody else deleted: out of the bin, or anew when it is no longer there. @throws {ApiError} */
  async function keepDeleted(kind: DocumentKind, id: string) {
    const key = documentKey(kind, id)
    const entry = entries.value[key]
    if (!entry) return
    if (entry.problem?.code !== 'deletedFormula' && kind === 'formula') {
      await api('/api/formulas', {
        method: 'POST',
        body: { id, mutationId: crypto.randomUUID(), document: entry.value, label: 'kept' },
      })
      update(key, { ...entry, base: { version: 1, value: entry.value }, state: 'sending', problem: null })
    } else {
      await api('/api/bin/restore', { method: 'POST', body: { kind, id } })
      update(key, { ...entry, state: 'sending', problem: null })
    }
    await send(key)
  }
  /** Waits until a document's changes are on the server, or cannot be now. */
  async function flush(kind: DocumentKind, id: string): Promise<Entry | null> {
    await send(documentKey(kind, id))
    return entryOf(kind, id)
  }
  /** Writes of this browser that the server has taken since the page came. */
  let landed = 0
  settledHook.on(() => void landed++)
  /** Reads from the server. What was read while a write landed may be from before it: it is read once more. */
  async function readAfterWrites<T>(read: () => Promise<T>): Promise<T> {
    for (;;) {
      const before = landed
      const got = await read()
      if (landed === before) return got
    }
  }
  const sendEverything = () => Object.keys(entries.value).forEach(key => void send(key))

  /** Versions that this browser itself made: of those nobody needs to tell it. */
  const own = new Map<string, number>()
  settledHook.on(s => void own.set(documentKey(s.kind, s.id), s.version))
  const isDocument = (kind: string): kind is DocumentKind => (DOCUMENT_KINDS as readonly string[]).includes(kind)
  onNote(({ kind, target, version }) => {
    if (isDocument(kind) && (own.get(documentKey(kind, target)) ?? 0) < version)
      void changedElsewhere.trigger({ kind, id: target, version })
  })

  if (import.meta.client) {
    onBack(sendEverything)
    useEventListener(window, 'online', sendEverything)
    useEventListener(window, 'storage', event => void (isUnsentKey(event.key) && look()))
    useEventListener(document, 'visibilitychange', () => {
      if (document.visibilityState === 'hidden') sendEverything()
      else void ready.then(adopt)
    })
    if (channel)
      useEventListener(
        channel,
        'message',
        (event: MessageEvent) =>
          void changedElsewhere.trigger(event.data as { kind: DocumentKind, id: string, version: number }),
      )
  }

  /** What is not committed and why, for whoever asks whether all is saved. */
  const list = computed(() => Object.values(entries.value))
  return {
    entries,
    list,
    elsewhere,
    ready,
    entryOf,
    put,
    send,
    flush,
    readAfterWrites,
    decide,
    drop,
    keepDeleted,
    onSettled: settledHook.on,
    onChangedElsewhere: changedElsewhere.on,
  }
})
