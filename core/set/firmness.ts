/**
 * Firmness as yield stress in Pa at serving temperature: what each mechanism carries.
 *
 *   τ = (egg + butter) · f-terms, with f = (1 − φ_e/.68)^−1.9 the filler effect of fat on the egg gel
 *   egg    = 26 · c_e^2.3 · m · f · max(.3, 1 − .012(T − 5)) · (1 − λ·b^1.5)
 *   butter = 4.0e4 · (φ_butter · σ)³      (power law after Narine & Marangoni 1999)
 *
 * c_e: set egg protein per 100 g of aqueous phase; φ: fat volume fraction; σ: solid share of the butterfat; m: 1 baked
 * undisturbed, .062 stirred. Prefactors were tuned by hand to what cooks expect: plausible, not measured; one σ of
 * ln τ is .35.
 */
import { sugarsG, type Mix } from '../formula/mix'

export const LN_TAU_SIGMA = 0.35
const STIRRED = 0.062
/** Strength taken away by over-setting in a stirred pot; judgement. */
const OVERSET_LOSS = 0.7
/** Above this fat volume fraction the emulsion inverts and the model ends. */
export const PHASE_INVERSION = 0.5

export interface Phases {
  /** Aqueous phase, g per 100 g of mix… as a share of the whole, 0–1. */
  aqueousG: number
  /** Fat volume fraction, ≤ .56. */
  phi: number
  /** Volume fraction of fat that came as butter. */
  phiButter: number
  /** Sugars / (sugars + water). */
  sugarShare: number
  /** Density of the mix from fat at 920 and an aqueous phase at 1000·(1 + .44 s), kg/m³. */
  density: number
}

/** Phases of a mix by volume. */
export function phasesOf(m: Mix): Phases {
  const fat = m.grams.fat
  const aqueousG = m.massG - fat
  const sugar = sugarsG(m)
  const sugarShare = sugar / (sugar + m.grams.water)
  const fatVolume = fat / 920
  const aqueousVolume = aqueousG / (1000 * (1 + 0.44 * sugarShare))
  const total = fatVolume + aqueousVolume
  const phi = Math.min(fatVolume / total, 0.56)
  return { aqueousG, phi, phiButter: fat > 0 ? phi * m.butterFatG / fat : 0, sugarShare, density: m.massG / total }
}

export interface SetState {
  /** Extents of setting and over-setting, 0–1. */
  a: number
  b: number
  /** Solid share of the butterfat, 0–1. */
  fatSolids: number
  /** Temperature of the piece, °C. */
  tempC: number
}

export interface Mechanisms { eggPa: number, butterPa: number }

/** Yield stress by mechanism, Pa. @param ph phases of the finished mix @param eggProteinG white and yolk protein, g */
export function firmness(ph: Phases, eggProteinG: number, s: SetState): Mechanisms {
  const t = Math.max(s.tempC, 0)
  const phiE = ph.phi * (0.55 + 0.45 * Math.min(1, s.fatSolids / 0.5))
  const filler = (1 - phiE / 0.68) ** -1.9
  const setProtein = 100 * s.a * eggProteinG / ph.aqueousG
  const eggPa = 26 * setProtein ** 2.3 * STIRRED * filler * Math.max(0.3, 1 - 0.012 * (t - 5)) * (1 - OVERSET_LOSS * s.b ** 1.5)
  const butterPa = 4.0e4 * (ph.phiButter * s.fatSolids) ** 3
  return { eggPa, butterPa }
}

/** Sum of the mechanisms, Pa. */
export const yieldStress = (m: Mechanisms): number => m.eggPa + m.butterPa
