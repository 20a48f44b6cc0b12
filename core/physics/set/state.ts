/** The set at one moment: mechanisms, band, and how high a piece would stand. */
import { quantity, type Quantity } from '../../base/provenance'
import { type BandId, bandOf, corrected, CUTS, standingHeight, STANDS, tableSlump } from './bands'
import { type Body, firmness, lnTauSigma, type Mechanisms, type SetState, yieldStress } from './firmness'
import { slumpReading } from './kitchenTests'

export interface SetResult {
  tauPa: Quantity
  tauStarPa: number
  band: BandId
  mechanismsPa: Mechanisms
  state: SetState
  tempC: number
  standsM: number
  cutsM: number
  slump: number
  /** How far a lifted 50 mm ring of it sinks, m. */
  ringSlumpM: number
}

/** Part of the 24 h strength that counts as set through. */
export const SET_SHARE = 0.75

/** Set at a moment. */
export function setAt(body: Body, s: SetState, heightM: number): SetResult {
  const mechanismsPa = firmness(body, s)
  const tau = yieldStress(mechanismsPa)
  const { density } = body.phases
  const tauStar = corrected(tau, density)
  return {
    tauPa: quantity(tau, 'Pa', 'fitted', { lnSigma: lnTauSigma(mechanismsPa) }),
    tauStarPa: tauStar,
    band: bandOf(tauStar),
    mechanismsPa,
    state: s,
    tempC: s.tempC,
    standsM: standingHeight(tau, density, STANDS),
    cutsM: standingHeight(tau, density, CUTS),
    slump: tableSlump(tau, density, heightM),
    ringSlumpM: slumpReading(tau, density),
  }
}
