import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../tests/support/core'
import { findIngredient } from '../base/ingredients/ingredients'
import { line } from '../formula/create'
import { fillingOf } from '../formula/bench'
import type { FruitEntry } from '../formula/occasion'
import { scaleFormula } from '../formula/edits'
import { atWholeCount, clingingWhite, countEggs, withCarton, yolkCarton } from '../formula/eggs'
import { type Lot, lotStrength } from '../kitchen/kitchen'
import { blendPercent, correctedBrix, figuresOf, titrationPercent, toStrength } from '../kitchen/strength'
import { pHOfMix } from '../physics/matter/acidity'
import { mix, toParts } from '../physics/matter/mix'
import { assess } from '../pipeline/assess'
import { binding, type BindLine, bindLines, scaleToBinding, toUseAll } from './binding'
import { coversPlan } from './covers'
import { countByWeight, fruitOf, ledger, spentTwice, toBuy, withCount, withTake, yieldsOf } from './fruit'

const lemon = findIngredient('lemon')!
const need = (lineId: string, needG: number, haveG: number | null, piece: BindLine['piece'] = null): BindLine => ({
  lineId,
  needG,
  haveG,
  pinned: false,
  piece,
})

describe('what binds', () => {
  it('four cups of juice and two of yolk in an equal-volume curd: twice, stopped by the yolk, two cups of juice left', () => {
    // A US cup of juice weighs 244 g and of yolk 244 g (USDA household weights, both 1.03 g/ml).
    const lines = [need('juice', 244, 4 * 244), need('yolk', 244, 2 * 244), need('sugar', 200, null)]
    const b = binding(lines)
    expect(b.factor).toBeCloseTo(2, 9)
    expect(b.limits).toEqual(['yolk'])
    expect(b.lines.map(l => l.leftG)).toEqual([488, 0, null])
    expect(b.lines.map(l => l.useG)).toEqual([488, 488, 400])
    expect(toUseAll(lines, 'juice')).toEqual({ factor: 4, more: [{ lineId: 'yolk', massG: 488, pieces: null }] })
  })
  it('whole cans stay whole: 900 g of juice for a formula of one can and 120 g make seven cans, not seven and a half', () => {
    const b = binding([need('can', 397, 10 * 397, { kind: 'can', eachG: 397 }), need('juice', 120, 900)])
    expect(b.factor).toBe(7)
    expect(b.limits).toEqual(['juice'])
    expect(b.wholeOf).toBe('can')
    expect(b.lines[0]).toMatchObject({ pieces: 7, leftG: 3 * 397 })
    expect(b.lines[1]!.leftG).toBeCloseTo(60, 9)
  })
  it('whole eggs beside whole cans bend by at most a tenth, or the batch is made smaller', () => {
    const lines = [
      need('can', 400, null, { kind: 'can', eachG: 400 }),
      need('yolk', 51, 300, { kind: 'yolk', eachG: 17 }),
      need('juice', 100, 420),
    ]
    const b = binding(lines)
    expect(b.factor).toBe(4)
    expect(b.lines[1]).toMatchObject({ pieces: 12, useG: 204 })
    for (const l of b.lines) expect(Math.abs(l.bend)).toBeLessThanOrEqual(0.1)
  })
  it('the formula scaled to what can be made has its pieces whole', () => {
    const doc = formula({ condensed: 397, lemon: 120 }, (d) => {
      fillingOf(d).lines[0]!.piece = { kind: 'can', eachG: 397 }
    })
    const [can, juice] = fillingOf(doc).lines
    const b = binding(bindLines(fillingOf(doc).lines, [{ lineId: juice!.id, massG: 400 }]))
    expect(fillingOf(scaleToBinding(doc, b)).lines.map(l => l.massG)).toEqual([3 * 397, 360])
    expect(can!.massG).toBe(397)
  })
  it('nothing said is no limit; nothing there makes nothing; a pinned line may not grow', () => {
    expect(binding([need('a', 10, null)])).toMatchObject({ factor: null, limits: [] })
    expect(binding([need('a', 10, 0), need('b', 5, 50)])).toMatchObject({ factor: 0, limits: ['a'] })
    const pinned = bindLines(
      [{ ...line('a', 'lemon', 100), pinned: true }, line('b', 'sugar', 50)],
      [{ lineId: 'a', massG: 500 }],
    )
    expect(binding(pinned)).toMatchObject({ factor: 1, limits: ['a'] })
    expect(toUseAll(pinned, 'b')).toBeNull()
  })
})

