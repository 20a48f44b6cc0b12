import { loadOwner } from '../../../../domain/kitchen'
import { nameVersion } from '../../../../domain/versions'
import { nameVersionSchema } from '../../../../../shared/schemas/wire'

/** Names the state a formula is in. */
export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { label } = await readChecked(event, nameVersionSchema)
  const em = await useEm(event)
  return nameVersion(em, await loadOwner(em), now(), id, label)
})
