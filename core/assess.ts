/**
 * The one pipeline: mix → acidify → heat → chill → set → taste → keep → judge.
 * Each step is a pure function from plain data to plain data; `assess` composes them and nothing else does.
 */
import { pHOfMix } from './acidity/acidity'
import { ENGINE_VERSION, STATIONS, quantity, type Assessment, type Composition, type Finding } from './assessment'
import { timeAbove, timeBelow, valueAt } from './chill/conduction'
import { chillStep, FULL_SET_S, joinHistory, SLOW_FACTOR, tableStep, type ChillInput, type Cooling } from './chill/cooling'
import { FIRM_MEAN_C, thawedAt } from './chill/freezing'
import { CAPACITY_W, firstHourW } from './chill/load'
import { WALL_HEAT } from './chill/places'
import { CREAM_KNITS_C, settingAlong, UNSET, type Setting, type SettingInputs } from './chill/setting'
import { InputError } from './errors'
import { sourCentreOf } from './families/families'
import { fillingOf, given, ovenAirC, panOf, placeOf, SCHEMA_VERSION, vesselOf, type FormulaDocument, type Kitchen } from './formula/document'
import { acidPercentOf, brix, evaporate, mix, sugarsG, type Mix, type MixPart } from './formula/mix'
import { stagesOf, type Stage } from './formula/stages'
import { grainyTemperature, heatStep, joinStep, WHISK_COOL_K_PER_MIN } from './heat/cooking'
import type { History } from './heat/dose'
import { COATS, DONE, dosesOf, eggTemperatures, extentsOf, GRAINY, oversettingCurve, secondsToGrainy, settingCurve, undisturbed, type Doses, type EggTemperatures } from './heat/egg'
import { runOven, type Bake } from './heat/oven'
import { stirInTemperature, type PotRun } from './heat/pot'
import { fractionsOf, heatCapacityTable, thermalProperties } from './heat/properties'
import { addedSugarG, reductionTarget, type ReductionTarget } from './heat/reduction'
import { acidLogSigma } from './ingredients'
import { DENSITIES } from './ingredients/measures'
import { checkInputs } from './inputs'
import { judge, THERMOMETER_SIGMA_K } from './judge'
import { CODES, coolingStages } from './safety/keeping'
import { lethality } from './safety/lethality'
import { targetOf } from './set/bands'
import { bodyOf, firmness, phasesOf, starchCooked, starchTemperature, yieldStress, type Body } from './set/firmness'
import { caseinBelow, makingOf, peakOf } from './set/making'
import { SET_SHARE, setAt } from './set/state'
import { weepingOf } from './set/weeping'
import { sugarToAcid, taste, waterActivityOf } from './taste/taste'
import { areaAt, cavityOf, cavityVolume, depthOf, equivalentRadius, leanOf, sideArea } from './vessel/geometry'

/** One σ of ln(acidity) of a measured juice: a titration read to 3 % (judgement). */
export const LN_MEASURED_ACID_SIGMA = 0.03

/** The heat that the egg went through: one history for a stirred pot, one a layer for a bake. */
interface Cooking {
  histories: readonly History[]
  /** Film on the pan wall beside each history. */
  films: readonly (readonly number[])[]
  /** Mean or bulk temperature, and the coldest part. */
  core: History
  stirred: boolean
}

/** The egg of a formula, with what heat and the way down have done to it: enough to shift temperatures without running again. */
export interface EggWork {
  temperatures: EggTemperatures
  /** One for each history of the heat. */
  heat: readonly Doses[]
  after: Doses
}

/** Everything `assess` worked out, with the intermediate states that sampling starts from. */
export interface Worked {
  assessment: Assessment
  stage: Stage
  egg: EggWork | null
  evaporatedG: number
  body: Body
  paths: Paths
  cold: ColdWork
}

/** What the time in the cold starts from and is asked for: enough to run it again another way. */
export interface ColdWork {
  chill: ChillInput
  inputs: SettingInputs
  start: Setting
  a: number
  b: number
  /** Yield stress wanted when it is cut, Pa. */
  wantedPa: number
}

