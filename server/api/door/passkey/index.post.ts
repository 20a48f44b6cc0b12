/** Signs in with a key of the device's own. */
import { passkeySchema } from '../../../../shared/schemas/door'
import { countTry, wasRight } from '../../../people/attempts'
import { personByPasskey, type UsedKey } from '../../../people/passkeys'

export default defineEventHandler(async (event) => {
  const { id, response } = await readChecked(event, passkeySchema)
  const [em, address] = [await useEm(event), addressOf(event)]
  await countTry(em, 'address', address, now())
  const answer = { id, response: response as unknown as UsedKey }
  const personId = await personByPasskey(em, answer, siteOf(event), now())
  await wasRight(em, { address }, now())
  return enterAs(event, personId, 'signedIn')
})
