/**
 * The pot: a stirred mix in a pan, on a water bath or straight on the burner, brought to a target and held there.
 *
 *   (m·cp + C_pan)·dT/dt = q_in − UA_l·(T − T_a) − (hc + hr)·A·(T − T_a) − ṁ·h_fg
 *   water bath: q_in = min(UA·(T_h − T), P_steam);    direct: q_in = burner power reaching the pan
 *   microwave: q_in = rated power × .72, in bursts of 20 s (or as stated) with 15 s of whisking between; of a burst the
 *   edge gets more than the mean and the middle less, as its field dies away over 15 mm
 *   induction under .4 of its power: in pulses, so that the wall is hotter at their peaks than on the mean
 *
 * Below the boil evaporation follows the Lewis analogy; at the boil it takes what heat is left over. Integrated with
 * Heun steps of 2 s. While holding, the cook takes heat away so that the mix stays at the target.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import { airPressure, boilingPoint, evaporationFlux, evaporationHeat } from '../thermal/steam'
import type { History } from './dose'

export const HEAT_METHODS = ['waterBath', 'direct', 'microwave', 'sousVide', 'oven', 'none'] as const
export type HeatMethod = (typeof HEAT_METHODS)[number]
/**
 * Whether a mix is stirred in a pan or a bowl while it is hot.
 * @example heatsInPan('sousVide') // false
 */
export const heatsInPan = (m: HeatMethod): m is 'waterBath' | 'direct' | 'microwave' =>
  m === 'waterBath' || m === 'direct' || m === 'microwave'

export interface Pan {
  /** Heat capacity of pan or bowl, J/K. */
  heatCapacity: number
  /** Open surface and wetted base of the mix, m². */
  surfaceM2: number
}

/** Heat capacity of steel, J/(kg·K). */
export const STEEL_CP = 480

/**
 * The field passes glass by: what of a bowl warms along is what the mix touches, and late (fitted to practice: 240 ml
 * of cream with 50 g of sugar come to 55–60 °C in a minute at 1,200 W).
 */
const GLASS_WARMS = 0.3

/**
 * Pan for a mix, taken as the cook would: the liquid stands about as deep as a third of its width.
 * d = (12V/π)^⅓ with depth d/3; steel of 1.2 mm at 480 J/(kg·K), 7900 kg/m³, or for the microwave a glass bowl of 5
 * mm at
 * 840 J/(kg·K), 2500 kg/m³, of which a third warms along (judgement).
 */
export function panFor(volumeM3: number, wall: 'steel' | 'glass' = 'steel'): Pan & { diameterM: number } {
  const diameterM = Math.max(0.14, ((12 * volumeM3) / Math.PI) ** (1 / 3))
  const surfaceM2 = (Math.PI * diameterM ** 2) / 4
  const wallM2 = surfaceM2 + Math.PI * diameterM * diameterM * 0.45
  return {
    diameterM,
    surfaceM2,
    heatCapacity: wallM2 * (wall === 'steel' ? 0.0012 * 7900 * STEEL_CP : GLASS_WARMS * 0.005 * 2500 * 840),
  }
}

/** A pan of the kitchen: its own width; its weight where it was weighed, else as heavy as its walls of 1.2 mm steel. */
export function panOfSize(size: { diameterM: number, heightM: number, tareG: number | null }): Pan {
  const surfaceM2 = (Math.PI * size.diameterM ** 2) / 4
  const massKg =
    size.tareG === null ? (surfaceM2 + Math.PI * size.diameterM * size.heightM) * 0.0012 * 7900 : size.tareG / 1000
  return { surfaceM2, heatCapacity: massKg * STEEL_CP }
}
/**
 * What a pan of the kitchen holds to the rim, m³ (straight sides).
 * @example panHoldsM3({ diameterM: 0.2, heightM: 0.1 }) // 0.003142
 */
export const panHoldsM3 = (size: { diameterM: number, heightM: number }): number =>
  ((Math.PI * size.diameterM ** 2) / 4) * size.heightM
/** Share of a burner's rating that reaches the pan (from memory, M). */
export const EFFICIENCY = { gas: 0.4, ceramic: 0.7, induction: 0.85, microwave: 1 } as const
/** Heat into the pan, or a microwave's rating, where nothing is said yet, W (common practice). */
export const USUAL_W = { direct: 300, microwave: 900 } as const
/** Heat that reaches the pan with a burner full on, W; a microwave counts by its rating. */
export const fullHeatW = (b: { kind: keyof typeof EFFICIENCY, ratedW: number }): number =>
  b.ratedW * EFFICIENCY[b.kind]

