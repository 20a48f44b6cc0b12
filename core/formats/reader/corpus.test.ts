/**
 * The reader against 150 texts written before it, with their answers (see `core/checks/reading.json`). A third was held
 * back until it was built; both parts are told apart.
 */
import Ajv from 'ajv'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import corpus from '../../checks/reading.json'
import later from '../../checks/reading-later.json'
import older from '../../checks/corpus.json'
import { LINT_CODES, lintOf } from './lint'
import { readWhole } from './read'
import { ASSUMPTION_CODES, ENTRY_KINDS, QUESTION_KINDS, type Reading } from './reading'
import { reportOfRead } from './report'

type Grams = number | [number, number] | null
interface Expected { role?: string, id?: string, may?: [string, Grams][], asked?: boolean, free?: boolean }
interface Text {
  name: string
  locale: string
  text: string
  items: Expected[]
  held?: boolean
  vessel?: Record<string, unknown>[]
  oven?: Record<string, unknown>
  peakC?: number
  portions?: number
  lint?: string[]
}
const TEXTS = corpus.texts as unknown as Text[]

const near = (got: unknown, want: unknown) =>
  typeof want === 'number' ? typeof got === 'number' && Math.abs(got - want) <= Math.max(0.02 * want, want > 20 ? 0.6 : 0.003) : got === want
const fits = (got: object | null, want: Record<string, unknown>) =>
  got !== null && Object.entries(want).every(([k, v]) => near((got as Record<string, unknown>)[k], v))
/** Grams within 1.5 %, or what the text itself leaves open, or .3 g. */
const weighs = (got: number | null, want: Grams) => {
  if (want === null || got === null) return false
  const [g, percent] = Array.isArray(want) ? want : [want, 1.5]
  return Math.abs(got - g) <= Math.max(0.3, (percent / 100) * g)
}

interface Marks {
  lines: number
  right: number
  asked: number
  needlessly: string[]
  wrong: string[]
  roles: [number, number]
  facts: [number, number]
  locales: [number, number]
  lint: [number, number]
  clean: number
  alarms: string[]
  questions: number[]
}

function mark(texts: readonly Text[]): Marks {
  const m: Marks = {
    lines: 0, right: 0, asked: 0, needlessly: [], wrong: [], roles: [0, 0], facts: [0, 0], locales: [0, 0],
    lint: [0, 0], clean: 0, alarms: [], questions: [],
  }
  const count = (at: [number, number], ok: boolean) => {
    at[0] += ok ? 1 : 0
    at[1]++
  }
  for (const t of texts) {
    const whole = readWhole(t.text)
    const r = whole.reading
    count(m.locales, r.locale === t.locale)
    m.questions.push(new Set(r.lines.flatMap(l => (l.question ? [l.question.shared ?? l.text] : []))).size)
    itemsOf(t, r, m, count)
    if (t.vessel) count(m.facts, t.vessel.some(v => fits(r.vessel, v)))
    if (t.oven) count(m.facts, fits(r.oven, t.oven))
    if (t.peakC !== undefined) count(m.facts, near(r.peakC, t.peakC))
    if (t.portions !== undefined) count(m.facts, r.portions === t.portions)
    if (!t.lint) continue
    const found = lintOf(whole).map(x => x.code as string)
    for (const code of t.lint) count(m.lint, found.includes(code))
    if (t.lint.length === 0) m.clean++
    m.alarms.push(...found.filter(c => !t.lint!.includes(c)).map(c => `${t.name}: ${c}`))
  }
  return m
}

function itemsOf(t: Text, r: Reading, m: Marks, count: (at: [number, number], ok: boolean) => void) {
  const got = r.lines.filter(l => l.kind === 'ingredient').flatMap(l => l.items.map(i => ({ ...i, l })))
  t.items.forEach((want, i) => {
    m.lines++
    const g = got[i]
    const told = `${t.name}: ${g?.l.text} is ${g?.ingredientId} ${g?.massG}, wanted ${JSON.stringify(want)}`
    if (!g) m.wrong.push(told)
    else if (want.free) m.right++
    else {
      if (want.role) count(m.roles, g.l.component?.role === want.role)
      const mayAsk = want.asked || want.may?.some(([, w]) => w === null)
      if (g.l.question) {
        m.asked++
        if (!mayAsk) m.needlessly.push(told)
      } else if (want.may?.some(([id, w]) => id === g.ingredientId && weighs(g.massG, w))) m.right++
      else m.wrong.push(told)
    }
  })
  if (got.length > t.items.length) m.wrong.push(`${t.name}: more than was written`)
}

