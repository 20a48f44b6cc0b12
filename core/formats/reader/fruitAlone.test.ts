/** Fruit, peel and spirits read from a pasted text: grams, kind and way of making, and when it is asked. */
import { describe, expect, it } from 'vitest'
import { readText } from './read'

const read = (text: string) => {
  const r = readText(text)
  const lines = r.lines.filter(l => l.kind === 'ingredient')
  return {
    name: r.name, family: r.family, school: r.school,
    items: lines.flatMap(l => l.items.map(i => [i.ingredientId, i.massG])),
    asked: lines.flatMap(l => (l.question ? [l.question.kind] : [])),
  }
}
const PEACHES = '1.5 kg peaches\n60 ml orange juice\n60 ml sugar'

describe('a text of fruit alone', () => {
  it.each<[string, string, string, string | null]>([
    [`Roasted peaches\n${PEACHES}\nRoast at 210 °C for 15 to 20 minutes.`, 'roastedFruit', 'peach', 'Roasted peaches'],
    ['Raspberry coulis\n300 g raspberries\n40 g icing sugar\nBlend and sieve.', 'coulis', 'raspberry_whole', 'Raspberry coulis'],
    ['500 g strawberries\n50 g sugar\n1 tbsp lemon juice\nMix and leave for half an hour.', 'maceratedFruit', 'strawberry', null],
    ['Cherry sauce\n400 g cherries\n100 g sugar\n15 g cornflour\nBoil until thick.', 'boundSauce', 'cherry', 'Cherry sauce'],
    ['300 g Himbeeren\n40 g Puderzucker\nPürieren und passieren.', 'coulis', 'raspberry_whole', null],
    ['500 g de fraises\n50 g de sucre', 'coulis', 'strawberry', null],
    ['500 g de fresas\n50 g de azúcar', 'coulis', 'strawberry', null],
    ['500 g di pesche\n50 g di zucchero', 'coulis', 'peach', null],
    ['500 g strawberries\n50 g sugar\nJuice of 1 lemon', 'coulis', 'strawberry', null],
    ['500 g strawberries\n150 g sugar\n5 g lemon zest', 'coulis', 'strawberry', null],
  ])('%s: nothing is asked', (text, school, fruit, name) => {
    const r = read(text)
    expect({ ...r, items: r.items[0]![0] }).toEqual({ name, family: 'fruit', school, items: fruit, asked: [] })
  })
  it.each(['200 g double cream', '100 g digestive biscuits', '3 eggs', '50 g butter', '10 g gelatine powder', '1 tart shell',
    '100 g white chocolate', '100 g oat cream', '50 g ground almonds'])(
    'with %s it may lie on top: asked', (more) => {
      expect(read(`500 g strawberries\n50 g sugar\n${more}`).asked).toContain('ingredient')
    })
  it('is mostly fruit: asked up to two fifths, taken from there on', () => {
    const asked = (g: number) => read(`${g} g strawberries\n${1000 - g} g sugar`).asked
    expect([asked(399), asked(401)]).toEqual([['ingredient'], []])
  })
  it('what is set aside counts for nothing', () => {
    const text = '300 g strawberries\n600 g sugar'
    const asked = (leftOut: string[]) => readText(text, { answers: { leftOut } }).lines.filter(l => l.question).length
    expect([asked([]), asked(['600 g sugar'])]).toEqual([1, 0])
  })
  it('much of one fruit is no slip; ten kilos beside fifty grams are', () => {
    expect(read(PEACHES).asked).toEqual([])
    expect(read('10 kg peaches\n60 g orange juice\n60 g sugar').asked).toEqual(['figure'])
  })
})

describe('a first line that names what is weighed again', () => {
  it('is the name', () => {
    const r = read('Lemon peel in vodka\n500 ml vodka\n30 g lemon zest\n100 g sugar')
    expect(r).toMatchObject({ name: 'Lemon peel in vodka', school: 'steepedSpirit', asked: [] })
  })
  it.each([
    'Butter\n200 g sugar\n20 g butter', 'Melted butter\n200 g sugar\n20 g butter', 'Strawberries\n500 g strawberries',
    'Strawberries, to serve\n500 g strawberries', 'Roasted peaches\n200 g sugar',
    'Roasted peaches\n200 g sugar\npeaches',
  ])('but not here: %s', text => expect(read(text).name).toBeNull())
})

describe('peel', () => {
  it.each<[string, number | null]>([
    ['200 g lemon peel', 200], ['100 g lemon rind', 100], ['7 oz orange peel', 198.45], ['200 g lemons, zested', 5.45],
    ['200 g lemons zested', 5.45], ['200 g lemon zested', 5.45], ['3 lemons, peel only', 9], ['1 lemon peel', 3],
  ])('%s', (text, g) => expect(read(text)).toMatchObject({ items: [['zest', g]], asked: [] }))
  it.each(['50 g candied orange peel', '50 g crystallised lemon zest', '50 g de zestes d’orange confits'])(
    '%s is not fresh: asked', text => expect(read(text).asked).toEqual(['ingredient']))
  it('with sugar and water it is boiled down, however little it is; with juice it is no fruit', () => {
    const of = (more: string) => read(`3 lemons, peel only\n300 g sugar\n${more}`)
    expect(of('300 ml water')).toMatchObject({ family: 'fruit', school: 'confitPeel' })
    expect(of('300 ml lemon juice').family).toBe('curd')
    expect(of('20 g water\n60 g lemon juice').family).toBe('curd')
  })
})
