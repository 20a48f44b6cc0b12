import { ENGINE_VERSION } from '#core/assessment'

/** Answers once the database does. */
export default defineEventHandler(async (event) => {
  const em = await useEm(event)
  await em.execute('select 1')
  return { ok: true, engineVersion: ENGINE_VERSION }
})
