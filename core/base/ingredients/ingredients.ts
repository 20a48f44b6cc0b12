/** Look-ups: the table, and what a kitchen adds of its own. */
import { OWN_PREFIX, ownRow } from './label'
import { INGREDIENTS } from './table'
import type { CompositionKey, Ingredient, Trait } from './types'

const byId = new Map(INGREDIENTS.map(row => [row.id, row]))
/** Rows of labels, read once; begun anew where many kitchens' have come together. */
const own = new Map<string, Ingredient | undefined>()
const OWN_KEPT = 500
function ownOnce(id: string): Ingredient | undefined {
  if (own.has(id)) return own.get(id)
  if (own.size >= OWN_KEPT) own.clear()
  const row = ownRow(id)
  own.set(id, row)
  return row
}

/**
 * The row with this id, or undefined: the table's, or what an id that carries a label says.
 * @example findIngredient('lemon').group // 'juice'
 */
export const findIngredient = (id: string): Ingredient | undefined =>
  byId.get(id) ?? (id.startsWith(OWN_PREFIX) ? ownOnce(id) : undefined)

/** Whether a row has a trait. @example is(findIngredient('agar')!, 'agar') // true */
export const is = (row: Ingredient, trait: Trait): boolean => row.traits?.includes(trait) ?? false
/**
 * Whether the ingredient with this id has a trait; an unknown one has none.
 * @example hasTrait('cornflour', 'starch') // true
 */
export const hasTrait = (id: string, trait: Trait): boolean => {
  const row = findIngredient(id)
  return row !== undefined && is(row, trait)
}
/** What the offers add where nothing of its kind is there yet. */
export const OFFERED = { gelatin: 'gelatin', sharpJuice: 'lemon', acid: 'citric', sugar: 'sugar' } as const

/**
 * One component of an ingredient, g per 100 g.
 * @example part(findIngredient('butter82'), 'fat') // 82
 */
export const part = (row: Ingredient, key: CompositionKey): number => row.per100g[key] ?? 0

/**
 * Total protein, g per 100 g.
 * @example protein(findIngredient('egg')) // 12.6
 */
export const protein = (row: Ingredient): number =>
  part(row, 'casein') +
  part(row, 'whey') +
  part(row, 'eggWhiteProtein') +
  part(row, 'yolkProtein') +
  part(row, 'otherProtein')

/**
 * One σ of ln(titratable acidity) of an unmeasured juice.
 * Source: spread of published juice acidities, from memory (lemon and lime .10, orange .20, passion .17, sweet lemon
 * .22); where none is remembered, a quarter of the table's own low-to-high range.
 * @example acidLogSigma(findIngredient('lemon')) // 0.1
 */
export function acidLogSigma(row: Ingredient): number {
  const remembered: Record<string, number> = {
    lemon: 0.1,
    lime: 0.1,
    keylime: 0.1,
    orange: 0.2,
    blood: 0.2,
    passion: 0.17,
    lemon_sweet: 0.22,
  }
  if (!row.acid) return 0
  return remembered[row.id] ?? Math.log(row.acid.high / row.acid.low) / 4
}

/**
 * A row with another fat content, % w/w, in place of its serum; milk fat keeps its share of the fat.
 * @example withFat(findIngredient('cream36'), 40).per100g.fat // 40
 */
export function withFat(row: Ingredient, fatPercent: number): Ingredient {
  const fat = part(row, 'fat')
  const serum = (100 - fatPercent) / (100 - fat)
  const per100g = Object.fromEntries(
    Object.entries(row.per100g).map(([k, v]) => [
      k,
      k === 'fat' || k === 'milkFat' ? (fat > 0 ? (v * fatPercent) / fat : k === 'fat' ? fatPercent : 0) : v * serum,
    ]),
  )
  return { ...row, per100g }
}

/**
 * A juice with the dissolved solids that were measured: its sugars make up what acid, salts and amino acids leave of
 * the °Brix (corrected for acid), water takes or gives the rest. Sugars never fall below zero.
 * @example withBrix(findIngredient('orange'), 12, 1).per100g.water // 87.3
 */
export function withBrix(row: Ingredient, brix: number, acidPercent: number): Ingredient {
  const sugars = ['sucrose', 'monosaccharides', 'lactose'] as const
  const now = sugars.reduce((s, k) => s + part(row, k), 0)
  const amino = row.group === 'juice' ? part(row, 'otherProtein') : 0
  const aqueous = now + acidPercent + part(row, 'ash') + amino + part(row, 'water')
  const wanted = Math.max(0, (brix / 100) * aqueous - acidPercent - part(row, 'ash') - amino)
  const scaled =
    now > 0 ? Object.fromEntries(sugars.map(k => [k, (part(row, k) * wanted) / now])) : { monosaccharides: wanted }
  return { ...row, per100g: { ...row.per100g, ...scaled, water: part(row, 'water') + now - wanted } }
}

/** Dairy of this much milk fat is cream, %. */
const CREAM_FAT = 15
/** Whether an ingredient is cream. @example isCream('cream36') // true */
export function isCream(id: string): boolean {
  const row = findIngredient(id)
  return row?.group === 'dairy' && part(row, 'milkFat') >= CREAM_FAT
}
