import { describe, expect, it } from 'vitest'
import { kitchen, make } from '../../../tests/support/core'
import { packsFor } from '../../ledger/packs'
import { assess } from '../../pipeline/assess'
import { swapsFor } from '../../solve/swap'
import { readText } from '../../formats/reader/read'
import { findIngredient, acidLogSigma, part, protein } from './ingredients'
import { EMPTY_LABEL, type Label, labelOf, OWN_ID_MOST, ownId, ownRow } from './label'
import { densityOf } from './measures'

const label = (over: Partial<Label> = {}): Label => ({ ...EMPTY_LABEL, name: 'Pine syrup', kind: 'sugar', ...over })
const PINE = ownId(label({ carbs: 66, sugars: 64, density: 1.3, pack: 250, allergens: ['sulphites'] }))

describe('an ingredient from its label', () => {
  it('is found by its id, which carries the label there and back', () => {
    expect(PINE).toBe('own:Pine syrup;sugar;fat=0;carbs=66;sugars=64;fibre=0;protein=0;salt=0;density=1.3;pack=250;allergens=sulphites')
    expect(ownId(labelOf(PINE)!)).toBe(PINE)
    expect(findIngredient(PINE)).toEqual(ownRow(PINE))
  })
  it('has what a label leaves as water, by hand: 100 − 66; its long sugars count as sucrose', () => {
    const row = findIngredient(PINE)!
    expect([part(row, 'water'), part(row, 'sucrose'), row.allergens, row.confidence]).toEqual([34, 66, ['sulphites'], 'L'])
  })
  it('splits by its kind: milk is casein and lactose up to 5 %, fruit simple sugars, baked goods starch', () => {
    const quark = ownRow(ownId(label({ kind: 'dairy', fat: 10, carbs: 9, sugars: 9, protein: 10, acid: 0.8 })))!
    expect([part(quark, 'casein'), part(quark, 'whey'), part(quark, 'lactose'), part(quark, 'sucrose'), part(quark, 'milkFat')])
      .toEqual([8, 2, 5, 4, 10])
    expect(quark.acid!.kind).toBe('lactic')
    const pulp = ownRow(ownId(label({ kind: 'fruit', carbs: 20, sugars: 15 })))!
    expect([part(pulp, 'monosaccharides'), part(pulp, 'sucrose'), part(pulp, 'starch')]).toEqual([9, 11, 0])
    const cake = ownRow(ownId(label({ kind: 'biscuit', carbs: 60, sugars: 20, protein: 7 })))!
    expect([part(cake, 'starch'), part(cake, 'sucrose'), protein(cake)]).toEqual([40, 20, 7])
  })
  it('takes alcohol by volume: 40 % of a spirit of 0.95 g/ml is 33 g in 100 g', () => {
    expect(ownRow(ownId(label({ kind: 'other', alcohol: 40, density: 0.95 })))!.ethanol).toBeCloseTo(33.2, 1)
  })
  it('is less sure of its acid than the table is of lemon, and least where the label says none', () => {
    const said = ownRow(ownId(label({ kind: 'juice', carbs: 10, sugars: 10, acid: 5 })))!
    const unsaid = ownRow(ownId(label({ kind: 'juice', carbs: 10, sugars: 10 })))!
    expect(acidLogSigma(said)).toBeGreaterThan(acidLogSigma(findIngredient('lemon')!))
    expect(acidLogSigma(unsaid)).toBeGreaterThan(2 * acidLogSigma(said))
    expect(ownRow(ownId(label({ kind: 'juice', carbs: 10, sugars: 10, acid: 0 })))!.acid).toBeUndefined()
  })
})

