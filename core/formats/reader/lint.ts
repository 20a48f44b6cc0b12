/**
 * The lint: what a text forgot to say, says twice, or says against itself, found in what was read, never in loose
 * prose. Each finding names its lines; each fix is an edit of one span, or an answer.
 */
import { findIngredient } from '../../base/ingredients/ingredients'
import { DENSITIES, EGG_GRADES } from '../../base/ingredients/measures'
import { speaksOf } from './classify'
import { heatsOf, sentencesOf } from './facts'
import { toPlain } from './plain'
import { type Part, type Read, runsOf } from './read'
import type { Answers } from './reading'
import { type Token, tokensOf } from './tokens'

export const LINT_CODES = [
  'listedUnused', 'usedUnlisted', 'amountMissing', 'amountsDiffer', 'fruitTwice', 'percentagesOff', 'tinNoSize',
  'vesselUnnamed', 'piecesUnnamed', 'zestNeverAdded', 'twoTemperatures', 'gelatinNoGrade', 'yolkWeight', 'mixedCups',
  'unitsContradict', 'vesselOverflows', 'vesselShallow',
] as const
export type LintCode = (typeof LINT_CODES)[number]
export type LintFix =
  | { kind: 'replace', span: [number, number], before: string, after: string }
  | { kind: 'answer', key: string, value: string | number }
  /** The cook has to say it at the line. */
  | { kind: 'goTo', line: number }
export interface Lint {
  code: LintCode
  /** Indices of the entries it is about. */
  lines: number[]
  params: Readonly<Record<string, string | number>>
  fixes: LintFix[]
}

interface Ctx {
  r: Read
  add: (code: LintCode, lines: number[], params?: Lint['params'], fixes?: LintFix[]) => void
  /** Ingredient entries with their index. */
  own: { p: Part, i: number }[]
  steps: { p: Part, i: number, tokens: Token[] }[]
}

/** Ids that one word may stand for: any sugar is "the sugar". */
const KIN: readonly (readonly string[])[] = [
  ['sugar', 'icing', 'brown_sugar', 'dextrose', 'fructose'], ['butter80', 'butter82', 'butter84'],
  ['cream30', 'cream36', 'cream38', 'cream48', 'oat_cream', 'soya_cream'], ['milk', 'condensed', 'evaporated', 'coconut_milk'],
  ['greek', 'yoghurt'], ['digestive', 'graham', 'gingernut', 'shortbread', 'sponge'], ['glucose_syr', 'glucose_syr60'],
  ['cornflour', 'potato_starch', 'tapioca', 'modified_starch', 'waxy_maize', 'rice_starch'],
  ['choc_white', 'choc_milk', 'choc_dark'], ['cream_cheese', 'mascarpone'],
]
const kinOf = (id: string): string => {
  const group = findIngredient(id)?.group
  if (group === 'juice') return 'juice'
  return KIN.find(k => k.includes(id))?.[0] ?? id
}
/** What is used without a word, or is no matter. */
const QUIET = ['salt', 'water', 'vanilla']

/** What is listed: kinds of ingredient. */
const listedIn = (c: Ctx): Set<string> => new Set(c.own.flatMap(({ p }) => [
  ...(p.weighed?.items ?? []).flatMap(x => (x.ingredientId ? [kinOf(x.ingredientId)] : [])),
  ...(p.draft?.nouns ?? []).flatMap(n => (n.k === 'ingredient' ? [kinOf(n.id)] : n.k === 'fruit' ? ['juice', 'zest'] : [])),
]))

/** A step's words without what only sounds like an ingredient: baths, greased tins. */
function stepTokens(raw: string, at: number, r: Read): Token[] {
  let text = toPlain(raw).text
  for (const phrase of r.lexicon.words.notOfIt) {
    const plain = toPlain(phrase).text
    text = text.replace(new RegExp(plain.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'gi'), m => ' '.repeat(m.length))
  }
  return tokensOf(text, at, r.lexicon)
}

