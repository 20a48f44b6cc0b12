/**
 * The heat in the simulated kitchen: a cook at a pot who goes by the probe, then the sieve and what joins afterwards.
 * The truth is the plant's; the cook sees what the instruments show.
 */
import { STANDARD } from '../base/parameters'
import type { Noise } from '../base/noise'
import { type Bench, fillingOf, panOf } from '../formula/bench'
import type { Kitchen } from '../kitchen/kitchen'
import { type EggTemperatures, eggTemperatures } from '../physics/heat/egg'
import { meansBoil, panFor, panOfSize } from '../physics/heat/pot'
import { addedSugarG, reductionG } from '../physics/heat/reduction'
import { pHOfMix } from '../physics/matter/acidity'
import { type Mix, mix } from '../physics/matter/mix'
import { waterActivityOf } from '../physics/matter/solutes'
import { boilingPoint } from '../physics/thermal/steam'
import { FAT_LATENT, fractionsOf, heatCapacityTable, solidFat, thermalProperties } from '../physics/thermal/properties'
import type { MixPlan } from '../pipeline/mixPlan'
import { COLD_SUMS, type EggState, eggLater, type HeatSums, RAW, sumsLater } from '../plant/gel'
import { loggerShows, scaleShows } from '../plant/instruments'
import { faceC, pieceCoreC, pieceLater, pieceMeanC, startPiece } from '../plant/piece'
import {
  canProbe, potLater, potMeanC, type PotState, type PotStated, type PotTruth, probeLater, probeShows, type ProbeTruth,
  startPot,
} from '../plant/pot'
import type { Mistake, Truths } from '../plant/truth'
import { happen, type Log, read } from './log'

/** A hot mix as it stands: what heat has made of it so far. */
export interface Hot {
  tempC: number
  massG: number
  /** Water gone, g. */
  goneG: number
  egg: EggState
  law: EggTemperatures | null
  /** Of what was heated, of the whole since, and as they stood when each addition joined: what came after is theirs. */
  sums: HeatSums
  wholeSums: HeatSums
  joined: HeatSums[]
  panCapacity: number
  /** How hot what joined with acid in it met the mix, °C; null: none did. */
  metC: number | null
  peakC: number
}

/** What a plan's heat says, in the pot's words. */
function statedOf(b: Bench, kitchen: Kitchen, cooked: Mix): PotStated {
  const hot = thermalProperties(fractionsOf(cooked), 60)
  const own = panOf(b, kitchen)
  const { method } = b.heat
  const pan = own ? panOfSize(own) : panFor(cooked.massG / 1000 / hot.rho, method === 'microwave' ? 'glass' : 'steel')
  return {
    massG: cooked.massG,
    waterG: cooked.grams.water,
    cp: hot.cp,
    surfaceM2: pan.surfaceM2,
    panCapacity: pan.heatCapacity,
    method: method as PotStated['method'],
    burnerW: b.heat.burnerW,
    altitudeM: kitchen.altitudeM,
    waterActivity: waterActivityOf(cooked),
  }
}
/** The truth of a pot: the kitchen's, and what this day is like. */
function truthOf(b: Bench, kitchen: Kitchen, truths: Truths, noise: Noise): PotTruth {
  const burner = truths('burnerFactor', b.heat.burnerId ?? '')
  const cycling = kitchen.burners.find(x => x.id === b.heat.burnerId)?.kind === 'induction'
  return {
    burnerFactor: burner,
    panFactor: 1,
    massFactor: 1,
    evaporationFactor: truths('evaporationFactor', b.heat.pan?.panId ?? ''),
    lossFactor: 1,
    bathDropK: noise.between(0.6, 1.4),
    bathFactor: burner,
    stirWPerKKg: noise.between(90, 200),
    burnerLagS: noise.between(2, 8),
    cycleS: cycling ? noise.between(6, 10) : 0,
    duty: 0.6,
    startTempC: b.heat.startTempC + 0.7 * noise.normal(),
    roomTempC: kitchen.roomTempC + noise.normal(),
    turns: [],
  }
}
const probeOf = (truths: Truths, noise: Noise): ProbeTruth => ({
  biasK: truths('probeBiasK'), lagS: noise.between(3, 7), noiseK: 0.1, deep: noise.between(0, 0.15), stepK: 0.1,
})

/** A cook writes a reading down so often, s, and gives up after so long. */
const READS_S = 3
const MOST_S = 2.5 * 3600
const HOLD_BAND_K = 0.4
/** A pot that gains no more than this in that time has stalled. */
const STALLED = { afterS: 240, gainK: 0.5 }

