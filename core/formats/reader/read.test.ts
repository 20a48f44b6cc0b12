/** What must never happen again, line by line; and what no text may do, whatever it is. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readText } from './read'
import type { Answers, Reading } from './reading'

const items = (r: Reading) => r.lines.filter(l => l.kind === 'ingredient')
  .flatMap(l => l.items.map(i => [i.ingredientId, i.massG === null ? null : Math.round(i.massG * 10) / 10] as const))
const read = (text: string, answers: Answers = {}) => readText(text, { answers })
const kinds = (r: Reading) => r.lines.map(l => [l.kind, l.text])

describe('text does not vanish', () => {
  it('several things on one line', () => {
    expect(items(read('200 g sugar, 4 eggs, 100 g butter'))).toEqual([['sugar', 200], ['egg', 207.2], ['butter82', 100]])
  })
  it('a heading with its lines behind it', () => {
    const r = read('For the base: 200 g digestive biscuits, 100 g butter')
    expect(kinds(r)).toEqual([
      ['heading', 'For the base:'], ['ingredient', '200 g digestive biscuits,'], ['ingredient', '100 g butter'],
    ])
    expect(r.lines.map(l => l.component?.role ?? null)).toEqual(['crust', 'crust', 'crust'])
  })
  it.each([
    'Pour the filling over the crust', 'For the topping, whip until soft peaks and spoon over.',
  ])('a step that sounds like a heading: %s', (text) => {
    expect(kinds(read(`200 g sugar\n${text}`))[1]).toEqual(['step', text])
  })
  it('two sections, each with its own method', () => {
    const r = read('Crust\n100 g flour\n60 g butter\nRub together and bake.\nFilling\n3 eggs\n200 g sugar\nWhisk and bake.')
    expect(r.lines.map(l => [l.kind, l.component?.role])).toEqual([
      ['heading', 'crust'], ['ingredient', 'crust'], ['ingredient', 'crust'], ['step', 'crust'],
      ['heading', 'filling'], ['ingredient', 'filling'], ['ingredient', 'filling'], ['step', 'filling'],
    ])
  })
  it('numbered ingredients', () => expect(items(read('1. Sugar 200 g\n2. Eggs 4'))).toEqual([['sugar', 200], ['egg', 207.2]]))
  it('fruit that stands first', () => {
    expect(read('Lemons, juiced and zested\n200 g sugar').lines[0]).toMatchObject({ kind: 'ingredient', question: { kind: 'amount' } })
  })
})

describe('grams are never silently wrong', () => {
  it.each<[string, string, number | null]>([
    ['1 sachet powdered gelatine (12 g)', 'gelatin', 12],
    ['2 sachets (11 g each) powdered gelatine', 'gelatin', 22],
    ['1,250 grams sugar', 'sugar', 1250],
    ['1.200 g butter', 'butter82', 1200],
    ['1.200 kg butter', 'butter82', 1200],
    ['Whole egg 210', 'egg', 210],
    ['Egg yolk 90', 'yolk_sep', 90],
    ['yolk 240', 'yolk_sep', 240],
    ['11/2 cups sugar', 'sugar', 305.2],
    ['21/4 cups sugar', 'sugar', 457.8],
    ['82% butter, 200 g', 'butter82', 200],
    ['84 % butter, 200 g', 'butter84', 200],
    ['100% passion purée, 300 g', 'passion', 300],
    ['2% milk, 250 g', 'milk', 250],
    ['3 eggs (each 55 g)', 'egg', 165],
    ['1 cup sugar, less 2 tbsp', 'sugar', 178],
    ['3 x 59 g eggs', 'egg', 157.5],
    ['1 can (12 oz) evaporated milk', 'evaporated', 378.3],
    ['1 can (14 oz) condensed milk', 'condensed', 396.9],
    ['2 pomelos, juiced', 'pummelo', 480],
    ['ralladura de limón', 'zest', null],
    ['100 g de manteca', 'butter82', null],
    ['half a pint double cream', 'cream48', 281.3],
    ['4 oz lemon juice', 'lemon', null],
    ['3-4 tbsp lemon juice', 'lemon', null],
    ['200 g peanut butter', 'butter82', null],
    ['200 g coconut sugar', 'sugar', null],
    ['150 ml hazelnut milk', 'milk', null],
    ['150 ml almond milk', 'almond_milk', 151.5],
    ['400 g strawberries', 'strawberry', null],
    ['1 tsp cinnamon', 'cinnamon', 2.7],
    ['a pinch of cinnamon', 'cinnamon', 0.3],
    ['200 g beurre de cacahuète', 'butter82', null],
    ['250 ml leche de arroz', 'milk', null],
    ['1/2 tin condensed milk (200 g)', 'condensed', 200],
    ['1 doz egg yolks', 'yolk_sep', 204],
    ['sugar 1.5x the juice', 'sugar', null],
    ['300 g cream (35%)', 'cream36', 300],
    ['150 g sugar (divided: 100 g + 50 g)', 'sugar', 150],
    [',5 l milk', 'milk', 515.5],
    ['1&1/2 cups sugar', 'sugar', 305.2],
    ['1-1/2 cups sugar', 'sugar', 305.2],
    ['2 (8 oz) packages cream cheese', 'cream_cheese', 453.6],
    ['2 14-oz cans condensed milk', 'condensed', 793.8],
    ['200 g white choc', 'choc_white', 200],
    ['6 sheets gelatine (bronze)', 'gelatin', 19.8],
    ['4 feuilles de gélatine de 2 g', 'gelatin', 8],
    ['3 huevos L', 'egg', 182.4],
    ['le jus d\'un citron et demi', 'lemon', 67.5],
  ])('%s', (line, id, massG) => {
    const r = read(`${line}\n900 g lime juice\n800 g honey`)
    expect(items(r)[0]).toEqual([id, massG])
    expect(r.lines[0]!.question === null).toBe(massG !== null)
  })
  it.each(['2 sprigs of mint', '1 vanilla pod, split', '3 drops of yellow food colouring', '12 blackberries, to serve'])(
    '%s: of no weight here, and none is asked', (line) => {
      const [first] = read(`${line}\n900 g lime juice\n800 g honey`).lines
      expect(first!.question).toBeNull()
      expect(first!.assumptions.map(a => a.code)).toContain('notCounted')
    })
  it('yolks by the weight of their eggs in the shell', () => {
    const [, yolks] = items(read('12 egg yolks (from 60 g eggs)'))[0]!
    expect(yolks).toBeGreaterThan(195)
    expect(yolks).toBeLessThan(235)
  })
  it('some of the fruit zested, some juiced', () => {
    expect(items(read('3 lemons, all zested, 2 juiced'))).toEqual([['zest', 9], ['lemon', 90]])
    expect(items(read('2 lemons, juice of one only'))).toEqual([['lemon', 45]])
  })
  it('a sheet\'s shares are no grams', () => {
    expect(items(read('Ingredient\tg\t%\nButter\t240\t24\nYolk\t180\t18\nTotal\t420\t42'))).toEqual([['butter82', 240], ['yolk_sep', 180]])
  })
  it('what no kitchen could mean is asked, until it is meant', () => {
    const text = '30 eggs\n150 g sugar\n100 ml lemon juice'
    expect(read(text).lines[0]!.question).toMatchObject({ kind: 'figure', suggested: 1554 })
    expect(read(text, { lines: { '30 eggs': 'meant' } }).lines[0]!.question).toBeNull()
    expect(read('serves 8\n3 kg sugar\n4 eggs\n200 ml lemon juice').lines[1]!.question!.kind).toBe('figure')
    expect(read('makes 120\n40 eggs\n1 kg sugar\n1.5 l lemon juice\n2 l double cream').lines.every(l => !l.question)).toBe(true)
  })
})

describe('a kitchen\'s own rules', () => {
  const text = 'juice and zest of 2 lemons\n2 large lemons, juiced\n1 can condensed milk\n1 can evaporated milk\n2 (400 g) cans condensed milk'
  const house = { ownJuiceG: { 'lemon medium': 40 }, ownCanG: { condensed: 305 } }
  it('stand before the table\'s, and are told; a size on the can, or an answer, stands before them', () => {
    const plain = read(text)
    const ruled = readText(text, house)
    expect(items(plain).slice(0, 4)).toEqual([['lemon', 90], ['zest', 6], ['lemon', 120], ['condensed', null]])
    expect(items(ruled)).toEqual([
      ['lemon', 80], ['zest', 6], ['lemon', 120], ['condensed', 305], ['evaporated', null], ['condensed', 800],
    ])
    const told = (r: Reading) => r.lines.map(l => l.assumptions.filter(a => a.params.own).map(a => a.code))
    expect(told(ruled)).toEqual([['fruit'], [], ['can'], [], []])
    expect(told(plain).flat()).toEqual([])
    const answered = readText(text, { ...house, answers: { shared: { 'can:condensed': 397 } } })
    expect(items(answered)[3]).toEqual(['condensed', 397])
    expect(told(answered)[2]).toEqual([])
  })
})

describe('answers', () => {
  it('one for all lines that share it, one for a line, set aside and back', () => {
    const text = '1 cup caster sugar\n1 cup lemon juice\n4 oz cream\n3 gelatine leaves\nSome note'
    const open = read(text).lines.flatMap(l => (l.question ? [l.question.shared ?? l.question.kind] : []))
    expect(open).toEqual(['cups', 'cups', 'ingredient', 'leafGrade'])
    const r = read(text, {
      shared: { cups: 'metric', leafGrade: 'silver' }, lines: { '4 oz cream': 'cream36' }, leftOut: ['1 cup lemon juice'],
      takenIn: ['Some note'],
    })
    expect(items(r).slice(0, 3)).toEqual([['sugar', 215], ['cream36', null], ['gelatin', 7.5]])
    expect(r.lines.at(-1)).toMatchObject({ kind: 'ingredient', question: { kind: 'ingredient' } })
  })
  it('a line asked twice keeps its first answer; grams of a fruit asked for both parts are shared out', () => {
    const cream = '2 oz cream\n900 g lime juice'
    expect(read(cream).lines[0]!.question!.kind).toBe('ingredient')
    expect(read(cream, { lines: { '2 oz cream': ['cream36'] } }).lines[0]!.question!.kind).toBe('ounce')
    expect(items(read(cream, { lines: { '2 oz cream': ['cream36', 'weight'] } }))[0]).toEqual(['cream36', 56.7])
    const lemons = 'Lemons, juiced and zested\n200 g sugar'
    const both = items(read(lemons, { lines: { 'Lemons, juiced and zested': 96 } })).slice(0, 2)
    expect(both).toEqual([['lemon', 90], ['zest', 6]])
  })
  it('a line is moved to another component', () => {
    const r = read('100 g digestives\n50 g butter\n3 eggs', { roles: { '100 g digestives': 'crust', '50 g butter': 'crust' } })
    expect(r.lines.map(l => l.component?.role)).toEqual(['crust', 'crust', 'filling'])
    expect(new Set(r.lines.map(l => l.component?.index)).size).toBe(2)
  })
})

/** Every character that is not blank lies in exactly one entry. */
function expectAllKept(text: string) {
  const { lines } = readText(text)
  let at = 0
  for (const l of lines) {
    expect(text.slice(at, l.span[0]).trim()).toBe('')
    expect(l.span[0]).toBeGreaterThanOrEqual(at)
    expect(l.text).toBe(text.slice(...l.span))
    at = l.span[1]
  }
  expect(text.slice(at).trim()).toBe('')
}

