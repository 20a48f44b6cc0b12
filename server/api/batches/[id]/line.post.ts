import type { Series } from '#core/book/record'
import { batchRow, clockOf } from '../../../domain/batches'
import { addReadings } from '../../../domain/readings'
import { linesSchema, readLine } from '../../../../shared/schemas/book'

/** Lines of instruments, as a bridge to real ones speaks them; by their time stamps on the batch's clock. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { lines } = await readChecked(event, linesSchema)
  const read = lines.map(readLine)
  const { em, owner } = await useRequest(event)
  const row = await batchRow(em, owner, id)
  const clock = clockOf(row)
  const series: Series[] = []
  for (const { at, deviceId, channel, value } of read) {
    const atS = clock.nowS - (Date.now() - at.getTime()) / 1000
    if (!(atS >= 0)) continue
    let s = series.find(x => x.deviceId === deviceId && x.channel === channel)
    if (!s) series.push((s = { deviceId, channel, timeS: [], values: [] }))
    if (atS <= (s.timeS.at(-1) ?? -1)) continue
    s.timeS.push(atS)
    s.values.push(value)
  }
  const added = series.length > 0 ? await addReadings(em, owner, row.id, series) : []
  return { added: added.reduce((n, s) => n + s.timeS.length, 0) }
})
