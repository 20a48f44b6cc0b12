/** Small simulated instruments, each with a truth of its own: bias, flicker, the steps of its display, drop-outs. */
import { type Noise, noiseOf } from '../base/noise'

/** To a step of a display, without the crumbs of binary fractions. */
const stepped = (value: number, step: number) => Number((Math.round(value / step) * step).toFixed(3))

/**
 * A scale: shown over true, and a gram's step; never less than nothing.
 * @example scaleShows(1.02, 100, noise) // 102
 */
export const scaleShows = (factor: number, trueG: number, noise: Noise): number =>
  Math.max(0, stepped(factor * trueG + 0.3 * noise.normal(), trueG < 20 ? 0.1 : 1))
/** A meter put into a mix or a juice. */
export const pHShows = (pH: number, biasPH: number, noise: Noise): number =>
  stepped(pH + biasPH + 0.02 * noise.normal(), 0.01)
export const brixShows = (brix: number, noise: Noise): number =>
  stepped(brix + 0.15 * noise.normal(), 0.1)
/** A logger in a fridge: steady, to a tenth. */
export const loggerShows = (tempC: number, biasK: number, noise: Noise): number =>
  stepped(tempC + biasK + 0.05 * noise.normal(), 0.1)
/** Whether a reading is lost on its way: one in so many. */
export const dropsOut = (noise: Noise): boolean => noise.chance(0.01)

/** What may ail a small instrument besides its bias; how badly is invented. */
export const AILMENTS = ['drifts', 'dropsOut', 'flatBattery'] as const
export type Ailment = (typeof AILMENTS)[number]
/** K an hour that one drifts by; share of its half minutes that one is silent in; s until a battery is flat. */
const DRIFT_K_PER_H = 4
const SILENT = { share: 0.4, blockS: 30 }
const FLAT_AFTER_S = [150, 500] as const
/** A share from 0 to 1 that is always the same for the same numbers. */
const shareOf = (seed: number, n: number) => noiseOf((Math.imul(seed + 1, 0x9e3779b1) ^ (n + 7)) | 0).uniform()

/**
 * What an ailing instrument shows in place of a sound one; null: nothing. By the time alone, so that what was read
 * stays as it was.
 * @param sinceS since its first reading, s
 * @example ailing('drifts', 80, 3600, 1) // 84
 */
export function ailing(a: Ailment, value: number, sinceS: number, seed: number): number | null {
  switch (a) {
    case 'drifts': return stepped(value + (DRIFT_K_PER_H * sinceS) / 3600, 0.1)
    case 'dropsOut': return shareOf(seed, Math.floor(sinceS / SILENT.blockS)) < SILENT.share ? null : value
    case 'flatBattery': {
      const [low, high] = FLAT_AFTER_S
      return sinceS > low + (high - low) * shareOf(seed, 0) ? null : value
    }
  }
}
