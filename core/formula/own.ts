/** A cook's own minutes: where one says how long a step takes, the clock goes by that. */
import type { Bench } from './bench'
import { PART_MIN } from './partMinutes'
import { schoolOf } from './schools'

/**
 * Seconds from the heat's start to the last vessel filled (or out of the oven): the heat as computed or as this cook
 * takes, what joins it, what fruit or peel stands to draw, and the steeping, rest, straining and filling that are said.
 * What is baked is filled before.
 * @param heatS the heat as computed, s @param joinS what joins after it, s
 * @example untilPoured({ ...doc, serve: { ...doc.serve, ownS: { heat: 480, rest: 1200 } } }, 600, 60) // 1740
 */
export function untilPoured({ school, heat, serve: { ownS = {} } }: Bench, heatS: number, joinS: number): number {
  const afterHeat = heat.method === 'oven' ? 0 : (ownS.steep ?? 0) + (ownS.rest ?? 0) + (ownS.strain ?? 0) + (ownS.portion ?? 0)
  const { mixed } = schoolOf(school).work ?? {}
  const drawsS = mixed ? 60 * PART_MIN[mixed]! : 0
  return (ownS.heat ?? heatS) + joinS + drawsS + afterHeat
}
