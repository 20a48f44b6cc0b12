import type { Series } from '#core/book/record'
import { batchRow } from '../../../domain/batches'
import { addReadings } from '../../../domain/readings'
import { seriesProblem } from '../../../../shared/schemas/batch'
import { readingsSchema } from '../../../../shared/schemas/book'

/** Adds readings, typed or out of a logger's file; those before what is there are left out. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownBatch')
  const series = (await readChecked(event, readingsSchema)).series as unknown as Series[]
  for (const [i, s] of series.entries()) {
    const wrong = seriesProblem(s, `series.${i}`)
    if (wrong) throw problem(422, wrong)
  }
  const { em, owner } = await useRequest(event)
  const row = await batchRow(em, owner, id)
  const added = await addReadings(em, owner, row.id, series)
  return { added: added.reduce((n, s) => n + s.timeS.length, 0) }
})
