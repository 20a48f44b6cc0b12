/**
 * Rebalance: from a formula and what is wanted of it to up to three different ways there. Each way frees some lines (or
 * changes the process first), then x_k = ln(g_k / base_k) of its free lines minimise
 *   [ln(τ*ₐ/target)/.10]² + [ln(sour/target)/.05]² + [ln(sweet/target)/.05]² + [(mass − M)/(.005 M)]² + Σ(.15 x_k/.35)²
 * by bounded least squares, on `quick` points corrected by whole assessments. Whole eggs and cans are then
 * tried at the neighbouring counts with the rest solved again. The answer is assessed whole.
 */
import { InputError, within } from '../base/errors'
import { findIngredient, hasTrait, OFFERED } from '../base/ingredients/ingredients'
import { fillingCost } from '../formula/cost'
import { fillingOf, type Bench } from '../formula/bench'
import { given, type Line } from '../formula/document'
import { withMasses } from '../formula/edits'
import { eggEachG, eggPart, yolkMass } from '../formula/eggs'
import { familyOf } from '../formula/families'
import type { Kitchen } from '../kitchen/kitchen'
import type { AromaWord } from '../physics/matter/aroma'
import { type Sharpness, SHARPNESS, SHARPNESS_EDGES } from '../physics/matter/taste'
import { type BandId, BANDS, CUTS, neededPa, standingHeight } from '../physics/set/bands'
import { assess, work } from '../pipeline/assess'
import type { Assessment, VerdictCode } from '../pipeline/assessment'
import { weighable } from './elasticity'
import { leastSquares } from './leastSquares'
import { type Moves, outcomeOf, TONGUE_LN } from './outcome'
import { createQuick, type Point, pointOf, type Quick } from './quick'
import { suggestTarget } from './target'

export type SetGoal =
  | { kind: 'keep' }
  /** What the formula's use asks, with a margin. */
  | { kind: 'use' }
  | { kind: 'band', band: BandId, at: 'cold' | 'plate' }
  /** Survives the knife so high at plate temperature (S = 4). */
  | { kind: 'standsCut', heightM: number }

export interface Goal {
  set: SetGoal
  /** `keep`: as sharp as it is; null: any. */
  sharpness: Sharpness | 'keep' | null
  sweetness: 'less' | 'keep' | 'more' | null
  /** Lines in all, g; null: as it comes. */
  yieldG: number | null
  maxCost: number | null
  /** Most yolk from the shell or a carton, g. */
  maxYolkG: number | null
  /**
   * Eggs, yolks and whites from the shell stay whole in the kitchen's grade, also where a line does not say what it
   * is counted in.
   */
  wholeEggs: boolean
}

export const WAYS = ['lines', 'egg', 'butter', 'cream', 'starch', 'gelatin', 'heat', 'reduce', 'overnight'] as const
export type WayId = (typeof WAYS)[number]

export interface Change {
  kind: 'mass'
  lineId: string
  ingredientId: string
  from: number
  to: number
}
export interface ProcessChange {
  kind: 'target' | 'hold' | 'boil' | 'chill'
  from: number
  to: number
}

/** Why a way stops short. */
export type Stop =
  | { kind: 'bound', lineId: string, ingredientId: string }
  | { kind: 'pinned' }
  | { kind: 'yolkLimit' }
  | { kind: 'costLimit' }
  | { kind: 'grainy' }
  | { kind: 'noSetter' }

export interface Way {
  id: WayId
  changes: Change[]
  process: ProcessChange[]
  reached: boolean
  stops: Stop[]
  /** What it would bring. */
  code: VerdictCode
  coldPa: number
  platePa: number
  standsCutM: number
  sharpness: Sharpness
  aroma: AromaWord
  sharp: number
  massG: number
  cost: number
  /** How far it misses, as ln ratios of stress and sourness to the nearest wanted value. */
  missSet: number
  missSharp: number
  missSweet: number
  size: number
  doc: Bench
  moves: Moves
}
/** A way before it is shown beside what it starts from. */
type Tried = Omit<Way, 'moves'>

