/**
 * Getting it out: whether a piece leaves its mould, and how. A grip by the wall and what it was coated with, eased by
 * draft, loose base and a set that holds together; all of it common practice put into numbers (L).
 */
import { type Bench, vesselOf } from '../formula/bench'
import type { Coat } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import type { Material } from '../physics/geometry/cavity'

export const RELEASES = ['lifts', 'cloth', 'freezer', 'stays'] as const
/** Lifts off; after a hot cloth; after 20–25 min in the freezer and about an hour back in the fridge; not whole. */
export type ReleaseWord = (typeof RELEASES)[number]

export interface Release {
  word: ReleaseWord
  /** Grip over what the set bears: under .25 it lifts, under .6 a cloth does, under 1.2 the freezer. */
  grip: number
  /** What is poured thin runs out between ring or loose base and tray. */
  leaks: boolean
}

/** How a bare wall grips (judgement). */
const WALL: Record<Material, number> = { metal: 0.5, glass: 0.6, ceramic: 0.6, plastic: 0.5, silicone: 0.25 }
/** What a coat leaves of it. */
const COAT: Record<Coat, number> = { greased: 0.5, paper: 0.3, film: 0.25, rinsed: 0.7 }
/** Walls that lean this much, or peel off, let go sooner; a loose base is pushed up. */
const DRAFT = { taper: 0.92, eases: 0.75, round: 0.85, loose: 0.5 } as const
/** A set of so many Pa, corrected for its air, holds together as it is lifted; softer ones tear sooner. */
const HOLDS_PA = 600
const EDGES: readonly (readonly [number, ReleaseWord])[] = [[0.25, 'lifts'], [0.6, 'cloth'], [1.2, 'freezer']]
/** Minutes in the freezer, and back in the fridge before it is served (common practice). */
export const FREEZER_MIN: readonly [number, number] = [20, 25]
export const BACK_MIN = 60

/** Rings have no base of their own. */
const RINGS = ['tartRing']
/**
 * Whether a piece has to leave its vessel before it is cut or served.
 * @example leavesMould(doc, kitchen) // false
 */
export const leavesMould = (doc: Bench, kitchen: Kitchen): boolean =>
  doc.use.kind === 'turnedOut'
  || (doc.use.kind === 'cut' && ['tartRing', 'tartShell', 'mould'].includes(vesselOf(doc, kitchen).kind))

/**
 * How a piece is got out; null where it stays in its vessel.
 * @param coldStarPa its set from the cold, corrected for air, Pa
 * @example releaseOf(doc, kitchen, 800) // null
 */
export function releaseOf(doc: Bench, kitchen: Kitchen, coldStarPa: number): Release | null {
  if (!leavesMould(doc, kitchen)) return null
  const v = vesselOf(doc, kitchen)
  const { assembly } = doc
  const isRing = RINGS.includes(v.kind)
  const loose = isRing || (assembly.looseBase ?? false)
  // A crust up the sides is what meets the wall: baked, it has let go of it.
  const shell = assembly.crustM > 0 && assembly.crustForm === 'shell'
  const shape = v.kind === 'bowl' || v.kind === 'stemmed' ? DRAFT.round : v.taper < DRAFT.taper ? DRAFT.eases : 1
  const wall = shell ? 0.1 : WALL[v.material] * (assembly.coat ? COAT[assembly.coat] : 1)
  const holds = Math.min(2, Math.max(0.25, coldStarPa / HOLDS_PA))
  const grip = (wall * shape * (loose ? DRAFT.loose : 1)) / holds
  return {
    grip,
    word: EDGES.find(([under]) => grip < under)?.[1] ?? 'stays',
    leaks: loose && assembly.crustM === 0 && assembly.coat !== 'paper' && assembly.coat !== 'film',
  }
}
