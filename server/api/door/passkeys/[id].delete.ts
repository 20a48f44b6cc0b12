/** A key of one's own opens nothing any more. */
import { endPasskey } from '../../../people/passkeys'

export default defineEventHandler(async (event) => {
  const { who } = await useWho(event)
  await endPasskey(await useEm(event), who.personId, routeId(event, 'unknownPasskey'))
  return { ok: true }
})