/** Bounds of a line: to a third and to three times (judgement: beyond it is another formula). */
const LOW = Math.log(1 / 3)
const HIGH = Math.log(3)
/** Gelatin that its way starts from, g, and how many times that it may become. */
const GELATIN_START_G = 1.5
const GELATIN_HIGH = Math.log(10)
const ROUNDS = 3
/** Reached: within this of the wanted stress and sourness, as ln ratio (one step of a scale, one step of a tongue). */
export const NEAR_SET = 0.05
export const NEAR_SHARP = 0.04
export const NEAR_SWEET = TONGUE_LN
/** Part of a band left free at its edges, so that a reached band is not its edge. */
const INSIDE = { set: 1.1, sharp: 1.025 }

const isEgg = (l: Line) => findIngredient(l.ingredientId)!.group === 'egg'
const group = (l: Line) => findIngredient(l.ingredientId)!.group

interface Wanted {
  set: (p: Point) => number
  sharp: (p: Point) => number
  sweet: (p: Point) => number
  /** ln(mass / wanted); 0 where any will do. */
  mass: (p: Point) => number
}

/** ln(value / the nearest wanted value): 0 inside the range. */
const outside = (value: number, low: number, high: number) =>
  value < low ? Math.log(Math.max(value, 1e-9) / low) : value > high ? Math.log(value / high) : 0

/** Part by which what the use asks is passed, so that most batches pass it (judgement). */
const USE_MARGIN = 1.2
/** ln(stress / what the use asks), of the worse of fridge and plate where it is short; 0 between floor and ceiling. */
function usesMiss({ coldPa, platePa, target }: Point): number {
  const short = (pa: number, need: number) => Math.log(Math.max(pa, 1e-9) / (need * USE_MARGIN))
  const most = Math.log(coldPa / (target.coldMaxPa / INSIDE.set))
  return Math.min(0, short(coldPa, target.coldMinPa), short(platePa, target.plateMinPa)) || Math.max(0, most)
}

function wantedOf(goal: Goal, start: Point): Wanted {
  const set = (): Wanted['set'] => {
    const g = goal.set
    if (g.kind === 'use') return usesMiss
    if (g.kind === 'keep') return p => Math.log(Math.max(p.platePa, 1e-9) / Math.max(start.platePa, 1e-9))
    if (g.kind === 'standsCut')
      return p =>
        Math.log(
          Math.max(p.platePa, 1e-9) / neededPa(within(g.heightM, 'goal.set.heightM', 0.002, 0.2), p.density, CUTS),
        )
    const i = BANDS.findIndex(b => b.id === g.band)
    const low = Math.max(BANDS[i]!.fromPa, 1) * INSIDE.set
    const high = (BANDS[i + 1]?.fromPa ?? 2 * BANDS[i]!.fromPa) / INSIDE.set
    return p => outside(g.at === 'cold' ? p.coldStarPa : p.plateStarPa, low, high)
  }
  const sharp = (): Wanted['sharp'] => {
    if (!goal.sharpness) return () => 0
    if (goal.sharpness === 'keep') return p => Math.log(p.sharp / start.sharp)
    const i = SHARPNESS.indexOf(goal.sharpness)
    return p => outside(p.sharp, SHARPNESS_EDGES[i]! * INSIDE.sharp, SHARPNESS_EDGES[i + 1]! / INSIDE.sharp)
  }
  const sweet = goal.sweetness === null ? null : start.sweet * { less: 0.9, keep: 1, more: 1.1 }[goal.sweetness]
  const massG = goal.yieldG === null ? null : within(goal.yieldG, 'goal.yieldG', 1, 1e6)
  return {
    set: set(),
    sharp: sharp(),
    sweet: p => (sweet === null ? 0 : Math.log(p.sweet / sweet)),
    mass: p => (massG === null ? 0 : Math.log(p.massG / massG)),
  }
}

interface Plan {
  id: WayId
  doc: Bench
  free: (l: Line) => boolean
  process: ProcessChange[]
  /** How much of a step it is to a cook, for ranking: heat and time before another formula (judgement). */
  weight: number
}

/**
 * Overnight in the cold, s; and the share of the 24 h strength above which waiting brings nothing worth it
 * (judgement).
 */
const OVERNIGHT_S = 14 * 3600
const STILL_SETTING = 0.93

