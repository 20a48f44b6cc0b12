/**
 * Where a piece stands while it cools, and what its faces then feel.
 * Coefficients are common ranges from memory (M–L): domestic still air 3.5·(ΔT/20)^.25, reach-in fan 12, walk-in 8,
 * blast 30, bench and
 * freezer 3.5 W/(m²·K), plus radiation of about 5; glass shelf 6, wood 3.5; ice bath stirred by hand U 200, unstirred
 * 50.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import type { Material } from '../geometry/cavity'
import type { Boundary, Faces } from './conduction'
import { boilingPoint, evaporationFlux, evaporationHeat } from './steam'

/**
 * Wall in series, m²K/W: 0.8 mm steel, 5 mm glass, 6 mm stoneware, 1.5 mm plastic, 2 mm silicone rubber (thickness
 * over handbook k).
 */
export const WALL: Record<Material, number> = {
  metal: 0.0008 / 16,
  glass: 0.005 / 1.0,
  ceramic: 0.006 / 1.2,
  plastic: 0.0015 / 0.2,
  silicone: 0.002 / 0.2,
}
/**
 * Heat stored in a wall, J/(m²·K): thickness × density × heat capacity of the same walls (handbook values, from
 * memory M).
 */
export const WALL_HEAT: Record<Material, number> = {
  metal: 0.0008 * 7900 * 480,
  glass: 0.005 * 2500 * 840,
  ceramic: 0.006 * 2300 * 900,
  plastic: 0.0015 * 1000 * 1700,
  silicone: 0.002 * 1150 * 1300,
}

type ColdParameters = Parameters['cold']
interface Air {
  hc: (dT: number, c: ColdParameters) => number
  base: (c: ColdParameters) => number
}
const AIR: Record<Exclude<PlaceKind, 'iceBath'>, Air> = {
  domesticFridge: { hc: (dT, c) => c.domesticH * Math.sqrt(Math.sqrt(Math.max(dT, 1) / 20)), base: c => c.shelfH },
  fanFridge: { hc: (_, c) => c.fanH, base: c => c.fanH + c.radiationH },
  walkIn: { hc: (_, c) => c.walkInH, base: c => c.walkInH + c.radiationH },
  blastChiller: { hc: (_, c) => c.blastH, base: c => c.blastH + c.radiationH },
  freezer: { hc: (_, c) => c.freezerH, base: c => c.shelfH },
  bench: { hc: (_, c) => c.benchH, base: c => c.woodH },
}

/** Usual air temperature of a place, °C, when the kitchen has not measured its own. */
export const USUAL_AIR_C: Record<PlaceKind, number> = {
  domesticFridge: 4,
  fanFridge: 3,
  walkIn: 3,
  blastChiller: -2,
  freezer: -18,
  bench: 20,
  iceBath: 0.5,
}

/** A blast chiller on its hard programme: its air, and the mean of the piece at which it turns to its dial, °C. */
export const HARD_AIR_C = -15
const HARD_UNTIL_C: readonly [number, number] = [12, 8]
/**
 * Air of a hard programme: well under zero until the piece is nearly cold, then as its dial says (common practice).
 * @example hardAirC(2, 40) // -15
 * @example hardAirC(2, 5) // 2
 */
export function hardAirC(dialC: number, meanC: number): number {
  const [from, to] = HARD_UNTIL_C
  const share = Math.min(1, Math.max(0, (meanC - to) / (from - to)))
  return dialC + share * (Math.min(HARD_AIR_C, dialC) - dialC)
}

export interface Placing {
  kind: PlaceKind
  airTempC: number
  cover: Cover
  material: Material
  crustM: number
  crustForm: 'shell' | 'base'
  waterActivity: number
  /** Multiplies convection: 1 for the prediction, less for its slow end. */
  hcFactor: number
  /** Coefficients; the table's where none are given. */
  coefficients?: ColdParameters
}

/** Air of a cold place holds this share of the steam it could (judgement). */
const HUMIDITY = 0.7
const steamW = (hc: number, tempC: number, p: Placing) =>
  evaporationFlux(hc, tempC, p.airTempC, p.waterActivity, 101325, HUMIDITY) * evaporationHeat(tempC)

/** So far below the boil the tangent is taken at the most: from there steam is capped, and has no slope, K. */
const UNDER_BOIL_K = 1.5
/**
 * Joins what evaporates to an open top, along its tangent at the surface's last temperature: e + e'·(T − T0) joins the
 * air's own coefficient, so that it cannot swing however thin the piece and long the step.
 */
function steaming(top: Boundary['top'], hc: number, lastC: number, p: Placing): void {
  const topC = Math.min(lastC, boilingPoint(0, p.waterActivity) - UNDER_BOIL_K)
  const now = steamW(hc, topC, p)
  const slope = 2 * Math.max(0, steamW(hc, topC + 0.5, p) - now)
  const u = top.u + slope
  top.airC = (top.u * top.airC - now + slope * topC) / u
  top.u = u
}

/** What a piece feels at its faces in a place. */
export function boundaryOf(p: Placing, faces: Faces): Boundary {
  const c = p.coefficients ?? STANDARD.cold
  const wall = WALL[p.material]
  const underR = wall + p.crustM / c.crustK
  const besideR = p.crustForm === 'shell' ? underR : wall
  if (p.kind === 'iceBath') {
    const u = c.iceH * p.hcFactor
    return {
      top: { u: c.benchH + c.radiationH, airC: 20, evaporationW: 0 },
      base: { u: 1 / (1 / u + underR), airC: p.airTempC },
      side: { u: 1 / (1 / u + besideR), airC: p.airTempC },
    }
  }
  const air = AIR[p.kind]
  const dT = Math.abs(faces.meanC - p.airTempC)
  const hc = air.hc(dT, c) * p.hcFactor
  const open = hc + c.radiationH
  const cover = p.cover === 'lid' ? c.lidR : p.cover === 'film' ? c.filmR : 0
  const top = { u: 1 / (1 / open + cover), airC: p.airTempC, evaporationW: 0 }
  if (p.cover === 'open') steaming(top, hc, faces.topC, p)
  return {
    top,
    base: { u: 1 / (1 / (air.base(c) * p.hcFactor) + underR), airC: p.airTempC },
    side: { u: 1 / (1 / open + besideR), airC: p.airTempC },
  }
}

export const PLACE_KINDS = [
  'domesticFridge',
  'fanFridge',
  'walkIn',
  'blastChiller',
  'freezer',
  'bench',
  'iceBath',
] as const
export type PlaceKind = (typeof PLACE_KINDS)[number]
export const COVERS = ['open', 'film', 'lid'] as const
export type Cover = (typeof COVERS)[number]