/** @example lintOf(readWhole('200 g sugar\n4 eggs')).length // 0 */
export function lintOf(r: Read, answers: Answers = {}): Lint[] {
  const out: Lint[] = []
  const c: Ctx = {
    r,
    add: (code, lines, params = {}, fixes = []) => out.push({ code, lines, params, fixes }),
    own: r.parts.flatMap((p, i) => (p.kind === 'ingredient' && !p.leftOut ? [{ p, i }] : [])),
    steps: r.parts.flatMap((p, i) => (p.kind === 'step' ? [{ p, i, tokens: stepTokens(r.text.slice(...p.span), p.span[0], r) }] : [])),
  }
  missing(c)
  eggWeights(c)
  contradictions(c, answers)
  fruit(c)
  percentages(c)
  if (c.steps.length > 0) {
    used(c)
    amounts(c)
    temperatures(c)
    vessels(c)
  }
  volumes(c)
  return out
}

function missing({ own, add }: Ctx): void {
  for (const { p, i } of own) {
    const q = p.weighed?.question
    const id = p.weighed?.items[0]?.ingredientId ?? ''
    const served = p.draft?.purpose !== null && p.draft?.purpose !== undefined
    if (q?.kind === 'amount' && q.words === '' && !served) add('amountMissing', [i], {}, [{ kind: 'goTo', line: i }])
    if (q?.kind === 'can')
      add('tinNoSize', [i], { ingredientId: id }, q.choices.slice(0, 3).map(value => ({ kind: 'answer', key: q.shared!, value })))
    if (q?.kind === 'leafGrade')
      add('gelatinNoGrade', [i], {}, q.choices.map(value => ({ kind: 'answer', key: 'leafGrade', value })))
  }
}

/** A yolk's or egg's stated weight against every grade. */
function eggWeights({ own, add, r }: Ctx): void {
  for (const { p, i } of own)
    for (const x of p.weighed?.items ?? []) {
      if (!x.count || x.massG === null || !['yolk_sep', 'egg'].includes(x.ingredientId ?? '')) continue
      if (!p.weighed!.assumptions.some(a => a.code === 'written' || a.code === 'each')) continue
      const eachG = x.massG / x.count
      const part = x.ingredientId === 'egg' ? 'wholeG' : 'yolkG'
      const size = p.draft?.size ?? ''
      const own = Object.entries(EGG_GRADES).filter(([id]) => id.endsWith({ large: 'L', medium: 'M', small: 'S' }[size] ?? ''))
      const grades = (own.length ? own : Object.entries(EGG_GRADES)).map(([, g]) => g[part])
      // A weight in the shell is no fault.
      const most = Math.max(...grades) * (part === 'wholeG' ? 1.25 : 1.12)
      if (eachG >= Math.min(...grades) * 0.9 && eachG <= most) continue
      const raw = r.text.slice(...p.span)
      add('yolkWeight', [i], {
        eachG: Math.round(eachG * 10) / 10, gradeG: grades.at(-1)!, grade: (own.at(-1) ?? ['', EGG_GRADES.euM])[1].label,
      }, [
        { kind: 'replace', span: p.span, before: raw, after: raw.replace(/\s*\([^)]*\)/, '') },
      ])
    }
}

/** Two weights of one line that differ; cups of two countries. */
function contradictions({ own, add, r }: Ctx, answers: Answers): void {
  const cups = own.flatMap(({ p, i }) => (p.weighed?.cupMl ? [{ i, ml: p.weighed.cupMl }] : []))
  const far = cups.find(x => Math.abs(x.ml - cups[0]!.ml) > 6)
  if (far)
    add('mixedCups', [cups[0]!.i, far.i], { first: Math.round(cups[0]!.ml), second: Math.round(far.ml) }, [
      { kind: 'answer', key: 'cups', value: 'us' }, { kind: 'answer', key: 'cups', value: 'metric' },
    ])
  const because = r.habits.because.length > 0 && answers.shared?.cups === undefined
  if (!far && because && r.habits.country === 'us' && cups.some(x => Math.abs(x.ml - 250) < 3))
    add('mixedCups', [cups[0]!.i], { first: 237, second: 250 }, [
      { kind: 'answer', key: 'cups', value: 'us' }, { kind: 'answer', key: 'cups', value: 'metric' },
    ])
  for (const { p, i } of own) {
    const two = p.weighed?.contradicts
    if (!two) continue
    const raw = r.text.slice(...p.span)
    add('unitsContradict', [i], { first: two[0], second: two[1] }, [
      { kind: 'replace', span: p.span, before: raw, after: raw.replace(/\s*\([^)]*\)/, '') },
    ])
  }
}

