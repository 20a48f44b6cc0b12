/**
 * The formula on the bench: one plain document and undo by snapshots (one step per gesture). Every change goes to the
 * outbox; what somebody else changed comes into the document and into each step of undo.
 */
import type { FormulaDocument } from '#core/formula/document'
import { follow, same } from '../../shared/merge'
import type { FormulaRecord } from '../../shared/schemas/wire'

const HISTORY = 200

export type SaveState = 'saved' | 'saving' | 'unsent' | 'conflict'
/** Why there is nothing on the bench. */
export type Missing = 'unknown' | 'deleted' | 'unreadable' | 'away'

export const useWorkspaceStore = defineStore('workspace', () => {
  const outbox = useOutboxStore()
  const id = ref('')
  const doc = shallowRef<FormulaDocument | null>(null)
  /** What the server has, as far as this tab knows. */
  const base = shallowRef<{ version: number, value: FormulaDocument } | null>(null)
  const savedAt = ref('')
  const missing = ref<Missing | null>(null)
  const past = shallowRef<FormulaDocument[]>([])
  const future = shallowRef<FormulaDocument[]>([])
  let gesture = ''

  const entry = computed(() => (id.value ? outbox.entryOf('formula', id.value) : null))
  const saveState = computed<SaveState>(() => {
    switch (entry.value?.state) {
      case undefined:
        return 'saved'
      case 'waiting':
      case 'sending':
        return 'saving'
      case 'conflict':
        return 'conflict'
      default:
        return 'unsent'
    }
  })

  function reset() {
    doc.value = null
    base.value = null
    missing.value = null
    past.value = []
    future.value = []
    gesture = ''
  }

  /** Opens a formula, with what this browser had not sent yet on top. */
  async function open(formulaId: string) {
    reset()
    id.value = formulaId
    await outbox.ready
    try {
      const record = await api<FormulaRecord>(`/api/formulas/${formulaId}`)
      if (id.value !== formulaId) return
      base.value = { version: record.version, value: record.document }
      savedAt.value = record.updatedAt
    } catch (error) {
      if (id.value !== formulaId) return
      const { problem, away: later } = error as ApiError
      if (!outbox.entryOf('formula', formulaId))
        missing.value = later
          ? 'away'
          : problem.code === 'deletedFormula'
            ? 'deleted'
            : problem.code === 'unreadable'
              ? 'unreadable'
              : 'unknown'
    }
    const unsent = outbox.entryOf('formula', formulaId)
    if (unsent) {
      doc.value = unsent.value as FormulaDocument
      base.value = { version: unsent.base.version, value: (unsent.base.value ?? unsent.value) as FormulaDocument }
      void outbox.send(`formula:${formulaId}`)
    } else doc.value = base.value?.value ?? null
  }

  /** Takes a new state of the server's; what was not changed here follows it, each step of undo too. */
  function rebase(version: number, value: FormulaDocument, updatedAt: string) {
    const before = base.value?.value
    base.value = { version, value }
    savedAt.value = updatedAt
    if (!before || !doc.value || same(before, value)) return
    past.value = past.value.map(d => follow(before, value, d))
    future.value = future.value.map(d => follow(before, value, d))
    doc.value = follow(before, value, doc.value)
  }

  /** A tab that comes to the front takes what was changed meanwhile. */
  async function refresh() {
    const at = id.value
    if (!at || entry.value) return
    if (missing.value) return open(at)
    try {
      const record = await api<FormulaRecord>(`/api/formulas/${at}`)
      if (id.value !== at || entry.value || record.version === base.value?.version) return
      rebase(record.version, record.document, record.updatedAt)
    } catch (error) {
      if (id.value === at && !(error as ApiError).away && !entry.value)
        missing.value = (error as ApiError).problem.code === 'deletedFormula' ? 'deleted' : 'unknown'
    }
  }

  const touched = () => outbox.put('formula', id.value, doc.value!.name, base.value!, doc.value)

  /**
   * Changes the document. Changes of one gesture (a run of key presses in one field, a drag) make one step of undo.
   * @param name of the gesture; an empty one is always a step of its own
   */
  function change(name: string, edit: (draft: FormulaDocument) => void) {
    if (!doc.value) return
    const next = toPlain(doc.value)
    edit(next)
    replace(next, name)
  }

  /** Puts a whole document in place, as one step. */
  function replace(next: FormulaDocument, name = '') {
    if (!doc.value || JSON.stringify(next) === JSON.stringify(doc.value)) return
    if (!name || name !== gesture) past.value = [...past.value.slice(-HISTORY + 1), doc.value]
    gesture = name
    future.value = []
    doc.value = next
    touched()
  }

  /** The next change begins a step of its own. */
  const endGesture = () => {
    gesture = ''
  }

  function undo() {
    const last = past.value.at(-1)
    if (!last || !doc.value) return
    future.value = [doc.value, ...future.value]
    past.value = past.value.slice(0, -1)
    doc.value = last
    gesture = ''
    touched()
  }
  function redo() {
    const next = future.value[0]
    if (!next || !doc.value) return
    past.value = [...past.value, doc.value]
    future.value = future.value.slice(1)
    doc.value = next
    gesture = ''
    touched()
  }

  /** Sends what waits, now. */
  const send = () => outbox.flush('formula', id.value)

  /**
   * After a conflict: this tab's state becomes a formula of its own, named as a variant.
   * @returns its id
   * @throws {ApiError}
   */
  async function keepBoth(label: string): Promise<string | null> {
    if (!doc.value || !entry.value?.theirs) return null
    const newId = crypto.randomUUID()
    const document = { ...toPlain(doc.value), name: label.slice(0, 120) }
    await api('/api/formulas', {
      method: 'POST',
      body: { id: newId, mutationId: crypto.randomUUID(), document, label: 'variant', parentFormulaId: id.value },
    })
    takeTheirs()
    return newId
  }
  /** After a conflict: drops this tab's state for the other's. It can still be undone. */
  function takeTheirs() {
    const theirs = entry.value?.theirs
    if (!theirs || !doc.value) return
    const mine = doc.value
    outbox.drop('formula', id.value)
    base.value = { version: theirs.version, value: theirs.value as FormulaDocument }
    past.value = [...past.value, mine]
    doc.value = theirs.value as FormulaDocument
    savedAt.value = new Date().toISOString()
  }

  outbox.onSettled((s) => {
    if (s.kind !== 'formula' || s.id !== id.value || !doc.value) return
    if (!s.merged) {
      // What was typed meanwhile is on the bench; the server has what was sent.
      const sent = outbox.entryOf('formula', s.id)?.base.value ?? s.value
      base.value = { version: s.version, value: sent as FormulaDocument }
      savedAt.value = s.updatedAt
      return
    }
    const before = (s.before ?? s.value) as FormulaDocument
    const after = s.value as FormulaDocument
    const theirs = outbox.entryOf('formula', s.id)?.base.value ?? after
    past.value = past.value.map(d => follow(before, theirs as FormulaDocument, d))
    future.value = future.value.map(d => follow(before, theirs as FormulaDocument, d))
    base.value = { version: s.version, value: theirs as FormulaDocument }
    doc.value = after
    savedAt.value = s.updatedAt
  })
  outbox.onChangedElsewhere(({ kind, id: changed }) => {
    if (kind === 'formula' && changed === id.value) void refresh()
  })
  if (import.meta.client) {
    onBack(() => void refresh())
    useEventListener(document, 'visibilitychange', () => {
      if (document.visibilityState === 'visible') void refresh()
    })
  }

  const version = computed(() => base.value?.version ?? 0)
  return {
    id,
    doc,
    version,
    savedAt,
    entry,
    saveState,
    missing,
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    open,
    refresh,
    change,
    replace,
    endGesture,
    undo,
    redo,
    send,
    keepBoth,
    takeTheirs,
  }
})
