/** Covers: what the batch is for, and the factor that gets there with what sieve and pan keep. */
import { checkField } from '../base/fields'
import type { Bench } from '../formula/bench'
import { scaleFormula } from '../formula/edits'
import type { Covers } from '../formula/occasion'
import type { Kitchen } from '../kitchen/kitchen'
import { work } from '../pipeline/assess'
import type { Assessment } from '../pipeline/assessment'
import { placed } from '../pipeline/stack'

export interface CoversPlan {
  /** Filling wanted in the vessels, g. */
  wantedG: number
  /** What sieve and pan keep of the larger batch, g. */
  lossG: number
  factor: number
  portions: number
  count: number
}

/**
 * The factor for covers. What is filled is `m·(1 − sieve) − pan`; the pan keeps the same grams whatever the batch:
 * factor = (wanted + pan) / (filled now + pan).
 * @throws {InputError} naming the field
 * @example coversPlan(doc, assessment.shape, { kind: 'weight', massG: 2000 }).factor // 3.512
 */
export function coversPlan(doc: Bench, shape: Assessment['shape'], covers: Covers): CoversPlan {
  const { panG, sieveFraction } = doc.losses
  const { count, portions } = doc.assembly
  const each = shape.batchG / portions
  const wanted = ((): { g: number, portions: number, count: number } => {
    switch (covers.kind) {
      case 'people': {
        const n =
          checkField('stock.covers.people', covers.people) * checkField('stock.covers.each', covers.each)
        return { g: n * each, portions: n, count: Math.max(1, Math.ceil((count * n) / portions - 0.05)) }
      }
      case 'vessels': {
        const n = checkField('stock.covers.count', covers.count)
        return { g: (shape.batchG / count) * n, portions: Math.max(1, Math.round((portions * n) / count)), count: n }
      }
      case 'weight':
      case 'volume': {
        const g =
          covers.kind === 'weight'
            ? checkField('stock.covers.massG', covers.massG)
            : checkField('stock.covers.volumeM3', covers.volumeM3) * shape.density * 1000
        return {
          g,
          portions: Math.max(1, Math.round(g / each)),
          count: Math.max(1, Math.ceil((count * g) / shape.batchG - 0.05)),
        }
      }
    }
  })()
  const factor = (wanted.g + panG) / (shape.batchG + panG)
  const through = (wanted.g + panG) / (1 - sieveFraction)
  return {
    wantedG: wanted.g,
    lossG: through - wanted.g,
    factor,
    portions: Math.round(wanted.portions),
    count: wanted.count,
  }
}

/** What a count is of: people who eat, or vessels that are filled. */
export const COUNTED = ['covers', 'vessels'] as const
export type Counted = (typeof COUNTED)[number]
/**
 * A formula for so many (null: as it is written): for people in as many vessels as that takes, or in whole vessels.
 * @throws {InputError} for what the pipeline cannot run
 * @example forCovers(doc, kitchen, null).assembly.portions // 20
 */
export function forCovers(b: Bench, kitchen: Kitchen, count: number | null, of: Counted = 'covers'): Bench {
  if (count === null) return b
  const { shape } = work(placed(b, kitchen), kitchen).assessment
  const plan = coversPlan(b, shape, of === 'vessels'
    ? { kind: 'vessels', count: Math.max(1, Math.round(count)) } : { kind: 'people', people: count, each: 1 })
  const grown = scaleFormula(b, plan.factor)
  return { ...grown, assembly: { ...grown.assembly, count: plan.count, portions: plan.portions } }
}
