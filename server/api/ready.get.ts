/** Whether a proxy should send requests here: begun, its database there, and not told to stop. */
import { Refusal } from '../domain/refusal'

export default defineEventHandler(async (event) => {
  if (!takesRequests()) throw new Refusal('away', '', 'stopping')
  const em = await useEm(event)
  if (!hasPulse()) await em.execute('select 1')
  return { ready: true }
})
