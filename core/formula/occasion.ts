/**
 * An occasion: a formula made once. When, for how many, from which fruit and what is on hand, with the lots in hand.
 * Opened from the shelf a formula has its usual occasion.
 */
import type { Strength } from '../base/ingredients/types'

export const OCCASION_FORMAT = 'lumbik-occasion'
export const OCCASION_VERSION = 1

/** Parts of a fruit that can be taken; which exclude one another stands in `core/plan/fruit`. */
export const FRUIT_PARTS = ['juice', 'zest', 'peel', 'segments'] as const
export type FruitPart = (typeof FRUIT_PARTS)[number]

/** Fruit on the bench: how many, or their weight, and how many of them each part is taken from. */
export interface FruitEntry {
  id: string
  fruitId: string
  count: number
  /** Weighed together, g; null: not weighed. */
  weightG: number | null
  take: Record<FruitPart, number>
  /** Juice as it came out, g; null: not squeezed yet. */
  measuredJuiceG: number | null
}

/** What the batch is for, from which the formula is multiplied. */
export type Covers =
  | { kind: 'people', people: number, each: number }
  | { kind: 'vessels', count: number }
  | { kind: 'weight', massG: number }
  | { kind: 'volume', volumeM3: number }

/** What is on the bench. */
export interface StockPlan {
  fruit: FruitEntry[]
  /** How much of a line there is, g; a line that is not named is at hand without limit. */
  have: { lineId: string, massG: number }[]
  covers: Covers | null
}

/** A line made from a lot, with the lot's figures as they were when it was chosen. */
export interface LotInHand {
  lineId: string
  strength: Extract<Strength, { kind: 'lot' }>
}

export interface Occasion extends StockPlan {
  format: typeof OCCASION_FORMAT
  version: typeof OCCASION_VERSION
  /** When the pan goes on, ISO date and time without zone (the kitchen's own clock); empty: nobody has said. */
  startAt: string
  /** When it is to be on the plate, in the same form; the plan is timed back from it. Empty: nobody has said. */
  serveAt: string
  lots: LotInHand[]
}

/**
 * A stock plan in which nothing is said yet.
 * @example plainStock().fruit.length // 0
 */
export const plainStock = (): StockPlan => ({ fruit: [], have: [], covers: null })
/**
 * An occasion of which nothing is said yet.
 * @example plainOccasion().lots.length // 0
 */
export const plainOccasion = (): Occasion => ({
  format: OCCASION_FORMAT,
  version: OCCASION_VERSION,
  startAt: '',
  serveAt: '',
  ...plainStock(),
  lots: [],
})
/**
 * An occasion that says all of it: what was kept without a field has it plain.
 * @example wholeOccasion({ startAt: '2026-11-28T09:00' }).serveAt // ''
 */
export const wholeOccasion = (said: Partial<Occasion> | null | undefined): Occasion => ({ ...plainOccasion(), ...said })
