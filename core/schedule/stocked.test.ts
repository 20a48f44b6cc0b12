/** Lots in a wish: what is past its date or not weighed is left out; frozen packs thaw before they are used. */
import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../tests/support/core'
import { wishIn } from '../formats/wish'
import { putBack } from '../formula/bench'
import type { Lot } from '../kitchen/kitchen'
import { thawPackS } from '../plan/thaw'
import { canMake, more, plainWish } from './canMake'
import { goodLots, sorted, withLots } from './stocked'

const TODAY = '2026-11-28'
const lot = (id: string, massG: number | null, over: Partial<Lot> = {}): Lot => ({
  id, name: id, ingredientId: 'lemon', acidPercent: null, pH: null, brix: null, fatPercent: null, acidLnSigma: null,
  massG, method: { kind: 'entered' }, useBy: null, ...over,
})
const FROZEN = { method: { kind: 'packed', packG: 250, frozen: true } } as const
const THAW_MIN = thawPackS('lemon', 250).fridge / 60

describe('lots that count', () => {
  it('weighed, and good today still; not yesterday’s', () => {
    const lots = [lot('a', 100), lot('b', null), lot('c', 0), lot('d', 50, { useBy: TODAY }), lot('e', 50, { useBy: '2026-11-27' })]
    expect(goodLots(lots, TODAY).map(l => l.id)).toEqual(['a', 'd'])
    const { wish, due } = withLots(plainWish(), lots, TODAY)
    expect(wish.have).toEqual([{ ingredientId: 'lemon', massG: 150 }])
    expect([...due]).toEqual([['lemon', 0]])
  })
  it('fresh before frozen, in whatever order they come; the slowest pack counts', () => {
    const both = [lot('f', 500, FROZEN), lot('a', 200)]
    const want = [{ ingredientId: 'lemon', massG: 700, thaw: { fromG: 200, minutes: THAW_MIN } }]
    expect(withLots(plainWish(), both, TODAY).wish.have).toEqual(want)
    expect(withLots(plainWish(), both.toReversed(), TODAY).wish.have).toEqual(want)
    const short = more(more(undefined, 'lemon', 100, 250), 'lemon', 500, 500)
    expect(short.thaw).toEqual({ fromG: 0, minutes: thawPackS('lemon', 500).fridge / 60 })
  })
})

describe('what is frozen thaws first', () => {
  const ask = (lots: Lot[], serveAt: string | null = null) =>
    canMake(putBack(formula()), kitchen, { ...withLots({ ...plainWish(), count: 20 }, lots, TODAY).wish, serveAt }, '09:00')
  it('only where the fresh does not reach: 170 g are wanted', () => {
    const fresh = ask([lot('a', 170), lot('f', 500, FROZEN)])
    const thawed = ask([lot('a', 169), lot('f', 500, FROZEN)])
    expect([fresh.thawMin, thawed.thawMin]).toEqual([0, THAW_MIN])
    expect(thawed.minutes).toBeCloseTo(fresh.minutes + THAW_MIN, 6)
  })
  it('and may come too late for it', () => {
    const cups = [lot('f', 500, { method: { kind: 'packed', packG: 40, frozen: true } })]
    const enough = ask(cups)
    expect(enough.minutes).toBeLessThan(15 * 60)
    // Another way of making may be quicker; none is quicker than the thaw.
    const at = (min: number) => ask(cups, `${String(9 + Math.floor(min / 60)).padStart(2, '0')}:${
      String(Math.floor(min % 60)).padStart(2, '0')}`).refusals.map(r => r.why)
    expect([at(enough.minutes + 1), at(enough.thawMin)]).toEqual([[], ['late']])
  })
  it('said in words too', () => {
    const { have, unread } = wishIn('500 g frozen lemon juice, 200 g lemon juice, 300 g sugar', '09:00')
    expect(unread).toEqual([])
    expect(have.map(h => [h.ingredientId, h.massG, h.thaw?.fromG])).toEqual([['lemon', 700, 200], ['sugar', 300, undefined]])
  })
})

it('what fits stands first by what it uses up; the rest keeps its order', () => {
  const can = (useG: number, isOut = false) => ({
    can: { ...canMake(putBack(formula()), kitchen, plainWish(), '09:00'), uses: [{ ingredientId: 'lemon', useG, leftG: 0 }],
      refusals: isOut ? [{ why: 'usesNone' as const }] : [] }, useG })
  const { fits, others } = sorted([can(1), can(9, true), can(5), can(2, true)], { have: [{ ingredientId: 'lemon', massG: 10 }] }, new Map())
  expect([fits.map(f => f.useG), others.map(f => f.useG)]).toEqual([[5, 1], [9, 2]])
})
