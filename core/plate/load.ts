/**
 * What each level of a piece does under all that lies on it. A pile slumps at a depth by the stress there alone, so a
 * level loses what a pile of its own stuff loses between the depths its top and its bottom answer to:
 *
 *   z = Σ(ρ·h over it)/ρ,   lost = [S(h + z)·(h + z) − S(z)·z]/h
 *
 * with S the share a free pile loses (`tableSlump`); with nothing on it that is S(h) itself.
 */
import { type Elastic, G, tableSlump, type UseKind } from '../physics/set/bands'

/** A level for its load: thickness, weight, and what holds it; null: it is stiff. */
export interface Loaded { thickM: number, density: number, pa: number | null, elastic: Elastic }

/** Soft ground bears 5.14 times its yield stress before it is pushed aside (Prandtl 1921, from memory H). */
const BEARS = 5.14
/** Knocks and carrying: the same allowance as a piece that stands. */
const ALLOWED = 2
/** What is poured on stays on top of what no longer pours, Pa (the spoonable band's edge). */
const HOLDS_A_POUR_PA = 40

/**
 * Weight on a level from above, Pa.
 * @example weightOn([{ thickM: 0.02, density: 1000 }, { thickM: 0.03, density: 500 }], 0) // 147.2
 */
export const weightOn = (levels: readonly Pick<Loaded, 'thickM' | 'density'>[], i: number): number =>
  G * levels.slice(i + 1).reduce((s, l) => s + l.thickM * l.density, 0)

/**
 * Share of its thickness each level loses, from the bottom up.
 * @example lostUnder([{ thickM: 0.025, density: 1100, pa: 300, elastic: { share: 0, tearsAt: 1 } }], 'cut') // [0]
 */
export function lostUnder(levels: readonly Loaded[], kind: UseKind): number[] {
  // In a glass nothing can sink sideways.
  if (kind === 'glass') return levels.map(() => 0)
  return levels.map((l, i) => {
    const { pa, density, thickM, elastic } = l
    if (pa === null || !(thickM > 0)) return 0
    const z = weightOn(levels, i) / (density * G)
    const pile = (h: number) => (h > 0 ? tableSlump(pa, density, h, kind, elastic) * h : 0)
    return Math.min(1, Math.max(0, (pile(thickM + z) - pile(z)) / thickM))
  })
}

/**
 * Radius of a sheet rolled up, m: πr² = width·thickness.
 * @example rollRadius(0.28, 0.015) // 0.03656
 */
export const rollRadius = (widthM: number, thickM: number): number => Math.sqrt((widthM * thickM) / Math.PI)

/**
 * Share that the fillings of a roll are squeezed out by its weight: a film of yield stress τ, thickness h and
 * half-width b bears q = τ·b/h between plates (a yield fluid squeezed, from memory M), under ρ·g·D/2 of what lies
 * over its middle.
 * @param widthM of the sheet along which it is rolled: D = √(4·width·thickness/π)
 * @example lostInRoll([{ thickM: 0.01, density: 330, pa: null, elastic: { share: 0, tearsAt: 1 } }], 0.28) // [0]
 */
export function lostInRoll(levels: readonly Loaded[], widthM: number): number[] {
  const thickM = levels.reduce((s, l) => s + l.thickM, 0)
  const radiusM = rollRadius(widthM, thickM)
  const density = levels.reduce((s, l) => s + l.density * l.thickM, 0) / thickM
  const q = density * G * radiusM
  return levels.map(l => (l.pa === null ? 0 : Math.max(0, 1 - (l.pa * radiusM) / (q * l.thickM))))
}

/**
 * Yield stress a level needs before the next goes on, Pa: a pour does not stir it, and what is heavier than itself does
 * not sink into it while ring or tin hold the sides.
 * @param heavier weight of what comes over as much of its own kind, Pa
 * @example carriesPa(500) // 194.6
 */
export const carriesPa = (heavier: number): number => Math.max(HOLDS_A_POUR_PA, (ALLOWED * heavier) / BEARS)
/**
 * By how much what comes is heavier than as much of the level itself, Pa.
 * @example heavierThan([{ thickM: 0.02, density: 600 }, { thickM: 0.01, density: 1100 }], 0) // 49.05
 */
export const heavierThan = (levels: readonly Pick<Loaded, 'thickM' | 'density'>[], i: number): number =>
  G * levels.slice(i + 1).reduce((s, l) => s + l.thickM * Math.max(0, l.density - levels[i]!.density), 0)
