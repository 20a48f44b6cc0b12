/**
 * Egg setting as kinetics on one network, fitted (M–L) to what custards, curds and bars do:
 *
 *   da/dt = (1 − a)/60 · 10^((T − T60)/5.5)        a: extent of setting
 *   db/dt = (1 − b)/60 · 10^((T − T60b)/3.2)       b: extent of over-setting
 *
 * T60 is the temperature at which setting takes a minute. Sources remembered: Donovan (1977) and Kulmyrzaev (2000) for
 * the sucrose shift, Vega & Mercadé-Prieto (2011) for yolk kinetics. One σ: T60 1.8 K, gap to T60b 1.2 K.
 */
import { type Mix, proteinG, sugarsG } from '../matter/mix'
import { doseAlong, doseScale, type History } from './dose'

/** The heat that the egg went through: one history for a stirred pot, one a layer for a bake. */
export interface Cooking {
  histories: readonly History[]
  /** Film on the pan wall beside each history. */
  films: readonly (readonly number[])[]
  /** Mean or bulk temperature, and the coldest part. */
  core: History
  stirred: boolean
}

/**
 * The egg of a formula, with what heat and the way down have done to it: enough to shift temperatures without running
 * again.
 */
export interface EggWork {
  temperatures: EggTemperatures
  /** One for each history of the heat. */
  heat: readonly Doses[]
  after: Doses
}

/** Doses of the egg. An undisturbed gel bears a little more, in the oven and as it cools. */
export const eggWork = (temperatures: EggTemperatures, c: Cooking, after: History): EggWork => {
  const made = c.stirred ? temperatures : undisturbed(temperatures)
  return {
    temperatures,
    heat: c.histories.map((h, i) => dosesOf(h, made, c.films[i]!)),
    after: dosesOf(after, undisturbed(temperatures)),
  }
}

/**
 * Mean setting and over-setting in the heat, and the setting of the coldest part. @param shiftA, shiftB K over T60
 * and T60b
 */
export function cookedEnd(egg: EggWork, shiftA = 0, shiftB = shiftA): { a: number, b: number, coreA: number } {
  let a = 0
  let b = 0
  let coreA = 1
  for (const d of egg.heat) {
    const end = extentsOf(d, shiftA, shiftB)
    a += end.a / egg.heat.length
    b += end.b / egg.heat.length
    coreA = Math.min(coreA, end.a)
  }
  return { a, b, coreA }
}

/**
 * Extents of setting `a` and over-setting `b` in the end, of over-setting in the pot alone, of setting at the coldest
 * part.
 */
export interface EggEnd {
  potB: number
  a: number
  b: number
  coreA: number
}

/**
 * Setting and over-setting at the end of the heat, and after the core has gone on cooking while it cooled.
 * @param shiftA, shiftB K by which temperatures lie higher over T60 and T60b
 */
export function eggEnd(egg: EggWork | null, shiftA = 0, shiftB = shiftA): EggEnd {
  if (!egg) return { potB: 0, a: 0, b: 0, coreA: 0 }
  const hot = cookedEnd(egg, shiftA, shiftB)
  const later = extentsOf(egg.after, shiftA, shiftB)
  const both = (x: number, y: number) => 1 - (1 - x) * (1 - y)
  return { potB: hot.b, a: both(hot.a, later.a), b: both(hot.b, later.b), coreA: both(hot.coreA, later.a) }
}

/**
 * Peak at which the same course would turn grainy, °C: the whole course shifted, by bisection. @param overset
 * over-setting at a shift
 */
export function grainyTemperature(peakC: number, overset: (shiftK: number) => number, grainy: number): number {
  let low = -15
  let high = 20
  for (let i = 0; i < 14; i++) {
    const middle = (low + high) / 2
    if (overset(middle) < grainy) low = middle
    else high = middle
  }
  return Number((peakC + (low + high) / 2).toFixed(2))
}

export const SETTING_Z_K = 5.5
export const OVERSETTING_Z_K = 3.2
export const T60_SIGMA_K = 1.8
export const GAP_SIGMA_K = 1.2
/** Marks on the way: a coats the spoon, a done, b grainy. */
export const COATS = 0.3
export const DONE = 0.85
export const GRAINY = 0.3

/** T0 (°C) and P0 (g per 100 g) over the white's share of the egg protein; piecewise linear, fitted. */
const NETWORK: readonly (readonly [w: number, t0: number, p0: number])[] = [
  [0, 71, 16.5],
  [0.55, 73, 12.5],
  [1, 77, 10.5],
]

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
  const percent = (100 * egg) / (proteinG(m) + sugar + water)
  const { t0, p0 } = network(m.grams.eggWhiteProtein / egg)
  const s = (100 * sugar) / (sugar + water)
  const t60C = t0 + 4.1 * Math.log(p0 / percent) + 0.17 * s - Math.max(0, 7 - Math.max(pH, 3))
  const starch = (100 * m.grams.starch) / m.massG
  const t60bC = t60C + 6 + 24 * (1 - Math.exp(-starch / 2)) - 2 * Math.exp(-(((pH - 4.8) / 0.5) ** 2))
  return { t60C, t60bC }
}

