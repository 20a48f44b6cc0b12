/** A cook's words for what the core names by code. Words and locale live here, outside the core. */
import type { VerdictCode } from '#core/pipeline/assessment'
import type { Condition, Reason } from '#core/formula/schools'
import type { Cover, PlaceKind } from '#core/physics/thermal/places'
import type { Family, School } from '#core/formula/document'
import type { HeatMethod } from '#core/physics/heat/pot'
import type { Material, VesselKind } from '#core/physics/geometry/cavity'
import type { UseKind, BandId } from '#core/physics/set/bands'
import { findIngredient } from '#core/base/ingredients/ingredients'
import type { MechanismKey } from '#core/physics/set/firmness'
import type { Allergen } from '#core/base/ingredients/types'
import type { Sharpness } from '#core/physics/matter/taste'
import type { Uncertain } from '#core/solve/sampling'

export const STATION_NAMES = {
  stock: 'Stock',
  balance: 'Balance',
  shape: 'Shape',
  heat: 'Heat',
  chill: 'Chill',
  serve: 'Serve',
} as const
export const BAND_NAMES: Record<BandId, string> = {
  pourable: 'pourable',
  coats: 'coats a spoon',
  spoonable: 'spoonable',
  mounds: 'mounds, pipes',
  slicesSoftly: 'slices softly',
  slicesCleanly: 'slices cleanly',
  turnsOut: 'turns out',
  rubbery: 'rubbery',
}
export const ALLERGEN_NAMES: Record<Allergen, string> = {
  egg: 'egg',
  milk: 'milk',
  gluten: 'cereals with gluten',
  nuts: 'nuts',
  soya: 'soya',
  sulphites: 'sulphites',
}
export const SHARPNESS_NAMES: Record<Sharpness, string> = {
  flat: 'flat',
  mellow: 'mellow',
  balanced: 'balanced',
  bright: 'bright',
  sharp: 'sharp',
}
export const FAMILY_NAMES: Record<Family, { name: string, what: string, filling: string }> = {
  curd: { name: 'Curd', what: 'egg, juice, sugar and butter', filling: 'Curd' },
  posset: { name: 'Posset', what: 'hot cream set by juice', filling: 'Posset' },
  bar: { name: 'Bar or baked tart', what: 'egg filling baked on a base', filling: 'Filling' },
  condensedPie: { name: 'Condensed-milk pie', what: 'condensed milk, yolk and juice', filling: 'Filling' },
  starchFilling: { name: 'Starch filling or pudding', what: 'boiled with cornflour', filling: 'Filling' },
  gelatinCream: {
    name: 'Gelatine cream or mousse',
    what: 'set by gelatine, often with whipped cream',
    filling: 'Cream',
  },
  unsetMousse: { name: 'Unset mousse', what: 'held by whipped cream or whites', filling: 'Mousse' },
  fluidGel: { name: 'Fluid gel or insert', what: 'set by agar', filling: 'Gel' },
  lightCustard: { name: 'Light custard', what: 'custard with boiled-sugar meringue', filling: 'Custard' },
}
export const SCHOOL_NAMES: Record<School, { name: string, how: string }> = {
  yolkBath: {
    name: 'Yolks on a water bath',
    how: 'Yolks, sugar and juice over simmering water; butter whisked in off the heat. Rich and smooth; forgiving.',
  },
  wholeEggTempered: {
    name: 'Whole eggs, low direct heat',
    how: 'Everything in the pan over low heat, stirred without stopping. Lighter, cuts cleaner; quick to scramble.',
  },
  emulsified: {
    name: 'Butter blended in cool',
    how: 'Cooked on the bath, cooled to 55 °C, then soft butter blended in. Firmest cold; softens as it warms.',
  },
  microwave: {
    name: 'Microwave bursts',
    how: 'Short bursts with a whisk between. Quick, no stove; hot spots at the edge.',
  },
  gelatinBacked: {
    name: 'Curd backed with gelatine',
    how: 'A curd with bloomed gelatine and butter stirred in warm. Cuts high and holds; animal gelatine.',
  },
  reduced: {
    name: 'Reduced to the cream\'s volume',
    how: 'Sweetened cream boiled back to the volume of the cream alone, then juice. Firmest, takes most juice.',
  },
  boiled: { name: 'Boiled 4–5 minutes', how: 'A short rolling boil, then juice. Middling set.' },
  dissolved: {
    name: 'Heated to dissolve only',
    how: 'Warmed until the sugar is gone, then juice. Softest and freshest; longest chill.',
  },
  wine: {
    name: 'With sweet wine',
    how: 'Part of the acid and water from wine, little juice. Aromatic; long chill, alcohol stays.',
  },
  hotBase: { name: 'Poured on the hot base', how: 'Bonds to the base and saves time; a thin filling may seep.' },
  cooledBase: { name: 'Poured on a cooled base', how: 'Base cooled 10–15 min first. Cleaner line, crisper base.' },
  lowOven: { name: 'Low oven, 150 °C', how: 'Gentle and even through a deep filling; slow.' },
  steadyOven: { name: 'Steady oven, 160 °C', how: 'Quicker for a middling depth; edges first.' },
  tartlets: { name: 'Tartlets, 175 °C', how: 'Spoonfuls in small shells, about 12 min.' },
  chillOnly: { name: 'Chill only', how: 'Juice thickens the condensed milk; no oven. Use pasteurised yolk or none.' },
  juiceAfter: {
    name: 'Juice in after the boil',
    how: 'Starch and yolk boiled, juice and butter off the heat. Keeps its set and its freshness.',
  },
  boiledAgain: {
    name: 'Everything boiled together',
    how: 'Yolks tempered in and brought back to the boil with the juice. Surely done; acid takes some strength.',
  },
  milkPudding: { name: 'Milk pudding', how: 'Milk, cornflour and zest boiled and moulded. Mild; turns out whole.' },
  foldedMousse: {
    name: 'Whipped cream folded in',
    how: 'Gelatine in a warm base, cooled to about 26 °C, cold whipped cream folded in. Light.',
  },
  setCream: {
    name: 'Set cream, no whipping',
    how: 'Warm cream with gelatine, juice in below 45 °C. Smooth, dense, turns out.',
  },
  whippedAcid: {
    name: 'Cream thickened by juice',
    how: 'Cream whipped and folded with something sharp. No setter; holds a few hours.',
  },
  beatenWhites: {
    name: 'Beaten whites folded in',
    how: 'Airiest; raw whites, so pasteurised ones. Holds a few hours.',
  },
  blendedGel: {
    name: 'Set, then blended',
    how: 'Agar boiled, juice in after, set and blended smooth. Pipes as dots.',
  },
  frozenInsert: { name: 'Insert, frozen', how: 'Agar gel in a mould, frozen to go inside another dessert.' },
  boiledMeringue: {
    name: 'Boiled-sugar meringue folded in',
    how: 'Custard with gelatine, meringue folded in lukewarm. Airy, cuts, freezes.',
  },
}
/** What a way of making gives or costs. */
export const REASON_NAMES: Record<Reason, string> = {
  thickRich: 'thick and rich',
  forgiving: 'forgiving',
  slow: 'slow',
  manyYolks: 'many yolks',
  quick: 'quick',
  slicesCleaner: 'cuts cleaner',
  stirringConstantly: 'stirring all the time',
  scramblesEasily: 'scrambles easily',
  shiny: 'shiny',
  firmFromButter: 'firm when cold',
  muchButter: 'much butter',
  noStove: 'no stove',
  hotSpots: 'hot spots',
  cutsReliably: 'cuts reliably',
  holdsWarm: 'holds when warm',
  animalGelatin: 'animal gelatine',
  firmest: 'firmest',
  leastWater: 'least water',
  takesMoreJuice: 'takes more juice',
  middling: 'middling set',
  softest: 'softest set',
  freshest: 'freshest',
  longChill: 'long chill',
  wineFlavour: 'the wine\'s own flavour',
  alcoholStays: 'alcohol stays in it',
  bondsToBase: 'bonds to the base',
  maySeep: 'may seep',
  cleanLine: 'a clean line',
  crispBase: 'crisp base',
  creamyEven: 'creamy throughout',
  eggBaked: 'egg is baked',
  small: 'small pieces',
  noOven: 'no oven',
  rawYolk: 'raw yolk',
  freshJuice: 'fresh juice',
  holdsItsSet: 'keeps its set',
  surelyDone: 'surely done',
  weakerByAcid: 'weaker by the acid',
  turnsOutWhole: 'turns out whole',
  mild: 'mild',
  light: 'light',
  needsColdCream: 'needs cold cream',
  strings: 'strings if too cold',
  smooth: 'smooth',
  dense: 'dense',
  holdsHours: 'holds only hours',
  rawWhites: 'raw whites',
  noSetter: 'no setter',
  pipesDots: 'pipes',
  freezes: 'freezes well',
  weepsThawed: 'weeps when thawed',
  clearFlavour: 'clear flavour',
  airy: 'airy',
  boilingSugar: 'boiling sugar',
}
/** What decides for a way of making. */
export const CONDITION_NAMES: Record<Condition, string> = {
  mostlyYolk: 'mostly yolks, to spread or spoon',
  mostlyWhole: 'mostly whole eggs, to slice',
  muchButter: 'more than a quarter butter',
  noBurner: 'no burner free',
  mustCutHigh: 'it must cut high or stand warm',
  firmSet: 'a firm set, or much juice',
  someTime: 'five minutes at the stove',
  softSet: 'a soft set and time to chill',
  hasWine: 'wine in it',
  thickFilling: 'a thick filling',
  runnyFilling: 'a runny filling',
  deepFilling: 'a deep filling',
  middlingDepth: 'a middling depth',
  smallShells: 'small shells',
  pasteurisedYolk: 'pasteurised yolk or no egg',
  fewDays: 'it is kept a few days',
  yolkInStarch: 'many yolks in the starch',
  noEggMilk: 'milk and no egg',
  wantsAir: 'it should be light',
  wantsSmooth: 'it should be smooth',
  servedToday: 'served today',
  pasteurisedWhites: 'pasteurised whites at hand',
  dotsOrSauce: 'dots or a sauce',
  insideAnother: 'it goes inside another dessert',
  mouldedLight: 'moulded and light',
}
export const USE_NAMES: Record<UseKind, { name: string, how: string }> = {
  spooned: { name: 'Spooned', how: 'on scones, from a bowl or jar' },
  glass: { name: 'In a glass', how: 'eaten from what it was set in' },
  piped: { name: 'Piped', how: 'dots and borders that keep their shape' },
  cut: { name: 'Cut', how: 'a slice of tart that stands' },
  turnedOut: { name: 'Turned out', how: 'unmoulded, standing by itself' },
}
export const VESSEL_NAMES: Record<VesselKind, string> = {
  round: 'Round tin',
  rectangle: 'Square, rectangle',
  tartRing: 'Ring',
  tartShell: 'Tart shell, fluted',
  pieDish: 'Pie dish',
  ramekin: 'Ramekin',
  glass: 'Glass',
  stemmed: 'Stemmed glass',
  mould: 'Mould',
  bowl: 'Bowl',
}
export const MATERIAL_NAMES: Record<Material, string> = {
  metal: 'metal',
  glass: 'glass',
  ceramic: 'ceramic',
  plastic: 'plastic',
  silicone: 'silicone',
}
export const PLACE_NAMES: Record<PlaceKind, string> = {
  domesticFridge: 'fridge, still air',
  fanFridge: 'fridge with a fan',
  walkIn: 'walk-in cold room',
  blastChiller: 'blast chiller',
  freezer: 'freezer',
  bench: 'bench',
  iceBath: 'ice bath',
}
export const COVER_NAMES: Record<Cover, string> = { open: 'uncovered', film: 'film on the surface', lid: 'lid' }
export const MARK_WORDS = { fine: 'fine', look: 'look', stop: 'stop', error: 'error' } as const
export const SHORT_VERDICT: Record<VerdictCode, string> = {
  good: 'holds as meant',
  sagsOnTable: 'sags on the table',
  looseCold: 'too loose',
  runny: 'runny',
  grainy: 'grainy',
  tooFirm: 'too firm',
  servedBeforeSet: 'served too early',
}
export const UNCERTAIN_NAMES: Record<Uncertain, string> = {
  acid: 'the juice\'s acid',
  eggMass: 'the eggs\' weight',
  thermometer: 'the thermometer',
  eggSetting: 'where this egg sets',
  overSetting: 'where it turns grainy',
  creamFat: 'the cream\'s fat',
  settingTime: 'how fast it sets',
  table: 'warmth of the table',
  model: 'the strength law itself',
}
export const MECHANISM_NAMES: Record<MechanismKey, string> = {
  eggPa: 'egg',
  butterPa: 'butterfat',
  caseinPa: 'milk set by acid',
  creamFatPa: 'cream fat',
  starchPa: 'starch',
  gelatinPa: 'gelatine',
  agarPa: 'agar',
  whipPa: 'whipped cream',
  foamPa: 'beaten whites',
}
export const METHOD_NAMES: Record<HeatMethod, string> = {
  waterBath: 'water bath',
  direct: 'direct',
  microwave: 'microwave',
  oven: 'oven',
  none: 'not heated',
}
export const CUP_NAMES = {
  us: 'US (cup 237 ml)',
  metric: 'metric (cup 250 ml)',
  australian: 'Australian (cup 250, tablespoon 20 ml)',
  imperial: 'imperial (cup 284 ml)',
} as const
export const FOOD_CODES = { us: 'US Food Code limits', uk: 'UK guidance limits' } as const

/** An ingredient's kitchen name in the kitchen's vocabulary. */
export const ingredientName = (id: string, vocabulary: 'gb' | 'us'): string =>
  findIngredient(id)?.name[vocabulary] ?? id