/** Temperature histories that a filling's making follows from: of what was heated, and of the whole afterwards. */
export interface Paths {
  heated: History
  after: History
  /** Seconds from the end of the heat at which each addition was in. */
  joinedS: number[]
}

/**
 * Assesses a formula in a kitchen.
 * @returns the assessment, plain data; the same input always gives the same answer
 * @throws {InputError} naming the field, for impossible input; nothing else
 */
export const assess = (doc: FormulaDocument, kitchen: Kitchen): Assessment => work(doc, kitchen).assessment

/**
 * The part of an assessment that no time passes in: whether every value is possible, and what is mixed. Some hundred
 * times cheaper than `assess`, so a save can ask for it.
 * @throws {InputError} naming the field, as `assess` would
 * @example mixStep(doc, kitchen).whole.massG // 730
 */
export function mixStep(doc: FormulaDocument, kitchen: Kitchen): { stage: Stage, whole: Mix, cooked: Mix } {
  checkInputs(doc, kitchen)
  const stage = stagesOf(doc, kitchen)
  const path = `components.${doc.components.indexOf(fillingOf(doc))}.lines`
  const whole = mix(stage.all)
  // Less than a gram is no batch yet.
  if (!(whole.massG >= 1)) throw new InputError('noLines', path)
  const cooked = mix(stage.cooked)
  if (!(cooked.grams.water > 0)) throw new InputError('noWater', path)
  return { stage, whole, cooked }
}

