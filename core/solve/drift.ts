/**
 * What a kitchen does differently from one day to the next: its heat, and its cold. Each is the plan taken up again
 * with one σ more of it, from the stage it touches; what it moves (the egg's doses, the state of every setter, the
 * steam) is taken as a straight line between, so that hundreds of draws cost less than two assessments.
 */
import { PARAMETER_TABLE, type Parameters } from '../base/parameters'
import { FIELDS } from '../base/fields'
import type { Bench } from '../formula/bench'
import { LN_BURNER_SIGMA, MEASURED_OVEN_SIGMA_K, OVEN_SIGMA_K } from '../kitchen/spreads'
import { dosesSum } from '../physics/heat/egg'
import type { SetState } from '../physics/set/firmness'
import type { Worked } from '../pipeline/assess'
import { HC_LN_SIGMA } from '../pipeline/chill'
import { chillPredicted } from '../pipeline/chilled'
import { type Heated, heatStage } from '../pipeline/heated'
import { setStage } from '../pipeline/settled'

/** One σ of a time read off a clock that nobody watches, of its logarithm (judgement). */
const LN_TIME_SIGMA = 0.05

/** States of the setters that time and temperature move. */
const MOVED = ['butter', 'cream', 'casein', 'starch', 'gelatin'] as const
type Moved = Pick<SetState, (typeof MOVED)[number]>

/** What one σ moves: temperatures that would count as much for the egg, K; states; steam, as its logarithm. */
export interface Drift {
  shiftA: number
  shiftB: number
  cold: Moved
  plate: Moved
  lnSteam: number
}

const difference = (to: SetState, from: SetState): Moved =>
  Object.fromEntries(MOVED.map(k => [k, to[k] - from[k]])) as unknown as Moved

/** A dose that is so much larger counts as so many kelvin more. */
const shiftOf = (to: number, from: number, zK: number) => (to > 0 && from > 0 ? zK * Math.log10(to / from) : 0)

/** What a plan comes to from another heat, or another cold, on. */
function moved(w: Worked, doc: Bench, heated: Heated, p: Parameters): Drift {
  const chilled = chillPredicted(doc, w.kitchen, heated, p)
  const { egg, cold, plate } = setStage(doc, w.kitchen, w.mixed, heated, chilled, p)
  const [a, b] = [w.settled.egg && dosesSum(w.settled.egg), egg && dosesSum(egg)]
  const { settingZK, oversettingZK } = w.parameters.egg
  const steam = (h: Heated) => Math.max(h.evaporatedG, 1e-9)
  return {
    shiftA: a && b ? shiftOf(b.a, a.a, settingZK) : 0,
    shiftB: a && b ? shiftOf(b.b, a.b, oversettingZK) : 0,
    cold: difference(cold.state, w.settled.cold.state),
    plate: difference(plate.state, w.settled.plate.state),
    lnSteam: Math.log(steam(heated) / steam(w.heated)),
  }
}

/** A plan heated with one σ more; null where nothing is heated, or its course is stated. */
function hotter({ bench, kitchen, parameters: p }: Worked): { doc: Bench, parameters: Parameters } | null {
  const { heat } = bench
  if ('given' in heat.course) return null
  const doc = (part: Partial<Bench['heat']>) => ({ doc: { ...bench, heat: { ...heat, ...part } }, parameters: p })
  const pot = (key: 'bathU' | 'microwaveShare' | 'pouchU') => ({
    doc: bench,
    parameters: { ...p, pot: { ...p.pot, [key]: p.pot[key] * Math.exp(PARAMETER_TABLE.pot[key].spread) } },
  })
  switch (heat.method) {
    case 'direct':
      return doc({ burnerW: Math.min(FIELDS['heat.burnerW'].max, heat.burnerW * Math.exp(LN_BURNER_SIGMA)) })
    case 'waterBath':
      return pot('bathU')
    case 'microwave':
      return pot('microwaveShare')
    case 'sousVide':
      return pot('pouchU')
    case 'oven': {
      const known = kitchen.ovens.some(o => o.id === heat.oven.ovenId)
      const airTempC = heat.oven.airTempC + (known ? MEASURED_OVEN_SIGMA_K : OVEN_SIGMA_K)
      const { timeS } = heat.oven
      return doc({ oven: {
        ...heat.oven,
        airTempC: Math.min(FIELDS['heat.oven.airTempC'].max, airTempC),
        timeS: 'given' in timeS
          ? { given: Math.min(FIELDS['heat.oven.timeS'].max, timeS.given * Math.exp(LN_TIME_SIGMA)) }
          : timeS,
      } })
    }
    case 'none':
      return null
  }
}

/** Convection of every cold place, one σ less. */
function stiller(p: Parameters): Parameters {
  const less = Math.exp(-HC_LN_SIGMA)
  const { domesticH, fanH, walkInH, blastH, freezerH } = p.cold
  return {
    ...p,
    cold: {
      ...p.cold,
      domesticH: domesticH * less,
      fanH: fanH * less,
      walkInH: walkInH * less,
      blastH: blastH * less,
      freezerH: freezerH * less,
    },
  }
}

/** What one σ of heat, and of still air in the cold, does to a plan. */
export function driftsOf(w: Worked): { heatSupply: Drift | null, convection: Drift } {
  const hot = hotter(w)
  return {
    heatSupply: hot && moved(w, hot.doc, heatStage(hot.doc, w.kitchen, w.mixed, hot.parameters), hot.parameters),
    convection: moved(w, w.bench, w.heated, stiller(w.parameters)),
  }
}

/** A state moved by drifts, each by its own σ; no share leaves 0 to 1 by it. */
export function drifted(s: SetState, moves: readonly { by: Moved, sigmas: number }[]): SetState {
  const out = { ...s }
  for (const key of MOVED) {
    const to = moves.reduce((x, { by, sigmas }) => x + sigmas * by[key], s[key])
    out[key] = Math.min(Math.max(1, s[key]), Math.max(0, to))
  }
  return out
}
