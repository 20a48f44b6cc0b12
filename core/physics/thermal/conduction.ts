/**
 * Cooling of a finite cylinder by finite volumes: implicit in time, axis of symmetry at r = 0, heat leaving through the
 * top, the base and the side, each with its own coefficient. Four backward-Euler steps, then a Douglas ADI scheme with
 * θ = .55 and a time step growing from 15 s to 240 s. With `nr = 1` and an insulated side it is the slab.
 *
 * Thin walls (tin, crust, film) stand in series with the boundary as resistances, never as massless cells; the surface
 * temperature is eliminated, not lagged, so only evaporation is taken from the step before.
 * Reference for the checks: Carslaw & Jaeger, Conduction of Heat in Solids.
 */
import { type Edges, latentStep, type SweepField, thomas } from './latent'
import type { HeatTable } from './properties'

export interface Solid {
  k: number
  rho: number
  cp: HeatTable
  /**
   * Freezing: enthalpy over temperature, J/kg, and the conductivity at a mean temperature; absent where
   * nothing freezes.
   */
  freezing?: {
    pointC: number
    enthalpy: (tempC: number) => number
    k: (meanC: number) => number
  }
}

/**
 * Coefficients towards the surroundings at a moment: W/(m²·K) as felt at the solid's face, and air temperatures, °C.
 */
export interface Boundary {
  top: { u: number, airC: number, /** Extra heat taken by evaporation, W/m². */ evaporationW: number }
  base: { u: number, airC: number }
  side: { u: number, airC: number }
}

export interface Faces {
  topC: number
  baseC: number
  sideC: number
  meanC: number
}

export interface ConductionInput {
  radiusM: number
  heightM: number
  solid: Solid
  startTempC: number
  endS: number
  /** Boundary at a time, from the mean face temperatures of the last step, for a step of this length. */
  boundary: (timeS: number, faces: Faces, stepS: number) => Boundary
  /** Times at which the boundary jumps (a new leg); steps restart small there. */
  jumpsS?: readonly number[]
  nr?: number
  nz?: number
  maxStepS?: number
  firstStepS?: number
  /** Stop early once the whole piece is below this, °C. */
  stopBelowC?: number
  /** Sees the field after every step ([z][r] flat, base first); true stops the run. */
  watch?: (timeS: number, temp: Readonly<Float64Array>) => boolean
}

export interface CoolingCurve {
  timeS: number[]
  /** Warmest cell and volume mean, °C. */
  coreC: number[]
  meanC: number[]
  /** Temperatures at the end by [z][r], base first, axis first. */
  field: number[][]
}

/** Conductance of half a cell and the outside in series. */
const series = (kOverHalf: number, u: number): number => (u <= 0 ? 0 : 1 / (1 / kOverHalf + 1 / u))

/**
 * While something freezes or thaws the step follows the largest change it made, K: taken back above the first, shorter
 * above the second, longer below the third.
 */
const FREEZING_CHANGE_K: readonly [number, number, number] = [2, 0.4, 0.15]
const FREEZING_STEP_S = 12
const LEAST_STEP_S = 0.5
/** The latent step is taken this far above the freezing point, K. */
const NEAR_ICE_K = 2

/** The arrays of a run; always of one shape, so that the hot loop below stays compiled. */
interface Field extends SweepField {
  capacity: Float64Array
  /** Explicit heat flow of each direction from the old field, W. */
  flowR: Float64Array
  flowZ: Float64Array
}

/**
 * One step: the capacities of the step divided by its length stand in `capacity`; the new field is left in `next`.
 * Douglas: (C − θLr)·T* = C·T + (1−θ)·Fr + Fz;  (C − θLz)·T = C·T* − θ·Fz(old), both solved for the increment.
 */
