/**
 * Reading a pasted text: language and habits of the whole, pieces sorted, ingredients weighed, components by headings
 * or by the method, the method's own facts. Every character that is not blank ends in exactly one entry.
 */
import { findIngredient } from '../../base/ingredients/ingredients'
import type { CupSystem } from '../../base/units'
import type { OwnRules } from '../../kitchen/kitchen'
import type { Draft } from './drafts'
import { factsOf, portionsOf } from './facts'
import { isFruitAlone, isMostlyFruit } from './fruitAlone'
import { habitsOf, localeOf } from './habits'
import { kindOf, linesOf } from './kind'
import { type Lexicon, lexiconOf, withOwn } from './lexicon'
import { methodOf } from './method'
import { covered, type Part } from './parts'
import { placeByMethod } from './places'
import { toPlain } from './plain'
import { tokensOf } from './tokens'
import type { Answers, Component, Entry, Habits, Locale, Reading } from './reading'
import { corrected, proposeGrams } from './skeleton'
import { stepItems } from './stepItems'
import { suspicious } from './suspicious'
import { walk } from './walk'
import { type Scale, weigh, type Weighed } from './weigh'

/** A text that is no recipe any more: what is longer is not read at all. */
export const TEXT_MOST = { characters: 200_000, lines: 3000 } as const

/** What a text has too much of, and how much; null when it can be read. @example tooLong('200 g sugar') // null */
export function tooLong(text: string): { of: 'characters' | 'lines', count: number, most: number } | null {
  if (text.length > TEXT_MOST.characters) return { of: 'characters', count: text.length, most: TEXT_MOST.characters }
  const count = text.split('\n').length
  return count > TEXT_MOST.lines ? { of: 'lines', count, most: TEXT_MOST.lines } : null
}

export interface Read {
  text: string
  parts: Part[]
  lexicon: Lexicon
  habits: Habits
  reading: Reading
}

/** What of a kitchen its texts are read by: its own cups, where a text does not say whose, and its rules of thumb. */
export interface ReadHouse extends Pick<OwnRules, 'ownJuiceG' | 'ownCanG' | 'ingredients'> {
  cups?: CupSystem | null
}
export interface ReadOptions extends ReadHouse {
  answers?: Answers
}

/**
 * Reads a text.
 * @example readText('200 g sugar, 4 eggs').lines.length // 2
 */
export const readText = (text: string, options: ReadOptions = {}): Reading => readWhole(text, options).reading

/** The same with what lint and the page look at beside it. */
export function readWhole(text: string, options: ReadOptions = {}): Read {
  const steps = readSteps(text, options)
  for (;;) {
    const at = steps.next()
    if (at.done) return at.value
  }
}

/** The same bit by bit, for whoever shows how far it is or may give it up: yields the share that is done. */
export function* readSteps(text: string, { answers = {}, ...house }: ReadOptions = {}): Generator<number, Read> {
  const locale: Locale = localeOf(text)
  const lexicon = withOwn(lexiconOf(locale), house.ingredients ?? [])
  const habits = habitsOf(text, locale, answers, house.cups ?? null)
  const parts = covered(text, yield* walk(text, lexicon))
  for (const p of parts) decide(p, text, answers)
  stepItems(parts, text, lexicon)
  renameComponents(parts)
  placeByMethod(parts, text, lexicon)
  moved(parts, text, answers)
  partsByMethod(parts, text, lexicon)
  corrected(parts, text, answers)
  weighAll(parts, text, habits, answers, house, lexicon)
  suspicious(parts, text, portionsIn(text, parts, lexicon), answers)
  const read: Read = { text, parts, lexicon, habits, reading: null as unknown as Reading }
  read.reading = result(read, locale)
  return read
}

/** What the cook set aside or took back in. */
function decide(p: Part, text: string, answers: Answers): void {
  const own = text.slice(p.span[0], p.span[1])
  if (answers.leftOut?.includes(own)) p.leftOut = true
  if (p.kind === 'setAside' && answers.takenIn?.includes(own)) p.kind = 'ingredient'
}
function moved(parts: Part[], text: string, answers: Answers): void {
  for (const p of parts) {
    const role = answers.roles?.[text.slice(p.span[0], p.span[1])]
    if (!role || p.kind !== 'ingredient') continue
    const there = parts.find(q => q.component?.role === role)?.component
    p.component = there ?? { role, index: Math.max(0, ...parts.map(q => q.component?.index ?? 0)) + 1, name: null }
    p.placed = false
  }
}

