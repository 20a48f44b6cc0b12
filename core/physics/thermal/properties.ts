/**
 * Thermal properties from composition: Choi & Okos (1986), as printed in the ASHRAE Handbook—Refrigeration;
 * coefficients
 * from memory (H), and checked against the handbook's tabulated foods. Valid −40 to 150 °C.
 * Two misprints circulate and are avoided here: fat's conductivity slope as e-3, and water's heat capacity as 4.1289.
 */
import type { HardFat } from '../../base/ingredients/types'
import { type Mix, proteinG, sugarsG } from '../matter/mix'

type Quadratic = readonly [number, number, number]
/** value = c0 + c1·t + c2·t², t in °C: k in W/(m·K), rho in kg/m³, cp in kJ/(kg·K). */
export const CHOI_OKOS = {
  protein: { k: [0.17881, 1.1958e-3, -2.7178e-6], rho: [1329.9, -0.5184, 0], cp: [2.0082, 1.2089e-3, -1.3129e-6] },
  fat: { k: [0.18071, -2.7604e-4, -1.7749e-7], rho: [925.59, -0.41757, 0], cp: [1.9842, 1.4733e-3, -4.8008e-6] },
  carbohydrate: {
    k: [0.20141, 1.3874e-3, -4.3312e-6],
    rho: [1599.1, -0.31046, 0],
    cp: [1.5488, 1.9625e-3, -5.9399e-6],
  },
  fibre: { k: [0.18331, 1.2497e-3, -3.1683e-6], rho: [1311.5, -0.36589, 0], cp: [1.8459, 1.8306e-3, -4.6509e-6] },
  ash: { k: [0.32962, 1.4011e-3, -2.9069e-6], rho: [2423.8, -0.28063, 0], cp: [1.0926, 1.8896e-3, -3.6817e-6] },
  water: {
    k: [0.57109, 1.7625e-3, -6.7036e-6],
    rho: [997.18, 3.1439e-3, -3.7574e-3],
    cp: [4.1762, -9.0864e-5, 5.4731e-6],
  },
} as const satisfies Record<string, Record<'k' | 'rho' | 'cp', Quadratic>>
export type Proximate = keyof typeof CHOI_OKOS

const at = (c: Quadratic, t: number) => c[0] + c[1] * t + c[2] * t * t

/** Mass fractions of the six components, summing to 1. Acids count with the carbohydrates. */
export type Fractions = Record<Proximate, number>

/**
 * Mass fractions of a mix; carbohydrate takes what the other rows leave, as food tables do ("by difference").
 * @example fractionsOf(m).water // 0.4441
 */
export function fractionsOf(m: Mix): Fractions {
  const g = m.grams
  const known = g.water + proteinG(m) + g.fat + g.fibre + g.ash
  const raw: Fractions = {
    water: g.water,
    protein: proteinG(m),
    fat: g.fat,
    carbohydrate: Math.max(sugarsG(m) + g.starch + m.acidG, m.massG - known),
    fibre: g.fibre,
    ash: g.ash,
  }
  const sum = Object.values(raw).reduce((a, b) => a + b, 0)
  return Object.fromEntries(Object.entries(raw).map(([k, v]) => [k, v / sum])) as Fractions
}

export interface Thermal {
  /** Conductivity, W/(m·K). */
  k: number
  /** Density, kg/m³. */
  rho: number
  /** Heat capacity, J/(kg·K). */
  cp: number
}

const KEYS = Object.keys(CHOI_OKOS) as Proximate[]

/**
 * Conductivity, density and heat capacity at a temperature.
 * Density harmonic by mass; cp by mass; k in parallel by volume in the aqueous phase, then Maxwell–Eucken with fat
 * dispersed in it (phases inverted above half fat by volume, as in butter). One σ: k 6 %, cp 4 %, ρ 1.5 %.
 * @param tempC °C
 * @example thermalProperties(fractions, 60).cp // 2868
 */
export function thermalProperties(f: Fractions, tempC: number): Thermal {
  let volume = 0
  let cp = 0
  let aqueousVolume = 0
  let aqueousK = 0
  for (const key of KEYS) {
    if (f[key] <= 0) continue
    const v = f[key] / at(CHOI_OKOS[key].rho, tempC)
    volume += v
    cp += f[key] * at(CHOI_OKOS[key].cp, tempC)
    if (key === 'fat') continue
    aqueousVolume += v
    aqueousK += v * at(CHOI_OKOS[key].k, tempC)
  }
  const fatShare = 1 - aqueousVolume / volume
  const kAqueous = aqueousVolume > 0 ? aqueousK / aqueousVolume : 0
  const kFat = at(CHOI_OKOS.fat.k, tempC)
  const k = fatShare > 0.5 ? maxwellEucken(kFat, kAqueous, 1 - fatShare) : maxwellEucken(kAqueous, kFat, fatShare)
  return { k, rho: 1 / volume, cp: 1000 * cp }
}

