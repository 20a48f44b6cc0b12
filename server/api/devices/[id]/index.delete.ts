import { removeDevice } from '../../../domain/devices'

export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownDevice')
  const { em, owner } = await useRequest(event)
  return { items: await removeDevice(em, owner, now(), id) }
})
