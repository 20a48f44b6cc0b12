/**
 * Setting over time: state variables integrated over the piece's temperature history (fitted, L; time constants ×1.5
 * uncertain). Rates per minute, °C; each straight piece of history is taken in steps of at most 3 K at its mean
 * temperature,
 * exactly for a constant temperature.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import type { History } from '../heat/dose'
import { placeAt } from '../thermal/conduction'
import { solidFat } from '../thermal/properties'
import { type Body, firmness, type SetState, yieldStress } from './firmness'

/** Yield stress of a body at a setting and a temperature, Pa. */
export const stressAt = (body: Body, s: Setting, tempC: number, a: number, b: number): number =>
  yieldStress(
    firmness(body, {
      tempC,
      a,
      b,
      butter: s.butter,
      cream: s.cream,
      hard: s.hard,
      casein: s.casein,
      gelatin: s.gelatin,
      starch: s.starch,
      oven: s.oven,
      agar: s.agar,
    }),
  )

/** What the set has gained in the heat, undisturbed: the oven's firming and casein that knits while it bakes. */
export function settledIn(histories: readonly History[], inputs: SettingInputs): Setting {
  const mean = histories[0]!.timeS.map((_, i) => histories.reduce((s, h) => s + h.tempC[i]!, 0) / histories.length)
  const along = settingAlong(histories[0]!.timeS, mean, inputs, UNSET, true)
  return along[along.length - 1]!
}

/** Setting after the stated way down and the stated time in the cold. */
export function statedSetting(
  way: History,
  statedC: number,
  holdS: number,
  inputs: SettingInputs,
  start: Setting,
): Setting {
  const endS = way.timeS[way.timeS.length - 1]!
  const along = settingAlong([...way.timeS, endS + holdS], [...way.tempC, statedC], inputs, start)
  return along[along.length - 1]!
}

/**
 * Setting at a time: linear between the points of its course, held before and after it.
 * @example settingAt([0, 60], [UNSET, { ...UNSET, starch: 0.4 }], 30).starch // 0.2
 */
export function settingAt(timeS: readonly number[], settings: readonly Setting[], at: number): Setting {
  const [i, share] = placeAt(timeS, at)
  const from = settings[i]!
  const to = settings[i + 1] ?? from
  const out = { ...from }
  for (const key of SETTING_KEYS) out[key] += (to[key] - from[key]) * share
  return out
}

/** What the rates depend on besides temperature. */
export interface SettingInputs {
  pH: number
  /** Casein concentration of the firmness model, g per 100 g. */
  caseinC: number
  /** Stirred creams gain their strength only cold; condensed milk and what is baked knit while hot. */
  knitsCold: boolean
  /** Time constants; the table's where none are given. */
  rates?: Parameters['setting']
}

/** State without temperature and egg. */
export type Setting = Omit<SetState, 'tempC' | 'a' | 'b'> & {
  /** The two parts of gelatin's maturation, fast and slow. */
  g1: number
  g2: number
}

export const UNSET: Setting = {
  butter: 0,
  cream: 0,
  hard: 0,
  casein: 0,
  gelatin: 0,
  starch: 0,
  oven: 0,
  agar: 0,
  g1: 0,
  g2: 0,
}

const SETTING_KEYS = Object.keys(UNSET) as (keyof Setting)[]

/** Cream that stands below this knits undisturbed, °C (fitted). */
export const CREAM_KNITS_C = 50
/** Set agar melts here (its wide hysteresis, from memory H). */
const AGAR_MELTS_C = 85
/** No crystal of a hard plant fat is left here, °C (cocoa butter's stable form, from memory H). */
const HARD_MELTS_C = 34

const towards = (value: number, goal: number, minutes: number, tau: number) =>
  goal - (goal - value) * Math.exp(-minutes / tau)

/**
 * Gelatin's goal at a temperature: 1 at 5 °C.
 * @example gelatinGoal(5) // 1
 */
export const gelatinGoal = (tempC: number, p: Parameters['setting'] = STANDARD.setting): number =>
  Math.max(0, p.gelatinMeltsC - Math.max(tempC, 0)) / 24
const matured = (g1: number, g2: number, p: Parameters['setting']) =>
  p.gelatinFastShare * g1 + (1 - p.gelatinFastShare) * g2

/**
 * How fast casein knits by what is in the mix, at any temperature, 1/min.
 * @example caseinPace({ pH: 4.2, caseinC: 3.2, knitsCold: true }) // 0.04
 */
export function caseinPace({ pH, caseinC, knitsCold, rates: p = STANDARD.setting }: SettingInputs): number {
  const tau =
    !knitsCold
      ? p.caseinMin * 10 ** (p.caseinPHSlope * (pH - 4.2))
      : p.creamGelMin * 10 ** (p.creamGelPHSlope * Math.max(0, pH - 4.2))
  return caseinC / (3.2 * tau)
}

/**
 * Casein that knits. In the oven and in condensed milk it does so while hot:
 *   Ẋ = (1 − X)/[60·10^(.8(pH − 4.2))·2^((20 − T)/20)·3.2/c_c]
 * A stirred cream has curdled fine at once; its strength comes as it lies cold, when fat hardens between the grains:
 *   Ẋ = (1 − X)·logistic((13 − T)/2.5)/[τ·10^(1.5(pH − 4.2)₊)·3.2/c_c]
 * Fitted to practice: a ramekin takes 3 h, a wine cream of pH 4.65 half as long again and more, a bowl as long as its
 * middle needs to be cold.
 */
