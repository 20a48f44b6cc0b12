/**
 * Acid into hot cream: smooth or grainy. What decides is how much fat there is around each gram of milk protein, then
 * how hot the two meet and how much acid comes at once; sugar shields a little. Gradual, as it is in kitchens: the
 * share of batches that turn grainy is
 *
 *   logistic((ln 7 − ln(fat/protein))/.35 + (T − 88)/8 + (acid − 1)₊/.3 − (sugar − 15)₊/20)
 *
 * acid as % citric and sugar in % of the whole. Fitted (L) to practice: cream of 36–48 % takes lemon or lime at
 * 75–95 °C smoothly up to a part of juice in four, single cream is as likely as not, milk gives curds. What lies past
 * the best pH is looser, not grainy: the casein window has it.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import { type Mix, sugarsG } from '../matter/mix'

/**
 * Log odds that a mix turns grainy when its acid meets its milk at a temperature; −∞ without milk protein.
 * @param m all of it, acid and milk @param tempC of the hot side as the acid comes
 * @example curdlingLogit(cream, 80) < -2 // true
 */
export function curdlingLogit(m: Mix, tempC: number, p: Parameters['curdling'] = STANDARD.curdling): number {
  const proteinG = m.grams.casein + m.grams.whey
  if (proteinG <= 0) return -Infinity
  const creamFatG = Math.max(m.grams.milkFat - m.butterFatG, 1e-6)
  const percent = (g: number) => (100 * g) / m.massG
  return (
    Math.log((p.fatPerProtein * proteinG) / creamFatG) / p.fatWidth +
    (tempC - p.tempC) / p.tempK +
    Math.max(0, percent(m.acidG) - p.acidPercent) / p.acidWidth -
    Math.max(0, percent(sugarsG(m)) - p.sugarPercent) / p.sugarWidth
  )
}

/**
 * Share of batches that turn grainy, 0–1.
 * @example curdlingShare(0) // 0.5
 */
export const curdlingShare = (logit: number): number => 1 / (1 + Math.exp(-logit))

/**
 * The temperature at which a share of batches would turn grainy, °C, when at `tempC` the log odds are `logit`.
 * @example curdlingTempC(0, 88, 0.5) // 88
 */
export const curdlingTempC = (
  logit: number, tempC: number, share: number, p: Parameters['curdling'] = STANDARD.curdling,
): number => tempC + p.tempK * (Math.log(share / (1 - share)) - logit)
