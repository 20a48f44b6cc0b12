import { acceptLearned, goByLearned } from '../../domain/learned'
import { learnedSchema } from '../../../shared/schemas/book'

/** Accepts what was found, or goes by another set or none. */
export default defineEventHandler(async (event) => {
  const { calibrationId, goesBy } = await readChecked(event, learnedSchema)
  const { em, owner } = await useRequest(event)
  return calibrationId
    ? acceptLearned(em, owner, now(), calibrationId)
    : goByLearned(em, owner, now(), goesBy ?? null)
})
