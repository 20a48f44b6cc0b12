/** Words of the stock: fruit, its parts, ways of finding a strength, what to do with what is left. */
import type { FruitPart } from '#core/formula/occasion'
import { findIngredient } from '#core/base/ingredients/ingredients'
import type { Fruit } from '#core/base/ingredients/measures'
import { fruitOf } from '#core/plan/fruit'
import type { LotMethod } from '#core/kitchen/strength'

export const PART_NAMES: Record<FruitPart, string> = {
  juice: 'juice',
  zest: 'zest',
  peel: 'peel',
  segments: 'segments',
}

/** "lemon, medium" */
export function fruitName(fruit: Fruit | string): string {
  const f = typeof fruit === 'string' ? fruitOf(fruit) : fruit
  return f ? `${f.words[0]!.replace(/^(?:large|big) /, '')}, ${f.size}` : 'fruit'
}

export const METHOD_WORDS: Record<LotMethod['kind'], { name: string, how: string }> = {
  entered: { name: 'Entered', how: 'from a label, or known otherwise' },
  titration: { name: 'Titration', how: 'weigh 1–2 g, titrate to pink' },
  refractometer: { name: 'Refractometer', how: '°Brix, corrected for the acid' },
  pH: { name: 'pH', how: 'by meter or by paper' },
  taste: { name: 'Taste against a known', how: 'thin both until they match' },
  blend: { name: 'Blend', how: 'worked out from what went in' },
}

/** What to do with what is left of an ingredient; common practice. */
export function leftoverWords(ingredientId: string): string {
  const row = findIngredient(ingredientId)
  if (ingredientId === 'white') return 'freeze, or meringue'
  if (ingredientId === 'yolk_sep') return 'freeze with a tenth of sugar, or more curd'
  switch (row?.group) {
    case 'juice':
      return 'freeze it in weighed bags'
    case 'egg':
      return 'keep for the next batch'
    case 'dairy':
      return 'whip it, or the next posset'
    case 'zest':
      return 'rub into sugar'
    default:
      return 'back on the shelf'
  }
}