function advance(
  f: Field,
  nr: number,
  nz: number,
  gz: number,
  theta: number,
  uTop: number,
  topC: number,
  evaporationW: number,
  uBase: number,
  baseC: number,
  sideW: number,
  sideC: number,
): void {
  const { temp, next, capacity, flowR, flowZ, ring, gr, a, b, c, d } = f
  for (let j = 0, n = 0; j < nz; j++) {
    for (let i = 0; i < nr; i++, n++) {
      const t = temp[n]!
      let fr = 0
      if (i > 0) fr += gr[i - 1]! * (temp[n - 1]! - t)
      if (i < nr - 1) fr += gr[i]! * (temp[n + 1]! - t)
      else fr += sideW * (sideC - t)
      let fz = 0
      if (j > 0) fz += gz * ring[i]! * (temp[n - nr]! - t)
      else fz += uBase * ring[i]! * (baseC - t)
      if (j < nz - 1) fz += gz * ring[i]! * (temp[n + nr]! - t)
      else fz += uTop * ring[i]! * (topC - t) - evaporationW * ring[i]!
      flowR[n] = fr
      flowZ[n] = fz
    }
  }
  for (let j = 0; j < nz; j++) {
    for (let i = 0; i < nr; i++) {
      const n = j * nr + i
      const left = i > 0 ? gr[i - 1]! : 0
      const right = i < nr - 1 ? gr[i]! : 0
      a[i] = -theta * left
      c[i] = -theta * right
      b[i] = capacity[n]! + theta * (left + right + (i === nr - 1 ? sideW : 0))
      d[i] = flowR[n]! + flowZ[n]!
    }
    thomas(a, b, c, d, nr)
    for (let i = 0; i < nr; i++) next[j * nr + i] = d[i]!
  }
  for (let i = 0; i < nr; i++) {
    const g = gz * ring[i]!
    for (let j = 0; j < nz; j++) {
      const n = j * nr + i
      const below = j > 0 ? g : 0
      const above = j < nz - 1 ? g : 0
      a[j] = -theta * below
      c[j] = -theta * above
      b[j] =
        capacity[n]! +
        theta * (below + above + (j === 0 ? uBase * ring[i]! : 0) + (j === nz - 1 ? uTop * ring[i]! : 0))
      d[j] = capacity[n]! * next[n]!
    }
    thomas(a, b, c, d, nz)
    for (let j = 0; j < nz; j++) next[j * nr + i] = temp[j * nr + i]! + d[j]!
  }
}

/** Heat capacity of every cell over the step, W/K, from a table. */
function fillCapacity(
  f: Field,
  heat: Float64Array,
  fromC: number,
  perK: number,
  nr: number,
  cells: number,
  volumeRho: number,
): void {
  const { temp, capacity, ring } = f
  const last = heat.length - 1
  for (let n = 0, i = 0; n < cells; n++, i = i === nr - 1 ? 0 : i + 1) {
    let at = Math.round((temp[n]! - fromC) * perK)
    if (at < 0) at = 0
    else if (at > last) at = last
    capacity[n] = volumeRho * heat[at]! * ring[i]!
  }
}

/** What a step left: [warmest, coldest, mean, mean of the top row, of the base row, of the outer ring], °C. */
function survey(f: Field, nr: number, nz: number, out: Float64Array): void {
  const { temp, ring } = f
  let warmest = -Infinity
  let coldest = Infinity
  let sum = 0
  let top = 0
  let base = 0
  let side = 0
  let plate = 0
  for (let i = 0; i < nr; i++) plate += ring[i]!
  for (let j = 0, n = 0; j < nz; j++) {
    for (let i = 0; i < nr; i++, n++) {
      const t = temp[n]!
      if (t > warmest) warmest = t
      if (t < coldest) coldest = t
      sum += t * ring[i]!
      if (j === nz - 1) top += t * ring[i]!
      if (j === 0) base += t * ring[i]!
      if (i === nr - 1) side += t
    }
  }
  out[0] = warmest
  out[1] = coldest
  out[2] = sum / plate / nz
  out[3] = top / plate
  out[4] = base / plate
  out[5] = side / nz
}

