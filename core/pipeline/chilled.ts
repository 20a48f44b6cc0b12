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

/** What the cold takes over from the heat. */
function inputOf(heated: Heated, p: Parameters): ChillInput {
  const { finished, shape, body, pourTempC, waterActivity: aw } = heated
  const { radiusM, coolsM: depthM, volumeM3 } = shape
  return { finished, air: body.phases.air, radiusM, depthM, volumeM3, pourTempC, aw, coefficients: p.cold }
}

/** The time in the cold. */
export function chillStage(
  doc: Bench,
  kitchen: Kitchen,
  heated: Heated,
  p: Parameters = STANDARD,
): Chilled {
  const input = inputOf(heated, p)
  return {
    input,
    run: chillStep(doc, kitchen, input),
    slow: chillStep(doc, kitchen, input, { hcFactor: SLOW_FACTOR, rough: true }),
  }
}

/** The same as predicted alone, for whoever asks nothing of its slow end. */
export function chillPredicted(doc: Bench, kitchen: Kitchen, heated: Heated, p: Parameters): Chilled {
  const input = inputOf(heated, p)
  const run = chillStep(doc, kitchen, input)
  return { input, run, slow: run }
}
