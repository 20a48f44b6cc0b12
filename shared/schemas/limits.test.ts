import type { ValidationError } from 'yup'
import { describe, expect, it } from 'vitest'
import { isDay, isMoment } from './dates'
import { OWN_INGREDIENTS_MOST, PRICE_MOST, settingsSchema } from './kitchen'
import { fieldPath, told, yupProblem, type Problem } from './problem'
import { isText, SHAPE_LIMITS, tooMuch } from './shape'
import { EMPTY_LABEL, ownId } from '#core/base/ingredients/label'
import { INGREDIENTS } from '#core/base/ingredients/table'
import { SETTINGS } from '../../server/database/demo'

const nested = (depth: number) => JSON.parse(`${'['.repeat(depth)}${']'.repeat(depth)}`) as unknown

describe('too much of anything is told before it is looked at', () => {
  it('just under and just over each limit', () => {
    const code = (value: unknown) => tooMuch(value)?.code ?? null
    expect(code('x'.repeat(SHAPE_LIMITS.text))).toBeNull()
    expect(code('x'.repeat(SHAPE_LIMITS.text + 1))).toBe('tooLong')
    expect(code(nested(SHAPE_LIMITS.depth))).toBeNull()
    expect(code(nested(SHAPE_LIMITS.depth + 1))).toBe('tooDeep')
    expect(code(nested(100_000))).toBe('tooDeep')
    expect(code(Array.from({ length: SHAPE_LIMITS.list }, () => 1))).toBeNull()
    expect(code(Array.from({ length: SHAPE_LIMITS.list + 1 }, () => 1))).toBe('tooMany')
    const keys = (n: number) => Object.fromEntries(Array.from({ length: n }, (_, i) => [`k${i}`, 1]))
    expect(code(keys(SHAPE_LIMITS.keys))).toBeNull()
    expect(code(keys(SHAPE_LIMITS.keys + 1))).toBe('tooMany')
    const lists = (n: number) => Array.from({ length: n }, () => Array.from({ length: 999 }, () => 1))
    expect(code(lists(19))).toBeNull()
    expect(code(lists(21))).toBe('tooMany')
  })
  it('names that reach an object\'s workings, and text that cannot be kept, are refused by their place', () => {
    expect(tooMuch(JSON.parse('{"settings":{"prices":{"__proto__":1}}}'))).toEqual({
      path: 'settings.prices.__proto__',
      code: 'badKey',
      params: {},
    })
    expect(tooMuch(JSON.parse('{"a":[{"constructor":1}]}'))).toMatchObject({ path: 'a.0.constructor' })
    expect(tooMuch({ name: 'a\u0000b' })).toMatchObject({ path: 'name', code: 'badText' })
    expect(tooMuch({ name: 'a\uD800b' })).toMatchObject({ path: 'name', code: 'badText' })
    expect(tooMuch({ ['k\uDC00']: 1 })).toMatchObject({ code: 'badKey' })
    expect([isText('🍋 ½ naïve'), isText('\uDC00\uD800')]).toEqual([true, false])
  })
})

describe('a refusal', () => {
  it('tells field, code and limit, never the value, and stays small', () => {
    const long = 'x'.repeat(20_000)
    const refused = (value: unknown): Problem => {
      try {
        settingsSchema.validateSync(value, { strict: true })
      } catch (error) {
        return yupProblem(error as ValidationError)
      }
      throw new Error('it was taken')
    }
    for (const [path, value] of [
      ['vocabulary', { ...SETTINGS, vocabulary: long }],
      ['altitudeM', { ...SETTINGS, altitudeM: long }],
      ['currency', { ...SETTINGS, currency: long }],
    ] as const) {
      const problem = refused(value)
      expect(problem.path).toBe(path)
      expect(JSON.stringify(problem).length).toBeLessThan(300)
      expect(JSON.stringify(problem)).not.toContain('xxxx')
    }
    expect(refused({ ...SETTINGS, [long]: 1 })).toMatchObject({
      code: 'noUnknown',
      params: { unknown: `${'x'.repeat(60)}…` },
    })
    expect(told({ min: 1, value: 'secret', originalValue: 'secret', spec: {}, unknown: long })).toEqual({
      min: 1,
      unknown: `${'x'.repeat(60)}…`,
    })
    expect(fieldPath(`a[0].b["c d"].${long}`)).toMatch(/^a\.0\.b\.c d\.x+…$/)
  })
})

