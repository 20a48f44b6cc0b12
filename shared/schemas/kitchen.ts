/** The kitchen at the wire: settings, places, vessels and lots. */
import * as yup from 'yup'
import type { Kitchen, KitchenBurner, KitchenOven, KitchenPan, KitchenPlace, KitchenVessel, Lot } from '#core/formula/document'
import { BURNER_KINDS, MATERIALS, PLACE_KINDS, VESSEL_KINDS } from '#core/formula/document'
import { findIngredient } from '#core/ingredients'
import { EGG_GRADES, type EggGrade } from '#core/ingredients/measures'
import { CUP_SYSTEMS, type CupSystem } from '#core/units/measures'

const number = () => yup.number().strict().required()

export const settingsSchema = yup.object({
  vocabulary: yup.string().strict().oneOf(['gb', 'us']).required(),
  temperatureUnit: yup.string().strict().oneOf(['C', 'F']).required(),
  cups: yup.string().strict().oneOf([...CUP_SYSTEMS]).nullable().defined(),
  eggGrade: yup.string().strict().oneOf(Object.keys(EGG_GRADES)).required(),
  altitudeM: number().min(-400).max(5000),
  roomTempC: number().min(5).max(45),
  foodCode: yup.string().strict().oneOf(['us', 'uk']).required(),
  business: yup.boolean().strict().required(),
  currency: yup.string().strict().trim().min(1).max(4).required(),
  prices: yup.lazy(value => yup.object(Object.fromEntries(Object.keys((value ?? {}) as object).map(id => [id, findIngredient(id) ? number().min(0).max(100000) : yup.mixed().oneOf([], 'unknown')]))).strict().required()),
}).noUnknown().strict().required()

export interface KitchenSettings {
  vocabulary: 'gb' | 'us'
  temperatureUnit: 'C' | 'F'
  /** Whose cups and spoons the kitchen measures with; null until it has said. */
  cups: CupSystem | null
  eggGrade: EggGrade
  altitudeM: number
  roomTempC: number
  foodCode: 'us' | 'uk'
  business: boolean
  /** Sign of the prices; they are the kitchen's own. */
  currency: string
  /** Price per kg by ingredient id. */
  prices: Record<string, number>
}

/** What settings stored by an earlier version lack. */
export const SETTINGS_ADDED = { currency: '£', prices: {} as Record<string, number> }

export const placeSchema = yup.object({
  id: yup.string().strict().uuid().required(), name: yup.string().strict().trim().min(1).max(80).required(),
  kind: yup.string().strict().oneOf([...PLACE_KINDS]).required(), airTempC: number().min(-40).max(45),
}).noUnknown().strict().required()

const named = { id: yup.string().strict().uuid().required(), name: yup.string().strict().trim().min(1).max(80).required() }
const oneOf = <T extends string>(values: readonly T[]) => yup.string().strict().oneOf([...values]).required()
export const vesselSchema = yup.object({
  ...named, kind: oneOf(VESSEL_KINDS), material: oneOf(MATERIALS), lengthM: number().min(0.02).max(1), widthM: number().min(0.02).max(1), heightM: number().min(0.005).max(0.4),
  taper: number().min(0.2).max(1), heldM3: yup.number().strict().min(1e-6).max(0.1).nullable().defined(),
}).noUnknown().strict().required()
const ovenSchema = yup.object({ ...named, fan: yup.boolean().strict().required(), offsetK: number().min(-40).max(40) }).noUnknown().strict().required()
const burnerSchema = yup.object({ ...named, kind: oneOf(BURNER_KINDS), ratedW: number().min(50).max(12000) }).noUnknown().strict().required()
const panSchema = yup.object({ ...named, diameterM: number().min(0.08).max(0.8), heightM: number().min(0.02).max(0.6), tareG: yup.number().strict().min(20).max(20000).nullable().defined() }).noUnknown().strict().required()
const list = (schema: yup.AnySchema) => yup.array(schema).strict().max(60).required()

const method = yup.lazy((value: unknown) => {
  const kind = (value as { kind?: unknown } | null)?.kind
  const n = (max: number) => number().min(0).max(max)
  const shape: Record<string, yup.AnySchema> = kind === 'titration'
    ? { sampleG: n(500), mlNaOH: n(500), molarity: n(5), endPH: n(14) }
    : kind === 'refractometer'
      ? { readingBrix: n(100) }
      : kind === 'pH'
        ? { by: yup.string().strict().oneOf(['meter', 'paper']).required(), pH: n(14) }
        : kind === 'taste'
          ? { knownName: yup.string().strict().max(80).defined(), knownAcidPercent: n(20), knownWaterMl: n(500), waterMl: n(500) }
          : kind === 'blend'
            ? { parts: yup.array(yup.object({ name: yup.string().strict().max(80).defined(), massG: n(1e6), acidPercent: n(100) }).noUnknown().strict().required()).strict().min(1).max(12).required() }
            : {}
  return yup.object({ kind: yup.string().strict().oneOf(['entered', 'titration', 'refractometer', 'pH', 'taste', 'blend']).required(), ...shape }).noUnknown().strict().required()
})
const some = (max: number) => yup.number().strict().min(0).max(max).nullable().defined()
/** A lot as it is written; the acidity of a card is worked out again by the server. */
export const lotSchema = yup.object({
  id: yup.string().strict().uuid().required(), name: yup.string().strict().trim().min(1).max(80).required(), ingredientId: yup.string().strict().test('known', 'unknown', v => !!v && !!findIngredient(v)).required(),
  acidPercent: some(15), pH: some(14), brix: some(85), fatPercent: some(85), acidLnSigma: some(3), massG: some(1e6), method, useBy: yup.string().strict().matches(/^\d{4}-\d{2}-\d{2}$/).nullable().defined(),
}).noUnknown().strict().required()

/** What the Kitchen page sends; lots have a route of their own. */
export const kitchenUpdateSchema = yup.object({
  version: number().integer(), name: yup.string().strict().trim().min(1).max(120).required(), settings: settingsSchema, places: list(placeSchema), vessels: list(vesselSchema), ovens: list(ovenSchema), burners: list(burnerSchema), pans: list(panSchema),
}).noUnknown().strict().required()

/** The kitchen as the server sends it. */
export interface KitchenRecord { id: string, name: string, version: number, settings: KitchenSettings, places: KitchenPlace[], vessels: KitchenVessel[], ovens: KitchenOven[], burners: KitchenBurner[], pans: KitchenPan[], lots: Lot[] }

/** What of it the core needs. */
export const coreKitchen = (k: Pick<KitchenRecord, 'settings' | 'places' | 'vessels' | 'ovens' | 'burners' | 'pans' | 'lots'>): Kitchen => ({
  altitudeM: k.settings.altitudeM, roomTempC: k.settings.roomTempC, foodCode: k.settings.foodCode, business: k.settings.business, eggGrade: k.settings.eggGrade,
  places: k.places, vessels: k.vessels, ovens: k.ovens, burners: k.burners, pans: k.pans, lots: k.lots, prices: k.settings.prices,
})
