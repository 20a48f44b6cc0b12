/** What stands in the vessel: filled mass, depth, headroom, and what the cooling needs of it. */
import { type FormulaDocument, vesselOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import {
  areaAt, cavityOf, cavityVolume, depthOf, equivalentRadius, type Lean, leanOf, sideArea,
} from '../physics/geometry/cavity'
import { WALL_HEAT } from '../physics/thermal/places'

export interface Filled {
  filledG: number
  volumeM3: number
  depthM: number
  /** Depth that the vessel can hold of it, m. */
  inVesselM: number
  headroomM: number
  fillShare: number
  radiusM: number
  areaM2: number
  lean: Lean | null
  /** J/K of the walls the filling touches. */
  wallHeat: number
}

/** A mass of some density poured into the formula's vessels. */
export function fill(doc: FormulaDocument, kitchen: Kitchen, massG: number, density: number): Filled {
  const vessel = vesselOf(doc, kitchen)
  const { count, tiltDeg } = doc.assembly
  const cavity = cavityOf(vessel, doc.assembly)
  const filledG = Math.max(1, massG * (1 - doc.losses.sieveFraction) - doc.losses.panG)
  const volumeM3 = filledG / 1000 / density
  const depthM = depthOf(volumeM3, cavity, count)
  const inVesselM = Math.min(depthM, cavity.heightM)
  const touched = areaAt(cavity, 0) + sideArea(cavity, inVesselM)
  return {
    filledG,
    volumeM3,
    depthM,
    inVesselM,
    headroomM: cavity.heightM - depthM,
    fillShare: volumeM3 / count / Math.max(cavityVolume(cavity), 1e-9),
    radiusM: equivalentRadius(cavity, inVesselM),
    areaM2: areaAt(cavity, inVesselM) * count,
    lean: tiltDeg > 0 ? leanOf(cavity, inVesselM, tiltDeg) : null,
    wallHeat: touched * count * WALL_HEAT[vessel.material],
  }
}