/** As `assess`, with the intermediate states. @throws {InputError} */
export function work(doc: FormulaDocument, kitchen: Kitchen): Worked {
  // Mix and acidify.
  const { stage, whole, cooked } = mixStep(doc, kitchen)
  const pH = pHOfMix(whole)
  const cookedPH = stage.additions.length ? pHOfMix(cooked) : pH
  const eggG = whole.grams.eggWhiteProtein + whole.grams.yolkProtein

  // Heat in the pot, what joins afterwards, and the vessel.
  const heated = heatStep(doc, kitchen, cooked, waterActivityOf(cooked))
  const { pot, cp } = heated
  const joined = joinStep(doc, stage, heated, kitchen.roomTempC)
  const mixed = evaporate(whole, pot.evaporatedG)
  const mixTempC = joined.history.tempC[joined.history.tempC.length - 1]!
  const baked = doc.heat.method === 'oven' && given(doc.heat.course) === null
  const statedStirred = given(doc.set.stirred)
  const stirred = statedStirred ?? doc.heat.method !== 'oven'
  const airless = phasesOf(mixed)

  // Heat in the oven, for what is baked; then what the set depends on.
  const making = (history: History, after: History, m: Mix) => bodyOf(m, pH, makingOf({ doc, stage, heated: history, after, joinedS: joined.met.map(x => x.atS), cookedPH }))
  const flat = shapeStep(doc, kitchen, mixed.massG, airless.density)
  const bake = baked ? bakeStep(doc, kitchen, mixed, flat, mixTempC) : null
  const evaporatedG = given(doc.heat.evaporationG) ?? pot.evaporatedG + (bake ? Math.min(bake.evaporatedKgM2 * 1000 * flat.areaM2, 0.3 * mixed.grams.water) : 0)
  const finished = evaporate(whole, evaporatedG)
  const cooking: Cooking = bake
    ? { histories: bake.layers, films: bake.layers.map(l => l.tempC), core: bake.core, stirred }
    : { histories: [pot.history], films: [pot.filmC], core: pot.history, stirred }
  const body = making(bake ? bake.core : pot.history, joined.history, finished)
  const temperatures = eggTemperatures(cooked, cookedPH)
  const aw = waterActivityOf(finished)
  const { phases } = body
  const shape = shapeStep(doc, kitchen, finished.massG, phases.density)
  // Pouring: the filling and the cold wall it touches come to one temperature; a bake comes out as hot as it is.
  const pourTempC = bake
    ? bake.meanEndC
    : stirInTemperature({ massG: shape.filledG, cp, tempC: mixTempC }, { massG: 1000, cp: shape.wallHeat, tempC: Math.min(kitchen.roomTempC, mixTempC) })

  // Chill.
  const chillInput = { finished, air: phases.air, radiusM: shape.radiusM, depthM: shape.inVesselM, volumeM3: shape.volumeM3, pourTempC, aw }
  const chill = chillStep(doc, kitchen, chillInput)
  const slow = chillStep(doc, kitchen, chillInput, { hcFactor: SLOW_FACTOR, rough: true })

  // Set: the egg in the heat and as it cools, then everything that time makes.
  const statedC = given(doc.serve.coldTempC)
  const after: History = statedC === null ? (bake ? joinHistory({ timeS: [0], tempC: [pourTempC] }, chill) : joinHistory(joined.history, chill)) : rampTo(statedC, pot.endTempC)
  const egg = temperatures && eggWork(temperatures, cooking, after)
  const { potB, a, b, coreA } = eggEnd(egg)
  const inputs = { pH, caseinC: body.caseinC, caseinBelowC: caseinBelow(stage.all, stirred, CREAM_KNITS_C) }
  const start = stirred ? UNSET : settledIn(cooking, inputs)
  const settings = settingAlong(chill.timeS, chill.coreC, inputs, start)
  const stressOf = (s: Setting, tempC: number) => stressAt(body, s, tempC, a, b)
  const stress = chill.timeS.map((_, i) => stressOf(settings[i]!, chill.coreC[i]!))
  const chilledS = given(doc.serve.chilledS) ?? chill.totalS
  const cut = doc.use.kind === 'cut' || doc.use.kind === 'turnedOut'
  const pieceHeightM = cut ? Math.min(doc.use.pieceHeightM, shape.inVesselM) : doc.use.pieceHeightM
  const target = targetOf({ ...doc.use, pieceHeightM }, phases.density)
  const coldTempC = statedC ?? valueAt(chill.timeS, chill.coreC, chilledS)
  const coldSetting = statedC === null ? settingAt(chill.timeS, settings, chilledS) : statedSetting(after, statedC, given(doc.serve.chilledS) ?? 18 * 3600, inputs, start)
  const cold = setAt(body, { ...coldSetting, a, b, tempC: coldTempC }, pieceHeightM)
  const table = tableStep(doc, finished, coldTempC, pieceHeightM, aw)
  const tableSettings = settingAlong(table.timeS, table.meanC, inputs, coldSetting)
  const plateTempC = valueAt(table.timeS, table.meanC, doc.use.tableTimeS)
  const plate = setAt(body, { ...settingAt(table.timeS, tableSettings, doc.use.tableTimeS), a, b, tempC: plateTempC }, pieceHeightM)
  const tablePa = table.timeS.map((_, i) => stressOf(tableSettings[i]!, table.meanC[i]!))
  const standsOnTableS = timeBelow(table.timeS, tablePa, target.plateMinPa)

  // When: ready is three quarters of the 24 h strength, and what the use asks for; frozen, only once thawed.
  const fullStress = valueAt(chill.timeS, stress, FULL_SET_S)
  const freeze = freezeFigures(chill)
  const frozen = freeze !== null && freeze.firmS !== null
  const notBefore = frozen ? freeze.thawedS : 0
  const setS = timeAbove(chill.timeS, stress, SET_SHARE * fullStress)
  const wantedS = timeAbove(chill.timeS, stress, target.coldMinPa)
  const readyS = setS === null || wantedS === null || notBefore === null ? null : Math.max(setS, wantedS, notBefore)
  const code = CODES[kitchen.foodCode]
  const coreBelow = (run: Cooling) => (t: number) => timeBelow(run.timeS, run.coreC, t)
  const stages = coolingStages(code, coreBelow(chill))
  const slowStages = coolingStages(code, coreBelow(slow))

  // Taste, keep and judge.
  const flavour = taste(finished, pH, sourCentreOf(doc.family, doc.school))
  const heat = heatFigures(cooking, egg, bake ? bake.reachedS : pot.reachedS, evaporatedG, lateEggLethality(stage, joined.met.map(x => x.atS), after))
  const load = loadOf(chill, kitchen, shape.filledG, finished)
  const weeping = weepingOf(finished, body, cold.mechanismsPa, b, freeze !== null && freeze.mostIce > 0.1)
  const { findings, verdict, useBy, storageDays } = judge({
    doc, kitchen, stage, whole, finished, body, eggG, pH, cookedPH, flavour, cooling: chill, stages, slowStages, readyS, chilledS, statedCold: statedC !== null, cold, plate, target, standsOnTableS, weeping, freeze,
    met: joined.met,
    shape: { fillShare: shape.fillShare, filledG: shape.filledG, headroomM: shape.headroomM, lean: shape.lean }, load,
    heat: { stalled: (bake ? bake.reachedS : pot.reachedS) === null, endTempC: bake ? bake.core.tempC[bake.core.tempC.length - 1]! : pot.endTempC, peakTempC: heat.peakTempC, marginK: heat.marginK, lethalMin: heat.lethality.value, potB, a, b, coreA, pourTempC },
  })

  const stock = stockFigures(doc, stage)
  const acid = { provenance: stock.juiceProvenance, spread: { lnSigma: stock.juiceAcid.lnSigma ?? 0 } }
  const composition = compositionOf(whole, eggG)
  const untilPouredS = heat.endS + joined.history.timeS[joined.history.timeS.length - 1]!
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
      sugarPercent: quantity(composition.sugar, '%', 'table'),
      alcoholPercent: 100 * finished.ethanolG / finished.massG,
      composition, taste: flavour, sharpness: flavour.sharpness,
    },
    shape: {
      volumeM3: shape.volumeM3, depthM: shape.depthM, headroomM: shape.headroomM, fillShare: shape.fillShare, count: doc.assembly.count, portionG: shape.filledG / doc.assembly.portions,
      batchG: shape.filledG, density: phases.density, pieceHeightM, lean: shape.lean,
    },
    heat: { ...heat, a, b, coreA, pourTempC, evaporationG: evaporationCurve(heat.timeS, pot, bake, evaporatedG), starchShare: starchCurve(heat.timeS, heat.tempC, body.starchC, finished), joins: joined.met.map((m, i) => ({ step: stage.additions[i]!.step, ...m })), carryK: carryOf(heated.inPan, joined.history, bake), panG: cooked.massG - pot.evaporatedG, reduction: doc.heat.until === 'creamVolume' ? reductionOf(stage.cooked, panOf(doc, kitchen)?.tareG ?? 0) : null },
    set: { making: body.making, eggC: body.eggC, caseinC: body.caseinC, starchC: body.starchC, gelatinC: body.gelatinC, starchCooked: body.starchCooked, weeping },
    chill: {
      timeS: chill.timeS, coreC: chill.coreC, meanC: chill.meanC, slowCoreC: chill.timeS.map(t => valueAt(slow.timeS, slow.coreC, t)), // What never sets has no share of it.
      setShare: stress.map(x => fullStress > 0 ? Math.min(1, x / fullStress) : 0),
      legs: chill.spans.map(s => ({ id: s.leg.id, fromS: s.fromS, toS: s.toS, airTempC: placeOf(s.leg, kitchen).airTempC, kind: placeOf(s.leg, kitchen).kind })),
      to21S: coreBelow(chill)(21), to8S: coreBelow(chill)(8), to5S: coreBelow(chill)(5), stages, slowStages,
      safe: stages.every(s => s.passes), safeSlow: slowStages.every(s => s.passes), readyS, coldS: coreBelow(chill)(lastPlace.airTempC + 1), servedS: chilledS, load, freeze,
    },
    serve: { readyAfterS: readyS === null ? null : untilPouredS + readyS, servedAfterS: untilPouredS + chilledS, useBy, storageDays, standsOnTableS, tableTimeS: doc.use.tableTimeS, plateTempC, table: { timeS: table.timeS, meanC: table.meanC, tauPa: tablePa } },
    verdict: { code: verdict, cold, plate, target },
  }
  return { assessment, stage, egg, evaporatedG, body, paths: { heated: bake ? bake.core : pot.history, after: joined.history, joinedS: joined.met.map(x => x.atS) }, cold: { chill: chillInput, inputs, start, a, b, wantedPa: target.coldMinPa } }
}

