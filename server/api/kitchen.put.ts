import { kitchenUpdateSchema } from '../../shared/schemas/kitchen'

export default defineEventHandler(async (event) => {
  const update = await readChecked(event, kitchenUpdateSchema) as KitchenUpdate
  const em = await useEm(event)
  const kitchen = await updateKitchen(em, now(), update)
  if (!kitchen) throw problem(409, { path: 'version', code: 'changedElsewhere' })
  return kitchen
})
