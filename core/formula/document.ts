/**
 * The formula document: plain data, SI inside, the unit in every name. This is what is stored, exported and assessed.
 * A process value is `{ simulated: true }` (computed by the models) or `{ given: value }` (measured or stated), and
 * both
 * run through the same pipeline.
 */
import type { Strength } from '../base/ingredients/types'
import { type Kitchen, lotStrength } from '../kitchen/kitchen'
import type { Vessel } from '../physics/geometry/cavity'
import type { HeatMethod } from '../physics/heat/pot'
import type { Use } from '../physics/set/bands'
import type { Cover, PlaceKind } from '../physics/thermal/places'

export const FORMULA_FORMAT = 'lumbik-formula'
export const SCHEMA_VERSION = 5

export type ProcessValue<T> = { simulated: true } | { given: T }
/** The stated value, or null when it is to be simulated. */
export const given = <T>(v: ProcessValue<T>): T | null => ('given' in v ? v.given : null)

export const FAMILIES = [
  'curd',
  'posset',
  'bar',
  'condensedPie',
  'starchFilling',
  'gelatinCream',
  'unsetMousse',
  'fluidGel',
  'lightCustard',
] as const
/** Kind of dessert; what sets it, its ways of making and the fields it uses stand in `core/families`. */
export type Family = (typeof FAMILIES)[number]

export const SCHOOLS = [
  'yolkBath',
  'wholeEggTempered',
  'emulsified',
  'microwave',
  'gelatinBacked',
  'reduced',
  'boiled',
  'dissolved',
  'wine',
  'hotBase',
  'cooledBase',
  'lowOven',
  'steadyOven',
  'tartlets',
  'chillOnly',
  'juiceAfter',
  'boiledAgain',
  'milkPudding',
  'foldedMousse',
  'setCream',
  'whippedAcid',
  'beatenWhites',
  'blendedGel',
  'frozenInsert',
  'boiledMeringue',
] as const
/** The way of making; each belongs to one family. */
export type School = (typeof SCHOOLS)[number]

export const PIECE_KINDS = ['egg', 'yolk', 'white', 'can', 'leaf'] as const
/** What a line is counted in, where it must stay whole: eggs, yolks, whites, cans, leaves. */
export interface Piece {
  kind: (typeof PIECE_KINDS)[number]
  eachG: number
}

export interface Line {
  id: string
  ingredientId: string
  massG: number
  /** The measure as the cook wrote it, kept verbatim; empty when typed in grams. */
  sourceText: string
  /** How the measure became grams, in the reader's words; empty when typed in grams. */
  assumption: string
  strength?: Strength
  /** Must stay as it is when the formula is rebalanced. */
  pinned?: boolean
  piece?: Piece
}

export type Step =
  | { id: string, kind: 'combine', lineIds: string[] }
  | { id: string, kind: 'cook' }
  | { id: string, kind: 'strain' }
  | { id: string, kind: 'stirIn', lineIds: string[], lineTempC: number, mixTempC: ProcessValue<number> }
  /** Whipped (or beaten) first, then folded in: `overrun` is the volume gained by whipping as a share of its own. */
  | {
    id: string
    kind: 'foldIn'
    lineIds: string[]
    lineTempC: number
    mixTempC: ProcessValue<number>
    overrun: number
  }
  | { id: string, kind: 'blend' }
  | { id: string, kind: 'pour' }
  | { id: string, kind: 'bake' }

export const COMPONENT_ROLES = ['filling', 'crust', 'topping'] as const
/** Crusts and toppings with a formula of their own; their facts stand in `core/parts`. */
export const PART_KINDS = [
  'crumbChilled',
  'crumbBaked',
  'shortbread',
  'blindShell',
  'spongeBase',
  'meringueCold',
  'meringueWarm',
  'meringueBoiled',
  'whippedTop',
] as const
export type PartKind = (typeof PART_KINDS)[number]
/**
 * What a crust or topping is. `ratio`: crumb to butter, or sugar to white, by weight; the kind's own where it has
 * neither.
 */
