/**
 * Sugar that is dissolved, or gritty: how much the water there is can hold at all, and how much has gone in by now.
 * Grains shrink from their faces: d(d²)/dt = −4·Sh·D·(C* − C)/ρ, with Sh = 2 + .6·Re^½·Sc^⅓ (Ranz & Marshall 1952).
 */

/** Grains of sugar as it is sold, m across (common practice). */
export const GRAIN_M = { icing: 0.04e-3, caster: 0.3e-3, granulated: 0.6e-3, coarse: 1.2e-3 } as const
export type Grain = keyof typeof GRAIN_M
export const GRAINS = Object.keys(GRAIN_M) as Grain[]

/** How long and how warm the grains lie in it: temperature by time, s and °C. */
export interface Warmth { timeS: readonly number[], tempC: readonly number[] }
/** How fast it is moved past the grains, m/s (judgement): lying still, stirred or whisked by hand, beaten. */
export const MOVED_M_S = { still: 0.0002, stirred: 0.01, beaten: 0.05 } as const
export type Moved = keyof typeof MOVED_M_S

/** Density of a sucrose crystal, kg/m³ (CRC Handbook). */
const CRYSTAL = 1588
/** Diffusion of sucrose in water at 25 °C, m²/s, and the water's viscosity there, Pa·s (CRC Handbook, from memory). */
const DIFFUSION = 5.2e-10
const WATER_25 = 0.00089
/** Grains below this share of the sugar are felt by nobody (judgement). */
export const FELT = 0.02
/** Longest step, s, and most that a grain's square shrinks in one: half of both changes the share by under .003. */
const STEP_S = 5
const STEP_SHRINKS = 0.01

/**
 * Sucrose that saturated water holds, as share of the solution's mass, 0–100 °C (Charles 1960, from memory).
 * @example saturation(20) // 0.6672
 */
export const saturation = (tempC: number): number =>
  (64.447 + 0.08222 * tempC + 1.6169e-3 * tempC ** 2 - 1.558e-6 * tempC ** 3 - 4.63e-8 * tempC ** 4) / 100

/**
 * Sugar that an amount of water holds at a temperature, g.
 * @example soluble(100, 20) // 200.5
 */
export const soluble = (waterG: number, tempC: number): number => {
  const s = saturation(tempC)
  return (waterG * s) / (1 - s)
}

/**
 * Viscosity of a sugar solution, Pa·s (Génotelle 1978, the form ICUMSA gives, from memory): N mole fraction from the
 * mass share, Φ = (30 − T)/(91 + T), log η(mPa·s) = 22.46·N − .114 + Φ(1.1 + 43.1·N^1.25).
 * @example viscosity(0.6, 20) // 0.05974
 */
export function viscosity(share: number, tempC: number): number {
  const percent = 100 * share
  const n = percent / (1900 - 18 * percent)
  const phi = (30 - tempC) / (91 + tempC)
  return 10 ** (22.46 * n - 0.114 + phi * (1.1 + 43.1 * n ** 1.25)) / 1000
}

/** Density of a sugar solution, kg/m³: fitted to 998 (0 %), 1285 (60 %) and 1325 (66.7 %) of the sugar tables. */
const densityOf = (share: number): number => 998 + 380 * share + 165 * share ** 2

/** What is put together: sugar in grains, what of sugars is already in solution, the water, the grains' size. */
export interface Grains {
  sugarG: number
  dissolvedG: number
  waterG: number
  /** Mean size of a grain, m. */
  grainM: number
}

/** How fast the square of a grain's size shrinks, as share of its first, 1/s; nothing where the water is full. */
function shrinks(g: Grains, left: number, tempC: number, speed: number): number {
  const solved = g.dissolvedG + g.sugarG * (1 - left)
  const share = solved / (solved + g.waterG)
  const full = saturation(tempC)
  if (share >= full) return 0
  const rho = densityOf(share)
  const eta = viscosity(share, tempC)
  const d = g.grainM * Math.cbrt(left)
  const diffusion = (DIFFUSION * ((tempC + 273.15) / 298.15) * WATER_25) / eta
  const reynolds = (rho * speed * d) / eta
  const sherwood = 2 + 0.6 * Math.sqrt(reynolds) * Math.cbrt(eta / (rho * diffusion))
  const lack = densityOf(full) * full - rho * share
  return (4 * sherwood * diffusion * Math.max(0, lack)) / (CRYSTAL * g.grainM ** 2)
}

/** Temperature of a history at a time, °C. */
function tempAt({ timeS, tempC }: Warmth, s: number): number {
  const i = timeS.findIndex(t => t >= s)
  if (i <= 0) return tempC[i === 0 ? 0 : tempC.length - 1]!
  const span = timeS[i]! - timeS[i - 1]!
  return tempC[i - 1]! + (span > 0 ? (s - timeS[i - 1]!) / span : 1) * (tempC[i]! - tempC[i - 1]!)
}

/**
 * Share of the sugar that is still in grains after a stretch, 0–1.
 * @param left share in grains as it begins
 * @example undissolved({ sugarG: 9, dissolvedG: 0, waterG: 9, grainM: 3e-4 }, { timeS: [0], tempC: [9] }, 'still') // 1
 */
export function undissolved(g: Grains, along: Warmth, moved: Moved, left = 1): number {
  if (!(g.sugarG > 0)) return 0
  const endS = along.timeS.at(-1)!
  let now = left
  for (let s = 0; s < endS && now > 0;) {
    const tempC = tempAt(along, s)
    const rate = shrinks(g, now, tempC, MOVED_M_S[moved])
    const dt = Math.min(STEP_S, endS - s, rate > 0 ? STEP_SHRINKS / rate : Infinity)
    // Share of the mass is the 3/2 power of the share of the square.
    now = Math.max(0, now ** (2 / 3) - dt * rate) ** 1.5
    s += Math.max(dt, endS * 1e-6)
  }
  return now
}

/**
 * Share that stays in grains however long it is stirred at a temperature, 0–1.
 * @example neverDissolves({ sugarG: 400, dissolvedG: 0, waterG: 173, grainM: 3e-4 }, 20) // 0.133
 */
export const neverDissolves = (g: Grains, tempC: number): number =>
  g.sugarG > 0 ? Math.max(0, 1 - Math.max(0, soluble(g.waterG, tempC) - g.dissolvedG) / g.sugarG) : 0

/**
 * The temperature from which the water holds all of it, °C, 0–100; null: not even there.
 * @example holdsFrom({ sugarG: 230, dissolvedG: 0, waterG: 100, grainM: 3e-4 }) // 38
 */
export function holdsFrom(g: Grains): number | null {
  for (let tempC = 0; tempC <= 100; tempC++) if (soluble(g.waterG, tempC) >= g.sugarG + g.dissolvedG) return tempC
  return null
}
