/**
 * The one pipeline: mix → acidify → heat → chill → set → taste → keep → judge.
 * Each step is a pure function from plain data to plain data; `assess` composes them and nothing else does.
 */
import { pHOfMix } from './acidity/acidity'
import {
  ENGINE_VERSION, STATIONS, quantity, type Assessment, type Finding, type FindingCode, type Severity, type SetResult, type Station, type VerdictCode,
} from './assessment'
import { coolCylinder, timeBelow, valueAt } from './chill/conduction'
import { boundaryOf, ICE_STIRRED, WALL_HEAT, type Placing } from './chill/places'
import { butterSolids } from './chill/setting'
import { InputError, within } from './errors'
import { fillingOf, given, placeOf, SCHEMA_VERSION, vesselOf, type ChillLeg, type FormulaDocument, type Kitchen } from './formula/document'
import { acidPercentOf, brix, evaporate, mix, sugarsG, type Mix, type MixPart } from './formula/mix'
import { stagesOf, type Stage } from './formula/stages'
import { COATS, DONE, GRAINY, cook, cookEnd, eggTemperatures, undisturbed, type EggTemperatures, type History } from './heat/egg'
import { carryOver, givenCourse, panFor, runPot, stirInTemperature, type PotRun } from './heat/pot'
import { FAT_LATENT, fractionsOf, heatCapacityTable, solidFat, thermalProperties } from './heat/properties'

import { acidLogSigma } from './ingredients'
import { CODES, coolingStages, useByDate } from './safety/keeping'
import { EGG_DISH_C, LETHALITY_NEEDED_MIN, lethality } from './safety/lethality'
import { bandOf, corrected, CUTS, slumpShare, standingHeight, STANDS, targetOf, type Target } from './set/bands'
import { firmness, LN_TAU_SIGMA, PHASE_INVERSION, phasesOf, yieldStress, type Phases } from './set/firmness'
import { sugarToAcid, taste, waterActivityOf } from './taste/taste'
import { cavityOf, cavityVolume, depthOf, equivalentRadius } from './vessel/geometry'

/** One σ of a kitchen thermometer, K (common instruments, from memory). */
export const THERMOMETER_SIGMA_K = 1.5
/** ln of the slow 95 % end of convection: 1.645 × 30 %. */
const SLOW_FACTOR = Math.exp(-1.645 * 0.3)
/** Simulated at least this long after pouring, s: the 24 h against which "set" is measured. */
const FULL_SET_S = 24 * 3600
/** Part of the 24 h strength that counts as set through. */
const SET_SHARE = 0.75
/** Rate at which a mix is whisked cool, K/min (the ladder of expectations uses the same). */
const WHISK_COOL_K_PER_MIN = 3
const TABLE_LOOK_S = 4 * 3600
/** Height of the kitchen's slump ring, m. */
const RING_M = 0.05

function checkInputs(doc: FormulaDocument, kitchen: Kitchen): void {
  const use = doc.use
  within(use.pieceHeightM, 'use.pieceHeightM', 0.002, 0.3)
  within(use.pieceWidthM, 'use.pieceWidthM', 0.005, 0.5)
  within(use.tableTempC, 'use.tableTempC', 0, 45)
  within(use.tableTimeS, 'use.tableTimeS', 0, 24 * 3600)
  within(doc.heat.targetTempC, 'heat.targetTempC', 40, 105)
  within(doc.heat.holdS, 'heat.holdS', 0, 3600)
  within(doc.heat.startTempC, 'heat.startTempC', 0, 60)
  within(doc.heat.burnerW, 'heat.burnerW', 50, 5000)
  const v = vesselOf(doc, kitchen)
  within(v.lengthM, 'assembly.vessel.lengthM', 0.02, 1)
  if (v.kind === 'rectangle') within(v.widthM, 'assembly.vessel.widthM', 0.02, 1)
  within(v.heightM, 'assembly.vessel.heightM', 0.005, 0.4)
  within(doc.assembly.count, 'assembly.count', 1, 500)
  within(doc.assembly.portions, 'assembly.portions', 1, 2000)
  within(doc.assembly.crustM, 'assembly.crustM', 0, 0.02)
  within(doc.losses.sieveFraction, 'losses.sieveFraction', 0, 0.5)
  within(doc.losses.panG, 'losses.panG', 0, 5000)
  if (doc.chill.length === 0) throw new InputError('missing', 'chill')
  doc.chill.forEach((leg, i) => {
    within(leg.timeS, `chill.${i}.timeS`, 0, 14 * 24 * 3600)
    within(placeOf(leg, kitchen).airTempC, `chill.${i}.place.airTempC`, -40, 45)
  })
  within(kitchen.altitudeM, 'kitchen.altitudeM', -400, 5000)
  within(kitchen.roomTempC, 'kitchen.roomTempC', 5, 45)
}

