/** Look-ups in the ingredient table. */
import { INGREDIENTS } from './table'
import type { CompositionKey, Ingredient } from './types'

export * from './types'
export { INGREDIENTS }

const byId = new Map(INGREDIENTS.map(row => [row.id, row]))

/** The row with this id, or undefined. */
export const findIngredient = (id: string): Ingredient | undefined => byId.get(id)

/** One component of an ingredient, g per 100 g. */
export const part = (row: Ingredient, key: CompositionKey): number => row.per100g[key] ?? 0

/** Total protein, g per 100 g. */
export const protein = (row: Ingredient): number =>
  part(row, 'casein') + part(row, 'whey') + part(row, 'eggWhiteProtein') + part(row, 'yolkProtein') + part(row, 'otherProtein')

/**
 * One σ of ln(titratable acidity) of an unmeasured juice.
 * Source: spread of published juice acidities, from memory (lemon and lime .10, orange .20, passion .17, sweet lemon
 * .22); where none is remembered, a quarter of the table's own low-to-high range.
 */
export function acidLogSigma(row: Ingredient): number {
  const remembered: Record<string, number> = { lemon: 0.10, lime: 0.10, keylime: 0.10, orange: 0.20, blood: 0.20, passion: 0.17, lemon_sweet: 0.22 }
  if (!row.acid) return 0
  return remembered[row.id] ?? Math.log(row.acid.high / row.acid.low) / 4
}
