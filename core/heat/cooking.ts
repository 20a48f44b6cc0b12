/** The heat of a formula: the pot simulated or stated, what is stirred in afterwards, and where it turns grainy. */
import { within } from '../errors'
import { given, type FormulaDocument, type Kitchen } from '../formula/document'
import { mix, sugarsG, type Mix } from '../formula/mix'
import type { Stage } from '../formula/stages'
import { cookEnd, GRAINY, type EggTemperatures, type History } from './egg'
import { carryOver, givenCourse, panFor, runPot, stirInTemperature, type PotRun } from './pot'
import { FAT_LATENT, fractionsOf, solidFat, thermalProperties } from './properties'

/** Rate at which a mix is whisked cool, K/min (the ladder of expectations uses the same). */
export const WHISK_COOL_K_PER_MIN = 3

/** The pot, simulated or as stated. @throws {InputError} for an impossible evaporation */
export function heatStep(doc: FormulaDocument, kitchen: Kitchen, cooked: Mix, aw: number): { pot: PotRun, cp: number, panCapacity: number } {
  const f = fractionsOf(cooked)
  const hot = thermalProperties(f, 60)
  const pan = panFor(cooked.massG / 1000 / hot.rho)
  const course = given(doc.heat.course)
  const evaporated = given(doc.heat.evaporationG)
  const pot = course
    ? givenCourse(doc.heat.startTempC, course)
    : runPot({
        massG: cooked.massG, cp: hot.cp, pan, startTempC: doc.heat.startTempC, targetTempC: doc.heat.targetTempC, holdS: doc.heat.holdS,
        method: doc.heat.method, burnerW: doc.heat.burnerW, roomTempC: kitchen.roomTempC, altitudeM: kitchen.altitudeM, waterActivity: aw,
        sugarPercent: 100 * sugarsG(cooked) / (sugarsG(cooked) + cooked.grams.water),
      })
  if (evaporated !== null) pot.evaporatedG = within(evaporated, 'heat.evaporationG', 0, cooked.massG)
  return { pot, cp: hot.cp, panCapacity: pan.heatCapacity }
}

/** Stirring in the late lines: energy balance, with the butter's fat melting. Returns the history from the pot's end. */
export function stirInStep(stage: Stage, cooked: Mix, cp: number, pot: PotRun, panCapacity: number, roomC: number): History {
  // The pan's excess over the mix, as the film on its wall had it, is given back.
  const excessK = Math.max(0, pot.filmC[pot.filmC.length - 1]! - pot.endTempC)
  let t = pot.endTempC + carryOver(cooked.massG, cp, panCapacity, excessK)
  const timeS = [0]
  const tempC = [pot.endTempC]
  // Off the heat: half a minute's carry-over, then a minute through the sieve into a bowl as heavy as the pan, at room temperature.
  timeS.push(30, 90)
  tempC.push(t, t = stirInTemperature({ massG: cooked.massG, cp, tempC: t }, { massG: 1000, cp: panCapacity, tempC: roomC }))
  if (stage.late) {
    const cool = stage.late.mixTempC
    if (cool !== null && cool < t) {
      timeS.push(timeS[timeS.length - 1]! + (t - cool) / WHISK_COOL_K_PER_MIN * 60)
      tempC.push(t = cool)
    }
    const cold = mix(stage.late.parts)
    const props = thermalProperties(fractionsOf(cold), stage.late.lineTempC)
    const latent = cold.grams.milkFat / 1000 * FAT_LATENT * Math.max(0, solidFat(stage.late.lineTempC) - solidFat(Math.min(t, 60)))
    t = stirInTemperature({ massG: cooked.massG, cp, tempC: t }, { massG: cold.massG, cp: props.cp, tempC: stage.late.lineTempC }, latent)
    // Butter whisked in takes two minutes (common practice).
    timeS.push(timeS[timeS.length - 1]! + 120)
    tempC.push(t)
  }
  return { timeS, tempC }
}

/** Peak at which the same course would turn grainy, °C: the whole course shifted, by bisection. */
export function grainyTemperature(pot: PotRun, egg: EggTemperatures, peakC: number): number {
  let low = -15
  let high = 20
  for (let i = 0; i < 14; i++) {
    const middle = (low + high) / 2
    if (cookEnd(pot.history, egg, pot.filmC, middle).b < GRAINY) low = middle
    else high = middle
  }
  return Number((peakC + (low + high) / 2).toFixed(2))
}
