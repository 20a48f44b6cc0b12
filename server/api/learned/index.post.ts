import { askWork } from '../../domain/jobs'

/** Asks what the batches teach. */
export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  return { work: await askWork(em, owner, 'learn', owner.id) }
})
