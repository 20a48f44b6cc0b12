/**
 * Reading a pasted text: language and habits of the whole, pieces sorted, ingredients weighed, components by headings
 * or by the method, the method's own facts. Every character that is not blank ends in exactly one entry.
 */
import type { CupSystem } from '../../base/units'
import type { ComponentRole } from '../../formula/document'
import { headingEnd, isAside, roleOf, sort, type Sorted, startsFor } from './classify'
import { type Draft, draftsOf } from './drafts'
import { factsOf, portionsOf } from './facts'
import { habitsOf, localeOf } from './habits'
import { type Lexicon, lexiconOf } from './lexicon'
import { type Piece, piecesOf } from './pieces'
import { placeByMethod } from './places'
import { toPlain } from './plain'
import { type Answers, type Component, type Entry, type Habits, type Locale, LOCALES, type Reading } from './reading'
import { isBlank, rowsOf } from './rows'
import { type Token, tokensOf } from './tokens'
import { suspicious } from './suspicious'
import { kindOf } from './kind'
import { weigh, type Weighed } from './weigh'

/** A line that nobody writes, characters: it is set aside whole. */
export const LINE_MOST = 2000
/** A text that is no recipe any more: what is longer is not read at all. */
export const TEXT_MOST = { characters: 200_000, lines: 3000 } as const

/** What a text has too much of, and how much; null when it can be read. @example tooLong('200 g sugar') // null */
export function tooLong(text: string): { of: 'characters' | 'lines', count: number, most: number } | null {
  if (text.length > TEXT_MOST.characters) return { of: 'characters', count: text.length, most: TEXT_MOST.characters }
  const count = text.split('\n').length
  return count > TEXT_MOST.lines ? { of: 'lines', count, most: TEXT_MOST.lines } : null
}

/** An entry on its way: what it is, and what its line says beyond it. */
export interface Part {
  span: [number, number]
  kind: Entry['kind']
  component: Component | null
  draft: Draft | null
  tokens: Token[]
  weighed: Weighed | null
  leftOut: boolean
  placed: boolean
  /** Cut out of a step. */
  fromStep: boolean
}
export interface Read {
  text: string
  parts: Part[]
  lexicon: Lexicon
  habits: Habits
  reading: Reading
}

export interface ReadOptions {
  answers?: Answers
  /** The kitchen's own cups, where a text does not say whose. */
  cups?: CupSystem | null
}

const part = (span: [number, number], kind: Entry['kind'], component: Component | null, over: Partial<Part> = {}): Part =>
  ({
    span, kind, component, draft: null, tokens: [], weighed: null, leftOut: false, placed: false, fromStep: false,
    ...over,
  })

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
export function* readSteps(text: string, { answers = {}, cups = null }: ReadOptions = {}): Generator<number, Read> {
  const locale: Locale = localeOf(text)
  const lexicon = lexiconOf(locale)
  const habits = habitsOf(text, locale, answers, cups)
  const parts = covered(text, yield* sorted(text, lexicon))
  for (const p of parts) decide(p, text, answers)
  stepItems(parts, text, lexicon)
  renameComponents(parts)
  placeByMethod(parts, text, lexicon)
  moved(parts, text, answers)
  weighAll(parts, text, habits, answers)
  suspicious(parts, text, portionsIn(text, parts, lexicon), answers)
  const read: Read = { text, parts, lexicon, habits, reading: null as unknown as Reading }
  read.reading = result(read, locale)
  return read
}

interface State {
  component: Component
  count: number
  area: 'ingredients' | 'method' | null
  named: boolean
  /** Whether an ingredient, and whether a component's heading stood before. */
  seen: boolean
  begun: boolean
}

