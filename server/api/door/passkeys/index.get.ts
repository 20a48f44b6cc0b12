/** One's own keys. */
import { listPasskeys } from '../../../people/passkeys'

export default defineEventHandler(async (event) => {
  const { who } = await useWho(event)
  return listPasskeys(await useEm(event), who.personId)
})
