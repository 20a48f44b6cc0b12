import { describe, expect, it } from 'vitest'
import { kitchen } from '../../tests/support/core'
import { randomPlans } from '../../tests/support/plans'
import { work } from '../pipeline/assess'
import { sampleShares } from './sampling'

/** Findings that say the set itself will fail. */
const OF_THE_SET = [
  'grainy', 'scrambled', 'looseCold', 'sagsOnTable', 'acidShort', 'acidCurdles', 'noEgg', 'noSetter',
  'starchUndercooked', 'amylase',
]
const DRAWS = 150
const PLANS = 2000

describe('verdict and shares', () => {
  it('of 2,000 random plans none is stopped for its set that holds in six of ten, none is good that fails in six of ten', () => {
    const stopped: string[] = []
    const praised: string[] = []
    const verdicts = new Map<string, number>()
    randomPlans(PLANS, 7).forEach((doc, i) => {
      const w = work(doc, kitchen)
      const { holds } = sampleShares(w, DRAWS)
      const { code } = w.assessment.verdict
      verdicts.set(code, (verdicts.get(code) ?? 0) + 1)
      const stops = w.assessment.findings.filter(f => f.severity === 'stop' && OF_THE_SET.includes(f.code))
      if (stops.length && holds > 0.6) stopped.push(`${i} ${doc.school} ${stops.map(s => s.code)} ${holds}`)
      if (code === 'good' && holds < 0.4) praised.push(`${i} ${doc.school} ${doc.use.kind} ${holds}`)
    })
    expect(stopped).toEqual([])
    expect(praised).toEqual([])
    // They are not all alike.
    for (const code of ['good', 'edge', 'looseCold', 'tooFirm', 'sagsOnTable', 'grainy'])
      expect(verdicts.get(code) ?? 0, code).toBeGreaterThan(20)
  })
})
