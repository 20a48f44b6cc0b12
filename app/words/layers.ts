/** Components of a dessert in a cook's words. */
import type { ComponentRole } from '#core/formula/document'
import type { Part } from '#core/pipeline/dessert'
import { SHORT_VERDICT } from '~/words/names'
import type { useFormat } from '~/composables/useFormat'

export const ROLE_NAMES: Record<ComponentRole, string> = {
  filling: 'Filling',
  crust: 'Crust',
  topping: 'Topping',
  insert: 'Insert',
  sponge: 'Sponge',
  glaze: 'Glaze',
  meringue: 'Meringue',
  cream: 'Cream',
  sauce: 'Sauce',
  fruit: 'Fruit',
}

const PLACE_WORDS = { top: ', on top', between: '', bottom: ', at the bottom' }

/**
 * How thick a layer is and where it lies, and how it sets.
 * @example partWords(part, fmt, 'top') // { size: '18 mm, on top', state: 'holds as meant' }
 */
export function partWords(
  part: Part,
  fmt: ReturnType<typeof useFormat>,
  place: keyof typeof PLACE_WORDS,
): { size: string, state: string } {
  const thick = part.thickM > 0 ? fmt.mm(part.thickM) : 'empty yet'
  const size = part.fromM === null ? 'beside the vessel' : `${thick}${PLACE_WORDS[place]}`
  return { size, state: part.code ? SHORT_VERDICT[part.code] : part.problem ? 'not computed' : '' }
}
