import type { FormulaList } from '../../../shared/schemas/wire'
import { demoFormulas } from '../../database/demo'

/** The shelf, and which formula a first start should open. */
export default defineEventHandler(async (event): Promise<FormulaList> => {
  const em = await useEm(event)
  const items = await listFormulas(em, await loadKitchen(em))
  const first = demoFormulas()[0]!.id
  return { items, firstId: items.some(i => i.id === first) ? first : items[0]?.id ?? null }
})