describe('a label that cannot be', () => {
  it.each([
    ['label.name', { name: '  ' }], ['label.name', { name: 'a;b' }], ['label.name', { name: 'x'.repeat(61) }],
    ['label.fat', { fat: 100.1 }], ['label.sugars', { carbs: 10, sugars: 13.1 }], ['label.carbs', { fat: 60, carbs: 43.1 }],
    ['label.pH', { pH: 1.4 }], ['label.density', { density: 0.04 }], ['label.pack', { pack: 0.5 }], ['label.salt', { salt: null }],
    ['label.fat', { fat: Number.NaN }],
  ] as const)('%s is named for %o', (path, over) => {
    expect(() => ownId(label(over))).toThrow(expect.objectContaining({ path }) as Error)
  })
  it('what labels round away is taken: sugars 3 g over carbohydrate, 103 g in all', () => {
    expect(labelOf(ownId(label({ carbs: 10, sugars: 13 })))!.sugars).toBe(13)
    expect(part(ownRow(ownId(label({ fat: 60, carbs: 43 })))!, 'water')).toBe(0)
  })
  it.each([
    'own:', 'own:x', 'own:x;stone;fat=0', `${PINE};extra=1`, PINE.replace('fat=0', 'fat=-1'), PINE.replace('fat=0', 'fat=0.0'),
    PINE.replace('carbs=66;sugars=64', 'sugars=64;carbs=66'), PINE.replace('=sulphites', '=stone'), `own:${'x'.repeat(OWN_ID_MOST)}`,
    'own:__proto__;sugar;fat=1', 'lemon',
  ])('%s is no id of a label', (id) => {
    expect(labelOf(id)).toBeNull()
    if (id !== 'lemon') expect(findIngredient(id)).toBeUndefined()
  })
})

describe('used like a row of the table', () => {
  it('in a formula: sugars, allergens and cost follow', () => {
    const grams = { yolk_sep: 120, lemon: 150, [PINE]: 200, butter82: 120 }
    const a = assess(make('yolkBath', undefined, grams), { ...kitchen, prices: { [PINE]: 10 } })
    expect(a.findings.find(f => f.code === 'allergens')!.params.list).toBe('egg,milk,sulphites')
    // By hand: 132 g of the syrup, 2.5 % of the juice, .55 % of the yolk, .6 % of the butter.
    expect(a.balance.sugarPercent.value).toBeCloseTo((100 * (132 + 3.75 + 0.66 + 0.72)) / 590, 1)
  })
  it('in a pasted text by its name, by spoon, ml and pack', () => {
    const grams = (line: string) =>
      readText(`${line}\n100 g lemon juice`, { ingredients: [PINE], cups: 'metric' }).lines[0]!.items[0]!
    expect(grams('2 tbsp Pine Syrup, warmed')).toMatchObject({ ingredientId: PINE, massG: 39 })
    expect(readText('200 g pine syrup\n3 eggs', { ingredients: [PINE] }).lines[0]!.kind).toBe('ingredient')
    // Unknown, it is asked about by its name; its label then reads the whole line.
    for (const line of ['2 tbsp quince paste', '½ cup of quince paste', '150 g quince paste'])
      expect(readText(`3 eggs\n${line}`).lines[1]!.question).toMatchObject({ kind: 'ingredient', words: 'quince paste' })
    expect(readText('200 g pine syrup\n3 eggs').lines[0]!.items).not.toMatchObject([{ ingredientId: PINE }])
    expect(grams('100 ml pine syrup')).toMatchObject({ massG: 130 })
    expect(grams('2 bottles pine syrup')).toMatchObject({ massG: 500 })
    expect(grams('1 tin of pine syrup')).toMatchObject({ massG: 250 })
    expect(densityOf(PINE)!.gPerMl).toBe(1.3)
  })
  it('is offered in place of sugar, and bought by its pack', () => {
    expect(swapsFor('sugar', [PINE])[0]).toBe(PINE)
    expect(swapsFor('lemon', [PINE])).not.toContain(PINE)
    const line = { ingredientId: PINE, needG: 600, haveG: null, station: 'dry', desserts: [] }
    expect(packsFor({ lines: [line as never], fruit: [], eggs: { shells: 0, haveShells: 0 } }))
      .toEqual([{ id: PINE, unit: 'pack', count: 3, eachG: 250, overG: 150 }])
  })
})
