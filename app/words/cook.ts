/** The order of work as a cook says it: what to do, what to look for, why. */
import type { VariantCode } from '#core/plan/variants'
import { HIGH_UP_M, WARM_START_C } from '#core/plan/variants'
import type { Timed } from '#core/physics/heat/scaleTime'
import { type Bench, fillingOf } from '#core/formula/bench'
import { fruitKind, solidOf } from '#core/formula/fruit'
import { given, type PartKind } from '#core/formula/document'
import { findIngredient } from '#core/base/ingredients/ingredients'
import type { Cue, OwnCode, PartCode, StepOf, Tool, Use, WorkReason, WorkStep } from '#core/plan/work'
import type { PartStep } from '#core/formula/parts'
import { COVER_NAMES, FINISH_NAMES, PLACE_NAMES } from './names'
import { speak, type Spoken } from './findings'
import { group, say } from './say'

type Format = ReturnType<typeof useFormat>

export const CUE_NAMES = group<Record<Cue, string>>('cook.CUE_NAMES')
export const REASON_WORDS = group<Record<WorkReason, string>>('cook.REASON_WORDS')
export const PROBE_NAMES = group<{ bulk: string, deepestMiddle: string }>('cook.PROBE_NAMES')

const PART_WORDS = group<Record<PartStep, [title: string, how: string]>>('cook.PART_WORDS')
export const PART_NAMES = group<Record<PartKind, { name: string, how: string }>>('cook.PART_NAMES')

const TOOL_NAMES = group<Record<Tool, string>>('cook.TOOL_NAMES')
const whisked = (byHand: boolean, times: { toS: string, marginS: string }): string =>
  (byHand ? say('cook.byHandAbout', times) : say('cook.electricAbout', times))

/** Equipment by the kitchen's own name where the plan says which. */
export const toolWords = (use: Use, nameOf: (id: string) => string | undefined): string =>
  (use.id === null ? undefined : nameOf(use.id)) ?? TOOL_NAMES[use.tool]

export interface SpokenStep {
  title: string
  how: string
  reach: string
  cue: string
  why: string
  probe: string
  lines: { name: string, amount: string }[]
  cautions: Spoken[]
}

/**
 * A step in words: what, with its weights, degrees, cue and reason. @param placeName the kitchen's own name of a
 * place
 */
export function stepWords(
  s: WorkStep,
  fmt: Format,
  doc: Bench,
  placeName: (id: string) => string | undefined,
): SpokenStep {
  const [title, how, reach] = sayStep(s, fmt, doc, placeName)
  return {
    title,
    how,
    reach,
    cue: s.cue ? CUE_NAMES[s.cue] : '',
    why: s.reasons.map(r => REASON_WORDS[r]).join('; '),
    probe: s.probe ? PROBE_NAMES[s.probe] : '',
    lines: s.lines.map(l => ({ name: fmt.name(l.ingredientId), amount: fmt.grams(l.massG) })),
    cautions: s.findings.filter(f => f.severity !== 'info').map(f => speak(f, fmt)),
  }
}

/** A step with what is often said of it: the degrees, how long, the scale's reading, when the heat is reached. */
interface StepFigures<C extends OwnCode> {
  s: StepOf<C>
  p: StepOf<C>['params']
  fmt: Format
  doc: Bench
  placeName: (id: string) => string | undefined
  to: string
  took: string
  scale: string
  about: string
}

const bakeTitle = ({ school }: Bench): string =>
  school === 'peelPowder' ? say('cook.dryIt') : school === 'roastedFruit' ? say('cook.roastIt') : say('cook.bake')