export interface PotInput {
  massG: number
  /** J/(kg·K) */
  cp: number
  pan: Pan
  startTempC: number
  targetTempC: number
  holdS: number
  method: 'waterBath' | 'direct' | 'microwave'
  /** Heat that reaches the pan on the burner, or the microwave's rated power, W. */
  burnerW: number
  /** Heat that reaches the pan from an induction hob full on, W; null: another hob, which does not pulse. */
  inductionW?: number | null
  /** How long a microwave is on before the mix is whisked, s. */
  burstS?: number
  /** Of the mix, m³: how far a microwave's field reaches into it. */
  volumeM3?: number
  /** Water that can leave at most, g; no pan boils drier than this. */
  waterG: number
  /** Boil until this much water has left, g; null: for the hold. */
  evaporateG?: number | null
  roomTempC: number
  altitudeM: number
  waterActivity: number
  /** Coefficients; the table's where none are given. */
  coefficients?: Parameters['pot']
}

/** A target this close to where water boils means the boil, K (kitchen thermometers are no finer). */
const BOIL_NEAR_K = 1.5
/**
 * Whether a target means the boil at an altitude.
 * @example meansBoil(99, 0) // true
 */
export const meansBoil = (targetTempC: number, altitudeM: number): boolean =>
  targetTempC >= boilingPoint(altitudeM) - BOIL_NEAR_K
/** A pot hotter than this counts as boiled, °C (no kitchen keeps one just under the boil; judgement). */
export const BOILED_C = 94
/** Share of its water after which a pan counts as dry and loses no more. */
const DRY_SHARE = 0.9
/** Time in which the pan's base gives off its heat once it gets less, s: 1.2 mm of steel over 450 W/(m²·K). */
const WALL_S = 10
/** Bursts of a microwave where nothing is said: on, and whisking, s (common practice). */
export const BURST = { onS: 20, whiskS: 15 }
/**
 * Bursts of a microwave that make up a time, whisking counted.
 * @example burstsIn(200) // 6
 */
export const burstsIn = (timeS: number, onS: number = BURST.onS): number => Math.ceil(timeS / (onS + BURST.whiskS))

/**
 * What a microwave's burst gives edge and middle of a mix, against the mean: e^(−x/δ) from the surface of a ball of its
 * volume, so 1/m and e^(−R/δ)/m with m = 3·(δR² − 2δ²R + 2δ³·(1 − e^(−R/δ)))/R³.
 * @example burstShape(6e-4, 0.015).edge // 1.984
 */
export function burstShape(volumeM3: number, depthM: number): { edge: number, middle: number } {
  const r = ((3 * volumeM3) / (4 * Math.PI)) ** (1 / 3)
  const left = Math.exp(-r / depthM)
  const mean = (3 * (depthM * r ** 2 - 2 * depthM ** 2 * r + 2 * depthM ** 3 * (1 - left))) / r ** 3
  return { edge: 1 / mean, middle: left / mean }
}

/**
 * The most a pulsing hob gives through a pan's base, W, on a mean of q: full power over its share of the time, smoothed
 * by the base: q_full·(1 − e^(−Dt/τ))/(1 − e^(−t/τ)), D = q/q_full.
 * @example pulsePeakW(400, 680, 8, 10) // 463.5
 */
export function pulsePeakW(meanW: number, fullW: number, pulseS: number, wallS: number = WALL_S): number {
  if (meanW >= fullW) return meanW
  return (fullW * (1 - Math.exp((-(meanW / fullW) * pulseS) / wallS))) / (1 - Math.exp(-pulseS / wallS))
}
/** A mix that has not reached its target after this long is called stalled, s. */
export const STALL_S = 3 * 3600
const STEP_S = 2
/** A pot that gains less than this simmers as hot as it gets: .1 K a minute (no cook waits for it; judgement). */
const STALLED_K_PER_S = 0.1 / 60

export interface PotRun {
  history: History
  /** Temperature of the film on the pan wall, °C. */
  filmC: number[]
  /** Of the coldest part before it is whisked in, °C; absent where all of it is stirred as it heats. */
  middleC?: number[]
  /** When the target was reached, s; null if the pot stalls short of it. */
  reachedS: number | null
  evaporatedG: number
  /** Water that left up to every time of the history, g. */
  steamG: number[]
  endTempC: number
}

/** What stays the same while a pot is on: its boiling point, the bath under it, the air's pressure. */
export function potConditions(p: PotInput): { boilC: number, bathC: number, pressurePa: number } {
  return {
    boilC: boilingPoint(p.altitudeM, p.waterActivity),
    bathC: Math.min(99, boilingPoint(p.altitudeM) - 1),
    pressurePa: airPressure(p.altitudeM),
  }
}

