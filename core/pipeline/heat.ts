/** The heat of a formula: the pot simulated or stated, what joins the mix afterwards, and where it turns grainy. */
import { within } from '../base/errors'
import { type Parameters, STANDARD } from '../base/parameters'
import { type Bench, fillingOf, panOf } from '../formula/bench'
import { given } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import type { History } from '../physics/heat/dose'
import {
  carryOver, fullHeatW, givenCourse, heatsInPan, type Pan, panFor, panOfSize, type PotInput, type PotRun, runPot,
  stirInTemperature, unheated,
} from '../physics/heat/pot'
import { POUCH_M, runPouch } from '../physics/heat/pouch'
import { addedSugarG, reductionG } from '../physics/heat/reduction'
import { mix, type Mix } from '../physics/matter/mix'
import { FAT_LATENT, type Fractions, fractionsOf, heatCapacityTable, solidFat, thermalProperties } from '../physics/thermal/properties'
import type { MixPlan } from './mixPlan'

/** Rate at which a mix is whisked cool, K/min (the ladder of expectations uses the same). */
export const WHISK_COOL_K_PER_MIN = 3

export interface HeatStep {
  run: PotRun
  /** A pouch, layer by layer; null for what is stirred. */
  layers: History[] | null
  cp: number
  panCapacity: number
  /** Whether a pan or bowl was hot at all. */
  inPan: boolean
}

/** A pouch in its bath: its middle is the course that counts, its face the hottest there is. */
function pouched(heat: Bench['heat'], f: Fractions, p: Parameters): PotRun & { layers: History[] } {
  const { k, rho } = thermalProperties(f, 50)
  const { core, layers, reachedS } = runPouch({
    thicknessM: heat.pouchM ?? POUCH_M,
    solid: { k, rho, cp: heatCapacityTable(f) },
    startTempC: heat.startTempC,
    bathC: heat.targetTempC,
    holdS: heat.holdS,
    coefficients: p.pot,
  })
  return {
    history: core,
    layers,
    filmC: [...layers[0]!.tempC],
    reachedS,
    evaporatedG: 0,
    steamG: core.timeS.map(() => 0),
    endTempC: core.tempC.at(-1)!,
  }
}

/** The kitchen's induction hob full on, as it reaches the pan, W; null where the plan names none. */
function inductionOf({ heat }: Bench, kitchen: Kitchen): number | null {
  const hob = kitchen.burners.find(b => b.id === heat.burnerId)
  return hob?.kind === 'induction' ? fullHeatW(hob) : null
}

/** The pan of a plan, or one that holds the mix. */
function heatedPan(doc: Bench, kitchen: Kitchen, volumeM3: number): Pan {
  const own = panOf(doc, kitchen)
  return own ? panOfSize(own) : panFor(volumeM3, doc.heat.method === 'microwave' ? 'glass' : 'steel')
}

/**
 * What a pot on the heat is computed from; of a plan that heats in a pan or bowl.
 * @param aw water activity of what is cooked
 */
export function potInputOf(doc: Bench, kitchen: Kitchen, cooked: Mix, aw: number, p: Parameters = STANDARD): PotInput {
  const { heat } = doc
  const hot = thermalProperties(fractionsOf(cooked), 60)
  return {
    massG: cooked.massG,
    waterG: cooked.grams.water,
    cp: hot.cp,
    pan: heatedPan(doc, kitchen, cooked.massG / 1000 / hot.rho),
    startTempC: heat.startTempC,
    targetTempC: heat.targetTempC,
    holdS: heat.holdS,
    method: heat.method as PotInput['method'],
    burnerW: heat.burnerW,
    inductionW: inductionOf(doc, kitchen),
    burstS: heat.burstS,
    volumeM3: cooked.massG / 1000 / hot.rho,
    coefficients: p.pot,
    roomTempC: kitchen.roomTempC,
    altitudeM: kitchen.altitudeM,
    waterActivity: aw,
    evaporateG: heat.until === 'creamVolume'
      ? Math.min(reductionG(addedSugarG(cooked.parts)), 0.6 * cooked.grams.water)
      : null,
  }
}

