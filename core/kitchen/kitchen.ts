/**
 * What of the kitchen the core needs: places, tins, ovens, burners, pans, lots, and how they are named in a document.
 */
import type { Theta } from './spreads'
import type { EggGrade } from '../base/ingredients/measures'
import type { Strength } from '../base/ingredients/types'
import type { Vessel } from '../physics/geometry/cavity'
import type { PlaceKind } from '../physics/thermal/places'
import type { LotMethod } from './strength'

export interface KitchenPlace {
  id: string
  name: string
  kind: PlaceKind
  airTempC: number
}
export interface KitchenVessel extends Vessel {
  id: string
  name: string
}
/** A lot of known strength: what is null is the table's. */
export interface Lot {
  id: string
  name: string
  ingredientId: string
  acidPercent: number | null
  pH: number | null
  brix: number | null
  fatPercent: number | null
  /** One σ of ln(acidity) by the way it was found; null where nothing of it was. */
  acidLnSigma: number | null
  /** How much there is, g; null: not weighed. */
  massG: number | null
  method: LotMethod
  useBy: string | null
}

/** An oven: whether its fan can be on, and how far its air lies over what the dial says, K. */
export interface KitchenOven {
  id: string
  name: string
  fan: boolean
  offsetK: number
}
export const BURNER_KINDS = ['gas', 'ceramic', 'induction', 'microwave'] as const
/** A burner or microwave by its rating, W. */
export interface KitchenBurner {
  id: string
  name: string
  kind: (typeof BURNER_KINDS)[number]
  ratedW: number
}
/** A pan or bowl for the stove; its weight empty is asked once. */
export interface KitchenPan {
  id: string
  name: string
  diameterM: number
  heightM: number
  tareG: number | null
}

/** Rules of thumb the kitchen goes by instead of the published ones; what is absent goes by those. */
export interface OwnRules {
  /** Juice of one fruit as this kitchen has found it, g by the fruit's id. */
  ownJuiceG?: Readonly<Record<string, number>>
  /** What the can it buys holds, g by the ingredient's id. */
  ownCanG?: Readonly<Record<string, number>>
  /** Gelatine powder it takes for 10 g of gold leaf, g. */
  ownPowderG?: number
  /** Its own ingredients: ids that carry a package label (`base/ingredients/label.ts`). */
  ingredients?: readonly string[]
}

/** What of the kitchen the core needs. */
export interface Kitchen extends OwnRules {
  altitudeM: number
  roomTempC: number
  foodCode: 'us' | 'uk'
  business: boolean
  eggGrade: EggGrade
  places: KitchenPlace[]
  vessels: KitchenVessel[]
  ovens: KitchenOven[]
  burners: KitchenBurner[]
  pans: KitchenPan[]
  lots: Lot[]
  /** Price per kg by ingredient id, in the kitchen's own currency; what is absent has no price. */
  prices: Readonly<Record<string, number>>
  /** What batches have taught of it and a cook accepted: true over stated, or true minus stated, by id. */
  learned?: Theta
}

/**
 * The kitchen that counts when none is named: sea level, 20 °C, US limits; places and vessels are the document's own
 * snapshots.
 */
export const PLAIN_KITCHEN: Kitchen = {
  altitudeM: 0,
  roomTempC: 20,
  foodCode: 'us',
  business: false,
  eggGrade: 'usL',
  places: [],
  vessels: [],
  ovens: [],
  burners: [],
  pans: [],
  lots: [],
  prices: {},
}

/** A lot as a line carries it: its reference and a snapshot of its figures. */
export function lotStrength(lot: Lot): Strength {
  const { acidPercent, pH, brix, fatPercent, acidLnSigma } = lot
  const frozenG = lot.method.kind === 'packed' && lot.method.frozen ? lot.method.packG : null
  const said = { acidPercent, pH, brix, fatPercent, acidLnSigma, frozenG }
  const known = Object.entries(said).filter(([, v]) => v !== null)
  return { kind: 'lot', lotId: lot.id, name: lot.name, ...Object.fromEntries(known) }
}
