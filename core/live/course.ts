/**
 * A piece on its way in the oven or in the cold, from readings of its middle: the course that was foretold runs faster
 * or slower, and towards an end that is warmer or colder. A particle filter whose particles stand on a grid of both, so
 * that none is ever lost.
 *
 *   T(t) = foretold(t·e^−u) + v·p(t·e^−u),  p: share of the way that is gone
 *   prior u ~ N(0, σ_u), v ~ N(0, σ_v);  a reading z: w ∝ N(z; T, σ_z)^(Δt/τ)
 *
 * Another place goes at another pace: there the course begins anew from where it stands (`courseFrom`). What the model
 * misses lasts for minutes, so readings close together count as one: the power Δt/τ. Source: Gordon, Salmond & Smith,
 * IEE Proc. F 140 (1993), here on a grid (from memory, H); spreads near the core's own, fitted on other kitchens than
 * those of the test.
 */
import { timeAbove, timeBelow, valueAt } from '../physics/thermal/conduction'
import type { Range } from './pot'

export interface CourseLaw {
  /** ln of how much slower it is, one σ; K warmer at its end, one σ. */
  lnSlow: number
  endK: number
  /** Spread of a reading about its course, K, and how long what is missed lasts, s. */
  readingK: number
  lastsS: number
  /** Spread of a reading of the air about what the middle will come to, K; how much of it is the load's, and passes. */
  airK: number
  loadK: number
  /** The way that is left takes so much longer than the way so far tells (fitted). */
  late: number
}
/** In a fridge: its air and its convection; in an oven: its heat, which tells in the pace (both: kitchens 300–339). */
export const COLD_COURSE: CourseLaw = {
  lnSlow: 0.3, endK: 1.5, readingK: 0.7, lastsS: 1800, airK: 0.5, loadK: 0.4, late: 1,
}
export const OVEN_COURSE: CourseLaw = {
  lnSlow: 0.15, endK: 4, readingK: 0.5, lastsS: 600, airK: 4, loadK: 0, late: 1.1,
}

export interface LiveCourse {
  timeS: readonly number[]
  tempC: readonly number[]
  law: CourseLaw
  /** ln of the weight of each particle. */
  ln: readonly number[]
  atS: number
}

/** Grid in σ of the prior. */
const STEPS_U = 33
const STEPS_V = 17
const FARTHEST = 3.2
const zOf = (i: number, n: number) => FARTHEST * ((2 * i) / (n - 1) - 1)
const particles = Array.from({ length: STEPS_U * STEPS_V }, (_, k) => {
  const [i, j] = [Math.floor(k / STEPS_V), k % STEPS_V]
  return { j, zu: zOf(i, STEPS_U), zv: zOf(j, STEPS_V) }
})

/**
 * A course before any reading.
 * @example startCourse([0, 3600], [60, 5], COLD_COURSE).atS // 0
 */
export const startCourse = (timeS: readonly number[], tempC: readonly number[], law: CourseLaw): LiveCourse =>
  ({ timeS, tempC, law, ln: particles.map(p => -(p.zu ** 2 + p.zv ** 2) / 2), atS: 0 })

/**
 * The rest of a course from where the middle stands now, as the clock of a new place begins.
 * @example courseFrom([0, 60, 120], [60, 40, 20], 50, COLD_COURSE).timeS[1] // 30
 */
export function courseFrom(
  timeS: readonly number[], tempC: readonly number[], nowC: number, law: CourseLaw,
): LiveCourse {
  const falls = tempC.at(-1)! < tempC[0]!
  const fromS = (falls ? timeBelow(timeS, tempC, nowC) : timeAbove(timeS, tempC, nowC)) ?? timeS.at(-1)!
  const rest = timeS.map((t, i) => ({ t: t - fromS, c: tempC[i]! })).filter(x => x.t > 0)
  return startCourse([0, ...rest.map(x => x.t)], [nowC, ...rest.map(x => x.c)], law)
}

