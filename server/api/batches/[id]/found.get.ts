import { batchRow } from '../../../domain/batches'
import { foundNow } from '../../../domain/demonstration'

/** What the instruments and the tongue of the simulated kitchen would find now; `outcome` null while it is not cold. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { em, owner } = await useRequest(event)
  return { outcome: await foundNow(em, await batchRow(em, owner, id)) }
})