/**
 * Maxwell–Eucken conductivity of a continuous phase with a volume share of spheres dispersed in it.
 * @example maxwellEucken(0.5, 0.025, 0.3) // 0.3169
 */
export function maxwellEucken(kContinuous: number, kDispersed: number, share: number): number {
  if (share <= 0) return kContinuous
  const top = 2 * kContinuous + kDispersed - 2 * share * (kContinuous - kDispersed)
  const bottom = 2 * kContinuous + kDispersed + share * (kContinuous - kDispersed)
  return (kContinuous * top) / bottom
}

/**
 * Solid share of milk fat, 0–1, every 5 K from −5 to 40 °C; from memory of published NMR curves (M, ±.05), piecewise
 * linear.
 */
const SFC = [0.7, 0.64, 0.56, 0.47, 0.33, 0.18, 0.105, 0.05, 0.01, 0]
const SFC_FROM_C = -5
const SFC_STEP_K = 5

/** The same of plant fats that are hard in the cold (published curves, from memory M–L, ±.07). */
const HARD_SFC: Readonly<Record<HardFat, readonly number[]>> = {
  cocoa: [0.94, 0.93, 0.91, 0.88, 0.83, 0.76, 0.68, 0.42, 0, 0],
  coconut: [0.93, 0.9, 0.86, 0.77, 0.58, 0.34, 0.06, 0, 0, 0],
}

function alongCurve(curve: readonly number[], tempC: number): number {
  const x = (tempC - SFC_FROM_C) / SFC_STEP_K
  if (x <= 0) return curve[0]!
  const i = Math.floor(x)
  return i >= curve.length - 1 ? 0 : curve[i]! + (curve[i + 1]! - curve[i]!) * (x - i)
}
/**
 * Solid fat content of milk fat at equilibrium. @param tempC °C @returns 0–.70
 * @example solidFat(5) // 0.56
 */
export const solidFat = (tempC: number): number => alongCurve(SFC, tempC)
/**
 * Solid share of cocoa butter or coconut fat at equilibrium.
 * @example solidHardFat('cocoa', 20) // 0.76
 */
export const solidHardFat = (fat: HardFat, tempC: number): number => alongCurve(HARD_SFC[fat], tempC)
/** Latent heat of milk fat, J per kg of fat (M). */
export const FAT_LATENT = 80e3
/**
 * A heat capacity by temperature, J/(kg·K), as conduction reads it in every cell at every step: a table, not a
 * function.
 */
export interface HeatTable {
  values: Float64Array
  fromC: number
  perK: number
}
const TABLE_FROM_C = -40
const TABLE_SIZE = 181
const SLOPES = Float64Array.from({ length: TABLE_SIZE }, (_, i) => solidFat(i - 40.5) - solidFat(i - 39.5))

/**
 * Heat capacity of a mix with its fat's latent heat where it hardens: cp + x_fat·80 kJ/kg·(−dSFC/dT), by whole degrees
 * from −40 to 140 °C.
 */
export function heatCapacityTable(f: Fractions): HeatTable {
  const c = [0, 1, 2].map(i => 1000 * KEYS.reduce((sum, key) => sum + f[key] * CHOI_OKOS[key].cp[i]!, 0))
  const values = new Float64Array(TABLE_SIZE)
  for (let i = 0; i < TABLE_SIZE; i++) {
    const t = i + TABLE_FROM_C
    values[i] = c[0]! + c[1]! * t + c[2]! * t * t + f.fat * FAT_LATENT * SLOPES[i]!
  }
  return { values, fromC: TABLE_FROM_C, perK: 1 }
}

/**
 * The same heat capacity at every temperature.
 * @example heatAt(evenHeat(3050), 40) // 3050
 */
export const evenHeat = (cp: number): HeatTable => ({ values: Float64Array.of(cp, cp), fromC: 0, perK: 1 })

/**
 * Reads a heat table at the nearest entry; beyond its ends the last one holds.
 * @example heatAt(heatCapacityTable(fractions), 40) // 2865
 */
export function heatAt(h: HeatTable, tempC: number): number {
  const i = Math.round((tempC - h.fromC) * h.perK)
  return h.values[i < 0 ? 0 : i >= h.values.length ? h.values.length - 1 : i]!
}
