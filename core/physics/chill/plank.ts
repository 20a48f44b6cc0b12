/**
 * How long a slab takes to freeze through and to thaw, by Plank's equation (1913, from memory H):
 * t = ρ·L/|T_f − T_a|·(P·a/h + R·a²/k), with P = ½ and R = ⅛ for a slab cooled from both faces, P = ¼ and R = .0719
 * for a brick twice as wide and long as high (his table, from memory M).
 */
import { ICE_LATENT } from './freezing'

export interface Slab {
  thickM: number
  density: number
  /** Water that turns to ice, share of its weight. */
  waterShare: number
}
/** Of the water in sweet mixes about this share freezes in a freezer (from memory M). */
const FREEZES = 0.7
/** Conductivity of frozen and thawed mixes, W/(m·K); still freezer and moving fridge air, W/(m²·K) (from memory M). */
const FROZEN_K = 1.3
const THAWED_K = 0.5
const STILL_HC = 10
const FRIDGE_HC = 12
/** Where most of a sweet mix freezes, °C (judgement: between −1 for fruit and −5 for curd). */
const FREEZES_AT_C = -3

interface Shape { p: number, r: number }
const SLAB: Shape = { p: 1 / 2, r: 1 / 8 }
const plankS = (
  { thickM: a, density, waterShare }: Slab, airC: number, hc: number, k: number, { p, r }: Shape = SLAB,
) => ((density * ICE_LATENT * FREEZES * waterShare) / Math.abs(FREEZES_AT_C - airC)) * ((p * a) / hc + (r * a ** 2) / k)
/**
 * Seconds until a slab is frozen through. @param airC of the freezer
 * @example freezeS({ thickM: 0.015, density: 1080, waterShare: 0.5 }, -18) // 6487
 */
export const freezeS = (s: Slab, airC: number): number => plankS(s, airC, STILL_HC, FROZEN_K)
/**
 * Seconds until a frozen slab is thawed in a fridge. @param airC of the fridge
 * @example thawS({ thickM: 0.05, density: 700, waterShare: 0.5 }, 4) // 31622.5
 */
export const thawS = (s: Slab, airC: number): number => plankS(s, airC, FRIDGE_HC, THAWED_K)

/** What a pack is thawed in: the fridge's air, or cold water that runs or is changed, °C and W/(m²·K) (judgement). */
const THAWED_IN = { fridge: { airC: 4, hc: FRIDGE_HC }, water: { airC: 12, hc: 150 } } as const
const BRICK = { p: 0.25, r: 0.0719, wide: 2 } as const
/**
 * Seconds until a frozen pack is thawed: a tub or a bag twice as wide and long as high.
 * @param waterShare of its weight @param within the fridge, or tight under cold water
 * @example Math.round(packThawS(240, 1050, 0.5, 'fridge') / 3600) // 5
 */
export function packThawS(massG: number, density: number, waterShare: number, within: keyof typeof THAWED_IN): number {
  const { airC, hc } = THAWED_IN[within]
  const thickM = Math.cbrt(massG / 1000 / density / BRICK.wide ** 2)
  return plankS({ thickM, density, waterShare }, airC, hc, THAWED_K, BRICK)
}

/** One slab of several levels: as thick, as heavy and as wet as all together. */
export function asSlab(levels: readonly Slab[]): Slab {
  const thickM = levels.reduce((s, l) => s + l.thickM, 0)
  const kgPerM2 = levels.reduce((s, l) => s + l.thickM * l.density, 0)
  const waterKg = levels.reduce((s, l) => s + l.thickM * l.density * l.waterShare, 0)
  return { thickM, density: kgPerM2 / thickM, waterShare: waterKg / kgPerM2 }
}
