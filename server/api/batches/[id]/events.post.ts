import { addEvents } from '../../../domain/batches'
import { wantShown } from '../../../domain/refresh'
import { eventsSchema, type SentEvent } from '../../../../shared/schemas/book'

/** Adds what happened; sent again, each counts once. Answers the number of the last. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { events } = await readChecked(event, eventsSchema)
  const { em, owner } = await useRequest(event)
  const { row } = await addEvents(em, owner, now(), id, events as SentEvent[])
  if (row.isDone) wantShown(id)
  return { head: row.head, isDone: row.isDone }
})