/** Ways to try: which lines are free, and what changes first in the process. */
function plansFor(doc: Bench, kitchen: Kitchen, a: Assessment): Plan[] {
  const lines = fillingOf(doc).lines
  const has = (test: (l: Line) => boolean) => lines.some(l => l.massG > 0 && test(l))
  const minor = (l: Line) => ['zest', 'other'].includes(group(l))
  const sweetOrJuice = (l: Line) =>
    group(l) === 'sugar' || group(l) === 'juice' || group(l) === 'acid' || group(l) === 'water'
  const plans: Plan[] = [{ id: 'lines', doc, free: l => !minor(l), process: [], weight: 1 }]
  const named = (id: WayId, test: (l: Line) => boolean) => {
    if (has(l => test(l) && !l.pinned))
      plans.push({ id, doc, free: l => test(l) || sweetOrJuice(l), process: [], weight: 1 })
  }
  const { eggSets, levers, fields } = familyOf(doc.family)
  if (levers.includes('egg')) named('egg', isEgg)
  if (levers.includes('butter')) named('butter', l => group(l) === 'butter')
  named('cream', l => group(l) === 'dairy')
  named('starch', l => hasTrait(l.ingredientId, 'starch'))
  if (levers.includes('gelatin'))
    plans.push({ id: 'gelatin', doc: withGelatin(doc), free: l => !minor(l), process: [], weight: 1 })
  const { heat } = doc
  const pot = heat.method !== 'oven' && heat.method !== 'none' && given(heat.course) === null
  if (pot && eggSets && a.heat.a < 0.95) {
    const targetTempC = suggestTarget(doc, kitchen)
    if (targetTempC > heat.targetTempC)
      plans.push({
        id: 'heat',
        doc: { ...doc, heat: { ...heat, targetTempC } },
        free: l => !minor(l),
        process: [{ kind: 'target', from: heat.targetTempC, to: targetTempC }],
        weight: 0.7,
      })
    else
      plans.push({
        id: 'heat',
        doc: { ...doc, heat: { ...heat, holdS: heat.holdS + 120 } },
        free: l => !minor(l),
        process: [{ kind: 'hold', from: heat.holdS, to: heat.holdS + 120 }],
        weight: 0.7,
      })
  }
  if (pot && fields.reduce && heat.until === 'hold')
    plans.push({
      id: 'reduce',
      doc: { ...doc, heat: { ...heat, targetTempC: Math.max(heat.targetTempC, 100), holdS: heat.holdS + 180 } },
      free: sweetOrJuice,
      process: [{ kind: 'boil', from: heat.holdS, to: heat.holdS + 180 }],
      weight: 0.8,
    })
  const last = doc.chill.length - 1
  const from = doc.chill[last]!.timeS
  if (from < OVERNIGHT_S && a.verdict.cold.tauPa.value > 0 && shareAt(a) < STILL_SETTING)
    plans.push({
      id: 'overnight',
      doc: { ...doc, chill: doc.chill.map((l, i) => (i === last ? { ...l, timeS: OVERNIGHT_S } : l)) },
      free: l => !minor(l),
      process: [{ kind: 'chill', from, to: OVERNIGHT_S }],
      weight: 0.8,
    })
  return plans
}

/** Share of the 24 h strength that the piece has when it is served. */
function shareAt(a: Assessment): number {
  const i = a.chill.timeS.findIndex(t => t >= a.chill.servedS)
  return a.chill.setShare[i < 0 ? a.chill.setShare.length - 1 : i] ?? 1
}

const GELATIN_LINE = 'gelatin-added'
function withGelatin(doc: Bench): Bench {
  const filling = fillingOf(doc)
  if (filling.lines.some(l => hasTrait(l.ingredientId, 'gelatin') && l.massG > 0)) return doc
  const line: Line = {
    id: GELATIN_LINE,
    ingredientId: OFFERED.gelatin,
    massG: GELATIN_START_G,
    sourceText: '',
    assumption: '',
  }
  // Bloomed and stirred in warm: with whatever is stirred in after the heat, else into the pot.
  const into = filling.steps.findIndex(s => s.kind === 'stirIn')
  const steps = filling.steps.map((s, i) =>
    (into >= 0 ? i === into : s.kind === 'combine') && 'lineIds' in s
      ? { ...s, lineIds: [...s.lineIds, line.id] }
      : s,
  )
  return {
    ...doc,
    components: doc.components.map(c => (c === filling ? { ...c, lines: [...c.lines, line], steps } : c)),
  }
}

/** Where a search ends: a target is rounded to a whole degree, grams to what can be weighed. */
const [ROUGH, FINE] = [1e-3, 1e-5]
/** One unit of the target's variable, K, and how far it may go. */
const TARGET_K = 4
const TARGET_LOW = -2.5
const TARGET_HIGH = 1.5

