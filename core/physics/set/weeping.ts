/**
 * Weeping (syneresis): how much clear liquid to expect, ordinal 0–10. The order and the causes are common practice; the
 * points are judgement, no measured volumes stand behind them.
 */
import { type Parameters, STANDARD } from '../../base/parameters'
import { GRAINY } from '../heat/egg'
import type { Mix } from '../matter/mix'
import type { Body, Mechanisms } from './firmness'

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

/** Starch that lets water go, and pH between which an acid gel of milk holds its own (judgement). */
const STARCH_WEEPS_C = 1.5
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
    if (points > 0.05) causes.push({ cause, points })
  }
  const total = Math.max(
    1e-9,
    Object.values(f).reduce((x, y) => x + y, 0),
  )
  const starchy = body.starchC > STARCH_WEEPS_C
  if (starchy) add('undercookedStarch', p.undercooked * (1 - body.starchCooked))
  if (starchy && body.making.amylase) add('amylase', p.amylase)
  if (starchy && frozen) add('frozenStarch', p.frozenStarch)
  if (body.eggC > 1 && frozen && body.making.stirred === false) add('frozenEgg', p.frozenEgg)
  if (body.eggC > 1) add('overcookedEgg', b > GRAINY / 2 ? p.overcooked * b : 0)
  const milk = (f.caseinPa + f.creamFatPa) / total
  if (body.caseinC > 2 && milk > 0.3) {
    add('acidCurdles', body.pH < ACID_HOLDS_PH[0] ? Math.min(6, p.acid * (ACID_HOLDS_PH[0] - body.pH)) : 0)
    add('acidShort', body.pH > ACID_HOLDS_PH[1] ? Math.min(6, p.acid * (body.pH - ACID_HOLDS_PH[1])) : 0)
  }
  add('agar', f.agarPa > 0 ? (p.agar * f.agarPa) / total + (body.making.fluidGel ? 0 : p.agarSet) : 0)
  const sum = causes.reduce((s, c) => s + c.points, 0)
  // Fat, sugar and gelatin hold water.
  const held =
    (1 - p.fatHolds * Math.min(1, m.grams.fat / m.massG / 0.4)) *
    (1 - p.sugarHolds * Math.min(1, body.phases.sugarShare / 0.5)) *
    (1 - p.gelatinHolds * Math.min(1, f.gelatinPa / total))
  return { score: Math.min(10, sum * held), causes: causes.sort((x, y) => y.points - x.points) }
}
