/** Is an instrument drifting? Its errors against known things over time. */
import { linearRegression, mean } from 'simple-statistics'

export interface Drift {
  /** Change of its error in thirty days, in its own unit, and its spread. */
  perMonth: number
  sigma: number
  /** More than chance would make of a steady one, in 19 of 20. */
  isSure: boolean
}
const MONTH_DAYS = 30
/** Fewer checks than this tell nothing of a slope and its spread. */
const LEAST = 4
/** Student's t, two-sided 95 %, by degrees of freedom from 2 on; the last for all beyond (tables). */
const T95 = [4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228] as const
const T95_BEYOND = 2.1

/**
 * Slope by least squares, spread of the slope s/√Σ(t − t̄)², s² = Σr²/(n − 2). Source: any text on regression.
 * @param checks days and errors (shown less true)
 * @returns null: too few, or all on one day
 * @example driftOf([]) // null
 */
export function driftOf(checks: readonly { day: number, off: number }[]): Drift | null {
  const n = checks.length
  if (n < LEAST) return null
  const { m, b } = linearRegression(checks.map(c => [c.day, c.off]))
  const middle = mean(checks.map(c => c.day))
  const spread = checks.reduce((s, c) => s + (c.day - middle) ** 2, 0)
  if (!(spread > 0) || !Number.isFinite(m)) return null
  const rest = checks.reduce((s, c) => s + (c.off - b - m * c.day) ** 2, 0) / (n - 2)
  const sigma = MONTH_DAYS * Math.sqrt(rest / spread)
  const perMonth = MONTH_DAYS * m
  return { perMonth, sigma, isSure: Math.abs(perMonth) > (T95[n - 4] ?? T95_BEYOND) * sigma && perMonth !== 0 }
}
