/**
 * When a pot must come off: enough has boiled off, it was held long enough, what the pan still gives back ends it where
 * it is meant to end, or grains are near. What is left of each, for the screen.
 */
import { STANDARD } from '../base/parameters'
import type { Reading } from './notice'
import type { Range } from './pot'

/** What is asked of the pot (`plan/watch.ts`). */
export interface CallPlan {
  doneC: number
  grainyC: number | null
  holdS: number
  boils: boolean
  biasK: number
  stopG: number | null
}
/** What is known of it; seconds count from its being put on. */
export interface PotNow {
  nowS: number
  /** As the probe showed it, in order. */
  probe: readonly Reading[]
  /** What the scale showed of pan and mix, in order. */
  pan: readonly { atS: number, shownG: number }[]
  /** Of the mix, °C; null: no reading yet. */
  mixC: number | null
  /** Seconds from now until it should come off so that carry-over ends it; null: not known. */
  off: Range | null
}
export interface Call {
  isCalled: boolean
  /** What of the hold is left, s; null: it is not there yet. */
  holdLeftS: number | null
  /** To boil off, g, and how long that takes at the pace of the last two minutes, s; null: not known. */
  leftG: number | null
  leftS: number | null
  /** What is still to come once it is off, K. */
  carryK: number
}

/** So near its target the probe says it is there, K; so near grains it comes off whatever else, K (judgement). */
const THERE_K = 0.2
const GRAINS_K = 1
/** A call a second early is no call missed, s. */
const EARLY_S = 1
/** The pace of a boil is that of the last so many seconds, told from so many on; less than this is none, g/s. */
const PACE = { overS: 120, leastS: 45, leastGS: 0.02 }

/**
 * Seconds of the hold that are left: a degree above the target counts for more, by the z-value of the egg's setting; a
 * boil by the clock.
 */
function holdLeft({ doneC, holdS, boils, biasK }: CallPlan, probe: readonly Reading[], nowS: number): number | null {
  const shownC = doneC + biasK
  const from = probe.findIndex(r => r.tempC >= shownC - THERE_K)
  if (from < 0) return null
  const perS = (c: number) => (boils ? 1 : 10 ** ((c - shownC) / STANDARD.egg.settingZK))
  const held = probe.slice(from)
  const ends = [...held.slice(1).map(r => r.atS), Math.max(nowS, held.at(-1)!.atS)]
  return holdS - held.reduce((s, r, i) => s + (ends[i]! - r.atS) * perS(r.tempC), 0)
}
/** Grams a second that left the pan lately; null: not known, or none. */
function paceOf(pan: PotNow['pan'], nowS: number): number | null {
  const late = pan.filter(x => x.atS >= nowS - PACE.overS)
  const [first, last] = [late[0], late.at(-1)]
  if (!first || !last || last.atS - first.atS < PACE.leastS) return null
  const pace = (first.shownG - last.shownG) / (last.atS - first.atS)
  return pace > PACE.leastGS ? pace : null
}

/**
 * Whether the pot must come off, and what is left until then.
 * @example callOf(watchOf(worked, {}), { nowS: 0, probe: [], pan: [], mixC: null, off: null }).isCalled // false
 */
export function callOf(plan: CallPlan, { nowS, probe, pan, mixC, off }: PotNow): Call {
  const holdLeftS = holdLeft(plan, probe, nowS)
  const shownG = pan.at(-1)?.shownG ?? null
  const leftG = plan.stopG === null || shownG === null ? null : shownG - plan.stopG
  const pace = paceOf(pan, nowS)
  const nearGrains = plan.grainyC !== null && mixC !== null && mixC > plan.grainyC - GRAINS_K
  const isDone = plan.stopG !== null ? leftG !== null && leftG <= 0
    : plan.holdS > 0 || plan.boils ? holdLeftS !== null && holdLeftS <= 0
      : off !== null && off.value <= EARLY_S
  return {
    isCalled: mixC !== null && (isDone || nearGrains),
    holdLeftS,
    leftG,
    leftS: leftG === null || pace === null ? null : Math.max(0, leftG / pace),
    carryK: mixC === null || plan.boils ? 0 : Math.max(0, plan.doneC - mixC),
  }
}
