/**
 * What `assess` answers: plain data, every quantity with unit, spread and provenance; findings as codes, never prose.
 */
import type { Bench } from '../formula/bench'
import { given } from '../formula/document'
import { setName, STANDARD } from '../base/parameters'
import type { Provenance, Quantity } from '../base/provenance'
import type { Lean } from '../physics/geometry/cavity'
import type { ReductionTarget } from '../physics/heat/reduction'
import type { Colour } from '../physics/matter/colour'
import type { Aroma } from '../physics/matter/aroma'
import type { Sharpness, Taste } from '../physics/matter/taste'
import type { StageResult } from '../physics/safety/keeping'
import type { Target } from '../physics/set/bands'
import type { Making } from '../physics/set/firmness'
import type { SetResult } from '../physics/set/state'
import type { Weeping } from '../physics/set/weeping'
import type { Dissolving } from './figures/dissolving'
import type { Release } from './release'
import type { FreezeFigures } from './settled'
import type { Whipping } from './whipped'

/** Raised whenever a result could change for the same document. */
export const ENGINE_VERSION = '2.14.0'
/** What a stored result was worked out by: the engine and its set of parameters. */
export const RESULT_ENGINE = `${ENGINE_VERSION} ${setName(STANDARD)}`

export const STATIONS = ['stock', 'balance', 'shape', 'heat', 'chill', 'serve'] as const
export type Station = (typeof STATIONS)[number]
/**
 * The station where a field of the document is changed.
 * @example stationOfPath('heat.targetTempC') // 'heat'
 */
export function stationOfPath(path: string): Station {
  if (path.startsWith('assembly') || path.startsWith('losses')) return 'shape'
  if (path.startsWith('heat') || path.startsWith('set')) return 'heat'
  if (path.startsWith('chill')) return 'chill'
  if (path.startsWith('serve') || path.startsWith('use')) return 'serve'
  return 'balance'
}
export type Severity = 'info' | 'look' | 'stop'

export type FindingCode =
  | 'notModelled'
  | 'phaseInversion'
  | 'waterLow'
  | 'noEgg'
  | 'noSetter'
  | 'noAcid'
  | 'coarseGel'
  | 'lowAcid'
  | 'bitterZest'
  | 'scrubPeel'
  | 'tooSharp'
  | 'tasteFlat'
  | 'alcohol'
  | 'acidShort'
  | 'acidCurdles'
  | 'acidTooHot'
  | 'gelatinAcid'
  | 'rawProtease'
  | 'rawFruit'
  | 'wontRelease'
  | 'ringLeaks'
  | 'rollCracks'
  | 'edgeSets'
  | 'creamOils'
  | 'hardlyWhips'
  | 'acidThickens'
  | 'sugarGritty'
  | 'meringueGritty'
  | 'agarAcid'
  | 'starchUndercooked'
  | 'starchAcid'
  | 'amylase'
  | 'gelatinStrings'
  | 'butterSplits'
  | 'overflows'
  | 'headroomLow'
  | 'potStalls'
  | 'ovenStalls'
  | 'grainy'
  | 'scrambled'
  | 'grainyNear'
  | 'underset'
  | 'lethalityLow'
  | 'measure71'
  | 'oversetsInDepth'
  | 'boilOver'
  | 'rawEgg'
  | 'rawFlour'
  | 'boilingSugar'
  | 'microwaveJug'
  | 'coldMiddle'
  | 'sealedFood'
  | 'steamDrips'
  | 'ovenLoads'
  | 'hotIntoGlass'
  | 'glassOven'
  | 'filmTooHot'
  | 'uncovered'
  | 'coolsTooSlowly'
  | 'coolsAtLimit'
  | 'fridgeWarm'
  | 'frozen'
  | 'thawing'
  | 'servedBeforeSet'
  | 'counterTooLong'
  | 'weeps'
  | 'holdsHours'
  | 'looseCold'
  | 'sagsOnTable'
  | 'tooFirm'
  | 'lightSkin'
  | 'medicines'
  | 'reactivePan'
  | 'allergens'
  | 'animalGelatin'
  | 'noStart'
  | 'lotDate'
  | 'springRoom'
  | 'spillsLeaning'
  | 'panTooSmall'
  | 'acidTooLate'
  | 'claimTooLong'
  | 'fridgeLoad'
  | 'rawTopping'

export interface Finding {
  code: FindingCode
  severity: Severity
  station: Station
  path: string
  params: Readonly<Record<string, number | string>>
}

export type StationState = 'ok' | 'needs' | 'error'
/** `verdict` of the plan as a whole. */
export type VerdictCode =
  'good' | 'edge' | 'frozen' | 'sagsOnTable' | 'looseCold' | 'runny' | 'grainy' | 'tooFirm' | 'servedBeforeSet'

export interface Composition {
  water: number
  sugar: number
  fat: number
  eggProtein: number
  milkProtein: number
  starch: number
  acid: number
  other: number
}

