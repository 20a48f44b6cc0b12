/**
 * What a day leaves over, until when it is good, and what could use it. Days are common practice, from memory (M),
 * never longer than the kitchen's food code; each says which of the two it goes by.
 */
import { addDays, formatISO, parseISO } from 'date-fns'
import { FRUITS } from '../base/ingredients/measures'
import { eggEachG } from '../formula/eggs'
import type { Kitchen } from '../kitchen/kitchen'
import { CODES } from '../physics/safety/keeping'
import type { EggNeed, FruitNeed } from './ledger'
import type { Bought } from './packs'

export interface Leftover {
  ingredientId: string
  massG: number
  /** Whole pieces of it; null: it is not counted. */
  count: number | null
  /** ISO date, the last day it is good, cold. */
  useBy: string
  basis: 'code' | 'practice'
  /** Days it may be frozen for, for its quality; null: not frozen. */
  freezerDays: number | null
}

/** Days in the cold, the day of opening not counted. */
const KEEPS: Readonly<Record<string, { days: number, freezerDays: number | null }>> = {
  yolk_sep: { days: 2, freezerDays: null }, white: { days: 4, freezerDays: 90 }, juice: { days: 3, freezerDays: 90 },
  cream48: { days: 3, freezerDays: null }, cream38: { days: 3, freezerDays: null },
  cream36: { days: 3, freezerDays: null }, cream30: { days: 3, freezerDays: null },
  milk: { days: 3, freezerDays: 30 }, creme_fr: { days: 5, freezerDays: null },
  creme_sour: { days: 5, freezerDays: null }, mascarpone: { days: 3, freezerDays: null },
  cream_cheese: { days: 7, freezerDays: null }, greek: { days: 5, freezerDays: null },
  yoghurt: { days: 5, freezerDays: null }, condensed: { days: 5, freezerDays: null },
  evaporated: { days: 3, freezerDays: null }, coconut_milk: { days: 3, freezerDays: 60 },
  coconut_cream: { days: 3, freezerDays: 60 }, white_carton: { days: 3, freezerDays: 90 },
  raspberry: { days: 2, freezerDays: 90 },
}
/** Less than this is washed up, not kept, g. */
const WORTH_G = 15

function kept(
  ingredientId: string, rule: string, massG: number, count: number | null, kitchen: Kitchen, date: string,
): Leftover[] {
  const keeps = KEEPS[rule]
  if (!keeps || !(massG >= WORTH_G)) return []
  // The code counts the day of making as its first.
  const code = CODES[kitchen.foodCode].days - 1
  const days = Math.min(keeps.days, code)
  return [{
    ingredientId, massG, count, useBy: formatISO(addDays(parseISO(date), days), { representation: 'date' }),
    basis: code <= keeps.days ? 'code' : 'practice', freezerDays: keeps.freezerDays,
  }]
}

interface Left { fruit: FruitNeed[], eggs: Pick<EggNeed, 'whitesOverG' | 'yolksOverG'>, shopping: Bought[] }
/**
 * What is over when all is made.
 * @example leftoversOf({ fruit: [], eggs: { whitesOverG: 66 }, shopping: [] }, kitchen, '2026-11-28')[0].count // 2
 */
export function leftoversOf(
  { fruit, eggs, shopping }: Left, kitchen: Kitchen, date: string,
): Leftover[] {
  const piece = (part: 'white' | 'yolk', g: number) => Math.round(g / eggEachG(part, kitchen.eggGrade))
  return [
    ...kept('yolk_sep', 'yolk_sep', eggs.yolksOverG, piece('yolk', eggs.yolksOverG), kitchen, date),
    ...kept('white', 'white', eggs.whitesOverG, piece('white', eggs.whitesOverG), kitchen, date),
    ...fruit.flatMap((f) => {
      const { juiceId } = FRUITS.find(x => x.id === f.fruitId)!
      return kept(juiceId, 'juice', f.overG, null, kitchen, date)
    }),
    ...shopping.filter(s => s.unit !== 'weight').flatMap(s => kept(s.id, s.id, s.overG, null, kitchen, date)),
  ]
}

/** A formula that could take it: how much of it, by the eggs it asks for. */
export interface EggTaker { id: string, name: string, wholeG: number, yolkG: number, whiteG: number }
export interface UseOffer { id: string, name: string, factor: number }
/** Less than so much of a formula is no batch, more than so many of it nobody makes (judgement). */
const OFFERED: readonly [number, number] = [0.1, 4]

/**
 * What on the shelf would use spare yolks or whites up, the nearest to a whole batch first.
 * @example offersFor({ ingredientId: 'white', massG: 66 }, [{ id: 'f', name: 'M', whiteG: 132 }])[0].factor // 0.5
 */
export function offersFor(
  left: Pick<Leftover, 'ingredientId' | 'massG'>, shelf: readonly EggTaker[],
): UseOffer[] {
  const asks = (f: EggTaker) => (left.ingredientId === 'white' ? f.whiteG : left.ingredientId === 'yolk_sep' ? f.yolkG : 0)
  return shelf
    .filter(f => asks(f) > 0)
    .map(f => ({ id: f.id, name: f.name, factor: left.massG / asks(f) }))
    .filter(o => o.factor >= OFFERED[0] && o.factor <= OFFERED[1])
    .sort((a, b) => Math.abs(Math.log(a.factor)) - Math.abs(Math.log(b.factor)))
}
