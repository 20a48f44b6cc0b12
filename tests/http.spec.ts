/** The server's own rules: who may write, how much, and errors that name the field. */
import { request as httpRequest } from 'node:http'
import { answered, expect, SCONES, test, withField } from './support/lumbik'
import { kitchenBody, rawRequest } from '../scripts/probe.mjs'

const ID = '11111111-1111-4111-8111-111111111111'
interface Answer {
  status: number
  body: { data?: { code?: string, path?: string, message?: string, limitBytes?: number } } & Record<string, unknown>
}

/** A request with headers that a browser or fetch would not let us set. */
function raw(url: string, method: string, headers: Record<string, string>, body?: string | Buffer): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const request = httpRequest(url, { method, headers }, (response) => {
      const chunks: Buffer[] = []
      response.on('data', c => chunks.push(c as Buffer))
      response.on('end', () => {
        const text = Buffer.concat(chunks).toString()
        resolve({
          status: response.statusCode!,
          body: text.startsWith('{') ? (JSON.parse(text) as Answer['body']) : {},
        })
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

test('no path, method or spelling gets past the door', async ({ lumbik }) => {
  const port = Number(new URL(lumbik.url).port)
  const line = async (request: string, host = 'evil.example', body = '') => {
    const answer = await rawRequest(
      port,
      `${request} HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n${body ? `Content-Type: application/json\r\nContent-Length: ${body.length}\r\n` : ''}\r\n${body}`,
    )
    return Number(/^HTTP\/1\.1 (\d+)/.exec(answer)?.[1])
  }
  for (const path of [
    '/%61pi/kitchen',
    '//api/kitchen',
    '/API/kitchen',
    '/x/../api/kitchen',
    '/./api/kitchen',
    '/api%2Fkitchen',
    '/api/%6bitchen',
    '/shelf',
    '/',
    `/%61pi/formulas/${SCONES}`,
  ]) {
    for (const method of ['GET', 'PUT', 'DELETE', 'OPTIONS'])
      expect(await line(`${method} ${path}`), `${method} ${path}`).toBe(403)
    // With our own name, the API is there only when it is written plainly.
    expect(await line(`DELETE ${path}`, `127.0.0.1:${port}`), path).toBeGreaterThanOrEqual(404)
  }
  expect(await line('GET http://evil.example/api/kitchen', `127.0.0.1:${port}`)).toBe(400)
  expect(await line('GET /api/kitchen', '')).toBe(403)
  const rename = JSON.stringify({ name: 'stolen' })
  const foreign = await rawRequest(
    port,
    `PATCH /%61pi/formulas/${SCONES} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nOrigin: http://evil.example\r\nContent-Type: application/json\r\nContent-Length: ${rename.length}\r\nConnection: close\r\n\r\n${rename}`,
  )
  expect(foreign).toMatch(/^HTTP\/1\.1 4\d\d/)
  expect(((await answered(`${lumbik.url}/api/formulas/${SCONES}`)) as { version: number }).version).toBe(
    1,
  )
})

test('headers tell the browser what a page may do; what is no route is JSON', async ({ lumbik }) => {
  for (const path of ['/', '/shelf', '/api/kitchen', '/mark.svg']) {
    const { headers } = await fetch(`${lumbik.url}${path}`)
    expect([
      path,
      headers.get('x-content-type-options'),
      headers.get('referrer-policy'),
      headers.get('x-powered-by'),
    ]).toEqual([path, 'nosniff', 'no-referrer', null])
  }
  const policy = (await fetch(`${lumbik.url}/shelf`)).headers.get('content-security-policy')!
  const scripts = policy.split('; ').find(d => d.startsWith('script-src'))!
  expect(scripts).toMatch(/^script-src 'self' 'sha256-[\w+/=]+'$/)
  expect(policy).toContain('frame-ancestors \'none\'')
  expect(policy).toContain('default-src \'none\'')
  const answers = [
    ['GET', '/api', 404],
    ['GET', '/api/', 404],
    ['GET', '/api/nothing', 404],
    ['DELETE', '/api/kitchen', 405],
    ['POST', `/api/formulas/${SCONES}`, 405],
    ['PUT', '/api/nothing', 404],
    ['OPTIONS', '/api/kitchen', 405],
    ['POST', '/shelf', 405],
  ] as const
  for (const [method, path, status] of answers) {
    const answer = await fetch(`${lumbik.url}${path}`, { method })
    expect([method, path, answer.status, answer.headers.get('content-type')?.split(';')[0]]).toEqual([
      method,
      path,
      status,
      'application/json',
    ])
    expect(((await answer.json()) as Answer['body']).data?.code).toBeTruthy()
  }
})

test('a refusal costs little: it is small, quick, and nobody else waits for it', async ({ lumbik }) => {
  const kitchen = (await answered(`${lumbik.url}/api/kitchen`)) as Parameters<typeof kitchenBody>[0] & {
    settings: object
  }
  const put = (settings: string) =>
    raw(
      `${lumbik.url}/api/kitchen`,
      'PUT',
      JSON_TYPE,
      JSON.stringify({ mutationId: ID, ...kitchenBody(kitchen), settings: '@' }).replace('"@"', settings),
    )
  const prices = `{"prices":{${Array.from({ length: 60_000 }, (_, i) => `"k${i}":1`).join(',')}}}`
  const [many, meanwhile] = await Promise.all([put(prices), fetch(`${lumbik.url}/api/health`)])
  expect([many.status, many.body.data?.code, meanwhile.status]).toEqual([422, 'tooMany', 200])
  expect(JSON.stringify(many.body).length).toBeLessThan(500)
  const some = `{"prices":{${Array.from({ length: 399 }, (_, i) => `"k${i}":1`).join(',')}}}`
  expect((await put(some)).status).toBe(422)
  const own = (extra: string) => put(JSON.stringify(kitchen.settings).replace('"prices":{', `"prices":{${extra},`))
  for (const [extra, path] of [
    ['"__proto__":1', 'settings.prices.__proto__'],
    ['"stardust":1', 'settings.prices.stardust'],
    ['"water":-1', 'settings.prices.water'],
  ] as const)
    expect((await own(extra)).body.data?.path).toBe(path)
  const long = await put(JSON.stringify({ ...kitchen.settings, currency: 'x'.repeat(7000) }))
  expect([long.status, long.body.data?.path]).toEqual([422, 'settings.currency'])
  expect(JSON.stringify(long.body)).not.toContain('xxx')
})

test('ids, text and dates that cannot be are refused by their field, never with 500', async ({ lumbik }) => {
  const { document } = (await answered(`${lumbik.url}/api/formulas/${SCONES}`)) as {
    document: Record<string, unknown>
  }
  const kitchen = (await answered(`${lumbik.url}/api/kitchen`)) as Parameters<typeof kitchenBody>[0] & {
    lots: { id: string, version: number }[]
    places: { id: string }[]
    pans: { id: string }[]
  }
  const send = async (method: string, path: string, body: unknown) => {
    const { status, body: answer } = await raw(`${lumbik.url}${path}`, method, JSON_TYPE, JSON.stringify(body))
    return [status, answer.data?.code, answer.data?.path]
  }
  const save = (path: string, value: unknown) =>
    send('PUT', `/api/formulas/${SCONES}`, { mutationId: ID, baseVersion: 1, document: withField(document, path, value) })
  expect(await save('formula.note', 'a\u0000b')).toEqual([422, 'badText', 'document.formula.note'])
  expect(
    await raw(
      `${lumbik.url}/api/formulas/${SCONES}`,
      'PUT',
      JSON_TYPE,
      JSON.stringify({
        mutationId: ID, baseVersion: 1, document: withField(document, 'formula.note', '@'),
      }).replace('"@"', '"\\ud800"'),
    ).then(a => [a.status, a.body.data?.path]),
  ).toEqual([422, 'document.formula.note'])
  expect(await save('occasion.startAt', '2026-99-99T08:00')).toEqual([
    422,
    'date',
    'document.serve.startAt',
  ])
  for (const id of ['not-an-id', '-'.repeat(36), '%00', '..%2Fkitchen', 'a'.repeat(400)])
    expect((await raw(`${lumbik.url}/api/formulas/${id}`, 'GET', {})).status, id).toBe(404)
  const [{ version, ...lot }] = kitchen.lots as [{ id: string, version: number }]
  expect(
    await send('PUT', `/api/lots/${lot.id}`, {
      mutationId: ID,
      baseVersion: version,
      lot: { ...lot, useBy: '2026-99-99' },
    }),
  ).toEqual([422, 'date', 'lot.useBy'])
  const put = (over: object) => send('PUT', '/api/kitchen', { mutationId: ID, ...kitchenBody(kitchen), ...over })
  expect(await put({ places: [...kitchen.places, kitchen.places[0]] })).toEqual([
    422,
    'sameId',
    `places.${kitchen.places.length}.id`,
  ])
  expect(await put({ ovens: [{ id: kitchen.pans[0]!.id, name: 'x', fan: false, offsetK: 0 }] })).toEqual([
    422,
    'sameId',
    'ovens.0.id',
  ])
  const create = (id: string) => send('POST', '/api/formulas', { id, mutationId: crypto.randomUUID(), document })
  expect(await Promise.all([create(ID), create(ID), create(ID)])).toEqual([
    [200, undefined, undefined],
    [200, undefined, undefined],
    [200, undefined, undefined],
  ])
  await raw(`${lumbik.url}/api/formulas/${ID}`, 'DELETE', {})
  expect(await create(ID)).toEqual([410, 'deletedFormula', 'id'])
  // Deep nesting, of what would otherwise be a document.
  const deep = await raw(
    `${lumbik.url}/api/formulas`,
    'POST',
    JSON_TYPE,
    `${'{"document":'.repeat(50_000)}1${'}'.repeat(50_000)}`,
  )
  expect([deep.status, deep.body.data?.code]).toEqual([422, 'tooDeep'])
})

test('a body over 1 MB is refused naming the limit, announced or not', async ({ lumbik }) => {
  const big = Buffer.alloc(1_000_001, 32)
  const announced = await raw(
    `${lumbik.url}/api/formulas`,
    'POST',
    { ...JSON_TYPE, 'content-length': String(big.length) },
    big,
  )
  expect([announced.status, announced.body.data?.limitBytes]).toEqual([413, 1_000_000])
  expect(announced.body.data?.message).toContain('1 MB')
  const streamed = await raw(
    `${lumbik.url}/api/formulas`,
    'POST',
    { ...JSON_TYPE, 'transfer-encoding': 'chunked' },
    big,
  )
  expect(streamed.status).toBe(413)
})

test('what cannot be taken names its field', async ({ lumbik }) => {
  const { document } = (await answered(`${lumbik.url}/api/formulas/${SCONES}`)) as {
    document: Record<string, unknown>
  }
  const post = (body: unknown) =>
    raw(`${lumbik.url}/api/formulas`, 'POST', JSON_TYPE, typeof body === 'string' ? body : JSON.stringify(body))
  const envelope = { id: ID, mutationId: ID }
  expect((await post('{')).body.data?.code).toBe('notJson')
  expect((await raw(`${lumbik.url}/api/formulas`, 'POST', { 'content-type': 'text/plain' }, '{}')).status).toBe(415)
  expect((await post({ ...envelope })).body.data?.path).toBe('document')
  expect((await post({ ...envelope, id: 'x', document })).body.data?.path).toBe('id')
  expect(
    (await post({ ...envelope, document: withField(document, 'formula.use.tableTimeS', -1) })).body.data?.path,
  ).toBe('document.use.tableTimeS')
  const made = await post({ ...envelope, document })
  expect(made.status).toBe(200)
  expect((await post({ ...envelope, document: withField(document, 'formula.name', 'again') })).body.document)
    .toEqual(document)
  const unknown = await raw(`${lumbik.url}/api/formulas/${ID.replace(/1$/, '2')}`, 'GET', {})
  expect([unknown.status, unknown.body.data?.code]).toEqual([404, 'unknownFormula'])
  expect((await raw(`${lumbik.url}/api/formulas/not-an-id`, 'GET', {})).status).toBe(404)
})

test('a stale save is answered with what is there; a stale kitchen too', async ({ lumbik }) => {
  const { document } = (await answered(`${lumbik.url}/api/formulas/${SCONES}`)) as { document: object }
  const stale = await raw(
    `${lumbik.url}/api/formulas/${SCONES}`,
    'PUT',
    JSON_TYPE,
    JSON.stringify({ mutationId: ID, baseVersion: 7, document }),
  )
  expect(stale.status).toBe(409)
  expect(stale.body.data).toMatchObject({ code: 'changedElsewhere', current: { version: 1 } })
  const kitchen = (await answered(`${lumbik.url}/api/kitchen`)) as {
    id: string
    lots: unknown[]
    version: number
    revision: number
    settings: Record<string, unknown>
  }
  const { id: _, lots: __, revision: ___, ...rest } = kitchen
  const update = { ...rest, mutationId: ID }
  expect(
    (await raw(`${lumbik.url}/api/kitchen`, 'PUT', JSON_TYPE, JSON.stringify({ ...update, version: 99 }))).status,
  ).toBe(409)
  const bad = await raw(
    `${lumbik.url}/api/kitchen`,
    'PUT',
    JSON_TYPE,
    JSON.stringify({ ...update, settings: { ...kitchen.settings, altitudeM: 9999 } }),
  )
  expect([bad.status, bad.body.data?.path]).toEqual([422, 'settings.altitudeM'])
})
