/** What is served frozen has no set to be good; on the table ice and air have their say. */
import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../tests/support/core'
import type { Bench } from '../formula/bench'
import { summarise } from './summary'
import { sampleShares } from '../solve/sampling'
import { work } from './assess'
import { tableStep } from './chill'
import { FROZEN_C } from './judge/limits'

/** A curd that was chilled, then stood in the cold of a place for hours. */
const cold = (airTempC: number, hours: number) =>
  formula(undefined, (d: Bench) => {
    const last = d.chill.at(-1)!
    d.chill = [...d.chill, { ...last, id: 'cold', placeId: null, place: { kind: 'freezer', airTempC }, timeS: 3600 * hours }]
  })

describe('served from the freezer', () => {
  const doc = cold(-18, 24)
  const w = work(doc, kitchen)
  it('is still frozen: not good, no share as meant, a stop that says so', () => {
    expect(w.assessment.verdict.cold.tempC).toBeLessThan(FROZEN_C)
    expect(w.assessment.verdict.code).toBe('frozen')
    expect(sampleShares(w).holds).toBe(0)
    expect(w.assessment.findings.find(f => f.code === 'thawing')).toMatchObject({ severity: 'stop', station: 'chill' })
    expect(summarise(doc, w.assessment).code).toBe('frozen')
  })
  it('stated at −2 °C, the coldest that can be, or just over it, it is judged by its set', () => {
    const at = (tempC: number) =>
      work(formula(undefined, (d: Bench) => {
        d.serve.coldTempC = { given: tempC }
        d.serve.chilledS = { given: 12 * 3600 }
      }), kitchen).assessment.verdict.code
    expect(at(FROZEN_C)).not.toBe('frozen')
    expect(at(FROZEN_C + 0.1)).not.toBe('frozen')
  })
})

describe('on the table', () => {
  const { finished, waterActivity: aw } = work(formula(), kitchen).heated
  const warmed = (fromC: number, air: number) => {
    const run = tableStep(formula(), { finished, fromC, heightM: 0.025, aw, air })
    return run.meanC[run.timeS.findIndex(t => t >= 3600 - 1)]!
  }
  it('a frozen piece takes its latent heat first: after an hour far colder than one that has none', () => {
    const sensible = -18 + (warmed(4, 0) - 4) * (38 / 16)
    expect(warmed(-18, 0)).toBeLessThan(sensible - 5)
    expect(warmed(-18, 0)).toBeGreaterThan(-18)
  })
  it('an airy piece weighs less, so it warms faster', () => {
    expect(warmed(4, 0.5)).toBeGreaterThan(warmed(4, 0) + 1)
  })
})
