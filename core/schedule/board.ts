/**
 * The board on which steps are put: who is busy when, what stands in which piece of equipment. It says whether a step
 * fits at a time, and which times are worth trying.
 */
import { changeMinutes, type Day, type Equipment, OVEN_K, type StepUse, type Task } from './day'

/** Crumbs of floating minutes. */
export const EPS = 1e-6
/** What stands in a piece of equipment. */
export interface Standing {
  start: number
  end: number
  amount: number
  tempC: number | null
  closed: boolean
  drawW: number
  key: string
}
export interface Placed {
  task: Task
  start: number
  end: number
  who: string | null
  /** One piece for each use of the step. */
  on: string[]
  /** Held where it does not fit. */
  forced?: true
}
export interface Board {
  day: Day
  placed: Map<string, Placed>
  busy: Map<string, { start: number, end: number }[]>
  standing: Map<string, Standing[]>
}
/** @example emptyBoard({ hands: [], equipment: [], desserts: [] }).placed.size // 0 */
export const emptyBoard = (day: Day): Board => ({
  day,
  placed: new Map(),
  busy: new Map(day.hands.map(h => [h.name, []])),
  standing: new Map(day.equipment.map(e => [e.id, []])),
})

const overlaps = (a: { start: number, end: number }, start: number, end: number) =>
  a.start < end - EPS && a.end > start + EPS
const inside = (t: number, start: number, end: number) => t > start + EPS && t < end - EPS

/** Whether somebody is free for the hands of a step. */
function handFor(b: Board, { step }: Task, start: number, turn: number): string | null | undefined {
  const { hands } = b.day
  if (step.attendedMinutes <= 0 || hands.length === 0) return null
  const end = start + step.attendedMinutes
  for (let i = 0; i < hands.length; i++) {
    const { name, shifts } = hands[(i + turn) % hands.length]!
    if (!shifts.some(s => s.from <= start + EPS && s.to >= end - EPS)) continue
    if (!b.busy.get(name)!.some(x => overlaps(x, start, end))) return name
  }
  return undefined
}

/** Whether a piece can take such a thing at all. */
const suits = (e: Equipment, u: StepUse) =>
  (u.id === null ? e.kind === u.kind : e.id === u.id)
  && (e.capacity === null || u.amount <= e.capacity + EPS)
  && (u.panM == null || e.panM == null || u.panM <= e.panM + EPS)
  && (u.drawW == null || !e.supply || u.drawW <= e.supply.watts + EPS)
  && (u.tempC === null || (u.tempC >= (e.minC ?? -Infinity) - EPS && u.tempC <= (e.maxC ?? Infinity) + EPS))
const piecesOf = new WeakMap<Equipment[], WeakMap<StepUse, Equipment[]>>()
/** Pieces that a use can go to; asked at every try, so looked for once for each use of a day. */
export function piecesFor({ equipment }: Day, use: StepUse): Equipment[] {
  const known = piecesOf.get(equipment) ?? new WeakMap<StepUse, Equipment[]>()
  if (!piecesOf.has(equipment)) piecesOf.set(equipment, known)
  const found = known.get(use) ?? equipment.filter(e => suits(e, use))
  known.set(use, found)
  return found
}

/** Whether it fits beside what stands there. */
function fits(e: Equipment, there: readonly Standing[], u: StepUse, start: number, end: number): boolean {
  if (e.freeFrom != null && start < e.freeFrom - EPS) return false
  const beside = there.filter(x => overlaps(x, start, end))
  for (const x of there) {
    if (x.tempC === null || u.tempC === null) continue
    if (overlaps(x, start, end)) {
      if (Math.abs(x.tempC - u.tempC) > OVEN_K + EPS) return false
    } else if (x.end <= start + EPS) {
      if (start - x.end < changeMinutes(e, x.tempC, u.tempC) - EPS) return false
    } else if (x.start - end < changeMinutes(e, u.tempC, x.tempC) - EPS) return false
  }
  if (u.closed && beside.some(x => inside(x.start, start, end) || inside(x.end, start, end))) return false
  if (beside.some(x => x.closed && (inside(start, x.start, x.end) || inside(end, x.start, x.end)))) return false
  return e.capacity === null || mostAt(beside, start, x => x.amount) + u.amount <= e.capacity + EPS
}
/** The most of something that stands there at once, from a time on. */
const mostAt = (there: readonly Standing[], start: number, of: (x: Standing) => number): number =>
  Math.max(...[start, ...there.map(x => Math.max(start, x.start))].map(t =>
    there.filter(x => x.start <= t + EPS && x.end > t + EPS).reduce((s, x) => s + of(x), 0)))

/** When a piece is taken for a step: its own time, and where it is held, from step to step that has it. */
interface Span { start: number, end: number }
const standingOf = (task: Task, u: StepUse, { start, end }: Span): Standing =>
  ({ start, end, amount: u.amount, tempC: u.tempC, closed: u.closed, drawW: u.drawW ?? 0, key: task.key })

