/** The reader's small parts by hand: signs and letters, numbers, amounts, slips, pieces, habits, facts. */
import { describe, expect, it } from 'vitest'
import { amountsIn } from './amounts'
import { draftsOf } from './drafts'
import { habitsOf, localeOf } from './habits'
import { isSlip, lexiconOf, stem } from './lexicon'
import { lintOf, takeFix } from './lint'
import { piecesOf } from './pieces'
import { toPlain } from './plain'
import { readText, readWhole } from './read'
import { LOCALES } from './reading'
import { tokensOf } from './tokens'

const en = lexiconOf('en')
const tokens = (text: string, locale: (typeof LOCALES)[number] = 'en') => tokensOf(text, 0, lexiconOf(locale))

describe('plain letters', () => {
  it.each([
    ['½ cup', ' 1/2  cup'], ['1&frac12; c', '1 1/2  c'], ['Crème brûlée', 'Creme brulee'], ['œuf', 'oeuf'],
    ['2 × 3', '2  x  3'], ['180&#176;C', '180°C'], ['a – b', 'a - b'], ['“x”', '"x"'], ['&unknown;', '&unknown;'],
  ])('%s', (raw, plain) => expect(toPlain(raw).text).toBe(plain))
  it('every character knows where it came from', () => {
    const raw = 'a &frac34; b'
    const { text, from } = toPlain(raw, 10)
    expect(from).toHaveLength(text.length)
    expect(from[text.indexOf('3')]).toBe(12)
    expect(raw[from[text.indexOf('b')]! - 10]).toBe('b')
  })
})

describe('words', () => {
  it('one entry serves singular and plural', () => {
    expect(['lemons', 'cherries', 'boxes', 'glass'].map(w => stem(w, 'en'))).toEqual(['lemon', 'cherry', 'box', 'glass'])
    expect([stem('limones', 'es'), stem('œufs'.replace('œ', 'oe'), 'fr'), stem('limoni', 'it')]).toEqual(['limon', 'oeuf', 'limon'])
  })
  it('a slip is one letter more, less, other or swapped; more is another word', () => {
    for (const [wrong, right] of [['suger', 'sugar'], ['buter', 'butter'], ['jucie', 'juice'], ['lemmon', 'lemon']])
      expect(isSlip(wrong!, right!)).toBe(true)
    for (const [other, word] of [['salt', 'malt0'], ['lime', 'lemon'], ['egg', 'eggs'], ['sugar', 'sugar']])
      expect(isSlip(other!, word!)).toBe(false)
  })
  it('a tablespoon is not a teaspoon', () => {
    expect(tokens('3T butter')[1]).toMatchObject({ k: 'unit', unit: 'tablespoon' })
    expect(tokens('3t butter')[1]).toMatchObject({ k: 'unit', unit: 'teaspoon' })
  })
  it.each([['200 g de azúcar y 3 huevos', 'es'], ['jus de citron et sucre', 'fr'], ['Zucker und Zitronensaft', 'de'],
    ['zucchero e succo di limone', 'it'], ['sugar and lemon juice', 'en']])('%s is %s', (text, locale) =>
    expect(localeOf(text)).toBe(locale))
  it('every language has every list, and its portions and asides are patterns', () => {
    for (const locale of LOCALES) {
      const { words } = lexiconOf(locale)
      for (const key of ['units', 'ingredients', 'fruits', 'parts', 'roles', 'verbs', 'vessels', 'reach', 'course', 'addZest'] as const)
        expect(words[key], `${locale} ${key}`).toBeTruthy()
      for (const source of [...words.aside, ...words.portions]) expect(() => new RegExp(source, 'iu')).not.toThrow()
    }
  })
})

