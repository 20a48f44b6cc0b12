/** The section of a vessel with what stands in it, as polygons in metres: x from the middle, z up from the table. */
import { cavityOf, ROUND_BELOW, UNLINED, type Vessel } from './cavity'

export interface SectionPoint {
  x: number
  z: number
}
export interface Section {
  /** Wall from the left rim over the base to the right rim; a ring has no base. */
  wall: SectionPoint[]
  crust: SectionPoint[]
  fill: SectionPoint[]
  topping: SectionPoint[]
  /** Half the width at the rim, and the height, m. */
  halfM: number
  heightM: number
}

/** What lies under, beside and on the filling. */
export interface Dressing {
  crustM: number
  crustForm: 'shell' | 'base'
  toppingM: number
  tiltDeg: number
}

const STEPS = 24

/** @param depthM of the filling; what stands over the rim is cut off there */
export function sectionOf(vessel: Vessel, assembly: Dressing, depthM: number): Section {
  const round = ROUND_BELOW.includes(vessel.kind)
  const plain = cavityOf(vessel, UNLINED)
  const halfM =
    (vessel.kind === 'rectangle'
      ? vessel.lengthM * Math.sqrt(plain.rimAreaM2 / (vessel.lengthM * vessel.widthM))
      : 2 * Math.sqrt(plain.rimAreaM2 / Math.PI)) / 2
  const h = vessel.heightM
  const half = (z: number) =>
    halfM * (round ? Math.sqrt(Math.max(0, 1 - (1 - z / h) ** 2)) : vessel.taper + ((1 - vessel.taper) * z) / h)
  const { crustM } = assembly
  const side = assembly.crustForm === 'shell' ? crustM : 0
  const inner = (z: number) => Math.max(0, half(z) - side)
  const heights = (from: number, to: number) =>
    Array.from({ length: STEPS + 1 }, (_, i) => from + ((to - from) * i) / STEPS)
  const both = (zs: number[], width: (z: number) => number): SectionPoint[] => [
    ...[...zs].reverse().map(z => ({ x: -width(z), z })),
    ...zs.map(z => ({ x: width(z), z })),
  ]
  const top = Math.min(crustM + Math.max(depthM, 0), h)
  const lean = Math.tan((assembly.tiltDeg * Math.PI) / 180)
  const fill = both(heights(crustM, top), inner)
  // Leaning, the surface is level to the room: a slope in the glass's own frame.
  const surface = (x: number) => Math.min(h, Math.max(crustM, top + x * lean))
  const leaned =
    lean > 0 ? both(heights(crustM, h), inner).map(p => ({ x: p.x, z: Math.min(p.z, surface(p.x)) })) : fill
  const crust =
    crustM > 0
      ? [
          ...both(heights(0, side > 0 ? h : crustM), half),
          ...(side > 0 ? both(heights(crustM, h), inner).reverse() : []),
        ]
      : []
  const w = inner(top)
  const topping =
    assembly.toppingM > 0
      ? Array.from({ length: STEPS + 1 }, (_, i) => {
          const x = -w + (2 * w * i) / STEPS
          // Rounded at its edge, waved on top.
          return {
            x,
            z:
              top +
              assembly.toppingM * Math.min(1, 4 * Math.sqrt(Math.max(0, 1 - (x / w) ** 2))) * (1 - 0.08 * (i % 2)),
          }
        })
      : []
  return { wall: both(heights(0, h), half), crust, fill: leaned, topping, halfM, heightM: h }
}
