/**
 * A step of work: what is done, to which lines, at which temperature, for how long, with which equipment, and for how
 * long hands are needed at it. Codes only; words live with the screens.
 */
import type { Component, FinishKind } from '../formula/document'
import type { PartStep } from '../formula/parts'
import type { Cover, PlaceKind } from '../physics/thermal/places'
import type { Finding } from '../pipeline/assessment'

export const WORK_CODES = [
  'zestSugar',
  'bloom',
  'slurry',
  'mixCold',
  'meltFirst',
  'temperEggs',
  'heatBath',
  'heatDirect',
  'heatMicrowave',
  'heatPouch',
  'boilDown',
  'boilHold',
  'boilStarch',
  'boilAgar',
  'offHeat',
  'strain',
  'coolTo',
  'juiceIn',
  'butterIn',
  'gelatinIn',
  'yolkIn',
  'stirIn',
  'whip',
  'beatWhites',
  'fold',
  'blend',
  'pour',
  'lean',
  'bake',
  'iceBath',
  'chill',
  'steep',
  'rest',
  'skim',
  'tap',
  'thaw',
  'finish',
  'unmould',
  'temper',
  'cut',
  'portion',
  'serve',
] as const
/** A mix is on the stove, or in the microwave, in these. */
export const ON_HEAT = [
  'heatBath', 'heatDirect', 'heatMicrowave', 'heatPouch', 'boilDown', 'boilHold', 'boilStarch', 'boilAgar',
] as const satisfies readonly (typeof WORK_CODES)[number][]
export type OwnCode = (typeof WORK_CODES)[number]
export type PartCode = `part:${PartStep}`
export type WorkCode = OwnCode | PartCode
export const CUES = [
  'line',
  'volumeBack',
  'rollingBoil',
  'thickBubble',
  'clearBoil',
  'wobble',
  'shine',
  'softPeaks',
  'traces',
  'firmPeaks',
  'stiffPeaks',
  'handWarm',
  'goldenEdge',
  'golden',
  'softBall',
  'glossyCool',
  'ribbon',
  'sandy',
  'sugarGone',
  'softTip',
  'clearPeel',
  'snaps',
] as const
export type Cue = (typeof CUES)[number]
export const WORK_REASONS = [
  'zestOil',
  'bloomEven',
  'slurryNoLumps',
  'noDryYolk',
  'bathForgives',
  'stirAlways',
  'temperSlow',
  'burstsEven',
  'pouchEven',
  'waterLeaves',
  'smoothsCream',
  'starchLetsBoil',
  'killsAmylase',
  'agarMelts',
  'panCarries',
  'eggStrings',
  'notPressed',
  'skinLifts',
  'scentDraws',
  'bubblesRise',
  'plateHot',
  'acidSetsCream',
  'notTooHot',
  'notTooCold',
  'acidThinsStarch',
  'acidWeakensGelatin',
  'acidBreaksAgar',
  'freshJuice',
  'butterEmulsion',
  'gelatinMelts',
  'noStrings',
  'coldWhips',
  'evenPour',
  'bondsBase',
  'cleanBase',
  'bakeCentre',
  'coverSurface',
  'stirOverIce',
  'thawsCold',
  'freezeToUnmould',
  'warmEdge',
  'liftsOff',
  'freezerFirst',
  'hotKnife',
  'butterSoftens',
] as const
export type WorkReason = (typeof WORK_REASONS)[number]
export const PROBES = ['bulk', 'deepestMiddle'] as const

/** What a step needs beside hands and bowls; only one step at a time can have it. */
export const TOOLS = [
  'burner',
  'microwave',
  'circulator',
  'oven',
  'mixer',
  'blender',
  'iceBath',
  'fridge',
  'blastChiller',
  'freezer',
  'torch',
] as const
export type Tool = (typeof TOOLS)[number]
/** A tool, and the kitchen's own one of that kind where the plan names it. */
export interface Use {
  tool: Tool
  id: string | null
}

/** Steps in which a pan, a bowl or the microwave heats. */
type HeatCode = 'heatBath' | 'heatDirect' | 'boilDown' | 'boilHold' | 'boilStarch' | 'boilAgar'
/** Steps in which something is stirred into what is there. */
export type JoinCode = 'juiceIn' | 'butterIn' | 'gelatinIn' | 'yolkIn' | 'stirIn'
export interface HeatParams {
  /** Held at the target, s. */
  holdS: number
  /** The target is reached after, s; null: it stalls short of it. */
  reachedS: number | null
  /** What the scale reads at the end, g; with its pan when the pan's weight is known. */
  panG: number
  tared: boolean
}
export interface JoinParams {
  /** The mix after it, and what joins it, °C. */
  afterC: number
  lineC: number
}
export interface PartParams {
  /** Held for, min; null: not held. */
  holdMin: number | null
  inOven: boolean
}
interface PlaceParams {
  place: PlaceKind
  placeId: string | null
  airC: number
  cover: Cover
}

/** What a step says beside its time and temperature, by its code; a code that is not here says nothing more. */
export type StepParams =
  & Record<HeatCode, HeatParams>
  & Record<JoinCode, JoinParams>
  & Record<PartCode, PartParams>
  & Record<'iceBath' | 'chill', PlaceParams>
  & {
    bloom: { waterG: number }
    heatMicrowave: HeatParams & { bursts: number, burstS: number }
    heatPouch: HeatParams & { thicknessM: number }
    /** To the peak and from there until it is over-whipped, s; null where it is no cream. */
    whip: { toS: number, marginS: number, byHand: boolean } | null
    fold: { afterC: number }
    pour: { eachG: number, count: number, depthM: number }
    tap: { count: number }
    /** Tight under cold water instead, s. */
    thaw: { waterS: number }
    /** What goes on, how much on a portion, and how long before it is eaten at most, min. */
    finish: {
      rows: readonly { as: FinishKind, ingredientId: string, eachG: number, onMin: number }[]
      portions: number
    }
    lean: { deg: number, highM: number, count: number }
    bake: {
      dialC: number
      airC: number
      fan: boolean
      bath: boolean
      steam: number
      loads: number
      ovenId: string | null
    }
    cut: { portions: number, portionG: number, heightM: number }
    portion: { portions: number, portionG: number }
    serve: { tableTimeS: number, portions: number }
  }
export type ParamsOf<C extends WorkCode> = C extends keyof StepParams ? StepParams[C] : null

export interface StepOf<C extends WorkCode> {
  key: string
  code: C
  component: Component['role']
  /** Lines of this step, with their grams. */
  lines: { id: string, ingredientId: string, massG: number }[]
  /** To reach, or at which it is done, °C. */
  tempC: number | null
  /** It takes, s. */
  timeS: number | null
  cue: Cue | null
  /** Where the thermometer goes. */
  probe: (typeof PROBES)[number] | null
  reasons: WorkReason[]
  findings: Finding[]
  /** When it begins, s from the pan going on (negative: before). */
  atS: number
  params: ParamsOf<C>
}
/** A step as it is written, its parameters by its code. */
export type WrittenStep = { [C in OwnCode]: StepOf<C> }[OwnCode] | StepOf<PartCode>
/** A step with what it asks of the kitchen. */
export type WorkStep = WrittenStep & Labour

/** A step of which nothing is said yet. */
export const noStep = () => ({
  component: 'filling' as const,
  lines: [],
  tempC: null,
  timeS: null,
  cue: null,
  probe: null,
  reasons: [],
  findings: [],
})

/** Seconds somebody stands at a step, seconds it goes on alone, and what it occupies. */
export interface Labour {
  attendedS: number
  unattendedS: number
  uses: readonly Use[]
}
