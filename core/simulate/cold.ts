/** Poured, baked, and in the cold: the piece in its vessel with the loggers that watch it. */
import { STANDARD } from '../base/parameters'
import { type Bench, ovenAirC as statedOvenAirC, vesselOf } from '../formula/bench'
import { given, placeOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { areaAt, cavityOf, depthOf, equivalentRadius } from '../physics/geometry/cavity'
import type { Mix } from '../physics/matter/mix'
import { waterActivityOf } from '../physics/matter/solutes'
import { phasesOf } from '../physics/set/firmness'
import { fractionsOf, type HeatTable, heatCapacityTable, maxwellEucken, thermalProperties } from '../physics/thermal/properties'
import { WALL_HEAT } from '../physics/thermal/places'
import { type EggState, eggLater, type HeatSums, type Ripe, type RipeLaw, ripeLater, sumsLater, UNRIPE } from '../plant/gel'
import { loggerShows } from '../plant/instruments'
import { layersC, type Piece, pieceCoreC, pieceLater, pieceMeanC, startPiece, type PieceStated } from '../plant/piece'
import {
  coldAirLater, coldFaces, type ColdStated, type ColdTruth, ovenAirAt, ovenFaces, type OvenStated, type OvenTruth,
} from '../plant/places'
import type { Truths } from '../plant/truth'
import { goTo, type Hot } from './hot'
import { happen, type Log, read } from './log'

/** What stands in each vessel. */
export interface Poured {
  stated: PieceStated
  planM2: number
  startC: number
  density: number
}

/** Ice takes its heat over some degrees: the share that freezes grows with the cold (as an apparent heat capacity). */
function withIce(table: HeatTable, waterShare: number, activity: number): HeatTable {
  const pointC = Math.min(-0.3, (8.314 * 273.15 ** 2 * Math.log(Math.min(0.9999, activity))) / 6010)
  const values = table.values.map((cp, i) => {
    const t = table.fromC + i / table.perK
    return t < pointC ? cp + (0.9 * waterShare * 333.6e3 * -pointC) / (t * t) : cp
  })
  return { ...table, values }
}

/** What is poured: `filledG` came out of pan and sieve, g. */
interface Pouring {
  b: Bench
  kitchen: Kitchen
  mix: Mix
  air: number
  filledG: number
  hot: Hot
  pH: number
  log: Log
}
/** A piece in its place, with all that it takes to follow it. */
export interface InPlace {
  b: Bench
  kitchen: Kitchen
  poured: Poured
  hot: Hot
  mix: Mix
  pH: number
  law: RipeLaw
  truths: Truths
  log: Log
}

/** The mix as it fills its vessels. */
export function pour({ b, kitchen, mix: m, air, filledG, hot, pH, log }: Pouring): Poured & { hot: Hot } {
  const vessel = vesselOf(b, kitchen)
  const cavity = cavityOf(vessel, b.assembly)
  const { density } = phasesOf(m, air)
  const depthM = Math.min(depthOf(filledG / 1000 / density, cavity, b.assembly.count), cavity.heightM)
  const f = fractionsOf(m)
  const warm = thermalProperties(f, 25)
  const stated = {
    radiusM: equivalentRadius(cavity, depthM),
    depthM: Math.max(0.002, depthM),
    k: maxwellEucken(warm.k, 0.025, air),
    rho: warm.rho * (1 - air),
    cp: withIce(heatCapacityTable(f), f.water, waterActivityOf(m)),
  }
  const planM2 = areaAt(cavity, depthM)
  const wallJ = WALL_HEAT[vessel.material] * (planM2 + 2 * Math.PI * stated.radiusM * depthM) * b.assembly.count
  const mixJ = (filledG / 1000) * thermalProperties(f, 60).cp
  const startC = (mixJ * hot.tempC + wallJ * Math.min(kitchen.roomTempC, hot.tempC)) / (mixJ + wallJ)
  return { stated, planM2, startC, density, hot: goTo(hot, startC, 60, pH, log) }
}

/** A baked piece: its egg layer by layer. */
export interface Baked {
  piece: Piece
  eggs: EggState[]
  sums: HeatSums
  ripe: Ripe
  goneKgM2: number
}
const BAKE_S = 5
const STALLED_S = 3 * 3600

/**
 * In the oven, until the probe in its middle says so, or for the stated time.
 * @param outS taken out by hand, by the batch's clock, s; null: by probe and plan
 */
export function bake(
  { b, kitchen, poured, hot, mix: m, pH, law, truths, log }: InPlace, missedK: number, outS: number | null = null,
): Baked {
  const { oven } = b.heat
  const { noise } = log
  const stated: OvenStated = {
    airTempC: statedOvenAirC(b, kitchen), fan: oven.fan, bath: oven.bath, steam: oven.steam ?? 0,
    material: vesselOf(b, kitchen).material, crustM: b.assembly.crustM, crustForm: b.assembly.crustForm,
    waterActivity: waterActivityOf(m), altitudeM: kitchen.altitudeM,
  }
  const truth: OvenTruth = { offsetK: truths('ovenOffsetK', oven.ovenId ?? ''), swingK: 3, cycleS: noise.between(240, 420) }
  const dipK = noise.between(10, 25)
  const biasK = truths('probeBiasK')
  let piece = startPiece(poured.stated, poured.startC)
  let crustC = poured.startC
  let eggs = layersC(piece).map(() => hot.egg)
  let sums = hot.wholeSums
  let ripe = UNRIPE
  let goneKgM2 = 0
  let reachedS: number | null = null
  const startS = log.nowS
  const statedS = given(oven.timeS)
  const eggLaw = hot.law && { ...hot.law, t60bC: hot.law.t60bC + hot.law.rates.undisturbedK }
  happen(log, { kind: 'ovenIn' })
  for (let t = 0; ;) {
    const airC = ovenAirAt(stated, truth, t, dipK)
    const { faces, steam, crustWM2 } = ovenFaces(stated, airC, piece, crustC)
    if (stated.crustM > 0) {
      // The crust's own heat: thin, so its middle follows in short steps.
      const heldJ = stated.crustM * STANDARD.oven.shellRhoCp
      const n = Math.ceil(BAKE_S / Math.max(0.5, heldJ / 400))
      for (let i = 0; i < n; i++) crustC += (crustWM2 * BAKE_S) / n / heldJ
    }
    piece = pieceLater(piece, faces, BAKE_S)
    goneKgM2 += steam * BAKE_S
    t += BAKE_S
    log.nowS = startS + t
    const layers = layersC(piece)
    if (eggLaw) eggs = eggs.map((e, i) => eggLater(e, eggLaw, layers[i]!, layers[i]!, BAKE_S))
    sums = sumsLater(sums, STANDARD, pH, pieceCoreC(piece), BAKE_S)
    for (let i = 0; i < BAKE_S; i++) ripe = ripeLater(ripe, law, pieceMeanC(piece), 1)
    const shownC = loggerShows(pieceCoreC(piece), biasK, noise)
    if (t % 30 === 0) {
      read(log, 'probe', 'core', shownC)
      read(log, 'logger', 'oven', loggerShows(airC, 0.3, noise))
    }
    if (outS !== null) {
      if (log.nowS >= outS) break
      continue
    }
    if (statedS === null && shownC >= b.heat.targetTempC + missedK) reachedS ??= t
    if (statedS !== null ? t >= statedS : reachedS !== null && t >= reachedS + b.heat.holdS) break
    if (t > STALLED_S) break
  }
  happen(log, { kind: 'ovenOut' })
  return { piece, eggs, sums, ripe, goneKgM2 }
}

/** What cold and time made of it. */
export interface Cooled {
  coreC: number
  egg: EggState
  ripe: Ripe
  sums: HeatSums
  piece: Piece
}
const COLD_S = 20
/** The loggers write so often, s; egg stops changing below this, °C. */
const LOGGED_S = 300
const EGG_STOPS_C = 50

/** When the cook opens it, s from the cold's start, or at which core, °C. */
export interface Opening {
  atS: number
  coreC: number | null
}

/** Leg after leg in the cold, until it is opened. */
export function coolDown(
  { b, kitchen, poured, hot, mix: m, pH, law, truths, log }: InPlace,
  start: { piece: Piece, egg: EggState, ripe: Ripe, sums: HeatSums }, opening: Opening,
): Cooled {
  const { noise } = log
  let { piece, egg, ripe, sums } = start
  const eggLaw = hot.law && { ...hot.law, t60bC: hot.law.t60bC + hot.law.rates.undisturbedK }
  const startS = log.nowS
  const loggerBiasK = 0.15 * noise.normal()
  let t = 0
  let coreC = pieceCoreC(piece)
  const isOpened = () => (opening.coreC === null ? t >= opening.atS : coreC <= opening.coreC || t >= opening.atS)
  for (const [i, leg] of b.chill.entries()) {
    if (isOpened()) break
    const place = placeOf(leg, kitchen)
    const stated: ColdStated = {
      ...place, cover: leg.cover, material: vesselOf(b, kitchen).material, crustM: b.assembly.crustM,
      crustForm: b.assembly.crustForm, waterActivity: waterActivityOf(m), count: b.assembly.count,
      opensPerHour: leg.opensPerHour ?? 0, roomTempC: kitchen.roomTempC,
    }
    const isMachine = place.kind !== 'bench' && place.kind !== 'iceBath'
    const truth: ColdTruth = {
      airOffsetK: isMachine ? truths('fridgeAirOffsetK', leg.placeId ?? '') : 0,
      convectionFactor: isMachine ? truths('fridgeConvectionFactor', leg.placeId ?? '') : 1,
      swingK: isMachine ? 0.6 : 0.1, cycleS: noise.between(500, 900), phase: noise.uniform(),
    }
    happen(log, { kind: 'movedTo', legId: leg.id })
    let airC = place.airTempC + truth.airOffsetK
    const endS = i === b.chill.length - 1 ? Infinity : t + leg.timeS
    const sideM2 = 2 * Math.PI * poured.stated.radiusM * poured.stated.depthM
    while (t < endS - 1e-6 && !isOpened()) {
      const faces = coldFaces(stated, truth, airC, piece)
      const meanC = pieceMeanC(piece)
      const wPerK = poured.planM2 * (faces.top.u + faces.base.u) + sideM2 * faces.side.u
      airC = coldAirLater(stated, truth, airC, 0.7 * stated.count * wPerK * Math.max(0, meanC - airC), t, COLD_S)
      piece = pieceLater(piece, faces, COLD_S)
      t += COLD_S
      log.nowS = startS + t
      coreC = pieceCoreC(piece)
      if (eggLaw && coreC > EGG_STOPS_C) egg = eggLater(egg, eggLaw, coreC, coreC, COLD_S)
      if (coreC > 30) sums = sumsLater(sums, STANDARD, pH, coreC, COLD_S)
      ripe = ripeLater(ripe, { ...law, bakes: false }, coreC, COLD_S)
      if (t % LOGGED_S < 1e-6) {
        read(log, 'logger', 'core', loggerShows(coreC, loggerBiasK, noise))
        read(log, 'logger', 'air', loggerShows(airC, loggerBiasK, noise))
      }
    }
  }
  happen(log, { kind: 'opened' })
  return { coreC, egg, ripe, sums, piece }
}