describe('fruit', () => {
  const entry = (over: Partial<FruitEntry> = {}): FruitEntry => ({
    id: 'e',
    fruitId: 'lemon medium',
    count: 6,
    weightG: null,
    take: { juice: 6, zest: 2, peel: 0, segments: 0 },
    measuredJuiceG: null,
    ...over,
  })
  it('six lemons give 270 g of juice and two of them 6 g of zest (45 and 3 g each, USDA portions and practice)', () => {
    const y = yieldsOf(entry())
    expect(y.juice.g).toBe(270)
    expect(y.zest.g).toBe(6)
    // Half of the variance is the crate's: σ = .25·√(.5 + .5/6) = .191, so 10–90 % is ×/÷ e^(1.2816·.191) = 1.277.
    expect(y.juice.highG / y.juice.g).toBeCloseTo(1.277, 3)
    expect(y.juice.g / y.juice.lowG).toBeCloseTo(1.277, 3)
  })
  it('the trade\'s own rule: three ordinary lemons make about half a US cup', () => {
    expect(
      yieldsOf(entry({ count: 3, take: { juice: 3, zest: 0, peel: 0, segments: 0 } })).juice.g / 1.03,
    ).toBeGreaterThan(0.9 * 118)
    expect(
      yieldsOf(entry({ count: 3, take: { juice: 3, zest: 0, peel: 0, segments: 0 } })).juice.g / 1.03,
    ).toBeLessThan(1.15 * 118.3)
  })
  it('weighed fruit goes by its weight: twice as heavy gives twice the juice, zest by the surface', () => {
    const y = yieldsOf(entry({ weightG: 6 * 220 }))
    expect(y.juice.g).toBeCloseTo(540, 9)
    expect(y.zest.g).toBeCloseTo(6 * 2 ** (2 / 3), 9)
    expect(y.juice.highG / y.juice.g).toBeLessThan(1.277)
  })
  it('two kilograms of lemons are about eighteen (110 g each)', () =>
    expect(countByWeight('lemon medium', 2000)).toBe(18))
  it('measured juice is what it is', () =>
    expect(yieldsOf(entry({ measuredJuiceG: 231 })).juice).toEqual({ g: 231, lowG: 231, highG: 231 }))
  it('no fruit is spent twice: peel takes from zest, segments from juice, zest then juice is fine', () => {
    expect(spentTwice(entry())).toEqual([])
    expect(
      spentTwice(entry({ take: { juice: 6, zest: 4, peel: 3, segments: 1 } })).map(x => [x.parts, x.over]),
    ).toEqual([
      [['zest', 'peel'], 1],
      [['juice', 'segments'], 1],
    ])
    expect(withTake(entry(), 'segments', 2).take).toEqual({ juice: 4, zest: 2, peel: 0, segments: 2 })
    expect(withTake(entry({ take: { juice: 6, zest: 6, peel: 0, segments: 0 } }), 'peel', 5).take).toMatchObject({
      zest: 1,
      peel: 5,
      juice: 6,
    })
    expect(withTake(entry(), 'zest', 99).take.zest).toBe(6)
    for (let count = 0; count < 8; count++)
      expect(spentTwice(withCount(entry({ take: { juice: 4, zest: 3, peel: 3, segments: 2 } }), count))).toEqual([])
  })
  it('to buy: 180 g of lemon juice is four lemons, five or six to be sure', () => {
    const { likely, sure } = toBuy(fruitOf('lemon medium')!, 'juice', 180)
    expect(likely).toBe(4)
    expect(sure).toBe(6)
    expect(toBuy(fruitOf('passion fruit')!, 'zest', 5)).toEqual({ likely: 0, sure: 0 })
  })
  it('a kitchen\'s own rule stands before the table: 45 g a lemon where it says 60', () => {
    const lemon = fruitOf('lemon large')!
    expect(lemon.juiceG).toBe(60)
    expect(toBuy(lemon, 'juice', 180).likely).toBe(3)
    expect(toBuy(lemon, 'juice', 180, { 'lemon large': 45 }).likely).toBe(4)
    const three = entry({ fruitId: 'lemon large', count: 3, take: { juice: 3, zest: 0, peel: 0, segments: 0 } })
    expect(yieldsOf(three, { 'lemon large': 45 }).juice.g).toBe(135)
    // Of another fruit it says nothing.
    expect(yieldsOf(three, { 'lemon medium': 45 }).juice.g).toBe(180)
  })
  it('the ledger holds the formula against the fruit', () => {
    const doc = formula({ yolk_sep: 100, sugar: 100, lemon: 180, zest: 4 }, (d) => {
      d.stock.fruit = [entry({ count: 3, take: { juice: 3, zest: 1, peel: 0, segments: 0 } })]
    })
    const rows = ledger(doc)
    expect(rows.map(r => r.ingredientId)).toEqual(['lemon', 'zest'])
    expect(rows[0]).toMatchObject({ needG: 180, shortG: 45, measured: false })
    expect(rows[0]!.gives!.g).toBe(135)
    expect(rows[0]!.buy.find(b => b.fruitId === 'lemon medium')!.likely).toBe(1)
    expect(rows[1]!.shortG).toBe(1)
    // The lot that the line is made of stands beside it, with what is weighed of it.
    const lot = { id: 'crate', name: 'Crate of November', massG: 30 } as Lot
    const line = doc.components[0]!.lines.find(l => l.ingredientId === 'lemon')!
    line.strength = { kind: 'lot', lotId: 'crate', name: 'Crate of November', acidPercent: 4.6 }
    expect(ledger(doc, [lot])[0]).toMatchObject({ shortG: 45, lot: { name: 'Crate of November', massG: 30 } })
    expect(ledger(doc, [{ ...lot, massG: null }])[0]).toMatchObject({ shortG: 45, lot: { massG: null } })
  })
})

