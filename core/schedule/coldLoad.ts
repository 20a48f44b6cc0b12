/**
 * A fridge with what a day puts into it: each batch a body that gives its heat with its own time constant, all into one
 * air (`airNode`):  dT_i/dt = −(T_i − T_air)/τ_i,  Q = Σ C_i·(T_i − T_air)/τ_i.  A second hot tub warms the air, and so
 * slows the first. The time constant comes from the batch's own conduction: from its start to 8 °C in its own fridge.
 */
import { type Bench, benchOf, type Planned } from '../formula/bench'
import { placeOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { airAfter, type ColdPlace } from '../physics/chill/load'
import { timeBelow } from '../physics/thermal/conduction'
import { fractionsOf, thermalProperties } from '../physics/thermal/properties'
import { together } from '../physics/thermal/airNode'
import { work } from '../pipeline/assess'
import { placed } from '../pipeline/stack'
import { forCovers } from '../plan/covers'

/** A batch as a fridge meets it. */
export interface Warm { heatJPerK: number, fromC: number, tauS: number }
/** Cooled to here, °C, is where the time constant is read. */
const READ_C = 8
/** Temperatures closer than this to the air tell no time constant, K. */
const LEAST_K = 1

/**
 * A formula for so many as a fridge meets it; null: it goes in cold, or never gets there.
 * @example warmOf(planned, kitchen, null).fromC > 30 // true
 */
export function warmOf(planned: Planned, kitchen: Kitchen, count: number | null): Warm | null {
  const b: Bench = placed(forCovers(benchOf(planned), kitchen, count), kitchen)
  const w = work(b, kitchen)
  const { timeS, meanC, legs } = w.assessment.chill
  const i = b.chill.findIndex(l => !['bench', 'iceBath'].includes(placeOf(l, kitchen).kind))
  const leg = legs[i]
  if (!leg) return null
  const at = timeS.findIndex(t => t >= leg.fromS)
  const fromC = meanC[at] ?? 0
  const air = leg.airTempC
  const reached = timeBelow(timeS, meanC, READ_C)
  if (fromC - air < LEAST_K || READ_C - air < LEAST_K || reached === null || reached <= leg.fromS) return null
  const { cp } = thermalProperties(fractionsOf(w.heated.finished), (fromC + air) / 2)
  return {
    heatJPerK: (w.assessment.shape.batchG / 1000) * cp,
    fromC,
    tauS: (reached - leg.fromS) / Math.log((fromC - air) / (READ_C - air)),
  }
}

/** A batch that goes into the fridge at a minute, and leaves it at another. */
export interface Going extends Warm { key: string, fromMin: number, toMin: number }
export interface ColdCourse {
  /** Minutes as the batches have them. */
  timeMin: number[]
  /** Heat given to the fridge, W, and its air, °C. */
  watts: number[]
  airC: number[]
  /** Minutes that company costs each on its way to 8 °C; null: it does not get there in its time. */
  slower: Map<string, number | null>
}
const STEP_MIN = 2

/** Courses of all batches in one fridge. */
function run(place: ColdPlace, going: readonly Going[]): Omit<ColdCourse, 'slower'> & { reached: Map<string, number> } {
  const fromMin = Math.min(...going.map(g => g.fromMin))
  const toMin = Math.max(...going.map(g => g.toMin))
  const temps = new Map(going.map(g => [g.key, g.fromC]))
  const out = {
    timeMin: [] as number[], watts: [] as number[], airC: [] as number[], reached: new Map<string, number>(),
  }
  let air = place.dialC
  for (let t = fromMin; t <= toMin; t += STEP_MIN) {
    const here = going.filter(g => g.fromMin <= t && t < g.toMin)
    const loads = here.map(g => ({ wPerK: g.heatJPerK / g.tauS, tempC: temps.get(g.key)! }))
    out.timeMin.push(t)
    out.watts.push(loads.reduce((s, l) => s + l.wPerK * (l.tempC - air), 0))
    out.airC.push(air)
    for (const g of here) {
      const c = temps.get(g.key)!
      temps.set(g.key, air + (c - air) * Math.exp((-60 * STEP_MIN) / g.tauS))
      if (c > READ_C && temps.get(g.key)! <= READ_C) out.reached.set(g.key, t + STEP_MIN - g.fromMin)
    }
    air = airAfter(air, place, loads.length > 0 ? together(loads) : { wPerK: 0, tempC: air }, 60 * STEP_MIN)
  }
  return out
}

/**
 * A fridge over a day, and what company costs each batch in it.
 * @example coldCourse({ kind: 'fanFridge', dialC: 3, roomC: 21, opensPerHour: 4 }, []).timeMin // []
 */
export function coldCourse(place: ColdPlace, going: readonly Going[]): ColdCourse {
  if (going.length === 0) return { timeMin: [], watts: [], airC: [], slower: new Map() }
  const { reached, ...course } = run(place, going)
  const slower = new Map(going.map((g) => {
    const [alone, here] = [run(place, [g]).reached.get(g.key), reached.get(g.key)]
    return [g.key, alone === undefined || here === undefined ? null : Math.max(0, here - alone)]
  }))
  return { ...course, slower }
}
