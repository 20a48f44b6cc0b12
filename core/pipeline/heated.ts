/**
 * Heated: the pot, what joins it, the oven, and the filling as it stands poured. The second stage of the line.
 * `bodyAfter` is the part of it that a point or a sample repeats: a mix after the steam, and what its set depends on.
 */
import { type Parameters, STANDARD } from '../base/parameters'
import { type Bench, fillingOf, ovenAirC, vesselOf } from '../formula/bench'
import { given } from '../formula/document'
import { driesOff } from '../formula/fruit'
import { familyOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import { type Cooking, eggTemperatures, type EggTemperatures, GRAINY, GRAINY_SIEVED } from '../physics/heat/egg'
import { type Bake, inOvenAtOnce, runOven } from '../physics/heat/oven'
import { stirInTemperature } from '../physics/heat/pot'
import { ethanolLeft, evaporate, type Mix, type MixPart } from '../physics/matter/mix'
import { waterActivityOf } from '../physics/matter/solutes'
import { curdlingLogit } from '../physics/set/curdling'
import { type Body, bodyOf, phasesOf } from '../physics/set/firmness'
import { fractionsOf, heatCapacityTable, thermalProperties } from '../physics/thermal/properties'
import { heatStep, type HeatStep, type Joined, joinStep } from './heat'
import { makingOf, type Paths } from './making'
import type { Mixed } from './mixed'
import { fill, type Filled } from './shape'

/** Log odds of grains as acid meets milk, and the temperature of the hot side then, °C. */
export interface Curdling {
  logit: number
  tempC: number
}

export interface Heated {
  pot: HeatStep
  joined: Joined
  bake: Bake | null
  cooking: Cooking
  paths: Paths
  temperatures: EggTemperatures | null
  evaporatedG: number
  finished: Mix
  body: Body
  waterActivity: number
  shape: Filled
  pourTempC: number
  /** Where acid makes the gel: how likely it turns grainy as the two meet, and how hot they are. */
  curdling: Curdling | null
  /** Whether the target was reached at all, and when, s; how hot its middle was in the end. */
  reachedS: number | null
  endTempC: number
}

/** The mix after some steam has left, and what its set depends on by the way it was made. */
export function bodyAfter(
  doc: Bench,
  mixed: Mixed,
  paths: Paths,
  evaporatedG: number,
  p: Parameters = STANDARD,
): { finished: Mix, body: Body } {
  const steamed = evaporate(mixed.whole, evaporatedG)
  const boiledOff = mixed.cooked.ethanolG * (1 - ethanolLeft(evaporatedG / mixed.cooked.grams.water))
  const finished = { ...steamed, ethanolG: steamed.ethanolG - boiledOff, massG: steamed.massG - boiledOff }
  return { finished, body: bodyOf(finished, mixed.pH, makingOf(doc, mixed, paths, p), p) }
}

/** Over-setting at which grains are told: a sieve or blender after the pot breaks them, nothing does in an oven. */
export function grainyAtOf(doc: Bench): number {
  const breaks = fillingOf(doc).steps.some(s => s.kind === 'strain' || s.kind === 'blend')
  return doc.heat.method !== 'oven' && breaks ? GRAINY_SIEVED : GRAINY
}

/** Vessels in the oven together: as stated, else as many as its shelves hold. */
export const atOnceOf = ({ assembly, heat }: Pick<Bench, 'assembly' | 'heat'>, shape: Filled): number =>
  Math.min(assembly.count, heat.oven.atOnce ?? inOvenAtOnce(assembly.count, shape.radiusM))

/** The oven, on the filling as it stands in its vessel. */
function bakeIn(
  doc: Bench,
  kitchen: Kitchen,
  mix: Mix,
  shape: Filled,
  startTempC: number,
  p: Parameters,
): Bake {
  const f = fractionsOf(mix)
  const warm = thermalProperties(f, 50)
  const { assembly, heat } = doc
  return runOven({
    radiusM: shape.radiusM,
    depthM: shape.inVesselM,
    solid: { k: warm.k, rho: warm.rho, cp: heatCapacityTable(f) },
    startTempC,
    oven: { ...heat.oven, airTempC: ovenAirC(doc, kitchen), steam: heat.oven.steam ?? 0 },
    atOnce: atOnceOf(doc, shape),
    roomTempC: kitchen.roomTempC,
    material: vesselOf(doc, kitchen).material,
    crustM: assembly.crustM,
    crustForm: assembly.crustForm,
    waterActivity: waterActivityOf(mix),
    altitudeM: kitchen.altitudeM,
    targetTempC: heat.targetTempC,
    holdS: heat.holdS,
    timeS: given(heat.oven.timeS),
    parameters: p,
  })
}

/** Steam that a bake loses takes at most this share of the water there is (judgement). */
const BAKE_DRIES_AT_MOST = 0.3
/** Water equivalent of the mass that meets the vessel's wall, g. */
const WALL_G = 1000

/** The pot and what joins it: all of a heat that has no oven. @throws {InputError} for an impossible evaporation */
export function potStage(
  doc: Bench,
  kitchen: Kitchen,
  mixed: Mixed,
  p: Parameters = STANDARD,
): { pot: HeatStep, joined: Joined } {
  const pot = heatStep(doc, kitchen, mixed.cooked, waterActivityOf(mixed.cooked), p)
  return { pot, joined: joinStep(doc, mixed.plan, pot, kitchen.roomTempC) }
}

/** An addition counts as acid from this strength, % (judgement). */
const ACID_ADDITION_PERCENT = 0.5
/** Whether what joins is acid enough to set milk. */
export const isAcidic = (parts: readonly MixPart[]): boolean =>
  parts.some(p => p.massG > 0 && p.row.acid && p.row.acid.typical > ACID_ADDITION_PERCENT)

/** Acid that joins meets milk as hot as the mix is then; acid there from the start, at the peak of the heat. */
function curdlingOf(doc: Bench, mixed: Mixed, pot: HeatStep, joined: Joined, p: Parameters): Curdling | null {
  if (!familyOf(doc.family).acidGelsMilk) return null
  const k = mixed.plan.additions.findIndex(a => isAcidic(a.parts))
  const tempC = k < 0 ? Math.max(...pot.run.history.tempC) : joined.met[k]!.beforeC
  return { tempC, logit: curdlingLogit(mixed.whole, tempC, p.curdling) }
}

/** What the egg of a pot or a pouch goes through: the mix as one, or a pouch's layers; the coldest part told apart. */
function stirredCooking({ run, layers }: HeatStep, stirred: boolean, grainyAt: number): Cooking {
  const { history } = run
  const core = run.middleC ? { timeS: history.timeS, tempC: run.middleC } : history
  if (layers) return { histories: layers, films: layers.map(l => l.tempC), core, stirred, grainyAt }
  return { histories: [history], films: [run.filmC], core, stirred, grainyAt }
}

/** From the mix to the poured filling. @throws {InputError} for an impossible evaporation */
export function heatStage(
  doc: Bench,
  kitchen: Kitchen,
  mixed: Mixed,
  p: Parameters = STANDARD,
): Heated {
  const { pot, joined } = potStage(doc, kitchen, mixed, p)
  const { run } = pot
  const poured = evaporate(mixed.whole, run.evaporatedG)
  const mixTempC = joined.history.tempC.at(-1)!
  const flat = fill(doc, kitchen, poured.massG, phasesOf(poured).density)
  const baked = doc.heat.method === 'oven' && given(doc.heat.course) === null
  const bake = baked ? bakeIn(doc, kitchen, poured, flat, mixTempC, p) : null
  const own = driesOff(doc)
  const dried = bake && own !== null ? own * poured.massG : bake
    ? Math.min(bake.evaporatedKgM2 * 1000 * flat.areaM2, BAKE_DRIES_AT_MOST * poured.grams.water)
    : 0
  const evaporatedG = given(doc.heat.evaporationG) ?? run.evaporatedG + dried
  const paths = {
    heated: bake ? bake.core : run.history,
    after: joined.history,
    joinedS: joined.met.map(x => x.atS),
  }
  const { finished, body } = bodyAfter(doc, mixed, paths, evaporatedG, p)
  const shape = fill(doc, kitchen, finished.massG, body.phases.density)
  // Pouring: the filling and the cold wall it touches come to one temperature; a bake comes out as hot as it is.
  const pourTempC = bake
    ? bake.meanEndC
    : stirInTemperature(
        { massG: shape.filledG, cp: pot.cp, tempC: mixTempC },
        { massG: WALL_G, cp: shape.wallHeat, tempC: Math.min(kitchen.roomTempC, mixTempC) },
      )
  const { stirred } = body.making
  const grainyAt = grainyAtOf(doc)
  return {
    pot,
    joined,
    bake,
    cooking: bake
      ? { histories: bake.layers, films: bake.layers.map(l => l.tempC), core: bake.core, stirred, grainyAt }
      : stirredCooking(pot, stirred, grainyAt),
    paths,
    temperatures: eggTemperatures(mixed.cooked, mixed.cookedPH, p.egg),
    evaporatedG,
    finished,
    body,
    waterActivity: waterActivityOf(finished),
    shape,
    pourTempC,
    curdling: curdlingOf(doc, mixed, pot, joined, p),
    reachedS: bake ? bake.reachedS : run.reachedS,
    endTempC: bake ? bake.core.tempC.at(-1)! : run.endTempC,
  }
}
