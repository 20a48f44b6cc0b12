/**
 * What a method does, act by act: each sentence's verbs with what they are done to, for how long and how hot. Words
 * of each language stand in its file under `acts`; here is only how sentences are built.
 */
import { speaksOf } from './classify'
import { heatsOf, minutesOf } from './heats'
import { kinOf, stepTokens } from './kin'
import type { Lexicon } from './lexicon'
import { SENTENCE_END, wordOf } from './plain'
import { ACT_KINDS, type Act, type ActKind } from './reading'

/** An act where it stands in its sentence. */
interface Found { does: ActKind, at: number, end: number, clause: number }
/** Something to weigh that a sentence names, and the act that is done to it. */
interface Mention { kin: string, at: number }

/** A phrase of the word files as a pattern: `*` stands for any ending. */
const patternOf = (phrase: string) =>
  wordOf(phrase).replace(/[.+?^${}()|[\]\\]/g, '\\$&').replace(/\*/g, '\\p{L}*').replace(/\s+/g, '\\s+')
/** Phrases as one pattern of whole words, the longest first. */
const wordsOf = (phrases: readonly string[]) => new RegExp(
  `(?<!\\p{L})(?:${[...phrases].sort((a, b) => b.length - a.length).map(patternOf).join('|')})(?!\\p{L})`, 'giu',
)

const compiled = new Map<string, { acts: [ActKind, RegExp][], told: Record<string, RegExp> }>()
function patterns({ locale, words }: Lexicon) {
  const known = compiled.get(locale)
  if (known) return known
  const made = {
    acts: ACT_KINDS.map((k): [ActKind, RegExp] => [k, wordsOf(words.acts[k])]),
    told: Object.fromEntries(Object.entries(words.told).map(([k, list]) => [k, wordsOf(list)])),
  }
  compiled.set(locale, made)
  return made
}
/** What a text tells beside its acts. */
export type Told = 'overnight' | 'lukewarm' | 'roomWarm' | 'hotBase' | 'notYet' | 'cut' | 'pieces' | 'pipe' | 'jars' | 'partly'
/**
 * Whether a text tells something that is no act.
 * @example tells('chill overnight', 'overnight', lexiconOf('en')) // true
 */
export const tells = (text: string, what: Told, lexicon: Lexicon): boolean =>
  wordOf(text).search(patterns(lexicon).told[what]!) >= 0

/** The acts of a sentence in plain letters, in order; of two that overlap the longer. */
function actsIn(text: string, lexicon: Lexicon): Found[] {
  const { acts, told } = patterns(lexicon)
  const blank = (m: string) => ' '.repeat(m.length)
  const said = text.replace(told.notYet!, blank).replace(told.noHeat!, blank)
  const all = acts.flatMap(([does, re]) => [...said.matchAll(re)]
    .map(m => ({ does, at: m.index, end: m.index + m[0].length })))
  const kept = all.sort((a, b) => (b.end - b.at) - (a.end - a.at))
    .filter((x, i, list) => !list.slice(0, i).some(o => x.at < o.end && o.at < x.end))
  const stops = [...said.matchAll(/[,:()]|(?<!\p{L})(?:then|dann|danach|puis|luego|despues|poi)(?!\p{L})/giu)].map(m => m.index)
  return kept.sort((a, b) => a.at - b.at).map(x => ({ ...x, clause: clauseOf(x.at, stops) }))
}
const clauseOf = (at: number, stops: readonly number[]) => stops.filter(s => s <= at).length

/** German puts its verb last; the others first. */
const isLast = (lexicon: Lexicon) => lexicon.locale === 'de'

/** Which act is done to what stands at a place: its clause's own, else the sentence's. */
function actOn(at: number, acts: readonly Found[], text: string, lexicon: Lexicon): Found | null {
  const stops = [...text.matchAll(/[,:()]/g)].map(m => m.index)
  const clause = clauseOf(at, stops)
  const before = acts.filter(a => a.at < at)
  const after = acts.filter(a => a.at >= at)
  const own = (list: readonly Found[]) => list.filter(a => clauseOf(a.at, stops) === clause)
  return isLast(lexicon)
    ? (own(after)[0] ?? own(before).at(-1) ?? after[0] ?? before.at(-1) ?? null)
    : (own(before).at(-1) ?? own(after)[0] ?? before.at(-1) ?? after[0] ?? null)
}

