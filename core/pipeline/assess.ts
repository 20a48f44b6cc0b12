/**
 * The one pipeline: mixed → heated → chilled → set → judged. Each stage is a value made from the one before; whoever
 * needs less than the whole (a point, a sample, another way to chill) starts from a stage and repeats nothing.
 */
import { type Parameters, STANDARD } from '../base/parameters'
import { type Bench, fillingOf } from '../formula/bench'
import { peelOf } from '../formula/zest'
import { untilPoured } from '../formula/own'
import { SCHEMA_VERSION } from '../formula/document'
import { sourCentreOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import { taste } from '../physics/matter/taste'
import { weepingOf } from '../physics/set/weeping'
import { type Assessment, ENGINE_VERSION, type Finding, STATIONS } from './assessment'
import { type Chilled, chillStage } from './chilled'
import { aromaFigures } from './figures/aroma'
import { dissolvingFigures } from './figures/dissolving'
import { balanceFigures, stockFigures } from './figures/balance'
import { chillFigures, loadOf } from './figures/chill'
import { heatFigures } from './figures/heat'
import { type Heated, heatStage } from './heated'
import { judge } from './judge/judge'
import { inLearnedKitchen } from './learned'
import { releaseOf } from './release'
import type { SetFigures } from './judge/verdict'
import { type Mixed, mixStage } from './mixed'
import { setStage, type Settled } from './settled'

/** Every stage of a formula, and its assessment. */
export interface Worked {
  /** What it was made from. */
  bench: Bench
  kitchen: Kitchen
  parameters: Parameters
  mixed: Mixed
  heated: Heated
  chilled: Chilled
  settled: Settled
  /** What the rule of the set looked at. */
  figures: SetFigures
  assessment: Assessment
}

/**
 * Assesses a formula in a kitchen.
 * @returns the assessment, plain data; the same input always gives the same answer
 * @throws {InputError} naming the field, for impossible input; nothing else
 * @example assess(doc, kitchen).verdict.code // 'good'
 */
export const assess = (doc: Bench, kitchen: Kitchen, parameters: Parameters = STANDARD): Assessment =>
  work(doc, kitchen, parameters).assessment

/**
 * As `assess`, with the stages it went through. @throws {InputError}
 * @example work(doc, kitchen).settled.cold.band // 'mounds'
 */
export function work(asStated: Bench, statedKitchen: Kitchen, statedParameters: Parameters = STANDARD): Worked {
  const { bench: doc, kitchen, parameters } = inLearnedKitchen(asStated, statedKitchen, statedParameters)
  const mixed = mixStage(doc, kitchen)
  const heated = heatStage(doc, kitchen, mixed, parameters)
  const chilled = chillStage(doc, kitchen, heated, parameters)
  const settled = setStage(doc, kitchen, mixed, heated, chilled, parameters)
  const stages = { bench: doc, kitchen, parameters, mixed, heated, chilled, settled }
  return { ...stages, ...judged(doc, kitchen, stages) }
}

/** A frozen set weeps where more than this of its water was ice (judgement). */
const WEEPS_FROZEN = 0.1

/** Judged: the last stage, which makes no numbers of its own. */
function judged(
  doc: Bench, kitchen: Kitchen, stages: Omit<Worked, 'assessment' | 'figures'>,
): Pick<Worked, 'assessment' | 'figures'> {
  const { parameters, mixed, heated, chilled, settled } = stages
  const { finished, body, shape, joined } = heated
  const { cold, plate, target, freeze, end, chilledS, readyS } = settled
  const peel = peelOf(fillingOf(doc))
  const flavour = taste(finished, mixed.pH, sourCentreOf(doc.family, doc.school), parameters.taste, peel)
  const release = releaseOf(doc, kitchen, cold.tauStarPa)
  const aroma = aromaFigures(doc, mixed, heated)
  const dissolving = dissolvingFigures(doc, mixed, heated)
  const heat = heatFigures(doc, kitchen, mixed, heated, settled, parameters)
  const load = loadOf(chilled, heated, kitchen)
  const frozen = freeze !== null && freeze.mostIce > WEEPS_FROZEN
  const weeping = weepingOf(finished, body, cold.mechanismsPa, end.b, frozen, parameters.weeping)
  const facts = { doc, kitchen, mixed, heated, chilled, settled, heat, flavour, dissolving, release, load, weeping }
  const { findings, verdict, useBy, storageDays, figures } = judge(facts)
  const stock = stockFigures(doc, mixed.plan)
  const untilPouredS = untilPoured(doc, heat.endS, joined.history.timeS.at(-1)!)
  const assessment: Assessment = {
    engineVersion: ENGINE_VERSION,
    schemaVersion: SCHEMA_VERSION,
    stations: stationStates(findings),
    findings,
    stock,
    balance: balanceFigures(mixed, heated, stock, flavour, { aroma, dissolving }),
    shape: {
      volumeM3: shape.volumeM3,
      depthM: shape.depthM,
      headroomM: shape.headroomM,
      fillShare: shape.fillShare,
      count: doc.assembly.count,
      portionG: shape.filledG / doc.assembly.portions,
      batchG: shape.filledG,
      density: body.phases.density,
      pieceHeightM: settled.pieceHeightM,
      lean: shape.lean,
      release,
    },
    heat,
    set: {
      making: body.making,
      eggC: body.eggC,
      caseinC: body.caseinC,
      starchC: body.starchC,
      gelatinC: body.gelatinC,
      starchCooked: body.starchCooked,
      weeping,
    },
    chill: chillFigures(doc, kitchen, chilled, settled, load),
    serve: {
      readyAfterS: readyS === null ? null : untilPouredS + readyS,
      servedAfterS: untilPouredS + chilledS,
      useBy,
      storageDays,
      standsOnTableS: settled.standsOnTableS,
      tableTimeS: doc.use.tableTimeS,
      plateTempC: plate.tempC,
      table: settled.table,
    },
    verdict: { ...verdict, cold, plate, target },
  }
  return { assessment, figures }
}

/** A station's mark is its gravest finding. */
function stationStates(findings: Finding[]): Assessment['stations'] {
  return Object.fromEntries(
    STATIONS.map((station) => {
      const mine = findings.filter(f => f.station === station)
      const has = (severity: Finding['severity']) => mine.some(f => f.severity === severity)
      const needs = mine.some(f => f.code === 'noStart' || f.code === 'noEgg')
      return [station, { state: needs ? 'needs' : 'ok', mark: has('stop') ? 'stop' : has('look') ? 'look' : 'fine' }]
    }),
  ) as Assessment['stations']
}
