/**
 * The words of a language, by what they mean to the reader. Phrases are kept by the stems of their words, so that one
 * entry serves singular and plural; the longest phrase at a place wins.
 */
import { findIngredient } from '../../base/ingredients/ingredients'
import { INGREDIENTS } from '../../base/ingredients/table'
import de from './words/de.json'
import en from './words/en.json'
import es from './words/es.json'
import fr from './words/fr.json'
import it from './words/it.json'
import type { Locale } from './reading'
import { wordOf } from './plain'
import { conjugated } from './verbs'

export type Concept =
  | { k: 'num', value: number }
  | { k: 'unit', unit: string }
  | { k: 'dimension', unit: string }
  | { k: 'ingredient', id: string, sure: boolean }
  | { k: 'fruit', id: string }
  | { k: 'part', part: 'juice' | 'zest' }
  | { k: 'size', size: string }
  | { k: 'grade', grade: string }
  | { k: 'flavour' | 'other' | 'state' | 'purpose' | 'serve' | 'link' | 'plus' | 'less' | 'each' | 'range' | 'from' | 'all'
    | 'article' | 'verb' | 'shell' }

type Words = typeof en
const FILES: Record<Locale, Words> = {
  en, fr: fr as unknown as Words, es: es as unknown as Words, de: de as unknown as Words, it: it as unknown as Words,
}

/**
 * A word without its plural, as far as a language's rules go.
 * @example stem('lemons', 'en') // 'lemon'
 */
