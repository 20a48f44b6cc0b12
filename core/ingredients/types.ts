/** What one ingredient is made of and where that is known from. */

export const COMPOSITION_KEYS = [
  'water', 'sucrose', 'monosaccharides', 'lactose', 'fat', 'milkFat', 'casein', 'whey', 'eggWhiteProtein',
  'yolkProtein', 'otherProtein', 'starch', 'fibre', 'ash',
] as const
export type CompositionKey = (typeof COMPOSITION_KEYS)[number]

export type AcidKind = 'citric' | 'lactic' | 'tartaricMalic'
export type Confidence = 'H' | 'M' | 'L'
export type IngredientGroup = 'juice' | 'egg' | 'sugar' | 'butter' | 'dairy' | 'setter' | 'acid' | 'zest' | 'water' | 'other'

export interface Ingredient {
  readonly id: string
  /** British and American kitchen names. */
  readonly name: { readonly gb: string, readonly us: string }
  readonly group: IngredientGroup
  /** Lower-case words under which a cook may write it. */
  readonly aliases: readonly string[]
  /** g per 100 g; a key that is absent is zero. `milkFat` is the part of `fat` that comes from milk. */
  readonly per100g: Readonly<Partial<Record<CompositionKey, number>>>
  /** Titratable acidity, % w/w: low, typical and high fruit. */
  readonly acid?: { readonly kind: AcidKind, readonly low: number, readonly typical: number, readonly high: number }
  readonly pHNative: number
  readonly potassiumMg: number
  /** Ethanol, g per 100 g. */
  readonly ethanol?: number
  /** Row of the fruit table that gives this juice. */
  readonly piece?: string
  readonly source: string
  readonly confidence: Confidence
}
