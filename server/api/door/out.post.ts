/** Signs out; a tablet stays the kitchen's, and is locked. */
import { endSession, holdTablet } from '../../people/sessions'

export default defineEventHandler(async (event) => {
  const session = await useSessionOf(event)
  const em = await useEm(event)
  if (session?.id && session.tablet) await holdTablet(em, session.id, null, now())
  else {
    if (session?.id) await endSession(em, session.kitchenId, session.id, now())
    await carry(event, null)
  }
  return { ok: true }
})
