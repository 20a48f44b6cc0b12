/** The whole kitchen as one open file, as it was last written. */
import { Readable } from 'node:stream'
import { formatISO } from 'date-fns'
import { lastExport } from '../../domain/exports'

export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  const { at, parts } = await lastExport(em, owner)
  const day = formatISO(at, { representation: 'date' })
  setResponseHeader(event, 'content-type', 'application/x-ndjson; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="lumbik-kitchen-${day}.ndjson"`)
  return sendStream(event, Readable.from(parts()))
})
