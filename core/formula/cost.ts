/** What a batch costs, by the kitchen's own prices. */
import type { Kitchen } from '../kitchen/kitchen'
import { fillingOf, type Bench } from './bench'

export interface Cost {
  lines: { lineId: string, ingredientId: string, massG: number, perKg: number | null, cost: number | null }[]
  /** Sum of what has a price. */
  batch: number
  portion: number
  /** Lines without a price: the sum leaves them out. */
  missing: string[]
}

/**
 * Cost of a mass of an ingredient; null without a price.
 * @example costOf('sugar', 250, { sugar: 1.2 }) // 0.3
 */
export const costOf = (ingredientId: string, massG: number, prices: Kitchen['prices']): number | null =>
  prices[ingredientId] === undefined ? null : (prices[ingredientId] * massG) / 1000

/**
 * Cost of every line of every component.
 * @example batchCost(doc, { ...kitchen, prices: { sugar: 1.2 } }).batch // 0.204
 */
export function batchCost(doc: Bench, kitchen: Kitchen): Cost {
  const lines = doc.components
    .flatMap(c => c.lines)
    .filter(l => l.massG > 0)
    .map(l => ({
      lineId: l.id,
      ingredientId: l.ingredientId,
      massG: l.massG,
      perKg: kitchen.prices[l.ingredientId] ?? null,
      cost: costOf(l.ingredientId, l.massG, kitchen.prices),
    }))
  const batch = lines.reduce((s, l) => s + (l.cost ?? 0), 0)
  return {
    lines,
    batch,
    portion: batch / doc.assembly.portions,
    missing: [...new Set(lines.filter(l => l.cost === null).map(l => l.ingredientId))],
  }
}

/**
 * Cost of the filling alone: what a rebalance can move.
 * @example fillingCost(doc, { ...kitchen, prices: { sugar: 1.2 } }) // 0.204
 */
export const fillingCost = (doc: Bench, kitchen: Kitchen): number =>
  fillingOf(doc).lines.reduce((s, l) => s + (costOf(l.ingredientId, l.massG, kitchen.prices) ?? 0), 0)
