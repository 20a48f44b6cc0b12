/** The engine's figures for many formulas, as kept in `core/checks/golden.json` before the house was rebuilt. */
import { ladderDocument, readLadder } from '../../core/formats/ladder'
import { report } from '../../core/formats/report'
import { PLAIN_KITCHEN } from '../../core/kitchen/kitchen'
import { assess } from '../../core/pipeline/assess'
import { type Bench, type Planned, putBack } from '../../core/formula/bench'
import { migrate } from '../../core/formula/migrate'
import { plainOccasion } from '../../core/formula/occasion'
import { SCHOOLS } from '../../core/formula/document'
import type { Kitchen } from '../../core/kitchen/kitchen'
import ladder from '../../core/checks/ladder.json'
import { demoFormulas, demoKitchen } from '../../server/database/demo'
import { kitchen, make } from './core'

export const KITCHENS: Record<string, Kitchen> = { plain: PLAIN_KITCHEN, tests: kitchen, demo: demoKitchen() }
export type Figures = Record<string, number | string | boolean | null>
export interface GoldenCase {
  name: string
  kitchen: string
  document: unknown
  figures: Figures
}

/** A formula as a file keeps it, of any version, with its occasion; its fields are not checked. */
export function plannedOf(input: unknown): Planned {
  const { formula, occasion } = migrate(input) as unknown as Planned
  return { formula, occasion: occasion ?? plainOccasion() }
}

/** A tree of figures as one list; a long row of numbers by its length, ends, mean and a weighted sum. */
export function flat(value: unknown, path = '', into: Figures = {}): Figures {
  if (Array.isArray(value) && value.length > 8 && value.every(x => typeof x === 'number')) {
    const sum = (f: (x: number, i: number) => number) => (value as number[]).reduce((s, x, i) => s + f(x, i), 0)
    const named = {
      n: value.length,
      first: value[0],
      last: value.at(-1),
      mean: sum(x => x) / value.length,
      weighted: sum((x, i) => x * Math.sin(i)),
    }
    for (const [k, v] of Object.entries(named)) into[`${path}.${k}`] = v as number
  } else if (typeof value === 'object' && value !== null)
    for (const [k, v] of Object.entries(value)) flat(v, path ? `${path}.${k}` : k, into)
  else if (value !== undefined)
    into[path] = typeof value === 'number' && !Number.isFinite(value) ? String(value) : (value as Figures[string])
  return into
}

/** What one formula comes to: its report with shares, and the curves of its assessment. */
export function figuresOf(doc: Bench, k: Kitchen): Figures {
  const a = assess(doc, k)
  const { schemaVersion: _s, engineVersion: _e, cautions, ...said } = report(doc, k)
  // Where a finding points in the document may move; what it says may not.
  const findings = cautions.map(({ path: _, ...f }) => f)
  return flat({
    ...said,
    findings,
    stock: a.stock,
    shape: a.shape,
    heat: a.heat,
    set: a.set,
    chill: a.chill,
    serve: a.serve,
    target: a.verdict.target,
  })
}

/** The formulas: the demo's, every way of making as it is, cooler and hotter, and every row of the ladder. */
export function goldenDocuments(): { name: string, kitchen: string, document: Planned }[] {
  const demo = demoFormulas().map(({ document }) => ({ name: `demo: ${document.formula.name}`, kitchen: 'demo', document }))
  const made = SCHOOLS.flatMap(school =>
    [0, -7, 9].map(by => ({
      name: `${school} ${by}`,
      kitchen: 'tests',
      document: putBack(make(school, (d) => {
        d.heat.targetTempC = Math.min(104, d.heat.targetTempC + by)
      })),
    })),
  )
  const rungs = readLadder(ladder).map(row => ({
    name: `ladder: ${row.name}`,
    kitchen: 'plain',
    document: putBack(ladderDocument(row)),
  }))
  return [...demo, ...made, ...rungs]
}
