import { describe, expect, it } from 'vitest'
import { isOnEdge, type SetFigures, setRisks, setVerdict } from './verdict'

const target = { coldMinPa: 200, coldMaxPa: 900, plateMinPa: 150 }
const fine: SetFigures = {
  frozen: false, eggCounts: true, eggSets: true, potB: 0, b: 0, a: 1, grainyAt: 0.3, curdlingLogit: -Infinity,
  marginK: 9, lnSigma: 0.35, coldPa: 420, coldStarPa: 420, platePa: 330,
}
const of = (over: Partial<SetFigures>) => setVerdict({ ...fine, ...over }, target)
const TINY = 1e-9

describe('the rule of the set', () => {
  it.each([
    ['coldPa', 200, 'looseCold', 'good'], ['coldPa', 900, 'good', 'tooFirm'], ['platePa', 150, 'sagsOnTable', 'good'],
    ['coldStarPa', 10, 'runny', 'good'], ['a', 0.3, 'runny', 'good'], ['potB', 0.3, 'good', 'grainy'],
    ['b', 0.5, 'good', 'grainy'], ['curdlingLogit', 0, 'good', 'grainy'],
  ] as const)('%s at %d: %s below, %s above', (key, limit, under, over) => {
    const step = TINY * Math.max(1, limit)
    expect([of({ [key]: limit - step }), of({ [key]: limit + step })]).toEqual([under, over])
  })
  it('grains come before all, frozen before what the set would be; egg too little to tell has no grains', () => {
    expect([of({ potB: 0.9, frozen: true }), of({ frozen: true, coldPa: 1 })]).toEqual(['grainy', 'frozen'])
    expect(of({ potB: 0.9, b: 0.9, eggCounts: false })).toBe('good')
    expect(of({ a: 0, eggSets: false })).toBe('good')
    expect(of({ grainyAt: 0.5, potB: 0.4 })).toBe('good')
  })
})

describe('how likely what is good fails', () => {
  const risk = (code: string, over: Partial<SetFigures> = {}) =>
    setRisks({ ...fine, ...over }, target).find(r => r.leans === code)!.share
  it('is a half where a limit is met exactly, a sixth one σ inside it', () => {
    const sigma = Math.hypot(0.35, 0.15)
    expect(risk('looseCold', { coldPa: 200 })).toBeCloseTo(0.5, 3)
    expect(risk('looseCold', { coldPa: 200 * Math.exp(sigma) })).toBeCloseTo(0.159, 2)
    expect(risk('tooFirm', { coldPa: 900 * Math.exp(-sigma) })).toBeCloseTo(0.159, 2)
    expect(risk('sagsOnTable', { platePa: 150 * Math.exp(2 * sigma) })).toBeCloseTo(0.023, 2)
    // T60 1.8 K, gap 1.2 K, thermometer 1.5 K.
    expect(risk('grainy', { marginK: Math.hypot(1.8, 1.2, 1.5) })).toBeCloseTo(0.159, 2)
    expect(risk('grainy', { marginK: null, curdlingLogit: Math.log(0.25 / 0.75) })).toBeCloseTo(0.25, 9)
    expect(risk('grainy', { eggCounts: false })).toBe(0)
  })
  it('a plan in the middle is called, one at a limit is not; the likeliest way to fail comes first', () => {
    const edge = (over: Partial<SetFigures>) => isOnEdge(setRisks({ ...fine, ...over }, target))
    expect([edge({}), edge({ coldPa: 205 }), edge({ platePa: 152 }), edge({ marginK: 0.2 })]).toEqual(
      [false, true, true, true])
    expect(setRisks({ ...fine, platePa: 152 }, target)[0]!.leans).toBe('sagsOnTable')
  })
  it('a window narrower than the model is sure of is never called', () => {
    const narrow = { coldMinPa: 380, coldMaxPa: 460, plateMinPa: 10 }
    expect(isOnEdge(setRisks(fine, narrow))).toBe(true)
  })
})
