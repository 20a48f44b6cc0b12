/**
 * The cook's own method beside Lumbik's order of work, line by line: which of its steps answers which of theirs, and
 * where the two differ so that it matters, each with the edit that keeps theirs (marked as given).
 */
import { findIngredient } from '../../base/ingredients/ingredients'
import { type Bench, fillingOf } from '../../formula/bench'
import { given, type Step } from '../../formula/document'
import type { Assessment } from '../../pipeline/assessment'
import type { OwnCode, WorkStep } from '../../plan/work'
import type { NewId } from '../../formula/steps'
import type { Act, ActKind, Reading } from './reading'
import { heatedIn, stepsTold } from './steps'

export const DIFFERENCE_CODES = ['oven', 'peak', 'boil', 'pot', 'order', 'bench', 'cold', 'freezer'] as const
export type DifferenceCode = (typeof DIFFERENCE_CODES)[number]
/** One thing told otherwise: °C, s, or a code on each side; null: none. */
export interface Side {
  tempC?: number
  fan?: boolean
  timeS?: number | null
  /** A pan, a bath, a microwave; heated with the rest, or after it. */
  how?: string
  ingredientId?: string
  /** In the middle at the end of it, °C. */
  coreC?: number
  /** The time after which it is set through. */
  ready?: boolean
}
export interface Difference {
  code: DifferenceCode
  /** The entry of the text it belongs to. */
  line: number
  yours: Side
  here: Side
  /** Keeps theirs in the plan. */
  keep: (bench: Bench, id: NewId) => void
}

const HEAT: readonly OwnCode[] = ['meltFirst', 'temperEggs', 'heatBath', 'heatDirect', 'heatMicrowave', 'heatPouch',
  'boilDown', 'boilHold', 'boilStarch', 'boilAgar']
/** Steps of the order of work that answer an act. */
const ANSWERS: Readonly<Record<ActKind, readonly OwnCode[]>> = {
  bloom: ['bloom'], whip: ['whip', 'beatWhites'], fold: ['fold'], bath: HEAT, microwave: HEAT, boil: HEAT, heat: HEAT,
  reduce: HEAT, dissolve: ['gelatinIn'], add: ['mixCold'], strain: ['strain'], blend: ['blend'], pour: ['pour', 'lean'],
  bake: ['bake'], chill: ['chill', 'iceBath'], freeze: ['chill'], cool: ['coolTo'], unmould: ['unmould'],
  serve: ['temper', 'cut', 'portion', 'serve'], offHeat: ['offHeat'],
}
/** What is stirred in answers an act by what it is done to. */
const JOINS: Readonly<Record<string, OwnCode>> = {
  juice: 'juiceIn', butter80: 'butterIn', gelatin: 'gelatinIn', egg: 'yolkIn', yolk_sep: 'yolkIn',
}
const answers = (a: Act): readonly OwnCode[] => [
  ...ANSWERS[a.does],
  ...(['add', 'dissolve', 'blend', 'fold'].includes(a.does)
    ? a.kins.flatMap(k => JOINS[k] ?? (findIngredient(k)?.group === 'acid' ? ['juiceIn' as const] : ['stirIn' as const]))
    : []),
]

/**
 * Keys of the order's steps by the entry of the text they answer; each stands once, beside the first that speaks of it.
 * @example worksBeside(readText('200 g sugar'), []).size // 0
 */
export function worksBeside({ method }: Reading, work: readonly WorkStep[]): Map<number, string[]> {
  const out = new Map<number, string[]>()
  const used = new Set<string>()
  for (const a of method?.acts ?? []) {
    if (a.of !== 'filling') continue
    const codes: readonly string[] = answers(a)
    for (const s of work) {
      const isFreezer = s.code === 'chill' && s.params.place === 'freezer'
      if (used.has(s.key) || !codes.includes(s.code) || (s.code === 'chill' && isFreezer !== (a.does === 'freeze'))) continue
      used.add(s.key)
      out.set(a.line, [...(out.get(a.line) ?? []), s.key])
    }
  }
  const at = (key: string) => work.findIndex(s => s.key === key)
  for (const keys of out.values()) keys.sort((x, y) => at(x) - at(y))
  return out
}

/** Differences smaller than these do not matter: K, s, as a share (judgement). */
const NEAR = { ovenK: 1, peakK: 0.5, timeS: 60, share: 0.15 }

/**
 * Where a method and the plan differ.
 * @example differencesOf(readText('200 g sugar'), doc, assessment).length // 0
 */
export function differencesOf(r: Reading, b: Bench, a: Assessment): Difference[] {
  if (!r.method) return []
  const { acts } = r.method
  const lineOf: LineOf = test => acts.findLast(x => x.of === 'filling' && test(x))?.line ?? acts.at(-1)!.line
  return [
    ...ovenDiffers(r, b, a, lineOf), ...peakDiffers(r, b, lineOf), ...potDiffers(r, b, lineOf),
    ...boilDiffers(r, b, lineOf), ...orderDiffers(r, b), ...coldDiffers(r, b, a, lineOf),
  ]
}
type LineOf = (test: (a: Act) => boolean) => number

