/** A cold place as it would cool at several paces of its air: the same conduction, asked with other convection. */
import type { Bench } from '../formula/bench'
import { placeOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { thetaOf } from '../kitchen/spreads'
import { assess } from '../pipeline/assess'
import { valueAt } from '../physics/thermal/conduction'
import { type Pace, pacesByClock } from './course'

/** ln of convection over what is stated (judgement: two σ and more); beyond them courses stay as the last. */
const CONVECTIONS = [-0.9, -0.45, 0, 0.45, 0.9]

/**
 * The middle's courses from the start of a leg of the cold on, the slowest first; on a bench and in an ice bath, where
 * no fan can be weaker than stated, by the clock.
 * @throws {InputError} for what the pipeline cannot run
 * @example coldPaces(doc, kitchen, doc.chill[1].id).length // 5
 */
export function coldPaces(b: Bench, kitchen: Kitchen, legId: string): Pace[] {
  const at = b.chill.findIndex(l => l.id === legId)
  const leg = b.chill[at]!
  const courseOf = (learned: Kitchen['learned']) => {
    const { timeS, coreC, legs } = assess(b, { ...kitchen, learned }).chill
    const { fromS } = legs[at]!
    const first = Math.max(0, timeS.findIndex(t => t >= fromS))
    return { timeS: timeS.slice(first).map(t => t - fromS), tempC: coreC.slice(first) }
  }
  if (['bench', 'iceBath'].includes(placeOf(leg, kitchen).kind)) {
    const { timeS, tempC } = courseOf(kitchen.learned)
    return pacesByClock(timeS, tempC)
  }
  const key = `fridgeConvectionFactor.${leg.placeId ?? ''}`
  const known = thetaOf(kitchen.learned ?? {}, 'fridgeConvectionFactor', leg.placeId ?? '')
  return CONVECTIONS.map(ln => ({ ln, ...courseOf({ ...kitchen.learned, [key]: known * Math.exp(ln) }) }))
}

/** An oven is looked at for so much longer than was foretold, share of its time, in so many steps (judgement). */
const LONGER = 0.75
const LONGER_STEPS = 40
/**
 * The middle's courses in an oven, by the clock: as foretold up to the end of its heat, and on from there towards the
 * oven's air at the pace it had.
 * @param airC of the oven
 * @example ovenPaces({ timeS: [0, 600, 1200], tempC: [20, 60, 80] }, 150).length // 7
 */
export function ovenPaces(heat: { timeS: readonly number[], tempC: readonly number[] }, airC: number): Pace[] {
  const [lastS, lastC] = [heat.timeS.at(-1)!, heat.tempC.at(-1)!]
  const beforeS = 0.9 * lastS
  const slope = (lastC - valueAt(heat.timeS, heat.tempC, beforeS)) / (lastS - beforeS)
  const more = Array.from({ length: LONGER_STEPS }, (_, i) => (LONGER * lastS * (i + 1)) / LONGER_STEPS)
  const on = more.map(s => airC - (airC - lastC) * Math.exp((-s * slope) / Math.max(1, airC - lastC)))
  return pacesByClock([...heat.timeS, ...more.map(s => lastS + s)], [...heat.tempC, ...on])
}
