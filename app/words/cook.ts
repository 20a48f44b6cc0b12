/** The order of work as a cook says it: what to do, what to look for, why. */
import type { VariantCode } from '#core/plan/variants'
import { HIGH_UP_M, WARM_START_C } from '#core/plan/variants'
import type { Timed } from '#core/physics/heat/scaleTime'
import type { Cover, PlaceKind } from '#core/physics/thermal/places'
import type { Bench } from '#core/formula/bench'
import type { PartKind } from '#core/formula/document'
import type { Cue, WorkReason, WorkStep } from '#core/plan/order'
import type { PartStep } from '#core/formula/parts'
import { COVER_NAMES, PLACE_NAMES } from './names'
import { speak, type Spoken } from './findings'

type Format = ReturnType<typeof useFormat>

export const CUE_NAMES: Record<Cue, string> = {
  line: 'coats the spoon; a line drawn through it holds',
  volumeBack: 'back to the volume of the cream alone, foam fine and slow',
  rollingBoil: 'a rolling boil that stirring does not stop',
  thickBubble: 'thick, slow bubbles that plop',
  clearBoil: 'boils clear, no grains on the spoon',
  wobble: 'edge set, middle trembles like jelly; a skewer an inch from the rim comes out clean',
  shine: 'smooth and shining',
  softPeaks: 'soft peaks that just hold',
  stiffPeaks: 'peaks that stand, still glossy',
  handWarm: 'no warmer than your hand',
  goldenEdge: 'golden at the tips',
  golden: 'golden and dry to the touch',
  softBall: 'a drop in cold water makes a soft ball',
  glossyCool: 'thick, glossy, the bowl cool',
  ribbon: 'falls in a ribbon that stays',
  sandy: 'like damp sand',
  sugarGone: 'no grain of sugar between the fingers',
}
export const REASON_WORDS: Record<WorkReason, string> = {
  zestOil: 'sugar draws the oil out of the zest',
  bloomEven: 'dry grains clump; swollen ones melt',
  slurryNoLumps: 'dry starch makes lumps',
  noDryYolk: 'whisk at once: sugar left on yolk makes hard specks',
  bathForgives: 'slow heat forgives',
  stirAlways: 'the pan\'s bottom is hotter than the thermometer says: stir without stopping',
  temperSlow: 'a little hot mix into the egg first, whisking: egg in a hot pan scrambles',
  burstsEven: 'the edge runs ahead: whisk between bursts',
  waterLeaves: 'what leaves is the water; less water sets firmer',
  smoothsCream: 'the boil smooths the cream and readies its protein',
  starchLetsBoil: 'starch lets a custard boil',
  killsAmylase: 'only a full boil stops the yolk\'s enzyme that thins starch overnight',
  agarMelts: 'agar melts only at the boil',
  panCarries: 'the hot pan goes on cooking it: out of the pan at once',
  eggStrings: 'takes out egg strings and zest',
  acidSetsCream: 'the acid sets the cream',
  notTooHot: 'too hot, it curdles',
  notTooCold: 'too cool, it sets while you stir',
  acidThinsStarch: 'boiled with acid, starch thins',
  acidWeakensGelatin: 'acid weakens gelatine: late and cool',
  acidBreaksAgar: 'boiled with acid, agar breaks',
  freshJuice: 'stays fresh off the heat',
  butterEmulsion: 'too hot it splits to oil, too cold it lumps',
  gelatinMelts: 'swollen gelatine melts in anything above 40 °C',
  noStrings: 'colder, gelatine sets in strings on contact',
  coldWhips: 'cold cream whips; warm cream turns to butter',
  evenPour: 'by the scale, so that the last is not short',
  bondsBase: 'a hot base bonds to the filling',
  cleanBase: 'a cooled base keeps a clean line',
  bakeCentre: 'the middle of the deepest part decides',
  coverSurface: 'film on the surface: uncovered it skins, covered with air under it sweats',
  stirOverIce: 'stirring over ice cools it in minutes',
  freezeToUnmould: 'a frozen edge leaves the metal clean',
  warmEdge: 'warm the rim with a cloth, lift straight up',
  hotKnife: 'hot wet knife, wiped after every cut',
  butterSoftens: 'held by butter: it softens as it warms',
}
export const PROBE_NAMES = {
  bulk: 'probe in the middle of the mix, off the bottom',
  deepestMiddle: 'probe to half depth in the middle of the deepest part',
} as const

