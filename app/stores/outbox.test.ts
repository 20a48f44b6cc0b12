import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { adoptUnsent, allUnsent, keepUnsent, type Unsent } from '../composables/unsent'
import { away } from '../composables/api'
import { browserStore, storageFailing } from '../composables/browserStore'
import older from '#core/checks/older.json'
import { useKitchenStore } from './kitchen'
import type { Settled } from '../composables/outboxEntry'
import { useOutboxStore } from './outbox'
import { named, useWorkspaceStore } from './workspace'
import { formula } from '../../tests/support/core'
import { type Bench, benchOf, fillingOf, type Planned, putBack } from '#core/formula/bench'

const ID = '11111111-1111-4111-8111-111111111111'
const locks = (held: string[]) =>
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: {
      query: async () => ({ held: held.map(name => ({ name })) }),
      request: async (_: string, options: unknown, work?: (lock: object | null) => unknown) =>
        (work ?? (options as (lock: object) => unknown))({}),
    },
  })

/** A server of one formula, as the real one answers; `answer` may be replaced to lose, refuse or hold answers. */
function oneFormula(bench: Bench) {
  const document = putBack(bench)
  const taken = new Map<string, number>()
  const state = {
    version: 1,
    document,
    deleted: false,
    calls: [] as string[],
    answer: null as null | ((body: { mutationId: string }) => Response | 'lost' | null),
  }
  const json = (status: number, body: unknown) => new Response(JSON.stringify(body), { status })
  const record = () => ({
    id: ID,
    version: state.version,
    updatedAt: '2026-11-28T08:00:00.000Z',
    document: state.document,
  })
  vi.stubGlobal('fetch', async (url: string, init: RequestInit = {}) => {
    state.calls.push(`${init.method ?? 'GET'} ${url}`)
    const body = init.body
      ? (JSON.parse(String(init.body)) as { mutationId: string, baseVersion: number, document: Planned })
      : null
    if (url === '/api/bin/restore') {
      state.deleted = false
      return json(200, { deleted: false })
    }
    if (!body) return json(200, record())
    const said = state.answer?.(body)
    if (said instanceof Response) return said
    if (state.deleted) return json(410, { data: { path: 'id', code: 'deletedFormula' } })
    const before = taken.get(body.mutationId)
    if (before !== undefined && before === state.version) return json(200, record())
    if (before !== undefined || body.baseVersion !== state.version)
      return json(409, {
        data: { path: 'baseVersion', code: 'changedElsewhere', current: record(), taken: before !== undefined },
      })
    state.version++
    state.document = body.document
    taken.set(body.mutationId, state.version)
    if (said === 'lost') throw new TypeError('connection reset')
    return json(200, { id: ID, version: state.version, updatedAt: '2026-11-28T08:00:00.000Z' })
  })
  return state
}
const sugarOf = (d: Bench) => fillingOf(d).lines.find(l => l.ingredientId === 'sugar')!
const sugar = (d: Planned) => sugarOf(benchOf(d)).massG
const withSugar = (d: Planned, massG: number, name = d.formula.name): Planned => {
  const next = structuredClone(benchOf(d))
  sugarOf(next).massG = massG
  return putBack({ ...next, name })
}

beforeEach(() => {
  localStorage.clear()
  locks([])
  away.value = null
  setActivePinia(createPinia())
})
// What a test left unsent is not sent during the next.
afterEach(() => {
  const outbox = useOutboxStore()
  for (const e of outbox.list) outbox.drop(e.kind, e.id)
})

