/**
 * A day planned anew while it runs: with as few moves as it goes. What a change does not touch stays where it was; more
 * is let go only where that makes no plan: first what follows in the same dessert, then the dessert, then what is in
 * the way of it, then everything.
 */
import { parseISO } from 'date-fns'
import { CHANCE_WANTED } from './chance'
import { keyOf } from './day'
import { type DayPlan, planSteps, type PlanTask } from './plan'
import type { DayInput, StepInput } from './read'

/** A step that is elsewhere than it was: who had it, who has it now. */
export interface Move {
  key: string
  name: string
  from: { start: string, who: string | null }
  to: { start: string, who: string | null }
}
const taskKey = (t: Pick<PlanTask, 'dessert' | 'id'>) => keyOf(t.dessert, t.id)
/** Less than this is no move anybody has to be told of, min. */
const TOLD_MIN = 1
const msOf = (iso: string): number => parseISO(iso).getTime()
const minutesBetween = (a: string, b: string) => Math.abs(msOf(a) - msOf(b)) / 60_000

/**
 * What is elsewhere in a plan than in the one before it; new steps and those that are gone are no moves.
 * @example movesOf({ tasks: [] }, { tasks: [] }) // []
 */
export function movesOf(before: Pick<DayPlan, 'tasks'>, now: Pick<DayPlan, 'tasks'>): Move[] {
  const was = new Map(before.tasks.map(t => [taskKey(t), t]))
  return now.tasks.flatMap((t): Move[] => {
    const old = was.get(taskKey(t))
    if (!old) return []
    if (minutesBetween(old.start, t.start) < TOLD_MIN && old.who === t.who) return []
    return [{
      key: taskKey(t), name: t.name, from: { start: old.start, who: old.who }, to: { start: t.start, who: t.who },
    }]
  })
}

/** Who must know of moves: whoever has a step now, or had it before; each with theirs, the soonest first. */
export function whoMustKnow(moves: readonly Move[]): { who: string, moves: Move[] }[] {
  const names = [...new Set(moves.flatMap(m => [m.to.who, m.from.who]).filter(w => w !== null))]
  return names.map(who => ({
    who,
    moves: moves.filter(m => m.to.who === who || m.from.who === who)
      .sort((a, b) => a.to.start.localeCompare(b.to.start)),
  }))
}

/** Share of the usual search: where nearly all is held there is little to look for. */
const HELD_EFFORT = 0.08

type Steps = ReadonlyMap<string, readonly StepInput[]>
const idOf = (s: StepInput) => s.id ?? s.name
/** Steps that come after one, over all that follow. */
function followers(steps: readonly StepInput[], id: string): Set<string> {
  const out = new Set<string>()
  const chained = steps.every(s => s.after == null)
  const at = steps.findIndex(s => idOf(s) === id)
  if (chained) return new Set(steps.slice(at + 1).map(idOf))
  for (let grown = true; grown;) {
    grown = false
    for (const s of steps)
      if (!out.has(idOf(s)) && (s.after ?? []).some(a => a === id || out.has(a))) {
        out.add(idOf(s))
        grown = true
      }
  }
  return out
}

/** Steps that are elsewhere since the plan, or take longer or shorter, by their dessert. */
function put(steps: Steps, before: DayPlan): Map<string, string[]> {
  const was = new Map(before.tasks.map(t => [taskKey(t), t]))
  const isOther = (s: StepInput, old: PlanTask) => minutesBetween(old.start, s.fixed!.start) >= TOLD_MIN
    || Math.abs(minutesBetween(old.start, old.end) - s.minutes) >= TOLD_MIN
  const out = new Map<string, string[]>()
  for (const [dessert, own] of steps)
    for (const s of own) {
      const old = was.get(keyOf(dessert, idOf(s)))
      if (s.fixed && old !== undefined && isOther(s, old))
        out.set(dessert, [...(out.get(dessert) ?? []), idOf(s)])
    }
  return out
}

/** What was planned where a step is now put, on the same hands or things, with all that follows it. */
function inTheWay(steps: Steps, before: DayPlan, moved: ReadonlyMap<string, string[]>): Set<string> {
  const out = new Set<string>()
  for (const [dessert, ids] of moved)
    for (const id of ids) {
      const old = before.tasks.find(t => t.dessert === dessert && t.id === id)!
      const step = steps.get(dessert)!.find(s => idOf(s) === id)!
      const from = msOf(step.fixed!.start)
      const to = from + Math.max(60_000 * step.minutes, msOf(old.end) - msOf(old.start))
      const shares = (t: PlanTask) => t.who === old.who || t.uses.some(u => old.uses.some(v => v.id === u.id))
      for (const t of before.tasks) {
        if (!shares(t) || msOf(t.start) >= to || msOf(t.end) <= from) continue
        out.add(taskKey(t))
        for (const f of followers(steps.get(t.dessert) ?? [], t.id)) out.add(keyOf(t.dessert, f))
      }
    }
  return out
}

/** The day with every step held where it was, but those let go; null: one of them is new, so the day is another. */
function held(input: DayInput, before: DayPlan, isFree: (dessert: string, step: string) => boolean): DayInput | null {
  const was = new Map(before.tasks.map(t => [taskKey(t), t]))
  let isAnother = false
  const desserts = input.desserts.map((d) => {
    const id = d.id ?? d.name
    const steps = (d.steps ?? []).map((s): StepInput => {
      const old = was.get(keyOf(id, idOf(s)))
      if (!old) isAnother = true
      return s.fixed || !old || isFree(id, idOf(s)) ? s : { ...s, fixed: { start: old.start, who: old.who } }
    })
    return { ...d, steps }
  })
  return isAnother ? null : { ...input, desserts }
}

/** So much less likely in time is no reason to move everybody (judgement). */
const LOSES = 0.06
/** A plan that keeps what is held, every service as likely in time as nine in ten, or nearly as likely as it was. */
const isSound = (plan: DayPlan, before: DayPlan) => plan.feasible && plan.conflicts.length <= before.conflicts.length
  && Object.entries(plan.chanceOnTime).every(([id, p]) =>
    p >= Math.min(CHANCE_WANTED, (before.chanceOnTime[id] ?? CHANCE_WANTED) - LOSES))

/**
 * A day whose steps are given, planned anew with the fewest moves from the plan before.
 * @throws {InputError} as `dayOf`
 */
export function* replanSteps(
  input: DayInput, before: DayPlan, effort = 1,
): Generator<number, DayPlan> {
  const steps: Steps = new Map(input.desserts.map(d => [d.id ?? d.name, d.steps ?? []]))
  const moved = put(steps, before)
  const after = new Map([...moved].map(([dessert, ids]) =>
    [dessert, new Set(ids.flatMap(id => [...followers(steps.get(dessert)!, id)]))]))
  const follows = (dessert: string, step: string) => after.get(dessert)?.has(step) ?? false
  const blocks = inTheWay(steps, before, moved)
  const free: ((dessert: string, step: string) => boolean)[] = [
    follows,
    // What comes before a step that was put earlier must be earlier, too.
    dessert => moved.has(dessert),
    (dessert, step) => moved.has(dessert) || blocks.has(keyOf(dessert, step)),
  ]
  for (const isFree of moved.size > 0 ? free : [() => false]) {
    const day = held(input, before, isFree)
    if (!day) break
    const plan = yield* planSteps(day, HELD_EFFORT * effort)
    if (isSound(plan, before)) return plan
  }
  return yield* planSteps(input, effort)
}
