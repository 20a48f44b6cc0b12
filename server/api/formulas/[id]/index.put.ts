import { saveFormula } from '../../../domain/formulas'
import { wantSummaries } from '../../../domain/refresh'
import { knownKitchen } from '../../../domain/kitchen'
import { saveSchema } from '../../../../shared/schemas/wire'

/** Saves a draft; answered once it is committed. What the shelf shows of it follows later. */
export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { mutationId, baseVersion, document } = await readChecked(event, saveSchema)
  const { em, owner } = await useRequest(event)
  const kitchen = await knownKitchen(em, owner)
  const record = await saveFormula(em, owner, now(), id, {
    mutationId,
    baseVersion,
    document: takeDocument(document, kitchen),
  })
  wantSummaries([id])
  return record
})
