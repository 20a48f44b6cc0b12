/**
 * A bath, or a plate that stays hot: what stands at a hot wall between two stirs. Conduction into a still mix reaches
 * δ = √(π·α·t) (integral method for a half space, from memory H); in there it is half as warm again as wall and mix.
 */

/** How heat goes through a curd, m²/s (after Choi & Okos, as `thermal/properties` has it at 70 °C). */
const ALPHA = 1.35e-7
/** The mix on its last way to the target is about so much under it, K (judgement). */
const UNDER_K = 8

/**
 * Depth that a wall warms between two stirs, m. @param everyS time between them
 * @example wallLayer(900) // 0.01954
 */
export const wallLayer = (everyS: number): number => Math.sqrt(Math.PI * ALPHA * everyS)

/**
 * Share of a mix that lies in that layer of a round bowl (a half ball): A·δ/V, half of it counted, as it thins out.
 * @param volumeM3 of the mix @example Math.round(100 * wallShare(6e-4, 900)) // 44
 */
export const wallShare = (volumeM3: number, everyS: number): number => {
  const radiusM = ((3 * volumeM3) / (2 * Math.PI)) ** (1 / 3)
  return Math.min(1, (3 * wallLayer(everyS)) / (2 * radiusM))
}

/** A mix that stands at a hot wall between two stirs. */
export interface StillAt {
  volumeM3: number
  everyS: number
  targetC: number
  wallC: number
  t60bC: number
  decadeK: number
}
export interface Edge {
  /** Share of the mix at the wall, and the share of its egg that is overset as it is stirred in. */
  share: number
  overset: number
}
/**
 * What stands at the edge of a bath before it is stirred: b = 1 − exp(−t/60 · 10^((T_edge − T60b)/k)), for the layer.
 * @param t60bC where over-setting takes a minute @param decadeK kelvin of a tenfold rate
 * @example edgeOf({ volumeM3: 6e-4, everyS: 900, targetC: 82, wallC: 95, t60bC: 87, decadeK: 3.2 }).share // 0.4446
 */
export function edgeOf({ volumeM3, everyS, targetC, wallC, t60bC, decadeK }: StillAt): Edge {
  const edgeC = (targetC - UNDER_K + wallC) / 2
  const b = 1 - Math.exp((-everyS / 60) * 10 ** ((edgeC - t60bC) / decadeK))
  const share = wallShare(volumeM3, everyS)
  return { share, overset: share * b }
}
