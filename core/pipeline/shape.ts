/**
 * What stands in the vessel: filled mass, depth, headroom, and what the cooling needs of it. Where other components
 * lie under or over it, its own level lies between theirs, and all cool as one piece of the whole height: the slow
 * side.
 */
import { type Bench, vesselOf } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import {
  areaAt, cavityOf, cavityVolume, depthOf, equivalentRadius, type Lean, leanOf, sideArea,
} from '../physics/geometry/cavity'
import { WALL_HEAT } from '../physics/thermal/places'

export interface Filled {
  filledG: number
  volumeM3: number
  /** Its own thickness, m. */
  depthM: number
  /** Depth that the vessel can hold of it, m. */
  inVesselM: number
  /** Height its lowest point stands over the bottom of the first level, m; 0 where it fills the vessel alone. */
  fromM: number
  /** Depth of all levels together that cools as one, m. */
  coolsM: number
  /** Its own depth and what rests on it, as a height of its own kind, m: h + (M/A)/ρ. */
  bearsM: number
  headroomM: number
  fillShare: number
  radiusM: number
  areaM2: number
  lean: Lean | null
  /** J/K of the walls the filling touches. */
  wallHeat: number
}

const ALONE = { belowM3: 0, aboveM3: 0, aboveKg: 0 }
/** A level that finds no room is thought this thick, so that nothing divides by its depth. */
const LEAST_M = 0.001

/**
 * A mass of some density poured into the formula's vessels.
 * @example fill(doc, kitchen, 600, 1100).filledG // 572
 */
export function fill(doc: Bench, kitchen: Kitchen, massG: number, density: number): Filled {
  const vessel = vesselOf(doc, kitchen)
  const { count, tiltDeg } = doc.assembly
  const cavity = cavityOf(vessel, doc.assembly)
  const filledG = Math.max(1, massG * (1 - doc.losses.sieveFraction) - doc.losses.panG)
  const volumeM3 = filledG / 1000 / density
  const { belowM3, aboveM3, aboveKg } = doc.stack ?? ALONE
  const allM3 = belowM3 + volumeM3 + aboveM3
  const fromM = belowM3 > 0 ? depthOf(belowM3, cavity, count) : 0
  const depthM = depthOf(belowM3 + volumeM3, cavity, count) - fromM
  const inVesselM = Math.min(depthM, Math.max(cavity.heightM - fromM, LEAST_M))
  const topM = depthOf(allM3, cavity, count)
  const coolsM = Math.min(topM, cavity.heightM)
  const wallM2 = sideArea(cavity, fromM + inVesselM) - (fromM > 0 ? sideArea(cavity, fromM) : 0)
  const touched = areaAt(cavity, fromM) + wallM2
  return {
    filledG,
    volumeM3,
    depthM,
    inVesselM,
    fromM,
    coolsM,
    bearsM: aboveM3 > 0 ? inVesselM + aboveKg / count / areaAt(cavity, fromM + inVesselM) / density : coolsM - fromM,
    headroomM: cavity.heightM - topM,
    fillShare: allM3 / count / Math.max(cavityVolume(cavity), 1e-9),
    radiusM: equivalentRadius(cavity, coolsM),
    areaM2: areaAt(cavity, fromM + inVesselM) * count,
    lean: tiltDeg > 0 ? leanOf(cavity, inVesselM, tiltDeg) : null,
    wallHeat: touched * count * WALL_HEAT[vessel.material],
  }
}
