/** What a warm batch asks of a fridge. */
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
