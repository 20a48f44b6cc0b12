/**
 * What a batch showed, as figures with a unit and one fixed spread each (the instrument's and the cook's, the same
 * before and after learning), and what is expected of the same figures where something is supposed of the kitchen.
 */
import { type BatchRecord, eventsOf, seriesOf } from '../book/record'
import { type Outcome, spoonRange } from '../book/outcome'
import { possible } from '../base/errors'
import { findIngredient } from '../base/ingredients/ingredients'
import { fillingOf } from '../formula/bench'
import { placeOf } from '../formula/document'
import { chillPredicted } from '../pipeline/chilled'
import { heatStage, potStage } from '../pipeline/heated'
import { mixStage } from '../pipeline/mixed'
import { setStage } from '../pipeline/settled'
import { pHOfMix } from '../physics/matter/acidity'
import { brix, mix } from '../physics/matter/mix'
import { taste } from '../physics/matter/taste'
import type { Mechanisms } from '../physics/set/firmness'
import { loadReading, loadStress, slumpReading, slumpStress, spreadReading, spreadStress } from '../physics/set/kitchenTests'
import { timeAbove, timeBelow } from '../physics/thermal/conduction'
import { asMade, shownByLine, steamWeighed, type Went } from './asMade'
import { type Theta, thetaOf } from '../kitchen/spreads'

/** A unit a figure is told in. */
export type Unit = 'min' | 'K' | 'g' | 'pH' | 'mm' | '°Bx' | 'points' | 'ln'
export interface Figure {
  /** `pot50`, `air.place`, … */
  id: string
  unit: Unit
  value: number
  /** One σ, fixed. */
  sigma: number
}

/** Spreads, fixed: of instruments, and of what one day differs from the next in (fitted to simulated kitchens, §25). */
const SPREAD = {
  potShare: 0.06, potMin: 0.3, steamG: 4, leftShare: 0.12, airK: 0.3, coldShare: 0.04, probeK: 0.3, ovenK: 1.5,
  ovenShare: 0.08, yolkShare: 0.012, pH: 0.04, lnPa: 0.15, spoonLn: 0.5, taste: 0.8, brix: 1,
  massShare: 0.02, ruler: 1.5,
} as const

/** Shares of the rise at which the pot is timed, and temperatures at which the cold is. */
const RISE = { pot50: 0.5, pot90: 0.9 } as const
const FALL_C = { core30: 30, core15: 15, core10: 10 } as const

/** Rising times of a shown course, s from its start. */
const firstAbove = (timeS: readonly number[], values: readonly (number | null)[], level: number, fromS: number) => {
  const known = timeS.map((t, i) => [t - fromS, values[i]!] as const).filter(([t, v]) => v !== null && t >= 0)
  return timeAbove(known.map(([t]) => t), known.map(([, v]) => v), level)
}

/** Figures with what each is worth. */
type Told = Omit<Figure, 'sigma'>
const minutes = (s: number) => s / 60

/** What stress a test's reading stands for; null: no test was made. */
export function stressFound(o: Outcome, density: number): number | null {
  if (o.ringSankM !== null) return slumpStress(Math.min(0.0499, Math.max(0.0002, o.ringSankM)), density)
  if (o.spreadM !== null) return spreadStress(Math.min(0.5, Math.max(0.0315, o.spreadM)), density)
  if (o.loadKg !== null) return loadStress(o.loadKg, density)
  return null
}
/** One σ of ln stress of a reading: a ruler's millimetre, or a load to a twelfth, beside how cooks agree. */
function lnStressSigma(o: Outcome, density: number): number {
  /** A millimetre to either side. */
  const wide = (readM: number, leastM: number, mostM: number, pa: (m: number) => number) => {
    const [low, high] = [Math.max(leastM, readM - 0.001), Math.min(mostM, readM + 0.001)]
    return Math.abs(Math.log(pa(low) / pa(high))) / 2
  }
  const by = o.ringSankM !== null
    ? wide(o.ringSankM, 0.0002, 0.0499, m => slumpStress(m, density))
    : o.spreadM !== null ? wide(o.spreadM, 0.005, 0.5, m => spreadStress(m, density)) : 0.08
  return Math.hypot(SPREAD.lnPa, by)
}

