/** The server's own rules: who may write, how much, and errors that name the field. */
import { request as httpRequest } from 'node:http'
import { expect, SCONES, test } from './support/lumbik'

const ID = '11111111-1111-4111-8111-111111111111'
interface Answer { status: number, body: { data?: { code?: string, path?: string, message?: string, limitBytes?: number } } & Record<string, unknown> }

/** A request with headers that a browser or fetch would not let us set. */
function raw(url: string, method: string, headers: Record<string, string>, body?: string | Buffer): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const request = httpRequest(url, { method, headers }, (response) => {
      const chunks: Buffer[] = []
      response.on('data', c => chunks.push(c as Buffer))
      response.on('end', () => {
        const text = Buffer.concat(chunks).toString()
        resolve({ status: response.statusCode!, body: text.startsWith('{') ? JSON.parse(text) as Answer['body'] : {} })
      })
    })
    request.on('error', reject)
    request.end(body)
  })
}
const JSON_TYPE = { 'content-type': 'application/json' }

test('writes from another origin, and requests for another host, are refused', async ({ lumbik }) => {
  const path = `${lumbik.url}/api/formulas/${SCONES}`
  const rename = JSON.stringify({ name: 'stolen' })
  expect((await raw(path, 'PATCH', { ...JSON_TYPE, origin: 'http://evil.example' }, rename)).status).toBe(403)
  expect((await raw(path, 'PATCH', { ...JSON_TYPE, origin: 'null' }, rename)).body.data?.code).toBe('origin')
  expect((await raw(path, 'PATCH', { ...JSON_TYPE, 'sec-fetch-site': 'cross-site' }, rename)).status).toBe(403)
  expect((await raw(path, 'GET', { host: 'evil.example' })).body.data?.code).toBe('host')
  expect((await raw(path, 'DELETE', { host: 'evil.example' })).status).toBe(403)
  const own = await raw(path, 'PATCH', { ...JSON_TYPE, origin: lumbik.url }, JSON.stringify({ name: 'ours' }))
  expect([own.status, (own.body as { version?: number }).version]).toEqual([200, 2])
})

test('a body over 1 MB is refused naming the limit, announced or not', async ({ lumbik }) => {
  const big = Buffer.alloc(1_000_001, 32)
  const announced = await raw(`${lumbik.url}/api/formulas`, 'POST', { ...JSON_TYPE, 'content-length': String(big.length) }, big)
  expect([announced.status, announced.body.data?.limitBytes]).toEqual([413, 1_000_000])
  expect(announced.body.data?.message).toContain('1 MB')
  const streamed = await raw(`${lumbik.url}/api/formulas`, 'POST', { ...JSON_TYPE, 'transfer-encoding': 'chunked' }, big)
  expect(streamed.status).toBe(413)
})

test('what cannot be taken names its field', async ({ lumbik }) => {
  const { document } = await (await fetch(`${lumbik.url}/api/formulas/${SCONES}`)).json() as { document: Record<string, unknown> }
  const post = (body: unknown) => raw(`${lumbik.url}/api/formulas`, 'POST', JSON_TYPE, typeof body === 'string' ? body : JSON.stringify(body))
  const envelope = { id: ID, mutationId: ID }
  expect((await post('{')).body.data?.code).toBe('notJson')
  expect((await raw(`${lumbik.url}/api/formulas`, 'POST', { 'content-type': 'text/plain' }, '{}')).status).toBe(415)
  expect((await post({ ...envelope })).body.data?.path).toBe('document')
  expect((await post({ ...envelope, id: 'x', document })).body.data?.path).toBe('id')
  expect((await post({ ...envelope, document: { ...document, use: { ...document.use as object, tableTimeS: -1 } } })).body.data?.path).toBe('document.use.tableTimeS')
  const made = await post({ ...envelope, document })
  expect(made.status).toBe(200)
  expect((await post({ ...envelope, document: { ...document, name: 'again' } })).body.document).toMatchObject({ name: document.name })
  const unknown = await raw(`${lumbik.url}/api/formulas/${ID.replace(/1$/, '2')}`, 'GET', {})
  expect([unknown.status, unknown.body.data?.code]).toEqual([404, 'unknownFormula'])
  expect((await raw(`${lumbik.url}/api/formulas/not-an-id`, 'GET', {})).status).toBe(404)
})

test('a stale save is answered with what is there; a stale kitchen too', async ({ lumbik }) => {
  const { document } = await (await fetch(`${lumbik.url}/api/formulas/${SCONES}`)).json() as { document: object }
  const stale = await raw(`${lumbik.url}/api/formulas/${SCONES}`, 'PUT', JSON_TYPE, JSON.stringify({ mutationId: ID, baseVersion: 7, document }))
  expect(stale.status).toBe(409)
  expect(stale.body.data).toMatchObject({ code: 'changedElsewhere', current: { version: 1 } })
  const kitchen = await (await fetch(`${lumbik.url}/api/kitchen`)).json() as { id: string, lots: unknown[], version: number, revision: number, settings: Record<string, unknown> }
  const { id: _, lots: __, revision: ___, ...rest } = kitchen
  const update = { ...rest, mutationId: ID }
  expect((await raw(`${lumbik.url}/api/kitchen`, 'PUT', JSON_TYPE, JSON.stringify({ ...update, version: 99 }))).status).toBe(409)
  const bad = await raw(`${lumbik.url}/api/kitchen`, 'PUT', JSON_TYPE, JSON.stringify({ ...update, settings: { ...kitchen.settings, altitudeM: 9999 } }))
  expect([bad.status, bad.body.data?.path]).toEqual([422, 'settings.altitudeM'])
})
