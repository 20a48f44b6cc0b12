/**
 * Where no heading says it, the method does: what is crushed, pressed, rolled into the tin is the crust; what is piped
 * or dusted on at the end the topping. Said as an assumption, changed with one answer.
 */
import { findIngredient, hasTrait } from '../../base/ingredients/ingredients'
import { actsOf } from './acts'
import { speaksOf } from './classify'
import type { Lexicon } from './lexicon'
import type { Component } from './reading'
import type { Part } from './parts'
import { SENTENCE_END } from './plain'
import { tokensOf } from './tokens'

interface Sentence {
  place: 'crust' | 'topping' | 'filling'
  nouns: Set<string>
}

const near = (id: string) => id.replace(/\d+$/, '').replace(/^(?:yolk_sep|white)$/, 'egg')
const groupOf = (id: string) => findIngredient(id)?.group ?? ''

/** The method's sentences, each with what it speaks of. */
function sentencesOf(parts: readonly Part[], text: string, lexicon: Lexicon): Sentence[] {
  const out: Sentence[] = []
  for (const p of parts) {
    if (p.kind !== 'step') continue
    let at = p.span[0]
    for (const raw of text.slice(...p.span).split(SENTENCE_END)) {
      const nouns = new Set(
        tokensOf(raw, at, lexicon).flatMap((t) => {
          if (t.k === 'ingredient') return [near(t.id)]
          return t.k === 'fruit' ? ['fruit'] : t.k === 'other' ? [t.text] : []
        }),
      )
      at += raw.length + 1
      const { crustSigns, topSigns, fillSigns, biscuits } = lexicon.words
      // "Press in, pour over": the part before the pouring is the crust's.
      const ofBiscuits = speaksOf(raw, biscuits, lexicon) && !speaksOf(raw, fillSigns, lexicon)
      const isCrust = speaksOf(raw, crustSigns, lexicon) || ofBiscuits
      const isTop = !isCrust && speaksOf(raw, topSigns, lexicon) && !speaksOf(raw, fillSigns, lexicon)
      out.push({ place: isCrust ? 'crust' : isTop ? 'topping' : 'filling', nouns })
    }
  }
  return out
}

/** Puts the lines of one flat list into crust, filling and topping. */
export function placeByMethod(parts: Part[], text: string, lexicon: Lexicon): void {
  const lines = parts.filter(p => p.kind === 'ingredient' && p.draft)
  const served = lines.filter(p => p.draft!.purpose === 'serve')
  const roles = new Set(lines.map(p => p.component?.role))
  let next = Math.max(0, ...parts.map(p => p.component?.index ?? 0)) + 1
  const known = new Map<string, Component>()
  const to = (role: Component['role']): Component => {
    const there = parts.find(p => p.component?.role === role)?.component ?? known.get(role)
    if (there) return there
    const made: Component = { role, index: next++, name: null }
    known.set(role, made)
    return made
  }
  for (const p of served)
    if (p.component?.role === 'filling') place(p, to('topping'))
  if (roles.size > 1 || !roles.has('filling')) return
  if (placeBlocks(lines, parts, text, lexicon, to)) return
  const sentences = sentencesOf(parts, text, lexicon)
  const crusts = sentences.filter(s => s.place === 'crust')
  const tops = sentences.filter(s => s.place === 'topping')
  if (crusts.length === 0 && tops.length === 0) return
  const firstUse = (id: string) => sentences.find(s => s.nouns.has(near(id)))?.place ?? null
  const uses = new Map<string, number>()
  for (const p of lines) {
    if (p.draft!.purpose === 'serve') continue
    const noun = p.draft!.nouns[0]
    if (!noun) continue
    const key = noun.k === 'ingredient' ? noun.id : noun.k === 'fruit' ? 'fruit' : noun.text
    const seen = uses.get(near(key)) ?? 0
    uses.set(near(key), seen + 1)
    // The first of two butters is the crust's, when the crust comes first.
    const isOne = groupOf(key) === 'biscuit'
      || (noun.k === 'other' && speaksOf(noun.text, lexicon.words.biscuits, lexicon))
    const place0 = isOne && crusts.length > 0 ? 'crust' : seen === 0 ? firstUse(key) : nthUse(sentences, near(key), seen)
    if (place0 === 'crust') place(p, to('crust'))
    else if (place0 === 'topping') place(p, to('topping'))
  }
}
/** Lines of one flat list that stand together, parted from others by an empty line. */
function blocksOf(lines: readonly Part[], text: string): Part[][] {
  const out: Part[][] = []
  for (const p of lines) {
    const last = out.at(-1)?.at(-1)
    const apart = last && (/\n\s*\n/.test(text.slice(last.span[1], p.span[0])) || last.component !== p.component)
    if (last && !apart) out.at(-1)!.push(p)
    else out.push([p])
  }
  return out
}
const idsOf = (block: readonly Part[]) => block.flatMap(p => p.draft!.nouns.flatMap(n => (n.k === 'ingredient' ? [n.id] : [n.k])))
/** What makes a filling and no crust. */
const FILLS = ['juice', 'dairy', 'acid']
const isFilling = (ids: readonly string[]) =>
  ids.some(id => id === 'fruit' || id === 'gelatin' || id === 'yolk_sep' || FILLS.includes(groupOf(id)))
/** Whether empty lines part a crust, or a whipped top, from the rest; and puts them there. */
function placeBlocks(
  lines: readonly Part[], parts: readonly Part[], text: string, lexicon: Lexicon,
  to: (role: Component['role']) => Component,
): boolean {
  const blocks = blocksOf(lines, text)
  if (blocks.length < 2) return false
  const ids = blocks.map(idsOf)
  const isCrust = ids.map(own => !isFilling(own)
    && (own.some(id => groupOf(id) === 'biscuit') || (own.includes('flour') && own.some(id => groupOf(id) === 'butter'))))
  if (!isCrust.some(Boolean) || isCrust.every(Boolean)) return false
  const folds = parts.some(p => p.kind === 'step'
    && actsOf(text.slice(...p.span), 0, lexicon).some(a => a.does === 'fold'))
  const rest = ids.flatMap((own, i) => (isCrust[i] ? [] : own))
  blocks.forEach((block, i) => {
    const whipped = !isCrust[i] && ids[i]!.some(id => hasTrait(id, 'whips')) && ids[i]!.every(id => TOPS.includes(id) || hasTrait(id, 'whips'))
    const others = rest.filter(id => !ids[i]!.includes(id))
    // Cream by itself is for the top where the filling is made of something else, and nothing is folded.
    const isTop = whipped && !folds && isFilling(others) && i === blocks.length - 1
    if (isCrust[i] || isTop) block.forEach(p => place(p, to(isCrust[i] ? 'crust' : 'topping')))
  })
  return true
}
const TOPS = ['sugar', 'icing', 'vanilla']

/** Where the later of several lines of one thing is used: the next place that speaks of it, else the filling. */
function nthUse(sentences: readonly Sentence[], key: string, n: number): Sentence['place'] | null {
  const places = [...new Set(sentences.filter(s => s.nouns.has(key)).map(s => s.place))]
  return places[n] ?? places.at(-1) ?? null
}
function place(p: Part, component: Component): void {
  p.component = component
  p.placed = true
}
