/** Sugar in a meringue: whether the water of the whites holds it, and whether beating brings it in. */
import { findIngredient, is, part } from '../base/ingredients/ingredients'
import { GRAIN_M, type Grains, holdsFrom, neverDissolves, undissolved } from '../physics/matter/dissolving'
import type { Component } from './document'
import { WARM_WHITES_C } from './parts'

export interface MeringueSugar {
  /** Share of the sugar still in grains when it is beaten, and share that no beating brings in at that warmth, 0–1. */
  left: number
  never: number
  /** From here the whites hold all of it, °C; null: not below the boil. */
  holdsFromC: number | null
  /** Most sugar these whites hold at that warmth, g. */
  holdsG: number
}

/** Beaten from the first spoon of sugar to the last minute, s (common practice: eight to ten minutes). */
const BEATEN_S = 600

/**
 * The sugar of a meringue beaten cold, or warmed with its whites first; null for boiled sugar and anything else.
 * Caster sugar where the line says nothing.
 * @param roomTempC how warm the whites are beaten
 * @example meringueSugar({ id: 'x', role: 'topping', name: '', lines: [], steps: [] }, 20) // null
 */
export function meringueSugar(c: Component, roomTempC: number): MeringueSugar | null {
  const kind = c.make?.kind
  if (kind !== 'meringueCold' && kind !== 'meringueDry' && kind !== 'meringueWarm') return null
  const rows = c.lines.map(l => ({ l, row: findIngredient(l.ingredientId)! })).filter(x => x.l.massG > 0)
  const sugars = rows.filter(x => is(x.row, 'plainSugar'))
  const sugarG = sugars.reduce((s, x) => s + x.l.massG, 0)
  const waterG = rows.filter(x => is(x.row, 'white')).reduce((s, x) => s + (x.l.massG * part(x.row, 'water')) / 100, 0)
  if (!(sugarG > 0) || !(waterG > 0)) return null
  const sizeOf = (x: (typeof sugars)[number]) =>
    GRAIN_M[x.l.grain ?? (x.l.ingredientId === 'icing' ? 'icing' : 'caster')]
  const grains: Grains = {
    sugarG, waterG, dissolvedG: 0, grainM: sugars.reduce((s, x) => s + x.l.massG * sizeOf(x), 0) / sugarG,
  }
  const tempC = kind === 'meringueWarm' ? WARM_WHITES_C : roomTempC
  const never = neverDissolves(grains, tempC)
  return {
    never, left: undissolved(grains, { timeS: [0, BEATEN_S], tempC: [tempC, tempC] }, 'beaten'),
    holdsFromC: holdsFrom(grains), holdsG: sugarG * (1 - never),
  }
}
