/** How a mix was made, as far as its set depends on it: what the document states, and otherwise what follows from steps and heat. */
import { given, type FormulaDocument } from '../formula/document'
import type { MixPart } from '../formula/mix'
import type { Stage } from '../formula/stages'
import { doseAlong, type History } from '../heat/dose'
import { part } from '../ingredients'
import type { Making } from './firmness'

/**
 * Heat treatment of milk proteins along a history, 0–1: ḣ = (1 − h)·.059/min·10^((T − 78)/12). Fitted to two marks: 78 °C for
 * 6 min is .3, a minute's boil is all (the whey proteins' own z is 7–12 K: Dannenberg & Kessler 1988, from memory).
 */
export function milkHeatOf(history: History): number {
  return 1 - Math.exp(-doseMin(history, 78, 12) * 0.059)
}

/** ∫ 10^((T − ref)/z) dt along a history, minutes. */
const doseMin = (h: History, refC: number, zK: number) => doseAlong(h.timeS, h.tempC, refC, zK) / 60

/** Yolk amylase thins a starch filling when ∫10^((T − 85)/8) dt stays under this, min (fitted to practice: "boil it"). */
export const AMYLASE_DOSE_MIN = 1.5
/** Under this much starch there is nothing to thin, share of the whole. */
const STARCH_FILLING = 0.01
/** Air that survives folding: whipped cream, beaten whites (judgement). */
const KEPT = { cream: 0.85, whites: 0.6 }

/** Peak of a history and minutes within 2 K of it. */
export function peakOf(h: History): { peakTempC: number, minutes: number } {
  const peakTempC = Math.max(...h.tempC)
  let minutes = 0
  for (let i = 1; i < h.timeS.length; i++) {
    const low = Math.min(h.tempC[i]!, h.tempC[i - 1]!)
    if (low >= peakTempC - 2) minutes += (h.timeS[i]! - h.timeS[i - 1]!) / 60
  }
  return { peakTempC, minutes }
}

const grams = (parts: readonly MixPart[], key: Parameters<typeof part>[1]) => parts.reduce((s, p) => s + p.massG * part(p.row, key) / 100, 0)
const hasWhites = (parts: readonly MixPart[]) => parts.some(p => p.row.id === 'white' || p.row.id === 'white_carton' || p.row.id === 'white_dried')

export interface MadeOf {
  doc: FormulaDocument
  stage: Stage
  /** Heat of what was heated, and what it went through afterwards. */
  heated: History
  after: History
  /** Seconds from the end of the heat at which each addition was in. */
  joinedS: readonly number[]
  /** Acidity of what was heated. */
  cookedPH: number
}

/** The making of a formula. */
export function makingOf(m: MadeOf): Making {
  const { set } = m.doc
  const all = m.stage.all
  const massG = all.reduce((s, p) => s + p.massG, 0)
  const cooked = m.stage.cooked
  const from = (s: number): History => {
    const i = m.after.timeS.findIndex(t => t >= s - 1e-9)
    return i < 0 ? { timeS: [0], tempC: [m.after.tempC[m.after.tempC.length - 1]!] } : { timeS: m.after.timeS.slice(i), tempC: m.after.tempC.slice(i) }
  }
  // The heat that the yolk, and the starch, went through.
  const whole: History = { timeS: [...m.heated.timeS, ...m.after.timeS.slice(1).map(t => t + m.heated.timeS[m.heated.timeS.length - 1]!)], tempC: [...m.heated.tempC, ...m.after.tempC.slice(1)] }
  const pathOf = (key: 'yolkProtein' | 'starch'): History => {
    const late = m.stage.additions.findIndex(a => grams(a.parts, key) > grams(cooked, key))
    return late < 0 ? whole : from(m.joinedS[late] ?? 0)
  }
  const whipped = m.stage.additions.filter(a => a.overrun > 0)
  const airMl = whipped.reduce((s, a) => s + a.parts.reduce((v, p) => v + p.massG, 0) / 1.0 * a.overrun * (hasWhites(a.parts) ? KEPT.whites : KEPT.cream), 0)
  const whippedFatG = whipped.reduce((s, a) => s + grams(a.parts.filter(p => p.row.group === 'dairy'), 'milkFat'), 0)
  const starchy = grams(all, 'starch') > STARCH_FILLING * massG && grams(all, 'yolkProtein') > 0
  return {
    stirred: given(set.stirred) ?? m.doc.heat.method !== 'oven',
    milkHeat: milkHeatWeighted(all, cooked, given(set.milkHeat) ?? milkHeatOf(m.heated), given(set.milkHeat) !== null),
    air: given(set.air) ?? airMl / (airMl + massG),
    whippedFat: given(set.whippedFat) ?? whippedFatG / massG,
    whiteFoam: given(set.whiteFoam) ?? whipped.some(a => hasWhites(a.parts)),
    starch: given(set.starch) ?? (grams(all, 'starch') > 0 ? peakOf(pathOf('starch')) : { peakTempC: 20, minutes: 0 }),
    acidBoiled: given(set.acidBoiled) ?? m.cookedPH < 4.5,
    amylase: given(set.amylase) ?? (starchy && doseMin(pathOf('yolkProtein'), 85, 8) < AMYLASE_DOSE_MIN),
    bloom: set.bloom,
    fluidGel: set.fluidGel,
  }
}

/** Heat treatment weighted by casein: what an ingredient has had before it came stays with it; the pot adds to what was in it. */
function milkHeatWeighted(all: readonly MixPart[], cooked: readonly MixPart[], h: number, stated: boolean): number {
  const inPot = new Set(cooked)
  let casein = 0
  let sum = 0
  for (const p of all) {
    const g = p.massG * part(p.row, 'casein') / 100
    casein += g
    sum += g * Math.max(p.row.milkHeat ?? 0, stated || inPot.has(p) ? h : 0)
  }
  return casein > 0 ? sum / casein : h
}

/** Milk that knits only below this, °C: stirred creams; null where condensed milk carries the casein, or the filling was baked. */
export function caseinBelow(all: readonly MixPart[], stirred: boolean, creamKnitsC: number): number | null {
  const casein = grams(all, 'casein')
  const condensed = grams(all.filter(p => p.row.id === 'condensed'), 'casein')
  return stirred && condensed < 0.5 * casein ? creamKnitsC : null
}
