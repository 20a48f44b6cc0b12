import { describe, expect, it } from 'vitest'
import { counter, kitchen, make } from '../../../tests/support/core'
import { fillingOf, type Bench } from '../../formula/bench'
import type { ZestAs } from '../../formula/document'
import { assess } from '../../pipeline/assess'
import { swapGuard } from '../../solve/swap'
import { AROMA_EDGES, aromaOf, aromaWord, drawnAndKept, NO_ZEST, type Zest } from './aroma'

const held = (tempC: number, minutes: number) => ({ timeS: [0, 60 * minutes], tempC: [tempC, tempC] })
const zest = (over: Partial<Zest> = {}): Zest => ({ ...NO_ZEST, massG: 10, along: held(20, 1), ...over })
const juice = { massG: 0, along: held(20, 1) }

describe('oil that comes out and oil that leaves', () => {
  it('by hand: strips 15 min at 70 °C give half of the 85 % still shut in; 15 K warmer half of that again', () => {
    expect(drawnAndKept(zest({ cut: 'strips', along: held(70, 15) }), 0).drawn).toBeCloseTo(1 - 0.85 / 2, 9)
    expect(drawnAndKept(zest({ cut: 'strips', along: held(85, 15) }), 0).drawn).toBeCloseTo(1 - 0.85 / 4, 9)
  })
  it('by hand: ten minutes at the boil leave e^−1.2 of it in thin juice, e^−(1.2/6) with a fifth of fat', () => {
    expect(drawnAndKept(zest({ along: held(97, 10) }), 0).kept).toBeCloseTo(Math.exp(-1.2), 9)
    expect(drawnAndKept(zest({ along: held(97, 10) }), 0.2).kept).toBeCloseTo(Math.exp(-0.2), 9)
    expect(drawnAndKept(zest({ along: held(85, 10) }), 0).kept).toBeCloseTo(Math.exp(-0.6), 9)
  })
  it('rubbing into sugar frees three fifths of what the knife left shut', () => {
    expect(drawnAndKept(zest({ cut: 'strips', along: held(-200, 1), rubbed: true }), 0).drawn).toBeCloseTo(1 - 0.85 * 0.4, 6)
    expect(drawnAndKept(zest({ cut: 'grated', along: held(-200, 1) }), 0).drawn).toBeCloseTo(0.7, 6)
  })
})

describe('the word', () => {
  it.each([
    [0, 'none'], [0.04, 'none'], [0.06, 'faint'], [AROMA_EDGES[0] - 0.1, 'faint'], [AROMA_EDGES[0], 'clear'],
    [AROMA_EDGES[1] - 0.1, 'clear'], [AROMA_EDGES[1], 'full'], [AROMA_EDGES[2] - 0.1, 'full'], [AROMA_EDGES[2], 'loud'],
  ] as const)('%d g/kg is %s', (g, word) => expect(aromaWord(g)).toBe(word))
  it('juice alone is faint: zest is the flavour, juice the sourness (cooks\' saying)', () => {
    expect(aromaOf([], { massG: 300, along: held(20, 1) }, 1000, 0.2)).toMatchObject({ word: 'faint', drawn: 1, kept: 1 })
  })
  it('fine lemon zest that is eaten counts about as it is weighed; strips that are sieved out hardly', () => {
    expect(aromaOf([zest()], juice, 1000, 0.3).gPerKg).toBeCloseTo(10, 0)
    expect(aromaOf([zest({ cut: 'strips', sieved: true })], juice, 1000, 0.3).gPerKg).toBeLessThan(2)
    const plain = aromaOf([zest()], juice, 1000, 0.3).gPerKg
    expect(aromaOf([zest({ strength: 1.5 })], juice, 1000, 0.3).gPerKg).toBeCloseTo(1.5 * plain, 9)
    expect(aromaOf([], juice, 0, 0).gPerKg).toBe(0)
  })
})

describe('in a formula', () => {
  const GRAMS = { zest: 6, yolk_sep: 170, sugar: 170, lemon: 170, butter82: 85 }
  const of = (as: ZestAs, edit: (d: Bench) => void = () => {}) => assess(make('yolkBath', (d) => {
    fillingOf(d).lines.find(l => l.ingredientId === 'zest')!.zest = as
    edit(d)
  }, GRAMS), kitchen).balance
  it('finer, rubbed, eaten and of a louder fruit smells more; bergamot more than lemon', () => {
    const plain = of({}).aroma.gPerKg
    expect(of({ rubbed: false }).aroma.gPerKg).toBeLessThan(plain)
    expect(of({ cut: 'strips' }).aroma.gPerKg).toBeLessThan(plain)
    expect(of({ of: 'bergamot' }).aroma.gPerKg).toBeGreaterThan(1.4 * plain)
    const unsieved = of({}, (d) => { fillingOf(d).steps = fillingOf(d).steps.filter(s => s.kind !== 'strain') })
    expect(unsieved.aroma.gPerKg).toBeGreaterThan(plain)
  })
  it('grated into the white is twice as bitter, and no more scent (common practice)', () => {
    expect(of({ deep: true }).taste.zestCountsGPerKg).toBeCloseTo(2 * of({}).taste.zestCountsGPerKg, 9)
    expect(of({ deep: true }).aroma.gPerKg).toBe(of({}).aroma.gPerKg)
  })
  it('boiled long with little fat it loses more than a curd held warm with butter', () => {
    const curd = of({}).aroma.kept
    const boiled = assess(make('boiledAgain', (d) => { d.heat.holdS = 900 },
      { water: 330, sugar: 210, cornflour: 50, yolk_sep: 70, lemon: 120, zest: 6 }), kitchen).balance.aroma.kept
    expect(curd).toBeGreaterThan(0.8)
    expect(boiled).toBeLessThan(curd - 0.2)
  })
  it('every swap says the scent it comes to', () => {
    const doc = make('yolkBath', undefined, GRAMS)
    const lemon = fillingOf(doc).lines.find(l => l.ingredientId === 'lemon')!.id
    const { options } = swapGuard(doc, kitchen, lemon, 'bergamot', counter('n'))
    expect(options.length).toBeGreaterThan(0)
    for (const o of options) expect(o.aroma).toBe(assess(o.doc, kitchen).balance.aroma.word)
  })
})
