/**
 * Judging: from what was computed to findings (code, severity, path, parameters) and the verdict. No numbers are made
 * here but limits; every limit names its source where it is defined.
 */
import type { Assessment, Finding, FindingCode, SetResult, Severity, Station, VerdictCode } from './assessment'
import { valueAt } from './chill/conduction'
import type { Cooling } from './chill/cooling'
import { fillingOf, panOf, placeOf, vesselOf, type FormulaDocument, type Kitchen } from './formula/document'
import type { Mix } from './formula/mix'
import { allergensIn } from './formula/nutrition'
import type { Stage } from './formula/stages'
import { familyOf } from './families/families'
import { CREAM_KNITS_C } from './chill/setting'
import { COATS, DONE, GRAINY } from './heat/egg'
import { BOILED_C, panHoldsM3 } from './heat/pot'
import { part } from './ingredients'
import { meringueHeat } from './parts/parts'
import { CODES, useByDate, type StageResult } from './safety/keeping'
import { EGG_DISH_C, LETHALITY_NEEDED_MIN } from './safety/lethality'
import { PHASE_INVERSION, yieldStress, type Body } from './set/firmness'
import type { Weeping } from './set/weeping'
import type { Target } from './set/bands'
import type { Taste } from './taste/taste'
import { CARRY_ROOM_M, potVessel, roomWanted } from './vessel/fit'
import type { Lean } from './vessel/geometry'

/** One σ of a kitchen thermometer, K (common instruments, from memory). */
export const THERMOMETER_SIGMA_K = 1.5
/** A curd above this pH is not protected by its acid; the usual line for acid foods is 4.6 (from memory), kept well under it here. */
export const ACID_CURD_PH = 4.2
/** Over-setting of the poured piece above which it counts as grainy as a whole (judgement). */
const GRAINY_THROUGH = 0.5
/** Sweating under film begins to matter above this, °C (common practice). */
const SWEAT_C = 45
/** Cold glass may crack under a filling hotter than this, °C (common practice). */
const GLASS_C = 60

/** Over-setting above which egg is scrambled rather than grainy (judgement). */
const SCRAMBLED = 0.85
/** Posset acid: below, it turns grainy; above, it hardly sets (fitted window; target 3.9–4.6). */
const CURDLES_PH = 3.6
const HARDLY_SETS_PH = 4.9
/** Juice into unstirred cream hotter than this curdles it, °C (common practice). */
export const ACID_TOO_HOT_C = 85
/** Gelatin begins to string where the base is under this when cold cream meets it, or the mix ends under the second, °C (judgement). */
const STRINGS_BASE_C = 22
const STRINGS_MIX_C = 12
/** Butter blended in outside this splits or lumps, °C (common practice). */
const BUTTER_IN: readonly [number, number] = [30, 66]
/** Alcohol above this is outside the model, and above the second worth a word to guests, % (judgement). */
const ALCOHOL_LIMIT = 5
const ALCOHOL_TOLD = 0.5
/** Weeping from here on is worth a word, of 10. */
const WEEPS = 4
/** What a glass dish may cross between fridge and oven, °C (common practice). */
const GLASS_OVEN_START_C = 10

/** What the judge looks at. */
export interface Facts {
  doc: FormulaDocument
  kitchen: Kitchen
  stage: Stage
  whole: Mix
  finished: Mix
  body: Body
  eggG: number
  pH: number
  cookedPH: number
  flavour: Taste
  shape: { fillShare: number, filledG: number, headroomM: number, lean: Lean | null }
  load: Assessment['chill']['load']
  heat: { stalled: boolean, endTempC: number, peakTempC: number, marginK: number | null, lethalMin: number, potB: number, a: number, b: number, coreA: number, pourTempC: number }
  /** Temperatures as each addition was met. */
  met: readonly { beforeC: number, afterC: number }[]
  weeping: Weeping
  freeze: Assessment['chill']['freeze']
  cooling: Cooling
  stages: StageResult[]
  slowStages: StageResult[]
  readyS: number | null
  chilledS: number
  statedCold: boolean
  cold: SetResult
  plate: SetResult
  target: Target
  standsOnTableS: number | null
}

