import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EGG_CURD, formula, kitchen, make, saggingTart, YOLK_CURD } from '../../tests/support/core'
import { fillingOf, type Bench } from '../formula/bench'
import type { School } from '../formula/document'
import { schoolOf } from '../formula/schools'
import { plainVessel } from '../physics/geometry/cavity'
import { BANDS, type UseKind } from '../physics/set/bands'
import { assess, work } from '../pipeline/assess'
import { isOffTarget } from '../pipeline/assessment'
import { type Adjustment, adjustments } from './adjust'
import { moved } from './outcome'
import { createSampler, mattersMost, sampleShares } from './sampling'

const all = (d: Bench): Adjustment[] => {
  const search = adjustments(d, kitchen, assess(d, kitchen))
  for (;;) {
    const step = search.next()
    if (step.done) return step.value
  }
}
const sum = (o: Record<string, number>) => Object.values(o).reduce((a, b) => a + b, 0)

describe('shares by sampling', () => {
  const w = work(formula(), kitchen)
  it('are reproducible, and chunks make the same as one run', () => {
    const whole = sampleShares(w, 120)
    const chunked = createSampler(w)
    for (let i = 0; i < 3; i++) chunked.run(40)
    expect(chunked.result()).toEqual(whole)
    expect(sampleShares(w, 120, 7)).not.toEqual(whole)
  })
  it('lie between 0 and 1 and sum to 1, whatever the formula', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 350 }), fc.integer({ min: 70, max: 90 }), (yolk, target) => {
        const s = sampleShares(
          work(
            formula({ ...YOLK_CURD, yolk_sep: yolk }, (d) => {
              d.heat.targetTempC = target
            }),
            kitchen,
          ),
          60,
        )
        expect(sum(s.cold)).toBeCloseTo(1, 9)
        expect(sum(s.plate)).toBeCloseTo(1, 9)
        for (const b of BANDS) expect(s.cold[b.id]).toBeGreaterThanOrEqual(0)
        expect(s.holds).toBeGreaterThanOrEqual(0)
        expect(s.holds).toBeLessThanOrEqual(1)
        expect(s.matters.reduce((t, m) => t + m.share, s.modelShare)).toBeCloseTo(1, 6)
      }),
      { numRuns: 10 },
    )
  })
  it('what matters is told from a fiftieth on, and no egg is blamed where there is none', () => {
    const told = (share: number) => mattersMost({ matters: [{ input: 'acid', share: 0.5 }, { input: 'eggMass', share }] })
    expect([told(0.019), told(0.021)]).toEqual([['acid'], ['acid', 'eggMass']])
    for (const school of ['reduced', 'boiled', 'setCream', 'coulis'] as const)
      expect(mattersMost(sampleShares(work(make(school), kitchen))), school).not.toContain('eggMass')
    expect(mattersMost(sampleShares(w))).toContain('eggMass')
  })
  it('scatter about the point value as the stated spread says: ln σ near .35 where nothing else is steep', () => {
    const s = sampleShares(w, 400)
    const [low, high] = s.coldRangePa
    // 10th to 90th percentile of a log-normal: ±1.2816 σ.
    const sigma = Math.log(high / low) / (2 * 1.2816)
    expect(sigma).toBeGreaterThan(0.33)
    expect(sigma).toBeLessThan(0.55)
    expect(Math.abs(Math.log(Math.sqrt(low * high) / w.assessment.verdict.cold.tauPa.value))).toBeLessThan(0.25)
  })
  it('near the edge of grainy some batches turn, far from it none', () => {
    const at = (t: number) =>
      sampleShares(
        work(
          formula(
            EGG_CURD,
            (d) => {
              d.heat.targetTempC = t
            },
            { school: 'wholeEggTempered' },
          ),
          kitchen,
        ),
        200,
      ).grainy
    expect(at(76)).toBeLessThan(0.05)
    expect(at(86)).toBeGreaterThan(0.2)
    expect(at(92)).toBeGreaterThan(0.9)
  })
  it('a measured juice leaves less to the acid than typical fruit', () => {
    const share = (measured: boolean) =>
      sampleShares(
        work(
          formula(YOLK_CURD, (d) => {
            if (measured) fillingOf(d).lines[2]!.strength = { kind: 'measured', acidPercent: 5.5 }
          }),
          kitchen,
        ),
        300,
      ).matters.find(m => m.input === 'acid')!.share
    expect(share(true)).toBeLessThanOrEqual(share(false) + 0.005)
  })
})

