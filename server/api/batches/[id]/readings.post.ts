import type { Series } from '#core/book/record'
import { batchRow } from '../../../domain/batches'
import { addReadings } from '../../../domain/readings'
import { readingsSchema } from '../../../../shared/schemas/book'

/** Adds readings, typed or out of a logger's file; those before what is there are left out. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const { series } = await readChecked(event, readingsSchema)
  for (const [i, s] of series.entries()) {
    if (s.timeS.length !== s.values.length)
      throw problem(422, { path: `series.${i}.values`, code: 'length', params: { length: s.timeS.length } })
    if (s.timeS.some((t, k) => k > 0 && t <= s.timeS[k - 1]!)) throw problem(422, { path: `series.${i}.timeS`, code: 'tooSmall' })
  }
  const { em, owner } = await useRequest(event)
  const row = await batchRow(em, owner, id)
  const added = await addReadings(em, owner, row.id, series as Series[])
  return { added: added.reduce((n, s) => n + s.timeS.length, 0) }
})
