/**
 * One piece of text as drafts of ingredients: what is weighed or counted, of what, which part of it, and what stands in
 * brackets. Clauses (between commas, plus, and) are joined by what each of them lacks.
 */
import { type Amount, amountsIn, HOLDERS } from './amounts'
import type { Token } from './tokens'

export type Noun =
  | { k: 'ingredient', id: string, sure: boolean, text: string }
  | { k: 'fruit', id: string, text: string }
  | { k: 'flavour' | 'other', text: string }
export interface Draft {
  /** Added up. */
  amounts: Amount[]
  /** The same amount in other measures. */
  others: Amount[]
  /** Taken away. */
  minus: Amount[]
  nouns: Noun[]
  /** Parts of a fruit; how many of them, where that was said apart. */
  parts: Map<'juice' | 'zest', number | null>
  brackets: Token[][]
  purpose: 'serve' | 'purpose' | null
  /** Words nobody knows that stand beside the noun. */
  beside: string[]
  size: string | null
  /** The noun stands before its amount. */
  nameFirst: boolean
  slip: boolean
  fatPercent: number | null
  /** The bracket stands before the noun: "2 (8 oz) packages". */
  bracketFirst: boolean
  /** Grade of leaf gelatine that follows its noun. */
  grade: string | null
  /** What is only compared with: "in 600 g cream is 25 %". */
  rest: Token[]
  /** "Juice of lemons", "lemon peel": the part is what is measured, not the fruit. */
  partWeighed: boolean
  at: [number, number]
}

interface Clause extends Draft {
  joint: 'comma' | 'plus' | 'less' | 'start'
  verbs: number
}

const empty = (joint: Clause['joint'], at: number): Clause => ({
  joint, amounts: [], others: [], minus: [], nouns: [], parts: new Map(), brackets: [], purpose: null, beside: [],
  size: null, nameFirst: false, slip: false, fatPercent: null, grade: null, rest: [], partWeighed: false,
  bracketFirst: false, at: [at, at],
  verbs: 0,
})
const METRIC = ['g', 'kg', 'mg', 'hg', 'pound500', 'ml', 'cl', 'dl', 'l']
const WEIGHT = METRIC.slice(0, 5)
const rank = (a: Amount) => (WEIGHT.includes(a.unit ?? '') ? 0 : METRIC.includes(a.unit ?? '') ? 1 : 2)

/** Brackets out of a row of words. */
function bracketsOf(ts: readonly Token[]): { rest: Token[], groups: Map<number, Token[]> } {
  const rest: Token[] = []
  const groups = new Map<number, Token[]>()
  for (let i = 0; i < ts.length; i++) {
    const t = ts[i]!
    if (t.k === 'sign' && (t.sign === '(' || t.sign === '[')) {
      const inside: Token[] = []
      let k = i + 1
      for (; k < ts.length; k++) {
        const c = ts[k]!
        if (c.k === 'sign' && (c.sign === ')' || c.sign === ']')) break
        inside.push(c)
      }
      groups.set(rest.length, [...(groups.get(rest.length) ?? []), ...inside])
      i = k
    } else rest.push(t)
  }
  return { rest, groups }
}

/** Fat in percent: "36 % fat cream", "82% butter", "2% milk", "100% passion purée" (no fat, but no amount either). */
function percentOf(ts: readonly Token[], i: number): number | null {
  const t = ts[i]
  const next = ts[i + 1]
  return t?.k === 'num' && next?.k === 'sign' && next.sign === '%' ? t.value : null
}

const isBreak = (t: Token): boolean => t.k === 'sign' && [',', ';', '•', '·'].includes(t.sign)
const isLoose = (t: Token): boolean => t.k === 'sign' && ['-', ':', '=', '|', '*', '_', '.'].includes(t.sign)

