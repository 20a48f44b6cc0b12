/**
 * Why it failed: the model asked backwards. Every cause that a kitchen knows is supposed in turn, with the strengths it
 * may have; how likely what was seen is then, readings included, says how much each is worth.
 *
 *   p(seen | cause) = ∫ p(figures | cause, strength) p(strength) d strength · p(record | cause)
 *
 * The integral by importance sampling with the pipeline: strengths drawn around the one that fits best, each weighed by
 * prior over proposal. What else varies from day to day (juice, eggs, every other thing that is not exactly as stated)
 * is taken as straight around the plan: figures are normal with covariance 1 + J·Jᵀ in their own spreads.
 */
import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { possible } from '../base/errors'
import { noiseOf } from '../base/noise'
import { findIngredient, hasTrait } from '../base/ingredients/ingredients'
import { type BatchRecord, eventsOf } from '../book/record'
import { benchOf, fillingOf } from '../formula/bench'
import { grainyAtOf } from '../pipeline/heated'
import { heatsInPan, meansBoil } from '../physics/heat/pot'
import type { Went } from '../learn/asMade'
import { lay, type Laid } from '../learn/fit'
import { expectedFrom, stagesOf } from '../learn/seen'
import type { Theta } from '../kitchen/spreads'
import { type Learnable, valueOf } from '../learn/theta'
import { type MistakeKind, SPOON_ML } from '../plant/truth'
import { MISTAKEN, USUAL, type Visible, visibleIn } from './visible'

export type Direction = 'high' | 'low' | null
/** Something that may have gone wrong, with a strength or none. */
export interface Supposed {
  /** A truth's id, or a mistake's kind. */
  id: string
  direction: Direction
  lineId: string | null
  theta: Theta
  went: Went
}
export interface Weighed extends Supposed {
  /** ln p(seen | it) + ln p(it). */
  ln: number
}

/** How often each kind of cause stands behind a dessert that failed (judgement). */
const OFTEN: Record<string, number> = {
  probeBiasK: 0.1, burnerFactor: 0.05, ovenOffsetK: 0.08, fridgeAirOffsetK: 0.06, fridgeConvectionFactor: 0.05,
  evaporationFactor: 0.04, juiceAcidFactor: 0.1, setFactor: 0.08, yolkMassFactor: 0.07,
  scaleFactor: 0.03, lossFactor: 0.02,
  lineForgotten: 0.07, lineDoubled: 0.04, spoonSize: 0.04, otherGelatine: 0.05, targetMissedK: 0.08,
  reductionStoppedEarlyG: 0.06, chilledTooShortS: 0.07, openedWarm: 0.05,
}
/** A thing that is wrong lies so many σ of its prior off: from 1.5 on, tailing off; what is less is only a day. */
const LEAST_Z = 1.3
/** How far it may lie, σ: eggs and scales are known so well that a wrong one lies many of them off. */
const FAR = { tail: 1.6, most: 8 }
const FARTHER: Record<string, { tail: number, most: number }> = {
  yolkMassFactor: { tail: 4, most: 24 }, scaleFactor: { tail: 4, most: 24 },
}
const farOf = (id: string) => FARTHER[id] ?? FAR
const lnTail = (z: number, tail: number) =>
  (Math.abs(z) < LEAST_Z ? -30 : -(Math.abs(z) - LEAST_Z) / tail - Math.log(2 * tail))
/** Draws around the strength that fits best. */
const DRAWS = 6

interface Case {
  record: BatchRecord
  laid: Laid
  visible: Visible
  eggs: ReadonlySet<string>
  /** Figures seen: values and spreads. */
  value: number[]
  sigma: number[]
  ids: string[]
  cholesky: CholeskyDecomposition
  lnDet: number
  grainy: boolean | null
  loose: boolean | null
}

/** What else varies: covariance of the figures in their own spreads, 1 + J·Jᵀ. */
function covarianceOf(laid: Laid): Matrix {
  const { figures, jacobian } = laid.straight[0]!
  const J = new Matrix(figures.length, laid.learnables.length)
  figures.forEach((f, i) => jacobian[i]!.forEach((v, k) => J.set(i, k, v / f.sigma)))
  return J.mmul(J.transpose()).add(Matrix.eye(figures.length))
}