/** Yield stress of a body at a setting and a temperature, Pa. */
export const stressAt = (body: Body, s: Setting, tempC: number, a: number, b: number): number =>
  yieldStress(firmness(body, { tempC, a, b, butter: s.butter, cream: s.cream, casein: s.casein, gelatin: s.gelatin, starch: s.starch, oven: s.oven, agar: s.agar }))

/** The same formula with another heat of its pot: the pot and what joins it are run again, the way down stays. Not for the oven. */
export function reheat(w: Worked, doc: FormulaDocument, kitchen: Kitchen): Worked {
  const cooked = mix(w.stage.cooked)
  const heated = heatStep(doc, kitchen, cooked, waterActivityOf(cooked))
  const joined = joinStep(doc, w.stage, heated, kitchen.roomTempC)
  const { history, filmC } = heated.pot
  const egg = w.egg && eggWork(w.egg.temperatures, { histories: [history], films: [filmC], core: history, stirred: w.body.making.stirred }, joinHistory(joined.history, w.assessment.chill))
  return { ...w, egg, evaporatedG: given(doc.heat.evaporationG) ?? heated.pot.evaporatedG, paths: { heated: history, after: joined.history, joinedS: joined.met.map(x => x.atS) } }
}

/** Filled mass, depth, headroom, and what the cooling needs of the vessel. */
function shapeStep(doc: FormulaDocument, kitchen: Kitchen, massG: number, density: number) {
  const vessel = vesselOf(doc, kitchen)
  const { count } = doc.assembly
  const cavity = cavityOf(vessel, doc.assembly)
  const filledG = Math.max(1, massG * (1 - doc.losses.sieveFraction) - doc.losses.panG)
  const volumeM3 = filledG / 1000 / density
  const depthM = depthOf(volumeM3, cavity, count)
  const inVesselM = Math.min(depthM, cavity.heightM)
  return {
    filledG, volumeM3, depthM, inVesselM, headroomM: cavity.heightM - depthM, fillShare: volumeM3 / count / Math.max(cavityVolume(cavity), 1e-9), radiusM: equivalentRadius(cavity, inVesselM), areaM2: areaAt(cavity, inVesselM) * count,
    lean: doc.assembly.tiltDeg > 0 ? leanOf(cavity, inVesselM, doc.assembly.tiltDeg) : null,
    /** J/K of the walls the filling touches. */
    wallHeat: (areaAt(cavity, 0) + sideArea(cavity, inVesselM)) * count * WALL_HEAT[vessel.material],
  }
}

