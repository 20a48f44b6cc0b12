/** A batch as a fridge meets it: its heat, how hot it comes, how fast it gives it. */
import type { Bench } from '../formula/bench'
import { placeOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { timeBelow } from '../physics/thermal/conduction'
import { fractionsOf, thermalProperties } from '../physics/thermal/properties'
import { work } from '../pipeline/assess'
import { placed } from '../pipeline/stack'
import { READ_C, type Warm } from './coldLoad'
import type { StepInput } from './read'

/** Temperatures closer than this to the air tell no time constant, K. */
const LEAST_K = 1

/**
 * A batch as a fridge meets it; null: it goes in cold, or never gets there.
 * @example warmOf(doc, kitchen).fromC > 30 // true
 */
export function warmOf(bench: Bench, kitchen: Kitchen): Warm | null {
  const b = placed(bench, kitchen)
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

/** What was cooked goes in to chill or to set; a pastry that rests brings no heat. */
const INTO_COLD: readonly string[] = ['chill', 'build:chill', 'build:set']
/**
 * Steps with the heat that the first in the cold brings along.
 * @example bringsHeat([], doc, kitchen) // []
 */
export function bringsHeat(steps: readonly StepInput[], b: Bench, kitchen: Kitchen): StepInput[] {
  const first = steps.find(s => (s.uses ?? []).length > 0 && INTO_COLD.includes(s.name.split(' · ')[0]!))
  return steps.map(s => (s === first ? { ...s, warm: warmOf(b, kitchen) } : s))
}