/** A case laid out. @throws {InputError} as the pipeline */
export function caseOf(record: BatchRecord): Case {
  const laid = lay([record])
  const { figures } = laid.straight[0]!
  const cholesky = new CholeskyDecomposition(figures.length > 0 ? covarianceOf(laid) : Matrix.eye(1))
  const L = cholesky.lowerTriangularMatrix
  const outcome = eventsOf(record.events, 'outcome').at(-1)?.outcome
  const told = outcome !== undefined && (outcome.asMeant !== null || outcome.faults.length > 0)
  return {
    record,
    laid,
    visible: visibleIn(record),
    eggs: new Set(fillingOf(benchOf(record, record.componentId)).lines
      .filter(l => findIngredient(l.ingredientId)?.group === 'egg').map(l => l.id)),
    value: figures.map(f => f.value),
    sigma: figures.map(f => f.sigma),
    ids: figures.map(f => f.id),
    cholesky,
    lnDet: L.diagonal().reduce((s, v) => s + Math.log(v), 0),
    grainy: told ? outcome.faults.includes('grainy') : null,
    loose: told ? outcome.faults.includes('runny') : null,
  }
}

/** How wide the edges of what is told are: over-setting, ln stress. */
const GRAINY_WIDTH = 0.08
const LOOSE_LN = 0.2
const sigmoid = (x: number) => 1 / (1 + Math.exp(-x))
const lnSeen = (p: number, isSeen: boolean) => Math.log(0.02 + 0.96 * (isSeen ? p : 1 - p))

/** No single figure says much more than eight spreads: a record has wild ones. */
const tamed = (r: number) => (Math.abs(r) <= 8 ? r : Math.sign(r) * (8 + Math.log1p(Math.abs(r) - 8)))

/** ln of what cannot have been: the record speaks against it, as more steam weighed than went into the pan. */
const LN_NEVER = -2000

/** ln p(figures, faults | supposed). */
function lnFigures(c: Case, theta: Theta, went: Went): number {
  const stages = possible(() => stagesOf(c.record, theta, { unticked: 'in', ...went }))
  if (!stages) return LN_NEVER
  const expected = expectedFrom(c.record, theta, stages)
  let ln = 0
  if (c.ids.length > 0) {
    const r = Matrix.columnVector(c.ids.map((id, i) =>
      tamed((c.value[i]! - (expected[id] ?? c.value[i]! + 4 * c.sigma[i]!)) / c.sigma[i]!)))
    const solved = c.cholesky.solve(r)
    ln -= 0.5 * r.transpose().mmul(solved).get(0, 0) + c.lnDet
  }
  if (c.grainy !== null) {
    const over = stages.settled.end.b - grainyAtOf(stages.bench)
    const curdled = stages.heated.curdling ? sigmoid(stages.heated.curdling.logit) : 0
    ln += lnSeen(Math.max(curdled, sigmoid(over / GRAINY_WIDTH)), c.grainy)
  }
  if (c.loose !== null) {
    const short = Math.log(stages.settled.target.coldMinPa / Math.max(0.1, stages.settled.cold.tauPa.value))
    ln += lnSeen(sigmoid((1.7 * short) / Math.hypot(LOOSE_LN, 0.35)), c.loose)
  }
  return ln
}

/** ln p(record | nothing done otherwise), leaving out what a cause speaks of itself. */
function lnUsual(c: Case, but: { lineId?: string, eggs?: boolean, what?: 'stopped' | 'reduced' | 'cold' }): number {
  const { visible: v, eggs } = c
  let ln = 0
  for (const [id, seen] of v.lines) if (id !== but.lineId && !(but.eggs && eggs.has(id) && typeof seen === 'number')) ln += USUAL.line(seen, eggs.has(id))
  if (but.what !== 'stopped') ln += USUAL.stopped(v.stoppedOverK)
  if (but.what !== 'reduced') ln += USUAL.reduced(v.underG)
  if (but.what !== 'cold') ln += USUAL.cold(v.earlyS, v.plannedS)
  return ln
}

/** ln of the mean of exponentials. */
const lnMean = (x: readonly number[]) => {
  const most = Math.max(...x)
  return most + Math.log(x.reduce((s, v) => s + Math.exp(v - most), 0) / x.length)
}

