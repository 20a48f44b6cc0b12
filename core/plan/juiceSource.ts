/**
 * Where a juice comes from: squeezed by one tool or another, bottled, tinned, frozen; for the same acid in the formula
 * how many grams of each, how many fruits, how much scent, at what cost. Yields by tool, rolling and warmth are common
 * practice (L); the acid of bottled lemon and lime is the least the trade's standard allows.
 */
import { findIngredient } from '../base/ingredients/ingredients'
import { FRUITS, type Fruit } from '../base/ingredients/measures'
import { type Line, strengthOf } from '../formula/document'
import type { Kitchen } from '../kitchen/kitchen'
import { acidPercentOf } from '../physics/matter/mix'

/** Juice of a fruit by the tool, against a reamer. */
export const TOOLS = { hand: 0.8, reamer: 1, press: 1.1, machine: 1.15 } as const
export type JuiceTool = keyof typeof TOOLS
/** Rolled under the palm first; at room temperature or warmer in place of from the fridge. */
const ROLLED = 1.05
const WARM = 1.06
/** How a juice that is bought compares with one just squeezed: its acid, and its scent, shares. */
export const BOUGHT = {
  bottled: { acid: 1, scent: 0.1 },
  tinned: { acid: 0.97, scent: 0.3 },
  frozen: { acid: 1, scent: 0.7 },
} as const
export type BoughtJuice = keyof typeof BOUGHT
/** Bottled lemon and lime are made up to this, % citric (US standard for juice from concentrate, from memory M). */
const BOTTLED_ACID: Readonly<Record<string, number>> = { lemon: 4.5, lime: 4.5, keylime: 4.5 }

/** What is asked: how it is squeezed, and what things cost in the kitchen's own currency; null: nobody says. */
export interface JuiceAsk {
  tool: JuiceTool
  isRolled: boolean
  isWarm: boolean
  perFruit: number | null
  perKg: Readonly<Partial<Record<BoughtJuice, number>>>
}
/** With a reamer, from the fridge, at no price. */
export const PLAIN_ASK: JuiceAsk = { tool: 'reamer', isRolled: false, isWarm: false, perFruit: null, perKg: {} }
export interface JuiceSource {
  from: 'squeezed' | BoughtJuice
  acidPercent: number
  /** For the same acid as the line's own grams bring, g. */
  massG: number
  /** Fruits that give it, and the juice of one, g; null: it is bought. */
  fruits: number | null
  eachG: number | null
  /** Against just squeezed, 0–1. */
  scent: number
  cost: number | null
}

/**
 * Juice of one fruit as it is squeezed, g.
 * @example squeezedG(45, { tool: 'press', isRolled: true, isWarm: true }) // 55.09
 */
export const squeezedG = (eachG: number, { tool, isRolled, isWarm }: Pick<JuiceAsk, 'tool' | 'isRolled' | 'isWarm'>) =>
  eachG * TOOLS[tool] * (isRolled ? ROLLED : 1) * (isWarm ? WARM : 1)

const fruitFor = (ingredientId: string): Fruit | undefined =>
  FRUITS.find(f => f.juiceId === ingredientId && f.size === 'medium')

/**
 * The ways to a line's juice, side by side; none where no fruit of the table gives it. Squeezed it is as sharp as the
 * line says, by its lot or measure, for that is its fruit; what is bought is as sharp as such juice is by the table.
 * @example juiceSources(lines[2], PLAIN_ASK, kitchen).map(s => s.from)[0] // 'squeezed'
 */
export function juiceSources(line: Line, ask: JuiceAsk, kitchen: Kitchen): JuiceSource[] {
  const { ingredientId, massG } = line
  const fruit = fruitFor(ingredientId)
  const row = findIngredient(ingredientId)
  const typical = row?.acid?.typical
  if (!fruit || !row || !typical) return []
  const acid = acidPercentOf({ row, massG, strength: strengthOf(line, kitchen) })
  const eachG = squeezedG(kitchen.ownJuiceG?.[fruit.id] ?? fruit.juiceG, ask)
  const fruits = Math.ceil(massG / eachG - 1e-9)
  const squeezed: JuiceSource = {
    from: 'squeezed', acidPercent: acid, massG, fruits, eachG, scent: 1,
    cost: ask.perFruit === null ? null : fruits * ask.perFruit,
  }
  const bought = (Object.keys(BOUGHT) as BoughtJuice[]).map((from): JuiceSource => {
    const acidPercent = from === 'bottled' ? BOTTLED_ACID[ingredientId] ?? typical : typical * BOUGHT[from].acid
    const needG = (massG * acid) / acidPercent
    const price = ask.perKg[from]
    return {
      from, acidPercent, massG: needG, fruits: null, eachG: null, scent: BOUGHT[from].scent,
      cost: price === undefined ? null : (needG * price) / 1000,
    }
  })
  return [squeezed, ...bought]
}