const LINES = ['200 g sugar', '4 eggs', '150 ml lemon juice', '120 g butter', 'zest of 2 lemons', '1 cup heavy cream', '3 tbsp honey', '2 egg yolks']
describe('whatever the text', () => {
  it('random characters never throw, never lose any', () => {
    const bits = fc.constantFrom(...LINES, '\n', ', ', ' and ', '(', ')', '½', '1/2', '%', '°C', ':', '- ', '• ', '|', '\t', '&frac12;', 'For the base', '🍋', '\r\n', '"', '{', 'é', 'x', '/')
    const texts = fc.oneof(fc.string({ maxLength: 60 }), fc.string({ unit: 'binary', maxLength: 40 }), fc.array(bits, { maxLength: 14 }).map(a => a.join('')))
    fc.assert(fc.property(texts, expectAllKept), { numRuns: Number(process.env.LUMBIK_TEXTS ?? 1500) })
  })
  it('joining by commas, bullets, spaces, case and order never change grams', () => {
    const sumOf = (text: string) => new Map(items(readText(text)).map(([id, g]) => [id, g]))
    const lines = fc.shuffledSubarray(LINES, { minLength: 2 })
    const dress = fc.constantFrom<(l: string[]) => string>(
      l => l.join(', '), l => l.map(x => `- ${x}`).join('\n'), l => l.map(x => `• ${x}`).join('\n'), l => l.join('\n\n'),
      l => l.map(x => x.replace(/ /g, '  ')).join('\n'), l => l.map(x => x.toUpperCase()).join('\n'), l => l.join('; '),
      l => l.map(x => x.replace(/(\d) g\b/, '$1g').replace('tbsp', 'tablespoons')).join('\n'), l => l.map((x, i) => `${i + 1}. ${x}`).join('\n'),
      l => l.map(x => `▢ ${x}`).join('\n'), l => l.map(x => x.replace(/(\d+) g\b/, '$1 grams')).join('\r\n'),
    )
    fc.assert(fc.property(lines, dress, (l, how) => {
      const plain = sumOf(l.join('\n'))
      expect(sumOf(how(l))).toEqual(plain)
    }), { numRuns: 300 })
  })
})
