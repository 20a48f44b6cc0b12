import { PARAMETER_TABLE } from '../base/parameters'

/**
 * How far a kitchen's own things lie from what is stated of them, one σ each: what is drawn when nothing is known, and
 * what is learned from. Judgement where no source is named.
 */

/** Of a burner's dial, of its logarithm. */
export const LN_BURNER_SIGMA = 0.15
/** Of an oven's air never measured, and of one that was, K. */
export const OVEN_SIGMA_K = 8
export const MEASURED_OVEN_SIGMA_K = 3
/** Of the air in a fridge, and on the table, K. */
export const AIR_SIGMA_K = 1
/** Of what a pan steams, of its logarithm, beside what the heat itself moves: pans, lids, draughts. */
export const LN_STEAM_SIGMA = 0.12
/** Of an egg's mass within its grade, of its logarithm (from memory). */
export const LN_EGG_MASS_SIGMA = 0.05
/** Of a kitchen scale, of its logarithm: a gram in a hundred. */
export const LN_SCALE_SIGMA = 0.01
/** Of what stays in a pan, and in a sieve, of its logarithm. */
export const LN_LOSS_SIGMA = 0.3
/** Of a kitchen thermometer, K (common instruments, from memory). */
export const THERMOMETER_SIGMA_K = 1.5
/** Of the logarithm of a juice's acid: as far apart as juices of one kind are. */
export const LN_ACID_SIGMA = 0.15

/** One σ of what is true over what is stated: of the value (K), or of its logarithm. */
export interface Law {
  law: 'normal' | 'lnNormal'
  sigma: number
}
const about = (sigma: number): Law => ({ law: 'normal', sigma })
const by = (sigma: number): Law => ({ law: 'lnNormal', sigma })
/** Those of the kitchen, and those of a batch. A set's part has the spread of its own mechanism where that is known. */
export const KITCHEN_LAWS = {
  probeBiasK: about(THERMOMETER_SIGMA_K),
  burnerFactor: by(LN_BURNER_SIGMA),
  ovenOffsetK: about(OVEN_SIGMA_K),
  fridgeAirOffsetK: about(AIR_SIGMA_K),
  fridgeConvectionFactor: by(PARAMETER_TABLE.cold.fanH.spread),
  evaporationFactor: by(LN_STEAM_SIGMA),
  setFactor: by(PARAMETER_TABLE.set.eggPa.spread),
  scaleFactor: by(LN_SCALE_SIGMA),
  lossFactor: by(LN_LOSS_SIGMA),
} as const
export const BATCH_LAWS = { juiceAcidFactor: by(LN_ACID_SIGMA), yolkMassFactor: by(LN_EGG_MASS_SIGMA) } as const

/** Values by id (`burnerFactor`, or `burnerFactor.b1` of one ring); what is absent is as stated. */
export type Theta = Readonly<Record<string, number>>
const LAWS: Record<string, Law> = { ...KITCHEN_LAWS, ...BATCH_LAWS }
/** As stated: no offset, a factor of one. @example plainValue('burnerFactor.b1') // 1 */
export const plainValue = (id: string): number => (LAWS[id.split('.')[0]!]?.law === 'normal' ? 0 : 1)
/** The value of one, of a ring or for all. @example thetaOf({ burnerFactor: 0.8 }, 'burnerFactor', 'b1') // 0.8 */
export const thetaOf = (t: Theta, kind: string, of = ''): number =>
  t[`${kind}.${of}`] ?? t[kind] ?? plainValue(kind)
