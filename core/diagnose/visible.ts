/**
 * What a record shows of deviations from the plan itself: lines that nobody ticked or that are on it twice, where the
 * heat was stopped, how much was boiled off, when it was opened. How likely each is where nothing went wrong, and where
 * something did.
 */
import { type BatchRecord, eventsOf, seriesOf } from '../book/record'
import { heatsInPan, meansBoil } from '../physics/heat/pot'
import { addedSugarG, reductionG } from '../physics/heat/reduction'
import { benchOf, fillingOf } from '../formula/bench'
import { given } from '../formula/document'
import { mixPlanOf } from '../pipeline/mixPlan'
import { shownByLine, steamWeighed, stoppedAtC } from '../learn/asMade'

/** ln of what went in over what was planned; unticked, written down twice; null: by spoon, or nothing written down. */
export type LineSeen = number | 'unticked' | 'twice' | null

/** A deviation in figures; what was not written down is null. */
export interface Visible {
  lines: Map<string, LineSeen>
  /** The hold as shown over the target, K. */
  stoppedOverK: number | null
  /** Boiled off under what the rule asks, g. */
  underG: number | null
  /** Time in the cold under what was planned, s, and how long that was. */
  earlyS: number | null
  plannedS: number
  /** Its middle as it was opened, °C. */
  openedC: number | null
}

/** @example visibleIn({ ...record, events: [], readings: [] }).earlyS // null */
export function visibleIn(r: BatchRecord): Visible {
  const b = benchOf(r, r.componentId)
  const shown = shownByLine(r)
  const added = eventsOf(r.events, 'added')
  const lines = fillingOf(b).lines.map((l): [string, LineSeen] => {
    if (shown.size === 0) return [l.id, null]
    if (!shown.has(l.id)) return [l.id, 'unticked']
    if (added.filter(e => e.lineId === l.id).length > 1) return [l.id, 'twice']
    const g = shown.get(l.id)
    return [l.id, g != null && l.massG > 0 ? Math.log(Math.max(0.1, g) / l.massG) : null]
  })
  const stoppedC = stoppedAtC(r)
  const boils = meansBoil(b.heat.targetTempC, r.kitchen.altitudeM)
  const { cooked } = mixPlanOf(b, r.kitchen)
  const steamG = steamWeighed(r)
  const plannedS = given(b.serve.chilledS) ?? b.chill.reduce((s, l) => s + l.timeS, 0)
  const moved = eventsOf(r.events, 'movedTo')[0]?.atS
  const opened = eventsOf(r.events, 'opened')[0]?.atS
  const outcome = eventsOf(r.events, 'outcome').at(-1)?.outcome
  const core = seriesOf({ readings: r.readings.filter(s => s.deviceId === 'logger') }, 'core')
  return {
    lines: new Map(lines),
    stoppedOverK: heatsInPan(b.heat.method) && !boils && stoppedC !== null ? stoppedC - b.heat.targetTempC : null,
    underG: b.heat.until === 'creamVolume' && steamG !== null ? reductionG(addedSugarG(cooked)) - steamG : null,
    earlyS: moved !== undefined && opened !== undefined ? plannedS - (opened - moved) : null,
    plannedS,
    openedC: outcome?.coreC ?? core?.values.findLast(v => v !== null) ?? null,
  }
}

const normal = (x: number, sigma: number) => -0.5 * (x / sigma) ** 2 - Math.log(sigma)
/** Seldom: something is written down that did not happen so, or the other way round. */
const SELDOM = Math.log(0.02)

/** What goes with a record where nothing was done otherwise, as logarithms of how likely, by what would tell it. */
export const USUAL = {
  line: (seen: LineSeen, isEgg: boolean): number =>
    typeof seen === 'number' ? Math.max(2 * SELDOM, normal(seen, isEgg ? 0.06 : 0.03)) : seen === null ? 0 : SELDOM,
  stopped: (overK: number | null) => (overK === null ? 0 : Math.max(-8, normal(overK - 0.7, 1.1))),
  reduced: (underG: number | null) => (underG === null ? 0 : Math.max(-20, normal(underG + 2, 5))),
  cold: (earlyS: number | null, plannedS: number) =>
    earlyS === null ? 0 : Math.max(-20, normal(earlyS / plannedS, 0.04)),
} as const
/** A middle this warm was opened too soon, °C. */
const WARM_C = 11
/** The same where it was: what a mistake of any size is spread over. */
export const MISTAKEN = {
  forgotten: (seen: LineSeen) => (seen === 'unticked' ? Math.log(0.8) : seen === null ? Math.log(0.5) : SELDOM),
  doubled: (seen: LineSeen) =>
    seen === 'twice' ? Math.log(0.8)
      : typeof seen === 'number' ? Math.max(2 * SELDOM, normal(seen - Math.LN2, 0.05)) : seen === null ? Math.log(0.5) : SELDOM,
  stopped: (overK: number | null) => (overK === null ? 0 : normal(overK - 0.7, 6)),
  reduced: (underG: number | null) => (underG === null ? 0 : normal(underG, 40)),
  /** So much too short as a share, none longer. */
  cold: (earlyS: number | null, plannedS: number) =>
    earlyS === null ? 0 : earlyS / plannedS < 0.08 ? -20 : Math.log(1 / 0.9),
  /** Warm in its middle: at about 18 °C as a rule; what was merely too short in the cold may be anything. */
  opened: (openedC: number | null) => (openedC === null ? Math.log(0.02) : openedC < WARM_C ? -20
    : Math.log(0.7 * (Math.exp(normal(openedC - 18, 2.5)) / Math.sqrt(2 * Math.PI)) + 0.3 / 24)),
  openedCold: (openedC: number | null) =>
    Math.log(openedC === null ? 0.02 : openedC < WARM_C ? 0.6 / 8 : 0.4 / 39),
} as const