/** The strength of a truth that fits best, to one side, and how sharply: three looks and a parabola, twice. */
function bestZ(ln: (z: number) => number, side: 1 | -1, most: number): { z: number, width: number } {
  const grid = [0.2, 0.33, 0.5, 0.75].map(share => share * most).map(z => ({ z: side * z, ln: ln(side * z) }))
  let best = grid.reduce((a, b) => (b.ln > a.ln ? b : a))
  let step = 0.7
  let width = 1
  for (let round = 0; round < 3; round++) {
    const [low, high] = [ln(best.z - step), ln(best.z + step)]
    const curve = (low - 2 * best.ln + high) / step ** 2
    if (curve < 0) {
      width = Math.min(1.5, 1 / Math.sqrt(-curve))
      const z = best.z + Math.max(-1.5, Math.min(1.5, ((high - low) / (2 * step)) / -curve))
      const bounded = side * Math.min(most, Math.max(LEAST_Z, side * z))
      const there = ln(bounded)
      if (there > best.ln) best = { z: bounded, ln: there }
    } else {
      const up = high > low ? { z: best.z + step, ln: high } : { z: best.z - step, ln: low }
      if (up.ln > best.ln && side * up.z >= LEAST_Z && side * up.z <= most) best = up
    }
    step = Math.max(0.1, Math.min(0.7, width))
  }
  return { z: best.z, width: Math.max(0.05, width) }
}

/** A truth that is off, to one side. */
function* weighTruth(c: Case, l: Learnable, side: 1 | -1, seed: number): Generator<number, Weighed> {
  const { tail, most } = farOf(l.id)
  const theta = (z: number): Theta => ({ [l.id]: valueOf(l, z) })
  // Eggs that come small or large are off in weight, too.
  const usual = lnUsual(c, { eggs: l.id === 'yolkMassFactor' })
  const at = (z: number) => lnFigures(c, theta(z), {}) + lnTail(z, tail)
  const { z, width } = bestZ(at, side, most)
  yield 0
  const noise = noiseOf(seed)
  const draws = Array.from({ length: DRAWS }, (_, i) => (i === 0 ? z : z + 1.2 * width * noise.normal()))
  const lns = draws.map((d) => {
    const inside = side * d >= LEAST_Z && side * d <= most
    const lnProposal = -0.5 * ((d - z) / (1.2 * width)) ** 2 - Math.log(1.2 * width * Math.sqrt(2 * Math.PI))
    return inside ? at(d) - lnProposal : -Infinity
  })
  const kind = l.id.split('.')[0]!
  // Several rings or mechanisms share how often their kind is to blame.
  const alike = c.laid.learnables.filter(x => x.id.split('.')[0] === kind).length
  return {
    id: l.id, direction: side > 0 ? 'high' : 'low', lineId: null, theta: theta(z), went: {},
    ln: lnMean(lns) + usual + Math.log((OFTEN[kind] ?? 0.02) / alike),
  }
}

/** Spoons there are, ml, and grades of gelatine, g Bloom. */
const SPOONS_ML = [5, 10, 17.7, 20]
const BLOOMS = [130, 160, 200, 225, 250]
/** A line this small may go by the spoon, g. */
const SPOONED_G = 60

/** Mistakes of a line, of the gelatine, of the heat, of the cold. */
function* weighMistakes(c: Case): Generator<number, Weighed[]> {
  const out: Weighed[] = []
  const b = benchOf(c.record, c.record.componentId)
  const { lines } = fillingOf(b)
  const { visible: v } = c
  const add: Add = (id, direction, lineId, went, record, of) => {
    const ln = lnFigures(c, {}, went) + record + Math.log(OFTEN[id]! / of)
    out.push({ id, direction, lineId, theta: {}, went, ln })
  }
  const counted = lines.filter(l => l.massG > 0)
  for (const l of counted) {
    const seen = v.lines.get(l.id) ?? null
    const rest = lnUsual(c, { lineId: l.id })
    add('lineForgotten', null, l.id, { forgotten: l.id }, rest + MISTAKEN.forgotten(seen), counted.length)
    add('lineDoubled', null, l.id, { doubled: l.id }, rest + MISTAKEN.doubled(seen), counted.length)
    const spoons = seen === null && l.massG <= SPOONED_G ? SPOONS_ML : []
    for (const ml of spoons)
      add('spoonSize', ml > SPOON_ML ? 'high' : 'low', l.id, { spoon: { lineId: l.id, ml } }, rest, counted.length * SPOONS_ML.length)
    yield 0
  }
  if (lines.some(l => hasTrait(l.ingredientId, 'gelatin') && l.massG > 0))
    for (const bloom of BLOOMS.filter(x => Math.abs(x - b.set.bloom) > 5))
      add('otherGelatine', bloom > b.set.bloom ? 'high' : 'low', null, { bloom }, lnUsual(c, {}), BLOOMS.length - 1)
  if (v.stoppedOverK !== null)
    add('targetMissedK', v.stoppedOverK > 0.7 ? 'high' : 'low', null, {}, lnUsual(c, { what: 'stopped' }) + MISTAKEN.stopped(v.stoppedOverK), 1)
  if (v.underG !== null)
    add('reductionStoppedEarlyG', null, null, {}, lnUsual(c, { what: 'reduced' }) + MISTAKEN.reduced(v.underG), 1)
  unseen(c, add)
  if (v.earlyS !== null) {
    const rest = lnUsual(c, { what: 'cold' }) + MISTAKEN.cold(v.earlyS, v.plannedS)
    add('chilledTooShortS', null, null, {}, rest + MISTAKEN.openedCold(v.openedC), 1)
    add('openedWarm', null, null, {}, rest + MISTAKEN.opened(v.openedC), 1)
  }
  return out
}