export interface PartMake {
  kind: PartKind
  ratio: number
}

export interface Component {
  id: string
  role: (typeof COMPONENT_ROLES)[number]
  name: string
  lines: Line[]
  steps: Step[]
  make?: PartMake
}

export interface Assembly {
  /** Kitchen vessel, or null for a one-off size; `vessel` is the snapshot that counts when the id is unknown. */
  vesselId: string | null
  vessel: Vessel
  count: number
  /** Thickness of the crust under the filling, m; 0 for none. */
  crustM: number
  /** The crust stands up the sides too, or lies on the base alone. */
  crustForm: 'shell' | 'base'
  /** Height of a topping on the filling, m; 0 for none. */
  toppingM: number
  /** Room that fruit or an insert takes in each vessel, m³. */
  insertM3: number
  /** How far a glass leans while its filling sets, degrees. */
  tiltDeg: number
  /** Portions cut or served from all vessels together. */
  portions: number
}

/** A pan or bowl: `tareG` is its weight empty, null until it was weighed. */
export interface HeatPan {
  panId: string | null
  diameterM: number
  heightM: number
  tareG: number | null
}

export interface HeatPlan {
  method: HeatMethod
  /** Of the mix in the pot, or of the coldest part of the filling in the oven. */
  targetTempC: number
  holdS: number
  startTempC: number
  /** Heat that reaches a pan set straight on the burner, or the microwave's rated power, W. */
  burnerW: number
  /** Kitchen burner that gives it, or null. */
  burnerId: string | null
  /** The pan, with a snapshot of its size; null: as a cook would take for the mix. */
  pan: HeatPan | null
  /** The boil ends with its hold, or when the volume is that of the cream alone. */
  until: 'hold' | 'creamVolume'
  /** Oven: air, fan, water bath, and the time in it (simulated: until the target). */
  oven: {
    /** What the dial says, °C. */
    airTempC: number
    fan: boolean
    bath: boolean
    timeS: ProcessValue<number>
    ovenId: string | null
    /** Air over what the dial says, K. */
    offsetK: number
  }
  /** Temperature course of what is heated: simulated, or the stated ramp, peak and hold. */
  course: ProcessValue<{ rampKPerMin: number, peakTempC: number, holdS: number }>
  evaporationG: ProcessValue<number>
}

/** How the set comes about; what is not stated follows from the steps and the heat. */
export interface SetPlan {
  /** Stirred while it set (true), or baked undisturbed. */
  stirred: ProcessValue<boolean>
  /** Heat treatment of the milk proteins, 0–1. */
  milkHeat: ProcessValue<number>
  /** Air, volume fraction. */
  air: ProcessValue<number>
  /** Milk fat in whipped state, mass fraction of the whole. */
  whippedFat: ProcessValue<number>
  /** The air is held by beaten whites. */
  whiteFoam: ProcessValue<boolean>
  starch: ProcessValue<{ peakTempC: number, minutes: number }>
  /** Acid is there while starch or agar boils. */
  acidBoiled: ProcessValue<boolean>
  /** Yolk amylase survives. */
  amylase: ProcessValue<boolean>
  /** Gelatin grade, g Bloom. */
  bloom: number
  /** Set, then blended. */
  fluidGel: boolean
}

export interface ChillLeg {
  id: string
  /** Kitchen place (a fridge), or null; the snapshot counts when the id is unknown. */
  placeId: string | null
  place: { kind: PlaceKind, airTempC: number }
  /** How long, s; the last leg lasts until service whatever stands here. */
  timeS: number
  cover: Cover
}

