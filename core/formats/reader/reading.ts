/**
 * A text as read: every piece of it that is not blank in exactly one entry, the formula's facts out of its method, and
 * what the lint says. The same shape is printed by `npm run read` and answered by `/api/read`
 * (`docs/reading.schema.json`).
 */
import type { EggGrade } from '../../base/ingredients/measures'
import type { CupSystem } from '../../base/units'
import type { ComponentRole, Family, School } from '../../formula/document'
import type { VesselKind } from '../../physics/geometry/cavity'
import type { UseKind } from '../../physics/set/bands'
import type { LEAVES } from '../../physics/set/gelatin'

export const LOCALES = ['en', 'fr', 'es', 'de', 'it'] as const
export type Locale = (typeof LOCALES)[number]
export const ENTRY_KINDS = ['ingredient', 'step', 'heading', 'name', 'setAside'] as const
export type EntryKind = (typeof ENTRY_KINDS)[number]
export type LeafGrade = keyof typeof LEAVES

export const QUESTION_KINDS = [
  /** Whose cups, pints and fluid ounces; shared. */
  'cups',
  /** Ounces by weight or by volume. */
  'ounce',
  /** How many grams; none, a range, or a measure nobody knows the weight of. */
  'amount',
  /** Which ingredient. */
  'ingredient',
  /** Juice, zest or both of a fruit. */
  'fruitPart',
  /** How large a can is; shared by its ingredient. */
  'can',
  /** Which grade of leaf gelatine; shared. */
  'leafGrade',
  /** More than a kitchen could mean. */
  'figure',
] as const
export type QuestionKind = (typeof QUESTION_KINDS)[number]
export interface Question {
  kind: QuestionKind
  /** What may be answered: codes, ids or grams; empty where grams are asked. */
  choices: (string | number)[]
  /** The likeliest of them. */
  suggested: string | number | null
  /** The key under which one answer serves several lines. */
  shared: string | null
  /** The words it is about. */
  words: string
}

export const ASSUMPTION_CODES = [
  'weighed', 'ounce', 'millilitres', 'measure', 'egg', 'shell', 'fruit', 'stick', 'answered', 'written', 'can', 'leaf',
  'packet', 'pinch', 'guessed', 'corrected', 'percent', 'sum', 'each', 'spelling', 'fraction', 'methodPlaces', 'notCounted', 'bareGrams',
] as const
export type AssumptionCode = (typeof ASSUMPTION_CODES)[number]
/** What was taken for granted, with its figures; worded outside the core. */
export interface Assumption {
  code: AssumptionCode
  params: Readonly<Record<string, string | number>>
}

export interface Item {
  ingredientId: string | null
  massG: number | null
  /** Eggs, fruit, leaves, cans, packets or sticks. */
  count: number | null
  piece: string | null
  /** Gelatin grade, g Bloom. */
  bloom: number | null
}
export interface Component {
  role: ComponentRole
  index: number
  name: string | null
}
export interface Entry {
  text: string
  /** Where it stands in the text, [from, to). */
  span: [number, number]
  kind: EntryKind
  component: Component | null
  items: Item[]
  question: Question | null
  assumptions: Assumption[]
  /** Set aside by the cook, or by the reader. */
  leftOut: boolean
}

export interface ReadVessel {
  kind: VesselKind
  lengthM: number | null
  widthM: number | null
  diameterM: number | null
  heightM: number | null
  count: number | null
}
export interface ReadOven {
  tempC: number
  fan: boolean
  minutes: number | null
}

/** What is done in a method. */
export const ACT_KINDS = [
  'bloom', 'whip', 'fold', 'bath', 'microwave', 'boil', 'heat', 'reduce', 'dissolve', 'add', 'strain', 'blend', 'pour',
  'bake', 'chill', 'freeze', 'cool', 'unmould', 'serve', 'offHeat',
] as const
export type ActKind = (typeof ACT_KINDS)[number]
export interface Act {
  does: ActKind
  /** The entry it stands in. */
  line: number
  of: 'crust' | 'filling' | 'topping'
  /** Kinds of ingredient it is done to (`kinOf`). */
  kins: string[]
  minutes: number | null
  tempC: number | null
  clause: number
  /** Its sentence in plain letters. */
  sentence: string
}
/** When a line of the filling joins: heated with the rest, stirred in after it, folded in whipped. */
export interface Placement {
  where: 'heated' | 'after' | 'folded'
  /** Its place in the method; the same for what goes in together. */
  order: number
  /** What it goes into has cooled to this first, °C; null: as it is. */
  meetsC: number | null
}
/** What a method says of how the filling is made; null where it does not say. */
export interface Method {
  acts: Act[]
  pot: 'direct' | 'waterBath' | 'microwave' | null
  /** Minutes at the boil, all together. */
  boilMinutes: number | null
  boils: boolean
  reduces: boolean
  strains: boolean
  blends: boolean
  /** By ingredient. */
  placed: Readonly<Record<string, Placement>>
  coolMinutes: number | null
  chillMinutes: number | null
  freezeMinutes: number | null
  /** Poured on a base that is still hot. */
  hotBase: boolean
  /** Baked standing in water. */
  bakedInBath: boolean
  /** Eaten at room temperature. */
  roomWarm: boolean
  use: UseKind | null
  /** Pieces it is cut into. */
  pieces: number | null
}

/** Whose measures a text is read by, and what told so. */
export interface Habits {
  country: 'us' | 'gb' | 'au' | 'metric'
  cups: CupSystem | null
  eggs: { large: EggGrade, plain: EggGrade }
  /** Words that told it. */
  because: string[]
  /** Whether anything in the text depends on it. */
  matters: boolean
}

export interface Reading {
  name: string | null
  locale: Locale
  habits: Habits
  lines: Entry[]
  vessel: ReadVessel | null
  oven: ReadOven | null
  peakC: number | null
  portions: number | null
  /** What its steps say of the making; null where there are none. */
  method: Method | null
  family: Family | null
  school: School | null
}

/** A choice's code, an ingredient's id, or grams. */
export type Answer = string | number
/**
 * Answers: by shared key (`cups`, `leafGrade`, `can:condensed`, `eggs:large` …), or by a line's text as written; a
 * number is grams. A line asked twice (which cream, then how its ounces are meant) has several. `country` changes the
 * whole text's habits; `leftOut` are texts set aside, `takenIn` such brought back; `roles` move a line to another
 * component.
 */
export interface Answers {
  shared?: Record<string, string | number>
  lines?: Record<string, Answer | Answer[]>
  leftOut?: string[]
  takenIn?: string[]
  roles?: Record<string, ComponentRole>
}

/** What was answered to a line, the last first. */
export function answersTo({ lines }: Answers, text: string): Answer[] {
  const own = lines?.[text]
  return own === undefined ? [] : Array.isArray(own) ? [...own].reverse() : [own]
}
