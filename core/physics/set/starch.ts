/** Starch: where it swells in syrup, how much of it has. */
import { is, part } from '../../base/ingredients/ingredients'
import { type Parameters, STANDARD } from '../../base/parameters'
import { peaksAlong } from '../heat/milk'
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
  return peaksAlong({ timeS, tempC }).map(x => starchCooked(x.peakTempC, x.minutes, startC, p))
}

/**
 * Gelatinisation of starch in syrup, °C: (68 corn, 61 wheat) + 8 s + 30 s² (fitted to DSC of sugared starch, from
 * memory M).
 * @example starchTemperature(m, 0.3) // 73.1
 */
export function starchTemperature(m: Mix, sugarShare: number, p: StarchParameters = STANDARD.starch): number {
  const wheat = m.parts.reduce(
    (sum, x) => sum + (is(x.row, 'wheat') ? (x.massG * part(x.row, 'starch')) / 100 : 0),
    0,
  )
  const lower = m.grams.starch > 0 ? (p.wheatLowerK * wheat) / m.grams.starch : 0
  return p.cornC - lower + p.sugarK * sugarShare + p.sugarSquareK * sugarShare ** 2
}

/**
 * Share of starch swollen: logistic((T_pk + 5·log10 max(1, minutes) − T_s − 14)/2). The width of 2 K spreads 5–95 %
 * over 12 K, as DSC
 * endotherms of corn starch do (onset to end 10–12 K, from memory M); 3 K left an undercooked filling too firm
 * (docs/science.md).
 * @example starchCooked(95, 2, 70) // 0.9981
 */
export const starchCooked = (
  peakTempC: number,
  minutes: number,
  startC: number,
  p: StarchParameters = STANDARD.starch,
): number =>
  1 / (1 + Math.exp(-(peakTempC + p.minutesK * Math.log10(Math.max(1, minutes)) - startC - p.swellK) / p.widthK))
