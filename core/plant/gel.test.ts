import { describe, expect, it } from 'vitest'
import { STANDARD } from '../base/parameters'
import { COLD_SUMS, eggLater, RAW, type RipeLaw, ripeLater, sumsLater, UNRIPE } from './gel'

const law = { t60C: 78, t60bC: 87, rates: STANDARD.egg }
const ripens: RipeLaw = { p: STANDARD.setting, pH: 4.2, caseinC: 3.2, knitsCold: false, bakes: false }
/** Minutes at a temperature in short steps. */
const ripe = (tempC: number, minutes: number, l = ripens, from = UNRIPE) => {
  let r = from
  for (let t = 0; t < minutes * 60; t += 10) r = ripeLater(r, l, tempC, 10)
  return r
}

describe('what heat and cold make of it', () => {
  it('egg at the temperature where setting takes a minute is set to 1 − 1/e after one', () => {
    let e = RAW
    for (let i = 0; i < 120; i++) e = eggLater(e, law, 78, 87, 0.5)
    expect(e.a).toBeCloseTo(1 - Math.exp(-1), 6)
    expect(e.film).toBeCloseTo(1 - Math.exp(-1), 6)
    expect(e.b).toBeCloseTo(1 - Math.exp(-(10 ** (-9 / STANDARD.egg.oversettingZK))), 6)
  })
  it('sums count minutes at their own temperature, tenfold a z above', () => {
    const s = sumsLater(COLD_SUMS, STANDARD, 2.5, 97, 60)
    expect(s.acid).toBeCloseTo(1, 9)
    expect(sumsLater(COLD_SUMS, STANDARD, 3.5, 97, 60).acid).toBeCloseTo(0.1, 9)
    expect(sumsLater(COLD_SUMS, STANDARD, 4, 78, 120).milk).toBeCloseTo(2, 9)
    expect(sumsLater(COLD_SUMS, STANDARD, 4, 86, 60).amylase).toBeCloseTo(10, 9)
    expect(s.peakC).toBe(97)
    expect(sumsLater(s, STANDARD, 2.5, 96, 60).minutesNearPeak).toBeCloseTo(2, 9)
    expect(sumsLater(s, STANDARD, 2.5, 90, 60).minutesNearPeak).toBeCloseTo(1, 9)
  })
  it('after one time constant 63 % is there: butter at 5 °C, casein at 20 °C, starch, agar', () => {
    const { butterMin, caseinMin, starchMin, agarMin } = STANDARD.setting
    expect(ripe(5, butterMin).butter / 0.56).toBeCloseTo(1 - Math.exp(-1), 2)
    expect(ripe(20, caseinMin).casein).toBeCloseTo(1 - Math.exp(-1), 2)
    expect(ripe(5, starchMin).starch).toBeCloseTo(1 - Math.exp(-1), 2)
    expect(ripe(30, agarMin).agar).toBeCloseTo(1 - Math.exp(-1), 2)
  })
  it('fat, gelatin and agar melt again; cream that knits cold does not while it is warm; an oven firms what bakes', () => {
    const cold = ripe(5, 600)
    const warm = ripeLater(cold, ripens, 40, 10)
    expect(cold.hard).toBeGreaterThan(0.9)
    expect([warm.butter, warm.g1, warm.g2, warm.hard]).toEqual([0, 0, 0, 0])
    expect(warm.agar).toBeGreaterThan(0.9)
    expect(ripeLater(cold, ripens, 90, 10).agar).toBe(0)
    expect(ripe(40, 60, { ...ripens, knitsCold: true }).casein).toBeLessThan(0.01)
    expect(ripe(5, 60, { ...ripens, knitsCold: true }).casein).toBeGreaterThan(0.5)
    expect(ripe(76, 1, { ...ripens, bakes: true }).oven).toBeCloseTo(1 - Math.exp(-1), 1)
    expect(ripe(76, 1).oven).toBe(0)
  })
})