/** Title, how, and what to reach, of each step. */
const STEP_WORDS: { [C in OwnCode]: (w: StepFigures<C>) => [string, string, string] } = {
  thaw: ({ fmt, p, took }) => [
    say('cook.thaw'), say('cook.thawHow', { waterS: fmt.duration(p.waterS) }), say('cook.thawTook', { took }),
  ],
  zestSugar: () => [say('cook.rubTheZestIntoTheSugar'), '', ''],
  bloom: ({ fmt, p, took }) => [say('cook.swellTheGelatineInColdWater'), say('cook.ofWaterSqueezeLeavesOut', { waterG: fmt.grams(p.waterG) }), took],
  slurry: () => [say('cook.stirTheStarchSmoothWithA'), '', ''],
  mixCold: ({ s, took, doc }) => (fruitKind(doc.school)
    ? [s.lines.length > 1 ? say('cook.putTogether') : say('cook.weighItOut'), '', '']
    : s.timeS === null
      ? [say('cook.whiskTogetherCold'), say('cook.withoutBeatingInAir'), '']
      : [say('cook.whiskInAir'), say('cook.whiskInAirHow'), took]),
  meltFirst: ({ to }) => [say('cook.meltTogetherFirst'), say('cook.lowHeat'), to],
  temperEggs: () => [say('cook.temperTheEggsIn'), say('cook.whiskALadleOfTheWarm'), ''],
  heatBath: ({ about }) => [say('cook.overSimmeringWaterStir'), say('cook.theBowlMustNotTouchThe'), about],
  heatDirect: ({ about }) => [say('cook.lowHeatStirWithoutStopping'), '', about],
  heatMicrowave: ({ p, about }) => [say('cook.microwaveInBursts'), say('cook.burstsOf20SWhiskBetween', { bursts: p.bursts, burstS: p.burstS }), about],
  heatPouch: ({ fmt, p, to, took }) => [
    say('cook.sealFlatAndSink'),
    say('cook.layerThickBathAt', { thicknessM: fmt.mm(p.thicknessM), to }),
    say('cook.inAllThenKnead', { took }),
  ],
  boilDown: ({ scale, took }) => [say('cook.boilItDown'), scale, say('cook.boilingInAll', { took })],
  boilHold: ({ p, fmt, scale, took }) => [
    say('cook.boil'),
    `${p.holdS ? `${say('cook.fromTheFirstBubble', { holdS: fmt.duration(p.holdS) })} ` : ''}${scale}`,
    say('cook.inAll', { took }),
  ],
  boilStarch: ({ fmt, p, about }) => [say('cook.bringToAFullBubbleWhisking'), say('cook.keepItThere', { holdS: fmt.duration(p.holdS) }), about],
  boilAgar: ({ fmt, p, about }) => [say('cook.boilTheAgarClear'), say('cook.keepItThere', { holdS: fmt.duration(p.holdS) }), about],
  offHeat: () => [say('cook.offTheHeatAndOutOf'), '', ''],
  strain: () => [say('cook.strain'), '', ''],
  coolTo: ({ to, took }) => [say('cook.letItCoolStirringNowAnd'), '', say('cook.toAbout', { to, took })],
  juiceIn: ({ to, fmt, p }) => [say('cook.stirTheJuiceIn'), '', say('cook.mixAtThen', { to, afterC: fmt.temp(p.afterC) })],
  butterIn: ({ doc, to, fmt, p }) => [
    say('cook.butterIn'),
    doc.school === 'emulsified' ? say('cook.softASpoonfulAtATime') : say('cook.cubesWhisking'),
    say('cook.mixAtThen', { to, afterC: fmt.temp(p.afterC) }),
  ],
  gelatinIn: ({ to }) => [say('cook.meltTheGelatineIn'), '', say('cook.mixAt', { to })],
  yolkIn: ({ to, fmt, p }) => [say('cook.temperTheYolksIn'), '', say('cook.mixAtThen', { to, afterC: fmt.temp(p.afterC) })],
  stirIn: ({ to, fmt, p }) => [say('cook.stirIn'), '', say('cook.mixAtThen', { to, afterC: fmt.temp(p.afterC) })],
  whip: ({ to, fmt, p }) => [
    say('cook.whipTheCream'),
    p ? whisked(p.byHand, { toS: fmt.duration(p.toS), marginS: fmt.duration(p.marginS) }) : '',
    say('cook.from', { to }),
  ],
  beatWhites: ({ doc }) => [
    fillingOf(doc).lines.some(l => l.massG > 0 && findIngredient(l.ingredientId)?.traits?.includes('white'))
      ? say('cook.beatTheWhites')
      : say('cook.beatItStiff'),
    '',
    '',
  ],
  fold: ({ to, fmt, p }) => [
    say('cook.foldTogether'),
    say('cook.aLittleFirstToLoosenThen'),
    say('cook.baseAtEndsAt', { to, afterC: fmt.temp(p.afterC) }),
  ],
  blend: () => [say('cook.blendSmooth'), say('cook.bladeUnderTheSurface'), ''],
  pour: ({ fmt, p, to, doc }) => [
    solidOf(doc.school) ? say('cook.spreadItOut') : say('cook.pour'),
    say('cook.intoDeep', { eachG: fmt.grams(p.eachG), count: p.count === 1 ? say('cook.it') : say('cook.eachOf', { count: p.count }), depthM: fmt.mm(p.depthM) }),
    say('cook.at', { to }),
  ],
  lean: ({ fmt, p }) => [say('cook.leanTheGlasses', { deg: fmt.fixed(p.deg) }), say('cook.theHighSideStands', { highM: fmt.mm(p.highM) }), ''],
  bake: ({ fmt, p, to, took, doc }) => [
    bakeTitle(doc),
    say('cook.oven2', {
      dialC: fmt.temp(p.dialC),
      noFan: p.fan ? say('cook.fanOn') : say('cook.noFan'),
      inAWaterBath: p.bath ? say('cook.inAWaterBath') : '',
      steam: p.steam > 0 ? say('cook.steamAt', { percent: fmt.fixed(100 * p.steam) }) : '',
      loads: p.loads > 1 ? say('cook.inLoads', { loads: p.loads }) : '',
    }),
    say('cook.middleAbout', { to, took }),
  ],
  iceBath: ({ took, to }) => [say('cook.stirOverIce'), '', say('cook.to', { took, to })],
  chill: ({ p, placeName, took, to }) => {
    const kind = p.place
    const place = placeName(p.placeId ?? '') ?? PLACE_NAMES[kind]
    return [
      kind === 'bench'
        ? say('cook.restOnTheBench')
        : kind === 'freezer'
          ? say('cook.intoTheFreezer', { place })
          : say('cook.intoTheCold', { place }),
      COVER_NAMES[p.cover],
      say('cook.theMiddleThenAt', { took, to }),
    ]
  },
  steep: ({ took }) => [say('cook.steep'), say('cook.steepHow'), took],
  skim: () => [say('cook.skim'), say('cook.skimHow'), ''],
  finish: ({ p, fmt }) => [
    say('cook.finish'),
    p.rows.map(r => say('cook.finishRow', {
      as: FINISH_NAMES[r.as], what: fmt.name(r.ingredientId), g: fmt.grams(r.eachG), min: r.onMin,
    })).join('; '),
    '',
  ],
  tap: () => [say('cook.tap'), say('cook.tapHow'), ''],
  rest: ({ took }) => [say('cook.letItRest'), say('cook.theFoamRises'), took],
  unmould: ({ s, to }) => [say('cook.takeItOutOfItsMould'), '', s.tempC === null ? '' : say('cook.mean', { to })],
  temper: ({ s, to, took }) => [
    say('cook.takeItOutOfTheCold'),
    '',
    s.tempC === null
      ? say('cook.beforeItIsEaten', { took })
      : s.timeS === null ? say('cook.toNotWithinTheTimeLooked', { to }) : say('cook.beforeItIsEatenTo', { took, to }),
  ],
  cut: ({ p, fmt }) => [say('cook.cut', { portions: p.portions }), say('cook.eachHigh', { portionG: fmt.grams(p.portionG), heightM: fmt.mm(p.heightM) }), ''],
  portion: ({ p, fmt }) => [say('cook.portion', { portions: p.portions }), say('cook.each', { portionG: fmt.grams(p.portionG) }), ''],
  serve: ({ fmt, p, to, s, doc }) => [
    say('cook.serve'),
    say('cook.onTheTable', { tableTimeS: fmt.duration(p.tableTimeS) }),
    // What lies over or beside something is not asked to stand.
    doc.use.kind === 'over'
      ? say('cook.servedFrom', { to })
      : say('cook.fromStands', { to, timeS: s.timeS === null ? say('cook.n4HOrMore') : fmt.duration(s.timeS) }),
  ],
}

