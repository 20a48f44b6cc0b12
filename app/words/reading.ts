/** What the reader of pasted text assumed and asks, in words. */
import type { Basis, Question } from '#core/formats/readText'
import { EGG_GRADES } from '#core/base/ingredients/measures'

type Format = ReturnType<typeof useFormat>
const MEASURES = {
  cup: 'cup',
  tablespoon: 'tablespoon',
  teaspoon: 'teaspoon',
  fluidOunce: 'fluid ounce',
  pint: 'pint',
} as const
const SYSTEMS = { us: 'US', metric: 'metric', australian: 'Australian', imperial: 'imperial' } as const
const PARTS = { whole: 'egg', yolk: 'yolk', white: 'white' } as const

/** "US cup 236.6 ml, 203 g caster sugar" */
export function basisWords(b: Basis, ingredient: string, fmt: Format): string {
  switch (b.kind) {
    case 'weighed':
      return 'weighed'
    case 'ounce':
      return 'ounce by weight, 28.35 g'
    case 'millilitres':
      return `${fmt.fixed(b.gPerMl, 2)} g per ml`
    case 'measure':
      return `${SYSTEMS[b.system]} ${MEASURES[b.measure]} ${fmt.fixed(b.ml, 1)} ml, ${fmt.fixed(b.eachG, b.eachG < 20 ? 1 : 0)} g ${ingredient.toLowerCase()}${b.how ? `, ${b.how}` : ''}`
    case 'egg':
      return `${EGG_GRADES[b.grade].label} ${PARTS[b.part]}, ${fmt.fixed(b.eachG, 1)} g each`
    case 'fruit':
      return `a ${b.size} ${b.fruit.replace(/^(large|big) /, '')} gives ${fmt.fixed(b.eachG, b.eachG < 10 ? 1 : 0)} g ${b.part}, ± ${fmt.percent(b.lnSigma)}: weigh yours`
    case 'stick':
      return 'US stick, 113.4 g'
    case 'answered':
      return 'as you said'
    case 'written':
      return b.gPerMl === null ? 'the grams in brackets' : `the ml in brackets, ${fmt.fixed(b.gPerMl, 2)} g per ml`
    case 'can':
      return `can of ${fmt.grams(b.canG)}, kept whole`
    case 'leaf':
      return `${b.grade} leaf, ${fmt.fixed(b.eachG, 1)} g each, kept whole`
    case 'packet':
      return `packet of powder, ${fmt.fixed(b.eachG, 1)} g`
    case 'pinch':
      return `a pinch, about ${fmt.fixed(b.eachG, 1)} g`
    case 'percent':
      return 'of a kilogram in all'
    case 'sum':
      return b.of.map(x => basisWords(x, ingredient, fmt)).join(' + ')
  }
}

/** What is asked about a line. */
export function questionWords(q: Question): string {
  switch (q.kind) {
    case 'cups':
      return 'Whose cups and spoons are these?'
    case 'eggGrade':
      return q.word ? `Which “${q.word}” eggs?` : 'Which eggs?'
    case 'ounce':
      return 'Fluid ounces or ounces by weight?'
    case 'amount':
      return q.reason === 'range'
        ? `${q.low} to ${q.high} ${q.unit}: how many grams do you use?`
        : q.reason === 'unit'
          ? `How many grams is this ${q.unit ? `“${q.unit}”` : 'amount'}?`
          : 'No amount is given. How many grams?'
    case 'ingredient':
      return q.suggestion ? `“${q.words}” is not known. What is it?` : `“${q.words}” cannot be read. What is it?`
    case 'fruitPart':
      return 'The juice of it, the zest, or both?'
    case 'can':
      return 'How large is the can?'
    case 'leafGrade':
      return 'Which grade of leaf?'
  }
}
