import { loadFormula } from '../../../domain/formulas'

export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { em, owner } = await useRequest(event)
  return loadFormula(em, owner, id)
})
