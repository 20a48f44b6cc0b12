/**
 * Set: what the egg came to in the heat and on the way down, what time and cold made of everything else, how firm it is
 * from the cold and on the plate, and when it is ready. The fourth stage of the line.
 */
import { type Parameters, STANDARD } from '../base/parameters'
import type { Bench } from '../formula/bench'
import { given } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { FIRM_MEAN_C, thawedAt } from '../physics/chill/freezing'
import type { History } from '../physics/heat/dose'
import { eggEnd, type EggEnd, eggWork, type EggWork } from '../physics/heat/egg'
import { CODES, coolingStages, type StageResult } from '../physics/safety/keeping'
import { tableSlump, type Target, targetOf } from '../physics/set/bands'
import {
  type Setting, settingAlong, settingAt, type SettingInputs, settledIn, statedSetting, stressAt,
  UNSET,
} from '../physics/set/setting'
import { elasticOf } from '../physics/set/firmness'
import { SET_SHARE, setAt, type SetResult } from '../physics/set/state'
import { timeAbove, timeBelow, valueAt } from '../physics/thermal/conduction'
import { type Cooling, FULL_SET_S, joinHistory, tableStep } from './chill'
import type { Chilled } from './chilled'
import { WHISK_COOL_K_PER_MIN } from './heat'
import type { Heated } from './heated'
import { knitsCold } from './making'
import type { Mixed } from './mixed'

/** Freezing, where a place is cold enough: freezing point, most ice, when firm enough to unmould, when thawed again. */
export interface FreezeFigures {
  freezingC: number
  mostIce: number
  iceShare: number[]
  firmS: number | null
  thawedS: number | null
}

export interface Settled {
  egg: EggWork | null
  end: EggEnd
  /** The way down that the egg saw after the heat. */
  after: History
  inputs: SettingInputs
  /** Setting as the time in the cold begins. */
  start: Setting
  /** Yield stress along the cold, Pa, and after a whole day. */
  stressPa: number[]
  fullPa: number
  chilledS: number
  stated: boolean
  pieceHeightM: number
  target: Target
  cold: SetResult
  plate: SetResult
  table: { timeS: number[], meanC: number[], tauPa: number[], slump: number[] }
  standsOnTableS: number | null
  freeze: FreezeFigures | null
  readyS: number | null
  stages: StageResult[]
  slowStages: StageResult[]
}

/** Freezing, unmoulding and thawing; null where nothing freezes. */
function freezeFigures(chill: Cooling): FreezeFigures | null {
  if (!chill.freezing) return null
  const { ice, solid } = chill.freezing
  const iceShare = chill.meanC.map(ice)
  const firmS = timeBelow(chill.timeS, chill.meanC, FIRM_MEAN_C)
  const thawedS = firmS === null ? 0 : thawedAt(chill.timeS, chill.meanC)
  return { freezingC: solid.freezing!.pointC, mostIce: Math.max(...iceShare), iceShare, firmS, thawedS }
}

/** The stated way down: 3 K/min to the stated temperature. */
const rampTo = (statedC: number, fromC: number): History => ({
  timeS: [0, Math.max(0, ((fromC - statedC) / WHISK_COOL_K_PER_MIN) * 60)],
  tempC: [fromC, statedC],
})

/** What the egg goes through after the heat: the stated way down, or what joins it and the cold. */
function wayDown(doc: Bench, heated: Heated, chill: Cooling): History {
  const statedC = given(doc.serve.coldTempC)
  if (statedC !== null) return rampTo(statedC, heated.pot.run.endTempC)
  return joinHistory(heated.bake ? { timeS: [0], tempC: [heated.pourTempC] } : heated.joined.history, chill)
}

/** When it is ready: three quarters of a day's strength, and what the use asks for; frozen, only once thawed. */
function readyAt(
  timeS: readonly number[],
  stressPa: number[],
  fullPa: number,
  wantedPa: number,
  freeze: FreezeFigures | null,
): number | null {
  const notBefore = freeze !== null && freeze.firmS !== null ? freeze.thawedS : 0
  const setS = timeAbove(timeS, stressPa, SET_SHARE * fullPa)
  const wantedS = timeAbove(timeS, stressPa, wantedPa)
  return setS === null || wantedS === null || notBefore === null ? null : Math.max(setS, wantedS, notBefore)
}

