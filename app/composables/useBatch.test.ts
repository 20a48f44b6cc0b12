/** A batch in a browser: what happens is kept at once, sent until answered, counted once; news join what is known. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { BatchEvent, Series } from '#core/book/record'
import type { BatchNews, BatchWhole } from '../../shared/book'
import { soon } from '../../tests/support/patient'
import { browserStore } from './browserStore'
import { useBatch } from './useBatch'

const ID = '22222222-2222-4222-8222-222222222222'
const at = (n: number, kind = 'note'): BatchEvent => ({ id: `e${n}`, atS: n, actorId: 'a', kind }) as BatchEvent
const WHOLE = {
  record: { id: ID, events: [at(1)], readings: [{ deviceId: 'probe', channel: 'pot', timeS: [0, 5], values: [20, 21] }] },
  head: 1, clock: { nowS: 100, speed: 10 }, texts: [], power: 1,
} as unknown as BatchWhole
const news = (over: Partial<BatchNews> = {}): BatchNews =>
  ({ events: [], head: 1, series: [], clock: { nowS: 100, speed: 1 }, texts: [], names: {}, ...over })

let line: { onmessage: (m: { data: string }) => void, url: string } | null
let bodies: { events: { id: string, happened: { kind: string } }[] }[]
let answers: (status: string[]) => Response | 'lost'
beforeEach(() => {
  line = null
  bodies = []
  answers = () => new Response('{}', { status: 200 })
  vi.stubGlobal('EventSource', class {
    onmessage = () => {}
    constructor(public url: string) { line = this as never }
    close() {}
  })
  vi.stubGlobal('fetch', async (url: string, init: RequestInit = {}) => {
    if (init.method !== 'POST') return new Response(JSON.stringify(WHOLE), { status: 200 })
    const body = JSON.parse(String(init.body)) as (typeof bodies)[number]
    bodies.push(body)
    const answer = answers(body.events.map(e => e.happened.kind))
    if (answer === 'lost') throw new TypeError('connection lost')
    return answer
  })
})
afterEach(() => {
  for (const key of browserStore.keys(`lumbik:batch:${ID}`)) browserStore.remove(key)
  vi.unstubAllGlobals()
})
async function open() {
  const scope = effectScope()
  const batch = scope.run(() => useBatch(ID))!
  await batch.ready
  return { batch, close: () => scope.stop() }
}
const hears = (some: Partial<BatchNews>) => line!.onmessage({ data: JSON.stringify(news(some)) })
const kinds = (events: readonly BatchEvent[]) => events.map(e => e.kind)

describe('two tabs of one browser', () => {
  it('never write over one another; what either left behind is sent by whoever opens the batch next', async () => {
    answers = () => 'lost'
    const [a, b] = [await open(), await open()]
    for (let i = 0; i < 5; i++) {
      a.batch.happen({ kind: 'note', textId: '' } as never, `a ${i}`)
      b.batch.happen({ kind: 'note', textId: '' } as never, `b ${i}`)
    }
    a.close()
    b.close()
    const again = await open()
    expect(again.batch.pending.value.map(e => e.text?.text).sort())
      .toEqual(['a', 'b'].flatMap(t => [0, 1, 2, 3, 4].map(i => `${t} ${i}`)))
    answers = () => new Response('{}', { status: 200 })
    await soon(() => expect(again.batch.pending.value).toEqual([]))
    expect(browserStore.keys(`lumbik:batch:${ID}`)).toEqual([])
    again.close()
  })
})

describe('what happens', () => {
  it('stands on screen before it is answered, and once after it', async () => {
    const { batch, close } = await open()
    batch.happen({ kind: 'heatOn' } as never)
    expect(kinds(batch.events.value)).toEqual(['note', 'heatOn'])
    await soon(() => expect(batch.pending.value).toEqual([]))
    expect(kinds(batch.events.value)).toEqual(['note', 'heatOn'])
    hears({ events: [{ ...at(2, 'heatOn'), id: bodies[0]!.events[0]!.id }], head: 2 })
    expect(kinds(batch.events.value)).toEqual(['note', 'heatOn'])
    close()
  })
  it('that was taken does not go away when an older answer comes late', async () => {
    const { batch, close } = await open()
    batch.happen({ kind: 'heatOn' } as never)
    await soon(() => expect(batch.pending.value).toEqual([]))
    // Asked before it was taken, answered after.
    await batch.load()
    expect(kinds(batch.events.value)).toEqual(['note', 'heatOn'])
    close()
  })
  it('is kept over a lost answer and a reload, and sent again with the same id', async () => {
    answers = () => 'lost'
    const first = await open()
    const id = first.batch.happen({ kind: 'heatOn' } as never)
    await soon(() => expect(bodies).toHaveLength(1))
    first.close()
    answers = () => new Response('{}', { status: 200 })
    const { batch, close } = await open()
    await soon(() => expect(batch.pending.value).toEqual([]))
    expect(bodies.every(b => b.events[0]!.id === id)).toBe(true)
    expect(kinds(batch.events.value)).toEqual(['note', 'heatOn'])
    close()
  })
  it('that is refused is told, and takes nothing with it that was sent beside it', async () => {
    answers = () => 'lost'
    const { batch, close } = await open()
    for (const kind of ['heatOn', 'poured', 'heatOff']) batch.happen({ kind } as never)
    answers = some => (some.includes('poured')
      ? new Response(JSON.stringify({ data: { path: 'events', code: 'unknownValue' } }), { status: 422 })
      : new Response('{}', { status: 200 }))
    await soon(() => expect(batch.pending.value).toEqual([]))
    expect(batch.refused.value.map(r => [r.event.happened.kind, r.code])).toEqual([['poured', 'unknownValue']])
    expect(kinds(batch.events.value)).toEqual(['note', 'heatOn', 'heatOff'])
    close()
  })
})

describe('news', () => {
  it('of readings join what is known, each once', async () => {
    const { batch, close } = await open()
    expect(decodeURIComponent(line!.url)).toContain('after=1&have={"probe/pot":5}')
    const probe = (timeS: number[], values: number[]): Series => ({ deviceId: 'probe', channel: 'pot', timeS, values })
    hears({ series: [probe([5, 10], [21, 22])] })
    hears({ series: [probe([10], [22]), { deviceId: 'probe', channel: 'core', timeS: [10], values: [4] }] })
    expect(batch.record.value!.readings)
      .toEqual([probe([0, 5, 10], [20, 21, 22]), { ...probe([10], [4]), channel: 'core' }])
    close()
  })
  it('carry the clock: from there it runs as fast as is said', async () => {
    const { batch, close } = await open()
    hears({ clock: { nowS: 500, speed: 0 } })
    expect(batch.nowS.value).toBe(500)
    hears({ clock: { nowS: 600, speed: 60 } })
    await soon(() => expect(batch.nowS.value).toBeGreaterThan(606))
    expect(batch.nowS.value).toBeLessThan(3000)
    close()
  })
})
