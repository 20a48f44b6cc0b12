/** Is a row of batches drifting? A control chart of single values. */
import { mean } from 'simple-statistics'

export interface Control {
  mean: number
  low: number
  high: number
  /** Which of them lie outside. */
  out: boolean[]
}
/** Mean moving range of two over one σ: d₂ = 2/√π. */
const D2 = 2 / Math.sqrt(Math.PI)

/**
 * Mean and three σ, σ by the mean difference of neighbours, so that a slow drift does not widen its own limits.
 * Source: individuals chart, ISO 7870-2 (from memory); d₂ of two is exact.
 * @example controlOf([100, 102, 100, 102]).mean // 101
 */
export function controlOf(values: readonly number[]): Control {
  if (values.length === 0) return { mean: 0, low: 0, high: 0, out: [] }
  const middle = mean([...values])
  const moves = values.slice(1).map((v, i) => Math.abs(v - values[i]!))
  const sigma = moves.length > 0 ? mean(moves) / D2 : 0
  const [low, high] = [middle - 3 * sigma, middle + 3 * sigma]
  return { mean: middle, low, high, out: values.map(v => v < low || v > high) }
}
