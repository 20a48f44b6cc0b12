import { lastWork } from '../../../domain/jobs'

/** The last diagnosis of a batch, and how far it is; `work` null: none was asked for. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { em, owner } = await useRequest(event)
  return { work: await lastWork(em, owner, 'diagnose', id) }
})
