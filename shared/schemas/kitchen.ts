/** The kitchen at the wire: settings, places, vessels and lots. */
import * as yup from 'yup'
import { BATCH_LAWS, KITCHEN_LAWS } from '#core/kitchen/spreads'
import type { Kitchen } from '#core/kitchen/kitchen'
import { BURNER_KINDS, PLAIN_KITCHEN } from '#core/kitchen/kitchen'
import { LOT_METHODS } from '#core/kitchen/strength'
import { MATERIALS, VESSEL_KINDS } from '#core/physics/geometry/cavity'
import { PLACE_KINDS } from '#core/physics/thermal/places'
import { FIELDS } from '#core/base/fields'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { labelOf, OWN_ID_MOST } from '#core/base/ingredients/label'
import { INGREDIENTS } from '#core/base/ingredients/table'
import { EGG_GRADES, FRUITS } from '#core/base/ingredients/measures'
import { CUP_SYSTEMS } from '#core/base/units'
import { day } from './dates'
import { ifThere, num, orNone } from './numbers'
import { fieldPath } from './problem'

const number = () => yup.number().strict().required()

/** Most that a kilogram may cost. */
export const PRICE_MOST = 100_000

/** A table of numbers by id: whose ids there are, what an unknown one is called, and between what a number may lie. */
interface ById { known: (id: string) => boolean, most: number, unknown: string, min: number, max: number }
/** The first entry that cannot be taken: counted before any is looked at, so that a refusal costs little. */
function wrongEntry(
  value: unknown, { known, most, unknown, min, max }: ById,
): { path: string, type: string, params?: Record<string, number> } | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return { path: '', type: 'typeError' }
  const entries = Object.entries(value)
  if (entries.length > most) return { path: '', type: 'tooMany', params: { max: most } }
  for (const [id, n] of entries) {
    if (!known(id)) return { path: fieldPath(id), type: unknown }
    if (typeof n !== 'number' || !Number.isFinite(n)) return { path: id, type: 'notANumber' }
    if (n < min) return { path: id, type: 'min', params: { min } }
    if (n > max) return { path: id, type: 'max', params: { max } }
  }
  return null
}
const byId = (name: string, table: ById) =>
  yup.mixed<Record<string, number>>().test(name, name, (value, context) => {
    const wrong = value === undefined ? null : wrongEntry(value, table)
    return (
      wrong === null ||
      context.createError({ ...wrong, path: wrong.path ? `${context.path}.${wrong.path}` : context.path })
    )
  })
/** Between what a field's table of numbers may lie. */
const limits = (field: 'kitchen.ownJuiceG.*' | 'kitchen.ownCanG.*') => {
  const { min, max } = FIELDS[field]
  return { min, max }
}
/** Ingredients of its own that a kitchen may have. */
export const OWN_INGREDIENTS_MOST = 200
const isKnown = (id: string) => findIngredient(id) !== undefined
const ofFruit = { known: (id: string) => FRUITS.some(f => f.id === id), most: FRUITS.length, unknown: 'unknownValue' }
const ofIngredient = { known: isKnown, most: INGREDIENTS.length + OWN_INGREDIENTS_MOST, unknown: 'unknownIngredient' }
/** The kitchen's own rules of thumb, and ingredients. */
const own = {
  ingredients: yup
    .array(yup.string().strict().max(OWN_ID_MOST).required().test('known', 'unknown', id => labelOf(id) !== null))
    .strict()
    .max(OWN_INGREDIENTS_MOST)
    .optional(),
  ownJuiceG: byId('ownJuiceG', { ...ofFruit, ...limits('kitchen.ownJuiceG.*') }).optional(),
  ownCanG: byId('ownCanG', { ...ofIngredient, ...limits('kitchen.ownCanG.*') }).optional(),
  ownPowderG: ifThere('kitchen.ownPowderG'),
}

