/** Eggs that a formula takes: what surplus yolks and whites could go into. */
import { fillingOf, type FormulaDocument } from '#core/formula/document'
import type { EggUse } from '../../shared/schemas/wire'

/** Grams of whole egg, yolk and white. @example eggsOf(document) // { wholeG: 0, yolkG: 173, whiteG: 0 } */
export function eggsOf(document: FormulaDocument): EggUse {
  const sum = (...ids: string[]) =>
    fillingOf(document).lines.reduce((s, l) => s + (ids.includes(l.ingredientId) ? l.massG : 0), 0)
  return { wholeG: sum('egg'), yolkG: sum('yolk_sep'), whiteG: sum('white', 'white_carton') }
}
