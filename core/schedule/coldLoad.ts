/**
 * A fridge with what a day puts into it: each batch a body that gives its heat with its own time constant, all into one
 * air (`airNode`):  dT_i/dt = −(T_i − T_air)/τ_i,  Q = Σ C_i·(T_i − T_air)/τ_i.  A second hot tub warms the air, and so
 * slows the first. The time constant comes from the batch's own conduction: from its start to 8 °C in its own fridge.
 */
import { airAfter, type ColdPlace } from '../physics/chill/load'
import { together } from '../physics/thermal/airNode'

/** A batch as a fridge meets it. */
export interface Warm { heatJPerK: number, fromC: number, tauS: number }
/** Cooled to here, °C, is where the time constant is read. */
export const READ_C = 8
/** Opened so often an hour while a day is worked (judgement). */
export const OPENS_AT_WORK = 6

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
