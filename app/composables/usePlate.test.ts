import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick } from 'vue'
import { kitchen } from '../../tests/support/core'
import { twoFillings } from '../../tests/support/desserts'
import { usePlate } from './usePlate'

/** Workers as they are made: each notes what it is asked, and can be made to answer or to die. */
const made: FakeWorker[] = []
class FakeWorker {
  onerror: (() => void) | null = null
  onmessageerror: (() => void) | null = null
  asked: { id: string }[] = []
  private listeners: ((e: { data: unknown }) => void)[] = []
  constructor() {
    made.push(this)
  }

  addEventListener(_: string, listen: (e: { data: unknown }) => void) {
    this.listeners.push(listen)
  }

  removeEventListener() {}
  postMessage(message: { id: string }) {
    this.asked.push(message)
  }

  terminate() {}
  answer(value: unknown) {
    const { id } = this.asked.at(-1)!
    for (const listen of this.listeners) listen({ data: { id, type: 'RAW', value } })
  }
}

describe('a whole dessert in its worker', () => {
  let scope = effectScope()
  beforeEach(() => {
    made.length = 0
    scope = effectScope()
    vi.stubGlobal('Worker', FakeWorker)
    vi.useFakeTimers()
  })
  afterEach(() => {
    scope.stop()
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  it('is asked of another worker once one dies or falls silent, and once only', async () => {
    const { planned } = twoFillings()
    const plate = scope.run(() => usePlate(() => planned, () => kitchen))!
    expect(made[0]!.asked).toHaveLength(1)
    made[0]!.onerror!()
    expect(made.map(w => w.asked.length)).toEqual([1, 1])
    await vi.advanceTimersByTimeAsync(8000)
    // The first's silence is nobody's any more; the second's is.
    expect(made.map(w => w.asked.length)).toEqual([1, 1, 1])
    made[2]!.answer({ problem: 'formula.components.0' })
    await vi.advanceTimersByTimeAsync(0)
    await nextTick()
    expect([plate.problem.value, plate.settled.value]).toEqual(['formula.components.0', true])
    await vi.advanceTimersByTimeAsync(20_000)
    expect(made).toHaveLength(3)
  })
})
