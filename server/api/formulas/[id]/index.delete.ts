import { deleteFormula } from '../../../domain/formulas'

export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { em, owner } = await useRequest(event)
  await deleteFormula(em, owner, now(), id)
  return { deleted: true }
})
