/**
 * What is not committed of one document, and what becomes of it as the server answers: values in, values out. The
 * outbox (`stores/outbox.ts`) keeps them, sends them and tells what was settled.
 */
import { merge, same, type Clash, type Side } from '../../shared/merge'
import { kitchenDocument, type KitchenDocument, type KitchenRecord, type LotRecord } from '../../shared/kitchen'
import type { Problem } from '../../shared/schemas/problem'
import type { FormulaRecord } from '../../shared/schemas/wire'
import type { DocumentKind, Unsent, Write } from './unsent'

/**
 * `waiting` for the moment to be sent, `unsent` since nobody answered, `refused` for a field, `deleted` by somebody
 * else.
 */
export type UnsentState = 'waiting' | 'sending' | 'unsent' | 'conflict' | 'refused' | 'deleted'
export interface Entry extends Unsent {
  state: UnsentState
  clashes: Clash[]
  /** How it stands on the server, while both differ. */
  theirs: { version: number, value: unknown } | null
  problem: Problem | null
  tries: number
}
/** How a document now stands: after a save, or with somebody else's changes in it. */
export interface Settled {
  kind: DocumentKind
  id: string
  version: number
  updatedAt: string
  value: unknown
  /** Set when it now also holds what somebody else changed. */
  merged: boolean
  before: unknown
}

/** How each kind is sent and what comes back. */
export const KINDS: Record<
  DocumentKind,
  {
    put: (e: Entry, w: Write) => Promise<{ version: number, updatedAt?: string }>
    valueOf: (record: unknown) => unknown
  }
> = {
  formula: {
    put: (e, w) =>
      api(`/api/formulas/${e.id}`, {
        method: 'PUT',
        body: { mutationId: w.mutationId, baseVersion: w.baseVersion, document: w.value },
      }),
    valueOf: record => (record as FormulaRecord).document,
  },
  kitchen: {
    put: (_, w) =>
      api<KitchenRecord>('/api/kitchen', {
        method: 'PUT',
        body: { mutationId: w.mutationId, version: w.baseVersion, ...kitchenDocument(w.value as KitchenDocument) },
      }),
    valueOf: record => kitchenDocument(record as KitchenRecord),
  },
  lot: {
    put: (e, w) =>
      api<LotRecord>(`/api/lots/${e.id}`, {
        method: 'PUT',
        body: { mutationId: w.mutationId, baseVersion: w.baseVersion, lot: w.value },
      }),
    valueOf: (record) => {
      const { version: _, ...lot } = record as LotRecord
      return lot
    },
  },
}

/** A document's first change that is not sent. */
export const newEntry = (of: Omit<Unsent, 'inFlight'>, state: UnsentState = 'waiting'): Entry =>
  ({ ...of, inFlight: null, state, clashes: [], theirs: null, problem: null, tries: 0 })

/** A decision is asked for: nothing goes out before it. */
export const isAsked = ({ state }: Entry): boolean => state === 'conflict' || state === 'deleted'

/** An entry with another value: what is decided stays decided, anything else goes out. */
export function changed(old: Entry, name: string, value: unknown): Entry {
  const entry = { ...old, name, value }
  return isAsked(entry) ? entry : { ...entry, state: entry.state === 'unsent' ? 'unsent' : 'waiting', problem: null }
}

/** After a write was taken: what was changed meanwhile is left, on top of what was sent; or nothing. */
export const afterTaken = (entry: Entry, write: Write, version: number, value: unknown): Entry | null =>
  same(entry.value, write.value)
    ? null
    : { ...entry, base: { version, value }, inFlight: null, state: 'sending', problem: null, tries: 0 }

/** Somebody else wrote first: theirs beside mine, and where both changed the same. */
export function beside(entry: Entry, write: Write, current: { version: number }, wasTaken: boolean): Entry {
  const theirs = { version: current.version, value: KINDS[entry.kind].valueOf(current) }
  const base = wasTaken ? write.value : entry.base.value
  const { clashes } = merge(base, entry.value, theirs.value)
  return { ...entry, inFlight: null, base: { version: entry.base.version, value: base }, theirs, clashes }
}

/**
 * Both in one; where both changed the same, the side asked for.
 * @returns the value, and what of mine is left to send
 */
export function joined(entry: Entry, prefer: Side): { value: unknown, left: Entry | null } {
  const theirs = entry.theirs!
  const { value } = merge(entry.base.value, entry.value, theirs.value, prefer)
  const left: Entry = {
    ...entry, value, base: theirs, theirs: null, clashes: [], inFlight: null, state: 'sending', problem: null,
  }
  return { value, left: same(value, theirs.value) ? null : left }
}
