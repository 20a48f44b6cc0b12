/** Sharp, sweet, and how much water is free. */
import { is } from '../../base/ingredients/ingredients'
import { type Parameters, STANDARD } from '../../base/parameters'
import { fatFraction, type Mix, sugarsG } from './mix'
import { sweetnessG } from './solutes'

/** Centre of a curd's sourness on the scale below (judgement). */
export const CURD_SOUR_CENTRE = 4.3
export const SHARPNESS = ['flat', 'mellow', 'balanced', 'bright', 'sharp'] as const
export type Sharpness = (typeof SHARPNESS)[number]
/**
 * Lower edges of the words, as multiples of the dessert's centre (judgement); below the first is flat, and the scale
 * is drawn to 1.6.
 */
export const SHARPNESS_EDGES = [0.4, 0.6, 0.85, 1.12, 1.35, 1.6] as const

/**
 * Word of a sourness.
 * @example sharpnessOf(4) // 'balanced'
 */
export function sharpnessOf(sour: number, centre = CURD_SOUR_CENTRE): Sharpness {
  const i = SHARPNESS_EDGES.slice(1, 5).findIndex(edge => sour / centre < edge)
  return SHARPNESS[i === -1 ? 4 : i]!
}

/** Where a sourness lies on the row of words, 0–1, each word a fifth. */
export function sharpnessPosition(sour: number, centre = CURD_SOUR_CENTRE): number {
  const r = Math.min(Math.max(sour / centre, SHARPNESS_EDGES[0]), SHARPNESS_EDGES[5])
  const i = Math.min(SHARPNESS_EDGES.findIndex((e, k) => k > 0 && r <= e) - 1, 4)
  return (i + (r - SHARPNESS_EDGES[i]!) / (SHARPNESS_EDGES[i + 1]! - SHARPNESS_EDGES[i]!)) / 5
}

export interface Taste {
  /** 0–10 */
  sour: number
  /** 0–10 */
  sweet: number
  sharpness: Sharpness
  /** Sourness that counts as balanced for this dessert. */
  centre: number
  /** Zest, g per kg of the mix, weighted up for bitter fruit. */
  zestGPerKg: number
  /** The same as bitterness goes by it: what is sieved out counts less. */
  zestCountsGPerKg: number
  bitterness: 'none' | 'faint' | 'normal' | 'strong' | 'bitter'
}

/** Of the zest: the share that is sieved out again, 0–1, and how many times it counts because pith came with it. */
export interface Peel { strained: number, pith: number }
const CLEAN: Peel = { strained: 0, pith: 1 }

/**
 * Sourness and sweetness, 0–10 (L: the form is defensible, the numbers are not sensory data).
 * x = TA·10^(.25(3.3 − pH))/((1 + sw/90)(1 + F/80)), sour = 10x^1.2/(x^1.2 + .85^1.2);
 * y = sw/((1 + TA/3)(1 + F/150)), sweet = 10y^1.5/(y^1.5 + 18^1.5). Percentages of the whole.
 * @param centre sourness that counts as balanced for this dessert
 * @param peel how much of the zest is sieved out again, and how much more it counts for its pith
 * @example taste(m, pH).sour // 5.273
 */
export function taste(
  m: Mix, pH: number, centre = CURD_SOUR_CENTRE, p: Parameters['taste'] = STANDARD.taste, { strained, pith }: Peel = CLEAN,
): Taste {
  const ta = (100 * m.acidG) / m.massG
  const sweetPercent =
    (100 * sweetnessG(m)) / m.massG
  const fat = 100 * fatFraction(m)
  const x = (ta * 10 ** (p.sourPHSlope * (3.3 - pH))) / ((1 + sweetPercent / p.sugarMasks) * (1 + fat / p.fatMasks))
  const sour = (10 * x ** p.sourExponent) / (x ** p.sourExponent + p.sourHalf ** p.sourExponent)
  const y = sweetPercent / ((1 + ta / p.acidMasks) * (1 + fat / p.fatDulls))
  const sweet = (10 * y ** p.sweetExponent) / (y ** p.sweetExponent + p.sweetHalf ** p.sweetExponent)
  const sharpness = sharpnessOf(sour, centre)
  // Fruit whose peel is bitter enough halves the limits.
  const bitterFruit = m.parts.some(x => is(x.row, 'bitterPeel') && x.massG > 0)
  const zestG = m.parts.reduce((sum, x) => sum + (x.row.group === 'zest' ? x.massG : 0), 0)
  const zestGPerKg = ((1000 * zestG) / m.massG) * (bitterFruit ? 2 : 1)
  const zestCountsGPerKg = zestGPerKg * pith * (1 - strained * (1 - STRAINED_COUNTS))
  return { sour, sweet, sharpness, centre, zestGPerKg, zestCountsGPerKg, bitterness: bitternessOf(zestCountsGPerKg) }
}
/**
 * How much of zest that is sieved out again counts as bitter, against zest that is eaten (fitted to practice: about
 * 32 g per kg, sieved out, is not called too much, twice that is).
 */
const STRAINED_COUNTS = 0.24
/** Words of bitterness by zest that is eaten, g per kg (common practice). */
function bitternessOf(gPerKg: number): Taste['bitterness'] {
  if (gPerKg <= 0) return 'none'
  if (gPerKg < 3) return 'faint'
  if (gPerKg < 8) return 'normal'
  return gPerKg < 15 ? 'strong' : 'bitter'
}

/**
 * Sugar : acid, g per g; Infinity without acid.
 * @example sugarToAcid(m) // 18.77
 */
export const sugarToAcid = (m: Mix): number => (m.acidG > 0 ? sugarsG(m) / m.acidG : Infinity)