/** Title, how, and what to reach. */
function sayStep(
  s: WorkStep,
  fmt: Format,
  doc: Bench,
  placeName: (id: string) => string | undefined,
): [string, string, string] {
  const to = s.tempC === null ? '' : fmt.temp(s.tempC)
  const took = s.timeS === null ? '' : fmt.duration(s.timeS)
  if (isPart(s)) {
    const [title, how] = PART_WORDS[s.code.slice('part:'.length) as PartStep]
    const { holdMin, inOven } = s.params
    return [
      title,
      [how, holdMin === null ? '' : say('cook.holdMin', { holdMin: fmt.fixed(holdMin, 1) })].filter(Boolean).join('; '),
      [inOven ? say('cook.oven', { to }) : to, took].filter(Boolean).join(', '),
    ]
  }
  const words = STEP_WORDS[s.code] as (w: StepFigures<OwnCode>) => [string, string, string]
  return words({ s, p: s.params, fmt, doc, placeName, to, took, ...heatWords(s, fmt, to) })
}
const isPart = (s: WorkStep): s is WorkStep & StepOf<PartCode> => s.code.startsWith('part:')

/** How a heat is meant: so hot and so long, or so long in an oven. */
export const heatMeant = ({ method, oven, targetTempC, holdS }: Bench['heat'], fmt: Format): string => {
  const timeS = method === 'oven' ? given(oven.timeS) : null
  if (method === 'none') return '—'
  return timeS === null
    ? `${fmt.temp(targetTempC)}, ${fmt.duration(holdS)}`
    : `${say('cook.oven', { to: fmt.temp(oven.airTempC) })}, ${fmt.duration(timeS)}`
}

