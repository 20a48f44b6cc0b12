/**
 * Air whisked into egg and condensed milk before the pour: φ = φ_most·(1 − e^(−t/3 min)), by how much egg there is to
 * hold it; the acid's thickening keeps it. Four yolks to a can, whisked eight minutes in all, gain about a fifth in
 * volume (common practice); the rest is judgement.
 */
import { is } from '../../base/ingredients/ingredients'
import type { Trait } from '../../base/ingredients/types'
import type { MixPart } from '../matter/mix'
import { BY_HAND } from './whipping'

const FULL_S = 180
/** Air held without egg, and by each share of yolk, whole egg and white, up to the most (judgement). */
const PLAIN_AIR = 0.04
const HELD_BY = { yolk: 1.1, wholeEgg: 1.8, white: 2.5 } as const
const MOST_AIR = 0.35

/** Less condensed milk than this is no filling that its acid holds (judgement). */
const CONDENSED_SHARE = 0.2
/**
 * Air volume fraction after so long, which by hand is twice as long; none where nothing holds it.
 * @param parts what is whisked @param whisked absent: it was not
 * @example airWhisked([], { seconds: 600, byHand: false }) // 0
 */
export function airWhisked(parts: readonly MixPart[], whisked?: { seconds: number, byHand: boolean }): number {
  const massG = parts.reduce((s, p) => s + p.massG, 0)
  const share = (k: Trait) => parts.reduce((s, p) => s + (is(p.row, k) ? p.massG : 0), 0) / Math.max(massG, 1e-9)
  if (!whisked || !(share('condensedMilk') > CONDENSED_SHARE)) return 0
  const { seconds, byHand } = whisked
  const most = PLAIN_AIR + HELD_BY.yolk * share('yolk') + HELD_BY.wholeEgg * share('wholeEgg') + HELD_BY.white * share('white')
  return Math.min(MOST_AIR, most) * (1 - Math.exp(-seconds / (FULL_S * (byHand ? BY_HAND : 1))))
}

export const SPRINGS = ['dense', 'light', 'springy'] as const
/** How it bites: dense; light from 5 % of air, springy from 13 % (judgement). */
export type Spring = (typeof SPRINGS)[number]
const LIGHT_AIR = 0.05
const SPRINGY_AIR = 0.13
/** @example springOf(0.15) // 'springy' */
export const springOf = (air: number): Spring => (air < LIGHT_AIR ? 'dense' : air < SPRINGY_AIR ? 'light' : 'springy')

/**
 * Gain in volume by its air, as a share of what was whisked. @example gainOf(0.2) // 0.25
 */
export const gainOf = (air: number): number => air / (1 - air)

const KELVIN = 273.15
/**
 * How far a filling rises in the oven as its air warms, and falls back as it cools, m: h·φ·(T/T₀ − 1), Gay-Lussac's
 * law; what steam adds is not counted.
 * @example risesM(0.03, 0.15, 20, 78) // 0.00089
 */
export const risesM = (depthM: number, air: number, fromC: number, toC: number): number =>
  depthM * air * Math.max(0, (toC + KELVIN) / (fromC + KELVIN) - 1)
