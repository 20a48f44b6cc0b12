/** Every route with every role, kitchens apart, and what a door gives away: over HTTP, as anybody could ask. */
import { createHash, randomUUID } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { mayDo, type Right, type Role, ROLES } from '../shared/door'
import { ROUTES } from '../server/utils/routes'
import { execute } from './support/database'
import { expect, SAGS, test } from './support/lumbik'

const PASSWORD = 'quince and medlar'
interface Said {
  status: number
  cookie: string
  headers: Headers
  body: Record<string, unknown> & { data?: { code?: string } }
}
async function ask(url: string, method = 'GET', body?: unknown, cookie = ''): Promise<Said> {
  const response = await fetch(url, {
    method,
    headers: { ...(body ? { 'content-type': 'application/json' } : {}), ...(cookie ? { cookie } : {}) },
    ...(body ? { body: JSON.stringify(body) } : {}),
  })
  // What never ends is not read.
  const isStream = response.headers.get('content-type')?.includes('event-stream')
  if (isStream) await response.body?.cancel()
  return {
    status: response.status, headers: response.headers, cookie: response.headers.get('set-cookie')?.split(';')[0] ?? '',
    body: isStream ? {} : (await response.json().catch(() => ({}))) as Said['body'],
  }
}
/** Somebody of a role, invited by the demonstration's owner. @returns their cookie */
async function somebody(url: string, role: Role, login = role as string): Promise<string> {
  const { body } = await ask(`${url}/api/people/invitations`, 'POST', { name: login, role })
  const { cookie, status } = await ask(
    `${url}/api/door/invited`, 'POST', { token: body.token, login, name: login, password: PASSWORD })
  expect(status).toBe(200)
  return cookie
}

test('each route lets in whom the table names, and nobody else', async ({ lumbik: { url } }) => {
  const cookies = new Map<Role | 'nobody', string>()
  for (const role of ROLES) cookies.set(role, await somebody(url, role))
  cookies.set('nobody', (await ask(`${url}/api/door/out`, 'POST', {})).cookie)
  const wrong: string[] = []
  let asked = 0
  for (const [route, methods] of Object.entries(ROUTES))
    for (const [method, access] of Object.entries(methods))
      for (const [who, cookie] of cookies) {
        // Doors change who somebody is; they have tests of their own.
        if (access === 'open') continue
        const path = route.replace(':id', randomUUID()).replace(':date', '2027-01-01')
        const { status, body } = await ask(`${url}${path}`, method, method === 'GET' ? undefined : { x: 1 }, cookie)
        const isLet = who !== 'nobody' && mayDo(who, access as Right)
        const wanted = who === 'nobody' ? status === 401 && body.data?.code === 'signIn' : isLet ? ![401, 403].includes(status) : status === 403
        if (!wanted || status >= 500) wrong.push(`${who} ${method} ${route}: ${status} ${body.data?.code}`)
        asked++
      }
  expect(wrong).toEqual([])
  expect(asked).toBeGreaterThan(200)
})

test('a neighbour sees nothing of the tea room, by list or by id, and writes nothing into it', async ({ lumbik: { url, database } }) => {
  const [kitchenId, actorId, token] = [randomUUID(), randomUUID(), 'n'.repeat(32)]
  const hash = createHash('sha256').update(token).digest('hex')
  await execute(database, `insert into kitchen (id, actor_id, name, version, revision, settings, created_at, updated_at)
    select '${kitchenId}', '${actorId}', 'Next door', 1, 1, settings, now(), now() from kitchen limit 1`)
  await execute(database, `insert into invitation (id, kitchen_id, role, name, token, until, created_at)
    values ('${randomUUID()}', '${kitchenId}', 'owner', 'Nell', '${hash}', '2027-01-01', now())`)
  const { cookie } = await ask(`${url}/api/door/invited`, 'POST', { token, login: 'nell', name: 'Nell', password: PASSWORD })
  const as = (path: string, method = 'GET', body?: unknown) => ask(`${url}${path}`, method, body, cookie)
  expect((await as('/api/door')).body).toMatchObject({ state: 'in', kitchen: { name: 'Next door' }, kitchens: [{ name: 'Next door' }] })
  expect((await as('/api/formulas')).body).toMatchObject({ items: [] })
  expect((await as('/api/batches')).body).toMatchObject({ items: [] })
  expect((await as('/api/people')).body).toMatchObject({ people: [{ login: 'nell' }] })
  expect((await as('/api/kitchen')).body).toMatchObject({ name: 'Next door', places: [], lots: [] })
  const batches = (await ask(`${url}/api/batches`)).body as unknown as { items: { id: string }[] }
  for (const path of [`/api/formulas/${SAGS}`, `/api/batches/${batches.items[0]!.id}`, `/api/formulas/${SAGS}/versions`])
    expect((await as(path)).status, path).toBe(404)
  expect((await as(`/api/formulas/${SAGS}`, 'DELETE')).status).toBe(404)
  expect((await as(`/api/formulas/${SAGS}`, 'PATCH', { name: 'theirs' })).status).toBe(404)
  const mine = (await ask(`${url}/api/people`)).body as unknown as { people: { membershipId: string }[] }
  expect((await as(`/api/people/${mine.people[0]!.membershipId}`, 'DELETE')).status).toBe(404)
  expect((await ask(`${url}/api/formulas/${SAGS}`)).body).not.toMatchObject({ name: 'theirs' })
})

