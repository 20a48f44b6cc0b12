/** What a device is asked for to make a key; whoever wants one gives their password. */
import { proofSchema } from '../../../../shared/schemas/door'
import { offerPasskey } from '../../../people/passkeys'
import { confirm } from '../../../people/people'

export default defineEventHandler(async (event) => {
  const { current } = await readChecked(event, proofSchema)
  const [em, { who }] = [await useEm(event), await useWho(event)]
  await confirm(em, who, { current, address: addressOf(event) }, scrypt, now())
  return offerPasskey(em, who, siteOf(event), now())
})
