/** What the heat station shows: the curves, their moments, and what follows for the pan and the scale. */
import { densityOf } from '../../base/ingredients/measures'
import type { Parameters } from '../../base/parameters'
import { quantity } from '../../base/provenance'
import { type Bench, fillingOf, panOf } from '../../formula/bench'
import { whippingOf } from '../whipped'
import { THERMOMETER_SIGMA_K } from '../../kitchen/spreads'
import type { Kitchen } from '../../kitchen/kitchen'
import type { History } from '../../physics/heat/dose'
import {
  COATS, cookedEnd, DONE, type EggWork, GRAINY, grainyTemperature, oversettingCurve, secondsToGrainy,
  settingCurve, undisturbed,
} from '../../physics/heat/egg'
import { addedSugarG, reductionTarget, type ReductionTarget } from '../../physics/heat/reduction'
import type { MixPart } from '../../physics/matter/mix'
import { lethality } from '../../physics/safety/lethality'
import { curdlingTempC } from '../../physics/set/curdling'
import { starchCurve } from '../../physics/set/starch'
import type { Assessment } from '../assessment'
import { atOnceOf, type Heated } from '../heated'
import type { Mixed } from '../mixed'
import { CURDLES_TOLD } from '../judge/limits'
import type { Settled } from '../settled'

/** Water that has left along the heat, g: the pot's or the oven's own course, ending at what counts as gone. */
function evaporationCurve({ bake, pot, evaporatedG, cooking }: Heated): number[] {
  const along = bake ? bake.evaporatedAlong : pot.run.steamG
  const last = along.at(-1)!
  return cooking.core.timeS.map((_, i) => (last > 0 ? (along[i]! / last) * evaporatedG : 0))
}

/**
 * What still comes after the heat, K: the pan gives back its excess; a bake's middle rises to the mean of the whole.
 */
function carryOf({ bake, pot, joined }: Heated): number {
  if (bake) return Math.max(0, bake.meanEndC - bake.core.tempC.at(-1)!)
  const [first, second] = joined.history.tempC
  return pot.inPan ? Math.max(0, second! - first!) : 0
}

/** Where to stop a boil: at the volume of the cream alone, as a jug measures it. */
function reductionOf(parts: readonly MixPart[], tareG: number): ReductionTarget | null {
  const sugarG = addedSugarG(parts)
  const restG = parts.reduce((sum, p) => sum + p.massG, 0) - sugarG
  const mlOf = (p: MixPart) => (p.row.group === 'dairy' ? p.massG / (densityOf(p.row.id)?.gPerMl ?? 1) : 0)
  const creamMl = parts.reduce((sum, p) => sum + mlOf(p), 0)
  return creamMl > 0 ? reductionTarget(restG, creamMl, sugarG, tareG) : null
}

/** Least lethality of egg that joined after the heat, minutes at 70 °C; null if none did. */
function lateEggLethality({ plan }: Mixed, joinedS: readonly number[], after: History): number | null {
  let least: number | null = null
  plan.additions.forEach((a, i) => {
    if (!a.parts.some(p => p.row.group === 'egg')) return
    const from = after.timeS.findIndex(t => t >= joinedS[i]! - 1e-9)
    const rest = { timeS: after.timeS.slice(from), tempC: after.tempC.slice(from) }
    least = Math.min(least ?? Infinity, from < 0 ? 0 : lethality(rest, THERMOMETER_SIGMA_K).at(-1)!)
  })
  return least
}

/** Setting of the coldest part and over-setting of the piece as a whole, layer by layer, along the heat. */
function eggCurves({ cooking }: Heated, egg: EggWork | null): { setting: number[], oversetting: number[] } {
  const { core, histories, films, stirred } = cooking
  const oversetting = core.timeS.map(() => 0)
  if (!egg) return { setting: core.timeS.map(() => 0), oversetting }
  const made = stirred ? egg.temperatures : undisturbed(egg.temperatures)
  histories.forEach((h, i) =>
    oversettingCurve(h, made, films[i]!).forEach((b, k) => {
      oversetting[k]! += b / histories.length
    }),
  )
  return { setting: settingCurve(core, made), oversetting }
}

