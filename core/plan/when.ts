/**
 * When a piece may be covered, taken from its mould, cut and served, as ranges: a quick and a slow end beside the
 * likely
 * time. The ends take the convection 1.28 σ (30 %) either way and the time constants of setting 1.5 times either way
 * (four batches in five lie between, as far as those spreads are right).
 */
import type { Bench } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { FIRM_MEAN_C, thawedAt } from '../physics/chill/freezing'
import { CUTS, neededPa } from '../physics/set/bands'
import { type MechanismKey, MECHANISMS } from '../physics/set/firmness'
import { settingAlong, stressAt } from '../physics/set/setting'
import { SET_SHARE } from '../physics/set/state'
import { timeAbove, timeBelow, valueAt } from '../physics/thermal/conduction'
import type { Worked } from '../pipeline/assess'
import type { Assessment } from '../pipeline/assessment'
import { chillStep, type Cooling, FULL_SET_S, HC_LN_SIGMA } from '../pipeline/chill'
import { COVER_FROM_C } from './picture'

const END_SIGMA = 1.28
const PACE = 1.5
/** Share of a day's strength at which it is at its best (judgement). */
const BEST_SHARE = 0.95

export type WhenWhat = 'cover' | 'unmould' | 'thawed' | 'cut' | 'serve' | 'best'
/** What decides: steam, ice, the code, the strength the use asks for, or the slowest of what sets it. */
export type Decides = 'steam' | 'ice' | 'thaw' | 'strength' | 'setting'
/** Seconds after pouring; null: not within a day (or not in this plan). */
export interface WhenRow {
  what: WhenWhat
  quickS: number | null
  likelyS: number | null
  slowS: number | null
  decides: Decides
  mechanism: MechanismKey | null
}

interface Course {
  timeS: number[]
  coreC: number[]
  meanC: number[]
  stress: number[]
  full: number
}
const firstAbove = (c: Course, level: number) => timeAbove(c.timeS, c.stress, level)

/** Rows for a plan; what does not apply is left out. */
export function whenOf(w: Worked, doc: Bench, kitchen: Kitchen): WhenRow[] {
  const { input: chill } = w.chilled
  const { inputs, start, target } = w.settled
  const { a, b } = w.settled.end
  const course = (end: -1 | 0 | 1): Course => {
    const run: Cooling = chillStep(doc, kitchen, chill, { hcFactor: Math.exp(-end * END_SIGMA * HC_LN_SIGMA) })
    // Slower time constants are the same history lived through faster.
    const settings = settingAlong(
      run.timeS.map(t => t / PACE ** end),
      run.coreC,
      inputs,
      start,
    )
    const stress = run.timeS.map((_, i) => stressAt(w.heated.body, settings[i]!, run.coreC[i]!, a, b))
    return {
      timeS: run.timeS,
      coreC: run.coreC,
      meanC: run.meanC,
      stress,
      full: valueAt(run.timeS, stress, FULL_SET_S),
    }
  }
  const ends = [course(-1), course(0), course(1)] as const
  const found = w.assessment
  const carrier = mainMechanism(found)
  const row = (
    what: WhenWhat,
    decides: Decides,
    at: (c: Course) => number | null,
    mechanism: MechanismKey | null = null,
  ): WhenRow => {
    const [quickS, likelyS, slowS] = ends.map(at) as [number | null, number | null, number | null]
    return { what, quickS, likelyS, slowS, decides, mechanism }
  }
  const later = (...times: (number | null)[]) =>
    times.some(t => t === null) ? null : Math.max(...(times as number[]))
  const set = (c: Course) => firstAbove(c, SET_SHARE * c.full)
  const strong = (pa: number) => (c: Course) => firstAbove(c, pa)
  const middle = ends[1]
  const { freeze } = found.chill
  const frozen = freeze !== null && freeze.firmS !== null
  const thawed = (c: Course) => (frozen ? thawedAt(c.timeS, c.meanC) : 0)
  const out: WhenRow[] = [row('cover', 'steam', c => timeBelow(c.timeS, c.coreC, COVER_FROM_C))]
  const { kind } = doc.use
  const moulded = kind === 'turnedOut' || kind === 'cut'
  const cuts = neededPa(found.shape.pieceHeightM, found.shape.density, CUTS)
  const ready = (c: Course) => later(set(c), strong(target.coldMinPa)(c))
  const decides = (pa: number): Decides =>
    (strong(pa)(middle) ?? Infinity) > (set(middle) ?? Infinity) ? 'strength' : 'setting'
  if (frozen)
    out.push(
      row('unmould', 'ice', c => timeBelow(c.timeS, c.meanC, FIRM_MEAN_C)),
      row('thawed', 'thaw', thawed),
    )
  else if (moulded) out.push(row('unmould', decides(cuts), c => later(set(c), strong(cuts)(c)), carrier))
  if (kind === 'cut')
    out.push(row('cut', frozen ? 'thaw' : decides(target.coldMinPa), c => later(ready(c), thawed(c)), carrier))
  out.push(row('serve', frozen ? 'thaw' : decides(target.coldMinPa), c => later(ready(c), thawed(c)), carrier))
  out.push(
    row(
      'best',
      frozen ? 'thaw' : 'setting',
      c => later(firstAbove(c, BEST_SHARE * c.full), thawed(c), ready(c)),
      carrier,
    ),
  )
  return out
}

/**
 * The mechanism that carries most of the cold set.
 * @example mainMechanism(assessment) // 'eggPa'
 */
export const mainMechanism = (a: Assessment): MechanismKey =>
  MECHANISMS.reduce((x, y) => (a.verdict.cold.mechanismsPa[y] > a.verdict.cold.mechanismsPa[x] ? y : x))
