/**
 * How likely each service is in time when steps take as long as they do: durations drawn, everybody as early as the
 * plan has them and as what comes before them allows. A step's minutes are the median, its slow minutes the 90th
 * percentile of a lognormal (judgement).
 */
import { type Noise, noiseOf } from '../base/noise'
import { EPS, type Placed } from './board'
import { changeMinutes, type Day, type DayDessert, type DayStep, OVEN_K } from './day'
import type { StepInput } from './read'
import type { Margin } from './search'

/** 90th percentile of the normal. */
const Z90 = 1.2816
export const CHANCE_WANTED = 0.9
const DRAWS = 400

/** What must be over before a step can begin, and how long after. */
interface Wait { key: string, lag: number, handsOnly: boolean }

/** Who waits for whom in a plan: what it follows, its hands, its equipment. */
function waitsOf(day: Day, all: readonly Placed[]): Map<string, Wait[]> {
  const equipment = new Map(day.equipment.map(e => [e.id, e]))
  return new Map(all.map((p) => {
    const waits: Wait[] = p.task.before.map(key => ({ key, lag: 0, handsOnly: false }))
    for (const q of all) {
      if (q === p) continue
      const att = q.task.step.attendedMinutes
      if (p.who !== null && q.who === p.who && att > 0 && p.task.step.attendedMinutes > 0
        && q.start + att <= p.start + EPS && q.start < p.start + EPS)
        waits.push({ key: q.task.key, lag: 0, handsOnly: true })
      if (q.end > p.start + EPS) continue
      for (const [i, id] of p.on.entries())
        for (const [j, other] of q.on.entries()) {
          const e = equipment.get(id)!
          const [u, v] = [p.task.step.uses[i]!, q.task.step.uses[j]!]
          const isOneSupply = e.supply != null && e.supply.id === equipment.get(other)!.supply?.id
          if (isOneSupply && (u.drawW ?? 0) + (v.drawW ?? 0) > e.supply!.watts + EPS)
            waits.push({ key: q.task.key, lag: 0, handsOnly: false })
          if (id !== other) continue
          const hot = u.tempC !== null && v.tempC !== null
          const full = e.capacity !== null && u.amount + v.amount > e.capacity + EPS
          if (full || u.closed || v.closed || (hot && Math.abs(u.tempC! - v.tempC!) > OVEN_K))
            waits.push({ key: q.task.key, lag: hot ? changeMinutes(e, v.tempC!, u.tempC!) : 0, handsOnly: false })
        }
    }
    return [p.task.key, waits]
  }))
}

/** How wide a step's minutes scatter: the deviation of their logarithm; 0: they are sure. */
const scatterOf = ({ minutes, slowMinutes }: DayStep): number =>
  (slowMinutes <= minutes || minutes <= 0 ? 0 : Math.log(slowMinutes / minutes) / Z90)
const drawn = ({ minutes }: DayStep, scatter: number, noise: Noise): number =>
  (scatter === 0 ? minutes : minutes * Math.exp(scatter * noise.normal()))

/**
 * The chance of each dessert to be in time, by its id.
 * @example chancesOf({ hands: [], equipment: [], desserts: [] }, new Map()).size // 0
 */
