/**
 * The pouch: a mix sealed flat and sunk in a stirred water bath, heated from both sides as a slab (`thermal/conduction`
 * with no sides) by 250 W/(m²·K); nothing leaves it. It is done when the hold is over that begins as its middle comes
 * within half a kelvin of the bath.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import { coolCylinder } from '../thermal/conduction'
import type { HeatTable } from '../thermal/properties'
import type { History } from './dose'

/** How thick a mix lies in its pouch where nothing is said, m (common practice). */
export const POUCH_M = 0.025
/** Its middle is as hot as the bath within this, K (no kitchen's thermometer tells them apart). */
export const NEAR_BATH_K = 0.5
const LAYERS = 8
/** Still not through after this: given up, s. */
const STALL_S = 4 * 3600

export interface PouchInput {
  thicknessM: number
  solid: { k: number, rho: number, cp: HeatTable }
  startTempC: number
  bathC: number
  holdS: number
  coefficients?: Parameters['pot']
}

export interface PouchRun {
  /** Layers from one face to the other, sharing one time axis. */
  layers: History[]
  /** Its middle: the last to be hot. */
  core: History
  reachedS: number | null
}

/**
 * Heats a pouch through.
 * @example runPouch({ ...pouch, thicknessM: 0.02 }).reachedS > 600 // true
 */
export function runPouch(p: PouchInput): PouchRun {
  const { pouchU } = p.coefficients ?? STANDARD.pot
  const timeS = [0]
  const layers = Array.from({ length: LAYERS }, () => [p.startTempC])
  const core = [p.startTempC]
  const wantedC = p.bathC - NEAR_BATH_K
  let reachedS: number | null = p.startTempC >= wantedC ? 0 : null
  const face = { u: pouchU, airC: p.bathC }
  coolCylinder({
    radiusM: 1,
    heightM: p.thicknessM,
    nr: 1,
    nz: LAYERS,
    solid: p.solid,
    startTempC: p.startTempC,
    endS: STALL_S + p.holdS,
    firstStepS: 5,
    maxStepS: 30,
    boundary: () => ({ top: { ...face, evaporationW: 0 }, base: face, side: { u: 0, airC: p.bathC } }),
    watch: (time, temp) => {
      const beforeS = timeS.at(-1)!
      const beforeC = core.at(-1)!
      const coldest = Math.min(...temp)
      if (reachedS === null && coldest >= wantedC)
        reachedS = beforeS + ((wantedC - beforeC) / (coldest - beforeC)) * (time - beforeS)
      const outS = reachedS === null ? Infinity : Math.max(reachedS + p.holdS, beforeS)
      const share = time > outS ? (outS - beforeS) / (time - beforeS) : 1
      const upTo = (from: number, to: number) => from + share * (to - from)
      timeS.push(upTo(beforeS, time))
      layers.forEach((l, j) => l.push(upTo(l.at(-1)!, temp[j]!)))
      core.push(upTo(beforeC, coldest))
      return time >= outS
    },
  })
  return { layers: layers.map(tempC => ({ timeS, tempC })), core: { timeS, tempC: core }, reachedS }
}
