import { describe, expect, it } from 'vitest'
import { type Answers, matchIngredient, readText } from './readText'

const one = (text: string, answers: Answers = {}) => readText(text, answers)[0]!
const grams = (text: string, answers: Answers = {}) => one(text, answers).items.map(i => [i.ingredientId, i.massG])
const US: Answers = { cups: 'us', eggGrade: { 'large': 'usL', '': 'euM' } }

describe('what is read without a question', () => {
  it.each([
    ['150 ml lemon juice', [['lemon', 154.5]]],
    ['250g caster sugar', [['sugar', 250]]],
    ['1.2 kg granulated sugar', [['sugar', 1200]]],
    ['4 oz butter', [['butter82', 113.4]]],
    ['1/2 lb unsalted butter, cubed', [['butter82', 226.8]]],
    ['1 stick butter', [['butter82', 113.4]]],
    [
      'juice and zest of 3 lemons',
      [
        ['lemon', 135],
        ['zest', 9],
      ],
    ],
    ['Juice of 2 limes', [['lime', 60]]],
    ['finely grated zest of one big lemon', [['zest', 4]]],
    ['3 bergamots, juiced', [['bergamot', 150]]],
    ['1 tsp honey', [['honey', 7.2]]],
    ['1 US cup caster sugar', [['sugar', 203.5]]],
    ['2 metric cups water', [['water', 500]]],
    ['20 g citric acid', [['citric', 20]]],
    ['- 100 g cold butter', [['butter82', 100]]],
  ] as [string, [string, number][]][])('%s', (text, expected) => {
    const line = one(text)
    expect(line.question).toBeNull()
    expect(line.items.map(i => [i.ingredientId, i.massG])).toEqual(expected)
  })
  it('says what it assumed', () => {
    expect(one('1 1/2 cups caster sugar', US).items[0]!.basis).toMatchObject({
      kind: 'measure',
      measure: 'cup',
      system: 'us',
      ml: 236.588,
    })
    expect(one('juice of 3 lemons').items[0]!.basis).toMatchObject({
      kind: 'fruit',
      size: 'medium',
      eachG: 45,
      lnSigma: 0.25,
    })
    expect(one('4 oz butter').items[0]!.basis).toMatchObject({ kind: 'ounce' })
  })
})

describe('what can be read two ways is asked, and the answer is used', () => {
  it('whose cups: a US cup of caster sugar is 203 g (USDA household weights), a metric one 215 g', () => {
    expect(one('1 cup caster sugar').question).toMatchObject({ kind: 'cups' })
    expect(grams('1 cup caster sugar', { cups: 'us' })).toEqual([['sugar', 203.5]])
    expect(grams('1 cup caster sugar', { cups: 'metric' })).toEqual([['sugar', 215]])
    expect(grams('1 cup granulated sugar', { cups: 'us' })[0]![1]).toBeCloseTo(200, 0)
    expect(grams('½ cup lemon juice', { cups: 'us' })[0]![1]).toBeCloseTo(122, 0)
  })
  it('which eggs: six large yolks are 102 g in the US and 115 g in the EU', () => {
    expect(one('6 large yolks').question).toEqual({ kind: 'eggGrade', word: 'large', options: ['usL', 'euL'] })
    expect(grams('6 large yolks', { eggGrade: { large: 'usL' } })).toEqual([['yolk_sep', 102]])
    expect(grams('6 large egg yolks', { eggGrade: { large: 'euL' } })).toEqual([['yolk_sep', 115.2]])
    expect(one('2 eggs').question).toMatchObject({ kind: 'eggGrade', word: '' })
    expect(grams('2 eggs', US)).toEqual([['egg', 103.6]])
    expect(grams('1 dozen eggs', US)).toEqual([['egg', 621.6]])
    expect(grams('1 jumbo egg')).toEqual([['egg', 63]])
  })
  it('fluid ounces or weight, for what pours; never for butter', () => {
    expect(one('4 oz lemon juice').question).toMatchObject({ kind: 'ounce' })
    expect(grams('4 oz lemon juice', { ounce: { 0: 'weight' } })).toEqual([['lemon', 113.4]])
    expect(one('4 oz lemon juice', { ounce: { 0: 'fluid' } }).question).toMatchObject({ kind: 'cups' })
    expect(grams('4 oz lemon juice', { ounce: { 0: 'fluid' }, cups: 'us' })[0]![1]).toBeCloseTo(121.8, 1)
    expect(grams('4 fl oz lemon juice', { cups: 'imperial' })[0]![1]).toBeCloseTo(117.1, 1)
  })
  it('no amount, a range, a pinch, a unit without a weight', () => {
    expect(one('butter').question).toMatchObject({ kind: 'amount', reason: 'missing' })
    expect(one('2-3 tbsp lime juice').question).toMatchObject({ kind: 'amount', reason: 'range', low: 2, high: 3 })
    expect(grams('a pinch of salt')).toEqual([['salt', 0.3]])
    expect(one('1 cup pectin', { cups: 'us' }).question).toMatchObject({ kind: 'amount', reason: 'unit' })
    expect(grams('butter', { amountG: { 0: 90 } })).toEqual([['butter82', 90]])
  })
  it('nothing of it, or tons of it, is asked again', () => {
    for (const odd of ['0 eggs', '99999999 g butter', '-5 g sugar', '1/0 cup sugar'])
      expect(one(odd, US).question).not.toBeNull()
  })
  it('an ingredient it does not know, or only half knows', () => {
    expect(one('2 cups of moonlight', { cups: 'us' }).question).toMatchObject({
      kind: 'ingredient',
      suggestion: null,
    })
    expect(one('100 g coconut sugar').question).toEqual({ kind: 'ingredient', words: 'coconut', suggestion: 'sugar' })
    expect(grams('100 g coconut sugar', { ingredient: { 0: 'sugar' } })).toEqual([['sugar', 100]])
    expect(grams('3 large eggs plus 2 yolks', US)).toEqual([
      ['egg', 150],
      ['yolk_sep', 34],
    ])
  })
  it('a bare fruit: juice, zest or both', () => {
    expect(one('3 lemons').question).toMatchObject({ kind: 'fruitPart' })
    expect(grams('3 lemons', { fruitPart: { 0: 'both' } })).toEqual([
      ['lemon', 135],
      ['zest', 9],
    ])
    expect(grams('3 lemons', { fruitPart: { 0: 'zest' } })).toEqual([['zest', 9]])
    expect(one('juice of lemons').question).toMatchObject({ kind: 'amount', reason: 'missing' })
  })
})

describe('a whole text', () => {
  it('keeps its lines, headings and what is left out apart, and answers once for all cups', () => {
    const text = 'For the curd:\n1 cup caster sugar\n\n1/2 cup lemon juice\nsome magic'
    expect(readText(text).filter(l => l.question?.kind === 'cups')).toHaveLength(2)
    const lines = readText(text, { cups: 'us', leftOut: [3] })
    expect(lines[0]!.heading).toBe(true)
    expect(lines.map(l => l.question)).toEqual([null, null, null, null])
    expect(lines[3]!.leftOut).toBe(true)
  })
  it('the longest name wins: Key lime is not lime, sweet lemon not lemon', () => {
    expect(matchIngredient('fresh key lime juice').row!.id).toBe('keylime')
    expect(matchIngredient('sweet lemon juice').row!.id).toBe('lemon_sweet')
    expect(matchIngredient('blood orange juice').row!.id).toBe('blood')
    expect(matchIngredient('sea shells').row).toBeNull()
  })
  it('nothing typed is no lines', () => expect(readText(' \n\n')).toEqual([]))
})