/** Findings, verdict, use-by and days of keeping. */
export function judge(f: Facts): { findings: Finding[], verdict: VerdictCode, useBy: string | null, storageDays: number } {
  const findings: Finding[] = []
  const find = (code: FindingCode, severity: Severity, station: Station, path: string, params: Finding['params'] = {}) => findings.push({ code, severity, station, path, params })
  const path = `components.${f.doc.components.indexOf(fillingOf(f.doc))}.lines`
  judgeBalance(f, path, find)
  judgeSetters(f, path, find)
  judgeShape(f, find)
  judgeHeat(f, path, find)
  judgeJoining(f, find)
  judgeChill(f, find)
  const keeping = judgeServing(f, path, find)
  const verdict = judgeSet(f, path, find)
  return { findings, verdict, ...keeping }
}

type Find = (code: FindingCode, severity: Severity, station: Station, path: string, params?: Finding['params']) => void
/** Whether any line with grams satisfies a condition. */
const holds = (m: Mix, test: (row: Mix['parts'][number]['row']) => boolean): boolean => m.parts.some(p => p.massG > 0 && test(p.row))

function judgeBalance(f: Facts, path: string, find: Find): void {
  const { whole, finished } = f
  const { phases } = f.body
  const family = familyOf(f.doc.family)
  if (holds(whole, r => r.id === 'pectin')) find('notModelled', 'look', 'balance', path, { setter: 'pectin' })
  if (whole.parts.some(p => p.row.group === 'chocolate' && p.massG > 0.02 * whole.massG)) find('notModelled', 'look', 'balance', path, { setter: 'chocolate' })
  if (whole.parts.some(p => p.row.group === 'plant' && p.massG > 0.02 * whole.massG)) find('notModelled', 'look', 'balance', path, { setter: 'plant' })
  if (family.eggSets && f.eggG <= 0) find('noEgg', 'stop', 'balance', path)
  else if (f.doc.family !== 'posset' && yieldStress(f.cold.mechanismsPa) < 1) find('noSetter', 'stop', 'balance', path)
  if (phases.phi > PHASE_INVERSION) find('phaseInversion', 'look', 'balance', path, { fatPercent: 100 * phases.phi })
  if (finished.grams.water < 0.2 * phases.aqueousG) find('waterLow', 'look', 'balance', path, { percent: 100 * finished.grams.water / phases.aqueousG })
  const acidPercent = 100 * whole.acidG / whole.massG
  if (family.needsAcid && acidPercent < 0.2) find('noAcid', 'look', 'balance', path, { acidPercent })
  if (f.cookedPH > 4.5 && f.cookedPH < 5.5 && f.body.eggC > 2 && f.body.making.stirred) find('coarseGel', 'look', 'balance', path, { pH: f.cookedPH })
  if (f.doc.family === 'curd' && f.pH > ACID_CURD_PH) find('lowAcid', 'stop', 'balance', path, { pH: f.pH })
  if (family.needsAcid && f.flavour.sharpness === 'sharp') find('tooSharp', 'info', 'balance', path)
  if (family.needsAcid && f.flavour.sharpness === 'flat') find('tasteFlat', 'info', 'balance', path)
  const alcohol = 100 * finished.ethanolG / finished.massG
  if (alcohol > ALCOHOL_TOLD) find('alcohol', alcohol > ALCOHOL_LIMIT ? 'look' : 'info', alcohol > ALCOHOL_LIMIT ? 'balance' : 'serve', path, { percent: alcohol, limit: ALCOHOL_LIMIT })
  if (f.flavour.bitterness === 'bitter' || f.flavour.bitterness === 'strong') find('bitterZest', 'look', 'balance', path, { gPerKg: f.flavour.zestGPerKg })
  if (holds(whole, r => r.id === 'lime' || r.id === 'keylime' || r.id === 'bergamot')) find('lightSkin', 'info', 'stock', path)
  if (holds(whole, r => r.group === 'zest')) find('scrubPeel', 'info', 'stock', path)
}

