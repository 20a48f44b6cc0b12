/** What heat does to milk proteins, starch and amylase, along a temperature history. */
import { doseAlong, type History } from './dose'

/**
 * Heat treatment of milk proteins along a history, 0–1: ḣ = (1 − h)·.059/min·10^((T − 78)/12). Fitted to two marks:
 * 78 °C for
 * 6 min is .3, a minute's boil is all (the whey proteins' own z is 7–12 K: Dannenberg & Kessler 1988, from memory).
 */
export function milkHeatOf(history: History): number {
  return 1 - Math.exp(-doseMin(history, 78, 12) * 0.059)
}

/** ∫ 10^((T − ref)/z) dt along a history, minutes. */
export const doseMin = (h: History, refC: number, zK: number) => doseAlong(h.timeS, h.tempC, refC, zK) / 60

/**
 * Yolk amylase thins a starch filling when ∫10^((T − 85)/8) dt stays under this, min (fitted to practice: "boil it").
 */
export const AMYLASE_DOSE_MIN = 1.5

/** A peak counts with what came within this of it, K (judgement). */
const NEAR_PEAK_K = 2

/**
 * Peak of a history so far and minutes within 2 K of it, at every time. Rows near an old peak are dropped as it
 * rises, so
 * that the work grows with the length of the history, not with its square.
 * @example peaksAlong({ timeS: [0, 60, 120], tempC: [20, 90, 91] })[2] // { peakTempC: 91, minutes: 1 }
 */
export function peaksAlong(h: History): { peakTempC: number, minutes: number }[] {
  let peakTempC = h.tempC[0]!
  let near: { low: number, minutes: number }[] = []
  let minutes = 0
  return h.tempC.map((tempC, i) => {
    const risen = tempC > peakTempC
    peakTempC = Math.max(peakTempC, tempC)
    if (risen) near = near.filter(x => x.low >= peakTempC - NEAR_PEAK_K)
    const low = i > 0 ? Math.min(tempC, h.tempC[i - 1]!) : -Infinity
    const row = { low, minutes: i > 0 ? (h.timeS[i]! - h.timeS[i - 1]!) / 60 : 0 }
    const counts = low >= peakTempC - NEAR_PEAK_K
    if (counts) near.push(row)
    minutes = risen ? near.reduce((s, x) => s + x.minutes, 0) : counts ? minutes + row.minutes : minutes
    return { peakTempC, minutes }
  })
}

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