/** Clauses of a piece, each with what it holds. */
function clausesOf(all: readonly Token[]): Clause[] {
  const { rest: ts, groups } = bracketsOf(all)
  const out: Clause[] = []
  let now = empty('start', all[0]?.at[0] ?? 0)
  const amounts = amountsIn(ts)
  const starts = new Map(amounts.map(a => [a.from, a]))
  const push = (joint: Clause['joint'], at: number) => {
    out.push(now)
    now = empty(joint, at)
  }
  let nounAt = -1
  for (let i = 0; i < ts.length;) {
    const inside = groups.get(i)
    if (inside) {
      now.brackets.push(inside)
      now.bracketFirst ||= now.nouns.length === 0
      groups.delete(i)
    }
    const t = ts[i]!
    now.at[1] = t.at[1]
    const percent = percentOf(ts, i)
    if (percent !== null) {
      now.fatPercent = percent
      i += 2
      continue
    }
    const a = starts.get(i)
    if (a && now.nouns.length > 0 && now.amounts.length > 0 && ts[i - 1]?.text === 'in') {
      now.rest = ts.slice(i)
      now.at[1] = ts.at(-1)!.at[1]
      break
    }
    if (a && !a.percent) {
      const before = ts[i - 1]
      const dual = now.amounts.length > 0 && (now.nouns.length === 0 || now.nameFirst)
        && before?.k === 'sign' && ['/', '|', '='].includes(before.sign)
      if (dual) now.others.push(a)
      else if (isOfEach(now, a, before)) now.amounts[0]!.each = { value: a.value, unit: a.unit! }
      else if (now.amounts.length > 0 && now.nouns.length > 0 && (now.nameFirst || now.amounts[0]!.from < nounAt)) {
        // "100 g sugar 3 eggs", "sugar 100 g 3 eggs": the next thing begins.
        push('comma', t.at[0])
        now.amounts.push(a)
      } else if (now.amounts.length > 0) now.others.push(a)
      else {
        now.amounts.push(a)
        now.nameFirst = now.nouns.length > 0
      }
      now.size ??= a.size
      now.at[1] = ts[Math.max(a.to, i + 1) - 1]!.at[1]
      // A bracket within the amount: "2 (8 oz) packages".
      for (let k = i + 1; k < a.to; k++) {
        const within = groups.get(k)
        if (!within) continue
        now.brackets.push(within)
        now.bracketFirst ||= now.nouns.length === 0
        groups.delete(k)
      }
      i = Math.max(a.to, i + 1)
      continue
    }
    if (isNext(now, ts, i, starts)) push('comma', ts[i + 1]!.at[0])
    else if (t.k === 'less') push('less', t.at[0])
    else if (isBreak(t)) push('comma', ts[i + 1]?.at[0] ?? t.at[1])
    else if (t.k === 'plus') push('plus', ts[i + 1]?.at[0] ?? t.at[1])
    else {
      if (t.slip) now.slip = true
      if (t.k === 'ingredient' || t.k === 'fruit' || t.k === 'flavour' || t.k === 'other') nounAt = i
      takeWord(now, t, ts, i)
    }
    i++
  }
  for (const inside of groups.values()) now.brackets.push(inside)
  out.push(now)
  return out
}

/** "flour 480 g / sugar 120 g", "200 g sugar / 3 eggs / salt": a bar between two things that are weighed. */
function isNext(now: Clause, ts: readonly Token[], i: number, starts: ReadonlyMap<number, Amount>): boolean {
  const t = ts[i]!
  if (t.k !== 'sign' || t.sign !== '/' || now.nouns.length === 0 || now.amounts.length === 0) return false
  const end = ts.findIndex((x, k) => k > i && (isBreak(x) || (x.k === 'sign' && x.sign === '/')))
  const next = ts.slice(i + 1, end < 0 ? undefined : end)
  const measured = next.some((_, k) => starts.has(i + 1 + k))
  return measured && next.some(x => x.k === 'ingredient' || x.k === 'fruit' || x.k === 'flavour' || x.k === 'other')
}

/** "3 yogures de 125 g": counted, and what one of them weighs. */
const isOfEach = ({ amounts: [first, ...more], nouns }: Clause, a: Amount, before: Token | undefined) =>
  first !== undefined && more.length === 0 && first.each === null && Number.isInteger(first.value)
  && (first.unit === null ? nouns.length > 0 : HOLDERS.includes(first.unit))
  && METRIC.includes(a.unit ?? '') && before?.k === 'link' && EACH_LINKS.includes(before.text)
const EACH_LINKS = ['de', 'of', 'a', 'di', 'da', 'von', 'zu', 'je', 'at']