/** What weakens milk, starch, gelatin and agar. */
function judgeSetters(f: Facts, path: string, find: Find): void {
  const { body, cold } = f
  const { making } = body
  const heatPath = 'heat.targetTempC'
  if (f.doc.family === 'posset') {
    if (f.pH < CURDLES_PH) find('acidCurdles', 'stop', 'balance', path, { pH: f.pH, limit: CURDLES_PH })
    else if (f.pH > HARDLY_SETS_PH) find('acidShort', 'stop', 'balance', path, { pH: f.pH, limit: 4.6 })
  }
  if (body.starchC > 1.5) {
    if (body.starchCooked < 0.7) find('starchUndercooked', 'stop', 'heat', heatPath, { tempC: making.starch.peakTempC, share: body.starchCooked })
    if (making.amylase) find('amylase', 'stop', 'heat', heatPath, { tempC: making.starch.peakTempC })
    if (making.acidBoiled && making.starch.minutes * 10 ** (0.6 * (3.3 - f.cookedPH)) > 4) find('starchAcid', 'look', 'heat', 'heat.holdS', { minutes: making.starch.minutes, pH: f.cookedPH })
  }
  if (cold.mechanismsPa.gelatinPa > 0.2 * cold.tauPa.value && f.pH < 3.3) find('gelatinAcid', 'look', 'balance', path, { pH: f.pH, lossPercent: 33 * Math.min(2, 4.2 - f.pH) })
  if (cold.mechanismsPa.agarPa > 0.2 * cold.tauPa.value && making.acidBoiled) find('agarAcid', 'look', 'heat', 'components', { pH: f.cookedPH })
  if (f.weeping.score >= WEEPS) find('weeps', 'look', 'serve', path, { score: f.weeping.score, cause: f.weeping.causes[0]!.cause })
}

function judgeShape({ shape, doc }: Facts, find: Find): void {
  if (shape.fillShare > 1) find('overflows', 'stop', 'shape', 'assembly.count', { overG: shape.filledG * (1 - 1 / shape.fillShare) })
  else if (shape.headroomM < CARRY_ROOM_M) find('headroomLow', 'look', 'shape', 'assembly.count', { mm: 1000 * shape.headroomM })
  else if (shape.headroomM < roomWanted(doc)) find('springRoom', 'look', 'shape', 'assembly.count', { mm: 1000 * shape.headroomM, wantMm: 1000 * roomWanted(doc) })
  if (shape.lean && doc.assembly.tiltDeg > shape.lean.mostDeg + 0.05) find('spillsLeaning', 'stop', 'shape', 'assembly.tiltDeg', { deg: doc.assembly.tiltDeg, mostDeg: shape.lean.mostDeg })
}

/** A chosen pan against what is in it. */
function judgePan(f: Facts, boils: boolean, find: Find): void {
  const pan = panOf(f.doc, f.kitchen)
  if (!pan) return
  const cooked = f.stage.cooked.reduce((s, p) => s + p.massG, 0)
  const needM3 = potVessel(f.doc.heat.method, f.heat.peakTempC, cooked).holdM3
  const holdM3 = panHoldsM3(pan)
  if (holdM3 < needM3) find('panTooSmall', boils ? 'stop' : 'look', 'heat', 'heat.pan', { holdMl: 1e6 * holdM3, needMl: 1e6 * needM3, boils: boils ? 1 : 0 })
}

