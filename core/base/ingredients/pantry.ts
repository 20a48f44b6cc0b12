/**
 * What stands beside the bench's own ingredients: fruit, syrups, spirits, spices, what is bought ready. Grams per 100 g
 * as used, by the rules of `table.ts`; carbohydrate that is no named sugar, starch or fibre counts as sucrose.
 */
import type { Ingredient } from './types'

const FROM_MEMORY = 'compiled from memory of food tables'
const FROM_LABELS = 'compiled from memory of package labels'

/** Water, sucrose, simple sugars, fat, protein, fibre, minerals, starch: a fruit in the order of food tables. */
const fruit = (
  id: string, aliases: readonly string[],
  [water, sucrose, monosaccharides, fat, otherProtein, fibre, ash, starch = 0]: readonly number[],
  acid: readonly [low: number, typical: number, high: number], pHNative: number, potassiumMg: number,
  rest: Pick<Ingredient, 'source' | 'confidence' | 'traits'>,
): Ingredient => ({
  id, group: 'fruit', aliases, per100g: { water, sucrose, monosaccharides, fat, otherProtein, starch, fibre, ash },
  acid: { kind: 'citric', low: acid[0], typical: acid[1], high: acid[2] }, pHNative, potassiumMg, ...rest,
})
const usda = (entry: string, confidence: Ingredient['confidence'] = 'M') =>
  ({ source: `USDA FoodData Central SR ${entry}`, confidence })

