/**
 * What a step asks of the kitchen: how long hands are needed at it, how long it goes on alone, and which equipment it
 * occupies. Times where a step has none of its own, and who must stand at what, are common practice; the figures are
 * rounded from it, none is measured.
 */
import type { Bench } from '../formula/bench'
import type { PartStep } from '../formula/parts'
import type { PlaceKind } from '../physics/thermal/places'
import type { Labour, OwnCode, PartCode, StepOf, Tool, Use, WorkStep, WrittenStep } from './work'

/** Hands at a step: `all` while it lasts, or some seconds of it, and some for each glass, piece or portion. */
interface Hands {
  all?: true
  s?: number
  eachS?: number
  tool?: Tool
}

const HANDS: Readonly<Record<OwnCode, Hands>> = {
  thaw: { s: 60, tool: 'fridge' },
  zestSugar: { s: 240 },
  bloom: { s: 60 },
  slurry: { s: 60 },
  mixCold: { s: 180 },
  meltFirst: { s: 240, tool: 'burner' },
  temperEggs: { s: 180, tool: 'burner' },
  heatBath: { all: true, tool: 'burner' },
  heatDirect: { all: true, tool: 'burner' },
  heatMicrowave: { all: true, tool: 'microwave' },
  heatPouch: { s: 300, tool: 'circulator' },
  boilDown: { all: true, tool: 'burner' },
  boilHold: { all: true, tool: 'burner' },
  boilStarch: { all: true, tool: 'burner' },
  boilAgar: { all: true, tool: 'burner' },
  offHeat: { s: 30 },
  steep: { s: 30 },
  rest: { s: 30 },
  skim: { s: 60 },
  tap: { s: 30, eachS: 3 },
  finish: { eachS: 15 },
  strain: { s: 120 },
  coolTo: { s: 60 },
  juiceIn: { s: 60 },
  butterIn: { s: 180 },
  gelatinIn: { s: 60 },
  yolkIn: { s: 120 },
  stirIn: { s: 60 },
  whip: { s: 240, tool: 'mixer' },
  beatWhites: { s: 360, tool: 'mixer' },
  fold: { s: 180 },
  blend: { s: 120, tool: 'blender' },
  pour: { s: 60, eachS: 15 },
  lean: { eachS: 10 },
  bake: { s: 120, tool: 'oven' },
  iceBath: { all: true, tool: 'iceBath' },
  chill: { s: 60 },
  unmould: { s: 60 },
  temper: { s: 30 },
  cut: { s: 30, eachS: 15 },
  portion: { eachS: 20 },
  serve: { eachS: 20 },
}

/** Steps of a part: hands all the while, but for what rests, chills or bakes. */
const PART_HANDS: Partial<Record<PartStep, Hands>> = {
  meltButter: { all: true, tool: 'burner' },
  chillBase: { s: 60, tool: 'fridge' },
  rest: { s: 60, tool: 'fridge' },
  bakeBlind: { s: 120, tool: 'oven' },
  bakeOpen: { s: 60, tool: 'oven' },
  bakeBase: { s: 60, tool: 'oven' },
  bakeSponge: { s: 60, tool: 'oven' },
  starchPaste: { all: true, tool: 'burner' },
  whiskEggs: { all: true, tool: 'mixer' },
  beatWhites: { all: true, tool: 'mixer' },
  warmWhites: { all: true, tool: 'burner' },
  boilSugar: { all: true, tool: 'burner' },
  beatCool: { s: 60, tool: 'mixer' },
  whipCream: { all: true, tool: 'mixer' },
  brown: { all: true, tool: 'torch' },
  dryOut: { s: 60, tool: 'oven' },
  coolInOven: { s: 30, tool: 'oven' },
  cookPaste: { all: true, tool: 'burner' },
  eggsIn: { all: true, tool: 'mixer' },
  bakePuffs: { s: 60, tool: 'oven' },
  meltSugar: { all: true, tool: 'burner' },
  bakeThin: { s: 60, tool: 'oven' },
  blendFruit: { all: true, tool: 'blender' },
  bindSauce: { all: true, tool: 'burner' },
  roastFruit: { s: 120, tool: 'oven' },
  macerate: { s: 120, tool: 'fridge' },
  blanchThrice: { all: true, tool: 'burner' },
  simmerPeel: { s: 600, tool: 'burner' },
  dryPeel: { s: 60, tool: 'oven' },
  steepPeel: { s: 300 },
  boilSyrup: { all: true, tool: 'burner' },
  cookBase: { all: true, tool: 'burner' },
  chillMix: { s: 60, tool: 'fridge' },
  churn: { s: 180 },
  harden: { s: 120, tool: 'freezer' },
  thawPack: { s: 60, tool: 'fridge' },
}