/** Pieces between two looks at what else is asked. */
const STEP = 40
/** Every piece as one or several parts, with the component its heading opened. */
function* sorted(text: string, lexicon: Lexicon): Generator<number, Part[]> {
  const pieces = paired(piecesOf(text), text, lexicon)
  const out: Part[] = []
  const s: State = { component: { role: 'filling', index: 0, name: null }, count: 1, area: null, named: false, seen: false, begun: false }
  const table = rowsOf(pieces, text, lexicon)
  for (const [i, piece] of pieces.entries()) {
    if (i % STEP === STEP - 1) yield i / pieces.length
    const row = table.get(i)
    if (row) {
      if (row.role && (row.name !== s.component.name)) s.component = nextComponent(s, row.role, row.name)
      if (row.drafts.length > 0) s.seen = true
      out.push(...(row.drafts.length > 0
        ? row.drafts.map(d => part(piece.span, 'ingredient', s.component, { draft: d, tokens: row.tokens }))
        : [part(piece.span, 'setAside', null)]).slice(0, 1))
    } else out.push(...ofPiece(piece, text, lexicon, s, pieces[i + 1]))
  }
  return out
}

/** The component a heading begins; the first one when nothing stood before it. */
function nextComponent(s: State, role: ComponentRole, name: string | null): Component {
  const first = !s.seen && !s.begun
  s.begun = true
  return { role, index: first ? 0 : s.count++, name }
}

/** A name on one line and its amount on the next are one piece. */
function paired(pieces: Piece[], text: string, lexicon: Lexicon): Piece[] {
  const out: Piece[] = []
  const isName = (p: Piece) => {
    if (p.given || p.cells || p.span[1] - p.body > 40) return false
    const ts = tokensOf(text.slice(p.body, p.span[1]), p.body, lexicon)
    return ts.filter(t => t.k === 'ingredient').length === 1 && ts.every(t => ['ingredient', 'state', 'link'].includes(t.k))
  }
  const isAmount = (p: Piece | undefined) => {
    if (!p || p.given || p.cells || p.span[1] - p.body > 24) return false
    const ds = draftsOf(tokensOf(text.slice(p.body, p.span[1]), p.body, lexicon))
    return ds.length === 1 && ds[0]!.nouns.length === 0 && ds[0]!.amounts.length > 0
  }
  for (let i = 0; i < pieces.length; i++) {
    const [p, next] = [pieces[i]!, pieces[i + 1]]
    if (isName(p) && isAmount(next)) {
      out.push({ ...p, span: [p.span[0], next!.span[1]] })
      i++
    } else out.push(p)
  }
  return out
}

/** The language of one line, where the text's own knows hardly a word of it. */
function lexiconFor(raw: string, own: Lexicon): Lexicon {
  if (raw.length > 200) return own
  const strange = (l: Lexicon) => {
    const words = tokensOf(raw, 0, l).filter(t => t.k !== 'sign' && t.k !== 'num' && t.text.length > 1)
    return { l, of: words.length, unknown: words.filter(t => t.k === 'word' || t.slip).length }
  }
  const mine = strange(own)
  if (mine.unknown === 0 || mine.unknown < mine.of / 2) return own
  const best = LOCALES.map(x => strange(lexiconOf(x))).sort((a, b) => a.unknown / a.of - b.unknown / b.of)[0]!
  return best.unknown / best.of < 0.5 * (mine.unknown / mine.of) ? best.l : own
}

