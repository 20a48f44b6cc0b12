/** Allergens of every line of a formula. */
import { findIngredient } from '../base/ingredients/ingredients'
import { type Allergen, ALLERGENS } from '../base/ingredients/types'
import type { Bench } from './bench'

/** Allergens of every line, in the order of the list. */
export const allergensOf = (doc: Bench): { allergen: Allergen, ingredientIds: string[] }[] => {
  const found = new Map<Allergen, string[]>()
  for (const l of doc.components.flatMap(c => c.lines)) {
    if (!(l.massG > 0)) continue
    for (const allergen of findIngredient(l.ingredientId)?.allergens ?? [])
      found.set(allergen, [...new Set([...(found.get(allergen) ?? []), l.ingredientId])])
  }
  return [...found].map(([allergen, ingredientIds]) => ({ allergen, ingredientIds }))
}

/** Allergens of every line; a crust without lines of its own counts as a shell of wheat and butter. */
export function allergensIn(doc: Bench): Allergen[] {
  const set = new Set(allergensOf(doc).map(a => a.allergen))
  const crust = doc.components
    .filter(c => c.role === 'crust')
    .flatMap(c => c.lines)
    .some(l => l.massG > 0)
  if (doc.assembly.crustM > 0 && !crust) (['milk', 'gluten'] as const).forEach(x => set.add(x))
  return ALLERGENS.filter(x => set.has(x))
}
