/**
 * Maximum a posteriori by least squares, with Laplace spreads: the posterior's logarithm is
 *   −½·Σ ρ((y − f(θ))/σ)² − ½·Σ z²,   z: θ in σ of its prior
 * f straight around the point that was last found, taken up anew until it stays; every batch has juice and eggs of its
 * own beside the kitchen's; a batch that fits nothing counts less (weights after Huber, 1.5 σ, by batch).
 * The minimum of each round by `solve/leastSquares` (quadprog); spreads from the inverse of JᵀWJ + I (ml-matrix).
 */
import { inverse, Matrix } from 'ml-matrix'
import type { BatchRecord } from '../book/record'
import { leastSquares } from '../solve/leastSquares'
import { expectedOf, type Figure, figuresSeen, setExpected } from './seen'
import { plainValue, type Theta } from '../kitchen/spreads'
import { CARRIES, type Learnable, learnables, valueOf, zOf } from './theta'

/** A batch laid out for fitting: what it showed, and f around a point. */
interface Straight {
  figures: Figure[]
  /** Expected at the point, and its change by σ of each learnable. */
  at: number[]
  jacobian: number[][]
}
export interface Fitted {
  learnables: Learnable[]
  /** In σ of the prior, and one σ of it left. */
  z: number[]
  spread: number[]
  /** How much each batch counts, 0–1. */
  weights: number[]
}

/** Steps for the slopes, σ of the prior; nobody is supposed farther than this. */
const STEP_Z = 0.25
const MOST_Z = 5
const ROUNDS = 3
const HUBER = 1.5
/** Those that every batch has anew beside the kitchen's own. */
const PER_BATCH = ['juiceAcidFactor', 'yolkMassFactor']
/** Of the spread of those, what is the kitchen's: suppliers and hens stay; the rest is the day's. */
const KITCHEN_SHARE = 0.7

const thetaFrom = (all: readonly Learnable[], z: readonly number[]): Theta =>
  Object.fromEntries(all.map((l, i) => [l.id, valueOf(l, z[i]!)]))

/** Figures that can be expected at all, and are. */
function straightened(r: BatchRecord, all: readonly Learnable[], z: readonly number[]): Straight {
  const base = expectedOf(r, thetaFrom(all, z))
  const figures = figuresSeen(r).filter(f => Number.isFinite(base[f.id] ?? NaN))
  const columns = all.map((l, k) => {
    if (!touches(r, l.id)) return figures.map(() => 0)
    const moved = expectedOf(r, thetaFrom(all, z.map((v, i) => (i === k ? v + STEP_Z : v))))
    return figures.map(f => (moved[f.id] === undefined ? 0 : (moved[f.id]! - base[f.id]!) / STEP_Z))
  })
  return { figures, at: figures.map(f => base[f.id]!), jacobian: figures.map((_, i) => columns.map(c => c[i]!)) }
}
/** Whether a learnable can show in a batch: its ring, its fridge. */
function touches(r: BatchRecord, id: string): boolean {
  const [kind, ...rest] = id.split('.')
  const of = rest.join('.')
  if (of === '' || kind === 'setFactor' || kind === 'lossFactor') return true
  return JSON.stringify(r.formula).includes(of)
}

/** Residuals of one batch at a point, in its own spreads. */
type Numbers = readonly number[]
const residualsOf = (s: Straight, z: Numbers, z0: Numbers, own: Numbers, perBatch: Numbers) =>
  s.figures.map((f, i) => {
    let expected = s.at[i]!
    for (let k = 0; k < z.length; k++) expected += s.jacobian[i]![k]! * (z[k]! - z0[k]!)
    perBatch.forEach((k, j) => (expected += s.jacobian[i]![k]! * own[j]!))
    return (f.value - expected) / f.sigma
  })

/** One batch's mean square, robustly weighed. */
const rms = (r: readonly number[]) => Math.sqrt(r.reduce((a, b) => a + b * b, 0) / Math.max(1, r.length))

