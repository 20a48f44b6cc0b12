/**
 * The oven: a filling in its vessel, layer by layer from the base (the slab of `thermal/conduction` with leaky sides).
 *
 *   top: convection 8 (fan 20) W/(m²·K) + radiation of ε .9 + evaporation through a skin of 550 s/m; surface ≤ boiling
 *   base and sides: 20 (fan 30) through vessel and crust; in a water bath 250 to water at 90 °C
 *   steam: what is colder than its dew point has it condense on every face (Lewis, `thermal/steam`)
 *   crust: a node of its own heat between air and filling; air: a node that the load cools (`thermal/airNode`)
 *
 * Coefficients from memory (M); the skin is fitted (×1.6 uncertain). One σ of the time is 20 %.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import { solveFor } from '../../base/solveFor'
import type { Material } from '../geometry/cavity'
import { type Load, loadedOven, ovenAfter, type OvenAirNode, together } from '../thermal/airNode'
import { type Boundary, coolCylinder, type Faces } from '../thermal/conduction'
import { WALL, WALL_HEAT } from '../thermal/places'
import { heatAt, type HeatTable } from '../thermal/properties'
import {
  airPressure, boilingPoint, condensingW, evaporationHeat, massTransfer, R_VAPOUR, saturationPressure,
  saturationTemperature,
} from '../thermal/steam'
import type { History } from './dose'
import { STEEL_CP } from './pot'

const STEFAN = 5.67e-8
/** Layers of the filling. */
export const LAYERS = 10
/** A filling not done after this long is stalled, s. */
export const OVEN_STALL_S = 3 * 3600

/** Air of an oven, °C, its fan, whether the vessel stands in water, and the share of steam in the air, 0–1. */
export interface OvenAir {
  airTempC: number
  fan: boolean
  bath: boolean
  steam: number
}

/** Room on the shelves of an oven, m², and what a vessel takes of it with the space around it (judgement). */
export const SHELVES_M2 = 0.34
const AROUND = 1.3
/** Vessels smaller than this stand together on a tray, m². */
const ON_TRAY_M2 = 0.012

/**
 * How many vessels stand in an oven at once.
 * @example inOvenAtOnce(24, 0.03) // 24
 * @example inOvenAtOnce(6, 0.115) // 6
 */
export const inOvenAtOnce = (count: number, radiusM: number): number =>
  Math.min(count, Math.max(1, Math.floor(SHELVES_M2 / (AROUND * Math.PI * radiusM ** 2))))

export interface BakeInput {
  radiusM: number
  depthM: number
  /** Vessels in the oven together. */
  atOnce: number
  roomTempC: number
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
  /** Air of the oven along the same time, °C, as the load has it. */
  airC: number[]
}

/** Heat that a face meets: coefficient, W/(m²·K), and the temperature it works towards, °C. */
interface Outside {
  u: number
  airC: number
}

/**
 * A face between air and filling: the vessel's wall and the crust on it, whose own heat is a node in its middle. Over a
 * step the node is taken implicitly, so that a thin crust follows at once and a thick one in its own time.
 */
class Wall {
  private readonly outerR: number
  private readonly innerU: number
  private readonly heat: number
  constructor(wallR: number, private readonly crustM: number, crustK: number, rhoCp: number, private nodeC: number) {
    this.outerR = wallR + crustM / (2 * crustK)
    this.innerU = crustM > 0 ? (2 * crustK) / crustM : Infinity
    this.heat = crustM * rhoCp
  }

  /** Resistance from the vessel's outside to what lies behind it, and how hot that is: crust, or filling. */
  behind(faceC: number): [number, number] {
    return [this.outerR, this.crustM > 0 ? this.nodeC : faceC]
  }

  /** What the filling's face meets over a step. */
  meets({ u, airC }: Outside, stepS: number): Outside {
    const outer = 1 / (1 / u + this.outerR)
    if (this.crustM === 0) return { u: outer, airC }
    const held = this.heat / stepS
    return {
      u: (this.innerU * (held + outer)) / (held + outer + this.innerU),
      airC: (held * this.nodeC + outer * airC) / (held + outer),
    }
  }

