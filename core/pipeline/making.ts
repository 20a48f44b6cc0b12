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
import { acidDoseMin, amylaseActs, amylaseAlive, milkHeatOf, peakOf } from '../physics/heat/milk'
import type { MixPart } from '../physics/matter/mix'
import type { Making, StarchHeat } from '../physics/set/firmness'
import { minuteTempC } from '../physics/set/starch'
import { airWhisked, gainOf } from '../physics/set/whisked'
import type { Mixed } from './mixed'

const grams = (parts: readonly MixPart[], key: CompositionKey) =>
  parts.reduce((s, p) => s + (p.massG * part(p.row, key)) / 100, 0)
/** Egg white, and what beats like it. */
const beats = (p: MixPart) => is(p.row, 'white') || is(p.row, 'foams')
const hasWhites = (parts: readonly MixPart[]) => parts.some(beats)

/** Temperature histories that a filling's making follows from: of what was heated, and of the whole afterwards. */
export interface Paths {
  heated: History
  after: History
  /** Seconds from the end of the heat at which each addition was in. */
  joinedS: readonly number[]
}

/** Two histories one after the other. */
export const joinedTo = (first: History, then: History): History => {
  const endS = first.timeS.at(-1)!
  return {
    timeS: [...first.timeS, ...then.timeS.slice(1).map(t => t + endS)],
    tempC: [...first.tempC, ...then.tempC.slice(1)],
  }
}
/** A history from some time on. */
export const fromTime = (h: History, s: number): History => {
  const i = h.timeS.findIndex(t => t >= s - 1e-9)
  return i < 0 ? { timeS: [0], tempC: [h.tempC.at(-1)!] } : { timeS: h.timeS.slice(i), tempC: h.tempC.slice(i) }
}

/** The making of a formula: what its plan states, and otherwise what follows from its steps and its heat. */
export function makingOf(
  doc: Bench,
  mixed: Mixed,
  paths: Paths,
  p: Parameters = STANDARD,
): Making {
  const { plan } = mixed
  const { set } = doc
  const { all, cooked } = plan
  const massG = all.reduce((s, p) => s + p.massG, 0)
  // The heat that the yolk, and the starch, went through: what was in the pot, and what joined from then on.
  const whole = joinedTo(paths.heated, paths.after)
  const groups = [
    { parts: cooked, path: whole },
    ...plan.additions.map((a, i) => ({ parts: a.parts, path: fromTime(paths.after, paths.joinedS[i] ?? 0) })),
  ]
  const sharesOf = (key: 'yolkProtein' | 'starch') => {
    const total = grams(all, key)
    return groups
      .map(g => ({ path: g.path, share: total > 0 ? grams(g.parts, key) / total : 0 }))
      .filter(g => g.share > 0)
      .sort((x, y) => y.share - x.share)
  }
  const whipped = plan.additions.filter(a => a.overrun > 0)
  const kept = (x: MixPart) => (beats(x) ? p.milk.keptWhites : p.milk.keptCream)
  const airMl = whipped.reduce((s, a) => s + a.overrun * a.parts.reduce((v, x) => v + x.massG * kept(x), 0), 0)
  const whisked = airWhisked(cooked, set.whisked)
  const whiskedMl = gainOf(whisked) * massG
  const whippedFatG = whipped.reduce(
    (s, a) =>
      s +
      grams(
        a.parts.filter(p => p.row.group === 'dairy'),
        'milkFat',
      ),
    0,
  )
  return {
    stirred: given(set.stirred) ?? doc.heat.method !== 'oven',
    milkHeat: milkHeatWeighted(
      all,
      cooked,
      given(set.milkHeat) ?? milkHeatOf(paths.heated, p.milk),
      given(set.milkHeat) !== null,
    ),
    air: given(set.air) ?? (airMl + whiskedMl) / (airMl + whiskedMl + massG),
    whisked: given(set.air) === null ? whisked : 0,
    whippedFat: given(set.whippedFat) ?? whippedFatG / massG,
    whiteFoam: given(set.whiteFoam) ?? whipped.some(a => hasWhites(a.parts)),
    starch: starchOf(doc, sharesOf('starch'), p),
    acidDoseMin: acidDoseOf(doc, mixed, paths, p),
    amylase: amylaseOf(doc, mixed, sharesOf('yolkProtein'), p),
    peakC: Math.max(...paths.heated.tempC),
    bloom: set.bloom,
    fluidGel: set.fluidGel,
  }
}

interface Share {
  path: History
  share: number
}

/** A stated peak and its minutes as a history. */
const heldAt = ({ peakTempC, minutes }: { peakTempC: number, minutes: number }): History =>
  ({ timeS: [0, 60 * minutes], tempC: [peakTempC, peakTempC] })

/** Peaks of the starch by the path each share of it took; what is stated counts for all of it. */
function starchOf(doc: Bench, shares: readonly Share[], p: Parameters): StarchHeat[] {
  const stated = given(doc.set.starch)
  if (stated) return [{ ...stated, minuteC: minuteTempC(heldAt(stated), p.starch), share: 1 }]
  return shares.map(({ path, share }) => ({ ...peakOf(path), minuteC: minuteTempC(path, p.starch), share }))
}

/** What acid did in the heat, at the pot's own pH, and on the way down, at that of the whole. */
function acidDoseOf(doc: Bench, mixed: Mixed, paths: Paths, p: Parameters): number {
  if (given(doc.set.acidBoiled) === false) return 0
  const stated = given(doc.set.starch)
  if (stated) return acidDoseMin(heldAt(stated), mixed.cookedPH, p.starch)
  return acidDoseMin(paths.heated, mixed.cookedPH, p.starch) + acidDoseMin(paths.after, mixed.pH, p.starch)
}

/** Amylase of the yolk that is alive where there is starch to thin, as far as the filling's pH lets it act. */
function amylaseOf(doc: Bench, mixed: Mixed, shares: readonly Share[], p: Parameters): number {
  const stated = given(doc.set.amylase)
  if (stated !== null) return stated ? 1 : 0
  if (grams(mixed.plan.all, 'starch') <= 0) return 0
  const alive = shares.reduce((sum, { path, share }) => sum + share * amylaseAlive(path, p.starch), 0)
  return alive * amylaseActs(mixed.pH, p.starch)
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

/** Whether milk gains its strength only cold: stirred creams do, condensed milk and what is baked knit while hot. */
export function knitsCold(all: readonly MixPart[], stirred: boolean): boolean {
  const casein = grams(all, 'casein')
  const condensed = grams(
    all.filter(p => is(p.row, 'condensedMilk')),
    'casein',
  )
  return stirred && condensed < 0.5 * casein
}