describe('while something is dragged', () => {
  it('the first change is kept at once and the last when it is let go; nothing between is written', async () => {
    oneFormula(formula())
    const ws = useWorkspaceStore()
    await ws.open(ID)
    const written = vi.spyOn(browserStore, 'set')
    const grams = () => (allUnsent()[0]?.value as Planned | undefined)?.formula.components[0]!.lines[0]!.massG
    const drag = (massG: number) => ws.change('map', d => Object.assign(fillingOf(d).lines[0]!, { massG }))
    window.dispatchEvent(new MouseEvent('mousedown'))
    for (const massG of [171, 172, 173, 174]) drag(massG)
    expect([written.mock.calls.length, grams()]).toEqual([1, 171])
    window.dispatchEvent(new MouseEvent('mouseup'))
    expect([written.mock.calls.length, grams()]).toEqual([2, 174])
    // Typed, each change is kept as it comes.
    drag(175)
    expect(grams()).toBe(175)
    written.mockRestore()
  })
  it('a page that goes in the middle of a drag leaves its last state behind', async () => {
    oneFormula(formula())
    const ws = useWorkspaceStore()
    await ws.open(ID)
    window.dispatchEvent(new MouseEvent('mousedown'))
    for (const massG of [181, 182]) ws.change('map', d => Object.assign(fillingOf(d).lines[0]!, { massG }))
    window.dispatchEvent(new Event('pagehide'))
    expect(fillingOf(benchOf(allUnsent()[0]!.value as Planned)).lines[0]!.massG).toBe(182)
    window.dispatchEvent(new MouseEvent('mouseup'))
  })
})

describe('what the browser keeps', () => {
  const entry = (tab: string, over: Partial<Unsent> = {}): Unsent => ({
    kind: 'formula',
    id: ID,
    name: 'Tart',
    tab,
    base: { version: 3, value: putBack(formula()) },
    value: putBack(formula()),
    inFlight: null,
    ...over,
  })
  it('a tab gets its own back, a living tab\'s is left alone, a dead one\'s is adopted', () => {
    keepUnsent(entry('alive'))
    expect(adoptUnsent('mine', new Set(['alive']))).toEqual([])
    keepUnsent(entry('dead'))
    expect(adoptUnsent('mine', new Set(['alive']))).toMatchObject([{ tab: 'mine', id: ID }])
    expect(
      allUnsent()
        .map(e => e.tab)
        .sort(),
    ).toEqual(['alive', 'mine'])
    // Where the browser does not tell which tabs live, none is taken for dead.
    keepUnsent(entry('unknown', { id: 'f2' }))
    expect(adoptUnsent('mine', null).map(e => e.id)).toEqual([ID])
  })
  it('what an earlier Lumbik kept is read, and what cannot be read is passed over', () => {
    localStorage.setItem(
      `lumbik:unsent:${ID}:old`,
      JSON.stringify({
        formulaId: ID,
        tab: 'old',
        baseVersion: 4,
        document: older.files[0]!.document,
        mutationId: 'm',
        inFlight: { mutationId: 'm', baseVersion: 4, document: older.files[0]!.document },
      }),
    )
    localStorage.setItem('lumbik:unsent:x:y', '{broken')
    expect(adoptUnsent('mine', new Set())).toMatchObject([
      { kind: 'formula', id: ID, base: { version: 4, value: null }, inFlight: { mutationId: 'm', baseVersion: 4 } },
    ])
    const now = { formula: { version: 6 }, occasion: { version: 1 } }
    expect(allUnsent()).toMatchObject([{ value: now, inFlight: { value: now } }])
  })
  it('a full store says so and goes on in memory', () => {
    const own = Object.getOwnPropertyDescriptor(window, 'localStorage')!
    Object.defineProperty(window, 'localStorage', {
      configurable: true,
      get: () => {
        throw new DOMException('denied', 'SecurityError')
      },
    })
    expect(browserStore.set('a', '1')).toBe(false)
    expect([storageFailing.value, browserStore.get('a'), browserStore.keys('a')]).toEqual([true, '1', ['a']])
    browserStore.remove('a')
    expect(browserStore.get('a')).toBeNull()
    Object.defineProperty(window, 'localStorage', own)
    storageFailing.value = false
  })
})

