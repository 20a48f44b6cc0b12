import type { Lot } from '#core/formula/document'
import { InputError } from '#core/errors'
import { lotSchema } from '../../../shared/schemas/kitchen'

/** Writes a lot, new or changed; answers the kitchen with it. */
export default defineEventHandler(async (event) => {
  const lot = await readChecked(event, lotSchema) as Lot
  if (lot.id !== getRouterParam(event, 'id')) throw problem(422, { path: 'id', code: 'otherId' })
  try {
    const { actorId: _, ...kitchen } = await saveLot(await useEm(event), now(), lot) as Owner
    return kitchen
  } catch (error) {
    if (error instanceof InputError) throw problem(422, { path: error.path, code: error.code, params: { ...error.params } })
    throw error
  }
})
