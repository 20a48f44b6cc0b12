/**
 * Judging: from what was computed to findings (code, severity, path, parameters) and the verdict. No numbers are made
 * here but limits; every limit names its source where it is defined.
 */
import type { Finding, FindingCode, SetResult, Severity, Station, VerdictCode } from './assessment'
import { valueAt } from './chill/conduction'
import type { Cooling } from './chill/cooling'
import { fillingOf, placeOf, vesselOf, type FormulaDocument, type Kitchen } from './formula/document'
import type { Mix } from './formula/mix'
import { COATS, DONE, GRAINY } from './heat/egg'
import { CODES, useByDate, type StageResult } from './safety/keeping'
import { EGG_DISH_C, LETHALITY_NEEDED_MIN } from './safety/lethality'
import { PHASE_INVERSION, type Phases } from './set/firmness'
import type { Target } from './set/bands'
import type { Taste } from './taste/taste'

/** One σ of a kitchen thermometer, K (common instruments, from memory). */
export const THERMOMETER_SIGMA_K = 1.5
/** A curd above this pH is not protected by its acid; the usual line for acid foods is 4.6 (from memory), kept well under it here. */
export const ACID_CURD_PH = 4.2
/** Headroom that keeps a carried tin from spilling, m (common practice). */
const HEADROOM_M = 0.003
/** Over-setting of the poured piece above which it counts as grainy as a whole (judgement). */
const GRAINY_THROUGH = 0.5
/** Sweating under film begins to matter above this, °C (common practice). */
const SWEAT_C = 45
/** Cold glass may crack under a filling hotter than this, °C (common practice). */
const GLASS_C = 60

