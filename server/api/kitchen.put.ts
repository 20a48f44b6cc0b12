import { saveKitchen } from '../domain/kitchen'
import { kitchenDocument, kitchenUpdateSchema, type KitchenDocument } from '../../shared/schemas/kitchen'

export default defineEventHandler(async (event) => {
  const update = await readChecked(event, kitchenUpdateSchema)
  return saveKitchen(await useEm(event), now(), {
    mutationId: update.mutationId,
    version: update.version,
    document: kitchenDocument(update as unknown as KitchenDocument),
  })
})
