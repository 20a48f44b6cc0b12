/**
 * What heat and cold make of a filling, as it might really go: every rate followed in steps of a second or ten by the
 * midpoint, along the temperatures the piece has, where the model sums doses in closed form over a coarse course. The
 * laws of the material (rates, temperatures, strengths) are the tables both go by.
 */
import type { Parameters } from '../base/parameters'
import { type EggTemperatures, oversettingRate, settingRate } from '../physics/heat/egg'
import { solidFat } from '../physics/thermal/properties'

/** Egg: what has set, what has over-set, and of the film on the pan. */
export interface EggState {
  a: number
  b: number
  film: number
}
export const RAW: EggState = { a: 0, b: 0, film: 0 }

/** Egg after some seconds on the way from one temperature to another. @param filmC of the film, °C */
export function eggLater(e: EggState, law: EggTemperatures, midC: number, filmC: number, dt: number): EggState {
  const on = (x: number, rate: number) => 1 - (1 - x) * Math.exp(-rate * dt)
  return {
    a: on(e.a, settingRate(midC, law)),
    b: on(e.b, oversettingRate(midC, law)),
    film: on(e.film, oversettingRate(filmC, law)),
  }
}

/** Running sums of what heat does besides, minutes at each one's own temperature. */
export interface HeatSums {
  milk: number
  starch: number
  amylase: number
  acid: number
  peakC: number
  minutesNearPeak: number
}
export const COLD_SUMS: HeatSums = { milk: 0, starch: 0, amylase: 0, acid: 0, peakC: -99, minutesNearPeak: 0 }
/** Where each is told: 78 and 80 °C, starch 80, acid at 97 °C and pH 2.5 (the tables' own). */
export function sumsLater(s: HeatSums, p: Parameters, pH: number, tempC: number, dt: number): HeatSums {
  const minutes = dt / 60
  const at = (refC: number, zK: number) => minutes * 10 ** ((tempC - refC) / zK)
  const peakC = Math.max(s.peakC, tempC)
  return {
    milk: s.milk + at(78, p.milk.heatZK),
    starch: s.starch + at(80, p.starch.minutesK),
    amylase: s.amylase + at(80, p.starch.amylaseZK),
    acid: s.acid + 10 ** (2.5 - pH) * at(97, p.starch.acidZK),
    peakC,
    minutesNearPeak: peakC > s.peakC + 0.5 ? minutes : s.minutesNearPeak + (tempC > peakC - 2 ? minutes : 0),
  }
}

/** What ripens slowly, 0–1 (gelatin up to 1.2). */
export interface Ripe {
  butter: number
  cream: number
  hard: number
  casein: number
  g1: number
  g2: number
  starch: number
  oven: number
  agar: number
}
export const UNRIPE: Ripe =
  { butter: 0, cream: 0, hard: 0, casein: 0, g1: 0, g2: 0, starch: 0, oven: 0, agar: 0 }

export interface RipeLaw {
  p: Parameters['setting']
  pH: number
  caseinC: number
  knitsCold: boolean
  /** Undisturbed in the oven. */
  bakes: boolean
}

/** Rates of everything that ripens, 1/min, at a temperature. */
function rates(r: Ripe, { p, pH, caseinC, knitsCold }: RipeLaw, tempC: number): Ripe {
  const slower = 2 ** ((tempC - 5) / 10)
  const solids = solidFat(tempC)
  const goal = Math.max(0, p.gelatinMeltsC - Math.max(tempC, 0)) / 24
  const knit = caseinC <= 0
    ? 0
    : knitsCold
      ? caseinC / 3.2 / (p.creamGelMin * 10 ** (p.creamGelPHSlope * Math.max(0, pH - 4.2)))
      / (1 + Math.exp((tempC - p.creamGelC) / p.creamGelK))
      : (caseinC / 3.2 / (p.caseinMin * 10 ** (p.caseinPHSlope * (pH - 4.2)))) * 2 ** ((Math.min(tempC, 60) - 20) / 20)
  const gelatin = (g: number, min: number) => (tempC < p.gelatinSetsC && g < goal ? (goal - g) / min : 0)
  return {
    butter: (solids - r.butter) / (p.butterMin * slower),
    cream: (solids - r.cream) / (p.creamMin * slower),
    hard: (1 - r.hard) / (p.hardFatMin * slower),
    casein: (1 - r.casein) * knit,
    g1: gelatin(r.g1, p.gelatinFastMin),
    g2: gelatin(r.g2, p.gelatinSlowMin),
    starch: tempC < 60 ? (1 - r.starch) / (p.starchMin * 2 ** ((tempC - 5) / 30)) : 0,
    oven: 0,
    agar: tempC < p.agarSetsC ? (1 - r.agar) / p.agarMin : 0,
  }
}

const KEYS = Object.keys(UNRIPE) as (keyof Ripe)[]
/** Ripening over a short time, by the midpoint; fat and gelatin melt at once. */
export function ripeLater(r: Ripe, law: RipeLaw, tempC: number, dt: number): Ripe {
  const minutes = (dt / 60) * law.p.pace
  const half = rates(r, law, tempC)
  const mid = Object.fromEntries(KEYS.map(k => [k, r[k] + (half[k] * minutes) / 2])) as unknown as Ripe
  const full = rates(mid, law, tempC)
  const out = Object.fromEntries(KEYS.map(k => [k, Math.min(1.3, r[k] + full[k] * minutes)])) as unknown as Ripe
  const solids = solidFat(tempC)
  const goal = Math.max(0, law.p.gelatinMeltsC - Math.max(tempC, 0)) / 24
  // The oven firms within seconds where it is hot: backward, so that it stands.
  const firms = law.bakes && tempC > 40 ? minutes * 10 ** ((tempC - law.p.ovenRefC) / law.p.ovenZK) : 0
  return {
    ...out,
    oven: (r.oven + firms) / (1 + firms),
    butter: Math.min(out.butter, solids),
    cream: Math.min(out.cream, solids),
    hard: tempC > 34 ? 0 : out.hard,
    g1: Math.min(out.g1, goal),
    g2: Math.min(out.g2, goal),
    agar: tempC > 85 ? 0 : out.agar,
  }
}