export interface Assessment {
  engineVersion: string
  schemaVersion: number
  stations: Record<Station, { state: StationState, mark: 'fine' | 'look' | 'stop' }>
  findings: Finding[]
  stock: {
    massG: number
    juiceG: number
    /** Mean acidity of the juices, % as citric. */
    juiceAcid: Quantity
    juiceProvenance: Provenance
    lines: { id: string, acidPercent: number | null, acidLnSigma: number }[]
  }
  balance: {
    pH: Quantity
    acidPercent: Quantity
    brix: Quantity
    sugarToAcid: Quantity
    waterActivity: Quantity
    fatPercent: Quantity
    sugarPercent: Quantity
    /** Ethanol, % of the whole. */
    alcoholPercent: number
    composition: Composition
    taste: Taste
    sharpness: Sharpness
    aroma: Aroma
    colour: Colour
    /** Null where no sugar goes in as grains. */
    dissolving: Dissolving | null
  }
  shape: {
    volumeM3: number
    depthM: number
    headroomM: number
    fillShare: number
    count: number
    portionG: number
    batchG: number
    density: number
    /** Depth as a slice keeps it: the wanted piece height against the depth of fill. */
    pieceHeightM: number
    /** A glass that leans while it sets: fill at its low and high side, and the most it can lean, degrees. */
    lean: Lean | null
    /** How it is got out of its mould; null: it stays in its vessel. */
    release: Release | null
  }
  heat: {
    reachedS: number | null
    endS: number
    timeS: number[]
    tempC: number[]
    setting: number[]
    oversetting: number[]
    lethalityMin: number[]
    t60C: number | null
    t60bC: number | null
    coatsS: number | null
    doneS: number | null
    grainyS: number | null
    /** The temperature at which the same hold would turn it grainy, °C. */
    grainyAtC: number | null
    marginK: number | null
    /**
     * How much longer it could stay in the pan, as hot as it ends, before it is grainy, s; null without egg and in
     * the oven.
     */
    marginS: number | null
    /** Extents in the end: mean of the piece, and setting of its coldest part. */
    a: number
    b: number
    coreA: number
    lethality: Quantity
    evaporatedG: number
    /** The oven with its load: vessels in it at once, loads, and the coldest its air gets, °C; null in no oven. */
    oven: { atOnce: number, loads: number, leastC: number } | null
    /** How far a microwave's last burst before the target leaves the middle behind, K; 0 where all is stirred. */
    middleBehindK: number
    /** Water gone along the heat, g; share of the starch swollen along it, empty without starch. */
    evaporationG: number[]
    starchShare: number[]
    /**
     * What joined after the heat: temperature of the mix before and after, °C, and seconds from the heat's end.
     * `step` of the filling's steps.
     */
    joins: { step: number, beforeC: number, afterC: number, atS: number }[]
    /** Cream that is whipped, by its step. */
    whipping: Whipping[]
    /** Where acid sets milk: the hottest it may go in and few batches turn grainy, °C. */
    smoothBelowC: number | null
    /** What still comes after the heat is off, K. */
    carryK: number
    /** Contents of the pan when it comes off the heat, without the pan, g. */
    panG: number
    /** Where a boil to the cream's volume stops; null for any other heat. */
    reduction: ReductionTarget | null
    peakTempC: number
    pourTempC: number
  }
  set: {
    making: Making
    /** Concentrations the set is computed from, g per 100 g (see docs/science.md). */
    eggC: number
    caseinC: number
    starchC: number
    gelatinC: number
    starchCooked: number
    weeping: Weeping
  }
  chill: {
    timeS: number[]
    coreC: number[]
    meanC: number[]
    slowCoreC: number[]
    setShare: number[]
    /** `warmestC`: what the load and its door make of its air. */
    legs: { id: string, fromS: number, toS: number, airTempC: number, warmestC: number, kind: string }[]
    to21S: number | null
    to8S: number | null
    to5S: number | null
    stages: StageResult[]
    slowStages: StageResult[]
    /** Cooled inside the code at the prediction and at its slow end. */
    safe: boolean
    safeSlow: boolean
    readyS: number | null
    coldS: number | null
    servedS: number
    /**
     * Heat the batch gives a fridge in its first hour there, against what such a one carries off, W; null: no fridge.
     */
    load: { leg: number, watts: number, capacityW: number, warmestC: number } | null
    freeze: FreezeFigures | null
  }
  serve: {
    readyAfterS: number | null
    servedAfterS: number
    useBy: string | null
    /** Days it keeps by the kitchen's code, the day of making being day 1; 0 where it must be eaten the same day. */
    storageDays: number
    standsOnTableS: number | null
    tableTimeS: number
    plateTempC: number
    /** The piece on the table as it warms: mean temperature, yield stress, share of its height it has lost. */
    table: { timeS: number[], meanC: number[], tauPa: number[], slump: number[] }
  }
  /** `leans`: of a plan on the edge, how it is likeliest to fail; else the code itself. */
  verdict: { code: VerdictCode, leans: VerdictCode, cold: SetResult, plate: SetResult, target: Target }
}

/**
 * Seconds from the start until it is poured (or out of the oven).
 * @example pouredAfterS(assessment) > 600 // true
 */
export const pouredAfterS = (a: Assessment): number => a.serve.servedAfterS - a.chill.servedS

/**
 * What is poured into all vessels, g: a pot's steam is gone before it, an oven's leaves there.
 * @example pouredG(doc, assessment) === assessment.shape.batchG // true
 */
export const pouredG = ({ heat, losses }: Pick<Bench, 'heat' | 'losses'>, a: Assessment): number =>
  a.shape.batchG + (heat.method === 'oven' ? a.heat.evaporatedG * (1 - losses.sieveFraction) : 0)

/**
 * What the mix, or the middle in an oven, is taken to, °C: where the minutes are said, what they come to.
 * @example takenToC(doc.heat, assessment) // 80
 */
export const takenToC = ({ method, oven, targetTempC }: Bench['heat'], a: Assessment): number =>
  method === 'oven' && given(oven.timeS) !== null ? a.heat.peakTempC : targetTempC

/**
 * Whether a plan misses in a way an adjustment could mend.
 * @example isOffTarget(assessment) // false
 */
export const isOffTarget = (a: Assessment): boolean =>
  a.verdict.code !== 'good' ||
  a.findings.some(f => f.code === 'coolsTooSlowly' || f.code === 'coolsAtLimit' || f.code === 'servedBeforeSet')
