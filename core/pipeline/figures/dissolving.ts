/** Whether the sugar of a filling is dissolved: before the heat, and as it is poured. */
import { part } from '../../base/ingredients/ingredients'
import type { Ingredient } from '../../base/ingredients/types'
import { fillingOf, type Bench } from '../../formula/bench'
import type { Line } from '../../formula/document'
import {
  GRAIN_M, type Grains, holdsFrom, type Moved, undissolved, type Warmth,
} from '../../physics/matter/dissolving'
import type { MixPart } from '../../physics/matter/mix'
import type { Heated } from '../heated'
import { fromTime } from '../making'
import type { Mixed } from '../mixed'

export interface Dissolving {
  /** Sugar in grains that goes in, g, and the size of the grains, m. */
  sugarG: number
  grainM: number
  /** Share still in grains after it was stirred in cold, and as it is poured, 0–1. */
  before: number
  left: number
  /** Its water holds all of it from here, °C; null: not below the boil. */
  holdsFromC: number | null
}

/** Sugars with less water than this are in grains, %. */
const DRY = 5
/** Grains of sugar where neither line nor words say: between caster and granulated (judgement). */
const PLAIN_GRAIN_M = 0.45e-3
/** Cold, sugar is stirred in for so long before anything else happens; beaten in, so long, s (judgement). */
const STIRRED_S = 120
const BEATEN_S = 300

/**
 * Whether an ingredient is sugar in grains.
 * @example isGrainy(findIngredient('honey')) // false
 */
export const isGrainy = (row: Ingredient): boolean => row.group === 'sugar' && part(row, 'water') < DRY
const sugarOf = (row: Ingredient) => part(row, 'sucrose') + part(row, 'monosaccharides') + part(row, 'lactose')

/**
 * Size of a line's grains, m: as it is said, as its words have it (granulated, caster), or as its kind is.
 * @example grainOf({ ingredientId: 'icing', sourceText: '' }) // 0.00004
 */
export function grainOf({ grain, ingredientId, sourceText }: Pick<Line, 'ingredientId' | 'sourceText' | 'grain'>): number {
  if (grain) return GRAIN_M[grain]
  if (ingredientId === 'icing') return GRAIN_M.icing
  if (/\b(caster|castor|superfine|extra.?fine)\b/i.test(sourceText)) return GRAIN_M.caster
  return /\bgranulated\b/i.test(sourceText) ? GRAIN_M.granulated : PLAIN_GRAIN_M
}

interface Lot { part: MixPart, line: Line }
/** The grains of some lines in the water of some parts. */
function grainsOf(lots: readonly Lot[], parts: readonly MixPart[]): Grains {
  const sum = (list: readonly MixPart[], of: (row: Ingredient) => number) =>
    list.reduce((s, p) => s + (p.massG * of(p.row)) / 100, 0)
  const dry = lots.filter(l => isGrainy(l.part.row))
  const sugarG = sum(dry.map(l => l.part), sugarOf)
  const sized = dry.reduce((s, l) => s + (l.part.massG * sugarOf(l.part.row)) / 100 * grainOf(l.line), 0)
  return {
    sugarG,
    dissolvedG: sum(parts.filter(p => !isGrainy(p.row)), sugarOf),
    waterG: sum(parts, row => part(row, 'water')),
    grainM: sugarG > 0 ? sized / sugarG : PLAIN_GRAIN_M,
  }
}
const level = (tempC: number, s: number): Warmth => ({ timeS: [0, s], tempC: [tempC, tempC] })

/**
 * What is left in grains of the sugar of a filling; null without sugar in grains.
 * @example dissolvingFigures(doc, worked.mixed, worked.heated).left < 0.02 // true
 */
export function dissolvingFigures(doc: Bench, mixed: Mixed, heated: Heated): Dissolving | null {
  const { plan } = mixed
  const { lines } = fillingOf(doc)
  const lots = plan.all.map((p, i) => ({ part: p, line: lines[i]! })).filter(l => l.part.massG > 0)
  const all = grainsOf(lots, plan.all)
  if (!(all.sugarG > 0)) return null
  const { heated: pot, after } = heated.paths
  const isHot = doc.heat.method !== 'none'
  const inPot = lots.filter(l => plan.cooked.includes(l.part))
  const cold = grainsOf(inPot, plan.cooked)
  const before = undissolved(cold, level(doc.heat.startTempC, STIRRED_S), 'stirred')
  const hot = undissolved(cold, pot, doc.heat.method === 'oven' ? 'still' : 'stirred', before)
  let leftG = cold.sugarG * undissolved(inWhole(cold, all), after, 'still', hot)
  plan.additions.forEach((a, i) => {
    const added = grainsOf(lots.filter(l => a.parts.includes(l.part)), a.parts)
    if (!(added.sugarG > 0)) return
    const how: [Grains, Warmth, Moved] = a.overrun > 0
      ? [added, level(a.lineTempC, BEATEN_S), 'beaten']
      : [inWhole(added, all), level(fromTime(after, heated.paths.joinedS[i] ?? 0).tempC[0]!, STIRRED_S), 'stirred']
    leftG += added.sugarG * undissolved(...how)
  })
  return {
    sugarG: all.sugarG, grainM: all.grainM, before: isHot ? before : leftG / all.sugarG,
    left: leftG / all.sugarG, holdsFromC: holdsFrom(all),
  }
}
/** Some of the grains in the whole's water, all other sugar taken as dissolved. */
const inWhole = (some: Grains, all: Grains): Grains =>
  ({ ...some, waterG: all.waterG, dissolvedG: all.dissolvedG + all.sugarG - some.sugarG })
