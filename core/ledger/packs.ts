/** What to buy, in the units a shop sells: common sizes, from memory (M). */
import { findIngredient } from '../base/ingredients/ingredients'
import { labelOf } from '../base/ingredients/label'
import { eggPart } from '../formula/eggs'
import type { EggNeed, FruitNeed, LedgerLine } from './ledger'

export const PACK_UNITS = ['fruit', 'egg', 'pack', 'litre', 'bag', 'tin', 'leaf', 'tub', 'weight'] as const
export type PackUnit = (typeof PACK_UNITS)[number]
export interface Bought {
  /** An ingredient, or a fruit of `FRUITS` where the unit is one. */
  id: string
  unit: PackUnit
  count: number
  /** In one of them, g; 0 for fruit and eggs. */
  eachG: number
  /** Left in what was opened last, g. */
  overG: number
}

const PACKS: Readonly<Record<string, readonly [PackUnit, number]>> = {
  butter80: ['pack', 250], butter82: ['pack', 250], butter84: ['pack', 250],
  cream48: ['tub', 600], cream38: ['litre', 1000], cream36: ['litre', 1000], cream30: ['litre', 1000],
  creme_fr: ['tub', 200], creme_sour: ['tub', 300], mascarpone: ['tub', 250], cream_cheese: ['tub', 200],
  greek: ['tub', 500], yoghurt: ['tub', 500], milk: ['litre', 1030],
  condensed: ['tin', 397], evaporated: ['tin', 410], coconut_milk: ['tin', 400], coconut_cream: ['tin', 400],
  sugar: ['bag', 1000], icing: ['bag', 500], brown_sugar: ['bag', 500], flour: ['bag', 1500], cornflour: ['bag', 250],
  gelatin: ['leaf', 2], digestive: ['pack', 400], graham: ['pack', 400], gingernut: ['pack', 250],
  choc_white: ['pack', 200], choc_milk: ['pack', 200], choc_dark: ['pack', 200], white_carton: ['litre', 1030],
  raspberry: ['tub', 150],
}
/** What is bought by weight is asked for in steps of this, g. */
const STEP_G = 10

interface Wanted { lines: LedgerLine[], fruit: FruitNeed[], eggs: Pick<EggNeed, 'shells' | 'haveShells'> }
/**
 * Packs that hold what is still needed.
 * @example packsFor({ lines: [], fruit: [], eggs: { shells: 9, haveShells: 4 } })[0].count // 5
 */
export function packsFor({ lines, fruit, eggs }: Wanted): Bought[] {
  const out: Bought[] = fruit.map(f => ({ id: f.fruitId, unit: 'fruit', count: f.count, eachG: 0, overG: 0 }))
  const shells = Math.max(0, eggs.shells - (eggs.haveShells ?? 0))
  if (shells > 0) out.push({ id: 'egg', unit: 'egg', count: shells, eachG: 0, overG: 0 })
  const squeezed = (l: LedgerLine) => l.station === 'squeeze' && !(l.ingredientId in PACKS) && isFruit(l.ingredientId)
  for (const l of lines) {
    if (eggPart(l.ingredientId) !== null || squeezed(l)) continue
    const needG = Math.max(0, l.needG - (l.haveG ?? 0))
    if (!(needG > 0)) continue
    const [unit, eachG] = packOf(l.ingredientId)
    const count = Math.ceil(needG / eachG - 1e-9)
    out.push({ id: l.ingredientId, unit, count, eachG, overG: count * eachG - needG })
  }
  return out
}
/** How it is sold: by the table, by its own label, or by weight. */
function packOf(id: string): readonly [PackUnit, number] {
  const labelled = labelOf(id)?.pack
  return PACKS[id] ?? (labelled ? ['pack', labelled] : ['weight', STEP_G])
}
/** Juice and zest that come out of fruit. */
const isFruit = (id: string): boolean => ['juice', 'zest'].includes(findIngredient(id)?.group ?? '')