/** When the cook is done, from what is seen. */
interface Goal {
  targetC: number
  holdS: number
  boils: boolean
  /** To boil off, g by the scale; null: by the clock. */
  reduceG: number | null
}
function goalOf(b: Bench, kitchen: Kitchen, cooked: Mix, mistake: Mistake | null): Goal {
  const missed = mistake?.kind === 'targetMissedK' ? (mistake.amount ?? 3) : 0
  const boils = meansBoil(b.heat.targetTempC, kitchen.altitudeM)
  const early = mistake?.kind === 'reductionStoppedEarlyG' ? (mistake.amount ?? 40) : 0
  const ruleG = Math.min(reductionG(addedSugarG(cooked.parts)), 0.6 * cooked.grams.water)
  const reduceG = b.heat.until === 'creamVolume' ? Math.max(0, ruleG - early) : null
  return { targetC: b.heat.targetTempC + missed, holdS: b.heat.holdS, boils, reduceG }
}

/** What stands on the stove, and what does not change while it does. */
interface Stove {
  stated: PotStated
  probe: ProbeTruth
  law: EggTemperatures | null
  pH: number
  goal: Goal
  boilC: number
  scale: number
  tareG: number
  log: Log
}
/** How it stands: the pot, what its probe feels, what heat has made of it. */
interface AtStove {
  truth: PotTruth
  pot: PotState
  feltC: number
  egg: EggState
  sums: HeatSums
}
const TICK_S = 0.5
const tick = ({ stated, probe, law, pH }: Stove, s: AtStove): AtStove => {
  const pot = potLater(stated, s.truth, s.pot, TICK_S)
  const midC = (potMeanC(s.pot) + potMeanC(pot)) / 2
  return {
    truth: s.truth,
    pot,
    feltC: probeLater(probe, s.feltC, pot, TICK_S),
    egg: law ? eggLater(s.egg, law, midC, pot.y[2], TICK_S) : s.egg,
    sums: sumsLater(s.sums, STANDARD, pH, midC, TICK_S),
  }
}
const shownOf = ({ probe, log }: Stove, s: AtStove) => Number(probeShows(probe, s.feltC, log.noise).toFixed(1))
/** Whether the cook, looking at the probe, is where it was to go; what boils is seen to boil. */
const isThere = ({ goal, boilC, probe }: Stove, shownC: number) =>
  goal.boils ? shownC >= Math.min(goal.targetC, boilC) - 1 + Math.min(0, probe.biasK) : shownC >= goal.targetC

/** A cook of flesh and blood at the simulated pot: when it was put on and came off by the batch's clock, s. */
export interface ByHand {
  onS: number
  /** null: it is still on. */
  offS: number | null
  nowS: number
  /** Turns of the knob, s from its being put on. */
  turns: PotTruth['turns']
}

/** What the instruments of a pot write down at a tick: the probe, and the scale where something is boiled off. */
function readStove(stove: Stove, s: AtStove, k: number): number | null {
  const { goal, log, stated } = stove
  if (k % Math.round(READS_S / TICK_S) !== 0 || !canProbe(stated, s.pot.timeS)) return null
  const shownC = shownOf(stove, s)
  read(log, 'probe', 'pot', shownC)
  if (goal.reduceG !== null && k % Math.round((5 * READS_S) / TICK_S) === 0)
    read(log, 'scale', 'weight', scaleShows(stove.scale, stated.massG - 1000 * s.pot.y[4] + stove.tareG, log.noise))
  return shownC
}

/** On the heat for as long as somebody leaves it there. */
function underHands(stove: Stove, from: AtStove, { onS, offS, nowS, turns }: ByHand): AtStove {
  let s = { ...from, truth: { ...from.truth, turns } }
  const endS = Math.min(offS ?? nowS, nowS) - onS
  for (let k = 1; s.pot.timeS < endS && s.pot.timeS <= MOST_S; k++) {
    s = tick(stove, s)
    stove.log.nowS = onS + s.pot.timeS
    readStove(stove, s, k)
  }
  return s
}

