import { describe, expect, it } from 'vitest'
import { type LintCode, lintText, takeFix, vesselOfText } from './lint'
import type { Answers } from './readText'

const ANSWERS: Answers = { cups: 'us', eggGrade: { '': 'usL', 'large': 'usL' } }
const codes = (text: string, answers = ANSWERS) => lintText(text, answers).map(l => l.code)
const found = (code: LintCode, text: string, answers = ANSWERS) => lintText(text, answers).find(l => l.code === code)
/** Taking the first fix mends it, and the finding is gone. */
function mends(code: LintCode, text: string, answers = ANSWERS, which = 0) {
  const next = takeFix(text, answers, found(code, text, answers)!.fixes[which]!)
  expect(lintText(next.text, next.answers).map(l => l.code)).not.toContain(code)
  return next
}
const CURD = '200 g sugar\n150 ml lemon juice\n6 large yolks\n100 g butter'
const METHOD = '\n\nMethod\n1. Whisk sugar, yolks and juice over simmering water to 82 °C.\n2. Beat in the butter.'

describe('the lint', () => {
  it('a whole formula leaves nothing to say', () => {
    expect(codes(CURD)).toEqual([])
    expect(codes(CURD + METHOD)).toEqual([])
    expect(
      codes(`${CURD}\nzest of 2 lemons\n\nMethod\n1. Put everything in the bowl and cook to 82 °C (180 °F).`),
    ).toEqual([])
  })
  it('listed and never used', () => {
    const text = `${CURD}\n5 g gelatin powder${METHOD}`
    expect(found('listedUnused', text)!.params.ingredientId).toBe('gelatin')
    mends('listedUnused', text, ANSWERS, 0)
    mends('listedUnused', text, ANSWERS, 1)
  })
  it('used and never listed; water of the bath, ice and buttered tins are not of it', () => {
    const text = `${CURD}${METHOD}\n3. Stir in the honey over an ice bath, in a buttered dish.`
    expect(lintText(text, ANSWERS).map(l => [l.code, l.params.ingredientId])).toEqual([['usedUnlisted', 'honey']])
    const next = mends('usedUnlisted', text)
    expect(next.text).toContain('100 g butter\nhoney')
    expect(codes(next.text)).toContain('amountMissing')
  })
  it('an amount missing', () => {
    expect(found('amountMissing', `${CURD}\nsalt`)!.at).toBe('salt')
    mends('amountMissing', `${CURD}\nsalt`, ANSWERS, 1)
  })
  it('a fruit spent twice: its peel and its zest, its juice and its segments', () => {
    expect(found('fruitTwice', 'zest and peel of 2 lemons')!.params).toEqual({ first: 'zest', second: 'peel' })
    expect(found('fruitTwice', '3 oranges, juiced, and their segments')).toBeDefined()
    expect(found('fruitTwice', 'juice and zest of 3 lemons')).toBeUndefined()
    mends('fruitTwice', 'zest and peel of 2 lemons')
  })
  it('percentages that cannot be: 110 of the whole; baker\'s with a line of 100 is fine', () => {
    expect(found('percentagesOff', 'sugar 40 %\nlemon juice 30 %\negg 40 %')!.params.sum).toBe(110)
    expect(codes('sugar 40 %\nlemon juice 30 %\negg 30 %')).not.toContain('percentagesOff')
    expect(codes('sugar 50 %\nlemon juice 100 %\negg 80 %')).not.toContain('percentagesOff')
    mends('percentagesOff', 'sugar 50 %\nlemon juice 30 %\negg 30 %')
  })
  it('a tin with no size, a gelatin with no grade', () => {
    expect(found('tinNoSize', '1 tin condensed milk')!.fixes[0]).toEqual({
      kind: 'can',
      ingredientId: 'condensed',
      canG: 397,
    })
    mends('tinNoSize', '1 tin condensed milk')
    expect(found('gelatinNoGrade', '3 sheets gelatine')!.fixes).toHaveLength(4)
    mends('gelatinNoGrade', '3 sheets gelatine')
    expect(codes('10 g gelatine')).toContain('gelatinNoGrade')
    expect(codes('10 g powdered gelatine')).toEqual([])
    mends('gelatinNoGrade', '10 g gelatine')
  })
  it('zest grated and never added', () => {
    mends('zestNeverAdded', `${CURD}\nzest of 2 lemons${METHOD}`)
    expect(codes(`${CURD}\nzest of 2 lemons${METHOD.replace('the butter', 'butter and zest')}`)).toEqual([])
  })
  it('two temperatures for one step; a pair that says the same, a range and a course are none', () => {
    const at = (step: string) => codes(`${CURD}\n\nMethod\n1. Whisk all the ingredients. ${step}`)
    expect(at('Bake at 150 °C 180 °C.')).toEqual(['twoTemperatures'])
    expect(at('Bake at 350 °F / 160 °C.')).toEqual(['twoTemperatures'])
    for (const fine of [
      'Bake at 350 °F (175 °C).',
      'Cook to 80–83 °C.',
      'Heat to 82 °C, then cool to 40 °C.',
      'Bake from 180 °C down to 150 °C.',
    ])
      expect(at(fine)).toEqual([])
    mends('twoTemperatures', `${CURD}\n\nMethod\n1. Whisk all the ingredients and bake at 150 °C 180 °C.`)
  })
  it('half an ounce is no large yolk (14.2 g against 17 and 19.2)', () => {
    expect(found('yolkWeight', '6 large yolks (84 g)')!.params).toMatchObject({ eachG: 14, gradeG: 17 })
    expect(codes('6 large yolks (102 g)')).toEqual([])
    expect(codes('6 large yolks (115 g)')).toEqual([])
    mends('yolkWeight', '6 large yolks (84 g)')
  })
  it('cups of two countries', () => {
    expect(found('mixedCups', '1 metric cup sugar\n1/2 US cup lemon juice')!.params.systems).toBe('metric + us')
    expect(codes('1 cup sugar\n1 stick butter', { ...ANSWERS, cups: 'metric' })).toContain('mixedCups')
    expect(codes('1 cup sugar\n1 stick butter')).toEqual([])
    mends('mixedCups', '1 cup sugar\n1 stick butter', { ...ANSWERS, cups: 'metric' })
  })
  it('a mass that does not fit the vessel', () => {
    // A 20 cm round, 2.8 cm deep, holds 880 ml; a 9 × 13 inch pan, 4.5 cm deep, 3.4 l.
    expect(vesselOfText('in a 20 cm tart ring')!.ml).toBeCloseTo(880, 0)
    expect(vesselOfText('a 9 x 13 inch baking pan')!.ml).toBeCloseTo(9 * 13 * 2.54 ** 2 * 4.5, 0)
    expect(vesselOfText('six 100 ml ramekins')!.ml).toBe(600)
    expect(vesselOfText('until golden')).toBeNull()
    const big = '900 g sugar\n1 kg lemon juice\n800 g egg\n'
    expect(codes(`${big}Method\n1. Whisk everything, pour into a 20 cm tart ring.`)).toContain('vesselOverflows')
    expect(
      codes(`100 g sugar\n100 g lemon juice\nMethod\n1. Whisk everything, pour into a 9 x 13 inch baking pan.`),
    ).toContain('vesselShallow')
  })
  it('a fix is taken at its own line, also in Markdown and out of JSON-LD', () => {
    expect(takeFix('100 g unsalted butter\nsalt', {}, { kind: 'removeLine', line: 'salt' }).text).toBe(
      '100 g unsalted butter',
    )
    expect(
      takeFix('- **unsalted butter**\n- salt', {}, { kind: 'replaceLine', line: 'salt', text: '1 g salt' }).text,
    ).toBe('- **unsalted butter**\n- 1 g salt')
    const json = JSON.stringify({
      '@type': 'Recipe',
      'name': 'Curd',
      'recipeIngredient': ['200 g sugar', 'salt'],
      'recipeInstructions': 'Whisk everything.',
    })
    expect(takeFix(json, {}, { kind: 'removeLine', line: 'salt' }).text).toBe(
      '# Curd\n\n200 g sugar\n\nMethod\n1. Whisk everything.',
    )
  })
})
