/** What the lint found, in words: what, why it matters, and the fixes. */
import type { Lint, LintFix } from '#core/formats/lint'
import { CUP_NAMES } from './names'
import { say } from './say'

type Format = ReturnType<typeof useFormat>

/** Title and reason of a finding. */
export function lintWords(l: Lint, fmt: Format): { title: string, why: string } {
  const p = l.params
  const name = typeof p.ingredientId === 'string' ? fmt.name(p.ingredientId).toLowerCase() : ''
  switch (l.code) {
    case 'listedUnused':
      return {
        title: say('lint.isListedAndNeverUsed', { name: cap(name) }),
        why: say('lint.noStepSaysWhenItGoes'),
      }
    case 'usedUnlisted':
      return { title: say('lint.aStepUsesWhichIsNot', { name }), why: say('lint.withoutItsGramsTheBalanceIs') }
    case 'amountMissing':
      return { title: say('lint.hasNoAmount', { at: l.at }), why: say('lint.everyLineCountsTowardsTheSet') }
    case 'fruitTwice':
      return {
        title: say('lint.theSameFruitGivesAnd', { first: p.first, second: p.second }),
        why: say('lint.oneFruitGivesOneOfThe'),
      }
    case 'percentagesOff':
      return {
        title: say('lint.thePercentagesAddUpTo', { sum: p.sum }),
        why: say('lint.sharesOfTheWholeMake100'),
      }
    case 'tinNoSize':
      return {
        title: say('lint.aTinOfWithNoSize', { name }),
        why: say('lint.tinsRunFrom170To397'),
      }
    case 'zestNeverAdded':
      return {
        title: say('lint.zestIsGratedAndNeverAdded'),
        why: say('lint.mostOfTheScentIsIn'),
      }
    case 'twoTemperatures':
      return {
        title: say('lint.oneStepGivesTwoTemperaturesAnd', { first: p.first, second: p.second }),
        why: say('lint.theyAreNotTheSameHeat'),
      }
    case 'gelatinNoGrade':
      return {
        title: say('lint.gelatineWithNoGrade'),
        why: say('lint.leafAndPowderDifferInStrength'),
      }
    case 'yolkWeight':
      return {
        title: say('lint.aYolkOfGDoesNot', { eachG: fmt.fixed(Number(p.eachG), 1) }),
        why: say('lint.aYolkWeighsAboutGHalf', { grade: p.grade, gradeG: fmt.fixed(Number(p.gradeG), 1) }),
      }
    case 'mixedCups':
      return {
        title: say('lint.cupsOfTwoCountries', { systems: p.systems }),
        why: say('lint.aUSCupIs237Ml'),
      }
    case 'vesselOverflows':
      return {
        title: say('lint.theFillingDoesNotFitMl', { mixMl: fmt.fixed(Number(p.mixMl)), vesselMl: fmt.fixed(Number(p.vesselMl)), at: l.at }),
        why: say('lint.scaleItUnderStockOrTake'),
      }
    case 'vesselShallow':
      return {
        title: say('lint.theFillingIsThinInThere', { mixMl: fmt.fixed(Number(p.mixMl)), vesselMl: fmt.fixed(Number(p.vesselMl)), at: l.at }),
        why: say('lint.itBakesAndCoolsFarQuicker'),
      }
  }
}

/** A fix as its button says it. */
export function fixWords(f: LintFix, fmt: Format): string {
  switch (f.kind) {
    case 'removeLine':
      return say('lint.takeTheLineOut')
    case 'replaceLine':
      return f.text.trim() ? say('lint.makeIt', { text: f.text.trim() }) : say('lint.takeTheLineOut')
    case 'addLine':
      return say('lint.list', { text: f.text })
    case 'addStep':
      return say('lint.addAStep', { text: f.text })
    case 'replaceStep':
      return say('lint.makeIt', { text: f.text.length > 60 ? `${f.text.slice(0, 57)}…` : f.text })
    case 'cups':
      return say('lint.allOfThem', { cups: CUP_NAMES[f.cups] })
    case 'leafGrade':
      return f.grade
    case 'can':
      return fmt.grams(f.canG)
    case 'eggGrade':
      return f.grade
    case 'answerLine':
      return say('lint.giveTheAmount')
  }
}
const cap = (s: string) => s.charAt(0).toUpperCase() + s.slice(1)
