/**
 * The formula document: what a dessert is made of and how, as it is stored and exported. Plain data, SI inside, the
 * unit in every name. Components each have their lines, steps, heat, set and losses; layers say where they lie in the
 * vessel. When it is made, how often and with which stock is an occasion (`occasion.ts`); what the pipeline runs
 * through is one component of it on the bench (`bench.ts`).
 * A process value is `{ simulated: true }` (computed by the models) or `{ given: value }` (measured or stated), and
 * both run through the same pipeline.
 */
import type { Strength } from '../base/ingredients/types'
import { type Kitchen, lotStrength } from '../kitchen/kitchen'
import type { Vessel } from '../physics/geometry/cavity'
import type { HeatMethod } from '../physics/heat/pot'
import type { ZestCut } from '../physics/matter/aroma'
import type { Grain } from '../physics/matter/dissolving'
import type { Use } from '../physics/set/bands'
import type { Peak } from '../physics/set/whipping'
import type { Cover, PlaceKind } from '../physics/thermal/places'

export const FORMULA_FORMAT = 'lumbik-formula'
export const SCHEMA_VERSION = 6

export type ProcessValue<T> = { simulated: true } | { given: T }
/**
 * The stated value, or null when it is to be simulated.
 * @example given({ given: 80 }) // 80
 */
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
  'fruit',
] as const
/** Kind of dessert; what sets it, its ways of making and the fields it uses stand in `core/families`. */
export type Family = (typeof FAMILIES)[number]

/** Ways of making fruit; each is a kind of part, too. */
export const FRUIT_WAYS = [
  'coulis',
  'boundSauce',
  'roastedFruit',
  'maceratedFruit',
  'confitPeel',
  'peelPowder',
  'steepedSpirit',
] as const
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
  'coldSouffle',
  'setCream',
  'whippedAcid',
  'beatenWhites',
  'lightenedCurd',
  'blendedGel',
  'frozenInsert',
  'boiledMeringue',
  ...FRUIT_WAYS,
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
  /** How zest was taken, where it is said; else finely grated off the fruit of the juice. */
  zest?: ZestAs
  /** Size of a sugar's grains, where it is said; else as its words or its kind have it. */
  grain?: Grain
  /** What it is on the portion, where it goes on at the last. */
  finish?: FinishKind
}
export const FINISH_KINDS = ['berries', 'leaf', 'wheel', 'rosette', 'dust', 'sauce', 'scoop', 'shard'] as const
export type FinishKind = (typeof FINISH_KINDS)[number]

/** How zest is taken off: whose it is (by the fruit's juice), how cut, rubbed into the sugar, down into the white. */
export interface ZestAs {
  of?: string
  cut?: ZestCut
  rubbed?: boolean
  deep?: boolean
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
    /** Cream: where the whisk stops; its gain follows from that. Absent: the gain as it is stated. */
    peak?: Peak
    /** Whisked by hand; electric where absent. */
    byHand?: boolean
  }
  | { id: string, kind: 'blend' }
  | { id: string, kind: 'pour' }
  | { id: string, kind: 'bake' }

export const COMPONENT_ROLES = [
  'filling', 'crust', 'topping', 'insert', 'sponge', 'glaze', 'meringue', 'cream', 'sauce', 'fruit', 'finish',
] as const
export type ComponentRole = (typeof COMPONENT_ROLES)[number]
/** Crusts, toppings and what is laid in between, with a formula of their own; their facts stand in `parts.ts`. */
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
  'meringueDry',
  'chouxShell',
  'spongeLayer',
  'rollSheet',
  'biscuitLayer',
  'whippedLayer',
  'berryLayer',
  'crumbMelted',
  'tuile',
  ...FRUIT_WAYS,
  'readyFilling',
  'sorbet',
  'curdIce',
] as const
export type PartKind = (typeof PART_KINDS)[number]
/**
 * What a crust or topping is. `ratio`: crumb to butter, or sugar to white, by weight; the kind's own where it has
 * neither.
 */
export interface PartMake {
  kind: PartKind
  ratio: number
  /** Brushed with egg, cocoa butter or chocolate, so that what is wet stays out longer. */
  sealed?: boolean
  /** Rested in the cold before it is baked, s; as its steps have it where absent. */
  restS?: number
  /** Baked without weights; with them where absent. */
  unweighted?: boolean
  /** In the oven, s; as is usual where absent. */
  bakedS?: number
  /** A pinch of cream of tartar to each white. */
  withAcid?: boolean
}

/** How a component sets: its kind, its way of making, its heat, what the set depends on, what stays behind. */
export interface Process {
  family: Family
  school: School
  heat: HeatPlan
  set: SetPlan
  /** What stays behind: fraction of the mix in the sieve, grams in the pan. */
  losses: { sieveFraction: number, panG: number }
}

/** A part of a dessert with its own lines and steps. What sets has a process; a crust or a topping says its make. */
export interface Component {
  id: string
  role: ComponentRole
  name: string
  lines: Line[]
  steps: Step[]
  make?: PartMake
  process?: Process
  /** The formula of the shelf it was taken from, as it stood then. */
  from?: PartSource
}
/** Where a part was taken from: a component of a formula of the shelf, by the version it had then. */
export interface PartSource { formulaId: string, version: number, componentId: string }