/** The oven, on the filling as it stands in its vessel. */
function bakeStep(doc: FormulaDocument, kitchen: Kitchen, mixed: Mix, shape: ReturnType<typeof shapeStep>, startTempC: number): Bake {
  const f = fractionsOf(mixed)
  const warm = thermalProperties(f, 50)
  return runOven({
    radiusM: shape.radiusM, depthM: shape.inVesselM, solid: { k: warm.k, rho: warm.rho, cp: heatCapacityTable(f) }, startTempC, oven: { ...doc.heat.oven, airTempC: ovenAirC(doc, kitchen) }, material: vesselOf(doc, kitchen).material,
    crustM: doc.assembly.crustM, crustForm: doc.assembly.crustForm, waterActivity: waterActivityOf(mixed), altitudeM: kitchen.altitudeM, targetTempC: doc.heat.targetTempC, holdS: doc.heat.holdS, timeS: given(doc.heat.oven.timeS),
  })
}

/** Water that has left along the heat, g: the pot's or the oven's own course, ending at what counts as gone. */
function evaporationCurve(timeS: readonly number[], pot: PotRun, bake: Bake | null, endG: number): number[] {
  const along = bake ? bake.evaporatedAlong : pot.steamG
  const last = along[along.length - 1]!
  return timeS.map((_, i) => last > 0 ? along[i]! / last * endG : 0)
}

