/** The whole kitchen as one open file. */
import { Readable } from 'node:stream'
import { formatISO } from 'date-fns'
import { kitchenFile } from '../../domain/kitchenFile'

export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  const day = formatISO(now(), { representation: 'date' })
  setResponseHeader(event, 'content-type', 'application/x-ndjson; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="lumbik-kitchen-${day}.ndjson"`)
  return sendStream(event, Readable.from(kitchenFile(em, owner.id, now())))
})
