import { lastWork } from '../../../domain/jobs'

/** How far the kitchen's file is; `work` null: none was asked for. */
export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  return { work: await lastWork(em, owner, 'export', owner.id) }
})
