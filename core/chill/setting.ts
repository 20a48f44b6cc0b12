/** Fat solids over a temperature history: what butter has hardened so far. */
import { solidFat } from '../heat/properties'

/**
 * Solid share of butterfat along a history: σ̇ = (SFC(T) − σ)/[30·2^((T − 5)/10)], minutes, °C; it melts at once.
 * Fitted (L), time constant ×1.5 uncertain; integrated exactly for the mean temperature of each piece.
 */
export function butterSolids(timeS: readonly number[], tempC: readonly number[], start = 0): number[] {
  const out = [Math.min(start, solidFat(tempC[0]!))]
  let solids = out[0]!
  for (let i = 1; i < timeS.length; i++) {
    const dtMin = (timeS[i]! - timeS[i - 1]!) / 60
    const t = (tempC[i]! + tempC[i - 1]!) / 2
    const equilibrium = solidFat(t)
    if (solids >= equilibrium) solids = equilibrium
    else solids = equilibrium - (equilibrium - solids) * Math.exp(-dtMin / (30 * 2 ** ((t - 5) / 10)))
    solids = Math.min(solids, solidFat(tempC[i]!))
    out.push(solids)
  }
  return out
}
