/**
 * Fruit that no heat cooked through: in what is on the bench, and in what is laid into, onto or beside it. It shortens
 * the days a dessert keeps, and guests at risk are told.
 */
import { findIngredient, is } from '../../base/ingredients/ingredients'
import type { Ingredient, Trait } from '../../base/ingredients/types'
import { type Bench, isLaidIn } from '../../formula/bench'
import { PART_FACTS, type PartStep } from '../../formula/parts'
import type { MixPart } from '../../physics/matter/mix'
import { CODES } from '../../physics/safety/keeping'
import type { Facts } from './facts'
import { FOAM_HOLDS, FRUIT_COOKED_C, RAW_FRUIT } from './limits'

/** In pieces, or blended to a purée. */
const isFruit = (row: Ingredient): boolean => row.group === 'fruit' || is(row, 'puree')
/** Work that brings a part to the boil, or bakes it through (common practice); roasted, its middle stays below that. */
const COOKS: readonly PartStep[] = ['bindSauce', 'simmerPeel', 'bakeSponge', 'bakeBase', 'bakeThin', 'bakePuffs']

/** What stays raw of what is on the bench. */
function rawOf({ mixed, heated }: Pick<Facts, 'mixed' | 'heated'>): readonly MixPart[] {
  const { all, additions } = mixed.plan
  const isHot = Math.max(...heated.paths.heated.tempC) >= FRUIT_COOKED_C
  return isHot ? additions.flatMap(a => a.parts) : all
}
const grams = (of: readonly { massG: number }[]): number => of.reduce((s, x) => s + x.massG, 0)
/** Share of raw fruit in the whole of what is on the bench. */
const rawShare = (f: Pick<Facts, 'mixed' | 'heated'>): number =>
  grams(rawOf(f).filter(p => isFruit(p.row))) / grams(f.mixed.plan.all)

/** A part laid in or on that has fruit nothing cooks, and how much of the part is that, share. */
export interface RawPart {
  index: number
  share: number
}
/**
 * The parts that bring raw fruit; with a trait, only fruit that has it.
 * @example rawParts(doc) // []
 */
export function rawParts(doc: Bench, trait?: Trait): RawPart[] {
  return doc.components.flatMap((c, index) => {
    const isCooked = c.make !== undefined && PART_FACTS[c.make.kind].steps.some(s => COOKS.includes(s))
    if (!isLaidIn(doc, c) || isCooked) return []
    const fruit = c.lines.filter(({ ingredientId }) => {
      const row = findIngredient(ingredientId)
      return row !== undefined && isFruit(row) && (!trait || is(row, trait))
    })
    const share = grams(fruit) / grams(c.lines)
    return share > 0 ? [{ index, share }] : []
  })
}

/** The first place that has raw fruit; null: nothing has. */
export function rawFruitAt(f: Pick<Facts, 'doc' | 'mixed' | 'heated'>, path: string): string | null {
  if (rawShare(f) > 0) return path
  const [part] = rawParts(f.doc)
  return part ? `components.${part.index}.lines` : null
}

/** What only air or raw white holds: eaten the same day. */
export const isRawFoam = ({ body }: Pick<Facts['heated'], 'body'>): boolean =>
  body.making.air - body.making.whisked > FOAM_HOLDS && body.gelatinC <= 0

/** Days that what is on the bench keeps by itself, cold: the food code's, or fewer by its kind. */
export function daysAlone({ kitchen, mixed, heated }: Pick<Facts, 'kitchen' | 'mixed' | 'heated'>): number {
  const { days } = CODES[kitchen.foodCode]
  if (isRawFoam(heated)) return 1
  return rawShare({ mixed, heated }) > RAW_FRUIT.share ? Math.min(days, RAW_FRUIT.days) : days
}

/** Days the dessert keeps: as long as what keeps least in it. What goes on at the last shortens nothing. */
export function daysWhole(f: Pick<Facts, 'doc' | 'kitchen' | 'mixed' | 'heated'>): number {
  const isRaw = rawParts(f.doc).some(p => p.share > RAW_FRUIT.share && f.doc.components[p.index]!.role !== 'finish')
  return Math.min(daysAlone(f), isRaw ? RAW_FRUIT.days : Infinity)
}
