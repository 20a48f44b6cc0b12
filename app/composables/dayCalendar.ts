/**
 * The day as files: a calendar, one a person or one for all, attended steps with an alarm before each; what was moved
 * in it comes back by its UIDs; a table as CSV.
 */
import { addMinutes, format, parseISO } from 'date-fns'
import ICAL from 'ical.js'
import ical, { ICalAlarmType } from 'ical-generator'
import Papa from 'papaparse'
import type { DayPlan } from '#core/schedule/plan'

/** Before each step that needs hands, minutes. */
const ALARM_MIN = 5

type Task = DayPlan['tasks'][number]
const uidOf = (date: string, t: Task) => `${date}-${t.dessert}-${t.id}@lumbik`

/**
 * Attended steps as events; the same step has the same UID whenever it is written again, so that it replaces itself.
 * @param who null: everybody's
 */
export function calendarOf(
  date: string, plan: DayPlan, who: string | null, nameOf: (task: Task) => string,
): string {
  const calendar = ical({ name: date, prodId: { company: 'Lumbik', product: 'Today' } })
  for (const t of plan.tasks) {
    const [span] = t.attended
    if (!span || (who !== null && t.who !== who)) continue
    const [start, end] = span.map(s => parseISO(s)) as [Date, Date]
    const event = calendar.createEvent({
      id: uidOf(date, t), floating: true, start, end: end > start ? end : addMinutes(start, 1),
      summary: nameOf(t),
    })
    event.createAlarm({ type: ICalAlarmType.display, trigger: ALARM_MIN * 60, description: nameOf(t) })
  }
  return calendar.toString()
}

/** A step that a calendar has elsewhere than the plan: where, in the kitchen's own time. */
export interface CalendarMove { key: string, startMs: number }
/**
 * What of a calendar file is elsewhere than in the plan, known by its UIDs; events of others are left alone.
 * @throws {Error} for what is no calendar file
 */
export function movedIn(text: string, date: string, plan: DayPlan): CalendarMove[] {
  const tasks = new Map(plan.tasks.filter(t => t.attended.length > 0).map(t => [uidOf(date, t), t]))
  const calendar = new ICAL.Component(ICAL.parse(text) as ConstructorParameters<typeof ICAL.Component>[0])
  return calendar.getAllSubcomponents('vevent').flatMap((c): CalendarMove[] => {
    const event = new ICAL.Event(c)
    const task = tasks.get(event.uid)
    if (!task || !event.startDate) return []
    const startMs = event.startDate.toJSDate().getTime()
    const isMoved = Math.abs(startMs - parseISO(task.start).getTime()) >= 60_000
    return isMoved ? [{ key: `${task.dessert}/${task.id}`, startMs }] : []
  })
}

type Named = (id: string) => string
/** The plan as a table: one row a step, in order. */
export function planCsv(plan: DayPlan, nameOf: Named, stepOf: Named, thingOf: Named): string {
  const clock = (iso: string) => format(parseISO(iso), 'yyyy-MM-dd HH:mm')
  return Papa.unparse(plan.tasks.map(t => ({
    start: clock(t.start),
    end: clock(t.end),
    dessert: nameOf(t.dessert),
    step: stepOf(t.name),
    who: t.who ?? '',
    hands_until: t.attended[0] ? clock(t.attended[0][1]) : '',
    on: t.uses.map(u => thingOf(u.id)).join(' + '),
    temperature_C: t.uses.map(u => u.tempC).find(c => c !== null) ?? '',
  })))
}