/** What the judge looks at. */
export interface Facts {
  doc: FormulaDocument
  kitchen: Kitchen
  whole: Mix
  finished: Mix
  phases: Phases
  eggG: number
  pH: number
  cookedPH: number
  flavour: Taste
  shape: { fillShare: number, filledG: number, headroomM: number }
  heat: { stalled: boolean, endTempC: number, peakTempC: number, marginK: number | null, lethalMin: number, potB: number, a: number, b: number, pourTempC: number }
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

/** Findings, verdict and use-by. */
export function judge(f: Facts): { findings: Finding[], verdict: VerdictCode, useBy: string | null } {
  const findings: Finding[] = []
  const find = (code: FindingCode, severity: Severity, station: Station, path: string, params: Finding['params'] = {}) => findings.push({ code, severity, station, path, params })
  const path = `components.${f.doc.components.indexOf(fillingOf(f.doc))}.lines`
  judgeBalance(f, path, find)
  judgeShape(f, find)
  judgeHeat(f, find)
  judgeChill(f, find)
  const useBy = judgeServing(f, path, find)
  const verdict = judgeSet(f, path, find)
  return { findings, verdict, useBy }
}

type Find = (code: FindingCode, severity: Severity, station: Station, path: string, params?: Finding['params']) => void
/** Whether any line with grams satisfies a condition. */
const holds = (m: Mix, test: (row: Mix['parts'][number]['row']) => boolean): boolean => m.parts.some(p => p.massG > 0 && test(p.row))

function judgeBalance(f: Facts, path: string, find: Find): void {
  const { whole, finished, phases } = f
  if (whole.grams.starch > 0.002 * whole.massG) find('notModelled', 'look', 'balance', path, { setter: 'starch' })
  if (holds(whole, r => r.id === 'gelatin')) find('notModelled', 'look', 'balance', path, { setter: 'gelatin' })
  if (holds(whole, r => r.id === 'agar' || r.id === 'pectin')) find('notModelled', 'look', 'balance', path, { setter: 'agar' })
  if (whole.parts.some(p => p.row.group === 'dairy' && p.massG > 0.02 * whole.massG)) find('notModelled', 'look', 'balance', path, { setter: 'casein' })
  if (f.eggG <= 0) find('noEgg', 'stop', 'balance', path)
  if (phases.phi > PHASE_INVERSION) find('phaseInversion', 'look', 'balance', path, { fatPercent: 100 * phases.phi })
  if (finished.grams.water < 0.2 * phases.aqueousG) find('waterLow', 'look', 'balance', path, { percent: 100 * finished.grams.water / phases.aqueousG })
  const acidPercent = 100 * whole.acidG / whole.massG
  if (acidPercent < 0.2) find('noAcid', 'look', 'balance', path, { acidPercent })
  if (f.cookedPH > 4.5 && f.cookedPH < 5.5 && f.eggG > 0) find('coarseGel', 'look', 'balance', path, { pH: f.cookedPH })
  if (f.pH > ACID_CURD_PH) find('lowAcid', 'stop', 'balance', path, { pH: f.pH })
  if (f.flavour.bitterness === 'bitter' || f.flavour.bitterness === 'strong') find('bitterZest', 'look', 'balance', path, { gPerKg: f.flavour.zestGPerKg })
  if (holds(whole, r => r.id === 'lime' || r.id === 'keylime' || r.id === 'bergamot')) find('lightSkin', 'info', 'stock', path)
  if (holds(whole, r => r.group === 'zest')) find('scrubPeel', 'info', 'stock', path)
}

function judgeShape({ shape }: Facts, find: Find): void {
  if (shape.fillShare > 1) find('overflows', 'stop', 'shape', 'assembly.count', { overG: shape.filledG * (1 - 1 / shape.fillShare) })
  else if (shape.headroomM < HEADROOM_M) find('headroomLow', 'look', 'shape', 'assembly.count', { mm: 1000 * shape.headroomM })
}

function judgeHeat({ heat, eggG }: Facts, find: Find): void {
  const target = 'heat.targetTempC'
  if (heat.stalled) find('potStalls', 'stop', 'heat', target, { tempC: heat.endTempC })
  if (eggG > 0) {
    if (heat.potB >= GRAINY) find('grainy', 'stop', 'heat', target, { tempC: heat.peakTempC, share: heat.potB })
    else if (heat.marginK !== null && heat.marginK < 2) find('grainyNear', 'look', 'heat', target, { marginK: heat.marginK })
    if (heat.b >= GRAINY && heat.potB < GRAINY) find('oversetsInDepth', 'look', 'heat', 'chill.0', { share: heat.b })
    if (heat.a < DONE) find('underset', heat.a < COATS ? 'stop' : 'look', 'heat', 'heat.holdS', { share: heat.a })
    if (heat.lethalMin < LETHALITY_NEEDED_MIN || heat.peakTempC - THERMOMETER_SIGMA_K < EGG_DISH_C) find('lethalityLow', 'stop', 'heat', target, { minutes: heat.lethalMin, needMinutes: LETHALITY_NEEDED_MIN, tempC: EGG_DISH_C })
    else find('measure71', 'info', 'heat', target, { tempC: EGG_DISH_C })
  }
  find('reactivePan', 'info', 'heat', 'heat.method')
}

/** The stage a cooling fails, for the finding. */
function failing(stages: StageResult[]): Finding['params'] {
  const worst = stages.find(s => !s.passes)!
  return { toC: worst.toC, withinS: worst.withinS, takesS: worst.takesS ?? -1 }
}

function judgeChill({ doc, kitchen, cooling, heat, stages, slowStages }: Facts, find: Find): void {
  if (vesselOf(doc, kitchen).material === 'glass' && heat.pourTempC > GLASS_C) find('hotIntoGlass', 'look', 'chill', 'assembly.vessel.material', { tempC: heat.pourTempC })
  const firstCovered = doc.chill.findIndex(leg => leg.cover !== 'open' && placeOf(leg, kitchen).kind !== 'iceBath')
  const coveredC = firstCovered < 0 ? 0 : valueAt(cooling.timeS, cooling.coreC, cooling.spans[firstCovered]!.fromS)
  if (coveredC > SWEAT_C) find('filmTooHot', 'info', 'chill', `chill.${firstCovered}.cover`, { tempC: coveredC })
  if (doc.chill[doc.chill.length - 1]!.cover === 'open') find('uncovered', 'info', 'chill', `chill.${doc.chill.length - 1}.cover`)
  if (!stages.every(s => s.passes)) find('coolsTooSlowly', 'stop', 'chill', 'chill', failing(stages))
  else if (!slowStages.every(s => s.passes)) find('coolsAtLimit', 'look', 'chill', 'chill', failing(slowStages))
  const last = placeOf(doc.chill[doc.chill.length - 1]!, kitchen)
  const { holdC } = CODES[kitchen.foodCode]
  if (last.airTempC > holdC) find('fridgeWarm', 'stop', 'chill', `chill.${doc.chill.length - 1}`, { tempC: last.airTempC, limitC: holdC })
}

/** @returns the use-by date, or null where none can be given */
function judgeServing({ doc, kitchen, whole }: Facts, path: string, find: Find): string | null {
  const code = CODES[kitchen.foodCode]
  if (doc.use.tableTimeS > code.counterS) find('counterTooLong', 'stop', 'serve', 'use.tableTimeS', { hours: code.counterS / 3600 })
  find('allergens', 'info', 'serve', path, { list: allergensOf(whole, doc.assembly.crustM > 0).join(',') })
  if (holds(whole, r => r.id === 'grapefruit' || r.id === 'seville')) find('medicines', 'info', 'serve', path)
  const { startAt } = doc.serve
  if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d/.test(startAt)) {
    find('noStart', 'info', 'serve', 'serve.startAt')
    return null
  }
  if (placeOf(doc.chill[doc.chill.length - 1]!, kitchen).airTempC > code.holdC) return null
  const lots = fillingOf(doc).lines.flatMap((l) => {
    const { strength } = l
    return strength?.kind === 'lot' ? kitchen.lots.filter(lot => lot.id === strength.lotId && lot.useBy !== null) : []
  })
  const useBy = useByDate(startAt, code, lots.map(l => l.useBy!))
  const limiting = lots.find(l => l.useBy === useBy)
  if (limiting) find('lotDate', 'info', 'serve', 'serve.startAt', { lot: limiting.name })
  return useBy
}

function judgeSet(f: Facts, path: string, find: Find): VerdictCode {
  const { cold, plate, target, heat } = f
  const early = !f.statedCold && f.readyS !== null && f.chilledS < f.readyS - 60
  if (early) find('servedBeforeSet', 'look', 'serve', `chill.${f.doc.chill.length - 1}.timeS`, { readyS: f.readyS! })
  if (heat.potB >= GRAINY || heat.b >= GRAINY_THROUGH) return 'grainy'
  const loose = () => find('looseCold', 'stop', 'balance', path, { tauPa: cold.tauPa.value, needPa: target.coldMinPa })
  if (heat.a < COATS || cold.tauStarPa < 10) {
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

function allergensOf(m: Mix, crust: boolean): string[] {
  const list: string[] = []
  if (m.grams.eggWhiteProtein + m.grams.yolkProtein > 0) list.push('egg')
  if (crust || m.grams.milkFat > 0 || m.grams.casein > 0) list.push('milk')
  if (crust || holds(m, r => r.id === 'flour')) list.push('gluten')
  if (holds(m, r => r.id === 'wine_white' || r.id === 'wine_late')) list.push('sulphites')
  return list
}
