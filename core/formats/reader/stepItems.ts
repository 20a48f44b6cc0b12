/** What a method weighs by itself: "whip 200 ml double cream". */
import { type Draft, draftsOf } from './drafts'
import type { Lexicon } from './lexicon'
import { covered, newPart, type Part } from './parts'
import { type Token, tokensOf } from './tokens'

/** A step that weighs what no line lists: that run becomes an ingredient of its own. */
export function stepItems(parts: Part[], text: string, lexicon: Lexicon): void {
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
      const own = tokens.filter(t => t.at[0] >= draft.at[0] && t.at[0] < draft.at[1])
      cut.push(newPart(draft.at, 'ingredient', p.component, { fromStep: true, draft, tokens: own }))
      at = draft.at[1]
    }
    if (at < p.span[1]) cut.push({ ...p, span: [at, p.span[1]] })
    // A sign between two things is no step.
    for (const c of cut)
      if (c.kind === 'step' && !/\p{L}/u.test(text.slice(...c.span))) Object.assign(c, { kind: 'setAside', component: null })
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
