/**
 * What stands in the way, and ways out of it: each is tried by planning the day anew with it, and says what it costs.
 * Where no plan was found, the smallest change of each kind that makes one possible.
 */
import { toEnd } from '../base/run'
import { type Placed, piecesFor } from './board'
import { type Day, type DayDessert, keyOf, OVEN_K, type Shift, tasksOf } from './day'
import { type Buffers, type Found, searchDay } from './search'

export interface WayOut {
  code: string
  params: Record<string, number | string>
}
export interface Conflict {
  code: string
  tasks: string[]
  ways: WayOut[]
}
/** How much of the usual search a change is tried with. */
const TRIED = 0.12
/** A first plan, with less of a search than this, is not asked what shares an oven. */
const PAIRS_FROM = 0.05
/** Changes of a time are tried up to this, and to this, minutes. */
const MOST_MIN = 12 * 60
const GRAIN_MIN = 5
/** A longer time between two shifts is no break. */
const BREAK_MIN = 4 * 60

type Find = (day: Day, buffers: Buffers) => Found | null
const finder = (effort: number): Find => (day, buffers) => toEnd(searchDay(day, buffers, TRIED * effort))
const without = (day: Day, id: string): Day => ({ ...day, desserts: day.desserts.filter(d => d.id !== id) })
const withDessert = (day: Day, id: string, over: (d: DayDessert) => Partial<DayDessert>): Day =>
  ({ ...day, desserts: day.desserts.map(d => (d.id === id ? { ...d, ...over(d) } : d)) })

/** The least of a change that goes, by halving; null: none does. */
function leastOf(works: (minutes: number) => boolean): number | null {
  if (!works(MOST_MIN)) return null
  let [low, high] = [0, MOST_MIN]
  while (high - low > GRAIN_MIN) {
    const middle = Math.round((low + high) / 2 / GRAIN_MIN) * GRAIN_MIN
    if (middle <= low || middle >= high) break
    if (works(middle)) high = middle
    else low = middle
  }
  return high
}

/** What a step asks for that is not there. */
function missing(day: Day): Conflict[] {
  return tasksOf(day).flatMap(t => t.step.uses.filter(u => piecesFor(day, u).length === 0).map((u): Conflict => ({
    code: u.tempC === null ? 'noSuchEquipment' : 'noEquipmentAt',
    tasks: [t.key],
    ways: [{
      code: 'addEquipment',
      params: { kind: u.kind ?? u.id ?? '', amount: u.amount, ...(u.tempC === null ? {} : { tempC: u.tempC }) },
    }],
  })))
}

/** A step whose hands nobody's hours are long enough for. */
function tooLong(day: Day): Conflict[] {
  if (day.hands.length === 0) return []
  const longest = Math.max(...day.hands.flatMap(h => h.shifts.map(s => s.to - s.from)))
  return tasksOf(day).filter(t => t.step.attendedMinutes > longest).map(t => ({
    code: 'longerThanAnyShift', tasks: [t.key],
    ways: [{ code: 'longerShift', params: { minutes: t.step.attendedMinutes - longest } }],
  }))
}

/** Why there is no plan, and what would make one. */
function whyNone(day: Day, buffers: Buffers, found: Find): Conflict[] {
  const plain = [...missing(day), ...tooLong(day)]
  if (plain.length > 0) return plain
  const alone = day.desserts.filter(d => found({ ...day, desserts: [d] }, buffers) === null)
  const stuck = alone.length > 0 ? alone : day.desserts.filter(d => found(without(day, d.id), buffers) !== null)
  const about = stuck.length > 0 ? stuck : day.desserts
  return about.map((d): Conflict => {
    const scene = alone.length > 0 ? { ...day, desserts: [d] } : day
    const works = (changed: Day) => found(changed, buffers) !== null
    const ways = [...changesOf(scene, d, works), ...helpOf(scene, works)]
    if (alone.length === 0) ways.push({ code: 'leaveOut', params: { dessert: d.id } })
    const code = alone.length > 0 ? 'cannotBeInTime' : 'tooMuchAtOnce'
    return { code, tasks: d.steps.map(s => keyOf(d.id, s.id)), ways }
  })
}
/** The least that a dessert's own times must be changed by. */
function changesOf(scene: Day, d: DayDessert, works: (changed: Day) => boolean): WayOut[] {
  const tries: [code: string, over: ((m: number) => (x: DayDessert) => Partial<DayDessert>) | null][] = [
    ['serveLater', m => x => ({ serveAt: x.serveAt + m })],
    ['startEarlier', d.earliest === null ? null : m => x => ({ earliest: x.earliest! - m })],
    ['keepLonger', d.keepMinutes === null ? null : m => x => ({ keepMinutes: x.keepMinutes! + m })],
  ]
  return tries.flatMap(([code, over]) => {
    const minutes = over && leastOf(m => works(withDessert(scene, d.id, over(m))))
    return minutes === null ? [] : [{ code, params: { dessert: d.id, minutes } }]
  })
}
/** Hands and equipment that would do. */
function helpOf(scene: Day, works: (changed: Day) => boolean): WayOut[] {
  const out: WayOut[] = []
  const [first] = scene.hands
  if (first) {
    // What follows a break is no beginning.
    const begins = (s: Shift, before: Shift | undefined) => !before || s.from - before.to > BREAK_MIN
    const earlier = (m: number) => scene.hands.map(h => ({
      ...h, shifts: h.shifts.map((s, i) => (begins(s, h.shifts[i - 1]) ? { ...s, from: s.from - m } : s)),
    }))
    const minutes = leastOf(m => works({ ...scene, hands: earlier(m) }))
    if (minutes !== null) out.push({ code: 'beginShiftEarlier', params: { minutes } })
    if (works({ ...scene, hands: [...scene.hands, { ...first, name: `${first.name} +` }] }))
      out.push({ code: 'oneMoreHand', params: {} })
  }
  const used = new Set(tasksOf(scene).flatMap(t => t.step.uses.flatMap(u => piecesFor(scene, u).map(e => e.id))))
  for (const e of scene.equipment)
    if (used.has(e.id) && (e.capacity !== null || e.kind === 'oven')
      && works({ ...scene, equipment: [...scene.equipment, { ...e, id: `${e.id} +` }] }))
      out.push({ code: 'oneMore', params: { id: e.id } })
  return out
}

