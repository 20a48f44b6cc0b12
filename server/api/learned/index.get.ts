import { lastWork } from '../../domain/jobs'
import { listLearned } from '../../domain/learned'

/** Learned sets, which one counts, and the last that was worked out. */
export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  return { ...(await listLearned(em, owner)), work: await lastWork(em, owner, 'learn', owner.id) }
})
