/** A link by which anybody may read one formula, or one day's sheet, for a while. */
import { linkSchema } from '../../../shared/schemas/door'
import { loadDay } from '../../domain/days'
import { loadFormula } from '../../domain/formulas'
import { newLink } from '../../people/links'

export default defineEventHandler(async (event) => {
  const body = await readChecked(event, linkSchema)
  const { em, owner } = await useRequest(event)
  // What is not there cannot be shared.
  if (body.kind === 'formula') await loadFormula(em, owner, body.target)
  else await loadDay(em, owner, body.target)
  return newLink(em, owner.id, body, now())
})