function judgeHeat(f: Facts, path: string, find: Find): void {
  const { heat, eggG, doc } = f
  const target = 'heat.targetTempC'
  const { method } = doc.heat
  const baked = method === 'oven'
  const boils = method === 'direct' && heat.peakTempC > BOILED_C
  if (heat.stalled) find(baked ? 'ovenStalls' : 'potStalls', 'stop', 'heat', target, { tempC: heat.endTempC })
  if (eggG > 0) {
    if (heat.potB >= SCRAMBLED && f.body.eggC > 2) find('scrambled', 'stop', 'heat', target, { tempC: heat.peakTempC, share: heat.potB })
    if (heat.potB >= GRAINY && f.body.eggC > 2) find('grainy', 'stop', 'heat', target, { tempC: heat.peakTempC, share: heat.potB })
    else if (heat.marginK !== null && heat.marginK < 2 && familyOf(doc.family).eggSets) find('grainyNear', 'look', 'heat', target, { marginK: heat.marginK })
    if (heat.b >= GRAINY && heat.potB < GRAINY) find('oversetsInDepth', 'look', 'heat', 'chill.0', { share: heat.b })
    if (familyOf(doc.family).eggSets && heat.coreA < DONE) find('underset', heat.coreA < COATS ? 'stop' : 'look', 'heat', 'heat.holdS', { share: heat.coreA })
    const folded = f.stage.additions.some(a => a.kind === 'foldIn' && a.parts.some(p => p.row.group === 'egg'))
    const lethal = heat.lethalMin >= LETHALITY_NEEDED_MIN && heat.peakTempC - THERMOMETER_SIGMA_K >= EGG_DISH_C
    if (method === 'none' || folded) find('rawEgg', 'stop', 'heat', path, { minutes: heat.lethalMin })
    else if (!lethal) find('lethalityLow', 'stop', 'heat', target, { minutes: heat.lethalMin, needMinutes: LETHALITY_NEEDED_MIN, tempC: EGG_DISH_C })
    else find('measure71', 'info', 'heat', target, { tempC: EGG_DISH_C })
  }
  if (holds(f.whole, r => r.id === 'flour') && heat.peakTempC < EGG_DISH_C) find('rawFlour', 'stop', 'heat', path, { tempC: EGG_DISH_C })
  if (boils) find('boilOver', 'info', 'heat', target)
  if (method !== 'oven' && method !== 'none') judgePan(f, boils, find)
  if (method === 'microwave') find('microwaveJug', 'info', 'heat', 'heat.method')
  if (doc.school === 'boiledMeringue' || doc.components.some(c => c.make?.kind === 'meringueBoiled')) find('boilingSugar', 'info', 'heat', 'heat.method')
  if (baked && vesselOf(doc, f.kitchen).material === 'glass' && doc.heat.startTempC <= GLASS_OVEN_START_C) find('glassOven', 'stop', 'heat', 'assembly.vessel.material')
  if (method !== 'oven' && method !== 'none') find('reactivePan', 'info', 'heat', 'heat.method')
}

/** What meets what at which temperature. */
function judgeJoining(f: Facts, find: Find): void {
  const index = f.doc.components.indexOf(fillingOf(f.doc))
  const gelled = f.body.gelatinC > 0
  f.stage.additions.forEach((a, i) => {
    const path = `components.${index}.steps.${a.step}`
    const { beforeC, afterC } = f.met[i]!
    const acid = a.parts.some(p => p.row.acid && p.row.acid.typical > 0.5)
    const creamWaits = f.stage.cooked.some(p => part(p.row, 'casein') > 0 && p.massG > 0)
    if (acid && creamWaits && f.doc.family === 'posset' && beforeC > ACID_TOO_HOT_C) find('acidTooHot', 'look', 'heat', path, { tempC: beforeC, limitC: ACID_TOO_HOT_C })
    if (acid && creamWaits && f.doc.family === 'posset' && beforeC < CREAM_KNITS_C) find('acidTooLate', 'look', 'heat', path, { tempC: beforeC, limitC: CREAM_KNITS_C })
    if (a.kind === 'foldIn' && gelled && (beforeC < STRINGS_BASE_C || afterC < STRINGS_MIX_C)) find('gelatinStrings', 'stop', 'heat', path, { baseC: beforeC, mixC: afterC, limitC: STRINGS_BASE_C })
    const butterG = a.parts.reduce((s, p) => s + (p.row.group === 'butter' ? p.massG : 0), 0)
    if (butterG > 0.25 * f.whole.massG && (beforeC < BUTTER_IN[0] || beforeC > BUTTER_IN[1])) find('butterSplits', 'look', 'heat', path, { tempC: beforeC, fromC: BUTTER_IN[0], toC: BUTTER_IN[1] })
  })
}