export const settingsSchema = yup
  .object({
    vocabulary: yup.string().strict().oneOf(['gb', 'us']).required(),
    temperatureUnit: yup.string().strict().oneOf(['C', 'F']).required(),
    cups: yup
      .string()
      .strict()
      .oneOf([...CUP_SYSTEMS])
      .nullable()
      .defined(),
    eggGrade: yup.string().strict().oneOf(Object.keys(EGG_GRADES)).required(),
    altitudeM: num('kitchen.altitudeM'),
    roomTempC: num('kitchen.roomTempC'),
    foodCode: yup.string().strict().oneOf(['us', 'uk']).required(),
    business: yup.boolean().strict().required(),
    currency: yup.string().strict().trim().min(1).max(4).required(),
    prices: byId('prices', { ...ofIngredient, min: 0, max: PRICE_MOST }).required(),
    ...own,
  })
  .noUnknown()
  .strict()
  .required()

export const placeSchema = yup
  .object({
    id: yup.string().strict().uuid().required(),
    name: yup.string().strict().trim().min(1).max(80).required(),
    kind: yup
      .string()
      .strict()
      .oneOf([...PLACE_KINDS])
      .required(),
    airTempC: num('chill.*.place.airTempC'),
  })
  .noUnknown()
  .strict()
  .required()

const named = {
  id: yup.string().strict().uuid().required(),
  name: yup.string().strict().trim().min(1).max(80).required(),
}
const oneOf = <T extends string>(values: readonly T[]) =>
  yup
    .string()
    .strict()
    .oneOf([...values])
    .required()
export const vesselSchema = yup
  .object({
    ...named,
    kind: oneOf(VESSEL_KINDS),
    material: oneOf(MATERIALS),
    lengthM: num('assembly.vessel.lengthM'),
    widthM: num('assembly.vessel.widthM'),
    heightM: num('assembly.vessel.heightM'),
    taper: num('assembly.vessel.taper'),
    heldM3: orNone('assembly.vessel.heldM3'),
  })
  .noUnknown()
  .strict()
  .required()
const ovenSchema = yup
  .object({ ...named, fan: yup.boolean().strict().required(), offsetK: num('heat.oven.offsetK') })
  .noUnknown()
  .strict()
  .required()
const burnerSchema = yup
  .object({ ...named, kind: oneOf(BURNER_KINDS), ratedW: num('kitchen.burners.*.ratedW') })
  .noUnknown()
  .strict()
  .required()
const panSchema = yup
  .object({
    ...named,
    diameterM: num('heat.pan.diameterM'),
    heightM: num('heat.pan.heightM'),
    tareG: orNone('heat.pan.tareG'),
  })
  .noUnknown()
  .strict()
  .required()
const list = (schema: yup.AnySchema) => yup.array(schema).strict().max(60).required()

const method = yup.lazy((value: unknown) => {
  const kind = (value as { kind?: unknown } | null)?.kind
  const n = (max: number) => number().min(0).max(max)
  const shape: Record<string, yup.AnySchema> =
    kind === 'titration'
      ? { sampleG: n(500), mlNaOH: n(500), molarity: n(5), endPH: n(14) }
      : kind === 'refractometer'
        ? { readingBrix: n(100) }
        : kind === 'pH'
          ? { by: yup.string().strict().oneOf(['meter', 'paper']).required(), pH: n(14) }
          : kind === 'taste'
            ? {
                knownName: yup.string().strict().max(80).defined(),
                knownAcidPercent: n(20),
                knownWaterMl: n(500),
                waterMl: n(500),
              }
            : kind === 'blend'
              ? {
                  parts: yup
                    .array(
                      yup
                        .object({ name: yup.string().strict().max(80).defined(), massG: n(1e6), acidPercent: n(100) })
                        .noUnknown()
                        .strict()
                        .required(),
                    )
                    .strict()
                    .min(1)
                    .max(12)
                    .required(),
                }
              : kind === 'packed'
                ? { packG: n(20_000), frozen: yup.boolean().strict().required() }
                : {}
  return yup
    .object({
      kind: yup.string().strict().oneOf(LOT_METHODS).required(),
      ...shape,
    })
    .noUnknown()
    .strict()
    .required()
})
const some = (max: number) => yup.number().strict().min(0).max(max).nullable().defined()
/** A lot as it is written; the acidity of a card is worked out again by the server. */
export const lotSchema = yup
  .object({
    id: yup.string().strict().uuid().required(),
    name: yup.string().strict().trim().min(1).max(80).required(),
    ingredientId: yup
      .string()
      .strict()
      .test('known', 'unknown', v => !!v && !!findIngredient(v))
      .required(),
    acidPercent: orNone('lot.acidPercent'),
    pH: orNone('lot.pH'),
    brix: orNone('lot.brix'),
    fatPercent: orNone('lot.fatPercent'),
    acidLnSigma: some(3),
    massG: orNone('lot.massG'),
    method,
    useBy: day().nullable().defined(),
  })
  .noUnknown()
  .strict()
  .required()