describe('sending', () => {
  const open = async (bench = formula()) => {
    const document = putBack(bench)
    const server = oneFormula(bench)
    const outbox = useOutboxStore()
    await outbox.ready
    const settled: Settled[] = []
    outbox.onSettled(s => void settled.push(s))
    const put = (value: Planned) =>
      outbox.put('formula', ID, value.formula.name, { version: server.version, value: document }, value)
    return { server, outbox, settled, put, document }
  }
  it('a change is kept at once, sent, and gone when it is committed', async () => {
    const { server, outbox, put, settled, document } = await open()
    put(withSugar(document, 11))
    expect(allUnsent()).toHaveLength(1)
    await outbox.flush('formula', ID)
    expect([sugar(server.document), outbox.list.length, allUnsent().length]).toEqual([11, 0, 0])
    expect(settled).toMatchObject([{ version: 2, merged: false }])
  })
  it('an answer that was lost is asked for again and counts once', async () => {
    vi.useFakeTimers()
    try {
      const { server, outbox, put, document } = await open()
      let first = true
      server.answer = () => (first ? ((first = false), 'lost') : null)
      put(withSugar(document, 12))
      await outbox.flush('formula', ID)
      expect([outbox.list[0]!.state, server.version, away.value]).toEqual(['unsent', 2, 'server'])
      await vi.advanceTimersByTimeAsync(5000)
      expect([outbox.list.length, server.version]).toEqual([0, 2])
    } finally {
      vi.useRealTimers()
    }
  })
  it('a lost answer, then somebody else\'s save: mine was taken, theirs stays', async () => {
    const { server, outbox, put, document } = await open()
    let first = true
    server.answer = () => (first ? ((first = false), 'lost') : null)
    put(withSugar(document, 13))
    await outbox.flush('formula', ID)
    server.document = withSugar(server.document, 13, 'Renamed by another')
    server.version++
    put(withSugar(document, 14))
    await outbox.flush('formula', ID)
    expect([sugar(server.document), server.document.formula.name, outbox.list.length]).toEqual([14, 'Renamed by another', 0])
  })
  it('what different people changed is merged; the same field is asked, with both values', async () => {
    const { server, outbox, put, settled, document } = await open()
    server.document = withSugar(document, sugar(document), 'Theirs')
    server.version++
    outbox.put('formula', ID, 'x', { version: 1, value: document }, withSugar(document, 15))
    await outbox.flush('formula', ID)
    expect([server.document.formula.name, sugar(server.document)]).toEqual(['Theirs', 15])
    expect(settled.some(s => s.merged)).toBe(true)
    const before = server.document
    server.document = withSugar(before, 99)
    server.version++
    outbox.put('formula', ID, 'x', { version: server.version - 1, value: before }, withSugar(before, 16))
    await outbox.flush('formula', ID)
    expect(outbox.list[0]).toMatchObject({ state: 'conflict', clashes: [{ mine: 16, theirs: 99 }] })
    // Nothing is sent before somebody decides; what is typed meanwhile is kept.
    put(withSugar(before, 17))
    const calls = server.calls.length
    await outbox.flush('formula', ID)
    expect([server.calls.length, sugar(allUnsent()[0]!.value as Planned)]).toEqual([calls, 17])
    outbox.decide('formula', ID, 'mine')
    await outbox.flush('formula', ID)
    expect([sugar(server.document), outbox.list.length]).toEqual([17, 0])
  })
  it('a refusal names its field, keeps what was written, and is sent again once it is changed', async () => {
    const { server, outbox, put, document } = await open()
    server.answer = () =>
      new Response(
        JSON.stringify({ data: { path: 'document.heat.targetTempC', code: 'tooLarge', params: { max: 105 } } }),
        { status: 422 },
      )
    put(withSugar(document, 18))
    await outbox.flush('formula', ID)
    expect(outbox.list[0]).toMatchObject({ state: 'refused', problem: { path: 'document.heat.targetTempC' } })
    server.answer = null
    put(withSugar(document, 19))
    await outbox.flush('formula', ID)
    expect([sugar(server.document), outbox.list.length]).toEqual([19, 0])
  })
  it('what somebody deleted can be kept', async () => {
    const { server, outbox, put, document } = await open()
    server.deleted = true
    put(withSugar(document, 20))
    await outbox.flush('formula', ID)
    expect(outbox.list[0]!.state).toBe('deleted')
    await outbox.keepDeleted('formula', ID)
    expect([server.deleted, sugar(server.document), outbox.list.length]).toEqual([false, 20, 0])
  })
})

