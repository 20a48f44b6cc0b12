/** Judging the balance: what is missing, what the model does not know, what weakens the setters. */
import { is } from '../../base/ingredients/ingredients'
import type { Ingredient } from '../../base/ingredients/types'
import { familyOf } from '../../formula/families'
import { schoolOf } from '../../formula/schools'
import { FELT } from '../../physics/matter/dissolving'
import { HARDLY_WHIPS } from '../../physics/set/whipping'
import { PHASE_INVERSION, yieldStress } from '../../physics/set/firmness'
import { curdlingShare } from '../../physics/set/curdling'
import type { Severity } from '../assessment'
import { type Facts, type Find, holds } from './facts'
import { rawParts } from './rawFruit'
import {
  ACID_CURD_PH, AGAR_ACID_MIN, ALCOHOL_LIMIT, ALCOHOL_TOLD, AMYLASE_TOLD, CARRIES_SHARE, COARSE_GEL_PH, CURDLES,
  CURDLES_TOLD, EGG_COUNTS_C, GELATIN_ACID_PH, HARDLY_SETS_PH, PROTEASE_DEAD_C, THICKENS_PH,
  LEAST_WATER_SHARE, NOT_MODELLED_SHARE,
  NO_ACID_PERCENT, NO_SET_PA, POSSET_GOAL_PH, STARCH_ACID_LEFT, STARCH_COOKED, STARCH_COUNTS_C, WEEPS,
} from './limits'

export function judgeBalance(f: Facts, path: string, find: Find): void {
  const { whole } = f.mixed
  const { finished } = f.heated
  const { phases } = f.heated.body
  const family = familyOf(f.doc.family)
  const isPlant = (row: Ingredient) =>
    row.group === 'plant' && row.hardFat === undefined && row.gum === undefined && !is(row, 'foams')
  if (whole.parts.some(p => isPlant(p.row) && p.massG > NOT_MODELLED_SHARE * whole.massG))
    find('notModelled', 'look', 'balance', path, { setter: 'plant' })
  if (family.eggSets && f.mixed.eggG <= 0) find('noEgg', severityOf(f), 'balance', path)
  else if (
    !family.acidGelsMilk && f.settled.target.coldMinPa > 0 && yieldStress(f.settled.cold.mechanismsPa) < NO_SET_PA
  )
    find('noSetter', 'stop', 'balance', path)
  if (phases.phi > PHASE_INVERSION) find('phaseInversion', 'look', 'balance', path, { fatPercent: 100 * phases.phi })
  if (finished.grams.water < LEAST_WATER_SHARE * phases.aqueousG)
    find('waterLow', 'look', 'balance', path, { percent: (100 * finished.grams.water) / phases.aqueousG })
  const acidPercent = (100 * whole.acidG) / whole.massG
  if (family.needsAcid && acidPercent < NO_ACID_PERCENT) find('noAcid', 'look', 'balance', path, { acidPercent })
  if (
    f.mixed.cookedPH > COARSE_GEL_PH[0] &&
    f.mixed.cookedPH < COARSE_GEL_PH[1] &&
    f.heated.body.eggC > EGG_COUNTS_C &&
    f.heated.body.making.stirred
  )
    find('coarseGel', 'look', 'balance', path, { pH: f.mixed.cookedPH })
  if (family.acidProtects && f.mixed.pH > ACID_CURD_PH)
    find('lowAcid', 'stop', 'balance', path, { pH: f.mixed.pH })
  if (family.needsAcid && f.flavour.sharpness === 'sharp') find('tooSharp', 'info', 'balance', path)
  if (family.needsAcid && f.flavour.sharpness === 'flat') find('tasteFlat', 'info', 'balance', path)
  const alcohol = (100 * finished.ethanolG) / finished.massG
  if (alcohol > ALCOHOL_TOLD)
    find('alcohol', alcohol > ALCOHOL_LIMIT ? 'look' : 'info', alcohol > ALCOHOL_LIMIT ? 'balance' : 'serve', path, {
      percent: alcohol,
      limit: ALCOHOL_LIMIT,
    })
  // Where peel itself is made into something, there is not too much of it.
  if (!schoolOf(f.doc.school).ofPeel && (f.flavour.bitterness === 'bitter' || f.flavour.bitterness === 'strong'))
    find('bitterZest', 'look', 'balance', path, {
      gPerKg: f.flavour.zestGPerKg, countsGPerKg: f.flavour.zestCountsGPerKg,
    })
  if (holds(whole, r => is(r, 'lightSkin')))
    find('lightSkin', 'info', 'stock', path)
  if (holds(whole, r => r.group === 'zest')) find('scrubPeel', 'info', 'stock', path)
}