/** What still comes after the heat, K: the pan gives back what it is hotter by; a bake's middle rises to the mean of the whole. */
const carryOf = (inPan: boolean, after: History, bake: Bake | null): number => bake ? Math.max(0, bake.meanEndC - bake.core.tempC[bake.core.tempC.length - 1]!) : inPan ? Math.max(0, after.tempC[1]! - after.tempC[0]!) : 0

/** Share of the starch that has swollen along the heat; empty without starch. */
function starchCurve(timeS: readonly number[], tempC: readonly number[], starchC: number, m: Mix): number[] {
  if (starchC <= 0) return []
  const startC = starchTemperature(m, sugarsG(m) / (sugarsG(m) + m.grams.water))
  return timeS.map((_, i) => {
    const { peakTempC, minutes } = peakOf({ timeS: timeS.slice(0, i + 1), tempC: tempC.slice(0, i + 1) })
    return starchCooked(peakTempC, minutes, startC)
  })
}

/** Where to stop a boil: at the volume of the cream alone, as a jug measures it. */
function reductionOf(parts: readonly MixPart[], tareG: number): ReductionTarget | null {
  const sugarG = addedSugarG(parts)
  const restG = parts.reduce((sum, p) => sum + p.massG, 0) - sugarG
  const creamMl = parts.reduce((sum, p) => sum + (p.row.group === 'dairy' ? p.massG / (DENSITIES[p.row.id]?.gPerMl ?? 1) : 0), 0)
  return creamMl > 0 ? reductionTarget(restG, creamMl, sugarG, tareG) : null
}

/** The stated way down: 3 K/min to the stated temperature. */
const rampTo = (statedC: number, fromC: number): History => ({ timeS: [0, Math.max(0, (fromC - statedC) / WHISK_COOL_K_PER_MIN * 60)], tempC: [fromC, statedC] })

/** What the set has gained in the heat, undisturbed: the oven's firming and casein that knits while it bakes. */
function settledIn(c: Cooking, inputs: Parameters<typeof settingAlong>[2]): Setting {
  const mean = c.histories[0]!.timeS.map((_, i) => c.histories.reduce((s, h) => s + h.tempC[i]!, 0) / c.histories.length)
  const along = settingAlong(c.histories[0]!.timeS, mean, inputs, UNSET, true)
  return along[along.length - 1]!
}

/** Setting after the stated way down and the stated time in the cold. */
function statedSetting(way: History, statedC: number, holdS: number, inputs: Parameters<typeof settingAlong>[2], start: Setting): Setting {
  const endS = way.timeS[way.timeS.length - 1]!
  const along = settingAlong([...way.timeS, endS + holdS], [...way.tempC, statedC], inputs, start)
  return along[along.length - 1]!
}

/** Setting at a time: that of the last point before it, carried on linearly. */
function settingAt(timeS: readonly number[], settings: readonly Setting[], at: number): Setting {
  let i = timeS.findIndex(t => t >= at)
  if (i < 0) i = timeS.length - 1
  if (i === 0 || timeS[i]! <= at) return settings[i]!
  const share = (at - timeS[i - 1]!) / (timeS[i]! - timeS[i - 1]!)
  const mixed = { ...settings[i]! }
  for (const key of Object.keys(mixed) as (keyof Setting)[]) mixed[key] = settings[i - 1]![key] + share * (settings[i]![key] - settings[i - 1]![key])
  return mixed
}

/** Doses of the egg. An undisturbed gel bears a little more, in the oven and as it cools. */
const eggWork = (temperatures: EggTemperatures, c: Cooking, after: History): EggWork => {
  const made = c.stirred ? temperatures : undisturbed(temperatures)
  return { temperatures, heat: c.histories.map((h, i) => dosesOf(h, made, c.films[i]!)), after: dosesOf(after, undisturbed(temperatures)) }
}

