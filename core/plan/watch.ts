/**
 * What to watch for at the stove: the pot as it is foretold, and the temperatures at which something happens to it.
 * What a live cook is held against.
 */
import { panOf } from '../formula/bench'
import { type Theta, thetaOf } from '../kitchen/spreads'
import { heatsInPan, meansBoil, type PotInput } from '../physics/heat/pot'
import { waterActivityOf } from '../physics/matter/solutes'
import { valueAt } from '../physics/thermal/conduction'
import type { Worked } from '../pipeline/assess'
import { takenToC } from '../pipeline/assessment'
import { potInputOf } from '../pipeline/heat'

export interface Watch {
  /** null: nothing is heated in a pan or bowl. */
  pot: PotInput | null
  /** What the probe is known to show too much, K. */
  biasK: number
  /** Of the mix itself, °C: coats a spoon, is where it is meant to be, turns grainy; null where there is none. */
  coatsC: number | null
  doneC: number
  grainyC: number | null
  holdS: number
  boils: boolean
  /** What the scale reads with pan and mix when enough has boiled off, g; null: it goes by time and temperature. */
  stopG: number | null
  tareG: number
  /** The pot foretold, s from its being put on. */
  timeS: readonly number[]
  tempC: readonly number[]
}

/**
 * What to watch for in a plan that was worked out.
 * @param learned what is known of the kitchen: how far its probe errs
 * @example watchOf(worked, {}).doneC // 80
 */
export function watchOf(worked: Worked, learned: Theta): Watch {
  const { bench, kitchen, parameters, mixed, heated, assessment: a } = worked
  const { heat } = bench
  const inPan = heatsInPan(heat.method)
  const { history } = heated.pot.run
  const tareG = panOf(bench, kitchen)?.tareG ?? 0
  const pot = inPan ? potInputOf(bench, kitchen, mixed.cooked, waterActivityOf(mixed.cooked), parameters) : null
  return {
    pot,
    biasK: thetaOf(learned, 'probeBiasK'),
    coatsC: inPan && a.heat.coatsS !== null ? valueAt(history.timeS, history.tempC, a.heat.coatsS) : null,
    doneC: takenToC(heat, a),
    grainyC: a.heat.grainyAtC,
    holdS: heat.holdS,
    boils: inPan && meansBoil(heat.targetTempC, kitchen.altitudeM),
    stopG: heat.until === 'creamVolume' ? a.heat.panG + tareG : null,
    tareG,
    timeS: history.timeS,
    tempC: history.tempC,
  }
}
