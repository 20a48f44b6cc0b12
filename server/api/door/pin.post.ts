/** A cook takes a tablet up by their PIN. */
import { pinSchema } from '../../../shared/schemas/door'
import { Refusal } from '../../domain/refusal'
import { unlock } from '../../people/tablets'

export default defineEventHandler(async (event) => {
  const body = await readChecked(event, pinSchema)
  const session = await useSessionOf(event)
  if (!session) throw new Refusal('unsigned', '', 'noTablet')
  await unlock(await useEm(event), session, { ...body, address: addressOf(event) }, scrypt, now())
  return { ok: true }
})
