/**
 * Egg setting as kinetics on one network, fitted (M–L) to what custards, curds and bars do:
 *
 *   da/dt = (1 − a)/60 · 10^((T − T60)/5.5)        a: extent of setting
 *   db/dt = (1 − b)/60 · 10^((T − T60b)/3.2)       b: extent of over-setting
 *
 * T60 is the temperature at which setting takes a minute. Sources remembered: Donovan (1977) and Kulmyrzaev (2000) for
 * the sucrose shift, Vega & Mercadé-Prieto (2011) for yolk kinetics. Far below the isoelectric range charge keeps
 * aggregates apart (a wider gap); in it egg sets earlier. Where both lie is fitted to what cooks do: a curd of equal
 * yolk, sugar and juice stands a minute at 85 °C and turns grainy at 88–90, whole egg bears the first bubbles, a
 * pouring custard turns at 86, a condensed-milk pie is set at 70–74. Values and spreads: `base/parameters`.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import { solveFor } from '../../base/solveFor'
import { type Mix, proteinG, sugarsG } from '../matter/mix'
import { doseAlong, doseScale, type History } from './dose'

export type EggParameters = Parameters['egg']

/** The heat that the egg went through: one history for a stirred pot, one a layer for a bake. */
export interface Cooking {
  histories: readonly History[]
  /** Film on the pan wall beside each history. */
  films: readonly (readonly number[])[]
  /** Mean or bulk temperature, and the coldest part. */
  core: History
  stirred: boolean
  /** Over-setting at which grains are told: more where a sieve or a blender breaks them afterwards. */
  grainyAt: number
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
  grainyAt: number
}

