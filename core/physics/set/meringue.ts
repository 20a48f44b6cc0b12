/**
 * Beaten whites once they are beaten: how long they hold, how long they dry, when the air of a room softens them, what
 * they bear, and what a browning does to the frozen core under them.
 */
import { errorFunction } from 'simple-statistics'
import { solveFor } from '../../base/solveFor'
import { airPressure, saturationPressure } from '../thermal/steam'

/** With a thousandth of its weight of acid a foam of whites holds half as long again (common practice, L). */
const ACID_HOLDS = 1.5
/** How the hours go with the sugar: more of it, thicker films between the bubbles (judgement). */
const SUGAR_POWER = 1.5
const LEAST_HOLDS = 0.3
const MOST_HOLDS = 1.5
/**
 * By how much longer or shorter beaten whites hold than with their usual sugar and no acid.
 * @param ratio sugar to white by weight @param usual of that kind
 * @example foamHolds(1, 2, false) // 0.3536
 */
export const foamHolds = (ratio: number, usual: number, withAcid: boolean): number =>
  Math.min(MOST_HOLDS, Math.max(LEAST_HOLDS, (ratio / usual) ** SUGAR_POWER)) * (withAcid ? ACID_HOLDS : 1)

/** Psychrometer constant, 1/K (ventilated, WMO). */
const PSYCHROMETER = 6.62e-4
/**
 * Temperature of a wet face in an oven whose air is the room's, heated, °C: p_sat(T_w) − p_v = A·P·(T − T_w).
 * @example wetFace(93, 20, 0.55) // 33.81
 */
export function wetFace(ovenC: number, roomC: number, humidity: number): number {
  const pv = humidity * saturationPressure(roomC)
  return solveFor(t => saturationPressure(t) - PSYCHROMETER * airPressure(0) * (ovenC - t), pv, -10, 100)
}

/** Dried through in this time when so thick in such an oven (common practice: 90 min at 93 °C). */
const DRIED = { minutes: 90, thickM: 0.03, ovenC: 93, roomC: 20, humidity: 0.55 } as const
/** Between a film that dries by its face (1) and a body that dries from within (2). */
const THICK_POWER = 1.5
const drive = (ovenC: number, roomC: number, humidity: number) =>
  saturationPressure(wetFace(ovenC, roomC, humidity)) - humidity * saturationPressure(roomC)
/**
 * Minutes to dry a meringue through: 90 min · (h/30 mm)^1.5 · (p_wet − p_air) of the usual oven over this one's.
 * @example Math.round(driesMin(0.02, 93, 20, 0.55)) // 49
 */
export const driesMin = (thickM: number, ovenC: number, roomC: number, humidity: number): number =>
  (DRIED.minutes * (thickM / DRIED.thickM) ** THICK_POWER * drive(DRIED.ovenC, DRIED.roomC, DRIED.humidity))
  / drive(ovenC, roomC, humidity)

/** Of what a dried meringue is: its walls' own density, kg/m³, and what they bear before they break, Pa (L). */
const WALL = { density: 1600, breaksPa: 3e6 } as const
/**
 * What a dried foam bears before it is crushed, Pa: .2·σ·(ρ/ρ_s)^1.5 (brittle foams, Gibson & Ashby, from memory M).
 * @example Math.round(crushPa(230) / 1000) // 33
 */
export const crushPa = (density: number): number => 0.2 * WALL.breaksPa * (density / WALL.density) ** 1.5

/** Browning: oven or torch, how long (common practice: 232 °C, 3 min); its face gets no hotter than it browns, °C. */
export const BROWNING = { ovenC: 232, minutes: 3, faceC: 130 } as const
/**
 * How heat goes through beaten whites, m²/s: k .07 W/(m·K), 2,700 J/(kg·K) (after Choi & Okos and Maxwell–Eucken, L).
 */
const spreads = (density: number) => 0.07 / (density * 2700)
/**
 * The face of a frozen core under a meringue that is browned, °C: T + (T_face − T)·erfc(h/(2√(αt))).
 * @example coreUnder(-18, 0.015, 280, 3) // -16.61
 */
export const coreUnder = (coreC: number, thickM: number, density: number, minutes: number): number =>
  coreC + (BROWNING.faceC - coreC) * (1 - errorFunction(thickM / (2 * Math.sqrt(spreads(density) * 60 * minutes))))
/**
 * Longest browning that leaves a core frozen, min; the whole quarter of an hour where it always does.
 * @param meltsC above which it is frozen no more
 * @example browningMost(-18, 0.01, 280, -5) // 3.089
 */
export const browningMost = (coreC: number, thickM: number, density: number, meltsC: number): number =>
  solveFor(min => coreUnder(coreC, thickM, density, min), meltsC, 0.01, 15)
