/** Percentages: shares that make no hundred, a share said of two things, shares claimed beside grams. */
import { findIngredient, isCream } from '../../base/ingredients/ingredients'
import type { Ctx } from './lintCodes'
import type { Part } from './parts'
import { type Token, tokensOf } from './tokens'

/** Percentages of the whole make 100; a share said of two things is what they make it. */
export function percentages({ own, add, r }: Ctx): void {
  const stated = own.filter(({ p }) => p.weighed?.assumptions.some(a => a.code === 'percent'))
  const values = stated.map(({ p }) => p.draft!.fatPercent!)
  const sum = values.reduce((a, b) => a + b, 0)
  const baker = values.some(v => Math.abs(v - 100) < 0.5)
  if (stated.length >= 3 && Math.abs(sum - 100) > 1.5 && !baker) {
    const at = values.indexOf(Math.max(...values))
    const rest = Math.round(10 * (100 - sum + values[at]!)) / 10
    const { p, i } = stated[at]!
    const raw = r.text.slice(...p.span)
    add('percentagesOff', [i], { sum: Math.round(10 * sum) / 10 }, rest > 0
      ? [{ kind: 'replace', span: p.span, before: raw, after: raw.replace(/\d+(?:[.,]\d+)?\s*%/, `${rest} %`) }]
      : [])
  }
  for (const { p, i } of own) {
    const rest = p.draft?.rest ?? []
    const of = rest.find((t): t is Token & { k: 'num', value: number } => t.k === 'num')
    const at = rest.findIndex(t => t.k === 'sign' && t.sign === '%')
    const said = rest[at - 1]
    const g = p.weighed?.items[0]?.massG
    if (!of || said?.k !== 'num' || !g) continue
    const [inside, beside] = [(100 * g) / of.value, (100 * g) / (of.value + g)]
    if (Math.min(Math.abs(said.value - inside), Math.abs(said.value - beside)) <= 1 && !rest.slice(at + 1).some(t => t.k === 'num')) {
      if (Math.abs(said.value - beside) <= 1) continue
    }
    add('percentagesOff', [i], { sum: said.value, inside: Math.round(inside), beside: Math.round(beside) })
  }
}

/** A line with its grams and what it says they are a share of. */
interface Claim {
  p: Part
  i: number
  g: number
  percent: number
  /** Ingredients it names as the whole; none: it does not say. */
  of: string[]
}
/** What a share may be of: its grams, and how it is called (an ingredient's id where it is one line). */
interface Whole { g: number, of: string }

/** Their own percentage is fat, cocoa or alcohol. */
const SPEAKS_OF_ITSELF = ['dairy', 'butter', 'chocolate', 'plant', 'nut', 'other', 'acid']
/** No cream is fatter, %. */
const FAT_MOST = 50
/** How far a rounded share may be from what it is: percentage points, or of itself (judgement). */
const NEAR = { points: 0.6, share: 0.03 }
const isNear = (said: number, is: number) => Math.abs(said - is) <= Math.max(NEAR.points, NEAR.share * said)

/** The shares a line claims for its grams: what is no fat, cocoa or acid of its own. */
function claimsOf(p: Part, i: number, { r }: Ctx): Claim[] {
  const g = p.weighed?.items[0]?.massG
  const row = findIngredient(p.weighed?.items[0]?.ingredientId ?? '')
  if (!g || !row || p.weighed!.assumptions.some(a => a.code === 'percent') || p.draft?.rest.length) return []
  const tokens = tokensOf(r.text.slice(...p.span), p.span[0], r.lexicon)
  const out: Claim[] = []
  let isFirst = true
  tokens.forEach((t, k) => {
    if (t.k !== 'num' || !isSign(tokens[k + 1], '%')) return
    const own = isFirst && SPEAKS_OF_ITSELF.includes(row.group) && (row.group !== 'dairy' || t.value <= FAT_MOST)
    isFirst = false
    const after = tokens.slice(k + 2)
    const next = after[0]
    // "5 % acid", "20 % less": a share of something else.
    if (own || !(t.value > 0) || (next && !['sign', 'link', 'num', 'unit'].includes(next.k))) return
    out.push({ p, i, g, percent: t.value, of: next?.k === 'link' ? named(after) : [] })
  })
  return out
}
const isSign = (t: Token | undefined, sign: string) => t?.k === 'sign' && t.sign === sign
/** "of the cream and sugar": the ingredients up to the next sign or figure. */
function named(after: readonly Token[]): string[] {
  const end = after.findIndex(t => t.k === 'num' || t.k === 'sign')
  return (end < 0 ? after : after.slice(0, end)).flatMap(t => (t.k === 'ingredient' ? [t.id] : []))
}