/** Whether the pot's target is a variable: egg sets it, and its heat is simulated. */
const targetMoves = ({ family, heat }: Bench) =>
  familyOf(family).eggSets && heat.method !== 'oven' && heat.method !== 'none' && given(heat.course) === null
const withTarget = (doc: Bench, targetTempC: number): Bench =>
  targetTempC === doc.heat.targetTempC ? doc : { ...doc, heat: { ...doc.heat, targetTempC } }

interface Solution {
  masses: ReadonlyMap<string, number>
  targetTempC: number
  /** Quick points of the plan, and what the whole pipeline missed of them: where the next solution begins. */
  quick: Quick
  bias: { set: number, sharp: number }
}

/**
 * Solves one plan with some lines free, and the pot's target with them where `moveTarget` (more egg or less sugar
 * sets at fewer degrees).
 * @param from a solution of the same plan: its lines and its miss are where this one begins
 */
function solve(
  plan: Plan,
  kitchen: Kitchen,
  goal: Goal,
  wanted: Wanted,
  fixed: ReadonlyMap<string, number>,
  moveTarget: boolean,
  from: Solution | null = null,
): Solution {
  const base = withMasses(plan.doc, fixed)
  const free = fillingOf(base).lines.filter(l => !l.pinned && l.massG > 0 && plan.free(l) && !fixed.has(l.id))
  const quick = from?.quick ?? createQuick(plan.doc, kitchen)
  let bias = from?.bias ?? { set: 0, sharp: 0 }
  if (free.length === 0) return { masses: fixed, targetTempC: base.heat.targetTempC, quick, bias }
  // Scaled to the yield first, so that x measures the change of balance.
  const masses = (x: readonly number[]) =>
    new Map([...fixed, ...free.map((l, i) => [l.id, l.massG * Math.exp(x[i]!)] as const)])
  const target = (x: readonly number[]) => base.heat.targetTempC + TARGET_K * (x[free.length] ?? 0)
  const at = (x: readonly number[]) => withTarget(withMasses(base, masses(x)), target(x))
  const begin = (l: Line) => Math.log((from?.masses.get(l.id) ?? l.massG) / l.massG)
  let best: number[] = [...free.map(begin), ...(moveTarget ? [0] : [])]
  const limits = (line: (l: Line) => number, heat: number) => [...free.map(line), ...(moveTarget ? [heat] : [])]
  const residuals = (x: readonly number[]): number[] => {
    const doc = at(x)
    const p = quick(doc)
    const yolk = yolkMass(fillingOf(doc).lines)
    const over = (value: number, max: number | null) => (max === null ? 0 : Math.max(0, Math.log(value / max)) / 0.01)
    return [
      (wanted.set(p) + bias.set) / 0.1,
      (wanted.sharp(p) + bias.sharp) / 0.05,
      wanted.sweet(p) / 0.05,
      wanted.mass(p) / 0.005,
      over(fillingCost(doc, kitchen), goal.maxCost),
      over(yolk, goal.maxYolkG),
      Math.max(0, p.b - 0.2) * 20,
      ...x.map(v => (0.15 * v) / 0.35),
    ]
  }
  for (let round = 0; round < ROUNDS; round++) {
    best = leastSquares(
      residuals,
      best,
      limits(() => LOW, TARGET_LOW),
      limits(l => (l.id === GELATIN_LINE ? GELATIN_HIGH : HIGH), TARGET_HIGH),
      { tolerance: moveTarget ? ROUGH : FINE },
    ).x
    if (round === ROUNDS - 1 || from) break
    // What the whole pipeline still misses (the quick point's error, and what staying near the formula costs) is
    // asked for on top.
    const p = pointOf(assess(at(best), kitchen))
    const [set, sharp] = [wanted.set(p), wanted.sharp(p)]
    if (Math.abs(set) < 0.01 && Math.abs(sharp) < 0.01) break
    bias = { set: bias.set + set, sharp: bias.sharp + sharp }
  }
  return { masses: masses(best), targetTempC: target(best), quick, bias }
}

/** Lines of a plan that must stay whole, with the grams of a piece. */
const wholeLines = (plan: Plan, kitchen: Kitchen, goal: Goal): { id: string, eachG: number }[] =>
  fillingOf(plan.doc)
    .lines.filter(l => !l.pinned && l.massG > 0 && plan.free(l))
    .flatMap((l) => {
      const shell = eggPart(l.ingredientId)
      const eachG = l.piece?.eachG ?? (goal.wholeEggs && shell ? eggEachG(shell, kitchen.eggGrade) : null)
      return eachG === null ? [] : [{ id: l.id, eachG }]
    })

