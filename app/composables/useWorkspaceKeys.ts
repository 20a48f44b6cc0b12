/**
 * The keys of the workspace. Letters and figures are shortcuts, silent while something is being written; undo is
 * listened for by itself, since a free text keeps the browser's own undo while a number field has the formula's.
 */
import { STATIONS, type Station } from '#core/pipeline/assessment'
import { group } from '~/words/say'

/** Keys with what they do, for the list of keys. */
export const KEYS = group<[string, string][]>('keys.LIST')

export interface WorkspaceKeys {
  toStation: (station: Station) => unknown
  addLine: () => unknown
  changeUse: () => unknown
  rebalance: () => unknown
  makeVariant: () => unknown
  showKeys: () => unknown
  undo: () => void
  redo: () => void
}

export function useWorkspaceKeys(on: WorkspaceKeys): void {
  /** A list that is open takes letters for itself. */
  const unlessChoosing = (act: () => unknown) => () => void (document.activeElement?.matches('select') || act())
  defineShortcuts({
    ...Object.fromEntries(STATIONS.map((s, i) => [String(i + 1), unlessChoosing(() => on.toStation(s))])),
    '/': unlessChoosing(on.addLine),
    '?': unlessChoosing(on.showKeys),
    'u': unlessChoosing(on.changeUse),
    'r': unlessChoosing(on.rebalance),
    'v': unlessChoosing(on.makeVariant),
  })
  useUndoKeys(on.undo, on.redo)
}

/** Undo and redo by their keys, everywhere but in a free text, which keeps the browser's own. */
export function useUndoKeys(undo: () => void, redo: () => void = () => {}): void {
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    const key = event.key.toLowerCase()
    if (!(event.ctrlKey || event.metaKey) || (key !== 'z' && key !== 'y')) return
    const target = event.target as HTMLElement
    const writing = target.matches('input:not([type=checkbox], [type=radio], [type=range]), textarea, [contenteditable]')
    if (key === 'z' && writing && target.getAttribute('role') !== 'spinbutton') return
    event.preventDefault()
    if (key === 'y' || event.shiftKey) redo()
    else undo()
  })
}