/** What a sentence names of what is weighed. */
const mentionsIn = (text: string, lexicon: Lexicon): Mention[] =>
  stepTokens(text, 0, lexicon).flatMap((t, i, all): Mention[] => {
    // "The zest of the lemons" speaks of no juice.
    const near = [all[i - 1], all[i - 2], all[i - 3], all[i + 1]]
    if (t.k === 'fruit' && near.some(o => o?.k === 'part' || (o?.k === 'ingredient' && o.id === 'zest'))) return []
    if (t.k === 'ingredient') return [{ kin: kinOf(t.id), at: t.at[0] }]
    if (t.k === 'part') return [{ kin: t.part, at: t.at[0] }]
    return t.k === 'fruit' ? [{ kin: 'juice', at: t.at[0] }, { kin: 'zest', at: t.at[0] }] : []
  })

const TIMED: readonly ActKind[] = [
  'bloom', 'whip', 'bath', 'microwave', 'boil', 'heat', 'reduce', 'dissolve', 'bake', 'chill', 'freeze', 'cool',
]
/** Minutes of each act: those told after it before the next, else those before it that no other act took. */
function minutesIn(acts: readonly Found[], text: string, lexicon: Lexicon): (number | null)[] {
  const taken = new Set<number>()
  const pick = (from: number, to: number) => {
    const found = minutesOf(text, lexicon).find(m => m.at >= from && m.at < to && !taken.has(m.at))
    if (found) taken.add(found.at)
    return found?.minutes ?? null
  }
  const next = (i: number) => acts[i + 1]?.at ?? text.length
  const last = (i: number) => acts[i - 1]?.end ?? 0
  // Pouring and adding take no time of their own.
  const takes = (a: Found) => TIMED.includes(a.does)
  const forward = (a: Found, i: number) => pick(a.at, next(i))
  const back = (a: Found, i: number) => pick(last(i), a.at)
  const [one, other] = isLast(lexicon) ? [back, forward] : [forward, back]
  const first = acts.map((a, i) => (takes(a) ? one(a, i) : null))
  return acts.map((a, i) => first[i] ?? (takes(a) ? other(a, i) : null))
}

/** The heat told after an act; "cool to 25" needs no degrees. */
const tempAfter = (a: Found, said: string): number | null =>
  heatsOf(said)[0]?.tempC
  ?? (a.does === 'cool' ? Number(/\s(?:to|auf|a|bis)\s+(\d\d)(?!\d|\s*(?:min|h))/.exec(said)?.[1] ?? Number.NaN) || null : null)

/**
 * The acts of one step of a method.
 * @param raw the step as written @param line its entry in the reading
 * @example actsOf('Boil the cream for 3 minutes.', 0, lexiconOf('en'))[0].minutes // 3
 */
export function actsOf(raw: string, line: number, lexicon: Lexicon): Act[] {
  const { crustSigns, topSigns, fillSigns } = lexicon.words
  return raw.split(SENTENCE_END).flatMap((sentence) => {
    const text = wordOf(sentence)
    const acts = actsIn(text, lexicon)
    const minutes = minutesIn(acts, text, lexicon)
    const mentions = mentionsIn(text, lexicon).map(m => ({ ...m, by: actOn(m.at, acts, text, lexicon) }))
    const isCrust = speaksOf(sentence, crustSigns, lexicon)
    const isTop = !isCrust && speaksOf(sentence, topSigns, lexicon) && !speaksOf(sentence, fillSigns, lexicon)
    return acts.map((a, i): Act => ({
      does: a.does,
      line,
      of: isCrust ? 'crust' : isTop ? 'topping' : 'filling',
      kins: mentions.filter(m => m.by === a).map(m => m.kin),
      minutes: minutes[i]!,
      tempC: tempAfter(a, text.slice(a.at, acts[i + 1]?.at ?? text.length)),
      clause: a.clause,
      sentence: text,
    }))
  })
}
