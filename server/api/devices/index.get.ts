import { listDevices } from '../../domain/devices'

/** The kitchen's instruments. */
export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  return { items: await listDevices(em, owner) }
})
