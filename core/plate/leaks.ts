/**
 * What leaks into what: water from a wet part into the dry one under it, and what beaten cream, meringue and fruit let
 * go by themselves. Taken up by a dry base after t: m = K·(aw_wet − aw_dry)·√t + w·t in g/m², the first by diffusion
 * into a thick body, w what the wet part weeps. It is soft once its water share has risen to where its snap is gone.
 */
import { solveFor } from '../base/solveFor'
import { type Nature, SEALED } from './nature'

/** Liquid a point of the weeping score stands for, share of its weight a day (judgement; no volumes were measured). */
const WEEPS_PER_POINT = 0.003
const DAY_S = 86_400
/** What a set part lets go, g/(m²·s). @example weepRate(2, 0.02, 1100) // 0.001528 */
export const weepRate = (score: number, thickM: number, density: number): number =>
  (WEEPS_PER_POINT * score * thickM * density * 1000) / DAY_S

export interface Contact {
  /** Water activity of the wet part, and what it weeps, g/(m²·s). */
  wetAw: number
  weeps: number
  dry: Nature
  /** Thickness of the dry part, m; sealed by egg wash, cocoa butter or chocolate. */
  thickM: number
  isSealed?: boolean
}

/**
 * Water that a dry part has drunk, g/m². @param timeS since they met
 * @example drunkGPerM2({ wetAw: 0.95, weeps: 0, dry: laidNature({ role: 'sponge' }), thickM: 0.01 }, 3600) // 33.6
 */
export function drunkGPerM2({ wetAw, weeps, dry, isSealed }: Contact, timeS: number): number {
  if (!dry.drinks) return 0
  const rate = dry.drinks.rate * (isSealed ? SEALED : 1)
  return rate * Math.max(0, wetAw - dry.waterActivity) * Math.sqrt(timeS) + weeps * timeS
}

/** A base that is still crisp after so long stays so for any service, s. */
const FOR_GOOD_S = 7 * DAY_S
/**
 * Seconds until a dry part has lost its snap; null: never within a week, or it has none.
 * It weighs ρ·h g/m² as made with x of water: soft once m = ρ·h·(x_soft − x)/(1 − x_soft).
 * @param at water share looked for; that at which it is soft where nothing is said
 * @example softAfterS({ wetAw: 0.95, weeps: 0, dry: laidNature({ role: 'crust' }), thickM: 0.004 }) // 21883
 */
export function softAfterS(c: Contact, at: number | null = c.dry.drinks?.softAt ?? null): number | null {
  const { drinks, density } = c.dry
  if (!drinks || at === null) return null
  const needG = (density * 1000 * c.thickM * (at - drinks.moisture)) / (1 - at)
  if (drunkGPerM2(c, FOR_GOOD_S) < needG) return null
  return solveFor(t => drunkGPerM2(c, t), needG, 0, FOR_GOOD_S)
}

/**
 * Liquid a part has let go by itself, share of its weight, after so many hours.
 * @example ranOut({ holdsH: 6, sharePerH: 0.01 }, 10) // 0.04
 */
export const ranOut = (gives: Nature['gives'], hours: number): number =>
  gives ? Math.max(0, hours - gives.holdsH) * gives.sharePerH : 0