/** What the pot showed. */
function potSeen(r: BatchRecord): Told[] {
  const on = eventsOf(r.events, 'heatOn')[0]
  const off = eventsOf(r.events, 'heatOff')[0]
  const pot = seriesOf(r, 'pot')
  if (!on || !off) return []
  const { startTempC, targetTempC } = fillingHeat(r)
  const out: Told[] = []
  for (const [id, share] of pot ? Object.entries(RISE) : []) {
    const s = firstAbove(pot!.timeS, pot!.values, startTempC + share * (targetTempC - startTempC), on.atS)
    if (s !== null) out.push({ id, unit: 'min', value: minutes(s) })
  }
  out.push({ id: 'heatMin', unit: 'min', value: minutes(off.atS - on.atS) })
  return out
}
const fillingHeat = (r: BatchRecord) => asMade(r, {}).bench.heat

/** Steam and what stayed behind, by the scale. */
function weighedSeen(r: BatchRecord): Told[] {
  const out: Told[] = []
  const shown = shownByLine(r)
  const filling = fillingOf(asMade(r, {}).bench)
  const steamG = steamWeighed(r)
  if (steamG !== null) out.push({ id: 'steamG', unit: 'g', value: steamG })
  for (const e of eventsOf(r.events, 'leftBehind')) out.push({ id: `left.${e.where}`, unit: 'g', value: e.shownG })
  const eggs = filling.lines.filter(l => findIngredient(l.ingredientId)?.group === 'egg' && shown.get(l.id) != null)
  const planned = new Map(r.formula.components.flatMap(c => c.lines).map(l => [l.id, l.massG]))
  if (eggs.length > 0) {
    const stated = eggs.reduce((s, l) => s + planned.get(l.id)!, 0)
    const ln = Math.log(eggs.reduce((s, l) => s + shown.get(l.id)!, 0) / stated)
    // Half or double is another thing than small or large eggs.
    if (ln > -1.2 && ln < 0.55) out.push({ id: 'eggs', unit: 'ln', value: ln })
  }
  return out
}

/** Meters, in the juices and in the mix. */
const metersSeen = (r: BatchRecord): Told[] => eventsOf(r.events, 'measured')
  .filter(e => e.what === 'pH')
  .map(e => ({ id: `pH.${e.lineId ?? 'mix'}`, unit: 'pH' as const, value: e.value }))

/** The oven, the fridges, the middle of the piece. */
function loggedSeen(r: BatchRecord): Told[] {
  const out: Told[] = []
  const oven = seriesOf(r, 'oven')
  const settledAir = oven?.values.filter((v, i): v is number => v !== null && i >= oven.values.length / 2) ?? []
  if (settledAir.length > 3)
    out.push({ id: 'oven', unit: 'K', value: settledAir.reduce((a, b) => a + b, 0) / settledAir.length })
  const [inS, outS] = [eventsOf(r.events, 'ovenIn')[0]?.atS, eventsOf(r.events, 'ovenOut')[0]?.atS]
  if (inS !== undefined && outS !== undefined) out.push({ id: 'ovenMin', unit: 'min', value: minutes(outS - inS) })
  const moves = eventsOf(r.events, 'movedTo')
  const openedS = eventsOf(r.events, 'opened')[0]?.atS
  const logger = r.readings.filter(s => s.deviceId === 'logger')
  const air = logger.find(s => s.channel === 'air')
  const { bench } = asMade(r, {})
  for (const [i, move] of moves.entries()) {
    const endS = moves[i + 1]?.atS ?? openedS
    const leg = bench.chill.find(l => l.id === move.legId)
    if (!air || !leg || endS === undefined || endS - move.atS < 3600) continue
    const { kind } = placeOf(leg, r.kitchen)
    if (kind === 'bench' || kind === 'iceBath') continue
    const fromS = move.atS + 0.6 * (endS - move.atS)
    const late = air.values.filter((v, k): v is number => v !== null && air.timeS[k]! >= fromS && air.timeS[k]! <= endS)
    if (late.length > 3)
      out.push({ id: `air.${leg.placeId ?? ''}`, unit: 'K', value: late.reduce((a, b) => a + b, 0) / late.length })
  }
  const core = logger.find(s => s.channel === 'core')
  if (core && moves[0]) {
    const known = core.timeS.map((t, i) => [t - moves[0]!.atS, core.values[i]!] as const).filter(([, v]) => v !== null)
    for (const [id, level] of Object.entries(FALL_C)) {
      if (!known[0] || known[0][1] <= level) continue
      const s = timeBelow(known.map(([t]) => t), known.map(([, v]) => v), level)
      if (s !== null) out.push({ id, unit: 'min', value: minutes(s) })
    }
    // The probe beside the logger, as it is opened.
    const outcome = eventsOf(r.events, 'outcome').at(-1)?.outcome
    const last = known.at(-1)
    if (outcome?.coreC != null && last && openedS !== undefined && openedS - moves[0].atS - last[0] < 900)
      out.push({ id: 'beside', unit: 'K', value: outcome.coreC - last[1] })
  }
  return out
}

