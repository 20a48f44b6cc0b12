import { describe, expect, it } from 'vitest'
import { kitchen, make } from '../../../tests/support/core'
import { fillingOf, type Bench } from '../../formula/bench'
import type { Step } from '../../formula/document'
import { assess } from '../../pipeline/assess'
import { orderOfWork } from '../../plan/order'
import { BY_HAND, HARDLY_WHIPS, overrunAt, overrunByCup, PEAKS, type Whipped, whipTimes } from './whipping'

const CREAM: Whipped = { massG: 500, fat: 0.36, sugar: 0, acidPercent: 0, tempC: 5, byHand: false }
const firm = (over: Partial<Whipped>) => overrunAt('firm', { ...CREAM, ...over })

describe('what cream gains', () => {
  it('whipping cream doubles to firm peaks, a little over half of it to a trace (common practice)', () => {
    expect(PEAKS.map(p => overrunAt(p, CREAM))).toEqual([0.55, 0.8, 1])
  })
  it('fatter cream gains less, 30 % more than double; under 28 % it gains nothing', () => {
    expect([0.3, 0.33, 0.48, 0.7].map(fat => firm({ fat }))).toEqual([1.3, expect.closeTo(1.15, 9), 0.65, 0.4])
    expect([firm({ fat: 0.279 }), firm({ fat: 0.281 }) > 1]).toEqual([0, true])
  })
  it('by hand: at 12.5 °C half, at 18 °C nothing; a tenth of sugar takes a tenth, 1 % of acid a fifth', () => {
    expect([7, 12.5, 18, 25].map(tempC => firm({ tempC }))).toEqual([1, 0.5, 0, 0])
    expect(firm({ sugar: 0.1 })).toBeCloseTo(0.9, 9)
    expect(firm({ acidPercent: 1 })).toBeCloseTo(0.8, 9)
  })
  it('is measured by one cup before and after: 240 g against 125 g is 92 %', () => {
    expect(overrunByCup(240, 125)).toBeCloseTo(0.92, 9)
    expect([overrunByCup(240, 240), overrunByCup(240, 241), overrunByCup(240, 0)]).toEqual([0, null, null])
  })
})

describe('how long it takes', () => {
  it('half a litre makes firm peaks in some three minutes, by hand in about twice that (common practice)', () => {
    expect(whipTimes('firm', CREAM)).toEqual({ toS: 200, marginS: 50 })
    expect(whipTimes('firm', { ...CREAM, byHand: true }).toS).toBe(200 * BY_HAND)
  })
  it('fat and acid shorten it and what is left before it turns; warmth, sugar, more of it lengthen it', () => {
    const to = (over: Partial<Whipped>) => whipTimes('soft', { ...CREAM, ...over })
    for (const over of [{ fat: 0.48 }, { acidPercent: 0.5 }, { massG: 200 }]) {
      expect(to(over).toS).toBeLessThan(to({}).toS)
      expect(to(over).marginS).toBeLessThan(to({}).marginS)
    }
    for (const over of [{ tempC: 12 }, { sugar: 0.1 }, { massG: 2000 }])
      expect(to(over).toS).toBeGreaterThan(to({}).toS)
  })
})

describe('in a formula', () => {
  const of = (edit: (s: Extract<Step, { kind: 'foldIn' }>, d: Bench) => void, grams?: Record<string, number>) => {
    const doc = make('foldedMousse', (d) => {
      const step = fillingOf(d).steps.find(s => s.kind === 'foldIn')!
      if (step.kind === 'foldIn') edit(step, d)
    }, grams)
    return { doc, a: assess(doc, kitchen) }
  }
  it('the gain follows from the peak, or is what is stated; air in the whole goes by it', () => {
    const stated = of(() => {}).a
    expect(stated.heat.whipping).toMatchObject([{ peak: 'firm', overrun: 1 }])
    const trace = of((s) => { s.peak = 'trace' }).a
    expect(trace.heat.whipping[0]!.overrun).toBeCloseTo(0.55, 6)
    expect(trace.set.making.air).toBeLessThan(stated.set.making.air - 0.1)
  })
  it('firm cream into something sour is told, just over pH 4.8 it is not', () => {
    const codes = (a: ReturnType<typeof assess>) => a.findings.map(f => f.code)
    expect(codes(of((s) => { s.peak = 'firm' }).a)).toContain('acidThickens')
    expect(codes(of((s) => { s.peak = 'soft' }).a)).not.toContain('acidThickens')
    const mild = { egg: 120, sugar: 120, milk: 200, gelatin: 4, cream36: 320 }
    expect(codes(of((s) => { s.peak = 'firm' }, mild).a)).not.toContain('acidThickens')
  })
  it('cream too thin or too warm stops the plan, by what it could gain', () => {
    const warm = of((s) => { s.lineTempC = 15 }).a
    expect(warm.heat.whipping[0]!.mostOverrun).toBeLessThan(HARDLY_WHIPS)
    expect(warm.findings.find(f => f.code === 'hardlyWhips')).toMatchObject({ severity: 'stop', path: expect.stringContaining('steps') })
    expect(of((s) => { s.lineTempC = 14.6 }).a.findings.map(f => f.code)).not.toContain('hardlyWhips')
  })
  it('the step says the peak, the minutes and the margin; by hand it takes no mixer and its own time', () => {
    const { doc, a } = of((s) => { Object.assign(s, { peak: 'soft', byHand: true }) })
    const step = orderOfWork(doc, kitchen, a).find(s => s.code === 'whip')!
    expect(step).toMatchObject({ cue: 'softPeaks', uses: [], params: { byHand: true, toS: a.heat.whipping[0]!.toS } })
    expect(step.attendedS).toBeCloseTo(a.heat.whipping[0]!.toS, 6)
    const electric = of((s) => { s.peak = 'trace' })
    expect(orderOfWork(electric.doc, kitchen, electric.a).find(s => s.code === 'whip'))
      .toMatchObject({ cue: 'traces', uses: [{ tool: 'mixer', id: null }], attendedS: 240 })
  })
  it('a cold curd is lightened with soft cream, without gelatine, and stands as a soft mousse', () => {
    const doc = make('lightenedCurd')
    const a = assess(doc, kitchen)
    expect(a.set.gelatinC).toBe(0)
    expect(a.set.making.air).toBeGreaterThan(0.1)
    expect(orderOfWork(doc, kitchen, a).map(s => s.code)).toEqual(expect.arrayContaining(['heatBath', 'coolTo', 'whip', 'fold']))
  })
})
