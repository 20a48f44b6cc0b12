/** Vessels: volume, depth of fill, the equivalent cylinder, portions. Lengths in m, volumes in m³. */
import type { Vessel } from '../formula/document'

export interface Cavity {
  /** Area the filling stands on, m². */
  areaM2: number
  perimeterM: number
  /** Height from the bottom of the filling to the rim, m. */
  heightM: number
}

/** What a crust leaves of a vessel. The crust lies on the base and stands up the sides. */
export function cavityOf(v: Vessel, crustM: number): Cavity {
  const inner = (x: number) => Math.max(x - 2 * crustM, 0.001)
  const heightM = Math.max(v.heightM - crustM, 0.001)
  if (v.kind === 'rectangle') {
    const l = inner(v.lengthM)
    const w = inner(v.widthM)
    return { areaM2: l * w, perimeterM: 2 * (l + w), heightM }
  }
  const d = inner(v.lengthM)
  return { areaM2: Math.PI * d * d / 4, perimeterM: Math.PI * d, heightM }
}

/** Volume a cavity holds to the rim, m³. */
export const cavityVolume = (c: Cavity): number => c.areaM2 * c.heightM

/** Depth of a volume shared by `count` vessels, m; may exceed the rim. */
export const depthOf = (volumeM3: number, c: Cavity, count: number): number => volumeM3 / count / c.areaM2

/**
 * Radius of the cylinder that cools alike: the one with the same ratio of area to edge, 2A/P. Exact for a round
 * vessel; for a rectangle the base and top count fully and the sides on the average (judgement; error grows in deep
 * narrow loaf tins).
 */
export const equivalentRadius = (c: Cavity): number => 2 * c.areaM2 / c.perimeterM

/** Factor that brings a batch to a wanted depth. */
export const scaleToDepth = (currentDepthM: number, wantedDepthM: number): number => wantedDepthM / currentDepthM