/** A word that changes what stands beside it: unknown, right before an English or German noun, after a Romance one. */
function takeWord(now: Clause, t: Token, ts: readonly Token[], i: number): void {
  switch (t.k) {
    case 'ingredient':
      now.nouns.push({ k: 'ingredient', id: t.id, sure: t.sure, text: t.text })
      break
    case 'fruit':
      if (now.parts.size > 0) now.partWeighed = true
      now.nouns.push({ k: 'fruit', id: t.id, text: t.text })
      break
    case 'flavour':
    case 'other':
      now.nouns.push({ k: t.k, text: t.text })
      break
    case 'part':
      // "200 g lemon peel" weighs peel, "200 g lemons, zested" lemons.
      if (ts[i - 1]?.k === 'fruit' && !/ed$/.test(t.text)) now.partWeighed = true
      now.parts.set(t.part, null)
      break
    case 'size':
      now.size ??= t.size
      break
    case 'unit':
      now.size ??= sizeLetter(now, t)
      break
    case 'grade':
      now.grade ??= t.grade
      break
    case 'serve':
      // "Plus extra zest to serve" says nothing of the rest.
      if (now.purpose === null) now.purpose = 'serve'
      break
    case 'purpose':
      now.purpose ??= 'purpose'
      break
    case 'verb':
      now.verbs++
      break
    case 'word': {
      const letter = sizeLetter(now, t)
      if (letter) {
        now.size ??= letter
        break
      }
      const next = ts[i + 1]
      const before = ts[i - 1]
      const linked = before?.k === 'link' ? ts[i - 2] : before
      if (next?.k === 'ingredient' || linked?.k === 'ingredient') now.beside.push(t.text)
      break
    }
    default:
      if (isLoose(t)) break
  }
}

/** "3 huevos L". */
const sizeLetter = (now: Clause, t: Token): string | null =>
  (now.nouns.some(n => ['egg', 'yolk_sep', 'white'].includes(idOf(n) ?? '')) ? (SIZE_LETTERS[t.text] ?? null) : null)
const SIZE_LETTERS: Record<string, string> = { s: 'small', m: 'medium', l: 'large', xl: 'extra large' }

const hasNoun = (c: Draft) => c.nouns.length > 0
const hasAmount = (c: Draft) => c.amounts.length > 0
const EGG_PARTS = ['yolk_sep', 'white']
const idOf = (n: Noun | undefined) => (n?.k === 'ingredient' ? n.id : null)

const NAMES_FRUIT = /lemon|lime|orange|grapefruit|yuzu|bergamot|citron|\blima|limon|naranja|aranci|zitron|limett/
/** Zest that is named beside its fruit is a part of it. */
function zestAsPart(c: Clause): void {
  const isZest = (n: Noun) => idOf(n) === 'zest' && !NAMES_FRUIT.test(n.text)
  if (!c.nouns.some(isZest)) return
  c.nouns = c.nouns.filter(n => !isZest(n))
  c.parts = new Map([['zest', null] as const, ...c.parts])
  c.partWeighed = true
}
/** "Yolks of 5 eggs" are yolks. */
function partsOfEgg(d: Draft): void {
  if (d.nouns.some(n => EGG_PARTS.includes(idOf(n) ?? ''))) d.nouns = d.nouns.filter(n => idOf(n) !== 'egg')
}

function join(to: Draft, c: Clause): void {
  to.nouns.push(...c.nouns)
  for (const [part, n] of c.parts) to.parts.set(part, n ?? to.parts.get(part) ?? null)
  to.bracketFirst ||= c.bracketFirst && to.nouns.length === 0
  to.brackets.push(...c.brackets)
  if (c.joint !== 'plus') to.purpose ??= c.purpose
  if (c.joint !== 'comma') to.beside.push(...c.beside)
  to.size ??= c.size
  to.slip ||= c.slip
  to.fatPercent ??= c.fatPercent
  to.grade ??= c.grade
  to.rest.push(...c.rest)
  to.at[1] = Math.max(to.at[1], c.at[1])
}

/**
 * Drafts of a piece's words; empty where it speaks of nothing that goes into a mix.
 * @example draftsOf(tokensOf('2 eggs plus 3 yolks', 0, lexiconOf('en'))).length // 2
 */
