/** Foretold beside measured: in a kitchen as stated they agree, and a truth shows where it should. */
import { describe, expect, it } from 'vitest'
import { eventsOf } from '../book/record'
import { batch, curd, NEUTRAL } from '../../tests/support/batches'
import { besideOf, foretold } from './beside'

const plain = batch()
describe('beside one another', () => {
  it('what was measured lies within what was foretold, in a kitchen as stated', () => {
    const ahead = foretold(plain, {})
    const { outcome } = eventsOf(plain.events, 'outcome')[0]!
    for (const key of ['massG', 'pH', 'brix', 'sharp', 'sweet'] as const) {
      expect(outcome[key]!, key).toBeGreaterThanOrEqual(ahead[key]!.low)
      expect(outcome[key]!, key).toBeLessThanOrEqual(ahead[key]!.high)
    }
    for (const f of Object.values(ahead))
      if (f !== null && typeof f === 'object') expect([f.low, f.value, f.high]).toEqual([f.low, f.value, f.high].sort((a, b) => a - b))
  })
  it('one test of firmness is told in its own unit; times in minutes', () => {
    const beside = besideOf(plain, {})
    expect(beside.filter(b => ['ring', 'spread', 'load'].includes(b.id))).toHaveLength(1)
    const heat = beside.find(b => b.id === 'heatMin')!
    expect(heat.unit).toBe('min')
    expect(heat.measured).toBeCloseTo((eventsOf(plain.events, 'heatOff')[0]!.atS - eventsOf(plain.events, 'heatOn')[0]!.atS) / 60, 6)
    expect(Math.abs(heat.predicted / heat.measured - 1)).toBeLessThan(0.2)
  })
  it('a fridge that is warmer than stated shows, by its place', () => {
    const warm = besideOf(batch({ values: { ...NEUTRAL, fridgeAirOffsetK: 3 } }), {}).find(x => x.id === 'air.fan')!
    expect(warm.unit).toBe('°C')
    expect(warm.measured - warm.predicted).toBeGreaterThan(2)
    expect(warm.measured - warm.predicted).toBeLessThan(4)
  })
  it('what was learned moves what is foretold to where it came', () => {
    const ring = curd(d => void Object.assign(d.heat, { method: 'direct', burnerW: 300 }))
    const weak = batch({ planned: ring, values: { ...NEUTRAL, burnerFactor: 0.7 } })
    const off = (theta: Record<string, number>) => {
      const b = besideOf(weak, theta).find(x => x.id === 'heatMin')!
      return Math.abs(Math.log(b.predicted / b.measured))
    }
    expect(off({ burnerFactor: 0.7 })).toBeLessThan(0.5 * off({}))
  })
  it('a batch of which nothing was seen has nothing beside', () => {
    expect(besideOf({ ...plain, events: [], readings: [] }, {})).toEqual([])
  })
})
