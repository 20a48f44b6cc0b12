/** Who did what, the newest first. */
import { listAudit } from '../../people/audit'

export default defineEventHandler(async event => listAudit(await useEm(event), (await useWho(event)).kitchenId))
