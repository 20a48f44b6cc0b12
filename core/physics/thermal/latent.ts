/**
 * A step of a cylinder in which something freezes or thaws: backward Euler in each direction after the other (Yanenko's
 * method of fractional steps), with the enthalpy of every cell instead of its heat capacity:
 *
 *   m·(h(T¹) − h(T⁰))/Δt = Lr·T¹,   m·(h(T²) − h(T¹))/Δt = Lz·T²
 *
 * Each sweep is solved by Picard steps with the secant C = (h(T*) − h(T⁰))/(T* − T⁰). Its matrix is an M-matrix
 * whatever Δt and C > 0 are, so no cell leaves the range of what it was and what is around it: the step cannot
 * diverge. A step is taken only when its energy closes to 1 %, else it is halved.
 */

/** Arrays of a run that a sweep works on; temperatures by [z][r] flat, base first, axis first. */
export interface SweepField {
  temp: Float64Array
  next: Float64Array
  ring: Float64Array
  /** Conductance from ring to ring, W/K. */
  gr: Float64Array
  a: Float64Array
  b: Float64Array
  c: Float64Array
  d: Float64Array
}

/** The edges of a step: coefficients as they work on a cell's middle, W/(m²·K), and what lies beyond them, °C. */
export interface Edges {
  uTop: number
  topC: number
  /** Taken by evaporation at the top, W/m². */
  evaporationW: number
  uBase: number
  baseC: number
  /** Conductance of a ring's outer face, W/K. */
  sideW: number
  sideC: number
}

export interface LatentInput {
  nr: number
  nz: number
  /** Conductance from layer to layer, W/(m²·K). */
  gz: number
  /** Mass of a layer, kg/m². */
  layerKgM2: number
  enthalpy: (tempC: number) => number
  edges: Edges
}

/** Solves a tridiagonal system in place; a below, b on, c above the diagonal, d right side → solution in d. */
export function thomas(a: Float64Array, b: Float64Array, c: Float64Array, d: Float64Array, n: number): void {
  for (let i = 1; i < n; i++) {
    const m = a[i]! / b[i - 1]!
    b[i]! -= m * c[i - 1]!
    d[i]! -= m * d[i - 1]!
  }
  d[n - 1]! /= b[n - 1]!
  for (let i = n - 2; i >= 0; i--) d[i] = (d[i]! - c[i]! * d[i + 1]!) / b[i]!
}

/** Nothing holds less than this, J/(kg·K): ice holds four times as much. */
const LEAST_CP = 500
const SAME_K = 1e-6
/** A sweep is solved when no cell moves more than this between two Picard steps, K. */
const SOLVED_K = 0.01
const PICARD_MOST = 16
const SWINGS = 5
/** Nearly at rest less than this is not told from nothing, J/kg: some thousandths of a kelvin. */
const NOISE_J_PER_KG = 15
/** Energy of a step closes within this share of what passed its edges. */
const CLOSES = 0.01

/** Heat capacity between two temperatures, J/(kg·K): the secant of the enthalpy. */
function secant(enthalpy: (t: number) => number, h0: number, t0: number, t1: number): number {
  const by = t1 - t0
  const c = Math.abs(by) > SAME_K
    ? (enthalpy(t1) - h0) / by
    : (enthalpy(t0 + 0.05) - enthalpy(t0 - 0.05)) / 0.1
  return Math.max(LEAST_CP, c)
}

