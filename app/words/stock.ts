/** Words of the stock: fruit, its parts, ways of finding a strength, what to do with what is left. */
import type { Beside } from '#core/base/ingredients/beside'
import type { EggPart } from '#core/formula/eggs'
import type { FruitPart } from '#core/formula/occasion'
import { findIngredient } from '#core/base/ingredients/ingredients'
import type { Fruit } from '#core/base/ingredients/measures'
import { fruitOf } from '#core/plan/fruit'
import type { LotMethod } from '#core/kitchen/strength'
import { group, say } from './say'

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

/** "9 yolks", "1 egg" */
export const eggWords = (part: EggPart, count: number): string =>
  `${count} ${EGG_PARTS[part][count === 1 ? 0 : 1]}`
const EGG_PARTS = group<Record<EggPart, [string, string]>>('stock.EGG_PARTS')

const FRACTIONS: Record<string, string> = { 0.25: '¼', 0.5: '½', 0.75: '¾' }
const inQuarters = (n: number) =>
  `${Math.floor(n) || ''}${FRACTIONS[String(n - Math.floor(n))] ?? ''}`
/** "1¼ cups and 2 tbsp" */
export function besideWords({ cups, tablespoons, teaspoons }: Beside): string {
  const spoons = tablespoons ? say('stock.tbsp', { n: inQuarters(tablespoons) }) : ''
  const tea = teaspoons ? say('stock.tsp', { n: inQuarters(teaspoons) }) : ''
  const n = inQuarters(cups)
  const cup = cups > 1 ? say('stock.cups', { n }) : cups ? say('stock.cup', { n }) : ''
  return [cup, spoons, tea].filter(Boolean).join(' + ')
}

export const METHOD_WORDS = group<Record<LotMethod['kind'], { name: string, how: string }>>('stock.METHOD_WORDS')

/** What to do with what is left of an ingredient; common practice. */
export function leftoverWords(ingredientId: string): string {
  const row = findIngredient(ingredientId)
  if (ingredientId === 'white') return say('stock.freezeOrMeringue')
  if (ingredientId === 'yolk_sep') return say('stock.freezeWithATenthOfSugar')
  switch (row?.group) {
    case 'juice':
      return say('stock.freezeItInWeighedBags')
    case 'egg':
      return say('stock.keepForTheNextBatch')
    case 'dairy':
      return say('stock.whipItOrTheNextPosset')
    case 'zest':
      return say('stock.rubIntoSugar')
    default:
      return say('stock.backOnTheShelf')
  }
}

/** "5 packs", "1 pack", "2.4 packs" of what is left. */
export function packWords(packs: number, fmt: { fixed: (n: number, digits?: number) => string }): string {
  const n = fmt.fixed(packs, 1).replace(/[.,]0$/, '')
  return n === '1' ? say('packUp.onePack') : say('packUp.packs', { n })
}
