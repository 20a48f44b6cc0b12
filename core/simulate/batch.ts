/**
 * A whole batch in the simulated kitchen: put in, heated, joined, poured, baked, cooled, opened, tried. Prints the
 * record that kitchen would have kept, and never its truth.
 */
import { noiseOf } from '../base/noise'
import { setName, STANDARD } from '../base/parameters'
import { BATCH_FORMAT, BATCH_VERSION, type BatchRecord, type Device } from '../book/record'
import { benchOf, type Bench, fillingOf, type Planned } from '../formula/bench'
import { strengthOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { pHOfMix } from '../physics/matter/acidity'
import { brix, mix, toParts } from '../physics/matter/mix'
import { ENGINE_VERSION } from '../pipeline/assessment'
import { mixPlanOf } from '../pipeline/mixPlan'
import { brixShows, pHShows, scaleShows } from '../plant/instruments'
import { drawTruths, type SaidTruth, type Truths } from '../plant/truth'
import { cameOf, type Day } from './day'
import type { SetTruth } from './found'
import { happen, type Log, startLog } from './log'
import { type PutIn, putAll, trueBench } from './made'

export const DEVICES: Device[] = [
  { id: 'probe', kind: 'probe', name: 'Probe' },
  { id: 'scale', kind: 'scale', name: 'Scale' },
  { id: 'pHMeter', kind: 'pHMeter', name: 'pH meter' },
  { id: 'refractometer', kind: 'refractometer', name: 'Refractometer' },
  { id: 'logger', kind: 'logger', name: 'Fridge logger' },
]
/** A cook takes so long over a line, s. */
const LINE_S = 25
/** From these grams on a juice is measured before it goes in. */
const MEASURED_G = 20

/** Lines one after another, with a meter in the juices. */
function putDown(all: readonly PutIn[], b: Bench, kitchen: Kitchen, truths: Truths, log: Log): void {
  const scale = truths('scaleFactor')
  for (const { line, trueG, times, byScale } of all) {
    log.nowS += LINE_S
    const [one] = toParts([line], l => strengthOf(l, kitchen))
    if (one!.row.group === 'juice' && trueG >= MEASURED_G) {
      const juice = mix([{ ...one!, massG: trueG }])
      happen(log, { kind: 'measured', what: 'pH', lineId: line.id, value: pHShows(pHOfMix(juice), 0, log.noise) })
      happen(log, { kind: 'measured', what: 'brix', lineId: line.id, value: brixShows(brix(juice), log.noise) })
    }
    for (let i = 0; i < times; i++)
      happen(log, { kind: 'added', lineId: line.id, shownG: byScale ? scaleShows(scale, trueG / times, log.noise) : null })
  }
}

export interface SimulatedBatch {
  planned: Planned
  kitchen: Kitchen
  said: SaidTruth
  kitchenSeed: number
  seed: number
  startedAt: string
}

/**
 * The record of a batch as a kitchen with such truths would have kept it.
 * @throws {InputError} naming the field, for a formula that cannot be made
 */
export const simulateBatch = (s: SimulatedBatch): BatchRecord => runBatch(s).record

/** Everything put in, with a meter in it. */
function begin(s: SimulatedBatch): Day {
  const { planned, kitchen, said, seed } = s
  const truths = drawTruths(said, s.kitchenSeed, seed)
  const log = startLog(noiseOf(seed * 7919 + 13))
  const stated = benchOf(planned)
  happen(log, { kind: 'started' })
  const all = putAll(stated, truths, said.mistake, log.noise)
  const b = trueBench(stated, kitchen, all, truths, said.mistake)
  const plan = mixPlanOf(b, kitchen)
  putDown(all.map((x, i) => ({ ...x, line: fillingOf(b).lines[i]! })), b, kitchen, truths, log)
  const whole = mix(plan.all)
  const value = pHShows(pHOfMix(mix(plan.cooked)), 0, log.noise)
  happen(log, { kind: 'measured', what: 'pH', lineId: null, value })
  return { b, kitchen, plan, whole, pH: pHOfMix(whole), truths, mistake: said.mistake, log }
}

/** The same with what is true of its set, for those who hold one against the other. */
export function runBatch(s: SimulatedBatch): { record: BatchRecord, truth: SetTruth } {
  const day = begin(s)
  const { b, log } = day
  const { truth, outcome } = cameOf(day)!
  log.nowS += 120
  happen(log, { kind: 'outcome', outcome })
  const record: BatchRecord = {
    format: BATCH_FORMAT,
    version: BATCH_VERSION,
    id: `simulated-${s.seed}`,
    componentId: b.componentId,
    ...s.planned,
    kitchen: s.kitchen,
    parameters: { engine: ENGINE_VERSION, set: setName(STANDARD), changed: {} },
    startedAt: s.startedAt,
    simulated: true,
    devices: DEVICES,
    events: log.events,
    readings: log.readings,
  }
  return { record, truth }
}