/** Steps that are held where hands or equipment are taken. */
const forced = ({ placed }: Found): Conflict[] => [...placed.values()].filter(p => p.forced)
  .map(p => ({ code: 'heldInTheWay', tasks: [p.task.key], ways: [{ code: 'letGo', params: { first: p.task.key } }] }))

/** What company in a fridge slows by more than there is room for: another fridge is the way out. */
export const crowdedIn = (found: Found | null, crowded: ReadonlyMap<string, number>): Conflict[] =>
  [...crowded].map(([key, minutes]) => {
    const p = found?.placed.get(key)
    const id = p?.on[p.task.step.uses.findIndex(u => u.tempC === null)] ?? ''
    return { code: 'slowedInFridge', tasks: [key], ways: [{ code: 'oneMore', params: { id, minutes: Math.round(minutes) } }] }
  })

/** The first of two the evening before, as late as somebody is there; none where food or hours do not let it. */
function eveningBefore(day: Day, first: Placed, buffers: Buffers, found: Find): WayOut[] {
  const { step, dessert, key } = first.task
  const evenings = day.hands.flatMap(h => h.shifts.map(s => s.to)).filter(to => to < first.start - BREAK_MIN)
  if (evenings.length === 0) return []
  const start = Math.max(...evenings) - step.minutes
  const steps = dessert.steps.map(s => (s === step ? { ...s, fixed: { start, who: null } } : s))
  const then = found(withDessert(day, dessert.id, () => ({ steps })), buffers)
  if (!then || [...then.placed.values()].some(p => p.forced)) return []
  return [{ code: 'eveningBefore', params: { first: key, minutes: Math.round(first.start - start) } }]
}

/** Pairs that want one oven at two temperatures, where that makes one of them earlier; with what it costs. */
function ovenPairs(day: Day, best: Found, buffers: Buffers, found: Find): Conflict[] {
  const out: Conflict[] = []
  const all = [...best.placed.values()]
  for (const [i, p] of all.entries())
    for (const q of all.slice(i + 1)) {
      if (p.task.dessert === q.task.dessert) continue
      const on = p.on.find((id, k) => q.on.some((o, j) => {
        const [a, b] = [p.task.step.uses[k]!.tempC, q.task.step.uses[j]!.tempC]
        return o === id && a !== null && b !== null && Math.abs(a - b) > OVEN_K
      }))
      if (on === undefined) continue
      const tempOf = (x: typeof p) => x.task.step.uses[x.on.indexOf(on)]!.tempC!
      const [first, second] = p.start <= q.start ? [p, q] : [q, p]
      // Each in the other's absence would start later than it does: they are in one another's way.
      const alone = found(without(day, second.task.dessert.id), buffers)
      const free = alone?.placed.get(first.task.key)?.start ?? first.start
      if (free <= first.start + 1e-6) continue
      const ways: WayOut[] = [{
        code: 'thisFirst',
        params: { first: first.task.key, second: second.task.key, minutes: Math.round(free - first.start) },
      }]
      const more = { ...day.equipment.find(e => e.id === on)!, id: `${on} +` }
      const twice = found({ ...day, equipment: [...day.equipment, more] }, buffers)
      if (twice && twice.cost < best.cost - 1)
        ways.push({ code: 'secondOven', params: { id: on, minutes: Math.round(best.cost - twice.cost) } })
      ways.push(...eveningBefore(day, first, buffers, found))
      ways.push({ code: 'oneTemperature', params: { id: on, tempC: Math.round((tempOf(first) + tempOf(second)) / 2) } })
      out.push({ code: 'ovenTemperatures', tasks: [first.task.key, second.task.key], ways })
      if (out.length >= 6) return out
    }
  return out
}

/**
 * What stands in the way of a day.
 * @example conflictsOf({ hands: [], equipment: [], desserts: [] }, { placed: new Map(), cost: 0 }, new Map()) // []
 */
export const conflictsOf = (day: Day, best: Found | null, buffers: Buffers, effort = 1): Conflict[] =>
  best ? [...forced(best), ...(effort < PAIRS_FROM ? [] : ovenPairs(day, best, buffers, finder(effort)))]
    : whyNone(day, new Map(), finder(effort))
