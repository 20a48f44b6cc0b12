/** Baked parts by what the oven takes of them: their water, and how far a sheet bends. */
import { findIngredient, part } from '../base/ingredients/ingredients'
import { type BendWord, bendOf } from '../physics/set/pastry'
import type { Component, PartMake } from './document'
import { PART_FACTS } from './parts'

/** The oven takes no more than this of a part, however long it stands there, share. */
const MOST_LOSS = 0.8
/**
 * Weight a part loses in the oven, share: its kind's, by its minutes there against the usual ones.
 * @example lossOf({ kind: 'rollSheet', ratio: 1, bakedS: 1080 }) // 0.2
 */
export const lossOf = ({ kind, bakedS }: PartMake): number => {
  const { bakeLoss, oven } = PART_FACTS[kind]
  return Math.min(MOST_LOSS, bakeLoss * (bakedS === undefined || !oven ? 1 : bakedS / 60 / oven.minutes))
}

/** Grams of all lines. @example massOf({ lines }) // 595 */
export const massOf = (c: Pick<Component, 'lines'>): number => c.lines.reduce((s, l) => s + l.massG, 0)
/** Grams of something in all lines, by what 100 g of each hold of it. */
export const gramsOf = (c: Pick<Component, 'lines'>, of: (id: string) => number): number =>
  c.lines.reduce((s, l) => s + (l.massG * of(l.ingredientId)) / 100, 0)

/** Water of a part as it comes from the oven, share. */
function bakedMoisture(c: Component, make: PartMake): number {
  const loss = lossOf(make)
  const water = gramsOf(c, id => part(findIngredient(id)!, 'water')) / massOf(c)
  return Math.max(0, water - loss) / (1 - loss)
}

export interface SheetBend { strain: number, bears: number, word: BendWord, moisture: number }
/**
 * How far a sheet bends as it is rolled warm; null: it is no sheet for a roll.
 * @example bendOfSheet({ id: 'x', role: 'sponge', name: '', lines: [], steps: [] }, 0.01) // null
 */
export function bendOfSheet(c: Component, thickM: number | null): SheetBend | null {
  if (c.make?.kind !== 'rollSheet' || thickM === null || massOf(c) <= 0) return null
  const moisture = bakedMoisture(c, c.make)
  return { ...bendOf(thickM, moisture, true), moisture }
}
