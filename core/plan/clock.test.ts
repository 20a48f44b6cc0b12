import { differenceInSeconds, parseISO } from 'date-fns'
import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../tests/support/core'
import type { InputError } from '../base/errors'
import { assess, work } from '../pipeline/assess'
import { after, timedBack } from './clock'
import { temperTime } from './order'
import { keepingOptions } from './storage'
import { whenOf } from './when'

const between = (from: string, to: string) => differenceInSeconds(parseISO(to), parseISO(from))
const plan = (chillH: number) => {
  const doc = formula(undefined, (d) => {
    d.chill = d.chill.map((l, i) => (i === d.chill.length - 1 ? { ...l, timeS: chillH * 3600 } : l))
  })
  const w = work(doc, kitchen)
  return { doc, w, plan: timedBack(doc, w.assessment, whenOf(w, doc, kitchen), '2026-11-28T19:00') }
}

describe('dinner at 19:00', () => {
  it('with cold enough the plan stays, the start is on five minutes and the dessert is served at seven', () => {
    const { doc, w, plan: p } = plan(6)
    expect(p.lengthenedS).toBe(0)
    expect(Number(p.startAt.slice(14)) % 5).toBe(0)
    const again = assess(p.doc, kitchen)
    expect(Math.abs(between(p.startAt, '2026-11-28T19:00') - again.serve.servedAfterS)).toBeLessThan(61)
    expect(between(p.startAt, '2026-11-28T19:00')).toBeGreaterThanOrEqual(w.assessment.serve.servedAfterS)
    expect(p.doc.chill.slice(0, -1)).toEqual(doc.chill.slice(0, -1))
  })
  it('with too little cold the last leg grows to the slow end of the set, and the start comes earlier', () => {
    const short = plan(0.5)
    expect(short.plan.lengthenedS).toBeGreaterThan(0)
    expect(short.plan.lengthenedS % 300).toBe(0)
    const again = assess(short.plan.doc, kitchen)
    expect(again.findings.some(f => f.code === 'servedBeforeSet')).toBe(false)
    expect(Math.abs(between(short.plan.startAt, '2026-11-28T19:00') - again.serve.servedAfterS)).toBeLessThan(61)
  })
  it('the latest start leaves the slow end just ready', () => {
    const { w, doc, plan: p } = plan(6)
    const slow = whenOf(w, doc, kitchen).find(r => r.what === 'serve')!.slowS!
    const poured = w.assessment.serve.servedAfterS - w.assessment.chill.servedS
    expect(Math.abs(between(p.latestStartAt!, '2026-11-28T19:00') - poured - slow)).toBeLessThan(61)
    expect(p.latestStartAt! > p.startAt).toBe(true)
  })
  it('taken twice it changes nothing the second time, whatever the plan', () => {
    for (const hours of [0.5, 3.01, 6, 7.77]) {
      const once = plan(hours).plan
      const w = work(once.doc, kitchen)
      const twice = timedBack(once.doc, w.assessment, whenOf(w, once.doc, kitchen), '2026-11-28T19:00')
      expect(twice.doc).toEqual(once.doc)
      expect(twice.startAt).toBe(once.startAt)
    }
  })
  it('what is eaten warmer is taken out before, and started so much earlier', () => {
    const { doc } = plan(6)
    const warm = { ...doc, serve: { ...doc.serve, temperC: 12 } }
    const w = work(warm, kitchen)
    const rows = whenOf(w, warm, kitchen)
    const p = timedBack(warm, w.assessment, rows, '2026-11-28T19:00')
    const cold = timedBack(doc, w.assessment, rows, '2026-11-28T19:00')
    expect(p.temperS).toBeCloseTo(temperTime(w.assessment, 12)!, 6)
    expect(p.temperS).toBeGreaterThan(300)
    const earlierS = between(p.startAt, cold.startAt)
    expect(Math.abs(earlierS - p.temperS)).toBeLessThanOrEqual(300)
    expect(between(p.latestStartAt!, cold.latestStartAt!)).toBeGreaterThan(0)
  })
  it('over midnight, and what is no time is told', () => {
    expect(after('2026-11-28T23:40', 3600)).toBe('2026-11-29T00:40')
    const { doc, w } = plan(2)
    expect(() => timedBack(doc, w.assessment, [], 'tonight')).toThrow(
      expect.objectContaining({ path: 'serve.serveAt' }) as InputError,
    )
  })
})

describe('keeping', () => {
  const options = (business: boolean, d = formula()) =>
    keepingOptions(d, { ...kitchen, business }, assess(d, { ...kitchen, business }))
  it('the code\'s seven days at 5 °C come first; freezing beside it; home guidance is hidden from a business and closed without a measured batch', () => {
    expect(options(true).map(o => [o.code, o.days, o.isDefault])).toEqual([
      ['code', 7, true],
      ['freeze', 90, false],
    ])
    expect(options(false).at(-1)).toMatchObject({
      code: 'homeGuidance',
      isDefault: false,
      open: false,
      needs: ['homeOnly', 'measuredPH', 'measuredHeat'],
    })
  })
  it('possets never get longer, starch and agar weep after the freezer, foam is for the day', () => {
    const posset = formula(
      { cream36: 600, sugar: 150, lemon: 90 },
      (d) => {
        d.heat.targetTempC = 100
      },
      { school: 'reduced', use: 'glass' },
    )
    expect(options(false, posset).map(o => o.code)).toEqual(['code', 'freeze'])
    const starch = formula(
      { water: 330, sugar: 210, cornflour: 50, lemon: 120 },
      (d) => {
        d.heat.targetTempC = 97
      },
      { school: 'juiceAfter', use: 'cut' },
    )
    expect(options(true, starch)[1]!.needs).toContain('starchWeeps')
    expect(
      options(
        true,
        formula({ creme_fr: 150, grapefruit: 60, icing: 60, cream36: 320 }, () => {}, {
          school: 'whippedAcid',
          use: 'glass',
        }),
      ).map(o => o.code),
    ).toEqual(['sameDay'])
  })
  it('a claim of four weeks is a stop against the code\'s days; seven is none', () => {
    const claimed = (claimDays: number | null) =>
      assess(
        formula(undefined, (d) => {
          d.serve.claimDays = claimDays
        }),
        kitchen,
      ).findings.find(f => f.code === 'claimTooLong')
    expect(claimed(28)).toMatchObject({ severity: 'stop', params: { claimed: 28, days: 7 } })
    expect([claimed(7), claimed(null)]).toEqual([undefined, undefined])
  })
})
