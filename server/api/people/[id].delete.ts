/** Somebody leaves; with `forget=1` their name goes from all they wrote. */
import { leave } from '../../people/people'

export default defineEventHandler(async (event) => {
  const isForgotten = getQuery(event).forget === '1'
  const { kitchenId } = await useWho(event)
  await leave(await useEm(event), kitchenId, routeId(event, 'unknownPerson'), { isForgotten, at: now() })
  return { ok: true }
})
