import { describe, expect, it, vi } from 'vitest'
import { keepWorker, toPlain } from './useAssessor'
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
