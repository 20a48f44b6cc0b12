/**
 * A pot as it might really be: the truth behind the simulated kitchen, for demonstrations and for proving what reads
 * it. It shares tables with the model that predicts (vapour pressure, evaporation heat) and nothing else: five nodes
 * instead of one, classic Runge–Kutta steps of ¼ s instead of Heun's, a burner that lags and cycles, strokes of the
 * spoon, a probe with a place of its own.
 *
 *   element  Ṗ = (P_set·cycle − P)/τ_e
 *   base     C_b·Ṫ_b = P − h_b·A·(T_b − T_l) − 3·A·(T_b − T_a)      (on a bath: U_s·1.4A·(T_s − T_b), at most what
 *           the flame makes steam of)
 *   layer    m_l·cp·Ṫ_l = h_b·A·(T_b − T_l) − G·(T_l − T_u)         the share of the mix next to the base
 *   bulk     (m_u·cp + C_w)·Ṫ_u = G·(T_l − T_u) − surface − sides − steam
 *   water    ṁ = −h_m·A·(ρ_s − ρ_a) below the boil; at the boil what heat is left over
 *
 * A microwave heats layer and bulk at once, unevenly, in bursts; the whisk between them mixes all of it.
 */
import { airPressure, boilingPoint, evaporationHeat, R_VAPOUR, saturationPressure } from '../physics/thermal/steam'
import type { Noise } from '../base/noise'

/** What is true of a pot and nobody has measured; factors are true over stated. */
export interface PotTruth {
  burnerFactor: number
  /** Of the pan's heat capacity. */
  panFactor: number
  massFactor: number
  evaporationFactor: number
  /** Losses of sides and surface other than steam. */
  lossFactor: number
  /** How far under its boil the bath's steam stays, K; how well it gives its heat to the bowl. */
  bathDropK: number
  bathFactor: number
  /** Exchange between the layer at the base and the rest, W/(K·kg): a spoon that never rests 200, a lazy one 40. */
  stirWPerKKg: number
  /** How long the burner takes to follow its knob, s, and how long one of its cycles is, s; 0: it does not cycle. */
  burnerLagS: number
  cycleS: number
  /** Share of a cycle in which it is on; its power then is higher, so that the mean is as set. */
  duty: number
  startTempC: number
  roomTempC: number
  /** Turns of the knob and lifts off the heat: from then on so many times the power that was set first. */
  turns: readonly { atS: number, power: number }[]
}

/** What is stated of it: the plan. */
export interface PotStated {
  massG: number
  waterG: number
  cp: number
  surfaceM2: number
  panCapacity: number
  method: 'waterBath' | 'direct' | 'microwave'
  burnerW: number
  altitudeM: number
  waterActivity: number
}

export interface PotState {
  timeS: number
  /** Element, W; base, layer and bulk, °C; water gone, kg. */
  y: [number, number, number, number, number]
}

/** Share of the mix that lies at the base. */
const LAYER = 0.15
/** Base of the pan over all of its metal. */
const BASE_SHARE = 0.6
/** Film between base and mix, W/(m²·K). */
const FILM_H = 450
/** A bath's steam to the bowl, W/(m²·K): with the film 250 in all. */
const STEAM_H = 562
/** What a bath gives at most, W; heated over open surface of a bowl. */
const BATH_W = 700
const BOWL = 1.4
/** Share of a microwave's rating that heats; bursts and whisking, s; share of its heat that the outer layer takes. */
const MICROWAVE = { share: 0.72, onS: 20, whiskS: 15, outer: 0.28 }
/** Stefan–Boltzmann constant, W/(m²·K⁴) (CODATA). */
export const STEFAN = 5.67e-8
const EMISSIVITY = 0.93
const STEP_S = 0.25

const meanC = ([, , layer, bulk]: PotState['y']): number => LAYER * layer + (1 - LAYER) * bulk

/** Power set at a time, as a multiple of the first. */
function turned(turns: PotTruth['turns'], timeS: number): number {
  let power = 1
  for (const t of turns) if (t.atS <= timeS) power = t.power
  return power
}
/** Whether a microwave is on, and whether it is being whisked. */
const burst = (timeS: number) => ({ isOn: timeS % (MICROWAVE.onS + MICROWAVE.whiskS) < MICROWAVE.onS })

