/** What the server has not committed yet, as this browser keeps it: one entry a document and tab. */
import { migrate } from '#core/formula/migrate'
import { type Occasion, wholeOccasion } from '#core/formula/occasion'
import { browserStore } from './browserStore'

export const DOCUMENT_KINDS = ['formula', 'kitchen', 'lot'] as const
export type DocumentKind = (typeof DOCUMENT_KINDS)[number]

/** A write as it was sent: repeated with the same id until an answer comes, so that it is taken once. */
export interface Write {
  mutationId: string
  baseVersion: number
  value: unknown
}
export interface Unsent {
  kind: DocumentKind
  id: string
  /** As a cook knows it. */
  name: string
  tab: string
  /** What the server last had, and what it was changed from; null for what an earlier Lumbik kept. */
  base: { version: number, value: unknown }
  value: unknown
  /** A write that was on its way when the tab went: it may have been taken. */
  inFlight: Write | null
}

const PREFIX = 'lumbik:unsent:'
export const documentKey = (kind: DocumentKind, id: string) => `${kind}:${id}`
const storeKey = (e: Pick<Unsent, 'kind' | 'id' | 'tab'>) => `${PREFIX}${e.kind}:${e.id}:${e.tab}`

export const keepUnsent = (e: Unsent) => browserStore.set(storeKey(e), JSON.stringify(e))
export const dropUnsent = (e: Pick<Unsent, 'kind' | 'id' | 'tab'>) => browserStore.remove(storeKey(e))

/**
 * What an earlier Lumbik kept of a formula was one document. What cannot be read stays as it is: the server says why.
 */
function asPlanned(value: unknown): unknown {
  try {
    const { formula, occasion } = migrate(value)
    return { formula, occasion: wholeOccasion(occasion as Partial<Occasion> | null) }
  } catch {
    return value
  }
}

/** A write on its way, in today's form: once it is taken, it is what later changes are merged from. */
const inFlightOf = (w: Write | null): Write | null =>
  w && { mutationId: w.mutationId, baseVersion: w.baseVersion, value: asPlanned(w.value) }

/** An entry as kept, of this or an earlier form; null for what cannot be read. */
function readEntry(key: string): Unsent | null {
  try {
    const raw = JSON.parse(browserStore.get(key) ?? 'null') as
      (Unsent & { formulaId?: string, baseVersion?: number, document?: { name: string }, inFlight?: unknown }) | null
    if (raw?.kind === 'formula' && raw.value) {
      const base = { ...raw.base, value: raw.base.value && asPlanned(raw.base.value) }
      return { ...raw, base, value: asPlanned(raw.value), inFlight: inFlightOf(raw.inFlight) }
    }
    if (raw?.formulaId && raw.document) {
      const flight = raw.inFlight as { mutationId: string, baseVersion: number, document: unknown } | null
      return {
        kind: 'formula',
        id: raw.formulaId,
        name: raw.document.name,
        tab: raw.tab,
        base: { version: raw.baseVersion ?? 0, value: null },
        value: asPlanned(raw.document),
        inFlight: flight && inFlightOf({ ...flight, value: flight.document }),
      }
    }
    return raw?.kind && raw.value ? raw : null
  } catch {
    return null
  }
}

/** Everything unsent that this browser keeps, of all its tabs. */
export function allUnsent(): Unsent[] {
  return browserStore.keys(PREFIX).flatMap((key) => {
    const entry = readEntry(key)
    return entry ? [entry] : []
  })
}

/** Takes over what this tab left, and what tabs that are gone left; one entry a document, this tab's own first. */
export function adoptUnsent(tab: string, living: ReadonlySet<string> | null): Unsent[] {
  const adopted = new Map<string, Unsent>()
  const mine = allUnsent()
    .filter(e => e.tab === tab || (living !== null && !living.has(e.tab)))
    .sort((a, b) => Number(b.tab === tab) - Number(a.tab === tab))
  for (const entry of mine) {
    const key = documentKey(entry.kind, entry.id)
    if (adopted.has(key)) continue
    for (const old of browserStore.keys(PREFIX))
      if (old === storeKey(entry) || old === `${PREFIX}${entry.id}:${entry.tab}`) browserStore.remove(old)
    const own = { ...entry, tab }
    keepUnsent(own)
    adopted.set(key, own)
  }
  return [...adopted.values()]
}
/** Whether a change of the browser's store concerns unsent work. */
export const isUnsentKey = (key: string | null) => key === null || key.startsWith(PREFIX)
