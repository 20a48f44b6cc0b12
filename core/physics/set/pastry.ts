/** Pastry and sponge as they are baked: what shrinks, what is put in against it, what bends. */

/** A side shrinks by this much rolled and baked at once, and by this much however long it has rested (practice, L). */
const SHRINKS = { fresh: 0.08, rested: 0.02, restMin: 30 } as const
/**
 * Share by which pastry shrinks in the oven after a rest in the cold: .02 + .06·e^(−t/30 min).
 * @example shrinks(30) // 0.04207
 */
export const shrinks = (restMin: number): number =>
  SHRINKS.rested + (SHRINKS.fresh - SHRINKS.rested) * Math.exp(-restMin / SHRINKS.restMin)
/** Without weights a cold side slumps by this share of its height, a soft one by twice that (common practice, L). */
const SLUMPS = 0.2
const COLD_AFTER_MIN = 20
/** @example slumps(30, false) // 0.2 */
export const slumps = (restMin: number, isWeighted: boolean): number =>
  (isWeighted ? 0 : SLUMPS * (restMin >= COLD_AFTER_MIN ? 1 : 2))

/** Dried beans and rice as they lie, kg/l (USDA: 180–195 g a cup). */
const WEIGHTS_KG_L = 0.8
/**
 * Weights that fill a lined shell to its rim, g.
 * @param volumeM3 inside the shell @example weightsG(1.131e-3) // 904.8
 */
export const weightsG = (volumeM3: number): number => volumeM3 * 1000 * WEIGHTS_KG_L * 1000

/** Crumb with less melted butterfat than this falls apart, with more it is greasy (common practice: 2 to 1 holds). */
export const CRUMB_FAT: readonly [number, number] = [0.2, 0.34]
/** Sugar melted in the butter sets between the crumbs: as much again holds as this share of its weight of fat. */
const SUGAR_BINDS = 0.5
/**
 * What binds a pressed crumb, share of its weight: butterfat, and half of the sugar melted with it.
 * @example binds({ fatG: 49.2, meltedSugarG: 0, massG: 180 }) // 0.2733
 */
export const binds = ({ fatG, meltedSugarG, massG }: { fatG: number, meltedSugarG: number, massG: number }): number =>
  (massG > 0 ? (fatG + SUGAR_BINDS * meltedSugarG) / massG : 0)

/** The first turn of a roll is about a thumb, m. */
const FIRST_TURN_M = 0.015
/** A sheet of a third water bends by so much, rolled warm by so much more (fitted to practice: 10 mm bends, L). */
const BENDS = { at: 0.33, strain: 0.3, warm: 1.25 } as const
export const BEND_WORDS = ['bends', 'mayCrack', 'cracks'] as const
export type BendWord = (typeof BEND_WORDS)[number]
/** Up to these shares of what it bears. */
const BEND_EDGES: readonly [number, number] = [0.75, 1]
/**
 * A sheet rolled up: strain of its outer face at the first turn, h/(2r + h), against what its water lets it bear.
 * @param moisture water as baked, share @example bendOf(0.01, 0.35, true).word // 'bends'
 */
export function bendOf(
  thickM: number, moisture: number, isWarm: boolean,
): { strain: number, bears: number, word: BendWord } {
  const strain = thickM / (2 * FIRST_TURN_M + thickM)
  const bears = BENDS.strain * (moisture / BENDS.at) ** 2 * (isWarm ? BENDS.warm : 1)
  const of = strain / Math.max(1e-6, bears)
  return { strain, bears, word: of <= BEND_EDGES[0] ? 'bends' : of <= BEND_EDGES[1] ? 'mayCrack' : 'cracks' }
}
/** Turns of a sheet rolled along so much of it into a roll of that radius: half the radii that lie over one another. */
export const turnsOf = (radiusM: number, thickM: number): number => radiusM / thickM

/** Syrup that a sponge takes up to be moist, and the most before it lets go of it, shares of its weight (practice). */
export const SOAKS: readonly [number, number] = [0.25, 0.4]
