import { loadFormula } from '../../../domain/formulas'
import { loadOwner } from '../../../domain/kitchen'

export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const em = await useEm(event)
  return loadFormula(em, await loadOwner(em), id)
})
