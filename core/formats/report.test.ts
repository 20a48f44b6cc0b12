import Ajv from 'ajv'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { demoKitchen } from '../../server/database/demo'
import { readDocument } from '../../shared/schemas/formula'
import { type AssessmentReport, report, reportOf } from './report'
import { demoBenches } from '../../tests/support/demo'

const read = (path: string): unknown =>
  JSON.parse(readFileSync(new URL(`../../docs/${path}`, import.meta.url), 'utf8'))
const validate = new Ajv({ strict: false, allErrors: true }).compile(read('assessment.schema.json') as object)
const tearoom = demoKitchen()

describe('the assessment as it leaves the application', () => {
  it.each(demoBenches().map(d => [d.document.name, d.document] as const))(
    '%s fits the published schema, shares within 0–1 and summing to 1',
    (_, doc) => {
      const r = report(doc, tearoom)
      expect(validate(JSON.parse(JSON.stringify(r))), JSON.stringify(validate.errors)).toBe(true)
      for (const side of ['cold', 'plate'] as const) {
        const shares = Object.values(r[side].bandShares)
        expect(shares.every(s => s >= 0 && s <= 1)).toBe(true)
        expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9)
        expect(Object.values(r[side].mechanismsPa).reduce((a, b) => a + b, 0)).toBeCloseTo(r[side].yieldStressPa, 6)
      }
      expect(r.matters.reduce((a, m) => a + m.share, r.modelShare)).toBeCloseTo(1, 6)
    },
  )
  it('the documented example gives the documented answer', () => {
    const result = readDocument(read('examples/curd.json'))
    expect(result.ok).toBe(true)
    if (!result.ok) return
    const now = reportOf(result.doc)
    const then = read('examples/curd.assessment.json') as AssessmentReport
    expect(now.engineVersion).toBe(then.engineVersion)
    expect(now.pH).toBeCloseTo(then.pH, 9)
    expect(now.cold.yieldStressPa).toBeCloseTo(then.cold.yieldStressPa, 6)
    expect(now.cautions.map(c => c.code)).toEqual(then.cautions.map(c => c.code))
  })
  it('the same document gives the same shares every time', () => {
    const doc = demoBenches()[5]!.document
    expect(report(doc, tearoom).cold.bandShares).toEqual(report(doc, tearoom).cold.bandShares)
  })
})
