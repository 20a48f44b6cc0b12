/** Beaten whites: by hand, and against tables and practice that are named at each check. */
import { describe, expect, it } from 'vitest'
import { browningMost, coreUnder, crushPa, driesMin, foamHolds, wetFace } from './meringue'

describe('what holds a foam of whites', () => {
  it('goes with its sugar to the power 1.5, no further than a half over; an acid adds a half', () => {
    expect([foamHolds(2, 2, false), foamHolds(1, 2, false)]).toEqual([1, expect.closeTo(0.5 ** 1.5, 9)])
    expect([foamHolds(0.2, 2, false), foamHolds(4, 2, false), foamHolds(2, 2, true)]).toEqual([0.3, 1.5, 1.5])
  })
})

describe('drying', () => {
  it('a wet face is as cold as psychrometric tables have it: air of 30 °C and 50 % has a wet bulb of 22.0 °C', () => {
    // Wet-bulb tables (WMO, ventilated): 20 °C and 50 % give 13.8 °C.
    expect(wetFace(30, 30, 0.5)).toBeCloseTo(22, 0)
    expect(wetFace(20, 20, 0.5)).toBeCloseTo(13.8, 0)
    expect(wetFace(20, 20, 1)).toBeCloseTo(20, 3)
  })
  it('thirty millimetres take ninety minutes at 93 °C (common practice), twice that 2.83 times as long', () => {
    expect(driesMin(0.03, 93, 20, 0.55)).toBeCloseTo(90, 9)
    expect(driesMin(0.06, 93, 20, 0.55)).toBeCloseTo(90 * 2 ** 1.5, 6)
  })
  it('a damp day takes longer, but not twice as long: the oven is dry; a hotter one is quicker', () => {
    const damp = driesMin(0.03, 93, 25, 0.8) / 90
    expect(damp).toBeGreaterThan(1.02)
    expect(damp).toBeLessThan(1.3)
    expect(driesMin(0.03, 110, 20, 0.55)).toBeLessThan(80)
  })
})

it('a dried foam breaks at .2·σ·(ρ/ρs)^1.5: 230 kg/m³ of 1600 at 33 kPa', () => {
  expect(crushPa(230)).toBeCloseTo(0.2 * 3e6 * (230 / 1600) ** 1.5, 6)
})

describe('browning over a frozen core', () => {
  it('by hand: 15 mm, 3 min: √(4αt) = 8.17 mm, erfc(1.837) = .00938, 148 K of it', () => {
    const alpha = 0.07 / (280 * 2700)
    const z = 0.015 / (2 * Math.sqrt(alpha * 180))
    expect(z).toBeCloseTo(1.837, 3)
    // erfc(1.837) from tables: .0094.
    expect(coreUnder(-18, 0.015, 280, 3)).toBeCloseTo(-18 + 148 * 0.0094, 1)
  })
  it('three minutes leave a core under 10 mm frozen (common practice), under 5 mm not; thick ones take any browning', () => {
    expect(browningMost(-18, 0.01, 280, -5)).toBeGreaterThan(2.8)
    expect(browningMost(-18, 0.005, 280, -5)).toBeLessThan(3)
    expect(browningMost(-18, 0.03, 280, -5)).toBeCloseTo(15, 3)
    const most = browningMost(-18, 0.008, 280, -5)
    expect(coreUnder(-18, 0.008, 280, most)).toBeCloseTo(-5, 6)
  })
})