/** Mean setting and over-setting in the heat, and the setting of the coldest part. @param shiftA, shiftB K over T60 and T60b */
function cookedEnd(egg: EggWork, shiftA = 0, shiftB = shiftA): { a: number, b: number, coreA: number } {
  let a = 0
  let b = 0
  let coreA = 1
  for (const d of egg.heat) {
    const end = extentsOf(d, shiftA, shiftB)
    a += end.a / egg.heat.length
    b += end.b / egg.heat.length
    coreA = Math.min(coreA, end.a)
  }
  return { a, b, coreA }
}

/**
 * Setting and over-setting at the end of the heat, and after the core has gone on cooking while it cooled.
 * @param shiftA, shiftB K by which temperatures lie higher over T60 and T60b
 */
export function eggEnd(egg: EggWork | null, shiftA = 0, shiftB = shiftA): { potB: number, a: number, b: number, coreA: number } {
  if (!egg) return { potB: 0, a: 0, b: 0, coreA: 0 }
  const hot = cookedEnd(egg, shiftA, shiftB)
  const later = extentsOf(egg.after, shiftA, shiftB)
  const both = (x: number, y: number) => 1 - (1 - x) * (1 - y)
  return { potB: hot.b, a: both(hot.a, later.a), b: both(hot.b, later.b), coreA: both(hot.coreA, later.a) }
}

/** Least lethality of egg that joined after the heat, minutes at 70 °C; null if none did. */
function lateEggLethality(stage: Stage, joinedS: number[], after: History): number | null {
  let least: number | null = null
  stage.additions.forEach((a, i) => {
    if (!a.parts.some(p => p.row.group === 'egg')) return
    const from = after.timeS.findIndex(t => t >= joinedS[i]! - 1e-9)
    const minutes = from < 0 ? 0 : lethality({ timeS: after.timeS.slice(from), tempC: after.tempC.slice(from) }, THERMOMETER_SIGMA_K).at(-1)!
    least = Math.min(least ?? Infinity, minutes)
  })
  return least
}

/** What the first cold place of a plan must carry off; null where none is named. */
function loadOf(chill: Cooling, kitchen: Kitchen, massG: number, m: Mix): Assessment['chill']['load'] {
  const leg = chill.spans.findIndex(s => CAPACITY_W[placeOf(s.leg, kitchen).kind] !== undefined)
  if (leg < 0) return null
  const { fromS, toS } = chill.spans[leg]!
  return { leg, watts: firstHourW(massG, thermalProperties(fractionsOf(m), 25).cp, chill, fromS, toS), capacityW: CAPACITY_W[placeOf(chill.spans[leg]!.leg, kitchen).kind]! }
}

/** Freezing, unmoulding and thawing; null where nothing freezes. */
function freezeFigures(chill: Cooling): Assessment['chill']['freeze'] {
  if (!chill.freezing) return null
  const { ice, solid } = chill.freezing
  const iceShare = chill.meanC.map(ice)
  const firmS = timeBelow(chill.timeS, chill.meanC, FIRM_MEAN_C)
  const thawedS = firmS === null ? 0 : thawedAt(chill.timeS, chill.meanC)
  return { freezingC: solid.freezing!.pointC, mostIce: Math.max(...iceShare), iceShare, firmS, thawedS }
}

