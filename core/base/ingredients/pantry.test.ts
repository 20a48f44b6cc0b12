/** The pantry's acids, salts and fruit against what is published of them, and what they do in a mix. */
import { describe, expect, it } from 'vitest'
import { kitchen, make, MADE, parts } from '../../../tests/support/core'
import checks from '../../checks/acidity.json'
import { pHOfMix } from '../../physics/matter/acidity'
import { mix } from '../../physics/matter/mix'
import { taste } from '../../physics/matter/taste'
import { assess } from '../../pipeline/assess'
import { findIngredient, part, protein } from './ingredients'
import { densityOf } from './measures'
import { PANTRY } from './pantry'

const pH = (grams: Record<string, number>) => pHOfMix(mix(parts(grams)))

describe('acids and what works against them', () => {
  it('cream of tartar, saturated at 25 °C (6.4 g in a litre), is the buffer of pH 3.557 (NBS primary standard)', () => {
    expect(Math.abs(pH({ tartar: 6.4, water: 1000 }) - 3.557)).toBeLessThan(0.12)
  })
  it('a tenth molar acetic acid is pH 2.88 (CRC Handbook), vinegar about 2.4 (FDA list)', () => {
    expect(Math.abs(pH({ vinegar: 120.1, water: 880 }) - 2.88)).toBeLessThan(0.12)
    expect(pH({ vinegar: 100 })).toBeGreaterThan(2.2)
    expect(pH({ vinegar: 100 })).toBeLessThan(3.4)
  })
  it('a gram of bicarbonate takes up 11.9 mEq: .762 g of citric acid, by hand 11.9 × .06404', () => {
    const before = mix(parts({ lemon: 100, sugar: 50 }))
    const after = mix(parts({ lemon: 100, sugar: 50, soda: 1 }))
    expect(before.acidG - after.acidG).toBeCloseTo(0.762, 3)
    expect(pHOfMix(after)).toBeGreaterThan(pHOfMix(before) + 0.1)
    expect(taste(after, pHOfMix(after)).sour).toBeLessThan(taste(before, pHOfMix(before)).sour)
    expect(mix(parts({ lemon: 1, soda: 50 })).acidG).toBe(0)
  })
  it.each(checks.pantry.rows)(`$ingredient lies in its published range (${checks.pantry.source})`, (row) => {
    const got = pH({ [row.ingredient]: 100 })
    expect(got).toBeGreaterThanOrEqual(row.low - 0.05)
    expect(got).toBeLessThanOrEqual(row.high + 0.05)
  })
})

describe('fruit that is raw', () => {
  const codes = (grams: Record<string, number>, targetTempC: number) =>
    assess(make('setCream', d => void (d.heat.targetTempC = targetTempC), grams), kitchen).findings.map(f => f.code)
  it('kiwi or pineapple with gelatine stops the plan unless it was as hot as 80 °C; strawberries never do', () => {
    for (const id of ['kiwi', 'pineapple']) {
      expect(codes({ ...MADE.setCream, [id]: 60 }, 74)).toContain('rawProtease')
      expect(codes({ ...MADE.setCream, [id]: 60 }, 83)).not.toContain('rawProtease')
    }
    expect(codes({ ...MADE.setCream, strawberry: 60 }, 74)).not.toContain('rawProtease')
    expect(codes(MADE.setCream, 74)).not.toContain('rawProtease')
  })
  it('without gelatine or a milk gel it undoes nothing', () => {
    const bare = assess(make('yolkBath', d => void (d.heat.targetTempC = 78), { ...MADE.yolkBath, kiwi: 40 }), kitchen)
    expect(bare.findings.map(f => f.code)).not.toContain('rawProtease')
  })
})

describe('rows as cooks know them', () => {
  it('maple syrup is two thirds sugar, ice wine a fifth and sharper than dessert wine, a spirit 40 % by volume', () => {
    const maple = findIngredient('maple')!
    expect(Math.abs(part(maple, 'sucrose') + part(maple, 'monosaccharides') - 66.7)).toBeLessThan(1)
    const [ice, late] = [findIngredient('wine_ice')!, findIngredient('wine_late')!]
    expect(part(ice, 'monosaccharides')).toBe(20)
    expect(ice.acid!.typical).toBeGreaterThan(late.acid!.typical)
    const spirit = findIngredient('spirit')!
    expect((spirit.ethanol! * densityOf('spirit')!.gPerMl) / 0.789).toBeCloseTo(40, 0)
  })
  it('nuts say nuts, what is baked says gluten; each has an allergen list or none to have', () => {
    for (const id of ['walnut', 'pecan', 'cashew', 'almond_milk', 'cashew_milk']) expect(findIngredient(id)!.allergens).toEqual(['nuts'])
    for (const id of ['oats', 'granola', 'brioche', 'pastry_short', 'oat_milk'])
      expect(findIngredient(id)!.allergens).toContain('gluten')
  })
  it('fruit is never offered in place of juice, and is worth a spoon', () => {
    for (const row of PANTRY.filter(r => r.group === 'fruit')) {
      expect(row.standsFor).toBeUndefined()
      expect(densityOf(row.id)!.gPerMl).toBeGreaterThan(0.4)
      expect(protein(row)).toBeLessThan(2)
    }
  })
})
