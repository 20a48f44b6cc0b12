import { cancelWork } from '../../domain/jobs'

/** Gives up what goes on. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownWork')
  const { em, owner } = await useRequest(event)
  return { work: await cancelWork(em, owner, id) }
})
