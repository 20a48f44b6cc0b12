import { askWork } from '../../../domain/jobs'

/** Asks why a batch came out as it did. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { em, owner } = await useRequest(event)
  return { work: await askWork(em, owner, 'diagnose', id) }
})
