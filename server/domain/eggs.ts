/** Eggs that a formula takes: what surplus yolks and whites could go into. */
import type { FormulaDocument } from '#core/formula/document'
import type { EggUse } from '../../shared/schemas/wire'

/**
 * Grams of whole egg, yolk and white in everything that is made.
 * @example eggsOf(formula) // { wholeG: 0, yolkG: 173, whiteG: 0 }
 */
export function eggsOf(formula: FormulaDocument): EggUse {
  const lines = formula.components.filter(c => c.process).flatMap(c => c.lines)
  const sum = (...ids: string[]) => lines.reduce((s, l) => s + (ids.includes(l.ingredientId) ? l.massG : 0), 0)
  return { wholeG: sum('egg'), yolkG: sum('yolk_sep'), whiteG: sum('white', 'white_carton') }
}