const PART_WORDS: Record<PartStep, [title: string, how: string]> = {
  asWritten: ['Make it as it was written', ''],
  crush: ['Crush the biscuits', 'to an even crumb'],
  meltButter: ['Melt the butter, mix it in', ''],
  press: ['Press into the tin', 'with the base of a glass, even to the corners'],
  chillBase: ['Chill the base', ''],
  rub: ['Rub the butter into the dry', 'then bring together, no more than needed'],
  rollOut: ['Roll out and line', 'press into the corners, trim'],
  rest: ['Rest it cold', ''],
  dock: ['Prick the base', ''],
  bakeBlind: ['Bake blind, weighted', 'paper and beans up to the rim'],
  bakeOpen: ['Bake on, without the weights', ''],
  bakeBase: ['Bake the base', ''],
  whiskEggs: ['Whisk eggs and sugar', ''],
  foldFlour: ['Sift the flour over, fold', ''],
  bakeSponge: ['Bake the sponge', ''],
  starchPaste: ['Cook cornflour and water to a clear paste, cool it', 'it holds the water that would weep'],
  beatWhites: ['Beat the whites', 'a clean bowl, no trace of yolk'],
  sugarIn: ['Sugar in by the spoonful, beating', ''],
  pasteIn: ['Beat in the cooled paste', ''],
  warmWhites: [
    'Warm whites and sugar over the bath, whisking',
    'measure it: the temperature and the time make it cooked',
  ],
  boilSugar: ['Boil sugar and water', 'it burns deep: stay with it, nobody near'],
  pourSugar: [
    'Pour the syrup down the side, beating',
    'what it warms the whites to is no proof that they are cooked',
  ],
  beatCool: ['Beat until cool', ''],
  whipCream: ['Whip the cream', 'cold bowl, cold cream'],
  spread: ['Spread or pipe it on', 'to the edge, so that it holds'],
  brown: ['Brown it', ''],
}
export const PART_NAMES: Record<PartKind, { name: string, how: string }> = {
  crumbChilled: {
    name: 'Crumb, chilled',
    how: 'Biscuit and butter, pressed and set cold. No oven; softens on the table.',
  },
  crumbBaked: { name: 'Crumb, baked', how: 'Pressed, then ten minutes in the oven. Crisper; cuts cleaner.' },
  shortbread: { name: 'Shortbread', how: 'Flour, butter, sugar 3 : 2 : 1, pressed and baked.' },
  blindShell: { name: 'Shell, baked blind', how: 'Sweet pastry, rolled, weighted, baked before it is filled.' },
  spongeBase: { name: 'Sponge', how: 'Whisked egg sponge, thin; takes up what weeps.' },
  meringueCold: {
    name: 'Meringue, beaten cold',
    how: 'Sugar beaten in by the spoon, with a starch paste against weeping. The whites stay raw inside.',
  },
  meringueWarm: {
    name: 'Meringue, warmed over a bath',
    how: 'Whites and sugar brought to a measured temperature, then beaten. The one that counts as cooked.',
  },
  meringueBoiled: {
    name: 'Meringue, boiled sugar',
    how: 'Syrup at 118–121 °C poured on beating whites. Holds best; a pour is no proof.',
  },
  whippedTop: { name: 'Whipped cream', how: 'Softly whipped, a little sugar. On the day.' },
}

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
  const n = (key: string) => Number(s.params[key])
  const [title, how, reach] = sayStep(s, fmt, doc, n, placeName)
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

