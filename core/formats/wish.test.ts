/** A wish in a cook's own words. */
import { describe, expect, it } from 'vitest'
import { FRUITS } from '../base/ingredients/measures'
import { plainWish } from '../schedule/canMake'
import { later, wishIn } from './wish'

const read = (text: string) => wishIn(text, '09:00')
const grams = (text: string) => Object.fromEntries(read(text).have.map(h => [h.ingredientId, h.massG]))

describe('what there is', () => {
  it('fruit by weight is its juice and its zest, by the table of fruit', () => {
    const lemon = FRUITS.find(f => f.id === 'lemon medium')!
    const n = 3000 / lemon.wholeG
    expect(grams('I have 3 kg of lemons, 20 whites')).toEqual({
      lemon: expect.closeTo(n * lemon.juiceG, 0), zest: expect.closeTo(n * lemon.zestG, 0),
      white: expect.closeTo(20 * 34.8, 0),
    })
    expect(grams('6 limes').lime).toBeCloseTo(6 * 30, 6)
  })
  it('by weight, measure and count; twice the same adds up; what nobody knows is said', () => {
    expect(grams('1 l double cream\n250 g butter; 250 g butter, 12 eggs and 1,5 kg sugar')).toMatchObject({
      cream48: 990, butter82: 500, egg: expect.closeTo(12 * 51.8, 1), sugar: 1500,
    })
    expect(read('300 g quince paste, 100 g butter')).toMatchObject({
      unread: ['300 g quince paste'], have: [{ ingredientId: 'butter82', massG: 100 }],
    })
  })
})

describe('what stands against it', () => {
  it.each([
    ['no oven until four', [{ kind: 'oven', until: '16:00' }]],
    ['no mixer', [{ kind: 'mixer', until: null }]],
    ['the oven is broken and no hob until 10:30', [{ kind: 'oven', until: null }, { kind: 'ring', until: '10:30' }]],
    ['without a freezer', [{ kind: 'freezer', until: null }]],
  ])('%s', (text, without) => expect(read(text)).toEqual({ ...plainWish(), without }))
  it.each([
    ['vegetarian', ['gelatine']], ['vegan', ['gelatine', 'milk', 'eggs']], ['gluten-free, no nuts', ['gluten', 'nuts']],
    ['without gelatine', ['gelatine']], ['dairy free', ['milk']], ['halal', ['gelatine', 'alcohol']],
  ])('%s', (text, free) => expect(read(text)).toEqual({ ...plainWish(), free }))
})

describe('for how many, by when', () => {
  it.each([
    ['for 24', 24, null], ['64 covers at seven', 64, '19:00'], ['for 24 by 18:30', 24, '18:30'], ['24 portions, served at 19:00', 24, '19:00'],
    ['by half past two', null, '14:30'], ['in 5 hours', null, '14:00'], ['by 8 am', null, '08:00'], ['for 12, by noon', 12, '12:00'],
  ])('%s', (text, count, serveAt) => {
    const wish = read(text)
    expect([wish.count, wish.serveAt]).toEqual([count, serveAt])
  })
  it('a clock goes round at midnight', () => {
    expect([later('22:30', 3), later('00:00', 0.5), later('09:59', 0.02)]).toEqual(['01:30', '00:30', '10:00'])
  })
  it('all at once: "3 kg lemons, 20 whites, no oven until four"', () => {
    const wish = read('I have 3 kg of lemons, 20 whites, no oven until four')
    expect([wish.have.map(h => h.ingredientId).sort(), wish.without, wish.unread])
      .toEqual([['lemon', 'white', 'zest'], [{ kind: 'oven', until: '16:00' }], []])
  })
})