/** "3 lemons", where the method speaks of their juice alone, or of their zest alone. */
function partsByMethod(parts: Part[], text: string, lexicon: Lexicon): void {
  const bare = parts.filter(p => p.kind === 'ingredient' && p.draft && p.draft.parts.size === 0 && p.draft.brackets.length === 0
    && p.draft.nouns.length === 1 && p.draft.nouns[0]!.k === 'fruit')
  if (bare.length !== 1) return
  const listed = parts.some(p => p.kind === 'ingredient' && p.draft?.nouns.some(n => n.k === 'ingredient'
    && (n.id === 'zest' || findIngredient(n.id)?.group === 'juice')))
  const tokens = parts.flatMap(p => (p.kind === 'step' ? tokensOf(text.slice(...p.span), p.span[0], lexicon) : []))
  const said = (part: 'juice' | 'zest') => tokens.some(t => (t.k === 'part' && t.part === part)
    || (t.k === 'ingredient' && (part === 'zest' ? t.id === 'zest' : findIngredient(t.id)?.group === 'juice')))
  const [juice, zest] = [said('juice'), said('zest')]
  if (listed || juice === zest) return
  bare[0]!.draft!.parts.set(juice ? 'juice' : 'zest', null)
  bare[0]!.placed = true
}

/** Something is always the filling: what holds the juice and the egg. */
function renameComponents(parts: Part[]): void {
  const used = parts.filter(p => p.kind === 'ingredient' && p.component)
  const all = [...new Set(used.map(p => p.component!))]
  if (all.length === 0 || all.some(c => c.role === 'filling') || all.every(c => c.role === 'crust')) return
  const weight = (c: Component) => used.filter(p => p.component === c).reduce((sum, p) => sum
    + (p.draft?.nouns.some(n => n.k === 'fruit' || (n.k === 'ingredient' && FILLS.includes(n.id))) ? 2 : 0), 0)
  + (['topping', 'cream', 'insert', 'fruit', 'glaze'].includes(c.role) ? 0.5 : 0)
  const best = all.filter(c => c.role !== 'crust' || all.length === 1).sort((a, b) => weight(b) - weight(a))[0]
  if (best) best.role = 'filling'
}
const FILLS = ['lemon', 'lime', 'keylime', 'orange', 'grapefruit', 'yuzu', 'bergamot', 'seville', 'blood', 'passion',
  'egg', 'yolk_sep', 'condensed', 'calamansi', 'mandarin', 'cream36', 'cream30', 'cream48', 'gelatin']

/** A number of fruit, and nothing else. */
const isFew = ({ amounts: [a, ...more] }: Draft) => a?.unit === null && more.length === 0 && a.value < 13
/** "Zest of 2", "juice of the same three": of the fruit that stood before. */
function carried(parts: readonly Part[]): void {
  let last: Draft['nouns'][number] | null = null
  for (const p of parts) {
    if (p.kind !== 'ingredient' || !p.draft) continue
    const fruit = p.draft.nouns.find(n => n.k === 'fruit')
    const bare = p.draft.nouns.length === 0 || p.draft.nouns.every(n => n.k === 'ingredient' && n.id === 'zest' && !p.draft!.amounts[0]?.unit)
    if (fruit) last = fruit
    else if (last && bare && isFew(p.draft)) {
      if (p.draft.nouns.length > 0) p.draft.parts.set('zest', null)
      if (p.draft.parts.size > 0) p.draft.nouns = [last]
    }
  }
}

/** What an unknown line speaks of: its words after the figures and measures they begin with. */
function nameIn(own: string, lexicon: Lexicon): string {
  const { text, from } = toPlain(own)
  const first = tokensOf(text, 0, lexicon).find(t => !['num', 'unit', 'sign', 'article', 'link'].includes(t.k))
  return first ? own.slice(from[first.at[0]]).trim() : own
}

