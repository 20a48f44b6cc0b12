/**
 * The figures as the engine gives them, for formulas kept as files of the version they were made with: whatever moves
 * in the house, they stay. `LUMBIK_GOLDEN=write npx vitest run core/pipeline/golden.test.ts` works the figures of the
 * same formulas out anew, which is right only together with a raised ENGINE_VERSION and a line in docs/decisions.md
 * that says what changed and why.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import {
  type Figures, figuresOf, type GoldenCase, KITCHENS, plannedOf,
} from '../../tests/support/golden'
import { benchOf } from '../formula/bench'

/** Paths whose figures differ by more than 1e-9 of their size. */
function differing(now: Figures, then: Figures): string[] {
  const same = (a: Figures[string] | undefined, b: Figures[string] | undefined) =>
    typeof a === 'number' && typeof b === 'number'
      ? Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b))
      : a === b
  return [...new Set([...Object.keys(now), ...Object.keys(then)])]
    .filter(path => !same(now[path], then[path]))
    .map(path => `${path}: ${now[path]}, was ${then[path]}`)
}

const FILE = new URL('../checks/golden.json', import.meta.url)
if (process.env.LUMBIK_GOLDEN === 'write') {
  const kept = JSON.parse(readFileSync(FILE, 'utf8')) as { about: string, cases: GoldenCase[] }
  const cases = kept.cases.map((c) => {
    const figures = figuresOf(benchOf(plannedOf(c.document)), KITCHENS[c.kitchen]!)
    return differing(figures, c.figures).length ? { ...c, figures } : c
  })
  const rows = cases.map(c => JSON.stringify(c, (_, v) => (typeof v === 'number' ? Number(v.toPrecision(13)) : v)))
  writeFileSync(FILE, `{"about":${JSON.stringify(kept.about)},"cases":[\n${rows.join(',\n')}\n]}\n`)
}
const { cases } = JSON.parse(readFileSync(FILE, 'utf8')) as { cases: GoldenCase[] }

describe('figures as they were', () => {
  it('kept of at least a hundred formulas', () => expect(cases.length).toBeGreaterThan(100))
  it.each(cases.map(c => [c.name, c] as const))('%s', (_, c) => {
    const now = figuresOf(benchOf(plannedOf(c.document)), KITCHENS[c.kitchen]!)
    expect(differing(now, c.figures)).toEqual([])
  })
})
