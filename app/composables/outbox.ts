/**
 * Changes not yet committed by the server, kept in the browser so that they survive a reload or a stopped server, and
 * sent once. One entry per formula and tab; the entry of a tab that no longer lives is adopted by the next that opens
 * the formula.
 */
import type { FormulaDocument } from '#core/formula/document'

export interface Unsent {
  formulaId: string
  tab: string
  baseVersion: number
  document: FormulaDocument
  /** Repeated with every try, so that the server takes it once. */
  mutationId: string
  /** A write that was on its way when the tab went: repeated first, since it may have been taken. */
  inFlight: { mutationId: string, baseVersion: number, document: FormulaDocument } | null
}

const key = (formulaId: string, tab: string) => `lumbik:unsent:${formulaId}:${tab}`
const TAB = 'lumbik:tab'

/** This tab's id, the same after a reload; a lock by its name is held while the tab lives. */
export function tabId(): string {
  let id = sessionStorage.getItem(TAB)
  if (!id || claimed === 'other') {
    id = crypto.randomUUID()
    sessionStorage.setItem(TAB, id)
  }
  return id
}
let claimed: 'mine' | 'other' | null = null

/** Takes this tab's lock. A duplicated tab inherits the id of the one it came from, finds its lock held, and gets its own. */
export async function claimTab(): Promise<string> {
  if (claimed === 'mine') return tabId()
  const id = tabId()
  const mine = await new Promise<boolean>((resolve) => {
    void navigator.locks.request(`lumbik-tab-${id}`, { ifAvailable: true }, (lock) => {
      resolve(lock !== null)
      return lock ? new Promise<void>(() => {}) : undefined
    })
  })
  if (mine) {
    claimed = 'mine'
    return id
  }
  claimed = 'other'
  const fresh = tabId()
  claimed = 'mine'
  void navigator.locks.request(`lumbik-tab-${fresh}`, () => new Promise<void>(() => {}))
  return fresh
}

export const putUnsent = (entry: Unsent) => localStorage.setItem(key(entry.formulaId, entry.tab), JSON.stringify(entry))
export const dropUnsent = (formulaId: string, tab: string) => localStorage.removeItem(key(formulaId, tab))

/** What this tab left unsent for a formula, or what a tab that is gone left. */
export async function takeUnsent(formulaId: string, tab: string): Promise<Unsent | null> {
  const own = localStorage.getItem(key(formulaId, tab))
  if (own) return JSON.parse(own) as Unsent
  const held = new Set((await navigator.locks.query()).held?.map(l => l.name) ?? [])
  for (let i = 0; i < localStorage.length; i++) {
    const k = localStorage.key(i)!
    if (!k.startsWith(`lumbik:unsent:${formulaId}:`)) continue
    const entry = JSON.parse(localStorage.getItem(k)!) as Unsent
    if (held.has(`lumbik-tab-${entry.tab}`)) continue
    localStorage.removeItem(k)
    const adopted = { ...entry, tab }
    putUnsent(adopted)
    return adopted
  }
  return null
}
