import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { STANDARD } from '../../base/parameters'
import { amylaseSurvives, milkHeatOf, peakOf, peaksAlong } from './milk'

describe('peak and time near it', () => {
  const history = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 900 }), fc.integer({ min: 20, max: 105 })), {
      minLength: 1, maxLength: 40,
    })
    .map(rows => ({
      timeS: rows.map((_, i) => rows.slice(0, i).reduce((s, [by]) => s + by, 0)),
      tempC: rows.map(([, t]) => t),
    }))
  it('along a history they are at every time what they are of the history so far', () => {
    fc.assert(fc.property(history, (h) => {
      peaksAlong(h).forEach((along, i) => {
        const soFar = peakOf({ timeS: h.timeS.slice(0, i + 1), tempC: h.tempC.slice(0, i + 1) })
        expect(along.peakTempC).toBe(soFar.peakTempC)
        expect(along.minutes).toBeCloseTo(soFar.minutes, 9)
      })
    }))
  })
  it('within 2 K counts, further down does not; a stretch counts only with both its ends', () => {
    const minutes = (...tempC: number[]) => peakOf({ timeS: tempC.map((_, i) => 60 * i), tempC }).minutes
    expect([minutes(90, 92), minutes(89.9, 92), minutes(92, 92, 80, 92)]).toEqual([1, 0, 1])
  })
})

describe('doses of milk and yolk, by hand', () => {
  const held = (tempC: number, minutes: number) => ({ timeS: [0, 60 * minutes], tempC: [tempC, tempC] })
  it('milk proteins at 78 °C: 1 − e^(−.059·t); 12 K hotter ten times as fast', () => {
    expect(milkHeatOf(held(78, 10))).toBeCloseTo(1 - Math.exp(-10 * STANDARD.milk.heatRate), 9)
    expect(milkHeatOf(held(78 + STANDARD.milk.heatZK, 1))).toBeCloseTo(milkHeatOf(held(78, 10)), 9)
  })
  it('amylase is gone after its dose at 85 °C, just before it is not; hotter, sooner', () => {
    const { amylaseDoseMin, amylaseZK } = STANDARD.starch
    expect(amylaseSurvives(held(85, amylaseDoseMin * 0.999))).toBe(true)
    expect(amylaseSurvives(held(85, amylaseDoseMin * 1.001))).toBe(false)
    expect(amylaseSurvives(held(85 + amylaseZK, amylaseDoseMin * 0.101))).toBe(false)
    expect(amylaseSurvives(held(85 + amylaseZK, amylaseDoseMin * 0.099))).toBe(true)
  })
})
