/** The set at one moment: mechanisms, band, and how high a piece would stand. */
import { quantity, type SetResult } from '../assessment'
import { bandOf, corrected, CUTS, slumpShare, standingHeight, STANDS, tableSlump } from './bands'
import { firmness, LN_TAU_SIGMA, yieldStress, type Phases, type SetState } from './firmness'

/** Height of the kitchen's slump ring, m. */
const RING_M = 0.05

/** Set at a moment. */
export function setAt(ph: Phases, eggG: number, s: SetState, heightM: number): SetResult {
  const m = firmness(ph, eggG, s)
  const tau = yieldStress(m)
  const tauStar = corrected(tau, ph.density)
  return {
    tauPa: quantity(tau, 'Pa', 'fitted', { lnSigma: LN_TAU_SIGMA }), tauStarPa: tauStar, band: bandOf(tauStar), eggPa: m.eggPa, butterPa: m.butterPa,
    tempC: s.tempC, fatSolids: s.fatSolids, standsM: standingHeight(tau, ph.density, STANDS), cutsM: standingHeight(tau, ph.density, CUTS),
    slump: tableSlump(tau, ph.density, heightM), ringSlumpM: RING_M * slumpShare(tau, ph.density, RING_M),
  }
}
