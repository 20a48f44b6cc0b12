/** Starch: where it swells in syrup, how much of it has. */
import { part } from '../../base/ingredients/ingredients'
import { peaksAlong } from '../heat/milk'
import { type Mix, sugarsG } from '../matter/mix'

/** Share of the starch that has swollen along the heat; empty without starch. */
export function starchCurve(timeS: readonly number[], tempC: readonly number[], starchC: number, m: Mix): number[] {
  if (starchC <= 0) return []
  const startC = starchTemperature(m, sugarsG(m) / (sugarsG(m) + m.grams.water))
  return peaksAlong({ timeS, tempC }).map(p => starchCooked(p.peakTempC, p.minutes, startC))
}

/**
 * Gelatinisation of starch in syrup, °C: (68 corn, 61 wheat) + 8 s + 30 s² (fitted to DSC of sugared starch, from
 * memory M).
 */
export function starchTemperature(m: Mix, sugarShare: number): number {
  const wheat = m.parts.reduce(
    (sum, p) => sum + (p.row.id === 'flour' ? (p.massG * part(p.row, 'starch')) / 100 : 0),
    0,
  )
  const base = m.grams.starch > 0 ? 68 - (7 * wheat) / m.grams.starch : 68
  return base + 8 * sugarShare + 30 * sugarShare ** 2
}

/**
 * Share of starch swollen: logistic((T_pk + 5·log10 max(1, minutes) − T_s − 14)/2). The width of 2 K spreads 5–95 %
 * over 12 K, as DSC
 * endotherms of corn starch do (onset to end 10–12 K, from memory M); 3 K left an undercooked filling too firm
 * (docs/science.md).
 */
export const starchCooked = (peakTempC: number, minutes: number, startC: number): number =>
  1 / (1 + Math.exp(-(peakTempC + 5 * Math.log10(Math.max(1, minutes)) - startC - 14) / 2))