/**
 * Up to three ways, the best first; a single one without changes when the formula is there already. It yields between
 * trials so that a worker can report and give up.
 * @throws {InputError} for a goal that cannot be, by field
 */
export function* rebalance(doc: Bench, kitchen: Kitchen, goal: Goal): Generator<{ done: number }, Way[]> {
  const w = work(doc, kitchen)
  const start = pointOf(w.assessment)
  const wanted = wantedOf(goal, start)
  if (goal.maxCost !== null) within(goal.maxCost, 'goal.maxCost', 0.01, 1e6)
  if (goal.maxYolkG !== null) within(goal.maxYolkG, 'goal.maxYolkG', 0.1, 1e6)
  const plans = plansFor(doc, kitchen, w.assessment)
  const asIs = finish(plans[0]!, doc, kitchen, goal, wanted, new Map(), new Set())
  const now = outcomeOf(w)
  if (asIs.reached) return [{ ...asIs, moves: { before: now, after: now } }]
  const ways: Tried[] = []
  for (const [n, plan] of plans.entries()) {
    yield { done: n / plans.length }
    try {
      // The target first, to a whole degree; then the lines at that heat.
      const target = targetMoves(plan.doc)
        ? Math.round(solve(plan, kitchen, goal, wanted, new Map(), true).targetTempC)
        : plan.doc.heat.targetTempC
      const heated: Plan = {
        ...plan,
        doc: withTarget(plan.doc, target),
        process:
          target === plan.doc.heat.targetTempC
            ? plan.process
            : [
                ...plan.process.filter(p => p.kind !== 'target'),
                { kind: 'target', from: doc.heat.targetTempC, to: target },
              ],
      }
      yield { done: (n + 0.5) / plans.length }
      const free = solve(heated, kitchen, goal, wanted, new Map(), false)
      const counted = wholeLines(plan, kitchen, goal).slice(0, 3)
      let tries: ReadonlyMap<string, number>[] = [new Map()]
      for (const l of counted) {
        const at = free.masses.get(l.id)! / l.eachG
        const counts = [...new Set([Math.max(1, Math.floor(at)), Math.ceil(at)])]
        tries = tries.flatMap(t => counts.map(c => new Map([...t, [l.id, c * l.eachG]])))
      }
      let best: Tried | null = null
      for (const whole of tries) {
        yield { done: n / plans.length }
        const way = finish(
          heated,
          doc,
          kitchen,
          goal,
          wanted,
          (counted.length ? solve(heated, kitchen, goal, wanted, whole, false, free) : free).masses,
          new Set(counted.map(l => l.id)),
        )
        if (!best || better(way, best)) best = way
      }
      if (best && best.changes.length + best.process.length > 0) ways.push(best)
    } catch (error) {
      // A plan that leads nowhere possible is no way.
      if (!(error instanceof InputError) || error.path.startsWith('goal.')) throw error
    }
  }
  ways.sort((a, b) => (better(a, b) ? -1 : 1))
  const seen = new Set<string>()
  return ways
    .filter((way) => {
      const key = [
        ...way.changes.map(c => `${c.ingredientId}${Math.round(c.to / Math.max(1, c.from * 0.02))}`),
        ...way.process.map(p => p.kind),
      ]
        .sort()
        .join()
      return seen.has(key) ? false : seen.add(key)
    })
    .slice(0, 3)
    .map(way => ({ ...way, moves: { before: now, after: outcomeOf(work(way.doc, kitchen)) } }))
}

const miss = (w: Tried) => Math.abs(w.missSet) + 2 * Math.abs(w.missSharp) + Math.abs(w.missSweet)
const better = (a: Tried, b: Tried): boolean =>
  a.reached !== b.reached
    ? a.reached
    : a.reached
      ? a.size < b.size
      : Math.abs(miss(a) - miss(b)) > 0.02
        ? miss(a) < miss(b)
        : a.size < b.size

/** Lines whose grams differ by more than a cook would call the same. */
function changesOf(original: Bench, next: Bench): Change[] {
  const before = new Map(fillingOf(original).lines.map(l => [l.id, l.massG]))
  return fillingOf(next).lines.flatMap((l): Change[] => {
    const from = before.get(l.id) ?? 0
    return Math.abs(l.massG - from) > 0.004 * Math.max(from, 5)
      ? [{ kind: 'mass', lineId: l.id, ingredientId: l.ingredientId, from, to: l.massG }]
      : []
  })
}