function ovenDiffers({ oven }: Reading, b: Bench, a: Assessment, lineOf: LineOf): Difference[] {
  const { heat } = b
  if (heat.method !== 'oven' || !oven) return []
  const timeS = oven.minutes === null ? null : oven.minutes * 60
  const isOther = Math.abs(oven.tempC - heat.oven.airTempC) > NEAR.ovenK || oven.fan !== heat.oven.fan
    || (timeS !== null && Math.abs(timeS - a.heat.endS) > NEAR.timeS)
  if (!isOther) return []
  return [{
    code: 'oven', line: lineOf(x => x.does === 'bake'),
    yours: { tempC: oven.tempC, fan: oven.fan, timeS },
    here: { tempC: heat.oven.airTempC, fan: heat.oven.fan, timeS: a.heat.endS, coreC: a.heat.peakTempC },
    keep: (d) => {
      Object.assign(d.heat.oven, { airTempC: oven.tempC, fan: oven.fan })
      if (timeS !== null) d.heat.oven.timeS = { given: timeS }
    },
  }]
}

function peakDiffers({ peakC }: Reading, b: Bench, lineOf: LineOf): Difference[] {
  const { heat } = b
  const asks = heat.method !== 'none' && (heat.method !== 'oven' || given(heat.oven.timeS) === null)
  if (!asks || peakC === null || Math.abs(peakC - heat.targetTempC) < NEAR.peakK) return []
  return [{
    code: 'peak', line: lineOf(x => x.tempC !== null && Math.abs(x.tempC - peakC) < 1),
    yours: { tempC: peakC }, here: { tempC: heat.targetTempC },
    keep: (d) => {
      d.heat.targetTempC = peakC
    },
  }]
}

function potDiffers({ method }: Reading, b: Bench, lineOf: LineOf): Difference[] {
  const { heat } = b
  const pot = method!.pot
  if (!pot || pot === heat.method || heat.method === 'oven' || heat.method === 'none') return []
  return [{
    code: 'pot', line: lineOf(x => ['bath', 'microwave', 'heat', 'boil'].includes(x.does)),
    yours: { how: pot }, here: { how: heat.method },
    keep: d => void Object.assign(d.heat, heatedIn(pot)),
  }]
}

function boilDiffers({ method }: Reading, b: Bench, lineOf: LineOf): Difference[] {
  const { heat } = b
  if (method!.boilMinutes === null || heat.method === 'oven' || heat.method === 'none') return []
  const timeS = method!.boilMinutes * 60
  const isDown = heat.until === 'creamVolume'
  if (!isDown && Math.abs(timeS - heat.holdS) < 1) return []
  return [{
    code: 'boil', line: lineOf(x => (x.does === 'boil' || x.does === 'heat') && x.minutes !== null),
    yours: { timeS }, here: isDown ? { timeS: null } : { timeS: heat.holdS },
    keep: d => void Object.assign(d.heat, { holdS: timeS, until: 'hold' }),
  }]
}

/** Where a line joins, in the steps of a formula. */
const whereIs = (steps: readonly Step[], lineId: string) => {
  const s = steps.find(x => 'lineIds' in x && x.lineIds.includes(lineId))
  return s?.kind === 'stirIn' ? 'after' : s?.kind === 'foldIn' ? 'folded' : 'heated'
}
function orderDiffers({ method }: Reading, b: Bench): Difference[] {
  const filling = fillingOf(b)
  if (b.heat.method === 'oven' || b.heat.method === 'none') return []
  return filling.lines.flatMap((l): Difference[] => {
    const told = method!.placed[l.ingredientId]
    const here = whereIs(filling.steps, l.id)
    if (!told || told.where === here) return []
    return [{
      code: 'order', line: method!.acts[told.order]?.line ?? method!.acts[0]!.line,
      yours: { how: told.where, ingredientId: l.ingredientId }, here: { how: here, ingredientId: l.ingredientId },
      keep: (d, id) => {
        const own = fillingOf(d)
        own.steps = stepsTold(d.school, own.lines, method, id)
      },
    }]
  })
}

/** Time on the bench, in the freezer; and the cold, held against when it is ready. */
function coldDiffers({ method }: Reading, b: Bench, a: Assessment, lineOf: LineOf): Difference[] {
  const { coolMinutes, chillMinutes, freezeMinutes } = method!
  const out: Difference[] = []
  const leg = (kind: string) => b.chill.find(l => l.place.kind === kind)
  const isOther = (toldS: number, hereS: number) => Math.abs(toldS - hereS) > Math.max(NEAR.timeS, NEAR.share * toldS)
  const timed = (code: 'bench' | 'freezer', minutes: number | null, kind: string, does: ActKind) => {
    const own = leg(kind)
    if (minutes === null || !own || !isOther(minutes * 60, own.timeS)) return
    out.push({
      code, line: lineOf(x => x.does === does), yours: { timeS: minutes * 60 }, here: { timeS: own.timeS },
      keep: (d) => {
        const theirs = d.chill.find(l => l.place.kind === kind)
        if (theirs) theirs.timeS = minutes * 60
      },
    })
  }
  timed('bench', coolMinutes, 'bench', 'cool')
  timed('freezer', freezeMinutes, 'freezer', 'freeze')
  const fromS = a.chill.legs.at(-1)?.fromS ?? 0
  const { readyS } = a.chill
  const hereS = readyS === null ? null : Math.max(0, readyS - fromS)
  const theirS = (chillMinutes ?? 0) * 60
  // A longer wait than it needs is no matter; a shorter one is.
  const isShort = hereS === null || hereS - theirS > NEAR.share * theirS
  if (chillMinutes !== null && isShort && given(b.serve.chilledS) !== fromS + theirS)
    out.push({
      code: 'cold', line: lineOf(x => x.does === 'chill'), yours: { timeS: theirS }, here: { timeS: hereS, ready: true },
      keep: (d) => {
        d.serve.chilledS = { given: fromS + theirS }
      },
    })
  return out
}
