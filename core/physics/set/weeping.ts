/**
 * Weeping (syneresis): how much clear liquid to expect, ordinal 0–10. The order and the causes are common practice; the
 * points are judgement, no measured volumes stand behind them.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import { GRAINY } from '../heat/egg'
import type { Mix } from '../matter/mix'
import type { Body, Mechanisms } from './firmness'
import { starchMean } from './starch'

export const WEEPING_CAUSES = [
  'undercookedStarch',
  'amylase',
  'frozenStarch',
  'overcookedEgg',
  'acidCurdles',
  'acidShort',
  'agar',
  'frozenEgg',
] as const
export type WeepingCause = (typeof WEEPING_CAUSES)[number]
export interface Weeping {
  score: number
  causes: { cause: WeepingCause, points: number }[]
}

/** g per 100 g from which starch and egg let water go, and all of it counts (judgement). */
const STARCH_WEEPS_C: readonly [number, number] = [1, 2]
const EGG_WEEPS_C: readonly [number, number] = [0.5, 1.5]
/** Casein, and its share of the set, from which an acid gel weeps, and all of it does (judgement). */
const MILK_WEEPS_C: readonly [number, number] = [1.5, 2.5]
const MILK_CARRIES: readonly [number, number] = [0.2, 0.4]
/** Causes under as many points are not named. */
const TOLD_POINTS = 0.05
/** Agar that carries as much lets its water go, Pa (judgement). */
const AGAR_COUNTS_PA = 50
/** 0 up to one value, 1 from the next. */
const ramp = (x: number, [low, high]: readonly [number, number]) =>
  Math.min(1, Math.max(0, (x - low) / (high - low)))
/** pH between which an acid gel of milk holds its own (judgement). */
const ACID_HOLDS_PH: readonly [number, number] = [3.8, 4.9]

/** Expected weeping. @param m finished mix @param f what carries the set @param frozen it has been frozen */
export function weepingOf(
  m: Mix,
  body: Body,
  f: Mechanisms,
  b: number,
  frozen: boolean,
  p: Parameters['weeping'] = STANDARD.weeping,
): Weeping {
  const causes: Weeping['causes'] = []
  const add = (cause: WeepingCause, points: number) => {
    if (points > 0) causes.push({ cause, points })
  }
  const total = Math.max(
    1e-9,
    Object.values(f).reduce((x, y) => x + y, 0),
  )
  const starchy = ramp(body.starchC, STARCH_WEEPS_C)
  add('undercookedStarch', starchy * p.undercooked * (1 - body.starchCooked))
  add('amylase', starchy * p.amylase * body.making.amylase)
  if (frozen) add('frozenStarch', starchy * p.frozenStarch * starchMean(m, row => row.starchKind?.weeps ?? 1))
  if (body.eggC > 1 && frozen && body.making.stirred === false) add('frozenEgg', p.frozenEgg)
  add('overcookedEgg', (ramp(body.eggC, EGG_WEEPS_C) * p.overcooked * Math.max(0, b - GRAINY / 2)) / (1 - GRAINY / 2))
  const milk = (f.caseinPa + f.creamFatPa) / total
  const milky = ramp(body.caseinC, MILK_WEEPS_C) * ramp(milk, MILK_CARRIES)
  add('acidCurdles', milky * Math.min(6, p.acid * Math.max(0, ACID_HOLDS_PH[0] - body.pH)))
  add('acidShort', milky * Math.min(6, p.acid * Math.max(0, body.pH - ACID_HOLDS_PH[1])))
  const unblended = body.making.fluidGel ? 0 : p.agarSet * Math.min(1, f.agarPa / AGAR_COUNTS_PA)
  add('agar', (p.agar * f.agarPa) / total + unblended)
  const sum = causes.reduce((s, c) => s + c.points, 0)
  // Fat, sugar and gelatin hold water.
  const held =
    (1 - p.fatHolds * Math.min(1, m.grams.fat / m.massG / 0.4)) *
    (1 - p.sugarHolds * Math.min(1, body.phases.sugarShare / 0.5)) *
    (1 - p.gelatinHolds * Math.min(1, f.gelatinPa / total))
  const told = causes.filter(c => c.points > TOLD_POINTS).sort((x, y) => y.points - x.points)
  return { score: Math.min(10, sum * held), causes: told }
}
