/**
 * What a set comes to, by one rule: the plan's own figures are judged by it, and every draw of the uncertain is, so
 * that a verdict and the shares beside it speak of the same thing.
 */
import { PARAMETER_TABLE } from '../../base/parameters'
import { THERMOMETER_SIGMA_K } from '../../kitchen/spreads'
import { COATS } from '../../physics/heat/egg'
import { cumulativeStdNormalProbability } from 'simple-statistics'
import { curdlingShare } from '../../physics/set/curdling'
import type { Target } from '../../physics/set/bands'
import type { VerdictCode } from '../assessment'
import { GRAINY_THROUGH, RUNNY_STAR_PA } from './limits'

export interface SetFigures {
  /** Below the temperature at which a set is known. */
  frozen: boolean
  /** Egg enough that its grains are told; egg is what sets it. */
  eggCounts: boolean
  eggSets: boolean
  /** Over-setting of the pot and of the whole, setting of the whole; over-setting that is told as grains. */
  potB: number
  b: number
  a: number
  grainyAt: number
  /** Log odds that acid curdled it. */
  curdlingLogit: number
  /** Stress from the cold, on the bands' scale, and on the plate, Pa. */
  /** How far the pot is from grains, K; null: there is no egg to turn. */
  marginK: number | null
  /** One σ of ln stress of the set from the cold. */
  lnSigma: number
  coldPa: number
  coldStarPa: number
  platePa: number
}
export type SetVerdict = Exclude<VerdictCode, 'servedBeforeSet' | 'edge'>

/**
 * Grains first, since nothing mends them; then what is frozen, which has no set yet; then too little and too much.
 */
export function setVerdict(f: SetFigures, target: Target): SetVerdict {
  if (f.eggCounts && (f.potB >= f.grainyAt || f.b >= GRAINY_THROUGH)) return 'grainy'
  if (f.curdlingLogit >= 0) return 'grainy'
  if (f.frozen) return 'frozen'
  // What lies over or beside something else may run.
  if ((f.eggCounts && f.eggSets && f.a < COATS) || (f.coldStarPa < RUNNY_STAR_PA && target.coldMinPa > 0)) return 'runny'
  if (f.coldPa < target.coldMinPa) return 'looseCold'
  if (f.platePa < target.plateMinPa) return 'sagsOnTable'
  return f.coldPa > target.coldMaxPa ? 'tooFirm' : 'good'
}

/** One σ of where egg turns grainy: the setting's own, the gap's and a thermometer's, K. */
const GRAINY_SIGMA_K = Math.hypot(
  PARAMETER_TABLE.egg.t60ShiftK.spread, PARAMETER_TABLE.egg.gapShiftK.spread, THERMOMETER_SIGMA_K,
)
/** One σ of ln stress from what goes in and how long it stands, beside the law's own (judgement). */
const INPUT_LN_SIGMA = 0.15
const below = (sigmas: number) => cumulativeStdNormalProbability(sigmas)

/** How a set that is good by its figures may fail, and how likely that is, 0–1: by hand, without drawing. */
export function setRisks(f: SetFigures, target: Target): { leans: SetVerdict, share: number }[] {
  const sigma = Math.hypot(f.lnSigma, INPUT_LN_SIGMA)
  const short = (pa: number, need: number) => (need > 0 ? below(Math.log(need / pa) / sigma) : 0)
  const egg = f.eggCounts && f.marginK !== null ? below(-f.marginK / GRAINY_SIGMA_K) : 0
  const risks = [
    { leans: 'grainy' as const, share: Math.max(egg, curdlingShare(f.curdlingLogit)) },
    { leans: 'looseCold' as const, share: short(f.coldPa, target.coldMinPa) },
    { leans: 'sagsOnTable' as const, share: short(f.platePa, target.plateMinPa) },
    { leans: 'tooFirm' as const, share: below(Math.log(f.coldPa / target.coldMaxPa) / sigma) },
  ]
  return risks.sort((x, y) => y.share - x.share)
}

/** What is good must hold at least this likely to be called so (judgement). */
const LEAST_CALLED = 0.55

/** Good by its figures, and about as likely as not to fail: it cannot be called. */
export function isOnEdge(risks: readonly { leans: SetVerdict, share: number }[]): boolean {
  const of = (code: SetVerdict) => risks.find(r => r.leans === code)!.share
  // Loose from the cold and sagging on the plate go together; too firm is the other way; grains come beside both.
  const held = 1 - Math.max(of('looseCold'), of('sagsOnTable')) - of('tooFirm')
  return Math.max(0, held) * (1 - of('grainy')) < LEAST_CALLED
}
