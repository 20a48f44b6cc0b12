import { saveDay } from '../../domain/days'
import { sheetSchema } from '../../../shared/schemas/day'
import type { DaySheet } from '../../../shared/day'

/** Keeps the sheet of a day. */
export default defineEventHandler(async (event) => {
  const date = routeDate(event)
  const body = await readChecked(event, sheetSchema)
  const { em, owner } = await useRequest(event)
  return saveDay(em, owner, now(), date, { version: body.version, sheet: body.sheet as unknown as DaySheet })
})
