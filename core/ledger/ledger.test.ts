/** One ledger for a day: each fruit once, eggs over all, what binds, what to buy, what is left and till when. */
import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../tests/support/core'
import { FRUITS } from '../base/ingredients/measures'
import type { Bench } from '../formula/bench'
import { line } from '../formula/create'
import { yieldsOf } from '../plan/fruit'
import { leftoversOf, offersFor } from './leftovers'
import { ledgerOf, type OnHand } from './ledger'

const DATE = '2026-11-28'
/** A dessert of just these grams. */
function need(dessertId: string, grams: Record<string, number>): { dessertId: string, bench: Bench } {
  const b = formula()
  const lines = Object.entries(grams).map(([id, g], i) => line(`${dessertId}-${i}`, id, g))
  const components = b.components.map(c => (c.id === b.componentId ? { ...c, lines } : c))
  return { dessertId, bench: { ...b, components } }
}
const ledger = (needs: ReturnType<typeof need>[], have: OnHand[] = [], k = kitchen) => ledgerOf(needs, have, k, DATE)
const tart = need('tart', { yolk_sep: 170, sugar: 250, lemon: 300, butter82: 430, zest: 6 })
const fool = need('fool', { cream36: 700, icing: 60, lemon: 100 })
const lineOf = (l: ReturnType<typeof ledger>, id: string) => l.lines.find(x => x.ingredientId === id)!

describe('what a day needs', () => {
  it('adds over desserts, says which needs how much, and goes station by station', () => {
    const l = ledger([tart, fool])
    expect(lineOf(l, 'lemon')).toMatchObject({
      needG: 400, by: [{ dessertId: 'tart', massG: 300 }, { dessertId: 'fool', massG: 100 }], haveG: null, shortG: 0,
    })
    expect(l.lines.map(x => x.station)).toEqual(['squeeze', 'squeeze', 'crack', 'cold', 'cold', 'dry', 'dry'])
    expect(ledger([need('x', { water: 500, sugar: 1 })]).lines.map(x => x.ingredientId)).toEqual(['sugar'])
  })
  it('costs what its lines cost; what has no price is named', () => {
    const priced = { ...kitchen, prices: { sugar: 2, lemon: 10 } }
    const { cost } = ledger([tart, fool], [], priced)
    expect(cost.byDessert.map(c => c.cost)).toEqual([expect.closeTo(0.5 + 3, 9), expect.closeTo(1, 9)])
    expect(cost.total).toBeCloseTo(4.5, 9)
    expect(cost.missing).toContain('butter82')
  })
})

describe('fruit, each once', () => {
  const medium = FRUITS.find(f => f.id === 'lemon medium')!
  const lowOf = (count: number, part: 'juice' | 'zest') => yieldsOf({
    id: '', fruitId: medium.id, count, weightG: null, measuredJuiceG: null,
    take: { juice: count, zest: count, peel: 0, segments: 0 },
  })[part].lowG
  it('as many as give the juice in nine of ten days, and no more', () => {
    const [lemon] = ledger([tart, fool]).fruit
    expect(lemon).toMatchObject({ fruitId: medium.id, juiceG: 400, zestG: 6, asks: 'juice' })
    expect(lowOf(lemon!.count, 'juice')).toBeGreaterThanOrEqual(400)
    expect(lowOf(lemon!.count - 1, 'juice')).toBeLessThan(400)
  })
  it('zest of the same fruit costs none; where it needs more skins, they decide', () => {
    const [few] = ledger([need('a', { lemon: 400, zest: 6 })]).fruit
    const [none] = ledger([need('a', { lemon: 400 })]).fruit
    expect(few!.count).toBe(none!.count)
    const [many] = ledger([need('a', { lemon: 45, zest: 30 })]).fruit
    expect(many!.asks).toBe('zest')
    expect(lowOf(many!.count, 'zest')).toBeGreaterThanOrEqual(30)
    expect(lowOf(many!.count - 1, 'zest')).toBeLessThan(30)
    expect(many!.overG).toBeGreaterThan(200)
  })
  it('juice that is there already need not be squeezed', () => {
    const had = ledger([tart], [{ ingredientId: 'lemon', massG: 290 }]).fruit[0]!
    expect(had.juiceG).toBeCloseTo(10, 9)
    expect(had.count).toBeLessThan(ledger([tart]).fruit[0]!.count)
  })
})

describe('eggs over all', () => {
  it('whites that one leaves are what another needs', () => {
    const meringue = need('pie', { white: 330, sugar: 500 })
    const apart = ledger([tart]).eggs.shells + ledger([meringue]).eggs.shells
    const both = ledger([tart, meringue]).eggs
    // 170 g of yolk are ten, 330 g of white are ten, in this grade.
    expect([apart, both.shells]).toEqual([20, 10])
    expect([both.whitesOverG, both.yolksOverG]).toEqual([0, 0])
  })
  it('yolks left from yesterday crack no eggs; eggs on hand are not bought', () => {
    expect(ledger([tart], [{ ingredientId: 'yolk_sep', massG: 170 }]).eggs.shells).toBe(0)
    const l = ledger([tart], [{ ingredientId: 'egg', massG: 4 * 50 }])
    expect(l.eggs.haveShells).toBe(4)
    expect(l.shopping.find(s => s.unit === 'egg')!.count).toBe(6)
  })
})

