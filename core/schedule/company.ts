/**
 * What stands together in a fridge slows one another: how much longer each is planned to be in it. The fridge's own
 * course (`coldCourse`) says by how much the company delays each on its way to cold; its set begins so much later.
 */
import type { Placed } from './board'
import { coldCourse, type Going } from './coldLoad'
import { type Day, keyOf } from './day'

/** Less than this is not planned with, min. */
const LEAST_MIN = 1
/** What is not cold by then will not be, min. */
const LATE_MIN = 12 * 60

/**
 * Minutes that company costs, by the step's key; what nobody slows is not in it.
 * @example slowedBy({ hands: [], equipment: [], desserts: [] }, []).size // 0
 */
export function slowedBy(day: Day, placed: Iterable<Placed>): Map<string, number> {
  const all = [...placed].filter(p => p.task.step.warm)
  const out = new Map<string, number>()
  for (const e of day.equipment) {
    if (!e.cold) continue
    const going = all.filter(p => p.on.includes(e.id)).map((p): Going =>
      ({ ...p.task.step.warm!, key: p.task.key, fromMin: p.start, toMin: p.end }))
    if (going.length < 2) continue
    // Whoever would be cold by itself, and is not, is looked at for longer.
    const { slower } = coldCourse(e.cold, going)
    const isCold = (g: Going) => coldCourse(e.cold!, [g]).slower.get(g.key) !== null
    const longer = going.filter(isCold)
      .map(g => (slower.get(g.key) === null ? { ...g, toMin: g.toMin + LATE_MIN } : g))
    const others = going.filter(g => !longer.some(l => l.key === g.key))
    for (const [key, minutes] of coldCourse(e.cold, [...longer, ...others]).slower)
      if (minutes !== null && minutes >= LEAST_MIN) out.set(key, minutes)
  }
  return out
}

/**
 * The same day with so many minutes more at some steps, by key.
 * @example slowed({ hands: [], equipment: [], desserts: [] }, new Map()).desserts.length // 0
 */
export const slowed = (day: Day, by: ReadonlyMap<string, number>): Day => ({
  ...day,
  desserts: day.desserts.map(d => ({
    ...d,
    steps: d.steps.map((s) => {
      const more = by.get(keyOf(d.id, s.id)) ?? 0
      return more > 0 ? { ...s, minutes: s.minutes + more, slowMinutes: s.slowMinutes + more } : s
    }),
  })),
})