describe('strength', () => {
  it('1.5 g of juice taking 12.1 ml of 0.1 M is 5.2 % (12.1 × .1 × 6.404 / 1.5 = 5.166)', () => {
    expect(titrationPercent(lemon, { sampleG: 1.5, mlNaOH: 12.1, molarity: 0.1, endPH: 8.2 })).toBeCloseTo(5.166, 3)
  })
  it('stopped early, the rest of the way to 8.2 is added along the juice\'s own curve', () => {
    const at7 = titrationPercent(lemon, { sampleG: 1.5, mlNaOH: 12.1, molarity: 0.1, endPH: 7 })
    expect(at7).toBeGreaterThan(5.166)
    expect(at7).toBeLessThan(5.166 * 1.06)
  })
  it('a refractometer: 1 % acid is added back as .2 °Bx (Stevens & Baier); lemon acid only as a proxy', () => {
    expect(correctedBrix(8, 5)).toBe(9)
    const f = figuresOf(lemon, { kind: 'refractometer', readingBrix: 8 })
    expect(f.acidPercent).toBeCloseTo(5.2, 9)
    expect(f.acidLnSigma).toBeCloseTo(0.6 / 5.2, 9)
    expect(figuresOf(findIngredient('orange')!, { kind: 'refractometer', readingBrix: 11 }).acidPercent).toBeNull()
  })
  it('by pH: what a juice of that acid has as pH leads back to its acid', () => {
    for (const acidPercent of [3, 5.5, 7]) {
      const pH = pHOfMix(mix([{ row: lemon, massG: 100, strength: { kind: 'measured', acidPercent } }]))
      expect(figuresOf(lemon, { kind: 'pH', by: 'meter', pH }).acidPercent).toBeCloseTo(acidPercent, 2)
    }
    const paper = figuresOf(lemon, { kind: 'pH', by: 'paper', pH: 2.3 })
    expect(paper.acidLnSigma).toBeGreaterThan(0.3)
    expect(paper.pH).toBeNull()
    expect(() => figuresOf(lemon, { kind: 'pH', by: 'meter', pH: 5.9 })).toThrowError(/method.pH/)
  })
  it('by taste: 10 ml of mine with 8 ml of water tastes as 10 ml of a 5 % juice: 9 %', () => {
    expect(
      figuresOf(lemon, { kind: 'taste', knownName: '', knownAcidPercent: 5, knownWaterMl: 0, waterMl: 8 })
        .acidPercent,
    ).toBeCloseTo(9, 9)
    expect(
      figuresOf(lemon, { kind: 'taste', knownName: '', knownAcidPercent: 6, knownWaterMl: 10, waterMl: 0 })
        .acidPercent,
    ).toBeCloseTo(3, 9)
  })
  it('to a strength: citric acid, water, a stronger juice; each mass balance closes', () => {
    // 1000 g at 4 % to 5 %: x·100 + 40 = .05·(1000 + x)·100/100 → x = 10.526 g.
    expect(toStrength(1000, 4, 5, 6)).toEqual({
      citricG: expect.closeTo(10.526, 3),
      waterG: null,
      otherG: expect.closeTo(1000, 6),
    })
    expect(toStrength(1000, 6, 5, null)).toEqual({ citricG: null, waterG: expect.closeTo(200, 9), otherG: null })
    expect(toStrength(500, 5, 5, 6)).toEqual({ citricG: null, waterG: null, otherG: null })
    expect(toStrength(500, 4, 5, 4.5).otherG).toBeNull()
    const x = toStrength(700, 4.2, 5, 6.1).otherG!
    expect(
      blendPercent([
        { massG: 700, acidPercent: 4.2 },
        { massG: x, acidPercent: 6.1 },
      ]),
    ).toBeCloseTo(5, 9)
  })
  it('a formula follows its lot: acid, solids and fat', () => {
    const lot: Lot = {
      id: 'x',
      name: 'Crate',
      ingredientId: 'lemon',
      acidPercent: 3,
      pH: null,
      brix: 12,
      fatPercent: null,
      acidLnSigma: 0.2,
      massG: null,
      method: { kind: 'entered' },
      useBy: null,
    }
    const weak = formula(undefined, (d) => {
      fillingOf(d).lines.find(l => l.ingredientId === 'lemon')!.strength = lotStrength(lot)
    })
    const a = assess(weak, { ...kitchen, lots: [lot] })
    const typical = assess(formula(), kitchen)
    expect(a.balance.pH.value).toBeGreaterThan(typical.balance.pH.value + 0.15)
    expect(a.stock.juiceAcid.lnSigma).toBeCloseTo(0.2, 9)
    const parts = toParts([{ ...line('a', 'lemon', 100), strength: lotStrength(lot) }], l => l.strength!)
    const m = mix(parts)
    const solids = m.grams.otherProtein + m.grams.sucrose + m.grams.monosaccharides + 3 + m.grams.ash
    expect((100 * solids) / (solids + m.grams.water)).toBeCloseTo(12, 9)
    const cream = mix(
      toParts([{ ...line('a', 'cream36', 100), strength: { kind: 'measured' as const, fatPercent: 40 } }], l => l.strength),
    )
    expect(cream.grams.fat).toBeCloseTo(40, 9)
    expect(cream.grams.milkFat).toBeCloseTo(40, 9)
    expect(cream.grams.water).toBeCloseTo((58.2 * 60) / 64, 6)
    // The lot changes under the kitchen: the formula follows without being touched.
    expect(assess(weak, { ...kitchen, lots: [{ ...lot, acidPercent: 6 }] }).balance.pH.value).toBeLessThan(
      a.balance.pH.value,
    )
  })
})

