/**
 * The one pipeline: mix → acidify → heat → chill → set → taste → keep → judge.
 * Each step is a pure function from plain data to plain data; `assess` composes them and nothing else does.
 */
import { pHOfMix } from './acidity/acidity'
import { ENGINE_VERSION, STATIONS, quantity, type Assessment, type Composition, type Finding } from './assessment'
import { timeBelow, valueAt } from './chill/conduction'
import { chillStep, FULL_SET_S, joinHistory, tableStep, type Cooling } from './chill/cooling'
import { WALL_HEAT } from './chill/places'
import { butterSolids } from './chill/setting'
import { InputError } from './errors'
import { fillingOf, given, placeOf, SCHEMA_VERSION, vesselOf, type FormulaDocument, type Kitchen } from './formula/document'
import { acidPercentOf, brix, evaporate, mix, sugarsG, type Mix, type MixPart } from './formula/mix'
import { stagesOf, type Stage } from './formula/stages'
import { grainyTemperature, heatStep, stirInStep, WHISK_COOL_K_PER_MIN } from './heat/cooking'
import { COATS, DONE, GRAINY, cook, cookEnd, eggTemperatures, undisturbed, type EggTemperatures, type History } from './heat/egg'
import { stirInTemperature, type PotRun } from './heat/pot'
import { acidLogSigma } from './ingredients'
import { checkInputs } from './inputs'
import { judge, THERMOMETER_SIGMA_K } from './judge'
import { CODES, coolingStages } from './safety/keeping'
import { lethality } from './safety/lethality'
import { targetOf } from './set/bands'
import { firmness, phasesOf, yieldStress } from './set/firmness'
import { setAt } from './set/state'
import { sugarToAcid, taste, waterActivityOf } from './taste/taste'
import { cavityOf, cavityVolume, depthOf, equivalentRadius } from './vessel/geometry'

/** Part of the 24 h strength that counts as set through. */
const SET_SHARE = 0.75
/** One σ of ln(acidity) of a measured juice: a titration read to 3 % (judgement). */
export const LN_MEASURED_ACID_SIGMA = 0.03

/** Everything `assess` worked out, with the intermediate states that sampling starts from. */
export interface Worked {
  assessment: Assessment
  stage: Stage
  pot: PotRun
  /** Core history from the end of the pot until the egg has stopped. */
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

  // Mix and acidify.
  const stage = stagesOf(doc, kitchen)
  const path = `components.${doc.components.indexOf(fillingOf(doc))}.lines`
  const whole = mix(stage.all)
  // Less than a gram is no batch yet.
  if (!(whole.massG >= 1)) throw new InputError('noLines', path)
  const cooked = mix(stage.cooked)
  if (!(cooked.grams.water > 0)) throw new InputError('noWater', path)
  const pH = pHOfMix(whole)
  const cookedPH = stage.late ? pHOfMix(cooked) : pH
  const eggG = whole.grams.eggWhiteProtein + whole.grams.yolkProtein

  // Heat.
  const { pot, cp, panCapacity } = heatStep(doc, kitchen, cooked, waterActivityOf(cooked))
  const egg = eggTemperatures(cooked, cookedPH)
  const stirred = given(doc.heat.course) && !stage.late
    ? { timeS: [0], tempC: [pot.endTempC] }
    : stirInStep(stage, evaporate(cooked, pot.evaporatedG), cp, pot, panCapacity, kitchen.roomTempC)
  const finished = evaporate(whole, pot.evaporatedG)
  const aw = waterActivityOf(finished)
  const phases = phasesOf(finished)

  // Shape, and pouring: the filling and the cold wall it touches come to one temperature.
  const shape = shapeStep(doc, kitchen, finished.massG, phases.density)
  const mixTempC = stirred.tempC[stirred.tempC.length - 1]!
  const pourTempC = stirInTemperature(
    { massG: shape.filledG, cp, tempC: mixTempC }, { massG: 1000, cp: shape.wallHeat, tempC: Math.min(kitchen.roomTempC, mixTempC) })

  // Chill.
  const chillInput = { finished, radiusM: shape.radiusM, depthM: shape.inVesselM, volumeM3: shape.volumeM3, pourTempC, aw }
  const chill = chillStep(doc, kitchen, chillInput, false)
  const slow = chillStep(doc, kitchen, chillInput, true)

