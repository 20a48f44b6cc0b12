/** From pieces to entries: each sorted, with the component its heading opened. */
import { findIngredient } from '../../base/ingredients/ingredients'
import type { ComponentRole } from '../../formula/document'
import { headingEnd, roleOf, sort, type Sorted, speaksOf, startsFor } from './classify'
import { draftsOf } from './drafts'
import { type Lexicon, lexiconOf } from './lexicon'
import { newPart, type Part } from './parts'
import { type Piece, piecesOf } from './pieces'
import { type Component, LOCALES } from './reading'
import { isBlank, rowsOf } from './rows'
import { tokensOf } from './tokens'

/** A line that nobody writes, characters: it is taken for a step, whole. */
const LINE_MOST = 2000

type Area = NonNullable<Sorted['opens']>
interface State {
  component: Component
  count: number
  area: Area | null
  /** Components by their role, where a method's headings name them again. */
  known: Map<ComponentRole, Component>
  named: boolean
  /** Whether an ingredient, and whether a component's heading stood before. */
  seen: boolean
  begun: boolean
  /** Pieces after this one, until an ingredient was seen. */
  ahead: readonly Piece[]
}

/** Pieces between two looks at what else is asked. */
const STEP = 40
/** Every piece as one or several parts, with the component its heading opened. */
export function* walk(text: string, lexicon: Lexicon): Generator<number, Part[]> {
  const pieces = paired(piecesOf(text), text, lexicon)
  const out: Part[] = []
  const s: State = {
    component: { role: 'filling', index: 0, name: null }, count: 1, area: null, known: new Map(),
    named: false, seen: false, begun: false, ahead: [],
  }
  const table = rowsOf(pieces, text, lexicon)
  for (const [i, piece] of pieces.entries()) {
    if (i % STEP === STEP - 1) yield i / pieces.length
    s.ahead = s.seen ? [] : pieces.slice(i + 1)
    const row = table.get(i)
    if (row) {
      if (row.role && (row.name !== s.component.name)) s.component = nextComponent(s, row.role, row.name)
      if (row.drafts.length > 0) s.seen = true
      out.push(...(row.drafts.length > 0
        ? row.drafts.map(d => newPart(piece.span, 'ingredient', s.component, { draft: d, tokens: row.tokens }))
        : [newPart(piece.span, 'setAside', null)]).slice(0, 1))
    } else out.push(...ofPiece(piece, text, lexicon, s, pieces[i + 1]))
  }
  return out
}

/** The component a heading begins; the first one when nothing stood before it. */
function nextComponent(s: State, role: ComponentRole, name: string | null): Component {
  const first = !s.seen && !s.begun
  s.begun = true
  const there = s.area === 'method' ? s.known.get(role) : undefined
  if (there) return there
  const made: Component = { role, index: first ? 0 : s.count++, name }
  s.known.set(role, made)
  return made
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
  if (piece.given === 'setAside' || isBlank(raw)) return [newPart(piece.span, 'setAside', null)]
  if (piece.given === 'name') return [newPart(piece.span, 'name', null)]
  if (piece.given === 'step') return [newPart(piece.span, 'step', s.component)]
  if (raw.length > LINE_MOST) return [newPart(piece.span, 'step', s.component)]
  if (s.area === 'notes' && !isHeading(raw, piece, lexicon, s)) return [newPart(piece.span, 'setAside', null)]
  const end = headingEnd(raw, lexicon)
  if (end !== null && !piece.given) {
    const head = raw.slice(0, end)
    s.component = nextComponent(s, roleOf(head, lexicon) ?? 'filling', head.replace(/[:：]\s*$/, '').trim())
    const from = piece.body + end + (raw.slice(end).length - raw.slice(end).trimStart().length)
    return [
      newPart([piece.span[0], piece.body + end], 'heading', s.component),
      ...ofPiece(restOf(piece, from), text, lexicon, s, next),
    ]
  }
  const stop = /[.!]\s+(?=\p{Lu})/u.exec(raw)
  if (stop && !piece.given && (sentences(raw, stop.index + 1, piece, lexicon, s) || told(raw, piece, lexicon, s))) {
    const cut = piece.body + stop.index + 1
    const from = cut + (text.slice(cut).length - text.slice(cut).trimStart().length)
    return [
      ...ofPiece({ ...piece, span: [piece.span[0], cut] }, text, lexicon, s, next),
      ...ofPiece(restOf(piece, from), text, lexicon, s, next),
    ]
  }
  const { bullet, marked, numbered } = piece
  const got = sort(raw, piece.body, lexicon, { area: s.area, bullet, marked, numbered })
  if (!s.named && !s.seen && !s.begun && !bullet && !piece.given && isDish(raw, got, lexicon)) {
    s.named = true
    return [newPart(piece.span, 'name', null)]
  }
  if (piece.given === 'ingredient') return ingredients(piece, { ...got, kind: 'ingredient' }, s)
  const title = piece.marked && text.slice(piece.span[0]).startsWith('# ')
  if (title && !s.named && !s.seen && got.kind === 'heading' && got.opens === null) {
    s.named = true
    return [newPart(piece.span, 'name', null)]
  }
  return byKind(piece, got, raw, s, text, next, lexicon)
}

