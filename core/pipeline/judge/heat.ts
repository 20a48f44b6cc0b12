/** Judging the heat: pan, egg, and what meets what at which temperature. */
import { given } from '../../formula/document'
import { is, part } from '../../base/ingredients/ingredients'
import { fillingOf, panOf, vesselOf } from '../../formula/bench'
import { familyOf } from '../../formula/families'
import { schoolOf } from '../../formula/schools'
import { THERMOMETER_SIGMA_K } from '../../kitchen/spreads'
import { COATS, DONE } from '../../physics/heat/egg'
import { edgeOf } from '../../physics/heat/stirring'
import { BOILED_C, BURST, heatsInPan, panHoldsM3, potVessel } from '../../physics/heat/pot'
import type { MixPart } from '../../physics/matter/mix'
import { EGG_DISH_C, LETHALITY_NEEDED_MIN } from '../../physics/safety/lethality'
import { CREAM_KNITS_C } from '../../physics/set/setting'
import { isAcidic } from '../heated'
import { type Facts, type Find, holds } from './facts'
import {
  ACID_IN_C, BUTTER_COUNTS_SHARE, BUTTER_IN, EGG_COUNTS_C, GLASS_OVEN_START_C,
  BATH_C, COLD_MIDDLE_K, CURD_KG_L, EDGE_GRAINS, EDGE_SETS, NEAR_GRAINY_K, OILS_OUT, SCRAMBLED, STRINGS_BASE_C,
  STRINGS_MIX_C,
} from './limits'

/** A chosen pan against what is in it. */
function judgePan(f: Facts, boils: boolean, find: Find): void {
  const pan = panOf(f.doc, f.kitchen)
  if (!pan) return
  const cooked = f.mixed.plan.cooked.reduce((s, p) => s + p.massG, 0)
  const needM3 = potVessel(f.doc.heat.method, f.heat.peakTempC, cooked).holdM3
  const holdM3 = panHoldsM3(pan)
  if (holdM3 < needM3)
    find('panTooSmall', boils ? 'stop' : 'look', 'heat', 'heat.pan', {
      holdMl: 1e6 * holdM3,
      needMl: 1e6 * needM3,
      boils: boils ? 1 : 0,
    })
}

export function judgeHeat(f: Facts, path: string, find: Find): void {
  const { heat, doc } = f
  const { eggG } = f.mixed
  const { potB } = f.settled.end
  const { grainyAt } = f.heated.cooking
  const target = 'heat.targetTempC'
  const { method } = doc.heat
  const baked = method === 'oven'
  const boils = method === 'direct' && heat.peakTempC > BOILED_C
  // Who says the minutes asks no temperature: what the middle came to is judged below.
  const timed = baked && given(doc.heat.oven.timeS) !== null
  if (f.heated.reachedS === null && !timed)
    find(baked ? 'ovenStalls' : 'potStalls', 'stop', 'heat', target, { tempC: f.heated.endTempC })
  if (eggG > 0) {
    if (potB >= SCRAMBLED && f.heated.body.eggC > EGG_COUNTS_C)
      find('scrambled', 'stop', 'heat', target, { tempC: heat.peakTempC, share: potB })
    if (potB >= grainyAt && f.heated.body.eggC > EGG_COUNTS_C)
      find('grainy', 'stop', 'heat', target, { tempC: heat.peakTempC, share: potB })
    else if (heat.marginK !== null && heat.marginK < NEAR_GRAINY_K && familyOf(doc.family).eggSets)
      find('grainyNear', 'look', 'heat', target, { marginK: heat.marginK })
    if (heat.b >= grainyAt && potB < grainyAt) find('oversetsInDepth', 'look', 'heat', 'chill.0', { share: heat.b })
    if (familyOf(doc.family).eggSets && heat.coreA < DONE)
      find('underset', heat.coreA < COATS ? 'stop' : 'look', 'heat', 'heat.holdS', { share: heat.coreA })
    judgeEggSafety(f, path, find)
  }
  if (holds(f.mixed.whole, r => is(r, 'wheat')) && heat.peakTempC < EGG_DISH_C)
    find('rawFlour', 'stop', 'heat', path, { tempC: EGG_DISH_C })
  if (boils) find('boilOver', 'info', 'heat', target)
  if (heatsInPan(method)) judgePan(f, boils, find)
  if (method === 'microwave') find('microwaveJug', 'info', 'heat', 'heat.method')
  if (heat.middleBehindK > COLD_MIDDLE_K)
    find('coldMiddle', 'look', 'heat', 'heat.burstS', {
      behindK: heat.middleBehindK, burstS: doc.heat.burstS ?? BURST.onS,
    })
  judgeEdge(f, find)
  if (boils && f.mixed.plan.cooked.some(p => part(p.row, 'milkFat') > 0)) judgeOil(f, find)
  if (method === 'sousVide') find('sealedFood', 'info', 'heat', 'heat.method')
  if (baked && (doc.heat.oven.steam ?? 0) > 0) find('steamDrips', 'info', 'heat', 'heat.oven.steam')
  if (heat.oven && heat.oven.loads > 1)
    find('ovenLoads', 'info', 'heat', 'heat.oven.atOnce', { loads: heat.oven.loads, atOnce: heat.oven.atOnce })
  if (schoolOf(doc.school).boilsSugar || doc.components.some(c => c.make?.kind === 'meringueBoiled'))
    find('boilingSugar', 'info', 'heat', 'heat.method')
  if (baked && vesselOf(doc, f.kitchen).material === 'glass' && doc.heat.startTempC <= GLASS_OVEN_START_C)
    find('glassOven', 'stop', 'heat', 'assembly.vessel.material')
  if (heatsInPan(method)) find('reactivePan', 'info', 'heat', 'heat.method')
}

