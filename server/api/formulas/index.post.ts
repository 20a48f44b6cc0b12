import { createSchema } from '../../../shared/schemas/wire'

export default defineEventHandler(async (event) => {
  const body = await readChecked(event, createSchema)
  const em = await useEm(event)
  const owner = await loadKitchen(em)
  const document = takeDocument(body.document, owner)
  return createFormulaRow(em, owner, now(), { id: body.id, mutationId: body.mutationId, document, label: body.label ?? '', parentFormulaId: body.parentFormulaId ?? null })
})
