/** The pot as it goes on: a filter that every reading steers. One pot a worker; who asks keeps the order. */
import { expose } from 'comlink'
import { type BatchRecord, eventsOf, seriesOf } from '#core/book/record'
import type { Supposed } from '#core/diagnose/weigh'
import { type Bench, benchOf } from '#core/formula/bench'
import type { Kitchen } from '#core/kitchen/kitchen'
import type { Noticed, Reading } from '#core/live/notice'
import { type LivePot, observe, outlook, type Range, startLive } from '#core/live/pot'
import { coldPaces } from '#core/live/paces'
import { stagesOf } from '#core/learn/seen'
import type { History } from '#core/physics/heat/dose'
import { heatsInPan } from '#core/physics/heat/pot'
import { work } from '#core/pipeline/assess'
import { placed } from '#core/pipeline/stack'
import { type Watch, watchOf } from '#core/plan/watch'

/** What is to be expected after a reading; seconds count from it. */
export interface PotOutlook {
  atS: number
  tempC: Range
  /** Heat over what is stated. */
  heat: Range
  coats: Range | null
  done: Range | null
  grainy: Range | null
  off: Range | null
  notices: readonly Noticed[]
}

let watch: Watch | null = null
let live: LivePot | null = null

function ahead(): PotOutlook | null {
  if (!watch || !live) return null
  const { coatsC, doneC, grainyC } = watch
  const first = coatsC !== null && coatsC < doneC ? [coatsC] : []
  const to = outlook(live, [...first, doneC])
  const far = grainyC === null ? null : outlook(live, [grainyC]).left[0]!
  return {
    atS: live.timeS, tempC: to.tempC, heat: to.heat, coats: first.length > 0 ? to.left[0]! : null,
    done: to.left.at(-1)!, grainy: far, off: to.offS, notices: live.notices,
  }
}

/** What to watch for, the probe read as it errs. @param biasK where it was held against ice or boil */
function watchFor(bench: Bench, kitchen: Kitchen, biasK: number | null): Watch {
  const learned = { ...kitchen.learned, ...(biasK === null ? {} : { probeBiasK: biasK }) }
  return watchOf(work(placed(bench, kitchen), kitchen), learned)
}

/** When a batch's pot will be done, s from the batch's start, by all its probe has shown; null: it is not on. */
function doneS(record: BatchRecord, biasK: number | null): number | null {
  const { events, kitchen } = record
  const on = eventsOf(events, 'heatOn').at(-1)
  const isOff = eventsOf(events, 'heatOff').some(e => on && e.atS > on.atS)
  const shown = seriesOf(record, 'pot')
  if (!on || isOff || !shown) return null
  const own = watchFor(benchOf(record, record.componentId), kitchen, biasK)
  if (!own.pot) return null
  let pot = startLive(own.pot)
  for (const [i, atS] of shown.timeS.entries()) {
    const tempC = shown.values[i]
    if (tempC != null && atS > on.atS) pot = observe(pot, { atS: atS - on.atS, tempC: tempC - own.biasK })
  }
  const to = outlook(pot, [own.doneC])
  const left = to.left[0] ?? to.offS
  return left ? on.atS + pot.timeS + left.value + own.holdS : null
}

/** How a batch goes where something is supposed: the pot from its being put on, the middle from the cold's start. */
export interface Courses {
  pot: History | null
  cold: History
}
function coursesOf(record: BatchRecord, { theta, went }: Pick<Supposed, 'theta' | 'went'>): Courses {
  const { pot, chilled, bench } = stagesOf(record, theta, { unticked: 'in', ...went })
  const { timeS, coreC } = chilled.run
  return { pot: heatsInPan(bench.heat.method) ? pot.run.history : null, cold: { timeS, tempC: coreC } }
}

const api = {
  doneS,
  coldPaces,
  /** As it was planned, then as it would have gone had each been so. */
  courses: (record: BatchRecord, all: Pick<Supposed, 'theta' | 'went'>[]) => [
    coursesOf({ ...record, events: [], readings: [] }, { theta: {}, went: {} }), ...all.map(s => coursesOf(record, s)),
  ],
  /** Begins with a plan. @param biasK of the probe, where it was held against ice or boil */
  begin(bench: Bench, kitchen: Kitchen, biasK: number | null): Watch {
    watch = watchFor(bench, kitchen, biasK)
    live = watch.pot && startLive(watch.pot)
    return watch
  },
  /** Puts the pot on anew. */
  reset(): void {
    live = watch?.pot ? startLive(watch.pot) : null
  },
  /** Readings of the probe as it shows them, since the heat went on. */
  read(readings: readonly Reading[]): PotOutlook | null {
    for (const { atS, tempC } of readings)
      if (live && watch) live = observe(live, { atS, tempC: tempC - watch.biasK })
    return ahead()
  },
}
export type PotApi = typeof api
expose(api)
