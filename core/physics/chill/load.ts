/** What a warm batch, and an open door, ask of a fridge, and how warm its air gets by it. */
import { type Parameters, STANDARD } from '../../base/parameters'
import { coldAfter, type Load, together } from '../thermal/airNode'
import { valueAt } from '../thermal/conduction'
import type { PlaceKind } from '../thermal/places'

/** Heat that a place carries off beside its own losses, W (common sizes, from memory L). */
export const CAPACITY_W: Readonly<Partial<Record<PlaceKind, number>>> = {
  domesticFridge: 90,
  fanFridge: 350,
  walkIn: 1500,
  blastChiller: 2500,
  freezer: 90,
}

/** Seconds of its heat that air, shelves and walls of a place hold for each kelvin: some kJ/K (judgement, L). */
const HELD_S_PER_K = 220

/** The air of a cold place while something stands in it. */
export interface ColdPlace {
  kind: PlaceKind
  dialC: number
  roomC: number
  opensPerHour: number
}

/**
 * The air of a place after a time; a bench or an ice bath stays as it is.
 * @example airAfter(20, { kind: 'bench', dialC: 20, roomC: 20, opensPerHour: 9 }, { wPerK: 1, tempC: 80 }, 60) // 20
 */
export function airAfter(
  airC: number,
  { kind, dialC, roomC, opensPerHour }: ColdPlace,
  load: Load,
  dt: number,
  c: Parameters['cold'] = STANDARD.cold,
): number {
  const mostW = CAPACITY_W[kind]
  if (mostW === undefined) return dialC
  // What comes in with each opening goes with how much warmer the room is.
  const doorWPerK = ((opensPerHour / 3600) * c.doorS * mostW) / Math.max(1, roomC - dialC)
  const all = doorWPerK > 0 ? together([load, { wPerK: doorWPerK, tempC: roomC }]) : load
  return coldAfter(airC, { dialC, mostW, heldJPerK: HELD_S_PER_K * mostW }, all, dt, c)
}

/** Heat given to a place in the first hour there, W: m·cp·ΔT of the mean over the hour, per second. */
export function firstHourW(
  massG: number,
  cp: number,
  curve: { timeS: readonly number[], meanC: readonly number[] },
  fromS: number,
  toS: number,
): number {
  const span = Math.min(3600, toS - fromS)
  if (!(span > 0)) return 0
  return Math.max(
    0,
    ((massG / 1000) *
      cp *
      (valueAt(curve.timeS, curve.meanC, fromS) - valueAt(curve.timeS, curve.meanC, fromS + span))) /
      span,
  )
}
