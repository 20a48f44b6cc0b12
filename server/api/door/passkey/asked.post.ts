/** What a device is asked for to sign in with a key of its own. */
import { askPasskey } from '../../../people/passkeys'

export default defineEventHandler(async event => askPasskey(await useEm(event), siteOf(event), now()))
