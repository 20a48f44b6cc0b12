/** The reader against a corpus of invented formula texts; expected grams were computed outside it (see the file). */
import { describe, expect, it } from 'vitest'
import corpus from '../checks/corpus.json'
import { FAMILIES } from '../formula/document'
import { type Answers, type ReadLine, readText } from './readText'
import { recipeText } from './recipeText'
import { translate } from './translate'

type Expected = [id: string, g: number][] | null
const linesOf = (text: string, answers: Answers) => readText(text, answers).filter(l => !l.heading && !l.comment)
/** Grams agree to .6 % (the reader keeps thirds to three places) or .15 g. */
const agrees = (l: ReadLine, e: Expected) =>
  e !== null &&
  l.items.length === e.length &&
  l.items.every(
    (x, i) =>
      x.ingredientId === e[i]![0] &&
      x.massG !== null &&
      Math.abs(x.massG - e[i]![1]) <= Math.max(0.15, 0.006 * e[i]![1]),
  )

describe('the corpus', () => {
  const { formulas } = corpus
  it('holds at least forty formulas, of every family', () => {
    expect(formulas.length).toBeGreaterThanOrEqual(40)
    expect(new Set(formulas.map(f => f.family))).toEqual(new Set(FAMILIES))
  })
  it.each(formulas.map(f => [f.name, f] as const))('%s: answered, every line has its grams', (_, f) => {
    const read = linesOf(f.text, f.answers as Answers)
    expect(read).toHaveLength(f.expect.length)
    read.forEach((l, i) => {
      const e = f.expect[i] as Expected
      if (e === null) expect(l.question, l.text).not.toBeNull()
      else {
        expect(l.question, l.text).toBeNull()
        expect(
          agrees(l, e),
          `${l.text}: ${JSON.stringify(l.items.map(x => [x.ingredientId, x.massG]))} for ${JSON.stringify(e)}`,
        ).toBe(true)
      }
    })
  })
  it('cold, without an answer: no line is read wrongly, and more than half need no question', () => {
    const all = formulas.flatMap(f => linesOf(f.text, {}).map((l, i) => ({ l, e: f.expect[i] as Expected })))
    const wrong = all.filter(({ l, e }) => !l.question && !agrees(l, e))
    const right = all.filter(({ l, e }) => !l.question && agrees(l, e))
    console.info(
      `corpus: ${all.length} lines, ${((100 * right.length) / all.length).toFixed(1)} % right with no question, ${((100 * (all.length - right.length - wrong.length)) / all.length).toFixed(1)} % with a question, ${wrong.length} wrong`,
    )
    expect(wrong.map(({ l }) => l.text)).toEqual([])
    expect(right.length / all.length).toBeGreaterThan(0.5)
  })
})

describe('a text taken apart', () => {
  it('name, sections, lines and method of plain text', () => {
    const r = recipeText(
      'Curd for the orchid room\n200 g sugar\n\nFor the crust:\n150 g digestives\nFor the topping:\n100 g double cream\n\nMethod\n1. Whisk.\n2) Chill.',
    )
    expect(r.name).toBe('Curd for the orchid room')
    expect(r.lines.filter(l => !l.heading).map(l => [l.text, l.section])).toEqual([
      ['200 g sugar', 'filling'],
      ['150 g digestives', 'crust'],
      ['100 g double cream', 'topping'],
    ])
    expect(r.steps).toEqual(['Whisk.', 'Chill.'])
  })
  it('Markdown: headings, lists, emphasis, tables', () => {
    const r = recipeText(
      '# Bars\n## Ingredients\n| **200 g** | sugar |\n| --- | --- |\n- [x] 3 eggs\n## Directions\n- Bake.',
    )
    expect(r).toMatchObject({ format: 'markdown', name: 'Bars', steps: ['Bake.'] })
    expect(r.lines.map(l => l.text)).toEqual(['200 g sugar', '3 eggs'])
  })
  it('JSON-LD, alone, in a graph, in sections; anything else stays text', () => {
    const recipe = {
      '@type': 'Recipe',
      'name': 'X',
      'recipeIngredient': ['1 cup <b>sugar</b>'],
      'recipeInstructions': [{ '@type': 'HowToSection', 'itemListElement': [{ text: 'Whisk.' }, 'Chill.'] }],
    }
    expect(recipeText(JSON.stringify(recipe))).toMatchObject({
      format: 'jsonld',
      name: 'X',
      steps: ['Whisk.', 'Chill.'],
      lines: [{ text: '1 cup sugar' }],
    })
    expect(recipeText(JSON.stringify([{ '@graph': [recipe] }])).name).toBe('X')
    expect(recipeText('{ not json').format).toBe('text')
    expect(recipeText('{"@type":"Thing"}').format).toBe('text')
  })
  it.each([
    ['200 g de sucre semoule', '200 g caster sugar'],
    ['3 cuillères à soupe de jus de citron vert', '3 tbsp lime juice'],
    ['100 g de harina de trigo', '100 g plain flour'],
    ['2 yemas de huevo', '2 egg yolks'],
    ['100 g sugar', '100 g sugar'],
  ])('"%s" is "%s"', (text, english) => expect(translate(text)).toBe(english))
})