describe('prices', () => {
  const problem = (prices: unknown) => {
    try {
      settingsSchema.validateSync({ ...SETTINGS, prices }, { strict: true })
      return null
    } catch (error) {
      const { path, code, params } = yupProblem(error as ValidationError)
      return [path, code, params]
    }
  }
  it('are those of ingredients there are, within their limits', () => {
    expect(problem({ sugar: 0, egg: PRICE_MOST })).toBeNull()
    expect(problem({ egg: PRICE_MOST + 1 })).toEqual(['prices.egg', 'max', { max: PRICE_MOST }])
    expect(problem({ egg: -0.01 })).toEqual(['prices.egg', 'min', { min: 0 }])
    expect(problem({ egg: '4' })).toEqual(['prices.egg', 'notANumber', {}])
    expect(problem({ stardust: 4 })).toEqual(['prices.stardust', 'unknownIngredient', {}])
    expect(problem([])).toEqual(['prices', 'typeError', {}])
    expect(problem(null)).not.toBeNull()
  })
  it('more than there are ingredients are refused by their number alone', () => {
    const max = INGREDIENTS.length + OWN_INGREDIENTS_MOST
    const many = (length: number) => Object.fromEntries(Array.from({ length }, (_, i) => [`x${i}`, 1]))
    expect(problem(many(max + 1))).toEqual(['prices', 'tooMany', { max }])
    expect(problem(many(max))).toEqual(['prices.x0', 'unknownIngredient', {}])
  })
})

describe('a kitchen\'s own rules', () => {
  const taken = (rule: object) => settingsSchema.isValidSync({ ...SETTINGS, ...rule }, { strict: true })
  it('for juice are those of fruits there are, from 1 g to 2 kg', () => {
    const of = (g: number) => ({ ownJuiceG: { 'lemon medium': g } })
    expect([{}, { ownJuiceG: {} }, of(1), of(2000)].map(taken)).toEqual([true, true, true, true])
    expect([of(0.9), of(2001), { ownJuiceG: { stone: 40 } }, { ownJuiceG: [] }].map(taken))
      .toEqual([false, false, false, false])
  })
  it('ingredients are ids that carry a label, so many; what no label gives is refused by its place', () => {
    const id = (i: number) => ownId({ ...EMPTY_LABEL, name: `Jar ${i}` })
    const many = (length: number) => ({ ingredients: Array.from({ length }, (_, i) => id(i)) })
    expect([many(0), many(OWN_INGREDIENTS_MOST), { prices: { ...SETTINGS.prices, [id(1)]: 3 } }].map(taken))
      .toEqual([true, true, true])
    const wrong = [['lemon'], [`${id(1)};x=1`], [null]].map(ingredients => ({ ingredients }))
    expect([many(OWN_INGREDIENTS_MOST + 1), ...wrong].map(taken)).toEqual([false, false, false, false])
  })
  it('for cans hold 10 g to 10 kg of an ingredient there is; powder for 10 g of leaf is 2 to 50 g', () => {
    const can = (g: number) => ({ ownCanG: { condensed: g } })
    expect([can(10), can(10_000), { ownPowderG: 2 }, { ownPowderG: 50 }].map(taken)).toEqual([true, true, true, true])
    const cans = [can(9), can(10_001), { ownCanG: { stone: 40 } }]
    expect([...cans, { ownPowderG: 1.9 }, { ownPowderG: 51 }, { ownPowderG: null }].map(taken))
      .toEqual(Array(6).fill(false))
  })
})

describe('dates are such as there are', () => {
  it('days', () =>
    expect(
      [
        '2026-11-28',
        '2028-02-29',
        '2026-02-29',
        '2026-99-99',
        '2026-11-31',
        '26-11-28',
        '2026-11-28T08:00',
        '0001-01-01',
      ].map(isDay),
    ).toEqual([true, true, false, false, false, false, false, false]))
  it('moments', () =>
    expect(
      ['2026-11-28T08:30', '2026-11-28T08:30:15', '2026-11-28T25:00', '2026-13-28T08:30', '2026-11-28', 'soon'].map(
        isMoment,
      ),
    ).toEqual([true, true, false, false, false, false]))
})
