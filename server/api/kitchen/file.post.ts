/** Makes a new kitchen of a file; whoever brought it is its owner. */
import { KITCHEN_FILE_LIMIT } from '../../../shared/limits'
import { takeKitchenFile } from '../../domain/kitchenFile'
import { join } from '../../people/people'

export default defineEventHandler(async (event) => {
  const { who } = await useWho(event)
  const bytes = await readBytes(event, {
    limit: KITCHEN_FILE_LIMIT, type: /^application\/x-ndjson\b/, otherwise: 'notAKitchen',
  })
  const kitchenId = await takeKitchenFile(await useEm(event), new TextDecoder().decode(bytes), (tx, id) =>
    join(tx, { kitchenId: id, personId: who.personId, name: who.name, role: 'owner', at: now() }))
  return { kitchenId }
})
