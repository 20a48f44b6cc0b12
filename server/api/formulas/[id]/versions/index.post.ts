import { nameVersion } from '../../../../domain/versions'
import { nameVersionSchema } from '../../../../../shared/schemas/wire'

/** Names the state a formula is in. */
export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { label } = await readChecked(event, nameVersionSchema)
  const { em, owner } = await useRequest(event)
  return nameVersion(em, owner, now(), id, label)
})
