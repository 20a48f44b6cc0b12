/** A step told twice, and one that is never told: asked once each, put right by a press, and not asked of a note. */
import { describe, expect, it } from 'vitest'
import { lintOf, takeFix } from './lint'
import { readWhole } from './read'

const STEP_CODES = ['stepTwice', 'stepNever']
const found = (text: string) => lintOf(readWhole(text)).filter(l => STEP_CODES.includes(l.code))
const codes = (text: string) => found(text).map(l => l.params.what ?? l.code)
/** With the first fix of what was found taken. */
const mended = (text: string) => takeFix(text, {}, found(text)[0]!.fixes[0]!).text

const CURD = '4 eggs\n200 g sugar\n120 ml lemon juice\n100 g butter\n\n'
const COOK = 'Whisk the eggs, sugar and juice together. Cook over simmering water until it coats a spoon. '
const END = 'Stir in the butter. Chill in jars.'

describe('told twice', () => {
  it('the same sentence again; a short one may come again', () => {
    expect(codes(CURD + COOK + END)).toEqual([])
    const twice = CURD + COOK + 'Strain it through a fine sieve. ' + END + ' Strain it through a fine sieve.'
    expect(codes(twice)).toEqual(['stepTwice'])
    expect(mended(twice).match(/fine sieve/g)).toHaveLength(1)
    expect(codes(`${CURD}${COOK}Stir it well. ${END} Stir it well.`)).toEqual([])
  })
  it('the butter put in twice, but not by halves', () => {
    const twice = `${CURD}${COOK}Add the butter and whisk. Leave it a minute. Now add the butter in cubes. Chill in jars.`
    expect(found(twice)).toMatchObject([{ code: 'stepTwice', params: { ingredientId: 'butter82' } }])
    expect(codes(mended(twice))).toEqual([])
    expect(codes(`${CURD}${COOK}Add half the butter and whisk. Add the remaining butter in cubes. Chill in jars.`)).toEqual([])
    expect(codes(`${CURD}60 g butter\n\n${COOK}Add the butter and whisk. Now add the butter in cubes. Chill.`)).toEqual([])
  })
})

describe('told never', () => {
  it('a curd with egg that nothing heats; one whose heat is told some other way is none', () => {
    const raw = `${CURD}Whisk the eggs, sugar and juice together. Pour it into jars. ${END}`
    expect(codes(raw)).toEqual(['heat'])
    expect(codes(mended(raw))).toEqual([])
    expect(codes(`${CURD}Whisk the eggs, sugar and juice to 82 °C. Pour it into jars. ${END}`)).toEqual([])
  })
  it.each([
    ['bar', 'bake', '4 eggs\n300 g sugar\n150 ml lemon juice\n40 g flour\n\n1 base of shortbread\n\n'
    + 'Whisk the eggs and sugar. Stir in the juice and flour. Pour it over the base and cut into bars.', ' Bake at 160 °C for 20 minutes.'],
    ['posset', 'chill', '600 ml double cream\n150 g sugar\n80 ml lemon juice\n\n'
    + 'Boil the cream and sugar for 3 minutes. Stir in the juice. Pour into 6 glasses.', ' Leave in the fridge overnight.'],
    ['gelatine cream', 'bloom', '400 ml double cream\n200 ml milk\n100 g sugar\n80 ml lemon juice\n4 leaves gelatine\n\n'
    + 'Heat the milk and sugar. Stir in the gelatine. Fold in the whipped cream and the juice. Chill.', ' Soak the gelatine in cold water first.'],
  ])('%s: %s is asked, and its sentence answers it', (_, what, text, sentence) => {
    expect(codes(text)).toEqual([what])
    expect(codes(text + sentence)).toEqual([])
    expect(codes(mended(text))).toEqual([])
  })
  it('in every language the sentence it proposes is understood', () => {
    for (const text of [
      '600 ml Sahne\n150 g Zucker\n80 ml Zitronensaft\n\nDie Sahne mit dem Zucker 3 Minuten kochen. Den Saft einrühren. In 6 Gläser füllen.',
      '600 ml de crème entière\n150 g de sucre\n80 ml de jus de citron\n\nFaites bouillir la crème et le sucre 3 minutes. Ajoutez le jus de citron. Versez dans 6 verres.',
      '600 ml di panna\n150 g di zucchero\n80 ml di succo di limone\n\nFar bollire la panna con lo zucchero per 3 minuti. Unire il succo di limone. Versare in 6 bicchieri.',
      '600 ml de nata\n150 g de azúcar\n80 ml de zumo de limón\n\nHervir la nata con el azúcar 3 minutos. Añadir el zumo de limón. Verter en 6 vasos.',
    ]) {
      expect([text.slice(0, 14), codes(text)]).toEqual([text.slice(0, 14), ['chill']])
      expect(codes(mended(text))).toEqual([])
    }
  })
  it('a list, and a note of two sentences, forget nothing', () => {
    expect(codes(CURD)).toEqual([])
    expect(codes(`${CURD}Whisk all together. Keep in jars.`)).toEqual([])
  })
  it('powder with its water is swollen, a baked lime pie cools', () => {
    const cream = (more: string) => `400 ml double cream\n100 g sugar\n80 ml lemon juice\n6 g gelatine powder\n${more}\nHeat the cream and sugar. `
      + 'Stir in the gelatine. Stir in the juice. Chill in glasses.'
    expect([codes(cream('')), codes(cream('30 g water\n'))]).toEqual([['bloom'], []])
    const pie = (bake: string) => `400 g condensed milk\n4 yolks\n120 ml lime juice\n\nWhisk it all together. Pour into a 23 cm shell.${bake} Serve with cream.`
    expect([codes(pie('')), codes(pie(' Bake at 160 °C for 15 minutes.'))]).toEqual([['chill'], []])
  })
})