/** Heat: the pot as simulated or stated. */
function heatStep(doc: FormulaDocument, kitchen: Kitchen, cooked: Mix, aw: number): { pot: PotRun, cp: number, panCapacity: number } {
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
function stirInStep(stage: Stage, cooked: Mix, cp: number, pot: PotRun, carriedK: number, bowlCapacity: number, roomC: number): History {
  let t = pot.endTempC + carriedK
  const timeS = [0]
  const tempC = [pot.endTempC]
  // Off the heat: half a minute's carry-over, then a minute through the sieve into a bowl as heavy as the pan, at room temperature.
  timeS.push(30, 90)
  tempC.push(t, t = stirInTemperature({ massG: cooked.massG, cp, tempC: t }, { massG: 1000, cp: bowlCapacity, tempC: roomC }))
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

interface Legs { legs: ChillLeg[], stirredS: number, totalS: number }
/** Ice-bath legs before any other are a bowl stirred in ice; the rest stand in the vessel. */
function legsOf(doc: FormulaDocument, kitchen: Kitchen): Legs {
  const firstVessel = doc.chill.findIndex(leg => placeOf(leg, kitchen).kind !== 'iceBath')
  const stirred = doc.chill.slice(0, firstVessel === -1 ? doc.chill.length : firstVessel)
  return { legs: doc.chill, stirredS: stirred.reduce((s, l) => s + l.timeS, 0), totalS: doc.chill.reduce((s, l) => s + l.timeS, 0) }
}

interface ChillInput { finished: Mix, radiusM: number, depthM: number, volumeM3: number, pourTempC: number, aw: number }

/** Cooling from pouring to at least 24 h, in the kitchen's places. */
function chillStep(doc: FormulaDocument, kitchen: Kitchen, c: ChillInput, slow: boolean) {
  const f = fractionsOf(c.finished)
  const warm = thermalProperties(f, 25)
  const { legs, stirredS, totalS } = legsOf(doc, kitchen)
  const cp = heatCapacityTable(f)
  const factor = slow ? SLOW_FACTOR : 1
  const timeS: number[] = []
  const coreC: number[] = []
  const meanC: number[] = []
  let t = c.pourTempC
  let clock = 0
  if (stirredS > 0) {
    const ice = doc.chill.find(l => placeOf(l, kitchen).kind === 'iceBath')!
    const iceC = placeOf(ice, kitchen).airTempC
    const bowlRadius = (3 * c.volumeM3 / (2 * Math.PI)) ** (1 / 3)
    const ua = ICE_STIRRED * factor * 2 * Math.PI * bowlRadius ** 2
    const steps = 24
    timeS.push(0)
    coreC.push(t)
    meanC.push(t)
    for (let i = 0; i < steps; i++) {
      const dt = stirredS / steps
      t = iceC + (t - iceC) * Math.exp(-ua * dt / (c.volumeM3 * warm.rho * cp(t)))
      clock += dt
      timeS.push(clock)
      coreC.push(t)
      meanC.push(t)
    }
  }
  const crust = doc.assembly.crustM
  const vessel = vesselOf(doc, kitchen)
  const jumps: number[] = []
  const spans: { leg: ChillLeg, fromS: number, toS: number }[] = []
  let at = 0
  for (const leg of legs) {
    spans.push({ leg, fromS: at, toS: at + leg.timeS })
    at += leg.timeS
    jumps.push(at)
  }
  const endS = Math.max(totalS, FULL_SET_S) + 1
  spans[spans.length - 1]!.toS = endS
  const placed: (Placing & { toS: number })[] = spans.map(s => ({
    ...placeOf(s.leg, kitchen), cover: s.leg.cover, material: vessel.material, crustM: crust, waterActivity: c.aw, hcFactor: factor, toS: s.toS,
  }))
  const vesselEnd = endS - stirredS
  if (stirredS < endS) {
    const run = coolCylinder({
      radiusM: c.radiusM, heightM: c.depthM, solid: { k: warm.k, rho: warm.rho, cp }, startTempC: t, endS: vesselEnd,
      jumpsS: jumps.map(j => j - stirredS),
      stopBelowC: slow ? coldestStageC(kitchen) : undefined,
      boundary: (time, faces) => boundaryOf(placed.find(p => time + stirredS < p.toS - 1e-6) ?? placed[placed.length - 1]!, faces),
    })
    for (let i = stirredS > 0 ? 1 : 0; i < run.timeS.length; i++) {
      timeS.push(run.timeS[i]! + stirredS)
      coreC.push(run.coreC[i]!)
      meanC.push(run.meanC[i]!)
    }
  }
  return { timeS, coreC, meanC, spans, totalS }
}

/** The slow end is asked only how long the code's stages take. */
const coldestStageC = (kitchen: Kitchen): number => Math.min(...CODES[kitchen.foodCode].stages.map(s => s.toC))

/** The piece on the table: from one even temperature into the room, on a plate. */
function tableStep(doc: FormulaDocument, finished: Mix, fromC: number, heightM: number, aw: number) {
  const f = fractionsOf(finished)
  const p = thermalProperties(f, 12)
  const use = doc.use
  const inDish = use.kind === 'glass'
  const placing: Placing = { kind: 'bench', airTempC: use.tableTempC, cover: 'film', material: inDish ? 'glass' : 'metal', crustM: doc.assembly.crustM, waterActivity: aw, hcFactor: 1 }
  return coolCylinder({
    radiusM: use.pieceWidthM / 2, heightM, startTempC: fromC, endS: Math.max(use.tableTimeS, TABLE_LOOK_S), nr: 6, nz: 6,
    solid: { k: p.k, rho: p.rho, cp: heatCapacityTable(f) },
    boundary: (_, faces) => boundaryOf(placing, faces),
    maxStepS: 300,
  })
}

const round = (x: number, digits: number) => Number(x.toFixed(digits))

/** Set at a moment. */
export function setAt(ph: Phases, eggG: number, s: { a: number, b: number, fatSolids: number, tempC: number }, heightM: number): SetResult {
  const m = firmness(ph, eggG, s)
  const tau = yieldStress(m)
  const tauStar = corrected(tau, ph.density)
  return {
    tauPa: quantity(tau, 'Pa', 'fitted', { lnSigma: LN_TAU_SIGMA }), tauStarPa: tauStar, band: bandOf(tauStar), eggPa: m.eggPa, butterPa: m.butterPa,
    tempC: s.tempC, fatSolids: s.fatSolids, standsM: standingHeight(tau, ph.density, STANDS), cutsM: standingHeight(tau, ph.density, CUTS),
    slump: slumpShare(tau, ph.density, heightM), ringSlumpM: RING_M * slumpShare(tau, ph.density, RING_M),
  }
}

/** Everything `assess` worked out, with the intermediate states that sampling starts from. */
export interface Worked {
  assessment: Assessment
  stage: Stage
  finished: Mix
  phases: Phases
  eggG: number
  egg: EggTemperatures | null
  pot: PotRun
  after: History
  coldSolids: number
  plateSolids: number
}

/**
 * Assesses a formula in a kitchen.
 * @returns the assessment, plain data; the same input always gives the same answer
 * @throws {InputError} naming the field, for impossible input; nothing else
 */
export const assess = (doc: FormulaDocument, kitchen: Kitchen): Assessment => work(doc, kitchen).assessment

/** As `assess`, with the intermediate states. @throws {InputError} */
export function work(doc: FormulaDocument, kitchen: Kitchen): Worked {
  checkInputs(doc, kitchen)
  const findings: Finding[] = []
  const find = (code: FindingCode, severity: Severity, station: Station, path: string, params: Finding['params'] = {}) =>
    findings.push({ code, severity, station, path, params })

  // Mix and acidify.
  const stage = stagesOf(doc, kitchen)
  const filling = fillingOf(doc)
  const whole = mix(stage.all)
  if (!(whole.massG > 0)) throw new InputError('noLines', 'components.0.lines')
  const cooked = mix(stage.cooked)
  if (!(cooked.grams.water > 0)) throw new InputError('noWater', 'components.0.lines')
  const pH = pHOfMix(whole)
  const cookedPH = stage.late ? pHOfMix(cooked) : pH
  const eggG = whole.grams.eggWhiteProtein + whole.grams.yolkProtein

  // Heat.
  const cookedAw = waterActivityOf(cooked)
  const { pot, cp, panCapacity } = heatStep(doc, kitchen, cooked, cookedAw)
  const finished = evaporate(whole, pot.evaporatedG)
  const egg = eggTemperatures(cooked, cookedPH)
  const excessK = given(doc.heat.course) ? 0 : Math.max(0, pot.filmC[pot.filmC.length - 1]! - pot.endTempC)
  const carriedK = carryOver(cooked.massG, cp, panCapacity, excessK)
  const stirred = given(doc.heat.course) && !stage.late
    ? { timeS: [0], tempC: [pot.endTempC] }
    : stirInStep(stage, evaporate(cooked, pot.evaporatedG), cp, pot, carriedK, panCapacity, kitchen.roomTempC)
  const mixTempC = stirred.tempC[stirred.tempC.length - 1]!
  const potSet = egg ? cook(pot.history, egg, pot.filmC) : { a: pot.history.timeS.map(() => 0), b: pot.history.timeS.map(() => 0) }

  // Shape.
  const vessel = vesselOf(doc, kitchen)
  const cavity = cavityOf(vessel, doc.assembly.crustM)
  const phases = phasesOf(finished)
  const filledG = Math.max(1, finished.massG * (1 - doc.losses.sieveFraction) - doc.losses.panG)
  const volumeM3 = filledG / 1000 / phases.density
  const depthM = depthOf(volumeM3, cavity, doc.assembly.count)
  const fillShare = volumeM3 / doc.assembly.count / cavityVolume(cavity)
  const inVesselM = Math.min(depthM, cavity.heightM)
  // Pouring: the filling and the cold wall it touches come to one temperature.
  const wallM2 = (cavity.areaM2 + cavity.perimeterM * inVesselM) * doc.assembly.count
  const pourTempC = stirInTemperature(
    { massG: filledG, cp, tempC: mixTempC }, { massG: 1000, cp: wallM2 * WALL_HEAT[vessel.material], tempC: Math.min(kitchen.roomTempC, mixTempC) })

  // Chill.
  const aw = waterActivityOf(finished)
  const chillInput = { finished, radiusM: equivalentRadius(cavity), depthM: inVesselM, volumeM3, pourTempC, aw }
  const chill = chillStep(doc, kitchen, chillInput, false)
  const slow = chillStep(doc, kitchen, chillInput, true)
  const givenCold = given(doc.serve.coldTempC)
  const after: History = givenCold === null
    ? joinHistory(stirred, chill)
    : { timeS: [0, Math.max(0, (pot.endTempC - givenCold) / WHISK_COOL_K_PER_MIN * 60)], tempC: [pot.endTempC, givenCold] }

  // Set: at the end of the pot, and after the core has gone on cooking while it cooled.
  const potEnd = egg ? cookEnd(pot.history, egg, pot.filmC) : { a: 0, b: 0 }
  const afterEnd = egg ? cookEnd(after, undisturbed(egg)) : { a: 0, b: 0 }
  const a = 1 - (1 - potEnd.a) * (1 - afterEnd.a)
  const b = 1 - (1 - potEnd.b) * (1 - afterEnd.b)
  const solids = butterSolids(chill.timeS, chill.coreC)
  const stressAt = (i: number) => yieldStress(firmness(phases, eggG, { a, b, fatSolids: solids[i]!, tempC: chill.coreC[i]! }))
  const stress = chill.timeS.map((_, i) => stressAt(i))
  const fullStress = valueAt(chill.timeS, stress, FULL_SET_S)
  const setShare = stress.map(x => Math.min(1, x / fullStress))
  const chilledS = given(doc.serve.chilledS) ?? chill.totalS
  const pieceHeightM = doc.use.kind === 'cut' || doc.use.kind === 'turnedOut' ? Math.min(doc.use.pieceHeightM, inVesselM) : doc.use.pieceHeightM
  const target: Target = targetOf({ ...doc.use, pieceHeightM }, phases.density)

  let coldTempC = valueAt(chill.timeS, chill.coreC, chilledS)
  let coldSolids = valueAt(chill.timeS, solids, chilledS)
  if (givenCold !== null) {
    const ramp = Math.max(1, (pourTempC - givenCold) / WHISK_COOL_K_PER_MIN * 60)
    const hold = given(doc.serve.chilledS) ?? 18 * 3600
    const n = 60
    const times = Array.from({ length: n + 1 }, (_, i) => i / n * ramp)
    const temps = times.map(t => pourTempC + (givenCold - pourTempC) * t / ramp)
    coldTempC = givenCold
    coldSolids = butterSolids([...times, ramp + hold], [...temps, givenCold]).at(-1)!
  }
  const cold = setAt(phases, eggG, { a, b, fatSolids: coldSolids, tempC: coldTempC }, pieceHeightM)
  const table = tableStep(doc, finished, coldTempC, pieceHeightM, aw)
  const tableSolids = butterSolids(table.timeS, table.meanC, coldSolids)
  const tableStress = table.timeS.map((_, i) => yieldStress(firmness(phases, eggG, { a, b, fatSolids: tableSolids[i]!, tempC: table.meanC[i]! })))
  const plateTempC = valueAt(table.timeS, table.meanC, doc.use.tableTimeS)
  const plateSolids = valueAt(table.timeS, tableSolids, doc.use.tableTimeS)
  const plate = setAt(phases, eggG, { a, b, fatSolids: plateSolids, tempC: plateTempC }, pieceHeightM)
  const standsOnTableS = timeBelow(table.timeS, tableStress, target.plateMinPa)

  // When: ready is three quarters of the 24 h strength and what the use asks for.
  const firstAt = (level: number) => {
    const i = stress.findIndex(x => x >= level)
    if (i <= 0) return i === 0 ? 0 : null
    const share = (level - stress[i - 1]!) / (stress[i]! - stress[i - 1]!)
    return chill.timeS[i - 1]! + share * (chill.timeS[i]! - chill.timeS[i - 1]!)
  }
  const setS = firstAt(SET_SHARE * fullStress)
  const wantedS = firstAt(target.coldMinPa)
  const readyS = setS === null || wantedS === null ? null : Math.max(setS, wantedS)
  const code = CODES[kitchen.foodCode]
  const lastPlace = placeOf(doc.chill[doc.chill.length - 1]!, kitchen)
  const at = (run: { timeS: number[], coreC: number[] }) => (t: number) => timeBelow(run.timeS, run.coreC, t)
  const stages = coolingStages(code, at(chill))
  const slowStages = coolingStages(code, at(slow))
  const safe = stages.every(s => s.passes)
  const safeSlow = slowStages.every(s => s.passes)
  const stirS = stirred.timeS[stirred.timeS.length - 1]!
  const potS = pot.history.timeS[pot.history.timeS.length - 1]!
  const coldS = timeBelow(chill.timeS, chill.coreC, lastPlace.airTempC + 1)

  // Judge: stock and balance.
  const path = `components.${doc.components.indexOf(filling)}.lines`
  const grams = whole.grams
  const unmodelled = [grams.starch > 0.002 * whole.massG && 'starch', stage.all.some(p => p.row.id === 'gelatin' && p.massG > 0) && 'gelatin', stage.all.some(p => (p.row.id === 'agar' || p.row.id === 'pectin') && p.massG > 0) && 'agar', stage.all.some(p => p.row.group === 'dairy' && p.massG > 0.02 * whole.massG) && 'casein'].filter(Boolean) as string[]
  for (const setter of unmodelled) find('notModelled', 'look', 'balance', path, { setter })
  if (eggG <= 0) find('noEgg', 'stop', 'balance', path)
  if (phases.phi > PHASE_INVERSION) find('phaseInversion', 'look', 'balance', path, { fatPercent: 100 * phases.phi })
  if (finished.grams.water < 0.2 * phases.aqueousG) find('waterLow', 'look', 'balance', path, { percent: 100 * finished.grams.water / phases.aqueousG })
  const acidPercent = 100 * whole.acidG / whole.massG
  if (acidPercent < 0.2) find('noAcid', 'look', 'balance', path, { acidPercent })
  if (cookedPH > 4.5 && cookedPH < 5.5 && eggG > 0) find('coarseGel', 'look', 'balance', path, { pH: cookedPH })
  if (pH > 4.2) find('lowAcid', 'stop', 'balance', path, { pH })
  const flavour = taste(finished, pH)
  if (flavour.bitterness === 'bitter' || flavour.bitterness === 'strong') find('bitterZest', 'look', 'balance', path, { gPerKg: flavour.zestGPerKg })

  // Shape.
  if (fillShare > 1) find('overflows', 'stop', 'shape', 'assembly.count', { overG: filledG * (1 - 1 / fillShare) })
  else if (cavity.heightM - depthM < 0.003) find('headroomLow', 'look', 'shape', 'assembly.count', { mm: 1000 * (cavity.heightM - depthM) })

  // Heat.
  const lethalityMin = lethality(pot.history, THERMOMETER_SIGMA_K)
  const lethal = lethalityMin[lethalityMin.length - 1]!
  const peakTempC = Math.max(...pot.history.tempC)
  const firstOver = (values: number[], level: number) => {
    const i = values.findIndex(x => x >= level)
    return i < 0 ? null : pot.history.timeS[i]!
  }
  const grainyAtC = egg ? grainyTemperature(pot, egg, peakTempC) : null
  const marginK = grainyAtC === null ? null : grainyAtC - peakTempC
  if (pot.reachedS === null) find('potStalls', 'stop', 'heat', 'heat.targetTempC', { tempC: pot.endTempC })
  if (egg) {
    if (potEnd.b >= GRAINY) find('grainy', 'stop', 'heat', 'heat.targetTempC', { tempC: peakTempC, share: potEnd.b })
    else if (marginK !== null && marginK < 2) find('grainyNear', 'look', 'heat', 'heat.targetTempC', { marginK })
    if (b >= GRAINY && potEnd.b < GRAINY) find('oversetsInDepth', 'look', 'heat', 'chill.0', { share: b })
    if (a < DONE) find('underset', a < COATS ? 'stop' : 'look', 'heat', 'heat.holdS', { share: a })
    if (lethal < LETHALITY_NEEDED_MIN || peakTempC - THERMOMETER_SIGMA_K < EGG_DISH_C) find('lethalityLow', 'stop', 'heat', 'heat.targetTempC', { minutes: lethal, needMinutes: LETHALITY_NEEDED_MIN, tempC: EGG_DISH_C })
    else find('measure71', 'info', 'heat', 'heat.targetTempC', { tempC: EGG_DISH_C })
  }
  find('reactivePan', 'info', 'heat', 'heat.method')

  // Chill.
  if ((vessel.material === 'glass') && pourTempC > 60) find('hotIntoGlass', 'look', 'chill', 'assembly.vessel.material', { tempC: pourTempC })
  for (const span of chill.spans) {
    const i = doc.chill.indexOf(span.leg)
    const startC = valueAt(chill.timeS, chill.coreC, span.fromS)
    if (span.leg.cover !== 'open' && startC > 45 && placeOf(span.leg, kitchen).kind !== 'iceBath') find('filmTooHot', 'info', 'chill', `chill.${i}.cover`, { tempC: startC })
    if (span.leg.cover === 'open' && i === doc.chill.length - 1) find('uncovered', 'info', 'chill', `chill.${i}.cover`)
  }
  if (!safe) find('coolsTooSlowly', 'stop', 'chill', 'chill', failing(stages))
  else if (!safeSlow) find('coolsAtLimit', 'look', 'chill', 'chill', failing(slowStages))
  if (lastPlace.airTempC > code.holdC) find('fridgeWarm', 'stop', 'chill', `chill.${doc.chill.length - 1}`, { tempC: lastPlace.airTempC, limitC: code.holdC })

  // Serve.
  if (doc.use.tableTimeS > code.counterS) find('counterTooLong', 'stop', 'serve', 'use.tableTimeS', { hours: code.counterS / 3600 })
  const hasStart = /^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(doc.serve.startAt)
  if (!hasStart) find('noStart', 'info', 'serve', 'serve.startAt')
  const lots = filling.lines.flatMap(l => l.strength?.kind === 'lot' ? kitchen.lots.filter(lot => lot.id === (l.strength as { lotId: string }).lotId && lot.useBy) : [])
  const useBy = hasStart && lastPlace.airTempC <= code.holdC ? useByDate(doc.serve.startAt, code, lots.map(l => l.useBy!)) : null
  if (useBy && lots.some(l => l.useBy === useBy)) find('lotDate', 'info', 'serve', 'serve.startAt', { lot: lots.find(l => l.useBy === useBy)!.name })
  find('allergens', 'info', 'serve', path, { list: allergensOf(whole, doc.assembly.crustM > 0).join(',') })
  if (stage.all.some(p => (p.row.id === 'lime' || p.row.id === 'keylime' || p.row.id === 'bergamot') && p.massG > 0)) find('lightSkin', 'info', 'stock', path)
  if (stage.all.some(p => (p.row.id === 'grapefruit' || p.row.id === 'seville') && p.massG > 0)) find('medicines', 'info', 'serve', path)
  if (stage.all.some(p => p.row.group === 'zest' && p.massG > 0)) find('scrubPeel', 'info', 'stock', path)

  // Verdict.
  const early = readyS !== null && chilledS < readyS - 60 && givenCold === null
  let verdict: VerdictCode = 'good'
  if (potEnd.b >= GRAINY || b >= 0.5) verdict = 'grainy'
  else if (a < COATS || cold.tauStarPa < 10) verdict = 'runny'
  else if (cold.tauPa.value < target.coldMinPa) verdict = early ? 'servedBeforeSet' : 'looseCold'
  else if (plate.tauPa.value < target.plateMinPa) verdict = 'sagsOnTable'
  else if (cold.tauPa.value > target.coldMaxPa) verdict = 'tooFirm'
  if (verdict === 'looseCold' || verdict === 'runny') find('looseCold', 'stop', 'balance', path, { tauPa: cold.tauPa.value, needPa: target.coldMinPa })
  if (verdict === 'sagsOnTable') find('sagsOnTable', 'stop', 'serve', 'use.tableTimeS', { afterS: standsOnTableS ?? 0, tempC: plateTempC })
  if (verdict === 'tooFirm') find('tooFirm', 'look', 'balance', path, { tauPa: cold.tauPa.value, maxPa: target.coldMaxPa })
  if (early) find('servedBeforeSet', 'look', 'serve', `chill.${doc.chill.length - 1}.timeS`, { readyS: readyS! })

  // Stock.
  const juices = stage.all.filter(p => p.row.acid && (p.row.group === 'juice' || p.row.group === 'acid') && p.massG > 0)
  const juiceG = juices.reduce((s, p) => s + (p.row.group === 'juice' ? p.massG : 0), 0)
  const juiceAcidG = juices.reduce((s, p) => s + (p.row.group === 'juice' ? p.massG * acidPercentOf(p) / 100 : 0), 0)
  const measured = juices.length > 0 && juices.every(p => p.strength.kind !== 'typical')
  const lnAcid = juiceAcidG > 0 ? Math.sqrt(juices.reduce((s, p) => s + (p.massG * acidPercentOf(p) / 100 / juiceAcidG * acidSigmaOf(p)) ** 2, 0)) : 0
  const whole100 = 100 / whole.massG
  const sugar = sugarsG(whole) * whole100
  const provenance = measured ? 'measured' as const : 'table' as const
  const composition = { water: grams.water * whole100, sugar, fat: grams.fat * whole100, eggProtein: eggG * whole100, acid: acidPercent, other: 0 }
  composition.other = Math.max(0, 100 - composition.water - composition.sugar - composition.fat - composition.eggProtein - composition.acid)

  const stations = Object.fromEntries(STATIONS.map((station) => {
    const mine = findings.filter(f => f.station === station)
    const mark = mine.some(f => f.severity === 'stop') ? 'stop' : mine.some(f => f.severity === 'look') ? 'look' : 'fine'
    const needs = mine.some(f => f.code === 'noStart' || f.code === 'noEgg')
    return [station, { state: needs ? 'needs' : 'ok', mark }]
  })) as Assessment['stations']

  const assessment: Assessment = {
    engineVersion: ENGINE_VERSION,
    schemaVersion: SCHEMA_VERSION,
    stations,
    findings,
    stock: {
      massG: whole.massG, juiceG, juiceAcid: quantity(juiceG ? 100 * juiceAcidG / juiceG : 0, '% acid', provenance, { lnSigma: lnAcid }), juiceProvenance: provenance,
      lines: filling.lines.map((line, i) => ({ id: line.id, acidPercent: stage.all[i]!.row.acid ? acidPercentOf(stage.all[i]!) : null, acidLnSigma: acidSigmaOf(stage.all[i]!) })),
    },
    balance: {
      pH: quantity(pH, 'pH', 'computed', { sigma: Math.hypot(0.05, lnAcid * 0.3) }),
      acidPercent: quantity(acidPercent, '% acid', provenance, { lnSigma: lnAcid }),
      brix: quantity(brix(whole), '°Bx', 'computed', { sigma: 0.5 }),
      sugarToAcid: quantity(sugarToAcid(whole), 'g/g', provenance, { lnSigma: lnAcid }),
      waterActivity: quantity(aw, '', 'computed', { sigma: 0.01 }),
      fatPercent: quantity(composition.fat, '%', 'table'),
      composition, taste: flavour, sharpness: flavour.sharpness,
    },
    shape: {
      volumeM3, depthM, headroomM: cavity.heightM - depthM, fillShare, count: doc.assembly.count, portionG: filledG / doc.assembly.portions,
      batchG: filledG, density: phases.density, pieceHeightM,
    },
    heat: {
      reachedS: pot.reachedS, endS: potS, timeS: pot.history.timeS.slice(), tempC: pot.history.tempC.slice(), setting: potSet.a, oversetting: potSet.b,
      lethalityMin, t60C: egg?.t60C ?? null, t60bC: egg?.t60bC ?? null, coatsS: firstOver(potSet.a, COATS), doneS: firstOver(potSet.a, DONE),
      grainyS: firstOver(potSet.b, GRAINY), grainyAtC, marginK, a, b, lethality: quantity(lethal, 'min at 70 °C', 'computed'), evaporatedG: pot.evaporatedG, peakTempC, pourTempC,
    },
    chill: {
      timeS: chill.timeS, coreC: chill.coreC, meanC: chill.meanC, slowCoreC: chill.timeS.map(t => valueAt(slow.timeS, slow.coreC, t)), setShare,
      legs: chill.spans.map(s => ({ id: s.leg.id, fromS: s.fromS, toS: s.toS, airTempC: placeOf(s.leg, kitchen).airTempC, kind: placeOf(s.leg, kitchen).kind })),
      to21S: at(chill)(21), to8S: at(chill)(8), to5S: at(chill)(5), stages, slowStages, safe, safeSlow, readyS, coldS, servedS: chilledS,
    },
    serve: {
      readyAfterS: readyS === null ? null : potS + stirS + readyS, servedAfterS: potS + stirS + chilledS, useBy, standsOnTableS, tableTimeS: doc.use.tableTimeS, plateTempC,
    },
    verdict: { code: verdict, cold, plate, target },
  }
  return { assessment, stage, finished, phases, eggG, egg, pot, after, coldSolids, plateSolids }
}

const acidSigmaOf = (p: MixPart): number => p.strength.kind === 'typical' ? acidLogSigma(p.row) : 0.03

/** The stage a cooling fails, for the finding. */
function failing(stages: ReturnType<typeof coolingStages>): Finding['params'] {
  const worst = stages.find(s => !s.passes)!
  return { toC: worst.toC, withinS: worst.withinS, takesS: worst.takesS ?? -1 }
}

/** Pot's end, stirring in and cooling as one core history, to where the egg has stopped. */
function joinHistory(stirred: History, chill: { timeS: number[], coreC: number[] }): History {
  const offset = stirred.timeS[stirred.timeS.length - 1]!
  const timeS = [...stirred.timeS]
  const tempC = [...stirred.tempC]
  for (let i = 1; i < chill.timeS.length && tempC[tempC.length - 1]! > 50; i++) {
    timeS.push(offset + chill.timeS[i]!)
    tempC.push(chill.coreC[i]!)
  }
  return { timeS, tempC }
}

/** Peak at which the same course would turn grainy, °C: the whole course shifted, by bisection. */
function grainyTemperature(pot: PotRun, egg: EggTemperatures, peakC: number): number {
  let low = -15
  let high = 20
  for (let i = 0; i < 14; i++) {
    const middle = (low + high) / 2
    if (cookEnd(pot.history, egg, pot.filmC, middle).b < GRAINY) low = middle
    else high = middle
  }
  return round(peakC + (low + high) / 2, 2)
}

function allergensOf(m: Mix, crust: boolean): string[] {
  const list: string[] = []
  if (m.grams.eggWhiteProtein + m.grams.yolkProtein > 0) list.push('egg')
  if (crust || m.grams.milkFat > 0 || m.grams.casein > 0) list.push('milk')
  if (crust || m.parts.some(p => p.row.id === 'flour' && p.massG > 0)) list.push('gluten')
  if (m.parts.some(p => (p.row.id === 'wine_white' || p.row.id === 'wine_late') && p.massG > 0)) list.push('sulphites')
  return list
}
