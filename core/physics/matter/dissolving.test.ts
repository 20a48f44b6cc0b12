import { describe, expect, it } from 'vitest'
import { kitchen, make } from '../../../tests/support/core'
import tables from '../../checks/tables.json'
import { EGG_GRADES, densityOf } from '../../base/ingredients/measures'
import { SYSTEM_ML } from '../../base/units'
import type { Component, Line } from '../../formula/document'
import { meringueSugar } from '../../formula/meringue'
import { fillingOf } from '../../formula/bench'
import { grainOf } from '../../pipeline/figures/dissolving'
import { assess } from '../../pipeline/assess'
import { FELT, GRAIN_M, type Grains, holdsFrom, neverDissolves, saturation, soluble, undissolved, viscosity } from './dissolving'

const grains = (sugarG: number, waterG: number, grainM: number = GRAIN_M.caster): Grains =>
  ({ sugarG, waterG, dissolvedG: 0, grainM })
const at = (tempC: number, s: number) => ({ timeS: [0, s], tempC: [tempC, tempC] })

describe('what water holds', () => {
  it.each(tables.sucrose.rows)(`$tempC °C: $share of the solution (${tables.sucrose.source})`, ({ tempC, share }) => {
    expect(saturation(tempC)).toBeCloseTo(share, 3)
  })
  it.each(tables.syrup.rows)(`$share, $tempC °C: $mPas mPa·s (${tables.syrup.source})`, (row) => {
    expect(Math.abs((1000 * viscosity(row.share, row.tempC)) / row.mPas - 1)).toBeLessThan(0.05)
  })
  it('by hand: 100 g of water at 20 °C holds 100 × .6672 / .3328 g', () => {
    expect(soluble(100, 20)).toBeCloseTo(200.5, 1)
    expect(neverDissolves(grains(250, 100), 20)).toBeCloseTo(1 - 200.47 / 250, 4)
    expect(neverDissolves({ ...grains(100, 100), dissolvedG: 150 }, 20)).toBeCloseTo(1 - 50.47 / 100, 4)
    expect([200, 201, 500].map(g => holdsFrom(grains(g, 100)))).toEqual([20, 21, null])
  })
  it('six large whites with two US cups of fine sugar stand just above saturation at 20 °C (trade practice)', () => {
    const waterG = 6 * EGG_GRADES.usL.whiteG * 0.876
    const sugarG = 2 * SYSTEM_ML.us.cup * densityOf('sugar')!.gPerMl
    const over = sugarG / soluble(waterG, 20)
    expect(over).toBeGreaterThan(1)
    expect(over).toBeLessThan(1.2)
  })
})

describe('how fast it goes in', () => {
  it('sooner the finer, the warmer, the harder it is moved, the more water there is', () => {
    const left = (g: Grains, tempC: number, moved: 'still' | 'stirred' | 'beaten') => undissolved(g, at(tempC, 60), moved)
    const base = left(grains(200, 150), 20, 'stirred')
    expect(left(grains(200, 150, GRAIN_M.granulated), 20, 'stirred')).toBeGreaterThan(base)
    expect(left(grains(200, 150, GRAIN_M.icing), 20, 'stirred')).toBeLessThan(base)
    expect(left(grains(200, 150), 60, 'stirred')).toBeLessThan(base)
    expect(left(grains(200, 150), 20, 'beaten')).toBeLessThan(base)
    expect(left(grains(200, 150), 20, 'still')).toBeGreaterThan(base)
    expect(left(grains(200, 300), 20, 'stirred')).toBeLessThan(base)
  })
  it('caster sugar whisked into the juice and eggs of a curd is in after two minutes, granulated lying still is not', () => {
    expect(undissolved(grains(200, 220), at(20, 120), 'stirred')).toBeLessThan(FELT)
    expect(undissolved(grains(200, 220, GRAIN_M.granulated), at(20, 120), 'still')).toBeGreaterThan(0.2)
  })
  it('never goes past what the water holds, goes on where it stopped, and stands where nothing is left to do', () => {
    expect(undissolved(grains(407, 173), at(20, 36_000), 'beaten')).toBeCloseTo(neverDissolves(grains(407, 173), 20), 3)
    // Hot and fine, a step of five seconds would go past it.
    const over = grains(900, 173, GRAIN_M.icing)
    for (const s of [60, 600, 3600])
      expect(undissolved(over, at(90, s), 'beaten')).toBeGreaterThanOrEqual(neverDissolves(over, 90))
    const half = undissolved(grains(300, 173), at(20, 120), 'beaten')
    expect(undissolved(grains(300, 173), at(20, 120), 'beaten', half)).toBeCloseTo(undissolved(grains(300, 173), at(20, 240), 'beaten'), 2)
    expect(undissolved(grains(0, 100), at(20, 60), 'still')).toBe(0)
    expect(undissolved(grains(100, 100), at(20, 0), 'stirred')).toBe(1)
  })
})

