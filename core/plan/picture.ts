/**
 * The cold going in, as a picture: the section of one vessel over time, cell by cell, with how far each cell has set;
 * the
 * curves of core, mean and surface; what sweats and dries. The same conduction as the assessment on a finer grid.
 */
import type { Bench } from '../formula/bench'
import { placeOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { driesBy, DROPS_G_M2, SKIN_G_M2, sweatUnder } from '../physics/chill/moisture'
import { settingAlong, stressAt } from '../physics/set/setting'
import { SET_SHARE } from '../physics/set/state'
import { valueAt } from '../physics/thermal/conduction'
import type { Worked } from '../pipeline/assess'
import { chillStep, FULL_SET_S } from '../pipeline/chill'

export const PICTURE_GRID = 12
const FRAMES = 90
/** Steps of a run that are looked at, at most. */
const LOOKS = 320

export interface Frame {
  timeS: number
  /** °C by [z][r] flat, base first, axis first. */
  tempC: number[]
  /** Strength over what counts as set there: 1 and above has set. */
  set: number[]
}
export interface Picture {
  grid: number
  radiusM: number
  heightM: number
  frames: Frame[]
  surface: { timeS: number[], tempC: number[] }
  /** Share of the piece that has set, at every frame. */
  setShare: number[]
  /**
   * Water under a cover that does not touch it, put on at once or when the middle has come to 45 °C, and what an open
   * surface loses until then, g/m².
   */
  moisture: {
    sweatNowGM2: number
    sweatLaterGM2: number
    laterS: number
    driesGM2: number
    drops: boolean
    skin: boolean
  }
}

/** Middle at which a cover may go on without streaming, °C (common practice). */
export const COVER_FROM_C = 45

/** The picture of a plan, to `endS` after pouring. */
export function pictureOf(w: Worked, doc: Bench, kitchen: Kitchen, endS: number): Picture {
  const { input: chill } = w.chilled
  const { inputs, start, target } = w.settled
  const { a, b } = w.settled.end
  const grid = PICTURE_GRID
  const timeS: number[] = []
  const fields: Float64Array[] = []
  const run = chillStep(doc, kitchen, chill, {
    grid,
    watch: (t, f) => {
      if (timeS.length > 0 && t - timeS[timeS.length - 1]! < FULL_SET_S / LOOKS && t > 3600) return
      timeS.push(t)
      fields.push(Float64Array.from(f))
    },
  })
  if (timeS[0]! > 0) {
    timeS.unshift(0)
    fields.unshift(new Float64Array(grid * grid).fill(chill.pourTempC))
  }
  const cells = grid * grid
  const warmth = Array.from({ length: cells }, (_, n) => fields.map(f => f[n]!))
  const stress = warmth.map(tempC =>
    settingAlong(timeS, tempC, inputs, start).map((s, i) => stressAt(w.heated.body, s, tempC[i]!, a, b)),
  )
  // Set, cell by cell, is what it is for the whole: three quarters of a day's strength, and what the use asks for.
  const need = stress.map(s => Math.max(target.coldMinPa, SET_SHARE * valueAt(timeS, s, FULL_SET_S)))
  const frames = Array.from({ length: FRAMES + 1 }, (_, k): Frame => {
    const at = endS * (k / FRAMES) ** 1.5
    return {
      timeS: at,
      tempC: warmth.map(t => Math.round(10 * valueAt(timeS, t, at)) / 10),
      set: stress.map((s, n) =>
        need[n]! > 0 ? Math.round(100 * Math.min(2, valueAt(timeS, s, at) / need[n]!)) / 100 : 0,
      ),
    }
  })
  const ring = (i: number) => (2 * i + 1) / (grid * grid)
  const topOf = (f: Float64Array) =>
    Array.from({ length: grid }, (_, i) => f[(grid - 1) * grid + i]! * ring(i)).reduce((x, y) => x + y, 0)
  const surface = { timeS, tempC: fields.map(topOf) }
  const share = (f: Frame) => f.set.reduce((s, x, n) => s + (x >= 1 ? ring(n % grid) / grid : 0), 0)
  const airC = (t: number) => {
    const span = run.spans.find(s => t < s.toS) ?? run.spans[run.spans.length - 1]!
    return placeOf(span.leg, kitchen).airTempC
  }
  const course = { timeS, surfaceC: surface.tempC, airC }
  const i = run.coreC.findIndex(t => t <= COVER_FROM_C)
  const laterS = i < 0 ? endS : run.timeS[i]!
  const sweatNowGM2 = sweatUnder(course, chill.aw, 0, endS)
  const driesGM2 = driesBy(course, chill.aw, 0, laterS)
  return {
    grid,
    radiusM: chill.radiusM,
    heightM: chill.depthM,
    frames,
    surface,
    setShare: frames.map(share),
    moisture: {
      sweatNowGM2,
      sweatLaterGM2: sweatUnder(course, chill.aw, laterS, endS),
      laterS,
      driesGM2,
      drops: sweatNowGM2 > DROPS_G_M2,
      skin: driesGM2 > SKIN_G_M2,
    },
  }
}
