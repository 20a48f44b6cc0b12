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

/** How thick a layer is, and how it sets. @example partWords(part, fmt) // { size: '18 mm', state: 'cuts cleanly' } */
export function partWords(part: Part, fmt: ReturnType<typeof useFormat>): { size: string, state: string } {
  const size = part.fromM === null ? 'beside the vessel' : part.thickM > 0 ? `${fmt.mm(part.thickM)} thick` : 'empty yet'
  return { size, state: part.code ? SHORT_VERDICT[part.code] : part.problem ? 'not computed' : '' }
}
