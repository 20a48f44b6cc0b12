/** What a link opens: a formula without its lots, or a day's desserts and times without the people who make them. */
import { tokenSchema } from '../../shared/schemas/door'
import { sharedDay, sharedFormula } from '../../shared/shared'
import { within } from '../database/wall'
import { loadDay } from '../domain/days'
import { loadFormula } from '../domain/formulas'
import { knownKitchen, loadOwner } from '../domain/kitchen'
import { countTry, wasRight } from '../people/attempts'
import { linkBy } from '../people/links'

export default defineEventHandler(async (event) => {
  const { token } = await readChecked(event, tokenSchema)
  const em = await useEm(event)
  await countTry(em, 'address', addressOf(event), now())
  const { kind, target, kitchenId } = await linkBy(em, token, now())
  await wasRight(em, { address: addressOf(event) }, now())
  return within(kitchenId, async () => {
    const owner = await loadOwner(em, kitchenId)
    const { name } = await knownKitchen(em, owner)
    return kind === 'formula'
      ? { kind, kitchen: name, formula: sharedFormula((await loadFormula(em, owner, target)).document.formula) }
      : { kind, kitchen: name, date: target, day: sharedDay((await loadDay(em, owner, target)).sheet) }
  })
})