describe('eggs', () => {
  it('seven US large yolks and one whole egg: eight shells, seven whites over (33 g each)', () => {
    const c = countEggs([line('a', 'yolk_sep', 119), line('b', 'egg', 50), line('c', 'sugar', 5)], 'usL')
    expect(c.eggs).toBe(8)
    expect(c.lines.map(l => [l.part, l.count])).toEqual([
      ['yolk', 7],
      ['whole', 1],
    ])
    expect(c.surplus).toEqual({ whites: 7, whitesG: 231, yolks: 0, yolksG: 0 })
  })
  it('yolks and whites of the same eggs are cracked once', () =>
    expect(countEggs([line('a', 'yolk_sep', 51), line('b', 'white', 165)], 'usL')).toMatchObject({
      eggs: 5,
      surplus: { whites: 0, yolks: 2 },
    }))
  it('an eighth of a separated yolk is clinging white (1.3 of 10.6 g protein)', () =>
    expect(clingingWhite()).toBeCloseTo(0.1226, 3))
  it('kept whole, a line takes its nearest count; scaled, everything goes with it', () => {
    const doc = formula({ yolk_sep: 160, sugar: 100, lemon: 100 })
    const [c] = countEggs(fillingOf(doc).lines, 'usL').lines
    // 160 g are 9.4 US large yolks of 17 g: nine, 153 g.
    const kept = fillingOf(atWholeCount(doc, c!, false)).lines
    expect(kept.map(l => l.massG)).toEqual([153, 100, 100])
    expect(kept[0]!.piece).toEqual({ kind: 'yolk', eachG: 17 })
    expect(fillingOf(atWholeCount(doc, c!, true)).lines.map(l => l.massG)).toEqual([153, 95.6, 95.6])
  })
  it('a sugared carton takes its sugar off the sugar line; white weighs the same', () => {
    const doc = formula({ yolk_sep: 170, sugar: 100, lemon: 100, white: 60 })
    const [yolk, , , white] = fillingOf(doc).lines
    const made = withCarton(doc, yolk!.id, 'yolk_sugared')
    expect(fillingOf(made.doc).lines[0]).toMatchObject({ ingredientId: 'yolk_sugared' })
    expect(fillingOf(made.doc).lines[1]!.massG).toBeCloseTo(100 - made.sugarG, 0)
    expect(fillingOf(withCarton(doc, white!.id, 'white_carton').doc).lines[3]).toMatchObject({
      ingredientId: 'white_carton',
      massG: 60,
    })
  })
  it('a carton carries the same yolk protein; a sugared one says how much sugar it brings', () => {
    const pure = yolkCarton(170, 'yolk')
    const protein = (id: string, g: number) => (g * findIngredient(id)!.per100g.yolkProtein!) / 100
    expect(protein('yolk', pure.massG)).toBeCloseTo(protein('yolk_sep', 170), 9)
    expect(pure.sugarG).toBe(0)
    const sugared = yolkCarton(170, 'yolk_sugared')
    expect(sugared.sugarG / sugared.massG).toBeCloseTo(findIngredient('yolk_sugared')!.per100g.sucrose! / 100, 9)
  })
})

