import { describe, expect, it } from 'vitest'
import { STANDARD } from '../../base/parameters'
import { acidDoseMin, amylaseActs, amylaseAlive, milkHeatOf, peakOf } from './milk'

describe('peak and time near it', () => {
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
  it('amylase: a tenth left after a minute and a half at 80 °C, a tenth of that after as long again; 6 K hotter tenfold', () => {
    const { amylaseDoseMin, amylaseZK } = STANDARD.starch
    expect(amylaseAlive(held(80, amylaseDoseMin))).toBeCloseTo(0.1, 9)
    expect(amylaseAlive(held(80, 2 * amylaseDoseMin))).toBeCloseTo(0.01, 9)
    expect(amylaseAlive(held(80 + amylaseZK, amylaseDoseMin / 10))).toBeCloseTo(0.1, 9)
    // Practice: back to the boil is enough, a moment at 78 °C is not.
    expect(amylaseAlive(held(97, 0.5))).toBeLessThan(1e-6)
    expect(amylaseAlive(held(78, 0.5))).toBeGreaterThan(0.5)
    expect([amylaseActs(4.5), amylaseActs(7) > 0.99, amylaseActs(3) < 0.01]).toEqual([0.5, true, true])
  })
  it('hot acid: ten minutes at 97 °C and pH 2.5 are ten; a unit of pH higher one; 24 K cooler one', () => {
    expect(acidDoseMin(held(97, 10), 2.5)).toBeCloseTo(10, 9)
    expect(acidDoseMin(held(97, 10), 3.5)).toBeCloseTo(1, 9)
    expect(acidDoseMin(held(97 - STANDARD.starch.acidZK, 10), 2.5)).toBeCloseTo(1, 9)
  })
})