  // Set: the egg in the pot and as it cools, the butter as it hardens.
  const statedC = given(doc.serve.coldTempC)
  const after: History = statedC === null ? joinHistory(stirred, chill) : rampTo(statedC, pot.endTempC)
  const { potB, a, b } = eggEnd(egg, pot, after)
  const solids = butterSolids(chill.timeS, chill.coreC)
  const stressOf = (fatSolids: number, tempC: number) => yieldStress(firmness(phases, eggG, { a, b, fatSolids, tempC }))
  const stress = chill.timeS.map((_, i) => stressOf(solids[i]!, chill.coreC[i]!))
  const chilledS = given(doc.serve.chilledS) ?? chill.totalS
  const cut = doc.use.kind === 'cut' || doc.use.kind === 'turnedOut'
  const pieceHeightM = cut ? Math.min(doc.use.pieceHeightM, shape.inVesselM) : doc.use.pieceHeightM
  const target = targetOf({ ...doc.use, pieceHeightM }, phases.density)
  const coldTempC = statedC ?? valueAt(chill.timeS, chill.coreC, chilledS)
  const coldSolids = statedC === null ? valueAt(chill.timeS, solids, chilledS) : statedSolids(pourTempC, statedC, given(doc.serve.chilledS) ?? 18 * 3600)
  const cold = setAt(phases, eggG, { a, b, fatSolids: coldSolids, tempC: coldTempC }, pieceHeightM)
  const table = tableStep(doc, finished, coldTempC, pieceHeightM, aw)
  const tableSolids = butterSolids(table.timeS, table.meanC, coldSolids)
  const plateTempC = valueAt(table.timeS, table.meanC, doc.use.tableTimeS)
  const plateSolids = valueAt(table.timeS, tableSolids, doc.use.tableTimeS)
  const plate = setAt(phases, eggG, { a, b, fatSolids: plateSolids, tempC: plateTempC }, pieceHeightM)
  const standsOnTableS = timeBelow(table.timeS, table.timeS.map((_, i) => stressOf(tableSolids[i]!, table.meanC[i]!)), target.plateMinPa)

  // When: ready is three quarters of the 24 h strength, and what the use asks for.
  const fullStress = valueAt(chill.timeS, stress, FULL_SET_S)
  const setS = timeAbove(chill.timeS, stress, SET_SHARE * fullStress)
  const wantedS = timeAbove(chill.timeS, stress, target.coldMinPa)
  const readyS = setS === null || wantedS === null ? null : Math.max(setS, wantedS)
  const code = CODES[kitchen.foodCode]
  const coreBelow = (run: Cooling) => (t: number) => timeBelow(run.timeS, run.coreC, t)
  const stages = coolingStages(code, coreBelow(chill))
  const slowStages = coolingStages(code, coreBelow(slow))

  // Taste, keep and judge.
  const flavour = taste(finished, pH)
  const heat = heatFigures(pot, egg)
  const { findings, verdict, useBy } = judge({
    doc, kitchen, whole, finished, phases, eggG, pH, cookedPH, flavour, cooling: chill, stages, slowStages, readyS, chilledS, statedCold: statedC !== null, cold, plate, target, standsOnTableS,
    shape: { fillShare: shape.fillShare, filledG: shape.filledG, headroomM: shape.headroomM },
    heat: { stalled: pot.reachedS === null, endTempC: pot.endTempC, peakTempC: heat.peakTempC, marginK: heat.marginK, lethalMin: heat.lethality.value, potB, a, b, pourTempC },
  })