export function stem(word: string, locale: Locale): string {
  if (word.length < 4) return word
  switch (locale) {
    case 'en':
      return word.replace(/ies$/, 'y').replace(/(ch|sh|x|ss)es$/, '$1').replace(/([^s'])s$/, '$1')
    case 'fr':
      return word.replace(/(?:s|x)$/, '')
    case 'es':
      return word.replace(/([lnrdzj])es$/, '$1').replace(/s$/, '')
    case 'it':
      return word.replace(/[aeio]$/, '')
    default:
      return word
  }
}

export interface Lexicon {
  locale: Locale
  words: Words
  /** By first stem: phrases as stems, longest first. */
  phrases: Map<string, { stems: string[], concept: Concept }[]>
  /** Single words of ingredients, for slips of the pen. */
  vocabulary: string[]
  /** Every word that stands in it, to tell a language. */
  all: Set<string>
}

/** A word or number, a fraction bar, or a sign. */
export const TOKEN = /(?<=^|[\s(])[.,]\d+|\d+(?:[.,]\d+)*|[\p{L}]+(?:['-][\p{L}]+)*|°\s?[cf]\b|\S/giu

/** Later entries give way to earlier ones of the same phrase. */
function entriesOf(w: Words, locale: Locale): [string, Concept][] {
  const out: [string, Concept][] = []
  const put = (list: readonly string[] | undefined, concept: Concept) => list?.forEach(p => out.push([p, concept]))
  const each = (map: object | undefined, concept: (key: string) => Concept) => {
    for (const [key, list] of Object.entries(map ?? {})) put(list as string[], concept(key))
  }
  for (const [word, value] of Object.entries(w.numbers)) put([word], { k: 'num', value })
  put(w.article, { k: 'article' })
  each(w.ingredients, id => ({ k: 'ingredient', id, sure: true }))
  each(w.unsure, id => ({ k: 'ingredient', id, sure: false }))
  if (locale === 'en')
    for (const row of INGREDIENTS) put(row.aliases, { k: 'ingredient', id: row.id, sure: true })
  each(w.fruits, id => ({ k: 'fruit', id }))
  each(w.parts, part => ({ k: 'part', part: part as 'juice' | 'zest' }))
  each(w.sizes, size => ({ k: 'size', size }))
  each(w.grades, grade => ({ k: 'grade', grade }))
  each(w.units, unit => ({ k: 'unit', unit }))
  each(w.dimensions, unit => ({ k: 'dimension', unit }))
  put(w.servePurposes, { k: 'serve' })
  put(w.purposes, { k: 'purpose' })
  put(w.flavour, { k: 'flavour' })
  put(w.other, { k: 'other' })
  put(w.shell, { k: 'shell' })
  put(w.plus, { k: 'plus' })
  put(w.less, { k: 'less' })
  put(w.each, { k: 'each' })
  put(w.from, { k: 'from' })
  put(w.all, { k: 'all' })
  put(w.range, { k: 'range' })
  put(w.states, { k: 'state' })
  put(w.links, { k: 'link' })
  put(w.verbs.flatMap(v => conjugated(v, locale)), { k: 'verb' })
  return out
}

const known = new Map<Locale, Lexicon>()
/** The words of a language, compiled once. */
export function lexiconOf(locale: Locale): Lexicon {
  const found = known.get(locale)
  if (found) return found
  const words = FILES[locale]
  const phrases: Lexicon['phrases'] = new Map()
  const all = new Set<string>()
  const vocabulary = new Set<string>()
  for (const [phrase, concept] of entriesOf(words, locale)) {
    const parts = wordsIn(phrase, locale)
    if (parts.length === 0) continue
    const stems = parts.map(p => stem(p, locale))
    const list = phrases.get(stems[0]!) ?? []
    if (!list.some(x => x.stems.join(' ') === stems.join(' '))) list.push({ stems, concept })
    phrases.set(stems[0]!, list)
    if (concept.k !== 'num') parts.forEach(p => p.length > 2 && all.add(stem(p, locale)))
    if (concept.k === 'ingredient' || concept.k === 'fruit' || concept.k === 'part')
      parts.forEach(p => p.length > 3 && vocabulary.add(p))
  }
  for (const list of phrases.values()) list.sort((a, b) => b.stems.length - a.stems.length)
  const lexicon = { locale, words, phrases, vocabulary: [...vocabulary], all }
  known.set(locale, lexicon)
  return lexicon
}
/**
 * The words of a language with a kitchen's own ingredients, each by the name on its label, before all others.
 * @example withOwn(lexiconOf('en'), []).locale // 'en'
 */
export function withOwn(lexicon: Lexicon, own: readonly string[]): Lexicon {
  if (own.length === 0) return lexicon
  const phrases = new Map(lexicon.phrases)
  for (const id of own) {
    const stems = wordsIn(findIngredient(id)?.aliases[0] ?? '', lexicon.locale).map(p => stem(p, lexicon.locale))
    if (!stems.length) continue
    const entry = { stems, concept: { k: 'ingredient', id, sure: true } as const }
    const others = phrases.get(stems[0]!) ?? []
    phrases.set(stems[0]!, [entry, ...others].sort((a, b) => b.stems.length - a.stems.length))
  }
  return { ...lexicon, phrases }
}
/** Words of a phrase; 'T' keeps its capital, since it is a tablespoon and t a teaspoon. */
const wordsIn = (phrase: string, locale: Locale): string[] =>
  phrase === 'T' ? ['T'] : (apart(wordOf(phrase), locale).match(TOKEN) ?? []).filter(x => x !== '.' && x !== '\'')

/** French and Italian articles stand apart: d'eau is d and eau. */
export const apart = (text: string, locale: Locale): string =>
  locale === 'fr' || locale === 'it'
    ? text.replace(/'/g, ' ').replace(/\b(demi)-/gi, '$1 ')
    // "Two-thirds", "twenty-five".
    : text.replace(/(\p{L})'s\b/gu, '$1  ').replace(/\b(one|two|three|four|five|seven|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)-(?=[a-z])/gi, '$1 ')

/** A slip of the pen: one letter more, less, other or swapped. */
export function isSlip(word: string, of: string): boolean {
  if (word === of || Math.abs(word.length - of.length) > 1 || word.length < 4) return false
  let i = 0
  while (i < word.length && word[i] === of[i]) i++
  const tail = (a: number, b: number) => word.slice(a) === of.slice(b)
  return tail(i + 1, i) || tail(i, i + 1) || tail(i + 1, i + 1)
    || (word[i] === of[i + 1] && word[i + 1] === of[i] && tail(i + 2, i + 2))
}