export function chancesOf(day: Day, placed: ReadonlyMap<string, Placed>): Map<string, number> {
  const all = [...placed.values()].sort((a, b) => a.start - b.start || a.end - b.end)
  const waits = waitsOf(day, all)
  const isSure = all.every(p => p.task.step.slowMinutes <= p.task.step.minutes)
  const noise = noiseOf(4711)
  const good = new Map(day.desserts.map(d => [d.id, 0]))
  const draws = isSure ? 1 : DRAWS
  const at = new Map(all.map((p, i) => [p.task.key, i]))
  // By place in the plan, as it is done hundreds of times: when each step was over, and when its hands were free of it.
  // Only what begins before can be waited for.
  const over = new Float64Array(2 * all.length)
  const steps = all.map(({ start, task }, i) => {
    const own = waits.get(task.key)!.filter(w => (at.get(w.key) ?? i) < i)
    return {
      start, task, scatter: scatterOf(task.step), lags: Float64Array.from(own, w => w.lag),
      at: Int32Array.from(own, w => 2 * at.get(w.key)! + (w.handsOnly ? 1 : 0)),
    }
  })
  for (let n = 0; n < draws; n++) {
    const late = new Set<string>()
    for (let i = 0; i < steps.length; i++) {
      const { start: planned, task: { step, dessert }, scatter, lags, at } = steps[i]!
      let start = planned
      for (let j = 0; j < at.length; j++) start = Math.max(start, over[at[j]!]! + lags[j]!)
      const minutes = drawn(step, scatter, noise)
      const scale = step.minutes > 0 ? minutes / step.minutes : 1
      over[2 * i] = start + minutes
      over[2 * i + 1] = start + step.attendedMinutes * scale
      if (start + minutes > dessert.serveAt + EPS) late.add(dessert.id)
    }
    for (const d of day.desserts) if (!late.has(d.id)) good.set(d.id, good.get(d.id)! + 1)
  }
  return new Map([...good].map(([id, n]) => [id, n / draws]))
}

/** Less than this threatens nothing, min. */
const TOLD_MIN = 2
/**
 * What threatens a dessert most: the step that may take longest beyond its time, and by how much; null: none does by
 * much.
 * @example leastSure([{ name: 'chill', minutes: 100, minutesSlow: 130 }]).overMin // 30
 */
export function leastSure(steps: readonly StepInput[]): { step: StepInput, overMin: number } | null {
  const over = (s: StepInput) => (s.minutesSlow ?? s.minutes) - s.minutes
  const [step] = steps.toSorted((a, b) => over(b) - over(a))
  return step && over(step) >= TOLD_MIN ? { step, overMin: over(step) } : null
}

/** The longest way through a dessert, as its steps in order. */
function longestWay({ steps }: DayDessert): DayStep[] {
  const best = new Map<string, { minutes: number, way: DayStep[] }>()
  const NOTHING = { minutes: 0, way: [] as DayStep[] }
  const longer = (all: { minutes: number, way: DayStep[] }[]) =>
    all.reduce((a, b) => (b.minutes > a.minutes ? b : a), NOTHING)
  const upTo = (s: DayStep): { minutes: number, way: DayStep[] } => {
    const known = best.get(s.id)
    if (known) return known
    const before = longer(s.after.map(id => upTo(steps.find(x => x.id === id)!)))
    const here = { minutes: before.minutes + s.minutes, way: [...before.way, s] }
    best.set(s.id, here)
    return here
  }
  return longer(steps.map(upTo)).way
}
/** Together as far off as they may be, where each is by itself: the root of their squares. */
const together = (way: readonly DayStep[]) => Math.sqrt(way.reduce((s, x) => s + (x.slowMinutes - x.minutes) ** 2, 0))

/**
 * What is kept free for a dessert: after its least sure step what that and those before it may be late by (where what
 * follows can wait), and before service what the rest may.
 * @example marginOf({ id: 'x', name: 'x', serveAt: 0, earliest: null, keepMinutes: null, steps: [] }).end // 0
 */
export function marginOf(d: DayDessert): Margin {
  const way = longestWay(d)
  const spread = (s: DayStep) => s.slowMinutes - s.minutes
  const least = way.reduce<DayStep | null>((a, b) => (a === null || spread(b) > spread(a) ? b : a), null)
  const next = d.steps.filter(s => least && s.after.includes(least.id))
  if (!least || next.length === 0 || next.some(s => s.maxGapMinutes !== null))
    return { end: together(way), afterId: null, after: 0 }
  const cut = way.indexOf(least) + 1
  return { end: together(way.slice(cut)), afterId: least.id, after: together(way.slice(0, cut)) }
}
