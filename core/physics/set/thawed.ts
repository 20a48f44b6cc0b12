/**
 * What is left of a set that was frozen and thawed, or stirred smooth out of its pack, by what carries it. After
 * thawing starch weeps and turns spongy, agar weeps, gelatine and egg come through well, acid milk gels grainier, what
 * is whipped and folded survives (common practice); the shares are judgement from that.
 */
import { STANDARD } from '../../base/parameters'
import { type MechanismKey, MECHANISMS, type Mechanisms, yieldStress } from './firmness'

const THAWED: Readonly<Record<MechanismKey, number>> = {
  eggPa: 0.85, butterPa: 0.95, hardFatPa: 0.95, caseinPa: 0.7, creamFatPa: 0.8, starchPa: 0.5, gelatinPa: 0.85,
  agarPa: 0.3, gumPa: 0.9, whipPa: 0.9, foamPa: 0.7,
}
/** What blending leaves of gelatine and agar are the set's own parameters. */
const { blendedGelatin, fluidGelLeft } = STANDARD.set
const STIRRED: Readonly<Record<MechanismKey, number>> = {
  eggPa: 0.9, butterPa: 0.75, hardFatPa: 0.75, caseinPa: 0.45, creamFatPa: 0.6, starchPa: 0.6,
  gelatinPa: blendedGelatin, agarPa: fluidGelLeft, gumPa: 0.9, whipPa: 0.8, foamPa: 0.5,
}
export const THAW_SIGNS = ['weeps', 'grainy'] as const
export type ThawSign = (typeof THAW_SIGNS)[number]
/** A mechanism that carries more than this of the set is seen when it goes (judgement). */
const SEEN = 0.2

const times = (m: Mechanisms, by: Readonly<Record<MechanismKey, number>>): Mechanisms =>
  Object.fromEntries(MECHANISMS.map(k => [k, m[k] * by[k]])) as Mechanisms

/**
 * Yield stress out of the pack, Pa: stirred smooth, and thawed before where it was frozen.
 * @example outOfPack({ ...NO_SET, eggPa: 100 }, true) // 76.5
 */
export const outOfPack = (m: Mechanisms, frozen: boolean): number =>
  yieldStress(times(frozen ? times(m, THAWED) : m, STIRRED))

/**
 * What is seen of it once thawed, beside its being thinner.
 * @example thawSigns({ ...NO_SET, starchPa: 100 }) // ['weeps']
 */
export function thawSigns(m: Mechanisms): ThawSign[] {
  const most = SEEN * yieldStress(m)
  const signs: ThawSign[] = []
  if (m.starchPa + m.agarPa > most) signs.push('weeps')
  if (m.caseinPa + m.creamFatPa > most) signs.push('grainy')
  return signs
}

/** A set that nothing carries. @example yieldStress(NO_SET) // 0 */
export const NO_SET = Object.fromEntries(MECHANISMS.map(k => [k, 0])) as Mechanisms
