/**
 * What is true of a kitchen and nobody has measured, drawn from the core's own spreads: a kitchen's by its seed, the
 * same for every batch; a batch's own by the batch's. A truth may be said for all, or for one piece of equipment or one
 * mechanism: `burnerFactor.b1`, `setFactor.egg`.
 */
import { noiseOf } from '../base/noise'
import { BATCH_LAWS, KITCHEN_LAWS } from '../kitchen/spreads'

/** Truths of the kitchen, and of a batch, each with how far it is drawn. */
export const KITCHEN_TRUTHS = KITCHEN_LAWS
export const BATCH_TRUTHS = BATCH_LAWS
export type KitchenTruthId = keyof typeof KITCHEN_TRUTHS
export type BatchTruthId = keyof typeof BATCH_TRUTHS
export type TruthId = KitchenTruthId | BatchTruthId

export const MISTAKES = [
  'lineForgotten', 'lineDoubled', 'spoonSize', 'otherGelatine', 'targetMissedK', 'reductionStoppedEarlyG',
  'chilledTooShortS', 'openedWarm',
] as const
export type MistakeKind = (typeof MISTAKES)[number]
/** A spoon where the recipe says nothing else, ml (common practice). */
export const SPOON_ML = 15
export interface Mistake {
  kind: MistakeKind
  lineId: string | null
  /** ml of the spoon, g Bloom, K, g or s by its kind; null where none is named. */
  amount: number | null
}

/** What is said of the truth; what is absent is drawn. */
export interface SaidTruth {
  values: Readonly<Record<string, number>>
  mistake: Mistake | null
}
export const NOTHING_SAID: SaidTruth = { values: {}, mistake: null }

/** A whole number from a name, the same for the same name. */
const hashOf = (name: string): number =>
  [...name].reduce((h, c) => Math.imul(h ^ c.codePointAt(0)!, 0x01000193) >>> 0, 0x811c9dc5)

/** Truths of one kitchen and one batch, by name: `truths('burnerFactor', 'b1')`. */
export type Truths = (id: TruthId, of?: string) => number

/**
 * The truths behind a batch.
 * @param said wins over what is drawn; a name of its own (`burnerFactor.b1`) over that for all
 * @example drawTruths({ values: { probeBiasK: 2 }, mistake: null }, 0, 0)('probeBiasK') // 2
 */
export function drawTruths(said: SaidTruth, kitchenSeed: number, seed: number): Truths {
  return (id, of = '') => {
    const own = said.values[`${id}.${of}`] ?? said.values[id]
    if (own !== undefined) return own
    const isBatch = id in BATCH_TRUTHS
    const { law, sigma } = isBatch ? BATCH_TRUTHS[id as BatchTruthId] : KITCHEN_TRUTHS[id as KitchenTruthId]
    const draw = noiseOf((hashOf(`${id}.${of}`) ^ Math.imul((isBatch ? seed : kitchenSeed) + 1, 0x9e3779b1)) | 0)
    const z = Math.max(-3, Math.min(3, draw.normal()))
    return law === 'normal' ? sigma * z : Math.exp(sigma * z)
  }
}
