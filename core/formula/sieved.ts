/** What a sieve takes out again of what was stirred in. */
import { findIngredient } from '../base/ingredients/ingredients'
import type { Line, Step } from './document'

/**
 * Share of the zest (by weight, 0–1) that is sieved out: what joins before the last time the mix is strained. What is
 * stirred or folded in afterwards is eaten. Without zest, 0.
 * @example zestStrained({ lines: [], steps: [] }) // 0
 */
export function zestStrained({ lines, steps }: { lines: readonly Line[], steps: readonly Step[] }): number {
  const zest = lines.filter(l => findIngredient(l.ingredientId)?.group === 'zest' && l.massG > 0)
  const allG = zest.reduce((s, l) => s + l.massG, 0)
  const before = steps.slice(0, Math.max(0, steps.findLastIndex(s => s.kind === 'strain')))
  const joined = new Set(before.flatMap(s => ('lineIds' in s ? s.lineIds : [])))
  return allG > 0 ? zest.reduce((s, l) => s + (joined.has(l.id) ? l.massG : 0), 0) / allG : 0
}
