/** Kind of dessert and way of making: by the filling's lines, and by what the method does with them. */
import { findIngredient } from '../../base/ingredients/ingredients'
import type { Ingredient } from '../../base/ingredients/types'
import type { Family, Line, School } from '../../formula/document'
import { takes } from '../../formula/schools'
import { lineFacts, suggestFamily, suggestSchool } from '../../formula/suggest'
import type { UseKind } from '../../physics/set/bands'
import type { Entry, Placement, Reading } from './reading'

/** Lines of the components of some roles, with what was assumed left to the page's words. */
export const linesOf = (lines: readonly Entry[], ...roles: string[]): Line[] =>
  lines.flatMap((l, k) => (l.kind === 'ingredient' && !l.leftOut && roles.includes(l.component?.role ?? '')
    ? l.items.flatMap((i, n) => (i.ingredientId && i.massG !== null
        ? [{ id: `${k}.${n}`, ingredientId: i.ingredientId, massG: i.massG, sourceText: l.text, assumption: '' }]
        : []))
    : []))

/** From so many pieces on a baked pie is tartlets. */
const TARTLETS_FROM = 12
/** Between the two ovens of a condensed-milk pie, °C: halfway between their usual dials. */
const STEADY_FROM_C = 155

/** What decides about kind and way beside the lines. */
export type Making = Pick<Reading, 'oven' | 'vessel' | 'method'>

/**
 * @example kindOf(readText('200 g sugar\n4 eggs\n150 g lemon juice').lines, NO_METHOD).family // 'curd'
 */
export function kindOf(
  lines: readonly Entry[], making: Making, use: UseKind | null = null,
): { family: Family | null, school: School | null } {
  const filling = linesOf(lines, 'filling')
  if (filling.length === 0) return { family: null, school: null }
  const byLines = suggestFamily(filling, use)
  const eggs = filling.some(l => ['egg', 'yolk_sep', 'white', 'yolk'].includes(l.ingredientId))
  // A curd that goes into the oven is baked as a bar is.
  const baked: Family = making.oven && eggs && (byLines === 'curd' || byLines === 'posset') ? 'bar' : byLines
  const family = byHeat(baked, filling, making)
  return { family, school: bySteps(family, suggestSchool(filling, family, use), filling, making) }
}

/** What the pot says of the kind: no posset without heat, no egg's curd where flour boils. */
function byHeat(family: Family, lines: readonly Line[], { oven, method: m }: Making): Family {
  if (!m || oven) return family
  const { share } = lineFacts(lines, null)
  const whipped = m.acts.some(a => a.does === 'whip' || a.does === 'fold')
  if (m.pot === null && (family === 'posset' || (family === 'curd' && whipped && share({ groups: ['dairy'] }) > 0.2)))
    return 'unsetMousse'
  return family === 'curd' && m.boils && share({ traits: ['wheat'] }) > BOILED_FLOUR ? 'starchFilling' : family
}
/** Flour that thickens a custard, as a share of it (judgement). */
const BOILED_FLOUR = 0.02

/** The way of making a method tells; what its lines suggest where it says nothing of it. */
function bySteps(family: Family, byLines: School, lines: readonly Line[], { oven, vessel, method: m }: Making): School {
  const placed = (test: (row: Ingredient) => boolean, where: Placement['where']) =>
    lines.some(l => m?.placed[l.ingredientId]?.where === where && test(findIngredient(l.ingredientId)!))
  const isJuice = (row: Ingredient) => row.group === 'juice' || row.group === 'acid'
  if (family === 'condensedPie') {
    if (!oven) return m ? 'chillOnly' : byLines
    if ((vessel?.count ?? 1) >= TARTLETS_FROM) return 'tartlets'
    return oven.tempC + (oven.fan ? FAN_K : 0) < STEADY_FROM_C ? 'lowOven' : 'steadyOven'
  }
  if (family === 'fruit' && oven) return byLines === 'peelPowder' ? byLines : 'roastedFruit'
  if (!m) return byLines
  switch (byLines) {
    case 'yolkBath': case 'wholeEggTempered': case 'emulsified':
      if (m.pot === 'microwave') return 'microwave'
      if (m.blends && placed(r => r.group === 'butter', 'after')) return 'emulsified'
      return m.pot === 'waterBath' && byLines === 'wholeEggTempered' ? 'yolkBath' : byLines
    case 'reduced': case 'boiled': case 'dissolved':
      if (m.reduces) return 'reduced'
      return m.boils ? 'boiled' : m.pot ? 'dissolved' : byLines
    case 'cooledBase': case 'hotBase':
      return m.hotBase ? 'hotBase' : byLines
    case 'juiceAfter': case 'boiledAgain':
      return placed(isJuice, 'heated') ? 'boiledAgain' : placed(isJuice, 'after') ? 'juiceAfter' : byLines
    case 'foldedMousse': case 'setCream':
      return placed(r => takes(CREAM, r), 'folded') ? 'foldedMousse' : placed(r => takes(CREAM, r), 'heated') || !m.acts.some(a => a.does === 'whip' || a.does === 'fold')
        ? 'setCream'
        : byLines
    case 'blendedGel': case 'frozenInsert':
      return m.freezeMinutes !== null ? 'frozenInsert' : m.blends ? 'blendedGel' : byLines
    case 'coulis':
      return m.blends || m.acts.some(a => a.does === 'strain') ? 'coulis' : 'maceratedFruit'
    default:
      return byLines
  }
}
/** A fan cooks as a still oven so much hotter does, K (trade rule of thumb). */
const FAN_K = 20
const CREAM = { traits: ['whips'] } as const
export const NO_METHOD: Making = { oven: null, vessel: null, method: null }
