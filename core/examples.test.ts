/// <reference types="vite/client" />
import { describe, expect, it } from 'vitest'
import { evaluate, examples, fixtures, written } from '../tests/support/examples'

const modules = import.meta.glob<Record<string, unknown>>(['./**/*.ts', '!./**/*.test.ts', '!./**/*.d.ts'], { eager: true })
const scope = { ...Object.assign({}, ...Object.values(modules)), ...fixtures() } as Record<string, unknown>
const all = examples()

/** Numbers to half of the last digit that is written, in whatever stands around them. */
function like(value: unknown, text: string): unknown {
  if (typeof value === 'number') {
    const digits = /\.(\d+)/.exec(text)?.[1]?.length ?? 0
    return expect.closeTo(value, digits)
  }
  if (Array.isArray(value)) return value.map(v => like(v, text))
  if (typeof value === 'object' && value !== null)
    return expect.objectContaining(Object.fromEntries(Object.entries(value).map(([k, v]) => [k, like(v, text)])))
  return value
}

describe('every example in a docstring gives what stands beside it', () => {
  it('there are many, and each is one line of code and its value', () => {
    expect(all.length).toBeGreaterThan(120)
    expect(written()).toBe(all.length)
  })
  it.each(all.map(e => [e.code, e.file, e.value] as const))('%s (%s)', (code, _, value) => {
    expect(evaluate(code, scope)).toEqual(like(evaluate(value, scope), value))
  })
})