const median = (list: number[]) => [...list].sort((a, b) => a - b)[list.length >> 1]!
const percent = ([a, b]: [number, number]) => `${((100 * a) / b).toFixed(1)} %`

const PARTS: [string, Text[]][] = [
  ['built with', TEXTS.filter(t => !t.held)], ['held back', TEXTS.filter(t => t.held)],
  ['written later', later.texts as unknown as Text[]],
]
describe.each(PARTS)('texts, %s', (part, texts) => {
  const m = mark(texts)
  console.info(
    `${part}: ${texts.length} texts, ${m.lines} lines: ${percent([m.right, m.lines])} right with no question, ${m.asked} asked `
    + `(${m.needlessly.length} needlessly), ${m.wrong.length} wrong; components ${percent(m.roles)}; tin, oven, peak, portions `
    + `${percent(m.facts)}; lint ${percent(m.lint)} of planted faults, ${m.alarms.length} false alarms in ${m.clean} clean texts`,
  )
  it('nothing is silently wrong, nothing lost', () => expect(m.wrong).toEqual([]))
  it('nine lines in ten need no question; the median text none', () => {
    expect(m.right / m.lines).toBeGreaterThan(0.9)
    expect(m.needlessly).toEqual([])
    expect(median(m.questions)).toBeLessThanOrEqual(2)
  })
  it('components, facts, language', () => {
    expect(m.roles[0] / m.roles[1]).toBeGreaterThan(0.95)
    expect(m.facts[0] / m.facts[1]).toBeGreaterThan(0.9)
    expect(m.locales[0]).toBe(m.locales[1])
  })
  it('lint finds what was planted, and is quiet on clean texts', () => {
    expect(m.lint[0]).toBeGreaterThanOrEqual(0.9 * m.lint[1])
    expect(m.alarms).toEqual([])
  })
})

describe('the published schema', () => {
  const schema = JSON.parse(readFileSync(new URL('../../../docs/reading.schema.json', import.meta.url), 'utf8'))
  const validate = new Ajv({ strict: false, allErrors: true, allowUnionTypes: true }).compile(schema)
  it('describes every reading', () => {
    for (const t of TEXTS) {
      const report = JSON.parse(JSON.stringify(reportOfRead(readWhole(t.text))))
      expect(validate(report), `${t.name}: ${JSON.stringify(validate.errors)}`).toBe(true)
    }
  })
  it('lists every code', () => {
    const line = schema.properties.lines.items.properties
    expect(line.kind.enum).toEqual([...ENTRY_KINDS])
    expect(line.question.oneOf[1].properties.kind.enum).toEqual([...QUESTION_KINDS])
    expect(line.assumptions.items.properties.code.enum).toEqual([...ASSUMPTION_CODES])
    expect(schema.properties.lint.items.properties.code.enum).toEqual([...LINT_CODES])
  })
})

describe('the older corpus', () => {
  type Lines = ([string, number][] | null)[]
  it.each(older.formulas.map(f => [f.name, f] as const))('%s: answered as it was, no line is silently wrong', (_, f) => {
    const { cups, eggGrade } = f.answers as { cups?: string, eggGrade?: Record<string, string> }
    const shared = Object.fromEntries(Object.entries(eggGrade ?? {}).map(([k, v]) => [`eggs:${k}`, v]))
    const r = readWhole(f.text, { answers: { shared: { ...shared, ...(cups ? { cups } : {}) } } }).reading
    const got = r.lines.filter(l => l.kind === 'ingredient')
    const want = (f.expect as Lines).flatMap(l => l ?? [])
    const sure = got.filter(l => !l.question).flatMap(l => l.items.filter(i => i.massG !== null))
    for (const i of sure) {
      const match = want.some(([id, g]) => id === i.ingredientId && Math.abs(i.massG! - g) <= Math.max(0.3, 0.015 * g))
      expect(match, `${i.ingredientId} ${i.massG}`).toBe(true)
    }
  })
})
