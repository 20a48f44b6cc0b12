import type { Lot } from '#core/kitchen/kitchen'
import { saveLot } from '../../domain/lots'
import { lotSaveSchema } from '../../../shared/schemas/kitchen'

/** Writes a lot, new or changed; answers it as it now is. */
export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownLot')
  const { lot, ...save } = await readChecked(event, lotSaveSchema)
  if (lot.id.toLowerCase() !== id) throw problem(422, { path: 'lot.id', code: 'otherId' })
  const { em, owner } = await useRequest(event)
  return saveLot(em, owner, now(), { ...save, lot: { ...lot, id } as unknown as Lot })
})
