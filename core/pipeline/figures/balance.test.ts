/** What stock and balance show, by hand from the table of ingredients. */
import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../../tests/support/core'
import { type Bench, fillingOf } from '../../formula/bench'
import { assess } from '../assess'

describe('the composition', () => {
  it('each part by the table, and all of them make a hundred', () => {
    const grams = { milk: 200, sugar: 100, cornflour: 20, egg: 100, lemon: 80 }
    const { composition: c } = assess(formula(grams, undefined, { school: 'milkPudding' }), kitchen).balance
    expect(Object.values(c).reduce((sum, x) => sum + x, 0)).toBeCloseTo(100, 9)
    // milk 88.1, 4.8, 3.25, 2.6 + .6; egg 76.15, .4, 9.5, 6.9 + 5.7; cornflour 8.3, 90 %; of 500 g.
    expect(c.milkProtein).toBeCloseTo((200 * 0.032) / 5, 6)
    expect(c.eggProtein).toBeCloseTo(12.6 / 5, 6)
    expect(c.starch).toBeCloseTo(18 / 5, 6)
    expect(c.fat).toBeCloseTo((6.5 + 9.5 + 0.01 + 0.24) / 5, 1)
    expect(c.acid).toBeCloseTo((80 * 0.055) / 5, 2)
    expect(c.other).toBeGreaterThan(0)
    expect(c.other).toBeLessThan(1.5)
  })
})

describe('the juices together', () => {
  const of = (edit: Parameters<typeof formula>[1]) =>
    assess(formula({ yolk_sep: 170, sugar: 170, lemon: 120, lime: 40, orange: 0, butter82: 85 }, edit), kitchen).stock
  const measure = (id: string, acidPercent?: number) => (d: Bench) => {
    fillingOf(d).lines.find(l => l.ingredientId === id)!.strength =
      { kind: 'measured', ...(acidPercent === undefined ? { pH: 2.4 } : { acidPercent }) }
  }
  it('weigh by their grams; what is not there is not counted', () => {
    const stock = of((d) => {
      measure('lemon', 5)(d)
      measure('lime', 7)(d)
    })
    expect(stock.juiceG).toBe(160)
    expect(stock.juiceAcid.value).toBeCloseTo((120 * 5 + 40 * 7) / 160, 9)
    // ln σ .03 of each, by its share of the acid.
    expect(stock.juiceAcid.lnSigma).toBeCloseTo(0.03 * Math.hypot(6 / 8.8, 2.8 / 8.8), 9)
  })
  it('are measured only where all of them are, by their acid', () => {
    expect(of((d) => {
      measure('lemon', 5)(d)
      measure('lime', 7)(d)
    }).juiceProvenance).toBe('measured')
    expect(of(measure('lemon', 5)).juiceProvenance).toBe('table')
    expect(of((d) => {
      measure('lemon', 5)(d)
      measure('lime')(d)
    }).juiceProvenance).toBe('table')
  })
  it('each line says its own acid, and what has none says so', () => {
    const { lines } = of(measure('lemon', 5))
    expect(lines.map(l => l.acidPercent)).toEqual([null, null, 5, expect.any(Number), expect.any(Number), null])
  })
})