const PLACE_TOOL: Readonly<Record<PlaceKind, Tool | null>> = {
  domesticFridge: 'fridge',
  fanFridge: 'fridge',
  walkIn: 'fridge',
  blastChiller: 'blastChiller',
  freezer: 'freezer',
  iceBath: 'iceBath',
  bench: null,
}

const isPart = (s: WrittenStep): s is StepOf<PartCode> => s.code.startsWith('part:')

/** How many glasses, tins or portions a step is done to. */
function piecesOf(s: WrittenStep): number {
  if (s.code === 'pour' || s.code === 'lean' || s.code === 'tap') return s.params.count
  if (s.code === 'finish') return s.params.portions
  return s.code === 'cut' || s.code === 'portion' || s.code === 'serve' ? s.params.portions : 0
}

/** What it stands in or on, with the kitchen's own one where the plan names it. */
function usesOf(s: WrittenStep, hands: Hands, heat: Bench['heat']): Use[] {
  if (s.code === 'chill' || s.code === 'iceBath') {
    const tool = PLACE_TOOL[s.params.place]
    return tool ? [{ tool, id: s.params.placeId }] : []
  }
  if (s.code === 'whip' && s.params?.byHand) return []
  // What browns under the oven's heat needs no torch.
  const tool = isPart(s) && s.params.inOven ? 'oven' : hands.tool
  if (!tool) return []
  const own = !isPart(s) && (tool === 'burner' || tool === 'microwave') ? heat.burnerId : null
  return [{ tool, id: s.code === 'bake' ? s.params.ovenId : own }]
}

/**
 * Hands, waiting and equipment of a step. A step with no time of its own takes as long as the hands at it.
 * @param plan whose heat names the burner @returns seconds, and the kitchen's ids where the plan has them
 * @example labourOf({ code: 'strain', timeS: null, params: null }, doc).attendedS // 120
 */
export function labourOf(s: WrittenStep, plan: Pick<Bench, 'heat'>): Labour {
  const hands = isPart(s) ? (PART_HANDS[s.code.slice('part:'.length) as PartStep] ?? { all: true }) : HANDS[s.code]
  const whiskS = s.code === 'mixCold' ? s.timeS ?? 0 : 0
  const byHandS = s.code === 'whip' && s.params?.byHand ? s.params.toS : whiskS
  const needed = Math.max(byHandS, hands.s ?? 0) + (hands.eachS ?? 0) * piecesOf(s)
  // Nobody is needed longer at a step than it lasts; serving lasts as long as it takes.
  const lastsS = s.code === 'serve' ? null : s.timeS
  const attendedS = hands.all ? (lastsS ?? 0) : Math.min(needed, lastsS ?? needed)
  return { attendedS, unattendedS: Math.max(0, (lastsS ?? 0) - attendedS), uses: usesOf(s, hands, plan.heat) }
}

/**
 * Hands and waiting of a whole order, s, and the equipment it occupies, each once with the seconds it is taken.
 * @example labourOfOrder([{ attendedS: 60, unattendedS: 30, uses: [] }]).attendedS // 60
 */
export function labourOfOrder(steps: readonly Pick<WorkStep, 'attendedS' | 'unattendedS' | 'uses'>[]): {
  attendedS: number
  unattendedS: number
  taken: (Use & { takenS: number })[]
} {
  const taken: (Use & { takenS: number })[] = []
  for (const s of steps)
    for (const use of s.uses) {
      const same = taken.find(t => t.tool === use.tool && t.id === use.id)
      if (same) same.takenS += s.attendedS + s.unattendedS
      else taken.push({ ...use, takenS: s.attendedS + s.unattendedS })
    }
  return {
    attendedS: steps.reduce((sum, s) => sum + s.attendedS, 0),
    unattendedS: steps.reduce((sum, s) => sum + s.unattendedS, 0),
    taken,
  }
}