const spreadOf = ({ id, value }: Told): number => {
  const [kind] = id.split('.')
  switch (kind) {
    case 'pot50': case 'pot90': case 'heatMin': return Math.hypot(SPREAD.potMin, SPREAD.potShare * value)
    case 'steamG': return SPREAD.steamG
    case 'left': return Math.max(0.3, SPREAD.leftShare * value)
    case 'eggs': return SPREAD.yolkShare
    case 'pH': return SPREAD.pH
    case 'oven': return SPREAD.ovenK
    case 'ovenMin': return SPREAD.ovenShare * value
    case 'air': return SPREAD.airK
    case 'core30': case 'core15': case 'core10': return SPREAD.coldShare * value
    case 'beside': return SPREAD.probeK
    case 'brix': return SPREAD.brix
    case 'massG': return SPREAD.massShare * value
    case 'stood': return SPREAD.ruler
    default: return SPREAD.taste
  }
}

/** What came out, by meters, scale, ruler and tongue. */
function outcomeSeen(o: Outcome): Told[] {
  const all: [string, Unit, number | null][] = [
    ['pH.done', 'pH', o.pH], ['brix', '°Bx', o.brix], ['massG', 'g', o.massG],
    ['stood', 'mm', o.stoodM === null ? null : 1000 * o.stoodM], ['sharp', 'points', o.sharp], ['sweet', 'points', o.sweet],
  ]
  return all.flatMap(([id, unit, value]) => (value === null ? [] : [{ id, unit, value }]))
}

/** All a batch showed. @example figuresSeen({ ...record, events: [], readings: [] }).length // 0 */
export function figuresSeen(r: BatchRecord): Figure[] {
  const outcome = eventsOf(r.events, 'outcome').at(-1)?.outcome
  const told = [
    ...potSeen(r), ...weighedSeen(r), ...metersSeen(r), ...loggedSeen(r), ...(outcome ? outcomeSeen(outcome) : []),
  ]
  const figures = told.map(t => ({ ...t, sigma: spreadOf(t) }))
  if (!outcome) return figures
  const density = setExpected(r, {}).density
  const pa = stressFound(outcome, density)
  if (pa !== null)
    figures.push({ id: 'lnPa', unit: 'ln', value: Math.log(Math.max(0.1, pa)), sigma: lnStressSigma(outcome, density) })
  else if (outcome.spoon !== null) {
    const [low, high] = spoonRange(outcome.spoon)
    const correction = Math.min(1.7, 1100 / density)
    figures.push({ id: 'lnPa', unit: 'ln', value: Math.log(Math.sqrt(low * high) / correction), sigma: SPREAD.spoonLn })
  }
  return figures
}

export const stagesOf = (r: BatchRecord, t: Theta, went: Went = {}) => {
  const { bench, kitchen, parameters } = asMade(r, t, went)
  const mixed = mixStage(bench, kitchen)
  const heated = heatStage(bench, kitchen, mixed, parameters)
  const chilled = chillPredicted(bench, kitchen, heated, parameters)
  const settled = setStage(bench, kitchen, mixed, heated, chilled, parameters)
  // What the pan would have steamed by itself, beside what the scale says it did.
  const own = { ...bench, heat: { ...bench.heat, evaporationG: { simulated: true as const } } }
  const { pot } = 'given' in bench.heat.evaporationG ? potStage(own, kitchen, mixed, parameters) : heated
  return { bench, kitchen, mixed, heated, chilled, settled, pot }
}

