import { readdirSync } from 'node:fs'
import { join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { createError } from 'h3'
import { describe, expect, it } from 'vitest'
import { InputError } from '#core/base/errors'
import { answerOf } from '../error'
import { Refusal } from '../domain/refusal'
import { closedTo, isLoopback, listedHosts, plainPath, type Knock } from './door'
import { accessOf, methodsOf, ROUTES, TOLD } from './routes'

const knock = (over: Partial<Knock> = {}): Knock => ({
  method: 'GET',
  url: '/api/kitchen',
  host: '127.0.0.1:4600',
  origin: undefined,
  site: undefined,
  from: '127.0.0.1',
  ...over,
})
const closed = (over: Partial<Knock>, hosts: string[] = []) => closedTo(knock(over), hosts)?.code ?? null

describe('who may knock', () => {
  it('this machine under its own names, and names that are listed', () => {
    for (const host of ['127.0.0.1', '127.0.0.1:4600', 'localhost', 'LOCALHOST:1', '[::1]:4600'])
      expect(closed({ host })).toBeNull()
    for (const host of [
      'evil.example',
      'localhost.evil.example',
      '127.0.0.1.evil.example',
      '',
      undefined,
      'localhost@evil.example',
      'localhost/',
      'local host',
      '127.0.0.1:99999999',
      'evil.example:127.0.0.1',
    ])
      expect(closed({ host })).toBe('host')
    expect(closed({ host: 'Kitchen.example:4600' }, listedHosts('kitchen.example, other.example'))).toBeNull()
    expect(closed({ host: 'kitchen.example' }, listedHosts('kitchen.example.evil'))).toBe('host')
  })
  it('loopback\'s names do not count from elsewhere, whatever the header says', () => {
    for (const from of ['192.0.2.7', '::ffff:192.0.2.7', '2001:db8::1', undefined, '']) {
      expect(closed({ host: 'localhost', from })).toBe('host')
      expect(closed({ host: '127.0.0.1', from })).toBe('host')
      expect(closed({ host: 'kitchen.example', from }, ['kitchen.example'])).toBeNull()
    }
    expect(closed({ host: 'localhost', from: '::ffff:127.0.0.1' })).toBeNull()
    expect(
      ['127.0.0.1', '127.9.9.9', '::1', 'localhost', '0.0.0.0', '::', '10.0.0.1', '127.0.0.1.evil', undefined].map(
        isLoopback,
      ),
    ).toEqual([true, true, true, true, false, false, false, false, false])
  })
  it('every path and method is guarded, however it is written', () => {
    const paths = [
      '/%61pi/kitchen',
      '//api/kitchen',
      '/API/kitchen',
      '/x/../api/kitchen',
      '/./api/kitchen',
      '/%2561pi/kitchen',
      '/api%2fkitchen',
      '/api/%6bitchen',
      '\\api\\kitchen'.replaceAll('\\', '/'),
      '/shelf',
      '/',
      '/anything',
    ]
    for (const url of paths) {
      for (const method of ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'])
        expect(closed({ url, method, host: 'evil.example' })).toBe('host')
      for (const method of ['POST', 'PUT', 'PATCH', 'DELETE'])
        expect(closed({ url, method, origin: 'http://evil.example' })).not.toBeNull()
    }
    // Written otherwise than plainly, the API is not there at all.
    for (const url of paths.slice(0, 7)) expect(closed({ url })).toBe('unknownRoute')
    for (const url of ['http://evil.example/api/kitchen', '*', 'api/kitchen', ''])
      expect(closed({ url })).toBe('address')
    expect(closed({ url: '/%E0%A4%A' })).toBe('address')
    expect(closed({ url: '/api' })).toBe('unknownRoute')
    expect(closed({ url: '/api/kitchen?x=/../%61pi' })).toBeNull()
    expect(plainPath('/a/../B//c;x=1?d')).toBe('/b/c')
  })
  it('writes come from our own pages only', () => {
    const write = (over: Partial<Knock>) => closed({ method: 'PUT', ...over })
    expect(write({})).toBeNull()
    expect(write({ origin: 'http://127.0.0.1:4600', site: 'same-origin' })).toBeNull()
    for (const over of [
      { origin: 'null' },
      { origin: 'http://127.0.0.1:4601' },
      { origin: 'http://evil.example' },
      { origin: 'nonsense' },
      { site: 'cross-site' },
      { site: 'same-site' },
    ])
      expect(write(over)).toBe('origin')
    expect(closed({ method: 'POST', url: '/shelf' })).toBe('otherMethod')
  })
})

describe('the table of routes', () => {
  it('is what the files are', () => {
    const api = fileURLToPath(new URL('../api', import.meta.url))
    const files = readdirSync(api, { recursive: true, withFileTypes: true })
      .filter(f => f.isFile() && f.name.endsWith('.ts'))
      .map(f => relative(api, join(f.parentPath, f.name)))
    const found: Record<string, string[]> = {}
    for (const file of files) {
      const m = /^(.*?)(?:\/?index)?\.(get|post|put|patch|delete)\.ts$/.exec(file)
      if (!m) {
        expect(file).toBe('[...].ts')
        continue
      }
      const path = `/api/${m[1]!.replace(/\[(\w+)\]/g, ':$1')}`
      ;(found[path] ??= []).push(m[2]!.toUpperCase())
    }
    const sorted = (table: Readonly<Record<string, readonly string[]>>) =>
      Object.fromEntries(Object.entries(table).map(([k, v]) => [k, [...v].sort()]))
    const table = Object.fromEntries(Object.entries(ROUTES).map(([r, m]) => [r, Object.keys(m)]))
    expect(sorted(found)).toEqual(sorted(table))
  })
  it('says who may: what is written out goes before what stands for anything; nothing is open by chance', () => {
    expect(accessOf('/api/people/audit', 'GET')).toBe('own')
    expect([accessOf('/api/lots/x', 'PUT'), accessOf('/api/lots/x', 'GET'), accessOf('/api/x', 'GET')])
      .toEqual(['make', null, null])
    const open = Object.entries(ROUTES).filter(([, m]) => Object.values(m).includes('open')).map(([r]) => r)
    expect(open.filter(r => !r.startsWith('/api/door'))).toEqual(['/api/health', '/api/ready', '/api/shared'])
    for (const told of TOLD) {
      const [method, route] = told.split(' ') as [string, string]
      expect(accessOf(route, method), told).not.toBeNull()
    }
  })
  it('lets an inspector change nothing', () => {
    for (const [route, methods] of Object.entries(ROUTES))
      for (const [method, access] of Object.entries(methods))
        if (method !== 'GET' && access === 'read')
          expect(route, `${method} ${route}`).toMatch(/^\/api\/(?:door\/|live\/here$)/)
  })
  it('tells a path that is not there from a method that is not', () => {
    expect(methodsOf('/api/lots/x')).toEqual(['PUT', 'DELETE'])
    for (const path of ['/api/lots', '/api/lots/', '/api/lots/x/y', '/api/nothing', '/api'])
      expect(methodsOf(path)).toBeNull()
  })
})

describe('what an error is answered with', () => {
  const of = (error: unknown) => {
    const { status, data } = answerOf(error)
    return [status, data.code, data.path]
  }
  const thrown = (cause: unknown) => Object.assign(createError({ statusCode: 500, cause }), { unhandled: true })
  it('each kind of refusal its number', () => {
    for (const [kind, status] of [
      ['unknown', 404],
      ['deleted', 410],
      ['conflict', 409],
      ['invalid', 422],
      ['away', 503],
      ['unsigned', 401],
      ['notAllowed', 403],
      ['tooMany', 429],
    ] as const)
      expect(of(thrown(new Refusal(kind, 'a.b', 'c')))).toEqual([status, 'c', 'a.b'])
    expect(of(thrown(new InputError('tooLarge', 'heat.targetTempC', { max: 105 })))).toEqual([
      422,
      'tooLarge',
      'heat.targetTempC',
    ])
  })
  it('a database that is away is 503; what it refused is the sender\'s; the rest is ours, and told without its words', () => {
    expect(of(thrown(Object.assign(new Error('x'), { code: 'ECONNREFUSED' })))).toEqual([503, 'database', ''])
    expect(of(thrown(Object.assign(new Error('x'), { code: '23505' })))).toEqual([409, 'sameId', 'id'])
    expect(of(thrown(Object.assign(new Error('x'), { code: '22021' })))).toEqual([422, 'badText', ''])
    expect(of(thrown(new Error('insert into "formula" values (secret)')))).toEqual([500, 'fault', ''])
    expect(JSON.stringify(answerOf(thrown(new Error('secret'))))).not.toContain('secret')
    expect(of(createError({ statusCode: 404 }))).toEqual([404, 'unknownRoute', ''])
  })
})
