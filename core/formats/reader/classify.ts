/** What a piece is: an ingredient, a step, a heading, the name, or something to set aside. */
import type { ComponentRole } from '../../formula/document'
import { type Draft, draftsOf } from './drafts'
import { heatsOf } from './heats'
import { type Lexicon, stem, TOKEN, apart } from './lexicon'
import { toPlain } from './plain'
import type { Locale } from './reading'
import { type Token, tokensOf } from './tokens'

export interface Sorted {
  kind: 'ingredient' | 'step' | 'heading' | 'setAside' | 'unclear'
  tokens: Token[]
  drafts: Draft[]
  /** Of a heading: which component begins; null: ingredients or method. */
  role: ComponentRole | null
  opens: 'ingredients' | 'method' | 'notes' | null
}

const plainOf = (raw: string) => toPlain(raw).text.toLowerCase().replace(/\s+/g, ' ').trim()
const compiled = new Map<string, RegExp[]>()
function asideOf(lexicon: Lexicon): RegExp[] {
  const found = compiled.get(lexicon.locale)
    ?? lexicon.words.aside.map(source => new RegExp(source.normalize('NFD').replace(/[\u0300-\u036F]/g, ''), 'iu'))
  compiled.set(lexicon.locale, found)
  return found
}
/** Whether a line tells of times, portions, nutrition, pages: what no formula is made of. */
export const isAside = (raw: string, lexicon: Lexicon): boolean =>
  asideOf(lexicon).some(r => r.test(plainOf(raw).replace(/^\(/, '')))

const stemsOf = (raw: string, lexicon: Lexicon): string[] =>
  (apart(plainOf(raw), lexicon.locale).match(TOKEN) ?? []).filter(w => /\p{L}/u.test(w)).map(w => stem(w, lexicon.locale))
const phraseStems = new Map<string, string[]>()
/** Stems of a phrase of the word files, found once. */
function stemsOfPhrase(phrase: string, lexicon: Lexicon): string[] {
  const key = `${lexicon.locale} ${phrase}`
  const stems = phraseStems.get(key) ?? stemsOf(phrase, lexicon)
  phraseStems.set(key, stems)
  return stems
}
const contains = (stems: readonly string[], phrase: string, lexicon: Lexicon): number => {
  const want = stemsOfPhrase(phrase, lexicon)
  if (want.length === 0) return -1
  for (let i = 0; i + want.length <= stems.length; i++) if (want.every((w, k) => w === stems[i + k])) return i
  return -1
}
/** Whether words hold one of some phrases. */
export const speaksOf = (raw: string, phrases: readonly string[], lexicon: Lexicon): boolean => {
  const stems = stemsOf(raw, lexicon)
  return phrases.some(p => contains(stems, p, lexicon) >= 0)
}

/** The component a heading names: its longest word, the last of equals. */
export function roleOf(raw: string, lexicon: Lexicon): ComponentRole | null {
  const stems = stemsOf(raw, lexicon)
  let best: { role: ComponentRole, length: number, at: number } | null = null
  for (const [role, phrases] of Object.entries(lexicon.words.roles))
    for (const phrase of phrases) {
      const at = contains(stems, phrase, lexicon)
      const length = phrase.length
      if (at >= 0 && (!best || at > best.at || (at === best.at && length > best.length)))
        best = { role: role as ComponentRole, length, at }
    }
  return best?.role ?? null
}

const isSame = (raw: string, list: readonly string[], lexicon: Lexicon) => {
  const words = stemsOf(raw, lexicon).join(' ')
  return words !== '' && list.some(x => stemsOfPhrase(x, lexicon).join(' ') === words)
}
/** "For the …" */
export const startsFor = (raw: string, lexicon: Lexicon) => {
  const words = plainOf(raw)
  return lexicon.words.headingStarts.some(x => words.startsWith(`${plainOf(x)} `) || words.startsWith(`${plainOf(x)}'`))
}

/** "For the base: 200 g biscuits": where the heading ends; null where none stands before. */
export function headingEnd(raw: string, lexicon: Lexicon): number | null {
  const colon = raw.search(/[:：]/)
  if (colon < 2 || colon > 45 || !raw.slice(colon + 1).trim()) return null
  const head = raw.slice(0, colon)
  if (/\d/.test(head.replace(/\([^)]*\)/g, ''))) return null
  const role = roleOf(head, lexicon)
  const words = stemsOf(head, lexicon)
  if (!(startsFor(head, lexicon) || (role && words.length <= 2))) return null
  const first = tokensOf(head, 0, lexicon)
  // "Butter: 90 g" and "lemon curd: …" name what is weighed.
  if (!startsFor(head, lexicon) && first.some(t => t.k === 'ingredient' && t.sure)) return null
  return colon + 1
}