describe('a meringue', () => {
  const meringue = (kind: 'meringueCold' | 'meringueWarm' | 'meringueDry', ratio: number, line: Partial<Line> = {}): Component => ({
    id: 'm', role: 'topping', name: '', steps: [], make: { kind, ratio },
    lines: [['white', 198], ['sugar', 198 * ratio]].map(([ingredientId, massG]) => ({
      id: String(ingredientId), ingredientId: String(ingredientId), massG: Number(massG), sourceText: '', assumption: '', ...line,
    })),
  })
  it('of 1.5 parts of caster sugar is smooth after ten minutes, of granulated gritty, of two parts always (practice)', () => {
    expect(meringueSugar(meringue('meringueCold', 1.5), 20)!.left).toBeLessThan(FELT)
    expect(meringueSugar(meringue('meringueCold', 1.5, { grain: 'granulated' }), 20)!.left).toBeGreaterThan(FELT)
    const two = meringueSugar(meringue('meringueDry', 2), 20)!
    expect(two.never).toBeCloseTo(1 - 347.7 / 396, 3)
    expect(two.holdsG).toBeCloseTo(347.7, 1)
    expect(two.holdsFromC).toBe(38)
  })
  it('warmed with its sugar takes two parts up; boiled sugar and anything else is none of this', () => {
    expect(meringueSugar(meringue('meringueWarm', 2), 20)!.left).toBe(0)
    expect(meringueSugar({ ...meringue('meringueCold', 2), make: { kind: 'meringueBoiled', ratio: 2 } }, 20)).toBeNull()
    expect(meringueSugar({ ...meringue('meringueCold', 2), lines: [] }, 20)).toBeNull()
  })
})

describe('in a formula', () => {
  it('a line\'s grains go by what is said, by its words, by its kind', () => {
    const line = (over: Partial<Line>) => ({ ingredientId: 'sugar', sourceText: '', ...over })
    expect([
      line({}), line({ sourceText: '2 cups granulated sugar' }), line({ sourceText: '200 g caster sugar' }),
      line({ ingredientId: 'icing' }), line({ ingredientId: 'icing', grain: 'coarse' }),
    ].map(l => Math.round(grainOf(l) * 1e6))).toEqual([450, 600, 300, 40, 1200])
  })
  it('a curd has grains before the heat and none as it is poured', () => {
    const a = assess(make('yolkBath', undefined, { yolk_sep: 120, lemon: 100, sugar: 220, butter82: 100 }), kitchen)
    expect(a.balance.dissolving!.before).toBeGreaterThan(FELT)
    expect(a.balance.dissolving!.left).toBeLessThan(FELT)
    expect(a.findings.map(f => f.code)).not.toContain('sugarGritty')
  })
  it('cream beaten with coarse sugar and no heat is gritty, with icing sugar it is not', () => {
    const cold = (grain: 'coarse' | 'icing') => assess(make('whippedAcid', (d) => {
      fillingOf(d).lines.find(l => l.ingredientId === 'sugar')!.grain = grain
    }, { creme_fr: 100, lemon: 40, sugar: 160, cream36: 120 }), kitchen)
    expect(cold('coarse').findings.find(f => f.code === 'sugarGritty')).toMatchObject({ severity: 'look', params: { grainMm: 1.2 } })
    expect(cold('icing').findings.map(f => f.code)).not.toContain('sugarGritty')
  })
  it('sugar beaten into cream has the cream\'s water alone; stirred into the juice it has all of it', () => {
    const of = (withCream: boolean) => assess(make('whippedAcid', (d) => {
      const { lines, steps } = fillingOf(d)
      const sugar = lines.find(l => l.ingredientId === 'sugar')!.id
      for (const s of steps) if ('lineIds' in s) s.lineIds = s.lineIds.filter(x => x !== sugar)
      const home = steps.find(s => s.kind === (withCream ? 'foldIn' : 'combine'))!
      if ('lineIds' in home) home.lineIds.push(sugar)
    }, { creme_fr: 100, lemon: 200, sugar: 200, cream36: 120 }), kitchen).balance.dissolving!
    expect(of(true).left).toBeGreaterThan(0.12)
    expect(of(false).left).toBeLessThan(0.5 * of(true).left)
  })
  it('without sugar in grains there is nothing to say', () => {
    expect(assess(make('yolkBath', undefined, { yolk_sep: 120, lemon: 100, honey: 220, butter82: 100 }), kitchen).balance.dissolving).toBeNull()
  })
})
