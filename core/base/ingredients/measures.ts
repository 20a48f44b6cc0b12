/**
 * Densities, eggs and fruit: what turns a cook's measure into grams.
 * Sources: density rows from memory of USDA household weights (H unless marked); egg grades from USDA and EU weight
 * classes, edible parts from USDA FoodData Central portions (US large 50 / 17 / 33 g); fruit yields from USDA portion
 * weights and kitchen practice, from memory.
 */
import { labelOf } from './label'
import type { Confidence } from './types'

export interface Density { readonly gPerMl: number, readonly how?: string, readonly confidence: Confidence }

/** g/ml as measured into a cup or spoon, by ingredient id. */
export const DENSITIES: Readonly<Record<string, Density>> = {
  lemon: { gPerMl: 1.03, confidence: 'H' }, lemon_sweet: { gPerMl: 1.03, confidence: 'M' }, keylime: { gPerMl: 1.03, confidence: 'H' },
  lime: { gPerMl: 1.03, confidence: 'H' }, calamansi: { gPerMl: 1.03, confidence: 'M' }, yuzu: { gPerMl: 1.03, confidence: 'M' },
  bergamot: { gPerMl: 1.03, confidence: 'M' }, seville: { gPerMl: 1.04, confidence: 'M' }, orange: { gPerMl: 1.045, confidence: 'H' },
  blood: { gPerMl: 1.045, confidence: 'M' }, grapefruit: { gPerMl: 1.045, confidence: 'H' }, passion: { gPerMl: 1.05, confidence: 'M' },
  mango: { gPerMl: 1.06, confidence: 'M' }, raspberry: { gPerMl: 1.06, confidence: 'M' },
  sugar: { gPerMl: 0.86, how: 'level, not packed', confidence: 'H' }, icing: { gPerMl: 0.507, how: 'unsifted', confidence: 'H' },
  glucose_syr: { gPerMl: 1.42, confidence: 'H' }, honey: { gPerMl: 1.43, confidence: 'H' },
  butter80: { gPerMl: 0.959, confidence: 'H' }, butter82: { gPerMl: 0.959, confidence: 'H' }, butter84: { gPerMl: 0.959, confidence: 'H' },
  cream36: { gPerMl: 1.005, confidence: 'H' }, cream38: { gPerMl: 1.005, confidence: 'M' }, cream30: { gPerMl: 1.01, confidence: 'M' },
  cream48: { gPerMl: 0.99, confidence: 'M' }, creme_fr: { gPerMl: 0.98, confidence: 'M' }, milk: { gPerMl: 1.031, confidence: 'H' },
  smp: { gPerMl: 0.5, confidence: 'L' }, condensed: { gPerMl: 1.293, confidence: 'H' }, yoghurt: { gPerMl: 1.035, confidence: 'H' },
  egg: { gPerMl: 1.03, how: 'beaten', confidence: 'H' }, yolk: { gPerMl: 1.03, confidence: 'H' }, yolk_sep: { gPerMl: 1.03, confidence: 'H' },
  white: { gPerMl: 1.03, confidence: 'H' }, cornflour: { gPerMl: 0.541, how: 'spooned', confidence: 'H' },
  flour: { gPerMl: 0.528, how: 'spooned', confidence: 'H' }, gelatin: { gPerMl: 0.63, confidence: 'M' }, agar: { gPerMl: 0.45, confidence: 'L' },
  citric: { gPerMl: 0.85, confidence: 'M' }, salt: { gPerMl: 1.2, how: 'fine', confidence: 'M' }, mandarin: { gPerMl: 1.045, confidence: 'M' }, pummelo: { gPerMl: 1.04, confidence: 'L' }, wine_white: { gPerMl: 0.99, confidence: 'H' }, wine_late: { gPerMl: 1.06, confidence: 'M' },
  yolk_sugared: { gPerMl: 1.06, confidence: 'M' }, white_carton: { gPerMl: 1.03, confidence: 'M' }, white_dried: { gPerMl: 0.45, confidence: 'L' }, brown_sugar: { gPerMl: 0.93, how: 'packed', confidence: 'H' }, dextrose: { gPerMl: 0.63, confidence: 'L' },
  evaporated: { gPerMl: 1.066, confidence: 'H' }, creme_sour: { gPerMl: 0.972, confidence: 'H' }, greek: { gPerMl: 1.04, confidence: 'M' }, cream_cheese: { gPerMl: 0.98, confidence: 'H' }, mascarpone: { gPerMl: 0.97, confidence: 'M' },
  coconut_milk: { gPerMl: 0.955, confidence: 'H' }, coconut_cream: { gPerMl: 0.96, confidence: 'M' }, oat_cream: { gPerMl: 1.01, confidence: 'L' }, soya_cream: { gPerMl: 1.0, confidence: 'L' },
  digestive: { gPerMl: 0.4, how: 'crumbs', confidence: 'M' }, graham: { gPerMl: 0.355, how: 'crumbs', confidence: 'H' }, gingernut: { gPerMl: 0.42, how: 'crumbs', confidence: 'L' }, shortbread: { gPerMl: 0.4, how: 'crumbs', confidence: 'L' },
  almond: { gPerMl: 0.41, how: 'ground', confidence: 'H' }, hazelnut: { gPerMl: 0.57, how: 'whole', confidence: 'H' }, pistachio: { gPerMl: 0.52, how: 'whole', confidence: 'H' }, choc_white: { gPerMl: 0.72, how: 'chips', confidence: 'H' }, choc_milk: { gPerMl: 0.71, how: 'chips', confidence: 'H' }, choc_dark: { gPerMl: 0.71, how: 'chips', confidence: 'M' },
  liqueur: { gPerMl: 1.05, confidence: 'M' }, vanilla: { gPerMl: 0.879, confidence: 'H' }, zest: { gPerMl: 0.4, how: 'loosely packed', confidence: 'M' }, water: { gPerMl: 1, confidence: 'H' },
  maple: { gPerMl: 1.33, confidence: 'H' }, ginger_syrup: { gPerMl: 1.34, confidence: 'L' }, golden_syrup: { gPerMl: 1.43, confidence: 'M' },
  tartar: { gPerMl: 0.61, confidence: 'M' }, vinegar: { gPerMl: 1.01, confidence: 'H' }, soda: { gPerMl: 0.93, confidence: 'H' }, baking_powder: { gPerMl: 0.93, confidence: 'H' },
  spirit: { gPerMl: 0.95, confidence: 'H' }, limoncello: { gPerMl: 1.05, confidence: 'L' }, wine_ice: { gPerMl: 1.08, confidence: 'L' },
  vanilla_paste: { gPerMl: 1.25, confidence: 'L' }, herbs: { gPerMl: 0.1, how: 'torn, loosely packed', confidence: 'L' },
  cinnamon: { gPerMl: 0.53, confidence: 'H' }, ginger_ground: { gPerMl: 0.37, confidence: 'M' }, colour_water: { gPerMl: 1.1, confidence: 'L' }, colour_fat: { gPerMl: 0.6, confidence: 'L' },
  oats: { gPerMl: 0.34, how: 'rolled', confidence: 'H' }, granola: { gPerMl: 0.5, confidence: 'M' }, coconut_dried: { gPerMl: 0.34, how: 'desiccated', confidence: 'M' },
  walnut: { gPerMl: 0.42, how: 'halves', confidence: 'H' }, pecan: { gPerMl: 0.42, how: 'halves', confidence: 'H' }, cashew: { gPerMl: 0.58, how: 'whole', confidence: 'M' },
  almond_milk: { gPerMl: 1.01, confidence: 'H' }, cashew_milk: { gPerMl: 1.01, confidence: 'L' }, oat_milk: { gPerMl: 1.03, confidence: 'M' }, soya_milk: { gPerMl: 1.03, confidence: 'H' },
  passion_syrup: { gPerMl: 1.08, confidence: 'L' }, ice_stabiliser: { gPerMl: 0.6, confidence: 'L' },
  strawberry: { gPerMl: 0.64, how: 'halved', confidence: 'H' }, blueberry: { gPerMl: 0.63, how: 'whole', confidence: 'H' }, blackberry: { gPerMl: 0.61, how: 'whole', confidence: 'H' },
  raspberry_whole: { gPerMl: 0.52, how: 'whole', confidence: 'H' }, cherry: { gPerMl: 0.58, how: 'whole', confidence: 'H' }, peach: { gPerMl: 0.65, how: 'sliced', confidence: 'H' },
  apricot: { gPerMl: 0.66, how: 'halved', confidence: 'H' }, plum: { gPerMl: 0.7, how: 'sliced', confidence: 'H' }, pineapple: { gPerMl: 0.7, how: 'in chunks', confidence: 'H' },
  kiwi: { gPerMl: 0.76, how: 'sliced', confidence: 'H' }, banana: { gPerMl: 0.95, how: 'mashed', confidence: 'H' }, pear: { gPerMl: 0.59, how: 'sliced', confidence: 'H' },
}

