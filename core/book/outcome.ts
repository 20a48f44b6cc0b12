/**
 * What came out: what a cook can find with a ring, a ruler and a spoon, and with meters where there are some. Every
 * figure may be missing; three taps are enough.
 */

/** Faults a cook sees or tastes. */
export const FAULTS = [
  'runny', 'tooFirm', 'weeping', 'grainy', 'split', 'skin', 'bubbles', 'bitter', 'eggy', 'tooSharp', 'tooSweet', 'flat',
] as const
export type Fault = (typeof FAULTS)[number]

/** The spoon test in words, from thin to firm. */
export const SPOON_WORDS = ['runsOff', 'coats', 'falls', 'mounds', 'standsUp', 'springsBack'] as const
export type SpoonWord = (typeof SPOON_WORDS)[number]
export const CUT_FACES = ['clean', 'soft', 'slumped'] as const
export type CutFace = (typeof CUT_FACES)[number]

export interface Outcome {
  /** As a whole, for the hurried: as meant or not. */
  asMeant: boolean | null
  /** A lifted 50 mm ring of it sank, m. */
  ringSankM: number | null
  /** A spoon of 60 ml spread to this radius, m. */
  spreadM: number | null
  /** A turned-out cylinder of 60 by 50 mm bulged under this load, kg. */
  loadKg: number | null
  /** A piece stood this high after its time on the table, m. */
  stoodM: number | null
  spoon: SpoonWord | null
  cutFace: CutFace | null
  unmoulded: boolean | null
  massG: number | null
  pH: number | null
  brix: number | null
  /** How hot its middle was as it was opened, °C. */
  coreC: number | null
  /** 0–10 on the app's own scale. */
  sharp: number | null
  sweet: number | null
  faults: Fault[]
}

/** Nothing is found yet. @example plainOutcome().faults.length // 0 */
export const plainOutcome = (): Outcome => ({
  asMeant: null,
  ringSankM: null,
  spreadM: null,
  loadKg: null,
  stoodM: null,
  spoon: null,
  cutFace: null,
  unmoulded: null,
  massG: null,
  pH: null,
  brix: null,
  coreC: null,
  sharp: null,
  sweet: null,
  faults: [],
})

/** Upper ends of the spoon's words on the bands' scale, Pa (common practice, as the bands themselves). */
const SPOON_PA = [10, 40, 120, 300, 1800] as const
/** The spoon's word for a corrected yield stress. @example spoonWordOf(150) // 'mounds' */
export const spoonWordOf = (tauStarPa: number): SpoonWord =>
  SPOON_WORDS[SPOON_PA.findIndex(pa => tauStarPa < pa)] ?? 'springsBack'
/** What a word says of the corrected yield stress, Pa. @example spoonRange('mounds') // [120, 300] */
export const spoonRange = (word: SpoonWord): [number, number] => {
  const i = SPOON_WORDS.indexOf(word)
  return [SPOON_PA[i - 1] ?? 1, SPOON_PA[i] ?? 20_000]
}
