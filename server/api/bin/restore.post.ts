/** Brings one of them back. */
import { revive } from '../../domain/bin'
import { wantSummaries } from '../../domain/housekeeping'
import { loadOwner } from '../../domain/kitchen'
import { reviveSchema } from '../../../shared/schemas/wire'

export default defineEventHandler(async (event) => {
  const { kind, id } = await readChecked(event, reviveSchema)
  const em = await useEm(event)
  await revive(em, await loadOwner(em), kind, id)
  if (kind === 'formula') wantSummaries([id])
  return { deleted: false }
})