/** Whether notes end here. */
function isHeading(raw: string, { body, bullet, marked, numbered }: Piece, lexicon: Lexicon, s: State): boolean {
  const got = sort(raw, body, lexicon, { area: s.area, bullet, marked, numbered })
  return got.kind === 'heading' && (got.opens !== null || got.role !== null)
}

/** What is left of a piece from a place on. */
const restOf = (piece: Piece, from: number): Piece =>
  ({ ...piece, span: [from, piece.span[1]], body: from, bullet: false, numbered: false })

/** Whether several sentences tell amounts: "To that go five eggs. Zest of three lemons. …" */
function told(raw: string, piece: Piece, lexicon: Lexicon, s: State): boolean {
  if (piece.bullet || piece.numbered || piece.cells) return false
  const o = { area: s.area, bullet: false, marked: false, numbered: false }
  return sort(raw, 0, lexicon, o).kind === 'ingredient' && draftsOf(tokensOf(raw, 0, lexicon)).length > 1
}

/** Whether ingredients end with a sentence and something else begins: "140 g butter. Took it to 84." */
function sentences(raw: string, at: number, piece: Piece, lexicon: Lexicon, s: State): boolean {
  const o = { area: s.area, bullet: piece.bullet, marked: false, numbered: false }
  const [first, then] = [sort(raw.slice(0, at), 0, lexicon, o), sort(raw.slice(at), 0, lexicon, o)]
  if (first.kind === 'step' && isTaken(first, s)) return true
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
        return [newPart(piece.span, 'name', null)]
      }
      if (got.opens === 'notes') {
        // Above everything it is only the sheet's own name.
        if (s.seen) s.area = 'notes'
        return [newPart(piece.span, 'setAside', null)]
      }
      if (got.opens) s.area = got.opens
      else {
        s.component = nextComponent(s, got.role ?? 'filling', raw.replace(/[:：]\s*$/, '').trim())
        if (s.area !== 'method') s.area = null
      }
      return [newPart(piece.span, 'heading', got.opens ? null : s.component)]
    case 'setAside':
      return [newPart(piece.span, 'setAside', null)]
    case 'step': {
      if (isTaken(got, s)) return ingredients(piece, got, s)
      // "For the topping, whip …": the step says whose it is.
      const head = raw.split(',')[0]!
      const said = startsFor(raw, lexicon) ? roleOf(head, lexicon) : null
      const own = said && said !== s.component.role ? { role: said, index: s.count++, name: head } : s.component
      return [newPart(piece.span, 'step', own, { tokens: got.tokens })]
    }
    case 'ingredient': {
      const bare = got.drafts.every(d => d.amounts.length === 0 && !d.brackets.some(b => b.some(t => t.k === 'unit')))
      // "Posset x 24", "Batch sheet 12/11".
      const strange = got.tokens.filter(t => t.k === 'word').length
      const inWords = strange >= 1 && got.tokens.every(t => !/^\d/.test(t.text)) && got.tokens[0]?.k === 'word'
      const times = (strange >= 2 || inWords)
        && got.drafts.every(d => d.nouns.length === 0 && d.amounts.every(a => a.unit === null))
      const isNamed = bare && (isName(got) || comesAgain(got, s, text, lexicon))
      if (!s.named && !s.seen && !piece.bullet && (isNamed || times)) {
        s.named = true
        return [newPart(piece.span, 'name', null)]
      }
      return ingredients(piece, got, s)
    }
    default:
      if (!s.named && !s.seen && !piece.bullet) {
        s.named = true
        return [newPart(piece.span, 'name', null)]
      }
      return [newPart(piece.span, s.area === 'method' ? 'step' : 'setAside', s.area === 'method' ? s.component : null)]
  }
}

