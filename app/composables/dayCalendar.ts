/** The day as a calendar file, one a person or one for all: attended steps with an alarm before each. */
import { addMinutes, parseISO } from 'date-fns'
import ical, { ICalAlarmType } from 'ical-generator'
import type { DayPlan } from '#core/schedule/plan'

/** Before each step that needs hands, minutes. */
const ALARM_MIN = 5

/**
 * Attended steps as events; the same step has the same UID whenever it is written again, so that it replaces itself.
 * @param who null: everybody's
 */
export function calendarOf(
  date: string, plan: DayPlan, who: string | null, nameOf: (task: DayPlan['tasks'][number]) => string,
): string {
  const calendar = ical({ name: date, prodId: { company: 'Lumbik', product: 'Today' } })
  for (const t of plan.tasks) {
    const [span] = t.attended
    if (!span || (who !== null && t.who !== who)) continue
    const [start, end] = span.map(s => parseISO(s)) as [Date, Date]
    const event = calendar.createEvent({
      id: `${date}-${t.dessert}-${t.id}@lumbik`, floating: true, start, end: end > start ? end : addMinutes(start, 1),
      summary: nameOf(t),
    })
    event.createAlarm({ type: ICalAlarmType.display, trigger: ALARM_MIN * 60, description: nameOf(t) })
  }
  return calendar.toString()
}
