/**
 * Water on and from a surface: dew point, sweating under a cover, drying to a skin, dew on a cold piece in a warm room.
 * Vapour flows by the same mass transfer as elsewhere (Lewis): ṁ = h_m·(p_s/T_s − p_c/T_c)/R_v, h_m =
 * hc/(1.1·1006·.90).
 */
import { valueAt } from '../thermal/conduction'
import { massTransfer, R_VAPOUR, saturationPressure, saturationTemperature } from '../thermal/steam'

/** Still air between filling and a cover that does not touch it, W/(m²·K) (range 2–4, from memory M). */
const GAP_HC = 3
const OPEN_HC = 3.5

/**
 * Dew point of air, °C. @param relativeHumidity 0–1
 * @example dewPoint(20, 0.55) // 10.68
 */
export const dewPoint = (tempC: number, relativeHumidity: number): number =>
  saturationTemperature(relativeHumidity * saturationPressure(tempC))

/** Vapour from a surface to another at a temperature, kg/(m²·s). */
const vapour = (hc: number, surfaceC: number, waterActivity: number, toC: number, toHumidity: number): number =>
  Math.max(
    0,
    (massTransfer(hc) / R_VAPOUR) *
    ((waterActivity * saturationPressure(surfaceC)) / (surfaceC + 273.15) -
      (toHumidity * saturationPressure(toC)) / (toC + 273.15)),
  )

export interface SurfaceCourse {
  timeS: readonly number[]
  surfaceC: readonly number[]
  airC: (timeS: number) => number
}
/** Step for adding up vapour, s. */
const STEP_S = 60

/**
 * Water that gathers under a cover with air below it, g/m², from a time on until both are nearly one. The cover lies
 * halfway between surface and air (radiation and still air on both sides; judgement).
 */
export function sweatUnder(c: SurfaceCourse, waterActivity: number, fromS: number, toS: number): number {
  let sum = 0
  for (let t = fromS; t < toS; t += STEP_S) {
    const surface = valueAt(c.timeS, c.surfaceC, t)
    sum += vapour(GAP_HC, surface, waterActivity, (surface + c.airC(t)) / 2, 1) * Math.min(STEP_S, toS - t)
  }
  return 1000 * sum
}

/** Water an open surface loses between two times, g/m². @param relativeHumidity of the air around (.6: judgement) */
export function driesBy(
  c: SurfaceCourse,
  waterActivity: number,
  fromS: number,
  toS: number,
  relativeHumidity = 0.6,
): number {
  let sum = 0
  for (let t = fromS; t < toS; t += STEP_S)
    sum +=
      vapour(OPEN_HC, valueAt(c.timeS, c.surfaceC, t), waterActivity, c.airC(t), relativeHumidity) *
      Math.min(STEP_S, toS - t)
  return 1000 * sum
}
/** An open surface that has lost this much has a skin, g/m²: the water of its top tenth of a millimetre (judgement). */
export const SKIN_G_M2 = 70
/** Drops that run, g/m² (a film of .05 mm; judgement). */
export const DROPS_G_M2 = 50
/** Air of a kitchen where nobody measured it, share of saturation (judgement). */
export const ROOM_HUMIDITY = 0.55
