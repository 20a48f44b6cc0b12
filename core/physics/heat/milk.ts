/** What heat does to milk proteins, starch and amylase, along a temperature history. */
import { type Parameters, STANDARD } from '../../base/parameters'
import { doseAlong, type History } from './dose'

/** Temperature the heat treatment of milk proteins is told at, and that of amylase, °C. */
const MILK_REF_C = 78
const AMYLASE_REF_C = 80
/** Temperature, °C, and pH that the thinning of starch and agar by hot acid is told at. */
const ACID_REF_C = 97
const ACID_REF_PH = 2.5

/** ∫ 10^((T − ref)/z) dt along a history, minutes. */
const doseMin = (h: History, refC: number, zK: number) => doseAlong(h.timeS, h.tempC, refC, zK) / 60

/**
 * Heat treatment of milk proteins along a history, 0–1: ḣ = (1 − h)·.059/min·10^((T − 78)/12).
 * @example milkHeatOf({ timeS: [0, 360], tempC: [78, 78] }) // 0.3
 */
export const milkHeatOf = (history: History, p: Parameters['milk'] = STANDARD.milk): number =>
  1 - Math.exp(-doseMin(history, MILK_REF_C, p.heatZK) * p.heatRate)

/**
 * Share of yolk amylase that a history leaves alive: 10^(−∫10^((T − 80)/6) dt / 1.5 min), first order. "Back to the
 * boil" leaves none, 78 °C leaves much (fitted to practice, ± 4 K; z from memory M–L).
 * @example amylaseAlive({ timeS: [0, 90], tempC: [80, 80] }) // 0.1
 */
export const amylaseAlive = (history: History, p: Parameters['starch'] = STANDARD.starch): number =>
  10 ** (-doseMin(history, AMYLASE_REF_C, p.amylaseZK) / p.amylaseDoseMin)

/**
 * How active what is left of it is in the filling as it stands: half at pH 4.5, nothing in a lemon filling.
 * @example amylaseActs(4.5) // 0.5
 */
export const amylaseActs = (pH: number, p: Parameters['starch'] = STANDARD.starch): number =>
  1 / (1 + 10 ** (p.amylaseSteep * (p.amylasePH - pH)))

/**
 * What hot acid does to starch and agar along a history, as minutes at 97 °C and pH 2.5:
 * 10^(2.5 − pH)·∫10^((T − 97)/24) dt; z of 24 K is an activation energy of 110 kJ/mol (from memory L–M).
 * @example acidDoseMin({ timeS: [0, 600], tempC: [97, 97] }, 3.5) // 1
 */
export const acidDoseMin = (history: History, pH: number, p: Parameters['starch'] = STANDARD.starch): number =>
  10 ** (ACID_REF_PH - pH) * doseMin(history, ACID_REF_C, p.acidZK)

/** A peak counts with what came within this of it, K (judgement). */
const NEAR_PEAK_K = 2

/** Peak of a history and minutes within 2 K of it. @example peakOf({ timeS: [0, 60], tempC: [90, 91] }).minutes // 1 */
export function peakOf(h: History): { peakTempC: number, minutes: number } {
  const peakTempC = Math.max(...h.tempC)
  let minutes = 0
  for (let i = 1; i < h.timeS.length; i++) {
    const low = Math.min(h.tempC[i]!, h.tempC[i - 1]!)
    if (low >= peakTempC - NEAR_PEAK_K) minutes += (h.timeS[i]! - h.timeS[i - 1]!) / 60
  }
  return { peakTempC, minutes }
}