function ofPiece(piece: Piece, text: string, own: Lexicon, s: State, next: Piece | undefined): Part[] {
  const raw = text.slice(piece.body, piece.span[1])
  const lexicon = lexiconFor(raw, own)
  if (piece.given === 'setAside' || isBlank(raw)) return [part(piece.span, 'setAside', null)]
  if (piece.given === 'name') return [part(piece.span, 'name', null)]
  if (piece.given === 'step') return [part(piece.span, 'step', s.component)]
  if (raw.length > LINE_MOST) return [part(piece.span, 'step', s.component)]
  const end = headingEnd(raw, lexicon)
  if (end !== null && !piece.given) {
    const head = raw.slice(0, end)
    s.component = nextComponent(s, roleOf(head, lexicon) ?? 'filling', head.replace(/[:：]\s*$/, '').trim())
    const from = piece.body + end + (raw.slice(end).length - raw.slice(end).trimStart().length)
    return [
      part([piece.span[0], piece.body + end], 'heading', s.component),
      ...ofPiece(restOf(piece, from), text, lexicon, s, next),
    ]
  }
  const stop = /[.!]\s+(?=\p{Lu})/u.exec(raw)
  if (stop && !piece.given && sentences(raw, stop.index + 1, piece, lexicon, s)) {
    const cut = piece.body + stop.index + 1
    const from = cut + (text.slice(cut).length - text.slice(cut).trimStart().length)
    return [
      ...ofPiece({ ...piece, span: [piece.span[0], cut] }, text, lexicon, s, next),
      ...ofPiece(restOf(piece, from), text, lexicon, s, next),
    ]
  }
  const { bullet, marked, numbered } = piece
  const got = sort(raw, piece.body, lexicon, { area: s.area, bullet, marked, numbered })
  if (piece.given === 'ingredient') return ingredients(piece, { ...got, kind: 'ingredient' }, s)
  if (piece.marked && !s.named && !s.seen && got.kind === 'heading' && got.opens === null && text.slice(piece.span[0]).startsWith('# ')) {
    s.named = true
    return [part(piece.span, 'name', null)]
  }
  return byKind(piece, got, raw, s, text, next, lexicon)
}

/** What is left of a piece from a place on. */
const restOf = (piece: Piece, from: number): Piece =>
  ({ ...piece, span: [from, piece.span[1]], body: from, bullet: false, numbered: false })

/** Whether ingredients end with a sentence and something else begins: "140 g butter. Took it to 84." */
function sentences(raw: string, at: number, piece: Piece, lexicon: Lexicon, s: State): boolean {
  const o = { area: s.area, bullet: piece.bullet, marked: false, numbered: false }
  const [first, then] = [sort(raw.slice(0, at), 0, lexicon, o), sort(raw.slice(at), 0, lexicon, o)]
  return first.kind === 'ingredient' && first.drafts.some(d => d.amounts.length > 0) && then.kind !== 'ingredient'
    && raw.slice(at).trim().split(/\s+/).length > 2
}

function byKind(
  piece: Piece, got: Sorted, raw: string, s: State, text: string, next: Piece | undefined, lexicon: Lexicon,
): Part[] {
  switch (got.kind) {
    case 'heading':
      // A first line that could be a heading is the name when nothing but amounts follow it.
      if (!got.opens && !s.named && !s.seen && !/[:：]\s*$/.test(raw) && isTitle(raw, got, next, text, lexicon)) {
        s.named = true
        return [part(piece.span, 'name', null)]
      }
      if (got.opens) s.area = got.opens
      else {
        s.component = nextComponent(s, got.role ?? 'filling', raw.replace(/[:：]\s*$/, '').trim())
        if (s.area !== 'method') s.area = null
      }
      return [part(piece.span, 'heading', got.opens ? null : s.component)]
    case 'setAside':
      return [part(piece.span, 'setAside', null)]
    case 'step': {
      // "For the topping, whip …": the step says whose it is.
      const head = raw.split(',')[0]!
      const said = startsFor(raw, lexicon) ? roleOf(head, lexicon) : null
      const own = said && said !== s.component.role ? { role: said, index: s.count++, name: head } : s.component
      return [part(piece.span, 'step', own, { tokens: got.tokens })]
    }
    case 'ingredient': {
      const bare = got.drafts.every(d => d.amounts.length === 0 && !d.brackets.some(b => b.some(t => t.k === 'unit')))
      // "Posset x 24", "Batch sheet 12/11".
      const strange = got.tokens.filter(t => t.k === 'word').length
      const inWords = strange >= 1 && got.tokens.every(t => !/^\d/.test(t.text)) && got.tokens[0]?.k === 'word'
      const times = (strange >= 2 || inWords)
        && got.drafts.every(d => d.nouns.length === 0 && d.amounts.every(a => a.unit === null))
      if (!s.named && !s.seen && !piece.bullet && ((bare && isName(got)) || times)) {
        s.named = true
        return [part(piece.span, 'name', null)]
      }
      return ingredients(piece, got, s)
    }
    default:
      if (!s.named && !s.seen && !piece.bullet) {
        s.named = true
        return [part(piece.span, 'name', null)]
      }
      return [part(piece.span, s.area === 'method' ? 'step' : 'setAside', s.area === 'method' ? s.component : null)]
  }
}

