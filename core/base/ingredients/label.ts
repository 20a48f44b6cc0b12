/**
 * An ingredient of the kitchen's own, from its package: what the label says per 100 g becomes a row like those of the
 * table. Its id carries the label itself (`own:Pine syrup;sugar;carbs=66;sugars=64;…`), so that a formula, a batch or
 * a file that names it stands alone, and a label that is changed is another ingredient.
 */
import { FIELDS, type FieldPath } from '../fields'
import { InputError, within } from '../errors'
import {
  ALLERGENS, type Allergen, type CompositionKey, type Ingredient, type IngredientGroup, type Trait,
} from './types'

export const LABEL_KINDS = [
  'juice', 'fruit', 'sugar', 'dairy', 'butter', 'plant', 'chocolate', 'biscuit', 'nut', 'other',
] as const satisfies readonly IngredientGroup[]
/** What of the table it is like: where it goes, and what its sugar, fat and protein are. */
export type LabelKind = (typeof LABEL_KINDS)[number]

/** Figures a label may give, per 100 g, in the order its id has them. */
export const LABEL_FIGURES = [
  'fat', 'carbs', 'sugars', 'fibre', 'protein', 'salt', 'acid', 'pH', 'alcohol', 'density', 'pack', 'set',
] as const
export type LabelFigure = (typeof LABEL_FIGURES)[number]
const ALWAYS: readonly LabelFigure[] = ['fat', 'carbs', 'sugars', 'fibre', 'protein', 'salt']

/**
 * What a label says: g per 100 g; acid in % of its mass (as citric, of milk as lactic); alcohol in % of its volume;
 * density in g/ml; the pack in g; `set`, where it is a filling ready to use: its yield stress from the cold, stirred
 * smooth, Pa. What is null is not known.
 */
export interface Label extends Record<LabelFigure, number | null> {
  name: string
  kind: LabelKind
  allergens: readonly Allergen[]
  /** What else a guest must be told of. */
  tells: readonly LabelTell[]
}
/** Gelatine that has set in it already; citrus that changes how medicines work. */
export const LABEL_TELLS = ['gelatine', 'medicines'] as const
export type LabelTell = (typeof LABEL_TELLS)[number]
const TRAIT_OF: Readonly<Record<LabelTell, Trait>> = { gelatine: 'holdsGelatin', medicines: 'medicines' }

export const OWN_PREFIX = 'own:'
/** Longest name and id: what a database column and a document take. */
export const OWN_NAME_MOST = 60
export const OWN_ID_MOST = 250
/** Ethanol, g/ml at 20 °C (CRC Handbook). */
export const ETHANOL_G_PER_ML = 0.789
/** What labels round and leave out may add up to this much over a hundred, g. */
const OVER_G = 3
/** Milk has about this much lactose, %; sugar of dairy over that was added. */
const LACTOSE_MOST = 5

/** What is supposed of a kind where the label says nothing: acid as low, typical and high, % (judgement), and pH. */
const SUPPOSED: Record<LabelKind, { acid: readonly [number, number, number] | null, pH: number }> = {
  juice: { acid: [0.8, 2, 5.5], pH: 3 }, fruit: { acid: [0.3, 0.8, 1.8], pH: 3.5 }, sugar: { acid: null, pH: 5.5 },
  dairy: { acid: null, pH: 6.5 }, butter: { acid: null, pH: 6.4 }, plant: { acid: null, pH: 6.6 },
  chocolate: { acid: null, pH: 6 }, biscuit: { acid: null, pH: 7 }, nut: { acid: null, pH: 6.3 },
  other: { acid: null, pH: 6 },
}
/** An acidity that a label gives for a kind of goods holds for this pack within these factors (judgement: wide). */
const ACID_SPREAD: readonly [number, number] = [0.75, 1.33]
/** Kinds whose carbohydrate beside sugars is starch; elsewhere it is the long sugars of syrups and fruit. */
const STARCHY: readonly LabelKind[] = ['biscuit', 'nut', 'plant', 'chocolate', 'other']

const pathOf = (k: LabelFigure): FieldPath => `label.${k}`

/** Figures within what they can be, together not much over a hundred. @throws {InputError} naming the field */
function checked(label: Label): Label {
  const name = label.name.trim().replace(/\s+/g, ' ')
  if (name === '' || name.length > OWN_NAME_MOST || /[;\p{C}]/u.test(name))
    throw new InputError(name === '' ? 'missing' : 'unknownValue', 'label.name')
  if (!LABEL_KINDS.includes(label.kind)) throw new InputError('unknownValue', 'label.kind')
  for (const k of LABEL_FIGURES) {
    const v = label[k]
    if (v === null && ALWAYS.includes(k)) throw new InputError('missing', pathOf(k))
    if (v !== null) within(v, pathOf(k), FIELDS[pathOf(k)].min, FIELDS[pathOf(k)].max)
  }
  if (label.sugars! > label.carbs! + OVER_G) throw new InputError('tooLarge', pathOf('sugars'), { max: label.carbs! })
  const over = 100 - waterOf(label)
  if (over > 100 + OVER_G) throw new InputError('tooLarge', pathOf('carbs'), { max: round(label.carbs! - (over - 100)) })
  return {
    ...label, name, allergens: ALLERGENS.filter(a => label.allergens.includes(a)),
    tells: LABEL_TELLS.filter(t => label.tells.includes(t)),
  }
}
const round = (v: number) => Math.round(v * 100) / 100
const ethanolOf = (l: Label) => l.alcohol === null ? 0 : (l.alcohol * ETHANOL_G_PER_ML) / (l.density ?? 1)
/** What is none of what the label names, g per 100 g. */
const waterOf = (l: Label): number =>
  100 - l.fat! - l.carbs! - l.fibre! - l.protein! - l.salt! - (l.acid ?? 0) - ethanolOf(l)

