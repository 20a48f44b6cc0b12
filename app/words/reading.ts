/** What the reader of pasted text assumed and asks, in words. */
import type { Basis, Question } from '#core/formats/readText'
import { EGG_GRADES } from '#core/base/ingredients/measures'
import { group, say } from './say'

type Format = ReturnType<typeof useFormat>
const MEASURES = group<{ cup: string, tablespoon: string, teaspoon: string, fluidOunce: string, pint: string }>('reading.MEASURES')
const SYSTEMS = group<{ us: string, metric: string, australian: string, imperial: string }>('reading.SYSTEMS')
const PARTS = { whole: 'egg', yolk: 'yolk', white: 'white' } as const

/** "US cup 236.6 ml, 203 g caster sugar" */
export function basisWords(b: Basis, ingredient: string, fmt: Format): string {
  switch (b.kind) {
    case 'weighed':
      return 'weighed'
    case 'ounce':
      return say('reading.ounceByWeight2835G')
    case 'millilitres':
      return say('reading.gPerMl', { gPerMl: fmt.fixed(b.gPerMl, 2) })
    case 'measure':
      return `${SYSTEMS[b.system]} ${MEASURES[b.measure]} ${fmt.fixed(b.ml, 1)} ml, ${fmt.fixed(b.eachG, b.eachG < 20 ? 1 : 0)} g ${ingredient.toLowerCase()}${b.how ? `, ${b.how}` : ''}`
    case 'egg':
      return say('reading.gEach', { label: EGG_GRADES[b.grade].label, part: PARTS[b.part], eachG: fmt.fixed(b.eachG, 1) })
    case 'fruit':
      return say('reading.aGivesGWeighYours', { size: b.size, big: b.fruit.replace(/^(large|big) /, ''), eachG: fmt.fixed(b.eachG, b.eachG < 10 ? 1 : 0), part: b.part, lnSigma: fmt.percent(b.lnSigma) })
    case 'stick':
      return say('reading.uSStick1134G')
    case 'answered':
      return say('reading.asYouSaid')
    case 'written':
      return b.gPerMl === null ? say('reading.theGramsInBrackets') : say('reading.theMlInBracketsGPer', { gPerMl: fmt.fixed(b.gPerMl, 2) })
    case 'can':
      return say('reading.canOfKeptWhole', { canG: fmt.grams(b.canG) })
    case 'leaf':
      return say('reading.leafGEachKeptWhole', { grade: b.grade, eachG: fmt.fixed(b.eachG, 1) })
    case 'packet':
      return say('reading.packetOfPowderG', { eachG: fmt.fixed(b.eachG, 1) })
    case 'pinch':
      return say('reading.aPinchAboutG', { eachG: fmt.fixed(b.eachG, 1) })
    case 'percent':
      return say('reading.ofAKilogramInAll')
    case 'sum':
      return b.of.map(x => basisWords(x, ingredient, fmt)).join(' + ')
  }
}

/** What is asked about a line. */
export function questionWords(q: Question): string {
  switch (q.kind) {
    case 'cups':
      return say('reading.whoseCupsAndSpoonsAreThese')
    case 'eggGrade':
      return q.word ? say('reading.whichEggs', { word: q.word }) : say('reading.whichEggs2')
    case 'ounce':
      return say('reading.fluidOuncesOrOuncesByWeight')
    case 'amount':
      return q.reason === 'range'
        ? say('reading.toHowManyGramsDoYou', { low: q.low, high: q.high, unit: q.unit })
        : q.reason === 'unit'
          ? say('reading.howManyGramsIsThis', { amount: q.unit ? `“${q.unit}”` : say('reading.amount') })
          : say('reading.noAmountIsGivenHowMany')
    case 'ingredient':
      return q.suggestion ? say('reading.isNotKnownWhatIsIt', { words: q.words }) : say('reading.cannotBeReadWhatIsIt', { words: q.words })
    case 'fruitPart':
      return say('reading.theJuiceOfItTheZest')
    case 'can':
      return say('reading.howLargeIsTheCan')
    case 'leafGrade':
      return say('reading.whichGradeOfLeaf')
  }
}
