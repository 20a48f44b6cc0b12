/** A new password for a recovery code. */
import { recoverSchema } from '../../../shared/schemas/door'
import { recover } from '../../people/people'

export default defineEventHandler(async (event) => {
  const body = await readChecked(event, recoverSchema)
  const personId = await recover(await useEm(event), { ...body, address: addressOf(event) }, scrypt, now())
  return enterAs(event, personId, 'recovered')
})