/**
 * The id of an ingredient by its label. @throws {InputError} naming the figure that cannot be (`label.sugars`)
 * @example ownId({ ...EMPTY_LABEL, name: 'Pine', kind: 'nut', fat: 60 }).slice(0, 20) // 'own:Pine;nut;fat=60;'
 */
export function ownId(label: Label): string {
  const l = checked(label)
  const figures = LABEL_FIGURES.filter(k => l[k] !== null).map(k => `${k}=${round(l[k]!)}`)
  const allergens = l.allergens.length ? [`allergens=${l.allergens.join('+')}`] : []
  const tells = l.tells.length ? [`tells=${l.tells.join('+')}`] : []
  const id = OWN_PREFIX + [l.name, l.kind, ...figures, ...allergens, ...tells].join(';')
  if (id.length > OWN_ID_MOST) throw new InputError('tooLarge', 'label.name', { max: OWN_NAME_MOST })
  return id
}

/** A label of which nothing is known yet. @example EMPTY_LABEL.fat // 0 */
export const EMPTY_LABEL: Label = {
  name: '', kind: 'other', fat: 0, carbs: 0, sugars: 0, fibre: 0, protein: 0, salt: 0, acid: null, pH: null,
  alcohol: null, density: null, pack: null, set: null, allergens: [], tells: [],
}

/**
 * The label an id carries; null for any other id, and for one that no label would give.
 * @example labelOf('own:Bar;biscuit;fat=9;carbs=62;sugars=20;fibre=6;protein=8;salt=0.4').fibre // 6
 */
export function labelOf(id: string): Label | null {
  if (!id.startsWith(OWN_PREFIX) || id.length > OWN_ID_MOST) return null
  const [name = '', kind, ...rest] = id.slice(OWN_PREFIX.length).split(';')
  const said = Object.fromEntries(rest.map(x => x.split('=', 2) as [string, string]))
  const { allergens = '', tells = '', ...figures } = said
  const label: Label = {
    ...EMPTY_LABEL, name, kind: kind as LabelKind,
    allergens: allergens.split('+').filter((a): a is Allergen => (ALLERGENS as readonly string[]).includes(a)),
    tells: tells.split('+').filter((t): t is LabelTell => (LABEL_TELLS as readonly string[]).includes(t)),
  }
  for (const k of LABEL_FIGURES) if (k in figures) label[k] = Number(figures[k])
  try {
    return ownId(label) === id ? label : null
  } catch (error) {
    if (error instanceof InputError) return null
    throw error
  }
}

/** What its carbohydrate, fat and protein are, by its kind. */
function composition(l: Label): Partial<Record<CompositionKey, number>> {
  const lactose = l.kind === 'dairy' ? Math.min(l.sugars!, LACTOSE_MOST) : 0
  const sugars = l.sugars! - lactose
  const isFruity = l.kind === 'juice' || l.kind === 'fruit'
  const long = Math.max(0, l.carbs! - l.sugars!)
  const isMilk = l.kind === 'dairy' || l.kind === 'butter'
  return {
    water: Math.max(0, waterOf(l)),
    sucrose: (isFruity ? 0.4 * sugars : sugars) + (STARCHY.includes(l.kind) ? 0 : long),
    monosaccharides: isFruity ? 0.6 * sugars : 0,
    lactose,
    fat: l.fat!,
    milkFat: isMilk ? l.fat! : 0,
    casein: isMilk ? 0.8 * l.protein! : 0,
    whey: isMilk ? 0.2 * l.protein! : 0,
    otherProtein: isMilk ? 0 : l.protein!,
    starch: STARCHY.includes(l.kind) ? long : 0,
    fibre: l.fibre!,
    ash: l.salt!,
  }
}

/**
 * The row of an id that carries a label, or undefined: of low confidence throughout, its acidity with a wide spread
 * where the label gives it and wider where it is only supposed.
 * @example ownRow('own:Pine syrup;sugar;fat=0;carbs=66;sugars=64;fibre=0;protein=0;salt=0').per100g.water // 34
 */
export function ownRow(id: string): Ingredient | undefined {
  const l = labelOf(id)
  if (!l) return undefined
  const supposed = SUPPOSED[l.kind].acid
  const isMilk = l.kind === 'dairy'
  const [less, more] = ACID_SPREAD
  const acid = l.acid !== null && l.acid > 0
    ? [l.acid * less, l.acid, l.acid * more] as const
    : l.acid === null ? supposed : null
  const standsFor: readonly IngredientGroup[] | undefined =
    ['juice', 'sugar', 'dairy', 'butter'].includes(l.kind) ? [l.kind] : l.kind === 'plant' ? ['dairy'] : undefined
  return {
    id, group: l.kind, aliases: [l.name.toLowerCase()], per100g: composition(l),
    ...(l.tells.length ? { traits: l.tells.map(t => TRAIT_OF[t]) } : {}),
    ...(standsFor ? { standsFor } : {}),
    ...(acid ? { acid: { kind: isMilk ? 'lactic' : 'citric', low: acid[0], typical: acid[1], high: acid[2] } } : {}),
    pHNative: l.pH ?? SUPPOSED[l.kind].pH, potassiumMg: 0, ethanol: ethanolOf(l),
    allergens: l.allergens, source: 'its package label, as the kitchen entered it', confidence: 'L',
  }
}