/** The step beside this one, placed already, that shares a use with it which one of them holds; and where it stands. */
function sharing(b: Board, keys: readonly string[], u: StepUse, isHeld: (v: StepUse) => boolean) {
  return keys.flatMap((key) => {
    const p = b.placed.get(key)
    const i = p?.task.step.uses.findIndex(v => v.kind === u.kind && v.id === u.id && isHeld(v)) ?? -1
    return p && i >= 0 && p.on[i] !== undefined ? [{ p, pieceId: p.on[i] }] : []
  })
}
/** The span of a use, and the one piece it must be where what is held comes from a step before or goes on to a next. */
function heldSpan(b: Board, task: Task, u: StepUse, own: Span): Span & { pieceId: string | null } {
  const next = u.held ? sharing(b, task.next, u, () => true) : []
  const before = sharing(b, task.before, u, v => v.held ?? false)
  return {
    start: Math.min(own.start, ...before.map(x => x.p.end)),
    end: Math.max(own.end, next.length > 0 ? Math.min(...next.map(x => x.p.start)) : own.end),
    pieceId: [...next, ...before][0]?.pieceId ?? null,
  }
}

/** Pieces on one supply with a piece, itself among them. */
const onSupply = (day: Day, e: Equipment): Equipment[] =>
  e.supply ? day.equipment.filter(x => x.supply?.id === e.supply!.id) : [e]

/** The pair of hands a step is held for, where they are not at something else; their hours are theirs to stretch. */
function stillFree(b: Board, { step }: Task, start: number, who: string): string | undefined {
  const isTaken = step.attendedMinutes > 0
    && (b.busy.get(who) ?? []).some(x => overlaps(x, start, start + step.attendedMinutes))
  return isTaken ? undefined : who
}

/** Where a step could go at a time: who and on what; null: it does not fit. */
export function fitAt(b: Board, task: Task, start: number, turn = 0, fixedWho?: string | null): Placed | null {
  const end = start + task.step.minutes
  const who = fixedWho == null ? handFor(b, task, start, turn) : stillFree(b, task, start, fixedWho)
  if (who === undefined) return null
  const on: string[] = []
  /** What this step itself has taken already. */
  const own = new Map<string, Standing[]>()
  for (const u of task.step.uses) {
    const span = heldSpan(b, task, u, { start, end })
    const pieces = piecesFor(b.day, u).filter(e => span.pieceId === null || e.id === span.pieceId)
    const there = (id: string) => {
      const [stands, mine] = [b.standing.get(id)!, own.get(id)]
      return mine ? [...stands, ...mine] : stands
    }
    let found: string | null = null
    for (let i = 0; i < pieces.length && found === null; i++) {
      const e = pieces[(i + turn) % pieces.length]!
      if (!fits(e, there(e.id), u, span.start, span.end)) continue
      const drawn = e.supply ? onSupply(b.day, e).flatMap(x => there(x.id)).filter(x => overlaps(x, start, end)) : []
      if (!e.supply || mostAt(drawn, start, x => x.drawW) + (u.drawW ?? 0) <= e.supply.watts + EPS) found = e.id
    }
    if (found === null) return null
    on.push(found)
    own.set(found, [...(own.get(found) ?? []), standingOf(task, u, span)])
  }
  return { task, start, end, who, on }
}

/** Puts a step where it fits. */
export function put(b: Board, p: Placed): void {
  b.placed.set(p.task.key, p)
  const { step } = p.task
  if (p.who !== null && step.attendedMinutes > 0)
    b.busy.get(p.who)?.push({ start: p.start, end: p.start + step.attendedMinutes })
  step.uses.forEach((u, i) => b.standing.get(p.on[i]!)?.push(standingOf(p.task, u, heldSpan(b, p.task, u, p))))
}

/**
 * The latest start at which a step fits, from a bound down to another. A step that cannot go any later touches
 * something: only such times are tried.
 */
export function latestFit(b: Board, task: Task, most: number, least: number, turn = 0): Placed | null {
  if (most < least - EPS) return null
  const latest = fitAt(b, task, most, turn)
  if (latest) return latest
  for (const t of timesToTry(b, task, most, least)) {
    const found = fitAt(b, task, t, turn)
    if (found) return found
  }
  return null
}
/** Starts between two bounds at which a step touches something, the latest first. */
function timesToTry(b: Board, task: Task, most: number, least: number): number[] {
  const { minutes, attendedMinutes, uses } = task.step
  const tries = new Set<number>()
  const also = (t: number) => {
    if (t < most - EPS && t >= least - EPS) tries.add(t)
  }
  if (attendedMinutes > 0)
    for (const { name, shifts } of b.day.hands) {
      for (const s of shifts) also(s.to - attendedMinutes)
      for (const x of b.busy.get(name)!) also(x.start - attendedMinutes)
    }
  for (const u of uses)
    for (const e of new Set(piecesFor(b.day, u).flatMap(p => onSupply(b.day, p))))
      for (const x of b.standing.get(e.id)!) {
        for (const t of [x.start, x.end]) {
          also(t)
          also(t - minutes)
        }
        if (u.tempC !== null && x.tempC !== null) also(x.start - minutes - changeMinutes(e, u.tempC, x.tempC))
      }
  return [...tries].sort((x, y) => y - x)
}
