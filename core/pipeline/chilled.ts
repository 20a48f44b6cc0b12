/**
 * Chilled: from pouring to at least a day in the kitchen's places, as predicted and at its slow end. The third stage.
 */
import { type Parameters, STANDARD } from '../base/parameters'
import type { Bench } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { type ChillInput, chillStep, type Cooling, SLOW_FACTOR } from './chill'
import type { Heated } from './heated'

export interface Chilled {
  input: ChillInput
  run: Cooling
  slow: Cooling
}

/** The time in the cold. */
export function chillStage(
  doc: Bench,
  kitchen: Kitchen,
  heated: Heated,
  p: Parameters = STANDARD,
): Chilled {
  const { finished, shape, body, pourTempC, waterActivity: aw } = heated
  const { radiusM, coolsM: depthM, volumeM3 } = shape
  const input = { finished, air: body.phases.air, radiusM, depthM, volumeM3, pourTempC, aw, coefficients: p.cold }
  return {
    input,
    run: chillStep(doc, kitchen, input),
    slow: chillStep(doc, kitchen, input, { hcFactor: SLOW_FACTOR, rough: true }),
  }
}
