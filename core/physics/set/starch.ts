/** Starch: where it swells in syrup, how much of it has. */
import { is, part } from '../../base/ingredients/ingredients'
import type { Ingredient } from '../../base/ingredients/types'
import { type Parameters, STANDARD } from '../../base/parameters'
import { doseAlong, type History } from '../heat/dose'
import { type Mix, sugarsG } from '../matter/mix'

export type StarchParameters = Parameters['starch']

/** Share of the starch that has swollen along the heat; empty without starch. */
export function starchCurve(
  timeS: readonly number[],
  tempC: readonly number[],
  starchC: number,
  m: Mix,
  p: StarchParameters = STANDARD.starch,
): number[] {
  if (starchC <= 0) return []
  const startC = starchTemperature(m, sugarsG(m) / (sugarsG(m) + m.grams.water), p)
  const out = [starchCooked(-Infinity, startC, p)]
  doseAlong(timeS, tempC, REF_C, p.minutesK, (i, doseS) => {
    out[i] = starchCooked(asMinuteC(doseS / 60, p), startC, p)
  })
  return out
}

/** Temperature a minute's equivalent is reckoned from, °C (any would do). */
const REF_C = 80
const asMinuteC = (doseMin: number, p: StarchParameters) =>
  doseMin > 0 ? REF_C + p.minutesK * Math.log10(doseMin) : -Infinity

/**
 * The temperature that in one minute does to starch what a history does, °C: 5 K more for ten times as long.
 * @example minuteTempC({ timeS: [0, 600], tempC: [90, 90] }) // 95
 */
export const minuteTempC = (h: History, p: StarchParameters = STANDARD.starch): number =>
  asMinuteC(doseAlong(h.timeS, h.tempC, REF_C, p.minutesK) / 60, p)

/**
 * Mean of a figure over the starch of a mix, each ingredient by the starch it brings; 0 without starch.
 * @example starchMean(m, () => 1) // 0
 */
export function starchMean(m: Mix, of: (row: Ingredient) => number): number {
  const total = m.grams.starch
  if (!(total > 0)) return 0
  return m.parts.reduce((sum, x) => sum + (of(x.row) * x.massG * part(x.row, 'starch')) / 100, 0) / total
}

/**
 * Gelatinisation of starch in syrup, °C: (68 maize, 61 wheat, others by their kind) + 8 s + 30 s² (fitted to DSC of
 * sugared starch, from
 * memory M).
 * @example starchTemperature(m, 0.3) // 73.1
 */
export function starchTemperature(m: Mix, sugarShare: number, p: StarchParameters = STANDARD.starch): number {
  const lower = starchMean(m, row => row.starchKind?.lowerK ?? (is(row, 'wheat') ? p.wheatLowerK : 0))
  return p.cornC - lower + p.sugarK * sugarShare + p.sugarSquareK * sugarShare ** 2
}

/**
 * Share of starch swollen: logistic((T₁ − T_s − 14)/2), T₁ the temperature that does as much in a minute. The width of
 * 2 K spreads 5–95 % over 12 K, as DSC endotherms of corn starch do (onset to end 10–12 K, from memory M); 3 K left an
 * undercooked filling too firm (docs/science.md).
 * @example starchCooked(95, 70) // 0.9959
 */
export const starchCooked = (minuteC: number, startC: number, p: StarchParameters = STANDARD.starch): number =>
  1 / (1 + Math.exp(-(minuteC - startC - p.swellK) / p.widthK))
