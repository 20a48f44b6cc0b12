/**
 * Cold places and ovens as they might really be: a compressor and a thermostat that cycle, a door, air that the load
 * warms, convection that is not what is written. Their coefficients are the tables' own; how they are put together is
 * not the model's.
 */
import { STANDARD } from '../base/parameters'
import { airPressure, boilingPoint, evaporationHeat, massTransfer, R_VAPOUR, saturationPressure } from '../physics/thermal/steam'
import { type Cover, type PlaceKind, WALL } from '../physics/thermal/places'
import type { Material } from '../physics/geometry/cavity'
import { STEFAN } from './pot'
import { faceC, type Faces, type Piece, pieceMeanC } from './piece'

const C = STANDARD.cold
const O = STANDARD.oven

/** What is true of a cold place: its air over what is stated, K; convection over the model's. */
export interface ColdTruth {
  airOffsetK: number
  convectionFactor: number
  /** Half of the swing between compressor on and off, K, and how long one of them lasts, s. */
  swingK: number
  cycleS: number
  /** Where in its cycle it is at the start, 0–1. */
  phase: number
}
export interface ColdStated {
  kind: PlaceKind
  airTempC: number
  cover: Cover
  material: Material
  crustM: number
  crustForm: 'shell' | 'base'
  waterActivity: number
  /** Pieces as this one in it together. */
  count: number
  opensPerHour: number
  roomTempC: number
}

/** Forced or free convection, W/(m²·K). */
const convection = (kind: PlaceKind, dT: number): number => {
  switch (kind) {
    case 'domesticFridge': return C.domesticH * (Math.max(dT, 1) / 20) ** 0.25
    case 'fanFridge': return C.fanH
    case 'walkIn': return C.walkInH
    case 'blastChiller': return C.blastH
    case 'freezer': return C.freezerH
    case 'bench': return C.benchH
    case 'iceBath': return C.iceH
  }
}
/** What the machine carries off at most, W, and holds, J/K: common sizes, from memory, as the model has them. */
const MOST_W: Partial<Record<PlaceKind, number>> =
  { domesticFridge: 90, fanFridge: 350, walkIn: 1500, blastChiller: 2500, freezer: 90 }
const HELD_S_PER_K = 220

/** The air of a cold place some time later, as its machine, its door and its load have it, °C. */
export function coldAirLater(
  s: ColdStated, t: ColdTruth, airC: number, loadW: number, timeS: number, seconds: number,
): number {
  const dialC = s.airTempC + t.airOffsetK
  const mostW = MOST_W[s.kind]
  if (mostW === undefined) return dialC
  // Compressor on for half of its cycle: a saw between the two ends.
  const saw = Math.abs(((timeS / t.cycleS + t.phase) % 1) * 2 - 1) * 2 - 1
  const wantedC = dialC + t.swingK * saw
  const doorW = (s.opensPerHour / 3600) * C.doorS * mostW
  const heldJ = HELD_S_PER_K * mostW
  const pullW = Math.min(mostW, Math.max(0, (mostW / C.fullPowerK) * (airC - wantedC)))
  const driftW = ((wantedC - airC) * heldJ) / 300
  return airC + (seconds * (loadW + doorW - pullW + Math.max(0, driftW))) / heldJ
}

/** Radiation between a surface and the walls around it, W/(m²·K). */
const radiation = (surfaceC: number, wallsC: number, emissivity: number): number => {
  const [a, b] = [surfaceC + 273.15, wallsC + 273.15]
  return emissivity * STEFAN * (a * a + b * b) * (a + b)
}

