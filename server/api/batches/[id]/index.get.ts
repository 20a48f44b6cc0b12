import { batchRow, wholeOf } from '../../../domain/batches'
import { catchUp } from '../../../domain/demonstration'

/** A batch, whole; a demonstration's instruments are brought to its clock first. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { em, owner } = await useRequest(event)
  const row = await batchRow(em, owner, id)
  await catchUp(em, owner, row)
  return wholeOf(em, row)
})
