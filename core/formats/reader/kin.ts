/** What one word of a method may stand for, and a step's words without what only sounds like an ingredient. */
import { findIngredient } from '../../base/ingredients/ingredients'
import type { Lexicon } from './lexicon'
import { toPlain } from './plain'
import { type Token, tokensOf } from './tokens'

/** Ids that one word may stand for: any sugar is "the sugar". */
const KIN: readonly (readonly string[])[] = [
  ['sugar', 'icing', 'brown_sugar', 'dextrose', 'fructose'], ['butter80', 'butter82', 'butter84'],
  ['cream30', 'cream36', 'cream38', 'cream48', 'oat_cream', 'soya_cream'], ['milk', 'condensed', 'evaporated', 'coconut_milk'],
  ['greek', 'yoghurt'], ['digestive', 'graham', 'gingernut', 'shortbread', 'sponge'], ['glucose_syr', 'glucose_syr60'],
  ['cornflour', 'potato_starch', 'tapioca', 'modified_starch', 'waxy_maize', 'rice_starch'],
  ['choc_white', 'choc_milk', 'choc_dark'], ['cream_cheese', 'mascarpone'],
]
/**
 * The kind a method's word names: any juice is "the juice", any cream "the cream".
 * @example kinOf('cream48') // 'cream30'
 */
export const kinOf = (id: string): string => {
  const group = findIngredient(id)?.group
  if (group === 'juice') return 'juice'
  return KIN.find(k => k.includes(id))?.[0] ?? id
}

/** A step's words without what only sounds like an ingredient: baths, greased tins. */
export function stepTokens(raw: string, at: number, lexicon: Lexicon): Token[] {
  let text = toPlain(raw).text
  for (const phrase of lexicon.words.notOfIt) {
    const plain = toPlain(phrase).text
    text = text.replace(new RegExp(plain.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'gi'), m => ' '.repeat(m.length))
  }
  return tokensOf(text, at, lexicon)
}
