/**
 * A whole batch in the simulated kitchen: put in, heated, joined, poured, baked, cooled, opened, tried. Prints the
 * record that kitchen would have kept, and never its truth.
 */
import { noiseOf } from '../base/noise'
import { setName, STANDARD } from '../base/parameters'
import { BATCH_FORMAT, BATCH_VERSION, type BatchRecord, type Device } from '../book/record'
import { benchOf, type Bench, fillingOf, type Planned } from '../formula/bench'
import { given, strengthOf } from '../formula/document'
import { familyOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import { is, part } from '../base/ingredients/ingredients'
import { heatsInPan } from '../physics/heat/pot'
import { pHOfMix } from '../physics/matter/acidity'
import { brix, evaporate, type Mix, mix, type MixPart, toParts } from '../physics/matter/mix'
import { curdlingLogit } from '../physics/set/curdling'
import {
  type Body, bodyOf, elasticOf, firmness, type Making, type MechanismKey, type Mechanisms, MECHANISMS, type SetState,
  yieldStress,
} from '../physics/set/firmness'
import { ENGINE_VERSION } from '../pipeline/assessment'
import { type MixPlan, mixPlanOf } from '../pipeline/mixPlan'
import { type HeatSums, type Ripe, type RipeLaw, ripeLater, UNRIPE } from '../plant/gel'
import { brixShows, pHShows, scaleShows } from '../plant/instruments'
import { startPiece } from '../plant/piece'
import { drawTruths, type Mistake, type SaidTruth, type Truths } from '../plant/truth'
import { bake, coolDown, type Cooled, pour } from './cold'
import { outcomeFound, type SetTruth } from './found'
import { heatInPot, type Hot, inPouch, joinAll, notHeated } from './hot'
import { happen, type Log, startLog } from './log'
import { type PutIn, putAll, trueBench } from './made'

const DEVICES: Device[] = [
  { id: 'probe', kind: 'probe', name: 'Probe' },
  { id: 'scale', kind: 'scale', name: 'Scale' },
  { id: 'pHMeter', kind: 'pHMeter', name: 'pH meter' },
  { id: 'refractometer', kind: 'refractometer', name: 'Refractometer' },
  { id: 'logger', kind: 'logger', name: 'Fridge logger' },
]
/** A cook takes so long over a line, s. */
const LINE_S = 25
/** From these grams on a juice is measured before it goes in. */
const MEASURED_G = 20

/** Lines one after another, with a meter in the juices. */
function putDown(all: readonly PutIn[], b: Bench, kitchen: Kitchen, truths: Truths, log: Log): void {
  const scale = truths('scaleFactor')
  for (const { line, trueG, times, byScale } of all) {
    log.nowS += LINE_S
    const [one] = toParts([line], l => strengthOf(l, kitchen))
    if (one!.row.group === 'juice' && trueG >= MEASURED_G) {
      const juice = mix([{ ...one!, massG: trueG }])
      happen(log, { kind: 'measured', what: 'pH', lineId: line.id, value: pHShows(pHOfMix(juice), 0, log.noise) })
      happen(log, { kind: 'measured', what: 'brix', lineId: line.id, value: brixShows(brix(juice), log.noise) })
    }
    for (let i = 0; i < times; i++)
      happen(log, { kind: 'added', lineId: line.id, shownG: byScale ? scaleShows(scale, trueG / times, log.noise) : null })
  }
}

const grams = (parts: readonly MixPart[], key: 'starch' | 'yolkProtein' | 'casein') =>
  parts.reduce((s, x) => s + (x.massG * part(x.row, key)) / 100, 0)
/** Doses since something joined. */
const since = (all: HeatSums, at: HeatSums): HeatSums => ({
  ...all, milk: all.milk - at.milk, starch: all.starch - at.starch, amylase: all.amylase - at.amylase,
  acid: all.acid - at.acid,
})

/** How it was made, from what heat has really done. */
function makingOf(b: Bench, plan: MixPlan, hot: Hot, whole: HeatSums, pH: number, air: number): Making {
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

/** Air that whipping put in and folding left. */
function airOf(plan: MixPlan): number {
  const massG = plan.all.reduce((s, x) => s + x.massG, 0)
  const kept = (x: MixPart) => (is(x.row, 'white') || is(x.row, 'foams') ? STANDARD.milk.keptWhites : STANDARD.milk.keptCream)
  const airMl = plan.additions.reduce((s, a) => s + a.overrun * a.parts.reduce((v, x) => v + x.massG * kept(x), 0), 0)
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

/** When it is opened: as planned, or by what went wrong. */
function openingOf(b: Bench, mistake: Mistake | null) {
  const plannedS = given(b.serve.chilledS) ?? b.chill.reduce((s, l) => s + l.timeS, 0)
  const early = mistake?.kind === 'chilledTooShortS' ? (mistake.amount ?? plannedS / 2) : 0
  return { atS: Math.max(600, plannedS - early), coreC: mistake?.kind === 'openedWarm' ? (mistake.amount ?? 18) : null }
}

export interface SimulatedBatch {
  planned: Planned
  kitchen: Kitchen
  said: SaidTruth
  kitchenSeed: number
  seed: number
  startedAt: string
}

/**
 * The record of a batch as a kitchen with such truths would have kept it.
 * @throws {InputError} naming the field, for a formula that cannot be made
 */
export const simulateBatch = (s: SimulatedBatch): BatchRecord => runBatch(s).record

/** What stays the same through a batch. */
interface Day {
  b: Bench
  kitchen: Kitchen
  plan: MixPlan
  whole: Mix
  pH: number
  truths: Truths
  mistake: Mistake | null
  log: Log
}

/** Everything put in, with a meter in it. */
function begin(s: SimulatedBatch): Day {
  const { planned, kitchen, said, seed } = s
  const truths = drawTruths(said, s.kitchenSeed, seed)
  const log = startLog(noiseOf(seed * 7919 + 13))
  const stated = benchOf(planned)
  happen(log, { kind: 'started' })
  const all = putAll(stated, truths, said.mistake, log.noise)
  const b = trueBench(stated, kitchen, all, truths, said.mistake)
  const plan = mixPlanOf(b, kitchen)
  putDown(all.map((x, i) => ({ ...x, line: fillingOf(b).lines[i]! })), b, kitchen, truths, log)
  const whole = mix(plan.all)
  const value = pHShows(pHOfMix(mix(plan.cooked)), 0, log.noise)
  happen(log, { kind: 'measured', what: 'pH', lineId: null, value })
  return { b, kitchen, plan, whole, pH: pHOfMix(whole), truths, mistake: said.mistake, log }
}

/** The heat in pan or pouch, what joins it, and what stays behind. @returns also g that come out of pan and sieve */
function heatAndJoin({ b, kitchen, plan, whole, pH, truths, mistake, log }: Day) {
  const { method } = b.heat
  const started = heatsInPan(method)
    ? heatInPot(b, kitchen, plan, truths, mistake, log)
    : method === 'sousVide' ? inPouch(b, plan, truths, mistake, log) : notHeated(b, plan)
  const hot = joinAll(b, kitchen, plan, started, pH, log)
  const steamed = evaporate(whole, hot.goneG)
  const scale = truths('scaleFactor')
  const left = {
    pan: b.losses.panG * truths('lossFactor', 'pan'),
    sieve: b.losses.sieveFraction * truths('lossFactor', 'sieve') * steamed.massG,
  }
  for (const where of ['pan', 'sieve'] as const)
    if (left[where] > 0) happen(log, { kind: 'leftBehind', where, shownG: scaleShows(scale, left[where], log.noise) })
  return { hot, steamed, filledG: Math.max(1, steamed.massG - left.pan - left.sieve) }
}

/** How it ripens. */
function lawOf({ plan, pH }: Day, steamed: Mix, making: Making): RipeLaw {
  const condensed = plan.all.filter(x => is(x.row, 'condensedMilk'))
  return {
    p: STANDARD.setting,
    pH,
    caseinC: bodyOf(steamed, pH, making).caseinC,
    bakes: !making.stirred,
    knitsCold: making.stirred && grams(condensed, 'casein') < 0.5 * grams(plan.all, 'casein'),
  }
}

/** Poured, baked where it is, and cooled until it is opened. */
function fillAndCool(day: Day, { hot: joined, steamed, filledG }: ReturnType<typeof heatAndJoin>, air: number) {
  const { b, kitchen, plan, pH, truths, mistake, log } = day
  const poured = pour({ b, kitchen, log, pH, mix: steamed, air, filledG, hot: joined })
  const { hot } = poured
  for (let i = 0; i < b.assembly.count; i++) {
    log.nowS += 15
    const shownG = scaleShows(truths('scaleFactor'), filledG / b.assembly.count, log.noise)
    happen(log, { kind: 'poured', vessel: i + 1, shownG })
  }
  const law = lawOf(day, steamed, makingOf(b, plan, hot, hot.wholeSums, pH, air))
  const missedK = mistake?.kind === 'targetMissedK' ? (mistake.amount ?? 3) : 0
  const place = { b, kitchen, poured, hot, mix: steamed, pH, law, truths, log }
  const baked = b.heat.method === 'oven' ? bake(place, missedK) : null
  const eggs = baked?.eggs ?? [hot.egg]
  const meanOf = (key: 'a' | 'b' | 'film') => eggs.reduce((s, e) => s + e[key], 0) / eggs.length
  const cooled = coolDown(place, {
    piece: baked?.piece ?? startPiece(poured.stated, poured.startC),
    egg: { a: meanOf('a'), b: meanOf('b'), film: meanOf('film') },
    ripe: baked?.ripe ?? UNRIPE,
    sums: baked?.sums ?? hot.wholeSums,
  }, openingOf(b, mistake))
  const most = DRIES_AT_MOST * steamed.grams.water
  const driedG = baked ? Math.min(baked.goneKgM2 * 1000 * poured.planM2 * b.assembly.count, most) : 0
  return { poured, hot, law, baked, cooled, driedG }
}
/** Steam that a bake loses takes at most this share of its water. */
const DRIES_AT_MOST = 0.3
/** Over-setting told as grains: in a gel left alone, and after a sieve or a blender. */
const GRAINS = { alone: 0.3, broken: 0.5 }

/** The same with what is true of its set, for those who hold one against the other. */
export function runBatch(s: SimulatedBatch): { record: BatchRecord, truth: SetTruth } {
  const day = begin(s)
  const { b, plan, whole, pH, truths, log } = day
  const heated = heatAndJoin(day)
  const air = given(b.set.air) ?? airOf(plan)
  const { poured, hot, law, baked, cooled, driedG } = fillAndCool(day, heated, air)
  const finished = evaporate(heated.steamed, driedG)
  // A bake's milk and starch went through the oven's heat; a pot's through its own.
  const making = makingOf(b, plan, baked ? { ...hot, sums: cooled.sums } : hot, cooled.sums, pH, air)
  const found = setOf(b, bodyOf(finished, pH, making), cooled, law, poured.stated.depthM, truths)
  const curdled = familyOf(b.family).acidGelsMilk && curdlingLogit(whole, hot.metC ?? hot.peakC, STANDARD.curdling) > 0
  const breaks = !baked && fillingOf(b).steps.some(x => x.kind === 'strain' || x.kind === 'blend')
  const truth: SetTruth = {
    ...found,
    grainyAt: breaks ? GRAINS.broken : GRAINS.alone,
    curdled,
    weeps: found.overset > 0.6 || (curdled && found.coldPa < 40),
    coreC: cooled.coreC,
    pH,
    massG: heated.filledG - driedG,
  }
  const outcome = outcomeFound(b, finished, truth, truths, log.noise)
  log.nowS += 120
  happen(log, { kind: 'outcome', outcome })
  const record: BatchRecord = {
    format: BATCH_FORMAT,
    version: BATCH_VERSION,
    id: `simulated-${s.seed}`,
    componentId: b.componentId,
    ...s.planned,
    kitchen: s.kitchen,
    parameters: { engine: ENGINE_VERSION, set: setName(STANDARD), changed: {} },
    startedAt: s.startedAt,
    simulated: true,
    devices: DEVICES,
    events: log.events,
    readings: log.readings,
  }
  return { record, truth }
}

/** The set, cold and after its time on the table. */
function setOf(b: Bench, body: Body, c: Cooled, law: RipeLaw, depthM: number, truths: Truths) {
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
