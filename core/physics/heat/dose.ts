/**
 * What a temperature history adds up to at a rate that grows tenfold every z kelvin: setting, over-setting,
 * lethality, milk and enzyme heat.
 */

/** A temperature history: times in s, temperatures in °C, same length, times rising. */
export interface History {
  timeS: readonly number[]
  tempC: readonly number[]
}

/** 10^x; several times as fast as the power operator. */
const tenTo = (x: number) => Math.exp(Math.LN10 * x)

/**
 * ∫ 10^((T − ref)/z) dt along a history, s, exact for straight pieces.
 * @param onto called with every running value, from the second point on
 */
export function doseAlong(
  timeS: readonly number[],
  tempC: readonly number[],
  refC: number,
  zK: number,
  onto?: (i: number, doseS: number) => void,
): number {
  let sum = 0
  let rate = tenTo((tempC[0]! - refC) / zK)
  for (let i = 1; i < timeS.length; i++) {
    const next = tenTo((tempC[i]! - refC) / zK)
    const slope = tempC[i]! - tempC[i - 1]!
    sum += (Math.abs(slope) < 1e-6 ? rate : ((next - rate) * zK) / (Math.LN10 * slope)) * (timeS[i]! - timeS[i - 1]!)
    rate = next
    onto?.(i, sum)
  }
  return sum
}

/**
 * Factor on a dose when the whole history lies some kelvin higher, exactly.
 * @example doseScale(10, 10) // 10
 */
export const doseScale = (shiftK: number, zK: number): number => (shiftK === 0 ? 1 : tenTo(shiftK / zK))
