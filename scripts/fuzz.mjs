/**
 * `npm run fuzz [-- COUNT SEED]`: bodies, addresses and headers that nobody should send, over all routes of a real
 * server
 * on a real database. Each must be answered, never with 500; each refusal names a field; each stays small.
 */
import { pathToFileURL } from 'node:url'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { uniformInt } from 'pure-rand/distribution/uniformInt'
import {
  ensureBuild,
  ensureNode,
  ensurePackages,
  ensurePostgresPrograms,
  freePort,
  startPostgres,
  startServer,
} from './setup.mjs'
import { everyRole, everyRoute, NEIGHBOUR, nextDoor } from './everyRole.mjs'
import { client, kitchenBody } from './probe.mjs'

/** A refusal is never longer than this, characters; a conflict carries the document, a clash of lists the kitchen. */
const REFUSAL_MOST = 2500
const SLOW_MS = 8000

const deep = (n, open = '[', shut = ']') => `${open.repeat(n)}${shut.repeat(n)}`
/** Values that break programs. */
const ODD = [
  null,
  true,
  false,
  0,
  -0,
  -1,
  1e308,
  -1e308,
  1e-320,
  2 ** 31,
  2 ** 53,
  1.5,
  '',
  ' ',
  'x',
  '0',
  'null',
  '2026-99-99',
  '2026-11-28T08:30',
  '9999-12-31',
  'x'.repeat(9000),
  'a\u0000b',
  '\uD800',
  '\uDC00x',
  '🍋'.repeat(50),
  '; drop table formula; --',
  '../../etc/passwd',
  '${7*7}',
  '00000000-0000-0000-0000-000000000000',
  '0e1f0000-0006-4000-8000-000000000001',
  '0e1f0000-0009-4000-8000-000000000001',
  [],
  [[]],
  {},
  { kind: 'cut' },
  { simulated: true },
  { given: 3 },
  { given: null },
  { simulated: true, given: 1 },
  ['x', 1, null],
  { __proto__: null, x: 1 },
]

export function fuzzer(seed) {
  const random = xoroshiro128plus(seed)
  const int = (low, high) => uniformInt(random, low, high)
  const pick = list => list[int(0, list.length - 1)]
  const chance = percent => int(1, 100) <= percent

  /** Every place in a value. */
  function places(value, path = [], out = []) {
    out.push(path)
    if (value && typeof value === 'object')
      for (const key of Object.keys(value)) places(value[key], [...path, key], out)
    return out
  }
  const at = (value, path) => path.reduce((v, key) => v?.[key], value)
  /** Changes one place: another value, gone, twice, a key too many, another's value. */
  function damage(body) {
    const next = structuredClone(body)
    const path = pick(places(next).slice(1))
    if (!path) return pick(ODD)
    const parent = at(next, path.slice(0, -1))
    const key = path.at(-1)
    switch (int(0, 6)) {
      case 0:
        delete parent[key]
        break
      case 1:
        if (Array.isArray(parent)) parent.push(structuredClone(parent[key]))
        else parent[`${key}x`] = parent[key]
        break
      case 2:
        parent[key] = structuredClone(at(next, pick(places(next))))
        break
      case 3:
        if (Array.isArray(parent[key]))
          parent[key] = Array.from({ length: pick([0, 61, 1001]) }, () => structuredClone(parent[key][0] ?? 1))
        else parent[key] = pick(ODD)
        break
      case 4:
        if (typeof parent[key] === 'number') parent[key] *= pick([-1, 0, 1e3, 1e9, 1e-9])
        else parent[key] = pick(ODD)
        break
      default:
        parent[key] = pick(ODD)
    }
    return next
  }
  const bytes = (body) => {
    if (chance(92)) return JSON.stringify(body)
    const text = JSON.stringify(body) ?? 'null'
    return pick([
      () => text.slice(0, int(0, text.length)),
      () => deep(int(10, 60_000)),
      () => deep(int(10, 20_000), '{"a":', '}'),
      () => `{"__proto__":${text}}`,
      () => text.replace(/"name"/, '"__proto__"'),
      () => Buffer.concat([Buffer.from(text.slice(0, 20)), Buffer.from([0xff, 0xfe]), Buffer.from(text.slice(20))]),
      () => '',
      () => 'null',
      () => '[]',
      () => '"x"',
      () => '1e999',
      () => `\uFEFF${text}`,
      () => JSON.stringify('x'.repeat(int(1, 990_000))),
      () => `{"prices":{${Array.from({ length: 20_000 }, (_, i) => `"k${i}":1`).join(',')}}}`,
    ])()
  }
  return { int, pick, chance, damage, bytes }
}

