/** A cook's words for what the core names by code. Words and locale live here, outside the core. */
import type { VerdictCode } from '#core/pipeline/assessment'
import type { Condition, Reason } from '#core/formula/schools'
import type { Cover, PlaceKind } from '#core/physics/thermal/places'
import type { Coat, Family, FinishKind, OwnStep, School } from '#core/formula/document'
import type { ReleaseWord } from '#core/pipeline/release'
import type { HeatMethod } from '#core/physics/heat/pot'
import type { Material, VesselKind } from '#core/physics/geometry/cavity'
import type { UseKind, BandId } from '#core/physics/set/bands'
import type { MechanismKey } from '#core/physics/set/firmness'
import type { Allergen } from '#core/base/ingredients/types'
import type { AromaWord, ZestCut } from '#core/physics/matter/aroma'
import type { ColourWord } from '#core/physics/matter/colour'
import type { Peak } from '#core/physics/set/whipping'
import type { Grain } from '#core/physics/matter/dissolving'
import type { Sharpness } from '#core/physics/matter/taste'
import type { Uncertain } from '#core/solve/sampling'
import { type LabelFigure, type LabelKind, labelOf, type LabelTell } from '#core/base/ingredients/label'
import { group } from './say'

export const STATION_NAMES = group<{ stock: string, balance: string, shape: string, heat: string, chill: string, serve: string }>('names.STATION_NAMES')
export const BAND_NAMES = group<Record<BandId, string>>('names.BAND_NAMES')
export const ALLERGEN_NAMES = group<Record<Allergen, string>>('names.ALLERGEN_NAMES')
export const SHARPNESS_NAMES = group<Record<Sharpness, string>>('names.SHARPNESS_NAMES')
export const COLOUR_NAMES = group<Record<ColourWord, string>>('names.COLOUR_NAMES')
export const AROMA_NAMES = group<Record<AromaWord, string>>('names.AROMA_NAMES')
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
/** What goes onto a portion. */
export const FINISH_NAMES = group<Record<FinishKind, string>>('finish.KINDS')
export const OWN_NAMES = group<Record<OwnStep, string>>('names.OWN_NAMES')
export const MARK_WORDS = group<{ fine: string, look: string, stop: string, error: string }>('names.MARK_WORDS')
export const SHORT_VERDICT = group<Record<VerdictCode, string>>('names.SHORT_VERDICT')
export const UNCERTAIN_NAMES = group<Record<Uncertain, string>>('names.UNCERTAIN_NAMES')
export const MECHANISM_NAMES = group<Record<MechanismKey, string>>('names.MECHANISM_NAMES')
export const METHOD_NAMES = group<Record<HeatMethod, string>>('names.METHOD_NAMES')
export const CUP_NAMES = group<{ us: string, metric: string, australian: string, imperial: string }>('names.CUP_NAMES')
export const FOOD_CODES = group<{ us: string, uk: string }>('names.FOOD_CODES')

const INGREDIENT_NAMES = group<Record<string, string>>('ingredients')
/**
 * What an ingredient is called: the table's words, or the name on its own label.
 * @example ingredientName('lemon') // 'Lemon juice'
 */
export const ingredientName = (id: string): string => INGREDIENT_NAMES[id] ?? labelOf(id)?.name ?? id
export const LABEL_KIND_NAMES = group<Record<LabelKind, string>>('names.LABEL_KIND_NAMES')
export const LABEL_FIGURE_NAMES = group<Record<LabelFigure, string>>('names.LABEL_FIGURE_NAMES')
export const TELL_NAMES = group<Record<LabelTell, string>>('names.TELL_NAMES')
export const ZEST_CUT_NAMES = group<Record<ZestCut, string>>('names.ZEST_CUT_NAMES')
export const GRAIN_NAMES = group<Record<Grain, string>>('names.GRAIN_NAMES')
export const PEAK_NAMES = group<Record<Peak, string>>('names.PEAK_NAMES')
export const COAT_NAMES = group<Record<Coat, string>>('names.COAT_NAMES')
export const RELEASE_NAMES = group<Record<ReleaseWord, string>>('names.RELEASE_NAMES')
