/**
 * The plan of a day: every step as late as it can go, all desserts at once.
 *
 * Serial generation, backwards: steps are taken one after another, those whose followers are all placed, by priority,
 * and each put at the latest time that fits (Kolisch & Hartmann, in: Project Scheduling, 1999; from memory). Several
 * rules of priority to begin with; then a large-neighbourhood search (Shaw, CP 1998; from memory): some desserts or
 * steps get other priorities, hands and pieces are tried in another order, and what is no worse is kept. Small days are
 * searched through further. Everything follows from the day alone: the same day, the same plan.
 *
 *   minimise Σ over desserts of (service − first start), latest starts first
 */
import { type Noise, noiseOf } from '../base/noise'
import { type Board, emptyBoard, EPS, fitAt, latestFit, type Placed, put } from './board'
import { type Day, type Task, tasksOf } from './day'

export interface Found {
  placed: Map<string, Placed>
  /** Minutes from first starts to services. */
  cost: number
}
/** What a search goes by: how early each step is taken, and where it begins to look for hands and pieces. */
interface Way {
  priority: Map<string, number>
  turn: Map<string, number>
}
/**
 * What is kept free for a dessert, minutes: before its service, and after the step that is least sure, so that what is
 * plated is plated late.
 */
export interface Margin { end: number, afterId: string | null, after: number }
export type Buffers = ReadonlyMap<string, Margin>
/** Kept free before what follows a step. */
const afterOf = (buffers: Buffers, { dessert, step }: Task): number => {
  const margin = buffers.get(dessert.id)
  return margin?.afterId === step.id ? margin.after : 0
}
const endOf = (buffers: Buffers, { dessert }: Task): number => dessert.serveAt - (buffers.get(dessert.id)?.end ?? 0)
/** Gaps that are too wide are closed by bringing the follower forward, so many times a try. */
const GAP_TRIES = 60

/** Latest end of each step by what follows it alone. */
function latestEnds(tasks: readonly Task[], buffers: Buffers): Map<string, number> {
  const byKey = new Map(tasks.map(t => [t.key, t]))
  const out = new Map<string, number>()
  const upTo = (t: Task): number => {
    const known = out.get(t.key)
    if (known !== undefined) return known
    const end = Math.min(
      endOf(buffers, t),
      ...t.next.map((k) => {
        const n = byKey.get(k)!
        return upTo(n) - n.step.minutes - afterOf(buffers, t)
      }),
    )
    out.set(t.key, end)
    return end
  }
  for (const t of tasks) upTo(t)
  return out
}

type Tried = { board: Board } | { failed: Task }

/** Steps whose followers are all placed, by priority; of equals the first of the day. What is held has its place. */
function queueOf(tasks: readonly Task[], { priority }: Way) {
  const at = new Map(tasks.map((t, i) => [t.key, i]))
  const rank = tasks.map(t => priority.get(t.key)!)
  const open = tasks.map(t => t.next.filter(k => !tasks[at.get(k)!]!.step.fixed).length)
  const ready: number[] = []
  const offer = (i: number) => { if (open[i] === 0 && !tasks[i]!.step.fixed) ready.push(i) }
  tasks.forEach((_, i) => offer(i))
  return {
    take(): Task | null {
      if (ready.length === 0) return null
      let best = 0
      for (let j = 1; j < ready.length; j++) {
        const [a, b] = [ready[j]!, ready[best]!]
        if (rank[a]! > rank[b]! || (rank[a] === rank[b] && a < b)) best = j
      }
      return tasks[ready.splice(best, 1)[0]!]!
    },
    isPlaced({ before }: Task): void {
      for (const k of new Set(before)) {
        const i = at.get(k)!
        open[i]!--
        offer(i)
      }
    },
  }
}