describe('flours and notes', () => {
  const grams = (text: string) => readText(text).lines.flatMap(l => l.items.map(i => i.massG))
  it('a type is no amount, but a bare figure behind flour is', () => {
    expect(grams('250 g farine T55')).toEqual([250])
    expect(grams('250 g Mehl Type 405, gesiebt')).toEqual([250])
    expect(grams('250 g Mehl 550')).toEqual([250])
    expect(grams('Sugar 200\nFlour 225\nButter 120')).toEqual([200, 225, 120])
    expect(grams('Zucker 200\nMehl 550\nButter 250')).toEqual([200, 550, 250])
  })
  it.each([
    ['6 egg yolks of 18 g', 108], ['12 x 18 g yolks', 216], ['Egg yolks 6 of 18g', 108], ['4 eggs of 60 g', 213.6],
    ['2 tubs of 250 g mascarpone', 500], ['sugar 200 + 50 g', 250], ['200 + 50 g sugar', 250], ['600 ml (1 pint) double cream', 594],
  ])('%s', (text, g) => expect(grams(`${text}\n200 g caster sugar\n100 g butter`)[0]).toBe(g))
  it('cream by itself below is for the top, unless it is folded in', () => {
    const parts = (method: string) => readText(
      `150 g graham crackers\n60 g butter\n\n4 eggs\n200 g sugar\n150 ml lemon juice\n\n300 ml double cream\n\n${method}`,
    ).lines.find(l => l.text.includes('cream') && l.kind === 'ingredient')!.component!.role
    expect(parts('Press the crumbs into a tin. Whip the cream and spread it over.')).toBe('topping')
    expect(parts('Press the crumbs into a tin. Whip the cream and fold it into the curd.')).toBe('filling')
  })
  it('notes below are set aside, a sheet that is called so is read', () => {
    const kinds = (text: string) => readText(text).lines.map(l => l.kind)
    expect(kinds('200 g sugar\n3 eggs\nNotes\n100 g is enough for me')).toEqual(['ingredient', 'ingredient', 'setAside', 'setAside'])
    expect(kinds('Notes\n200 g sugar\n3 eggs')).toEqual(['setAside', 'ingredient', 'ingredient'])
  })
})

describe('amounts', () => {
  const first = (text: string) => amountsIn(tokens(text))[0]
  it.each<[string, number, string | null]>([
    ['1 1/2 cups', 1.5, 'cup'], ['11/2 cups', 1.5, 'cup'], ['3/4c', 0.75, 'cup'], ['a hundred grams', 100, 'g'],
    ['two hundred and fifty grams', 250, 'g'], ['one third cup', 1 / 3, 'cup'], ['half a cup', 0.5, 'cup'],
    ['a quarter of a cup', 0.25, 'cup'], ['two and a half cups', 2.5, 'cup'], ['a dozen', 12, null],
    ['1,250 g', 1250, 'g'], ['1.250 kg', 1.25, 'kg'], ['0.250 g', 0.25, 'g'], ['twenty-five g', 25, 'g'],
  ])('%s', (text, value, unit) => {
    expect(first(text)!.value).toBeCloseTo(value, 6)
    expect(first(text)!.unit).toBe(unit)
  })
  it('ranges, each, and what is no amount', () => {
    expect(first('3-4 tbsp')).toMatchObject({ value: 3, high: 4, unit: 'tablespoon' })
    expect(first('2 x 395 g tins')).toMatchObject({ value: 2, each: { value: 395, unit: 'g' } })
    for (const text of ['20 cm', '180 °C', '30 minutes', '3-ingredient', '9-inch']) expect(amountsIn(tokens(text)), text).toEqual([])
  })
})

describe('clauses', () => {
  const shape = (text: string) => draftsOf(tokens(text)).map(d => [d.amounts.length, d.nouns.map(n => n.text).join('+')])
  it.each<[string, [number, string][]]>([
    ['2 eggs and 4 yolks', [[1, 'eggs'], [1, 'yolks']]],
    ['1/2 cup plus 1 tbsp lime juice', [[2, 'lime juice']]],
    ['125 g butter, cut into 1 cm cubes', [[1, 'butter']]],
    ['sugar 100 g 3 eggs', [[1, 'sugar'], [1, 'eggs']]],
    ['4 eggs, yolks only', [[1, 'eggs+yolks']]],
  ])('%s', (text, want) => expect(shape(text).map(([n, x]) => [n, String(x)])).toEqual(
    want.map(([n, x]) => [n, x === 'eggs+yolks' ? 'yolks' : x])))
})

describe('pieces', () => {
  it('bullets, boxes, numbers and rules stand outside the words', () => {
    const body = (text: string) => piecesOf(text).map(p => text.slice(p.body, p.span[1]))
    expect(body('- 200 g sugar\n▢ 3 eggs\n🍋 2 lemons\n1. Sugar 200 g\n2) 3 eggs')).toEqual(
      ['200 g sugar', '3 eggs', '2 lemons', 'Sugar 200 g', '3 eggs'])
    expect(piecesOf('-----')[0]!.given).toBe('setAside')
    expect(body('• 150 g sugar • 3 eggs')).toEqual(['150 g sugar', '3 eggs'])
  })
  it('a page\'s data is read where it stands; what is no recipe is plain text', () => {
    const page = '<script type="application/ld+json">{"@graph":[{"@type":"Recipe","recipeIngredient":["3 eggs"]}]}</script>'
    expect(piecesOf(page).map(p => [p.given, page.slice(...p.span)])).toEqual([['ingredient', '3 eggs']])
    expect(piecesOf('{"@type":"Thing"}')[0]!.given).toBeNull()
  })
})