/** The stage a cooling fails, for the finding. */
function failing(stages: StageResult[]): Finding['params'] {
  const worst = stages.find(s => !s.passes)!
  return { toC: worst.toC, withinS: worst.withinS, takesS: worst.takesS ?? -1 }
}

function judgeChill({ doc, kitchen, cooling, heat, stages, slowStages, freeze, chilledS, load }: Facts, find: Find): void {
  if (freeze && freeze.firmS !== null) {
    find('frozen', 'info', 'chill', 'chill', { percent: 100 * freeze.mostIce, freezingC: freeze.freezingC, firmS: freeze.firmS, thawedS: freeze.thawedS ?? -1 })
    if (freeze.thawedS === null || freeze.thawedS > chilledS) find('thawing', 'look', 'chill', `chill.${doc.chill.length - 1}.timeS`, { thawedS: freeze.thawedS ?? -1 })
  }
  if (vesselOf(doc, kitchen).material === 'glass' && heat.pourTempC > GLASS_C) find('hotIntoGlass', 'look', 'chill', 'assembly.vessel.material', { tempC: heat.pourTempC })
  const firstCovered = doc.chill.findIndex(leg => leg.cover !== 'open' && placeOf(leg, kitchen).kind !== 'iceBath')
  const coveredC = firstCovered < 0 ? 0 : valueAt(cooling.timeS, cooling.coreC, cooling.spans[firstCovered]!.fromS)
  if (coveredC > SWEAT_C) find('filmTooHot', 'info', 'chill', `chill.${firstCovered}.cover`, { tempC: coveredC })
  if (doc.chill[doc.chill.length - 1]!.cover === 'open') find('uncovered', 'info', 'chill', `chill.${doc.chill.length - 1}.cover`)
  if (!stages.every(s => s.passes)) find('coolsTooSlowly', 'stop', 'chill', 'chill', failing(stages))
  else if (!slowStages.every(s => s.passes)) find('coolsAtLimit', 'look', 'chill', 'chill', failing(slowStages))
  if (load && load.watts > load.capacityW) find('fridgeLoad', 'look', 'chill', `chill.${load.leg}`, { watts: load.watts, capacityW: load.capacityW })
  const last = placeOf(doc.chill[doc.chill.length - 1]!, kitchen)
  const { holdC } = CODES[kitchen.foodCode]
  if (last.airTempC > holdC) find('fridgeWarm', 'stop', 'chill', `chill.${doc.chill.length - 1}`, { tempC: last.airTempC, limitC: holdC })
}

