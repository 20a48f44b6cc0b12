/** A cook's own minutes: where one says how long a step takes, the clock goes by that. */
import type { Bench } from './bench'

/**
 * Seconds from the heat's start to the last vessel filled (or out of the oven): the heat as computed or as this cook
 * takes, what joins it, and the steeping, rest, straining and filling that are said. What is baked is filled before.
 * @param heatS the heat as computed, s @param joinS what joins after it, s
 * @example untilPoured({ ...doc, serve: { ...doc.serve, ownS: { heat: 480, rest: 1200 } } }, 600, 60) // 1740
 */
export function untilPoured({ heat, serve: { ownS = {} } }: Bench, heatS: number, joinS: number): number {
  const afterHeat = heat.method === 'oven' ? 0 : (ownS.steep ?? 0) + (ownS.rest ?? 0) + (ownS.strain ?? 0) + (ownS.portion ?? 0)
  return (ownS.heat ?? heatS) + joinS + afterHeat
}