/** What shares may be of: all, the same part, cream and sugar, or one line. */
function wholesFor(all: readonly Part[], component: Part['component']): Whole[] {
  const gramsOf = (p: Part) => p.weighed!.items.reduce((sum, x) => sum + (x.massG ?? 0), 0)
  const sum = (ps: readonly Part[]) => ps.reduce((s, p) => s + gramsOf(p), 0)
  const same = all.filter(p => p.component?.role === component?.role)
  const row = (p: Part) => findIngredient(p.weighed!.items[0]?.ingredientId ?? '')
  const creamy = same.filter(p => isCream(row(p)?.id ?? ''))
  const sweet = same.filter(p => row(p)?.group === 'sugar')
  const lines = same.map(p => ({ g: gramsOf(p), of: row(p)?.id ?? '' })).sort((x, y) => y.g - x.g)
  const several = same.length < all.length ? [{ g: sum(same), of: 'part' }] : []
  const both = creamy.length && sweet.length ? [{ g: sum([...creamy, ...sweet]), of: 'creamSugar' }] : []
  return [{ g: sum(all), of: 'whole' }, ...several, ...both, ...lines].filter(w => w.g > 0)
}

/** A share claimed beside grams is what they make it: of what it names, or of the whole that most claims fit. */
export function claims(c: Ctx): void {
  const all = c.own.map(x => x.p)
  if (all.length < 2 || all.some(p => !p.weighed || p.weighed.question)) return
  const found = c.own.flatMap(({ p, i }) => claimsOf(p, i, c))
  for (const x of found.filter(f => f.of.length > 0)) {
    const ids = all.filter(p => p.component?.role === x.p.component?.role).flatMap(p => p.weighed!.items)
      .filter(item => x.of.some(id => sameKind(id, item.ingredientId)))
    const g = ids.reduce((s, item) => s + (item.massG ?? 0), 0)
    if (g > 0) tell(c, x, { g, of: ids.length === 1 ? ids[0]!.ingredientId! : 'named' })
  }
  const free = found.filter(f => f.of.length === 0)
  for (const role of new Set(free.map(f => f.p.component?.role))) {
    const ours = free.filter(f => f.p.component?.role === role)
    // Of itself every line is 100 %: that says nothing.
    const says = ours.filter(f => f.percent !== 100)
    if (!says.length) continue
    const fits = (w: Whole) => ours.filter(f => isNear(f.percent, 100 * f.g / w.g)).length
    const wholes = wholesFor(all, ours[0]!.p.component)
    const best = wholes.reduce((a, b) => (fits(b) > fits(a) ? b : a))
    for (const x of ours) tell(c, x, best)
  }
}
/** "Cream" is any cream. */
const sameKind = (id: string, other: string | null): boolean =>
  id === other || (other !== null && isCream(id) && isCream(other))
function tell({ add, r }: Ctx, x: Claim, whole: Whole): void {
  const is = Math.round(1000 * x.g / whole.g) / 10
  if (isNear(x.percent, is)) return
  const raw = r.text.slice(...x.p.span)
  add('shareWrong', [x.i], { said: x.percent, is, of: whole.of }, [
    { kind: 'replace', span: x.p.span, before: raw, after: raw.replace(shown(x.percent), `${is} %`) },
  ])
}
/** A percentage as it may be written. */
const shown = (n: number) => new RegExp(`\\b${String(n).replace('.', '[.,]')}\\s*%`)
