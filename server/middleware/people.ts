/**
 * Nobody gets past here whom the table of routes does not let: signed in, with the right it names. What somebody did is
 * written down where the table says so. Pages and their files are everybody's; they hold nothing of a kitchen.
 */
import { defineEventHandler, getRouterParams } from 'h3'
import { mayDo } from '../../shared/door'
import { Refusal } from '../domain/refusal'
import { tell } from '../people/audit'
import { isApi, plainPath } from '../utils/door'
import { now, useEm } from '../utils/orm'
import { problem } from '../utils/http'
import { accessOf, routeOf, TOLD } from '../utils/routes'
import { useSessionOf, useWho } from '../utils/who'

export default defineEventHandler(async (event) => {
  const path = plainPath(event.node.req.url ?? '') ?? ''
  if (!isApi(path)) return
  // The session library's own route: nobody needs it.
  if (path.startsWith('/api/_auth')) throw problem(404, { path: '', code: 'unknownRoute' })
  const method = event.method === 'HEAD' ? 'GET' : event.method
  const access = accessOf(path, method)
  // No such route or method: said so further on.
  if (access === null || access === 'open') return
  const { who } = await useWho(event)
  if (!mayDo(who.role, access)) throw new Refusal('notAllowed', '', 'notAllowed', { role: who.role, right: access })
})

/** Writes down what a request did, once it was answered well. */
export async function tellDone(event: Parameters<typeof useSessionOf>[0]): Promise<void> {
  const path = plainPath(event.node.req.url ?? '') ?? ''
  const what = `${event.method} ${routeOf(path)}`
  if (!TOLD.has(what) || event.node.res.statusCode >= 300) return
  const session = await useSessionOf(event)
  if (!session?.who) return
  const { id } = getRouterParams(event) as { id?: string }
  await tell(await useEm(event), {
    kitchenId: session.kitchenId, actorId: session.who.actorId, at: now(), what, about: id ?? null,
  })
}
