/**
 * A piece on its way in the oven or in the cold, from readings of its middle: of the courses it could take, at several
 * paces and towards an end that is warmer or colder, each reading tells the likelier. A particle filter whose particles
 * stand on a grid of both, so that none is ever lost.
 *
 *   T(t) = E + (course_u(t) − end)·(now − E)/(course_u(0) − end),  E = end + v
 *   prior u ~ N(0, σ_u), v ~ N(0, σ_v);  a reading z: w ∝ N(z; T, σ_z)^(Δt/τ)
 *
 * Courses between two paces that were worked out lie between theirs. Another place goes at another pace: there the
 * course begins anew from where it stands (`nowC`). What the model misses lasts for minutes, so readings close together
 * count as one: the power Δt/τ. Source: Gordon, Salmond & Smith, IEE Proc. F 140 (1993), here on a grid (from memory,
 * H); spreads near the core's own, fitted on other kitchens than those of the test.
 */
import { timeAbove, timeBelow, valueAt } from '../physics/thermal/conduction'
import type { Range } from './pot'

/** A course as it goes at a pace: ln of the pace over the stated one; s from the start of its place, °C. */
export interface Pace {
  ln: number
  timeS: readonly number[]
  tempC: readonly number[]
}
export interface CourseLaw {
  /** ln of its pace, one σ; K warmer at its end, one σ. */
  lnPace: number
  endK: number
  /** Spread of a reading about its course, K, and how long what is missed lasts, s. */
  readingK: number
  lastsS: number
  /** Spread of the mean of the air's readings about what the middle will come to, K. */
  airK: number
  /** The way that is left takes so much longer than the way so far tells (fitted). */
  late: number
}
/**
 * In a fridge, by its convection and its air; in an oven, by the clock and its air. Fitted to kitchens 300–379, the
 * oven to 1000–1059 as well.
 */
export const COLD_COURSE: CourseLaw = { lnPace: 0.4, endK: 1.2, readingK: 0.3, lastsS: 450, airK: 0.25, late: 1 }
export const OVEN_COURSE: CourseLaw = { lnPace: 0.2, endK: 8, readingK: 0.16, lastsS: 300, airK: 4, late: 0.94 }

export interface LiveCourse {
  /** One a pace of the grid, °C at `timeS`. */
  courses: readonly (readonly number[])[]
  timeS: readonly number[]
  /** Where the middle stood at the start, and where it was meant to end, °C. */
  nowC: number
  endC: number
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
  return { i, j, zu: zOf(i, STEPS_U), zv: zOf(j, STEPS_V) }
})
const TIMES = 300

/** A course that is foretold, at paces e^u as if its clock went faster or slower: where nothing better is known. */
const CLOCKS = [-0.9, -0.6, -0.3, 0, 0.3, 0.6, 0.9]
/**
 * The paces of a course by its clock.
 * @example pacesByClock([0, 3600], [60, 5]).length // 7
 */
export const pacesByClock = (timeS: readonly number[], tempC: readonly number[]): Pace[] =>
  CLOCKS.map(ln => ({ ln, timeS: timeS.map(t => t * Math.exp(-ln)), tempC }))

/** A course between those of the paces beside it; beyond the last, the last. */
function courseAt(paces: readonly Pace[], ln: number, timeS: readonly number[]): number[] {
  const above = paces.findIndex(p => p.ln >= ln)
  const [a, b] = above < 0 ? [paces.at(-1)!, paces.at(-1)!] : [paces[Math.max(0, above - 1)]!, paces[above]!]
  const share = a === b ? 0 : (ln - a.ln) / (b.ln - a.ln)
  return timeS.map(t => (1 - share) * valueAt(a.timeS, a.tempC, t) + share * valueAt(b.timeS, b.tempC, t))
}

/**
 * A course before any reading.
 * @param paces courses from the start of its place, the slowest first
 * @param from where the middle stands as it starts, and where it is meant to end, °C
 * @example startCourse(pacesByClock([0, 3600], [60, 5]), { nowC: 60, endC: 4 }, COLD_COURSE).atS // 0
 */
export function startCourse(
  paces: readonly Pace[], { nowC, endC }: { nowC: number, endC: number }, law: CourseLaw,
): LiveCourse {
  const longestS = Math.max(...paces.map(p => p.timeS.at(-1)!))
  const timeS = Array.from({ length: TIMES + 1 }, (_, i) => (longestS * i) / TIMES)
  const courses = Array.from({ length: STEPS_U }, (_, i) => courseAt(paces, law.lnPace * zOf(i, STEPS_U), timeS))
  return { courses, timeS, nowC, endC, law, ln: particles.map(p => -(p.zu ** 2 + p.zv ** 2) / 2), atS: 0 }
}

/** How a course stretches towards an end so much warmer, from where the middle stood: T = E + k·(course − end). */
function stretch({ nowC, endC }: LiveCourse, startC: number, warmerK: number): { toC: number, k: number } {
  const toC = endC + warmerK
  return { toC, k: (nowC - toC) / (startC - endC || 1) }
}

/**
 * The course after a reading of the middle.
 * @param reading later than the one before; an earlier one changes nothing
 * @example observeCourse(begun, { atS: 600, tempC: 52 }).atS // 600
 */
export function observeCourse(c: LiveCourse, reading: { atS: number, tempC: number }): LiveCourse {
  const { law } = c
  const passedS = reading.atS - c.atS
  if (!(passedS > 0) || !Number.isFinite(reading.tempC)) return c
  const power = Math.min(1, passedS / law.lastsS)
  const now = c.courses.map(x => valueAt(c.timeS, x, Math.min(c.timeS.at(-1)!, reading.atS)))
  const ln = particles.map(({ i, zv }, k) => {
    const s = stretch(c, c.courses[i]![0]!, law.endK * zv)
    const at = s.toC + s.k * (now[i]! - c.endC)
    return c.ln[k]! - (power * ((reading.tempC - at) / law.readingK) ** 2) / 2
  })
  const most = Math.max(...ln)
  return { ...c, ln: ln.map(x => x - most), atS: reading.atS }
}

/**
 * The course after the air the piece stands in was read, against the air that was stated: where it will end.
 * @param warmerK mean of what the air's readings are over the stated air: one reading is as far off as a compressor
 *   swings
 * @example observeAir(begun, 1.5).atS // 0
 */
export const observeAir = (c: LiveCourse, warmerK: number): LiveCourse =>
  ({ ...c, ln: particles.map(({ zv }, k) => c.ln[k]! - ((warmerK - c.law.endK * zv) / c.law.airK) ** 2 / 2) })

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
 * @example courseLeft(begun, 8).value > 0 // true
 */
export function courseLeft(c: LiveCourse, levelC: number): Range | null {
  const falls = c.endC < c.nowC
  const passes = falls ? timeBelow : timeAbove
  const times = particles.map(({ i, zv }, k) => {
    const course = c.courses[i]!
    const s = stretch(c, course[0]!, c.law.endK * zv)
    const atS = s.k > 0 ? passes(c.timeS, course, c.endC + (levelC - s.toC) / s.k) : null
    return { s: c.law.late * ((atS ?? Infinity) - c.atS), w: Math.exp(c.ln[k]!) }
  }).sort((a, b) => a.s - b.s)
  const [low, value, high] = [0.1, 0.5, 0.9].map(q => quantileOf(times, q))
  if (!Number.isFinite(value!)) return null
  return { low: Math.max(0, low!), value: Math.max(0, value!), high: Math.max(0, Math.min(high!, mostS(value!))) }
}
