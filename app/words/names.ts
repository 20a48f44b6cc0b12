/** A cook's words for what the core names by code. Words and locale live here, outside the core. */
import type { VerdictCode } from '#core/assessment'
import type { Cover, Material, PlaceKind, School, UseKind, VesselKind } from '#core/formula/document'
import { findIngredient } from '#core/ingredients'
import type { BandId } from '#core/set/bands'
import type { Sharpness } from '#core/taste/taste'
import type { Uncertain } from '#core/solve/sampling'

export const STATION_NAMES = { stock: 'Stock', balance: 'Balance', shape: 'Shape', heat: 'Heat', chill: 'Chill', serve: 'Serve' } as const
export const BAND_NAMES: Record<BandId, string> = {
  pourable: 'pourable', coats: 'coats a spoon', spoonable: 'spoonable', mounds: 'mounds, pipes', slicesSoftly: 'slices softly', slicesCleanly: 'slices cleanly', turnsOut: 'turns out', rubbery: 'rubbery',
}
export const SHARPNESS_NAMES: Record<Sharpness, string> = { flat: 'flat', mellow: 'mellow', balanced: 'balanced', bright: 'bright', sharp: 'sharp' }
export const SCHOOL_NAMES: Record<School, { name: string, how: string }> = {
  yolkBath: { name: 'Yolks on a water bath', how: 'Yolks, sugar and juice over simmering water; butter whisked in off the heat. Rich and smooth; forgiving.' },
  wholeEggTempered: { name: 'Whole eggs, low direct heat', how: 'Everything in the pan over low heat, stirred without stopping. Lighter, cuts cleaner; quick to scramble.' },
  emulsified: { name: 'Butter blended in cool', how: 'Cooked on the bath, cooled to 55 °C, then soft butter blended in. Firmest cold; softens as it warms.' },
}
export const USE_NAMES: Record<UseKind, { name: string, how: string }> = {
  spooned: { name: 'Spooned', how: 'on scones, from a bowl or jar' },
  glass: { name: 'In a glass', how: 'eaten from what it was set in' },
  piped: { name: 'Piped', how: 'dots and borders that keep their shape' },
  cut: { name: 'Cut', how: 'a slice of tart that stands' },
  turnedOut: { name: 'Turned out', how: 'unmoulded, standing by itself' },
}
export const VESSEL_NAMES: Record<VesselKind, string> = { round: 'Round', rectangle: 'Rectangle', ramekin: 'Ramekin, glass', tartRing: 'Tart ring' }
export const MATERIAL_NAMES: Record<Material, string> = { metal: 'metal', glass: 'glass', ceramic: 'ceramic', plastic: 'plastic' }
export const PLACE_NAMES: Record<PlaceKind, string> = {
  domesticFridge: 'fridge, still air', fanFridge: 'fridge with a fan', walkIn: 'walk-in cold room', blastChiller: 'blast chiller', freezer: 'freezer', bench: 'bench', iceBath: 'ice bath',
}
export const COVER_NAMES: Record<Cover, string> = { open: 'uncovered', film: 'film on the surface', lid: 'lid' }
export const MARK_WORDS = { fine: 'fine', look: 'look', stop: 'stop', error: 'error' } as const
export const SHORT_VERDICT: Record<VerdictCode, string> = {
  good: 'holds as meant', sagsOnTable: 'sags on the table', looseCold: 'too loose', runny: 'runny', grainy: 'grainy', tooFirm: 'too firm', servedBeforeSet: 'served too early',
}
export const UNCERTAIN_NAMES: Record<Uncertain, string> = {
  acid: 'the juice\'s acid', eggMass: 'the eggs\' weight', thermometer: 'the thermometer', eggSetting: 'where this egg sets', overSetting: 'where it turns grainy', table: 'warmth of the table', model: 'the strength law itself',
}
export const MECHANISM_NAMES = { egg: 'egg', butter: 'butterfat' } as const
export const CUP_NAMES = { us: 'US (cup 237 ml)', metric: 'metric (cup 250 ml)', australian: 'Australian (cup 250, tablespoon 20 ml)', imperial: 'imperial (cup 284 ml)' } as const
export const FOOD_CODES = { us: 'US Food Code limits', uk: 'UK guidance limits' } as const

/** An ingredient's kitchen name in the kitchen's vocabulary. */
export const ingredientName = (id: string, vocabulary: 'gb' | 'us'): string => findIngredient(id)?.name[vocabulary] ?? id
