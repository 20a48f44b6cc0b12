/**
 * Ways of making as data: steps, heat, cold and vessel to start from, what each gives and costs, and what decides between
 * it and the others. Common practice; where a figure follows from the models it says so. Reasons are codes: their words live with the screens.
 */
import { is } from '../base/ingredients/ingredients'
import type { Ingredient, IngredientGroup, Trait } from '../base/ingredients/types'
import { plainVessel } from '../physics/geometry/cavity'
import type { UseKind } from '../physics/set/bands'
import type { Family, HeatPlan, School, SetPlan } from './document'
import type { PartStep } from './parts'
import type { BenchAssembly } from './bench'

/** What a way of making gives or costs. */
export const REASONS = [
  'thickRich', 'forgiving', 'slow', 'manyYolks', 'quick', 'slicesCleaner', 'stirringConstantly', 'scramblesEasily', 'shiny', 'firmFromButter', 'muchButter', 'noStove', 'hotSpots', 'cutsReliably', 'holdsWarm', 'animalGelatin',
  'firmest', 'leastWater', 'takesMoreJuice', 'middling', 'softest', 'freshest', 'longChill', 'wineFlavour', 'alcoholStays', 'bondsToBase', 'maySeep', 'cleanLine', 'crispBase', 'creamyEven', 'eggBaked', 'small', 'noOven', 'rawYolk',
  'freshJuice', 'holdsItsSet', 'surelyDone', 'weakerByAcid', 'turnsOutWhole', 'mild', 'light', 'needsColdCream', 'strings', 'smooth', 'dense', 'holdsHours', 'rawWhites', 'noSetter', 'pipesDots', 'freezes', 'weepsThawed', 'clearFlavour', 'airy', 'boilingSugar',
] as const
export type Reason = (typeof REASONS)[number]
/** What decides for a way of making. */
export const CONDITIONS = ['mostlyYolk', 'mostlyWhole', 'muchButter', 'noBurner', 'mustCutHigh', 'firmSet', 'someTime', 'softSet', 'hasWine', 'thickFilling', 'runnyFilling', 'deepFilling', 'middlingDepth', 'smallShells', 'pasteurisedYolk', 'fewDays', 'yolkInStarch', 'noEggMilk', 'wantsAir', 'wantsSmooth', 'servedToday', 'pasteurisedWhites', 'dotsOrSauce', 'insideAnother', 'mouldedLight', 'curdAtHand', 'fruitPulp', 'fruitCutRaw', 'fruitToRoast', 'starchInJuice', 'peelInSyrup', 'peelDry', 'peelInSpirit',
] as const
export type Condition = (typeof CONDITIONS)[number]

/** Lines a step takes: by group, by trait. */
export interface Takes { groups?: readonly IngredientGroup[], traits?: readonly Trait[] }
/** Steps after the heat, in order; what none of them takes is heated together (or mixed cold). */
export type StepTemplate =
  | { kind: 'strain' | 'blend' | 'pour' | 'bake' }
  | { kind: 'stirIn', takes: Takes, lineTempC: number, mixTempC: number | null }
  | { kind: 'foldIn', takes: Takes, lineTempC: number, mixTempC: number | null, overrun: number }

export interface SchoolFacts {
  id: School
  family: Family
  heat: Pick<HeatPlan, 'method' | 'targetTempC' | 'holdS'> & Partial<Pick<HeatPlan, 'burnerW' | 'startTempC' | 'until' | 'oven'>>
  set?: Partial<Pick<SetPlan, 'fluidGel' | 'bloom'>>
  /** Steps of a part (`plan/partWork.ts`): before it is mixed, once it is, after its heat. */
  work?: { first?: PartStep, mixed?: PartStep, last?: PartStep }
  /** Peel itself is what it is made of. */
  ofPeel?: true
  steps: readonly StepTemplate[]
  /** It rests before it is poured, s: foam rises, zest draws (common practice). */
  restS?: number
  /** Minutes on the bench before the fridge, hours in it. */
  chill: { benchMin: number, fridgeH: number }
  /** Freezer before the fridge, hours. */
  freezerH?: number
  sieve: number
  /** Left in the pan, g; 10 where absent. */
  panG?: number
  crustM: number
  /** Sourness it is meant to have, where it is not its family's. */
  sourCentre?: number
  /** Its eggs are tempered with part of the hot mix. */
  tempersEggs?: true
  /** Syrup is boiled to the soft ball for it. */
  boilsSugar?: true
  /** Poured on a hot base, it bonds to it. */
  bondsBase?: true
  /** Tin, count and portions it is usually made in. */
  assembly?: Partial<BenchAssembly>
  gives: readonly Reason[]
  costs: readonly Reason[]
  decides: Condition
  /** Whether it suits these lines and this use; asked in the family's order, last match wins. */
  fits: (l: LineFacts) => boolean
}

