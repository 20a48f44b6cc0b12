import { saveKitchen } from '../domain/kitchen'
import { kitchenDocument, type KitchenDocument } from '../../shared/kitchen'
import { kitchenUpdateSchema } from '../../shared/schemas/kitchen'

export default defineEventHandler(async (event) => {
  const update = await readChecked(event, kitchenUpdateSchema)
  const { em, owner } = await useRequest(event)
  return saveKitchen(em, owner, now(), {
    mutationId: update.mutationId,
    version: update.version,
    document: kitchenDocument(update as unknown as KitchenDocument),
  })
})
