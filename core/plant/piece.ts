/**
 * A filling in its vessel as it might really be: conduction in a round piece, cell by cell, in explicit steps short
 * enough to stand, where the model that predicts takes implicit ones on a coarser grid.
 *
 *   ρ·cp(T)·V·Ṫ = Σ faces G·(T_next − T),   G = k·A/distance, at the outside 1/(1/(u·A) + ½ cell)
 *
 * Shares tables with the model (heat capacity) and nothing else.
 */
import { heatAt, type HeatTable } from '../physics/thermal/properties'

export interface PieceStated {
  radiusM: number
  depthM: number
  /** Conductivity, W/(m·K), density, kg/m³, heat capacity. */
  k: number
  rho: number
  cp: HeatTable
}
/** A face outwards: W/(m²·K), the air it meets, °C, and heat that leaves it besides (steam), W/m². */
export interface Face {
  u: number
  airC: number
  leavesWM2: number
}
export interface Faces {
  top: Face
  base: Face
  side: Face
}
/** Cells from the axis out and from the base up; `tempC[i * nz + j]`. */
export interface Piece {
  stated: PieceStated
  nr: number
  nz: number
  tempC: Float64Array
}

/** As fine as that, m; so many cells at least and at most. */
const CELL_M = 0.0025
const cells = (m: number, most: number) => Math.min(most, Math.max(4, Math.round(m / CELL_M)))

/** A piece of one temperature. @example startPiece(stated, 70).tempC[0] // 70 */
export function startPiece(stated: PieceStated, tempC: number): Piece {
  const nr = cells(stated.radiusM, 10)
  const nz = cells(stated.depthM, 14)
  return { stated, nr, nz, tempC: new Float64Array(nr * nz).fill(tempC) }
}

/** The piece some time later, its faces as they are. @example pieceLater(startPiece(stated, 70), faces, 60).nz // 8 */
export function pieceLater(p: Piece, faces: Faces, seconds: number): Piece {
  const { stated: { radiusM, depthM, k, rho, cp }, nr, nz } = p
  const dr = radiusM / nr
  const dz = depthM / nz
  const ring = (i: number) => Math.PI * dr * dr * (2 * i + 1)
  const outside = (u: number, areaM2: number, half: number) => (u > 0 ? areaM2 / (1 / u + half / k) : 0)
  // Explicit steps stand while no cell gives away more than it has: the stiffest lies at a corner.
  const stiff = 3 * k / (dr * dr) + 3 * k / (dz * dz)
  const n = Math.max(1, Math.ceil((seconds * stiff) / (0.8 * rho * Math.min(...cp.values))))
  const dt = seconds / n
  let t = p.tempC
  for (let s = 0; s < n; s++) {
    const next = new Float64Array(t.length)
    for (let i = 0; i < nr; i++) {
      const areaM2 = ring(i)
      const inner = 2 * Math.PI * (i * dr) * dz * k / dr
      const outer = 2 * Math.PI * ((i + 1) * dr) * dz
      for (let j = 0; j < nz; j++) {
        const at = i * nz + j
        const here = t[at]!
        let watts = i > 0 ? inner * (t[at - nz]! - here) : 0
        watts += i < nr - 1
          ? (outer * k / dr) * (t[at + nz]! - here)
          : outside(faces.side.u, outer, dr / 2) * (faces.side.airC - here) - outer * faces.side.leavesWM2
        watts += j > 0
          ? (areaM2 * k / dz) * (t[at - 1]! - here)
          : outside(faces.base.u, areaM2, dz / 2) * (faces.base.airC - here) - areaM2 * faces.base.leavesWM2
        watts += j < nz - 1
          ? (areaM2 * k / dz) * (t[at + 1]! - here)
          : outside(faces.top.u, areaM2, dz / 2) * (faces.top.airC - here) - areaM2 * faces.top.leavesWM2
        next[at] = here + (dt * watts) / (rho * areaM2 * dz * heatAt(cp, here))
      }
    }
    t = next
  }
  return { ...p, tempC: t }
}

/** Weight of each ring, 0–1. */
const share = (p: Piece, i: number) => (2 * i + 1) / (p.nr * p.nr)
/** Mean over the piece, °C. */
export function pieceMeanC(p: Piece): number {
  let sum = 0
  for (let i = 0; i < p.nr; i++) for (let j = 0; j < p.nz; j++) sum += (share(p, i) * p.tempC[i * p.nz + j]!) / p.nz
  return sum
}
/** Where a cook puts the probe: on the axis, at half of the depth, °C. */
export const pieceCoreC = (p: Piece): number =>
  (p.tempC[Math.floor((p.nz - 1) / 2)]! + p.tempC[Math.floor(p.nz / 2)]!) / 2
/** Mean of a face, °C. */
export function faceC(p: Piece, which: keyof Faces): number {
  if (which === 'side') {
    let sum = 0
    for (let j = 0; j < p.nz; j++) sum += p.tempC[(p.nr - 1) * p.nz + j]! / p.nz
    return sum
  }
  let sum = 0
  for (let i = 0; i < p.nr; i++) sum += share(p, i) * p.tempC[i * p.nz + (which === 'top' ? p.nz - 1 : 0)]!
  return sum
}
/** Means of the layers from the base up, °C. */
export const layersC = (p: Piece): number[] =>
  Array.from({ length: p.nz }, (_, j) => {
    let sum = 0
    for (let i = 0; i < p.nr; i++) sum += share(p, i) * p.tempC[i * p.nz + j]!
    return sum
  })
