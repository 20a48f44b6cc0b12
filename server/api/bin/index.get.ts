/** What was deleted in the last 30 days. */
import { listBin } from '../../domain/bin'

export default defineEventHandler(async (event) => {
  const { em, owner } = await useRequest(event)
  return { items: await listBin(em, owner, now()) }
})
