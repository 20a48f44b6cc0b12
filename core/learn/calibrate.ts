/**
 * What the Book teaches a kitchen: every learnable with its prior and what it is found to be, and what that gains,
 * honestly: each batch foretold by what the others taught, before, after, and where the truth is known, as well as any
 * could.
 */
import { possible } from '../base/errors'
import { toEnd } from '../base/run'
import type { BatchRecord } from '../book/record'
import { fit, fitLaid, type Laid } from './fit'
import { expectedOf, stagesOf, type Unit } from './seen'
import { plainValue, type Theta } from '../kitchen/spreads'
import { type Learnable, valueOf } from './theta'

export interface Found {
  id: string
  prior: { value: number, spread: number }
  value: number
  /** One σ, of the value. */
  spread: number
  /** Batches that told something of it. */
  batches: number
}
/** Errors of what was left out, in the figures' own spreads. */
export interface LeftOut {
  before: number
  after: number
  floor: number | null
}
export interface Calibration {
  parameters: Found[]
  leftOut: LeftOut
  /** The same by unit: root mean square in minutes, kelvin, grams … */
  byUnit: { unit: Unit, figures: number, before: number, after: number }[]
}

/** A σ of the prior as a spread of the value at a place. */
const spreadAt = (l: Learnable, value: number, z: number) => (l.law === 'normal' ? l.sigma * z : value * l.sigma * z)
/** A slope of this much, in a figure's spread by σ of the prior, says something. */
const TELLS = 0.1

/** Residuals of a batch where something is supposed, in its spreads; none bigger than counts (a wild one is one). */
const MOST = 5
const clipped = (r: number) => Math.min(MOST, Math.max(-MOST, r))
function residuals(laid: Laid, i: number, t: Theta): { unit: Unit, off: number, r: number }[] {
  const expected = expectedOf(laid.records[i]!, t)
  return laid.straight[i]!.figures
    .filter(f => Number.isFinite(expected[f.id] ?? NaN))
    .map(f => ({ unit: f.unit, off: f.value - expected[f.id]!, r: clipped((f.value - expected[f.id]!) / f.sigma) }))
}
const rms = (values: readonly number[]) => Math.sqrt(values.reduce((a, b) => a + b * b, 0) / Math.max(1, values.length))

/**
 * What these batches teach.
 * @param truth values where they are known, to say how well any could foretell; what it does not name is as found. A
 *   function is asked with the ids that were learned.
 * @example calibrate([]).parameters.length // 0
 */
export const calibrate = (records: readonly BatchRecord[], truth: KnownTruth = null): Calibration =>
  toEnd(calibrateSteps(records, truth))

/** Truths where they are known, or asked for by the ids that were learned. */
type KnownTruth = Theta | ((ids: readonly string[]) => Theta) | null
/** Share of the work that the fit of all of them is, beside leaving each of them out (measured on 20 batches). */
const FIT_SHARE = 0.5

/** Records that the pipeline can run as they stand; one that speaks against itself teaches nothing. */
function agreeing(records: readonly BatchRecord[]): BatchRecord[] {
  const some = records.filter(r => possible(() => stagesOf(r, {})) !== null)
  // Where none does, it is said why.
  if (some.length === 0 && records.length > 0) stagesOf(records[0]!, {})
  return some
}

/** The same in steps, each saying the share that is done. */
export function* calibrateSteps(
  given: readonly BatchRecord[], truth: KnownTruth = null,
): Generator<number, Calibration> {
  const records = agreeing(given)
  if (records.length === 0)
    return { parameters: [], leftOut: { before: 0, after: 0, floor: truth ? 0 : null }, byUnit: [] }
  yield 0
  const { fitted, laid } = fit(records)
  const all = laid.learnables
  const told = (k: number) =>
    laid.straight.filter(s => s.figures.some((f, i) => Math.abs(s.jacobian[i]![k]!) / f.sigma > TELLS)).length
  const parameters = all.map((l, k) => {
    const value = valueOf(l, fitted.z[k]!)
    const plain = plainValue(l.id)
    return {
      id: l.id,
      prior: { value: plain, spread: l.sigma },
      value,
      spread: spreadAt(l, value, Math.min(1, fitted.spread[k]!)),
      batches: told(k),
    }
  })
  const everyone = records.map((_, i) => i)
  const plain = Object.fromEntries(all.map(l => [l.id, plainValue(l.id)]))
  const found = Object.fromEntries(parameters.map(p => [p.id, p.value]))
  const before = everyone.map(i => residuals(laid, i, plain))
  const after: typeof before = []
  for (const i of everyone) {
    yield FIT_SHARE + ((1 - FIT_SHARE) * i) / records.length
    // One alone is foretold by nothing but what is stated.
    const z = records.length === 1 ? null : fitLaid(laid, everyone.filter(j => j !== i)).z
    after.push(residuals(laid, i, z ? Object.fromEntries(all.map((l, k) => [l.id, valueOf(l, z[k]!)])) : plain))
  }
  const known = typeof truth === 'function' ? truth(all.map(l => l.id)) : truth
  const floor = known && everyone.map(i => residuals(laid, i, withTruth(found, known)))
  const units = [...new Set(before.flat().map(x => x.unit))]
  const of = (x: typeof before, unit: Unit) => x.flat().filter(y => y.unit === unit)
  return {
    parameters,
    leftOut: {
      before: rms(before.flat().map(x => x.r)),
      after: rms(after.flat().map(x => x.r)),
      floor: floor && rms(floor.flat().map(x => x.r)),
    },
    byUnit: units.map(unit => ({
      unit,
      figures: of(before, unit).length,
      before: rms(of(before, unit).map(x => x.off)),
      after: rms(of(after, unit).map(x => x.off)),
    })),
  }
}

/** What was found, with the truth in its place where it is named. */
function withTruth(found: Theta, truth: Theta): Theta {
  const out: Record<string, number> = { ...found }
  for (const id of Object.keys(out)) {
    const kind = id.split('.')[0]!
    if (truth[id] !== undefined) out[id] = truth[id]
    else if (truth[kind] !== undefined) out[id] = truth[kind]
  }
  return out
}
