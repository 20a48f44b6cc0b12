import { nameVersionSchema } from '../../../../../shared/schemas/wire'

/** Names the state a formula is in. */
export default defineEventHandler(async (event) => {
  const { label } = await readChecked(event, nameVersionSchema)
  const em = await useEm(event)
  const owner = await loadKitchen(em)
  const version = await nameVersion(em, owner, now(), formulaId(event), label.trim())
  if (!version) throw gone()
  return version
})