/** A title such as "Lemon cream" before lines with amounts, and no further heading of its kind. */
function isTitle(raw: string, got: Sorted, next: Piece | undefined, text: string, lexicon: Lexicon): boolean {
  if (!next || got.role === 'crust' || got.role === 'topping' || got.role === 'insert' || got.role === 'sponge') return false
  const words = raw.trim().split(/\s+/).length
  const follows = text.slice(next.body, next.span[1])
  return words >= 2 && !isAside(follows, lexicon) && /^\D*\d/.test(follows)
}
/** Names a dish, not a thing to weigh: two nouns, or a noun with words nobody weighs. */
function isName(got: Sorted): boolean {
  const told = got.tokens.some(t => ['part', 'purpose', 'serve', 'state'].includes(t.k))
  const nouns = got.drafts.flatMap(d => d.nouns)
  return !told && (nouns.length > 1 || nouns[0]?.k === 'fruit')
}

/** One line of one or several ingredients; the separators go with what stands before them. */
function ingredients(piece: Piece, got: Sorted, s: State): Part[] {
  s.seen = true
  const { drafts, tokens } = got
  if (drafts.length === 0) return [part(piece.span, 'ingredient', s.component, { tokens })]
  return drafts.map((draft, i) => {
    const from = i === 0 ? piece.span[0] : draft.at[0]
    const to = i === drafts.length - 1 ? piece.span[1] : drafts[i + 1]!.at[0]
    return part([from, to], 'ingredient', s.component, {
      draft, tokens: tokens.filter(t => t.at[0] >= from && t.at[0] < to),
    })
  })
}