/** The minimum for straight batches. */
function minimum(straight: readonly Straight[], z0: Numbers, perBatch: Numbers, weights: Numbers) {
  const n = z0.length
  const m = perBatch.length
  const unknowns = n + straight.length * m
  const own = (x: readonly number[], i: number) => x.slice(n + i * m, n + (i + 1) * m)
  const dayShare = Math.sqrt(1 - KITCHEN_SHARE ** 2)
  const residuals = (x: readonly number[]) => [
    ...straight.flatMap((s, i) =>
      residualsOf(s, x.slice(0, n), z0, own(x, i), perBatch).map(v => v * Math.sqrt(weights[i]!))),
    ...x.slice(0, n).map((v, k) => (perBatch.includes(k) ? v / KITCHEN_SHARE : v)),
    ...x.slice(n).map(v => v / dayShare),
  ]
  const most = Array.from({ length: unknowns }, () => MOST_Z)
  const start = [...z0, ...Array.from({ length: unknowns - n }, () => 0)]
  const { x } = leastSquares(residuals, start, most.map(v => -v), most, { h: 1e-3, maxIterations: 30 })
  return { z: x.slice(0, n), own: straight.map((_, i) => own(x, i)), residuals, x }
}

/** One σ of each, in σ of the prior: Laplace. */
function spreadsOf(residuals: (x: readonly number[]) => number[], x: readonly number[], n: number): number[] {
  const r0 = residuals(x)
  const J = new Matrix(r0.length, x.length)
  for (let k = 0; k < x.length; k++) {
    const moved = residuals(x.map((v, i) => (i === k ? v + 1e-3 : v)))
    for (let i = 0; i < r0.length; i++) J.set(i, k, (moved[i]! - r0[i]!) / 1e-3)
  }
  const covariance = inverse(J.transpose().mmul(J))
  return Array.from({ length: n }, (_, k) => Math.sqrt(Math.max(0, covariance.get(k, k))))
}

/** Mechanisms that carry the sets of these batches. */
export function carriedBy(records: readonly BatchRecord[]): string[] {
  const found = new Set<string>()
  for (const r of records) {
    const { mechanisms, pa } = setExpected(r, {})
    for (const [m, own] of Object.entries(mechanisms)) if (own > CARRIES * pa) found.add(m)
  }
  return [...found]
}

/** Batches laid out once: what fitting with and without each of them starts from. */
export interface Laid {
  records: readonly BatchRecord[]
  learnables: Learnable[]
  perBatch: number[]
  z0: number[]
  straight: Straight[]
}
export function lay(
  records: readonly BatchRecord[], z?: Numbers, all = learnables(records, carriedBy(records)),
): Laid {
  const z0 = z ?? all.map(l => zOf(l, plainValue(l.id)))
  const perBatch = all.flatMap((l, k) => (PER_BATCH.includes(l.id) ? [k] : []))
  return { records, learnables: all, perBatch, z0: [...z0], straight: records.map(r => straightened(r, all, z0)) }
}

/** The fit of laid batches, those of `which` only. */
export function fitLaid({ learnables: all, perBatch, z0, straight }: Laid, which: readonly number[]): Fitted {
  const some = which.map(i => straight[i]!)
  let weights = some.map(() => 1)
  let found = minimum(some, z0, perBatch, weights)
  for (let round = 0; round < 4; round++) {
    weights = some.map((s, i) => {
      const off = rms(residualsOf(s, found.z, z0, found.own[i]!, perBatch))
      return off <= HUBER ? 1 : (HUBER / off) ** 2
    })
    found = minimum(some, z0, perBatch, weights)
  }
  return { learnables: all, z: found.z, spread: spreadsOf(found.residuals, found.x, all.length), weights }
}

/** What batches say together: laid out anew around what was found until it stays. */
export function fit(records: readonly BatchRecord[]): { fitted: Fitted, laid: Laid } {
  let laid = lay(records)
  const everyone = records.map((_, i) => i)
  let fitted = fitLaid(laid, everyone)
  for (let round = 1; round < ROUNDS; round++) {
    if (Math.max(...fitted.z.map((v, k) => Math.abs(v - laid.z0[k]!))) < 0.1) break
    laid = lay(records, fitted.z, laid.learnables)
    fitted = fitLaid(laid, everyone)
  }
  return { fitted, laid }
}
