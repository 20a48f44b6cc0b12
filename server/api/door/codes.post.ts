/** New recovery codes, told once. */
import { proofSchema } from '../../../shared/schemas/door'
import { renewCodes } from '../../people/people'

export default defineEventHandler(async (event) => {
  const { current } = await readChecked(event, proofSchema)
  const { who } = await useWho(event)
  return { codes: await renewCodes(await useEm(event), who, { current, address: addressOf(event) }, scrypt, now()) }
})
