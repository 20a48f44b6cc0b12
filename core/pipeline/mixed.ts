/** Mixed: what goes in, split by what is heated and what joins later, with its acidity. The first stage of the line. */
import { InputError } from '../base/errors'
import { fillingOf, type FormulaDocument } from '../formula/document'
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

/**
 * The mix of lines already split. Asks nothing of the document, so that a point or a sample starts here.
 * @throws {InputError} noWater
 */
export function mixedOf(plan: MixPlan): Mixed {
  const whole = mix(plan.all)
  const cooked = plan.additions.length ? mix(plan.cooked) : whole
  const pH = pHOfMix(whole)
  const cookedPH = plan.additions.length ? pHOfMix(cooked) : pH
  return { plan, whole, cooked, pH, cookedPH, eggG: whole.grams.eggWhiteProtein + whole.grams.yolkProtein }
}

/**
 * The part of an assessment that no time passes in: whether every value is possible, and what is mixed. Some hundred
 * times cheaper than `assess`, so a save can ask for it.
 * @throws {InputError} naming the field, as `assess` would
 * @example mixStage(doc, kitchen).whole.massG // 730
 */
export function mixStage(doc: FormulaDocument, kitchen: Kitchen): Mixed {
  checkInputs(doc, kitchen)
  const plan = mixPlanOf(doc, kitchen)
  const path = `components.${doc.components.indexOf(fillingOf(doc))}.lines`
  // Less than a gram is no batch yet.
  if (!(mix(plan.all).massG >= 1)) throw new InputError('noLines', path)
  if (!(mix(plan.cooked).grams.water > 0)) throw new InputError('noWater', path)
  return mixedOf(plan)
}
