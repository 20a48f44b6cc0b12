/**
 * What a label says: made, use by, storage, ingredients by weight with their allergens, lots, and the words a guest
 * must be told.
 */
import { findIngredient } from '../base/ingredients/ingredients'
import { type Allergen, ALLERGENS } from '../base/ingredients/types'
import { allergensIn } from '../formula/allergens'
import type { Bench } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { CODES } from '../physics/safety/keeping'
import type { Assessment } from '../pipeline/assessment'
import { portionOf } from './nutrition'

export interface LabelFacts {
  name: string
  madeOn: string | null
  useBy: string | null
  storageDays: number
  /** Kept at this or below, °C. */
  holdC: number
  portionG: number
  /** Descending by weight, whole formula; allergens each brings. */
  ingredients: { ingredientId: string, allergens: Allergen[] }[]
  /** A crust of no formula of its own is named as such. */
  plainCrust: boolean
  allergens: Allergen[]
  lots: string[]
  /** Findings a guest must be told. */
  warnings: ('rawEgg' | 'lethalityLow' | 'rawTopping' | 'animalGelatin' | 'alcohol' | 'medicines')[]
}

const TOLD = ['rawEgg', 'lethalityLow', 'rawTopping', 'animalGelatin', 'alcohol', 'medicines'] as const

/**
 * Facts of a label. Ingredients are listed in descending order by weight (Regulation (EU) 1169/2011, Art. 18, from
 * memory H).
 * @example labelFacts(doc, kitchen, assessment).name // 'Test curd'
 */
export function labelFacts(doc: Bench, kitchen: Kitchen, a: Assessment): LabelFacts {
  const grams = new Map<string, number>()
  for (const l of doc.components.flatMap(c => c.lines))
    if (l.massG > 0) grams.set(l.ingredientId, (grams.get(l.ingredientId) ?? 0) + l.massG)
  const of = (id: string) => ALLERGENS.filter(x => findIngredient(id)?.allergens?.includes(x))
  const lots = doc.components.flatMap(c => c.lines)
    .flatMap(l => (l.massG > 0 && l.strength?.kind === 'lot' ? [l.strength.name] : []))
  return {
    name: doc.name,
    madeOn: doc.serve.startAt ? doc.serve.startAt.slice(0, 10) : null,
    useBy: a.serve.useBy,
    storageDays: a.serve.storageDays,
    holdC: CODES[kitchen.foodCode].holdC,
    portionG: portionOf(doc, a),
    ingredients: [...grams]
      .sort((x, y) => y[1] - x[1])
      .map(([ingredientId]) => ({ ingredientId, allergens: of(ingredientId) })),
    plainCrust:
      doc.assembly.crustM > 0 && !doc.components.some(c => c.role === 'crust' && c.lines.some(l => l.massG > 0)),
    allergens: allergensIn(doc),
    lots: [...new Set(lots)],
    warnings: TOLD.filter(code => a.findings.some(f => f.code === code)),
  }
}
