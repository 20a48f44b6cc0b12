/** Signs in, to the kitchen this person was in last. */
import { inSchema } from '../../../shared/schemas/door'
import { personBy } from '../../people/people'

export default defineEventHandler(async (event) => {
  const { login, password } = await readChecked(event, inSchema)
  const personId = await personBy(await useEm(event), { login, password, address: addressOf(event) }, scrypt, now())
  return enterAs(event, personId, 'signedIn')
})
