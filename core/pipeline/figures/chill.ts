/** What the chill station shows: the cooling and its slow end, the legs, the set along them, and the fridge's load. */
import type { Bench } from '../../formula/bench'
import { placeOf } from '../../formula/document'
import type { Kitchen } from '../../kitchen/kitchen'
import { CAPACITY_W, firstHourW } from '../../physics/chill/load'
import { timeBelow, valueAt } from '../../physics/thermal/conduction'
import { fractionsOf, thermalProperties } from '../../physics/thermal/properties'
import type { Assessment } from '../assessment'
import type { Chilled } from '../chilled'
import type { Heated } from '../heated'
import type { Settled } from '../settled'

/** What the first cold place of a plan must carry off; null where none is named. */
export function loadOf({ run }: Chilled, { shape, finished }: Heated, kitchen: Kitchen): Assessment['chill']['load'] {
  const kindOf = (i: number) => placeOf(run.spans[i]!.leg, kitchen).kind
  const leg = run.spans.findIndex((_, i) => CAPACITY_W[kindOf(i)] !== undefined)
  if (leg < 0) return null
  const { fromS, toS } = run.spans[leg]!
  const { cp } = thermalProperties(fractionsOf(finished), 25)
  const inItG = shape.filledG + (run.spans[leg]!.leg.alongsideG ?? 0)
  return {
    leg,
    watts: firstHourW(inItG, cp, run, fromS, toS),
    capacityW: CAPACITY_W[kindOf(leg)]!,
    warmestC: run.spans[leg]!.warmestC,
  }
}

/** The chill of an assessment. */
export function chillFigures(
  doc: Bench,
  kitchen: Kitchen,
  { run, slow }: Chilled,
  settled: Settled,
  load: Assessment['chill']['load'],
): Assessment['chill'] {
  const below = (tempC: number) => timeBelow(run.timeS, run.coreC, tempC)
  const { stages, slowStages, stressPa, fullPa } = settled
  const last = placeOf(doc.chill.at(-1)!, kitchen)
  return {
    timeS: run.timeS,
    coreC: run.coreC,
    meanC: run.meanC,
    slowCoreC: run.timeS.map(t => valueAt(slow.timeS, slow.coreC, t)),
    // What never sets has no share of it.
    setShare: stressPa.map(x => fullPa > 0 ? Math.min(1, x / fullPa) : 0),
    legs: run.spans.map(({ leg, fromS, toS, warmestC }) => {
      const { airTempC, kind } = placeOf(leg, kitchen)
      return { id: leg.id, fromS, toS, airTempC, warmestC, kind }
    }),
    to21S: below(21),
    to8S: below(8),
    to5S: below(5),
    stages,
    slowStages,
    safe: stages.every(s => s.passes),
    safeSlow: slowStages.every(s => s.passes),
    readyS: settled.readyS,
    coldS: below(last.airTempC + 1),
    servedS: settled.chilledS,
    load,
    freeze: settled.freeze,
  }
}
