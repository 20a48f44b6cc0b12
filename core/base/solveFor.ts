/** One root finder for everything that only has to be inverted: halving, which nothing can lead astray. */

export interface SolveOptions {
  /** Halve the ratio instead of the difference: for what spans decades. Both ends must be positive. */
  ratio?: boolean
  /** Stop when the bracket is this narrow, as a difference or a ratio. */
  within?: number
  /** At most so many halvings. */
  steps?: number
}

/**
 * The narrowest bracket around the place where a condition that holds from `low` on stops to hold before `high`.
 * @param holds true at and above `low`, false from the place looked for on
 * @returns the ends that are left: the last place where it held and the first where it did not
 * @example bracketOf(x => x * x < 2, 0, 2).middle // 1.41421356
 */
export function bracketOf(
  holds: (x: number) => boolean,
  low: number,
  high: number,
  { ratio = false, within = ratio ? 1 : 0, steps = 60 }: SolveOptions = {},
): { low: number, high: number, middle: number } {
  const middleOf = () => (ratio ? Math.sqrt(low * high) : (low + high) / 2)
  for (let i = 0; i < steps && (ratio ? high / low : high - low) > within; i++) {
    const middle = middleOf()
    if (holds(middle)) low = middle
    else high = middle
  }
  return { low, high, middle: middleOf() }
}

/**
 * Where a rising function reaches a value (a falling one: give `-f` and `-value`).
 * @example solveFor(x => x ** 3, 8, 0, 10) // 2
 */
export const solveFor = (
  f: (x: number) => number,
  value: number,
  low: number,
  high: number,
  options?: SolveOptions,
): number => bracketOf(x => f(x) < value, low, high, options).middle
