/** The kitchen at the wire: settings, places, vessels and lots. */
import * as yup from 'yup'
import type { Kitchen } from '#core/kitchen/kitchen'
import { BURNER_KINDS, PLAIN_KITCHEN } from '#core/kitchen/kitchen'
import { MATERIALS, VESSEL_KINDS } from '#core/physics/geometry/cavity'
import { PLACE_KINDS } from '#core/physics/thermal/places'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { INGREDIENTS } from '#core/base/ingredients/table'
import { EGG_GRADES, FRUITS } from '#core/base/ingredients/measures'
import { CUP_SYSTEMS } from '#core/base/units'
import { day } from './dates'
import { num, orNone } from './numbers'
import { fieldPath } from './problem'

const number = () => yup.number().strict().required()

/** Most that a kilogram may cost. */
export const PRICE_MOST = 100_000

/** The first price that cannot be taken: counted before any is looked at, so that a refusal costs little. */
function wrongPrice(value: unknown): { path: string, type: string, params?: Record<string, number> } | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return { path: '', type: 'typeError' }
  const entries = Object.entries(value)
  if (entries.length > INGREDIENTS.length) return { path: '', type: 'tooMany', params: { max: INGREDIENTS.length } }
  for (const [id, perKg] of entries) {
    if (!findIngredient(id)) return { path: fieldPath(id), type: 'unknownIngredient' }
    if (typeof perKg !== 'number' || !Number.isFinite(perKg)) return { path: id, type: 'notANumber' }
    if (perKg < 0) return { path: id, type: 'min', params: { min: 0 } }
    if (perKg > PRICE_MOST) return { path: id, type: 'max', params: { max: PRICE_MOST } }
  }
  return null
}

/** Most juice that one fruit may be said to give, g. */
export const JUICE_MOST_G = 2000

/** The first own rule for juice that cannot be taken. */
function wrongJuice(value: unknown): { path: string, type: string, params?: Record<string, number> } | null {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return { path: '', type: 'typeError' }
  const entries = Object.entries(value)
  if (entries.length > FRUITS.length) return { path: '', type: 'tooMany', params: { max: FRUITS.length } }
  for (const [id, g] of entries) {
    if (!FRUITS.some(f => f.id === id)) return { path: fieldPath(id), type: 'unknownValue' }
    if (typeof g !== 'number' || !Number.isFinite(g)) return { path: fieldPath(id), type: 'notANumber' }
    if (g < 1) return { path: fieldPath(id), type: 'min', params: { min: 1 } }
    if (g > JUICE_MOST_G) return { path: fieldPath(id), type: 'max', params: { max: JUICE_MOST_G } }
  }
  return null
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
    prices: yup
      .mixed<Record<string, number>>()
      .required()
      .test('prices', 'prices', (value, context) => {
        const wrong = wrongPrice(value)
        return (
          wrong === null ||
          context.createError({ ...wrong, path: wrong.path ? `${context.path}.${wrong.path}` : context.path })
        )
      }),
    ownJuiceG: yup
      .mixed<Record<string, number>>()
      .optional()
      .test('ownJuiceG', 'ownJuiceG', (value, context) => {
        const wrong = value === undefined ? null : wrongJuice(value)
        return (
          wrong === null ||
          context.createError({ ...wrong, path: wrong.path ? `${context.path}.${wrong.path}` : context.path })
        )
      }),
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
              : {}
  return yup
    .object({
      kind: yup.string().strict().oneOf(['entered', 'titration', 'refractometer', 'pH', 'taste', 'blend']).required(),
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
    ownJuiceG: settingsSchema.fields.ownJuiceG as yup.AnySchema,
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