/** Doses of the egg. An undisturbed gel bears a little more, in the oven and as it cools. */
export const eggWork = (temperatures: EggTemperatures, c: Cooking, after: History): EggWork => {
  const made = c.stirred ? temperatures : undisturbed(temperatures)
  return {
    temperatures,
    heat: c.histories.map((h, i) => dosesOf(h, made, c.films[i]!)),
    after: dosesOf(after, undisturbed(temperatures)),
    grainyAt: c.grainyAt,
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

/** What all the heat and the way down added, layers by their mean: by it two courses are compared. */
export function dosesSum({ heat, after }: EggWork): Doses {
  const mean = (key: 'a' | 'b' | 'film') => heat.reduce((sum, d) => sum + d[key], 0) / heat.length + after[key]
  return { a: mean('a'), b: mean('b'), film: mean('film'), rates: after.rates }
}

/**
 * Peak at which the same course would turn grainy, °C: the whole course shifted, by bisection. @param overset
 * over-setting at a shift
 */
export function grainyTemperature(peakC: number, overset: (shiftK: number) => number, grainy: number): number {
  return Number((peakC + solveFor(overset, grainy, -15, 20, { steps: 14 })).toFixed(2))
}

/** Marks on the way: a coats the spoon, a done, b grainy. */
export const COATS = 0.3
export const DONE = 0.85
export const GRAINY = 0.3
/** The same once it has passed a sieve or a blender (judgement). */
export const GRAINY_SIEVED = 0.5

/** White's share of the egg protein at which T0 and P0 are known; between them they run straight. */
const EVEN_SHARE = 0.55

function network(w: number, p: EggParameters): { t0: number, p0: number } {
  const between = (share: number, from: readonly [number, number], to: readonly [number, number]) => ({
    t0: from[0] + (to[0] - from[0]) * share,
    p0: from[1] + (to[1] - from[1]) * share,
  })
  const even = [p.t0EvenC, p.p0Even] as const
  return w <= EVEN_SHARE
    ? between(w / EVEN_SHARE, [p.t0YolkC, p.p0Yolk], even)
    : between((w - EVEN_SHARE) / (1 - EVEN_SHARE), even, [p.t0WhiteC, p.p0White])
}

/** Sugar in water up to which T60 rises with it, %, and what counts of more (after Kulmyrzaev, from memory L). */
const SUGAR_LEVELS_PERCENT = 40
const SUGAR_BEYOND = 1 / 3
const levelled = (percent: number) =>
  Math.min(percent, SUGAR_LEVELS_PERCENT) + SUGAR_BEYOND * Math.max(0, percent - SUGAR_LEVELS_PERCENT)

export interface EggTemperatures {
  /** Setting takes one minute here, °C. */
  t60C: number
  /** Over-setting takes one minute here, °C. */
  t60bC: number
  /** What its rates follow. */
  rates: EggParameters
}

/**
 * Where the egg of a mix sets and over-sets.
 * T60 = T0 + 4.1·ln(P0/P) + .17·S − 1.0·max(0, 7 − max(pH, 3)) − 8·exp(−((pH − 4.8)/.5)²); P is egg and
 * half the milk protein per 100 g of (protein + sugar + water), S = sugar/(sugar + water) %, of which what lies over 40
 * counts a third.
 * T60b = T60 + 5 + 3.5/(1 + 10^(2(pH − 4.3))) + 24·(1 − e^(−starch%/2)).
 * @returns null when the mix holds no egg
 * @example eggTemperatures(m, pH).t60C // 78.71
 */
export function eggTemperatures(m: Mix, pH: number, p: EggParameters = STANDARD.egg): EggTemperatures | null {
  const egg = m.grams.eggWhiteProtein + m.grams.yolkProtein
  if (egg <= 0) return null
  const sugar = sugarsG(m)
  const water = m.grams.water
  const joined = egg + p.milkJoins * (m.grams.casein + m.grams.whey)
  const percent = (100 * joined) / (proteinG(m) + sugar + water)
  const { t0, p0 } = network(m.grams.eggWhiteProtein / egg, p)
  const s = levelled((100 * sugar) / (sugar + water))
  const t60C =
    t0 +
    p.t60ShiftK +
    p.dilutionK * Math.log(p0 / percent) +
    p.sugarK * s -
    p.acidK * Math.max(0, 7 - Math.max(pH, 3)) -
    p.isoDropK * Math.exp(-(((pH - p.isoPH) / p.isoWidthPH) ** 2))
  const starch = (100 * m.grams.starch) / m.massG
  const starchK = p.starchGapK * (1 - Math.exp(-starch / p.starchGapPercent))
  const chargedK = p.chargeGapK / (1 + 10 ** (p.chargeSteep * (pH - p.chargePH)))
  return { t60C, t60bC: t60C + p.gapK + p.gapShiftK + chargedK + starchK, rates: p }
}

/** An undisturbed gel bears a little more before it over-sets. */
export const undisturbed = (egg: EggTemperatures): EggTemperatures => ({
  ...egg,
  t60bC: egg.t60bC + egg.rates.undisturbedK,
})

/**
 * Rates per second at a temperature, for (1 − a) and (1 − b).
 * @example settingRate(80, eggTemperatures(m, pH)) > 0 // true
 */
export const settingRate = (tempC: number, egg: EggTemperatures): number =>
  10 ** ((tempC - egg.t60C) / egg.rates.settingZK) / 60
export const oversettingRate = (tempC: number, egg: EggTemperatures): number =>
  10 ** ((tempC - egg.t60bC) / egg.rates.oversettingZK) / 60

/** What a history adds to −ln(1 − a) and −ln(1 − b), bulk and film: minutes at T60 and T60b. */
export interface Doses {
  a: number
  b: number
  film: number
  rates: EggParameters
}

/** Doses of a whole history. @param filmC temperature of the thin film on the pan wall */
export function dosesOf(history: History, egg: EggTemperatures, filmC: readonly number[] = history.tempC): Doses {
  const { timeS, tempC } = history
  const { settingZK, oversettingZK } = egg.rates
  const b = doseAlong(timeS, tempC, egg.t60bC, oversettingZK) / 60
  return {
    a: doseAlong(timeS, tempC, egg.t60C, settingZK) / 60,
    b,
    film: filmC === tempC ? b : doseAlong(timeS, filmC, egg.t60bC, oversettingZK) / 60,
    rates: egg.rates,
  }
}

/**
 * Extents from doses. A hotter course, or an egg that sets lower, scales the dose by 10^(shift/z), exactly.
 * @param shiftA, shiftB K by which temperatures lie higher over T60 and T60b than when the doses were taken
 */
export function extentsOf(d: Doses, shiftA = 0, shiftB = shiftA): { a: number, b: number } {
  const { settingZK, oversettingZK, filmShare } = d.rates
  const scaleB = doseScale(shiftB, oversettingZK)
  return {
    a: 1 - Math.exp(-d.a * doseScale(shiftA, settingZK)),
    b: (1 - filmShare) * (1 - Math.exp(-d.b * scaleB)) + filmShare * (1 - Math.exp(-d.film * scaleB)),
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
 * @param d what the bulk has taken so far @param grainyAt over-setting that counts as grainy
 */
export const secondsToGrainy = (d: Doses, tempC: number, egg: EggTemperatures, grainyAt = GRAINY): number =>
  Math.max(0, -Math.log(1 - grainyAt) - d.b) / oversettingRate(tempC, egg)

/** Extent of setting at every time of a history. */
export function settingCurve(history: History, egg: EggTemperatures): number[] {
  const out = [0]
  doseAlong(history.timeS, history.tempC, egg.t60C, egg.rates.settingZK, (i, dose) => {
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
  const { filmShare } = egg.rates
  const out = [0]
  doseAlong(history.timeS, history.tempC, egg.t60bC, egg.rates.oversettingZK, (i, dose) => {
    out[i] = 1 - Math.exp(-dose / 60)
  })
  if (filmC !== history.tempC)
    doseAlong(history.timeS, filmC, egg.t60bC, egg.rates.oversettingZK, (i, dose) => {
      out[i] = (1 - filmShare) * out[i]! + filmShare * (1 - Math.exp(-dose / 60))
    })
  return out
}
