/**
 * How a mix was made, as far as its set depends on it: what the document states, and otherwise what follows from
 * steps and heat.
 */
import { is, part } from '../base/ingredients/ingredients'
import type { CompositionKey } from '../base/ingredients/types'
import { type Parameters, STANDARD } from '../base/parameters'
import type { Bench } from '../formula/bench'
import { given } from '../formula/document'
import type { History } from '../physics/heat/dose'
import { amylaseSurvives, milkHeatOf, peakOf } from '../physics/heat/milk'
import type { MixPart } from '../physics/matter/mix'
import type { Making } from '../physics/set/firmness'
import type { Mixed } from './mixed'

/** Under this much starch there is nothing to thin, share of the whole. */
const STARCH_FILLING = 0.01

const grams = (parts: readonly MixPart[], key: CompositionKey) =>
  parts.reduce((s, p) => s + (p.massG * part(p.row, key)) / 100, 0)
const hasWhites = (parts: readonly MixPart[]) =>
  parts.some(p => is(p.row, 'white'))

/** Temperature histories that a filling's making follows from: of what was heated, and of the whole afterwards. */
export interface Paths {
  heated: History
  after: History
  /** Seconds from the end of the heat at which each addition was in. */
  joinedS: readonly number[]
}

/** Two histories one after the other. */
const joinedTo = (first: History, then: History): History => {
  const endS = first.timeS.at(-1)!
  return {
    timeS: [...first.timeS, ...then.timeS.slice(1).map(t => t + endS)],
    tempC: [...first.tempC, ...then.tempC.slice(1)],
  }
}
/** A history from some time on. */
const from = (h: History, s: number): History => {
  const i = h.timeS.findIndex(t => t >= s - 1e-9)
  return i < 0 ? { timeS: [0], tempC: [h.tempC.at(-1)!] } : { timeS: h.timeS.slice(i), tempC: h.tempC.slice(i) }
}

/** The making of a formula: what its plan states, and otherwise what follows from its steps and its heat. */
export function makingOf(
  doc: Bench,
  { plan, cookedPH }: Mixed,
  paths: Paths,
  p: Parameters = STANDARD,
): Making {
  const { set, heat } = doc
  const { all, cooked } = plan
  const massG = all.reduce((s, p) => s + p.massG, 0)
  // The heat that the yolk, and the starch, went through.
  const whole = joinedTo(paths.heated, paths.after)
  const pathOf = (key: 'yolkProtein' | 'starch'): History => {
    const late = plan.additions.findIndex(a => grams(a.parts, key) > grams(cooked, key))
    return late < 0 ? whole : from(paths.after, paths.joinedS[late] ?? 0)
  }
  const whipped = plan.additions.filter(a => a.overrun > 0)
  const airMl = whipped.reduce(
    (s, a) =>
      s +
      a.parts.reduce((v, x) => v + x.massG, 0) *
      a.overrun *
      (hasWhites(a.parts) ? p.milk.keptWhites : p.milk.keptCream),
    0,
  )
  const whippedFatG = whipped.reduce(
    (s, a) =>
      s +
      grams(
        a.parts.filter(p => p.row.group === 'dairy'),
        'milkFat',
      ),
    0,
  )
  const starchy = grams(all, 'starch') > STARCH_FILLING * massG && grams(all, 'yolkProtein') > 0
  return {
    stirred: given(set.stirred) ?? heat.method !== 'oven',
    milkHeat: milkHeatWeighted(
      all,
      cooked,
      given(set.milkHeat) ?? milkHeatOf(paths.heated, p.milk),
      given(set.milkHeat) !== null,
    ),
    air: given(set.air) ?? airMl / (airMl + massG),
    whippedFat: given(set.whippedFat) ?? whippedFatG / massG,
    whiteFoam: given(set.whiteFoam) ?? whipped.some(a => hasWhites(a.parts)),
    starch:
      given(set.starch) ?? (grams(all, 'starch') > 0 ? peakOf(pathOf('starch')) : { peakTempC: 20, minutes: 0 }),
    acidBoiled: given(set.acidBoiled) ?? cookedPH < 4.5,
    amylase: given(set.amylase) ?? (starchy && amylaseSurvives(pathOf('yolkProtein'), p.starch)),
    bloom: set.bloom,
    fluidGel: set.fluidGel,
  }
}

/**
 * Heat treatment weighted by casein: what an ingredient has had before it came stays with it; the pot adds to what
 * was in it.
 */
function milkHeatWeighted(all: readonly MixPart[], cooked: readonly MixPart[], h: number, stated: boolean): number {
  const inPot = new Set(cooked)
  let casein = 0
  let sum = 0
  for (const p of all) {
    const g = (p.massG * part(p.row, 'casein')) / 100
    casein += g
    sum += g * Math.max(p.row.milkHeat ?? 0, stated || inPot.has(p) ? h : 0)
  }
  return casein > 0 ? sum / casein : h
}

/**
 * Milk that knits only below this, °C: stirred creams; null where condensed milk carries the casein, or the filling
 * was baked.
 */
export function caseinBelow(all: readonly MixPart[], stirred: boolean, creamKnitsC: number): number | null {
  const casein = grams(all, 'casein')
  const condensed = grams(
    all.filter(p => is(p.row, 'condensedMilk')),
    'casein',
  )
  return stirred && condensed < 0.5 * casein ? creamKnitsC : null
}