/** Undisturbed gels bear this much more before over-setting, K (judgement, not constrained by data). */
export const UNDISTURBED_K = 2
export const undisturbed = (egg: EggTemperatures): EggTemperatures => ({ ...egg, t60bC: egg.t60bC + UNDISTURBED_K })

/** Rates per second at a temperature, for (1 − a) and (1 − b). */
export const settingRate = (tempC: number, t60C: number): number => 10 ** ((tempC - t60C) / SETTING_Z_K) / 60
export const oversettingRate = (tempC: number, t60bC: number): number =>
  10 ** ((tempC - t60bC) / OVERSETTING_Z_K) / 60

/** Thin film at the bottom of the pan takes part with this share of the mix (judgement, SCIENCE of the project). */
export const FILM_SHARE = 0.03

/** What a history adds to −ln(1 − a) and −ln(1 − b), bulk and film: minutes at T60 and T60b. */
export interface Doses {
  a: number
  b: number
  film: number
}

/** Doses of a whole history. @param filmC temperature of the thin film on the pan wall */
export function dosesOf(history: History, egg: EggTemperatures, filmC: readonly number[] = history.tempC): Doses {
  const { timeS, tempC } = history
  const b = doseAlong(timeS, tempC, egg.t60bC, OVERSETTING_Z_K) / 60
  return {
    a: doseAlong(timeS, tempC, egg.t60C, SETTING_Z_K) / 60,
    b,
    film: filmC === tempC ? b : doseAlong(timeS, filmC, egg.t60bC, OVERSETTING_Z_K) / 60,
  }
}

/**
 * Extents from doses. A hotter course, or an egg that sets lower, scales the dose by 10^(shift/z), exactly.
 * @param shiftA, shiftB K by which temperatures lie higher over T60 and T60b than when the doses were taken
 */
export function extentsOf(d: Doses, shiftA = 0, shiftB = shiftA): { a: number, b: number } {
  const scaleB = doseScale(shiftB, OVERSETTING_Z_K)
  return {
    a: 1 - Math.exp(-d.a * doseScale(shiftA, SETTING_Z_K)),
    b: (1 - FILM_SHARE) * (1 - Math.exp(-d.b * scaleB)) + FILM_SHARE * (1 - Math.exp(-d.film * scaleB)),
  }
}

/** Setting and over-setting at the end of a history. @param shiftK added to every temperature */
export const cookEnd = (
  history: History,
  egg: EggTemperatures,
  filmC: readonly number[] = history.tempC,
  shiftK = 0,
): { a: number, b: number } => extentsOf(dosesOf(history, egg, filmC), shiftK)

/**
 * How much longer the bulk can stand at a temperature before it is grainy, s: (−ln(1 − grainy) − dose so
 * far)·60·10^((T60b − T)/3.2); 0 once past it.
 * @param d what the bulk has taken so far
 */
export const secondsToGrainy = (d: Doses, tempC: number, t60bC: number): number =>
  Math.max(0, -Math.log(1 - GRAINY) - d.b) / oversettingRate(tempC, t60bC)

/** Extent of setting at every time of a history. */
export function settingCurve(history: History, egg: EggTemperatures): number[] {
  const out = [0]
  doseAlong(history.timeS, history.tempC, egg.t60C, SETTING_Z_K, (i, dose) => {
    out[i] = 1 - Math.exp(-dose / 60)
  })
  return out
}

/** Extent of over-setting at every time of a history: 97 % bulk, 3 % film. */
export function oversettingCurve(
  history: History,
  egg: EggTemperatures,
  filmC: readonly number[] = history.tempC,
): number[] {
  const out = [0]
  doseAlong(history.timeS, history.tempC, egg.t60bC, OVERSETTING_Z_K, (i, dose) => {
    out[i] = 1 - Math.exp(-dose / 60)
  })
  if (filmC !== history.tempC)
    doseAlong(history.timeS, filmC, egg.t60bC, OVERSETTING_Z_K, (i, dose) => {
      out[i] = (1 - FILM_SHARE) * out[i]! + FILM_SHARE * (1 - Math.exp(-dose / 60))
    })
  return out
}

/** One σ of a kitchen thermometer, K (common instruments, from memory). */
export const THERMOMETER_SIGMA_K = 1.5