/** A run's arrays, all cells at one temperature. */
function fieldOf(radiusM: number, nr: number, nz: number, startTempC: number): Field {
  const cells = nr * nz
  const size = Math.max(nr, nz)
  const array = (n: number) => new Float64Array(n)
  const dr = radiusM / nr
  return {
    temp: array(cells).fill(startTempC),
    next: array(cells),
    capacity: array(cells),
    flowR: array(cells),
    flowZ: array(cells),
    ring: array(nr).map((_, i) => Math.PI * ((i + 1) ** 2 - i ** 2) * dr * dr),
    gr: array(nr),
    a: array(size),
    b: array(size),
    c: array(size),
    d: array(size),
  }
}

/** The next step where nothing freezes: growing, and longer still nearly at rest. */
function grown(dt: number, warmest: number, bc: Boundary, maxStep: number): number {
  // Within 1.5 K of every side's air longer steps cost no accuracy that matters, and longer still within .1 K.
  const apart = Math.max(
    Math.abs(warmest - bc.top.airC), Math.abs(warmest - bc.base.airC), Math.abs(warmest - bc.side.airC),
  )
  return Math.min((apart < 0.1 ? 20 : apart < 1.5 ? 5 : 1) * maxStep, dt * 1.15)
}
/** The next step where something freezes or thaws, by the change the last one made. */
function followed(dt: number, change: number, maxStep: number): number {
  if (change > FREEZING_CHANGE_K[1]) return Math.max(FREEZING_STEP_S, dt / 2)
  return change < FREEZING_CHANGE_K[2] ? Math.min(2 * maxStep, dt * 1.3) : dt
}

/** Runs the cooling. Times in s, temperatures in °C. */
export function coolCylinder(input: ConductionInput): CoolingCurve {
  const { radiusM, heightM, solid, endS } = input
  const { freezing } = solid
  const nr = input.nr ?? 8
  const nz = input.nz ?? 8
  const dr = radiusM / nr
  const dz = heightM / nz
  const maxStep = input.maxStepS ?? 240
  const firstStep = input.firstStepS ?? 15
  const f = fieldOf(radiusM, nr, nz, input.startTempC)
  const sideArea = 2 * Math.PI * radiusM * dz
  let k = solid.k
  const conductances = () => {
    for (let i = 0; i < nr - 1; i++) f.gr[i] = (k * 2 * Math.PI * (i + 1) * dr * dz) / dr
  }
  conductances()
  const edgesOf = (bc: Boundary): Edges => ({
    uTop: series(k / (dz / 2), bc.top.u),
    topC: bc.top.airC,
    evaporationW: bc.top.evaporationW,
    uBase: series(k / (dz / 2), bc.base.u),
    baseC: bc.base.airC,
    sideW: series(k / (dr / 2), bc.side.u) * sideArea,
    sideC: bc.side.airC,
  })

  const timeS = [0]
  const coreC = [input.startTempC]
  const meanC = [input.startTempC]
  const even = input.startTempC
  let faces: Faces = { topC: even, baseC: even, sideC: even, meanC: even }
  const seen = new Float64Array(6).fill(even)
  const jumps = [...(input.jumpsS ?? []).filter(t => t > 0 && t < endS), endS].sort((x, y) => x - y)
  let time = 0

  /** A step with latent heat, shortened until it closes. @returns its length, s, and the largest change, K */
  const latent = (wanted: number, edges: Edges): [number, number] => {
    const s = { nr, nz, gz: k / dz, layerKgM2: solid.rho * dz, enthalpy: freezing!.enthalpy, edges }
    for (let step = wanted; ; step /= 2) {
      const { change, closes } = latentStep(f, s, step)
      const calm = change <= FREEZING_CHANGE_K[0] || step <= FREEZING_STEP_S
      if ((closes && calm) || step <= LEAST_STEP_S) return [step, change]
    }
  }
  const plain = (step: number, theta: number, e: Edges) => {
    fillCapacity(f, solid.cp.values, solid.cp.fromC, solid.cp.perK, nr, nr * nz, (solid.rho * dz) / step)
    advance(f, nr, nz, k / dz, theta, e.uTop, e.topC, e.evaporationW, e.uBase, e.baseC, e.sideW, e.sideC)
  }
  const curve = (): CoolingCurve => ({
    timeS,
    coreC,
    meanC,
    field: Array.from({ length: nz }, (_, j) => Array.from({ length: nr }, (_, i) => f.temp[j * nr + i]!)),
  })

  for (const jump of jumps) {
    let sinceJump = 0
    let dt = firstStep
    while (time < jump - 1e-9) {
      let step = jump - time < dt * 1.2 ? jump - time : dt
      const bc = input.boundary(time, faces, step)
      if (freezing) {
        k = freezing.k(faces.meanC)
        conductances()
      }
      const edges = edgesOf(bc)
      const isNearIce = freezing !== undefined && seen[1]! < freezing.pointC + NEAR_ICE_K
      let change = 0
      if (isNearIce) [step, change] = latent(step, edges)
      else plain(step, sinceJump < 4 ? 1 : 0.55, edges)
      ;[f.temp, f.next] = [f.next, f.temp]
      time += step
      sinceJump++
      survey(f, nr, nz, seen)
      faces = {
        topC: faceTemperature(seen[3]!, k / (dz / 2), bc.top.u, bc.top.airC),
        baseC: faceTemperature(seen[4]!, k / (dz / 2), bc.base.u, bc.base.airC),
        sideC: faceTemperature(seen[5]!, k / (dr / 2), bc.side.u, bc.side.airC),
        meanC: seen[2]!,
      }
      if (isNearIce) dt = followed(step, change, maxStep)
      else if (sinceJump > 4) dt = grown(dt, seen[0]!, bc, maxStep)
      timeS.push(time)
      coreC.push(seen[0]!)
      meanC.push(seen[2]!)
      if (input.watch?.(time, f.temp)) return curve()
      if (input.stopBelowC !== undefined && seen[0]! < input.stopBelowC) return curve()
    }
  }
  return curve()
}

