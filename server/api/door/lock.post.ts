/** Locks a tablet: the next cook says who they are. */
import { holdTablet } from '../../people/sessions'

export default defineEventHandler(async (event) => {
  const session = await useSessionOf(event)
  if (session?.id && session.tablet) await holdTablet(await useEm(event), session.id, null, now())
  return { ok: true }
})
