import { askWork } from '../../../domain/jobs'

/** Asks for the whole kitchen as a file. */
export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  return { work: await askWork(em, owner, 'export', owner.id) }
})