const faceTemperature = (cellC: number, inner: number, outer: number, airC: number): number =>
  (inner * cellC + outer * airC) / (inner + outer)

/**
 * Where a time lies in a curve: the point before it and the share of the way to the next; held before and after.
 * @example placeAt([0, 60, 120], 90) // [1, 0.5]
 */
export function placeAt(timeS: readonly number[], at: number): [number, number] {
  let low = 0
  let high = timeS.length - 1
  if (at <= timeS[0]!) return [0, 0]
  if (at >= timeS[high]!) return [high, 0]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (timeS[middle]! <= at) low = middle
    else high = middle
  }
  return [low, (at - timeS[low]!) / (timeS[high]! - timeS[low]!)]
}

/**
 * Value at a time in a curve, linear between its points, held after its end.
 * @example valueAt([0, 60], [80, 60], 30) // 70
 */
export function valueAt(timeS: readonly number[], values: readonly number[], at: number): number {
  const [i, share] = placeAt(timeS, at)
  return share === 0 ? values[i]! : values[i]! + (values[i + 1]! - values[i]!) * share
}

/**
 * First time a falling curve reaches a level, s; null if it never does.
 * @example timeBelow([0, 60], [80, 60], 70) // 30
 */
export function timeBelow(timeS: readonly number[], values: readonly number[], level: number): number | null {
  if (values[0]! <= level) return timeS[0]!
  for (let i = 1; i < values.length; i++) {
    if (values[i]! <= level) {
      const share = (values[i - 1]! - level) / (values[i - 1]! - values[i]!)
      return timeS[i - 1]! + share * (timeS[i]! - timeS[i - 1]!)
    }
  }
  return null
}

/**
 * First time a rising curve reaches a level, s; null if it never does.
 * @example timeAbove([0, 60], [0, 10], 5) // 30
 */
export const timeAbove = (timeS: readonly number[], values: readonly number[], level: number): number | null =>
  timeBelow(
    timeS,
    values.map(v => -v),
    -level,
  )
