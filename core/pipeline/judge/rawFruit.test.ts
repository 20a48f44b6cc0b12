/** Fruit no heat cooked through: where it lies, who is told, and how many days the dessert keeps for it. */
import { describe, expect, it } from 'vitest'
import { counter, formula, type Grams, kitchen, MADE, make } from '../../../tests/support/core'
import { type Bench, benchOf, putBack } from '../../formula/bench'
import { line } from '../../formula/create'
import type { Component, PartKind } from '../../formula/document'
import { withFinish } from '../../formula/finish'
import { withLaid } from '../../formula/layers'
import { packUp } from '../../plan/packUp'
import { keepingOptions } from '../../plan/storage'
import { assess, work } from '../assess'

const id = counter('p')
const laid = (doc: Bench, kind: PartKind, grams?: Grams): Bench => {
  const out = benchOf(withLaid(putBack(doc), kitchen, kind, kind, id).planned)
  if (grams) {
    const part = out.components.find(c => c.make?.kind === kind)!
    part.lines = Object.entries(grams).map(([i, g]) => line(id(), i, g))
  }
  return out
}
const told = (doc: Bench) => {
  const a = assess(doc, kitchen)
  const raw = a.findings.filter(f => f.code === 'rawFruit')
  return { days: a.serve.storageDays, at: raw.map(f => f.path), severity: raw[0]?.severity }
}
const NOT = { days: 7, at: [], severity: undefined }
const AT_RISK = (d: Bench) => { d.use.guestsAtRisk = true }

describe('raw fruit laid into a dessert', () => {
  it.each(['coulis', 'berryLayer', 'maceratedFruit', 'roastedFruit'] as const)('%s: three days, told as a look to guests at risk', (kind) => {
    expect(told(make('setCream'))).toEqual(NOT)
    expect(told(laid(make('setCream'), kind))).toEqual({ days: 3, at: ['components.1.lines'], severity: 'info' })
    expect(told(laid(make('setCream', AT_RISK), kind)).severity).toBe('look')
  })
  it.each(['boundSauce', 'spongeLayer', 'confitPeel'] as const)('%s: its fruit is cooked through', (kind) => {
    expect(told(laid(make('setCream', AT_RISK), kind, { raspberry_whole: 100, sugar: 20 }))).toEqual(NOT)
  })
  it('of no kind is raw, too: a topping of berries by hand', () => {
    const topping: Component = { id: 't', role: 'topping', name: '', lines: [line('b', 'blueberry', 80)], steps: [] }
    expect(told(make('setCream', d => d.components.push(topping)))).toMatchObject({ days: 3, at: ['components.1.lines'] })
    topping.lines[0]!.ingredientId = 'nobody'
    expect(told(make('setCream', d => d.components.push(topping)))).toEqual(NOT)
  })
  it('a third of a part is where it decides; any is told', () => {
    const of = (g: number) => told(laid(make('setCream'), 'whippedLayer', { cream36: 100 - g, strawberry: g }))
    expect([of(29).days, of(31).days, of(1).at.length, of(0).at.length]).toEqual([7, 3, 1, 0])
  })
  it('what goes on at the last is told and shortens nothing', () => {
    expect(told(withFinish(make('setCream', AT_RISK), 'berries', id)))
      .toEqual({ days: 7, at: ['components.1.lines'], severity: 'look' })
    expect(told(withFinish(make('setCream', AT_RISK), 'wheel', id))).toEqual(NOT)
  })
  it('one that only the day holds stays a dessert of one day', () => {
    expect(told(laid(make('whippedAcid'), 'coulis')).days).toBe(1)
  })
  it('a part that is on the bench itself counts once', () => {
    expect(told(laid(make('coulis'), 'berryLayer')).at).toEqual(['components.0.lines'])
  })
})

describe('how it may be kept', () => {
  it('three days are not called the code\'s, and home guidance is for a curd without raw fruit', () => {
    const home = { ...kitchen, business: false }
    const codes = (doc: Bench) => keepingOptions(doc, home, assess(doc, home)).map(o => o.code)
    expect(codes(formula())).toEqual(['code', 'freeze', 'homeGuidance'])
    expect(codes(laid(formula(), 'coulis'))).toEqual(['rawFruit', 'freeze'])
    expect(codes(withFinish(formula(), 'berries', id))).toEqual(['code', 'freeze', 'homeGuidance'])
  })
})

describe('a purée is fruit', () => {
  it('raw in a cream it is told, from a third on it decides; boiled it is not', () => {
    const rest = Object.values(MADE.setCream).reduce((s, g) => s + g, 0)
    const of = (i: string, share: number) =>
      told(make('setCream', () => {}, { ...MADE.setCream, [i]: (share * rest) / (1 - share) }))
    for (const i of ['raspberry', 'mango']) expect([of(i, 0.29).days, of(i, 0.31).days]).toEqual([7, 3])
    expect(of('orange', 0.4)).toEqual(NOT)
    expect(told(make('boundSauce', (d) => { d.heat.targetTempC = 95 }, { raspberry: 500, sugar: 60, cornflour: 12 }))).toEqual(NOT)
  })
})

describe('raw kiwi on what gelatine sets', () => {
  const enzymes = (doc: Bench) => assess(doc, kitchen).findings.filter(f => f.code === 'rawProtease')
  it('is told where it lies; not on a set without gelatine, not boiled, not other fruit', () => {
    expect(enzymes(laid(make('setCream'), 'berryLayer', { kiwi: 100 })))
      .toMatchObject([{ severity: 'look', path: 'components.1.lines' }])
    expect(enzymes(laid(formula(), 'berryLayer', { kiwi: 100 }))).toEqual([])
    expect(enzymes(laid(make('setCream'), 'boundSauce', { kiwi: 100 }))).toEqual([])
    expect(enzymes(laid(make('setCream'), 'berryLayer', { peach: 100 }))).toEqual([])
  })
})

describe('what is put up in packs is the filling alone', () => {
  const useBy = (doc: Bench) =>
    packUp(work(doc, kitchen), { packG: 120, frozen: false, name: 'Cups', madeOn: '2026-11-28' }).useBy
  it('so a coulis beside it takes no days from it, fruit in it does', () => {
    const curd = formula({ yolk_sep: 170, sugar: 170, lemon: 170, butter82: 85 })
    expect(useBy(curd)).toBe('2026-12-04')
    expect(told(laid(curd, 'coulis')).days).toBe(3)
    expect(useBy(laid(curd, 'coulis'))).toBe('2026-12-04')
    expect(useBy(make('coulis'))).toBe('2026-11-30')
  })
})
