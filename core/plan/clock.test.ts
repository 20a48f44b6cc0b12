import { differenceInSeconds, parseISO } from 'date-fns'
import { describe, expect, it } from 'vitest'
import { formula, kitchen, YOLK_CURD } from '../../tests/support/core'
import type { InputError } from '../base/errors'
import type { Bench } from '../formula/bench'
import { assess, work } from '../pipeline/assess'
import { pouredAfterS } from '../pipeline/assessment'
import { after, servicePlans, servicePlansOf } from './clock'
import { orderOfWork, spanOf, temperTime } from './order'
import { keepingOptions } from './storage'
import { whenOf } from './when'

const between = (from: string, to: string) => differenceInSeconds(parseISO(to), parseISO(from))
const AT = '2026-11-28T19:00'
function plansOf(doc: Bench, at = AT) {
  const w = work(doc, kitchen)
  const order = orderOfWork(doc, kitchen, w.assessment)
  return { doc, w, plans: servicePlans(doc, w.assessment, whenOf(w, doc, kitchen), order, at) }
}
const plan = (chillH: number) => plansOf(formula(undefined, (d) => {
  d.chill = d.chill.map((l, i) => (i === d.chill.length - 1 ? { ...l, timeS: chillH * 3600 } : l))
}))

describe('dinner at 19:00', () => {
  it('the latest start holds at the slow end, on five minutes; the plan\'s own longer cold stands beside it', () => {
    const { doc, w, plans } = plan(14)
    const slow = whenOf(w, doc, kitchen).find(r => r.what === 'serve')!.slowS!
    const p = plans.latest!
    expect(Number(p.startAt.slice(14)) % 5).toBe(0)
    const again = work(p.doc, kitchen)
    // From the start to the plate it is all of it: heat, joining, cold, mould and knife.
    const { platingS } = spanOf(orderOfWork(p.doc, kitchen, again.assessment), again.assessment)
    expect(Math.abs(between(p.startAt, AT) - again.assessment.serve.servedAfterS - platingS)).toBeLessThan(61)
    expect(again.assessment.chill.servedS).toBeGreaterThanOrEqual(slow - 1)
    expect(again.assessment.chill.servedS).toBeLessThan(slow + 600)
    expect(again.assessment.findings.some(f => f.code === 'servedBeforeSet')).toBe(false)
    const own = plans.asPlanned!
    expect(own.startAt < p.startAt).toBe(true)
    expect(own.lengthenedS).toBe(0)
    expect(own.lastLegS - doc.chill.at(-1)!.timeS).toBeLessThan(300)
  })
  it('with too little cold the last leg grows to the slow end of the set, and there is one answer', () => {
    const { plans, doc } = plan(0.5)
    expect(plans.asPlanned).toBeNull()
    expect(plans.latest!.lastLegS).toBeGreaterThan(doc.chill.at(-1)!.timeS)
    expect(assess(plans.latest!.doc, kitchen).findings.some(f => f.code === 'servedBeforeSet')).toBe(false)
  })
  it('each, taken twice, changes nothing the second time', () => {
    for (const hours of [0.5, 3.01, 6, 14.77])
      for (const which of ['latest', 'asPlanned'] as const) {
        const once = plan(hours).plans[which]
        if (!once) continue
        const again = plansOf(once.doc)
        expect(again.plans[which] ? again.plans[which].doc : once.doc, `${which} ${hours}`).toEqual(once.doc)
        if (which === 'latest') expect(again.plans.latest!.startAt).toBe(once.startAt)
        // Also where it is eaten warmer, and the colder leg makes warming a little longer.
        const { doc } = plan(hours)
        const warm = servicePlansOf({ ...doc, serve: { ...doc.serve, temperC: 12 } }, kitchen, AT)[which]
        if (warm) expect(servicePlansOf(warm.doc, kitchen, AT)[which]?.doc ?? warm.doc, `warm ${hours}`).toEqual(warm.doc)
      }
  })
  it('nobody begins at night: breakfast is made by ten the evening before', () => {
    const { plans } = plansOf(plan(6).doc, '2026-11-28T07:00')
    expect(plans.fromNight).toBe(true)
    const p = plans.latest!
    const poured = pouredAfterS(assess(p.doc, kitchen))
    expect(after(p.startAt, poured) <= '2026-11-27T22:00').toBe(true)
    expect(after(p.startAt, poured) > '2026-11-27T21:50').toBe(true)
    expect(plan(6).plans.fromNight).toBe(false)
  })
  it('what is eaten warmer is taken out before, and started so much earlier', () => {
    const { doc } = plan(6)
    const warm = plansOf({ ...doc, serve: { ...doc.serve, temperC: 12 } })
    const cold = plansOf(doc)
    const temperS = temperTime(warm.w.assessment, 12)!
    expect(temperS).toBeGreaterThan(300)
    expect(warm.plans.latest!.platingS).toBeCloseTo(Math.max(temperS, cold.plans.latest!.platingS), 6)
    const earlierS = between(warm.plans.latest!.startAt, cold.plans.latest!.startAt)
    expect(Math.abs(earlierS - (warm.plans.latest!.platingS - cold.plans.latest!.platingS))).toBeLessThanOrEqual(300)
  })
  it('a shell\'s own time, and the cook\'s own minutes, belong to the start', () => {
    const bar = formula(YOLK_CURD, (d) => {
      d.components.push({
        id: 'shell', name: 'Shell', role: 'crust', lines: [], steps: [], make: { kind: 'blindShell', ratio: 2 },
      } as never)
    })
    const { plans } = plansOf(bar)
    // Rubbed, rested, rolled, baked blind and open: more than an hour before the pan.
    expect(between(plans.latest!.beginsAt, plans.latest!.startAt)).toBeGreaterThan(3600)
    // 8 min of heat, 20 of rest and 10 of portioning instead of the computed heat, by hand.
    const own = { ...plan(6).doc }
    const mine = { ...own, serve: { ...own.serve, ownS: { heat: 480, rest: 1200, portion: 600 } } }
    const [a, b] = [assess(own, kitchen), assess(mine, kitchen)]
    expect(pouredAfterS(b) - pouredAfterS(a)).toBeCloseTo(480 - a.heat.endS + 1800, 6)
    expect(b.chill.readyS).toBe(a.chill.readyS)
    const order = orderOfWork(mine, kitchen, b)
    const at = (code: string) => order.find(s => s.code === code)!.atS
    expect(at('pour') - at('rest')).toBe(1200)
    expect(at('chill')).toBeCloseTo(pouredAfterS(b), 6)
    expect(at('chill') - at('pour')).toBeCloseTo(600, 6)
    expect(() => assess({ ...mine, serve: { ...mine.serve, ownS: { rest: 90_000 } } }, kitchen)).toThrow(
      expect.objectContaining({ path: 'serve.ownS.*' }) as InputError,
    )
  })
  it('over midnight, and what is no time is told', () => {
    expect(after('2026-11-28T23:40', 3600)).toBe('2026-11-29T00:40')
    const { doc, w } = plan(2)
    expect(() => servicePlans(doc, w.assessment, [], orderOfWork(doc, kitchen, w.assessment), 'tonight')).toThrow(
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