describe('covers', () => {
  const doc = formula({ yolk_sep: 170, sugar: 170, lemon: 170, butter82: 85 }, (d) => {
    d.assembly = { ...d.assembly, portions: 8, count: 1 }
    d.losses = { sieveFraction: 0.05, panG: 20 }
  })
  const { shape } = assess(doc, kitchen)
  it('sixteen for tea, two pieces each, of a formula for eight', () => {
    const p = coversPlan(doc, shape, { kind: 'people', people: 16, each: 2 })
    expect(p).toMatchObject({ portions: 32, count: 4 })
    // wanted = 4 × what is filled; factor = (wanted + 20) / (filled + 20).
    expect(p.factor).toBeCloseTo((4 * shape.batchG + 20) / (shape.batchG + 20), 9)
    expect(p.lossG).toBeCloseTo((4 * shape.batchG + 20) / 0.95 - 4 * shape.batchG, 6)
  })
  it('multiplied by the factor, the batch fills what was wanted', () => {
    const p = coversPlan(doc, shape, { kind: 'weight', massG: 1500 })
    const filled = assess(
      scaleFormula({ ...doc, heat: { ...doc.heat, evaporationG: { given: 0 } } }, p.factor),
      kitchen,
    ).shape.batchG
    expect(filled / 1500).toBeGreaterThan(0.97)
    expect(filled / 1500).toBeLessThan(1.05)
    expect(coversPlan(doc, shape, { kind: 'vessels', count: 3 })).toMatchObject({ count: 3, portions: 24 })
    expect(coversPlan(doc, shape, { kind: 'volume', volumeM3: shape.volumeM3 }).factor).toBeCloseTo(1, 9)
  })
  it('names a field that cannot be', () =>
    expect(() => coversPlan(doc, shape, { kind: 'people', people: 0, each: 1 })).toThrowError(/stock.covers.people/))
})