/** What a piece feels in a cold place. */
export function coldFaces(s: ColdStated, t: ColdTruth, airC: number, piece: Piece): Faces {
  const hc = convection(s.kind, Math.abs(pieceMeanC(piece) - airC)) * t.convectionFactor
  const besideR = WALL[s.material] + (s.crustForm === 'shell' ? s.crustM / C.crustK : 0)
  const underR = WALL[s.material] + s.crustM / C.crustK
  const through = (u: number, r: number) => 1 / (1 / u + r)
  if (s.kind === 'iceBath')
    return {
      top: { u: C.benchH + C.radiationH, airC: s.roomTempC, leavesWM2: 0 },
      base: { u: through(hc, underR), airC, leavesWM2: 0 },
      side: { u: through(hc, besideR), airC, leavesWM2: 0 },
    }
  const topC = faceC(piece, 'top')
  const open = hc + radiation(topC, airC, 0.95)
  const coverR = s.cover === 'lid' ? C.lidR : s.cover === 'film' ? C.filmR : 0
  const vapour = s.waterActivity * saturationPressure(topC) / (topC + 273.15)
    - 0.7 * saturationPressure(airC) / (airC + 273.15)
  const steamWM2 = s.cover === 'open' ? Math.max(0, (massTransfer(hc) / R_VAPOUR) * vapour * evaporationHeat(topC)) : 0
  const fans = s.kind === 'fanFridge' || s.kind === 'walkIn' || s.kind === 'blastChiller'
  const baseU = fans ? hc + C.radiationH : (s.kind === 'bench' ? C.woodH : C.shelfH) * t.convectionFactor
  return {
    top: { u: through(open, coverR), airC, leavesWM2: steamWM2 },
    base: { u: through(baseU, underR), airC, leavesWM2: 0 },
    side: { u: through(hc + radiation(faceC(piece, 'side'), airC, 0.9), besideR), airC, leavesWM2: 0 },
  }
}

/** What is true of an oven: its air over what is stated, K; half of its thermostat's swing, K, and its period, s. */
export interface OvenTruth {
  offsetK: number
  swingK: number
  cycleS: number
}
export interface OvenStated {
  airTempC: number
  fan: boolean
  bath: boolean
  steam: number
  material: Material
  crustM: number
  crustForm: 'shell' | 'base'
  waterActivity: number
  altitudeM: number
}
/** Air of an oven, °C: loading has cost it some heat, which it makes good. */
export const ovenAirAt = (s: OvenStated, t: OvenTruth, timeS: number, dipK: number): number =>
  s.airTempC + t.offsetK + t.swingK * Math.sin((2 * Math.PI * timeS) / t.cycleS) - dipK * Math.exp(-timeS / 240)

/** What a piece feels in an oven, and the steam it loses, kg/(m²·s). @param crustC of the crust's middle, °C */
export function ovenFaces(
  s: OvenStated, airC: number, piece: Piece, crustC: number,
): { faces: Faces, steam: number, crustWM2: number } {
  const boilC = boilingPoint(s.altitudeM)
  const hc = s.fan ? O.fanH : O.stillH
  const topC = Math.min(faceC(piece, 'top'), boilC)
  const steamPa = Math.max(O.vapourPa, s.steam * Math.min(saturationPressure(airC), airPressure(s.altitudeM)))
  const gap = Math.max(0, s.waterActivity * saturationPressure(topC) - steamPa) / (R_VAPOUR * (topC + 273.15))
  const flux = gap / (O.skin + 1 / massTransfer(hc))
  const topU = hc + radiation(topC, airC, O.emissivity)
  const boiling = faceC(piece, 'top') >= boilC - 0.5
  const steamWM2 = Math.max(flux * evaporationHeat(topC), boiling ? topU * (airC - boilC) : 0)
  // Steam that condenses on what is colder than it makes the air count for more.
  const wet = s.steam > 0.3 ? 60 * s.steam : 0
  const wallU = s.bath ? O.bathU : (s.fan ? O.fanWallH : O.wallH) + wet
  const wallC = s.bath ? Math.min(O.bathC, boilC - 8) : wet > 0 ? Math.min(airC, boilC) : airC
  const innerU = s.crustM > 0 ? (2 * C.crustK) / s.crustM : 0
  const outer = 1 / (1 / wallU + WALL[s.material] + (s.crustM > 0 ? 1 / innerU : 0))
  const crusted = { u: innerU, airC: crustC, leavesWM2: 0 }
  const bare = { u: 1 / (1 / wallU + WALL[s.material]), airC: wallC, leavesWM2: 0 }
  return {
    faces: {
      top: { u: topU + wet, airC, leavesWM2: steamWM2 },
      base: s.crustM > 0 ? crusted : bare,
      side: s.crustM > 0 && s.crustForm === 'shell' ? crusted : bare,
    },
    steam: steamWM2 / evaporationHeat(topC),
    crustWM2: s.crustM > 0 ? outer * (wallC - crustC) - innerU * (crustC - faceC(piece, 'base')) : 0,
  }
}
