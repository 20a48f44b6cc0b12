/** How yellow it is: in the order cooks see, the edge on both sides, and the dose that the trade uses. */
import { describe, expect, it } from 'vitest'
import { MADE, parts, YOLK_CURD } from '../../../tests/support/core'
import { colourOf, COLOURS } from './colour'
import { mix } from './mix'

const of = (grams: Record<string, number>) => colourOf(mix(parts(grams)))

describe('colour', () => {
  it('a yolk curd is deep, a whole-egg one paler, a mousse of it pale, a posset ivory (common practice)', () => {
    const words = [YOLK_CURD, MADE.emulsified, MADE.foldedMousse, MADE.boiled].map(g => COLOURS.indexOf(of(g).word))
    expect(words).toEqual([...words].sort((a, b) => b - a))
    expect([of(YOLK_CURD).word, of(MADE.boiled).word]).toEqual(['deep', 'ivory'])
  })
  it('by hand: 200 g of yolk, 100 of butter and 700 of juice: 20 / (20 + .35·8.2·x + 4)', () => {
    const c = of({ yolk_sep: 200, butter82: 100, lemon: 700 })
    expect(c.yellow).toBeCloseTo(20 / (20 + 0.35 * 8.2 + 4), 2)
  })
  it('cream and white pale it, yolk does not', () => {
    const base = { yolk_sep: 100, sugar: 200, lemon: 200 }
    const y = (more: Record<string, number>) => of({ ...base, ...more }).yellow
    expect(y({ cream48: 200 })).toBeLessThan(y({ water: 200 }))
    expect(y({ white: 200 })).toBeLessThan(y({ water: 200 }))
    expect(y({ yolk: 200 })).toBeGreaterThan(y({ water: 200 }))
  })
})

describe('dose', () => {
  it('2 g in 400 g of white chocolate, and only what dissolves in fat (common practice)', () => {
    expect(of({ choc_white: 400 }).dose).toEqual({ kind: 'fat', massG: expect.closeTo(2, 9) })
  })
  it('in what holds water, drops: 1 g a kilogram', () => {
    expect(of(YOLK_CURD).dose).toEqual({ kind: 'water', massG: expect.closeTo(0.595, 3) })
  })
})
