/** A bowl or trifle put together from parts by volume: what it needs, what runs over, and the factor that fits. */

/** Left free under the rim, as a share of what a bowl holds, so that it can be carried (common practice). */
export const BOWL_ROOM = 0.05

export interface BowlPlan {
  /** All parts together, m³, and the least bowl for them, with room under its rim. */
  needM3: number
  bowlM3: number
  /** Over what this bowl takes, m³; 0: it fits. */
  overM3: number
  /** Of everything, to fill this bowl; 1 where all of it is just right. */
  factor: number
}

/**
 * Parts by the volume they lie in, m³, against a bowl.
 * @param holdsM3 to the rim @throws nothing: parts of no volume count for nothing
 * @example bowlPlan([0.002, 0.0013], 0.0026).factor // 0.75
 */
export function bowlPlan(partsM3: readonly number[], holdsM3: number): BowlPlan {
  const needM3 = partsM3.reduce((sum, v) => sum + Math.max(0, v), 0)
  const takesM3 = holdsM3 * (1 - BOWL_ROOM)
  return {
    needM3,
    bowlM3: needM3 / (1 - BOWL_ROOM),
    overM3: Math.max(0, needM3 - takesM3),
    factor: needM3 > 0 ? takesM3 / needM3 : 1,
  }
}