/** Share of the way from its first to its last temperature, 0–1. */
function shares({ tempC }: LiveCourse): number[] {
  const [from, to] = [tempC[0]!, tempC.at(-1)!]
  return tempC.map(c => Math.min(1, Math.max(0, (c - from) / (to - from || 1))))
}
/** The course towards an end so much warmer, °C along its own times. */
const bent = (c: LiveCourse, share: readonly number[], warmerK: number) =>
  c.tempC.map((t, i) => t + warmerK * share[i]!)

/**
 * The course after a reading of the middle.
 * @param reading later than the one before; an earlier one changes nothing
 * @example observeCourse(startCourse([0, 3600], [60, 5], COLD_COURSE), { atS: 600, tempC: 52 }).atS // 600
 */
export function observeCourse(c: LiveCourse, reading: { atS: number, tempC: number }): LiveCourse {
  const { law } = c
  const passedS = reading.atS - c.atS
  if (!(passedS > 0) || !Number.isFinite(reading.tempC)) return c
  const power = Math.min(1, passedS / law.lastsS)
  const lastS = c.timeS.at(-1)!
  const share = shares(c)
  const bends = Array.from({ length: STEPS_V }, (_, j) => bent(c, share, law.endK * zOf(j, STEPS_V)))
  const ln = particles.map(({ j, zu }, k) => {
    const at = valueAt(c.timeS, bends[j]!, Math.min(lastS, reading.atS * Math.exp(-law.lnSlow * zu)))
    return c.ln[k]! - (power * ((reading.tempC - at) / law.readingK) ** 2) / 2
  })
  const most = Math.max(...ln)
  return { ...c, ln: ln.map(x => x - most), atS: reading.atS }
}

/**
 * The course after a reading of the air the piece stands in, against the air that was stated: where it will end.
 * @example observeAir(startCourse([0, 3600], [60, 5], COLD_COURSE), 1.5).atS // 0
 */
export const observeAir = (c: LiveCourse, warmerK: number): LiveCourse =>
  ({
    ...c,
    ln: particles.map(({ zv }, k) => c.ln[k]! - ((warmerK - c.law.loadK - c.law.endK * zv) / c.law.airK) ** 2 / 2),
  })

/** An end that is never reached in a tenth of the cases is told as four times the likeliest and an hour (judgement). */
const mostS = (value: number) => 4 * value + 3600

/** Weighted quantile of times, sorted. */
function quantileOf(times: readonly { s: number, w: number }[], share: number): number {
  const total = times.reduce((sum, t) => sum + t.w, 0)
  let sum = 0
  for (const t of times) if ((sum += t.w) >= share * total) return t.s
  return times.at(-1)!.s
}

/**
 * Seconds from the last reading until the middle passes a temperature, with its 80 % range; null: it is not likely to
 * within the course that was foretold.
 * @example courseLeft(startCourse([0, 3600], [60, 5], COLD_COURSE), 8).value > 0 // true
 */
export function courseLeft(c: LiveCourse, levelC: number): Range | null {
  const share = shares(c)
  const falls = c.tempC.at(-1)! < c.tempC[0]!
  const crossing = Array.from({ length: STEPS_V }, (_, j) => {
    const course = bent(c, share, c.law.endK * zOf(j, STEPS_V))
    return (falls ? timeBelow(c.timeS, course, levelC) : timeAbove(c.timeS, course, levelC)) ?? Infinity
  })
  const times = particles
    .map(({ j, zu }, k) => ({
      s: c.law.late * (crossing[j]! * Math.exp(c.law.lnSlow * zu) - c.atS), w: Math.exp(c.ln[k]!),
    }))
    .sort((a, b) => a.s - b.s)
  const [low, value, high] = [0.1, 0.5, 0.9].map(q => quantileOf(times, q))
  if (!Number.isFinite(value!)) return null
  return { low: Math.max(0, low!), value: Math.max(0, value!), high: Math.max(0, Math.min(high!, mostS(value!))) }
}