  /** The step is over. @returns what a square metre asks of the air */
  follow({ u, airC }: Outside, faceC: number, stepS: number): Load {
    const outer = 1 / (1 / u + this.outerR)
    if (this.crustM === 0) return { wPerK: outer, tempC: faceC }
    const held = this.heat / stepS
    this.nodeC = (held * this.nodeC + outer * airC + this.innerU * faceC) / (held + outer + this.innerU)
    return { wPerK: outer, tempC: this.nodeC }
  }
}

/** The oven around a bake: its air as the load has it, its steam, and what every face meets. */
class Surroundings {
  readonly boilC: number
  private air: OvenAirNode
  private trayC: number
  private readonly base: Wall
  private readonly sides: Wall
  private readonly hc: number
  private readonly wallU: number
  private readonly pressurePa: number
  private readonly planM2: number
  private readonly trayM2: number
  private last: { timeS: number, stepS: number, base: Outside, side: Outside, topU: number } | null = null
  private flux = 0
  private steamed = 0

  constructor(private readonly p: BakeInput, private readonly all: Parameters) {
    const { oven } = p
    const c = all.oven
    this.boilC = boilingPoint(p.altitudeM)
    this.pressurePa = airPressure(p.altitudeM)
    this.hc = oven.fan ? c.fanH : c.stillH
    this.wallU = oven.fan ? c.fanWallH : c.wallH
    const wall = (crustM: number) =>
      new Wall(WALL[p.material], crustM, all.cold.crustK, c.shellRhoCp, p.startTempC)
    this.base = wall(p.crustM)
    this.sides = wall(p.crustForm === 'shell' ? p.crustM : 0)
    this.air = loadedOven(oven.airTempC, p.roomTempC, c)
    this.trayC = p.roomTempC
    this.planM2 = Math.PI * p.radiusM ** 2
    this.trayM2 = this.planM2 < ON_TRAY_M2 ? AROUND * this.planM2 * p.atOnce : 0
  }

  /** Water that left by the end of the step that is on, kg/m². */
  evaporatedBy(timeS: number): number {
    return this.steamed + this.flux * (timeS - this.last!.timeS)
  }

  get airC() {
    return this.air.tempC
  }

  /** Steam in the air, Pa: what any oven has, or its share as a combi oven is set. */
  private get steamPa() {
    const full = Math.min(saturationPressure(this.air.tempC), this.pressurePa)
    return Math.max(this.all.oven.vapourPa, this.p.oven.steam * full)
  }

  /**
   * With the steam that condenses on a surface colder than its dew point: as warm as air, steam and what lies behind it
   * make it. @param behindR resistance from there to a place of known temperature, m²K/W
   */
  private wetted(dry: Outside, behindR: number, behindC: number): Outside {
    if (this.p.oven.steam <= 0) return dry
    const dewC = saturationTemperature(this.steamPa)
    const dryC = (behindC + behindR * dry.u * dry.airC) / (1 + behindR * dry.u)
    if (dryC >= dewC - 0.01) return dry
    const steamW = (tempC: number) => condensingW(this.hc, tempC, this.steamPa, this.pressurePa)
    const kept = (tempC: number) => (tempC - behindC) / behindR - dry.u * (dry.airC - tempC) - steamW(tempC)
    const surfaceC = behindR > 0 ? solveFor(kept, 0, dryC, dewC) : behindC
    if (surfaceC >= dewC - 0.01) return dry
    const u = steamW(surfaceC) / (dewC - surfaceC)
    return { u: dry.u + u, airC: (dry.u * dry.airC + u * dewC) / (dry.u + u) }
  }

  /** What has gone on since the last step: water that left, the crust's own heat, the air. */
  private settle(timeS: number, faces: Faces): void {
    if (!this.last) return
    const { base, side, topU, stepS } = this.last
    const dt = timeS - this.last.timeS
    this.steamed += this.flux * dt
    const c = this.all.oven
    const { p } = this
    const asked = [
      { areaM2: this.planM2, of: { wPerK: topU, tempC: faces.topC } },
      { areaM2: this.planM2, of: this.base.follow(base, faces.baseC, stepS) },
      { areaM2: 2 * Math.PI * p.radiusM * p.depthM, of: this.sides.follow(side, faces.sideC, stepS) },
    ]
    // The water of a bath was hot when it went in: of such a vessel only its top asks for heat.
    const load = together([
      ...asked.slice(0, p.oven.bath ? 1 : 3).map(({ areaM2, of }) => ({ ...of, wPerK: of.wPerK * areaM2 * p.atOnce })),
      { wPerK: 2 * this.trayM2 * this.wallU, tempC: this.trayC },
    ])
    const trayJPerK = c.trayKgM2 * this.trayM2 * STEEL_CP
    if (trayJPerK > 0)
      this.trayC += (this.air.tempC - this.trayC) * (1 - Math.exp((-2 * this.trayM2 * this.wallU * dt) / trayJPerK))
    this.air = ovenAfter(this.air, { dialC: p.oven.airTempC, roomC: p.roomTempC }, load, dt, c)
  }

