/** Cream of a filling as it is whipped: what is beaten together, to which peak, and what follows from it. */
import { is, part } from '../base/ingredients/ingredients'
import type { Step } from '../formula/document'
import { acidPercentOf, type MixPart } from '../physics/matter/mix'
import { overrunAt, type Peak, PEAKS, type Whipped, whipTimes } from '../physics/set/whipping'

type FoldIn = Extract<Step, { kind: 'foldIn' }>

/** What the steps say of one whipping, and what follows. */
export interface Whipping {
  /** Of the filling's steps. */
  step: number
  peak: Peak
  /** As share of its own volume: what it comes to, and the most this cream gains. */
  overrun: number
  mostOverrun: number
  byHand: boolean
  toS: number
  /** From there until it is over-whipped, s. */
  marginS: number
}

const shareOf = (parts: readonly MixPart[], of: (p: MixPart) => number): number => {
  const massG = parts.reduce((s, p) => s + p.massG, 0)
  return massG > 0 ? parts.reduce((s, p) => s + p.massG * of(p), 0) / massG : 0
}

/** Cream among what is whipped together, by its figures; null where it is whites, or nothing. */
export function whippedOf(parts: readonly MixPart[], { lineTempC, byHand = false }: FoldIn): Whipped | null {
  const massG = parts.reduce((s, p) => s + p.massG, 0)
  if (!(massG > 0) || !parts.some(p => is(p.row, 'whips'))) return null
  return {
    massG,
    fat: shareOf(parts, p => part(p.row, 'milkFat') / 100),
    sugar: shareOf(parts, p => (part(p.row, 'sucrose') + part(p.row, 'monosaccharides')) / 100),
    acidPercent: shareOf(parts, p => acidPercentOf(p)),
    tempC: lineTempC,
    byHand,
  }
}

/**
 * Gain in volume of what is folded in: by its peak where one is said, else as it is stated.
 * @example overrunOf([], { ...lines[0], kind: 'foldIn', lineIds: [], lineTempC: 5, mixTempC: {}, overrun: 1 }) // 1
 */
export function overrunOf(parts: readonly MixPart[], step: FoldIn): number {
  const whipped = step.peak ? whippedOf(parts, step) : null
  return whipped ? overrunAt(step.peak!, whipped) : step.overrun
}

/** The peak nearest to a stated gain. */
const peakOf = (overrun: number, w: Whipped): Peak =>
  [...PEAKS].sort((a, b) => Math.abs(overrunAt(a, w) - overrun) - Math.abs(overrunAt(b, w) - overrun))[0]!

/** One whipping of cream; null where none of it is cream. */
export function whippingOf(parts: readonly MixPart[], step: FoldIn, at: number): Whipping | null {
  const w = whippedOf(parts, step)
  if (!w || !(step.overrun > 0 || step.peak)) return null
  const overrun = overrunOf(parts, step)
  const peak = step.peak ?? peakOf(overrun, w)
  return { step: at, peak, overrun, mostOverrun: overrunAt('firm', w), byHand: w.byHand, ...whipTimes(peak, w) }
}