/** Sorts by place, trims blanks, and sets aside what nothing else holds. */
function covered(text: string, parts: Part[]): Part[] {
  const list = parts
    .map((p) => {
      let [a, b] = p.span
      while (a < b && /\s/.test(text[a]!)) a++
      while (b > a && /\s/.test(text[b - 1]!)) b--
      return { ...p, span: [a, b] as [number, number] }
    })
    .filter(p => p.span[1] > p.span[0])
    .sort((x, y) => x.span[0] - y.span[0])
  const out: Part[] = []
  let at = 0
  const gap = (to: number) => {
    const raw = text.slice(at, to)
    const lead = raw.length - raw.trimStart().length
    if (raw.trim()) out.push(part([at + lead, at + lead + raw.trim().length], 'setAside', null))
  }
  for (const p of list) {
    if (p.span[0] > at) gap(p.span[0])
    if (p.span[0] < at) p.span[0] = at
    if (p.span[1] <= p.span[0]) continue
    out.push(p)
    at = p.span[1]
  }
  gap(text.length)
  return out
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

/** A step that weighs what no line lists: that run becomes an ingredient of its own. */
function stepItems(parts: Part[], text: string, lexicon: Lexicon): void {
  const listed = new Set(parts.flatMap(p => (p.kind === 'ingredient' ? (p.draft?.nouns ?? []).map(keyOf) : [])))
  for (let i = parts.length - 1; i >= 0; i--) {
    const p = parts[i]!
    if (p.kind !== 'step') continue
    const tokens = tokensOf(text.slice(p.span[0], p.span[1]), p.span[0], lexicon)
    p.tokens = tokens
    const runs = runsOf(tokens).filter(d => !d.nouns.some(n => listed.has(keyOf(n))))
    if (runs.length === 0) continue
    const cut: Part[] = []
    let at = p.span[0]
    for (const draft of runs) {
      if (draft.at[0] > at) cut.push({ ...p, span: [at, draft.at[0]] })
      cut.push(part(draft.at, 'ingredient', p.component, { fromStep: true, draft, tokens: tokens.filter(t => t.at[0] >= draft.at[0] && t.at[0] < draft.at[1]) }))
      at = draft.at[1]
    }
    if (at < p.span[1]) cut.push({ ...p, span: [at, p.span[1]] })
    parts.splice(i, 1, ...covered(text.slice(0, p.span[1]), cut).filter(c => c.span[0] >= p.span[0]))
  }
}
const keyOf = (n: Draft['nouns'][number]) => (n.k === 'ingredient' ? n.id.replace(/\d+$/, '') : n.k === 'fruit' ? n.id : n.text)

/** "4 eggs", "150 g of sugar" within a sentence. */
export function runsOf(tokens: readonly Token[]): Draft[] {
  const out: Draft[] = []
  for (let i = 0; i < tokens.length; i++) {
    if (tokens[i]!.k !== 'num' && tokens[i]!.k !== 'article') continue
    // From a number to the noun it counts, at most a handful of words on.
    for (let k = i + 1; k < Math.min(tokens.length, i + 7); k++) {
      const t = tokens[k]!
      if (t.k === 'verb' || (t.k === 'sign' && t.sign !== '/')) break
      if (t.k !== 'ingredient') continue
      const d = draftsOf(tokens.slice(i, k + 1))[0]
      const a = d?.amounts[0]
      if (d && a && d.nouns.length > 0 && (a.unit !== null || ['egg', 'yolk_sep', 'white'].includes(t.id))) {
        out.push({ ...d, at: [tokens[i]!.at[0], t.at[1]] })
        i = k
      }
      break
    }
  }
  return out
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

function weighAll(parts: Part[], text: string, habits: Habits, answers: Answers): void {
  const lines = parts.filter(p => p.kind === 'ingredient' && p.draft)
  const figures = lines.filter(p => p.draft!.amounts.length === 1 && p.draft!.amounts[0]!.unit === null
    && p.draft!.nouns.some(n => n.k === 'ingredient' && !['egg', 'yolk_sep', 'white', 'gelatin'].includes(n.id)))
  const bareGrams = figures.some(p => p.draft!.nameFirst)
    || figures.filter(p => p.draft!.amounts[0]!.value >= 20).length >= 2
  const shares = lines.filter(p => p.draft!.amounts.length === 0 && p.draft!.fatPercent !== null)
  for (const p of parts) {
    if (p.kind !== 'ingredient') continue
    const own = text.slice(p.span[0], p.span[1])
    if (!p.draft) {
      p.weighed = weigh({ ...NOTHING, at: p.span }, { habits, answers, text: own, bareGrams: false })
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
      p.weighed = weigh(p.draft, { habits, answers, text: own, bareGrams })
      asWritten(p.weighed, own)
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
  nameFirst: false, slip: false, fatPercent: null, grade: null, rest: [], partFirst: false,
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
      : [...(p.weighed?.assumptions ?? []), ...(p.placed ? [{ code: 'methodPlaces' as const, params: {} }] : [])],
    leftOut: p.leftOut,
  }))
  const portions = portionsIn(text, parts, lexicon)
  const facts = factsOf(r)
  return {
    name: parts.find(p => p.kind === 'name') ? text.slice(...parts.find(p => p.kind === 'name')!.span).replace(/^#+\s*/, '') : null,
    locale, habits, lines, ...facts, portions, ...kindOf(lines, { ...facts, hasSteps: parts.some(p => p.kind === 'step') }),
  }
}