/** What the Kitchen page sends; lots have a route of their own. `version` is the one it was changed from. */
export const kitchenUpdateSchema = yup
  .object({
    mutationId: yup.string().strict().uuid().required(),
    version: number().integer(),
    name: yup.string().strict().trim().min(1).max(120).required(),
    settings: settingsSchema,
    places: list(placeSchema),
    vessels: list(vesselSchema),
    ovens: list(ovenSchema),
    burners: list(burnerSchema),
    pans: list(panSchema),
  })
  .noUnknown()
  .strict()
  .required()

const LEARNED = Object.keys({ ...KITCHEN_LAWS, ...BATCH_LAWS })
/** What was learned of a kitchen: figures by id, of one thing or of all of its kind. */
const learned = yup.mixed<Record<string, number>>().optional().test('learned', 'unknownValue', value =>
  value === undefined || (typeof value === 'object' && value !== null && Object.entries(value).every(([id, v]) =>
    LEARNED.includes(id.split('.')[0]!) && Number.isFinite(v) && Math.abs(v as number) <= 100)))

const anyId = { id: yup.string().strict().min(1).max(80).required() }
/** A kitchen as a file brings it along: what it does not say is as in a kitchen of which nothing is known. */
const kitchenFileSchema = yup
  .object({
    altitudeM: num('kitchen.altitudeM'),
    roomTempC: num('kitchen.roomTempC'),
    foodCode: yup.string().strict().oneOf(['us', 'uk']).required(),
    business: yup.boolean().strict().required(),
    eggGrade: yup.string().strict().oneOf(Object.keys(EGG_GRADES)).required(),
    places: list(placeSchema.shape(anyId)),
    vessels: list(vesselSchema.shape(anyId)),
    ovens: list(ovenSchema.shape(anyId)),
    burners: list(burnerSchema.shape(anyId)),
    pans: list(panSchema.shape(anyId)),
    lots: list(lotSchema.shape(anyId)),
    prices: settingsSchema.fields.prices as yup.AnySchema,
    learned,
    ...own,
  })
  .noUnknown()
  .strict()
  .required()

/** The kitchen of a file. @throws {ValidationError} naming the field */
export function takeKitchen(input: unknown): Kitchen {
  const whole = typeof input === 'object' && input !== null && !Array.isArray(input)
  const kitchen = whole ? { ...PLAIN_KITCHEN, ...input } : input
  return kitchenFileSchema.validateSync(kitchen, { strict: true }) as unknown as Kitchen
}

/** A lot as it is sent, from which version (0: a new one). */
export const lotSaveSchema = yup
  .object({
    mutationId: yup.string().strict().uuid().required(),
    baseVersion: number().integer().min(0),
    lot: lotSchema,
  })
  .noUnknown()
  .strict()
  .required()
