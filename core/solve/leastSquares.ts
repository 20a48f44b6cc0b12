// The library ships no types; every project that compiles this file must see ours.
/* eslint-disable-next-line @typescript-eslint/triple-slash-reference */
/// <reference path="./quadprog.d.ts" />
/**
 * Bounded non-linear least squares: Levenberg–Marquardt whose every step is a quadratic programme within the bounds
 * (Goldfarb & Idnani's dual method, `quadprog`). Small problems only: a handful of unknowns.
 */
import quadprog from 'quadprog'

export interface LeastSquares {
  x: number[]
  cost: number
  iterations: number
}

/**
 * @param residuals any length, the same every time
 * `h` is the step of the forward differences; a step that lowers the cost by less than `tolerance` of it is the last.
 * @example leastSquares(x => [x[0] - 2], [0], [-5], [5]).x // [2]
 */
export function leastSquares(
  residuals: (x: readonly number[]) => number[],
  start: readonly number[],
  low: readonly number[],
  high: readonly number[],
  { maxIterations = 40, h = 1e-4, tolerance = 1e-7 } = {},
): LeastSquares {
  const n = start.length
  const costOf = (r: readonly number[]) => r.reduce((s, v) => s + v * v, 0)
  let x = start.map((v, i) => Math.min(high[i]!, Math.max(low[i]!, v)))
  let r = residuals(x)
  let cost = costOf(r)
  let damping = 0.01
  let iterations = 0
  for (; iterations < maxIterations; iterations++) {
    const jacobian = x.map((v, k) => {
      const d = v + h > high[k]! ? -h : h
      const moved = residuals(x.map((w, i) => (i === k ? w + d : w)))
      return moved.map((m, i) => (m - r[i]!) / d)
    })
    let taken = 0
    for (let tries = 0; tries < 12; tries++) {
      const step = boundedStep(jacobian, r, damping, x, low, high)
      const next = x.map((v, i) => Math.min(high[i]!, Math.max(low[i]!, v + step[i]!)))
      const nextR = residuals(next)
      const nextCost = costOf(nextR)
      if (nextCost < cost) {
        taken = cost - nextCost
        x = next
        r = nextR
        cost = nextCost
        damping = Math.max(1e-6, damping / 4)
        break
      }
      damping = damping * 4 + 1e-6
    }
    if (taken <= tolerance * (1 + cost)) break
  }
  return { x: n === 0 ? [] : x, cost, iterations }
}

/** min ½ s'(J'J + λI)s + r'J s within low − x ≤ s ≤ high − x. */
function boundedStep(
  jacobian: readonly number[][],
  r: readonly number[],
  damping: number,
  x: readonly number[],
  low: readonly number[],
  high: readonly number[],
): number[] {
  const n = x.length
  // The library counts from 1.
  const D: number[][] = [[]]
  const d = [0]
  for (let i = 0; i < n; i++) {
    D.push([
      0,
      ...jacobian.map(
        (column, k) =>
          column.reduce((s, v, m) => s + v * jacobian[i]![m]!, 0) +
          (k === i ? damping * (1 + jacobian[i]!.reduce((s, v) => s + v * v, 0)) : 0),
      ),
    ])
    d.push(-jacobian[i]!.reduce((s, v, m) => s + v * r[m]!, 0))
  }
  const A: number[][] = [
    [],
    ...x.map((_, i) => [0, ...x.map((__, k) => (k === i ? 1 : 0)), ...x.map((__, k) => (k === i ? -1 : 0))]),
  ]
  const b = [0, ...x.map((v, i) => low[i]! - v), ...x.map((v, i) => v - high[i]!)]
  return quadprog.solveQP(D, d, A, b).solution.slice(1)
}