/** Hours in the cold of a piece whose temperature is stated, where they are not (the ladder's own). */
const STATED_CHILL_S = 18 * 3600

/** What the dessert comes to. */
export function setStage(
  doc: Bench,
  kitchen: Kitchen,
  mixed: Mixed,
  heated: Heated,
  chilled: Chilled,
  p: Parameters = STANDARD,
): Settled {
  const { body, cooking, shape, finished } = heated
  const { run: chill, slow } = chilled
  const after = wayDown(doc, heated, chill)
  const egg = heated.temperatures && eggWork(heated.temperatures, cooking, after)
  const end = eggEnd(egg)
  const { a, b } = end
  const { stirred } = cooking
  const inputs = {
    pH: mixed.pH,
    caseinC: body.caseinC,
    knitsCold: knitsCold(mixed.plan.all, stirred),
    rates: p.setting,
  }
  const start = stirred ? UNSET : settledIn(cooking.histories, inputs)
  const settings = settingAlong(chill.timeS, chill.coreC, inputs, start)
  const stressPa = chill.timeS.map((_, i) => stressAt(body, settings[i]!, chill.coreC[i]!, a, b))
  const fullPa = valueAt(chill.timeS, stressPa, FULL_SET_S)

  const statedC = given(doc.serve.coldTempC)
  const statedS = given(doc.serve.chilledS)
  const chilledS = statedS ?? chill.totalS
  const cut = doc.use.kind === 'cut' || doc.use.kind === 'turnedOut'
  // What lies over a level rests on it.
  const pieceHeightM = cut ? Math.min(doc.use.pieceHeightM, shape.bearsM) : doc.use.pieceHeightM
  const coldTempC = statedC ?? valueAt(chill.timeS, chill.coreC, chilledS)
  const coldSetting =
    statedC === null
      ? settingAt(chill.timeS, settings, chilledS)
      : statedSetting(after, statedC, statedS ?? STATED_CHILL_S, inputs, start)
  const use = { ...doc.use, pieceHeightM }
  const { density } = body.phases
  const cold = setAt(body, { ...coldSetting, a, b, tempC: coldTempC }, use)
  // One piece is one gel: what it is asked for on the plate is asked by what it is from the cold.
  const elastic = elasticOf(cold.mechanismsPa, body.gums)
  const target = targetOf(use, density, elastic)

  const table = tableStep(doc, {
    finished, fromC: coldTempC, heightM: pieceHeightM, aw: heated.waterActivity, air: body.phases.air,
  }, p.cold)
  const onTable = settingAlong(table.timeS, table.meanC, inputs, coldSetting)
  const tauPa = table.timeS.map((_, i) => stressAt(body, onTable[i]!, table.meanC[i]!, a, b))
  const { tableTimeS } = doc.use
  const served = settingAt(table.timeS, onTable, tableTimeS)
  const freeze = freezeFigures(chill)
  const below = (c: Cooling) => (t: number) => timeBelow(c.timeS, c.coreC, t)
  const code = CODES[kitchen.foodCode]
  return {
    egg,
    end,
    after,
    inputs,
    start,
    stressPa,
    fullPa,
    chilledS,
    stated: statedC !== null,
    pieceHeightM,
    target,
    cold,
    plate: setAt(body, { ...served, a, b, tempC: valueAt(table.timeS, table.meanC, tableTimeS) }, use, elastic),
    table: {
      timeS: table.timeS,
      meanC: table.meanC,
      tauPa,
      slump: tauPa.map(pa => tableSlump(pa, density, pieceHeightM, use.kind, elastic)),
    },
    standsOnTableS: timeBelow(table.timeS, tauPa, target.plateMinPa),
    freeze,
    readyS: readyAt(chill.timeS, stressPa, fullPa, target.coldMinPa, freeze),
    stages: coolingStages(code, below(chill)),
    slowStages: coolingStages(code, below(slow)),
  }
}