/** @returns the use-by date (null where none can be given) and the days it keeps */
function judgeServing({ doc, kitchen, whole, body }: Facts, path: string, find: Find): { useBy: string | null, storageDays: number } {
  const code = CODES[kitchen.foodCode]
  if (doc.use.tableTimeS > code.counterS) find('counterTooLong', 'stop', 'serve', 'use.tableTimeS', { hours: code.counterS / 3600 })
  find('allergens', 'info', 'serve', path, { list: allergensIn(doc).join(',') })
  judgeToppings(doc, find)
  if (body.gelatinC > 0) find('animalGelatin', 'info', 'serve', path)
  if (holds(whole, r => ['grapefruit', 'seville', 'pummelo'].includes(r.id))) find('medicines', 'info', 'serve', path)
  // What only air or raw white holds is eaten the same day.
  const rawFoam = body.making.air > 0.1 && body.gelatinC <= 0
  if (rawFoam) find('holdsHours', 'look', 'serve', 'chill')
  const limits = rawFoam ? { ...code, days: 1 } : code
  const { claimDays } = doc.serve
  if (claimDays !== null && claimDays > limits.days) find('claimTooLong', 'stop', 'serve', 'serve.claimDays', { claimed: claimDays, days: limits.days })
  const { startAt } = doc.serve
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(startAt)) {
    find('noStart', 'info', 'serve', 'serve.startAt')
    return { useBy: null, storageDays: limits.days }
  }
  if (placeOf(doc.chill[doc.chill.length - 1]!, kitchen).airTempC > code.holdC) return { useBy: null, storageDays: 0 }
  const lots = fillingOf(doc).lines.flatMap((l) => {
    const { strength } = l
    return strength?.kind === 'lot' ? kitchen.lots.filter(lot => lot.id === strength.lotId && lot.useBy !== null) : []
  })
  const useBy = useByDate(startAt, limits, lots.map(l => l.useBy!))
  const limiting = lots.find(l => l.useBy === useBy)
  if (limiting) find('lotDate', 'info', 'serve', 'serve.startAt', { lot: limiting.name })
  return { useBy, storageDays: limits.days }
}

function judgeSet(f: Facts, path: string, find: Find): VerdictCode {
  const { cold, plate, target, heat } = f
  const early = !f.statedCold && f.readyS !== null && f.chilledS < f.readyS - 60
  if (early) find('servedBeforeSet', 'look', 'serve', `chill.${f.doc.chill.length - 1}.timeS`, { readyS: f.readyS! })
  if (f.body.eggC > 2 && (heat.potB >= GRAINY || heat.b >= GRAINY_THROUGH)) return 'grainy'
  if (f.doc.family === 'posset' && f.pH < CURDLES_PH) return 'grainy'
  const loose = () => find('looseCold', 'stop', 'balance', path, { tauPa: cold.tauPa.value, needPa: target.coldMinPa })
  if ((familyOf(f.doc.family).eggSets && heat.a < COATS) || cold.tauStarPa < 10) {
    loose()
    return 'runny'
  }
  if (cold.tauPa.value < target.coldMinPa) {
    if (early) return 'servedBeforeSet'
    loose()
    return 'looseCold'
  }
  if (plate.tauPa.value < target.plateMinPa) {
    find('sagsOnTable', 'stop', 'serve', 'use.tableTimeS', { afterS: f.standsOnTableS ?? 0, tempC: plate.tempC })
    return 'sagsOnTable'
  }
  if (cold.tauPa.value > target.coldMaxPa) {
    find('tooFirm', 'look', 'balance', path, { tauPa: cold.tauPa.value, maxPa: target.coldMaxPa })
    return 'tooFirm'
  }
  return 'good'
}

/** Whites on top that no measured heat has cooked. */
function judgeToppings(doc: FormulaDocument, find: Find): void {
  doc.components.forEach((c, i) => {
    if (c.role !== 'topping' || !c.lines.some(l => l.ingredientId.startsWith('white') && l.massG > 0)) return
    const heat = meringueHeat(c)
    if (heat.counts) return
    const shell = c.lines.some(l => l.ingredientId === 'white' && l.massG > 0)
    find('rawTopping', shell ? 'stop' : 'look', 'serve', `components.${i}.lines`, { poured: c.make?.kind === 'meringueBoiled' ? 1 : 0, tempC: heat.reachesC ?? 20, shell: shell ? 1 : 0 })
  })
}
