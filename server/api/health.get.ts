import { ENGINE_VERSION } from '#core/pipeline/assessment'

/** Whether the database answers: at once, by its pulse. */
export default defineEventHandler(async (event) => {
  const em = await useEm(event)
  if (!hasPulse()) await em.execute('select 1')
  return { ok: true, engineVersion: ENGINE_VERSION }
})
