import { saveDevice, type DeviceSave } from '../../../domain/devices'
import { deviceSchema } from '../../../../shared/schemas/book'

/** Writes an instrument down, or another name for it. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownDevice')
  const body = await readChecked(event, deviceSchema)
  const { em, owner } = await useRequest(event)
  return { items: await saveDevice(em, owner, now(), id, body as DeviceSave) }
})
