/**
 * Kitchen tests of firmness: from a reading to a yield stress, and from a prediction to the reading the cook should
 * expect.
 * Pascals, metres, kilograms; a density other than the filling's own shifts the reading in proportion.
 */
import { within } from '../../base/errors'
import { bracketOf } from '../../base/solveFor'
import { G, slumpShare } from './bands'

/** Ring of the slump test, m; useful 25–180 Pa. */
export const RING_M = 0.05
/** Plate test: a spoon of 60 ml, m³; useful 1–40 Pa. */
export const SPREAD_M3 = 60e-6
/** Cylinder of the load test: 60 mm wide, 50 mm high; useful 270–3000 Pa. */
export const CYLINDER = { diameterM: 0.06, heightM: 0.05 }
/** Density taken when none is known, kg/m³. */
const RHO = 1100

/**
 * Sink of a lifted ring, m. Pashias et al. (1996): s′ = 1 − 2τ′(1 − ln 2τ′).
 * @example slumpReading(100) // 0.01307
 */
export const slumpReading = (tauPa: number, density = RHO): number => RING_M * slumpShare(tauPa, density, RING_M)

/**
 * Yield stress of a sink of the ring, Pa: the same relation inverted by bisection. @throws {InputError} outside 0–50
 * mm
 */
export function slumpStress(sinkM: number, density = RHO): number {
  within(sinkM, 'sinkM', 0, RING_M)
  return bracketOf(tauPa => slumpReading(tauPa, density) > sinkM, 0, 0.5 * density * G * RING_M).middle
}

/**
 * Yield stress of a puddle, Pa: τ = 225·ρ·g·V²/(128·π²·R⁵) (Roussel & Coussot 2005). @throws {InputError} for no
 * radius
 * @example spreadStress(0.05) // 22.14
 */
export function spreadStress(radiusM: number, density = RHO): number {
  within(radiusM, 'radiusM', 0.005, 0.5)
  return (225 * density * G * SPREAD_M3 ** 2) / (128 * Math.PI ** 2 * radiusM ** 5)
}
/**
 * Radius to which a volume (60 ml where none is said) spreads, m; never smaller than a heap that stands (hemisphere).
 * @example spreadReading(22.14) // 0.05
 */
export const spreadReading = (tauPa: number, density = RHO, volumeM3 = SPREAD_M3): number =>
  Math.max(
    ((3 * volumeM3) / (2 * Math.PI)) ** (1 / 3),
    ((225 * density * G * volumeM3 ** 2) / (128 * Math.PI ** 2 * Math.max(tauPa, 1e-6))) ** 0.2,
  )

/** Yield stress at which a turned-out cylinder bulges under a load, Pa: τ = (ρ·g·H + m·g/A)/2. */
export function loadStress(loadKg: number, density = RHO): number {
  within(loadKg, 'loadKg', 0, 20)
  return (density * G * CYLINDER.heightM + (loadKg * G) / ((Math.PI * CYLINDER.diameterM ** 2) / 4)) / 2
}
/**
 * Load that makes it bulge, kg; null when it does not carry itself.
 * @example loadReading(2000) // 0.9974
 */
export function loadReading(tauPa: number, density = RHO): number | null {
  const kg = ((2 * tauPa - density * G * CYLINDER.heightM) * Math.PI * CYLINDER.diameterM ** 2) / 4 / G
  return kg >= 0 ? kg : null
}

export type KitchenTest = 'spread' | 'slump' | 'load'
/**
 * The test that reads a yield stress best, and its expected reading in m (kg for a load).
 * @example bestTest(100).test // 'slump'
 */
export function bestTest(tauPa: number, density = RHO): { test: KitchenTest, reading: number } {
  if (tauPa < 25) return { test: 'spread', reading: spreadReading(tauPa, density) }
  const load = loadReading(tauPa, density)
  return tauPa < 180 || load === null
    ? { test: 'slump', reading: slumpReading(tauPa, density) }
    : { test: 'load', reading: load }
}
