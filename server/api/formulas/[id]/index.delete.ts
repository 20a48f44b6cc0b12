import { deleteFormula } from '../../../domain/formulas'
import { loadOwner } from '../../../domain/kitchen'

export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const em = await useEm(event)
  await deleteFormula(em, await loadOwner(em), now(), id)
  return { deleted: true }
})
