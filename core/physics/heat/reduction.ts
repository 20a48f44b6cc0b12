/**
 * The reduction rule of possets: boil the sweetened cream until its volume is that of the cream alone. What leaves is
 * the
 * volume that the sugar added, .62 ml a gram (its volume in solution, from memory of density tables H), and water
 * weighs 1 g/ml.
 */
import type { MixPart } from '../matter/mix'

/** Volume that a gram of dissolved sugar adds, ml. */
export const SUGAR_ML_PER_G = 0.62
/** Hot cream reads about this much large by volume (thermal expansion 20 → 95 °C, from memory M). */
export const HOT_VOLUME = 1.04

/**
 * Water to boil off for a mass of sugar, g.
 * @example reductionG(150) // 93
 */
export const reductionG = (sugarG: number): number => SUGAR_ML_PER_G * sugarG

/** Sugar of the lines that dissolves, g (sugars as bought, not the milk's own). */
export const addedSugarG = (parts: readonly MixPart[]): number =>
  parts.reduce((sum, p) => sum + (p.row.group === 'sugar' ? p.massG : 0), 0)

export interface ReductionTarget {
  /** To boil off, g. */
  lossG: number
  /** Pan with its contents when done, g; without the pan if the tare is 0. */
  panG: number
  /** Volume when done: cold, and as it reads hot, ml. */
  volumeMl: number
  hotVolumeMl: number
}

/**
 * Where to stop: by pan weight and by volume. @param creamMl volume of the cream alone @param tareG weight of the
 * empty pan
 */
export function reductionTarget(creamG: number, creamMl: number, sugarG: number, tareG = 0): ReductionTarget {
  const lossG = reductionG(sugarG)
  return { lossG, panG: tareG + creamG + sugarG - lossG, volumeMl: creamMl, hotVolumeMl: creamMl * HOT_VOLUME }
}
