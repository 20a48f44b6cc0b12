/** What an invitation is to, before it is taken up. */
import { tokenSchema } from '../../../shared/schemas/door'
import { countTry, wasRight } from '../../people/attempts'
import { invitationBy } from '../../people/people'

export default defineEventHandler(async (event) => {
  const { token } = await readChecked(event, tokenSchema)
  const em = await useEm(event)
  await countTry(em, 'address', addressOf(event), now())
  const { name, role, kitchen_id: kitchenId } = await invitationBy(em, token, now())
  await wasRight(em, { address: addressOf(event) }, now())
  return { name, role, kitchen: (await kitchensOf(em, [kitchenId]))[0]!.name }
})