describe('what binds', () => {
  const cream = need('posset', { cream36: 1400, lemon: 90 })
  it('is the scarcest of what was said, with how much smaller each alone would have to be', () => {
    const l = ledger([fool, cream], [{ ingredientId: 'cream36', massG: 1750 }, { ingredientId: 'lemon', massG: 180 }])
    // 2100 g wanted, 1750 there: 350 short.
    expect(l.binds).toEqual({
      ingredientId: 'cream36', allows: expect.closeTo(1750 / 2100, 9),
      cuts: [{ dessertId: 'posset', factor: expect.closeTo(0.75, 9) }, { dessertId: 'fool', factor: expect.closeTo(0.5, 9) }],
    })
    expect(lineOf(l, 'cream36').shortG).toBe(350)
  })
  it('a hair short binds nothing, and neither does what nobody counted', () => {
    expect(ledger([fool], [{ ingredientId: 'cream36', massG: 694 }]).binds).toBeNull()
    expect(ledger([fool], [{ ingredientId: 'cream36', massG: 692 }]).binds?.ingredientId).toBe('cream36')
    expect(ledger([fool, cream]).binds).toBeNull()
  })
})

describe('what to buy', () => {
  it('in the units a shop sells, up to the last pack begun', () => {
    const { shopping } = ledger([tart, fool])
    expect(shopping.find(s => s.id === 'butter82'))
      .toEqual({ id: 'butter82', unit: 'pack', count: 2, eachG: 250, overG: 70 })
    expect(shopping.find(s => s.id === 'cream36')).toMatchObject({ unit: 'litre', count: 1, overG: 300 })
    // Juice and zest come out of the fruit, yolks out of the eggs.
    expect(shopping.map(s => s.id)).not.toContain('lemon')
    expect(shopping.map(s => s.id)).not.toContain('yolk_sep')
  })
  it('a whole pack is not begun for nothing, and what is there is not bought', () => {
    expect(ledger([need('a', { butter82: 250 })]).shopping[0]).toMatchObject({ count: 1, overG: 0 })
    expect(ledger([need('a', { butter82: 251 })]).shopping[0]!.count).toBe(2)
    expect(ledger([need('a', { butter82: 250 })], [{ ingredientId: 'butter82', massG: 250 }]).shopping).toEqual([])
  })
  it('tins that two desserts use are counted together', () => {
    const { tins } = ledger([tart, fool])
    expect(tins).toHaveLength(1)
    expect(tins[0]).toMatchObject({ count: 2, dessertIds: ['tart', 'fool'] })
  })
})

describe('what is left', () => {
  const eggs = { shells: 10, whitesOverG: 330, yolksOverG: 34, haveShells: null }
  it('yolks two days, whites four, in pieces too; by practice where the code allows more', () => {
    const left = leftoversOf({ fruit: [], eggs, shopping: [] }, kitchen, DATE)
    expect(left.map(l => [l.ingredientId, l.count, l.useBy, l.basis])).toEqual([
      ['yolk_sep', 2, '2026-11-30', 'practice'], ['white', 10, '2026-12-02', 'practice'],
    ])
  })
  it('never past the code', () => {
    const cream = { id: 'cream_cheese', unit: 'tub' as const, count: 1, eachG: 200, overG: 60 }
    const none = { whitesOverG: 0, yolksOverG: 0 }
    const [left] = leftoversOf({ fruit: [], eggs: none, shopping: [cream] }, kitchen, DATE)
    // Seven days with the first: six more.
    expect(left).toMatchObject({ useBy: '2026-12-04', basis: 'code' })
  })
  it('a rest too small to keep is not kept; sugar does not spoil', () => {
    const none = { ...eggs, whitesOverG: 14, yolksOverG: 0 }
    const sugar = { id: 'sugar', unit: 'bag' as const, count: 1, eachG: 1000, overG: 700 }
    expect(leftoversOf({ fruit: [], eggs: none, shopping: [sugar] }, kitchen, DATE)).toEqual([])
    expect(leftoversOf({ fruit: [], eggs: { ...none, whitesOverG: 15 }, shopping: [] }, kitchen, DATE)).toHaveLength(1)
  })
  it('is offered to what would use it, the nearest to a whole batch first', () => {
    const shelf = [
      { id: 'a', name: 'Curd', wholeG: 0, yolkG: 192, whiteG: 0 }, { id: 'b', name: 'Tart', wholeG: 0, yolkG: 100, whiteG: 0 },
      { id: 'c', name: 'Mousse', wholeG: 122, yolkG: 0, whiteG: 90 }, { id: 'd', name: 'Vast', wholeG: 0, yolkG: 5000, whiteG: 0 },
    ]
    expect(offersFor({ ingredientId: 'yolk_sep', massG: 80 }, shelf).map(o => [o.id, o.factor]))
      .toEqual([['b', 0.8], ['a', expect.closeTo(0.4167, 3)]])
    expect(offersFor({ ingredientId: 'white', massG: 45 }, shelf).map(o => o.id)).toEqual(['c'])
    expect(offersFor({ ingredientId: 'lemon', massG: 45 }, shelf)).toEqual([])
  })
})
