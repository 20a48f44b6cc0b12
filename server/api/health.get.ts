import { ENGINE_VERSION } from '#core/assessment'

export default defineEventHandler(async (event) => {
  const em = await useEm(event)
  await em.getConnection().execute('select 1')
  return { ok: true, engineVersion: ENGINE_VERSION }
})