/**
 * What a ml of an ingredient weighs, as measured into a cup or spoon; undefined where nobody knows.
 * @example densityOf('sugar').gPerMl // 0.86
 */
export function densityOf(id: string): Density | undefined {
  const gPerMl = DENSITIES[id] === undefined ? labelOf(id)?.density : null
  return gPerMl ? { gPerMl, confidence: 'M' } : DENSITIES[id]
}

/** Granulated sugar pours a little lighter than caster (0.845 against 0.86 g/ml); recognised by the word written. */
export const GRANULATED_G_PER_ML = 0.845

export const EGG_GRADES = {
  euS: { label: 'EU small', wholeG: 44.7, yolkG: 15.2, whiteG: 29.5 },
  euM: { label: 'EU medium', wholeG: 51.8, yolkG: 17.0, whiteG: 34.8 },
  euL: { label: 'EU large', wholeG: 60.8, yolkG: 19.2, whiteG: 41.6 },
  euXL: { label: 'EU extra large', wholeG: 68.9, yolkG: 21.0, whiteG: 47.9 },
  usM: { label: 'US medium', wholeG: 44, yolkG: 15.0, whiteG: 29 },
  usL: { label: 'US large', wholeG: 50, yolkG: 17.0, whiteG: 33 },
  usXL: { label: 'US extra large', wholeG: 56, yolkG: 18.5, whiteG: 37.5 },
  usJ: { label: 'US jumbo', wholeG: 63, yolkG: 20.2, whiteG: 42.8 },
} as const
export type EggGrade = keyof typeof EGG_GRADES