  boundary(timeS: number, faces: Faces, stepS: number): Boundary {
    const { p, boilC } = this
    const c = this.all.oven
    this.settle(timeS, faces)
    const airC = this.air.tempC
    const surfaceC = Math.min(faces.topC, boilC)
    const surfaceK = surfaceC + 273.15
    const airK = airC + 273.15
    const radiation = c.emissivity * STEFAN * (airK * airK + surfaceK * surfaceK) * (airK + surfaceK)
    const vapour =
      Math.max(0, p.waterActivity * saturationPressure(surfaceC) - this.steamPa) / (R_VAPOUR * surfaceK)
    this.flux = vapour / (c.skin + 1 / massTransfer(this.hc))
    const topU = this.hc + radiation
    const steamW = this.flux * evaporationHeat(surfaceC)
    // At the boil steam takes whatever comes, so that the surface stays there.
    const evaporationW = faces.topC >= boilC - 0.5 ? Math.max(steamW, topU * (airC - boilC)) : steamW
    const top = this.wetted({ u: topU, airC }, 0, faces.topC)
    const water = { u: c.bathU, airC: Math.min(c.bathC, boilC - 8) }
    const outside = (wall: Wall, faceC: number) =>
      p.oven.bath ? water : this.wetted({ u: this.wallU, airC }, ...wall.behind(faceC))
    const base = outside(this.base, faces.baseC)
    const side = outside(this.sides, faces.sideC)
    this.last = { timeS, stepS, base, side, topU }
    return {
      top: { ...top, evaporationW },
      base: this.base.meets(base, stepS),
      side: this.sides.meets(side, stepS),
    }
  }
}

/** Where a straight line between two values passes a third, on another scale. */
const between = (from: number, to: number, at: number, start: number, end: number) =>
  to > from ? start + ((at - from) / (to - from)) * (end - start) : end

/** Bakes a filling. */
export function runOven(p: BakeInput): Bake {
  const all = p.parameters ?? STANDARD
  const around = new Surroundings(p, all)
  const timeS = [0]
  const layers: number[][] = Array.from({ length: LAYERS }, () => [p.startTempC])
  const core = [p.startTempC]
  const airC = [around.airC]
  const evaporatedAlong = [0]
  let reachedS: number | null = p.startTempC >= p.targetTempC ? 0 : null
  // The wall warms with the filling: half of its own heat is counted with the filling's (judgement).
  const share =
    1 + (all.oven.wallShare * WALL_HEAT[p.material]) / (p.depthM * p.solid.rho * heatAt(p.solid.cp, 50))
  const solid = { ...p.solid, rho: p.solid.rho * share }
  coolCylinder({
    radiusM: p.radiusM,
    heightM: p.depthM,
    nr: 1,
    nz: LAYERS,
    solid,
    startTempC: p.startTempC,
    endS: p.timeS ?? OVEN_STALL_S,
    firstStepS: 5,
    maxStepS: 20,
    boundary: (time, faces, stepS) => around.boundary(time, faces, stepS),
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
      airC.push(upTo(airC.at(-1)!, around.airC))
      evaporatedAlong.push(upTo(evaporatedAlong.at(-1)!, around.evaporatedBy(time)))
      return time >= outS
    },
  })
  return {
    layers: layers.map(tempC => ({ timeS, tempC })),
    core: { timeS, tempC: core },
    meanEndC: layers.reduce((s, l) => s + l.at(-1)!, 0) / LAYERS,
    reachedS,
    evaporatedKgM2: evaporatedAlong.at(-1)!,
    evaporatedAlong,
    airC,
  }
}
