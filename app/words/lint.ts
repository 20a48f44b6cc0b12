/** What the lint found, in words: what, why it matters, and the fixes with what they change. */
import type { Lint, LintFix } from '#core/formats/reader/lint'
import { CUP_NAMES } from './names'
import { group, say } from './say'

type Format = ReturnType<typeof useFormat>
const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** Title and reason of a finding. @param at the text of the entry it is about */
export function lintWords(l: Lint, at: string, fmt: Format): { title: string, why: string } {
  const p = l.params
  const name = typeof p.ingredientId === 'string' ? fmt.name(p.ingredientId).toLowerCase() : ''
  const ml = { mixMl: fmt.fixed(Number(p.mixMl)), vesselMl: fmt.fixed(Number(p.vesselMl)) }
  switch (l.code) {
    case 'listedUnused':
      return { title: say('lint.isListedAndNeverUsed', { name: cap(name) }), why: say('lint.noStepSaysWhenItGoes') }
    case 'usedUnlisted':
      return { title: say('lint.aStepUsesWhichIsNot', { name }), why: say('lint.withoutItsGramsTheBalanceIs') }
    case 'amountMissing':
      return { title: say('lint.hasNoAmount', { at }), why: say('lint.everyLineCountsTowardsTheSet') }
    case 'amountsDiffer':
      return { title: say('lint.theMethodTakes', { name, used: p.used, listed: p.listed }), why: say('lint.oneOfThemIsWrong') }
    case 'fruitTwice':
      return { title: say('lint.theSameFruitGivesAnd', { first: p.first, second: p.second }), why: say('lint.oneFruitGivesOneOfThe') }
    case 'percentagesOff':
      return p.inside === undefined
        ? { title: say('lint.thePercentagesAddUpTo', { sum: p.sum }), why: say('lint.sharesOfTheWholeMake100') }
        : { title: say('lint.thatIsNotPercent', { sum: p.sum }), why: say('lint.itIsInsideAndBeside', { inside: p.inside, beside: p.beside }) }
    case 'tinNoSize':
      return { title: say('lint.aTinOfWithNoSize', { name }), why: say('lint.tinsRunFrom170To397') }
    case 'vesselUnnamed':
      return { title: say('lint.aTinWithNoSizeNamed'), why: say('lint.depthDecidesHowLong') }
    case 'piecesUnnamed':
      return { title: say('lint.glassesWithNoNumber'), why: say('lint.depthDecidesHowLong') }
    case 'zestNeverAdded':
      return { title: say('lint.zestIsGratedAndNeverAdded'), why: say('lint.mostOfTheScentIsIn') }
    case 'twoTemperatures':
      return {
        title: say('lint.oneStepGivesTwoTemperaturesAnd', { first: fmt.temp(Number(p.first)), second: fmt.temp(Number(p.second)) }),
        why: say('lint.theyAreNotTheSameHeat'),
      }
    case 'gelatinNoGrade':
      return { title: say('lint.gelatineWithNoGrade'), why: say('lint.leafAndPowderDifferInStrength') }
    case 'yolkWeight':
      return {
        title: say('lint.aYolkOfGDoesNot', { eachG: fmt.fixed(Number(p.eachG), 1) }),
        why: say('lint.aYolkWeighsAboutGHalf', { grade: p.grade, gradeG: fmt.fixed(Number(p.gradeG), 1) }),
      }
    case 'mixedCups':
      return { title: say('lint.cupsOfTwoCountries', { systems: `${p.first} ml, ${p.second} ml` }), why: say('lint.aUSCupIs237Ml') }
    case 'unitsContradict':
      return { title: say('lint.twoWeights', { first: fmt.grams(Number(p.first)), second: fmt.grams(Number(p.second)) }), why: say('lint.oneOfThemIsWrong') }
    case 'vesselOverflows':
      return { title: say('lint.theFillingDoesNotFitMl', ml), why: say('lint.scaleItUnderStockOrTake') }
    case 'shareWrong':
      return {
        title: say('lint.itSaysAndIs', { said: p.said, is: p.is, of: wholeWords(String(p.of), fmt) }),
        why: say('lint.gramsOrShareIsASlip'),
      }
    case 'stepTwice':
      return { title: say('lint.toldTwice', { said: String(p.said) }), why: say('lint.toldTwiceWhy') }
    case 'stepNever':
      return { title: NEVER[String(p.what)]!, why: say('lint.toldNeverWhy') }
    case 'vesselShallow':
      return { title: say('lint.theFillingIsThinInThere', ml), why: say('lint.itBakesAndCoolsFarQuicker') }
  }
}

const NEVER = group<Record<string, string>>('lint.NEVER')
/** What a share is of: all, a part, several together, or one line. */
const WHOLES = group<Record<string, string>>('lint.WHOLES')
const wholeWords = (of: string, fmt: Format): string => WHOLES[of] ?? say('lint.theLine', { name: fmt.name(of).toLowerCase() })

/** A fix as its button says it: what it was and what it will be. */
export function fixWords(f: LintFix, fmt: Format): string {
  switch (f.kind) {
    case 'replace':
      return f.after.trim() === ''
        ? say('lint.takeOut', { before: f.before.trim() })
        : f.before.trim() === ''
          ? say('lint.list', { text: f.after.trim() })
          : say('lint.fromTo', { before: f.before.trim(), after: f.after.trim() })
    case 'answer':
      return f.key === 'cups'
        ? say('lint.allOfThem', { cups: CUP_NAMES[f.value as keyof typeof CUP_NAMES] })
        : f.key === 'leafGrade' ? say('lint.grade', { grade: f.value }) : fmt.grams(Number(f.value))
    case 'goTo':
      return say('lint.giveTheAmount')
  }
}