describe('what would bring it there', () => {
  const sagging = saggingTart(0.004)

  it('nothing is offered for what is right', () => {
    const d = formula()
    expect(isOffTarget(assess(d, kitchen))).toBe(false)
    expect(all(d)).toEqual([])
  })
  it('each offer does what it says when it is taken', () => {
    expect(assess(sagging, kitchen).verdict.code).toBe('sagsOnTable')
    const offers = all(sagging)
    expect(offers.length).toBeGreaterThan(0)
    expect(offers.length).toBeLessThanOrEqual(3)
    for (const o of offers) {
      const a = assess(o.doc, kitchen)
      expect(a.verdict.code).toBe('good')
      expect(o.moves.after.piece.plate.standsM).toBe(a.verdict.plate.standsM)
      expect(o.moves.after.holds).toBe(sampleShares(work(o.doc, kitchen)).holds)
      expect(o.moves.before.code).toBe('sagsOnTable')
      // What asks less of the same dessert says so, and moves nothing of its taste.
      expect(o.changesUse).toBe(o.doc.components === sagging.components)
      if (o.changesUse) expect(moved(o.moves)).toMatchObject({ sourer: 0, sweeter: 0 })
    }
  })
  it('grainy is mended by stopping sooner, an unset egg by more heat', () => {
    const at = (t: number) =>
      all(
        formula(
          EGG_CURD,
          (d) => {
            d.heat.targetTempC = t
          },
          { school: 'wholeEggTempered' },
        ),
      ).map(o => o.kind)
    expect(at(88)).toContain('cooler')
    expect(at(70)).toContain('hotter')
  })
  it('a slow tub is mended by ice or by more tins', () => {
    const d = formula(
      { egg: 600, sugar: 575, lemon: 450, butter82: 400 },
      (x) => {
        x.assembly.vessel = plainVessel('round', 'plastic', 0.18, 0.18, 0.14)
        Object.assign(x.heat, { method: 'direct', burnerW: 900 })
        x.chill[1]!.timeS = 14 * 3600
      },
      { school: 'wholeEggTempered' },
    )
    const offers = all(d)
    expect(offers.map(o => o.kind)).toEqual(expect.arrayContaining(['iceBathFirst']))
    for (const o of offers) expect(assess(o.doc, kitchen).chill.safeSlow).toBe(true)
  })
  it('more yolk brings the target down with it where the old one would turn it grainy', () => {
    const d = formula(
      { yolk_sep: 150, egg: 120, sugar: 250, lemon: 255, butter82: 120 },
      (x) => {
        x.use = { kind: 'piped', pieceHeightM: 0.016, pieceWidthM: 0.03, tableTempC: 20, tableTimeS: 3600 }
        x.heat.targetTempC = 81
        x.heat.holdS = 60
      },
      { use: 'piped' },
    )
    const offer = all(d).find(o => o.kind === 'moreEgg')!
    expect(offer.alsoTargetC).toBeLessThan(81)
    expect(assess(offer.doc, kitchen).heat.b).toBeLessThan(0.25)
  })
  it('does not touch the document it was given', () => {
    const before = JSON.stringify(sagging)
    all(sagging)
    expect(JSON.stringify(sagging)).toBe(before)
  })
})

describe('offers for other kinds of dessert', () => {
  const make = (
    school: School,
    use: UseKind,
    grams: Record<string, number>,
    edit: (d: Bench) => void = () => {},
  ) =>
    formula(
      grams,
      (d) => {
        Object.assign(d.heat, { targetTempC: schoolOf(school).heat.targetTempC })
        edit(d)
      },
      { school, use },
    )
  it('a posset short of juice is offered more, one past it less; a cream too loose more gelatine, one too firm less', () => {
    const short = all(make('boiled', 'glass', { cream36: 600, sugar: 140, lemon: 24 }))
    expect(short.map(x => x.kind)).toContain('moreJuice')
    const past = make('boiled', 'glass', { cream36: 600, sugar: 140, lemon: 190 })
    expect(assess(past, kitchen).verdict.code).toBe('looseCold')
    expect(all(past).map(x => x.kind)).toContain('lessJuice')
    expect(
      all(make('setCream', 'turnedOut', { cream36: 400, milk: 150, sugar: 80, gelatin: 1.6, lemon: 30 })).some(
        x => x.kind === 'moreSetter' && x.ingredientId === 'gelatin',
      ),
    ).toBe(true)
    expect(
      all(make('setCream', 'glass', { cream36: 400, milk: 150, sugar: 80, gelatin: 6, lemon: 30 })).some(
        x => x.kind === 'lessSetter',
      ),
    ).toBe(true)
  })
  it('each does bring what it says', () => {
    const doc = make('setCream', 'glass', { cream36: 400, milk: 150, sugar: 80, gelatin: 6, lemon: 30 })
    for (const x of all(doc)) expect(assess(x.doc, kitchen).verdict.code).toBe(x.moves.after.code)
  })
})