/** A heading by its looks and words. */
function headingOf(raw: string, tokens: readonly Token[], lexicon: Lexicon, marked: boolean): Pick<Sorted, 'role' | 'opens'> | null {
  const said = raw.replace(/[:：.]\s*$/, '').trim()
  if (isSame(said, lexicon.words.sections.notes, lexicon)) return { role: null, opens: 'notes' }
  if (isSame(said, lexicon.words.sections.method, lexicon)) return { role: null, opens: 'method' }
  if (isSame(said, lexicon.words.sections.ingredients, lexicon)) return { role: null, opens: 'ingredients' }
  const first = stemsOf(said, lexicon)[0]
  const begins = lexicon.words.sections.ingredients.some(x => stemsOf(x, lexicon).join(' ') === first)
  if (begins && /[:：]\s*$/.test(raw)) return { role: null, opens: 'ingredients' }
  if (begins && lexicon.words.portions.some(x => new RegExp(x, 'iu').test(said))) return { role: null, opens: 'ingredients' }
  const words = tokens.filter(t => t.k !== 'sign')
  if (words.length === 0 || words.length > 7 || tokens.some(t => t.k === 'num' && /\d/.test(t.text))) return null
  const role = roleOf(said, lexicon)
  const colon = /[:：]\s*$/.test(raw)
  const loud = /\p{Lu}{3}/u.test(said) && said === said.toUpperCase()
  const onlyRole = role !== null && Object.values(lexicon.words.roles).some(list => isSame(said, list, lexicon))
  const forIt = startsFor(said, lexicon) && role !== null && !/[,.]/.test(said)
  if (colon || marked) return { role: role ?? 'filling', opens: null }
  if (onlyRole || forIt || (role !== null && words.length <= 4 && loud)) return { role, opens: null }
  // "Shortbread base", "Lime filling".
  const last = roleOf(said.split(/\s+/).at(-1)!, lexicon)
  if (last && last === role && words.length <= 3 && !tokens.some(t => t.k === 'ingredient' && t.sure && t.text.includes(' ')))
    return { role, opens: null }
  return null
}

/** Endings that only a command, or what we do, has. */
const COMMANDS: Partial<Record<Locale, RegExp>> = {
  fr: /[^aeiou]ez$/, es: /(?:a|e|i)mos$/, it: /(?:ate|ete|ite|iamo)$/,
}
const sentence = (raw: string, words: number) => /[.!]\s*$/.test(raw) && words > 3
const unknown = (ts: readonly Token[]) => ts.filter(t => t.k === 'word' && t.text.length > 1).length

/** Sorts one piece. @param area what the last heading opened */
export function sort(
  raw: string, offset: number, lexicon: Lexicon,
  o: { area: Sorted['opens'], bullet: boolean, marked: boolean, numbered: boolean },
): Sorted {
  const tokens = tokensOf(raw, offset, lexicon)
  const none = { tokens, drafts: [] as Draft[], role: null, opens: null }
  const drafts = draftsOf(tokens)
  const heading = headingOf(raw, tokens, lexicon, o.marked)
  const amounts = drafts.some(d => d.amounts.length > 0 || d.brackets.some(b => b.some(t => t.k === 'num')) || d.fatPercent !== null)
  const nouns = drafts.filter(d => d.nouns.length > 0)
  if (heading) return { ...none, kind: 'heading', ...heading }
  if (isAside(raw, lexicon)) return { ...none, kind: 'setAside' }
  const words = tokens.filter(t => t.k !== 'sign' && t.k !== 'num')
  const verbs = tokens.filter(t => t.k === 'verb').length
  const first = tokens.find(t => t.k !== 'sign')
  // "Sprinkle gelatine over water" is done; "a sprinkle of salt" is an amount.
  const sprinkles = first?.k === 'unit' && first.unit === 'some' && tokens[0] === first && !['of', 'de', 'di'].includes(tokens[1]?.text ?? '')
    && sentence(raw, words.length)
  // "2. Zest and juice the limes.", "Lavez les citrons": told to be done.
  const told = (o.numbered && !amounts && /[.!]\s*$/.test(raw))
    || (first?.k === 'word' && COMMANDS[lexicon.locale]?.test(first.text))
  const startsAsStep = first?.k === 'verb' || sprinkles || told
  const ends = sentence(raw, words.length - 3)
  // "Off heat whisk in juice & zest, rest 10": nothing of it is weighed.
  const weighs = tokens[0]?.k === 'num' || tokens[0]?.k === 'article' || nouns.some(d =>
    d.amounts.some(a => a.unit !== null) || d.brackets.length > 0 || d.fatPercent !== null)
  if (verbs > 0 && amounts && (nouns.length === 0 || !weighs))
    return { ...none, kind: 'step', drafts }
  if (nouns.length > 0 && amounts && !startsAsStep) {
    const long = words.length > 9 && verbs > 0 && !(tokens[0]?.k === 'num')
    const many = verbs > 1 && ends
    if (!long && !many && !(o.area === 'method' && verbs > 0 && words.length > 5)) return { ...none, kind: 'ingredient', drafts }
  }
  // "Oven at 170 °C, 15 min": nothing to weigh, but a heat.
  if (nouns.length === 0 && heatsOf(plainOf(raw)).length > 0) return { ...none, kind: 'step', drafts }
  if (startsAsStep || (verbs > 0 && (ends || words.length > 6)) || (o.area === 'method' && words.length > 3))
    return { ...none, kind: 'step', drafts }
  // "Took to 80, should be 82" weighs nothing.
  const loose = nouns.length === 0 && words.length > 2 && !['num', 'article'].includes(tokens[0]?.k ?? '')
    && drafts.every(d => d.amounts.every(a => a.unit === null))
  const counts = drafts.some(d => d.amounts.some(a => a.unit !== null || nouns.length === 0))
  if (amounts && !loose && counts && words.length <= 8)
    return { ...none, kind: 'ingredient', drafts }
  const plain = nouns.length > 0 && unknown(tokens) === 0 && verbs === 0 && words.length <= 9
  const isSaid = tokens.some(t => ['part', 'purpose', 'serve', 'state'].includes(t.k))
  if (plain && (nouns.length === 1 || isSaid)) return { ...none, kind: 'ingredient', drafts: nouns }
  // "That all gets whisked and goes in the oven for 35 minutes."
  const timed = tokens.some(t => t.k === 'dimension' && (t.unit === 'minute' || t.unit === 'hour'))
  if (ends && (timed || speaksOf(raw, lexicon.words.oven.bake, lexicon))) return { ...none, kind: 'step', drafts }
  if (o.area === 'method' || (ends && verbs > 0)) return { ...none, kind: 'step', drafts }
  return { ...none, kind: 'unclear', drafts }
}