/** Doors that would shut on whoever knocks: they have tests of their own. */
const SHUTS = new Set(['/api/door/out', '/api/door/lock', '/api/door/kitchen', '/api/door/pin', '/api/door/tablet', '/api/live'])
/** What is sent where no body is written out below: something of everything that routes ask for. */
const SOMETHING = {
  id: 'x', mutationId: 'x', name: 'x', kind: 'formula', target: '2026-11-28', days: 7, login: 'x', password: 'a long enough one',
  token: 'x', current: 'x', role: 'cook', code: 'x', label: 'x', response: { id: 'x' }, place: 'day:2026-11-28', text: '100 g sugar',
  events: [{ id: 'x', atS: 1, happened: { kind: 'foundSet' }, text: null }], lines: ['2026-11-28T08:12:03Z probe pot 64.2'],
  series: [{ deviceId: 'probe', channel: 'pot', timeS: [0, 3], values: [20, null] }], baseVersion: 1, version: 1,
}

/**
 * Sends `count` of them.
 * @param cookies by role, of whoever sends; @param routes all there are; @param neighbour what no answer may hold, and
 * ids that are nobody's here
 * @returns what must not be, by request
 */
export async function fuzz(url, count, seed, { cookies, routes: every, neighbour, onProgress = () => {} }) {
  const { call, close } = client(url, { sockets: 8 })
  const { pick, chance, damage, bytes, int } = fuzzer(seed)
  const faults = []
  const statuses = {}
  const byRole = {}
  let slowest = 0
  const list = (await call('GET', '/api/formulas')).json.items
  const formulas = await Promise.all(list.map(async i => (await call('GET', `/api/formulas/${i.id}`)).json))
  const record = (await call('GET', '/api/kitchen')).json
  const { lots } = record
  const kitchen = kitchenBody(record)
  const uuid = () =>
    `${(0x10000000 + int(0, 0xfffffff)).toString(16)}-1111-4111-8111-${String(int(0, 1e6)).padStart(12, '0')}`
  const ids = [
    ...list.map(i => i.id),
    ...lots.map(l => l.id),
    ...neighbour.ids,
    kitchen.pans[0].id,
    uuid(),
    'not-an-id',
    '%00',
    '..%2f..',
    '\'',
    '-'.repeat(36),
    'a'.repeat(36),
    '%F0%9F%8D%8B',
    '0'.repeat(300),
    '',
  ]
  const others = every.filter(({ path }) => !SHUTS.has(path))
  const any = () => {
    const { path, method } = pick(others)
    const at = path.replace(/:id/, () => pick(ids)).replace(/:date/, () => pick(['2026-11-28', '2027-01-01', '2026-99-99', 'x']))
    return [method, at, method === 'GET' ? undefined : chance(50) ? SOMETHING : { ...SOMETHING, id: uuid(), mutationId: uuid() }]
  }
  const routes = [
    any, any, any, any,
    () => ['POST', '/api/assess', pick(formulas).document],
    () => [
      'POST',
      '/api/formulas',
      {
        id: chance(50) ? uuid() : pick(list).id,
        mutationId: uuid(),
        document: pick(formulas).document,
        label: 'x',
        parentFormulaId: chance(50) ? null : pick(list).id,
      },
    ],
    () => [
      'PUT',
      `/api/formulas/${pick(ids)}`,
      { mutationId: uuid(), baseVersion: int(0, 5), document: pick(formulas).document },
    ],
    () => ['PATCH', `/api/formulas/${pick(ids)}`, { name: 'x' }],
    () => ['POST', `/api/formulas/${pick(ids)}/versions`, { label: 'x' }],
    () => ['PUT', '/api/kitchen', { mutationId: uuid(), ...kitchen, version: int(0, 5) }],
    () => {
      const { version, ...lot } = pick(lots)
      return [
        'PUT',
        `/api/lots/${chance(70) ? lot.id : pick(ids)}`,
        { mutationId: uuid(), baseVersion: chance(50) ? version : int(0, 3), lot },
      ]
    },
    () => [
      'POST',
      '/api/bin/restore',
      {
        kind: pick(['formula', 'lot', 'vessel', 'place', 'oven', 'burner', 'pan']),
        id: chance(80) ? pick(list).id : uuid(),
      },
    ],
    () => ['DELETE', `/api/${pick(['lots', 'formulas'])}/${pick(ids.slice(-12))}`, undefined],
    () => [
      'GET',
      `/api/formulas?${pick(['after', 'search', 'eggs'])}=${encodeURIComponent(String(pick(ODD.filter(o => typeof o === 'string' && !/[\uD800-\uDFFF]/.test(o)))).slice(0, 600))}`,
      undefined,
    ],
    () => [
      'GET',
      `/api/formulas/${pick(ids)}${pick(['', '/versions', `/versions?after=${int(0, 9)}_${pick(ids)}`])}`,
      undefined,
    ],
    () => ['GET', `/api/versions/${pick(ids)}`, undefined],
    () => [
      pick(['GET', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'HEAD', 'PATCH']),
      `/api/${pick(['nothing', 'kitchen/x', '%6bitchen', '', 'formulas/x/y/z', 'bin', 'health'])}`,
      undefined,
    ],
  ]
  async function one(n) {
    const [method, path, body] = pick(routes)()
    const payload = body === undefined ? undefined : bytes(chance(85) ? damage(body) : body)
    const headers = chance(3)
      ? pick([
          { host: 'evil.example' },
          { host: '' },
          { host: 'x y' },
          { origin: 'null' },
          { 'content-type': 'text/plain' },
        ])
      : {}
    // The demonstration's owner as often as any other: without a cookie.
    const who = pick(['demo', ...Object.keys(cookies)])
    const answer = await call(method, path, payload, { ...(who === 'demo' ? {} : { cookie: cookies[who] }), ...headers })
    byRole[who] = (byRole[who] ?? 0) + 1
    slowest = Math.max(slowest, answer.ms)
    statuses[answer.status] = (statuses[answer.status] ?? 0) + 1
    const fault = (what) => {
      if (faults.length < 50)
        faults.push(
          `${n}: ${who} ${method} ${path.slice(0, 80)} ${what} ${String(payload ?? '').slice(0, 160)} → ${answer.status} ${answer.text.slice(0, 200)}`,
        )
    }
    if (answer.status >= 500) fault('failed')
    if (answer.text.includes(neighbour.word)) fault('showed what is next door')
    if (answer.status === 0) fault('was not answered')
    if (answer.ms > SLOW_MS) fault(`took ${Math.round(answer.ms)} ms`)
    if (answer.status < 400 || answer.status === 0 || method === 'HEAD') return
    let data
    try {
      data = answer.json.data
    } catch {
      return fault('was refused without JSON')
    }
    if (!data?.code) return fault('was refused without a code')
    if (answer.status === 422 && !data.path) fault('was refused without a field')
    if (![409, 410].includes(answer.status) && answer.text.length > REFUSAL_MOST)
      fault(`was refused in ${answer.text.length} characters`)
  }
  const AT_ONCE = 8
  for (let n = 0; n < count; n += AT_ONCE) {
    await Promise.all(Array.from({ length: Math.min(AT_ONCE, count - n) }, (_, i) => one(n + i)))
    onProgress(n)
  }
  const after = await call('GET', '/api/kitchen')
  if (after.status !== 200) faults.push(`afterwards the kitchen answers ${after.status}`)
  close()
  return { faults, statuses, byRole, slowest: Math.round(slowest) }
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const count = Number(process.argv[2] ?? 10_000)
  const seed = Number(process.argv[3] ?? 20261128)
  ensureNode()
  ensurePostgresPrograms()
  ensurePackages()
  ensureBuild()
  const postgres = await startPostgres('fuzz-postgres', { fsync: 'off' })
  let server
  try {
    postgres.sql('drop database if exists lumbik_fuzz with (force)')
    postgres.sql('create database lumbik_fuzz')
    server = await startServer(
      { DATABASE_URL: postgres.url('lumbik_fuzz'), LUMBIK_DEMO: '1' },
      await freePort(0),
      'ignore',
    )
    const started = Date.now()
    const { sql, ids } = nextDoor()
    postgres.sql(sql, 'lumbik_fuzz')
    const { faults, statuses, byRole, slowest } = await fuzz(server.url, count, seed, {
      cookies: await everyRole(server.url), routes: await everyRoute(), neighbour: { word: NEIGHBOUR, ids },
      onProgress: n => n % 1000 === 0 && console.log(`lumbik: ${n} sent`),
    })
    for (const fault of faults) console.log(fault)
    console.log(
      `lumbik: ${count} requests, seed ${seed}, ${Math.round((Date.now() - started) / 1000)} s; answers ${JSON.stringify(statuses)}; by ${JSON.stringify(byRole)}; slowest ${slowest} ms`,
    )
    console.log(`${count - faults.length} passed, ${faults.length} failed`)
    process.exitCode = faults.length ? 1 : 0
  } finally {
    await server?.stop()
    postgres.stop()
  }
}
