/** What was deleted in the last 30 days. */
import { listBin } from '../../domain/bin'
import { loadOwner } from '../../domain/kitchen'

export default defineEventHandler(async (event) => {
  const em = await useEm(event)
  return { items: await listBin(em, await loadOwner(em), now()) }
})