function weighAll(
  parts: Part[], text: string, habits: Habits, answers: Answers, house: ReadHouse, lexicon: Lexicon,
): void {
  const lines = parts.filter(p => p.kind === 'ingredient' && p.draft)
  const figures = lines.filter(p => p.draft!.amounts.length === 1 && p.draft!.amounts[0]!.unit === null
    && p.draft!.amounts[0]!.digits
    && p.draft!.nouns.some(n => n.k === 'ingredient' && !['egg', 'yolk_sep', 'white', 'gelatin'].includes(n.id)))
  carried(parts)
  const bareGrams = figures.some(p => p.draft!.nameFirst)
    || figures.filter(p => p.draft!.amounts[0]!.value >= 20).length >= 2
  const shares = lines.filter(p => p.draft!.amounts.length === 0 && p.draft!.fatPercent !== null)
  const each = (fruitAlone: boolean) =>
    weighEach(parts, text, lexicon, shares, { habits, answers, house, bareGrams, fruitAlone })
  const isAlone = isFruitAlone(lines)
  each(isAlone)
  if (isAlone && !isMostlyFruit(lines)) each(false)
}
/** @param shares lines that say a share in place of an amount */
function weighEach(
  parts: readonly Part[], text: string, lexicon: Lexicon, shares: readonly Part[], scale: Omit<Scale, 'text'>,
): void {
  for (const p of parts) {
    if (p.kind !== 'ingredient') continue
    const own = text.slice(p.span[0], p.span[1])
    if (!p.draft) {
      p.weighed = weigh({ ...NOTHING, at: p.span }, { ...scale, text: own, bareGrams: false })
      continue
    }
    const noun = p.draft.nouns[0]
    if (shares.length >= 3 && shares.includes(p) && noun?.k === 'ingredient') {
      const massG = Math.round(100 * p.draft.fatPercent!) / 10
      p.weighed = {
        items: [{ ingredientId: noun.id, massG, count: null, piece: null, bloom: null }], question: null,
        assumptions: [{ code: 'percent', params: { percent: p.draft.fatPercent! } }], contradicts: null, cupMl: null,
      }
    } else {
      p.weighed = weigh(p.draft, { ...scale, text: own })
      asWritten(p.weighed, own)
      const { question } = p.weighed
      if (question?.kind === 'ingredient' && !noun) question.words = nameIn(own, lexicon)
      if (p.draft.slip) p.weighed.assumptions.push({ code: 'spelling', params: { words: own } })
    }
  }
}
/** A question names words as they were written, accents and all. */
function asWritten({ question }: Weighed, own: string): void {
  if (!question?.words) return
  const plain = toPlain(own)
  const at = plain.text.toLowerCase().indexOf(question.words)
  if (at >= 0) question.words = own.slice(plain.from[at], plain.from[at + question.words.length - 1]! + 1)
}
const NOTHING: Omit<Draft, 'at'> = {
  amounts: [], others: [], minus: [], nouns: [], parts: new Map(), brackets: [], purpose: null, beside: [], size: null,
  nameFirst: false, slip: false, fatPercent: null, grade: null, rest: [], partWeighed: false, bracketFirst: false,
}

function portionsIn(text: string, parts: readonly Part[], lexicon: Lexicon): number | null {
  const asides = parts.filter(p => p.kind === 'setAside' || p.kind === 'name' || p.kind === 'heading').map(p => text.slice(...p.span))
  return portionsOf(asides, lexicon)
}

function result(r: Read, locale: Locale): Reading {
  const { parts, text, lexicon, habits } = r
  const lines: Entry[] = parts.map(p => ({
    text: text.slice(p.span[0], p.span[1]),
    span: p.span,
    kind: p.kind,
    component: p.kind === 'setAside' || p.kind === 'name' ? null : p.component,
    items: p.leftOut ? [] : (p.weighed?.items ?? []),
    question: p.leftOut ? null : (p.weighed?.question ?? null),
    assumptions: p.leftOut
      ? []
      : [...(p.weighed?.assumptions ?? []), ...(p.placed ? [{ code: 'methodPlaces' as const, params: {} }] : []),
          ...(p.corrects ? [{ code: 'corrected' as const, params: {} }] : [])],
    leftOut: p.leftOut,
  }))
  const facts = factsOf(r)
  const method = methodOf(r, linesOf(lines, 'filling').map(l => l.ingredientId), facts.vessel)
  const portions = portionsIn(text, parts, lexicon) ?? method?.pieces ?? null
  proposeGrams(lines, facts.vessel, portions)
  const name = parts.find(p => p.kind === 'name')
  return {
    name: name ? text.slice(...name.span).replace(/^[#*_]+\s*|[*_]+$/g, '') : null,
    locale, habits, lines, ...facts, portions, method, ...kindOf(lines, { ...facts, method }),
  }
}