/** One backward generation with what was learned of gaps. */
function generate(
  day: Day, tasks: readonly Task[], way: Way, buffers: Buffers, starts: ReadonlyMap<string, number>,
): Tried {
  const b = emptyBoard(day)
  // What has begun stays, whatever else there is; the latest first, as what is held goes on to what follows.
  const fixedTasks = tasks.filter(t => t.step.fixed).sort((x, y) => y.step.fixed!.start - x.step.fixed!.start)
  for (const t of fixedTasks) {
    const fixed = t.step.fixed!
    const there = fitAt(b, t, fixed.start, way.turn.get(t.key) ?? 0, fixed.who)
    const end = fixed.start + t.step.minutes
    put(b, there ?? { task: t, start: fixed.start, end, who: fixed.who, on: [], forced: true })
  }
  for (const queue = queueOf(tasks, way); ;) {
    const task = queue.take()
    if (!task) return { board: b }
    const { dessert, step } = task
    let most = Math.min(endOf(buffers, task) - step.minutes, starts.get(task.key) ?? Infinity)
    for (const k of task.next)
      most = Math.min(most, b.placed.get(k)!.start - step.minutes - afterOf(buffers, task))
    let least = Math.max(dessert.earliest ?? -Infinity, dessert.freshFrom ?? -Infinity)
    for (const k of task.before) least = Math.max(least, b.placed.get(k)?.end ?? -Infinity)
    const there = most >= least - EPS ? latestFit(b, task, most, least, way.turn.get(task.key) ?? 0) : null
    if (!there) return { failed: task }
    put(b, there)
    queue.isPlaced(task)
  }
}

/** A generation in which no wait is longer than it may be, or who stood in the way. */
function tryWay(day: Day, tasks: readonly Task[], way: Way, buffers: Buffers): Tried {
  const starts = new Map<string, number>()
  let tried: Tried = generate(day, tasks, way, buffers, starts)
  for (let i = 0; i < GAP_TRIES && 'board' in tried; i++) {
    const { placed } = tried.board
    let wide: Task | null = null
    for (const t of tasks) {
      const { maxGapMinutes, fixed } = t.step
      if (maxGapMinutes === null || t.before.length === 0) continue
      const mine = placed.get(t.key)!
      const first = Math.min(...t.before.map(k => placed.get(k)!.end))
      if (mine.start - first <= maxGapMinutes + EPS) continue
      if (fixed) return { failed: t }
      starts.set(t.key, first + maxGapMinutes)
      wide = t
    }
    if (!wide) break
    if (i === GAP_TRIES - 1) return { failed: wide }
    tried = generate(day, tasks, way, buffers, starts)
  }
  if (!('board' in tried)) return tried
  for (const d of day.desserts) {
    if (d.keepMinutes === null || d.steps.length === 0) continue
    const mine = tasks.filter(t => t.dessert === d)
    const ready = Math.max(...mine.map(t => (tried as { board: Board }).board.placed.get(t.key)!.end))
    if (ready < d.serveAt - d.keepMinutes - EPS) return { failed: mine[0]! }
  }
  return tried
}

const costOf = (day: Day, placed: ReadonlyMap<string, Placed>): number => {
  const first = new Map<string, number>()
  for (const { task, start } of placed.values())
    first.set(task.dessert.id, Math.min(start, first.get(task.dessert.id) ?? Infinity))
  return day.desserts.reduce((s, d) => s + (first.has(d.id) ? d.serveAt - first.get(d.id)! : 0), 0)
}

/** Rules of priority to begin with: what must be taken first, backwards. */
function firstWays(tasks: readonly Task[], ends: ReadonlyMap<string, number>): Way[] {
  const turn = new Map(tasks.map(t => [t.key, 0]))
  const rules: ((t: Task) => number)[] = [
    t => ends.get(t.key)!,
    t => ends.get(t.key)! - t.step.minutes,
    t => -t.dessert.serveAt * 10 + ends.get(t.key)! / 1e4,
    t => t.dessert.serveAt * 10 + ends.get(t.key)! / 1e4,
    t => t.step.minutes,
    t => t.step.attendedMinutes * 1e3 + t.step.minutes,
    t => (t.step.uses.some(u => u.closed) ? 1e6 : 0) + ends.get(t.key)! / 1e3,
    t => -t.dessert.steps.reduce((s, x) => s + x.minutes, 0),
  ]
  return rules.map(rule => ({ priority: new Map(tasks.map(t => [t.key, rule(t)])), turn }))
}

