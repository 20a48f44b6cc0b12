/**
 * A day in the simulated kitchen from the bowl to the plate: heated, joined, poured, baked, cooled. The simulated cook
 * goes by the probe and the plan; with hands, a real one's times are gone by, as far as there are any yet.
 */
import { STANDARD } from '../base/parameters'
import type { Outcome } from '../book/outcome'
import { type Bench, fillingOf } from '../formula/bench'
import { given } from '../formula/document'
import { familyOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import { is } from '../base/ingredients/ingredients'
import { heatsInPan } from '../physics/heat/pot'
import { evaporate, type Mix } from '../physics/matter/mix'
import { curdlingLogit } from '../physics/set/curdling'
import { bodyOf, type Making } from '../physics/set/firmness'
import type { MixPlan } from '../pipeline/mixPlan'
import { type RipeLaw, UNRIPE } from '../plant/gel'
import { scaleShows } from '../plant/instruments'
import { startPiece } from '../plant/piece'
import type { PotTruth } from '../plant/pot'
import type { Mistake, Truths } from '../plant/truth'
import { bake, coolDown, pour } from './cold'
import { outcomeFound, type SetTruth } from './found'
import { heatInPot, inPouch, joinAll, notHeated } from './hot'
import { happen, type Log } from './log'
import { airOf, grams, makingOf, setOf } from './set'

/** What stays the same through a batch. */
export interface Day {
  b: Bench
  kitchen: Kitchen
  plan: MixPlan
  whole: Mix
  pH: number
  truths: Truths
  mistake: Mistake | null
  log: Log
}

/** When a real cook did what, by the batch's clock, s; null: not yet. */
export interface Hands {
  nowS: number
  heatOnS: number | null
  heatOffS: number | null
  ovenInS: number | null
  ovenOutS: number | null
  /** First put into a place to cool. */
  coldS: number | null
  openedS: number | null
  /** Turns of the knob, s from the pot's being put on. */
  turns: PotTruth['turns']
}

/** When it is opened: as planned, or by what went wrong. */
function openingOf(b: Bench, mistake: Mistake | null) {
  const plannedS = given(b.serve.chilledS) ?? b.chill.reduce((s, l) => s + l.timeS, 0)
  const early = mistake?.kind === 'chilledTooShortS' ? (mistake.amount ?? plannedS / 2) : 0
  return { atS: Math.max(600, plannedS - early), coreC: mistake?.kind === 'openedWarm' ? (mistake.amount ?? 18) : null }
}

/** The heat as it went; null: hands have not ended it yet, and what was read so far is written down. */
function heated({ b, kitchen, plan, truths, mistake, log }: Day, hands: Hands | null) {
  const { method } = b.heat
  const needsHands = hands !== null && (heatsInPan(method) || method === 'sousVide')
  if (needsHands) {
    if (hands.heatOnS === null) return null
    log.nowS = hands.heatOnS
  }
  const hand = needsHands
    ? { onS: hands.heatOnS!, offS: hands.heatOffS, nowS: hands.nowS, turns: hands.turns } : undefined
  const hot = heatsInPan(method)
    ? heatInPot(b, kitchen, plan, truths, mistake, log, hand)
    : method === 'sousVide' ? inPouch(b, plan, truths, mistake, log, hand) : notHeated(b, plan)
  return needsHands && hands.heatOffS === null ? null : hot
}

/** What joins the heat, and what stays behind. @returns also g that come out of pan and sieve; null: not so far yet */
export function heatAndJoin(day: Day, hands: Hands | null = null) {
  const { b, kitchen, plan, whole, pH, truths, log } = day
  const started = heated(day, hands)
  if (!started) return null
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
type Joined = NonNullable<ReturnType<typeof heatAndJoin>>

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

/** Poured, baked where it is, and cooled until it is opened. @returns null: not so far yet */
function fillAndCool(day: Day, { hot: joined, steamed, filledG }: Joined, air: number, hands: Hands | null) {
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
  const bakes = b.heat.method === 'oven'
  if (hands && bakes) {
    if (hands.ovenInS === null) return null
    log.nowS = hands.ovenInS
  }
  const baked = bakes ? bake(place, missedK, hands ? Math.min(hands.ovenOutS ?? hands.nowS, hands.nowS) : null) : null
  if (hands) {
    if (hands.coldS === null || (bakes && hands.ovenOutS === null)) return null
    log.nowS = hands.coldS
  }
  const eggs = baked?.eggs ?? [hot.egg]
  const meanOf = (key: 'a' | 'b' | 'film') => eggs.reduce((s, e) => s + e[key], 0) / eggs.length
  const opening = hands
    ? { atS: Math.max(0, Math.min(hands.openedS ?? hands.nowS, hands.nowS) - hands.coldS!), coreC: null }
    : openingOf(b, mistake)
  const cooled = coolDown(place, {
    piece: baked?.piece ?? startPiece(poured.stated, poured.startC),
    egg: { a: meanOf('a'), b: meanOf('b'), film: meanOf('film') },
    ripe: baked?.ripe ?? UNRIPE,
    sums: baked?.sums ?? hot.wholeSums,
  }, opening)
  const most = DRIES_AT_MOST * steamed.grams.water
  const driedG = baked ? Math.min(baked.goneKgM2 * 1000 * poured.planM2 * b.assembly.count, most) : 0
  return { poured, hot, law, baked, cooled, driedG }
}
/** Steam that a bake loses takes at most this share of its water. */
const DRIES_AT_MOST = 0.3
/** Over-setting told as grains: in a gel left alone, and after a sieve or a blender. */
const GRAINS = { alone: 0.3, broken: 0.5 }

/** What came of the day, if it was opened now: what is true of it, and what is found. null: it is not cold yet. */
export function cameOf(day: Day, hands: Hands | null = null): { truth: SetTruth, outcome: Outcome } | null {
  const { b, plan, whole, pH, truths, log } = day
  const joined = heatAndJoin(day, hands)
  if (!joined) return null
  const air = given(b.set.air) ?? airOf(b, plan)
  const cold = fillAndCool(day, joined, air, hands)
  if (!cold) return null
  const { poured, hot, law, baked, cooled, driedG } = cold
  const finished = evaporate(joined.steamed, driedG)
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
    massG: joined.filledG - driedG,
  }
  return { truth, outcome: outcomeFound(b, finished, truth, truths, log.noise) }
}
