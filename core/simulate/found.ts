/** What the simulated cook finds as it is opened: the test that reads it best, ruler, spoon, eyes and tongue. */
import type { Noise } from '../base/noise'
import type { Bench } from '../formula/bench'
import { type Fault, type Outcome, plainOutcome, spoonWordOf } from '../book/outcome'
import { brix, type Mix } from '../physics/matter/mix'
import { taste } from '../physics/matter/taste'
import { corrected, type Elastic, heightsOf, isShaped, tableSlump, targetOf } from '../physics/set/bands'
import { bestTest } from '../physics/set/kitchenTests'
import { brixShows, loggerShows, pHShows, scaleShows } from '../plant/instruments'
import type { Truths } from '../plant/truth'

/** What is true of the set, cold and after its time on the table. */
export interface SetTruth {
  coldPa: number
  platePa: number
  density: number
  elastic: Elastic
  /** Over-setting, 0–1, and where it is told as grains. */
  overset: number
  grainyAt: number
  curdled: boolean
  weeps: boolean
  coreC: number
  pH: number
  massG: number
}

/** A ruler's step, m; how well two cooks agree on a test: ln of a load, mm of a ring and a puddle. */
const RULER_M = 0.001
/** A cook stops loading here, kg, and looking at a puddle here, m. */
const MOST_LOAD_KG = 20
const MOST_SPREAD_M = 0.5
const toRuler = (m: number) => Math.max(0, Math.round(m / RULER_M) * RULER_M)

export function outcomeFound(b: Bench, m: Mix, s: SetTruth, truths: Truths, noise: Noise): Outcome {
  const { kind } = b.use
  const h = b.use.pieceHeightM
  const target = targetOf(b.use, s.density, s.elastic)
  const { test, reading } = bestTest(s.coldPa, s.density)
  const sag = tableSlump(s.platePa, s.density, h, kind, s.elastic)
  const { cutsM } = heightsOf(kind, s.coldPa, s.density, s.elastic)
  const tongue = taste(m, s.pH)
  const loose = s.coldPa < target.coldMinPa
  const faults: Fault[] = [
    ...(loose ? ['runny' as const] : s.coldPa > target.coldMaxPa ? ['tooFirm' as const] : []),
    ...(s.overset > s.grainyAt || s.curdled ? ['grainy' as const] : []),
    ...(s.weeps ? ['weeping' as const] : []),
  ]
  const bySense = (x: number) => Math.round(Math.min(10, Math.max(0, x + 0.5 * noise.normal())) * 2) / 2
  return {
    ...plainOutcome(),
    asMeant: faults.length === 0,
    ringSankM: test === 'slump' ? toRuler(reading + 0.001 * noise.normal()) : null,
    spreadM: test === 'spread' ? Math.min(MOST_SPREAD_M, toRuler(reading + 0.001 * noise.normal())) : null,
    loadKg: test === 'load' ? Math.min(MOST_LOAD_KG, Math.round(1000 * reading * Math.exp(0.08 * noise.normal())) / 1000) : null,
    stoodM: isShaped(kind) ? toRuler(h * (1 - sag) + 0.0007 * noise.normal()) : null,
    spoon: spoonWordOf(corrected(s.coldPa, s.density) * Math.exp(0.15 * noise.normal())),
    cutFace: kind === 'cut' ? (sag > 0.15 ? 'slumped' : cutsM < h ? 'soft' : 'clean') : null,
    unmoulded: kind === 'turnedOut' ? !loose : null,
    massG: scaleShows(truths('scaleFactor'), s.massG, noise),
    pH: pHShows(s.pH, 0, noise),
    brix: brixShows(brix(m), noise),
    coreC: loggerShows(s.coreC, truths('probeBiasK'), noise),
    sharp: bySense(tongue.sour),
    sweet: bySense(tongue.sweet),
    faults,
  }
}
