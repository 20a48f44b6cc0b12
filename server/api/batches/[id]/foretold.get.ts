import { batchRow, recordOfBatch } from '../../../domain/batches'
import { inThread } from '../../../threads/pool'

/** What is foretold of a batch as it was made so far. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { em, owner } = await useRequest(event)
  const record = await recordOfBatch(em, await batchRow(em, owner, id))
  return inThread('batchForetold', { record })
})
