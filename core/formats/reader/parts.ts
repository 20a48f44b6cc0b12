/** Entries on their way, and the rule that every character lies in one of them. */
import type { Draft } from './drafts'
import type { Component, Entry } from './reading'
import type { Token } from './tokens'
import type { Weighed } from './weigh'

/** An entry on its way: what it is, and what its line says beyond it. */
export interface Part {
  span: [number, number]
  kind: Entry['kind']
  component: Component | null
  draft: Draft | null
  tokens: Token[]
  weighed: Weighed | null
  leftOut: boolean
  placed: boolean
  /** Cut out of a step. */
  fromStep: boolean
  /** It holds in place of a line before it. */
  corrects?: boolean
}

/** An entry with nothing said of it yet. */
export const newPart = (span: [number, number], kind: Entry['kind'], component: Component | null, over: Partial<Part> = {}): Part =>
  ({
    span, kind, component, draft: null, tokens: [], weighed: null, leftOut: false, placed: false, fromStep: false,
    ...over,
  })

/** Sorts by place, trims blanks, and sets aside what nothing else holds. */
export function covered(text: string, parts: Part[]): Part[] {
  const list = parts
    .map((p) => {
      let [a, b] = p.span
      while (a < b && /\s/.test(text[a]!)) a++
      while (b > a && /\s/.test(text[b - 1]!)) b--
      return { ...p, span: [a, b] as [number, number] }
    })
    .filter(p => p.span[1] > p.span[0])
    .sort((x, y) => x.span[0] - y.span[0])
  const out: Part[] = []
  let at = 0
  const gap = (to: number) => {
    const raw = text.slice(at, to)
    const lead = raw.length - raw.trimStart().length
    if (raw.trim()) out.push(newPart([at + lead, at + lead + raw.trim().length], 'setAside', null))
  }
  for (const p of list) {
    if (p.span[0] > at) gap(p.span[0])
    if (p.span[0] < at) p.span[0] = at
    if (p.span[1] <= p.span[0]) continue
    out.push(p)
    at = p.span[1]
  }
  gap(text.length)
  return out
}
