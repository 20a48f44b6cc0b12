/** Two questions at the door under way at once: the one asked later holds, whichever is answered first. */
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { DoorState } from '../../shared/door'
import { soon } from '../../tests/support/patient'
import { useDoorStore } from './door'
import { useKitchenStore } from './kitchen'

const state = (kitchens: number): DoorState => ({
  state: 'out', isDemo: false, me: null, kitchen: null, tablet: null,
  kitchens: Array.from({ length: kitchens }, (_, i) => ({ id: `k${i}`, name: `K${i}` })),
})
let answers: ((body: unknown) => void)[]
beforeEach(() => {
  setActivePinia(createPinia())
  // A test's own: what one before it still asks for is not counted here.
  const mine: typeof answers = []
  answers = mine
  vi.stubGlobal('fetch', (url: string) => (url.startsWith('/api/health')
    ? Promise.resolve(new Response('{}'))
    : new Promise<Response>((resolve) => { mine.push(body => resolve(new Response(JSON.stringify(body)))) })))
})
afterEach(() => vi.unstubAllGlobals())

describe('the door', () => {
  it('an older answer that comes late changes nothing', async () => {
    const door = useDoorStore()
    const [first, second] = [door.load(), door.load()]
    await soon(() => expect(answers).toHaveLength(2))
    answers[1]!(state(2))
    await second
    expect(door.state!.kitchens).toHaveLength(2)
    answers[0]!(state(1))
    await first
    expect(door.state!.kitchens).toHaveLength(2)
  })
  it('in their order each is taken', async () => {
    const door = useDoorStore()
    const first = door.load()
    await soon(() => expect(answers).toHaveLength(1))
    answers[0]!(state(1))
    await first
    expect(door.state!.kitchens).toHaveLength(1)
  })
})

describe('the kitchen', () => {
  it('asked for while it is being read, it is read once more, and then no more', async () => {
    const kitchen = useKitchenStore()
    const asked = () => answers.length
    void kitchen.load()
    await soon(() => expect(asked()).toBe(1))
    const [second, third] = [kitchen.load(), kitchen.load()]
    answers[0]!({})
    await soon(() => expect(asked()).toBe(2))
    answers[1]!({})
    await Promise.all([second, third])
    await new Promise(resolve => setTimeout(resolve, 20))
    expect(asked()).toBe(2)
  })
  it('whoever asks while it is being read waits until it is there', async () => {
    const kitchen = useKitchenStore()
    void kitchen.load()
    await soon(() => expect(answers).toHaveLength(1))
    let found: unknown = 'not yet'
    const asked = kitchen.load().then(() => { found = kitchen.record?.id })
    await new Promise(resolve => setTimeout(resolve, 20))
    expect(found).toBe('not yet')
    answers[0]!({ id: 'k1', lots: [] })
    await soon(() => expect(answers).toHaveLength(2))
    answers[1]!({ id: 'k1', lots: [] })
    await asked
    expect(found).toBe('k1')
  })
})
