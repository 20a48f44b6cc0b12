/**
 * A batch as it was made, laid out for the pipeline: the weights its scale showed, the times its events have, and what
 * is supposed of the kitchen.
 */
import { type Parameters, parametersWith } from '../base/parameters'
import { findIngredient } from '../base/ingredients/ingredients'
import { type BatchRecord, eventsOf, seriesOf } from '../book/record'
import { benchOf, type Bench, fillingOf } from '../formula/bench'
import type { ChillLeg, Line } from '../formula/document'
import { sharpened } from '../formula/sharpened'
import type { Kitchen } from '../kitchen/kitchen'
import { SPOON_ML } from '../plant/truth'
import { addedSugarG, reductionG } from '../physics/heat/reduction'
import { stopsAtC, supposedBench, supposedKitchen, supposedParameters } from '../pipeline/learned'
import { mixPlanOf } from '../pipeline/mixPlan'
import { type Theta, thetaOf } from '../kitchen/spreads'

export interface AsMade {
  bench: Bench
  kitchen: Kitchen
  parameters: Parameters
}

/** What is supposed to have gone otherwise than written; what is not named went as the record has it. */
export interface Went {
  forgotten?: string
  doubled?: string
  spoon?: { lineId: string, ml: number }
  bloom?: number
  /** Where no reading says it: stopped so far over the target, K; too little boiled off, g; share of the cold. */
  missedK?: number
  underG?: number
  coldShare?: number
  /** Lines that nobody ticked: not in the bowl, or only not written down. */
  unticked?: 'missing' | 'in'
}
const groupOf = (l: Line) => findIngredient(l.ingredientId)?.group

/** What went in of each line, g as the scale showed it; null: not by the scale. */
export function shownByLine(record: BatchRecord): Map<string, number | null> {
  const out = new Map<string, number | null>()
  for (const e of eventsOf(record.events, 'added')) {
    const before = out.get(e.lineId)
    out.set(e.lineId, e.shownG === null ? null : (before ?? 0) + e.shownG)
  }
  return out
}

/** A line as it went in, and as sharp as is supposed of its juice. */
function lineAsMade(line: Line, shownG: number | null | undefined, kitchen: Kitchen, t: Theta): Line {
  const isEgg = groupOf(line) === 'egg'
  const massG = shownG == null
    ? line.massG * (isEgg ? thetaOf(t, 'yolkMassFactor') : 1)
    : shownG / thetaOf(t, 'scaleFactor')
  const factor = thetaOf(t, 'juiceAcidFactor')
  if (groupOf(line) !== 'juice' || factor === 1) return { ...line, massG }
  return { ...line, massG, strength: sharpened(line, kitchen, factor) }
}

/** What the probe showed over the hold, °C: what the cook really stopped at; null: nobody read it. */
export function stoppedAtC(record: BatchRecord): number | null {
  const offS = eventsOf(record.events, 'heatOff')[0]?.atS
  const pot = seriesOf(record, 'pot')
  if (offS === undefined || !pot) return null
  const { holdS } = benchOf(record, record.componentId).heat
  const fromS = offS - Math.max(15, holdS)
  const shown = pot.values.filter((v, i): v is number => v !== null && pot.timeS[i]! >= fromS && pot.timeS[i]! <= offS)
  return shown.length > 1 ? shown.reduce((a, b) => a + b, 0) / shown.length : null
}

/** What left the pan as steam, g by its scale, where all that went in and the pan were weighed; else null. */
export function steamWeighed(record: BatchRecord): number | null {
  const pan = eventsOf(record.events, 'panWeighed')[0]
  const shown = shownByLine(record)
  const filling = fillingOf(benchOf(record, record.componentId))
  const later = new Set(filling.steps.flatMap(s => (s.kind === 'stirIn' || s.kind === 'foldIn' ? s.lineIds : [])))
  const inPot = filling.lines.filter(l => !later.has(l.id) && shown.has(l.id))
  if (!pan || inPot.length === 0 || inPot.some(l => shown.get(l.id) === null)) return null
  return inPot.reduce((s, l) => s + shown.get(l.id)!, 0) - (pan.shownG - pan.tareG)
}