/** Title, how, and what to reach. */
function sayStep(
  s: WorkStep,
  fmt: Format,
  doc: Bench,
  n: (key: string) => number,
  placeName: (id: string) => string | undefined,
): [string, string, string] {
  const to = s.tempC === null ? '' : fmt.temp(s.tempC)
  const took = s.timeS === null ? '' : fmt.duration(s.timeS)
  if (s.code.startsWith('part:')) {
    const [title, how] = PART_WORDS[s.code.slice(5) as PartStep]
    return [
      title,
      [how, n('holdMin') ? `hold ${fmt.fixed(n('holdMin'), 1)} min` : ''].filter(Boolean).join('; '),
      [n('oven') ? `oven ${to}` : to, took].filter(Boolean).join(', '),
    ]
  }
  const scale = n('tare')
    ? `the scale reads ${fmt.grams(n('panG'))} with the pan`
    : `${fmt.grams(n('panG'))} in the pan, without its weight`
  const held = n('holdS') > 0 ? `, then hold ${fmt.duration(n('holdS'))}` : ''
  const about =
    n('reachedS') >= 0 ? `${to} at about ${fmt.duration(n('reachedS'))}${held}` : `${to} (it stalls short of it)`
  switch (s.code) {
    case 'zestSugar':
      return ['Rub the zest into the sugar', '', '']
    case 'bloom':
      return ['Swell the gelatine in cold water', `${fmt.grams(n('waterG'))} of water; squeeze leaves out`, took]
    case 'slurry':
      return ['Stir the starch smooth with a little of the cold liquid', '', '']
    case 'mixCold':
      return ['Whisk together, cold', 'without beating in air', '']
    case 'meltFirst':
      return ['Melt together first', 'low heat', to]
    case 'temperEggs':
      return ['Temper the eggs in', 'whisk a ladle of the warm mix into them, then all back', '']
    case 'heatBath':
      return ['Over simmering water, stir', 'the bowl must not touch the water', about]
    case 'heatDirect':
      return ['Low heat, stir without stopping', '', about]
    case 'heatMicrowave':
      return ['Microwave in bursts', `${n('bursts')} bursts of 20 s, whisk between`, about]
    case 'boilDown':
      return ['Boil it down', scale, `boiling, ${took} in all`]
    case 'boilHold':
      return [
        'Boil',
        `${n('holdS') ? `${fmt.duration(n('holdS'))} from the first bubble; ` : ''}${scale}`,
        `${took} in all`,
      ]
    case 'boilStarch':
      return ['Bring to a full bubble, whisking', `keep it there ${fmt.duration(n('holdS'))}`, about]
    case 'boilAgar':
      return ['Boil the agar clear', `keep it there ${fmt.duration(n('holdS'))}`, about]
    case 'offHeat':
      return ['Off the heat and out of the pan', '', '']
    case 'strain':
      return ['Strain', '', '']
    case 'coolTo':
      return ['Let it cool, stirring now and then', '', `to ${to}, about ${took}`]
    case 'juiceIn':
      return ['Stir the juice in', '', `mix at ${to}, then ${fmt.temp(n('afterC'))}`]
    case 'butterIn':
      return [
        'Butter in',
        doc.school === 'emulsified' ? 'soft, a spoonful at a time, under the blender' : 'cubes, whisking',
        `mix at ${to}, then ${fmt.temp(n('afterC'))}`,
      ]
    case 'gelatinIn':
      return ['Melt the gelatine in', '', `mix at ${to}`]
    case 'yolkIn':
      return ['Temper the yolks in', '', `mix at ${to}, then ${fmt.temp(n('afterC'))}`]
    case 'stirIn':
      return ['Stir in', '', `mix at ${to}, then ${fmt.temp(n('afterC'))}`]
    case 'whip':
      return ['Whip the cream', '', `from ${to}`]
    case 'beatWhites':
      return ['Beat the whites', '', '']
    case 'fold':
      return [
        'Fold together',
        'a little first to loosen, then the rest, turning the bowl',
        `base at ${to}, ends at ${fmt.temp(n('afterC'))}`,
      ]
    case 'blend':
      return ['Blend smooth', 'blade under the surface', '']
    case 'pour':
      return [
        'Pour',
        `${fmt.grams(n('eachG'))} into ${n('count') === 1 ? 'it' : `each of ${n('count')}`}; ${fmt.mm(n('depthM'))} deep`,
        `at ${to}`,
      ]
    case 'lean':
      return [`Lean the glasses ${fmt.fixed(n('deg'))}°`, `the high side stands ${fmt.mm(n('highM'))}`, '']
    case 'bake':
      return [
        'Bake',
        `oven ${fmt.temp(n('dialC'))}${n('fan') ? ', fan on' : ', no fan'}${n('bath') ? ', in a water bath' : ''}`,
        `middle ${to}, about ${took}`,
      ]
    case 'iceBath':
      return ['Stir over ice', '', `${took}, to ${to}`]
    case 'chill': {
      const kind = s.params.place as PlaceKind
      const place = placeName(String(s.params.placeId)) ?? PLACE_NAMES[kind]
      return [
        kind === 'bench'
          ? 'Rest on the bench'
          : kind === 'freezer'
            ? `Into the freezer: ${place}`
            : `Into the cold: ${place}`,
        COVER_NAMES[s.params.cover as Cover],
        `${took}; the middle then at ${to}`,
      ]
    }
    case 'unmould':
      return ['Take it out of its mould', '', s.tempC === null ? '' : `mean ${to}`]
    case 'temper':
      return [
        'Take it out of the cold',
        '',
        s.timeS === null ? `to ${to}: not within the time looked at` : `${took} before it is eaten, to ${to}`,
      ]
    case 'cut':
      return [`Cut ${n('portions')}`, `${fmt.grams(n('portionG'))} each, ${fmt.mm(n('heightM'))} high`, '']
    case 'portion':
      return [`Portion: ${n('portions')}`, `${fmt.grams(n('portionG'))} each`, '']
    default:
      return [
        'Serve',
        `${fmt.duration(n('tableTimeS'))} on the table`,
        `from ${to}; stands ${s.timeS === null ? '4 h or more' : fmt.duration(s.timeS)}`,
      ]
  }
}

