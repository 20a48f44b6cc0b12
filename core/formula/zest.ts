/** Zest as it is taken: rubbed into sugar, sieved out again, with or without the white. */
import { findIngredient } from '../base/ingredients/ingredients'
import type { Peel } from '../physics/matter/taste'
import type { Line, Step } from './document'

/**
 * Ids of the lines that are in the mix before the last time it is strained. What is stirred or folded in afterwards is
 * eaten.
 * @example sievedLines([]).size // 0
 */
export function sievedLines(steps: readonly Step[]): Set<string> {
  const before = steps.slice(0, Math.max(0, steps.findLastIndex(s => s.kind === 'strain')))
  return new Set(before.flatMap(s => ('lineIds' in s ? s.lineIds : [])))
}

/** Grating down into the white counts as so much more zest by its bitterness (common practice: about twice). */
const DEEP_COUNTS = 2

/**
 * Share of the zest (by weight, 0–1) that is sieved out. Without zest, 0.
 * @example zestStrained({ lines: [], steps: [] }) // 0
 */
export function zestStrained({ lines, steps }: { lines: readonly Line[], steps: readonly Step[] }): number {
  const zest = zestOf(lines)
  const allG = zest.reduce((s, l) => s + l.massG, 0)
  const joined = sievedLines(steps)
  return allG > 0 ? zest.reduce((s, l) => s + (joined.has(l.id) ? l.massG : 0), 0) / allG : 0
}

/**
 * How much more a formula's zest counts as bitter because it was grated into the white, 1–2.
 * @example pithCounts([]) // 1
 */
export function pithCounts(lines: readonly Line[]): number {
  const zest = zestOf(lines)
  const allG = zest.reduce((s, l) => s + l.massG, 0)
  return allG > 0 ? zest.reduce((s, l) => s + l.massG * (l.zest?.deep ? DEEP_COUNTS : 1), 0) / allG : 1
}
const groupOf = (l: Line) => findIngredient(l.ingredientId)?.group
const zestOf = (lines: readonly Line[]) => lines.filter(l => groupOf(l) === 'zest' && l.massG > 0)

/**
 * Whether a line of zest is rubbed into the sugar: as it is said, else where both go in at the beginning.
 * @example isRubbed(lines[0], { lines, steps: [] }) // false
 */
export function isRubbed(zest: Line, { lines, steps }: { lines: readonly Line[], steps: readonly Step[] }): boolean {
  const sugars = lines.filter(l => groupOf(l) === 'sugar' && l.massG > 0)
  const first = steps.find(s => s.kind === 'combine')?.lineIds ?? []
  const meet = first.includes(zest.id) && sugars.some(l => first.includes(l.id))
  return meet && (zest.zest?.rubbed ?? true)
}

/**
 * What tells how bitter a formula's zest is: how much of it the sieve takes, and how deep it was grated.
 * @example peelOf({ lines: [], steps: [] }).pith // 1
 */
export const peelOf = (f: { lines: readonly Line[], steps: readonly Step[] }): Peel =>
  ({ strained: zestStrained(f), pith: pithCounts(f.lines) })
