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
const DEFER = say('findings.yourLocalCodeAndYourOwn')
const SETTERS = group<Record<string, string>>('findings.SETTERS')
const CAUSES = group<Record<string, string>>('findings.CAUSES')

/** Words for a finding. */
export function speak(f: Finding, fmt: Format): Spoken {
  const n = (key: string) => Number(f.params[key])
  switch (f.code) {
    case 'notModelled':
      return {
        title: say('findings.theSetFromIsNotCounted', { string: SETTERS[f.params.setter as string] }),
        text: say('findings.theRealOneWillBeFirmer'),
      }
    case 'phaseInversion':
      return {
        title: say('findings.moreFatThanThisModelHolds'),
        text: say('findings.atFatByVolumeTheCream', { fatPercent: fmt.fixed(n('fatPercent')) }),
      }
    case 'waterLow':
      return {
        title: say('findings.veryLittleWater'),
        text: say('findings.sugarMayCrystalliseAndTheFigures'),
      }
    case 'noEgg':
      return { title: say('findings.noEggInIt'), text: say('findings.eggSetsThisDessertAddYolks') }
    case 'noSetter':
      return {
        title: say('findings.nothingInItSets'),
        text: say('findings.addWhatThisDessertIsSet'),
      }
    case 'tooSharp':
      return {
        title: say('findings.sharperThanThisDessertUsuallyIs'),
        text: say('findings.moreSugarOrFatRoundsIt'),
      }
    case 'tasteFlat':
      return { title: say('findings.itWillTasteFlat'), text: say('findings.addASharperJuiceOrA') }
    case 'alcohol':
      return {
        title: say('findings.alcoholStaysInIt', { percent: fmt.fixed(n('percent'), 1) }),
        text: say('findings.saySoOnTheCardNot', { later: n('percent') > n('limit') ? `${say('findings.thatIsOutsideWhatTheModel')} ` : '' }),
      }
    case 'acidShort':
      return {
        title: say('findings.tooLittleAcidToSetThe'),
        text: say('findings.pHMilkGelsFromAboutDown', { pH: fmt.fixed(n('pH'), 1), limit: fmt.fixed(n('limit'), 1) }),
      }
    case 'acidCurdles':
      return {
        title: say('findings.soMuchAcidThatItTurns'),
        text: say('findings.pHIsPastTheMilkS', { pH: fmt.fixed(n('pH'), 1), limit: fmt.fixed(n('limit'), 1) }),
      }
    case 'acidTooHot':
      return {
        title: say('findings.juiceIntoCreamThisHotCurdles'),
        text: say('findings.theCreamIsAtLetIt', { tempC: fmt.temp(n('tempC')), limitC: fmt.temp(n('limitC')) }),
      }
    case 'gelatinAcid':
      return {
        title: say('findings.acidWeakensTheGelatine'),
        text: say('findings.atPHAboutOfItsStrength', { pH: fmt.fixed(n('pH'), 1), lossPercent: fmt.fixed(n('lossPercent')) }),
      }
    case 'agarAcid':
      return {
        title: say('findings.agarBoiledWithAcid'),
        text: say('findings.acidBreaksAgarWhileItBoils'),
      }
    case 'starchUndercooked':
      return {
        title: say('findings.theStarchIsNotCooked'),
        text: say('findings.atOnlyOfItHasSwollen', { tempC: fmt.temp(n('tempC')), share: fmt.percent(n('share')) }),
      }
    case 'starchAcid':
      return {
        title: say('findings.juiceBoiledWithTheStarchThins'),
        text: say('findings.minAtPHStirTheJuice', { minutes: fmt.fixed(n('minutes'), 1), pH: fmt.fixed(n('pH'), 1) }),
      }
    case 'amylase':
      return {
        title: say('findings.liveYolkWillThinItOvernight'),
        text: say('findings.theYolkCarriesAnEnzymeThat'),
      }
    case 'gelatinStrings':
      return {
        title: say('findings.gelatineStrings'),
        text: say('findings.theBaseMeetsTheColdCream', { baseC: fmt.temp(n('baseC')), mixC: fmt.temp(n('mixC')), limitC: fmt.temp(n('limitC')), p4: fmt.temp(28) }),
      }
    case 'butterSplits':
      return {
        title: say('findings.theButterMaySplit'),
        text: say('findings.itGoesInAtBlendIt', { tempC: fmt.temp(n('tempC')), fromC: fmt.temp(n('fromC')), toC: fmt.temp(n('toC')) }),
      }
    case 'noAcid':
      return {
        title: say('findings.hardlyAnyAcid'),
        text: say('findings.acidWillTasteFlatAddA', { acidPercent: fmt.fixed(n('acidPercent'), 2) }),
      }
    case 'coarseGel':
      return {
        title: say('findings.setsCoarseAndCurdlesSooner'),
        text: say('findings.atPHEggMakesACoarse', { pH: fmt.fixed(n('pH'), 1), p2: fmt.temp(82) }),
      }
    case 'lowAcid':
      return {
        title: say('findings.tooLittleAcidForACurd'),
        text: say('findings.pHDoesNotProtectItKeep', { pH: fmt.fixed(n('pH'), 1) }),
      }
    case 'bitterZest':
      return {
        title: say('findings.aLotOfZest'),
        text: say('findings.gPerKgBitterFruitCounts', { gPerKg: fmt.fixed(n('gPerKg'), 1) }),
      }
    case 'scrubPeel':
      return {
        title: say('findings.zestScrubThePeel'),
        text: say('findings.useUnwaxedFruitScrubbedNeverZest'),
      }
    case 'overflows':
      return {
        title: say('findings.itDoesNotFit'),
        text: say('findings.aboutWouldRunOverUseAnother', { overG: fmt.grams(n('overG')) }),
      }
    case 'headroomLow':
      return {
        title: say('findings.fullToTheBrim'),
        text: say('findings.onlyBelowTheRimLeave3', { mm: fmt.mm(n('mm') / 1000, 1) }),
      }
    case 'potStalls':
      return {
        title: say('findings.thePotNeverGetsThere'),
        text: say('findings.itStallsAtMoreIsLost', { tempC: fmt.temp(n('tempC')) }),
      }
    case 'grainy':
      return {
        title: say('findings.itWillTurnGrainy'),
        text: say('findings.atTheEggOverSetsStop', { tempC: fmt.temp(n('tempC')) }),
      }
    case 'scrambled':
      return {
        title: say('findings.itWillScramble'),
        text: say('findings.atTheEggIsFarPast', { tempC: fmt.temp(n('tempC')) }),
      }
    case 'ovenStalls':
      return {
        title: say('findings.theOvenNeverGetsItThere'),
        text: say('findings.theMiddleStopsAtHotterOven', { tempC: fmt.temp(n('tempC')) }),
      }
    case 'boilOver':
      return { title: say('findings.itBoilsOver'), text: say('findings.takeAPanThatHoldsThree') }
    case 'rawEgg':
      return {
        title: say('findings.rawEgg'),
        text: say('findings.itGoesInWithoutBeingCooked', { DEFER }),
      }
    case 'rawFlour':
      return {
        title: say('findings.rawFlour'),
        text: say('findings.flourIsNotCleanUntilIt', { tempC: fmt.temp(n('tempC')), DEFER }),
      }
    case 'boilingSugar':
      return {
        title: say('findings.boilingSugar'),
        text: say('findings.atToItBurnsDeepAnd', { p1: fmt.temp(118), p2: fmt.temp(121) }),
      }
    case 'microwaveJug':
      return {
        title: say('findings.microwaveHotSpots'),
        text: say('findings.shortBurstsAndWhiskBetweenThem'),
      }
    case 'glassOven':
      return {
        title: say('findings.coldGlassIntoAHotOven'),
        text: say('findings.aGlassDishFromTheFridge'),
      }
    case 'frozen':
      return {
        title: say('findings.itFreezesHere'),
        text: say('findings.itBeginsAtFirmEnoughTo', { freezingC: fmt.temp(n('freezingC'), 1), firmS: fmt.duration(n('firmS')), percent: fmt.fixed(n('percent')), pouring: n('thawedS') < 0 ? say('findings.itDoesNotThawInThis') : say('findings.thawedAfterPouring', { thawedS: fmt.duration(n('thawedS')) }) }),
      }
    case 'thawing':
      return {
        title: say('findings.stillFrozenAtService'),
        text:
          n('thawedS') < 0
            ? say('findings.giveItTimeInTheFridge')
            : say('findings.itIsThawedAfterPouringLeave', { thawedS: fmt.duration(n('thawedS')) }),
      }
    case 'weeps':
      return {
        title: say('findings.itWillWeep'),
        text: say('findings.expectClearLiquidRoundItOf', { score: fmt.fixed(n('score')), string: CAUSES[f.params.cause as string] }),
      }
    case 'holdsHours':
      return {
        title: say('findings.eatItTheSameDay'),
        text: say('findings.onlyAirHoldsItUpIt'),
      }
    case 'animalGelatin':
      return { title: say('findings.gelatineIsAnimal'), text: say('findings.saySoOnTheCardNot2') }
    case 'springRoom':
      return {
        title: say('findings.itWillRiseOverTheRim'),
        text: say('findings.thisFillingSpringsUpInThe', { wantMm: fmt.mm(n('wantMm') / 1000), mm: fmt.mm(n('mm') / 1000, 1) }),
      }
    case 'spillsLeaning':
      return {
        title: say('findings.itSpillsLeaningLikeThat'),
        text: say('findings.isTooMuchForThisFill', { deg: fmt.fixed(n('deg')), mostDeg: fmt.fixed(n('mostDeg')) }),
      }
    case 'panTooSmall':
      return {
        title: say('findings.thePanIsTooSmall'),
        text: say('findings.itHoldsTakeALargerPan', { e6: fmt.litres(n('holdMl') / 1e6), wants: n('boils') ? say('findings.aBoilFoamsToThreeTimes') : say('findings.stirringWants'), e62: fmt.litres(n('needMl') / 1e6) }),
      }
    case 'acidTooLate':
      return {
        title: say('findings.theJuiceGoesInTooCool'),
        text: say('findings.theCreamIsAtItSets', { tempC: fmt.temp(n('tempC')), limitC: fmt.temp(n('limitC')), p3: fmt.temp(80) }),
      }
    case 'claimTooLong':
      return {
        title: say('findings.daysIsLongerThanItMay', { claimed: n('claimed') }),
        text: say('findings.theDefaultHereIsWhatSomebody', { days: n('days'), days2: n('days') === 1 ? say('findings.dayTheDayOfMaking') : say('findings.daysTheDayOfMakingBeing'), DEFER }),
      }
    case 'fridgeLoad':
      return {
        title: say('findings.moreHeatThanThisFridgeCarries'),
        text: say('findings.aboutWInItsFirstHour', { watts: fmt.fixed(n('watts')), capacityW: fmt.fixed(n('capacityW')) }),
      }
    case 'rawTopping':
      return {
        title: n('shell') ? say('findings.rawWhiteOnTop') : say('findings.theWhitesOnTopAreNot'),
        text: say('findings.notForPregnantVeryYoungOld', { proof: n('poured') ? `${say('findings.theSyrupWarmsThemToAbout', { tempC: fmt.temp(n('tempC')) })} ` : '', cooked: n('shell') ? say('findings.usePasteurisedWhiteOrWarmWhites') : say('findings.pasteurisedWhiteIsMeantHereKeep'), DEFER }),
      }
    case 'grainyNear':
      return {
        title: say('findings.closeToGrainy'),
        text: say('findings.onlyToSpareLessThanMost', { marginK: fmt.degrees(Math.max(n('marginK'), 0), 1) }),
      }
    case 'oversetsInDepth':
      return {
        title: say('findings.theMiddleGoesOnCooking'),
        text: say('findings.pouredThisDeepAndThisHot'),
      }
    case 'underset':
      return {
        title: say('findings.theEggIsNotSet'),
        text: say('findings.onlyOfItsSettingIsDone', { share: fmt.percent(n('share')) }),
      }
    case 'lethalityLow':
      return {
        title: say('findings.lightlyCookedEgg'),
        text: say('findings.thisHeatGivesOfTheMinutes', { minutes: fmt.fixed(n('minutes'), 1), needMinutes: fmt.fixed(n('needMinutes')), p3: fmt.temp(70), tempC: fmt.temp(n('tempC')), DEFER }),
      }
    case 'measure71':
      return {
        title: say('findings.measureIt'),
        text: say('findings.sugarProtectsBacteriaAlsoSeeOr', { tempC: fmt.temp(n('tempC')), DEFER }),
      }
    case 'reactivePan':
      return {
        title: say('findings.steelOrEnamelPan'),
        text: say('findings.bareAluminiumCopperOrIronTaste'),
      }
    case 'hotIntoGlass':
      return {
        title: say('findings.hotFillingColdGlass'),
        text: say('findings.atAColdGlassCanCrack', { tempC: fmt.temp(n('tempC')) }),
      }
    case 'filmTooHot':
      return {
        title: say('findings.itSweatsUnderFilm'),
        text: say('findings.coveredAtLayTheFilmRight', { tempC: fmt.temp(n('tempC')) }),
      }
    case 'uncovered':
      return {
        title: say('findings.uncoveredInTheCold'),
        text: say('findings.itSkinsAndTakesUpSmells'),
      }
    case 'coolsTooSlowly':
      return {
        title: say('findings.coolsTooSlowly'),
        text: say('findings.theLimitIsGoShallowerSplit', { toC: n('takesS') < 0 ? say('findings.itDoesNotReach', { toC: fmt.temp(n('toC')) }) : say('findings.itTakesTo', { takesS: fmt.duration(n('takesS')), toC: fmt.temp(n('toC')) }), withinS: fmt.duration(n('withinS')), DEFER }),
      }
    case 'coolsAtLimit':
      return {
        title: say('findings.coolingIsClose'),
        text: say('findings.inASlowFridgeItWould', { takesS: n('takesS') < 0 ? say('findings.tooLong') : fmt.duration(n('takesS')), toC: fmt.temp(n('toC')), withinS: fmt.duration(n('withinS')), DEFER }),
      }
    case 'fridgeWarm':
      return {
        title: say('findings.thisPlaceIsTooWarmTo'),
        text: say('findings.isAboveTheOfYourCode', { tempC: fmt.temp(n('tempC'), 1), limitC: fmt.temp(n('limitC')) }),
      }
    case 'servedBeforeSet':
      return {
        title: say('findings.servedBeforeItIsSet'),
        text: say('findings.itIsReadyAfterPouringStart', { readyS: fmt.duration(n('readyS')) }),
      }
    case 'counterTooLong':
      return {
        title: say('findings.tooLongOutOfTheCold'),
        text: say('findings.atMostHOnceThenThrow', { hours: n('hours'), DEFER }),
      }
    case 'looseCold':
      return {
        title: say('findings.tooLooseForThisUse'),
        text: say('findings.fromTheFridgeThisUseAsks', { tauPa: fmt.pascals(n('tauPa')), needPa: fmt.pascals(n('needPa')) }),
      }
    case 'sagsOnTable':
      return {
        title: say('findings.sagsOnTheTable'),
        text: say('findings.itSoftensAsItWarmsAt', { tempC: fmt.temp(n('tempC')) }),
      }
    case 'tooFirm':
      return {
        title: say('findings.firmerThanThisUseWants'),
        text: say('findings.moreSetIsNotBetterSet'),
      }
    case 'lightSkin':
      return {
        title: say('findings.limeAndBergamotInSunlight'),
        text: say('findings.theirJuiceAndOilOnBare'),
      }
    case 'medicines':
      return {
        title: say('findings.grapefruitAndBitterOrange'),
        text: say('findings.theyChangeHowSomeMedicinesWork'),
      }
    case 'allergens':
      return {
        title: say('findings.allergens'),
        text:
          String(f.params.list)
            .split(',')
            .filter(Boolean)
            .map(a => ALLERGEN_NAMES[a as Allergen] ?? a)
            .join(', ') || say('findings.noneOfTheCommonOnesFound'),
      }
    case 'noStart':
      return { title: say('findings.noStartTime'), text: say('findings.giveOneUnderServeAndThe') }
    case 'lotDate':
      return { title: say('findings.theLotEndsFirst'), text: say('findings.useByIsThatOf', { lot: f.params.lot }) }
  }
}
