/** What somebody changes of themselves: name, password, PIN. */
import { meSchema } from '../../../shared/schemas/door'
import { changeMine } from '../../people/people'

export default defineEventHandler(async (event) => {
  const body = await readChecked(event, meSchema)
  const { who, id } = await useWho(event)
  await changeMine(await useEm(event), who, { ...body, address: addressOf(event), sessionId: id }, scrypt, now())
  return { ok: true }
})