/** One direction: from `from` to the solution in `to`. @returns whether the Picard steps came to rest */
function sweep(
  f: SweepField,
  s: LatentInput,
  dt: number,
  along: 'r' | 'z',
  from: Float64Array,
  to: Float64Array,
): boolean {
  const { nr, nz, gz, layerKgM2, enthalpy, edges } = s
  const { ring, gr, a, b, c, d } = f
  const h0 = new Float64Array(from.length)
  for (let n = 0; n < h0.length; n++) h0[n] = enthalpy(from[n]!)
  to.set(from)
  const [lines, cells] = along === 'r' ? [nz, nr] : [nr, nz]
  for (let tries = 0; tries < PICARD_MOST; tries++) {
    let moved = 0
    for (let line = 0; line < lines; line++) {
      for (let i = 0; i < cells; i++) {
        const n = along === 'r' ? line * nr + i : i * nr + line
        const area = ring[along === 'r' ? i : line]!
        const held = (layerKgM2 * area * secant(enthalpy, h0[n]!, from[n]!, to[n]!)) / dt
        const below = i === 0 ? 0 : along === 'r' ? gr[i - 1]! : gz * area
        const above = i === cells - 1 ? 0 : along === 'r' ? gr[i]! : gz * area
        b[i] = held + below + above
        d[i] = held * from[n]!
        a[i] = -below
        c[i] = -above
        if (along === 'r' && i === cells - 1) {
          b[i]! += edges.sideW
          d[i]! += edges.sideW * edges.sideC
        }
        if (along === 'z' && i === 0) {
          b[i]! += edges.uBase * area
          d[i]! += edges.uBase * area * edges.baseC
        }
        if (along === 'z' && i === cells - 1) {
          b[i]! += edges.uTop * area
          d[i]! += edges.uTop * area * edges.topC - edges.evaporationW * area
        }
      }
      thomas(a, b, c, d, cells)
      for (let i = 0; i < cells; i++) {
        const n = along === 'r' ? line * nr + i : i * nr + line
        moved = Math.max(moved, Math.abs(d[i]! - to[n]!))
        // About the freezing point the secant can swing to and fro: halfway between, it comes to rest.
        to[n] = tries < SWINGS ? d[i]! : (d[i]! + to[n]!) / 2
      }
    }
    if (moved < SOLVED_K) return true
  }
  return false
}

/**
 * Heat that passed the edges in a step, W: the sides after the first sweep, top and base after the second; what came in
 * less what went out, and both together.
 */
function throughEdges(
  f: SweepField, s: LatentInput, sides: Float64Array, ends: Float64Array,
): { net: number, gross: number } {
  const { nr, nz, edges } = s
  let net = 0
  let gross = 0
  const passed = (watts: number) => {
    net += watts
    gross += Math.abs(watts)
  }
  for (let j = 0; j < nz; j++) passed(edges.sideW * (edges.sideC - sides[j * nr + nr - 1]!))
  for (let i = 0; i < nr; i++) {
    passed(f.ring[i]! * (edges.uTop * (edges.topC - ends[(nz - 1) * nr + i]!) - edges.evaporationW))
    passed(f.ring[i]! * edges.uBase * (edges.baseC - ends[i]!))
  }
  return { net, gross }
}

/**
 * One step; the new field is left in `next`. @param dt s
 * @returns the largest change of a cell, K, and whether the energy closed
 */
export function latentStep(f: SweepField, s: LatentInput, dt: number): { change: number, closes: boolean } {
  const { temp, next, ring } = f
  const { nr, layerKgM2, enthalpy } = s
  const half = new Float64Array(temp.length)
  const rested = sweep(f, s, dt, 'r', temp, half) && sweep(f, s, dt, 'z', half, next)
  let change = 0
  let taken = 0
  let massKg = 0
  for (let n = 0; n < temp.length; n++) {
    const heat = layerKgM2 * ring[n % nr]! * (enthalpy(next[n]!) - enthalpy(temp[n]!))
    taken += heat
    massKg += layerKgM2 * ring[n % nr]!
    change = Math.max(change, Math.abs(next[n]! - temp[n]!))
  }
  const { net, gross } = throughEdges(f, s, half, next)
  const off = Math.abs(taken - net * dt)
  return { change, closes: rested && off <= CLOSES * gross * dt + NOISE_J_PER_KG * massKg }
}
