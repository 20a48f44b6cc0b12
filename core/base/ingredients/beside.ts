/** A weight as a cook without a scale would measure it: cups and spoons of the kitchen's own, and millilitres. */
import { type CupSystem, SYSTEM_ML } from '../units'
import { densityOf } from './measures'

export interface Beside {
  ml: number
  /** Quarter cups, and what is left in spoons to the half; cups 0: less than a quarter. */
  cups: number
  tablespoons: number
  teaspoons: number
}

/** Half a teaspoon is the least that is measured. */
const STEP = 0.5

/**
 * Cups and spoons of a weight, to the nearest half teaspoon; null where no density is known.
 * @param massG grams @param system whose cups @returns ml exactly, cups in quarters, spoons in halves
 * @example besideGrams('sugar', 203.5, 'us').cups // 1
 */
export function besideGrams(ingredientId: string, massG: number, system: CupSystem): Beside | null {
  const density = densityOf(ingredientId)
  if (!density || !(massG > 0)) return null
  const { cup, tablespoon, teaspoon } = SYSTEM_ML[system]
  const ml = massG / density.gPerMl
  const quarters = Math.floor((ml + (STEP / 2) * teaspoon) / (cup / 4) + 1e-9)
  let restMl = Math.max(0, ml - (quarters * cup) / 4)
  const tablespoons = Math.floor((restMl + (STEP / 2) * teaspoon) / tablespoon + 1e-9)
  restMl = Math.max(0, restMl - tablespoons * tablespoon)
  return { ml, cups: quarters / 4, tablespoons, teaspoons: Math.round(restMl / teaspoon / STEP) * STEP }
}
