/** Gelatin: grades, leaves and bloom water. */
import { within } from '../../base/errors'
import { FIELDS } from '../../base/fields'

const BLOOM = FIELDS['set.bloom']

/**
 * Leaf grades: Bloom strength and weight of a leaf, g (common practice; leaves are cut so that one does the same
 * work).
 */
export const LEAVES = {
  bronze: { bloom: 140, leafG: 3.3 },
  silver: { bloom: 160, leafG: 2.5 },
  gold: { bloom: 200, leafG: 2.0 },
  platinum: { bloom: 240, leafG: 1.7 },
} as const
/** Powder as sold in small packets (common practice). */
export const POWDER_BLOOM = 225
/** Every grade by name: the leaves, and powder. */
export const GELATIN_GRADES: readonly { name: string, bloom: number }[] = [
  ...Object.entries(LEAVES).map(([leaf, g]) => ({ name: `${leaf} leaf`, bloom: g.bloom })),
  { name: 'powder', bloom: POWDER_BLOOM },
]
/** A kitchen says how much powder it takes for this much gold leaf, g. */
export const OWN_RULE_LEAF_G = 10
/** Water that powder needs to bloom, g per g (common practice). */
export const BLOOM_WATER = 5

/**
 * Mass of another grade that does the same, g: grades swap by √Bloom (Gelatin Manufacturers Institute of America
 * handbook, from memory H).
 * @example swapGelatin(10, 200, 160) // 11.18
 */
export function swapGelatin(massG: number, fromBloom: number, toBloom: number): number {
  within(fromBloom, 'fromBloom', BLOOM.min, BLOOM.max)
  return massG * Math.sqrt(fromBloom / within(toBloom, 'toBloom', BLOOM.min, BLOOM.max))
}

/**
 * Powder and gold leaf that stand for a mass of gelatin by a kitchen's own rule, g: powder is taken for leaf by it;
 * every other grade is brought to gold leaf by √Bloom first.
 * @param powderG powder the kitchen takes for 10 g of gold leaf
 * @example swapByOwnRule(10, 200, 12) // { powderG: 12, leafG: 10 }
 */
export function swapByOwnRule(massG: number, bloom: number, powderG: number): { powderG: number, leafG: number } {
  const leafG = bloom === POWDER_BLOOM
    ? massG * OWN_RULE_LEAF_G / powderG
    : swapGelatin(massG, bloom, LEAVES.gold.bloom)
  return { powderG: leafG * powderG / OWN_RULE_LEAF_G, leafG }
}
