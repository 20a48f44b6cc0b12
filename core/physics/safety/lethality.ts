/**
 * Lethality against vegetative pathogens, and the times foods may take to cool.
 * Criterion: 70 °C for 2 min or its equal, z = 7.5 K (UK guidance on safe cooking, from memory). It is one criterion;
 * the
 * egg-pasteurisation times of 9 CFR 590.570 (z 4.5 K) are another, and the two are never merged.
 */
import { doseAlong, type History } from '../heat/dose'

export const LETHALITY_REF_C = 70
export const LETHALITY_Z_K = 7.5
/** Equal of 70 °C for 2 min. */
export const LETHALITY_NEEDED_MIN = 2
/** Egg dishes are cooked to this in the US Food Code as remembered (160 °F). */
export const EGG_DISH_C = 71

/**
 * Minutes at a steady temperature that equal 2 min at 70 °C.
 * @example minutesEquivalent(72) // 1.082
 */
export const minutesEquivalent = (tempC: number): number =>
  LETHALITY_NEEDED_MIN * 10 ** ((LETHALITY_REF_C - tempC) / LETHALITY_Z_K)

/**
 * Lethality along a history, minutes at 70 °C: ∫ 10^((T − 70)/7.5) dt, exact for straight pieces.
 * @param errorK subtracted from every temperature (thermometer error, at the coldest point)
 * @example lethality({ timeS: [0, 120], tempC: [70, 70] }).at(-1) // 2
 */
export function lethality(history: History, errorK = 0): number[] {
  const out = [0]
  doseAlong(history.timeS, history.tempC, LETHALITY_REF_C + errorK, LETHALITY_Z_K, (i, doseS) => {
    out[i] = doseS / 60
  })
  return out
}