/** The same fruit asked for twice: its zest from more than are juiced, or one part on two lines. */
function fruit({ own, add }: Ctx): void {
  const uses = own.flatMap(({ p, i }) => {
    const noun = p.draft?.nouns.find(n => n.k === 'fruit')
    return noun?.k === 'fruit' ? (p.weighed?.items ?? []).map(x => ({
      i, fruit: noun.id, part: x.ingredientId === 'zest' ? 'zest' : 'juice', n: x.count ?? 0, role: p.component?.role,
    })) : []
  })
  const seen = new Set<string>()
  for (const a of uses)
    for (const b of uses) {
      if (a.i >= b.i || a.fruit !== b.fruit || a.n === 0 || b.n === 0 || seen.has(a.fruit)) continue
      const sameTwice = a.part === b.part && a.role === b.role
      const [zest, juice] = a.part === 'zest' ? [a, b] : [b, a]
      const more = a.part !== b.part && zest.n > juice.n
      if (!sameTwice && !more) continue
      seen.add(a.fruit)
      add('fruitTwice', [a.i, b.i], { first: `${a.n} (${a.part})`, second: `${b.n} (${b.part})` })
    }
}

/** Percentages of the whole make 100; a share said of two things is what they make it. */
function percentages({ own, add, r }: Ctx): void {
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

/** Listed and never used; used and never listed. */
function used(c: Ctx): void {
  const { own, steps, add, r } = c
  const all = steps.map(s => r.text.slice(...s.p.span)).join('\n')
  const tokens = steps.flatMap(s => s.tokens)
  const spoken = new Set(tokens.flatMap(t => (t.k === 'ingredient' ? [kinOf(t.id)] : t.k === 'part' ? [t.part] : t.k === 'fruit' ? ['juice', 'fruit'] : [])))
  for (const t of tokens) if (t.k === 'ingredient' && t.id === 'egg') ['yolk_sep', 'white', 'egg'].forEach(x => spoken.add(x))
  const biscuit = tokens.some(t => (t.k === 'other' || t.k === 'role') && /biscuit|cookie|crumb|keks|galleta|biscott/.test(t.text)) || /crumb|biscuit|keks|galleta|biscott/i.test(all)
  const words = tokens.filter(t => t.k !== 'sign').length
  const everything = speaksOf(all, r.lexicon.words.everything, r.lexicon)
  // A method that hardly names anything of a component forgets nothing of it ("knead the dough").
  const names = (of: Part['component']) => {
    const kinds = [...new Set(own.flatMap(({ p }) => (p.component?.index !== of?.index ? [] : (p.weighed?.items ?? [])
      .flatMap(x => (x.ingredientId && !QUIET.includes(x.ingredientId) ? [kinOf(x.ingredientId)] : [])))))]
    const named = kinds.filter(k => spoken.has(k) || (findIngredient(k)?.group === 'biscuit' && biscuit)).length
    return named >= Math.min(2, kinds.length - 1) && named >= 0.5 * kinds.length
  }
  if (!everything && words >= 8)
    for (const { p, i } of own)
      for (const x of p.weighed?.items ?? []) {
        const id = x.ingredientId
        if (!id || p.fromStep || !names(p.component) || QUIET.includes(id) || p.draft?.purpose || p.draft?.nouns.some(n => n.k === 'other')) continue
        const kin = kinOf(id)
        if (spoken.has(kin) || (findIngredient(id)!.group === 'biscuit' && biscuit)) continue
        if (id === 'white' || (id === 'gelatin' && /leaves|blatt|feuilles|hojas|fogli/i.test(all))) continue
        if (kin === 'juice' && p.draft?.nouns.some(n => n.k === 'ingredient' && n.text.split(' ').some(w => w.length > 4 && toPlain(all).text.toLowerCase().includes(w)))) continue
        const raw = r.text.slice(...p.span)
        const remove: LintFix = { kind: 'replace', span: p.span, before: raw, after: '' }
        const last = steps.at(-1)!.p.span[1]
        const addZest: LintFix = { kind: 'replace', span: [last, last], before: '', after: `\n${r.lexicon.words.addZest}` }
        if (id === 'zest') add('zestNeverAdded', [i], { ingredientId: id }, [addZest, remove])
        else add('listedUnused', [i], { ingredientId: id }, [remove])
      }
  const listed = listedIn(c)
  if (listed.has('egg')) ['yolk_sep', 'white'].forEach(x => listed.add(x))
  if (listed.has('yolk_sep') || listed.has('white')) listed.add('egg')
  const told = new Set<string>()
  for (const s of steps)
    for (const t of s.tokens) {
      if (t.k !== 'ingredient' || !t.sure || t.slip || QUIET.includes(t.id)) continue
      const kin = kinOf(t.id)
      if (listed.has(kin) || told.has(kin) || (kin === 'cream30' && /^cream(?:ed|ing)?$/.test(t.text))) continue
      if (findIngredient(t.id)!.group === 'biscuit' && own.some(o => o.p.component?.role === 'crust')) continue
      told.add(kin)
      const last = own.at(-1)
      add('usedUnlisted', [s.i], { ingredientId: t.id }, last
        ? [{ kind: 'replace', span: [last.p.span[1], last.p.span[1]], before: '', after: `\n${t.text}` }]
        : [])
    }
}

/** An amount in the method that is not the list's. */
function amounts(c: Ctx): void {
  const { own, steps, add, r } = c
  const listed = new Map<string, number>()
  const each = new Map<string, number[]>()
  for (const { p } of own)
    for (const x of p.weighed?.items ?? [])
      if (x.ingredientId && x.massG !== null) {
        listed.set(x.ingredientId, (listed.get(x.ingredientId) ?? 0) + x.massG)
        each.set(x.ingredientId, [...(each.get(x.ingredientId) ?? []), x.massG])
      }
  for (const s of steps)
    for (const d of runsOf(s.p.tokens)) {
      const noun = d.nouns[0]
      const a = d.amounts[0]
      if (noun?.k !== 'ingredient' || a?.unit !== 'g') continue
      const total = listed.get(noun.id)
      if (total === undefined) continue
      const near = [total, ...(each.get(noun.id) ?? [])].some(g => Math.abs(a.value / g - 1) <= 0.03)
      const mentions = steps.flatMap(x => x.p.tokens).filter(t => t.k === 'ingredient' && t.id === noun.id).length
      if (near || (a.value < total && mentions > 1)) continue
      const raw = r.text.slice(...d.at)
      add('amountsDiffer', [s.i, ...own.filter(o => o.p.weighed?.items.some(x => x.ingredientId === noun.id)).map(o => o.i)],
        { ingredientId: noun.id, listed: Math.round(total), used: Math.round(a.value) },
        [{ kind: 'replace', span: d.at, before: raw, after: raw.replace(/\d+(?:[.,]\d+)?/, String(Math.round(total))) }])
    }
}

const COURSE = /\b(?:then|reduce|lower|turn|down|increase|dann|anschliessend|reduzieren|puis|baisse|luego|bajar|despues|poi|abbassa|after|first|until|before)\b/
/** Two heats of the oven in one sentence that are neither the same, a fan's, a gas mark's nor a course. */
function temperatures({ r, add, steps }: Ctx): void {
  for (const s of sentencesOf(r)) {
    const heats = heatsOf(s)
    for (let i = 1; i < heats.length; i++) {
      const [a, b] = [heats[i - 1]!, heats[i]!]
      const between = s.slice(a.end, b.at)
      if (Math.abs(a.tempC - b.tempC) <= 6 || a.fan || b.fan || COURSE.test(between)) continue
      const fanPair = a.isF === b.isF && Math.abs(Math.abs(a.tempC - b.tempC) - 20) <= 6 && /^\s*[(/,]?\s*$/.test(between)
      const range = /^\s*(?:-|to|bis|a|or)\s*$/.test(between)
      const food = (t: number) => t < 105
      if (fanPair || range || food(a.tempC) !== food(b.tempC)) continue
      const at = steps.find(x => toPlain(r.text.slice(...x.p.span)).text.toLowerCase().replace(/\s+/g, ' ').includes(s.slice(0, 40)))
      add('twoTemperatures', at ? [at.i] : [], { first: Math.round(a.tempC), second: Math.round(b.tempC) },
        at ? oneOf(r, at.p, s.slice(a.at, b.end), i) : [])
      break
    }
  }
}

/** Two heats of a step as written: keep the one, or the other. */
function oneOf(r: Read, p: Part, said: string, nth: number): LintFix[] {
  const raw = r.text.slice(...p.span)
  const written = [...raw.matchAll(/\d{2,3}\s*(?:°|º|degrees?)?\s*[CF]\b/gi)]
  const digits = (x: string) => x.match(/\d{2,3}/g) ?? []
  const [first] = digits(said)
  const k = written.findIndex((m, j) => digits(m[0])[0] === first && j >= nth - 1 && written[j + 1])
  const [a, b] = [written[k], written[k + 1]]
  if (!a || !b) return []
  const span: [number, number] = [p.span[0] + a.index, p.span[0] + b.index + b[0].length]
  const before = r.text.slice(...span)
  return [a[0], b[0]].map(after => ({ kind: 'replace', span, before, after }))
}

/** A tin without a size, glasses without a number. */
function vessels({ r, add, steps, own }: Ctx): void {
  const v = r.reading.vessel
  const { vessels: names } = r.lexicon.words
  const speaks = (kinds: (keyof typeof names)[]) =>
    steps.filter(s => speaksOf(r.text.slice(...s.p.span), kinds.flatMap(k => names[k] ?? []), r.lexicon))
  const own0 = own.length > 0
  const tins = speaks(['pieDish', 'tartRing', 'tartShell', 'round', 'rectangle', 'mould'])
  // Jars are for keeping: nobody counts them.
  const pieces = [...names.glass, ...names.ramekin].filter(x => !/jar|pot$|cup|tarro|glas$/.test(x))
  const cups = steps.filter(s => speaksOf(r.text.slice(...s.p.span), pieces, r.lexicon))
  const text = toPlain(r.text).text
  if (own0 && tins.length > 0 && !v && r.reading.oven && !/\d\s*-?\s*(?:cm|inch|in\b|")/.test(text))
    add('vesselUnnamed', [tins.at(-1)!.i])
  else if (own0 && cups.length > 0 && !v && r.reading.portions === null && tins.length === 0)
    add('piecesUnnamed', [cups.at(-1)!.i])
}

/** The filling's volume against the vessel named. */
function volumes({ r, own, add }: Ctx): void {
  const v = r.reading.vessel
  const filling = own.filter(({ p }) => p.component?.role === 'filling')
  if (!v || filling.length === 0 || filling.some(({ p }) => p.weighed?.question)) return
  const height = v.heightM ?? (v.kind === 'rectangle' ? 0.045 : v.kind === 'pieDish' ? 0.035 : v.kind === 'round' ? 0.06 : 0.028)
  const plan = v.diameterM ? (Math.PI / 4) * v.diameterM ** 2 : v.lengthM && v.widthM ? v.lengthM * v.widthM : null
  if (plan === null || ['glass', 'ramekin'].includes(v.kind)) return
  const vesselMl = plan * height * 1e6 * (v.count ?? 1)
  const mixMl = filling.flatMap(({ p }) => p.weighed?.items ?? []).reduce((sum, x) =>
    sum + (x.massG ?? 0) / Math.max(0.8, Math.min(1.3, DENSITIES[x.ingredientId ?? '']?.gPerMl ?? 1.05)), 0)
  const params = { mixMl: Math.round(mixMl), vesselMl: Math.round(vesselMl) }
  if (mixMl > 1.1 * vesselMl) add('vesselOverflows', [], params)
  else if (mixMl < 0.12 * vesselMl) add('vesselShallow', [], params)
}

/** A text with a fix taken, or the answers with it. */
export function takeFix(text: string, answers: Answers, fix: LintFix): { text: string, answers: Answers } {
  switch (fix.kind) {
    case 'replace':
      return { text: text.slice(0, fix.span[0]) + fix.after + text.slice(fix.span[1]), answers }
    case 'answer':
      return { text, answers: { ...answers, shared: { ...answers.shared, [fix.key]: fix.value } } }
    case 'goTo':
      return { text, answers }
  }
}
