import { renameFormula } from '../../../domain/formulas'
import { wantSummaries } from '../../../domain/refresh'
import { renameSchema } from '../../../../shared/schemas/wire'

export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { name } = await readChecked(event, renameSchema)
  const { em, owner } = await useRequest(event)
  const record = await renameFormula(em, owner, now(), id, name)
  wantSummaries([id])
  return record
})
