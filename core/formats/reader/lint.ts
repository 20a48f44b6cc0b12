/**
 * The lint: what a text forgot to say, says twice, or says against itself, found in what was read, never in loose
 * prose. Each finding names its lines; each fix is an edit of one span, or an answer.
 */
import { EGG_GRADES } from '../../base/ingredients/measures'
import type { Ctx, Lint, LintFix } from './lintCodes'
import { temperatures, vessels, volumes } from './lintMethod'
import { stepTokens } from './kin'
import { claims, percentages } from './lintShares'
import { toldNever, toldTwice } from './lintSteps'
import { amounts, used } from './lintUse'
import type { Read } from './read'
import type { Answers } from './reading'

export { type Lint, LINT_CODES, type LintFix } from './lintCodes'

/** @example lintOf(readWhole('200 g sugar\n4 eggs')).length // 0 */
export function lintOf(r: Read, answers: Answers = {}): Lint[] {
  const out: Lint[] = []
  const c: Ctx = {
    r,
    add: (code, lines, params = {}, fixes = []) => out.push({ code, lines, params, fixes }),
    own: r.parts.flatMap((p, i) => (p.kind === 'ingredient' && !p.leftOut ? [{ p, i }] : [])),
    steps: r.parts.flatMap((p, i) => (p.kind === 'step' ? [{ p, i, tokens: stepTokens(r.text.slice(...p.span), p.span[0], r.lexicon) }] : [])),
  }
  missing(c)
  eggWeights(c)
  contradictions(c, answers)
  fruit(c)
  percentages(c)
  claims(c)
  if (c.steps.length > 0) {
    used(c)
    amounts(c)
    temperatures(c)
    vessels(c)
    toldTwice(c)
    toldNever(c)
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
