/**
 * Why a number is what it is: the equation in words, the inputs used, the source, and how sure. The equations
 * themselves stand in docs/science.md.
 */
import { type Assessment, pouredG } from '#core/pipeline/assessment'
import type { Bench } from '#core/formula/bench'
import { STANDARD } from '#core/base/parameters'
import { SHELVES_M2 } from '#core/physics/heat/oven'
import { MECHANISMS } from '#core/physics/set/firmness'
import { isByRawFruit } from '#core/plan/storage'
import { bestTest } from '#core/physics/set/kitchenTests'
import { heatMeant } from './cook'
import { MECHANISM_NAMES } from './names'
import { say } from './say'

type Format = ReturnType<typeof useFormat>
export interface Why {
  title: string
  how: string
  inputs: [name: string, value: string][]
  source: string
  spread: string
}
export const WHY_TOPICS = [
  'juice',
  'juiceAcid',
  'pH',
  'acid',
  'brix',
  'ratio',
  'taste',
  'aroma',
  'colour',
  'grains',
  'aw',
  'composition',
  'depth',
  'headroom',
  'portion',
  'heatTime',
  'ovenLoad',
  'middleBehind',
  'peak',
  'coats',
  'done',
  'margin',
  'eggSet',
  'lethality',
  'steam',
  'pours',
  'carry',
  'reduction',
  'starch',
  'milkHeat',
  'air',
  'cooling',
  'set',
  'coldThrough',
  'freezing',
  'when',
  'moisture',
  'fridgeLoad',
  'cold',
  'plate',
  'needs',
  'ringSink',
  'mechanisms',
  'shares',
  'ready',
  'holds',
  'plateTemp',
  'useBy',
  'weeping',
] as const
export type WhyTopic = (typeof WHY_TOPICS)[number]

const fitted = () => say('why.fittedByThisProjectToWhat')
const memory = () => say('why.valuesFromMemoryOfTheNamed')

/** What a note may speak of. */
interface Shown {
  topic: WhyTopic
  doc: Bench
  a: Assessment
  fmt: Format
  b: Assessment['balance']
  h: Assessment['heat']
  c: Assessment['chill']
  s: Assessment['serve']
  set: Assessment['set']
  shape: Assessment['shape']
  stock: Assessment['stock']
  v: Assessment['verdict']
  g: Format['grams']
  pa: Format['pascals']
  acidSigma: number
}

