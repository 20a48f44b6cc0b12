/** Chance that can be had again: the same seed, the same draws. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { probit } from 'simple-statistics'

export interface Noise {
  /** 0 to 1, neither reached. */
  uniform: () => number
  between: (from: number, to: number) => number
  /** Mean 0, spread 1. */
  normal: () => number
  /** True so many times in one. */
  chance: (share: number) => boolean
}
/** @example noiseOf(7).uniform() === noiseOf(7).uniform() // true */
export function noiseOf(seed: number): Noise {
  const rng = xoroshiro128plus(seed)
  // The first draws of neighbouring seeds are alike.
  for (let i = 0; i < 8; i++) uniformFloat64(rng)
  const uniform = () => Math.min(1 - 1e-12, Math.max(1e-12, uniformFloat64(rng)))
  return {
    uniform,
    between: (from, to) => from + (to - from) * uniform(),
    normal: () => probit(uniform()),
    chance: share => uniform() < share,
  }
}
