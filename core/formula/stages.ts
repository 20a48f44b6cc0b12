/** A filling's lines split by its steps: cooked together, or stirred in afterwards. */
import { fillingOf, given, strengthOf, type FormulaDocument, type Kitchen } from './document'
import { toParts, type MixPart } from './mix'

/** The mix as cooked, and what is stirred in afterwards. */
export interface Stage { cooked: MixPart[], late: { parts: MixPart[], lineTempC: number, mixTempC: number | null } | null, all: MixPart[] }

/** Splits the filling's lines by its steps. @throws {InputError} naming the line */
export function stagesOf(doc: FormulaDocument, kitchen: Kitchen): Stage {
  const filling = fillingOf(doc)
  const index = doc.components.indexOf(filling)
  const all = toParts(filling.lines, line => strengthOf(line, kitchen), `components.${index}.lines`)
  const lateStep = filling.steps.find(s => s.kind === 'stirIn')
  const lateIds = new Set(lateStep?.kind === 'stirIn' ? lateStep.lineIds : [])
  const cooked = all.filter((_, i) => !lateIds.has(filling.lines[i]!.id))
  const lateParts = all.filter((p, i) => lateIds.has(filling.lines[i]!.id) && p.massG > 0)
  const late = lateStep?.kind === 'stirIn' && lateParts.length
    ? { parts: lateParts, lineTempC: lateStep.lineTempC, mixTempC: given(lateStep.mixTempC) }
    : null
  return { cooked, late, all }
}
