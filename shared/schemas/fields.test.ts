/** One table of fields: what the core, the wire and the published JSON Schema take of a number is the same. */
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { FIELDS, type FieldPath } from '#core/base/fields'
import { checkInputs } from '#core/pipeline/inputs'
import { CONDITIONAL, eachField, type SchemaNode, SCHEMAS } from '../../cli/tables'
import { formula, kitchen } from '../../tests/support/core'
import type { Bench } from '#core/formula/bench'

const published: [string, unknown, unknown][] = []
for (const [file, before] of Object.entries(SCHEMAS)) {
  const schema = JSON.parse(readFileSync(new URL(`../../${file}`, import.meta.url), 'utf8')) as SchemaNode
  eachField(schema, before, (path, node) => published.push([path, node.minimum, node.maximum]))
}

describe('the published schema', () => {
  const shared = published.filter(([path]) => path in FIELDS && !CONDITIONAL.includes(path as FieldPath))
  it('has at least fifty numbers of the table', () => expect(shared.length).toBeGreaterThan(50))
  it.each(shared)('%s has the table\'s limits', (path, ...limits) => {
    const { min, max } = FIELDS[path as FieldPath]
    expect(limits).toEqual([min, max])
  })
})

/** Sets a number deep in a document. */
function put(doc: Bench, path: string, value: number): void {
  const keys = path.split('.')
  const last = keys.pop()!
  const at = keys.reduce((o, k) => o[k] as Record<string, unknown>, doc as unknown as Record<string, unknown>)
  at[last] = at[last] !== null && typeof at[last] === 'object' ? { given: value } : value
}

describe('the core', () => {
  const asked = [
    'use.pieceHeightM', 'use.pieceWidthM', 'use.tableTempC', 'use.tableTimeS', 'assembly.vessel.lengthM',
    'assembly.vessel.heightM', 'assembly.vessel.taper', 'assembly.toppingM', 'assembly.tiltDeg', 'assembly.count',
    'assembly.portions', 'assembly.crustM', 'losses.sieveFraction', 'losses.panG', 'heat.targetTempC', 'heat.holdS',
    'heat.startTempC', 'heat.burnerW', 'set.milkHeat', 'set.air', 'set.whippedFat', 'set.bloom', 'chill.0.timeS',
    'serve.claimDays', 'serve.temperC', 'serve.coldTempC', 'serve.chilledS',
  ]
  it.each(asked)('%s: taken at its limits, refused by name just beyond them', (path) => {
    const { min, max } = FIELDS[path.replace(/\.\d+\./, '.*.') as FieldPath]
    const step = 1e-6 * Math.max(1e-3, max - min)
    const checked = (value: number) => () => checkInputs(formula(undefined, d => put(d, path, value)), kitchen)
    expect(checked(min)).not.toThrow()
    expect(checked(max)).not.toThrow()
    expect(checked(min - step)).toThrow(path)
    expect(checked(max + step)).toThrow(path)
  })
})
