/**
 * The formula on the bench: formula and occasion as one plain document, the component the stations work on, and undo by
 * snapshots (one step per gesture). Every change goes to the outbox; what somebody else changed comes into the document
 * and into each step of undo.
 */
import { type Bench, benchOf, type Planned, putBack } from '#core/formula/bench'
import { follow, same } from '../../shared/merge'
import type { FormulaRecord } from '../../shared/schemas/wire'

export type SaveState = 'saved' | 'saving' | 'unsent' | 'conflict'
/** The same dessert by another name. */
export const named = ({ formula, occasion }: Planned, name: string): Planned =>
  toPlain({ formula: { ...formula, name: name.slice(0, 120) }, occasion })
/** Why there is nothing on the bench. */
export type Missing = 'unknown' | 'deleted' | 'unreadable' | 'away'

export const useWorkspaceStore = defineStore('workspace', () => {
  const outbox = useOutboxStore()
  const id = ref('')
  const planned = shallowRef<Planned | null>(null)
  /** Component the stations work on; empty: the filling. */
  const component = ref('')
  /** It, laid out with its vessel, cold and occasion. */
  const doc = computed(() => planned.value && benchOf(planned.value, component.value))
  /** What the server has, as far as this tab knows. */
  const base = shallowRef<{ version: number, value: Planned } | null>(null)
  const savedAt = ref('')
  const missing = ref<Missing | null>(null)
  const history = useUndo<Planned>()

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
    planned.value = null
    component.value = ''
    base.value = null
    missing.value = null
    history.forget()
  }

  /** Opens a formula, with what this browser had not sent yet on top. */
  async function open(formulaId: string) {
    reset()
    id.value = formulaId
    await outbox.ready
    try {
      const record = await outbox.readAfterWrites(() => api<FormulaRecord>(`/api/formulas/${formulaId}`))
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
      planned.value = unsent.value as Planned
      base.value = { version: unsent.base.version, value: (unsent.base.value ?? unsent.value) as Planned }
      void outbox.send(`formula:${formulaId}`)
    } else planned.value = base.value?.value ?? null
  }

  /** Takes a new state of the server's; what was not changed here follows it, each step of undo too. */
  function rebase(version: number, value: Planned, updatedAt: string) {
    const before = base.value?.value
    base.value = { version, value }
    savedAt.value = updatedAt
    if (!before || !planned.value || same(before, value)) return
    history.each(d => follow(before, value, d))
    planned.value = follow(before, value, planned.value)
  }

  /** A tab that comes to the front takes what was changed meanwhile. */
  async function refresh() {
    const at = id.value
    if (!at || entry.value) return
    if (missing.value) return open(at)
    try {
      const record = await outbox.readAfterWrites(() => api<FormulaRecord>(`/api/formulas/${at}`))
      if (id.value !== at || entry.value || record.version === base.value?.version) return
      rebase(record.version, record.document, record.updatedAt)
    } catch (error) {
      if (id.value === at && !(error as ApiError).away && !entry.value)
        missing.value = (error as ApiError).problem.code === 'deletedFormula' ? 'deleted' : 'unknown'
    }
  }

  const touched = () => outbox.put('formula', id.value, planned.value!.formula.name, base.value!, planned.value)

  /**
   * Changes what is on the bench. Changes of one gesture (a run of key presses in one field, a drag) make one step of
   * undo.
   * @param name of the gesture; an empty one is always a step of its own
   */
  function change(name: string, edit: (draft: Bench) => void) {
    if (!doc.value) return
    const next = toPlain(doc.value)
    edit(next)
    replace(next, name)
  }

  /** Puts a whole bench in place, as one step. */
  const replace = (next: Bench, name = '') => replaceAll(putBack(next), name)

  /** Puts another state of the whole dessert in place, as one step. */
  function replaceAll(next: Planned, name = '') {
    if (!planned.value || same(next, planned.value)) return
    history.note(planned.value, name)
    planned.value = next
    touched()
  }

  /** Turns the stations to another component of the dessert. */
  function turnTo(componentId: string) {
    component.value = componentId
    history.endGesture()
  }

  /** A step of undo or redo is a change like any other: it is sent. */
  function step(to: (now: Planned) => Planned | null) {
    const next = planned.value && to(planned.value)
    if (!next) return
    planned.value = next
    touched()
  }
  const undo = () => step(history.back)
  const redo = () => step(history.forward)

  /** Sends what waits, now. */
  const send = () => outbox.flush('formula', id.value)

  /**
   * After a conflict: this tab's state becomes a formula of its own, named as a variant.
   * @returns its id
   * @throws {ApiError}
   */
  async function keepBoth(label: string): Promise<string | null> {
    if (!planned.value || !entry.value?.theirs) return null
    const newId = crypto.randomUUID()
    const document = named(planned.value, label)
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
    if (!theirs || !planned.value) return
    const mine = planned.value
    outbox.drop('formula', id.value)
    base.value = { version: theirs.version, value: theirs.value as Planned }
    history.note(mine)
    planned.value = theirs.value as Planned
    savedAt.value = new Date().toISOString()
  }

  outbox.onSettled((s) => {
    if (s.kind !== 'formula' || s.id !== id.value || !planned.value) return
    if (!s.merged) {
      // What was typed meanwhile is on the bench; the server has what was sent.
      const sent = outbox.entryOf('formula', s.id)?.base.value ?? s.value
      base.value = { version: s.version, value: sent as Planned }
      savedAt.value = s.updatedAt
      return
    }
    const before = (s.before ?? s.value) as Planned
    const after = s.value as Planned
    const theirs = outbox.entryOf('formula', s.id)?.base.value ?? after
    history.each(d => follow(before, theirs as Planned, d))
    base.value = { version: s.version, value: theirs as Planned }
    planned.value = after
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
    planned,
    component,
    doc,
    version,
    savedAt,
    entry,
    saveState,
    missing,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    open,
    refresh,
    change,
    replace,
    replaceAll,
    turnTo,
    endGesture: history.endGesture,
    undo,
    redo,
    send,
    keepBoth,
    takeTheirs,
  }
})
