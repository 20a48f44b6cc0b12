import { describe, expect, it } from 'vitest'
import { kitchen, make } from '../../tests/support/core'
import { plainVessel } from '../physics/geometry/cavity'
import { scaleFormula } from '../formula/edits'
import { assess } from '../pipeline/assess'
import { pouredG } from '../pipeline/assessment'
import { several, type Several, type SomeOf } from './several'

const LARGE = plainVessel('round', 'metal', 0.18, 0.18, 0.03)
const SMALL = plainVessel('ramekin', 'ceramic', 0.06, 0.06, 0.03)
const some = (vessel: SomeOf['vessel'], count: number, depthM: number | null = null): SomeOf =>
  ({ vessel, vesselId: null, count, depthM })
const doc = make('juiceAfter', (d) => { d.assembly.vessel = SMALL })
const a = assess(doc, kitchen)
function fill(asked: readonly SomeOf[], of = doc, its = a): Several {
  const steps = several(of, kitchen, its, asked)
  for (;;) {
    const s = steps.next()
    if (s.done) return s.value
  }
}
/** Grams of a straight round vessel to a depth, by hand. */
const gramsTo = (widthM: number, depthM: number) => Math.PI * (widthM / 2) ** 2 * depthM * a.shape.density * 1000

describe('one bowl in several vessels', () => {
  it('each takes its grams by hand, to 3 mm under the rim or as deep as is said', () => {
    const { fillings } = fill([some(LARGE, 1, 0.01), some(SMALL, 2)])
    expect(fillings[0]).toMatchObject({ of: 0, count: 1, depthM: 0.01, isShort: false })
    expect(fillings[0]!.eachG).toBeCloseTo(gramsTo(0.18, 0.01), 6)
    expect(fillings[1]!.eachG).toBeCloseTo(gramsTo(0.06, 0.027), 6)
    expect(fillings[1]!.headroomM).toBeCloseTo(0.003, 9)
  })
  it('what goes in and what is over is the batch; the factor is what all of them would take', () => {
    for (const asked of [[some(LARGE, 1, 0.01), some(SMALL, 2)], [some(SMALL, 40), some(LARGE, 1)], [some(LARGE, 3)]]) {
      const r = fill(asked)
      expect(r.fillings.reduce((s, f) => s + f.count * f.eachG, 0) + r.overG).toBeCloseTo(a.shape.batchG, 6)
      r.empty.forEach((n, i) => {
        const there = r.fillings.filter(f => f.of === i).reduce((s, f) => s + f.count, 0)
        expect(there + n).toBe(asked[i]!.count)
      })
    }
    const one = gramsTo(0.18, 0.01)
    expect(fill([some(LARGE, 2, 0.01)]).factor).toBeCloseTo((2 * one + 10) / (a.shape.batchG + 10), 9)
  })
  it.each([[some(LARGE, 1, 0.008)], [some(LARGE, 3)]])('made by its factor the bowl is just emptied, smaller or larger', (s) => {
    const scaled = scaleFormula(doc, fill([s]).factor)
    const again = fill([s], scaled, assess(scaled, kitchen))
    expect(again.empty).toEqual([0])
    expect(again.overG).toBeLessThan(0.03 * again.fillings[0]!.eachG)
    expect(again.fillings.map(f => f.isShort || f.count < s.count)).not.toContain(true)
  })
  it('the last one is short with the rest; a rest of under 15 % of one is over', () => {
    const each = a.shape.batchG / 2.16
    const deep = (g: number) => 0.03 * (g / gramsTo(0.18, 0.03))
    const short = fill([some(LARGE, 3, deep(each))])
    expect(short.fillings.map(f => [f.count, f.isShort])).toEqual([[2, false], [1, true]])
    expect(short.fillings[1]!.eachG).toBeCloseTo(0.16 * each, 4)
    expect(short.fillings[1]!.depthM).toBeCloseTo(0.16 * short.fillings[0]!.depthM, 6)
    const over = fill([some(LARGE, 3, deep(a.shape.batchG / 2.14))])
    expect(over.fillings).toHaveLength(1)
    expect(over.empty).toEqual([1])
    expect(over.overG).toBeCloseTo((0.14 * a.shape.batchG) / 2.14, 3)
  })
  it('small ones are set before the large one, and come first; baked, they leave the oven first', () => {
    const cold = fill([some(LARGE, 1, 0.02), some(SMALL, 2)])
    expect(cold.outFirst[0]).toBe(1)
    expect(cold.fillings[1]!.readyS!).toBeLessThan(cold.fillings[0]!.readyS!)
    expect(cold.fillings.map(f => f.bakeS)).toEqual([null, null])
    const pie = make('lowOven')
    const baked = fill([some(LARGE, 1, 0.025), some(SMALL, 2, 0.015)], pie, assess(pie, kitchen))
    expect(baked.outFirst[0]).toBe(1)
    // A bowl of unbaked mix is more than it weighs out of the oven.
    const all = baked.fillings.reduce((s, f) => s + f.count * f.eachG, 0) + baked.overG
    expect(all).toBeCloseTo(pouredG(pie, assess(pie, kitchen)), 6)
    expect(all).toBeGreaterThan(assess(pie, kitchen).shape.batchG + 1)
    expect(baked.fillings[1]!.bakeS!).toBeLessThan(0.8 * baked.fillings[0]!.bakeS!)
  })
  it('a count or depth that cannot be names its field', () => {
    expect(() => fill([some(LARGE, 0)])).toThrow(/assembly.count/)
    expect(() => fill([some(LARGE, 1, 0.5)])).toThrow(/assembly.depth/)
  })
})
