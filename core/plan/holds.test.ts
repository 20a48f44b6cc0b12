import { describe, expect, it } from 'vitest'
import { familyOf } from '../formula/families'
import { schoolOf } from '../formula/schools'
import { SCHOOLS } from '../formula/document'
import { assess } from '../pipeline/assess'
import { kitchen, make, MADE } from '../../tests/support/core'
import { vesselsThatHold } from './holds'

describe('vessels that hold what is made', () => {
  it('no way of making spills from what it starts in, whatever it is served as', () => {
    for (const school of SCHOOLS)
      for (const use of familyOf(schoolOf(school).family).uses) {
        const a = assess(vesselsThatHold(make(school, undefined, MADE[school], use), kitchen), kitchen)
        expect(a.findings.map(f => f.code), `${school} ${use}`).not.toContain('overflows')
        expect(a.shape.fillShare).toBeLessThanOrEqual(0.93)
      }
  })
  it('what a way of making starts with is no stop of its own: only the lines, or the use asked of them, can be', () => {
    const OF_THE_LINES = ['looseCold', 'sagsOnTable', 'rawEgg']
    for (const school of SCHOOLS)
      for (const use of familyOf(schoolOf(school).family).uses) {
        const a = assess(vesselsThatHold(make(school, undefined, MADE[school], use), kitchen), kitchen)
        const own = a.findings.filter(f => f.severity === 'stop' && !OF_THE_LINES.includes(f.code))
        expect(own.map(f => f.code), `${school} ${use}`).toEqual([])
        // A target never lies below what the starch in it needs.
        expect(a.findings.map(f => f.code), `${school} ${use}`).not.toContain('starchUndercooked')
      }
  })
  it('what fits stays as it is', () => {
    const doc = make('yolkBath')
    expect(vesselsThatHold(doc, kitchen)).toBe(doc)
  })
  it('glasses become more, with a portion each; a ring becomes wider, to the centimetre', () => {
    const glasses = make('coldSouffle', undefined, MADE.coldSouffle, 'turnedOut')
    const more = vesselsThatHold(glasses, kitchen).assembly
    expect(more.count).toBe(Math.ceil((glasses.assembly.count * assess(glasses, kitchen).shape.fillShare) / 0.92))
    expect(more.portions).toBe(more.count)
    const ring = make('coldSouffle', undefined, MADE.coldSouffle, 'cut')
    const wider = vesselsThatHold(ring, kitchen).assembly
    expect(wider.count).toBe(1)
    expect(wider.vessel.lengthM).toBeGreaterThan(ring.assembly.vessel.lengthM)
    expect(Math.round(wider.vessel.lengthM * 1000) % 10).toBe(0)
  })
})
