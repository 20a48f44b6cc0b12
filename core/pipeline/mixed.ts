/** Mixed: what goes in, split by what is heated and what joins later, with its acidity. The first stage of the line. */
import { InputError } from '../base/errors'
import { fillingOf, type Bench } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { pHOfMix } from '../physics/matter/acidity'
import { mix, type Mix } from '../physics/matter/mix'
import { checkInputs } from './inputs'
import { type MixPlan, mixPlanOf } from './mixPlan'

export interface Mixed {
  plan: MixPlan
  whole: Mix
  /** What is heated together; the whole where nothing joins later. */
  cooked: Mix
  pH: number
  cookedPH: number
  /** Egg protein, g. */
  eggG: number
}

/** A split with its masses, before anything is worked out of them. */
type Weighed = Pick<Mixed, 'plan' | 'whole' | 'cooked'>

const weigh = (plan: MixPlan): Weighed => {
  const whole = mix(plan.all)
  return { plan, whole, cooked: plan.additions.length ? mix(plan.cooked) : whole }
}
function acidify({ plan, whole, cooked }: Weighed): Mixed {
  const pH = pHOfMix(whole)
  const cookedPH = plan.additions.length ? pHOfMix(cooked) : pH
  return { plan, whole, cooked, pH, cookedPH, eggG: whole.grams.eggWhiteProtein + whole.grams.yolkProtein }
}

/**
 * The mix of lines already split. Asks nothing of the document, so that a point or a sample starts here.
 * @throws {InputError} noWater
 */
export const mixedOf = (plan: MixPlan): Mixed => acidify(weigh(plan))

/**
 * Whether every value is possible and what is mixed, without its acidity: some hundred times cheaper than `assess`,
 * so a
 * save can ask for it.
 * @throws {InputError} naming the field, as `assess` would
 * @example checkMix(doc, kitchen).whole.massG // 595
 */
export function checkMix(doc: Bench, kitchen: Kitchen): Weighed {
  checkInputs(doc, kitchen)
  const weighed = weigh(mixPlanOf(doc, kitchen))
  const path = `components.${doc.components.indexOf(fillingOf(doc))}.lines`
  // Less than a gram is no batch yet.
  if (!(weighed.whole.massG >= 1)) throw new InputError('noLines', path)
  if (!(weighed.cooked.grams.water > 0)) throw new InputError('noWater', path)
  return weighed
}

/**
 * The first stage of an assessment. @throws {InputError} naming the field
 * @example mixStage(doc, kitchen).pH // 3.356
 */
export const mixStage = (doc: Bench, kitchen: Kitchen): Mixed => acidify(checkMix(doc, kitchen))