/**
 * The pot, simulated or as stated; what is baked or not heated stays as it started. @throws {InputError} for an
 * impossible evaporation
 */
export function heatStep(
  doc: Bench,
  kitchen: Kitchen,
  cooked: Mix,
  aw: number,
  p: Parameters = STANDARD,
): HeatStep {
  const { heat } = doc
  const f = fractionsOf(cooked)
  const hot = thermalProperties(f, 60)
  const pan = heatedPan(doc, kitchen, cooked.massG / 1000 / hot.rho)
  const course = given(heat.course)
  const evaporated = given(heat.evaporationG)
  const { method } = heat
  const pot: PotRun & { layers?: History[] } = course
    ? givenCourse(heat.startTempC, course)
    : method === 'oven' || method === 'none'
      ? unheated(heat.startTempC)
      : method === 'sousVide'
        ? pouched(heat, f, p)
        : runPot(potInputOf(doc, kitchen, cooked, aw, p))
  if (evaporated !== null) pot.evaporatedG = within(evaporated, 'heat.evaporationG', 0, cooked.massG)
  return {
    run: pot,
    layers: pot.layers ?? null,
    cp: hot.cp,
    panCapacity: pan.heatCapacity,
    inPan: !course && heatsInPan(method),
  }
}

export interface Joined {
  history: History
  /** Temperature of the mix as each addition met it, and after it, °C. */
  met: { beforeC: number, afterC: number, /** Seconds from the pot's end. */ atS: number }[]
}

/**
 * From the pot to the vessel: carry-over, the sieve, then each addition by energy balance with its fat melting. What is
 * folded in cold goes in over three minutes, what is stirred in over two (common practice).
 */
export function joinStep(doc: Bench, plan: MixPlan, heated: HeatStep, roomC: number): Joined {
  const { run: pot, cp, panCapacity, inPan } = heated
  let massG = mix(plan.cooked).massG - pot.evaporatedG
  let t = pot.endTempC
  const timeS = [0]
  const tempC = [t]
  const met: Joined['met'] = []
  const to = (seconds: number, temp: number) => {
    timeS.push(timeS[timeS.length - 1]! + seconds)
    tempC.push((t = temp))
  }
  if (inPan) {
    // The pan's excess over the mix, as the film on its wall had it, is given back.
    const excessK = Math.max(0, pot.filmC[pot.filmC.length - 1]! - pot.endTempC)
    // Off the heat: half a minute's carry-over, then a minute through the sieve into a bowl as heavy as the pan, at
    // room temperature.
    to(30, t + carryOver(massG, cp, panCapacity, doc.heat.method === 'microwave' ? 0 : excessK))
    if (fillingOf(doc).steps.some(s => s.kind === 'strain'))
      to(60, stirInTemperature({ massG, cp, tempC: t }, { massG: 1000, cp: panCapacity, tempC: roomC }))
  }
  for (const a of plan.additions) {
    if (a.mixTempC !== null && a.mixTempC < t) to(((t - a.mixTempC) / WHISK_COOL_K_PER_MIN) * 60, a.mixTempC)
    const beforeC = t
    const cold = mix(a.parts)
    const props = thermalProperties(fractionsOf(cold), a.lineTempC)
    const latent =
      (cold.grams.milkFat / 1000) * FAT_LATENT * Math.max(0, solidFat(a.lineTempC) - solidFat(Math.min(t, 60)))
    to(
      a.kind === 'foldIn' ? 180 : 120,
      stirInTemperature({ massG, cp, tempC: t }, { massG: cold.massG, cp: props.cp, tempC: a.lineTempC }, latent),
    )
    massG += cold.massG
    met.push({ beforeC, afterC: t, atS: timeS[timeS.length - 1]! })
  }
  return { history: { timeS, tempC }, met }
}
