/**
 * The kitchen: settings, places, tins, machines and lots, as the server has them with this browser's unsent changes
 * on top.
 */
import { promiseTimeout } from '@vueuse/core'
import type { ReadHouse } from '#core/formats/reader/read'
import type { Kitchen, Lot } from '#core/kitchen/kitchen'
import { merge, same } from '../../shared/merge'
import {
  coreKitchen, kitchenDocument, type KitchenDocument, type KitchenRecord, type LotRecord, readHouse,
} from '../../shared/kitchen'
import type { Problem } from '../../shared/schemas/problem'
import { say } from '~/words/say'

const CACHE = 'lumbik:kitchen'
/** A card stays open this long for an answer; after that it is kept like every other change, ms. */
const WAIT_MS = 3000

export const useKitchenStore = defineStore('kitchen', () => {
  const outbox = useOutboxStore()
  /** As the server last sent it. */
  const server = shallowRef<KitchenRecord | null>(null)
  /** When this browser's last change was committed; '' while there was none. */
  const savedAt = ref('')

  const entry = computed(() => (server.value ? outbox.entryOf('kitchen', server.value.id) : null))
  const lotEntries = computed(() => outbox.list.filter(e => e.kind === 'lot' && e.state !== 'deleted'))
  const lots = computed<LotRecord[]>(() => {
    const sent = server.value?.lots ?? []
    const changed = new Map(lotEntries.value.map(e => [e.id, { ...(e.value as Lot), version: e.base.version }]))
    if (changed.size === 0) return sent
    return [
      ...sent.map(l => changed.get(l.id) ?? l),
      ...[...changed.values()].filter(l => !sent.some(s => s.id === l.id)),
    ].sort((a, b) => a.name.localeCompare(b.name))
  })
  /** The kitchen as it is shown. */
  const record = computed<KitchenRecord | null>(
    () => server.value && { ...server.value, ...(entry.value?.value as KitchenDocument | undefined), lots: lots.value },
  )

  const keep = () => browserStore.set(CACHE, JSON.stringify(server.value))
  /** Takes a record as the server has it. */
  function take(next: KitchenRecord) {
    if (same(next, server.value)) return
    server.value = next
    keep()
  }
  let reading: Promise<void> | null = null
  let readingAgain: Promise<void> | null = null
  /**
   * Asked for while it is being read, it is read once more: what is on its way may be older. Whoever asks waits until
   * it is there.
   */
  function load(): Promise<void> {
    if (!reading) {
      reading = read().finally(() => { reading = null })
      return reading
    }
    readingAgain ??= reading.then(() => {
      readingAgain = null
      return load()
    })
    return readingAgain
  }
  async function read(): Promise<void> {
    await outbox.ready
    try {
      take(await outbox.readAfterWrites(() => api<KitchenRecord>('/api/kitchen')))
    } catch {
      const cached = browserStore.get(CACHE)
      if (!server.value && cached) server.value = readCached(cached)
    }
  }
  function readCached(text: string): KitchenRecord | null {
    try {
      const kept = JSON.parse(text) as KitchenRecord
      return kept?.settings && Array.isArray(kept.lots) && Array.isArray(kept.pans) ? kept : null
    } catch {
      return null
    }
  }

  /** Changes the kitchen; it is kept at once and sent after a moment. */
  function change(next: KitchenDocument) {
    if (!server.value) return
    const value = kitchenDocument(next)
    if (same(value, kitchenDocument(record.value!))) return
    outbox.put(
      'kitchen',
      server.value.id,
      say('kitchen.theKitchen'),
      { version: server.value.version, value: kitchenDocument(server.value) },
      value,
    )
  }
  /** Takes a change back, and leaves alone what else was changed since. */
  function takeBack(before: KitchenDocument, after: KitchenDocument) {
    change(merge(kitchenDocument(after), kitchenDocument(before), kitchenDocument(record.value!), 'mine').value)
  }

  /**
   * Writes a lot, kept in this browser until it is committed.
   * @param base what it was when the card was opened; null for a new one
   * @returns why it was not taken, or null
   */
  async function saveLot(lot: Lot, base: LotRecord | null): Promise<Problem | null> {
    const bare = ({ version: _, ...rest }: LotRecord): Lot => rest
    outbox.put(
      'lot',
      lot.id,
      lot.name,
      base ? { version: base.version, value: bare(base) } : { version: 0, value: null },
      bare(lot as LotRecord),
    )
    const left = await Promise.race([
      outbox.flush('lot', lot.id),
      promiseTimeout(WAIT_MS).then(() => null),
    ])
    if (left?.state !== 'refused') return null
    const { problem } = left
    outbox.drop('lot', lot.id)
    return problem && { ...problem, path: problem.path.replace(/^lot\./, '') }
  }
  /** Puts a lot into the bin. @returns whether it went */
  async function removeLot(id: string): Promise<boolean> {
    try {
      await api(`/api/lots/${id}`, { method: 'DELETE' })
      outbox.drop('lot', id)
      await load()
      return true
    } catch {
      return false
    }
  }
  /** Brings it back out of the bin. */
  async function reviveLot(id: string): Promise<boolean> {
    try {
      await api('/api/bin/restore', { method: 'POST', body: { kind: 'lot', id } })
      await load()
      return true
    } catch {
      return false
    }
  }

  outbox.onSettled((s) => {
    const now = server.value
    if (!now) return
    if (s.kind === 'kitchen') {
      const sent = outbox.entryOf('kitchen', s.id)?.base.value ?? s.value
      take({ ...now, ...(sent as KitchenDocument), version: s.version })
      savedAt.value = s.updatedAt
    } else if (s.kind === 'lot') {
      const lot = { ...((outbox.entryOf('lot', s.id)?.base.value ?? s.value) as Lot), version: s.version }
      take({
        ...now,
        lots: [...now.lots.filter(l => l.id !== s.id), lot].sort((a, b) => a.name.localeCompare(b.name)),
      })
    }
  })
  outbox.onChangedElsewhere(({ kind }) => {
    if (kind !== 'formula') void load()
  })
  if (import.meta.client) {
    onBack(() => void load())
    useEventListener(document, 'visibilitychange', () => {
      if (document.visibilityState === 'visible') void load()
    })
  }

  const core = computed<Kitchen | null>(() => (record.value ? coreKitchen(record.value) : null))
  /** What of it a pasted text is read by. */
  const readBy = computed<ReadHouse>(() => (record.value ? readHouse(record.value.settings) : {}))
  return { record, entry, savedAt, core, readBy, load, take, change, takeBack, saveLot, removeLot, reviveLot }
})
