/** The cold of a formula: its legs one after another, and the piece as it warms on the table. */
import { PARAMETER_TABLE, type Parameters, STANDARD } from '../base/parameters'
import { type Bench, vesselOf } from '../formula/bench'
import { type ChillLeg, placeOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { airAfter, type ColdPlace } from '../physics/chill/load'
import { type Freezing, freezingOf, freezingPoint } from '../physics/chill/freezing'
import type { History } from '../physics/heat/dose'
import type { Mix } from '../physics/matter/mix'
import { CODES } from '../physics/safety/keeping'
import type { Load } from '../physics/thermal/airNode'
import { type Boundary, coolCylinder, type Faces } from '../physics/thermal/conduction'
import { boundaryOf, HARD_AIR_C, hardAirC, type Placing } from '../physics/thermal/places'
import {
  fractionsOf,
  heatAt,
  heatCapacityTable,
  maxwellEucken,
  thermalProperties,
} from '../physics/thermal/properties'

/** One σ of ln convection: that of the places, alike for all. */
export const HC_LN_SIGMA = PARAMETER_TABLE.cold.fanH.spread
/** Slow 95 % end of convection. */
export const SLOW_FACTOR = Math.exp(-1.645 * HC_LN_SIGMA)
/** Simulated at least this long after pouring, s: the 24 h against which "set" is measured. */
export const FULL_SET_S = 24 * 3600
/** Conductivity of air, W/(m·K) (CRC Handbook). */
const AIR_K = 0.025
/** The table is looked at this long, s. */
const TABLE_LOOK_S = 4 * 3600

interface Legs {
  legs: ChillLeg[]
  stirredS: number
  totalS: number
}
/** Ice-bath legs before any other are a bowl stirred in ice; the rest stand in the vessel. */
function legsOf(doc: Bench, kitchen: Kitchen): Legs {
  const firstVessel = doc.chill.findIndex(leg => placeOf(leg, kitchen).kind !== 'iceBath')
  const stirred = doc.chill.slice(0, firstVessel === -1 ? doc.chill.length : firstVessel)
  return {
    legs: doc.chill,
    stirredS: stirred.reduce((s, l) => s + l.timeS, 0),
    totalS: doc.chill.reduce((s, l) => s + l.timeS, 0),
  }
}

export interface ChillInput {
  finished: Mix
  /** Air volume fraction. */
  air: number
  radiusM: number
  depthM: number
  volumeM3: number
  pourTempC: number
  aw: number
  coefficients: Parameters['cold']
}

export interface Cooling {
  timeS: number[]
  coreC: number[]
  meanC: number[]
  /** Where something freezes: its freezing point and the ice. */
  freezing: Freezing | null
  spans: Span[]
  totalS: number
}
/** A leg in its time; the warmest its air gets, °C. */
export interface Span {
  leg: ChillLeg
  fromS: number
  toS: number
  warmestC: number
}

/**
 * How a cooling is run: convection against the prediction; roughly, only as long as the code's stages take; or with a
 * grid and a look at every field.
 */
export interface ChillRun {
  hcFactor?: number
  rough?: boolean
  grid?: number
  watch?: (timeS: number, field: Readonly<Float64Array>) => void
}

/** The coldest a leg's air gets, °C. */
const coldestAirC = (leg: ChillLeg, kitchen: Kitchen): number => {
  const { kind, airTempC } = placeOf(leg, kitchen)
  return leg.hard && kind === 'blastChiller' ? Math.min(HARD_AIR_C, airTempC) : airTempC
}

/** A solid that may freeze, with the air in it. */
const aerated = ({ solid }: Freezing, ofK: number, rho: number): Freezing['solid'] => ({
  ...solid,
  k: solid.k * ofK,
  rho,
  freezing: { ...solid.freezing!, k: meanC => solid.freezing!.k(meanC) * ofK },
})

/**
 * The air around the piece, leg by leg: as its dial says, warmed by what stands in it and by its door; a blast chiller
 * on its hard programme as the piece asks.
 */
function airOf(doc: Bench, kitchen: Kitchen, spans: readonly Span[], c: ChillInput, rho: number) {
  const { material } = vesselOf(doc, kitchen)
  const { count, crustM, crustForm } = doc.assembly
  const { radiusM, depthM, coefficients } = c
  const planM2 = Math.PI * radiusM ** 2
  const sideM2 = 2 * Math.PI * radiusM * depthM
  const placed: Placing[] = spans.map(({ leg }) => ({
    ...placeOf(leg, kitchen),
    cover: leg.cover,
    material,
    crustM,
    crustForm,
    waterActivity: c.aw,
    hcFactor: 1,
    coefficients,
  }))
  const dials = placed.map(p => p.airTempC)
  const place: ColdPlace = { kind: 'bench', dialC: 0, roomC: kitchen.roomTempC, opensPerHour: 0 }
  let at = -1
  let airC = 0
  let lastS = 0
  let last: Boundary | null = null
  /** What the food gives the air: all vessels, and what stands with them as hot; steam counts with its heat. */
  const loadOf = (b: Boundary, f: Faces, leg: ChillLeg): Load => {
    const top = planM2 * b.top.u
    const base = planM2 * b.base.u
    const side = sideM2 * b.side.u
    const each = count * (1 + (leg.alongsideG ?? 0) / (1000 * rho * c.volumeM3))
    const watts = top * (f.topC - b.top.airC) + base * (f.baseC - b.base.airC) + side * (f.sideC - b.side.airC)
    const wPerK = top + base + side
    // With its steam a piece makes the air no hotter than it is itself.
    const tempC = Math.min(airC + watts / wPerK, Math.max(f.meanC, f.topC, f.baseC, f.sideC))
    return { wPerK: each * wPerK, tempC }
  }
  return {
    boundary(timeS: number, faces: Faces, hcFactor: number): Boundary {
      let k = Math.max(at, 0)
      while (k < spans.length - 1 && timeS >= spans[k]!.toS - 1e-6) k++
      const { leg } = spans[k]!
      const p = placed[k]!
      const dialC = leg.hard && p.kind === 'blastChiller' ? hardAirC(dials[k]!, faces.meanC) : dials[k]!
      if (k !== at || !last) airC = dialC
      else {
        place.kind = p.kind
        place.dialC = dialC
        place.opensPerHour = leg.opensPerHour ?? 0
        airC = airAfter(airC, place, loadOf(last, faces, leg), timeS - lastS, coefficients)
      }
      at = k
      lastS = timeS
      if (airC > spans[k]!.warmestC) spans[k]!.warmestC = airC
      p.airTempC = airC
      p.hcFactor = hcFactor
      last = boundaryOf(p, faces)
      return last
    },
  }
}

/** Cooling from pouring to at least 24 h, in the kitchen's places. */
export function chillStep(doc: Bench, kitchen: Kitchen, c: ChillInput, run: ChillRun = {}): Cooling {
  const { hcFactor = 1, rough = false, grid = rough ? 6 : 8, watch } = run
  const f = fractionsOf(c.finished)
  const dense = thermalProperties(f, 25)
  // Air takes weight and conductivity out of the piece (Maxwell–Eucken, air dispersed).
  const warm = { ...dense, rho: dense.rho * (1 - c.air), k: maxwellEucken(dense.k, AIR_K, c.air) }
  const { legs, stirredS, totalS } = legsOf(doc, kitchen)
  const fz = legs.some(l => coldestAirC(l, kitchen) < freezingPoint(c.aw) - 0.5) ? freezingOf(f, c.aw) : null
  // Frozen, too, air takes its share of the conductivity.
  const solid = fz
    ? aerated(fz, warm.k / dense.k, warm.rho)
    : { k: warm.k, rho: warm.rho, cp: heatCapacityTable(f) }
  const { cp } = solid
  const timeS: number[] = []
  const coreC: number[] = []
  const meanC: number[] = []
  let t = c.pourTempC
  let clock = 0
  if (stirredS > 0) {
    // A bowl stirred in ice never freezes.
    const ice = doc.chill.find(l => placeOf(l, kitchen).kind === 'iceBath')!
    const iceC = placeOf(ice, kitchen).airTempC
    const bowlRadius = ((3 * c.volumeM3) / (2 * Math.PI)) ** (1 / 3)
    const ua = c.coefficients.iceStirredH * hcFactor * 2 * Math.PI * bowlRadius ** 2
    const steps = 24
    timeS.push(0)
    coreC.push(t)
    meanC.push(t)
    for (let i = 0; i < steps; i++) {
      const dt = stirredS / steps
      t = iceC + (t - iceC) * Math.exp((-ua * dt) / (c.volumeM3 * warm.rho * heatAt(cp, t)))
      clock += dt
      timeS.push(clock)
      coreC.push(t)
      meanC.push(t)
      watch?.(clock, new Float64Array(grid * grid).fill(t))
    }
  }
  const jumps: number[] = []
  const spans: Span[] = []
  let at = 0
  for (const leg of legs) {
    spans.push({ leg, fromS: at, toS: at + leg.timeS, warmestC: placeOf(leg, kitchen).airTempC })
    at += leg.timeS
    jumps.push(at)
  }
  const endS = Math.max(totalS, FULL_SET_S) + 1
  spans[spans.length - 1]!.toS = endS
  const air = airOf(doc, kitchen, spans, c, warm.rho)
  const vesselEnd = endS - stirredS
  if (stirredS < endS) {
    watch?.(stirredS, new Float64Array(grid * grid).fill(t))
    const run = coolCylinder({
      radiusM: c.radiusM,
      heightM: c.depthM,
      solid,
      startTempC: t,
      endS: vesselEnd,
      jumpsS: jumps.map(j => j - stirredS),
      // The slow end is asked only how long the code's stages take: a coarser grid is within its own uncertainty many
      // times over.
      nr: grid,
      nz: grid,
      stopBelowC: rough ? coldestStageC(kitchen) : undefined,
      watch:
        watch &&
        ((time, field) => {
          watch(time + stirredS, field)
          return false
        }),
      boundary: (time, faces) => air.boundary(time + stirredS, faces, hcFactor),
    })
    for (let i = stirredS > 0 ? 1 : 0; i < run.timeS.length; i++) {
      timeS.push(run.timeS[i]! + stirredS)
      coreC.push(run.coreC[i]!)
      meanC.push(run.meanC[i]!)
    }
  }
  return { timeS, coreC, meanC, freezing: fz, spans, totalS }
}

/** The slow end is asked only how long the code's stages take. */
const coldestStageC = (kitchen: Kitchen): number => Math.min(...CODES[kitchen.foodCode].stages.map(s => s.toC))

/** A piece as it comes to the table. */
export interface TablePiece {
  finished: Mix
  fromC: number
  heightM: number
  aw: number
  /** Air volume fraction. */
  air: number
}

/**
 * The piece on the table: from one even temperature into the room, on a plate. What comes frozen takes its latent heat
 * first; air takes weight and conductivity out of it, as in the cold.
 */
export function tableStep(doc: Bench, piece: TablePiece, coefficients: Parameters['cold'] = STANDARD.cold) {
  const { finished, fromC, heightM, aw, air } = piece
  const f = fractionsOf(finished)
  const dense = thermalProperties(f, 12)
  const warm = { k: maxwellEucken(dense.k, AIR_K, air), rho: dense.rho * (1 - air) }
  const solid = fromC < freezingPoint(aw)
    ? aerated(freezingOf(f, aw), warm.k / dense.k, warm.rho)
    : { ...warm, cp: heatCapacityTable(f) }
  const use = doc.use
  const inDish = use.kind === 'glass'
  const placing: Placing = {
    kind: 'bench',
    airTempC: use.tableTempC,
    cover: 'film',
    material: inDish ? 'glass' : 'metal',
    crustM: doc.assembly.crustM,
    crustForm: doc.assembly.crustForm,
    waterActivity: aw,
    hcFactor: 1,
    coefficients,
  }
  return coolCylinder({
    radiusM: use.pieceWidthM / 2,
    heightM,
    startTempC: fromC,
    endS: Math.max(use.tableTimeS, TABLE_LOOK_S),
    nr: 6,
    nz: 6,
    solid,
    boundary: (_, faces) => boundaryOf(placing, faces),
    maxStepS: 300,
  })
}

/** Pot's end, stirring in and cooling as one core history, to where the egg has stopped. */
export function joinHistory(stirred: History, chill: Pick<Cooling, 'timeS' | 'coreC'>): History {
  const offset = stirred.timeS[stirred.timeS.length - 1]!
  const timeS = [...stirred.timeS]
  const tempC = [...stirred.tempC]
  for (let i = 1; i < chill.timeS.length && tempC[tempC.length - 1]! > 50; i++) {
    timeS.push(offset + chill.timeS[i]!)
    tempC.push(chill.coreC[i]!)
  }
  return { timeS, tempC }
}