/** Grams of a line where something is supposed of it. */
function supposed(
  line: Line, shownG: number | null | undefined, isTicked: boolean, went: Went,
): Line & { byScale: number | null } {
  const plain = { ...line, byScale: shownG ?? null }
  if (went.forgotten === line.id) return { ...plain, massG: 0, byScale: 0 }
  if (went.doubled === line.id && shownG == null) return { ...plain, massG: 2 * line.massG }
  if (went.spoon?.lineId === line.id && shownG == null)
    return { ...plain, massG: (line.massG * went.spoon.ml) / SPOON_ML }
  if (!isTicked && went.unticked !== 'in') return { ...plain, massG: 0, byScale: 0 }
  return plain
}

/** Steam by the scale; else what the rule asks less what was left in, where that is supposed; else as it comes. */
function steamOf(b: Bench, kitchen: Kitchen, weighedG: number | null, { underG }: Went): Bench['heat']['evaporationG'] {
  if (weighedG !== null) return { given: Math.max(0, weighedG) }
  if (underG === undefined) return b.heat.evaporationG
  return { given: Math.max(0, reductionG(addedSugarG(mixPlanOf(b, kitchen).cooked)) - underG) }
}

/** The cold shorter by a share, from its end. */
function shortened(legs: readonly ChillLeg[], { coldShare = 1 }: Went): ChillLeg[] {
  const total = coldShare * legs.reduce((s, l) => s + l.timeS, 0)
  let fromS = 0
  return legs.flatMap((leg) => {
    const timeS = Math.min(leg.timeS, total - fromS)
    fromS += leg.timeS
    return timeS > 0 ? [{ ...leg, timeS }] : []
  })
}

/** Legs of the cold as they were: from each move to the next, the last until it was opened. */
function legsAsMade(record: BatchRecord, planned: readonly ChillLeg[]): ChillLeg[] {
  const moves = eventsOf(record.events, 'movedTo')
  const openedS = eventsOf(record.events, 'opened')[0]?.atS
  if (moves.length === 0 || openedS === undefined) return [...planned]
  return moves.flatMap((move, i) => {
    const leg = planned.find(l => l.id === move.legId)
    const endS = moves[i + 1]?.atS ?? openedS
    return leg ? [{ ...leg, timeS: Math.max(60, endS - move.atS) }] : []
  })
}

/**
 * What was made, in a kitchen of which this is supposed.
 * @example asMade(record, {}).bench.chill.length // 2
 */
export function asMade(record: BatchRecord, t: Theta, went: Went = {}): AsMade {
  const planned = benchOf(record, record.componentId)
  const shown = shownByLine(record)
  const wasWeighed = shown.size > 0
  const { heat } = planned
  const stoppedC = stoppedAtC(record) ?? heat.targetTempC + (went.missedK ?? 0)
  const steamG = steamWeighed(record)
  const supposedPlan = supposedBench({ ...planned, chill: legsAsMade(record, shortened(planned.chill, went)) }, t)
  const bench: Bench = {
    ...supposedPlan,
    set: went.bloom === undefined ? planned.set : { ...planned.set, bloom: went.bloom },
    heat: {
      ...supposedPlan.heat,
      targetTempC: stopsAtC(planned, record.kitchen, t, heat.method === 'oven' ? heat.targetTempC : stoppedC),
      evaporationG: steamOf(planned, record.kitchen, steamG === null ? null : steamG / thetaOf(t, 'scaleFactor'), went),
    },
    components: planned.components.map(c => c.id !== planned.componentId ? c : {
      ...c,
      lines: c.lines.map((l) => {
        const { byScale, ...line } = supposed(l, shown.get(l.id), !wasWeighed || shown.has(l.id), went)
        return lineAsMade(line, byScale, record.kitchen, t)
      }),
    }),
  }
  const parameters = supposedParameters(parametersWith(record.parameters.changed), planned, record.kitchen, t)
  return { bench, kitchen: supposedKitchen(record.kitchen, t), parameters }
}