/** The set that is expected: stress, what carries it, density. */
export function setExpected(r: BatchRecord, t: Theta): { pa: number, mechanisms: Mechanisms, density: number } {
  const { heated, settled } = stagesOf(r, t)
  return { pa: settled.cold.tauPa.value, mechanisms: settled.cold.mechanismsPa, density: heated.body.phases.density }
}

/** A probe follows the mix so much later, s (common probes). */
const LAG_S = 5

/** What is expected of the figures of a batch, by id; what a supposition never comes to, or cannot be, is absent. */
export function expectedOf(r: BatchRecord, t: Theta, went: Went = {}): Record<string, number> {
  const stages = possible(() => stagesOf(r, t, went))
  return stages ? expectedFrom(r, t, stages) : {}
}

/** The same from stages that were worked out already. */
export function expectedFrom(r: BatchRecord, t: Theta, stages: ReturnType<typeof stagesOf>): Record<string, number> {
  const { bench, kitchen, mixed, heated, chilled, settled, pot } = stages
  const scale = thetaOf(t, 'scaleFactor')
  const biasK = thetaOf(t, 'probeBiasK')
  const out: Record<string, number> = {}
  const { history } = pot.run
  const plan = fillingHeat(r)
  for (const [id, share] of Object.entries(RISE)) {
    const shownC = plan.startTempC + share * (plan.targetTempC - plan.startTempC)
    const s = timeAbove(history.timeS, history.tempC, shownC - biasK)
    if (s !== null) out[id] = minutes(s + LAG_S)
  }
  out.heatMin = minutes(history.timeS.at(-1)! + LAG_S)
  out.steamG = scale * pot.run.evaporatedG
  const afterPot = mixed.whole.massG - heated.pot.run.evaporatedG
  out['left.pan'] = scale * bench.losses.panG
  out['left.sieve'] = scale * bench.losses.sieveFraction * afterPot
  out.eggs = Math.log(thetaOf(t, 'yolkMassFactor') * scale)
  const filling = fillingOf(bench)
  for (const part of mixed.plan.all.filter(p => p.row.group === 'juice')) {
    const line = filling.lines.find(l => l.ingredientId === part.row.id && Math.abs(l.massG - part.massG) < 1e-6)
    if (line && part.massG > 0) out[`pH.${line.id}`] = pHOfMix(mix([part]))
  }
  out['pH.mix'] = mixed.cookedPH
  if (heated.bake) {
    out.ovenMin = minutes(heated.bake.core.timeS.at(-1)!)
    const air = heated.bake.airC
    const late = air.slice(Math.floor(air.length / 2))
    out.oven = late.reduce((a, b) => a + b, 0) / late.length
  }
  for (const leg of bench.chill) out[`air.${leg.placeId ?? ''}`] = placeOf(leg, kitchen).airTempC
  for (const [id, level] of Object.entries(FALL_C)) {
    const s = timeBelow(chilled.run.timeS, chilled.run.coreC, level)
    if (s !== null) out[id] = minutes(s)
  }
  out.beside = biasK
  out.lnPa = Math.log(Math.max(0.1, settled.cold.tauPa.value))
  out['pH.done'] = mixed.pH
  out.brix = brix(heated.finished)
  out.massG = scale * heated.shape.filledG
  out.stood = 1000 * bench.use.pieceHeightM * (1 - settled.plate.slump)
  const { sour, sweet } = taste(heated.finished, mixed.pH)
  out.sharp = sour
  out.sweet = sweet
  return out
}

/** A stress as the test that was made would have shown it, for words and drawings: mm, or kg. */
export function asReading(o: Outcome, pa: number, density: number): { value: number, unit: 'mm' | 'kg' } | null {
  if (o.ringSankM !== null) return { value: 1000 * slumpReading(pa, density), unit: 'mm' }
  if (o.spreadM !== null) return { value: 1000 * spreadReading(pa, density), unit: 'mm' }
  if (o.loadKg !== null) return { value: loadReading(pa, density) ?? 0, unit: 'kg' }
  return null
}
