/**
 * The boil of a cream as a cook runs it: where the scale stops, when the juice can go in, room for the foam, what the
 * sugar does.
 */
import { type Bench, panOf } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { panHoldsM3 } from '../physics/heat/pot'
import { addedSugarG, SUGAR_ML_PER_G } from '../physics/heat/reduction'
import type { Assessment } from '../pipeline/assessment'
import { mixPlanOf } from '../pipeline/mixPlan'
import { workVessels } from './fit'

export interface BoilPlan {
  /** What the scale reads when it is done, g: with the pan if its weight is known. */
  stopG: number
  /** What it reads as it goes on, g, and the volume of the mix then, ml: what is no cream and no sugar at 1 g/ml. */
  startG: number
  startMl: number
  tareG: number | null
  lossG: number
  sugarG: number
  /**
   * With half the sugar: where the scale would stop, and the water that would stay, g; null where the boil goes by
   * time.
   */
  halfSugar: { stopG: number, staysG: number } | null
  /** Room the foam wants and the chosen pan has, m³. */
  roomM3: number
  panM3: number | null
  juice: Assessment['heat']['joins'][number] | null
}

/** What the scale reads when the pan comes off the heat, g: with the pan, if its weight is known. */
export const scaleReadingG = (doc: Bench, kitchen: Kitchen, a: Assessment): number =>
  a.heat.panG + (panOf(doc, kitchen)?.tareG ?? 0)

/**
 * Stop weight = tare + cream + sugar − .62·sugar, so each gram of sugar less takes .38 g off it and leaves .62 g of
 * water in.
 */
export function boilPlan(doc: Bench, kitchen: Kitchen, a: Assessment): BoilPlan {
  const pan = panOf(doc, kitchen)
  const sugarG = addedSugarG(mixPlanOf(doc, kitchen).cooked)
  const stopG = scaleReadingG(doc, kitchen, a)
  // What was in the pan is what is in it and what has left it.
  const startG = stopG + a.heat.evaporatedG
  const creamMl = a.heat.reduction?.volumeMl ?? null
  return {
    stopG,
    startG,
    startMl: (creamMl ?? (startG - (pan?.tareG ?? 0) - sugarG)) + SUGAR_ML_PER_G * sugarG,
    tareG: pan?.tareG ?? null,
    lossG: a.heat.reduction?.lossG ?? a.heat.evaporatedG,
    sugarG,
    halfSugar: a.heat.reduction && {
      stopG: stopG - 0.5 * sugarG * (1 - SUGAR_ML_PER_G),
      staysG: 0.5 * sugarG * SUGAR_ML_PER_G,
    },
    roomM3: workVessels(doc, a).find(w => w.what === 'boil')?.holdM3 ?? 0,
    panM3: pan && panHoldsM3(pan),
    juice: a.heat.joins[0] ?? null,
  }
}
