import { describe, expect, it } from 'vitest'
import { SYSTEM_ML } from '../units'
import { besideGrams } from './beside'
import { DENSITIES } from './measures'

describe('cups and spoons beside grams', () => {
  it('by hand: 203.5 g of sugar at .86 g/ml is a US cup; 31 g of juice two tablespoons; 1 g of salt no more than a pinch', () => {
    // 203.5 / .86 = 236.6 ml.
    expect(besideGrams('sugar', 203.5, 'us')).toEqual({ ml: expect.closeTo(236.63, 2), cups: 1, tablespoons: 0, teaspoons: 0 })
    // 31 / 1.03 = 30.1 ml: two of 15.
    expect(besideGrams('lemon', 31, 'metric')).toMatchObject({ cups: 0, tablespoons: 2, teaspoons: 0 })
    // 20 ml is one Australian tablespoon, and one and a teaspoon of the metric.
    expect(besideGrams('water', 20, 'australian')).toMatchObject({ tablespoons: 1, teaspoons: 0 })
    expect(besideGrams('water', 20, 'metric')).toMatchObject({ tablespoons: 1, teaspoons: 1 })
    expect(besideGrams('salt', 1, 'metric')).toMatchObject({ cups: 0, tablespoons: 0, teaspoons: 0 })
    expect(besideGrams('nothing known', 100, 'us')).toBeNull()
    expect(besideGrams('sugar', 0, 'us')).toBeNull()
  })
  it('comes to the same volume within a quarter teaspoon, whatever is weighed', () => {
    for (const system of ['us', 'metric', 'australian', 'imperial'] as const)
      for (const id of Object.keys(DENSITIES))
        for (const g of [3, 17, 86, 245, 1040]) {
          const b = besideGrams(id, g, system)!
          const { cup, tablespoon, teaspoon } = SYSTEM_ML[system]
          const ml = b.cups * cup + b.tablespoons * tablespoon + b.teaspoons * teaspoon
          expect(Math.abs(ml - b.ml), `${g} g ${id} ${system}`).toBeLessThanOrEqual(0.2501 * teaspoon)
          expect(b.tablespoons * tablespoon).toBeLessThan(cup / 4 + tablespoon)
        }
  })
})
