/**
 * What a plan comes to, as a proposal shows it beside another: the piece as it is eaten, how surely, and how it tastes.
 */
import type { Worked } from '../pipeline/assess'
import type { VerdictCode } from '../pipeline/assessment'
import { pieceFigures, type PieceFigures } from '../pipeline/summary'
import { sampleShares } from './sampling'

export interface Outcome {
  code: VerdictCode
  piece: PieceFigures
  /** Shares of batches that come out as meant, and that turn grainy, 0–1: those of "How sure". */
  holds: number
  grainy: number
  /** Sourness and sweetness, 0–10. */
  sour: number
  sweet: number
}
/** A plan as it stands and as a proposal would make it. */
export interface Moves {
  before: Outcome
  after: Outcome
}

/**
 * The outcome of a plan that was worked out whole.
 * @example outcomeOf(work(doc, kitchen)).holds > 0.9 // true
 */
export function outcomeOf(w: Worked): Outcome {
  const { verdict, balance } = w.assessment
  const { holds, grainy } = sampleShares(w)
  return {
    code: verdict.code,
    piece: pieceFigures(w.bench, w.assessment),
    holds,
    grainy,
    sour: balance.taste.sour,
    sweet: balance.taste.sweet,
  }
}

/** One step of a tongue, as ln ratio (judgement). */
export const TONGUE_LN = 0.05
/** A share that changes by less is told as unchanged, 0–1 (the drawing's own noise is about .02). */
export const RISK_STEP = 0.05

/**
 * What a proposal changes beside what it is for: in words only where it can be noticed.
 * 1 for more, −1 for less, 0 where nobody tells.
 * @example moved({ before: outcomeOf(work(doc, kitchen)), after: outcomeOf(work(doc, kitchen)) }).sourer // 0
 */
export function moved({ before, after }: Moves): { sourer: number, sweeter: number, grainier: number } {
  const step = (a: number, b: number) => {
    const ln = Math.log(Math.max(b, 0.05) / Math.max(a, 0.05))
    return Math.abs(ln) < TONGUE_LN ? 0 : Math.sign(ln)
  }
  const risk = after.grainy - before.grainy
  return {
    sourer: step(before.sour, after.sour),
    sweeter: step(before.sweet, after.sweet),
    grainier: Math.abs(risk) < RISK_STEP ? 0 : Math.sign(risk),
  }
}
