/** Kind of dessert and way of making, by the filling's lines. */
import type { Family, Line, School } from '../../formula/document'
import { suggestFamily, suggestSchool } from '../../formula/suggest'
import type { Entry } from './reading'

/** Lines of a component as the suggestions take them. */
export const linesOf = (lines: readonly Entry[], role: string): Line[] =>
  lines.flatMap((l, k) => (l.kind === 'ingredient' && !l.leftOut && l.component?.role === role
    ? l.items.flatMap((i, n) => (i.ingredientId && i.massG !== null
        ? [{ id: `${k}.${n}`, ingredientId: i.ingredientId, massG: i.massG, sourceText: l.text, assumption: '' }]
        : []))
    : []))

/** @example kindOf(readText('200 g sugar\n4 eggs\n150 g lemon juice').lines).family // 'curd' */
export function kindOf(lines: readonly Entry[]): { family: Family | null, school: School | null } {
  const filling = linesOf(lines, 'filling')
  if (filling.length === 0) return { family: null, school: null }
  const family = suggestFamily(filling)
  return { family, school: suggestSchool(filling, family) }
}
