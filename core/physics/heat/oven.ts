/**
 * The oven: a filling in its vessel, layer by layer from the base (the slab of `thermal/conduction` with leaky sides).
 *
 *   top: convection 8 (fan 20) W/(m²·K) + radiation of ε .9 + evaporation through a skin of 550 s/m; surface ≤ boiling
 *   base and sides: 20 (fan 30) through vessel and crust; in a water bath 250 to water at 90 °C
 *
 * Coefficients from memory (M); the skin is fitted (×1.6 uncertain). One σ of the time is 20 %.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import type { Material } from '../geometry/cavity'
import { coolCylinder, type Faces } from '../thermal/conduction'
import { WALL, WALL_HEAT } from '../thermal/places'
import { heatAt, type HeatTable } from '../thermal/properties'
import { boilingPoint, evaporationHeat, R_VAPOUR, saturationPressure } from '../thermal/steam'
import type { History } from './dose'

const STEFAN = 5.67e-8
/** Layers of the filling. */
export const LAYERS = 10
/** A filling not done after this long is stalled, s. */
export const OVEN_STALL_S = 3 * 3600

/** Air of an oven, °C, its fan, and whether the vessel stands in water. */
export interface OvenAir {
  airTempC: number
  fan: boolean
  bath: boolean
}

export interface BakeInput {
  radiusM: number
  depthM: number
  solid: { k: number, rho: number, cp: HeatTable }
  startTempC: number
  /** `airTempC` is the air itself. */
  oven: OvenAir
  material: Material
  crustM: number
  crustForm: 'shell' | 'base'
  waterActivity: number
  altitudeM: number
  /** Coldest layer to reach, °C, and hold after that, s; or a stated time, s. */
  targetTempC: number
  holdS: number
  timeS: number | null
  /** Coefficients; the table's where none are given. */
  parameters?: Parameters
}

export interface Bake {
  /** Layers from the base up, sharing one time axis. */
  layers: History[]
  /** Coldest layer at every time. */
  core: History
  meanEndC: number
  reachedS: number | null
  /** Water that left, kg per m² of surface, and along the time of the layers. */
  evaporatedKgM2: number
  evaporatedAlong: number[]
}

/** Where a straight line between two values passes a third, on another scale. */
const between = (from: number, to: number, at: number, start: number, end: number) =>
  to > from ? start + ((at - from) / (to - from)) * (end - start) : end

/** Bakes a filling. */
export function runOven(p: BakeInput): Bake {
  const { oven } = p
  const { oven: c, cold } = p.parameters ?? STANDARD
  const hc = oven.fan ? c.fanH : c.stillH
  const wallU = oven.bath ? c.bathU : oven.fan ? c.fanWallH : c.wallH
  const through = (crustM: number) => 1 / (1 / wallU + WALL[p.material] + crustM / cold.crustK)
  const base = through(p.crustM)
  const sides = through(p.crustForm === 'shell' ? p.crustM : 0)
  const airK = oven.airTempC + 273.15
  const boilC = boilingPoint(p.altitudeM)
  let evaporatedKgM2 = 0
  let last = 0
  let flux = 0
  const timeS = [0]
  const layers: number[][] = Array.from({ length: LAYERS }, () => [p.startTempC])
  const core = [p.startTempC]
  const evaporatedAlong = [0]
  let reachedS: number | null = p.startTempC >= p.targetTempC ? 0 : null
  const endS = p.timeS ?? OVEN_STALL_S
  const boundary = (time: number, faces: Faces) => {
    const surfaceC = Math.min(faces.topC, boilC)
    evaporatedKgM2 += flux * (time - last)
    last = time
    const surfaceK = surfaceC + 273.15
    const radiation = c.emissivity * STEFAN * (airK * airK + surfaceK * surfaceK) * (airK + surfaceK)
    // Vapour at the surface against the oven's air (about 10 % steam at most: judgement, 5 kPa).
    const vapour = Math.max(0, (p.waterActivity * saturationPressure(surfaceC) - c.vapourPa) / (R_VAPOUR * surfaceK))
    flux = vapour / (c.skin + (1006 * 1.1 * 0.9) / hc)
    const u = hc + radiation
    // At the boil steam takes whatever comes, so that the surface stays there.
    const evaporationW =
      faces.topC >= boilC - 0.5
        ? Math.max(flux * evaporationHeat(surfaceC), u * (oven.airTempC - boilC))
        : flux * evaporationHeat(surfaceC)
    const airC = oven.bath ? Math.min(c.bathC, boilC - 8) : oven.airTempC
    return { top: { u, airC: oven.airTempC, evaporationW }, base: { u: base, airC }, side: { u: sides, airC } }
  }
  // The wall warms with the filling: half of its own heat is counted with the filling's (judgement).
  const share = 1 + (c.wallShare * WALL_HEAT[p.material]) / (p.depthM * p.solid.rho * heatAt(p.solid.cp, 50))
  const solid = { ...p.solid, rho: p.solid.rho * share }
  coolCylinder({
    radiusM: p.radiusM,
    heightM: p.depthM,
    nr: 1,
    nz: LAYERS,
    solid,
    startTempC: p.startTempC,
    endS,
    firstStepS: 5,
    maxStepS: 20,
    boundary,
    watch: (time, temp) => {
      const before = { timeS: timeS.at(-1)!, coldest: core.at(-1)! }
      const coldest = Math.min(...temp)
      if (reachedS === null && coldest >= p.targetTempC)
        reachedS = between(before.coldest, coldest, p.targetTempC, before.timeS, time)
      // It comes out when the hold is over, not at the next tick.
      const outS = p.timeS === null && reachedS !== null ? Math.max(reachedS + p.holdS, before.timeS) : Infinity
      const share = time > outS && time > before.timeS ? (outS - before.timeS) / (time - before.timeS) : 1
      const upTo = (from: number, to: number) => from + share * (to - from)
      timeS.push(upTo(before.timeS, time))
      for (let j = 0; j < LAYERS; j++) layers[j]!.push(upTo(layers[j]!.at(-1)!, temp[j]!))
      core.push(upTo(before.coldest, coldest))
      evaporatedKgM2 = upTo(evaporatedAlong.at(-1)!, evaporatedKgM2)
      evaporatedAlong.push(evaporatedKgM2)
      return time >= outS
    },
  })
  const meanEndC = layers.reduce((s, l) => s + l[l.length - 1]!, 0) / LAYERS
  return {
    layers: layers.map(tempC => ({ timeS, tempC })),
    core: { timeS, tempC: core },
    meanEndC,
    reachedS,
    evaporatedKgM2,
    evaporatedAlong,
  }
}
