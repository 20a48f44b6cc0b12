import { describe, expect, it } from 'vitest'
import type { Found } from './calibrate'
import { thetaBy, toldBy } from './told'

const found = (id: string, over: Partial<Found>): Found =>
  ({ id, prior: { value: 1, spread: 0.1 }, value: 1.1, spread: 0.02, batches: 3, ...over })
describe('what is told is what is accepted', () => {
  it('each limit just under and just over', () => {
    const all = [
      found('off', { value: 1.0251 }), found('near', { value: 1.0249 }),
      found('sure', { spread: 0.0799 }), found('unsure', { spread: 0.0801 }), found('never', { batches: 0 }),
    ]
    const { told, open } = toldBy({ parameters: all })
    expect(told.map(p => p.id)).toEqual(['off', 'sure'])
    expect(open.map(p => p.id)).toEqual(['unsure', 'never'])
    expect(thetaBy({ parameters: all })).toEqual({ off: 1.0251, sure: 1.1 })
  })
})
