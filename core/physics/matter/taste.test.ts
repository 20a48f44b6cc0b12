import { singleActivity, SUGARS, waterActivityOf } from './solutes'
import { describe, expect, it } from 'vitest'
import { EGG_CURD, parts, YOLK_CURD } from '../../../tests/support/core'
import tables from '../../checks/tables.json'
import { pHOfMix } from './acidity'
import { brix, mix } from './mix'
import {
  CURD_SOUR_CENTRE,
  SHARPNESS,
  SHARPNESS_EDGES,
  sharpnessOf,
  sharpnessPosition,
  sugarToAcid,
  taste,
} from './taste'

const of = (grams: Record<string, number>) => {
  const m = mix(parts(grams))
  return taste(m, pHOfMix(m))
}

describe(`water activity (${tables.norrish.source})`, () => {
  it.each(tables.norrish.rows)('$percent % sucrose', row =>
    expect(Math.abs(singleActivity(SUGARS.sucrose, row.percent, 100 - row.percent) - row.aw)).toBeLessThan(0.002),
  )
  it('a curd lies where jams and custards part (trade: .93–.97)', () => {
    expect(waterActivityOf(mix(parts(EGG_CURD)))).toBeGreaterThan(0.93)
    expect(waterActivityOf(mix(parts(EGG_CURD)))).toBeLessThan(0.975)
  })
})

describe('sharp and sweet', () => {
  it('more juice is sharper, more sugar sweeter and less sharp, butter softens', () => {
    const base = of(YOLK_CURD)
    expect(of({ ...YOLK_CURD, lemon: 220 }).sour).toBeGreaterThan(base.sour)
    expect(of({ ...YOLK_CURD, sugar: 240 }).sour).toBeLessThan(base.sour)
    expect(of({ ...YOLK_CURD, sugar: 240 }).sweet).toBeGreaterThan(base.sweet)
    expect(of({ ...YOLK_CURD, butter82: 250 }).sour).toBeLessThan(base.sour)
  })
  it('orange alone is flat where lemon is bright (a sixth of the acid, trade rule)', () => {
    expect(of({ yolk_sep: 170, sugar: 170, orange: 170, butter82: 85 }).sharpness).toBe('flat')
    expect(['balanced', 'bright', 'sharp']).toContain(of(YOLK_CURD).sharpness)
  })
  it('words follow the edges, and the position on the row lies within the word\'s fifth', () => {
    SHARPNESS.forEach((word, i) => {
      const middle = ((SHARPNESS_EDGES[i]! + SHARPNESS_EDGES[i + 1]!) / 2) * CURD_SOUR_CENTRE
      expect(sharpnessOf(middle)).toBe(word)
      expect(sharpnessPosition(middle)).toBeCloseTo((i + 0.5) / 5, 9)
    })
    expect(sharpnessPosition(0)).toBe(0)
    expect(sharpnessPosition(99)).toBe(1)
  })
  it('zest turns bitter above 15 g per kg, for bergamot at half of that', () => {
    expect(of({ ...YOLK_CURD, zest: 5 }).bitterness).toBe('strong')
    expect(of({ ...YOLK_CURD, zest: 10 }).bitterness).toBe('bitter')
    expect(of({ yolk_sep: 170, sugar: 170, bergamot: 170, butter82: 85, zest: 5 }).bitterness).toBe('bitter')
    expect(of(YOLK_CURD).bitterness).toBe('none')
  })
  it('sieved out, a quarter cup of zest to a cup of juice (32 g per kg) is well, twice that is bitter (practice)', () => {
    const zested = (gPerKg: number, strained: number) => {
      const massG = Object.values(YOLK_CURD).reduce((s, g) => s + g, 0)
      const m = mix(parts({ ...YOLK_CURD, zest: (massG * gPerKg) / (1000 - gPerKg) }))
      return taste(m, pHOfMix(m), CURD_SOUR_CENTRE, undefined, { strained, pith: 1 })
    }
    expect([zested(32, 1).bitterness, zested(32, 0).bitterness]).toEqual(['normal', 'bitter'])
    expect(zested(64, 1).bitterness).toBe('bitter')
    // Half of it eaten: 16 counts whole, 16 by .24.
    expect(zested(32, 0.5).zestCountsGPerKg).toBeCloseTo(16 + 16 * 0.24, 6)
    // Eaten, the words change at 3, 8 and 15.
    expect([2.9, 3.1, 7.9, 8.1, 14.9, 15.1].map(g => zested(g, 0).bitterness))
      .toEqual(['faint', 'normal', 'normal', 'strong', 'strong', 'bitter'])
  })
  it('°Brix and sugar : acid by hand: 100 g sugar in 100 g water is 50 °Bx; 170 g sugar against 9.35 g acid about 18', () => {
    expect(brix(mix(parts({ sugar: 100, water: 100 })))).toBeCloseTo(50, 0)
    expect(sugarToAcid(mix(parts({ sugar: 170, lemon: 170 })))).toBeCloseTo(
      (0.999 * 170 + 0.025 * 170) / (0.055 * 170),
      1,
    )
  })
})