/** The curves of the heat with their moments: coats, done, grainy, lethality at the coldest part. */
function heatFigures(c: Cooking, egg: EggWork | null, reachedS: number | null, evaporatedG: number, lateEggMin: number | null) {
  const { timeS, tempC } = c.core
  const made = egg && (c.stirred ? egg.temperatures : undisturbed(egg.temperatures))
  const setting = made ? settingCurve(c.core, made) : timeS.map(() => 0)
  // Over-setting of the piece as a whole, layer by layer.
  const oversetting = timeS.map(() => 0)
  if (made) c.histories.forEach((h, i) => oversettingCurve(h, made, c.films[i]!).forEach((b, k) => { oversetting[k]! += b / c.histories.length }))
  const firstOver = (values: number[], level: number) => {
    const i = values.findIndex(x => x >= level)
    return i < 0 ? null : timeS[i]!
  }
  const lethalityMin = lethality(c.core, THERMOMETER_SIGMA_K)
  const peakTempC = Math.max(...tempC)
  const grainyAtC = egg ? grainyTemperature(peakTempC, shift => cookedEnd(egg, shift).b, GRAINY) : null
  return {
    reachedS, endS: timeS[timeS.length - 1]!, timeS: timeS.slice(), tempC: tempC.slice(), setting, oversetting, lethalityMin,
    t60C: egg?.temperatures.t60C ?? null, t60bC: egg?.temperatures.t60bC ?? null, coatsS: firstOver(setting, COATS), doneS: firstOver(setting, DONE), grainyS: firstOver(oversetting, GRAINY), grainyAtC,
    marginK: grainyAtC === null ? null : grainyAtC - peakTempC, marginS: egg && c.stirred ? secondsToGrainy(egg.heat[0]!, tempC[tempC.length - 1]!, egg.temperatures.t60bC) : null, lethality: quantity(Math.min(lethalityMin[lethalityMin.length - 1]!, lateEggMin ?? Infinity), 'min at 70 °C', 'computed'), evaporatedG, peakTempC,
  }
}

/** One σ of ln(acidity) of a part. */
export const acidSigmaOf = (p: MixPart): number => p.strength.kind === 'typical' || p.strength.acidPercent === undefined ? acidLogSigma(p.row) : p.strength.acidLnSigma ?? LN_MEASURED_ACID_SIGMA

/** The juices together: how much, how strong, how surely. */
function stockFigures(doc: FormulaDocument, stage: Stage): Assessment['stock'] {
  const juices = stage.all.filter(p => p.row.group === 'juice' && p.row.acid && p.massG > 0)
  const acidOf = (p: MixPart) => p.massG * acidPercentOf(p) / 100
  const juiceG = juices.reduce((s, p) => s + p.massG, 0)
  const acidG = juices.reduce((s, p) => s + acidOf(p), 0)
  const lnSigma = acidG > 0 ? Math.sqrt(juices.reduce((s, p) => s + (acidOf(p) / acidG * acidSigmaOf(p)) ** 2, 0)) : 0
  const provenance = juices.length > 0 && juices.every(p => p.strength.kind !== 'typical' && p.strength.acidPercent !== undefined) ? 'measured' : 'table'
  return {
    massG: stage.all.reduce((s, p) => s + p.massG, 0), juiceG, juiceAcid: quantity(juiceG > 0 ? 100 * acidG / juiceG : 0, '% acid', provenance, { lnSigma }), juiceProvenance: provenance,
    lines: fillingOf(doc).lines.map((line, i) => ({ id: line.id, acidPercent: stage.all[i]!.row.acid ? acidPercentOf(stage.all[i]!) : null, acidLnSigma: acidSigmaOf(stage.all[i]!) })),
  }
}

/** Shares of the whole, %. */
function compositionOf(m: Mix, eggG: number): Composition {
  const percent = (g: number) => 100 * g / m.massG
  const c = { water: percent(m.grams.water), sugar: percent(sugarsG(m)), fat: percent(m.grams.fat), eggProtein: percent(eggG), milkProtein: percent(m.grams.casein + m.grams.whey), starch: percent(m.grams.starch), acid: percent(m.acidG) }
  return { ...c, other: Math.max(0, 100 - c.water - c.sugar - c.fat - c.eggProtein - c.milkProtein - c.starch - c.acid) }
}

/** A station's mark is its gravest finding. */
function stationStates(findings: Finding[]): Assessment['stations'] {
  return Object.fromEntries(STATIONS.map((station) => {
    const mine = findings.filter(f => f.station === station)
    const mark = mine.some(f => f.severity === 'stop') ? 'stop' : mine.some(f => f.severity === 'look') ? 'look' : 'fine'
    return [station, { state: mine.some(f => f.code === 'noStart' || f.code === 'noEgg') ? 'needs' : 'ok', mark }]
  })) as Assessment['stations']
}
