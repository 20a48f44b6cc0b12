/** A cook's words for what the core names by code. Words and locale live here, outside the core. */
import type { VerdictCode } from '#core/pipeline/assessment'
import type { Condition, Reason } from '#core/formula/schools'
import type { Cover, PlaceKind } from '#core/physics/thermal/places'
import type { Family, OwnStep, School } from '#core/formula/document'
import type { HeatMethod } from '#core/physics/heat/pot'
import type { Material, VesselKind } from '#core/physics/geometry/cavity'
import type { UseKind, BandId } from '#core/physics/set/bands'
import type { MechanismKey } from '#core/physics/set/firmness'
import type { Allergen } from '#core/base/ingredients/types'
import type { Sharpness } from '#core/physics/matter/taste'
import type { Uncertain } from '#core/solve/sampling'
import { group } from './say'

export const STATION_NAMES = group<{ stock: string, balance: string, shape: string, heat: string, chill: string, serve: string }>('names.STATION_NAMES')
export const BAND_NAMES = group<Record<BandId, string>>('names.BAND_NAMES')
export const ALLERGEN_NAMES = group<Record<Allergen, string>>('names.ALLERGEN_NAMES')
export const SHARPNESS_NAMES = group<Record<Sharpness, string>>('names.SHARPNESS_NAMES')
export const FAMILY_NAMES = group<Record<Family, { name: string, what: string, filling: string }>>('names.FAMILY_NAMES')
export const SCHOOL_NAMES = group<Record<School, { name: string, how: string }>>('names.SCHOOL_NAMES')
/** What a way of making gives or costs. */
export const REASON_NAMES = group<Record<Reason, string>>('names.REASON_NAMES')
/** What decides for a way of making. */
export const CONDITION_NAMES = group<Record<Condition, string>>('names.CONDITION_NAMES')
export const USE_NAMES = group<Record<UseKind, { name: string, how: string }>>('names.USE_NAMES')
export const VESSEL_NAMES = group<Record<VesselKind, string>>('names.VESSEL_NAMES')
export const MATERIAL_NAMES = group<Record<Material, string>>('names.MATERIAL_NAMES')
export const PLACE_NAMES = group<Record<PlaceKind, string>>('names.PLACE_NAMES')
export const COVER_NAMES = group<Record<Cover, string>>('names.COVER_NAMES')
/** Steps whose minutes a cook may give. */
export const OWN_NAMES = group<Record<OwnStep, string>>('names.OWN_NAMES')
export const MARK_WORDS = group<{ fine: string, look: string, stop: string, error: string }>('names.MARK_WORDS')
export const SHORT_VERDICT = group<Record<VerdictCode, string>>('names.SHORT_VERDICT')
export const UNCERTAIN_NAMES = group<Record<Uncertain, string>>('names.UNCERTAIN_NAMES')
export const MECHANISM_NAMES = group<Record<MechanismKey, string>>('names.MECHANISM_NAMES')
export const METHOD_NAMES = group<Record<HeatMethod, string>>('names.METHOD_NAMES')
export const CUP_NAMES = group<{ us: string, metric: string, australian: string, imperial: string }>('names.CUP_NAMES')
export const FOOD_CODES = group<{ us: string, uk: string }>('names.FOOD_CODES')

export const INGREDIENT_NAMES = group<Record<string, string>>('ingredients')
