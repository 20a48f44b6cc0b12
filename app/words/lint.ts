/** What the lint found, in words: what, why it matters, and the fixes. */
import type { Lint, LintFix } from '#core/formats/lint'
import { CUP_NAMES } from './names'

type Format = ReturnType<typeof useFormat>

/** Title and reason of a finding. */
export function lintWords(l: Lint, fmt: Format): { title: string, why: string } {
  const p = l.params
  const name = typeof p.ingredientId === 'string' ? fmt.name(p.ingredientId).toLowerCase() : ''
  switch (l.code) {
    case 'listedUnused':
      return {
        title: `${cap(name)} is listed and never used.`,
        why: 'No step says when it goes in. Acid, butter and gelatine do different things early and late.',
      }
    case 'usedUnlisted':
      return { title: `A step uses ${name}, which is not listed.`, why: 'Without its grams the balance is wrong.' }
    case 'amountMissing':
      return { title: `“${l.at}” has no amount.`, why: 'Every line counts towards the set or the taste.' }
    case 'fruitTwice':
      return {
        title: `The same fruit gives ${p.first} and ${p.second}.`,
        why: 'One fruit gives one of the two only: it is spent.',
      }
    case 'percentagesOff':
      return {
        title: `The percentages add up to ${p.sum}.`,
        why: 'Shares of the whole make 100; of a chosen line, that line is 100.',
      }
    case 'tinNoSize':
      return {
        title: `A tin of ${name} with no size.`,
        why: 'Tins run from 170 to 397 g: the acid that sets them is a quarter out, or half.',
      }
    case 'zestNeverAdded':
      return {
        title: 'Zest is grated and never added.',
        why: 'Most of the scent is in it; late in the pot it stays fresh.',
      }
    case 'twoTemperatures':
      return {
        title: `One step gives two temperatures: ${p.first} and ${p.second}.`,
        why: 'They are not the same heat, and egg sets within a few degrees.',
      }
    case 'gelatinNoGrade':
      return {
        title: 'Gelatine with no grade.',
        why: 'Leaf and powder differ in strength by up to a third; leaves differ in weight too.',
      }
    case 'yolkWeight':
      return {
        title: `A yolk of ${fmt.fixed(Number(p.eachG), 1)} g does not fit its grade.`,
        why: `A ${p.grade} yolk weighs about ${fmt.fixed(Number(p.gradeG), 1)} g; half an ounce is a medium one's.`,
      }
    case 'mixedCups':
      return {
        title: `Cups of two countries: ${p.systems}.`,
        why: 'A US cup is 237 ml, a metric one 250: the balance between cups stays only if they are the same.',
      }
    case 'vesselOverflows':
      return {
        title: `The filling does not fit: ${fmt.fixed(Number(p.mixMl))} ml into about ${fmt.fixed(Number(p.vesselMl))} ml (${l.at}).`,
        why: 'Scale it under Stock, or take another tin under Shape.',
      }
    case 'vesselShallow':
      return {
        title: `The filling is thin in there: ${fmt.fixed(Number(p.mixMl))} ml in about ${fmt.fixed(Number(p.vesselMl))} ml (${l.at}).`,
        why: 'It bakes and cools far quicker than the text says.',
      }
  }
}

/** A fix as its button says it. */
export function fixWords(f: LintFix, fmt: Format): string {
  switch (f.kind) {
    case 'removeLine':
      return 'take the line out'
    case 'replaceLine':
      return f.text.trim() ? `make it “${f.text.trim()}”` : 'take the line out'
    case 'addLine':
      return `list ${f.text}`
    case 'addStep':
      return `add a step: “${f.text}”`
    case 'replaceStep':
      return `make it “${f.text.length > 60 ? `${f.text.slice(0, 57)}…` : f.text}”`
    case 'cups':
      return `all of them ${CUP_NAMES[f.cups]}`
    case 'leafGrade':
      return f.grade
    case 'can':
      return fmt.grams(f.canG)
    case 'eggGrade':
      return f.grade
    case 'answerLine':
      return 'give the amount'
  }
}
const cap = (s: string) => s.charAt(0).toUpperCase() + s.slice(1)
