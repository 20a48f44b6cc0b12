import { removeLot } from '../../domain/lots'

export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownLot')
  await removeLot(await useEm(event), now(), id)
  return { deleted: true }
})
