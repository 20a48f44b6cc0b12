/** Which kind of dessert and which way of making a set of lines means: by what is in them, and the use. */
import { findIngredient } from '../base/ingredients/ingredients'
import type { IngredientGroup, Trait } from '../base/ingredients/types'
import type { UseKind } from '../physics/set/bands'
import type { Family, Line, School } from './document'
import { familyOf } from './families'
import { type LineFacts, schoolOf, takes, type Takes } from './schools'

/** Shares of the whole by selector. */
export function lineFacts(lines: readonly Line[], use: UseKind | null): LineFacts {
  const total = lines.reduce((s, l) => s + l.massG, 0)
  const share = (t: Takes) => {
    const mass = lines.reduce((s, l) => {
      const row = findIngredient(l.ingredientId)
      return s + (row && takes(t, row) ? l.massG : 0)
    }, 0)
    return total > 0 ? mass / total : 0
  }
  return { share, use }
}

/** More starch than this sets it, share of the whole: a bound sauce has 2 to 3 % (common practice). */
const SETS_FROM = 0.035
const BINDS_FROM = 0.005
/** More whole fruit than this is what is made, share of the whole (common practice). */
export const FRUIT_FROM = 0.4
/** Peel with sugar and water, and hardly anything beside them. */
const isSyrupOfPeel = (some: (...groups: IngredientGroup[]) => number): boolean =>
  some('zest') > 0 && some('zest', 'sugar', 'water') > 0.95
/** Fruit, juice, peel or spirit with nothing to set it. */
function isFruit(share: LineFacts['share']): boolean {
  const some = (...groups: IngredientGroup[]) => share({ groups })
  return some('egg', 'butter', 'dairy', 'plant', 'chocolate') < 0.002
    && share({ traits: ['starch'] }) < SETS_FROM && share({ traits: ['gelatin', 'agar', 'holdsGelatin'] }) === 0
    && (some('fruit') > FRUIT_FROM || isSyrupOfPeel(some) || some('zest') > 0.15 || (some('other') > 0.5 && some('zest') > 0)
      || (some('juice') > 0.5 && share({ traits: ['starch'] }) > BINDS_FROM))
}

/**
 * The kind of dessert these lines make (common practice; the cook may choose another).
 * @example suggestFamily(lines) // 'curd'
 */
export function suggestFamily(lines: readonly Line[], use: UseKind | null = null): Family {
  const { share } = lineFacts(lines, use)
  const of = (...traits: Trait[]) => share({ traits })
  const egg = share({ groups: ['egg'] })
  if (of('agar') > 0.001) return 'fluidGel'
  if (of('condensedMilk') > 0.3)
    return of('gelatin') > 0.001 && of('sweetCream') > 0.25
      ? 'gelatinCream'
      : 'condensedPie'
  if (of('gelatin') > 0.001) {
    if (of('white') > 0.05 && of('starch') > 0.005) return 'lightCustard'
    if (share({ groups: ['dairy'] }) > 0.2) return 'gelatinCream'
    if (egg < 0.05) return 'gelatinCream'
    return 'curd'
  }
  if (isFruit(share)) return 'fruit'
  if (of('starch') - of('wheat') > 0.02) return 'starchFilling'
  if (of('wheat') > 0.015 && egg > 0.1) return 'bar'
  // Cultured cream and icing sugar go into what is whipped, never into a boiled cream.
  if (
    egg < 0.01 &&
    share({ groups: ['dairy'] }) > 0.3 &&
    of('neverBoiled') > 0.05
  )
    return 'unsetMousse'
  if (egg < 0.01 && share({ groups: ['dairy'] }) > 0.4) return 'posset'
  if (of('white') > 0.1 && share({ groups: ['dairy'] }) > 0.2) return 'unsetMousse'
  if (egg > 0.15 && use === 'cut' && share({ groups: ['dairy'] }) > 0.1) return 'bar'
  return 'curd'
}

/**
 * The way of making that suits the lines, of a family: its default, or the last of its own that asks for them.
 * @example suggestSchool(lines) // 'yolkBath'
 */
export function suggestSchool(
  lines: readonly Line[],
  family: Family = suggestFamily(lines),
  use: UseKind | null = null,
): School {
  const facts = lineFacts(lines, use)
  const { schools } = familyOf(family)
  return schools.filter(s => schoolOf(s).fits(facts)).at(-1) ?? schools[0]!
}