/** A bath that is stirred now and then sets at its edge first. */
function judgeEdge({ doc, heated, mixed }: Facts, find: Find): void {
  const { method, stirEveryS, targetTempC } = doc.heat
  if (method !== 'waterBath' || stirEveryS === undefined || !heated.temperatures || mixed.eggG <= 0) return
  const { t60bC, rates } = heated.temperatures
  const { share, overset } = edgeOf({
    volumeM3: mixed.cooked.massG / 1e6 / CURD_KG_L, everyS: stirEveryS, targetC: targetTempC, wallC: BATH_C, t60bC,
    decadeK: rates.oversettingZK,
  })
  if (overset > EDGE_SETS) find('edgeSets', overset > EDGE_GRAINS ? 'look' : 'info', 'heat', 'heat.stirEveryS', {
    share, overset, everyMin: stirEveryS / 60,
  })
}
/** Cream boiled down until its fat leaves the water: the juice, whisked in, pulls it together again. */
function judgeOil({ heated, mixed }: Facts, find: Find): void {
  const fatG = mixed.plan.cooked.reduce((s, p) => s + (p.massG * part(p.row, 'milkFat')) / 100, 0)
  const leftG = mixed.plan.cooked.reduce((s, p) => s + p.massG, 0) - heated.evaporatedG
  if (fatG / Math.max(1, leftG) > OILS_OUT) find('creamOils', 'info', 'heat', 'heat.holdS', { share: fatG / leftG })
}

/** Egg that nothing cooks, and egg cooked less than counts: a stop from the shell, or for guests at risk. */
function judgeEggSafety({ heat, doc, mixed: { plan } }: Facts, path: string, find: Find): void {
  const guests = doc.use.guestsAtRisk ? 1 : 0
  const eggs = (parts: readonly MixPart[]) => parts.filter(p => p.row.group === 'egg' && p.massG > 0)
  const folded = eggs(plan.additions.flatMap(a => (a.kind === 'foldIn' ? a.parts : [])))
  const raw = doc.heat.method === 'none' ? eggs(plan.all) : folded
  const isShell = (parts: readonly MixPart[]) => parts.some(p => is(p.row, 'fromShell'))
  const severity = (parts: readonly MixPart[]) => (isShell(parts) || guests ? 'stop' : 'look')
  if (raw.length > 0)
    find('rawEgg', severity(raw), 'heat', path, {
      minutes: heat.lethality.value, shell: isShell(raw) ? 1 : 0, guests,
    })
  const cooked = eggs(plan.all).filter(p => !raw.includes(p))
  if (cooked.length === 0 || isShell(raw)) return
  // What is folded in has no heat of its own; the pot's counts for what was in it.
  const minutes = raw.length > 0 ? heat.lethalityMin.at(-1)! : heat.lethality.value
  const lethal = minutes >= LETHALITY_NEEDED_MIN && heat.peakTempC - THERMOMETER_SIGMA_K >= EGG_DISH_C
  if (lethal) find('measure71', 'info', 'heat', 'heat.targetTempC', { tempC: EGG_DISH_C })
  else
    find('lethalityLow', severity(cooked), 'heat', 'heat.targetTempC', {
      minutes, needMinutes: LETHALITY_NEEDED_MIN, tempC: EGG_DISH_C, guests,
      shell: isShell(cooked) ? 1 : 0,
    })
}

/** What meets what at which temperature. */
export function judgeJoining(f: Facts, find: Find): void {
  const { heat } = f
  const index = f.doc.components.indexOf(fillingOf(f.doc))
  const gelled = f.heated.body.gelatinC > 0
  const { acidGelsMilk } = familyOf(f.doc.family)
  f.mixed.plan.additions.forEach((a, i) => {
    const path = `components.${index}.steps.${a.step}`
    const { beforeC, afterC } = f.heated.joined.met[i]!
    const acid = isAcidic(a.parts)
    const creamWaits = f.mixed.plan.cooked.some(p => part(p.row, 'casein') > 0 && p.massG > 0)
    const limitC = (acid ? heat.smoothBelowC : null) ?? Infinity
    if (creamWaits && beforeC > limitC && limitC >= ACID_IN_C)
      find('acidTooHot', 'look', 'heat', path, { tempC: beforeC, limitC })
    if (acid && creamWaits && acidGelsMilk && beforeC < CREAM_KNITS_C)
      find('acidTooLate', 'look', 'heat', path, { tempC: beforeC, limitC: CREAM_KNITS_C })
    if (a.kind === 'foldIn' && gelled && (beforeC < STRINGS_BASE_C || afterC < STRINGS_MIX_C))
      find('gelatinStrings', 'stop', 'heat', path, { baseC: beforeC, mixC: afterC, limitC: STRINGS_BASE_C })
    const butterG = a.parts.reduce((s, p) => s + (p.row.group === 'butter' ? p.massG : 0), 0)
    if (butterG > BUTTER_COUNTS_SHARE * f.mixed.whole.massG && (beforeC < BUTTER_IN[0] || beforeC > BUTTER_IN[1]))
      find('butterSplits', 'look', 'heat', path, { tempC: beforeC, fromC: BUTTER_IN[0], toC: BUTTER_IN[1] })
  })
}
