/** Keeps the key that a device made. */
import { newPasskeySchema } from '../../../../shared/schemas/door'
import { keepPasskey, type MadeKey } from '../../../people/passkeys'

export default defineEventHandler(async (event) => {
  const { id, label, response } = await readChecked(event, newPasskeySchema)
  const { who } = await useWho(event)
  const made = { id, label, response: response as unknown as MadeKey }
  await keepPasskey(await useEm(event), who, made, siteOf(event), now())
  return { ok: true }
})
