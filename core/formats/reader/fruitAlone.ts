/** A text of fruit alone: nothing in it that whole fruit could lie in, under or on, so that nobody has to ask. */
import { findIngredient, is } from '../../base/ingredients/ingredients'
import type { Ingredient, IngredientGroup } from '../../base/ingredients/types'
import { FRUIT_FROM } from '../../formula/suggest'
import type { Part } from './parts'

const HOLDS: readonly IngredientGroup[] = ['egg', 'butter', 'dairy', 'plant', 'chocolate', 'biscuit', 'nut']
const holdsFruit = (row: Ingredient): boolean =>
  HOLDS.includes(row.group) || (row.group === 'setter' && !is(row, 'starch'))

/** Whether every line is of fruit, or of what goes with it: sugar, juice, peel, starch, spirit, water. */
export const isFruitAlone = (lines: readonly Part[]): boolean =>
  lines.flatMap(p => p.draft?.nouns ?? []).every((n) => {
    const row = n.k === 'ingredient' ? findIngredient(n.id) : undefined
    return n.k === 'fruit' || (row !== undefined && !holdsFruit(row))
  })

/** Whether what was weighed is mostly whole fruit. */
export function isMostlyFruit(lines: readonly Part[]): boolean {
  const items = lines.flatMap(p => (p.leftOut ? [] : (p.weighed?.items ?? [])))
  const grams = (of: typeof items) => of.reduce((s, i) => s + (i.massG ?? 0), 0)
  return grams(items.filter(i => findIngredient(i.ingredientId ?? '')?.group === 'fruit')) > FRUIT_FROM * grams(items)
}
