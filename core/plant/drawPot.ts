/** Pots as kitchens have them, drawn by seed: what is stated, and the truth behind it. */
import { noiseOf, type Noise } from '../base/noise'
import type { PotStated, PotTruth, ProbeTruth } from './pot'

/** What a cook makes, stated, with where it starts and where it is to end, °C. */
export interface PotCase {
  stated: PotStated
  startTempC: number
  targetTempC: number
  truth: PotTruth
  probe: ProbeTruth
  /** Seconds between readings. */
  everyS: number
}

/** Steel of 1.2 mm in the base and a wall .45 of its width high, J/K. */
const panCapacity = (diameterM: number) => (0.25 + 0.45) * Math.PI * diameterM ** 2 * 0.0012 * 7900 * 480

/** Spreads of the truth over what is stated: the core's own, and judgement where it has none. */
function truthOf(noise: Noise, startTempC: number, riseS: number, method: PotStated['method']): PotTruth {
  const ln = (sigma: number) => Math.exp(sigma * noise.normal())
  const cycling = method === 'direct' && noise.chance(0.5)
  // One in three turns the knob once, before half of the rise; one in five lifts the pan for a moment.
  const turned = method !== 'microwave' && noise.chance(0.33)
    ? [{ atS: noise.between(0.08, 0.35) * riseS, power: noise.between(0.6, 1.6) }] : []
  const before = turned[0]?.power ?? 1
  const liftS = noise.between(0.1, 0.3) * riseS
  const lifted = method !== 'microwave' && noise.chance(0.2)
    ? [
        { atS: liftS, power: 0 },
        { atS: liftS + noise.between(8, 25), power: turned[0] && turned[0].atS < liftS ? before : 1 },
      ]
    : []
  return {
    burnerFactor: ln(0.2),
    panFactor: ln(0.25) * (noise.chance(0.2) ? noise.between(1.3, 2) : 1),
    massFactor: ln(0.02),
    evaporationFactor: ln(0.15),
    lossFactor: ln(0.2),
    bathDropK: noise.between(0.2, 2),
    bathFactor: ln(0.2),
    stirWPerKKg: noise.between(60, 220),
    burnerLagS: noise.between(1, 20),
    cycleS: cycling ? noise.between(6, 25) : 0,
    duty: noise.between(0.45, 0.9),
    startTempC: startTempC + 1.5 * noise.normal(),
    roomTempC: 20 + 2 * noise.normal(),
    turns: [...turned, ...lifted].sort((a, b) => a.atS - b.atS),
  }
}

/** @example drawPot(3).stated.method // 'microwave' */
export function drawPot(seed: number): PotCase {
  const noise = noiseOf(seed)
  const method = (['waterBath', 'direct', 'direct', 'microwave'] as const)[seed % 4]!
  const massG = Math.round(noise.between(350, 2200))
  const volumeM3 = massG / 1.06e6
  const diameterM = Math.max(0.14, ((12 * volumeM3) / Math.PI) ** (1 / 3)) * noise.between(0.95, 1.25)
  const startTempC = noise.between(8, 24)
  // A wide bowl on a bath hardly gets past 85 °C: what it is asked for lies where it still climbs.
  const targetTempC = method === 'waterBath' ? noise.between(74, 80) : noise.between(76, 86)
  const waterShare = noise.between(0.35, 0.6)
  const cp = 1800 + 2400 * waterShare
  const stated: PotStated = {
    massG,
    waterG: waterShare * massG,
    cp,
    surfaceM2: (Math.PI * diameterM ** 2) / 4,
    panCapacity: panCapacity(diameterM),
    method,
    burnerW: Math.round(method === 'microwave' ? noise.between(600, 1000) : noise.between(250, 450) * massG / 600),
    altitudeM: noise.chance(0.1) ? 900 : 50,
    waterActivity: noise.between(0.9, 0.97),
  }
  const powerW = method === 'microwave' ? 0.41 * stated.burnerW : method === 'direct' ? stated.burnerW : 350
  const riseS = ((massG / 1000) * cp + stated.panCapacity) * (targetTempC - startTempC) / powerW
  return {
    stated,
    startTempC,
    targetTempC,
    truth: truthOf(noise, startTempC, riseS, method),
    probe: {
      biasK: 0.8 * noise.normal(),
      lagS: noise.between(2, 12),
      noiseK: noise.between(0.05, 0.3),
      deep: noise.between(0, 0.5),
      stepK: noise.chance(0.5) ? 0.1 : 0.5,
    },
    everyS: noise.chance(0.5) ? 1 : noise.between(2, 6),
  }
}