/** Where it may have been stopped, what may have been left in, how short the cold may have been. */
const UNSEEN = { missedK: [-12, -8, -4, 4, 8], underG: [30, 60], coldShare: [0.15, 0.35, 0.6] } as const
type Add = (
  id: MistakeKind, direction: Direction, lineId: string | null, went: Went, record: number, of: number,
) => void
/** Mistakes that no reading of this record could show. */
function unseen(c: Case, add: Add): void {
  const { visible: v } = c
  const { heat } = benchOf(c.record, c.record.componentId)
  const usual = lnUsual(c, {})
  const boils = meansBoil(heat.targetTempC, c.record.kitchen.altitudeM)
  if (heatsInPan(heat.method) && !boils && v.stoppedOverK === null)
    for (const missedK of UNSEEN.missedK)
      add('targetMissedK', missedK > 0 ? 'high' : 'low', null, { missedK }, usual, UNSEEN.missedK.length)
  if (heat.until === 'creamVolume' && v.underG === null)
    for (const underG of UNSEEN.underG)
      add('reductionStoppedEarlyG', null, null, { underG }, usual, UNSEEN.underG.length)
  if (v.earlyS === null)
    for (const coldShare of UNSEEN.coldShare) {
      add('chilledTooShortS', null, null, { coldShare }, usual, UNSEEN.coldShare.length)
      // Very short is warm.
      if (coldShare === UNSEEN.coldShare[0]) add('openedWarm', null, null, { coldShare }, usual, 1)
    }
}

/** What moves no figure by a twentieth of its spread for a σ is not to blame for any. */
const MOVES = 0.05
const shows = ({ laid, sigma }: Case, k: number): boolean =>
  laid.straight[0]!.jacobian.some((row, i) => Math.abs(row[k]!) / sigma[i]! > MOVES)

/**
 * Every cause with how much it is worth, the best first. Yields the share that is done.
 * @example [...weighCauses(caseOf(record))].length > 0 // true
 */
export function* weighCauses(c: Case, seed = 1): Generator<number, Weighed[]> {
  const out: Weighed[] = []
  const all = c.laid.learnables
  for (const [k, l] of all.entries())
    for (const side of shows(c, k) ? ([1, -1] as const) : []) {
      out.push(yield* weighTruth(c, l, side, seed * 1000 + 2 * k + (side > 0 ? 1 : 0)))
      yield k / (all.length + 4)
    }
  out.push(...(yield* weighMistakes(c)))
  return out.sort((a, b) => b.ln - a.ln)
}

export interface Cause {
  id: string
  /** 0–1, of all causes. */
  share: number
  direction: Direction
  /** The line it is about, and how it was supposed where it fitted best. */
  lineId: string | null
  best: Supposed
}

/**
 * Evidence is worth less than the model has it, since the model is not the kitchen: its logarithms are divided by this,
 * and this much is left to every cause alike (fitted to 116 simulated failures, seeds 2000–2149, docs/science.md 26).
 */
const TEMPER = 1.25
const DOUBT = 0.05

/** Causes by id with their shares: sides, lines and strengths of one together. */
export function causesOf(weighed: readonly Weighed[]): Cause[] {
  const most = weighed[0]?.ln ?? 0
  const ids = [...new Set(weighed.map(w => w.id))]
  const all = ids.map((id) => {
    const mine = weighed.filter(w => w.id === id)
    const { ln: _, ...best } = mine[0]!
    return { id, best, p: mine.reduce((s, w) => s + Math.exp(w.ln - most), 0) ** (1 / TEMPER) }
  })
  const total = all.reduce((s, c) => s + c.p, 0)
  return all
    .map(({ id, best, p }) => ({
      id, share: (1 - DOUBT) * (p / total) + DOUBT / all.length, direction: best.direction, lineId: best.lineId, best,
    }))
    .sort((a, b) => b.share - a.share)
}
