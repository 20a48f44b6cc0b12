/** What one ingredient is made of and where that is known from. */

/** What of a juice, purée, wine or cream was measured; what is absent stays the table's. */
export interface Measured {
  /** Titratable acidity, % w/w of the row's kind of acid. */
  acidPercent?: number
  pH?: number
  /** Dissolved solids, °Brix, corrected for acid. */
  brix?: number
  fatPercent?: number
  /** One σ of ln(acidity), by the way it was found; absent: a titration's. */
  acidLnSigma?: number
}

/** Where a line's strength comes from. A lot is referenced by id, with a snapshot so the document stands alone. */
export type Strength =
  | { kind: 'typical' }
  | ({ kind: 'measured' } & Measured)
  /** `frozenG`: it lies in the freezer, in packs of so much, g. */
  | ({ kind: 'lot', lotId: string, name: string, frozenG?: number } & Measured)
export const COMPOSITION_KEYS = [
  'water',
  'sucrose',
  'monosaccharides',
  'lactose',
  'fat',
  'milkFat',
  'casein',
  'whey',
  'eggWhiteProtein',
  'yolkProtein',
  'otherProtein',
  'starch',
  'fibre',
  'ash',
] as const
export type CompositionKey = (typeof COMPOSITION_KEYS)[number]

export type AcidKind = 'citric' | 'lactic' | 'tartaricMalic' | 'tartaric' | 'acetic'
export type Confidence = 'H' | 'M' | 'L'
export type IngredientGroup =
  | 'juice'
  | 'fruit'
  | 'egg'
  | 'sugar'
  | 'butter'
  | 'dairy'
  | 'setter'
  | 'acid'
  | 'zest'
  | 'water'
  | 'plant'
  | 'chocolate'
  | 'biscuit'
  | 'nut'
  | 'other'
/** Those that EU and UK law has named on a label. */
export const ALLERGENS = [
  'egg', 'milk', 'gluten', 'nuts', 'soya', 'sulphites', 'peanuts', 'sesame', 'lupin', 'celery', 'mustard', 'fish', 'crustaceans',
  'molluscs',
] as const
export type Allergen = (typeof ALLERGENS)[number]

/**
 * What an ingredient does, or brings with it, beyond its composition. Logic asks for a trait, never for a name, so that
 * a new row is offered and judged like its kin.
 */
export const TRAITS = [
  'gelatin', 'agar', 'starch', 'wheat', 'white', 'foams', 'yolk', 'wholeEgg', 'fromShell', 'condensedMilk', 'whips', 'sweetCream',
  'neverBoiled', 'cultured', 'drinkingMilk', 'dried', 'wine', 'plainSugar', 'bitterPeel', 'lightSkin', 'medicines', 'brixTellsAcid', 'salt',
  'protease', 'scent', 'holdsGelatin', 'puree',
] as const
export type Trait = (typeof TRAITS)[number]

export const SUGAR_KINDS = [
  'sucrose', 'glucose', 'fructose', 'invert', 'trehalose', 'maltose', 'syrup42', 'syrup60', 'lactose', 'erythritol',
  'sorbitol',
] as const
export type SugarKind = (typeof SUGAR_KINDS)[number]

/** A starch beside maize: how much lower it swells, K; firmness a gram and weeping after the freezer, maize 1. */
export interface StarchKind {
  readonly lowerK: number
  readonly strength: number
  readonly weeps: number
}

/** A gum or pectin: k·(c − least)^exponent Pa by g per 100 g, what it needs, and what blending leaves of it. */
export interface Gum {
  readonly pa: number
  readonly exponent: number
  readonly least: number
  readonly needs: 'nothing' | 'sugarAcid' | 'calcium' | 'someCalcium' | 'heat'
  /** Where its gel tears, of its modulus; null: it thickens and never tears. */
  readonly tearsAt: number | null
  readonly blended: number
}

export const HARD_FATS = ['cocoa', 'coconut'] as const
/** A plant fat that is hard in the cold. */
export type HardFat = (typeof HARD_FATS)[number]

export interface Ingredient {
  readonly id: string
  readonly group: IngredientGroup
  readonly traits?: readonly Trait[]
  /** Groups in whose place it may stand in a swap. */
  readonly standsFor?: readonly IngredientGroup[]
  /** Lower-case words under which a cook may write it. */
  readonly aliases: readonly string[]
  /** g per 100 g; a key that is absent is zero. `milkFat` is the part of `fat` that comes from milk. */
  readonly per100g: Readonly<Partial<Record<CompositionKey, number>>>
  /** Titratable acidity, % w/w: low, typical and high fruit. */
  readonly acid?: { readonly kind: AcidKind, readonly low: number, readonly typical: number, readonly high: number }
  /** What its sugar is, where it is neither sucrose nor the invert sugar of fruit. */
  readonly sugarKind?: SugarKind
  /** What its starch is like, where it is neither maize nor wheat. */
  readonly starchKind?: StarchKind
  /** What its fat beside milk fat is, where that hardens. */
  readonly hardFat?: HardFat
  readonly gum?: Gum
  /** How much agar a gram of it stands for. */
  readonly asAgar?: number
  readonly pHNative: number
  /** Strong ions less strong acids of a pure salt, mEq per 100 g; of anything else they follow from its pH. */
  readonly strongIonMEq?: number
  readonly potassiumMg: number
  /** Ethanol, g per 100 g. */
  readonly ethanol?: number
  /**
   * Heat that its milk proteins have had before it reaches the kitchen, 0–1 (judgement; sweetened condensed milk .7).
   */
  readonly milkHeat?: number
  readonly allergens?: readonly Allergen[]
  /** Row of the fruit table that gives this juice. */
  readonly piece?: string
  readonly source: string
  readonly confidence: Confidence
}
