/** What can be made of what is there: amounts by hand, each reason just under and just over, another way of making. */
import { describe, expect, it } from 'vitest'
import { counter, formula, kitchen } from '../../tests/support/core'
import { EGG_GRADES } from '../base/ingredients/measures'
import { type Bench, benchOf, putBack } from '../formula/bench'
import { withSchool } from '../formula/edits'
import { canMake, isOut, LITTLE, plainWish, readyIn, usesUp, type Wish } from './canMake'

/** The curd of 170 g yolk, 170 g sugar, 170 g lemon and 85 g butter, 20 portions. */
const curd = formula()
const makes = (over: Partial<Wish>, b: Bench = curd, now = '09:00') =>
  canMake(putBack(b), kitchen, { ...plainWish(), ...over }, now)
const have = (grams: Record<string, number>) =>
  ({ have: Object.entries(grams).map(([ingredientId, massG]) => ({ ingredientId, massG })) })
const whys = (c: ReturnType<typeof makes>) => c.refusals.map(r => r.why)
const egg = EGG_GRADES[kitchen.eggGrade]

describe('how much', () => {
  it('goes by the scarcest of what is listed, in whole portions; the rest is bought or left', () => {
    const c = makes(have({ lemon: 340, butter82: 100 }))
    // 100 g of butter are 1.176 batches: 23 of 20 portions.
    expect([c.portions, c.factor, whys(c)]).toEqual([23, 1.15, []])
    expect(c.uses).toEqual([
      { ingredientId: 'lemon', useG: expect.closeTo(195.5, 6), leftG: expect.closeTo(144.5, 6) },
      { ingredientId: 'butter82', useG: expect.closeTo(97.75, 6), leftG: expect.closeTo(2.25, 6) },
    ])
    expect(c.buys.map(x => x.ingredientId)).toEqual(['sugar', 'egg'])
    // 195.5 g of yolk are 11.5 eggs of this grade.
    expect(c.shells).toBe(Math.ceil((1.15 * 170) / egg.yolkG - 0.05))
  })
  it('eggs in their shells give yolks; yolks that lie there crack fewer', () => {
    const eggs = makes(have({ egg: 5 * egg.wholeG }))
    expect(eggs.factor).toBe(Math.floor((20 * 5 * egg.yolkG) / 170 + 1e-6) / 20)
    const both = makes(have({ egg: 5 * egg.wholeG, yolk_sep: 85 }))
    expect(both.factor).toBe(Math.floor((20 * (5 * egg.yolkG + 85)) / 170 + 1e-6) / 20)
    expect(makes({ ...have({ yolk_sep: 170 }), count: 20 }).shells).toBe(0)
  })
  it('for so many, what is short is named with what it is enough for', () => {
    expect(whys(makes({ ...have({ lemon: 170 }), count: 20 }))).toEqual([])
    expect(makes({ ...have({ lemon: 169 }), count: 20 }).refusals)
      .toEqual([{ why: 'short', ingredientId: 'lemon', portions: 19 }])
    expect(whys(makes(have({ lemon: 8 })))).toEqual(['short'])
  })
  it('what uses none of it is no answer; with nothing listed everything is', () => {
    expect(whys(makes(have({ cream48: 990 })))).toEqual(['usesNone'])
    expect(makes({})).toMatchObject({ portions: 20, refusals: [] })
  })
  it('a trifle of what is there is no answer, just over it is', () => {
    const there = (lemon: number) => makes(have({ butter82: 85, lemon }))
    // All of the butter and 170 g of the lemon: 255 of 85 + x grams.
    expect(there(255 / LITTLE - 85 - 20).refusals).toEqual([])
    expect(there(255 / LITTLE - 85 + 20).refusals).toEqual([{ why: 'usesLittle', share: expect.closeTo(LITTLE, 3) }])
  })
  it('what is due counts double', () => {
    const there = have({ lemon: 170, butter82: 170 })
    const due = (days: number) => usesUp(makes(there), there.have, new Map([['butter82', days]]))
    expect([usesUp(makes(there), there.have), due(3)]).toEqual([0.75, 0.75])
    // 170 + 2 · 85 of 170 + 2 · 170.
    expect(due(2)).toBeCloseTo(340 / 510, 9)
  })
})

describe('why not', () => {
  it('what a diet leaves out is named', () => {
    expect(makes({ free: ['eggs', 'milk'] }).refusals).toEqual([
      { why: 'holds', diet: 'eggs', ingredientIds: ['yolk_sep'] },
      { why: 'holds', diet: 'milk', ingredientIds: ['butter82'] },
    ])
    expect(whys(makes({ free: ['gelatine', 'gluten', 'nuts', 'alcohol'] }))).toEqual([])
    expect([isOut('spirit', 'alcohol'), isOut('almond', 'nuts'), isOut('flour', 'gluten'), isOut('nobody', 'milk')])
      .toEqual([true, true, true, false])
  })
  it('no oven: a baked one needs it, a curd on the ring does not; without a ring it is made in the microwave', () => {
    expect(whys(makes({ without: [{ kind: 'oven', until: null }] }))).toEqual([])
    const bar = withSchool(curd, 'cooledBase', counter('s'))
    expect(makes({ without: [{ kind: 'oven', until: null }] }, bar).refusals).toEqual([{ why: 'needs', kind: 'oven' }])
    expect(makes({ without: [{ kind: 'ring', until: null }] })).toMatchObject({ school: 'microwave', refusals: [] })
  })
  it('too late by minutes; ready just in time is in time; an oven that is free later begins later', () => {
    const { minutes } = makes({})
    const at = (min: number) => `${String(Math.floor(min / 60) % 24).padStart(2, '0')}:${String(min % 60).padStart(2, '0')}`
    expect(minutes).toBeGreaterThan(60)
    expect(minutes).toBeLessThan(1400)
    expect(whys(makes({ serveAt: at(9 * 60 + Math.ceil(minutes)) }))).toEqual([])
    const bar = withSchool(curd, 'cooledBase', counter('s'))
    const now = makes({}, bar).minutes
    const later = makes({ without: [{ kind: 'oven', until: '16:00' }] }, bar).minutes
    // Seven hours of waiting less what is done before the oven.
    expect(later - now).toBeGreaterThan(5 * 60)
    expect(later - now).toBeLessThan(7 * 60)
    const late = makes({ serveAt: '09:30' }, bar)
    expect(late.refusals).toEqual([{ why: 'late', minutes: now, overMin: now - 30 }])
  })
  it('steps follow one another, or what they name', () => {
    const s = (id: string, minutes: number, after?: string[], kind?: string) =>
      ({ id, name: id, minutes, ...(after ? { after } : {}), uses: kind ? [{ kind }] : [] })
    expect(readyIn([s('a', 10), s('b', 5)], [])).toBe(15)
    expect(readyIn([s('a', 10, []), s('b', 5, []), s('c', 1, ['a', 'b'])], [])).toBe(11)
    expect(readyIn([s('a', 10, [], 'oven'), s('b', 5)], [{ kind: 'oven', fromMin: 60 }])).toBe(75)
  })
})

it('the formula is not changed, and its own way stays its own', () => {
  const planned = putBack(curd)
  const before = JSON.stringify(planned)
  expect(canMake(planned, kitchen, { ...plainWish(), without: [{ kind: 'ring', until: null }] }, '09:00').school)
    .not.toBe(curd.school)
  expect(JSON.stringify(planned)).toBe(before)
  expect(benchOf(planned).school).toBe(curd.school)
})
