/** Lint: what the list and the method say of one another. */
import { findIngredient } from '../../base/ingredients/ingredients'
import { speaksOf } from './classify'
import type { Ctx, LintFix } from './lintCodes'
import type { Part } from './parts'
import { toPlain } from './plain'
import { kinOf } from './kin'
import { runsOf } from './stepItems'

/** What is used without a word, or is no matter. */
const QUIET = ['salt', 'water', 'vanilla']

/** What is listed: kinds of ingredient. */
const listedIn = (c: Ctx): Set<string> => new Set(c.own.flatMap(({ p }) => [
  ...(p.weighed?.items ?? []).flatMap(x => (x.ingredientId ? [kinOf(x.ingredientId)] : [])),
  ...(p.draft?.nouns ?? []).flatMap(n => (n.k === 'ingredient' ? [kinOf(n.id)] : n.k === 'fruit' ? ['juice', 'zest'] : [])),
]))

const EGGS = ['egg', 'yolk_sep', 'white']
/** Listed and never used; used and never listed. */
export function used(c: Ctx): void {
  const { own, steps, add, r } = c
  const all = steps.map(s => r.text.slice(...s.p.span)).join('\n')
  const tokens = steps.flatMap(s => s.tokens)
  const spoken = new Set(tokens.flatMap((t) => {
    if (t.k === 'ingredient') return [kinOf(t.id)]
    return t.k === 'part' ? [t.part] : t.k === 'fruit' ? ['juice', 'fruit'] : []
  }))
  for (const t of tokens)
    if (t.k === 'ingredient' && EGGS.includes(t.id)) (t.id === 'egg' ? EGGS : ['egg']).forEach(x => spoken.add(x))
  const biscuit = speaksOf(all, r.lexicon.words.biscuits, r.lexicon)
  const words = tokens.filter(t => t.k !== 'sign').length
  const said = toPlain(all).text.toLowerCase()
  const everything = speaksOf(all, r.lexicon.words.everything, r.lexicon)
  // A method that hardly names anything of a component forgets nothing of it ("knead the dough").
  const names = (of: Part['component']) => {
    // "Prepare the pastry" speaks of all of it.
    const whole = of && of.role !== 'filling' ? (r.lexicon.words.roles as Record<string, string[]>)[of.role] : undefined
    if (whole && speaksOf(all, whole, r.lexicon)) return false
    const kinds = [...new Set(own.flatMap(({ p }) => (p.component?.index !== of?.index ? [] : (p.weighed?.items ?? [])
      .flatMap(x => (x.ingredientId && !QUIET.includes(x.ingredientId) ? [kinOf(x.ingredientId)] : [])))))]
    const named = kinds.filter(k => spoken.has(k) || (findIngredient(k)?.group === 'biscuit' && biscuit)).length
    return named >= Math.min(2, kinds.length - 1) && named >= 0.5 * kinds.length
  }
  if (!everything && words >= 8)
    for (const { p, i } of own)
      for (const x of p.weighed?.items ?? []) {
        const id = x.ingredientId
        const strange = p.draft?.purpose || p.draft?.nouns.some(n => n.k === 'other')
        if (!id || p.fromStep || QUIET.includes(id) || strange || !names(p.component)) continue
        const kin = kinOf(id)
        if (spoken.has(kin) || (findIngredient(id)!.group === 'biscuit' && biscuit)) continue
        if (id === 'white' || (id === 'gelatin' && /leaves|blatt|feuilles|hojas|fogli/i.test(all))) continue
        // "Purée", "wine": a juice by another of its words.
        const own = p.draft?.nouns.flatMap(n => (n.k === 'ingredient' ? n.text.split(' ') : [])) ?? []
        if (kin === 'juice' && own.some(w => w.length > 4 && said.includes(w))) continue
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
export function amounts(c: Ctx): void {
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