function caseinAfter(x: number, tempC: number, minutes: number, inputs: SettingInputs): number {
  const { creamGelC, creamGelK } = inputs.rates ?? STANDARD.setting
  const warmth =
    !inputs.knitsCold
      ? 2 ** ((Math.min(tempC, 60) - 20) / 20)
      : 1 / (1 + Math.exp((tempC - creamGelC) / creamGelK))
  return towards(x, 1, minutes * warmth, 1 / caseinPace(inputs))
}

/**
 * Advances a setting by some minutes at a temperature.
 * @example settingAfter(UNSET, 5, 30, { pH: 3, caseinC: 0, knitsCold: false }).butter // 0.354
 */
export function settingAfter(s: Setting, tempC: number, time: number, inputs: SettingInputs): Setting {
  const after = { ...s }
  ripen(after, tempC, time, inputs, true)
  return after
}

/** The same in place: a history has hundreds of such steps. The oven firms only what bakes undisturbed. */
function ripen(s: Setting, tempC: number, time: number, inputs: SettingInputs, bakes: boolean): void {
  const p = inputs.rates ?? STANDARD.setting
  const minutes = time * p.pace
  // Fat solids: σ̇ = (SFC(T) − σ)/[tau·2^((T − 5)/10)]; it melts at once.
  const slower = 2 ** ((tempC - 5) / 10)
  const solids = solidFat(tempC)
  const harden = (fat: number, tau5: number) =>
    fat >= solids ? solids : towards(fat, solids, minutes, tau5 * slower)
  s.butter = harden(s.butter, p.butterMin)
  s.cream = harden(s.cream, p.creamMin)
  // Plant fat: ḣ = (1 − h)/[tau·2^((T − 5)/10)]; above 34 °C it begins anew.
  s.hard = tempC > HARD_MELTS_C ? 0 : towards(s.hard, 1, minutes, p.hardFatMin * slower)
  if (inputs.caseinC > 0) s.casein = caseinAfter(s.casein, tempC, minutes, inputs)
  // Gelatin: G = .6 g₁ + .4 g₂, ġ = (Xe − g)/(45, 360), Xe = (29 − T)₊/24.
  const goal = gelatinGoal(tempC, p)
  const grow = (g: number, tau: number) =>
    g >= goal ? goal : tempC < p.gelatinSetsC ? towards(g, goal, minutes, tau) : g
  s.g1 = grow(s.g1, p.gelatinFastMin)
  s.g2 = grow(s.g2, p.gelatinSlowMin)
  s.gelatin = matured(s.g1, s.g2, p)
  // Starch: Ṙ = (1 − R)/[120·2^((T − 5)/30)] below 60 °C.
  if (tempC < 60) s.starch = towards(s.starch, 1, minutes, p.starchMin * 2 ** ((tempC - 5) / 30))
  // Oven: Ẇ = (1 − W)·10^((T − 76)/8).
  if (bakes && tempC > 40) s.oven = towards(s.oven, 1, minutes, 10 ** (-(tempC - p.ovenRefC) / p.ovenZK))
  s.agar = tempC < p.agarSetsC ? towards(s.agar, 1, minutes, p.agarMin) : tempC > AGAR_MELTS_C ? 0 : s.agar
}

/** Fat and gelatin melt at once at the temperature reached. */
function melt(s: Setting, tempC: number, p: Parameters['setting']): void {
  const fat = solidFat(tempC)
  const goal = gelatinGoal(tempC, p)
  s.g1 = Math.min(s.g1, goal)
  s.g2 = Math.min(s.g2, goal)
  s.butter = Math.min(s.butter, fat)
  s.cream = Math.min(s.cream, fat)
  s.gelatin = matured(s.g1, s.g2, p)
}

/**
 * The setting at every time of a history, from a start.
 * @param timeS rising, s @param tempC °C, same length
 * @param bakes whether the oven's firming counts (undisturbed fillings only)
 */
export function settingAlong(
  timeS: readonly number[],
  tempC: readonly number[],
  inputs: SettingInputs,
  start: Setting = UNSET,
  bakes = false,
): Setting[] {
  const p = inputs.rates ?? STANDARD.setting
  const s = {
    ...start,
    butter: Math.min(start.butter, solidFat(tempC[0]!)),
    cream: Math.min(start.cream, solidFat(tempC[0]!)),
  }
  const out = [{ ...s }]
  for (let i = 1; i < timeS.length; i++) {
    const minutes = (timeS[i]! - timeS[i - 1]!) / 60
    const from = tempC[i - 1]!
    const to = tempC[i]!
    const n = Math.min(60, Math.max(1, Math.ceil(Math.abs(to - from) / 3)))
    for (let k = 0; k < n; k++) ripen(s, from + ((to - from) * (k + 0.5)) / n, minutes / n, inputs, bakes)
    melt(s, to, p)
    out.push({ ...s })
  }
  return out
}
