import { saveSchema } from '../../../../shared/schemas/wire'

export default defineEventHandler(async (event) => {
  const id = formulaId(event)
  const body = await readChecked(event, saveSchema)
  const em = await useEm(event)
  const owner = await loadKitchen(em)
  const outcome = await saveFormula(em, owner, now(), id, { mutationId: body.mutationId, baseVersion: body.baseVersion, document: takeDocument(body.document, owner) })
  if (outcome.kind === 'gone') throw gone()
  if (outcome.kind === 'conflict') throw createError({ statusCode: 409, statusMessage: 'Changed elsewhere', data: { code: 'changedElsewhere', current: outcome.record } })
  return outcome.record
})
