/** Factors as they are said: rounded down, so that what is made by them never asks for more than there is. */

/** @example factorDown(0.669) // 0.66 */
export const factorDown = (f: number): number => Math.floor(f * 100 + 1e-9) / 100
/** @example factorWords(0.669) // '.66' */
export const factorWords = (f: number): string => factorDown(f).toFixed(2).replace(/^0/, '')