  const stock = stockFigures(doc, stage)
  const acid = { provenance: stock.juiceProvenance, spread: { lnSigma: stock.juiceAcid.lnSigma ?? 0 } }
  const composition = compositionOf(whole, eggG)
  const untilPouredS = heat.endS + stirred.timeS[stirred.timeS.length - 1]!
  const lastPlace = placeOf(doc.chill[doc.chill.length - 1]!, kitchen)
  const assessment: Assessment = {
    engineVersion: ENGINE_VERSION,
    schemaVersion: SCHEMA_VERSION,
    stations: stationStates(findings),
    findings,
    stock,
    balance: {
      // One σ of pH: the model's own .05, and acid at about .3 pH per unit of ln (slope of the charge balance near pH 3).
      pH: quantity(pH, 'pH', 'computed', { sigma: Math.hypot(0.05, acid.spread.lnSigma * 0.3) }),
      acidPercent: quantity(composition.acid, '% acid', acid.provenance, acid.spread),
      brix: quantity(brix(whole), '°Bx', 'computed', { sigma: 0.5 }),
      sugarToAcid: quantity(sugarToAcid(whole), 'g/g', acid.provenance, acid.spread),
      waterActivity: quantity(aw, '', 'computed', { sigma: 0.01 }),
      fatPercent: quantity(composition.fat, '%', 'table'),
      composition, taste: flavour, sharpness: flavour.sharpness,
    },
    shape: {
      volumeM3: shape.volumeM3, depthM: shape.depthM, headroomM: shape.headroomM, fillShare: shape.fillShare, count: doc.assembly.count, portionG: shape.filledG / doc.assembly.portions,
      batchG: shape.filledG, density: phases.density, pieceHeightM,
    },
    heat: { ...heat, a, b, pourTempC },
    chill: {
      timeS: chill.timeS, coreC: chill.coreC, meanC: chill.meanC, slowCoreC: chill.timeS.map(t => valueAt(slow.timeS, slow.coreC, t)), // What never sets has no share of it.
      setShare: stress.map(x => fullStress > 0 ? Math.min(1, x / fullStress) : 0),
      legs: chill.spans.map(s => ({ id: s.leg.id, fromS: s.fromS, toS: s.toS, airTempC: placeOf(s.leg, kitchen).airTempC, kind: placeOf(s.leg, kitchen).kind })),
      to21S: coreBelow(chill)(21), to8S: coreBelow(chill)(8), to5S: coreBelow(chill)(5), stages, slowStages,
      safe: stages.every(s => s.passes), safeSlow: slowStages.every(s => s.passes), readyS, coldS: coreBelow(chill)(lastPlace.airTempC + 1), servedS: chilledS,
    },
    serve: { readyAfterS: readyS === null ? null : untilPouredS + readyS, servedAfterS: untilPouredS + chilledS, useBy, standsOnTableS, tableTimeS: doc.use.tableTimeS, plateTempC },
    verdict: { code: verdict, cold, plate, target },
  }
  return { assessment, stage, pot, after, coldSolids, plateSolids }
}

/** Filled mass, depth, headroom, and what the cooling needs of the vessel. */
function shapeStep(doc: FormulaDocument, kitchen: Kitchen, massG: number, density: number) {
  const vessel = vesselOf(doc, kitchen)
  const { count, crustM } = doc.assembly
  const cavity = cavityOf(vessel, crustM)
  const filledG = Math.max(1, massG * (1 - doc.losses.sieveFraction) - doc.losses.panG)
  const volumeM3 = filledG / 1000 / density
  const depthM = depthOf(volumeM3, cavity, count)
  const inVesselM = Math.min(depthM, cavity.heightM)
  return {
    filledG, volumeM3, depthM, inVesselM, headroomM: cavity.heightM - depthM, fillShare: volumeM3 / count / cavityVolume(cavity), radiusM: equivalentRadius(cavity),
    /** J/K of the walls the filling touches. */
    wallHeat: (cavity.areaM2 + cavity.perimeterM * inVesselM) * count * WALL_HEAT[vessel.material],
  }
}

/** The stated way down: 3 K/min to the stated temperature. */
const rampTo = (statedC: number, fromC: number): History => ({ timeS: [0, Math.max(0, (fromC - statedC) / WHISK_COOL_K_PER_MIN * 60)], tempC: [fromC, statedC] })

/** Butter solids after the stated way down and the stated time in the cold. */
function statedSolids(fromC: number, statedC: number, holdS: number): number {
  const rampS = Math.max(1, (fromC - statedC) / WHISK_COOL_K_PER_MIN * 60)
  const times = Array.from({ length: 61 }, (_, i) => i / 60 * rampS)
  const solids = butterSolids([...times, rampS + holdS], [...times.map(t => fromC + (statedC - fromC) * t / rampS), statedC])
  return solids[solids.length - 1]!
}

/** Setting and over-setting at the end of the pot, and after the core has gone on cooking while it cooled. */
function eggEnd(egg: EggTemperatures | null, pot: PotRun, after: History): { potB: number, a: number, b: number } {
  if (!egg) return { potB: 0, a: 0, b: 0 }
  const inPot = cookEnd(pot.history, egg, pot.filmC)
  const later = cookEnd(after, undisturbed(egg))
  return { potB: inPot.b, a: 1 - (1 - inPot.a) * (1 - later.a), b: 1 - (1 - inPot.b) * (1 - later.b) }
}

