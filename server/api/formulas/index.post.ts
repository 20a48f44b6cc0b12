import { wholeOccasion } from '#core/formula/occasion'
import { createFormulaRow } from '../../domain/formulas'
import { wantSummaries } from '../../domain/refresh'
import { knownKitchen } from '../../domain/kitchen'
import { createSchema } from '../../../shared/schemas/wire'

export default defineEventHandler(async (event) => {
  const body = await readChecked(event, createSchema)
  const { em, owner } = await useRequest(event)
  const kitchen = await knownKitchen(em, owner)
  const { formula, occasion } = takeDocument(body.document, kitchen)
  const record = await createFormulaRow(em, owner, now(), {
    id: body.id.toLowerCase(),
    mutationId: body.mutationId,
    document: { formula, occasion: wholeOccasion(occasion) },
    label: body.label ?? '',
    parentFormulaId: body.parentFormulaId ?? null,
  })
  wantSummaries([record.id])
  return record
})