export interface Fruit { readonly id: string, readonly words: readonly string[], readonly size: string, readonly juiceId: string, readonly juiceG: number, readonly zestG: number, readonly wholeG: number, readonly peelG: number, readonly segmentsG: number, readonly lnJuiceSigma: number, readonly confidence: Confidence }

/**
 * What one fruit gives: juice, zest by a rasp, peel in strips without pith, segments without membrane, and its whole weight.
 * Juice, zest and whole weight from USDA portion weights and kitchen practice, from memory; peel (about 7 % of the fruit)
 * and segments (about 45 %) are judgement.
 */
export const FRUITS: readonly Fruit[] = [
  { id: 'sweet hybrid lemon', words: ['sweet lemon'], size: 'medium', juiceId: 'lemon_sweet', juiceG: 50, zestG: 3, wholeG: 115, peelG: 8, segmentsG: 52, lnJuiceSigma: 0.25, confidence: 'L' },
  { id: 'lemon large', words: ['large lemon', 'big lemon'], size: 'large', juiceId: 'lemon', juiceG: 60, zestG: 4, wholeG: 150, peelG: 10, segmentsG: 66, lnJuiceSigma: 0.25, confidence: 'M' },
  { id: 'lemon medium', words: ['lemon'], size: 'medium', juiceId: 'lemon', juiceG: 45, zestG: 3, wholeG: 110, peelG: 8, segmentsG: 48, lnJuiceSigma: 0.25, confidence: 'H' },
  { id: 'key lime', words: ['key lime'], size: 'medium', juiceId: 'keylime', juiceG: 9, zestG: 0.6, wholeG: 25, peelG: 1.5, segmentsG: 10, lnJuiceSigma: 0.35, confidence: 'M' },
  { id: 'persian lime', words: ['lime'], size: 'medium', juiceId: 'lime', juiceG: 30, zestG: 1.5, wholeG: 70, peelG: 4, segmentsG: 32, lnJuiceSigma: 0.30, confidence: 'M' },
  { id: 'calamansi', words: ['calamansi', 'calamondin'], size: 'medium', juiceId: 'calamansi', juiceG: 5, zestG: 0.3, wholeG: 18, peelG: 1.2, segmentsG: 8, lnJuiceSigma: 0.35, confidence: 'L' },
  { id: 'yuzu', words: ['yuzu'], size: 'medium', juiceId: 'yuzu', juiceG: 15, zestG: 4, wholeG: 110, peelG: 14, segmentsG: 30, lnJuiceSigma: 0.35, confidence: 'L' },
  { id: 'bergamot', words: ['bergamot'], size: 'medium', juiceId: 'bergamot', juiceG: 50, zestG: 6, wholeG: 150, peelG: 13, segmentsG: 60, lnJuiceSigma: 0.30, confidence: 'L' },
  { id: 'seville orange', words: ['seville orange', 'bitter orange', 'sour orange'], size: 'medium', juiceId: 'seville', juiceG: 60, zestG: 6, wholeG: 160, peelG: 14, segmentsG: 75, lnJuiceSigma: 0.25, confidence: 'M' },
  { id: 'blood orange', words: ['blood orange'], size: 'medium', juiceId: 'blood', juiceG: 65, zestG: 5, wholeG: 150, peelG: 11, segmentsG: 80, lnJuiceSigma: 0.25, confidence: 'M' },
  { id: 'sweet orange medium', words: ['orange', 'sweet orange'], size: 'medium', juiceId: 'orange', juiceG: 80, zestG: 6, wholeG: 180, peelG: 13, segmentsG: 95, lnJuiceSigma: 0.25, confidence: 'H' },
  { id: 'mandarin', words: ['mandarin', 'tangerine', 'clementine'], size: 'medium', juiceId: 'mandarin', juiceG: 40, zestG: 3, wholeG: 90, peelG: 7, segmentsG: 62, lnJuiceSigma: 0.25, confidence: 'M' },
  { id: 'pummelo', words: ['pomelo', 'pummelo'], size: 'medium', juiceId: 'pummelo', juiceG: 240, zestG: 15, wholeG: 900, peelG: 40, segmentsG: 420, lnJuiceSigma: 0.30, confidence: 'L' },
  { id: 'grapefruit', words: ['grapefruit'], size: 'medium', juiceId: 'grapefruit', juiceG: 180, zestG: 9, wholeG: 330, peelG: 22, segmentsG: 175, lnJuiceSigma: 0.20, confidence: 'H' },
  { id: 'passion fruit', words: ['passion fruit', 'passionfruit'], size: 'medium', juiceId: 'passion', juiceG: 11, zestG: 0, wholeG: 38, peelG: 0, segmentsG: 0, lnJuiceSigma: 0.30, confidence: 'M' },
]

/**
 * How many eggs, yolks or whites of a grade a mass is; null for anything else.
 * @example eggCount('yolk_sep', 170, 'usL') // 10
 */
export function eggCount(ingredientId: string, massG: number, grade: EggGrade): number | null {
  const g = EGG_GRADES[grade]
  switch (ingredientId) {
    case 'egg': return massG / g.wholeG
    case 'yolk': case 'yolk_sep': return massG / g.yolkG
    case 'white': return massG / g.whiteG
    default: return null
  }
}
