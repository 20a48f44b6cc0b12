import { describe, expect, it } from 'vitest'
import { type QuantityContext, readQuantity } from './typed'

const mass = (over: Partial<QuantityContext> = {}): QuantityContext => ({
  kind: 'mass',
  ingredientId: 'lemon',
  cups: 'us',
  eggGrade: 'usL',
  bare: 1,
  ...over,
})
const value = (raw: string, c = mass()) => {
  const r = readQuantity(raw, c)
  return 'value' in r ? r.value : r.problem
}

describe('typed quantities', () => {
  it.each([
    ['150+20', 170],
    ['2 kg − 150', 1850],
    ['3*17', 51],
    ['1/4 kg', 250],
    ['12,5', 12.5],
    ['.5', 0.5],
    ['-3', -3],
    ['1 1/2 oz', 42.52425],
    ['½ lb', 226.796],
    ['2 cups', 2 * 236.588 * 1.03],
    ['1/3 cup + 2 tbsp', (236.588 / 3 + 2 * 14.787) * 1.03],
    ['3 eggs', 150],
    ['6 yolks + 1 egg', 152],
    ['100 ml', 103],
    ['80 g', 80],
  ])('%s', (raw, g) => expect(value(raw)).toBeCloseTo(g, 6))
  it('four cups of juice are 976 g (a US cup of lemon juice: 244 g, USDA)', () =>
    expect(Number(value('4 cups')) / 976).toBeCloseTo(1, 2))
  it('what can be read two ways, or not at all, is refused by name', () => {
    expect(value('2 cups', mass({ cups: null }))).toBe('whoseCups')
    expect(value('2 tsp', mass({ cups: null }))).toBeCloseTo(10.3, 9)
    expect(value('2 cups', mass({ ingredientId: 'pectin' }))).toBe('noDensity')
    for (const bad of ['', 'some', '1e9', '3 bananas', '1 2', '5 °C', '2++3'])
      expect(['notANumber', 'wrongUnit']).toContain(value(bad))
  })
  it('lengths, times and degrees in their own units', () => {
    const length: QuantityContext = { ...mass(), kind: 'length', bare: 1e-3 }
    expect(value('25', length)).toBeCloseTo(0.025, 12)
    expect(value('2.5 cm', length)).toBeCloseTo(0.025, 12)
    expect(value('9 in', length)).toBeCloseTo(0.2286, 12)
    expect(value('1 h + 20 min', { ...mass(), kind: 'time', bare: 60 })).toBe(4800)
    expect(value('350 °F', { ...mass(), kind: 'temperature', bare: 1 })).toBeCloseTo(176.67, 2)
    expect(value('180', { ...mass(), kind: 'temperature', bare: 1, fahrenheit: true })).toBeCloseTo(82.22, 2)
  })
})
