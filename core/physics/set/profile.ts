/** Outlines of a piece as it stands or slumps, for drawing to scale. Lengths in m; areas are kept. */

export interface Point { x: number, y: number }

/** How far the foot of a slumped face runs out, as a multiple of the height it lost (shape by judgement, area kept). */
const FOOT = 2.2

/**
 * Section of a cut piece, left face held (crust or the rest of the tart), right face free: the top sinks by the slump
 * and the face runs out as a parabola, so that the section keeps its area.
 * @example slicedProfile(0.06, 0.025, 0.3).at(-1).x // 0.09155
 */
export function slicedProfile(widthM: number, heightM: number, slump: number, steps = 16): Point[] {
  const h = heightM * (1 - Math.min(slump, 0.92))
  const foot = Math.min(FOOT * (heightM - h) + 0.04 * heightM, widthM * 1.2)
  // h·xa + 2/3·h·foot = width·height
  const flat = Math.max(0, widthM * heightM / h - 2 / 3 * foot)
  const out: Point[] = [{ x: 0, y: 0 }, { x: 0, y: h }, { x: flat, y: h }]
  for (let i = 1; i <= steps; i++) {
    const t = i / steps
    out.push({ x: flat + foot * t, y: h * (1 - t * t) })
  }
  return out
}

/**
 * Section of a free-standing heap or piped dot: a dome of the given height and width that sinks and widens alike.
 * @example heapProfile(0.05, 0.025, 0).length // 29
 */
export function heapProfile(widthM: number, heightM: number, slump: number, steps = 28): Point[] {
  const h = heightM * (1 - Math.min(slump, 0.92))
  const w = widthM * heightM / h
  return Array.from({ length: steps + 1 }, (_, i) => {
    const t = -1 + 2 * i / steps
    return { x: w / 2 * (1 + t), y: h * (1 - Math.abs(t) ** 2.4) }
  })
}
