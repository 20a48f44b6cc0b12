/** Another role for somebody. */
import { roleSchema } from '../../../shared/schemas/door'
import { changeRole } from '../../people/people'

export default defineEventHandler(async (event) => {
  const { role } = await readChecked(event, roleSchema)
  await changeRole(await useEm(event), (await useWho(event)).kitchenId, routeId(event, 'unknownPerson'), role)
  return { ok: true }
})
