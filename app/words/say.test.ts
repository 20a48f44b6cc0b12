import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parse } from '@vue/compiler-sfc'
import { afterEach, describe, expect, it } from 'vitest'
import gb from './messages/en-GB.json'
import us from './messages/en-US.json'
import { group, say, speakIn } from './say'

const SOURCES = readdirSync('app', { recursive: true, encoding: 'utf8' })
  .filter(f => /\.(vue|ts)$/.test(f) && !f.endsWith('.test.ts'))
  .map(f => ({ file: f, text: readFileSync(join('app', f), 'utf8') }))
/** Every message by its key. */
function leaves(tree: object, path: string[] = []): [string, string][] {
  return Object.entries(tree).flatMap(([k, v]) =>
    typeof v === 'string' ? [[[...path, k].join('.'), v] as [string, string]] : leaves(v as object, [...path, k]))
}
const British = new Map(leaves(gb))
/** Names in the tree, whatever stands under them. */
const names = (tree: object): string[] =>
  Object.entries(tree).flatMap(([k, v]) => [k, ...(typeof v === 'string' ? [] : names(v as object))])
const all = SOURCES.map(s => s.text).join('\n')
const asked = new Set([...all.matchAll(/\bsay\('([^']+)'/g)].map(m => m[1]!))
const groups = [...all.matchAll(/\b(?:group<[\s\S]*?>|sentences)\('([^']+)'\)/g)].map(m => m[1]!)
const places = (text: string) => [...text.matchAll(/\{(\w+)\}/g)].map(m => m[1]!).sort()

describe('words by key', () => {
  it('what is asked for is there, and what is there is asked for', () => {
    expect([...asked].filter(k => !British.has(k))).toEqual([])
    expect(groups.length).toBeGreaterThan(20)
    const idle = [...British.keys()].filter(k => !asked.has(k) && !groups.some(g => k.startsWith(`${g}.`)))
    expect(idle).toEqual([])
  })
  it('no name has a dot in it: a dot leads from one to the next', () => {
    expect(names(gb).filter(n => n.includes('.'))).toEqual([])
  })
  it('every figure a message names is given where it is asked for', () => {
    const wrong: string[] = []
    for (const [, key, rest] of all.matchAll(/\bsay\('([^']+)'(, \{|\))/g)) {
      const wants = places(British.get(key!) ?? '')
      if ((rest === ')') !== (wants.length === 0)) wrong.push(key!)
    }
    expect(wrong).toEqual([])
  })
  it('American English says what it says otherwise, with the same figures', () => {
    for (const [key, text] of leaves(us)) {
      expect(British.has(key), key).toBe(true)
      expect(places(text), key).toEqual(places(British.get(key)!))
      // A list is said whole, also where one of its words is the same.
      if (!/\.\d+$/.test(key)) expect(text, key).not.toBe(British.get(key))
    }
  })
  it('no words stand in a template', () => {
    interface Node { type: number, tag?: string, content?: unknown, children?: Node[], branches?: Node[] }
    const left: string[] = []
    const walk = (node: Node, file: string) => {
      const text = node.type === 2 ? String(node.content).trim() : ''
      if (/[A-Za-z]{4}/.test(text)) left.push(`${file}: ${text}`)
      for (const child of [...(node.children ?? []), ...(node.branches ?? [])]) walk(child, file)
    }
    for (const { file, text } of SOURCES.filter(s => s.file.endsWith('.vue'))) {
      const { template } = parse(text).descriptor
      if (template?.ast) walk(template.ast as unknown as Node, file)
    }
    expect(left).toEqual([])
  })
})

describe('a language', () => {
  afterEach(() => speakIn('en-GB'))
  it('is chosen for sentences and for groups of words alike; what it does not say is said in British English', () => {
    const [key, american] = leaves(us).find(([k]) => asked.has(k) && places(British.get(k)!).length === 0)!
    const within = (g: string) => leaves(us).find(([k]) => k.startsWith(`${g}.`) && k.split('.').length === 3)
    const of = groups.map(g => ({ g, found: within(g) })).find(x => x.found)!
    const words = group<Record<string, string>>(of.g)
    const name = of.found![0].split('.')[2]!
    expect([say(key), words[name]]).toEqual([British.get(key), British.get(of.found![0])])
    speakIn('en-US')
    expect([say(key), words[name]]).toEqual([american, of.found![1]])
    const american2 = new Map(leaves(us))
    const [only, text] = [...British].find(([k, v]) => asked.has(k) && !american2.has(k) && !places(v).length)!
    expect(say(only)).toBe(text)
  })
  it('a figure that is not there leaves its place empty', () => {
    const [key, text] = [...British].find(([k, v]) => asked.has(k) && places(v).length === 1)!
    expect(say(key, { [places(text)[0]!]: null })).toBe(text.replace(/\{\w+\}/, ''))
  })
})
