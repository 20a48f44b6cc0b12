import { describe, expect, it } from 'vitest'
import { noiseOf } from '../base/noise'
import { drawPot } from './drawPot'
import { canProbe, potLater, potMeanC, type PotStated, type PotTruth, probeLater, probeShows, startPot } from './pot'

const stated: PotStated = {
  massG: 600, waterG: 270, cp: 2900, surfaceM2: 0.03, panCapacity: 350, method: 'direct', burnerW: 400, altitudeM: 0,
  waterActivity: 0.95,
}
const truth: PotTruth = {
  burnerFactor: 1, panFactor: 1, massFactor: 1, evaporationFactor: 1, lossFactor: 1, bathDropK: 1, bathFactor: 1,
  stirWPerKKg: 150, burnerLagS: 1, cycleS: 0, duty: 0.5, startTempC: 20, roomTempC: 20, turns: [],
}
const after = (s: number, t: Partial<PotTruth> = {}, st: Partial<PotStated> = {}) => {
  const [a, b] = [{ ...stated, ...st }, { ...truth, ...t }]
  return potLater(a, b, startPot(b), s)
}

describe('the pot behind the simulated kitchen', () => {
  it('takes up what the burner gives: 400 W for two minutes in mix and pan, less what its base loses', () => {
    const { y } = after(120, { lossFactor: 0, evaporationFactor: 0 })
    const pan = 350 * (0.6 * y[1] + 0.4 * y[3])
    // Heat capacity is that of the mean way from 20 °C: 1 + .0003·(T − 60).
    const mix = 0.6 * 2900 * (1 + 0.0003 * ((20 + y[3]) / 2 - 60)) * (potMeanC({ timeS: 0, y }) - 20)
    const base = 3 * 0.03 * ((y[1] - 20) / 2) * 120
    expect(pan - 350 * 20 + mix + base).toBeCloseTo(400 * 119, -3)
  })
  it('twice the power is twice the pace, twice the pan a slower one, and off the heat it cools', () => {
    const rise = (t: Partial<PotTruth>) => potMeanC(after(60, t)) - 20
    expect(rise({ burnerFactor: 2 }) / rise({})).toBeCloseTo(2, 1)
    expect(rise({ panFactor: 3 })).toBeLessThan(0.8 * rise({}))
    const off = { turns: [{ atS: 200, power: 0 }] }
    expect(potMeanC(after(320, off))).toBeLessThan(potMeanC(after(260, off)))
  })
  it('boils where its water does and then loses it: 2 kW less its losses, over the heat of evaporation', () => {
    const hot = { burnerFactor: 5 }
    const [a, b] = [after(200, hot), after(260, hot)]
    expect(a.y[3]).toBeCloseTo(101.4, 0)
    expect(b.y[3] - a.y[3]).toBeLessThan(0.05)
    const mostKg = (2000 * 60) / 2.26e6
    expect(b.y[4] - a.y[4]).toBeGreaterThan(0.8 * mostKg)
    expect(b.y[4] - a.y[4]).toBeLessThanOrEqual(mostKg)
  })
  it('a bath gives less the hotter the mix, never more than its flame; a cycling burner gives its mean', () => {
    const gain = (from: number, st: Partial<PotStated>, t: Partial<PotTruth> = {}) => {
      const own = { ...truth, ...t, startTempC: from }
      const s = { ...stated, ...st }
      const a = potLater(s, own, startPot(own), 60)
      return potMeanC(potLater(s, own, a, 60)) - potMeanC(a)
    }
    const bath = { method: 'waterBath' as const }
    expect(gain(70, bath)).toBeLessThan(0.5 * gain(30, bath))
    expect(gain(30, bath, { burnerFactor: 0.3 })).toBeLessThan(0.5 * gain(30, bath))
    expect(gain(20, {}, { cycleS: 20, duty: 0.5 }) / gain(20, {})).toBeCloseTo(1, 1)
  })
  it('goes the same way in one stride as in many', () => {
    let many = startPot(truth)
    for (let i = 0; i < 20; i++) many = potLater(stated, truth, many, 0.5)
    expect(many.y[3]).toBeCloseTo(after(10).y[3], 9)
  })
  it('a microwave is probed only while it stands', () => {
    const microwave = { ...stated, method: 'microwave' as const }
    expect([0, 19.9, 20, 34.9, 35].map(s => canProbe(microwave, s))).toEqual([false, false, true, true, false])
    expect(canProbe(stated, 5)).toBe(true)
  })
})

describe('its thermometer', () => {
  const probe = { biasK: 0, lagS: 10, noiseK: 0, deep: 0, stepK: 0.1 }
  const hot = { timeS: 0, y: [0, 100, 90, 80, 0] as [number, number, number, number, number] }
  it('follows by e a lag, feels the layer it sits in, shows its bias in its own steps', () => {
    expect(probeLater(probe, 20, hot, 10)).toBeCloseTo(80 - 60 / Math.E, 9)
    expect(probeLater({ ...probe, deep: 1 }, 90, hot, 10)).toBe(90)
    expect(probeShows({ ...probe, biasK: 1.2 }, 70.03, noiseOf(1))).toBeCloseTo(71.2, 9)
    expect(probeShows({ ...probe, stepK: 0.5 }, 70.3, noiseOf(1))).toBe(70.5)
  })
})

it('pots are drawn by seed, of every method, each with a truth of its own', () => {
  expect(drawPot(7)).toEqual(drawPot(7))
  const all = Array.from({ length: 400 }, (_, i) => drawPot(i))
  expect(new Set(all.map(c => c.stated.method)).size).toBe(3)
  const ln = all.map(c => Math.log(c.truth.burnerFactor))
  const mean = ln.reduce((a, b) => a + b) / ln.length
  expect(mean).toBeCloseTo(0, 1)
  expect(Math.sqrt(ln.reduce((s, x) => s + (x - mean) ** 2, 0) / ln.length)).toBeCloseTo(0.2, 1)
  // Two in five are disturbed on the way.
  expect(all.filter(c => c.truth.turns.length).length / 300).toBeGreaterThan(0.35)
})
