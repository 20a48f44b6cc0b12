/** Findings as a cook reads them: what is the matter, and what to do. */
import type { Finding } from '#core/pipeline/assessment'
import type { Allergen } from '#core/base/ingredients/types'
import { ALLERGEN_NAMES } from './names'
import { group, say } from './say'

export interface Spoken {
  title: string
  text: string
}

type Format = ReturnType<typeof useFormat>
const defer = () => say('findings.yourLocalCodeAndYourOwn')
/** Said first where the guests are at risk. */
const guests = (n: (figure: string) => number) => (n('guests') ? `${say('findings.yourGuestsAreAtRisk')} ` : '')
const SETTERS = group<Record<string, string>>('findings.SETTERS')
const CAUSES = group<Record<string, string>>('findings.CAUSES')

/** A finding with the kitchen's units; `n` reads one of its figures. */
interface Said {
  f: Finding
  fmt: Format
  n: (key: string) => number
}

/** What is said of each finding. */
const SPOKEN: Record<Finding['code'], (said: Said) => Spoken> = {
  notModelled: ({ f }) => ({
    title: say('findings.theSetFromIsNotCounted', { string: SETTERS[f.params.setter as string] }),
    text: say('findings.theRealOneWillBeFirmer'),
  }),
  phaseInversion: ({ fmt, n }) => ({
    title: say('findings.moreFatThanThisModelHolds'),
    text: say('findings.atFatByVolumeTheCream', { fatPercent: fmt.fixed(n('fatPercent')) }),
  }),
  waterLow: () => ({
    title: say('findings.veryLittleWater'),
    text: say('findings.sugarMayCrystalliseAndTheFigures'),
  }),
  noEgg: () => ({ title: say('findings.noEggInIt'), text: say('findings.eggSetsThisDessertAddYolks') }),
  noSetter: () => ({
    title: say('findings.nothingInItSets'),
    text: say('findings.addWhatThisDessertIsSet'),
  }),
  tooSharp: () => ({
    title: say('findings.sharperThanThisDessertUsuallyIs'),
    text: say('findings.moreSugarOrFatRoundsIt'),
  }),
  tasteFlat: () => ({ title: say('findings.itWillTasteFlat'), text: say('findings.addASharperJuiceOrA') }),
  alcohol: ({ fmt, n }) => ({
    title: say('findings.alcoholStaysInIt', { percent: fmt.fixed(n('percent'), 1) }),
    text: say('findings.saySoOnTheCardNot', { later: n('percent') > n('limit') ? `${say('findings.thatIsOutsideWhatTheModel')} ` : '' }),
  }),
  acidShort: ({ fmt, n }) => ({
    title: say('findings.tooLittleAcidToSetThe'),
    text: say('findings.pHMilkGelsFromAboutDown', { pH: fmt.fixed(n('pH'), 1), limit: fmt.fixed(n('limit'), 1) }),
  }),
  acidCurdles: ({ fmt, n }) => ({
    title: say('findings.soMuchAcidThatItTurns'),
    text: say('findings.pHIsPastTheMilkS', { tempC: fmt.temp(n('tempC')), share: fmt.percent(n('share')) }),
  }),
  acidTooHot: ({ fmt, n }) => ({
    title: say('findings.juiceIntoCreamThisHotCurdles'),
    text: say('findings.theCreamIsAtLetIt', { tempC: fmt.temp(n('tempC')), limitC: fmt.temp(n('limitC')) }),
  }),
  gelatinAcid: ({ fmt, n }) => ({
    title: say('findings.acidWeakensTheGelatine'),
    text: say('findings.atPHAboutOfItsStrength', { pH: fmt.fixed(n('pH'), 1), lossPercent: fmt.fixed(n('lossPercent')) }),
  }),
  hardlyWhips: ({ fmt, n }) => ({
    title: say('findings.hardlyWhips'), text: say('findings.hardlyWhipsHow', { overrun: fmt.percent(n('overrun')) }),
  }),
  acidThickens: ({ fmt, n }) => ({
    title: say('findings.acidThickens'), text: say('findings.acidThickensHow', { pH: fmt.fixed(n('pH'), 1) }),
  }),
  wontRelease: () => ({ title: say('findings.wontRelease'), text: say('findings.wontReleaseHow') }),
  rollCracks: ({ fmt, n }) => ({
    title: n('surely') === 1 ? say('findings.rollCracks') : say('findings.rollMayCrack'),
    text: say('findings.rollCracksHow', { strain: fmt.fixed(100 * n('strain')), bears: fmt.fixed(100 * n('bears')) }),
  }),
  edgeSets: ({ fmt, n }) => ({
    title: say('findings.edgeSets', { min: fmt.fixed(n('everyMin')) }),
    text: say('findings.edgeSetsHow', { share: fmt.percent(n('share')), overset: fmt.percent(n('overset')) }),
  }),
  creamOils: ({ fmt, n }) => ({
    title: say('findings.creamOils'), text: say('findings.creamOilsHow', { share: fmt.percent(n('share')) }),
  }),
  ringLeaks: () => ({ title: say('findings.ringLeaks'), text: say('findings.ringLeaksHow') }),
  rawProtease: ({ fmt, n }) => ({
    title: say('findings.rawProtease'),
    text: say('findings.rawProteaseHow', { limitC: fmt.temp(n('limitC')) }),
  }),
  rawFruit: ({ n }) => ({
    title: say('findings.rawFruit'),
    text: guests(n) + say('findings.rawFruitHow', { DEFER: defer() }),
  }),
  sugarGritty: ({ fmt, n }) => ({
    title: say('findings.sugarGritty'),
    text: say('findings.sugarGrittyHow', {
      share: fmt.percent(n('share')), grainMm: fmt.fixed(n('grainMm'), 2),
      holds: n('never') ? say('findings.waterNeverHolds') : say('findings.waterHoldsFrom', { tempC: fmt.temp(n('holdsFromC')) }),
    }),
  }),
  meringueGritty: ({ fmt, n }) => ({
    title: say('findings.meringueGritty'),
    text: say('findings.meringueGrittyHow', {
      share: fmt.percent(n('share')), holdsG: fmt.grams(n('holdsG')),
      why: n('never') > 0.001
        ? say('findings.whitesNeverHold', { tempC: fmt.temp(n('holdsFromC')) }) : say('findings.whitesHoldSlowly'),
    }),
  }),
  agarAcid: () => ({
    title: say('findings.agarBoiledWithAcid'),
    text: say('findings.acidBreaksAgarWhileItBoils'),
  }),
  starchUndercooked: ({ fmt, n }) => ({
    title: say('findings.theStarchIsNotCooked'),
    text: say('findings.atOnlyOfItHasSwollen', { tempC: fmt.temp(n('tempC')), share: fmt.percent(n('share')) }),
  }),
  starchAcid: ({ fmt, n }) => ({
    title: say('findings.juiceBoiledWithTheStarchThins'),
    text: say('findings.minAtPHStirTheJuice', { minutes: fmt.fixed(n('minutes'), 1), pH: fmt.fixed(n('pH'), 1) }),
  }),
  amylase: () => ({
    title: say('findings.liveYolkWillThinItOvernight'),
    text: say('findings.theYolkCarriesAnEnzymeThat'),
  }),
  gelatinStrings: ({ fmt, n }) => ({
    title: say('findings.gelatineStrings'),
    text: say('findings.theBaseMeetsTheColdCream', { baseC: fmt.temp(n('baseC')), mixC: fmt.temp(n('mixC')), limitC: fmt.temp(n('limitC')), p4: fmt.temp(28) }),
  }),
  butterSplits: ({ fmt, n }) => ({
    title: say('findings.theButterMaySplit'),
    text: say('findings.itGoesInAtBlendIt', { tempC: fmt.temp(n('tempC')), fromC: fmt.temp(n('fromC')), toC: fmt.temp(n('toC')) }),
  }),
  noAcid: ({ fmt, n }) => ({
    title: say('findings.hardlyAnyAcid'),
    text: say('findings.acidWillTasteFlatAddA', { acidPercent: fmt.fixed(n('acidPercent'), 2) }),
  }),
  coarseGel: ({ fmt, n }) => ({
    title: say('findings.setsCoarseAndCurdlesSooner'),
    text: say('findings.atPHEggMakesACoarse', { pH: fmt.fixed(n('pH'), 1), p2: fmt.temp(82) }),
  }),
  lowAcid: ({ fmt, n }) => ({
    title: say('findings.tooLittleAcidForACurd'),
    text: say('findings.pHDoesNotProtectItKeep', { pH: fmt.fixed(n('pH'), 1) }),
  }),
  bitterZest: ({ fmt, n }) => ({
    title: say('findings.aLotOfZest'),
    text: n('countsGPerKg') < 0.5 * n('gPerKg')
      ? say('findings.gPerKgSieved', { gPerKg: fmt.fixed(n('gPerKg'), 1) })
      : say('findings.gPerKgBitterFruitCounts', { gPerKg: fmt.fixed(n('gPerKg'), 1) }),
  }),
  scrubPeel: () => ({
    title: say('findings.zestScrubThePeel'),
    text: say('findings.useUnwaxedFruitScrubbedNeverZest'),
  }),
  overflows: ({ fmt, n }) => ({
    title: say('findings.itDoesNotFit'),
    text: say('findings.aboutWouldRunOverUseAnother', { overG: fmt.grams(n('overG')) }),
  }),
  headroomLow: ({ fmt, n }) => ({
    title: say('findings.fullToTheBrim'),
    text: say('findings.onlyBelowTheRimLeave3', { mm: fmt.mm(n('mm') / 1000, 1) }),
  }),
  potStalls: ({ fmt, n }) => ({
    title: say('findings.thePotNeverGetsThere'),
    text: say('findings.itStallsAtMoreIsLost', { tempC: fmt.temp(n('tempC')) }),
  }),
  grainy: ({ fmt, n }) => ({
    title: say('findings.itWillTurnGrainy'),
    text: say('findings.atTheEggOverSetsStop', { tempC: fmt.temp(n('tempC')) }),
  }),
  scrambled: ({ fmt, n }) => ({
    title: say('findings.itWillScramble'),
    text: say('findings.atTheEggIsFarPast', { tempC: fmt.temp(n('tempC')) }),
  }),
  ovenStalls: ({ fmt, n }) => ({
    title: say('findings.theOvenNeverGetsItThere'),
    text: say('findings.theMiddleStopsAtHotterOven', { tempC: fmt.temp(n('tempC')) }),
  }),
  boilOver: () => ({ title: say('findings.itBoilsOver'), text: say('findings.takeAPanThatHoldsThree') }),
  rawEgg: ({ n }) => ({
    title: n('shell') ? say('findings.rawEgg') : say('findings.eggThatIsNotCooked'),
    text: guests(n) + (n('shell')
      ? say('findings.itGoesInWithoutBeingCooked', { DEFER: defer() })
      : say('findings.pasteurisedEggGoesInRaw', { DEFER: defer() })),
  }),
  rawFlour: ({ fmt, n }) => ({
    title: say('findings.rawFlour'),
    text: say('findings.flourIsNotCleanUntilIt', { tempC: fmt.temp(n('tempC')), DEFER: defer() }),
  }),
  boilingSugar: ({ fmt }) => ({
    title: say('findings.boilingSugar'),
    text: say('findings.atToItBurnsDeepAnd', { p1: fmt.temp(118), p2: fmt.temp(121) }),
  }),
  microwaveJug: () => ({
    title: say('findings.microwaveHotSpots'),
    text: say('findings.shortBurstsAndWhiskBetweenThem'),
  }),
  coldMiddle: ({ fmt, n }) => ({
    title: say('findings.theMiddleStaysBehind'),
    text: say('findings.atTheEndOfABurst', { behindK: fmt.degrees(n('behindK')), burstS: fmt.fixed(n('burstS')) }),
  }),
  sealedFood: () => ({
    title: say('findings.sealedWithoutAir'),
    text: say('findings.aPouchKeepsAirOut', { DEFER: defer() }),
  }),
  steamDrips: () => ({ title: say('findings.steamDrips'), text: say('findings.coverItOrTheTop') }),
  ovenLoads: ({ fmt, n }) => ({
    title: say('findings.itGoesInInLoads', { loads: fmt.fixed(n('loads')) }),
    text: say('findings.theShelvesHoldAbout', { atOnce: fmt.fixed(n('atOnce')) }),
  }),
  glassOven: () => ({
    title: say('findings.coldGlassIntoAHotOven'),
    text: say('findings.aGlassDishFromTheFridge'),
  }),
  frozen: ({ fmt, n }) => ({
    title: say('findings.itFreezesHere'),
    text: say('findings.itBeginsAtFirmEnoughTo', { freezingC: fmt.temp(n('freezingC'), 1), firmS: fmt.duration(n('firmS')), percent: fmt.fixed(n('percent')), pouring: n('thawedS') < 0 ? say('findings.itDoesNotThawInThis') : say('findings.thawedAfterPouring', { thawedS: fmt.duration(n('thawedS')) }) }),
  }),
  thawing: ({ n, fmt }) => ({
    title: say('findings.stillFrozenAtService'),
    text:
        n('thawedS') < 0
          ? say('findings.giveItTimeInTheFridge')
          : say('findings.itIsThawedAfterPouringLeave', { thawedS: fmt.duration(n('thawedS')) }),
  }),
  weeps: ({ fmt, n, f }) => ({
    title: say('findings.itWillWeep'),
    text: say('findings.expectClearLiquidRoundItOf', { score: fmt.fixed(n('score')), string: CAUSES[f.params.cause as string] }),
  }),
  holdsHours: () => ({
    title: say('findings.eatItTheSameDay'),
    text: say('findings.onlyAirHoldsItUpIt'),
  }),
  animalGelatin: () => ({ title: say('findings.gelatineIsAnimal'), text: say('findings.saySoOnTheCardNot2') }),
  springRoom: ({ fmt, n }) => ({
    title: say('findings.itWillRiseOverTheRim'),
    text: say('findings.thisFillingSpringsUpInThe', { wantMm: fmt.mm(n('wantMm') / 1000), mm: fmt.mm(n('mm') / 1000, 1) }),
  }),
  spillsLeaning: ({ fmt, n }) => ({
    title: say('findings.itSpillsLeaningLikeThat'),
    text: say('findings.isTooMuchForThisFill', { deg: fmt.fixed(n('deg')), mostDeg: fmt.fixed(n('mostDeg')) }),
  }),
  panTooSmall: ({ fmt, n }) => ({
    title: say('findings.thePanIsTooSmall'),
    text: say('findings.itHoldsTakeALargerPan', { e6: fmt.litres(n('holdMl') / 1e6), wants: n('boils') ? say('findings.aBoilFoamsToThreeTimes') : say('findings.stirringWants'), e62: fmt.litres(n('needMl') / 1e6) }),
  }),
  acidTooLate: ({ fmt, n }) => ({
    title: say('findings.theJuiceGoesInTooCool'),
    text: say('findings.theCreamIsAtItSets', { tempC: fmt.temp(n('tempC')), limitC: fmt.temp(n('limitC')), p3: fmt.temp(80) }),
  }),
  claimTooLong: ({ n }) => ({
    title: say('findings.daysIsLongerThanItMay', { claimed: n('claimed') }),
    text: say('findings.theDefaultHereIsWhatSomebody', { days: n('days'), days2: n('days') === 1 ? say('findings.dayTheDayOfMaking') : say('findings.daysTheDayOfMakingBeing'), DEFER: defer() }),
  }),
  fridgeLoad: ({ fmt, n }) => ({
    title: say('findings.moreHeatThanThisFridgeCarries'),
    text: say('findings.aboutWInItsFirstHour', {
      watts: fmt.fixed(n('watts')), capacityW: fmt.fixed(n('capacityW')), tempC: fmt.temp(n('tempC')),
    }),
  }),
  rawTopping: ({ n, fmt }) => ({
    title: n('shell') ? say('findings.rawWhiteOnTop') : say('findings.theWhitesOnTopAreNot'),
    text: guests(n) + say('findings.notForPregnantVeryYoungOld', { proof: n('poured') ? `${say('findings.theSyrupWarmsThemToAbout', { tempC: fmt.temp(n('tempC')) })} ` : '', cooked: n('shell') ? say('findings.usePasteurisedWhiteOrWarmWhites') : say('findings.pasteurisedWhiteIsMeantHereKeep'), DEFER: defer() }),
  }),
  grainyNear: ({ fmt, n }) => ({
    title: say('findings.closeToGrainy'),
    text: say('findings.onlyToSpareLessThanMost', { marginK: fmt.degrees(Math.max(n('marginK'), 0), 1) }),
  }),
  oversetsInDepth: () => ({
    title: say('findings.theMiddleGoesOnCooking'),
    text: say('findings.pouredThisDeepAndThisHot'),
  }),
  underset: ({ fmt, n }) => ({
    title: say('findings.theEggIsNotSet'),
    text: say('findings.onlyOfItsSettingIsDone', { share: fmt.percent(n('share')) }),
  }),
  lethalityLow: ({ fmt, n }) => ({
    title: say('findings.lightlyCookedEgg'),
    text: guests(n) + say('findings.thisHeatGivesOfTheMinutes', { minutes: fmt.fixed(n('minutes'), 1), needMinutes: fmt.fixed(n('needMinutes')), p3: fmt.temp(70), tempC: fmt.temp(n('tempC')), DEFER: defer() }),
  }),
  measure71: ({ fmt, n }) => ({
    title: say('findings.measureIt'),
    text: say('findings.sugarProtectsBacteriaAlsoSeeOr', { tempC: fmt.temp(n('tempC')), DEFER: defer() }),
  }),
  reactivePan: () => ({
    title: say('findings.steelOrEnamelPan'),
    text: say('findings.bareAluminiumCopperOrIronTaste'),
  }),
  hotIntoGlass: ({ fmt, n }) => ({
    title: say('findings.hotFillingColdGlass'),
    text: say('findings.atAColdGlassCanCrack', { tempC: fmt.temp(n('tempC')) }),
  }),
  filmTooHot: ({ fmt, n }) => ({
    title: say('findings.itSweatsUnderFilm'),
    text: say('findings.coveredAtLayTheFilmRight', { tempC: fmt.temp(n('tempC')) }),
  }),
  uncovered: () => ({
    title: say('findings.uncoveredInTheCold'),
    text: say('findings.itSkinsAndTakesUpSmells'),
  }),
  coolsTooSlowly: ({ n, fmt }) => ({
    title: say('findings.coolsTooSlowly'),
    text: say('findings.theLimitIsGoShallowerSplit', { toC: n('takesS') < 0 ? say('findings.itDoesNotReach', { toC: fmt.temp(n('toC')) }) : say('findings.itTakesTo', { takesS: fmt.duration(n('takesS')), toC: fmt.temp(n('toC')) }), withinS: fmt.duration(n('withinS')), DEFER: defer() }),
  }),
  coolsAtLimit: ({ n, fmt }) => ({
    title: say('findings.coolingIsClose'),
    text: say('findings.inASlowFridgeItWould', { takesS: n('takesS') < 0 ? say('findings.tooLong') : fmt.duration(n('takesS')), toC: fmt.temp(n('toC')), withinS: fmt.duration(n('withinS')), DEFER: defer() }),
  }),
  fridgeWarm: ({ fmt, n }) => ({
    title: say('findings.thisPlaceIsTooWarmTo'),
    text: say('findings.isAboveTheOfYourCode', { tempC: fmt.temp(n('tempC'), 1), limitC: fmt.temp(n('limitC')) }),
  }),
  servedBeforeSet: ({ fmt, n }) => ({
    title: say('findings.servedBeforeItIsSet'),
    text: say('findings.itIsReadyAfterPouringStart', { readyS: fmt.duration(n('readyS')) }),
  }),
  counterTooLong: ({ n }) => ({
    title: say('findings.tooLongOutOfTheCold'),
    text: say('findings.atMostHOnceThenThrow', { hours: n('hours'), DEFER: defer() }),
  }),
  looseCold: ({ fmt, n }) => ({
    title: say('findings.tooLooseForThisUse'),
    text: say('findings.fromTheFridgeThisUseAsks', { share: fmt.percent(n('tauPa') / n('needPa')) }),
  }),
  sagsOnTable: ({ fmt, n }) => ({
    title: say('findings.sagsOnTheTable'),
    text: say('findings.itSoftensAsItWarmsAt', { tempC: fmt.temp(n('tempC')) }),
  }),
  tooFirm: () => ({
    title: say('findings.firmerThanThisUseWants'),
    text: say('findings.moreSetIsNotBetterSet'),
  }),
  lightSkin: () => ({
    title: say('findings.limeAndBergamotInSunlight'),
    text: say('findings.theirJuiceAndOilOnBare'),
  }),
  medicines: () => ({
    title: say('findings.grapefruitAndBitterOrange'),
    text: say('findings.theyChangeHowSomeMedicinesWork'),
  }),
  allergens: ({ f }) => ({
    title: say('findings.allergens'),
    text:
        String(f.params.list)
          .split(',')
          .filter(Boolean)
          .map(a => ALLERGEN_NAMES[a as Allergen] ?? a)
          .join(', ') || say('findings.noneOfTheCommonOnesFound'),
  }),
  noStart: () => ({ title: say('findings.noStartTime'), text: say('findings.giveOneUnderServeAndThe') }),
  lotDate: ({ f }) => ({ title: say('findings.theLotEndsFirst'), text: say('findings.useByIsThatOf', { lot: f.params.lot }) }),
}

/** Words for a finding. */
export function speak(f: Finding, fmt: Format): Spoken {
  const n = (key: string) => Number(f.params[key])
  return SPOKEN[f.code]({ f, fmt, n })
}
