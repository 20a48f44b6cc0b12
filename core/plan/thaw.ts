/** What lies in the freezer and is wanted: how long a pack takes to thaw, in the fridge or tight under cold water. */
import { findIngredient, part } from '../base/ingredients/ingredients'
import { densityOf } from '../base/ingredients/measures'
import type { Line } from '../formula/document'
import { packThawS } from '../physics/chill/plank'

/** Where nobody weighed a spoon of it, g/ml (judgement: between juice and curd). */
const PLAIN_G_PER_ML = 1.05

/**
 * Seconds a pack takes to thaw. @param packG in one of them, all of them lying side by side
 * @example Math.round(thawPackS('lemon', 500).fridge / 3600) // 12
 */
export function thawPackS(ingredientId: string, packG: number): { fridge: number, water: number } {
  const row = findIngredient(ingredientId)
  const wet = row ? part(row, 'water') / 100 : 1
  const density = 1000 * (densityOf(ingredientId)?.gPerMl ?? PLAIN_G_PER_ML)
  return { fridge: packThawS(packG, density, wet, 'fridge'), water: packThawS(packG, density, wet, 'water') }
}

/** Lines that come out of the freezer, and how long the slowest of their packs takes in the fridge, s; null: none. */
export function thawOf(lines: readonly Line[]): { lines: Line[], fridgeS: number, waterS: number } | null {
  const frozen = lines.flatMap((l) => {
    const packG = l.massG > 0 && l.strength?.kind === 'lot' ? l.strength.frozenG : undefined
    return packG === undefined ? [] : [{ l, ...thawPackS(l.ingredientId, Math.min(packG, l.massG)) }]
  })
  if (frozen.length === 0) return null
  return {
    lines: frozen.map(f => f.l),
    fridgeS: Math.max(...frozen.map(f => f.fridge)), waterS: Math.max(...frozen.map(f => f.water)),
  }
}
