/** Kind of dessert and way of making: by the filling's lines, and by what the method does with them. */
import type { Family, Line, School } from '../../formula/document'
import { suggestFamily, suggestSchool } from '../../formula/suggest'
import type { UseKind } from '../../physics/set/bands'
import type { Entry, Reading, ReadOven, ReadVessel } from './reading'

/** Lines of the components of some roles, with what was assumed left to the page's words. */
export const linesOf = (lines: readonly Entry[], ...roles: string[]): Line[] =>
  lines.flatMap((l, k) => (l.kind === 'ingredient' && !l.leftOut && roles.includes(l.component?.role ?? '')
    ? l.items.flatMap((i, n) => (i.ingredientId && i.massG !== null
        ? [{ id: `${k}.${n}`, ingredientId: i.ingredientId, massG: i.massG, sourceText: l.text, assumption: '' }]
        : []))
    : []))

/** From so many pieces on a baked pie is tartlets. */
const TARTLETS_FROM = 12

/** What the method says of how it is made. */
interface Method {
  oven: ReadOven | null
  vessel: ReadVessel | null
  hasSteps: boolean
}

/**
 * @example kindOf(readText('200 g sugar\n4 eggs\n150 g lemon juice').lines, NO_METHOD).family // 'curd'
 */
export function kindOf(
  lines: readonly Entry[], { oven, vessel, hasSteps }: Method, use: UseKind | null = null,
): { family: Family | null, school: School | null } {
  const filling = linesOf(lines, 'filling')
  if (filling.length === 0) return { family: null, school: null }
  const byLines = suggestFamily(filling, use)
  const eggs = filling.some(l => ['egg', 'yolk_sep', 'white', 'yolk'].includes(l.ingredientId))
  // A curd that goes into the oven is baked as a bar is.
  const family = oven && eggs && (byLines === 'curd' || byLines === 'posset') ? 'bar' : byLines
  const school = suggestSchool(filling, family, use)
  if (family !== 'condensedPie') return { family, school }
  if (!oven) return { family, school: hasSteps ? 'chillOnly' : school }
  return { family, school: (vessel?.count ?? 1) >= TARTLETS_FROM ? 'tartlets' : school }
}
export const NO_METHOD: Method = { oven: null, vessel: null, hasSteps: false }
/** The method of a reading, as its kind depends on it. */
export const methodOf = (r: Reading): Method =>
  ({ oven: r.oven, vessel: r.vessel, hasSteps: r.lines.some(l => l.kind === 'step') })