/** What stands in the way of a plan that does not reach. */
function stopsOf(
  plan: Plan,
  original: Bench,
  goal: Goal,
  a: Assessment,
  masses: ReadonlyMap<string, number>,
  took: { cost: number, yolkG: number },
): Stop[] {
  const stops: Stop[] = []
  for (const l of fillingOf(plan.doc).lines) {
    const to = masses.get(l.id)
    if (to !== undefined && (to <= l.massG * 0.34 || to >= l.massG * (l.id === GELATIN_LINE ? 9.8 : 2.95)))
      stops.push({ kind: 'bound', lineId: l.id, ingredientId: l.ingredientId })
  }
  if (goal.maxYolkG !== null && took.yolkG > goal.maxYolkG * 0.98) stops.push({ kind: 'yolkLimit' })
  if (goal.maxCost !== null && took.cost > goal.maxCost * 0.98) stops.push({ kind: 'costLimit' })
  if (a.verdict.code === 'grainy') stops.push({ kind: 'grainy' })
  if (a.verdict.plate.tauPa.value < 1) stops.push({ kind: 'noSetter' })
  if (fillingOf(original).lines.some(l => l.pinned)) stops.push({ kind: 'pinned' })
  return stops
}

/**
 * How far it goes: the lines' changes together, a little for every line touched and every change of process
 * (judgement).
 */
function sizeOf(plan: Plan, changes: readonly Change[]): number {
  const least = (c: Change) => (hasTrait(c.ingredientId, 'gelatin') ? GELATIN_START_G : 0.1)
  const squares = changes.reduce((s, c) => s + Math.log(Math.max(c.to, 0.1) / Math.max(c.from, least(c))) ** 2, 0)
  return plan.weight * (Math.sqrt(squares) + 0.1 * changes.length + 0.15 * plan.process.length)
}

/** Rounds to what can be weighed, assesses whole, and says what it brings and what stops it. */
function finish(
  plan: Plan,
  original: Bench,
  kitchen: Kitchen,
  goal: Goal,
  wanted: Wanted,
  masses: ReadonlyMap<string, number>,
  whole: ReadonlySet<string>,
): Tried {
  const rounded = [...masses].map(
    ([id, g]) => [id, whole.has(id) ? Math.round(g * 10) / 10 : weighable(g)] as const,
  )
  const tried = withMasses(plan.doc, new Map(rounded))
  const a = assess(tried, kitchen)
  const p = pointOf(a)
  const changes = changesOf(original, tried)
  // What is as good as unchanged stays exactly as it was.
  const kept = fillingOf(original).lines.filter(l => !changes.some(c => c.lineId === l.id))
  const doc = withMasses(tried, new Map(kept.map(l => [l.id, l.massG])))
  const missSet = wanted.set(p)
  const missSharp = wanted.sharp(p)
  const missSweet = wanted.sweet(p)
  const took = { cost: fillingCost(doc, kitchen), yolkG: yolkMass(fillingOf(doc).lines) }
  const reached =
    Math.abs(missSet) <= NEAR_SET &&
    Math.abs(missSharp) <= NEAR_SHARP &&
    !(goal.maxCost !== null && took.cost > goal.maxCost * 1.01) &&
    !(goal.maxYolkG !== null && took.yolkG > goal.maxYolkG * 1.01) &&
    a.verdict.code !== 'grainy' &&
    (goal.set.kind !== 'use' || a.verdict.code === 'good') &&
    Math.abs(wanted.mass(p)) <= 0.03 &&
    Math.abs(missSweet) <= NEAR_SWEET
  return {
    id: plan.id,
    changes,
    process: plan.process,
    reached,
    stops: reached ? [] : stopsOf(plan, original, goal, a, masses, took),
    code: a.verdict.code,
    coldPa: p.coldPa,
    platePa: p.platePa,
    standsCutM: standingHeight(p.platePa, p.density, CUTS),
    sharpness: a.balance.sharpness,
    aroma: a.balance.aroma.word,
    sharp: p.sharp,
    massG: p.massG,
    cost: took.cost,
    missSet,
    missSharp,
    missSweet,
    size: sizeOf(plan, changes),
    doc,
  }
}
