/**
 * The simulated kitchen beside a real cook: the same truth behind the instruments, under hands that put on, take off,
 * pour, chill and open when they do. Whatever is asked of it follows from the record, the kitchen's truth and the
 * time, so that it goes on where it was after any interruption.
 */
import { noiseOf } from '../base/noise'
import type { Outcome } from '../book/outcome'
import { type BatchRecord, eventsOf, type Happened, type Series } from '../book/record'
import { benchOf, type Bench, fillingOf } from '../formula/bench'
import { pHOfMix } from '../physics/matter/acidity'
import { mix } from '../physics/matter/mix'
import { mixPlanOf } from '../pipeline/mixPlan'
import { ailing, type Ailment, scaleShows } from '../plant/instruments'
import { drawTruths, type SaidTruth, type Truths } from '../plant/truth'
import { cameOf, type Day, type Hands } from './day'
import { startLog } from './log'
import { asShown, putAll, trueBench } from './made'

/** What stands behind a batch's instruments. */
export interface SimulatedKitchen {
  said: SaidTruth
  kitchenSeed: number
  seed: number
  /** Turns of the knob by whoever demonstrates it, by the batch's clock, s; times what was set first. */
  turns: { atS: number, power: number }[]
  /** What ails the probe; absent: nothing. */
  probe?: Ailment | null
}

type Events = Pick<BatchRecord, 'events'>
const firstOf = ({ events }: Events, kind: Happened['kind']) => eventsOf(events, kind)[0]?.atS ?? null

/** When hands did what, as the record has it. */
function handsOf(record: BatchRecord, nowS: number, turns: SimulatedKitchen['turns']): Hands {
  const heatOnS = firstOf(record, 'heatOn')
  return {
    nowS,
    heatOnS,
    heatOffS: firstOf(record, 'heatOff'),
    ovenInS: firstOf(record, 'ovenIn'),
    ovenOutS: firstOf(record, 'ovenOut'),
    coldS: firstOf(record, 'movedTo'),
    openedS: firstOf(record, 'opened'),
    turns: turns.map(t => ({ ...t, atS: t.atS - (heatOnS ?? 0) })),
  }
}

/** The cold as it went: the places it was moved to, for as long as it stood there. */
function withLegs(b: Bench, { events }: Events, nowS: number): Bench {
  const moves = eventsOf(events, 'movedTo')
  const legs = moves.flatMap((m, i) => {
    const leg = b.chill.find(l => l.id === m.legId)
    return leg ? [{ ...leg, timeS: Math.max(1, (moves[i + 1]?.atS ?? Math.max(nowS, m.atS + 1)) - m.atS) }] : []
  })
  return { ...b, chill: legs.length > 0 ? legs : b.chill }
}

const truthsOf = (k: SimulatedKitchen): Truths => drawTruths(k.said, k.kitchenSeed, k.seed)

/** The day so far. */
function dayOf(record: BatchRecord, k: SimulatedKitchen, nowS: number): Day {
  const truths = truthsOf(k)
  const log = startLog(noiseOf(k.seed * 7919 + 13))
  const stated = benchOf(record, record.componentId)
  const all = asShown(fillingOf(stated).lines, eventsOf(record.events, 'added'), truths)
  const b = withLegs(trueBench(stated, record.kitchen, all, truths, k.said.mistake), record, nowS)
  const plan = mixPlanOf(b, record.kitchen)
  return {
    b, kitchen: record.kitchen, plan, pH: pHOfMix(mix(plan.all)), whole: mix(plan.all), truths,
    mistake: k.said.mistake, log,
  }
}

/** A probe's readings as they come out of it: an ailing one errs, or says nothing. */
function shownBy(s: Series, { probe, seed }: SimulatedKitchen): Series {
  if (!probe || s.deviceId !== 'probe') return s
  const shown = s.timeS.flatMap((t, i) => {
    const [sound, sinceS] = [s.values[i] ?? null, t - s.timeS[0]!]
    const value = sound === null ? null : ailing(probe, sound, sinceS, seed)
    return value === null ? [] : [{ t, value }]
  })
  return { ...s, timeS: shown.map(x => x.t), values: shown.map(x => x.value) }
}

/**
 * What the instruments have written down until now, and what would be found if it were opened now (null: not cold).
 * @param nowS by the batch's clock
 * @throws {InputError} for what cannot be made
 * @example alongside(record, { said: NOTHING_SAID, kitchenSeed: 0, seed: 1, turns: [] }, 0).readings.length // 0
 */
export function alongside(
  record: BatchRecord, k: SimulatedKitchen, nowS: number,
): { readings: Series[], outcome: Outcome | null } {
  const day = dayOf(record, k, nowS)
  const came = cameOf(day, handsOf(record, nowS, k.turns))
  const readings = day.log.readings.map(s => shownBy(s, k)).map((s) => {
    const n = s.timeS.findIndex(t => t > nowS)
    return n < 0 ? s : { ...s, timeS: s.timeS.slice(0, n), values: s.values.slice(0, n) }
  })
  return { readings: readings.filter(s => s.timeS.length > 0), outcome: came?.outcome ?? null }
}

/**
 * What the simulated scale shows of each line as it is put in, g by the line's id.
 * @example scaleWeights(record, { said: NOTHING_SAID, kitchenSeed: 0, seed: 1, turns: [] })[lines[0].id] > 0 // true
 */
export function scaleWeights(record: BatchRecord, k: SimulatedKitchen): Record<string, number> {
  const truths = truthsOf(k)
  const noise = noiseOf(k.seed * 104_729 + 1)
  const all = putAll(benchOf(record, record.componentId), truths, null, noise)
  return Object.fromEntries(all.map(x => [x.line.id, scaleShows(truths('scaleFactor'), x.trueG, noise)]))
}
