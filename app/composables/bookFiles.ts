/** Files of the Book: readings and the list as CSV, one row a reading or a batch; a logger's CSV in. */
import Papa from 'papaparse'
import type { BatchRecord } from '#core/book/record'
import type { BatchItem } from '../../shared/book'

/** Every reading of a batch: seconds from its start, the instant, which instrument, what and how much. */
export const readingsCsv = (r: BatchRecord): string => Papa.unparse(r.readings.flatMap(s => s.timeS.map((t, i) => ({
  seconds: t,
  time: new Date(Date.parse(r.startedAt) + 1000 * t).toISOString(),
  device: s.deviceId,
  channel: s.channel,
  value: s.values[i],
}))))

/** The Book as it is listed. */
export const bookCsv = (items: readonly BatchItem[]): string => Papa.unparse(items.map(i => ({
  started: i.startedAt,
  name: i.name,
  by: i.by,
  simulated: i.simulated,
  asMeant: i.shown?.asMeant ?? '',
  faults: i.faults.join(' '),
  ...Object.fromEntries((i.shown?.beside ?? []).flatMap(b => [
    [`${b.id} foretold (${b.unit})`, b.predicted], [`${b.id} measured (${b.unit})`, b.measured],
  ])),
})), { columns: undefined })
