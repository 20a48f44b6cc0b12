import { describe, expect, it } from 'vitest'
import { heldOf, potTrial } from '../../cli/trials/pot'
import type { PotInput } from '../physics/heat/pot'
import { panFor } from '../physics/heat/pot'
import { type LivePot, observe, outlook, startLive } from './pot'

const plan: PotInput = {
  massG: 600, waterG: 270, cp: 2900, pan: panFor(5.7e-4), startTempC: 18, targetTempC: 82, holdS: 0, method: 'direct',
  burnerW: 400, roomTempC: 20, altitudeM: 0, waterActivity: 0.95,
}
const mean = (x: ArrayLike<number>) => Array.from(x).reduce((a, b) => a + b, 0) / x.length
const variance = (x: ArrayLike<number>) => {
  const m = mean(x)
  return Array.from(x).reduce((s, v) => s + (v - m) ** 2, 0) / (x.length - 1)
}
const shown = ({ ensemble: e }: LivePot) => e.feltC.map((s, i) => s + e.biasK[i]!)
/** Readings of a pot that warms by so much a second. */
const fed = (live: LivePot, kPerS: number, from: number, to: number, at0 = 18) => {
  let now = live
  for (let s = from; s <= to; s += 2) now = observe(now, { atS: s, tempC: at0 + kPerS * s })
  return now
}

describe('the filter', () => {
  it('starts at what is stated, with its spreads', () => {
    const { ensemble: e } = startLive(plan)
    expect(mean(e.tempC)).toBeCloseTo(18, 9)
    expect(Math.sqrt(variance(e.tempC))).toBeCloseTo(2, 0)
    expect(mean(e.heat)).toBeCloseTo(1, 1)
  })
  it('one reading pulls mean and variance as a Kalman filter does: K = v/(v + R), v·R/(v + R)', () => {
    const before = startLive(plan)
    const [m, v] = [mean(shown(before)), variance(shown(before))]
    // At once: nothing has passed.
    const after = observe(before, { atS: 1e-6, tempC: 21 })
    const r = 0.35 ** 2
    expect(mean(shown(after))).toBeCloseTo(m + (v / (v + r)) * (21 - m), 2)
    expect(variance(shown(after))).toBeCloseTo((v * r) / (v + r), 3)
    // Half of the surprise is the mix, a part the thermometer: in the ratio of their variances.
    const share = (mean(after.ensemble.biasK) - mean(before.ensemble.biasK)) / (mean(shown(after)) - m)
    expect(share).toBeCloseTo(1 / (1 + 4), 0)
  })
  it('is the same for the same readings, changes nothing it was given, and takes none out of order', () => {
    const start = startLive(plan)
    const kept = start.ensemble.tempC.slice()
    expect(fed(start, 0.2, 2, 60).ensemble.tempC).toEqual(fed(startLive(plan), 0.2, 2, 60).ensemble.tempC)
    expect(start.ensemble.tempC).toEqual(kept)
    const live = fed(start, 0.2, 2, 60)
    expect(observe(live, { atS: 30, tempC: 20 })).toBe(live)
    expect(observe(live, { atS: 99, tempC: NaN })).toBe(live)
    expect(observe(live, { atS: 60 + 4 * 3600, tempC: 20 })).toBe(live)
  })
  it('finds the heat from the slope: readings twice as steep, twice the heat', () => {
    const heat = (k: number) => outlook(fed(startLive(plan), k, 2, 120), [82]).heat.value
    expect(heat(0.34) / heat(0.17)).toBeCloseTo(2, 0)
  })
})

describe('a change that was none', () => {
  it.each([10_041, 10_485, 10_550])('pot %i, whose readings only seemed to say so, is not taken off the heat', (seed) => {
    const { saidS, leftS } = potTrial(seed)!
    expect(saidS / leftS).toBeGreaterThan(0.75)
    expect(saidS / leftS).toBeLessThan(1.3)
  })
})

describe('what is to be expected', () => {
  it('shrinks with readings, in the order of the temperatures; off comes before done by what the pan gives back', () => {
    const widths = [20, 80, 200].map((s) => {
      const { left } = outlook(fed(startLive(plan), 0.19, 2, s), [62, 82])
      expect(left[0]!.value).toBeLessThan(left[1]!.value)
      return (left[1]!.high - left[1]!.low) / left[1]!.value
    })
    expect(widths[1]).toBeLessThan(widths[0]!)
    expect(widths[2]).toBeLessThan(widths[0]!)
    const { left, offS } = outlook(fed(startLive(plan), 0.19, 2, 200), [82])
    expect(offS!.value).toBeLessThan(left[0]!.value - 5)
    expect(offS!.value).toBeGreaterThan(left[0]!.value - 60)
  })
  it('is 0 for what has been, null for what never comes', () => {
    const hot = fed(startLive({ ...plan, startTempC: 70 }), 0.19, 2, 60, 70)
    expect(outlook(hot, [60, 82]).left[0]).toEqual({ value: 0, low: 0, high: 0 })
    const cold = fed(startLive({ ...plan, burnerW: 30 }), 0, 2, 240)
    expect(outlook(cold, [82])).toMatchObject({ left: [null], offS: null })
  })
  it('a flame turned up is noticed, and the time left follows within a minute', () => {
    const before = fed(startLive(plan), 0.15, 2, 120)
    let live = before
    for (let s = 122; s <= 190; s += 2) live = observe(live, { atS: s, tempC: 36 + 0.3 * (s - 120) })
    expect(before.notices.map(n => n.what)).not.toContain('heatChanged')
    expect(live.seen.changedS).toBeGreaterThan(120)
    // 57 °C at 190 s, .3 K/s: 25 K left.
    const left = outlook(live, [82]).left[0]!
    expect(left.value / (25 / 0.3)).toBeGreaterThan(0.8)
    expect(left.value / (25 / 0.3)).toBeLessThan(1.3)
  })
})

it('pots whose truth it does not know: a sample of npm run prove, whose table stands in docs/science.md', () => {
  const trials = Array.from({ length: 32 }, (_, i) => potTrial(i)).filter(t => t !== null)
  const calm = heldOf(trials.filter(t => !t.disturbed))
  expect(trials.length).toBeGreaterThan(28)
  expect(calm.within).toBeGreaterThanOrEqual(0.9)
  expect(heldOf(trials).covered).toBeGreaterThanOrEqual(0.75)
})
