/** The set at one moment: mechanisms, band, and how high a piece would stand. */
import { quantity, type Quantity } from '../../base/provenance'
import { type BandId, bandOf, corrected, type Elastic, heightsOf, tableSlump, type UseKind } from './bands'
import { type Body, elasticOf, firmness, lnTauSigma, type Mechanisms, type SetState, yieldStress } from './firmness'
import { slumpReading } from './kitchenTests'

export interface SetResult {
  tauPa: Quantity
  tauStarPa: number
  band: BandId
  mechanismsPa: Mechanisms
  state: SetState
  tempC: number
  /** Tallest piece that would stand, and that survives the knife, the mould or the bag, m; 0: none. */
  standsM: number
  cutsM: number
  /** Share of its height that the piece loses. */
  slump: number
  /** How far a lifted 50 mm ring of it sinks, m. */
  ringSlumpM: number
}

/** Part of the 24 h strength that counts as set through. */
export const SET_SHARE = 0.75

/**
 * Set at a moment, for a piece of a use. @param elastic how much of it is a gel: that of this moment where not given
 * @example setAt(work(doc, kitchen).heated.body, work(doc, kitchen).settled.cold.state, doc.use).band // 'mounds'
 */
export function setAt(
  body: Body, s: SetState, use: { kind: UseKind, pieceHeightM: number }, elastic?: Elastic,
): SetResult {
  const mechanismsPa = firmness(body, s)
  const gel = elastic ?? elasticOf(mechanismsPa, body.gums)
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
    ...heightsOf(use.kind, tau, density, gel),
    slump: tableSlump(tau, density, use.pieceHeightM, use.kind, gel),
    ringSlumpM: slumpReading(tau, density),
  }
}