/** What of a formula's lines a choice looks at, as shares of the whole. */
export interface LineFacts {
  share: (t: Takes) => number
  use: UseKind | null
}

const BUTTER: Takes = { groups: ['butter'] }
const JUICE: Takes = { groups: ['juice', 'acid'] }
const GELATIN: Takes = { traits: ['gelatin'] }
const CREAM: Takes = { traits: ['whips'] }
export const WHITES: Takes = { traits: ['white', 'foams'] }
const YOLKS: Takes = { traits: ['yolk'] }
const strain = { kind: 'strain' } as const
const pour = { kind: 'pour' } as const
const oven = (airTempC: number, extra: Partial<HeatPlan['oven']> = {}): HeatPlan['oven'] => ({ airTempC, fan: false, bath: false, timeS: { simulated: true }, ovenId: null, offsetK: 0, ...extra })
/** Whipping roughly doubles cream and takes whites to about seven times their volume (common practice). */
export const CREAM_OVERRUN = 1
export const WHITES_OVERRUN = 6
const fold = (takes: Takes, mixTempC: number | null, overrun = CREAM_OVERRUN): StepTemplate => ({ kind: 'foldIn', takes, lineTempC: 5, mixTempC, overrun })

/** A posset rests twenty minutes, then it is sieved and portioned (common practice). */
const POSSET_RESTS = 20 * 60
export const SCHOOL_FACTS: Readonly<Record<School, SchoolFacts>> = {
  // Curds. 82–83 °C with a minute's hold sets whole without grain (egg kinetics of this project).
  yolkBath: { id: 'yolkBath', family: 'curd', heat: { method: 'waterBath', targetTempC: 82, holdS: 60 }, steps: [strain, { kind: 'stirIn', takes: BUTTER, lineTempC: 5, mixTempC: null }, pour], chill: { benchMin: 20, fridgeH: 6 }, sieve: 0.03, crustM: 0, gives: ['thickRich', 'forgiving'], costs: ['slow', 'manyYolks'], decides: 'mostlyYolk', fits: () => true },
  wholeEggTempered: { id: 'wholeEggTempered', tempersEggs: true, family: 'curd', heat: { method: 'direct', targetTempC: 82, holdS: 60 }, steps: [strain, pour], chill: { benchMin: 20, fridgeH: 6 }, sieve: 0.03, crustM: 0, gives: ['slicesCleaner', 'quick'], costs: ['stirringConstantly', 'scramblesEasily'], decides: 'mostlyWhole', fits: l => l.share({ traits: ['wholeEgg'] }) > l.share(YOLKS) },
  emulsified: { id: 'emulsified', sourCentre: 3.2, family: 'curd', heat: { method: 'waterBath', targetTempC: 83, holdS: 30 }, steps: [strain, { kind: 'stirIn', takes: BUTTER, lineTempC: 18, mixTempC: 55 }, { kind: 'blend' }, pour], chill: { benchMin: 20, fridgeH: 6 }, sieve: 0.03, crustM: 0, gives: ['shiny', 'firmFromButter'], costs: ['muchButter', 'slow'], decides: 'muchButter', fits: l => l.share(BUTTER) > 0.28 },
  microwave: { id: 'microwave', family: 'curd', heat: { method: 'microwave', targetTempC: 82, holdS: 40, burnerW: 900 }, steps: [strain, { kind: 'stirIn', takes: BUTTER, lineTempC: 5, mixTempC: null }, pour], chill: { benchMin: 20, fridgeH: 6 }, sieve: 0.03, crustM: 0, gives: ['quick', 'noStove'], costs: ['hotSpots'], decides: 'noBurner', fits: () => false },
  gelatinBacked: { id: 'gelatinBacked', family: 'curd', heat: { method: 'waterBath', targetTempC: 82, holdS: 60 }, steps: [strain, { kind: 'stirIn', takes: { groups: ['butter'], traits: ['gelatin'] }, lineTempC: 12, mixTempC: null }, pour], chill: { benchMin: 20, fridgeH: 8 }, sieve: 0.03, crustM: 0.004, gives: ['cutsReliably', 'holdsWarm'], costs: ['animalGelatin'], decides: 'mustCutHigh', fits: l => l.share(GELATIN) > 0.001 },
  // Possets. Reducing to the volume of the cream alone removes what the sugar added, .62 ml a gram.
  reduced: { id: 'reduced', family: 'posset', restS: POSSET_RESTS, heat: { method: 'direct', targetTempC: 100, holdS: 300, burnerW: 600, startTempC: 8, until: 'creamVolume' }, steps: [{ kind: 'stirIn', takes: JUICE, lineTempC: 18, mixTempC: 82 }, pour], chill: { benchMin: 30, fridgeH: 12 }, sieve: 0.02, crustM: 0, gives: ['firmest', 'leastWater', 'takesMoreJuice'], costs: ['stirringConstantly'], decides: 'firmSet', fits: () => true },
  boiled: { id: 'boiled', family: 'posset', restS: POSSET_RESTS, heat: { method: 'direct', targetTempC: 100, holdS: 270, burnerW: 300, startTempC: 8 }, steps: [{ kind: 'stirIn', takes: JUICE, lineTempC: 18, mixTempC: 82 }, pour], chill: { benchMin: 30, fridgeH: 12 }, sieve: 0.02, crustM: 0, gives: ['middling', 'quick'], costs: ['longChill'], decides: 'someTime', fits: () => false },
  dissolved: { id: 'dissolved', family: 'posset', restS: POSSET_RESTS, heat: { method: 'direct', targetTempC: 85, holdS: 30, burnerW: 450, startTempC: 8 }, steps: [{ kind: 'stirIn', takes: JUICE, lineTempC: 18, mixTempC: 80 }, pour], chill: { benchMin: 30, fridgeH: 18 }, sieve: 0.02, crustM: 0, gives: ['freshest', 'quick'], costs: ['softest', 'longChill'], decides: 'softSet', fits: () => false },
  wine: { id: 'wine', family: 'posset', restS: POSSET_RESTS, heat: { method: 'direct', targetTempC: 100, holdS: 300, burnerW: 450, startTempC: 8 }, steps: [{ kind: 'stirIn', takes: JUICE, lineTempC: 18, mixTempC: 75 }, pour], chill: { benchMin: 30, fridgeH: 20 }, sieve: 0.02, crustM: 0, gives: ['wineFlavour'], costs: ['alcoholStays', 'longChill', 'softest'], decides: 'hasWine', fits: l => l.share({ traits: ['wine'] }) > 0.03 },
  // Bars and baked tarts: the coldest part of the filling to this, then out.
  cooledBase: { id: 'cooledBase', family: 'bar', heat: { method: 'oven', targetTempC: 86, holdS: 120, startTempC: 20, oven: oven(175) }, steps: [strain, pour, { kind: 'bake' }], chill: { benchMin: 90, fridgeH: 3 }, sieve: 0.02, crustM: 0.006, gives: ['cleanLine', 'crispBase'], costs: ['slow'], decides: 'runnyFilling', fits: () => true },
  hotBase: { id: 'hotBase', bondsBase: true, family: 'bar', heat: { method: 'oven', targetTempC: 86, holdS: 120, startTempC: 35, oven: oven(175) }, steps: [strain, pour, { kind: 'bake' }], chill: { benchMin: 90, fridgeH: 3 }, sieve: 0.02, crustM: 0.006, gives: ['bondsToBase', 'quick'], costs: ['maySeep'], decides: 'thickFilling', fits: l => l.share({ traits: ['starch'] }) > 0.045 },
  // Condensed-milk pies.
  lowOven: { id: 'lowOven', family: 'condensedPie', heat: { method: 'oven', targetTempC: 72, holdS: 60, startTempC: 20, oven: oven(150) }, steps: [pour, { kind: 'bake' }], chill: { benchMin: 60, fridgeH: 4 }, sieve: 0.02, crustM: 0.006, gives: ['creamyEven', 'eggBaked'], costs: ['slow'], decides: 'deepFilling', fits: () => true },
  steadyOven: { id: 'steadyOven', family: 'condensedPie', heat: { method: 'oven', targetTempC: 72, holdS: 60, startTempC: 20, oven: oven(160) }, steps: [pour, { kind: 'bake' }], chill: { benchMin: 60, fridgeH: 4 }, sieve: 0.02, crustM: 0.006, gives: ['quick', 'eggBaked'], costs: ['scramblesEasily'], decides: 'middlingDepth', fits: () => false },
  tartlets: { id: 'tartlets', assembly: { count: 24, portions: 24, vessel: plainVessel('tartRing', 'metal', 0.06, 0.06, 0.02) }, family: 'condensedPie', heat: { method: 'oven', targetTempC: 74, holdS: 30, startTempC: 20, oven: oven(175) }, steps: [pour, { kind: 'bake' }], chill: { benchMin: 30, fridgeH: 2 }, sieve: 0.02, crustM: 0.004, gives: ['small', 'quick'], costs: ['scramblesEasily'], decides: 'smallShells', fits: () => false },
  chillOnly: { id: 'chillOnly', family: 'condensedPie', heat: { method: 'none', targetTempC: 20, holdS: 0, startTempC: 18 }, steps: [pour], chill: { benchMin: 0, fridgeH: 12 }, sieve: 0.02, crustM: 0.006, gives: ['noOven'], costs: ['rawYolk', 'softest'], decides: 'pasteurisedYolk', fits: l => l.share({ groups: ['egg'] }) < 0.001 },
  // Starch fillings: boiled, since starch lets a custard boil and only boiling stops the yolk's amylase.
  juiceAfter: { id: 'juiceAfter', family: 'starchFilling', heat: { method: 'direct', targetTempC: 97, holdS: 90, burnerW: 500 }, steps: [{ kind: 'stirIn', takes: { groups: ['juice', 'acid', 'butter'] }, lineTempC: 18, mixTempC: null }, pour], chill: { benchMin: 30, fridgeH: 5 }, sieve: 0.02, crustM: 0, gives: ['freshJuice', 'holdsItsSet'], costs: ['slow'], decides: 'fewDays', fits: () => true },
  boiledAgain: { id: 'boiledAgain', tempersEggs: true, family: 'starchFilling', heat: { method: 'direct', targetTempC: 97, holdS: 120, burnerW: 500 }, steps: [{ kind: 'stirIn', takes: BUTTER, lineTempC: 5, mixTempC: null }, pour], chill: { benchMin: 30, fridgeH: 5 }, sieve: 0.02, crustM: 0, gives: ['surelyDone'], costs: ['weakerByAcid'], decides: 'yolkInStarch', fits: () => false },
  milkPudding: { id: 'milkPudding', family: 'starchFilling', heat: { method: 'direct', targetTempC: 97, holdS: 180, burnerW: 500, startTempC: 8 }, steps: [strain, pour], chill: { benchMin: 30, fridgeH: 5 }, sieve: 0.02, crustM: 0, gives: ['turnsOutWhole', 'mild'], costs: ['longChill'], decides: 'noEggMilk', fits: l => l.share({ traits: ['drinkingMilk'] }) > 0.5 && l.share({ groups: ['egg'] }) < 0.02 },
  // Gelatin creams. The base cools to about 26 °C, above where gelatin sets, before cold cream meets it.
  foldedMousse: { id: 'foldedMousse', family: 'gelatinCream', heat: { method: 'direct', targetTempC: 82, holdS: 60, burnerW: 250 }, steps: [strain, fold(CREAM, 26), pour], chill: { benchMin: 0, fridgeH: 12 }, sieve: 0.02, crustM: 0, gives: ['light', 'cutsReliably'], costs: ['needsColdCream', 'strings', 'animalGelatin'], decides: 'wantsAir', fits: () => true },
  coldSouffle: { id: 'coldSouffle', family: 'gelatinCream', heat: { method: 'direct', targetTempC: 82, holdS: 60, burnerW: 250 }, steps: [strain, fold(WHITES, 30, WHITES_OVERRUN), fold(CREAM, null), pour], chill: { benchMin: 0, fridgeH: 6 }, sieve: 0.02, crustM: 0, gives: ['light', 'airy', 'cutsReliably'], costs: ['needsColdCream', 'strings', 'rawWhites', 'animalGelatin'], decides: 'pasteurisedWhites', fits: l => l.share(WHITES) > 0.05 && l.share(CREAM) > 0.1 },
  setCream: { id: 'setCream', family: 'gelatinCream', heat: { method: 'direct', targetTempC: 80, holdS: 120, burnerW: 400, startTempC: 8 }, steps: [{ kind: 'stirIn', takes: { groups: ['juice', 'acid'], traits: ['cultured'] }, lineTempC: 12, mixTempC: 45 }, pour], chill: { benchMin: 15, fridgeH: 12 }, sieve: 0.02, crustM: 0, gives: ['smooth', 'turnsOutWhole'], costs: ['dense', 'animalGelatin', 'longChill'], decides: 'wantsSmooth', fits: l => l.share({ groups: ['egg'] }) < 0.02 && l.share({ groups: ['dairy'] }) > 0.45 },
  // Unset mousses.
  whippedAcid: { id: 'whippedAcid', family: 'unsetMousse', heat: { method: 'none', targetTempC: 20, holdS: 0, startTempC: 8 }, steps: [fold(CREAM, null), pour], chill: { benchMin: 0, fridgeH: 4 }, sieve: 0.01, crustM: 0, gives: ['light', 'noSetter'], costs: ['holdsHours'], decides: 'servedToday', fits: () => true },
  beatenWhites: { id: 'beatenWhites', family: 'unsetMousse', heat: { method: 'none', targetTempC: 20, holdS: 0, startTempC: 8 }, steps: [fold(CREAM, null), fold(WHITES, null, WHITES_OVERRUN), pour], chill: { benchMin: 0, fridgeH: 4 }, sieve: 0.01, crustM: 0, gives: ['airy', 'noSetter'], costs: ['holdsHours', 'rawWhites'], decides: 'pasteurisedWhites', fits: l => l.share(WHITES) > 0.05 },
  // A cold curd lightened with soft cream: two to one to pipe, one to one as a mousse (common practice).
  lightenedCurd: { id: 'lightenedCurd', family: 'unsetMousse', heat: { method: 'waterBath', targetTempC: 82, holdS: 60 }, steps: [strain, { kind: 'stirIn', takes: BUTTER, lineTempC: 5, mixTempC: null }, fold(CREAM, 12, 0.8), pour], chill: { benchMin: 0, fridgeH: 3 }, sieve: 0.03, crustM: 0, gives: ['light', 'noSetter', 'thickRich'], costs: ['holdsHours', 'slow'], decides: 'curdAtHand', fits: l => l.share({ traits: ['yolk', 'wholeEgg'] }) > 0.06 },
  // Gels. Agar must boil to melt and sets below 35 °C.
  blendedGel: { id: 'blendedGel', family: 'fluidGel', heat: { method: 'direct', targetTempC: 98, holdS: 120, burnerW: 400 }, set: { fluidGel: true }, steps: [{ kind: 'stirIn', takes: JUICE, lineTempC: 18, mixTempC: null }, pour, { kind: 'blend' }], chill: { benchMin: 0, fridgeH: 3 }, sieve: 0.02, crustM: 0, gives: ['pipesDots', 'clearFlavour'], costs: ['slow'], decides: 'dotsOrSauce', fits: l => l.use === 'piped' || l.use === 'spooned' || l.use === null },
  frozenInsert: { id: 'frozenInsert', family: 'fluidGel', heat: { method: 'direct', targetTempC: 98, holdS: 120, burnerW: 400 }, steps: [{ kind: 'stirIn', takes: JUICE, lineTempC: 18, mixTempC: null }, pour], chill: { benchMin: 0, fridgeH: 6 }, freezerH: 2, sieve: 0.02, crustM: 0, gives: ['freezes', 'clearFlavour'], costs: ['weepsThawed'], decides: 'insideAnother', fits: l => l.use === 'cut' || l.use === 'turnedOut' },
  // Light custard: cooked custard with gelatin, boiled-sugar meringue folded in while both are lukewarm.
  boiledMeringue: { id: 'boiledMeringue', boilsSugar: true, family: 'lightCustard', heat: { method: 'direct', targetTempC: 96, holdS: 60, burnerW: 400 }, steps: [fold(WHITES, 45, WHITES_OVERRUN), pour], chill: { benchMin: 0, fridgeH: 12 }, sieve: 0.02, crustM: 0, gives: ['airy', 'cutsReliably', 'freezes'], costs: ['boilingSugar', 'rawWhites', 'animalGelatin'], decides: 'mouldedLight', fits: () => true },
  // Fruit: what it loses and how long it takes is common practice (`parts.ts`); what boils or bakes is computed.
  coulis: { id: 'coulis', family: 'fruit', heat: { method: 'none', targetTempC: 20, holdS: 0, startTempC: 18 }, steps: [{ kind: 'blend' }, strain, pour], chill: { benchMin: 0, fridgeH: 2 }, sieve: 0.18, crustM: 0, gives: ['clearFlavour', 'quick'], costs: ['holdsHours'], decides: 'fruitPulp', fits: () => true },
  maceratedFruit: { id: 'maceratedFruit', family: 'fruit', heat: { method: 'none', targetTempC: 20, holdS: 0, startTempC: 18 }, work: { first: 'hull', mixed: 'macerate' }, steps: [pour], chill: { benchMin: 0, fridgeH: 2 }, sieve: 0, crustM: 0, gives: ['clearFlavour', 'quick'], costs: ['holdsHours'], decides: 'fruitCutRaw', fits: () => false },
  roastedFruit: { id: 'roastedFruit', family: 'fruit', heat: { method: 'oven', targetTempC: 80, holdS: 0, startTempC: 18, oven: { ...oven(210), timeS: { given: 17.5 * 60 } } }, work: { first: 'hull' }, steps: [pour, { kind: 'bake' }], chill: { benchMin: 30, fridgeH: 3 }, sieve: 0, crustM: 0, gives: ['thickRich', 'forgiving'], costs: ['slow'], decides: 'fruitToRoast', fits: () => false },
  boundSauce: { id: 'boundSauce', family: 'fruit', heat: { method: 'direct', targetTempC: 96, holdS: 60, burnerW: 400 }, steps: [pour], chill: { benchMin: 20, fridgeH: 4 }, sieve: 0, crustM: 0, gives: ['clearFlavour', 'forgiving'], costs: ['stirringConstantly'], decides: 'starchInJuice', fits: l => l.share({ traits: ['starch'] }) > 0.005 },
  confitPeel: { id: 'confitPeel', family: 'fruit', heat: { method: 'direct', targetTempC: 98, holdS: 40 * 60, burnerW: 400 }, ofPeel: true, work: { first: 'blanchThrice' }, steps: [pour], chill: { benchMin: 60, fridgeH: 3 }, sieve: 0, crustM: 0, gives: ['clearFlavour', 'forgiving'], costs: ['slow'], decides: 'peelInSyrup', fits: l => l.share({ groups: ['sugar'] }) > 0.15 && (l.share({ groups: ['zest'] }) > 0.15 || (l.share({ groups: ['zest'] }) > 0 && l.share({ groups: ['water'] }) > 0.3)) },
  peelPowder: { id: 'peelPowder', family: 'fruit', heat: { method: 'oven', targetTempC: 55, holdS: 0, startTempC: 18, oven: { ...oven(60), fan: true, timeS: { given: 4 * 3600 } } }, steps: [pour, { kind: 'bake' }], ofPeel: true, work: { last: 'grindPeel' }, chill: { benchMin: 30, fridgeH: 1 }, sieve: 0, panG: 0, crustM: 0, gives: ['clearFlavour', 'forgiving'], costs: ['slow'], decides: 'peelDry', fits: l => l.share({ groups: ['zest'] }) > 0.7 },
  steepedSpirit: { id: 'steepedSpirit', family: 'fruit', heat: { method: 'none', targetTempC: 20, holdS: 0, startTempC: 18 }, ofPeel: true, work: { mixed: 'steepPeel' }, steps: [strain, pour], chill: { benchMin: 0, fridgeH: 1 }, sieve: 0.05, crustM: 0, gives: ['clearFlavour', 'forgiving'], costs: ['slow', 'alcoholStays'], decides: 'peelInSpirit', fits: l => l.share({ groups: ['other'] }) > 0.5 },
}

/**
 * Facts of a way of making.
 * @example schoolOf('reduced').family // 'posset'
 */
export const schoolOf = (school: School): SchoolFacts => SCHOOL_FACTS[school]
/** Whether a selector takes an ingredient. */
export const takes = (t: Takes, row: Ingredient): boolean => (t.groups?.includes(row.group) ?? false) || (t.traits?.some(x => is(row, x)) ?? false)
