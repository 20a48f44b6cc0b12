/**
 * Nutrition by calculation from the composition, and allergens. Energy factors per gram: fat 37 kJ, protein and
 * available carbohydrate 17, fibre 8, organic acids 13, alcohol 29 (Regulation (EU) 1169/2011, Annex XIV, from memory
 * H).
 * Saturates and salt are not in the composition table and are not given.
 */
import type { Bench } from '../formula/bench'
import { strengthOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { mix, proteinG, toParts } from '../physics/matter/mix'
import type { Assessment } from '../pipeline/assessment'

export interface Nutrition {
  energyKJ: number
  energyKcal: number
  fatG: number
  milkFatG: number
  carbohydrateG: number
  sugarsG: number
  fibreG: number
  proteinG: number
  alcoholG: number
}
const KJ = { fat: 37, protein: 17, carbohydrate: 17, fibre: 8, acid: 13, alcohol: 29 }
const KCAL = { fat: 9, protein: 4, carbohydrate: 4, fibre: 2, acid: 3, alcohol: 7 }

/**
 * A portion as it is eaten, g: cut from the vessels, with its share of crust and topping. Label, card, cost and
 * nutrition all speak of this one.
 * @example portionOf(doc, assessment) // 28
 */
export function portionOf(doc: Bench, a: Assessment): number {
  const besideG = doc.components
    .filter(c => c.id !== doc.componentId)
    .flatMap(c => c.lines)
    .reduce((s, l) => s + l.massG, 0)
  return a.shape.portionG + besideG / doc.assembly.portions
}

/**
 * Nutrition of 100 g as eaten and of a portion: what is cooked away is water, so the batch keeps what went in.
 * @example nutritionOf(doc, kitchen, assessment).per100g.energyKcal // 309.5
 */
export function nutritionOf(
  doc: Bench,
  kitchen: Kitchen,
  a: Assessment,
): { per100g: Nutrition, portion: Nutrition, portionG: number } {
  const m = mix(
    toParts(
      doc.components.flatMap(c => c.lines),
      l => strengthOf(l, kitchen),
    ),
  )
  const massG = m.massG - a.heat.evaporatedG
  const sugars = m.grams.sucrose + m.grams.monosaccharides + m.grams.lactose
  const parts = {
    fat: m.grams.fat,
    protein: proteinG(m),
    carbohydrate: sugars + m.grams.starch,
    fibre: m.grams.fibre,
    acid: m.acidG,
    alcohol: m.ethanolG,
  }
  const energy = (factors: typeof KJ) =>
    (Object.keys(parts) as (keyof typeof parts)[]).reduce((s, k) => s + factors[k] * parts[k], 0)
  const of = (share: number): Nutrition => ({
    energyKJ: energy(KJ) * share,
    energyKcal: energy(KCAL) * share,
    fatG: m.grams.fat * share,
    milkFatG: m.grams.milkFat * share,
    carbohydrateG: parts.carbohydrate * share,
    sugarsG: sugars * share,
    fibreG: m.grams.fibre * share,
    proteinG: parts.protein * share,
    alcoholG: m.ethanolG * share,
  })
  const eatenG = portionOf(doc, a)
  return { per100g: of(100 / massG), portion: of(eatenG / massG), portionG: eatenG }
}