describe('whose measures', () => {
  const country = (text: string) => habitsOf(text, 'en', {}).country
  it.each([['350°F', 'us'], ['1 stick butter', 'us'], ['2 cups sugar', 'us'], ['gas mark 4', 'gb'], ['caster sugar', 'gb'],
    ['thickened cream', 'au'], ['1 cup (250 ml) milk', 'au'], ['200 g sugar', 'metric'], ['bake at 160C', 'metric']])('%s: %s', (text, c) =>
    expect(country(text)).toBe(c))
  it('British words with cups are asked; an answer or the kitchen says it', () => {
    const text = '1 cup caster sugar'
    expect(habitsOf(text, 'en', {}).cups).toBeNull()
    expect(habitsOf(text, 'en', {}, 'us').cups).toBe('us')
    expect(habitsOf(text, 'en', { shared: { cups: 'metric' } }).cups).toBe('metric')
    expect(habitsOf(text, 'en', { shared: { country: 'au' } }).cups).toBe('australian')
  })
})

describe('facts of a method', () => {
  const base = '200 g sugar\n4 eggs\n150 g lemon juice\n'
  it.each<[string, object]>([
    ['Bake at 160°C/140°C fan for 35-40 minutes.', { oven: { tempC: 160, fan: false, minutes: 37.5 } }],
    ['Bake at 140 fan for 20 min at 140C fan.', { oven: { tempC: 140, fan: true, minutes: 20 } }],
    ['Bake in a gas mark 3 oven for 1 hour.', { oven: { tempC: 160, fan: false, minutes: 60 } }],
    ['Roll out, line a 24 cm tart ring and bake blind at 180 °C for 20 minutes. Cook the curd to 82 °C and pour it in.', { oven: null, peakC: 82 }],
    ['Cook until a thermometer reads 175°F.', { peakC: 79.4 }],
    ['Pour into a 9x13-inch pan.', { vessel: { kind: 'rectangle', lengthM: 0.3302, widthM: 0.2286 } }],
    ['Pour into four 125ml glasses.', { vessel: { kind: 'glass', count: 4 } }],
    ['Pour into a springform tin (24 cm).', { vessel: { kind: 'round', diameterM: 0.24 } }],
  ])('%s', (step, want) => expect(readText(`${base}${step}`)).toMatchObject(want))
})

describe('fixes of the lint', () => {
  it('each is one edit, and leaves the rest of the text alone', () => {
    const text = '4 lemons, zest and juice\n200 g (10 oz) sugar\n4 eggs\n100 g butter\nWhisk the eggs, sugar and lemon juice to 82 °C, beat in the butter.'
    const found = lintOf(readWhole(text))
    expect(found.map(l => l.code).sort()).toEqual(['unitsContradict', 'zestNeverAdded'])
    for (const l of found)
      for (const fix of l.fixes) {
        const next = takeFix(text, {}, fix).text
        expect(lintOf(readWhole(next)).map(x => x.code)).not.toContain(l.code)
        if (fix.kind === 'replace') expect(next.length).toBe(text.length - fix.before.length + fix.after.length)
      }
    expect(takeFix(text, {}, { kind: 'answer', key: 'cups', value: 'us' }).answers).toEqual({ shared: { cups: 'us' } })
  })
  it.each(['160°C/140°C fan', '180C fan 160C gas 4', '180 °C (160 °C fan)', '160-170 °C', '350°F (175°C)', '200 °C, then reduce to 150 °C'])(
    'no alarm at %s', (heat) => {
      expect(lintOf(readWhole(`3 eggs\n200 g sugar\nBake at ${heat} for 20 minutes in a 20 cm tin.`)).map(l => l.code)).not.toContain('twoTemperatures')
    })
  it('tokens are found by their place in the whole text', () => {
    const text = 'x\n200 g sugar'
    expect(tokensOf('200 g sugar', 2, en).map(t => text.slice(...t.at))).toEqual(['200', 'g', 'sugar'])
  })
})
