/** What to watch for: temperatures in order, a boil by the scale, a bias that is known. */
import { describe, expect, it } from 'vitest'
import { observe, startLive } from '../live/pot'
import { work } from '../pipeline/assess'
import { runPot } from '../physics/heat/pot'
import { formula, kitchen } from '../../tests/support/core'
import { watchOf } from './watch'
import { stepStates } from '../book/steps'
import type { BatchEvent } from '../book/record'

describe('what to watch for', () => {
  it('a curd coats, is done, turns grainy, in this order; its pot is the plan\'s', () => {
    const w = watchOf(work(formula(), kitchen), {})
    expect(w.coatsC!).toBeLessThan(w.doneC)
    expect(w.grainyC!).toBeGreaterThan(w.doneC)
    expect(w.stopG).toBeNull()
    expect(runPot(w.pot!).history).toEqual({ timeS: w.timeS, tempC: w.tempC })
    expect(observe(startLive(w.pot!), { atS: 5, tempC: 20 }).timeS).toBe(5)
  })
  it('a posset is boiled back by the scale, with its pan', () => {
    const pan = { panId: null, diameterM: 0.2, heightM: 0.12, tareG: 1100 }
    const doc = formula({ cream48: 600, sugar: 150, lemon: 90 }, (d) => {
      Object.assign(d.heat, { targetTempC: 100, pan })
    }, { school: 'reduced', use: 'glass' })
    const worked = work(doc, kitchen)
    const w = watchOf(worked, {})
    expect(w.boils).toBe(true)
    expect(w.stopG! - w.tareG).toBeCloseTo(worked.assessment.heat.panG, 6)
    expect(w.tareG).toBe(1100)
    expect(w.grainyC).toBeNull()
  })
  it('a probe that is known to err is read as it errs; what is not heated has no pot', () => {
    expect(watchOf(work(formula(), kitchen), { probeBiasK: 1.7 }).biasK).toBe(1.7)
    expect(watchOf(work(formula(undefined, d => void (d.heat.method = 'oven')), kitchen), {}).pot).toBeNull()
  })
})

describe('steps', () => {
  it('the last word on a step counts; a correction takes it back', () => {
    const e = (id: string, h: object) => ({ id, atS: Number(id), actorId: 'a', ...h }) as BatchEvent
    const events = [
      e('1', { kind: 'stepDone', stepKey: 'a' }), e('2', { kind: 'stepSkipped', stepKey: 'b' }),
      e('3', { kind: 'stepReopened', stepKey: 'a' }), e('4', { kind: 'stepDone', stepKey: 'c' }),
    ]
    expect([...stepStates(events)]).toEqual([['b', 'skipped'], ['c', 'done']])
    const back = e('5', { kind: 'corrected', eventId: '4', whyId: null, instead: null })
    expect([...stepStates([...events, back])]).toEqual([['b', 'skipped']])
  })
})
