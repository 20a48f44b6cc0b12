/**
 * Kitchen measures in ml and g. Sources: US customary cup 236.588 ml and ounce 28.3495 g (NIST Handbook 44);
 * metric and Australian cup 250 ml; imperial half pint 284.131 ml; spoons 14.787 (US), 15 (metric), 20 ml (Australian
 * tablespoon), 17.758 ml (old imperial). A small table of our own, since common unit libraries mix these systems.
 */

export const CUP_SYSTEMS = ['us', 'metric', 'australian', 'imperial'] as const
export type CupSystem = (typeof CUP_SYSTEMS)[number]

export const SYSTEM_ML: Readonly<
  Record<CupSystem, { cup: number, tablespoon: number, teaspoon: number, fluidOunce: number, pint: number }>
> = {
  us: { cup: 236.588, tablespoon: 14.787, teaspoon: 4.929, fluidOunce: 29.574, pint: 473.176 },
  metric: { cup: 250, tablespoon: 15, teaspoon: 5, fluidOunce: 28.413, pint: 568.261 },
  australian: { cup: 250, tablespoon: 20, teaspoon: 5, fluidOunce: 28.413, pint: 568.261 },
  imperial: { cup: 284.131, tablespoon: 17.758, teaspoon: 5.919, fluidOunce: 28.413, pint: 568.261 },
}

/** International inch, exactly. */
export const INCH_M = 0.0254
export const OUNCE_G = 28.3495
export const POUND_G = 453.592
/** US stick of butter: 4 oz. */
export const STICK_G = 113.398

/** @example celsiusToFahrenheit(82) // 179.6 */
export const celsiusToFahrenheit = (c: number): number => c * 1.8 + 32
/** @example fahrenheitToCelsius(180) // 82.22 */
export const fahrenheitToCelsius = (f: number): number => (f - 32) / 1.8
/**
 * Temperature differences convert without the 32.
 * @example kelvinToFahrenheitDifference(5) // 9
 */
export const kelvinToFahrenheitDifference = (k: number): number => k * 1.8
