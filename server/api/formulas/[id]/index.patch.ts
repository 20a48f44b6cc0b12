import { renameSchema } from '../../../../shared/schemas/wire'

export default defineEventHandler(async (event) => {
  const id = formulaId(event)
  const { name } = await readChecked(event, renameSchema)
  const em = await useEm(event)
  const record = await renameFormula(em, await loadKitchen(em), now(), id, name.trim())
  if (!record) throw gone()
  return record
})
