/**
 * The section of a cooling piece as something to draw: a smooth field, its isotherms, and the front behind which it
 * has set.
 */
import { contourRings, openRuns } from './mapDrawing'

/** Colours over °C: cold slate, paper, citron, crust. Every figure also stands in words and lines beside them. */
export const COLD_RAMP: readonly (readonly [tempC: number, color: string])[] = [
  [-18, '#1F3C50'],
  [0, '#38566A'],
  [5, '#5F8095'],
  [12, '#A3B5BC'],
  [21, '#DEE0D4'],
  [38, '#F7EBB0'],
  [58, '#E9C72B'],
  [85, '#B98A52'],
]
export const RAMP_LOW = COLD_RAMP[0]![0]
export const RAMP_HIGH = COLD_RAMP.at(-1)![0]
/** The ramp in even steps, for a colour scale that knows no stops of its own. */
export function rampColors(steps = 52): string[] {
  const channel = (hex: string, k: number) => parseInt(hex.slice(1 + 2 * k, 3 + 2 * k), 16)
  return Array.from({ length: steps }, (_, i) => {
    const t = RAMP_LOW + ((RAMP_HIGH - RAMP_LOW) * i) / (steps - 1)
    const k = Math.max(
      1,
      COLD_RAMP.findIndex(([at]) => at >= t),
    )
    const [[t0, c0], [t1, c1]] = [COLD_RAMP[k - 1]!, COLD_RAMP[k]!]
    const share = (t - t0) / (t1 - t0)
    return `#${[0, 1, 2]
      .map(j =>
        Math.round(channel(c0, j) + share * (channel(c1, j) - channel(c0, j)))
          .toString(16)
          .padStart(2, '0'),
      )
      .join('')}`
  })
}

/** Cells along each side of the field that lines are drawn from. */
export const FINE = 40

/** A field of n × n cell means as nx × ny, linear between the middles of cells and held at the edges. */
export function refine(values: readonly number[], n: number, nx = FINE, ny = FINE): number[] {
  const at = (x: number, fine: number) => {
    const u = Math.min(n - 1, Math.max(0, ((x + 0.5) / fine) * n - 0.5))
    const i = Math.min(n - 2, Math.floor(u))
    return [i, u - i] as const
  }
  return Array.from({ length: nx * ny }, (_, k) => {
    const [i, s] = at(k % nx, nx)
    const [j, t] = at(Math.floor(k / nx), ny)
    const v = (a: number, b: number) => values[b * n + a]!
    return (1 - t) * ((1 - s) * v(i, j) + s * v(i + 1, j)) + t * ((1 - s) * v(i, j + 1) + s * v(i + 1, j + 1))
  })
}

/** Lines of a level, in shares of the field's sides from the lower left. */
export const levelLines = (fine: number[], level: number): [number, number][][] =>
  openRuns(contourRings(fine, FINE, level), FINE).map(run =>
    run.map(([x, y]) => [Math.min(1, Math.max(0, x! / FINE)), Math.min(1, Math.max(0, y! / FINE))]),
  )
