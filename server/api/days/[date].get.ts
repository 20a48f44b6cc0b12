import { loadDay } from '../../domain/days'

/** The sheet of a day. */
export default defineEventHandler(async (event) => {
  const date = routeDate(event)
  const { em, owner } = await useRequest(event)
  return loadDay(em, owner, date)
})