/** "Take 200 g of sugar, four eggs and the juice of three lemons": a list, where none stood before. */
const isTaken = ({ tokens, drafts }: Sorted, s: State): boolean =>
  !s.seen && s.area !== 'method' && tokens.filter(t => t.k === 'verb').length <= 1
  && !tokens.some(t => t.k === 'dimension' || t.k === 'degrees')
  && drafts.filter(d => d.amounts.length > 0 && d.nouns.length > 0).length >= 3

/** The first words of a text name its dish: nothing is weighed in them. */
function isDish(raw: string, { kind }: Sorted, lexicon: Lexicon): boolean {
  if (kind === 'setAside' || raw.length > 90 || /[:：.]\s*$/.test(raw)) return false
  const head = tokensOf(raw.split(/[([|]|\s[—–-]\s/)[0]!, 0, lexicon)
  const drafts = draftsOf(head)
  const all = draftsOf(tokensOf(raw, 0, lexicon)).filter(d => d.amounts.length > 0 && d.nouns.length > 0)
  if (all.length > 2) return false
  // "Crémeux yuzu 1 kg" names what is made; "lemon cream 200 g, sugar 100 g" what goes in.
  const weighed = drafts.filter(d => d.amounts.length > 0 && d.nouns.some(n => n.k === 'ingredient'))
  if (head.some(t => t.k === 'verb') || weighed.some(d => d.amounts.some(a => a.unit !== null))) return false
  const loose = head.filter(t => ['word', 'unit'].includes(t.k)).map(t => t.text).join(' ')
  return speaksOf(loose, lexicon.words.dishes, lexicon)
    || /\b(?:yields?|batch|recipe|rezept|recette|receta|ricetta)\b/iu.test(raw)
}

/** A title such as "Lemon cream" before lines with amounts, and no further heading of its kind. */
function isTitle(raw: string, got: Sorted, next: Piece | undefined, text: string, lexicon: Lexicon): boolean {
  if (!next || got.role === 'crust' || got.role === 'topping' || got.role === 'insert' || got.role === 'sponge') return false
  const words = raw.trim().split(/\s+/).length
  const follows = text.slice(next.body, next.span[1])
  const isNext = sort(follows, 0, lexicon, { area: null, bullet: false, marked: false, numbered: false })
  // "Posset" names the dish, "Filling" a part of it.
  const isDish = words >= 2 || (got.role === 'filling' && !speaksOf(raw, lexicon.words.roles.filling.slice(0, 1), lexicon))
  return isDish && (isNext.kind === 'setAside' || isNext.opens !== null || /^\D*\d/.test(follows))
}
/** Names a dish, not a thing to weigh: two nouns, or a noun with words nobody weighs. */
function isName(got: Sorted): boolean {
  const told = got.tokens.some(t => ['part', 'purpose', 'serve', 'state'].includes(t.k))
  const nouns = got.drafts.flatMap(d => d.nouns)
  return !told && (nouns.length > 1 || nouns[0]?.k === 'fruit')
}

/** "Roasted peaches", "Lemon peel in vodka": words of what a later line weighs, and of more than that. */
function comesAgain({ tokens, drafts }: Sorted, s: State, text: string, lexicon: Lexicon): boolean {
  if (tokens.length < 2 || tokens.some(t => t.k === 'purpose' || t.k === 'serve')) return false
  const named = drafts.flatMap(d => d.nouns)
  const [first, ...more] = named
  const isFruit = first?.k === 'ingredient' && findIngredient(first.id)?.group === 'fruit'
  if (more.length === 0 && !isFruit) return false
  const weighed = s.ahead.flatMap(p => draftsOf(tokensOf(text.slice(p.body, p.span[1]), p.body, lexicon)))
    .filter(d => d.amounts.length > 0).flatMap(d => d.nouns)
  return named.some(n => weighed.some(w => ('id' in n && 'id' in w ? n.id === w.id : n.text === w.text)))
}

/** One line of one or several ingredients; the separators go with what stands before them. */
function ingredients(piece: Piece, got: Sorted, s: State): Part[] {
  s.seen = true
  const { drafts, tokens } = got
  if (drafts.length === 0) return [newPart(piece.span, 'ingredient', s.component, { tokens })]
  return drafts.map((draft, i) => {
    const from = i === 0 ? piece.span[0] : draft.at[0]
    const to = i === drafts.length - 1 ? piece.span[1] : drafts[i + 1]!.at[0]
    return newPart([from, to], 'ingredient', s.component, {
      draft, tokens: tokens.filter(t => t.at[0] >= from && t.at[0] < to),
    })
  })
}
