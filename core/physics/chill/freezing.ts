/**
 * Freezing with latent heat: ice from the freezing point down, after Schwartzberg (1976) as given in the ASHRAE
 * Handbook—Refrigeration (from memory, H–M):
 *
 *   ice(T) = (x_w − x_b)·(1 − T_f/T),   x_b = .4·x_protein bound water,   T_f from the water activity of the mix
 *
 * The set itself is not modelled below −2 °C: a frozen piece is judged by its ice, then by the set again once thawed.
 */
import type { Solid } from '../thermal/conduction'
import { type Fractions, heatAt, heatCapacityTable, type HeatTable, thermalProperties } from '../thermal/properties'

/** Latent heat of ice, J/kg (CRC Handbook). */
export const ICE_LATENT = 333.6e3
/** Conductivity of ice near −15 °C, W/(m·K) (ASHRAE, from memory H). */
const ICE_K = 2.4
/**
 * Mean temperature at which a piece leaves its mould: its edge begins to freeze and its fat is hard (judgement; fat
 * 68 % solid).
 */
export const FIRM_MEAN_C = -3
/** Core above which it counts as thawed, °C: no ice is left and the set is itself again. */
export const THAWED_CORE_C = 2
/**
 * When a piece is thawed for good: its mean back above the mark for the last time, s; null if it never is, 0 if it
 * never was below.
 * @example thawedAt([0, 60, 120], [-5, 1, 3]) // 120
 */
export function thawedAt(timeS: readonly number[], meanC: readonly number[]): number | null {
  const last = meanC.map(t => t < THAWED_CORE_C).lastIndexOf(true)
  return last < 0 ? 0 : last >= meanC.length - 1 ? null : timeS[last + 1]!
}
/**
 * No food freezes nearer to nought than this, °C: something is always dissolved (judgement). Pure water would turn all
 * its latent heat at one temperature, which no step comes to rest at.
 */
const LEAST_DEPRESSION_C = -0.3
const LOW_C = -45
const HIGH_C = 110
const PER_K = 8

/**
 * Freezing point of a mix, °C: water activity a_w lowers it by 1/T_f = 1/273.15 − R·ln a_w/ΔH (ideal, ΔH 6010 J/mol;
 * CRC).
 * @example freezingPoint(0.95) // -5.194
 */
export const freezingPoint = (waterActivity: number): number =>
  1 / (1 / 273.15 - (8.314 * Math.log(Math.min(0.9999, waterActivity))) / 6010) - 273.15

export interface Freezing {
  freezingC: number
  /** Ice as a share of the water that can freeze, 0–1. */
  ice: (tempC: number) => number
  solid: Solid
}

/** Properties of a mix that may freeze. @param f mass fractions of the mix */
export function freezingOf(f: Fractions, waterActivity: number): Freezing {
  const freezingC = Math.min(LEAST_DEPRESSION_C, freezingPoint(waterActivity))
  const free = Math.max(0, f.water - 0.4 * f.protein)
  const ice = (t: number) => (t >= freezingC ? 0 : 1 - freezingC / t)
  const unfrozen = heatCapacityTable(f)
  const warm = thermalProperties(f, 10)
  const n = (HIGH_C - LOW_C) * PER_K + 1
  const enthalpyAt = new Float64Array(n)
  for (let i = 1; i < n; i++) {
    const t0 = LOW_C + (i - 1) / PER_K
    const t1 = LOW_C + i / PER_K
    // Ice holds half the heat of water.
    const cp = heatAt(unfrozen, (t0 + t1) / 2) - 2100 * free * ice((t0 + t1) / 2)
    enthalpyAt[i] = enthalpyAt[i - 1]! + cp * (t1 - t0) + ICE_LATENT * free * (ice(t0) - ice(t1))
  }
  // Beyond its ends the table goes on as straight as its last piece.
  const enthalpy = (t: number) => {
    const x = (t - LOW_C) * PER_K
    const i = Math.max(0, Math.min(n - 2, Math.floor(x)))
    return enthalpyAt[i]! + (enthalpyAt[i + 1]! - enthalpyAt[i]!) * (x - i)
  }
  // Heat capacity for the implicit step: above the freezing point without latent heat, or a thawed cell would be
  // stepped explicitly.
  const values = Float64Array.from({ length: n }, (_, i) => {
    const t = LOW_C + i / PER_K
    return t >= freezingC ? heatAt(unfrozen, t) : (enthalpy(t) - enthalpy(t - 0.25)) / 0.25
  })
  const cp: HeatTable = { values, fromC: LOW_C, perK: PER_K }
  const k = (meanC: number) => warm.k + (ICE_K - 0.6) * free * ice(meanC)
  return {
    freezingC,
    ice,
    solid: { k: warm.k, rho: warm.rho, cp, freezing: { pointC: freezingC, enthalpy, k } },
  }
}
