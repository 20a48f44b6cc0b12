import { describe, expect, it, vi } from 'vitest'
import { keepWorker, toPlain } from './useAssessor'
import { claimTab, dropUnsent, putUnsent, takeUnsent, type Unsent } from './outbox'
import { formula } from '../../tests/support/core'
import { reactive } from 'vue'

class FakeWorker {
  onerror: (() => void) | null = null
  onmessageerror: (() => void) | null = null
  terminated = false
  addEventListener() {}
  removeEventListener() {}
  postMessage() {}
  terminate() {
    this.terminated = true
  }
}

describe('keeping a worker alive', () => {
  it('starts when first asked, is replaced when it dies, and what was lost is sent again', () => {
    const made: FakeWorker[] = []
    const resend = vi.fn()
    const kept = keepWorker<object>(() => {
      const w = new FakeWorker()
      made.push(w)
      return w as unknown as Worker
    }, resend)
    expect(made).toHaveLength(0)
    kept.api()
    kept.api()
    expect(made).toHaveLength(1)
    made[0]!.onerror!()
    expect(made[0]!.terminated).toBe(true)
    expect(made).toHaveLength(2)
    expect(resend).toHaveBeenCalledTimes(1)
    // A late cry of the dead one changes nothing.
    made[0]!.onerror!()
    expect(made).toHaveLength(2)
    kept.stop()
    expect(made[1]!.terminated).toBe(true)
  })
  it('only plain data crosses', () => {
    const plain = toPlain(reactive(formula()))
    expect(structuredClone(plain)).toEqual(formula())
  })
})

describe('the outbox', () => {
  const entry = (tab: string): Unsent => ({ formulaId: 'f1', tab, baseVersion: 3, document: formula(), mutationId: 'm1', inFlight: null })
  const locks = (held: string[]) => Object.defineProperty(navigator, 'locks', { configurable: true, value: {
    query: async () => ({ held: held.map(name => ({ name })) }),
    request: async (_: string, options: unknown, work?: (lock: object | null) => unknown) => (work ?? options as (lock: object) => unknown)({}),
  } })
  it('gives a tab its own back, leaves a living tab\'s alone, and adopts a dead one\'s', async () => {
    localStorage.clear()
    locks(['lumbik-tab-alive'])
    putUnsent(entry('mine'))
    expect((await takeUnsent('f1', 'mine'))!.baseVersion).toBe(3)
    dropUnsent('f1', 'mine')
    putUnsent(entry('alive'))
    expect(await takeUnsent('f1', 'mine')).toBeNull()
    putUnsent(entry('dead'))
    expect(await takeUnsent('f1', 'mine')).toMatchObject({ tab: 'mine', mutationId: 'm1' })
    expect(localStorage.getItem('lumbik:unsent:f1:dead')).toBeNull()
    expect(await takeUnsent('another', 'mine')).toBeNull()
  })
  it('a tab keeps its id over a reload', async () => {
    locks([])
    sessionStorage.clear()
    const id = await claimTab()
    expect(sessionStorage.getItem('lumbik:tab')).toBe(id)
    expect(await claimTab()).toBe(id)
  })
})
