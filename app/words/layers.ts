/** Components of a dessert in a cook's words. */
import type { ComponentRole } from '#core/formula/document'
import type { Part } from '#core/pipeline/dessert'
import { SHORT_VERDICT } from '~/words/names'
import type { useFormat } from '~/composables/useFormat'
import { group, say } from './say'

export const ROLE_NAMES = group<Record<ComponentRole, string>>('layers.ROLE_NAMES')

const PLACE_WORDS = group<{ top: string, between: string, bottom: string }>('layers.PLACE_WORDS')

/**
 * How thick a layer is and where it lies, and how it sets.
 * @example partWords(part, fmt, 'top') // { size: '18 mm, on top', state: 'holds as meant' }
 */
export function partWords(
  part: Part,
  fmt: ReturnType<typeof useFormat>,
  place: keyof typeof PLACE_WORDS,
): { size: string, state: string } {
  const thick = part.thickM > 0 ? fmt.mm(part.thickM) : say('layers.emptyYet')
  const size = part.fromM === null ? say('layers.besideTheVessel') : `${thick}${PLACE_WORDS[place]}`
  return { size, state: part.code ? SHORT_VERDICT[part.code] : part.problem ? say('layers.notComputed') : '' }
}
