/** Air whisked into condensed-milk fillings: gain by egg and minutes, how it bites, what the set makes of it. */
import { describe, expect, it } from 'vitest'
import { type Grams, kitchen, make, parts } from '../../../tests/support/core'
import { assess } from '../../pipeline/assess'
import { orderOfWork } from '../../plan/order'
import { airWhisked, risesM, springOf } from './whisked'

/** A can, four yolks, half a cup of juice. */
const PIE: Grams = { condensed: 397, yolk_sep: 74, lime: 120 }
const pie = (seconds: number | null, byHand = false, grams = PIE, school: 'lowOven' | 'chillOnly' = 'lowOven') =>
  make(school, (d) => { if (seconds !== null) d.set.whisked = { seconds, byHand } }, grams)
const minutes = (n: number) => pie(60 * n)

describe('air', () => {
  it('four yolks to a can, eight minutes: about a fifth more volume (common practice)', () => {
    const { making } = assess(minutes(8), kitchen).set
    expect(making.air / (1 - making.air)).toBeGreaterThan(0.15)
    expect(making.air / (1 - making.air)).toBeLessThan(0.27)
    expect(making.whisked).toBeCloseTo(making.air, 12)
  })
  it('by hand takes twice as long; worked by hand', () => {
    const mix = parts(PIE)
    const air = (seconds: number, byHand = false) => airWhisked(mix, { seconds, byHand })
    expect(air(480, true)).toBeCloseTo(air(240), 12)
    expect(air(180)).toBeCloseTo((0.04 + 1.1 * (74 / 591)) * (1 - Math.exp(-1)), 9)
  })
  it('whole egg holds more than yolk, white most, and no filling more than its most', () => {
    const of = (g: Grams) => airWhisked(parts(g), { seconds: 1e6, byHand: false })
    const [none, yolk, egg, white] = ['lime', 'yolk_sep', 'egg', 'white'].map(id => of({ condensed: 400, [id]: 60 }))
    expect([none! < yolk!, yolk! < egg!, egg! < white!]).toEqual([true, true, true])
    expect(of({ condensed: 100, white: 100 })).toBe(0.35)
  })
  it('only condensed milk’s acid gel holds it: not without it, not below a fifth of it', () => {
    const of = (condensed: number) => pie(480, false, { condensed, cream36: 400 - condensed, yolk_sep: 74, lime: 120 })
    const air = (condensed: number) => assess(of(condensed), kitchen).set.making.whisked
    expect([air(0.2 * 594 - 1), air(0.2 * 594 + 1) > 0.1]).toEqual([0, true])
  })
})

describe('what it does', () => {
  it('dense, light, springy: just under and just over', () => {
    expect([0.049, 0.051, 0.129, 0.131].map(springOf)).toEqual(['dense', 'light', 'light', 'springy'])
  })
  it('more volume, a softer cut, and no fear for its hours: acid holds it, not raw foam', () => {
    const [plain, aired] = [pie(null), minutes(8)].map(d => assess(d, kitchen))
    expect(aired!.shape.depthM).toBeGreaterThan(1.1 * plain!.shape.depthM)
    expect(aired!.verdict.cold.tauPa.value).toBeLessThan(plain!.verdict.cold.tauPa.value)
    expect(aired!.findings.map(f => f.code)).not.toContain('holdsHours')
    expect(aired!.serve.storageDays).toBe(plain!.serve.storageDays)
  })
  it('rises as its air warms: 30 mm with 15 % from 20 to 78 °C by hand', () => {
    expect(risesM(0.03, 0.15, 20, 78)).toBeCloseTo(0.03 * 0.15 * (58 / 293.15), 9)
    expect(risesM(0.03, 0.15, 20, 10)).toBe(0)
  })
  it('its minutes stand in the order, with hands at it all the while', () => {
    const step = (d: ReturnType<typeof pie>) => orderOfWork(d, kitchen, assess(d, kitchen)).find(s => s.code === 'mixCold')!
    expect([step(minutes(8)).timeS, step(minutes(8)).attendedS]).toEqual([480, 480])
    expect([step(pie(null)).timeS, step(pie(null)).attendedS]).toEqual([null, 180])
  })
})