export const LAYER_FORMS = ['shell', 'base', 'fill', 'top'] as const
/**
 * Where a component lies, from the bottom of the vessel up: a crust as a shell up the sides or a base, what fills the
 * vessel level upon level, what stands on top. A bought crust has no component.
 */
export interface Layer {
  id: string
  componentId: string | null
  form: (typeof LAYER_FORMS)[number]
  /** Simulated: all that was made of it, for what is poured; given: this thick. */
  thicknessM: ProcessValue<number>
}

/** The vessel and what lies in it. */
export interface Assembly {
  /** Kitchen vessel, or null for a one-off size; `vessel` is the snapshot that counts when the id is unknown. */
  vesselId: string | null
  vessel: Vessel
  count: number
  /** Room that fruit or an insert takes in each vessel, m³. */
  insertM3: number
  /** How far a glass leans while its filling sets, degrees. */
  tiltDeg: number
  /** Portions cut or served from all vessels together. */
  portions: number
  /** What lies between filling and wall; bare where absent. */
  coat?: Coat
  /** Its base comes out (springform, loose-based tin); rings have none anyway. */
  looseBase?: boolean
  layers: Layer[]
  /**
   * How the parts become one: level upon level in the vessel where absent, rolled up, filled into shells, heaped on a
   * base late, or filled into a round mould and turned out, so that the first level is its top.
   */
  built?: Built
}
export const COATS = ['greased', 'paper', 'film', 'rinsed'] as const
export type Coat = (typeof COATS)[number]
export const BUILT = ['roll', 'shells', 'heaped', 'domed'] as const
export type Built = (typeof BUILT)[number]

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
  /** How long a microwave is on before the mix is whisked, s; 20 where absent. */
  burstS?: number
  /** How thick the mix lies in its pouch, m; 25 mm where absent. */
  pouchM?: number
  /** Between two stirs over a bath, s; all the while where absent. */
  stirEveryS?: number
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
    /** Steam in its air, 0–1, as a combi oven is set; none where absent. */
    steam?: number
    /** Vessels in it at once; as many as its shelves hold where absent. */
    atOnce?: number
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
  /** Egg and condensed milk whisked until they hold air, so long before the pour; without beating where absent. */
  whisked?: { seconds: number, byHand: boolean }
}

export interface ChillLeg {
  id: string
  /** Kitchen place (a fridge), or null; the snapshot counts when the id is unknown. */
  placeId: string | null
  place: { kind: PlaceKind, airTempC: number }
  /** How long, s; the last leg lasts until service whatever stands here. */
  timeS: number
  cover: Cover
  /** How often its door is opened in an hour; not at all where absent. */
  opensPerHour?: number
  /** Other food that goes in as hot, g; none where absent. */
  alongsideG?: number
  /** A blast chiller runs well under zero until the piece is nearly cold. */
  hard?: boolean
}

export interface ServePlan {
  /** Temperature at which the piece is cut, and hours in the cold before it: the plan's own, or stated. */
  coldTempC: ProcessValue<number>
  chilledS: ProcessValue<number>
  /** Days somebody says it keeps, to be held against the code; null: nobody says. */
  claimDays: number | null
  /** Mean temperature it is to be eaten at, °C; null: as it comes from the cold. */
  temperC: number | null
  /** How long this cook takes at a step, s, where it is said: the clock goes by it, no temperature does. */
  ownS?: Partial<Record<OwnStep, number>>
  /** What the bench card says beside the formula, in the cook's own words. */
  cardNote?: string
}
/**
 * Steps whose time a cook may say: the heat (and boil), steeping, a rest, straining, filling vessels, warming on the
 * table.
 */
export const OWN_STEPS = ['heat', 'steep', 'rest', 'strain', 'portion', 'temper'] as const
export type OwnStep = (typeof OWN_STEPS)[number]

export interface FormulaDocument {
  format: typeof FORMULA_FORMAT
  version: typeof SCHEMA_VERSION
  name: string
  note: string
  use: Use
  components: Component[]
  assembly: Assembly
  chill: ChillLeg[]
  serve: ServePlan
}

/**
 * The layer of a component that is poured: as thick as there is of it.
 * @example pouredLayer('c1').form // 'fill'
 */
export const pouredLayer = (componentId: string): Layer =>
  ({ id: componentId, componentId, form: 'fill', thicknessM: { simulated: true } })

/**
 * Whether a component is one the pipeline runs through.
 * @example isComputed(mainComponent(formula)) // true
 */
export const isComputed = (c: Component): c is Component & { process: Process } => c.process !== undefined

/**
 * The place that counts for a leg: the kitchen's own if the id is known there, else the snapshot.
 * @example placeOf(doc.chill[0], kitchen).kind // 'bench'
 */
export const placeOf = (leg: ChillLeg, kitchen: Kitchen): { kind: PlaceKind, airTempC: number } =>
  kitchen.places.find(p => p.id === leg.placeId) ?? leg.place

/**
 * The strength that counts for a line: a known lot's current figures, else what the document says.
 * @example strengthOf(lines[2], kitchen).kind // 'typical'
 */
export function strengthOf(line: Line, kitchen: Kitchen): Strength {
  const strength = line.strength ?? { kind: 'typical' as const }
  if (strength.kind !== 'lot') return strength
  const lot = kitchen.lots.find(l => l.id === strength.lotId)
  return lot ? lotStrength(lot) : strength
}
