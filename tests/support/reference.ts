/**
 * The same equations integrated by odex (Hairer's extrapolation integrator), as a reference for tests and benchmarks.
 */
import { createRequire } from 'node:module'
import type { ConductionInput, Faces } from '../../core/physics/thermal/conduction'
import { heatAt } from '../../core/physics/thermal/properties'
import { potConditions, potFlows, type PotInput } from '../../core/physics/heat/pot'

interface OdexSolver {
  absoluteTolerance: number
  relativeTolerance: number
  maxSteps: number
  initialStepSize: number
  solve(
    f: (x: number, y: number[]) => number[],
    x0: number,
    y0: number[],
    x1: number,
  ): { y: number[], outcome: number, nEval: number }
}
// The package ships source that a strict compiler refuses; it is loaded at run time and described here.
const { Solver } = createRequire(import.meta.url)('odex') as { Solver: new (n: number) => OdexSolver }

/** Integrates a system to each of the times. */
export function integrate(
  f: (x: number, y: number[]) => number[],
  y0: number[],
  times: readonly number[],
  tolerance: number,
): number[][] {
  const solver = new Solver(y0.length)
  solver.absoluteTolerance = tolerance
  solver.relativeTolerance = tolerance
  solver.maxSteps = 1e6
  let y = y0
  let x = 0
  return times.map((t) => {
    const r = solver.solve(f, x, y, t)
    if (r.outcome !== 0) throw new Error(`odex gave up at ${t}`)
    y = r.y
    x = t
    return y
  })
}

/** The cylinder of `coolCylinder` on the same kind of grid, with constant properties: warmest cell at each time. */
export function odexCylinder(p: ConductionInput, n: number, times: readonly number[], tolerance: number): number[] {
  const dr = p.radiusM / n
  const dz = p.heightM / n
  const { k, rho, cp } = p.solid
  const ring = Array.from({ length: n }, (_, i) => Math.PI * ((i + 1) ** 2 - i ** 2) * dr * dr)
  const face = (half: number, u: number) => 1 / (1 / half + 1 / u)
  const f = (time: number, y: number[]): number[] => {
    const mean = y.reduce((a, b) => a + b, 0) / y.length
    const faces: Faces = { topC: mean, baseC: mean, sideC: mean, meanC: mean }
    const b = p.boundary(time, faces, 0)
    const top = face((2 * k) / dz, b.top.u)
    const base = face((2 * k) / dz, b.base.u)
    const side = face((2 * k) / dr, b.side.u)
    return y.map((t, index) => {
      const i = index % n
      const j = (index - i) / n
      let w = 0
      if (i > 0) w += k * 2 * Math.PI * i * dz * (y[index - 1]! - t)
      if (i < n - 1) w += k * 2 * Math.PI * (i + 1) * dz * (y[index + 1]! - t)
      else w += side * 2 * Math.PI * p.radiusM * dz * (b.side.airC - t)
      w += ring[i]! * (j > 0 ? (k / dz) * (y[index - n]! - t) : base * (b.base.airC - t))
      w += ring[i]! * (j < n - 1 ? (k / dz) * (y[index + n]! - t) : top * (b.top.airC - t))
      return w / (rho * heatAt(cp, t) * ring[i]! * dz)
    })
  }
  return integrate(
    f,
    Array.from({ length: n * n }, () => p.startTempC),
    times,
    tolerance,
  ).map(y => Math.max(...y))
}

/** The pot of `runPot` on its way up: temperature and water lost (g) at each time. */
export function odexPot(
  p: PotInput,
  times: readonly number[],
  tolerance: number,
): { tempC: number, evaporatedG: number }[] {
  const conditions = potConditions(p)
  const f = (_: number, [t, lost]: number[]): number[] => {
    const flow = potFlows(p, conditions, t!)
    return [(flow.heatIn - flow.loss) / ((p.massG / 1000 - lost!) * p.cp + p.pan.heatCapacity), flow.steam]
  }
  return integrate(f, [p.startTempC, 0], times, tolerance).map(([t, lost]) => ({
    tempC: t!,
    evaporatedG: 1000 * lost!,
  }))
}