/** On the heat until the cook takes it off: at the goal, or as it gets no hotter. */
function onTheHeat(stove: Stove, from: AtStove, startS: number): AtStove {
  const { goal, log } = stove
  let s = from
  let reachedS: number | null = null
  let marked = { atS: 0, shownC: -99 }
  for (let k = 1; s.pot.timeS <= MOST_S; k++) {
    s = tick(stove, s)
    const { timeS } = s.pot
    log.nowS = startS + timeS
    const shownC = readStove(stove, s, k)
    if (shownC !== null) {
      if (isThere(stove, shownC)) reachedS ??= timeS
      // In the hold the flame is turned down and up again by what the probe shows.
      const power = shownC > goal.targetC - HOLD_BAND_K / 2 ? 0.15 : 0.7
      if (reachedS !== null && !goal.boils) s = { ...s, truth: { ...s.truth, turns: [{ atS: timeS, power }] } }
      if (reachedS === null && timeS - marked.atS >= STALLED.afterS) {
        if (shownC < marked.shownC + STALLED.gainK) return s
        marked = { atS: timeS, shownC }
      }
    }
    if (reachedS === null) continue
    const isOver = goal.reduceG === null
      ? timeS >= reachedS + goal.holdS : stove.scale * 1000 * s.pot.y[4] >= goal.reduceG
    if (isOver) return s
  }
  return s
}
/** Off the heat, still in the pan, s. */
const CARRIES_S = 30

/** The pot, from the ring's first heat to its last; by the probe, or under somebody's hands. */
export function heatInPot(
  b: Bench, kitchen: Kitchen, plan: MixPlan, truths: Truths, mistake: Mistake | null, log: Log, hand?: ByHand,
): Hot {
  const cooked = mix(plan.cooked)
  const pH = pHOfMix(cooked)
  const stated = statedOf(b, kitchen, cooked)
  const stove: Stove = {
    stated,
    probe: probeOf(truths, log.noise),
    law: eggTemperatures(cooked, pH, STANDARD.egg),
    pH,
    goal: goalOf(b, kitchen, cooked, mistake),
    boilC: boilingPoint(kitchen.altitudeM, stated.waterActivity),
    scale: truths('scaleFactor'),
    tareG: panOf(b, kitchen)?.tareG ?? 0,
    log,
  }
  const truth = truthOf(b, kitchen, truths, log.noise)
  const startS = log.nowS
  happen(log, { kind: 'heatOn' })
  const cold = { truth, pot: startPot(truth), feltC: truth.startTempC, egg: RAW, sums: COLD_SUMS }
  let s = hand ? underHands(stove, cold, hand) : onTheHeat(stove, cold, startS)
  happen(log, { kind: 'heatOff' })
  s = { ...s, truth: { ...s.truth, turns: [{ atS: s.pot.timeS, power: 0 }], burnerLagS: 0.5 } }
  const carriesS = hand ? Math.min(CARRIES_S, Math.max(0, hand.nowS - log.nowS)) : CARRIES_S
  for (let k = 1; k <= carriesS / TICK_S; k++) {
    s = tick(stove, s)
    log.nowS = startS + s.pot.timeS
    if (k % 10 === 0) read(log, 'probe', 'pot', shownOf(stove, s))
  }
  const goneG = 1000 * s.pot.y[4]
  const massG = cooked.massG - goneG
  happen(log, {
    kind: 'panWeighed', shownG: scaleShows(stove.scale, massG + stove.tareG, log.noise), tareG: stove.tareG,
  })
  return {
    tempC: potMeanC(s.pot), massG, goneG, egg: s.egg, law: stove.law, sums: s.sums, wholeSums: s.sums, joined: [],
    panCapacity: stated.panCapacity, metC: null, peakC: s.sums.peakC,
  }
}

/** A mix that is not heated, or only in the oven. */
export function notHeated(b: Bench, plan: MixPlan): Hot {
  const cooked = mix(plan.cooked)
  const law = eggTemperatures(cooked, pHOfMix(cooked), STANDARD.egg)
  const tempC = b.heat.startTempC
  return {
    tempC, massG: cooked.massG, goneG: 0, egg: RAW, law, sums: COLD_SUMS, wholeSums: COLD_SUMS, joined: [],
    panCapacity: 0,
    metC: null, peakC: tempC,
  }
}

/** Some seconds on the way from where it is to another temperature. */
export function goTo(h: Hot, toC: number, seconds: number, pH: number, log: Log): Hot {
  const n = Math.max(1, Math.round(seconds))
  const dt = seconds / n
  let { egg, wholeSums } = h
  for (let i = 0; i < n; i++) {
    const midC = h.tempC + ((toC - h.tempC) * (i + 0.5)) / n
    if (h.law) egg = eggLater(egg, h.law, midC, midC, dt)
    wholeSums = sumsLater(wholeSums, STANDARD, pH, midC, dt)
  }
  log.nowS += seconds
  return { ...h, tempC: toC, egg, wholeSums }
}