/** Another way near one: a dessert before or after the others, a step of it, or other hands. */
function near(way: Way, tasks: readonly Task[], day: Day, noise: Noise): Way {
  const priority = new Map(way.priority)
  const turn = new Map(way.turn)
  const values = [...priority.values()]
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const span = Math.max(1, high - low)
  const pick = <T>(all: readonly T[]) => all[Math.floor(noise.uniform() * all.length)]!
  const kind = noise.uniform()
  if (kind < 0.35) {
    const d = pick(day.desserts)
    const shift = span * noise.between(-1, 1)
    for (const t of tasks) if (t.dessert === d) priority.set(t.key, priority.get(t.key)! + shift)
  } else if (kind < 0.75) {
    const n = 1 + Math.floor(noise.uniform() * 3)
    for (let i = 0; i < n; i++) priority.set(pick(tasks).key, noise.between(low, high))
  } else {
    const n = 1 + Math.floor(noise.uniform() * 2)
    for (let i = 0; i < n; i++) turn.set(pick(tasks).key, Math.floor(noise.uniform() * 4))
  }
  return { priority, turn }
}

/** So many ways are tried, by how large the day is; the first plan is there after the first few. */
const triesFor = (n: number) => Math.max(60, Math.min(1500, Math.round(24_000 / Math.max(8, n))))

/**
 * The best plan found; null: none was.
 * @param buffers minutes that are kept free for each dessert
 * @param share how much of the usual search is done
 */
export function* searchDay(
  day: Day, buffers: Buffers = new Map(), share = 1,
): Generator<number, Found | null> {
  const tasks = tasksOf(day)
  if (tasks.length === 0) return { placed: new Map(), cost: 0 }
  const noise = noiseOf(20_261)
  const least = boundOf(day, tasks, buffers)
  let best: (Found & { way: Way }) | null = null
  let now: { way: Way, cost: number } | null = null
  let last: Way | null = null
  const consider = (way: Way): number => {
    const tried = tryWay(day, tasks, way, buffers)
    if (!('board' in tried)) {
      // Whoever found no place is taken before the others next time.
      const priority = new Map(way.priority)
      const high = Math.max(...priority.values())
      for (const t of tasks)
        if (t.dessert === tried.failed.dessert) priority.set(t.key, priority.get(t.key)! + high + 1)
      last = { ...way, priority }
      return Infinity
    }
    const cost = costOf(day, tried.board.placed)
    if (!best || cost < best.cost - EPS) best = { placed: tried.board.placed, cost, way }
    return cost
  }
  const isBest = () => best !== null && (best as Found).cost <= least + EPS
  const rules = firstWays(tasks, latestEnds(tasks, buffers))
  for (const way of rules) {
    const cost = consider(way)
    if (cost < (now?.cost ?? Infinity)) now = { way, cost }
    else if (last && !now) {
      const again = consider(last)
      if (again < Infinity) now = { way: last, cost: again }
    }
    if (isBest()) break
  }
  const tries = Math.ceil(share * triesFor(tasks.length))
  for (let i = 0; i < tries && !isBest(); i++) {
    if (i % 10 === 0) yield i / tries
    const from: Way = now?.way ?? (last && noise.chance(0.5) ? last : rules[i % rules.length]!)
    const way = near(from, tasks, day, noise)
    const cost = consider(way)
    // Now and then something a little worse is gone on from, less and less so.
    const worse = now ? (cost - now.cost) / Math.max(1, now.cost) : 0
    if (cost < Infinity && (!now || worse <= 0 || noise.uniform() < Math.exp(-worse / (0.02 * (1 - i / tries) + 1e-4))))
      now = { way, cost }
    if (i % 60 === 59 && best) now = { way: (best as { way: Way }).way, cost: (best as Found).cost }
  }
  return best && { placed: (best as Found).placed, cost: (best as Found).cost }
}

/** No plan starts later: each dessert with everything to itself. */
function boundOf(day: Day, tasks: readonly Task[], buffers: Buffers): number {
  const ends = latestEnds(tasks, buffers)
  return day.desserts.reduce((s, d) => {
    const mine = tasks.filter(t => t.dessert === d)
    return mine.length === 0 ? s : s + d.serveAt - Math.min(...mine.map(t => ends.get(t.key)! - t.step.minutes))
  }, 0)
}
