/**
 * What changes in the kitchen, as server-sent events: each message the notes since the one before; its id says where to
 * go on, on whichever server.
 */
import { within } from '../../database/wall'
import { cursorOf, lastCursor, notesAfter, textOf } from '../../live/notes'
import { onChange } from '../../live/listen'
import { listeners } from '../../utils/figures'

/** Looked for again while something is written that cannot be read yet; and in any case, ms. */
const SOON_MS = 60
const ANYWAY_MS = 10_000

export default defineEventHandler(async (event) => {
  const { kitchenId } = await useWho(event)
  const em = await useEm(event)
  let cursor = cursorOf(getHeader(event, 'last-event-id') ?? String(getQuery(event).after ?? '')) ?? await lastCursor(em)
  const stream = createEventStream(event)
  let timer: ReturnType<typeof setTimeout> | undefined
  let isOpen = true
  let isReading = false
  let isWoken = false
  let checkedMs = Date.now()
  async function read(): Promise<void> {
    // Cut off or signed out elsewhere: it hears no more.
    if (Date.now() - checkedMs > ANYWAY_MS) {
      if (!(await isStillIn(event))) return stream.close()
      checkedMs = Date.now()
    }
    const { notes, cursor: next, more } = await notesAfter(await newEm(), cursor)
    cursor = next
    if (notes.length > 0) await stream.push({ id: textOf(cursor), data: JSON.stringify(notes) })
    else await stream.push({ event: 'still', data: '' })
    clearTimeout(timer)
    timer = setTimeout(turn, more ? SOON_MS : ANYWAY_MS)
  }
  function turn() {
    if (!isOpen) return
    if (isReading) {
      isWoken = true
      return
    }
    isReading = true
    // Woken by the listening connection, which is of no kitchen.
    within(kitchenId, read).then(
      () => {
        isReading = false
        if (isWoken) {
          isWoken = false
          turn()
        }
      },
      // What goes wrong is the database's: the listener comes again by itself.
      () => void stream.close(),
    )
  }
  const stop = onChange(kitchenId, turn)
  stream.onClosed(async () => {
    isOpen = false
    stop()
    listeners.dec()
    clearTimeout(timer)
    await stream.close()
  })
  // Not waited for: nothing is read of it before it is sent.
  void stream.push({ id: textOf(cursor), event: 'still', data: '' })
  listeners.inc()
  turn()
  return stream.send()
})