/** The right side of the equations above. */
function slopes(s: PotStated, t: PotTruth, timeS: number, y: PotState['y'], boilC: number): PotState['y'] {
  const [power, base, layer, bulk, gone] = y
  const massKg = Math.max(0.02, (s.massG * t.massFactor) / 1000 - gone)
  // Sugar and fat take up a little more heat as they warm (Choi and Okos, from memory).
  const cp = s.cp * (1 + 0.0003 * (bulk - 60))
  const knob = turned(t.turns, timeS) * t.burnerFactor
  const isOn = t.cycleS === 0 || timeS % t.cycleS < t.duty * t.cycleS
  const isMicrowave = s.method === 'microwave'
  const microwaving = isMicrowave && burst(timeS).isOn
  const set = s.method === 'direct' ? knob * s.burnerW * (isOn ? (t.cycleS === 0 ? 1 : 1 / t.duty) : 0) : 0
  const steamC = boilingPoint(s.altitudeM) - t.bathDropK
  const bath = s.method === 'waterBath'
    ? Math.min(t.bathFactor * STEAM_H * BOWL * s.surfaceM2 * Math.max(0, steamC - base), knob * BATH_W) : 0
  const field = microwaving ? knob * s.burnerW * MICROWAVE.share : 0
  const contactM2 = s.method === 'waterBath' ? BOWL * s.surfaceM2 : s.surfaceM2
  const toLayer = FILM_H * contactM2 * (base - layer)
  // A spoon goes round every couple of seconds; a whisk between bursts mixes all of it.
  const stroke = isMicrowave ? (microwaving ? 0.1 : 6) : 1 + 0.35 * Math.sin(2.4 * timeS)
  const exchange = t.stirWPerKKg * massKg * stroke * (layer - bulk)
  const dT = Math.max(0, bulk - t.roomTempC)
  const surface = STEFAN * EMISSIVITY * ((bulk + 273.15) ** 4 - (t.roomTempC + 273.15) ** 4)
    + 1.2 * Math.max(dT, 0.01) ** 0.25 * dT
  const dry = t.lossFactor * (surface * s.surfaceM2 + 0.5 * dT * Math.sqrt(s.surfaceM2))
  const room = 0.5 * saturationPressure(t.roomTempC) / (R_VAPOUR * (t.roomTempC + 273.15))
  const density = s.waterActivity * saturationPressure(bulk) / (R_VAPOUR * (bulk + 273.15))
  // Steam drives its own draught the faster the more there is of it in the air over the pan.
  const crowd = 1 / Math.max(0.08, 1 - 0.9 * s.waterActivity * saturationPressure(bulk) / airPressure(s.altitudeM))
  const open = 0.0023 * (dT / 60) ** (1 / 3) * t.evaporationFactor * crowd
  const isDry = gone > 0.0009 * s.waterG
  const steam = isDry ? 0 : Math.max(0, open * s.surfaceM2 * (density - room))
  const bulkIn = exchange + field * (1 - MICROWAVE.outer)
  const net = bulkIn - dry - steam * evaporationHeat(bulk)
  const boiling = bulk >= boilC && net > 0
  const pan = s.panCapacity * t.panFactor
  return [
    (set - power) / Math.max(0.5, t.burnerLagS),
    (power + bath - toLayer - (s.method === 'direct' ? 3 * s.surfaceM2 * (base - t.roomTempC) : 0)) / (BASE_SHARE * pan),
    (toLayer - exchange + field * MICROWAVE.outer) / (LAYER * massKg * cp),
    boiling ? 0 : net / ((1 - LAYER) * massKg * cp + (1 - BASE_SHARE) * pan),
    isDry ? 0 : steam + (boiling ? net / evaporationHeat(bulk) : 0),
  ]
}

/** A pot as it is put on. @example startPot(drawPot(3).truth).timeS // 0 */
export const startPot = (t: PotTruth): PotState =>
  ({ timeS: 0, y: [0, t.startTempC, t.startTempC, t.startTempC, 0] })

/** The pot some time later. @param seconds a multiple of ¼ s */
export function potLater(s: PotStated, t: PotTruth, state: PotState, seconds: number): PotState {
  const boilC = boilingPoint(s.altitudeM, s.waterActivity)
  let { timeS, y } = state
  const plus = (k: PotState['y'], h: number) => y.map((v, i) => v + h * k[i]!) as PotState['y']
  for (let n = Math.round(seconds / STEP_S); n > 0; n--) {
    const k1 = slopes(s, t, timeS, y, boilC)
    const k2 = slopes(s, t, timeS + STEP_S / 2, plus(k1, STEP_S / 2), boilC)
    const k3 = slopes(s, t, timeS + STEP_S / 2, plus(k2, STEP_S / 2), boilC)
    const k4 = slopes(s, t, timeS + STEP_S, plus(k3, STEP_S), boilC)
    y = y.map((v, i) => v + (STEP_S / 6) * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!)) as PotState['y']
    timeS += STEP_S
  }
  return { timeS, y }
}

/** What the mix is on the whole, °C: what a cook who stirs and waits would find. */
export const potMeanC = (state: PotState): number => meanC(state.y)
/** Whether a microwave stands still, so that a probe can be put in. */
export const canProbe = (s: PotStated, timeS: number): boolean => s.method !== 'microwave' || !burst(timeS).isOn

/** A thermometer with its hidden truth: shown minus true, how slowly it follows, how it flickers, where it sits. */
export interface ProbeTruth {
  biasK: number
  lagS: number
  noiseK: number
  /** How much of what it feels is the layer at the base, 0–1; held high it is none. */
  deep: number
  /** What its display steps by, K. */
  stepK: number
}
/** What it feels after some seconds, °C. */
export function probeLater(p: ProbeTruth, feltC: number, { y }: PotState, seconds: number): number {
  const around = p.deep * y[2] + (1 - p.deep) * y[3]
  return around + (feltC - around) * Math.exp(-seconds / p.lagS)
}
/** What it shows, °C. */
export const probeShows = (p: ProbeTruth, feltC: number, noise: Noise): number =>
  Math.round((feltC + p.biasK + p.noiseK * noise.normal()) / p.stepK) * p.stepK
