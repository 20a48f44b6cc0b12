/**
 * Forms of a verb that open a step: commands, what one or we do, doing. Past participles are left out, since they say
 * what an ingredient is like ("beurre fondu"). School grammar; irregular forms stand in the word files.
 */
import type { Locale } from './reading'

/** Endings by the infinitive's own. */
const ENDINGS: Readonly<Record<Locale, readonly (readonly [string, readonly string[]])[]>> = {
  en: [],
  fr: [['er', ['ez', 'ons', 'ant']], ['ir', ['issez', 'issons', 'issant']], ['re', ['ez', 'ons', 'ant']]],
  es: [
    ['ar', ['a', 'amos', 'an', 'e', 'emos', 'en', 'ando', 'as', 'o', 'ad']],
    ['er', ['e', 'emos', 'en', 'a', 'amos', 'an', 'iendo', 'es', 'o', 'ed']],
    ['ir', ['e', 'imos', 'en', 'a', 'amos', 'an', 'iendo', 'es', 'o', 'id']],
  ],
  it: [
    ['are', ['ate', 'a', 'iamo', 'ando', 'o', 'i', 'ano']],
    ['ere', ['ete', 'i', 'iamo', 'endo', 'o', 'e', 'ono']],
    ['ire', ['ite', 'i', 'iamo', 'endo', 'o', 'ono']],
  ],
  de: [['en', ['e', 't', 'et', 'end']]],
}
/** What hangs on an infinitive or a command: "mezclarlo", "mescolarla". */
const CLITICS: Readonly<Partial<Record<Locale, readonly string[]>>> = {
  es: ['lo', 'la', 'los', 'las', 'se'], it: ['lo', 'la', 'li', 'le', 'vi'],
}

/** Spelling that keeps the sound: colocar, coloque; trago, traghi. */
function spelt(stem: string, ending: string, locale: Locale): string {
  const soft = /^[ei]/.test(ending)
  if (locale === 'es' && soft) return stem.replace(/c$/, 'qu').replace(/g$/, 'gu').replace(/z$/, 'c') + ending
  if (locale === 'it' && /^i/.test(ending)) return stem.replace(/i$/, '') + ending
  if (locale === 'fr' && /^[ao]/.test(ending)) return stem.replace(/g$/, 'ge') + ending
  return stem + ending
}

/**
 * @param verb an infinitive, or any other form or phrase, which stays as it is
 * @example conjugated('verser', 'fr').includes('versons') // true
 */
export function conjugated(verb: string, locale: Locale): string[] {
  const rule = ENDINGS[locale].find(([end]) => verb.endsWith(end))
  if (!rule || /\s/.test(verb) || verb.length < 5) return [verb]
  const stem = verb.slice(0, -rule[0].length)
  const base = locale === 'it' ? verb.slice(0, -1) : verb
  return [
    verb, ...rule[1].map(end => spelt(stem, end, locale)), ...(CLITICS[locale] ?? []).map(c => base + c),
  ]
}
