/** A number with its unit, spread and where it comes from. */

export type Provenance = 'computed' | 'table' | 'measured' | 'fitted' | 'assumed' | 'given'
export interface Quantity {
  value: number
  unit: string
  /** One σ in the same unit; `lnSigma` instead when it is multiplicative. */
  sigma?: number
  lnSigma?: number
  provenance: Provenance
}
/** @example quantity(3.1, 'pH', 'computed', { sigma: 0.05 }).sigma // 0.05 */
export const quantity = (
  value: number,
  unit: string,
  provenance: Provenance,
  spread: { sigma?: number, lnSigma?: number } = {},
): Quantity => ({ value, unit, provenance, ...spread })
