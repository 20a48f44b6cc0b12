/** The heat that sets an egg mix with the widest margin. */
import type { Bench } from '../formula/bench'
import { familyOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import { cookEnd, eggTemperatures } from '../physics/heat/egg'
import { pHOfMix } from '../physics/matter/acidity'
import { mix } from '../physics/matter/mix'
import { waterActivityOf } from '../physics/matter/solutes'
import { heatStep } from '../pipeline/heat'
import { mixPlanOf } from '../pipeline/mixPlan'

/**
 * A target for the pot that sets the egg of these lines with the widest margin to grainy: the lowest whole degree at
 * which the pot, as it will run, sets 95 % of the egg; never under 75 °C (lethality with the thermometer's error in
 * hand).
 * @example suggestTarget(doc, kitchen) // 80
 */
export function suggestTarget(doc: Bench, kitchen: Kitchen): number {
  if (!familyOf(doc.family).eggSets || doc.heat.method === 'oven' || doc.heat.method === 'none')
    return doc.heat.targetTempC
  const cooked = mix(mixPlanOf(doc, kitchen).cooked)
  if (!(cooked.grams.water > 0)) return doc.heat.targetTempC
  const egg = eggTemperatures(cooked, pHOfMix(cooked))
  if (!egg) return doc.heat.targetTempC
  const first = Math.max(75, Math.ceil(egg.t60C - 5))
  for (let target = first; target < first + 12; target++) {
    const { run: pot } = heatStep(
      { ...doc, heat: { ...doc.heat, course: { simulated: true }, targetTempC: target } },
      kitchen,
      cooked,
      waterActivityOf(cooked),
    )
    if (pot.reachedS === null || cookEnd(pot.history, egg, pot.filmC).a >= 0.95) return target
  }
  return first + 12
}
