/** The kitchen at the wire: settings, places, vessels and lots. */
import * as yup from 'yup'
import type { Kitchen, KitchenPlace, KitchenVessel, Lot } from '#core/formula/document'
import { PLACE_KINDS } from '#core/formula/document'
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
}

export const placeSchema = yup.object({
  id: yup.string().strict().uuid().required(), name: yup.string().strict().trim().min(1).max(80).required(),
  kind: yup.string().strict().oneOf([...PLACE_KINDS]).required(), airTempC: number().min(-40).max(45),
}).noUnknown().strict().required()

/** What the Kitchen page sends; vessels and lots are the demo's and come with the kitchen for now. */
export const kitchenUpdateSchema = yup.object({
  version: number().integer(), name: yup.string().strict().trim().min(1).max(120).required(), settings: settingsSchema, places: yup.array(placeSchema).strict().max(40).required(),
}).noUnknown().strict().required()

/** The kitchen as the server sends it. */
export interface KitchenRecord { id: string, name: string, version: number, settings: KitchenSettings, places: KitchenPlace[], vessels: KitchenVessel[], lots: Lot[] }

/** What of it the core needs. */
export const coreKitchen = (k: Pick<KitchenRecord, 'settings' | 'places' | 'vessels' | 'lots'>): Kitchen => ({
  altitudeM: k.settings.altitudeM, roomTempC: k.settings.roomTempC, foodCode: k.settings.foodCode, business: k.settings.business, eggGrade: k.settings.eggGrade,
  places: k.places, vessels: k.vessels, lots: k.lots,
})