/** First time a rising curve reaches a level, s; null if it never does. */
const timeAbove = (timeS: readonly number[], values: readonly number[], level: number): number | null => timeBelow(timeS, values.map(v => -v), -level)

/** The pot's curves with their moments: coats, done, grainy, lethality. */
function heatFigures(pot: PotRun, egg: EggTemperatures | null) {
  const { timeS, tempC } = pot.history
  const none = timeS.map(() => 0)
  const set = egg ? cook(pot.history, egg, pot.filmC) : { a: none, b: none }
  const firstOver = (values: number[], level: number) => {
    const i = values.findIndex(x => x >= level)
    return i < 0 ? null : timeS[i]!
  }
  const lethalityMin = lethality(pot.history, THERMOMETER_SIGMA_K)
  const peakTempC = Math.max(...tempC)
  const grainyAtC = egg ? grainyTemperature(pot, egg, peakTempC) : null
  return {
    reachedS: pot.reachedS, endS: timeS[timeS.length - 1]!, timeS: timeS.slice(), tempC: tempC.slice(), setting: set.a, oversetting: set.b, lethalityMin,
    t60C: egg?.t60C ?? null, t60bC: egg?.t60bC ?? null, coatsS: firstOver(set.a, COATS), doneS: firstOver(set.a, DONE), grainyS: firstOver(set.b, GRAINY), grainyAtC,
    marginK: grainyAtC === null ? null : grainyAtC - peakTempC, lethality: quantity(lethalityMin[lethalityMin.length - 1]!, 'min at 70 °C', 'computed'), evaporatedG: pot.evaporatedG, peakTempC,
  }
}

/** One σ of ln(acidity) of a part. */
export const acidSigmaOf = (p: MixPart): number => p.strength.kind === 'typical' ? acidLogSigma(p.row) : LN_MEASURED_ACID_SIGMA

/** The juices together: how much, how strong, how surely. */
function stockFigures(doc: FormulaDocument, stage: Stage): Assessment['stock'] {
  const juices = stage.all.filter(p => p.row.group === 'juice' && p.row.acid && p.massG > 0)
  const acidOf = (p: MixPart) => p.massG * acidPercentOf(p) / 100
  const juiceG = juices.reduce((s, p) => s + p.massG, 0)
  const acidG = juices.reduce((s, p) => s + acidOf(p), 0)
  const lnSigma = acidG > 0 ? Math.sqrt(juices.reduce((s, p) => s + (acidOf(p) / acidG * acidSigmaOf(p)) ** 2, 0)) : 0
  const provenance = juices.length > 0 && juices.every(p => p.strength.kind !== 'typical') ? 'measured' : 'table'
  return {
    massG: stage.all.reduce((s, p) => s + p.massG, 0), juiceG, juiceAcid: quantity(juiceG > 0 ? 100 * acidG / juiceG : 0, '% acid', provenance, { lnSigma }), juiceProvenance: provenance,
    lines: fillingOf(doc).lines.map((line, i) => ({ id: line.id, acidPercent: stage.all[i]!.row.acid ? acidPercentOf(stage.all[i]!) : null, acidLnSigma: acidSigmaOf(stage.all[i]!) })),
  }
}

/** Shares of the whole, %. */
function compositionOf(m: Mix, eggG: number): Composition {
  const percent = (g: number) => 100 * g / m.massG
  const c = { water: percent(m.grams.water), sugar: percent(sugarsG(m)), fat: percent(m.grams.fat), eggProtein: percent(eggG), acid: percent(m.acidG) }
  return { ...c, other: Math.max(0, 100 - c.water - c.sugar - c.fat - c.eggProtein - c.acid) }
}

/** A station's mark is its gravest finding. */
function stationStates(findings: Finding[]): Assessment['stations'] {
  return Object.fromEntries(STATIONS.map((station) => {
    const mine = findings.filter(f => f.station === station)
    const mark = mine.some(f => f.severity === 'stop') ? 'stop' : mine.some(f => f.severity === 'look') ? 'look' : 'fine'
    return [station, { state: mine.some(f => f.code === 'noStart' || f.code === 'noEgg') ? 'needs' : 'ok', mark }]
  })) as Assessment['stations']
}