export const PANTRY: readonly Ingredient[] = [
  // fruit
  fruit('peach', ['peach', 'peaches', 'nectarine', 'nectarines'], [88.9, 4.8, 3.5, 0.3, 0.9, 1.5, 0.4], [0.3, 0.6, 0.9], 3.7, 190, usda('09236')),
  fruit('apricot', ['apricot', 'apricots'], [86.4, 5.9, 3.3, 0.4, 1.4, 2, 0.75], [0.7, 1.1, 1.6], 3.5, 259, usda('09021')),
  fruit('plum', ['plum', 'plums', 'damson', 'damsons'], [87.2, 1.6, 8.1, 0.3, 0.7, 1.4, 0.4], [0.7, 1.1, 1.8], 3.3, 157, usda('09279')),
  fruit('cherry', ['cherry', 'cherries'], [82.3, 0.2, 13.2, 0.2, 1.1, 2.1, 0.5], [0.4, 0.7, 1.2], 3.8, 222, usda('09070')),
  fruit('strawberry', ['strawberry', 'strawberries', 'strawberry puree', 'strawberry purée'], [91, 0.5, 4.4, 0.3, 0.7, 2, 0.4], [0.7, 1, 1.4], 3.4, 153, usda('09316', 'H')),
  fruit('blueberry', ['blueberry', 'blueberries'], [84.2, 1.6, 9.9, 0.3, 0.7, 2.4, 0.25], [0.3, 0.6, 1], 3.3, 77, usda('09050')),
  fruit('blackberry', ['blackberry', 'blackberries', 'brambles'], [88.2, 0.1, 4.8, 0.5, 1.4, 3.3, 0.4], [0.8, 1.2, 1.7], 3.4, 162, usda('09042')),
  fruit('raspberry_whole', ['whole raspberries'], [85.8, 0.2, 4.2, 0.65, 1.2, 5.2, 0.5], [1.2, 1.6, 2.2], 3.15, 151, usda('09302', 'H')),
  fruit('kiwi', ['kiwi', 'kiwis', 'kiwi fruit', 'kiwifruit'], [83.1, 0.2, 8.5, 0.5, 1.1, 3, 0.6], [1, 1.3, 1.8], 3.3, 312, { ...usda('09148'), traits: ['protease'] }),
  fruit('pineapple', ['pineapple', 'fresh pineapple'], [86, 6, 3.9, 0.1, 0.5, 1.4, 0.2], [0.5, 0.8, 1.1], 3.5, 109, { ...usda('09266'), traits: ['protease'] }),
  fruit('banana', ['banana', 'bananas'], [74.9, 4.6, 9.9, 0.3, 1.1, 2.6, 0.8, 5.4], [0.2, 0.3, 0.45], 4.9, 358, usda('09040')),
  fruit('pear', ['pear', 'pears'], [84, 2.6, 9.2, 0.1, 0.4, 3.1, 0.3], [0.1, 0.25, 0.4], 4, 116, usda('09252')),
  { id: 'passion_syrup', group: 'juice', aliases: ['passion fruit pulp in syrup', 'passionfruit in syrup', 'tinned passion fruit pulp', 'canned passionfruit pulp'], per100g: { water: 75, sucrose: 11, monosaccharides: 7, fat: 0.2, otherProtein: 0.7, starch: 0.6, fibre: 2.5, ash: 0.4 }, acid: { kind: 'citric', low: 1.6, typical: 2.3, high: 3 }, pHNative: 3.05, potassiumMg: 200, source: FROM_LABELS, confidence: 'L' },
  // syrups
  { id: 'maple', group: 'sugar', standsFor: ['sugar'], aliases: ['maple syrup', 'maple'], per100g: { water: 32.4, sucrose: 64.7, monosaccharides: 2.1, fat: 0.1, ash: 0.5 }, pHNative: 6.6, potassiumMg: 212, ...usda('19353', 'H') },
  { id: 'ginger_syrup', group: 'sugar', standsFor: ['sugar'], aliases: ['ginger syrup', 'stem ginger syrup', 'syrup from the ginger jar'], per100g: { water: 30, sucrose: 48, monosaccharides: 21.5, ash: 0.2 }, pHNative: 5, potassiumMg: 20, source: FROM_LABELS, confidence: 'L' },
  { id: 'golden_syrup', group: 'sugar', standsFor: ['sugar'], aliases: ['golden syrup', 'light treacle'], per100g: { water: 19, sucrose: 33, monosaccharides: 46.5, ash: 1 }, pHNative: 5.2, potassiumMg: 60, source: FROM_LABELS, confidence: 'M' },
  // acids and what works against them
  { id: 'tartar', group: 'acid', aliases: ['cream of tartar', 'potassium bitartrate'], per100g: { water: 0.5, ash: 59.5 }, acid: { kind: 'tartaric', low: 39.4, typical: 39.7, high: 39.9 }, strongIonMEq: 529, pHNative: 3.56, potassiumMg: 16500, source: 'potassium hydrogen tartrate, 188.2 g/mol (CRC molar masses); its potassium salt counts as ash', confidence: 'H' },
  { id: 'vinegar', group: 'acid', aliases: ['vinegar', 'white vinegar', 'white wine vinegar', 'cider vinegar', 'wine vinegar', 'distilled vinegar'], per100g: { water: 94.4, monosaccharides: 0.2, ash: 0.1 }, acid: { kind: 'acetic', low: 4, typical: 5, high: 7 }, pHNative: 2.4, potassiumMg: 30, ...usda('02053/02048') },
  { id: 'soda', group: 'other', aliases: ['bicarbonate of soda', 'baking soda', 'bicarb', 'sodium bicarbonate'], per100g: { water: 0.2, ash: 99.8 }, strongIonMEq: 1190, pHNative: 8.3, potassiumMg: 0, source: 'sodium hydrogen carbonate, 84.01 g/mol (CRC molar masses); its gas is taken to leave', confidence: 'H' },
  { id: 'baking_powder', group: 'other', aliases: ['baking powder'], per100g: { water: 5, starch: 27.7, ash: 67.3 }, pHNative: 7, potassiumMg: 20, ...usda('18369') },
  // spirits
  { id: 'spirit', group: 'other', aliases: ['rum', 'white rum', 'dark rum', 'vodka', 'gin', 'brandy', 'cognac', 'whisky', 'whiskey', 'bourbon', 'tequila'], per100g: { water: 66.6 }, pHNative: 6, potassiumMg: 2, ethanol: 33.4, ...usda('14037', 'H') },
  { id: 'limoncello', group: 'other', aliases: ['limoncello', 'lemon liqueur'], per100g: { water: 50, sucrose: 26.5 }, pHNative: 5.5, potassiumMg: 5, ethanol: 23, source: FROM_LABELS, confidence: 'L' },
  { id: 'wine_ice', group: 'juice', traits: ['wine'], standsFor: ['juice'], aliases: ['ice wine', 'icewine', 'eiswein'], per100g: { water: 69.5, monosaccharides: 20, otherProtein: 0.3, ash: 0.4 }, acid: { kind: 'tartaricMalic', low: 0.8, typical: 1, high: 1.2 }, pHNative: 3.3, potassiumMg: 130, ethanol: 8.4, allergens: ['sulphites'], source: 'about a fifth of it sugar (common practice); the rest from memory', confidence: 'L' },
  // spice and scent
  { id: 'vanilla_pod', group: 'other', traits: ['scent'], aliases: ['vanilla pod', 'vanilla pods', 'vanilla bean', 'vanilla beans', 'vanilla seeds'], per100g: { water: 25, monosaccharides: 20, fat: 11, otherProtein: 4, starch: 2, fibre: 32, ash: 5 }, pHNative: 5, potassiumMg: 1300, source: FROM_MEMORY, confidence: 'L' },
  { id: 'vanilla_paste', group: 'other', aliases: ['vanilla paste', 'vanilla bean paste'], per100g: { water: 25, sucrose: 60, monosaccharides: 10, fibre: 2, ash: 0.5 }, pHNative: 5, potassiumMg: 100, ethanol: 2, source: FROM_LABELS, confidence: 'L' },
  { id: 'herbs', group: 'other', traits: ['scent'], aliases: ['mint', 'mint leaves', 'basil', 'basil leaves', 'thyme', 'rosemary', 'lemon verbena', 'fresh herbs'], per100g: { water: 84, fat: 0.8, otherProtein: 3.4, monosaccharides: 1.5, fibre: 7.5, ash: 1.9 }, pHNative: 6, potassiumMg: 500, ...usda('02064/02065') },
  { id: 'cinnamon', group: 'other', traits: ['scent'], aliases: ['cinnamon', 'ground cinnamon'], per100g: { water: 10.6, monosaccharides: 2.2, fat: 1.2, otherProtein: 4, starch: 25.3, fibre: 53.1, ash: 3.6 }, pHNative: 5.5, potassiumMg: 431, ...usda('02010', 'H') },
  { id: 'ginger_ground', group: 'other', traits: ['scent'], aliases: ['ground ginger', 'ginger powder'], per100g: { water: 9.9, monosaccharides: 3.4, fat: 4.2, otherProtein: 9, starch: 54.1, fibre: 14.1, ash: 5.2 }, pHNative: 5.7, potassiumMg: 1320, ...usda('02021') },
  // colours
  { id: 'colour_water', group: 'other', traits: ['scent'], aliases: ['food colouring', 'food coloring', 'water-soluble colour', 'gel food colouring', 'gel food coloring', 'liquid food colouring', 'food colour paste'], per100g: { water: 40, sucrose: 25, monosaccharides: 25, fibre: 4, ash: 4 }, pHNative: 5, potassiumMg: 0, source: FROM_LABELS, confidence: 'L' },
  { id: 'colour_fat', group: 'other', traits: ['scent'], aliases: ['fat-soluble colour', 'oil-soluble colour', 'powdered fat-soluble colour'], per100g: { fat: 70, fibre: 20, ash: 9 }, pHNative: 6, potassiumMg: 0, source: FROM_LABELS, confidence: 'L' },
  // cereals, nuts, what is baked
  { id: 'oats', group: 'biscuit', aliases: ['oats', 'rolled oats', 'porridge oats', 'jumbo oats'], per100g: { water: 10.8, sucrose: 1, fat: 6.5, otherProtein: 13.2, starch: 56.6, fibre: 10.1, ash: 1.9 }, pHNative: 6.2, potassiumMg: 362, allergens: ['gluten'], ...usda('08120', 'H') },
  { id: 'granola', group: 'biscuit', aliases: ['granola', 'toasted muesli'], per100g: { water: 5.8, sucrose: 16, monosaccharides: 4, fat: 24.3, otherProtein: 13.7, starch: 25, fibre: 8.9, ash: 2.4 }, pHNative: 6.2, potassiumMg: 539, allergens: ['gluten', 'nuts'], ...usda('08037') },
  { id: 'pastry_short', group: 'biscuit', aliases: ['short pastry', 'shortcrust pastry', 'shortcrust', 'pie crust'], per100g: { water: 9.9, sucrose: 2, fat: 29.5, milkFat: 15, otherProtein: 6.3, starch: 48.3, fibre: 2.4, ash: 1.5 }, pHNative: 6.5, potassiumMg: 100, allergens: ['gluten', 'milk'], ...usda('18335', 'L') },
  { id: 'brioche', group: 'biscuit', aliases: ['brioche', 'challah', 'enriched bread', 'milk bread', 'panettone'], per100g: { water: 30, sucrose: 9, fat: 13, milkFat: 11, eggWhiteProtein: 1.5, yolkProtein: 1.5, otherProtein: 6, starch: 35.5, fibre: 2, ash: 1.4 }, pHNative: 5.6, potassiumMg: 120, allergens: ['gluten', 'egg', 'milk'], ...usda('18027', 'L') },
  { id: 'coconut_dried', group: 'nut', hardFat: 'coconut', aliases: ['desiccated coconut', 'coconut', 'shredded coconut', 'coconut flakes'], per100g: { water: 3, sucrose: 7.4, fat: 64.5, otherProtein: 6.9, fibre: 16.3, ash: 1.9 }, pHNative: 6.2, potassiumMg: 543, allergens: [], ...usda('12108', 'H') },
  { id: 'walnut', group: 'nut', aliases: ['walnut', 'walnuts'], per100g: { water: 4.1, sucrose: 2.4, monosaccharides: 0.2, fat: 65.2, otherProtein: 15.2, starch: 4.3, fibre: 6.7, ash: 1.8 }, pHNative: 6.2, potassiumMg: 441, allergens: ['nuts'], ...usda('12155', 'H') },
  { id: 'pecan', group: 'nut', aliases: ['pecan', 'pecans'], per100g: { water: 3.5, sucrose: 3.9, fat: 72, otherProtein: 9.2, starch: 0.5, fibre: 9.6, ash: 1.5 }, pHNative: 6.3, potassiumMg: 410, allergens: ['nuts'], ...usda('12142', 'H') },
  { id: 'cashew', group: 'nut', aliases: ['cashew', 'cashews', 'cashew nuts'], per100g: { water: 5.2, sucrose: 5.9, fat: 43.9, otherProtein: 18.2, starch: 20.9, fibre: 3.3, ash: 2.5 }, pHNative: 6.2, potassiumMg: 660, allergens: ['nuts'], ...usda('12087', 'H') },
  // milks of plants, and what keeps ices smooth
  { id: 'almond_milk', group: 'plant', standsFor: ['dairy'], aliases: ['almond milk', 'nut milk', 'unsweetened almond milk'], per100g: { water: 97.3, sucrose: 0.2, fat: 1.1, otherProtein: 0.5, fibre: 0.3, ash: 0.5 }, pHNative: 7, potassiumMg: 67, allergens: ['nuts'], ...usda('14091') },
  { id: 'cashew_milk', group: 'plant', standsFor: ['dairy'], aliases: ['cashew milk'], per100g: { water: 94, sucrose: 0.6, fat: 2.6, otherProtein: 1.2, starch: 0.9, fibre: 0.2, ash: 0.4 }, pHNative: 6.8, potassiumMg: 60, allergens: ['nuts'], source: FROM_LABELS, confidence: 'L' },
  { id: 'oat_milk', group: 'plant', standsFor: ['dairy'], aliases: ['oat milk', 'oat drink'], per100g: { water: 90, monosaccharides: 4, fat: 1.5, otherProtein: 0.8, starch: 1.8, fibre: 0.8, ash: 0.5 }, pHNative: 6.6, potassiumMg: 60, allergens: ['gluten'], source: FROM_LABELS, confidence: 'L' },
  { id: 'soya_milk', group: 'plant', standsFor: ['dairy'], aliases: ['soya milk', 'soy milk', 'soya drink'], per100g: { water: 90.4, sucrose: 2.4, fat: 1.9, otherProtein: 3.3, fibre: 0.6, ash: 0.7 }, pHNative: 6.9, potassiumMg: 120, allergens: ['soya'], ...usda('16120') },
  { id: 'ice_stabiliser', gum: { pa: 5, exponent: 2, least: 0, needs: 'nothing', tearsAt: null, blended: 1 }, group: 'setter', aliases: ['ice-cream stabiliser', 'ice cream stabiliser', 'ice cream stabilizer', 'sorbet stabiliser'], per100g: { water: 8, sucrose: 20, otherProtein: 3, fibre: 64, ash: 3 }, pHNative: 6.5, potassiumMg: 200, source: 'locust bean and guar gum in dextrose, 3–5 g a litre (common practice); composition from memory', confidence: 'L' },
]
