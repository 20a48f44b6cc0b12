/** Lint: a step that is told twice, and one the dessert cannot do without that is never told. */
import { findIngredient, is } from '../../base/ingredients/ingredients'
import type { Family } from '../../formula/document'
import { tells } from './acts'
import { kinOf } from './kin'
import type { Ctx } from './lintCodes'
import { SENTENCE_END, wordOf } from './plain'
import type { Act, ActKind } from './reading'

/** What a method must say somewhere. */
export const NEEDED_STEPS = ['heat', 'bake', 'bloom', 'chill'] as const
export type NeededStep = (typeof NEEDED_STEPS)[number]
/** Fewer words than this repeat themselves in any method ("stir well"). */
const TOLD_WORDS = 4
/** What goes in whole, once: told twice without "half" or "the rest", one of the two is a slip. */
const ONCE = ['butter80', 'gelatin', 'cornflour', 'white']
const PUTS_IN: readonly ActKind[] = ['add', 'fold']
const WARMS: readonly ActKind[] = ['bath', 'microwave', 'boil', 'heat', 'reduce', 'bake', 'dissolve']
const COLDS: readonly ActKind[] = ['chill', 'freeze', 'cool']
/** Set by the cold; what is set by egg or starch is cold in the end, and nobody says so. */
const SETS_COLD: readonly Family[] = ['posset', 'gelatinCream', 'fluidGel', 'lightCustard', 'condensedPie']
const SETS_HOT: readonly Family[] = ['curd', 'starchFilling', 'posset']

/** Sentences of the steps with their places. */
function sentences({ r, steps }: Ctx): { i: number, at: number, raw: string, said: string }[] {
  return steps.flatMap(({ p, i }) => {
    let at = p.span[0]
    return r.text.slice(...p.span).split(SENTENCE_END).map((raw) => {
      const from = r.text.indexOf(raw, at)
      at = from + raw.length
      return { i, at: from, raw, said: wordOf(raw).replace(/[^\p{L}\p{N}]+/gu, ' ').trim() }
    })
  })
}

/** The same sentence again, or the same thing put in again. */
export function toldTwice(c: Ctx): void {
  const { r, add } = c
  const all = sentences(c)
  const told = new Map<string, number>()
  for (const s of all) {
    if (s.said.split(' ').length < TOLD_WORDS) continue
    const first = told.get(s.said)
    if (first === undefined) told.set(s.said, s.i)
    else add('stepTwice', [first, s.i], { said: s.raw.trim() },
      [{ kind: 'replace', span: [s.at, s.at + s.raw.length], before: s.raw, after: '' }])
  }
  const acts = (r.reading.method?.acts ?? []).filter(a => a.of === 'filling' && PUTS_IN.includes(a.does))
  for (const kin of ONCE) {
    const rows = c.own.flatMap(({ p }) => p.weighed?.items ?? [])
      .filter(x => x.ingredientId && kinOf(x.ingredientId) === kin)
    const [a, b] = acts.filter(x => x.kins.includes(kin) && !tells(x.sentence, 'partly', r.lexicon))
    const ingredientId = rows[0]?.ingredientId
    if (rows.length !== 1 || !ingredientId || !a || !b || a.sentence === b.sentence) continue
    add('stepTwice', [a.line, b.line], { said: b.sentence.trim(), ingredientId },
      fixFor(all, b).map(s => ({ kind: 'replace', span: [s.at, s.at + s.raw.length], before: s.raw, after: '' })))
  }
}
const fixFor = (all: ReturnType<typeof sentences>, act: Act) =>
  all.filter(s => s.i === act.line && wordOf(s.raw) === act.sentence).slice(0, 1)

/** What its kind cannot do without. */
function neededBy(family: Family, c: Ctx): NeededStep[] {
  const filling = c.own.filter(({ p }) => p.component === null || p.component.role === 'filling')
  const rows = filling.flatMap(({ p }) => (p.weighed?.items ?? []).flatMap(x => findIngredient(x.ingredientId ?? '') ?? []))
  const out: NeededStep[] = []
  const isCooked = SETS_HOT.includes(family) && (family !== 'curd' || rows.some(x => x.group === 'egg'))
  if (isCooked) out.push('heat')
  if (family === 'bar') out.push('bake')
  // Powder with its water beside it is swollen, and nobody says so.
  if (rows.some(x => is(x, 'gelatin')) && !rows.some(x => x.group === 'water')) out.push('bloom')
  const isBaked = family === 'condensedPie' && c.r.reading.oven !== null
  if (SETS_COLD.includes(family) && !isBaked) out.push('chill')
  return out
}

/** A needed step that no sentence tells; a method of one sentence forgets nothing, it is a note. */
export function toldNever(c: Ctx): void {
  const { r, steps, add } = c
  const { family, method } = r.reading
  if (family === null || !method || sentences(c).filter(s => s.said !== '').length < 3) return
  const has = (...kinds: ActKind[]) => method.acts.some(a => kinds.includes(a.does))
  const isTold: Record<NeededStep, boolean> = {
    heat: has(...WARMS) || r.reading.peakC !== null || r.reading.oven !== null,
    bake: has('bake') || r.reading.oven !== null,
    bloom: has('bloom') || method.acts.some(a => a.does === 'dissolve' && a.kins.includes('gelatin')),
    chill: has(...COLDS),
  }
  const last = steps.at(-1)!
  for (const what of neededBy(family, c))
    if (!isTold[what])
      add('stepNever', [last.i], { what }, [{
        kind: 'replace', span: [last.p.span[1], last.p.span[1]], before: '', after: ` ${r.lexicon.words.addSteps[what]}`,
      }])
}
