/** From a day to its plan: margins, the search, the chances, and what stands in the way. */
import { toEnd } from '../base/run'
import type { Placed } from './board'
import { CHANCE_WANTED, chancesOf, marginOf } from './chance'
import { slowed, slowedBy } from './company'
import type { Day } from './day'
import { type Conflict, conflictsOf, crowdedIn } from './explain'
import { type Clock, type DayInput, dayOf } from './read'
import { type Found, type Margin, searchDay } from './search'

export interface PlanTask {
  id: string
  dessert: string
  name: string
  start: string
  end: string
  attended: [string, string][]
  who: string | null
  uses: { id: string, amount: number, tempC: number | null }[]
}
export interface DayPlan {
  feasible: boolean
  tasks: PlanTask[]
  chanceOnTime: Record<string, number>
  conflicts: Conflict[]
}

/**
 * Margins are widened where the chance falls short, so many times: before service by so much and some minutes (hands
 * come late from other work), after the least sure step by less.
 */
const WIDENED = { times: 8, end: 1.3, endMin: 2, after: 1.12 }
/** A first plan, and one in which nearly all is held, are shown with the margins they have. */
const WIDENS_FROM = 0.1
/** Share of the work that the first search is. */
const FIRST = 0.5

export interface Planned {
  /** With what company in a fridge makes longer. */
  day: Day
  found: Found | null
  chances: Map<string, number>
  buffers: Map<string, Margin>
  /** Steps that company slows by more than the day has room for, in their fridge. */
  crowded: Map<string, number>
}
type Margined = Omit<Planned, 'day' | 'crowded'>
/** A margin as wide as the food may stand ready. */
const within = (m: Margin, keepMinutes: number | null): Margin =>
  ({ ...m, end: Math.min(m.end, keepMinutes ?? Infinity) })
const wider = (m: Margin, keepMinutes: number | null): Margin =>
  within({ ...m, end: m.end * WIDENED.end + WIDENED.endMin, after: m.after * WIDENED.after }, keepMinutes)

/** A first plan is shown before it is asked who slows whom. */
const COMPANY_FROM = 0.05
/** Who is moved meets others: asked again, so many times at most. */
const COMPANY = { times: 3, effort: 0.5, told: 1 }
/**
 * A plan in which every service is on time in nine of ten days, as far as it can be; what stands together in a fridge
 * has the longer there.
 * @param effort share of the usual search
 */
export function* planned(day: Day, effort = 1): Generator<number, Planned> {
  let now: Planned = { day, ...(yield* withMargins(day, effort)), crowded: new Map() }
  if (effort < COMPANY_FROM) return now
  let by = new Map<string, number>()
  for (let i = 0; i < COMPANY.times && now.found; i++) {
    const here = slowedBy(now.day, now.found.placed.values())
    const isMore = [...here].some(([key, m]) => m > (by.get(key) ?? 0) + COMPANY.told)
    if (!isMore) break
    by = new Map([...new Set([...by.keys(), ...here.keys()])].map(k => [k, Math.max(by.get(k) ?? 0, here.get(k) ?? 0)]))
    const longer = slowed(day, by)
    const again = yield* withMargins(longer, COMPANY.effort * effort)
    if (!again.found) return { ...now, crowded: here }
    now = { day: longer, ...again, crowded: new Map() }
  }
  return now
}

/** The same with the steps as long as they are said to be. */
function* withMargins(day: Day, effort: number): Generator<number, Margined> {
  const keepOf = new Map(day.desserts.map(d => [d.id, d.keepMinutes]))
  let buffers = new Map(day.desserts.map(d => [d.id, within(marginOf(d), d.keepMinutes)]))
  let found = yield* part(searchDay(day, buffers, effort), 0, FIRST)
  if (!found && [...buffers.values()].some(b => b.end + b.after > 0)) {
    // Without a margin it may still go, with a chance that is said.
    buffers = new Map()
    found = yield* part(searchDay(day, buffers, effort), FIRST, 0.8)
    return { found, chances: found ? chancesOf(day, found.placed) : new Map(), buffers }
  }
  if (!found) return { found, chances: new Map(), buffers }
  let chances = chancesOf(day, found.placed)
  for (let i = 0; i < (effort < WIDENS_FROM ? 0 : WIDENED.times); i++) {
    const short = [...chances].filter(([, p]) => p < CHANCE_WANTED).map(([id]) => id)
    if (short.length === 0) break
    // All of them at once; where that does not go, each by itself.
    const tries = [short, ...(short.length > 1 ? short.map(id => [id]) : [])]
    let next: Map<string, Margin> | null = null
    let again: Found | null = null
    for (const ids of tries) {
      next = new Map([...buffers].map(([id, m]) => [id, ids.includes(id) ? wider(m, keepOf.get(id)!) : m]))
      again = toEnd(searchDay(day, next, 0.3 * effort))
      if (again) break
    }
    if (!again || !next) break
    yield FIRST + (0.4 * (i + 1)) / WIDENED.times
    found = again
    chances = chancesOf(day, found.placed)
    buffers = next
  }
  return { found, chances, buffers }
}
/** A generator's share of the work, within that of another. */
function* part<T>(run: Generator<number, T>, from: number, to: number): Generator<number, T> {
  for (;;) {
    const step = run.next()
    if (step.done) return step.value
    yield from + (to - from) * step.value
  }
}

const taskOf = ({ task, start, end, who, on }: Placed, clock: Clock): PlanTask => ({
  id: task.step.id,
  dessert: task.dessert.id,
  name: task.step.name,
  start: clock.text(start),
  end: clock.text(end),
  attended: task.step.attendedMinutes > 0 ? [[clock.text(start), clock.text(start + task.step.attendedMinutes)]] : [],
  who,
  uses: on.map((id, i) => ({ id, amount: task.step.uses[i]!.amount, tempC: task.step.uses[i]!.tempC })),
})

/**
 * The plan of a day as it is given, in steps that say the share done.
 * @throws {InputError} as `dayOf`
 */
export function* planSteps(input: DayInput, effort = 1): Generator<number, DayPlan> {
  const { day, clock } = dayOf(input)
  const { day: as, found, chances, buffers, crowded } = yield* planned(day, effort)
  yield 0.95
  const conflicts = [...crowdedIn(found, crowded), ...conflictsOf(as, found, buffers, effort)]
  const tasks = [...(found?.placed.values() ?? [])].sort((a, b) => a.start - b.start || a.end - b.end)
  return {
    feasible: found !== null,
    tasks: tasks.map(p => taskOf(p, clock)),
    chanceOnTime: Object.fromEntries(chances),
    conflicts,
  }
}
/**
 * The plan of a day.
 * @example planOf({ date: '2026-11-28', desserts: [] }).feasible // true
 */
export const planOf = (input: DayInput, effort = 1): DayPlan =>
  toEnd(planSteps(input, effort))
