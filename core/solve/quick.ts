/**
 * A formula a little changed, in tens of microseconds: composition, acidity, egg temperatures, making and firmness are
 * computed anew; the temperatures of heat, chill and table stay those of the formula it started from. Another target or
 * hold runs the pot again (milliseconds, kept). A bake is assessed whole. Whoever shows a verdict assesses it whole
 * too.
 */
import { type Bench, fillingOf } from '../formula/bench'
import { peelOf } from '../formula/zest'
import { given } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { eggEnd, eggTemperatures, type EggTemperatures, eggWork, type EggWork } from '../physics/heat/egg'
import { addedSugarG } from '../physics/heat/reduction'
import { taste } from '../physics/matter/taste'
import { corrected, type Target, targetOf } from '../physics/set/bands'
import { caseinPace } from '../physics/set/setting'
import { elasticOf, firmness, yieldStress } from '../physics/set/firmness'
import type { SetResult } from '../physics/set/state'
import { assess, work, type Worked } from '../pipeline/assess'
import { joinHistory } from '../pipeline/chill'
import { aromaFigures } from '../pipeline/figures/aroma'
import { bodyAfter, potStage } from '../pipeline/heated'
import type { Paths } from '../pipeline/making'
import { type Mixed, mixedOf } from '../pipeline/mixed'
import { mixPlanOf } from '../pipeline/mixPlan'

export interface Point {
  /** Lines in all, g. */
  massG: number
  coldPa: number
  platePa: number
  /** On the bands' scale. */
  coldStarPa: number
  plateStarPa: number
  density: number
  /** What the use asks of it. */
  target: Target
  pH: number
  sour: number
  /** Sourness over the dessert's own centre. */
  sharp: number
  /** Scent, g of lemon zest a kilogram; worked out only where it is asked for. */
  aromaGPerKg: () => number
  sweet: number
  /** Over-setting of the egg, 0–1. */
  b: number
}

export type Quick = (doc: Bench) => Point

/** What of a heat a point needs: the egg's doses, the steam, and the histories its making follows from. */
interface Warmth {
  egg: EggWork | null
  evaporatedG: number
  paths: Paths
}

/** Another heat of the same pot: it is run again with what joins it; the way down stays. Not for the oven. */
function reheat(w: Worked, doc: Bench, kitchen: Kitchen): Warmth {
  const { pot, joined } = potStage(doc, kitchen, w.mixed, w.parameters)
  const { history, filmC, evaporatedG } = pot.run
  const { stirred, grainyAt } = w.heated.cooking
  const cooking = { histories: [history], films: [filmC], core: history, stirred, grainyAt }
  const egg =
    w.settled.egg && eggWork(w.settled.egg.temperatures, cooking, joinHistory(joined.history, w.chilled.run))
  const paths = { heated: history, after: joined.history, joinedS: joined.met.map(x => x.atS) }
  return { egg, evaporatedG: given(doc.heat.evaporationG) ?? evaporatedG, paths }
}

/** Extents of an egg whose temperatures lie elsewhere than those its doses were taken at. */
function shifted(egg: EggWork | null, now: EggTemperatures | null): { a: number, b: number } {
  if (!egg || !now) return { a: 0, b: 0 }
  return eggEnd(egg, egg.temperatures.t60C - now.t60C, egg.temperatures.t60bC - now.t60bC)
}

/**
 * Starts from a formula worked out in full.
 * @example createQuick(doc, kitchen)(withMass(doc, lines[0].id, 180)).coldPa // 212
 */
export function createQuick(base: Bench, kitchen: Kitchen, w: Worked = work(base, kitchen)): Quick {
  const reheated = new Map<string, Warmth>()
  const baseCookedG = w.mixed.cooked.massG
  const baseSugarG = addedSugarG(w.mixed.plan.cooked)
  const { cold, plate } = w.settled
  const { centre } = w.assessment.balance.taste
  const p = w.parameters
  const asPlanned: Warmth = { egg: w.settled.egg, evaporatedG: w.heated.evaporatedG, paths: w.heated.paths }
  const sameHeat = (doc: Bench) =>
    doc.heat.targetTempC === base.heat.targetTempC && doc.heat.holdS === base.heat.holdS

  const heatedAs = (doc: Bench): Warmth => {
    if (sameHeat(doc)) return asPlanned
    const { targetTempC, holdS } = doc.heat
    const key = `${targetTempC}|${holdS}`
    let known = reheated.get(key)
    if (!known)
      reheated.set(key, (known = reheat(w, { ...base, heat: { ...base.heat, targetTempC, holdS } }, kitchen)))
    return known
  }
  // Steam goes with the pot's load; boiled back to the cream's volume, with the sugar.
  const loadOf = (doc: Bench, { plan, cooked }: Mixed) =>
    doc.heat.until === 'creamVolume' && baseSugarG > 0
      ? addedSugarG(plan.cooked) / baseSugarG
      : cooked.massG / baseCookedG

  return (doc) => {
    if (base.heat.method === 'oven' && !sameHeat(doc)) return pointOf(assess(doc, kitchen, p))
    const from = heatedAs(doc)
    const mixed = mixedOf(mixPlanOf(doc, kitchen))
    const { finished, body } = bodyAfter(doc, mixed, from.paths, from.evaporatedG * loadOf(doc, mixed), p)
    const { a, b } = shifted(from.egg, from.egg && eggTemperatures(mixed.cooked, mixed.cookedPH, p.egg))
    // Milk that has more or less acid, or is more or less of it, knits at its own pace.
    const pace = base.heat.method === 'oven' || w.settled.inputs.caseinC <= 0
      ? 1
      : caseinPace({ ...w.settled.inputs, pH: mixed.pH, caseinC: body.caseinC }) / caseinPace(w.settled.inputs)
    const at = (s: SetResult) =>
      firmness(body, { ...s.state, casein: 1 - (1 - s.state.casein) ** pace, a, b, tempC: s.tempC })
    const coldMechanisms = at(cold)
    const coldPa = yieldStress(coldMechanisms)
    const platePa = yieldStress(at(plate))
    const { density } = body.phases
    const use = { ...doc.use, pieceHeightM: w.settled.pieceHeightM }
    const flavour = taste(finished, mixed.pH, centre, p.taste, peelOf(fillingOf(doc)))
    return {
      massG: mixed.whole.massG,
      coldPa,
      platePa,
      coldStarPa: corrected(coldPa, density),
      plateStarPa: corrected(platePa, density),
      density,
      target: targetOf(use, density, elasticOf(coldMechanisms, body.gums)),
      pH: mixed.pH,
      sour: flavour.sour,
      sharp: flavour.sour / centre,
      sweet: flavour.sweet,
      aromaGPerKg: () => aromaFigures(doc, mixed, { finished, paths: from.paths }).gPerKg,
      b,
    }
  }
}

/**
 * The same figures of an assessment made in full.
 * @example pointOf(assessment).massG // 595
 */
export function pointOf(a: ReturnType<typeof assess>): Point {
  const { cold, plate, target } = a.verdict
  return {
    massG: a.stock.massG,
    coldPa: cold.tauPa.value,
    platePa: plate.tauPa.value,
    coldStarPa: cold.tauStarPa,
    plateStarPa: plate.tauStarPa,
    density: a.shape.density,
    target,
    pH: a.balance.pH.value,
    sour: a.balance.taste.sour,
    sharp: a.balance.taste.sour / a.balance.taste.centre,
    sweet: a.balance.taste.sweet,
    aromaGPerKg: () => a.balance.aroma.gPerKg,
    b: a.heat.b,
  }
}
