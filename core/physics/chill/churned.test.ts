/** What a churn makes of a mix: freezing by tables, the scoop by practice, sugar found and put in. */
import { describe, expect, it } from 'vitest'
import { parts } from '../../../tests/support/core'
import { mix } from '../matter/mix'
import { CABINET_C, churnedOf, iceShare, SCOOP_ICE } from './churned'

const of = (grams: Record<string, number>) => churnedOf(mix(parts(grams)))

describe('ice', () => {
  it('sucrose of 30 % begins to freeze at −2.6 °C (handbooks), and at −12 °C four fifths of its water are ice', () => {
    const c = of({ water: 700, sugar: 300 })
    expect(c.freezingC).toBeCloseTo(-2.6, 0)
    expect(c.ice).toBeCloseTo(0.7 * (1 - c.freezingC / CABINET_C), 3)
  })
  it('there is none above the freezing point, and more of it the colder it is', () => {
    const m = mix(parts({ water: 700, sugar: 300 }))
    expect(iceShare(m, -1)).toBe(0)
    expect(iceShare(m, -18)).toBeGreaterThan(iceShare(m, -12))
  })
})

describe('the scoop', () => {
  it('a lemon sorbet of 25 to 30 % sugar scoops at −12 °C (common practice); one of 15 is hard and icy, one of 45 runs', () => {
    expect(of({ water: 500, sugar: 290, lemon: 220 })).toMatchObject({ scoop: 'scoops', body: 'good', sugarG: null })
    expect(of({ water: 650, sugar: 150, lemon: 200 })).toMatchObject({ scoop: 'hard', body: 'icy' })
    expect(of({ water: 330, sugar: 450, lemon: 220 })).toMatchObject({ scoop: 'runs', body: 'gummy' })
  })
  it('says the sugar that brings it there: put in, it scoops in the middle of the band', () => {
    for (const grams of [{ water: 650, sugar: 150, lemon: 200 }, { water: 330, sugar: 450, lemon: 220 }]) {
      const c = of(grams)
      const right = of({ ...grams, sugar: grams.sugar + c.sugarG! })
      expect([right.scoop, right.ice]).toEqual(['scoops', expect.closeTo((SCOOP_ICE[0] + SCOOP_ICE[1]) / 2, 3)])
    }
  })
  it('spirit softens it, and it scoops where its ice is in the middle', () => {
    const dry = of({ water: 500, sugar: 250, lemon: 220 })
    const wet = of({ water: 460, sugar: 250, lemon: 220, spirit: 40 })
    expect(wet.ice).toBeLessThan(dry.ice)
    expect(dry.scoopsAtC).toBeGreaterThan(-16)
    expect(dry.scoopsAtC).toBeLessThan(-6)
    expect(wet.scoopsAtC).toBeLessThan(dry.scoopsAtC)
  })
})
