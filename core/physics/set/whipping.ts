/**
 * Whipping cream: how much it gains, how long a peak takes, and how much time is left before it turns. All of it is
 * common practice put into numbers (L): half a litre of 36 % cream at 5 °C makes firm peaks in some three minutes of an
 * electric whisk and doubles; fatter cream is quicker and gains less; over 18 °C butterfat is too soft to hold air.
 */

export const PEAKS = ['trace', 'soft', 'firm'] as const
/** Where the whisk stops: it leaves a trace, a peak that bends, one that stands. */
export type Peak = (typeof PEAKS)[number]

/** Full gain in volume by the fat of the cream, shares; thinner than the first it does not whip. */
const GAINS = [[0.28, 1.3], [0.3, 1.3], [0.36, 1], [0.4, 0.85], [0.48, 0.65], [0.6, 0.4]] as const
/** Share of the full gain at a peak, and seconds to it. */
const SHARE: Record<Peak, number> = { trace: 0.55, soft: 0.8, firm: 1 }
const SECONDS: Record<Peak | 'over', number> = { trace: 100, soft: 150, firm: 200, over: 250 }
const USUAL = { fat: 0.36, massG: 500 } as const
/** Up to here it gains all it can; at the second nothing is held, °C. */
const COLD_C = 7
const WARM_C = 18
/** A whisk in the hand takes so many times as long as an electric one (common practice: about twice). */
export const BY_HAND = 2
/** Less gain than this is no whipped cream. */
export const HARDLY_WHIPS = 0.3

/** What is whipped: grams, shares of fat and sugar and % of acid in it as it is beaten, how cold, and by what. */
export interface Whipped {
  massG: number
  fat: number
  sugar: number
  acidPercent: number
  tempC: number
  byHand: boolean
}

/** Between the figures of a table, flat beyond it. */
function along(table: readonly (readonly [number, number])[], x: number): number {
  const i = table.findIndex(([at]) => at >= x)
  if (i <= 0) return table[i < 0 ? table.length - 1 : 0]![1]
  const [[x0, y0], [x1, y1]] = [table[i - 1]!, table[i]!]
  return y0 + ((x - x0) / (x1 - x0)) * (y1 - y0)
}

/**
 * Gain in volume at a peak, as share of the cream's own: that of its fat, less when warm, when sweetened before
 * (a tenth of sugar takes a tenth) and when sour (1 % of acid takes a fifth). Cream under 28 % of fat gains nothing.
 * @example overrunAt('firm', { massG: 500, fat: 0.36, sugar: 0, acidPercent: 0, tempC: 5, byHand: false }) // 1
 */
export function overrunAt(peak: Peak, w: Whipped): number {
  if (w.fat < GAINS[0][0] - 1e-9) return 0
  const cold = Math.min(1, Math.max(0, (WARM_C - w.tempC) / (WARM_C - COLD_C)))
  return along(GAINS, w.fat) * cold * Math.max(0, 1 - w.sugar) * Math.max(0.4, 1 - 0.2 * w.acidPercent) * SHARE[peak]
}

/** How many times as long as half a litre of plain 36 % cream, cold, under an electric whisk. */
const timesAsLong = (w: Whipped): number =>
  (USUAL.fat / Math.max(w.fat, 0.2)) ** 1.2
  * (1 + 0.06 * Math.max(0, w.tempC - COLD_C)) * (1 + w.sugar) / (1 + 0.8 * w.acidPercent)
  * (Math.max(w.massG, 1) / USUAL.massG) ** 0.3 * (w.byHand ? BY_HAND : 1)

/**
 * Seconds of whisking to a peak, and from there until it is over-whipped: the fatter and the more sour, the sooner.
 * @example whipTimes('firm', { massG: 500, fat: 0.36, sugar: 0, acidPercent: 0, tempC: 5, byHand: true }).toS // 400
 */
export function whipTimes(peak: Peak, w: Whipped): { toS: number, marginS: number } {
  const times = timesAsLong(w)
  return { toS: SECONDS[peak] * times, marginS: (SECONDS.over - SECONDS[peak]) * times }
}

/**
 * Overrun by weighing one cup before and after: cup of cream over cup of whipped cream, less one.
 * @returns share of its own volume; null where the weights cannot be
 * @example overrunByCup(240, 125) // 0.92
 */
export const overrunByCup = (beforeG: number, afterG: number): number | null =>
  afterG > 0 && beforeG >= afterG ? beforeG / afterG - 1 : null