test('the door says the same of a wrong login and a wrong password, slows both, and its cookie is sealed', async ({ lumbik: { url } }) => {
  const cookie = await somebody(url, 'cook')
  const enter = (login: string, password: string) => ask(`${url}/api/door/in`, 'POST', { login, password })
  const [nobody, wrong] = [await enter('nobody', 'not this word'), await enter('cook', 'not this word')]
  expect([nobody.status, nobody.body]).toEqual([wrong.status, wrong.body])
  expect(wrong.status).toBe(401)
  for (let i = 0; i < 4; i++) await enter('cook', 'not this word')
  const slowed = await enter('cook', PASSWORD)
  expect([slowed.status, slowed.body.data?.code]).toEqual([429, 'tooManyTries'])
  expect(Number(slowed.headers.get('retry-after'))).toBeGreaterThan(0)
  // A session's cookie is read by no script, goes to no other site, and not over plain HTTP beyond this machine.
  const out = await ask(`${url}/api/door/out`, 'POST', {}, cookie)
  const set = out.headers.get('set-cookie')!
  for (const part of [/HttpOnly/i, /Secure/i, /SameSite=Strict/i, /Path=\//i]) expect(set).toMatch(part)
  // Signed out, the old cookie is nobody's; one that was tampered with never was anybody's.
  expect((await ask(`${url}/api/batches`, 'GET', undefined, cookie)).status).toBe(401)
  const forged = `${cookie.slice(0, -6)}AAAAAA`
  expect((await ask(`${url}/api/people`, 'GET', undefined, forged)).status).not.toBe(500)
  expect((await ask(`${url}/api/door`, 'GET', undefined, forged)).body).not.toMatchObject({ me: { name: 'cook' } })
  expect((await ask(`${url}/api/_auth/session`)).status).toBe(404)
})

test('a link shows a formula without its stock, until it is taken back; a day without its people', async ({ lumbik: { url } }) => {
  const share = async (kind: string, target: string) =>
    (await ask(`${url}/api/links`, 'POST', { kind, target, days: 7 })).body as { id: string, token: string }
  const open = (token: string, cookie = '') => ask(`${url}/api/shared`, 'POST', { token }, cookie)
  const out = (await ask(`${url}/api/door/out`, 'POST', {})).cookie
  const formula = await share('formula', SAGS)
  const { body } = await open(formula.token, out)
  expect(body).toMatchObject({ kind: 'formula', kitchen: 'Fernhollow glasshouse tea room' })
  expect(JSON.stringify(body)).not.toMatch(/lotId|actorId|Isolde/)
  const day = await share('day', '2026-11-28')
  const { body: shown } = await open(day.token, out)
  expect((shown.day as { desserts: unknown[] }).desserts.length).toBeGreaterThan(0)
  expect(JSON.stringify(shown)).not.toContain('hands')
  await ask(`${url}/api/links/${formula.id}`, 'DELETE')
  expect((await open(formula.token, out)).status).toBe(404)
  expect((await ask(`${url}/api/links`, 'POST', { kind: 'formula', target: randomUUID(), days: 7 })).status).toBe(404)
})

test('behind TLS the browser is told to stay there; no page carries what only the server knows', async ({ lumbik: { url } }) => {
  const behind = await fetch(`${url}/`, { headers: { 'x-forwarded-proto': 'https' } })
  expect(behind.headers.get('strict-transport-security')).toContain('max-age=')
  expect((await fetch(`${url}/`)).headers.get('strict-transport-security')).toBeNull()
  const folder = join(process.cwd(), '.output/public')
  const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter(f => /\.(?:js|html|json)$/.test(f))
  expect(files.length).toBeGreaterThan(20)
  for (const f of files)
    expect(readFileSync(join(folder, f), 'utf8'), f).not.toMatch(/\$scrypt\$|SESSION_PASSWORD|DATABASE_URL|postgresql:\/\//)
})