/** When the egg coats, is done and turns grainy, and how far it still is from that. */
function eggMoments(heated: Heated, egg: EggWork | null) {
  const { core, stirred } = heated.cooking
  const { timeS, tempC } = core
  const { setting, oversetting } = eggCurves(heated, egg)
  const firstOver = (values: number[], level: number) => {
    const i = values.findIndex(x => x >= level)
    return i < 0 ? null : timeS[i]!
  }
  const peakTempC = Math.max(...tempC)
  const grainyAtC = egg ? grainyTemperature(peakTempC, shift => cookedEnd(egg, shift).b, egg.grainyAt) : null
  return {
    setting,
    oversetting,
    t60C: egg?.temperatures.t60C ?? null,
    t60bC: egg?.temperatures.t60bC ?? null,
    coatsS: firstOver(setting, COATS),
    doneS: firstOver(setting, DONE),
    grainyS: firstOver(oversetting, egg?.grainyAt ?? GRAINY),
    grainyAtC,
    marginK: grainyAtC === null ? null : grainyAtC - peakTempC,
    marginS: egg && stirred ? secondsToGrainy(egg.heat[0]!, tempC.at(-1)!, egg.temperatures, egg.grainyAt) : null,
    peakTempC,
  }
}

/** The oven as its load has it. */
function ovenOf({ assembly, heat }: Bench, { bake, shape }: Heated): Assessment['heat']['oven'] {
  if (!bake) return null
  const atOnce = atOnceOf({ assembly, heat }, shape)
  return { atOnce, loads: Math.ceil(assembly.count / atOnce), leastC: Math.min(...bake.airC) }
}

/** How far the middle is behind the mean as the target is reached, before it is whisked in, K. */
function middleBehindOf({ pot: { run } }: Heated): number {
  if (!run.middleC) return 0
  // The last point before the target: as it comes out it has been whisked.
  const reached = run.reachedS === null ? -1 : run.history.timeS.findIndex(t => t >= run.reachedS!)
  const i = Math.max(0, (reached < 0 ? run.middleC.length : reached) - 1)
  return run.history.tempC[i]! - run.middleC[i]!
}

/** The heat of an assessment. */
export function heatFigures(
  doc: Bench,
  kitchen: Kitchen,
  mixed: Mixed,
  heated: Heated,
  settled: Settled,
  p: Parameters,
): Assessment['heat'] {
  const { cooking, joined, pot, body, finished, evaporatedG } = heated
  const { timeS, tempC } = cooking.core
  const { a, b, coreA } = settled.end
  const lethalityMin = lethality(cooking.core, THERMOMETER_SIGMA_K)
  const late = lateEggLethality(mixed, heated.paths.joinedS, settled.after)
  return {
    ...eggMoments(heated, settled.egg),
    reachedS: heated.reachedS,
    endS: timeS.at(-1)!,
    timeS: [...timeS],
    tempC: [...tempC],
    lethalityMin,
    lethality: quantity(Math.min(lethalityMin.at(-1)!, late ?? Infinity), 'min at 70 °C', 'computed'),
    evaporatedG,
    oven: ovenOf(doc, heated),
    middleBehindK: middleBehindOf(heated),
    a,
    b,
    coreA,
    pourTempC: heated.pourTempC,
    evaporationG: evaporationCurve(heated),
    starchShare: starchCurve(timeS, tempC, body.starchC, finished, p.starch),
    whipping: mixed.plan.additions.flatMap((x) => {
      const step = fillingOf(doc).steps[x.step]!
      return (step.kind === 'foldIn' && whippingOf(x.parts, step, x.step)) || []
    }),
    joins: joined.met.map((m, i) => ({ step: mixed.plan.additions[i]!.step, ...m })),
    smoothBelowC: heated.curdling && curdlingTempC(heated.curdling.logit, heated.curdling.tempC, CURDLES_TOLD),
    carryK: carryOf(heated),
    panG: mixed.cooked.massG - pot.run.evaporatedG,
    reduction:
      doc.heat.until === 'creamVolume' ? reductionOf(mixed.plan.cooked, panOf(doc, kitchen)?.tareG ?? 0) : null,
  }
}
