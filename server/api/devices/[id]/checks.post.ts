import { checkDevice } from '../../../domain/devices'
import { checkSchema } from '../../../../shared/schemas/book'

/** What an instrument showed of something known: ice, boiling water, a buffer, a weight. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownDevice')
  const check = await readChecked(event, checkSchema)
  const { em, owner } = await useRequest(event)
  return { items: await checkDevice(em, owner, now(), id, check as never) }
})
