/**
 * The formula on the bench: one plain document, undo by snapshots (one step per gesture), autosave. "Saved" means
 * PostgreSQL has committed it; until then the change is in the browser's outbox.
 */
import type { FormulaDocument } from '#core/formula/document'
import { claimTab, dropUnsent, putUnsent, takeUnsent, type Unsent } from '../composables/outbox'
import type { FormulaRecord } from '../../shared/schemas/wire'

const SAVE_DELAY_MS = 500
const RETRY_MS = 2500
const HISTORY = 200

export type SaveState = 'saved' | 'saving' | 'unsent' | 'conflict'

export const useWorkspaceStore = defineStore('workspace', () => {
  const id = ref('')
  const doc = shallowRef<FormulaDocument | null>(null)
  const version = ref(0)
  const savedAt = ref('')
  const saveState = ref<SaveState>('saved')
  /** The other tab's state, while both differ. */
  const theirs = shallowRef<FormulaRecord | null>(null)
  const missing = ref(false)
  /** A save the server refused, by field. */
  const refused = ref<{ path: string, code: string } | null>(null)
  const past = shallowRef<FormulaDocument[]>([])
  const future = shallowRef<FormulaDocument[]>([])
  let gesture = ''
  let tab = ''
  let pending: { mutationId: string, baseVersion: number } | null = null
  let inFlight: Unsent['inFlight'] = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending = false

  function reset() {
    clearTimeout(timer)
    doc.value = null
    theirs.value = null
    missing.value = false
    refused.value = null
    past.value = []
    future.value = []
    pending = null
    inFlight = null
    gesture = ''
    saveState.value = 'saved'
  }

  /** Opens a formula, with what this browser had not sent yet on top. */
  async function open(formulaId: string) {
    reset()
    id.value = formulaId
    tab = await claimTab()
    const unsent = await takeUnsent(formulaId, tab)
    let record: FormulaRecord | null = null
    try {
      record = await $fetch<FormulaRecord>(`/api/formulas/${formulaId}`)
    } catch (e) {
      if ((e as { status?: number }).status === 404) {
        missing.value = true
        return
      }
    }
    if (id.value !== formulaId) return
    if (record) {
      version.value = record.version
      savedAt.value = record.updatedAt
    }
    if (unsent) {
      doc.value = unsent.document
      version.value = unsent.baseVersion
      pending = { mutationId: unsent.mutationId, baseVersion: unsent.baseVersion }
      inFlight = unsent.inFlight
      saveState.value = 'unsent'
      void send()
    } else if (record) {
      doc.value = record.document
    } else {
      missing.value = true
    }
  }

  function keep() {
    if (!doc.value || !pending) return
    putUnsent({ formulaId: id.value, tab, baseVersion: pending.baseVersion, document: doc.value, mutationId: pending.mutationId, inFlight })
  }

  function touched() {
    pending = { mutationId: crypto.randomUUID(), baseVersion: version.value }
    keep()
    if (saveState.value === 'conflict') return
    saveState.value = saveState.value === 'unsent' ? 'unsent' : 'saving'
    clearTimeout(timer)
    timer = setTimeout(send, SAVE_DELAY_MS)
  }

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
  const endGesture = () => { gesture = '' }

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

  /** Sends what is pending; first whatever was on its way when a connection or a tab went. */
  async function send(): Promise<void> {
    clearTimeout(timer)
    if (!doc.value || !pending || sending || saveState.value === 'conflict') return
    sending = true
    const again = await sendOnce()
    sending = false
    if (again) return send()
  }

  /** One write. @returns whether there is more to send at once */
  async function sendOnce(): Promise<boolean> {
    if (!doc.value || !pending) return false
    const formulaId = id.value
    const write = inFlight ?? { mutationId: pending.mutationId, baseVersion: version.value, document: doc.value }
    inFlight = write
    keep()
    try {
      const record = await $fetch<FormulaRecord>(`/api/formulas/${formulaId}`, { method: 'PUT', body: write, retry: 0 })
      if (id.value !== formulaId) return true
      inFlight = null
      version.value = record.version
      savedAt.value = record.updatedAt
      refused.value = null
      if (pending?.mutationId === write.mutationId) {
        pending = null
        dropUnsent(formulaId, tab)
        saveState.value = 'saved'
      } else {
        pending = pending && { ...pending, baseVersion: record.version }
        keep()
        saveState.value = 'saving'
        return true
      }
    } catch (e) {
      if (id.value !== formulaId) return true
      const { status, data } = e as { status?: number, data?: { data?: { current?: FormulaRecord, path: string, code: string } } }
      if (status === 409) {
        inFlight = null
        theirs.value = data!.data!.current!
        saveState.value = 'conflict'
        keep()
        return false
      }
      saveState.value = 'unsent'
      if (status !== undefined && status < 500) {
        // The server looked at it and said no: sending the same again would not help.
        inFlight = null
        refused.value = data?.data ?? { path: '', code: String(status) }
        if (status === 404) missing.value = true
        return false
      }
      timer = setTimeout(send, RETRY_MS)
    }
    return false
  }

  /** After a conflict: this tab's state becomes a formula of its own, named as a variant. @returns its id */
  async function keepBoth(label: string): Promise<string | null> {
    if (!doc.value || !theirs.value) return null
    const newId = crypto.randomUUID()
    const document = { ...toPlain(doc.value), name: label.slice(0, 120) }
    await $fetch('/api/formulas', { method: 'POST', body: { id: newId, mutationId: crypto.randomUUID(), document, label: 'variant', parentFormulaId: id.value } })
    takeTheirs()
    return newId
  }
  /** After a conflict: drops this tab's state for the other's. It can still be undone. */
  function takeTheirs() {
    if (!theirs.value || !doc.value) return
    past.value = [...past.value, doc.value]
    doc.value = theirs.value.document
    version.value = theirs.value.version
    savedAt.value = theirs.value.updatedAt
    theirs.value = null
    pending = null
    inFlight = null
    dropUnsent(id.value, tab)
    saveState.value = 'saved'
  }

  if (import.meta.client) {
    window.addEventListener('online', () => void send())
    document.addEventListener('visibilitychange', () => {
      if (document.visibilityState === 'hidden' && pending && saveState.value === 'saving') void send()
    })
  }

  return { id, doc, version, savedAt, saveState, theirs, missing, refused, canUndo: computed(() => past.value.length > 0), canRedo: computed(() => future.value.length > 0), open, change, replace, endGesture, undo, redo, send, keepBoth, takeTheirs }
})
