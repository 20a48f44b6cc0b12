import { renameFormula } from '../../../domain/formulas'
import { wantSummaries } from '../../../domain/housekeeping'
import { loadOwner } from '../../../domain/kitchen'
import { renameSchema } from '../../../../shared/schemas/wire'

export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { name } = await readChecked(event, renameSchema)
  const em = await useEm(event)
  const record = await renameFormula(em, await loadOwner(em), now(), id, name)
  wantSummaries([id])
  return record
})