describe('the workspace', () => {
  it('what somebody else changed comes into the document and into every step of undo', async () => {
    const document = formula()
    const server = oneFormula(document)
    const ws = useWorkspaceStore()
    await ws.open(ID)
    ws.change('', d => void (fillingOf(d).lines[0]!.massG = 111))
    await ws.send()
    ws.change('', d => void (fillingOf(d).lines[0]!.massG = 222))
    server.document = named(server.document, 'Theirs')
    server.version++
    await ws.send()
    expect([ws.doc!.name, fillingOf(ws.doc!).lines[0]!.massG, ws.saveState]).toEqual(['Theirs', 222, 'saved'])
    ws.undo()
    expect([ws.doc!.name, fillingOf(ws.doc!).lines[0]!.massG]).toEqual(['Theirs', 111])
    await ws.send()
    expect([server.document.formula.name, fillingOf(benchOf(server.document)).lines[0]!.massG]).toEqual(['Theirs', 111])
  })
  it('a tab that comes to the front takes what it has not changed', async () => {
    const server = oneFormula(formula())
    const ws = useWorkspaceStore()
    await ws.open(ID)
    server.document.formula = { ...server.document.formula, note: 'from elsewhere' }
    server.version++
    await ws.refresh()
    expect([ws.doc!.note, ws.version]).toEqual(['from elsewhere', 2])
  })
  it('what was read while a write landed may be from before it, and is read once more', async () => {
    const server = oneFormula(formula())
    const ws = useWorkspaceStore()
    const outbox = useOutboxStore()
    await ws.open(ID)
    ws.change('', d => void (d.note = 'mine'))
    let reads = 0
    const read = () => outbox.readAfterWrites(async () => {
      const { version } = server
      if (reads++ === 0) await outbox.flush('formula', ID)
      return version
    })
    expect([await read(), reads]).toEqual([2, 2])
    // Nothing lands: once is enough.
    expect([await read(), reads]).toEqual([2, 3])
  })
  it('A is left unsent for B: A stays in the outbox, and B opens saved', async () => {
    const server = oneFormula(formula())
    const ws = useWorkspaceStore()
    await ws.open(ID)
    server.answer = () => {
      throw new TypeError('gone')
    }
    ws.change('', d => void (d.note = 'unsent'))
    await ws.send()
    await ws.open('22222222-2222-4222-8222-222222222222')
    expect([ws.saveState, useOutboxStore().list.map(e => [e.id, e.state])]).toEqual(['saved', [[ID, 'unsent']]])
    server.answer = null
    await useOutboxStore().flush('formula', ID)
    expect([server.document.formula.note, useOutboxStore().list.length]).toEqual(['unsent', 0])
  })
})

describe('the kitchen', () => {
  it('shows unsent changes on top of what the server has, and takes one back without the other', () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('away')
    })
    const store = useKitchenStore()
    const settings = {
      vocabulary: 'gb',
      temperatureUnit: 'C',
      cups: null,
      eggGrade: 'euL',
      altitudeM: 0,
      roomTempC: 20,
      foodCode: 'us',
      business: true,
      currency: '£',
      prices: {},
    } as const
    store.take({
      id: 'k',
      name: 'K',
      version: 1,
      revision: 1,
      settings,
      places: [],
      vessels: [],
      ovens: [],
      burners: [],
      pans: [],
      lots: [],
    })
    const before = store.record!
    store.change({ ...before, name: 'Potting shed' })
    const after = store.record!
    store.change({ ...after, settings: { ...settings, altitudeM: 900 } })
    expect([store.record!.name, store.record!.settings.altitudeM, store.core!.altitudeM]).toEqual([
      'Potting shed',
      900,
      900,
    ])
    store.takeBack(before, after)
    expect([store.record!.name, store.record!.settings.altitudeM]).toEqual(['K', 900])
  })
})
