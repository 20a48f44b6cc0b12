/** What a day takes, in a cook's words: stations, what to buy, what is left. */
import { FRUITS } from '#core/base/ingredients/measures'
import type { LedgerStation } from '#core/ledger/ledger'
import type { Bought, PackUnit } from '#core/ledger/packs'
import type { useFormat } from '~/composables/useFormat'
import { ingredientName } from './names'
import { fruitName } from './stock'
import { group, sentences } from './say'

export const STATION_NAMES = group<Record<LedgerStation, string>>('ledger.STATIONS')
const LEFT = group<Record<string, string>>('ledger.LEFT')
const pack = sentences('ledger.PACKS')

/** What is left, by the name a cook calls it. @example leftName('white') // 'whites' */
export const leftName = (ingredientId: string): string =>
  LEFT[ingredientId] ?? ingredientName(ingredientId)

/** A line of the shopping list. @example boughtWords(bought, fmt) // '2 packs of 250 g: Butter, 82 %' */
export function boughtWords({ id, unit, count, eachG }: Bought, fmt: ReturnType<typeof useFormat>): string {
  const fruit = FRUITS.find(f => f.id === id)
  const name = unit === 'fruit' && fruit ? fruitName(fruit) : ingredientName(id)
  return pack(unit satisfies PackUnit, { n: count, each: fmt.grams(eachG), all: fmt.grams(count * eachG), name })
}