export interface ServePlan {
  /** When the pan goes on, ISO date and time without zone (the kitchen's own clock). */
  startAt: string
  /** Temperature at which the piece is cut, and hours in the cold before it: the plan's own, or stated. */
  coldTempC: ProcessValue<number>
  chilledS: ProcessValue<number>
  /** Days somebody says it keeps, to be held against the code; null: nobody says. */
  claimDays: number | null
  /** Mean temperature it is to be eaten at, °C; null: as it comes from the cold. */
  temperC: number | null
}

/** Parts of a fruit that can be taken; which exclude one another stands in `core/stock/fruit`. */
export const FRUIT_PARTS = ['juice', 'zest', 'peel', 'segments'] as const
export type FruitPart = (typeof FRUIT_PARTS)[number]

/** Fruit on the bench: how many, or their weight, and how many of them each part is taken from. */
export interface FruitEntry {
  id: string
  fruitId: string
  count: number
  /** Weighed together, g; null: not weighed. */
  weightG: number | null
  take: Record<FruitPart, number>
  /** Juice as it came out, g; null: not squeezed yet. */
  measuredJuiceG: number | null
}

/** What the batch is for, from which the formula is multiplied. */
export type Covers =
  | { kind: 'people', people: number, each: number }
  | { kind: 'vessels', count: number }
  | { kind: 'weight', massG: number }
  | { kind: 'volume', volumeM3: number }

/** What is on the bench for this formula. */
export interface StockPlan {
  fruit: FruitEntry[]
  /** How much of a line there is, g; a line that is not named is at hand without limit. */
  have: { lineId: string, massG: number }[]
  covers: Covers | null
}

export interface FormulaDocument {
  format: typeof FORMULA_FORMAT
  version: typeof SCHEMA_VERSION
  name: string
  family: Family
  school: School
  note: string
  use: Use
  stock: StockPlan
  components: Component[]
  assembly: Assembly
  /** What stays behind: fraction of the mix in the sieve, grams in the pan. */
  losses: { sieveFraction: number, panG: number }
  heat: HeatPlan
  set: SetPlan
  chill: ChillLeg[]
  serve: ServePlan
}

/** The filling, the component everything is computed for. */
export const fillingOf = (doc: FormulaDocument): Component => doc.components.find(c => c.role === 'filling')!

/** The vessel that counts: the kitchen's own if the id is known there, else the snapshot. */
export const vesselOf = (doc: FormulaDocument, kitchen: Kitchen): Vessel =>
  kitchen.vessels.find(v => v.id === doc.assembly.vesselId) ?? doc.assembly.vessel

/** The pan that counts: the kitchen's own if the id is known there, else the snapshot; null: none was chosen. */
export const panOf = (doc: FormulaDocument, kitchen: Kitchen): Omit<HeatPan, 'panId'> | null =>
  doc.heat.pan && (kitchen.pans.find(p => p.id === doc.heat.pan!.panId) ?? doc.heat.pan)

/** Oven air, °C: the dial with the error of the kitchen's own oven, or the snapshot of it. */
export const ovenAirC = (doc: FormulaDocument, kitchen: Kitchen): number =>
  doc.heat.oven.airTempC + (kitchen.ovens.find(o => o.id === doc.heat.oven.ovenId)?.offsetK ?? doc.heat.oven.offsetK)

/** The place that counts for a leg: the kitchen's own if the id is known there, else the snapshot. */
export const placeOf = (leg: ChillLeg, kitchen: Kitchen): { kind: PlaceKind, airTempC: number } =>
  kitchen.places.find(p => p.id === leg.placeId) ?? leg.place

/** The strength that counts for a line: a known lot's current figures, else what the document says. */
export function strengthOf(line: Line, kitchen: Kitchen): Strength {
  const strength = line.strength ?? { kind: 'typical' as const }
  if (strength.kind !== 'lot') return strength
  const lot = kitchen.lots.find(l => l.id === strength.lotId)
  return lot ? lotStrength(lot) : strength
}

/** A stock plan in which nothing is said yet. */
export const plainStock = (): StockPlan => ({ fruit: [], have: [], covers: null })
