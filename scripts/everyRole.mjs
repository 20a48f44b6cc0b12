/** Somebody of each role, a neighbour whose rows nobody may see, and every route there is: for fuzz and its test. */
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { build } from 'esbuild'
import { client } from './probe.mjs'
import { root } from './setup.mjs'

const PASSWORD = 'quince and medlar'
/** What stands in every row of the neighbour's. */
export const NEIGHBOUR = 'Nell’s own secret'
const cookieOf = answer => (answer.headers['set-cookie'] ?? []).map(c => c.split(';')[0]).join('; ')

/** Cookies by role, invited by the demonstration's owner; and of nobody. */
export async function everyRole(url) {
  const { call, close } = client(url)
  const cookies = {}
  for (const role of ['owner', 'chef', 'cook', 'inspector']) {
    const { token } = (await call('POST', '/api/people/invitations', { name: role, role })).json
    const said = await call('POST', '/api/door/invited', { token, login: `${role}-${randomUUID()}`, name: role, password: PASSWORD })
    if (said.status !== 200) throw new Error(`no ${role}: ${said.text}`)
    cookies[role] = cookieOf(said)
  }
  cookies.nobody = cookieOf(await call('POST', '/api/door/out', {}))
  close()
  return cookies
}

/** Statements that put a kitchen next door, with a row of its own in each list; the ids are answered with them. */
export function nextDoor() {
  const [kitchen, actor, formula, batch, lot] = Array.from({ length: 5 }, () => randomUUID())
  const copy = (table, id, more) => `insert into "${table}" select (jsonb_populate_record(null::"${table}",
    to_jsonb(t) || jsonb_build_object('id', '${id}', 'kitchen_id', '${kitchen}', 'actor_id', '${actor}', ${more}))).* from (select * from "${table}" limit 1) t`
  const named = `'name', '${NEIGHBOUR}'`
  return {
    ids: [kitchen, actor, formula, batch, lot],
    sql: [
      `insert into kitchen (id, actor_id, name, version, revision, settings, created_at, updated_at)
        select '${kitchen}', '${actor}', '${NEIGHBOUR}', 1, 1, settings, now(), now() from kitchen limit 1`,
      `insert into actor (id, kitchen_id, name, created_at) values ('${actor}', '${kitchen}', '${NEIGHBOUR}', now())`,
      copy('formula', formula, named),
      copy('lot', lot, named),
      copy('batch', batch, `${named}, 'formula_id', '${formula}'`),
    ].join('; '),
  }
}

/** Every route with its methods, from the table that the server itself goes by. */
export async function everyRoute() {
  const { outputFiles: [file] } = await build({
    entryPoints: [join(root, 'server/utils/routes.ts')], bundle: true, format: 'esm', write: false, logLevel: 'warning',
  })
  const { ROUTES } = await import(`data:text/javascript,${encodeURIComponent(file.text)}`)
  return Object.entries(ROUTES).flatMap(([path, methods]) => Object.keys(methods).map(method => ({ path, method })))
}
