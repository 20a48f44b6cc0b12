/** Live pots held against pots whose truth they do not know: at half of the rise, how right is the time to done? */
import { noiseOf } from '../../core/base/noise'
import { type LivePot, observe, outlook, startLive } from '../../core/live/pot'
import { canProbe, potLater, potMeanC, probeLater, probeShows, startPot } from '../../core/plant/pot'
import { drawPot, type PotCase } from '../../core/plant/drawPot'
import type { PotInput } from '../../core/physics/heat/pot'

/** What the filter is told: what is stated, nothing of the truth. */
export const planOf = ({ stated: s, startTempC, targetTempC }: PotCase): PotInput => ({
  massG: s.massG,
  waterG: s.waterG,
  cp: s.cp,
  pan: { heatCapacity: s.panCapacity, surfaceM2: s.surfaceM2 },
  startTempC,
  targetTempC,
  holdS: 0,
  method: s.method,
  burnerW: s.burnerW,
  roomTempC: 20,
  altitudeM: s.altitudeM,
  waterActivity: s.waterActivity,
})

export interface Trial {
  method: PotCase['stated']['method']
  /** Truth and what was foretold at half of the rise, s. */
  leftS: number
  saidS: number
  lowS: number
  highS: number
  /** Whether somebody turned the knob or lifted the pan on the way. */
  disturbed: boolean
}
/** A truth that takes longer never gets there, s. */
const MOST_S = 3 * 3600

/** One pot from the cold to its target. @returns null where the truth never gets there */
export function potTrial(seed: number): Trial | null {
  const c = drawPot(seed)
  const noise = noiseOf(seed + 500_000)
  const half = (c.truth.startTempC + c.targetTempC) / 2
  let pot = startPot(c.truth)
  let feltC = c.truth.startTempC
  let live: LivePot = startLive(planOf(c), seed + 1)
  let said: { atS: number, left: NonNullable<ReturnType<typeof outlook>['left'][0]> } | null = null
  let nextS = c.everyS
  while (potMeanC(pot) < c.targetTempC) {
    if (pot.timeS > MOST_S) return null
    pot = potLater(c.stated, c.truth, pot, 0.25)
    feltC = probeLater(c.probe, feltC, pot, 0.25)
    if (pot.timeS >= nextS) {
      nextS += c.everyS
      if (!said && canProbe(c.stated, pot.timeS))
        live = observe(live, { atS: pot.timeS, tempC: probeShows(c.probe, feltC, noise) })
    }
    if (!said && potMeanC(pot) >= half) {
      const left = outlook(live, [c.targetTempC]).left[0]
      // Said at the last reading, for what is left from now on.
      said = { atS: pot.timeS, left: left ?? { value: MOST_S, low: MOST_S, high: MOST_S } }
      const lateS = pot.timeS - live.timeS
      said.left = { value: said.left.value - lateS, low: said.left.low - lateS, high: said.left.high - lateS }
    }
  }
  return {
    method: c.stated.method,
    leftS: pot.timeS - said!.atS,
    saidS: said!.left.value,
    lowS: said!.left.low,
    highS: said!.left.high,
    disturbed: c.truth.turns.length > 0,
  }
}

export interface Held {
  runs: number
  /** Shares: said within 10 % of the truth; truths inside the stated 80 % range. */
  within: number
  covered: number
}
export function heldOf(trials: readonly Trial[]): Held {
  const share = (ok: (t: Trial) => boolean) => trials.filter(ok).length / Math.max(1, trials.length)
  return {
    runs: trials.length,
    within: share(t => Math.abs(t.saidS / t.leftS - 1) <= 0.1),
    covered: share(t => t.leftS >= t.lowS && t.leftS <= t.highS),
  }
}