const heatOf = (m: Mix, tempC: number) => (m.massG / 1000) * thermalProperties(fractionsOf(m), tempC).cp

/** The sieve, and what joins the mix, in the order of the steps. */
export function joinAll(b: Bench, kitchen: Kitchen, plan: MixPlan, hot: Hot, pH: number, log: Log): Hot {
  let h = hot
  const cooked = mix(plan.cooked)
  let jPerK = heatOf(cooked, 60) * (h.massG / cooked.massG)
  if (h.panCapacity > 0 && fillingOf(b).steps.some(s => s.kind === 'strain'))
    h = goTo(h, (jPerK * h.tempC + h.panCapacity * kitchen.roomTempC) / (jPerK + h.panCapacity), 60, pH, log)
  for (const a of plan.additions) {
    if (a.mixTempC !== null && a.mixTempC < h.tempC) h = goTo(h, a.mixTempC, ((h.tempC - a.mixTempC) / 3) * 60, pH, log)
    const cold = mix(a.parts)
    const isAcid = a.parts.some(x => (x.row.acid?.typical ?? 0) > 0.5)
    if (isAcid && h.metC === null) h = { ...h, metC: h.tempC }
    const coldJ = heatOf(cold, a.lineTempC)
    const melts = Math.max(0, solidFat(a.lineTempC) - solidFat(h.tempC))
    const meltsJ = (cold.grams.milkFat / 1000) * FAT_LATENT * melts
    const endC = (jPerK * h.tempC + coldJ * a.lineTempC - meltsJ) / (jPerK + coldJ)
    h = goTo(h, endC, a.kind === 'foldIn' ? 180 : 120, pH, log)
    jPerK += coldJ
    h = { ...h, massG: h.massG + cold.massG, joined: [...h.joined, h.wholeSums] }
  }
  return h
}

/** A pouch in its bath, until its middle is as hot as the bath and has stood there; or under somebody's hands. */
export function inPouch(
  b: Bench, plan: MixPlan, truths: Truths, mistake: Mistake | null, log: Log, hand?: ByHand,
): Hot {
  const cooked = mix(plan.cooked)
  const pH = pHOfMix(cooked)
  const law = eggTemperatures(cooked, pH, STANDARD.egg)
  const f = fractionsOf(cooked)
  const warm = thermalProperties(f, 50)
  const bathC = b.heat.targetTempC + (mistake?.kind === 'targetMissedK' ? (mistake.amount ?? 3) : 0) - truths('probeBiasK')
  const side = { u: 0, airC: bathC, leavesWM2: 0 }
  const face = { u: STANDARD.pot.pouchU, airC: bathC, leavesWM2: 0 }
  let piece = startPiece({
    radiusM: 0.1, depthM: b.heat.pouchM ?? 0.025, k: warm.k, rho: warm.rho, cp: heatCapacityTable(f),
  }, b.heat.startTempC)
  let egg = RAW
  let sums = COLD_SUMS
  let reachedS: number | null = null
  const startS = log.nowS
  happen(log, { kind: 'heatOn' })
  for (let t = 5; ; t += 5) {
    piece = pieceLater(piece, { top: face, base: face, side }, 5)
    log.nowS = startS + t
    const meanC = pieceMeanC(piece)
    if (law) egg = eggLater(egg, law, meanC, faceC(piece, 'base'), 5)
    sums = sumsLater(sums, STANDARD, pH, meanC, 5)
    if (t % 15 === 0) read(log, 'probe', 'pot', loggerShows(pieceCoreC(piece), truths('probeBiasK'), log.noise))
    if (hand) {
      if (log.nowS >= Math.min(hand.offS ?? hand.nowS, hand.nowS)) break
      continue
    }
    if (pieceCoreC(piece) >= bathC - 0.7) reachedS ??= t
    if ((reachedS !== null && t >= reachedS + b.heat.holdS) || t > MOST_S) break
  }
  happen(log, { kind: 'heatOff' })
  return {
    tempC: pieceMeanC(piece), massG: cooked.massG, goneG: 0, egg, law, sums, wholeSums: sums, joined: [],
    panCapacity: 0, metC: null, peakC: sums.peakC,
  }
}
