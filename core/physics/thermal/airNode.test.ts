/** The air of ovens and fridges as a node. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { airAfter, CAPACITY_W, type ColdPlace } from '../chill/load'
import { coldAfter, loadedOven, ovenAfter } from './airNode'
import { hardAirC } from './places'

const fridge = { dialC: 4, heldJPerK: 20000, mostW: 90 }
const none = { wPerK: 0, tempC: 4 }
/** A load that gives so many watts whatever the air is. */
const watts = (w: number) => ({ wPerK: 1e-6, tempC: w * 1e6 })

describe('a cold place', () => {
  it('empty and shut it stays at its dial; a small load warms it by watts over gain, 90 W over 3 K', () => {
    expect(coldAfter(4, fridge, none, 3600)).toBe(4)
    expect(coldAfter(4, fridge, watts(45), 24 * 3600)).toBeCloseTo(5.5, 6)
    expect(coldAfter(4, fridge, watts(89), 240 * 3600)).toBeCloseTo(4 + (3 * 89) / 90, 3)
  })
  it('overrun it climbs by what is left over: (190 − 90) W on 20 kJ/K is 18 K an hour from 7 °C on', () => {
    expect(coldAfter(7, fridge, watts(190), 3600)).toBeCloseTo(25, 3)
    // Up to 7 °C it goes its exponential way to 4 + 190/30, with 667 s.
    const upTo = (20000 / 30) * Math.log((4 + 190 / 30 - 4) / (4 + 190 / 30 - 7))
    expect(coldAfter(4, fridge, watts(190), upTo + 3600)).toBeCloseTo(25, 3)
  })
  it('from far over its dial it comes back at full power, then ever slower', () => {
    expect(coldAfter(16, fridge, watts(0), 1000)).toBeCloseTo(16 - (90 * 1000) / 20000, 5)
    expect(coldAfter(16, fridge, watts(0), 24 * 3600)).toBeCloseTo(4, 3)
    expect(coldAfter(1, fridge, { wPerK: 2, tempC: 20 }, 60)).toBeGreaterThan(1)
  })
  it('in two steps as in one, and never beyond what is in it, whatever the load and the time', () => {
    const upTo = (min: number, max: number) => fc.double({ min, max, noNaN: true })
    const load = fc.record({ wPerK: upTo(0, 5000), tempC: upTo(-20, 95) })
    fc.assert(fc.property(
      upTo(-20, 60), load, upTo(0.1, 1e5),
      (from, l, dt) => {
        const once = coldAfter(from, fridge, l, dt)
        expect(coldAfter(coldAfter(from, fridge, l, dt / 3), fridge, l, (2 * dt) / 3)).toBeCloseTo(once, 3)
        expect(once).toBeGreaterThanOrEqual(Math.min(from, l.tempC, 4) - 1e-9)
        expect(once).toBeLessThanOrEqual(Math.max(from, l.tempC, 4) + 1e-9)
      },
    ), { numRuns: 300 })
  })
  it('an opened door: ten times an hour 36 % of what it carries off, so a kelvin over the dial', () => {
    const place: ColdPlace = { kind: 'domesticFridge', dialC: 4, roomC: 20, opensPerHour: 10 }
    const airC = airAfter(4, place, none, 24 * 3600)
    // gain·x = .361·90·(20 − 4 − x)/16
    expect(airC).toBeCloseTo(4 + (0.36111 * 3) / (1 + (0.36111 * 3) / 16), 3)
    expect(airAfter(4, { ...place, opensPerHour: 0 }, none, 3600)).toBe(4)
    // However often, it is no warmer than the room.
    expect(airAfter(4, { ...place, opensPerHour: 120 }, none, 1e6)).toBeLessThan(20)
    expect(Object.keys(CAPACITY_W)).not.toContain('bench')
  })
})

describe('an oven', () => {
  const dial = { dialC: 180, roomC: 20 }
  const empty = { wPerK: 0, tempC: 20 }
  it('loaded it is colder by what the door took, 120 kJ on 10 kJ/K, and comes back', () => {
    let node = loadedOven(180, 20)
    expect(node).toEqual({ tempC: 168, powerW: 800 })
    for (let s = 0; s < 3600; s += 10) node = ovenAfter(node, dial, empty, 10)
    expect(node.tempC).toBeCloseTo(180, 1)
    expect(node.powerW).toBeCloseTo(800, 0)
  })
  it('no load however large makes it swing, and its elements give no more than they have', () => {
    let node = loadedOven(180, 20)
    for (let s = 0; s < 2000; s += 20) {
      node = ovenAfter(node, dial, { wPerK: 5000, tempC: 30 }, 20)
      expect(node.tempC).toBeGreaterThanOrEqual(30)
      expect(node.tempC).toBeLessThan(169)
      expect(node.powerW).toBeLessThanOrEqual(2700)
    }
  })
})

it('a hard programme blows well under zero until the piece is nearly cold, and never warmer than its dial', () => {
  expect([40, 12, 10, 8, -5].map(meanC => hardAirC(2, meanC))).toEqual([-15, -15, -6.5, 2, 2])
  expect(hardAirC(-20, 40)).toBe(-20)
})