export function draftsOf(ts: readonly Token[]): Draft[] {
  const out: Draft[] = []
  let now: Draft | null = null
  const close = () => {
    if (now) {
      partsOfEgg(now)
      out.push(now)
    }
    now = null
  }
  const clauses = clausesOf(ts)
  if (clauses.some(c => c.nouns.some(n => n.k === 'fruit'))) clauses.forEach(zestAsPart)
  for (const [k, c] of clauses.entries()) {
    if (!now) {
      now = c
      continue
    }
    const cur: Draft = now
    if (goesWithNext(c, cur, clauses[k + 1])) {
      clauses[k + 1]!.parts = new Map([...c.parts, ...clauses[k + 1]!.parts])
      continue
    }
    if (c.joint === 'less' && hasAmount(c)) {
      cur.minus.push(...c.amounts)
      join(cur, { ...c, nouns: hasNoun(cur) ? [] : c.nouns })
    } else if (hasAmount(c) && hasNoun(c)) {
      if (hasAmount(cur) && !hasNoun(cur)) {
        cur.amounts.push(...c.amounts)
        cur.others.push(...c.others)
        join(cur, c)
      } else if (!hasAmount(cur) && !hasNoun(cur)) {
        cur.amounts.push(...c.amounts)
        cur.others.push(...c.others)
        cur.nameFirst = c.nameFirst
        join(cur, c)
      } else {
        // "juice of 1 lemon and 2 limes": the part carries over.
        if (c.joint === 'plus' && c.parts.size === 0 && c.nouns.some(n => n.k === 'fruit'))
          for (const part of cur.parts.keys()) c.parts.set(part, null)
        close()
        now = c
      }
    } else if (hasAmount(c)) {
      if (c.joint === 'comma' && hasNoun(cur) && hasAmount(cur) && isSummed(c, clauses[k + 1])) {
        close()
        now = c
      } else if (hasNoun(cur) && !hasAmount(cur)) {
        cur.amounts.push(...c.amounts)
        cur.others.push(...c.others)
        cur.nameFirst = true
        join(cur, c)
      } else if (hasNoun(cur) && c.parts.size > 0) {
        const n = c.amounts[0]!.value
        join(cur, { ...c, parts: new Map([...c.parts.keys()].map(p => [p, n])) })
      } else {
        const [x, y] = [cur.amounts[0], c.amounts[0]!]
        // "A lemon and a half".
        if (c.joint === 'plus' && x?.unit === null && y.unit === null) x.value += y.value
        else if (c.joint === 'plus') cur.amounts.push(...c.amounts)
        else cur.others.push(...c.amounts.filter(a => a.unit !== null))
        join(cur, c)
      }
    } else if (hasNoun(c) && hasNoun(cur) && !sameThing(cur, c)) {
      close()
      now = c
    } else if (hasNoun(c) && hasNoun(cur)) join(cur, { ...c, nouns: eggPartOf(cur, c) })
    else join(cur, c)
  }
  close()
  return out.filter(d => hasNoun(d) || hasAmount(d))
}

/** "3 oz sugar and the rind and juice of one lemon": the rind is the lemon's. */
const goesWithNext = (c: Clause, cur: Draft, next: Clause | undefined): boolean =>
  c.parts.size > 0 && !hasNoun(c) && !hasAmount(c) && hasNoun(cur) && hasAmount(cur)
  && cur.nouns.every(n => n.k === 'ingredient') && (next?.nouns.some(n => n.k === 'fruit') ?? false)

/** ", 1 cup plus 2 Tbs lemon juice": the first of a sum whose noun follows. */
const isSummed = (c: Clause, next: Clause | undefined): boolean =>
  c.amounts[0]!.unit !== null && c.parts.size === 0 && next?.joint === 'plus' && hasAmount(next) && hasNoun(next)

/** A later clause names the same thing again, or the part of an egg that is meant. */
function sameThing(a: Draft, b: Draft): boolean {
  const [x, y] = [a.nouns[0]!, b.nouns[0]!]
  if (x.k === 'fruit') return y.k === 'fruit' ? x.id === y.id : idOf(y) === 'zest'
  if (idOf(x) === 'egg' && EGG_PARTS.includes(idOf(y) ?? '')) return b.purpose === null
  return x.text === y.text || (idOf(x) !== null && idOf(x) === idOf(y))
}
const eggPartOf = (a: Draft, b: Draft): Noun[] => (idOf(a.nouns[0]) === 'egg' || a.nouns[0]!.k === 'fruit' ? b.nouns : [])

/** Amounts of the same thing, the one in grams first. */
export const bestOf = (d: Draft): Amount[] =>
  d.others.length === 0 || d.amounts.length > 1
    ? d.amounts
    : [[...d.amounts, ...d.others].sort((a, b) => rank(a) - rank(b))[0]!]
