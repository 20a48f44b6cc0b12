/**
 * A formula a little changed, in tens of microseconds: composition, acidity, egg temperatures, making and firmness are
 * computed anew; the temperatures of heat, chill and table stay those of the formula it started from. Another target or
 * hold runs the pot again (milliseconds, kept). A bake is assessed whole. Whoever shows a verdict assesses it whole too.
 */
import { pHOfMix } from '../acidity/acidity'
import { assess, eggEnd, reheat, work, type Worked } from '../assess'
import type { FormulaDocument, Kitchen } from '../formula/document'
import { evaporate, mix } from '../formula/mix'
import { stagesOf } from '../formula/stages'
import { eggTemperatures } from '../heat/egg'
import { addedSugarG } from '../heat/reduction'
import { corrected } from '../set/bands'
import { bodyOf, firmness, yieldStress } from '../set/firmness'
import { makingOf } from '../set/making'
import { taste } from '../taste/taste'

export interface Point {
  /** Lines in all, g. */
  massG: number
  coldPa: number
  platePa: number
  /** On the bands' scale. */
  coldStarPa: number
  plateStarPa: number
  density: number
  pH: number
  sour: number
  /** Sourness over the dessert's own centre. */
  sharp: number
  sweet: number
  /** Over-setting of the egg, 0–1. */
  b: number
}

export type Quick = (doc: FormulaDocument) => Point

/** Starts from a formula worked out in full. */
export function createQuick(base: FormulaDocument, kitchen: Kitchen, w: Worked = work(base, kitchen)): Quick {
  const reheated = new Map<string, Worked>()
  const baseCookedG = mix(w.stage.cooked).massG
  const baseSugarG = addedSugarG(w.stage.cooked)
  const { verdict, balance } = w.assessment
  const { centre } = balance.taste

  const heatedAs = (doc: FormulaDocument): Worked => {
    const { targetTempC, holdS } = doc.heat
    if (targetTempC === base.heat.targetTempC && holdS === base.heat.holdS) return w
    const key = `${targetTempC}|${holdS}`
    let known = reheated.get(key)
    if (!known) reheated.set(key, known = reheat(w, { ...base, heat: { ...base.heat, targetTempC, holdS } }, kitchen))
    return known
  }

  return (doc) => {
    const sameHeat = doc.heat.targetTempC === base.heat.targetTempC && doc.heat.holdS === base.heat.holdS
    if (base.heat.method === 'oven' && !sameHeat) return pointOf(assess(doc, kitchen))
    const from = heatedAs(doc)
    const stage = stagesOf(doc, kitchen)
    const whole = mix(stage.all)
    const cooked = stage.additions.length ? mix(stage.cooked) : whole
    const pH = pHOfMix(whole)
    const cookedPH = stage.additions.length ? pHOfMix(cooked) : pH
    // Steam goes with the pot's load; boiled back to the cream's volume, with the sugar.
    const load = doc.heat.until === 'creamVolume' && baseSugarG > 0 ? addedSugarG(stage.cooked) / baseSugarG : cooked.massG / baseCookedG
    const finished = evaporate(whole, from.evaporatedG * load)
    const body = bodyOf(finished, pH, makingOf({ doc, stage, ...from.paths, cookedPH }))
    const egg = from.egg && eggTemperatures(cooked, cookedPH)
    const { a, b } = egg ? eggEnd(from.egg, from.egg!.temperatures.t60C - egg.t60C, from.egg!.temperatures.t60bC - egg.t60bC) : { a: 0, b: 0 }
    const at = (s: typeof verdict.cold) => yieldStress(firmness(body, { ...s.state, a, b, tempC: s.tempC }))
    const coldPa = at(verdict.cold)
    const platePa = at(verdict.plate)
    const { density } = body.phases
    const flavour = taste(finished, pH, centre)
    return { massG: whole.massG, coldPa, platePa, coldStarPa: corrected(coldPa, density), plateStarPa: corrected(platePa, density), density, pH, sour: flavour.sour, sharp: flavour.sour / centre, sweet: flavour.sweet, b }
  }
}

/** The same figures of an assessment made in full. */
export function pointOf(a: ReturnType<typeof assess>): Point {
  const { cold, plate } = a.verdict
  return {
    massG: a.stock.massG, coldPa: cold.tauPa.value, platePa: plate.tauPa.value, coldStarPa: cold.tauStarPa, plateStarPa: plate.tauStarPa, density: a.shape.density,
    pH: a.balance.pH.value, sour: a.balance.taste.sour, sharp: a.balance.taste.sour / a.balance.taste.centre, sweet: a.balance.taste.sweet, b: a.heat.b,
  }
}
