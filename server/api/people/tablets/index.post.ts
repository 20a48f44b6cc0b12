/** A tablet to be: answers with the code to type into it, once. */
import { tabletSchema } from '../../../../shared/schemas/door'
import { newTablet } from '../../../people/tablets'

export default defineEventHandler(async (event) => {
  const { name } = await readChecked(event, tabletSchema)
  return newTablet(await useEm(event), (await useWho(event)).kitchenId, name, now())
})
