import { solveFor } from '../../base/solveFor'

/** Water vapour, boiling and evaporation. */

/**
 * Saturation pressure of water, Pa.
 * Magnus form below 60 °C (611.2·exp(17.62 T/(243.12 + T)), WMO), Antoine above (NIST constants for 1–100 °C in
 * mmHg), joined between 55 and 65 °C; Magnus alone would boil water at 99.3 °C. From memory (H).
 */
export function saturationPressure(tempC: number): number {
  const magnus = 611.2 * Math.exp((17.62 * tempC) / (243.12 + tempC))
  if (tempC <= 55) return magnus
  const antoine = 133.322 * 10 ** (8.07131 - 1730.63 / (233.426 + tempC))
  if (tempC >= 65) return antoine
  const share = (tempC - 55) / 10
  return magnus * (1 - share) + antoine * share
}

/** Standard atmosphere, Pa at an altitude in m (ICAO: 101325·(1 − 2.25577e-5·h)^5.25588). */
export const airPressure = (altitudeM: number): number => 101325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588

/** Heat of evaporation, J/kg (2.501e6 − 2370·T, linear fit to steam tables, from memory H). */
export const evaporationHeat = (tempC: number): number => 2.501e6 - 2370 * tempC

/**
 * Temperature at which water's saturation pressure is this, °C (−40 to 140), by bisection.
 * @example saturationTemperature(101325) // 100
 */
export const saturationTemperature = (pressurePa: number): number =>
  solveFor(saturationPressure, pressurePa, -40, 140)

/**
 * Boiling point at an altitude, °C: where p_sat(T)·a_w meets the air's pressure. Sucrose of 50, 70, 80, 85 % boils 1.8,
 * 5.4, 11.2, 17.9 K later by its water activity (handbooks: 1.8, 5.5, 10.5–11, 17).
 * @example boilingPoint(1600) // 94.69
 */
export const boilingPoint = (altitudeM: number, waterActivity = 1): number =>
  saturationTemperature(airPressure(altitudeM) / waterActivity)

/** Gas constant of water vapour, J/(kg·K). */
export const R_VAPOUR = 461.5
/** Mass transfer by the Lewis analogy, m/s: hc/(ρ·cp·Le^⅔) = hc/(1.1·1006·.90). @param hc convection, W/(m²·K) */
export const massTransfer = (hc: number): number => hc / (1.1 * 1006 * 0.9)

/**
 * Evaporation from an open surface below the boil, kg/(m²·s): Lewis analogy with Stefan flow,
 * h_m·p/(R_v·T)·ln[(p − p∞)/(p − a_w·p_sat)], h_m = hc/(1.1·1006·.90); a_w·p_sat is capped at .97 p.
 * @param hc convection, W/(m²·K) @param relativeHumidity of the room, 0–1
 */
export function evaporationFlux(
  hc: number,
  surfaceC: number,
  airC: number,
  waterActivity: number,
  pressurePa = 101325,
  relativeHumidity = 0.5,
): number {
  const surface = Math.min(waterActivity * saturationPressure(surfaceC), 0.97 * pressurePa)
  const air = relativeHumidity * saturationPressure(airC)
  const hm = massTransfer(hc)
  return Math.max(
    0,
    ((hm * pressurePa) / (R_VAPOUR * (surfaceC + 273.15))) * Math.log((pressurePa - air) / (pressurePa - surface)),
  )
}

/**
 * Heat that steam brings to a surface colder than its dew point, W/m²: h_m·p/(R_v·T)·ln[(p − p_s)/(p − p∞)]·h_fg, the
 * Lewis analogy as above the other way round; the air's steam counts up to .9 p: no oven is without some air.
 * @param hc convection, W/(m²·K) @param steamPa partial pressure of the steam
 * @example condensingW(20, 60, 90000) > condensingW(20, 80, 90000) // true
 */
export function condensingW(hc: number, surfaceC: number, steamPa: number, pressurePa = 101325): number {
  const air = Math.min(steamPa, 0.9 * pressurePa)
  const surface = Math.min(saturationPressure(surfaceC), air)
  const flux =
    ((massTransfer(hc) * pressurePa) / (R_VAPOUR * (surfaceC + 273.15))) *
    Math.log((pressurePa - surface) / (pressurePa - air))
  return flux * evaporationHeat(surfaceC)
}