/** Heat in and out, W, and steam, kg/s, of the pot at a temperature: the right side of its equation. */
export function potFlows(
  p: PotInput,
  { boilC, bathC, pressurePa }: ReturnType<typeof potConditions>,
  tempC: number,
): { heatIn: number, loss: number, steam: number } {
  const c = p.coefficients ?? STANDARD.pot
  const area = p.pan.surfaceM2
  const dT = Math.max(tempC - p.roomTempC, 0)
  const hc = c.stillAirH * (dT / 60) ** (1 / 3)
  const steam =
    tempC >= boilC - 0.05 ? 0 : evaporationFlux(hc, tempC, p.roomTempC, p.waterActivity, pressurePa) * area
  const loss = (hc + c.radiationH) * area * dT + c.sideLoss * dT * Math.sqrt(area) + steam * evaporationHeat(tempC)
  const onS = p.burstS ?? BURST.onS
  const heatIn =
    p.method === 'microwave'
      ? (p.burnerW * c.microwaveShare * onS) / (onS + BURST.whiskS)
      : p.method === 'waterBath'
        ? Math.min(c.bathU * c.bowlArea * area * Math.max(bathC - tempC, 0), c.bathPowerW)
        : p.burnerW
  return { heatIn, loss, steam }
}

/** Simulates the pot. Inputs must be finite and positive; the caller checks them. */
export function runPot(p: PotInput): PotRun {
  const { bowlArea, wallH, leastInduction, pulseS, microwaveM } = p.coefficients ?? STANDARD.pot
  const microwave = p.method === 'microwave'
  const cycleS = (p.burstS ?? BURST.onS) + BURST.whiskS
  const shape = microwave ? burstShape(p.volumeM3 ?? p.massG / 1e6, microwaveM) : null
  const conditions = potConditions(p)
  const { boilC } = conditions
  const flows = (t: number) => potFlows(p, conditions, t)
  // Within a degree and a half of water's boil it is meant to boil, however much later the sugar lets it.
  const targetC = meansBoil(p.targetTempC, p.altitudeM) ? boilC : p.targetTempC
  const area = p.pan.surfaceM2
  let massKg = p.massG / 1000
  const capacity = () => massKg * p.cp + p.pan.heatCapacity

  const timeS = [0]
  const tempC = [p.startTempC]
  const filmC = [p.startTempC]
  const middleC = [p.startTempC]
  const steamG = [0]
  let t = p.startTempC
  let time = 0
  let evaporatedKg = 0
  let reachedS: number | null = t >= targetC ? 0 : null
  // Heat goes in through the wetted base, or through the whole bowl on a bath.
  const heatedM2 = p.method === 'waterBath' ? bowlArea * area : area
  /** An induction hob turned down pulses at the least power it can keep up. */
  const onW = p.method === 'direct' && p.inductionW ? leastInduction * p.inductionW : 0
  const peakOf = (heatIn: number) => (onW > 0 ? pulsePeakW(heatIn, onW, pulseS) : heatIn)
  /** What the wall gives the mix, W: as it gets it on the way up, falling to what is lost in the hold. */
  let wallW = 0
  const record = (heatIn: number) => {
    timeS.push(time)
    tempC.push(t)
    steamG.push(1000 * evaporatedKg)
    // On a wall the film is hotter by q/(h·A); in a microwave the edge is, by what one burst gives it over the mean.
    const burstK = (heatIn * cycleS) / capacity()
    filmC.push(Math.min(boilC, t + (shape ? burstK * (shape.edge - 1) : peakOf(heatIn) / (wallH * heatedM2))))
    if (shape) middleC.push(Math.max(p.startTempC, t - burstK * (1 - shape.middle)))
  }
  while (reachedS === null && time < STALL_S) {
    const f1 = flows(t)
    const k1 = (f1.heatIn - f1.loss) / capacity()
    const f2 = flows(t + k1 * STEP_S)
    const k2 = (f2.heatIn - f2.loss) / capacity()
    const slope = (k1 + k2) / 2
    const dt = slope > 0 && t + slope * STEP_S >= targetC ? Math.max((targetC - t) / slope, 1e-3) : STEP_S
    t = Math.min(t + slope * dt, boilC)
    time += dt
    const steam = Math.min(((f1.steam + f2.steam) / 2) * dt, (DRY_SHARE * p.waterG) / 1000 - evaporatedKg)
    evaporatedKg += steam
    massKg -= steam
    if (t >= targetC - 1e-9) reachedS = time
    if (timeS.length < 2 || time - timeS[timeS.length - 1]! >= 8 || reachedS !== null) record(f1.heatIn)
    wallW = f1.heatIn
    if (slope < STALLED_K_PER_S && reachedS === null) break
  }
  if (reachedS !== null) {
    const end = p.evaporateG == null ? time + p.holdS : time + STALL_S
    while (time < end - 1e-9) {
      const f = flows(t)
      const boiling = t >= boilC - 0.05
      const rate = boiling ? Math.max(f.heatIn - f.loss, 0) / evaporationHeat(t) : f.steam
      const missingKg = p.evaporateG == null ? Infinity : p.evaporateG / 1000 - evaporatedKg
      if (missingKg <= 0 || (p.evaporateG != null && !(rate > 0))) break
      const dt = Math.max(1e-3, Math.min(8, end - time, missingKg / rate || 8))
      const steam = Math.min(rate * dt, (DRY_SHARE * p.waterG) / 1000 - evaporatedKg)
      evaporatedKg += steam
      massKg -= steam
      time += dt
      // Held at the target the wall soon gives only what is lost.
      wallW += (Math.min(f.loss, f.heatIn) - wallW) * (1 - Math.exp(-dt / WALL_S))
      record(boiling ? f.heatIn : wallW)
    }
  }
  const history = { timeS, tempC }
  const run = { history, filmC, reachedS, evaporatedG: 1000 * evaporatedKg, steamG, endTempC: t }
  // It is whisked once more as it comes out.
  return shape ? { ...run, middleC: [...middleC.slice(0, -1), t] } : run
}

