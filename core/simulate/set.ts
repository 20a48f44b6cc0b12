/** What heat, cold and time really made of a mix in the simulated kitchen: how it was made, and what it carries. */
import { STANDARD } from '../base/parameters'
import type { Bench } from '../formula/bench'
import { given } from '../formula/document'
import { is, part } from '../base/ingredients/ingredients'
import type { MixPart } from '../physics/matter/mix'
import { airWhisked, gainOf } from '../physics/set/whisked'
import {
  type Body, elasticOf, firmness, type Making, type MechanismKey, type Mechanisms, MECHANISMS, type SetState,
  yieldStress,
} from '../physics/set/firmness'
import type { MixPlan } from '../pipeline/mixPlan'
import { type HeatSums, type Ripe, type RipeLaw, ripeLater } from '../plant/gel'
import type { Truths } from '../plant/truth'
import type { Cooled } from './cold'
import type { Hot } from './hot'

export const grams = (parts: readonly MixPart[], key: 'starch' | 'yolkProtein' | 'casein') =>
  parts.reduce((s, x) => s + (x.massG * part(x.row, key)) / 100, 0)
/** Doses since something joined. */
const since = (all: HeatSums, at: HeatSums): HeatSums => ({
  ...all, milk: all.milk - at.milk, starch: all.starch - at.starch, amylase: all.amylase - at.amylase,
  acid: all.acid - at.acid,
})

/** How it was made, from what heat has really done. */
export function makingOf(b: Bench, plan: MixPlan, hot: Hot, whole: HeatSums, pH: number, air: number): Making {
  const p = STANDARD
  const groups = [
    { parts: plan.cooked, sums: whole },
    ...plan.additions.map((a, i) => ({ parts: a.parts, sums: since(whole, hot.joined[i] ?? whole) })),
  ]
  const shares = (key: 'starch' | 'yolkProtein') => {
    const total = grams(plan.all, key)
    return groups
      .map(g => ({ sums: g.sums, share: total > 0 ? grams(g.parts, key) / total : 0 }))
      .filter(g => g.share > 0)
  }
  const alive = shares('yolkProtein').reduce((s, g) => s + g.share * 10 ** (-g.sums.amylase / p.starch.amylaseDoseMin), 0)
  const acts = 1 / (1 + 10 ** (p.starch.amylaseSteep * (p.starch.amylasePH - pH)))
  const whipped = plan.additions.filter(a => a.overrun > 0)
  const casein = grams(plan.all, 'casein')
  const heated = 1 - Math.exp(-hot.sums.milk * p.milk.heatRate)
  const inPot = new Set(plan.cooked)
  const milk = plan.all.reduce((s, x) =>
    s + ((x.massG * part(x.row, 'casein')) / 100) * Math.max(x.row.milkHeat ?? 0, inPot.has(x) ? heated : 0), 0)
  const fatG = whipped.reduce((s, a) => s + a.parts.reduce((v, x) => v + (x.row.group === 'dairy' ? (x.massG * part(x.row, 'milkFat')) / 100 : 0), 0), 0)
  return {
    stirred: given(b.set.stirred) ?? b.heat.method !== 'oven',
    milkHeat: casein > 0 ? milk / casein : heated,
    air,
    whisked: given(b.set.air) === null ? airWhisked(plan.cooked, b.set.whisked) : 0,
    whippedFat: fatG / plan.all.reduce((s, x) => s + x.massG, 0),
    whiteFoam: whipped.some(a => a.parts.some(x => is(x.row, 'white') || is(x.row, 'foams'))),
    starch: shares('starch').map(g => ({
      peakTempC: g.sums.peakC,
      minutes: g.sums.minutesNearPeak,
      minuteC: g.sums.starch > 0 ? 80 + p.starch.minutesK * Math.log10(g.sums.starch) : -Infinity,
      share: g.share,
    })).sort((x, y) => y.share - x.share),
    acidDoseMin: given(b.set.acidBoiled) === false ? 0 : whole.acid,
    amylase: grams(plan.all, 'starch') > 0 ? alive * acts : 0,
    peakC: hot.sums.peakC > 0 ? hot.sums.peakC : hot.tempC,
    bloom: b.set.bloom,
    fluidGel: b.set.fluidGel,
  }
}

/** Air that whisking and whipping put in and folding left. */
export function airOf(b: Bench, plan: MixPlan): number {
  const massG = plan.all.reduce((s, x) => s + x.massG, 0)
  const kept = (x: MixPart) => (is(x.row, 'white') || is(x.row, 'foams') ? STANDARD.milk.keptWhites : STANDARD.milk.keptCream)
  const whisked = airWhisked(plan.cooked, b.set.whisked)
  const whippedMl = plan.additions
    .reduce((s, a) => s + a.overrun * a.parts.reduce((v, x) => v + x.massG * kept(x), 0), 0)
  const airMl = whippedMl + gainOf(whisked) * massG
  return airMl / (airMl + massG)
}

/** What each mechanism really carries in this kitchen. */
const inThisKitchen = (m: Mechanisms, truths: Truths): Mechanisms =>
  Object.fromEntries(MECHANISMS.map(k => [k, m[k] * truths('setFactor', k.replace(/Pa$/, ''))])) as Record<MechanismKey, number>

/** The set at a temperature. */
function stateOf(r: Ripe, tempC: number, a: number, overset: number): SetState {
  const { gelatinFastShare: fast } = STANDARD.setting
  return {
    tempC, a, b: overset, butter: r.butter, cream: r.cream, hard: r.hard, casein: r.casein,
    gelatin: fast * r.g1 + (1 - fast) * r.g2, starch: r.starch, oven: r.oven, agar: r.agar,
  }
}

/** Minutes on the table take the mean of the piece most of the way to the room: by its depth, s. */
function onTable(b: Bench, c: Cooled, law: RipeLaw, depthM: number): { ripe: Ripe, tempC: number } {
  const tauS = 2.2e6 * Math.min(depthM, b.use.pieceHeightM) / 9
  let ripe = c.ripe
  let tempC = c.coreC
  for (let t = 0; t < b.use.tableTimeS; t += 20) {
    tempC += (b.use.tableTempC - tempC) * (1 - Math.exp(-20 / tauS))
    ripe = ripeLater(ripe, { ...law, bakes: false }, tempC, 20)
  }
  return { ripe, tempC }
}

/** The set, cold and after its time on the table. */
export function setOf(b: Bench, body: Body, c: Cooled, law: RipeLaw, depthM: number, truths: Truths) {
  const share = STANDARD.egg.filmShare
  const overset = (1 - share) * c.egg.b + share * c.egg.film
  const cold = inThisKitchen(firmness(body, stateOf(c.ripe, c.coreC, c.egg.a, overset)), truths)
  const table = onTable(b, c, law, depthM)
  const plate = inThisKitchen(firmness(body, stateOf(table.ripe, table.tempC, c.egg.a, overset)), truths)
  return {
    coldPa: yieldStress(cold), platePa: yieldStress(plate), density: body.phases.density,
    elastic: elasticOf(cold, body.gums), overset,
  }
}