/** What a heated step says of its scale and its time. */
function heatWords(s: WorkStep, fmt: Format, to: string): { scale: string, about: string } {
  if (!s.params || !('panG' in s.params)) return { scale: '', about: '' }
  const { panG, tared, holdS, reachedS } = s.params
  const held = holdS > 0 ? say('cook.thenHold', { holdS: fmt.duration(holdS) }) : ''
  return {
    scale: tared
      ? say('cook.theScaleReadsWithThePan', { panG: fmt.grams(panG) })
      : say('cook.inThePanWithoutItsWeight', { panG: fmt.grams(panG) }),
    about: reachedS === null
      ? say('cook.itStallsShortOfIt', { to })
      : say('cook.atAbout', { to, reachedS: fmt.duration(reachedS), held }),
  }
}

/** Other ways of the same cook. */
export function variantWords(code: VariantCode, doc: Bench, fmt: Format): { name: string, why: string } {
  const { oven } = doc.heat
  switch (code) {
    case 'planned':
      return { name: say('cook.asPlanned'), why: '' }
    case 'halfBatch':
      return { name: say('cook.halfTheBatch'), why: say('cook.lessToWarmOnTheSame') }
    case 'doubleBatch':
      return { name: say('cook.twiceTheBatch'), why: say('cook.theSameHeatTwiceToWarm') }
    case 'fourfoldBatch':
      return { name: say('cook.fourTimes'), why: say('cook.moreSurfaceSteamsThePanIs') }
    case 'moreHeat':
      return { name: say('cook.halfAsMuchHeatAgain'), why: say('cook.quickerAndTheBottomRunsFurther') }
    case 'seaLevel':
      return { name: say('cook.atSeaLevel'), why: say('cook.waterBoilsAt100C') }
    case 'highUp':
      return {
        name: say('cook.atM', { HIGHUPM: fmt.fixed(HIGH_UP_M) }),
        why: say('cook.waterBoilsCoolerABathGives'),
      }
    case 'doubleSameTin':
      return { name: say('cook.twiceTheMixSameTin'), why: say('cook.twiceAsDeepHeatHasTo') }
    case 'doubleTwoTins':
      return { name: say('cook.twiceTheMixTwoTins'), why: say('cook.asDeepAsBeforeBakesAs') }
    case 'otherMaterial':
      return doc.assembly.vessel.material === 'glass'
        ? { name: say('cook.inMetal'), why: say('cook.metalPassesHeatAtOnce') }
        : { name: say('cook.inGlass'), why: say('cook.glassWarmsSlowlyMostCooksThen') }
    case 'fanToggled':
      return oven.fan
        ? { name: say('cook.withoutTheFan'), why: say('cook.stillAirGivesLessHeat') }
        : { name: say('cook.withTheFan'), why: say('cook.movingAirGivesMoreHeat') }
    case 'warmStart':
      return { name: say('cook.pouredAt', { WARMSTARTC: fmt.temp(WARM_START_C) }), why: say('cook.itStartsFurtherOn') }
    case 'bathToggled':
      return oven.bath
        ? { name: say('cook.withoutTheWaterBath'), why: say('cook.sidesAndBaseSeeTheOven') }
        : { name: say('cook.inAWaterBath2'), why: say('cook.waterKeepsSidesAndBaseBelow') }
  }
}

export const TIMED_WORDS = group<Record<Timed, { name: string, rule: string }>>('cook.TIMED_WORDS')