/** The note of each number. */
const NOTES: Record<WhyTopic, (w: Shown) => Why> = {
  juice: ({ g, stock }) => ({
    title: say('why.juiceOnTheBench'),
    how: say('why.theGramsOfEveryJuiceLine'),
    inputs: [[say('words.juice'), g(stock.juiceG)]],
    source: say('why.theFormulaSOwnLines'),
    spread: say('why.asGoodAsTheScale'),
  }),
  juiceAcid: ({ g, stock, fmt, acidSigma }) => ({
    title: say('why.strengthOfTheJuice'),
    how: say('why.acidOfEachJuiceLineWeighted'),
    inputs: [
      [say('words.juice'), g(stock.juiceG)],
      [say('words.acid'), `${fmt.fixed(stock.juiceAcid.value, 2)} %`],
    ],
    source:
        stock.juiceProvenance === 'measured'
          ? say('why.yourOwnMeasurement')
          : say('why.compositionTableUSDAFoodDataCentralAnd'),
    spread: say('why.oneIsAboutOfItFrom', { acidSigma: fmt.percent(acidSigma) }),
  }),
  pH: ({ fmt, b }) => ({
    title: say('why.pH', { pH: fmt.fixed(b.pH.value, 2) }),
    how: say('why.thePHAtWhichAllCharges'),
    inputs: [
      [say('why.acidAsCitric'), `${fmt.fixed(b.acidPercent.value, 2)} %`],
      [say('words.water'), `${fmt.fixed(b.composition.water, 0)} %`],
      [say('why.eggProtein'), `${fmt.fixed(b.composition.eggProtein, 1)} %`],
    ],
    source: say('why.chargeBalanceWithCRCHandbookPK', { MEMORY: memory() }),
    spread: say('why.theModelSOwn05And', { sigma: fmt.fixed(b.pH.sigma ?? 0, 2) }),
  }),
  acid: ({ fmt, stock, g, acidSigma }) => ({
    title: say('why.titratableAcidity'),
    how: say('why.acidOfTheJuicesAndOf'),
    inputs: [
      [say('why.acidOfTheJuice'), `${fmt.fixed(stock.juiceAcid.value, 2)} %`],
      [say('words.whole'), g(stock.massG)],
    ],
    source: say('why.compositionTableOrYourOwnLots'),
    spread: say('why.oneAboutOfIt', { acidSigma: fmt.percent(acidSigma) }),
  }),
  brix: ({ fmt, b }) => ({
    title: '°Brix',
    how: say('why.dissolvedSolidsOfTheWaterPhase'),
    inputs: [
      [say('words.sugar'), say('why.ofTheWhole', { sugarPercent: fmt.fixed(b.sugarPercent.value, 1) })],
      [say('words.water'), `${fmt.fixed(b.composition.water, 1)} %`],
    ],
    source: say('why.compositionTableAcidCorrectionAfterStevens', { MEMORY: memory() }),
    spread: '± 0.5 °Bx.',
  }),
  ratio: ({ fmt, b, acidSigma }) => ({
    title: say('why.sugarToAcid'),
    how: say('why.gramsOfSugarsForEachGram'),
    inputs: [
      [say('words.sugar'), `${fmt.fixed(b.sugarPercent.value, 1)} %`],
      [say('words.acid'), `${fmt.fixed(b.acidPercent.value, 2)} %`],
    ],
    source: say('why.compositionTableOrYourOwnLots2'),
    spread: say('why.oneAboutTheJuice', { acidSigma: fmt.percent(acidSigma) }),
  }),
  taste: ({ fmt, b }) => ({
    title: say('why.sweetAndSourOf10'),
    how: say('why.sournessGrowsWithAcidAndFalls'),
    inputs: [
      [say('words.acid'), `${fmt.fixed(b.acidPercent.value, 2)} %`],
      [say('words.ph'), fmt.fixed(b.pH.value, 2)],
      [say('words.sugar'), `${fmt.fixed(b.sugarPercent.value, 1)} %`],
      [say('words.fat'), `${fmt.fixed(b.fatPercent.value, 1)} %`],
    ],
    source: say('why.judgementTheFormIsDefensibleThe'),
    spread: say('why.lowConfidenceTrustYourTongueThen'),
  }),
  colour: ({ fmt, b }) => ({
    title: say('why.colour'),
    how: say('why.colourHow'),
    inputs: [
      [say('why.colourYolk'), fmt.percent(b.colour.yellow)],
      [b.colour.dose.kind === 'fat' ? say('why.colourFat') : say('why.colourWater'), fmt.grams(b.colour.dose.massG)],
    ],
    source: say('why.colourSource'),
    spread: say('why.lowConfidenceTrustYourTongueThen'),
  }),
  aroma: ({ fmt, b }) => ({
    title: say('why.aroma'),
    how: say('why.aromaHow'),
    inputs: [
      [say('why.aromaDrawn'), fmt.percent(b.aroma.drawn)],
      [say('why.aromaKept'), fmt.percent(b.aroma.kept)],
      [say('words.fat'), `${fmt.fixed(b.fatPercent.value, 1)} %`],
    ],
    source: say('why.judgementTheFormIsDefensibleThe'),
    spread: say('why.aromaSpread'),
  }),
  grains: ({ fmt, b, g }) => ({
    title: say('why.grains'),
    how: say('why.grainsHow'),
    inputs: [
      [say('why.sugarInGrains'), g(b.dissolving?.sugarG ?? 0)],
      [say('why.grainSize'), fmt.mm(b.dissolving?.grainM ?? 0, 2)],
      [say('why.waterHoldsFrom'), b.dissolving?.holdsFromC == null ? '—' : fmt.temp(b.dissolving.holdsFromC)],
    ],
    source: say('why.grainsSource'),
    spread: say('why.grainsSpread'),
  }),
  aw: ({ fmt, b }) => ({
    title: say('why.waterActivity'),
    how: say('why.howFreeTheWaterIsIts'),
    inputs: [
      [say('words.sugar'), `${fmt.fixed(b.sugarPercent.value, 1)} %`],
      [say('words.water'), `${fmt.fixed(b.composition.water, 1)} %`],
    ],
    source: say('why.norrish1966', { MEMORY: memory() }),
    spread: '± 0.01.',
  }),
  composition: ({ g, stock }) => ({
    title: say('why.whatItIsMadeOf'),
    how: say('why.gramsOfEveryLineTimesIts'),
    inputs: [[say('words.whole'), g(stock.massG)]],
    source: say('why.compositionTableOneSourceARow'),
    spread: say('why.fatOfACream1Point'),
  }),
  depth: ({ g, shape, fmt }) => ({
    title: say('why.depthOfFill'),
    how: say('why.volumeMassOverDensityLessWhat'),
    inputs: [
      [say('words.filling'), g(shape.batchG)],
      [say('words.density'), `${fmt.fixed(shape.density)} kg/m³`],
      [say('why.howMany'), fmt.fixed(shape.count)],
    ],
    source: say('why.geometryDensityFromFatAt920'),
    spread: '± 3 %.',
  }),
  headroom: ({ fmt, shape }) => ({
    title: say('why.headroom'),
    how: say('why.heightOfTheVesselLessThe'),
    inputs: [[say('words.depth'), fmt.mm(shape.depthM, 1)]],
    source: 'geometry',
    spread: say('why.n3OfTheDepth'),
  }),
  portion: ({ g, a, shape, fmt, doc }) => ({
    title: 'A portion',
    how: say('why.whatIsPouredSharedEvenly'),
    inputs: [
      [say('words.poured'), g(pouredG(doc, a))],
      ...(doc.heat.method === 'oven' ? [[say('words.outOfTheOven'), g(shape.batchG)] satisfies [string, string]] : []),
      [say('words.portions'), fmt.fixed(doc.assembly.portions)],
    ],
    source: say('why.theFormulaLessItsLosses'),
    spread: say('why.asEvenAsTheHandThat'),
  }),
  peak: ({ doc, fmt, shape, g, stock }) => doc.heat.method === 'oven'
    ? {
        title: say('why.inTheOven'),
        how: say('why.heatCreepsInFromAirRadiation'),
        inputs: [
          [say('words.oven'), fmt.temp(doc.heat.oven.airTempC)],
          [say('words.depth'), fmt.mm(shape.depthM, 1)],
          [say('words.target'), heatMeant(doc.heat, fmt)],
        ],
        source: say('why.oneDimensionalConductionCoefficientsMSkin', { MEMORY: memory() }),
        spread: say('why.oneOfTheTimeIs20'),
      }
    : {
        title: say('why.inThePan'),
        how: say('why.heatInBathBurnerOrMicrowave'),
        inputs: [
          [say('words.mass'), g(stock.massG)],
          [say('why.startsAt'), fmt.temp(doc.heat.startTempC)],
          [say('words.target'), fmt.temp(doc.heat.targetTempC)],
        ],
        source: say('why.energyBalanceWithLewisEvaporationBath', { MEMORY: memory() }),
        spread: say('why.about30PansAndRingsDiffer'),
      },
  heatTime: w => NOTES.peak(w),
  done: ({ topic, h, fmt, b }) => ({
    title: topic === 'coats' ? say('why.coatsTheSpoon') : say('why.done'),
    how: say('why.eggSetsFasterTheHotterIt', { zK: fmt.fixed(STANDARD.egg.settingZK, 1), t60C: h.t60C === null ? '—' : fmt.temp(h.t60C, 1), coats: topic === 'coats' ? say('why.itCoatsAt30') : say('why.itIsDoneAt85') }),
    inputs: [
      [say('why.setsInAMinuteAt'), h.t60C === null ? say('why.noEgg') : fmt.temp(h.t60C, 1)],
      [say('why.pHInThePan'), fmt.fixed(b.pH.value, 2)],
    ],
    source: say('why.fittedShiftsRememberedFromDonovan1977'),
    spread: `± ${fmt.degrees(1.8, 1)}.`,
  }),
  coats: w => NOTES.done(w),
  margin: ({ fmt, h }) => ({
    title: say('why.toSpareBeforeGrainy'),
    how: say('why.howMuchHotterTheSameCourse'),
    inputs: [
      [say('words.peak'), fmt.temp(h.peakTempC, 1)],
      [say('why.grainyFrom'), h.grainyAtC === null ? say('why.noEgg') : fmt.temp(h.grainyAtC, 1)],
    ],
    source: fitted(),
    spread: say('why.andTheThermometerSOwn', { p1: fmt.degrees(1.2, 1), p2: fmt.degrees(1.5, 1) }),
  }),
  eggSet: ({ fmt, h }) => ({
    title: say('why.eggSetOverSet'),
    how: say('why.theSettingAndOverSettingThat'),
    inputs: [
      [say('words.peak'), fmt.temp(h.peakTempC, 1)],
      [say('why.coldestPart'), fmt.percent(h.coreA)],
    ],
    source: fitted(),
    spread: say('why.whereItSets', { p1: fmt.degrees(1.8, 1) }),
  }),
  lethality: ({ fmt, h }) => ({
    title: say('why.lethality'),
    how: say('why.minutesAtThatTheColdestPart', { p1: fmt.temp(70), p2: fmt.degrees(1.5, 1) }),
    inputs: [
      [say('words.peak'), fmt.temp(h.peakTempC, 1)],
      [say('words.asked'), say('why.n2MinAt', { p1: fmt.temp(70) })],
    ],
    source: say('why.uKGuidanceOnSafeCooking', { MEMORY: memory() }),
    spread: say('why.neverCalledSafeOnItsOwn'),
  }),
  steam: ({ fmt, h }) => ({
    title: say('why.whatLeavesAsSteam'),
    how: say('why.belowTheBoilAsTheSurface'),
    inputs: [
      [say('words.peak'), fmt.temp(h.peakTempC, 1)],
      [say('words.time'), fmt.duration(h.endS)],
    ],
    source: say('why.lewisAnalogySteamTables', { MEMORY: memory() }),
    spread: say('why.about30WeighThePanAnd'),
  }),
  reduction: ({ h, g, fmt }) => ({
    title: say('why.whereToStop'),
    how: say('why.boiledUntilTheVolumeIsThat'),
    inputs: h.reduction
      ? [
          [say('why.toBoilOff'), g(h.reduction.lossG)],
          [say('why.volumeThen'), `${fmt.fixed(h.reduction.volumeMl)} ml`],
          [say('why.asAHotJugReadsIt'), `${fmt.fixed(h.reduction.hotVolumeMl)} ml`],
        ]
      : [[say('why.boiledOff'), g(h.evaporatedG)]],
    source: say('why.tradeRuleSugarSVolumeIn', { MEMORY: memory() }),
    spread: say('why.aHotJugReadsAbout4'),
  }),
  pours: ({ fmt, h }) => ({
    title: say('why.poursAt'),
    how: say('why.carryOverOfThePanThe'),
    inputs: [[say('why.offTheHeatAt'), fmt.temp(h.tempC.at(-1)!, 0)]],
    source: say('why.energyBalanceHeatCapacitiesAfterChoi'),
    spread: `± ${fmt.degrees(3)}.`,
  }),
  starch: ({ fmt, set }) => ({
    title: say('why.starchSwollen'),
    how: say('why.theShareOfStarchThatHas'),
    inputs: [
      [say('words.peak'), fmt.temp(set.making.starch[0]?.peakTempC ?? 20, 0)],
      [say('why.minutesThere'), fmt.fixed(set.making.starch[0]?.minutes ?? 0, 1)],
      [say('words.starch'), say('why.gPer100GWaterAnd', { starchC: fmt.fixed(set.starchC, 1) })],
    ],
    source: fitted(),
    spread: `± ${fmt.degrees(2)}.`,
  }),
  milkHeat: ({ fmt, set }) => ({
    title: say('why.heatTheMilkHasHad'),
    how: say('why.heatedWheyJoinsTheMilkS'),
    inputs: [[say('why.heatTreatment'), fmt.percent(set.making.milkHeat)]],
    source: say('why.fittedToTwoMarksWheyKinetics'),
    spread: say('why.lowConfidence'),
  }),
  air: ({ fmt, set }) => ({
    title: say('why.air'),
    how: say('why.volumeGainedByWhippingLessWhat'),
    inputs: [
      [say('words.air'), fmt.percent(set.making.air)],
      [say('why.whippedMilkFat'), `${fmt.fixed(100 * set.making.whippedFat, 1)} %`],
    ],
    source: say('why.commonPractice'),
    spread: say('why.aboutAQuarterOfItHands'),
  }),
  cooling: ({ fmt, h, shape }) => ({
    title: say('why.cooling'),
    how: say('why.heatLeavesThroughTopBaseAnd'),
    inputs: [
      [say('why.pouredAt'), fmt.temp(h.pourTempC)],
      [say('words.depth'), fmt.mm(shape.depthM, 1)],
    ],
    source: say('why.twoDimensionalConductionWithin1Of'),
    spread: say('why.air30TheSlowFridgeIs'),
  }),
  set: ({ pa, v }) => ({
    title: say('why.setThrough'),
    how: say('why.whenTheCoreHasThreeQuarters'),
    inputs: [
      [say('why.strengthAfterADay'), pa(v.cold.tauPa.value)],
      [say('words.wanted'), pa(v.target.coldMinPa)],
    ],
    source: fitted(),
    spread: say('why.timesOr15'),
  }),
  carry: ({ doc, fmt, h }) => ({
    title: say('why.stillToCome'),
    how:
        doc.heat.method === 'oven'
          ? say('why.outOfTheOvenTheMiddle')
          : say('why.thePanIsHotterThanThe'),
    inputs: [[say('why.theHeatEndsAt'), fmt.temp(h.tempC.at(-1)!, 1)]],
    source: say('why.energyBalanceCPanTM'),
    spread: say('why.aboutAHeavyPanGivesMore', { p1: fmt.degrees(0.5, 1) }),
  }),
  when: ({ c, fmt }) => ({
    title: say('why.when'),
    how: say('why.theColdRunThreeTimesAs'),
    inputs: [[say('why.likelyAfterPouring'), c.readyS === null ? say('why.notInADay') : fmt.duration(c.readyS)]],
    source: say('why.twoDimensionalConductionSettingRatesFitted'),
    spread: say('why.fourBatchesInFiveLieBetween'),
  }),
  moisture: ({ fmt, b, h }) => ({
    title: say('why.sweat'),
    how: say('why.vapourFromTheWarmSurfaceCondenses'),
    inputs: [
      [say('why.waterActivity2'), fmt.fixed(b.waterActivity.value, 2)],
      [say('why.pouredAt'), fmt.temp(h.pourTempC)],
    ],
    source: say('why.lewisAnalogySaturationPressureAfterWMO'),
    spread: say('why.halfAsMuchOrTwiceAs'),
  }),
  ovenLoad: ({ h, fmt, doc }) => ({
    title: say('why.theOvenWithItsLoad'),
    how: say('why.theAirIsOneNode', {
      powerW: fmt.fixed(STANDARD.oven.powerW), trayKg: fmt.fixed(STANDARD.oven.trayKgM2, 1), shelvesM2: SHELVES_M2,
    }),
    inputs: [
      [say('cookPlan.inTheOvenAtOnce'), h.oven ? String(h.oven.atOnce) : '—'],
      [say('words.dial'), fmt.temp(doc.heat.oven.airTempC)],
    ],
    source: say('why.energyBalanceFromMemory'),
    spread: say('why.ovensDiffer'),
  }),
  middleBehind: ({ h, fmt }) => ({
    title: say('why.behindTheMean'),
    how: say('why.aMicrowaveReaches'),
    inputs: [[say('why.behindTheMean'), fmt.degrees(h.middleBehindK, 1)]],
    source: say('why.fieldFromMemory'),
    spread: say('why.byAThird'),
  }),
  fridgeLoad: ({ g, shape, c, fmt }) => ({
    title: say('why.heatIntoTheFridge'),
    how: say('why.massTimesHeatCapacityTimesHow'),
    inputs: [
      [say('words.batch'), g(shape.batchG)],
      [say('why.suchAFridgeCarriesOff'), c.load ? `${fmt.fixed(c.load.capacityW)} W` : '—'],
    ],
    source: say('why.energyBalanceCapacitiesFromMemoryLow'),
    spread: say('why.theLoad15TheCapacityBy'),
  }),
  coldThrough: ({ fmt, h }) => ({
    title: say('why.coldThrough'),
    how: say('why.whenTheCoreIsWithinA'),
    inputs: [[say('why.pouredAt'), fmt.temp(h.pourTempC)]],
    source: say('why.twoDimensionalConduction'),
    spread: say('why.about30Percent'),
  }),
  freezing: ({ c, fmt }) => ({
    title: say('why.freezing'),
    how: say('why.iceFormsFromTheFreezingPoint'),
    inputs: [
      [say('why.freezesFrom'), c.freeze ? fmt.temp(c.freeze.freezingC, 1) : '—'],
      [say('why.mostIce'), c.freeze ? fmt.percent(c.freeze.mostIce) : '—'],
    ],
    source: say('why.schwartzberg1976AsInASHRAEStep'),
    spread: say('why.about30Percent'),
  }),
  plate: ({ topic, v, pa, fmt, doc }) => {
    const r = topic === 'cold' ? v.cold : v.plate
    return {
      title: say('why.yieldStress', { plate: topic === 'cold' ? say('why.fromTheFridge') : say('why.onThePlate') }),
      how: say('why.thePushUnderWhichItBegins'),
      inputs: [
        ...MECHANISMS.filter(k => r.mechanismsPa[k] >= 0.5).map((k): [string, string] => [
          MECHANISM_NAMES[k],
          pa(r.mechanismsPa[k]),
        ]),
        [say('words.at'), fmt.temp(r.tempC, 1)],
        [
          say('why.thisUseNeeds'),
          `${pa(topic === 'cold' ? v.target.coldMinPa : v.target.plateMinPa)}${doc.use.kind === 'cut' || doc.use.kind === 'turnedOut' ? say('why.densityGravityHeight2', { cold: topic === 'cold' ? 4 : 2 }) : ''}`,
        ],
      ],
      source:
        say('why.formsAfterNarineMarangoni1999Fat'),
      spread: say('why.oneIsOr', { lnSigma: fmt.fixed(Math.exp(r.tauPa.lnSigma ?? 0.35), 1) }),
    }
  },
  cold: w => NOTES.plate(w),
  needs: ({ doc, fmt, shape, pa, v }) => ({
    title: say('why.whatTheUseAsksFor'),
    how:
        doc.use.kind === 'cut' || doc.use.kind === 'turnedOut'
          ? say('why.aPieceStandsIfItCarries')
          : say('why.theBandThatTheWordsOf'),
    inputs: [
      [say('words.height'), fmt.mm(shape.pieceHeightM)],
      [say('why.fromTheFridge'), pa(v.target.coldMinPa)],
      [say('why.onThePlate'), pa(v.target.plateMinPa)],
    ],
    source: say('why.staticsAllowancesByJudgementBandsCommon'),
    spread: say('why.theAllowanceIsTheMargin'),
  }),
  ringSink: ({ v, shape, fmt, g }) => {
    const t = bestTest(v.cold.tauPa.value, shape.density)
    return {
      title: say('why.testItWithARing'),
      how: say('why.fillA50MmRingLift'),
      inputs: [
        [
          say('why.thisOneBestTestedBy'),
          t.test === 'spread'
            ? say('why.n60MlOnAPlateSpreads', { reading: fmt.mm(2 * t.reading) })
            : t.test === 'slump'
              ? say('why.ringSinks', { reading: fmt.mm(t.reading) })
              : say('why.cylinder6050MmBulgesUnder', { reading: g(1000 * t.reading) }),
        ],
      ],
      source: say('why.pashiasEtAl1996RousselCoussot'),
      spread: say('why.theRelationIsGoodTo10'),
    }
  },
  mechanisms: ({ v, pa }) => ({
    title: say('why.whatMakesItSet'),
    how: say('why.eachMechanismSShareOfThe'),
    inputs: MECHANISMS.filter(k => v.cold.mechanismsPa[k] >= 0.5).map(k => [
      MECHANISM_NAMES[k],
      say('why.coldPlate', { mechanismsPa: pa(v.cold.mechanismsPa[k]), mechanismsPa2: pa(v.plate.mechanismsPa[k]) }),
    ]),
    source: fitted(),
    spread: say('why.gelatine25Agar50TheRest'),
  }),
  shares: () => ({
    title: say('why.howSure'),
    how: say('why.theSameFormula400TimesEach'),
    inputs: [],
    source: say('why.samplingWithAFixedSeedSo'),
    spread: say('why.n400DrawsAShareIsGood'),
  }),
  ready: ({ fmt, h, c }) => ({
    title: say('why.ready'),
    how: say('why.timeInTheHeatWhatIs'),
    inputs: [
      [say('words.heat'), fmt.duration(h.endS)],
      [say('why.setAfterPouring'), c.readyS === null ? say('why.notInADay') : fmt.duration(c.readyS)],
    ],
    source: say('why.theHeatAndChillStations'),
    spread: say('why.timesOr15InThe'),
  }),
  holds: ({ fmt, doc, pa, v }) => ({
    title: say('why.holdsOnTheTable'),
    how: say('why.thePieceWarmsInTheRoom'),
    inputs: [
      [say('words.table'), fmt.temp(doc.use.tableTempC)],
      [say('words.needs'), pa(v.target.plateMinPa)],
    ],
    source: say('why.theSameSetRunForwardAs'),
    spread: say('why.about30Percent'),
  }),
  plateTemp: ({ fmt, v, doc, s }) => ({
    title: say('why.onThePlateByThen'),
    how: say('why.meanTemperatureOfThePieceAfter'),
    inputs: [
      [say('words.from'), fmt.temp(v.cold.tempC, 1)],
      [say('words.table'), fmt.temp(doc.use.tableTempC)],
      [say('words.time'), fmt.duration(s.tableTimeS)],
    ],
    source: say('why.twoDimensionalConduction'),
    spread: `± ${fmt.degrees(1)}.`,
  }),
  useBy: ({ fmt, s, a }) => ({
    title: say('why.useBy'),
    how: say('why.theDayOfMakingIsDay'),
    inputs: [[say('words.days'), fmt.fixed(s.storageDays)]],
    source: isByRawFruit(a) ? say('why.rawFruitByPractice') : say('why.uSFoodCode350117'),
    spread: say('why.aRuleNotAPredictionYour'),
  }),
  weeping: ({ set, fmt }) => ({
    title: say('why.weepingOf10'),
    how: say('why.pointsForWhatLetsWaterGo'),
    inputs: set.weeping.causes.map(x => [
      x.cause.replace(/([A-Z])/g, ' $1').toLowerCase(),
      fmt.fixed(x.points, 1),
    ]),
    source: say('why.orderByCommonPracticePointsBy'),
    spread: say('why.anOrderNotAVolume'),
  }),
}

/** The note for a number. */
export function why(topic: WhyTopic, doc: Bench, a: Assessment, fmt: Format): Why {
  const { balance: b, heat: h, chill: c, serve: s, set, shape, stock, verdict: v } = a
  const g = fmt.grams
  const pa = fmt.pascals
  const acidSigma = stock.juiceAcid.lnSigma ?? 0
  return NOTES[topic]({ topic, doc, a, fmt, b, h, c, s, set, shape, stock, v, g, pa, acidSigma })
}