/** A stated course as a history: from start at a ramp to the peak, held there. */
export function givenCourse(
  startTempC: number,
  course: { rampKPerMin: number, peakTempC: number, holdS: number },
): PotRun {
  const rampS = Math.max(0, ((course.peakTempC - startTempC) / course.rampKPerMin) * 60)
  const timeS = [0, rampS, rampS + course.holdS]
  const tempC = [startTempC, course.peakTempC, course.peakTempC]
  return {
    history: { timeS, tempC },
    filmC: tempC,
    reachedS: rampS,
    evaporatedG: 0,
    steamG: [0, 0, 0],
    endTempC: course.peakTempC,
  }
}

/**
 * A mix that is not heated in a pot.
 * @example unheated(18).endTempC // 18
 */
export const unheated = (tempC: number): PotRun => ({
  history: { timeS: [0], tempC: [tempC] },
  filmC: [tempC],
  reachedS: 0,
  evaporatedG: 0,
  steamG: [0],
  endTempC: tempC,
})

/**
 * Carry-over: what the hot pan gives back after the heat is off, K. C_pan·ΔT/(m·cp + C_pan), ΔT the pan's excess.
 * @example carryOver(600, 3000, 500, 10) // 2.174
 */
export const carryOver = (massG: number, cp: number, panCapacity: number, excessK: number): number =>
  (panCapacity * excessK) / ((massG / 1000) * cp + panCapacity)

/**
 * Energy balance of cold lines stirred into a hot mix, °C. @param hot, cold mass g, cp J/(kg·K), temperature °C; fat
 * latent heat in J
 * @example stirInTemperature({ massG: 600, cp: 3000, tempC: 80 }, { massG: 100, cp: 3000, tempC: 10 }) // 70
 */
export function stirInTemperature(
  hot: { massG: number, cp: number, tempC: number },
  cold: { massG: number, cp: number, tempC: number },
  latentJ = 0,
): number {
  const ch = (hot.massG / 1000) * hot.cp
  const cc = (cold.massG / 1000) * cold.cp
  return (ch * hot.tempC + cc * cold.tempC - latentJ) / (ch + cc)
}

export interface WorkVessel {
  what: 'boil' | 'stir' | 'whisk' | 'whip' | 'fold' | 'bath'
  /** It should hold, m³. */
  holdM3: number
  /** Of what, m³. */
  ofM3: number
  times: number
}

/**
 * Room over the mix by what is done to it (common practice): boiling milk and sugar foam; eggs are whisked; a fold
 * needs room for the spoon.
 */
export const ROOM = { boil: 3, stir: 1.6, whisk: 2, bath: 2, fold: 1.8, whip: 1.5 } as const
/** Mixes without air weigh about 1.06 g/ml hot (the densities of sweetened juice, egg and cream; judgement). */
const HOT_G_PER_ML = 1.06

/**
 * The pan or bowl that a mix is first put in. @param peakTempC of the pot
 * @example potVessel('waterBath', 82, 600).holdM3 // 0.001132
 */
export function potVessel(method: HeatMethod, peakTempC: number, massG: number): WorkVessel {
  const what =
    method === 'direct' ? (peakTempC > BOILED_C ? 'boil' : 'stir') : method === 'waterBath' ? 'bath' : 'whisk'
  const ofM3 = massG / 1e6 / HOT_G_PER_ML
  return { what, ofM3, times: ROOM[what], holdM3: ofM3 * ROOM[what] }
}
