/** Brings one of them back. */
import { revive } from '../../domain/bin'
import { wantSummaries } from '../../domain/refresh'
import { reviveSchema } from '../../../shared/schemas/wire'

export default defineEventHandler(async (event) => {
  const { kind, id } = await readChecked(event, reviveSchema)
  const { em, owner } = await useRequest(event)
  await revive(em, owner, kind, id)
  if (kind === 'formula') wantSummaries([id])
  return { deleted: false }
})
