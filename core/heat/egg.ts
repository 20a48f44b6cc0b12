/**
 * Egg setting as kinetics on one network, fitted (M–L) to what custards, curds and bars do:
 *
 *   da/dt = (1 − a)/60 · 10^((T − T60)/5.5)        a: extent of setting
 *   db/dt = (1 − b)/60 · 10^((T − T60b)/3.2)       b: extent of over-setting
 *
 * T60 is the temperature at which setting takes a minute. Sources remembered: Donovan (1977) and Kulmyrzaev (2000) for
 * the sucrose shift, Vega & Mercadé-Prieto (2011) for yolk kinetics. One σ: T60 1.8 K, gap to T60b 1.2 K.
 */
import { proteinG, sugarsG, type Mix } from '../formula/mix'

export const SETTING_Z_K = 5.5
export const OVERSETTING_Z_K = 3.2
export const T60_SIGMA_K = 1.8
export const GAP_SIGMA_K = 1.2
/** Marks on the way: a coats the spoon, a done, b grainy. */
export const COATS = 0.3
export const DONE = 0.85
export const GRAINY = 0.3

/** T0 (°C) and P0 (g per 100 g) over the white's share of the egg protein; piecewise linear, fitted. */
const NETWORK: readonly (readonly [w: number, t0: number, p0: number])[] = [[0, 71, 16.5], [0.55, 73, 12.5], [1, 77, 10.5]]

function network(w: number): { t0: number, p0: number } {
  const i = w <= NETWORK[1]![0] ? 1 : 2
  const [w0, t0, p0] = NETWORK[i - 1]!
  const [w1, t1, p1] = NETWORK[i]!
  const share = (w - w0) / (w1 - w0)
  return { t0: t0 + (t1 - t0) * share, p0: p0 + (p1 - p0) * share }
}

export interface EggTemperatures {
  /** Setting takes one minute here, °C. */
  t60C: number
  /** Over-setting takes one minute here, °C. */
  t60bC: number
}

/**
 * Where the egg of a mix sets and over-sets.
 * T60 = T0 + 4.1·ln(P0/P) + .17·S − 1.0·max(0, 7 − max(pH, 3)); P is egg protein per 100 g of (protein + sugar +
 * water), S = sugar/(sugar + water) %. T60b = T60 + 6 + 24·(1 − e^(−starch%/2)) − 2·exp(−((pH − 4.8)/.5)²).
 * @returns null when the mix holds no egg
 */
export function eggTemperatures(m: Mix, pH: number): EggTemperatures | null {
  const egg = m.grams.eggWhiteProtein + m.grams.yolkProtein
  if (egg <= 0) return null
  const sugar = sugarsG(m)
  const water = m.grams.water
  const percent = 100 * egg / (proteinG(m) + sugar + water)
  const { t0, p0 } = network(m.grams.eggWhiteProtein / egg)
  const s = 100 * sugar / (sugar + water)
  const t60C = t0 + 4.1 * Math.log(p0 / percent) + 0.17 * s - Math.max(0, 7 - Math.max(pH, 3))
  const starch = 100 * m.grams.starch / m.massG
  const t60bC = t60C + 6 + 24 * (1 - Math.exp(-starch / 2)) - 2 * Math.exp(-(((pH - 4.8) / 0.5) ** 2))
  return { t60C, t60bC }
}

/** Undisturbed gels bear this much more before over-setting, K (judgement, not constrained by data). */
export const UNDISTURBED_K = 2
export const undisturbed = (egg: EggTemperatures): EggTemperatures => ({ ...egg, t60bC: egg.t60bC + UNDISTURBED_K })

/** Rates per second at a temperature, for (1 − a) and (1 − b). */
export const settingRate = (tempC: number, t60C: number): number => 10 ** ((tempC - t60C) / SETTING_Z_K) / 60
export const oversettingRate = (tempC: number, t60bC: number): number => 10 ** ((tempC - t60bC) / OVERSETTING_Z_K) / 60

/** A temperature history: times in s, temperatures in °C, same length, times rising. */
export interface History { timeS: readonly number[], tempC: readonly number[] }

/** ∫ 10^((T − ref)/z)/60 dt along a straight piece of history, exactly. @returns the exponent to take off ln(1 − x) */
function straightDose(tempA: number, tempB: number, dt: number, ref: number, z: number): number {
  const ra = 10 ** ((tempA - ref) / z) / 60
  const slope = tempB - tempA
  if (Math.abs(slope) < 1e-6) return ra * dt
  const rb = 10 ** ((tempB - ref) / z) / 60
  return (rb - ra) * z / (Math.LN10 * slope) * dt
}

/** Thin film at the bottom of the pan takes part with this share of the mix (judgement, SCIENCE of the project). */
export const FILM_SHARE = 0.03

/**
 * Setting and over-setting along a temperature history, exact for straight pieces.
 * @param filmC temperature of the thin film on the pan wall; over-setting is 97 % bulk and 3 % film
 * @returns a and b at every time of the history
 */
export function cook(history: History, egg: EggTemperatures, filmC: readonly number[] = history.tempC, start = { a: 0, b: 0 }): { a: number[], b: number[] } {
  let doseA = -Math.log(1 - Math.min(start.a, 1 - 1e-12))
  let doseB = -Math.log(1 - Math.min(start.b, 1 - 1e-12))
  let doseFilm = doseB
  const a = [start.a]
  const b = [start.b]
  for (let i = 1; i < history.timeS.length; i++) {
    const dt = history.timeS[i]! - history.timeS[i - 1]!
    const from = history.tempC[i - 1]!
    const to = history.tempC[i]!
    doseA += straightDose(from, to, dt, egg.t60C, SETTING_Z_K)
    doseB += straightDose(from, to, dt, egg.t60bC, OVERSETTING_Z_K)
    doseFilm += straightDose(filmC[i - 1]!, filmC[i]!, dt, egg.t60bC, OVERSETTING_Z_K)
    a.push(1 - Math.exp(-doseA))
    b.push((1 - FILM_SHARE) * (1 - Math.exp(-doseB)) + FILM_SHARE * (1 - Math.exp(-doseFilm)))
  }
  return { a, b }
}

/** Final extents only: the same integral without the arrays. */
export function cookEnd(history: History, egg: EggTemperatures, filmC: readonly number[] = history.tempC, offsetC = 0): { a: number, b: number } {
  let doseA = 0
  let doseB = 0
  let doseFilm = 0
  for (let i = 1; i < history.timeS.length; i++) {
    const dt = history.timeS[i]! - history.timeS[i - 1]!
    const from = history.tempC[i - 1]! + offsetC
    const to = history.tempC[i]! + offsetC
    if (Math.max(from, to) < egg.t60C - 25) continue
    doseA += straightDose(from, to, dt, egg.t60C, SETTING_Z_K)
    doseB += straightDose(from, to, dt, egg.t60bC, OVERSETTING_Z_K)
    doseFilm += straightDose(filmC[i - 1]! + offsetC, filmC[i]! + offsetC, dt, egg.t60bC, OVERSETTING_Z_K)
  }
  return { a: 1 - Math.exp(-doseA), b: (1 - FILM_SHARE) * (1 - Math.exp(-doseB)) + FILM_SHARE * (1 - Math.exp(-doseFilm)) }
}
