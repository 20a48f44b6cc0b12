/** Small simulated instruments, each with a truth of its own: bias, flicker, the steps of its display, drop-outs. */
import type { Noise } from '../base/noise'

/** To a step of a display, without the crumbs of binary fractions. */
const stepped = (value: number, step: number) => Number((Math.round(value / step) * step).toFixed(3))

/** A scale: shown over true, and a gram's step. @example scaleShows(1.02, 100, noise) // 102 */
export const scaleShows = (factor: number, trueG: number, noise: Noise): number =>
  stepped(factor * trueG + 0.3 * noise.normal(), trueG < 20 ? 0.1 : 1)
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
