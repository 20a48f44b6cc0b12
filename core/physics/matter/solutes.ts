/**
 * What is dissolved in the water of a mix, solute by solute: sweetness, and what it takes off the water's activity.
 *
 *   ln a_w = ln X_w − K·X_s² for each alone in all the water (Norrish 1966), and their product (Ross 1975)
 *
 * Constants from memory (H for sucrose, glucose, fructose; L for glucose syrup). Salt by 1 − .0335·m to 3 mol/kg.
 */
import { is } from '../../base/ingredients/ingredients'
import type { SugarKind } from '../../base/ingredients/types'
import type { Mix } from './mix'

export interface Solute {
  /** g/mol */
  molar: number
  /** Norrish's K. */
  k: number
  /** Sweetness by weight, sucrose 1. */
  sweet: number
}
const WATER_MOLAR = 18.015

/** Sugars by kind; a glucose syrup's molar mass is 18,016 over its dextrose equivalent. */
export const SUGARS: Readonly<Record<SugarKind, Solute>> = {
  sucrose: { molar: 342.3, k: 6.47, sweet: 1 },
  glucose: { molar: 180.16, k: 2.25, sweet: 0.7 },
  fructose: { molar: 180.16, k: 2.15, sweet: 1.2 },
  invert: { molar: 180.16, k: 2.2, sweet: 1.1 },
  trehalose: { molar: 342.3, k: 6.47, sweet: 0.45 },
  maltose: { molar: 342.3, k: 6.47, sweet: 0.4 },
  syrup42: { molar: 18016 / 42, k: 4, sweet: 0.5 },
  syrup60: { molar: 18016 / 60, k: 4, sweet: 0.65 },
  lactose: { molar: 342.3, k: 10.2, sweet: 0.2 },
  erythritol: { molar: 122.12, k: 1.3, sweet: 0.65 },
  sorbitol: { molar: 182.17, k: 1.65, sweet: 0.55 },
}
const CITRIC: Solute = { molar: 192.12, k: 6.17, sweet: 0 }
const SALT_MOLAR = 58.44
const ETHANOL_MOLAR = 46.07

/** Water activity of one solute alone, g in g of water. @example singleActivity(SUGARS.sucrose, 60, 40) // 0.8953 */
export function singleActivity({ molar, k }: Solute, soluteG: number, waterG: number): number {
  const solute = soluteG / molar
  const share = solute / (solute + waterG / WATER_MOLAR)
  return (1 - share) * Math.exp(-k * share ** 2)
}

/** Grams of each sugar of a mix: an ingredient's own kind, else sucrose, and invert for what fruit brings. */
export function sugarsByKind(m: Mix): Partial<Record<SugarKind, number>> {
  const out: Partial<Record<SugarKind, number>> = {}
  const add = (kind: SugarKind, g: number) => {
    if (g > 0) out[kind] = (out[kind] ?? 0) + g
  }
  for (const { row, massG } of m.parts) {
    const g = (key: 'sucrose' | 'monosaccharides' | 'lactose') => (massG * (row.per100g[key] ?? 0)) / 100
    add(row.sugarKind ?? 'sucrose', g('sucrose'))
    add(row.sugarKind ?? 'invert', g('monosaccharides'))
    add('lactose', g('lactose'))
  }
  return out
}

/** Sweetness of a mix as sucrose, g. @example sweetnessG(m) > 170 // true */
export const sweetnessG = (m: Mix): number =>
  Object.entries(sugarsByKind(m)).reduce((sum, [kind, g]) => sum + g * SUGARS[kind as SugarKind].sweet, 0)

/**
 * Water activity of a mix: sugars, acid, salt and ethanol, each in all of its water.
 * @example waterActivityOf(m) // 0.9554
 */
export function waterActivityOf(m: Mix): number {
  const water = m.grams.water
  if (!(water > 0)) return 0
  const sugars = Object.entries(sugarsByKind(m))
    .map(([kind, g]) => singleActivity(SUGARS[kind as SugarKind], g, water))
  const saltG = m.parts.reduce((sum, p) => sum + (is(p.row, 'salt') ? p.massG : 0), 0)
  const salt = Math.max(0.7, 1 - (0.0335 * saltG) / SALT_MOLAR / (water / 1000))
  const ethanol = water / WATER_MOLAR / (water / WATER_MOLAR + m.ethanolG / ETHANOL_MOLAR)
  return sugars.reduce((a, b) => a * b, 1) * singleActivity(CITRIC, m.acidG, water) * salt * ethanol
}