/** A missing or weak setter stops a plan whose set falls short; one that holds all the same is worth a look. */
const severityOf = ({ settled: { cold, target } }: Facts): Severity =>
  cold.tauPa.value < target.coldMinPa ? 'stop' : 'look'

/** What weakens milk, starch, gelatin and agar. */
export function judgeSetters(f: Facts, path: string, find: Find): void {
  const { body } = f.heated
  const { cold } = f.settled
  const { making } = body
  const missing = severityOf(f)
  const heatPath = 'heat.targetTempC'
  if (familyOf(f.doc.family).acidGelsMilk) {
    const grainy = f.heated.curdling ? curdlingShare(f.heated.curdling.logit) : 0
    if (grainy > CURDLES_TOLD)
      find('acidCurdles', grainy >= CURDLES ? 'stop' : 'look', 'balance', path, {
        share: grainy,
        tempC: f.heated.curdling!.tempC,
      })
    if (f.mixed.pH > HARDLY_SETS_PH)
      find('acidShort', missing, 'balance', path, { pH: f.mixed.pH, limit: POSSET_GOAL_PH })
  }
  const [hottest] = making.starch
  if (hottest && body.starchC > STARCH_COUNTS_C) {
    if (body.starchCooked < STARCH_COOKED)
      find('starchUndercooked', missing, 'heat', heatPath, {
        tempC: hottest.peakTempC,
        share: body.starchCooked,
      })
    if (making.amylase > AMYLASE_TOLD) find('amylase', missing, 'heat', heatPath, { tempC: hottest.peakTempC })
    if (body.starchLeft < STARCH_ACID_LEFT)
      find('starchAcid', 'look', 'heat', 'heat.holdS', { minutes: hottest.minutes, pH: f.mixed.cookedPH })
  }
  if (cold.mechanismsPa.gelatinPa > CARRIES_SHARE * cold.tauPa.value && f.mixed.pH < GELATIN_ACID_PH)
    find('gelatinAcid', 'look', 'balance', path, { pH: f.mixed.pH, lossPercent: 33 * Math.min(2, 4.2 - f.mixed.pH) })
  if (cold.mechanismsPa.agarPa > CARRIES_SHARE * cold.tauPa.value && making.acidDoseMin > AGAR_ACID_MIN)
    find('agarAcid', 'look', 'heat', 'components', { pH: f.mixed.cookedPH })
  for (const w of f.heat.whipping) {
    const at = `${path.replace(/lines$/, 'steps')}.${w.step}`
    if (w.mostOverrun < HARDLY_WHIPS) find('hardlyWhips', 'stop', 'heat', at, { overrun: w.mostOverrun })
    else if (w.peak === 'firm' && f.mixed.pH < THICKENS_PH) find('acidThickens', 'info', 'heat', at, { pH: f.mixed.pH })
  }
  const peakC = Math.max(...f.heated.paths.heated.tempC)
  const raw = peakC < PROTEASE_DEAD_C ? f.mixed.plan.all : f.mixed.plan.additions.flatMap(x => x.parts)
  if (raw.some(p => p.massG > 0 && is(p.row, 'protease')) && (body.gelatinC > 0 || familyOf(f.doc.family).acidGelsMilk))
    find('rawProtease', 'stop', 'balance', path, { limitC: PROTEASE_DEAD_C })
  else if (body.gelatinC > 0)
    for (const { index } of rawParts(f.doc, 'protease'))
      find('rawProtease', 'look', 'balance', `components.${index}.lines`, { limitC: PROTEASE_DEAD_C })
  if (f.dissolving && f.dissolving.left > FELT)
    find('sugarGritty', 'look', 'balance', path, {
      share: f.dissolving.left, grainMm: 1000 * f.dissolving.grainM,
      holdsFromC: f.dissolving.holdsFromC ?? 100, never: f.dissolving.holdsFromC === null ? 1 : 0,
    })
  if (f.weeping.score >= WEEPS)
    find('weeps', 'look', 'serve', path, { score: f.weeping.score, cause: f.weeping.causes[0]!.cause })
}
