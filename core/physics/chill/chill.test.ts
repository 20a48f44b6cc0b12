import { describe, expect, it } from 'vitest'
import { massTransfer, saturationPressure } from '../thermal/steam'
import { thawedAt } from './freezing'
import { firstHourW } from './load'
import { dewPoint, driesBy, sweatUnder } from './moisture'

const R_VAPOUR = 461.5
/** Vapour between two surfaces, g/m² in a time, by hand: β·(a·p(T)/T − φ·p(T')/T')/R. */
const vapour = (hc: number, fromC: number, aw: number, toC: number, humidity: number, seconds: number) =>
  ((1000 * massTransfer(hc)) / R_VAPOUR) *
  ((aw * saturationPressure(fromC)) / (fromC + 273.15) - (humidity * saturationPressure(toC)) / (toC + 273.15)) *
  seconds
const course = (surfaceC: number, airC: number) =>
  ({ timeS: [0, 7200], surfaceC: [surfaceC, surfaceC], airC: () => airC })

describe('moisture', () => {
  it.each([[20, 0.55, 10.7], [25, 0.6, 16.7], [30, 0.8, 26.2]])(
    'air of %i °C at %d has its dew point at %d °C (psychrometric chart, within .1)',
    (t, humidity, dew) => expect(Math.abs(dewPoint(t, humidity) - dew)).toBeLessThan(0.1),
  )
  it('under a cover water gathers by what the surface gives off to a cover halfway to the air', () => {
    const hand = vapour(3, 60, 0.95, 40, 1, 1800)
    expect(sweatUnder(course(60, 20), 0.95, 0, 1800) / hand).toBeCloseTo(1, 3)
    expect(sweatUnder(course(60, 20), 0.95, 1800, 1830) / vapour(3, 60, 0.95, 40, 1, 30)).toBeCloseTo(1, 3)
    expect(sweatUnder(course(5, 20), 0.95, 0, 1800)).toBe(0)
  })
  it('an open surface dries into the air, faster into dry air; in wet air not at all', () => {
    expect(driesBy(course(30, 4), 0.95, 0, 3600) / vapour(3.5, 30, 0.95, 4, 0.6, 3600)).toBeCloseTo(1, 3)
    expect(driesBy(course(10, 10), 0.9, 0, 3600, 0.5)).toBeGreaterThan(driesBy(course(10, 10), 0.9, 0, 3600, 0.8))
    expect(driesBy(course(10, 10), 0.9, 0, 3600, 0.95)).toBe(0)
  })
})

describe('load and thaw', () => {
  const curve = { timeS: [0, 3600, 7200], meanC: [60, 30, 20] }
  it('the first hour of 2 kg at 3,300 J/(kg·K) from 60 to 30 °C: 55 W (hand-computed)', () => {
    expect(firstHourW(2000, 3300, curve, 0, 7200)).toBeCloseTo(55, 9)
    expect(firstHourW(2000, 3300, curve, 3600, 5400)).toBeCloseTo((2 * 3300 * 5) / 1800, 9)
    const warming = { ...curve, meanC: [4, 9, 12] }
    expect([firstHourW(2000, 3300, curve, 3600, 3600), firstHourW(2000, 3300, warming, 0, 3600)]).toEqual([0, 0])
  })
  it('thawed for good is the last time it comes back over 2 °C', () => {
    const at = (...meanC: number[]) => thawedAt(meanC.map((_, i) => 60 * i), meanC)
    expect([at(5, 3), at(5, -4, 1, 3), at(-4, 3, 1, 2), at(3, -4), at(2, 2)]).toEqual([0, 180, 180, null, 0])
  })
})