/** Other ways of the same cook. */
export function variantWords(code: VariantCode, doc: Bench, fmt: Format): { name: string, why: string } {
  const { oven } = doc.heat
  switch (code) {
    case 'planned':
      return { name: 'as planned', why: '' }
    case 'halfBatch':
      return { name: 'half the batch', why: 'less to warm on the same heat' }
    case 'doubleBatch':
      return { name: 'twice the batch', why: 'the same heat, twice to warm' }
    case 'fourfoldBatch':
      return { name: 'four times', why: 'more surface steams, the pan is wider; the bottom is ahead for longer' }
    case 'moreHeat':
      return { name: 'half as much heat again', why: 'quicker, and the bottom runs further ahead' }
    case 'seaLevel':
      return { name: 'at sea level', why: 'water boils at 100 °C' }
    case 'highUp':
      return {
        name: `at ${fmt.fixed(HIGH_UP_M)} m`,
        why: 'water boils cooler: a bath gives less, a boil is no longer as hot',
      }
    case 'doubleSameTin':
      return { name: 'twice the mix, same tin', why: 'twice as deep: heat has to come from further away' }
    case 'doubleTwoTins':
      return { name: 'twice the mix, two tins', why: 'as deep as before: bakes as before' }
    case 'otherMaterial':
      return doc.assembly.vessel.material === 'glass'
        ? { name: 'in metal', why: 'metal passes heat at once' }
        : { name: 'in glass', why: 'glass warms slowly; most cooks then take the oven 15 °C lower' }
    case 'fanToggled':
      return oven.fan
        ? { name: 'without the fan', why: 'still air gives less heat' }
        : { name: 'with the fan', why: 'moving air gives more heat' }
    case 'warmStart':
      return { name: `poured at ${fmt.temp(WARM_START_C)}`, why: 'it starts further on' }
    case 'bathToggled':
      return oven.bath
        ? { name: 'without the water bath', why: 'sides and base see the oven' }
        : { name: 'in a water bath', why: 'water keeps sides and base below the boil' }
  }
}

export const TIMED_WORDS: Record<Timed, { name: string, rule: string }> = {
  bake: { name: 'Bake', rule: 'by depth: twice as deep takes 2.3 times' },
  reduce: { name: 'Reduce', rule: 'by the water to boil off, over the heat that is left for it' },
  microwave: { name: 'Microwave', rule: 'by weight, over the power' },
  chill: { name: 'Chill', rule: 'by depth: shallow in proportion, deep with its square' },
  whip: { name: 'Whip', rule: 'by nothing: the whisk works a spoonful at a time; the bowl sets the limit' },
}
