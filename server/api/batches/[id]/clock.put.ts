import { setClock, skipClock } from '../../../domain/batches'
import { clockSchema } from '../../../../shared/schemas/book'

/** The clock and the flame of a demonstration. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { speed, power, skipS } = await readChecked(event, clockSchema)
  const { em, owner } = await useRequest(event)
  if (skipS !== undefined) await skipClock(em, owner, id, skipS)
  return setClock(em, owner, id, { speed, power })
})
