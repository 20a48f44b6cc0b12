/** Courses of a day's ovens and fridges, by their plan: minutes since the epoch, °C. */
import { parseISO } from 'date-fns'
import type { Kitchen } from '#core/kitchen/kitchen'
import { coldCourse, OPENS_AT_WORK, type Warm } from '#core/schedule/coldLoad'
import { changeMinutes } from '#core/schedule/day'
import type { DayPlan } from '#core/schedule/plan'
import type { SheetEquipment } from '../../shared/day'

type Task = DayPlan['tasks'][number]
export type Points = (readonly [minute: number, value: number])[]
const minuteOf = (iso: string) => parseISO(iso).getTime() / 60_000
const ROOM_C = 20

/**
 * An oven's temperature: at each step's own while it lasts, there in time, as fast as it changes; null: no step asks
 * for one.
 */
export function ovenCourse(
  oven: Pick<SheetEquipment, 'id' | 'heatKPerMin' | 'coolKPerMin'>, tasks: readonly Task[],
): Points | null {
  const hot = tasks.flatMap((t) => {
    const tempC = t.uses.find(u => u.id === oven.id)?.tempC ?? null
    return tempC === null ? [] : [{ from: minuteOf(t.start), to: minuteOf(t.end), tempC }]
  }).sort((a, b) => a.from - b.from)
  if (hot.length === 0) return null
  const out: Points = []
  let [atC, freeFrom] = [ROOM_C, -Infinity]
  for (const h of hot) {
    const begins = Math.max(freeFrom, h.from - changeMinutes(oven, atC, h.tempC))
    out.push([begins, atC], [h.from, h.tempC], [h.to, h.tempC])
    ;[atC, freeFrom] = [h.tempC, Math.max(freeFrom, h.to)]
  }
  return out
}

export interface FridgeCourse {
  points: Points
  mostC: number
  mostW: number
  slower: { dessert: string, minutes: number }[]
}
/** Minutes more that are told. */
const TOLD_MIN = 5

/** A fridge's air by what is put into it, and whom the company slows; null: nothing warm goes in. */
export function fridgeCourse(
  place: Kitchen['places'][number], roomC: number, tasks: readonly Task[], warmOf: (t: Task) => Warm | null,
): FridgeCourse | null {
  const going = tasks.flatMap((t) => {
    const warm = warmOf(t)
    return warm ? [{ key: t.dessert, ...warm, fromMin: minuteOf(t.start), toMin: minuteOf(t.end) }] : []
  })
  if (going.length === 0) return null
  const course = coldCourse({ kind: place.kind, dialC: place.airTempC, roomC, opensPerHour: OPENS_AT_WORK }, going)
  return {
    points: course.timeMin.map((m, i) => [m, course.airC[i]!] as const),
    mostC: Math.max(...course.airC),
    mostW: Math.max(...course.watts),
    slower: [...course.slower].flatMap(([dessert, minutes]) =>
      minutes !== null && minutes >= TOLD_MIN ? [{ dessert, minutes }] : []),
  }
}
