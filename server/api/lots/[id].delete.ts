import { removeLot } from '../../domain/lots'

export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownLot')
  const { em, owner } = await useRequest(event)
  await removeLot(em, owner, now(), id)
  return { deleted: true }
})
