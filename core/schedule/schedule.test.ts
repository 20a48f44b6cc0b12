/**
 * The planner held against an exact solver (HiGHS, an integer programme of its own) on small days, and every plan of
 * many days looked through by a checker that knows nothing of how it was made.
 */
import loadHighs from 'highs'
import { describe, expect, it } from 'vitest'
import { anyDay, asProgramme, costOfPlan, faultsOf, smallDay } from '../../tests/support/days'
import { planOf } from './plan'

describe('held against the exact solver', () => {
  it('sixty small days: a plan wherever there is one, and within a twentieth of the best', async () => {
    const highs = await loadHighs()
    const off: number[] = []
    for (let seed = 0; seed < 60; seed++) {
      const day = smallDay(seed)
      const { lp, serves } = asProgramme(day)
      const exact = highs.solve(lp)
      const plan = planOf(day)
      expect(plan.feasible, `day ${seed}`).toBe(exact.Status === 'Optimal')
      if (!plan.feasible) continue
      expect(faultsOf(day, plan), `day ${seed}`).toEqual([])
      off.push(costOfPlan(day, plan) / (serves - exact.ObjectiveValue) - 1)
      expect(off.at(-1), `day ${seed}`).toBeLessThan(0.05)
      // Better than the best would be a plan that cannot be worked.
      expect(off.at(-1), `day ${seed}`).toBeGreaterThan(-1e-6)
    }
    expect(off.length).toBeGreaterThan(40)
  })
})

describe('looked through', () => {
  it('every plan of five hundred days can be worked', () => {
    let plans = 0
    for (let seed = 0; seed < 500; seed++) {
      const day = anyDay(seed)
      const plan = planOf(day, 0.05)
      if (!plan.feasible) continue
      plans++
      expect(faultsOf(day, plan), `day ${seed}`).toEqual([])
    }
    expect(plans).toBeGreaterThan(300)
  })
  it('the checker sees what is wrong', () => {
    const day = anyDay(1)
    const plan = planOf(day)
    expect(plan.feasible).toBe(true)
    const spoilt = (over: Partial<(typeof plan.tasks)[number]>, i = 0) =>
      faultsOf(day, { ...plan, tasks: plan.tasks.map((t, k) => (k === i ? { ...t, ...over } : t)) })
    expect(spoilt({ start: '2026-11-28T05:00:00' })).not.toEqual([])
    expect(spoilt({ start: '2026-11-28T23:00:00', end: '2026-11-28T23:30:00' })).not.toEqual([])
    expect(faultsOf(day, { ...plan, tasks: plan.tasks.slice(1) })[0]).toContain('is missing')
  })
})

const step = (name: string, minutes: number, attended: boolean | number = true, over: object = {}) =>
  ({ name, minutes, attended, ...over })
const at = (plan: ReturnType<typeof planOf>, id: string) => plan.tasks.find(t => t.id === id)!

describe('a day as it is given', () => {
  it('a posset with own times for 19:00 starts at 15:00, in whatever zone it is written', () => {
    const steps = [
      step('heat', 8), step('boil', 12), step('rest', 20, false), step('portion', 10), step('chill', 180, false),
      step('temper', 10, false),
    ]
    for (const [serveAt, starts] of [
      ['2026-11-28T19:00', '2026-11-28T15:00:00'], ['2026-11-28T19:00:00Z', '2026-11-28T15:00:00Z'],
      ['2026-11-28T19:00+01:00', '2026-11-28T15:00:00+01:00'], ['19:00', '2026-11-28T15:00:00'],
    ] as const) {
      const plan = planOf({ date: '2026-11-28', desserts: [{ name: 'posset', serveAt, steps }] })
      expect(plan.tasks[0], serveAt).toMatchObject({ id: 'heat', dessert: 'posset', start: starts, who: null })
      expect(plan.chanceOnTime).toEqual({ posset: 1 })
    }
  })
  it('nothing is begun longer before service than it stays fresh; earlier is no way out', () => {
    const day = (freshMinutes: number) => ({ date: '2026-11-28', desserts: [
      { name: 'x', serveAt: '19:00', freshMinutes, steps: [step('a', 60), step('b', 60)] }] })
    expect([planOf(day(120)).feasible, planOf(day(119)).feasible]).toEqual([true, false])
    const why = planOf({ ...day(119), desserts: [{ ...day(119).desserts[0]!, earliest: '18:00' }] }).conflicts[0]!
    expect(why.ways.map(w => w.code)).not.toContain('startEarlier')
  })
  const shell = {
    name: 'meringue', serveAt: '2026-11-28T19:00', keepMinutes: 48 * 60, steps: [
      step('bake', 90, 5, { uses: [{ kind: 'oven', tempC: 93 }] }),
      step('dry', 150, false, { minutesSlow: 180, maxGapMinutes: 0, uses: [{ kind: 'oven', closed: true }] }),
    ],
  }
  const pie = {
    name: 'lime pie', serveAt: '2026-11-28T19:00', keepMinutes: 48 * 60, steps: [
      step('mix', 20), step('bake', 15, 2, { uses: [{ kind: 'oven', tempC: 149 }] }), step('chill', 240, false),
    ],
  }
  const oven = { id: 'deck', kind: 'oven', capacity: 1, minC: 50, maxC: 250, heatKPerMin: 5, coolKPerMin: 2 }
  const cook = { name: 'Ada', from: '2026-11-28T06:00', to: '2026-11-28T20:00' }
  const both = (over: object = {}) => ({
    date: '2026-11-28', hands: [cook], equipment: [{ ...oven, ...over }], desserts: [shell, pie],
  })
  it('a slow shell and a pie for 19:00 share one oven, one after the other with its cooling; it is said why', () => {
    const plan = planOf(both())
    expect(plan.feasible).toBe(true)
    expect(faultsOf({ ...both(), desserts: both().desserts.map(d => ({ ...d, id: d.name, steps: d.steps.map((s, i) =>
      ({ ...s, id: s.name, after: i ? [d.steps[i - 1]!.name] : [] })) })) }, plan)).toEqual([])
    const [pieBake, shellBake] = ['lime pie', 'meringue'].map(d => plan.tasks.find(t => t.id === 'bake' && t.dessert === d)!)
    // 56 K down at 2 K a minute.
    const gap = (Date.parse(`${shellBake!.start}Z`) - Date.parse(`${pieBake!.end}Z`)) / 60_000
    expect(gap === 28 || pieBake!.start < '2026-11-28').toBe(true)
    const [conflict] = plan.conflicts
    expect(conflict).toMatchObject({ code: 'ovenTemperatures', tasks: ['lime pie/bake', 'meringue/bake'] })
    expect(conflict!.ways.map(w => w.code)).toEqual(expect.arrayContaining(['thisFirst', 'oneTemperature']))
    expect(plan.chanceOnTime.meringue).toBeGreaterThanOrEqual(0.9)
  })
  it('the evening before is a way where somebody is there then and the food may stand; held there, it is one', () => {
    const night = { ...cook, from: null, to: null, shifts: [
      { from: '2026-11-27T12:00', to: '2026-11-27T20:00' }, { from: '2026-11-28T07:00', to: '2026-11-28T19:00' },
    ] }
    const plan = planOf({ ...both(), hands: [night] })
    const way = plan.conflicts.flatMap(c => c.ways).find(w => w.code === 'eveningBefore')
    const [dessert, id] = String(way!.params.first).split('/') as [string, string]
    const task = plan.tasks.find(t => t.dessert === dessert && t.id === id)!
    const ends = Date.parse(`${task.end}Z`) - 60_000 * Number(way!.params.minutes)
    // It ends as the evening does.
    expect(ends).toBe(Date.parse('2026-11-27T20:00Z'))
    // Nobody there the evening before: it is no way.
    expect(planOf(both()).conflicts.flatMap(c => c.ways).map(w => w.code)).not.toContain('eveningBefore')
  })
  it('an oven that cannot be so hot, hours that are too short, a fruitless wait: named, with the least that would do', () => {
    const cold = planOf(both({ maxC: 120 }))
    expect(cold.feasible).toBe(false)
    expect(cold.conflicts[0]).toMatchObject({ code: 'noEquipmentAt', tasks: ['lime pie/bake'] })
    const late = planOf({ ...both(), hands: [{ ...cook, from: '2026-11-28T18:00' }], desserts: [pie] })
    expect(late.conflicts[0]!.code).toBe('cannotBeInTime')
    const ways = Object.fromEntries(late.conflicts[0]!.ways.map(w => [w.code, w.params.minutes]))
    // 20 + 15 + 240 minutes from 18:00 are 22:35.
    expect(ways.serveLater).toBe(215)
    expect(ways.beginShiftEarlier).toBe(215)
    // Of two days the second begins earlier, too; what follows a lunch does not.
    const shifts = [
      { from: '2026-11-27T12:00', to: '2026-11-27T20:00' }, { from: '2026-11-28T07:00', to: '2026-11-28T12:00' },
      { from: '2026-11-28T13:00', to: '2026-11-28T20:00' },
    ]
    const early = planOf({ date: '2026-11-28', hands: [{ name: 'Ada', shifts }], desserts: [
      { name: 'x', serveAt: '06:30', keepMinutes: 60, steps: [step('plate', 20)] }] })
    expect(early.conflicts[0]!.ways).toContainEqual({ code: 'beginShiftEarlier', params: { minutes: 50 } })
    const never = planOf({ date: '2026-11-28', hands: [cook], desserts: [
      { name: 'x', serveAt: '19:00', steps: [step('stir', 15 * 60)] }] })
    expect(never.conflicts[0]).toMatchObject({ code: 'longerThanAnyShift', ways: [{ params: { minutes: 60 } }] })
  })
  it('what cannot be is named by its field', () => {
    const day = (over: object) => ({ date: '2026-11-28', desserts: [{ name: 'x', serveAt: '19:00', steps: [step('a', 5)], ...over }] })
    for (const [over, path] of [
      [{ serveAt: 'soon' }, 'desserts.0.serveAt'], [{ earliest: 'x' }, 'desserts.0.earliest'],
      [{ steps: [step('a', 5, true, { after: ['b'] })] }, 'desserts.0.steps.0.after.0'],
      [{ steps: [step('a', 5, true, { after: ['a'] })] }, 'desserts.0.steps.0.after'],
      [{ steps: [step('a', 5), step('a', 5)] }, 'desserts.0.steps.1.id'],
      [{ steps: [step('a', 5, true, { uses: [{ id: 'nothing' }] })] }, 'desserts.0.steps.0.uses.0.id'],
    ] as const)
      expect(() => planOf(day(over)), path).toThrow(expect.objectContaining({ path }))
    expect(() => planOf({ ...day({}), hands: [{ name: 'Ada', from: '10:00', to: '09:00' }] }))
      .toThrow(expect.objectContaining({ path: 'hands.0.to' }))
  })
  it('what began or was put by hand stays; the rest goes around it', () => {
    const day = both()
    const fixed = { start: '2026-11-28T09:00', who: 'Ada' }
    const pinned = { ...day, desserts: [shell, { ...pie, steps: pie.steps.map(s => (s.name === 'bake' ? { ...s, fixed } : s)) }] }
    const plan = planOf(pinned)
    expect(plan.feasible).toBe(true)
    expect(plan.tasks.find(t => t.dessert === 'lime pie' && t.id === 'bake')).toMatchObject({ start: '2026-11-28T09:00:00', who: 'Ada' })
    expect(at(plan, 'mix').end <= '2026-11-28T09:00:00').toBe(true)
    expect(plan.conflicts.some(c => c.code === 'heldInTheWay')).toBe(false)
    // Held outside everybody's hours it stays, and that is said.
    const night = { start: '2026-11-28T03:00', who: null }
    const held = planOf({ date: '2026-11-28', hands: [cook], equipment: [], desserts: [
      { name: 'x', serveAt: '19:00', steps: [step('a', 5, true, { uses: [{ kind: 'oven' }], fixed: night })] }] })
    expect(held.conflicts).toContainEqual(expect.objectContaining({ code: 'heldInTheWay', tasks: ['x/a'] }))
  })
  it('a margin is kept where steps may be slow, until nine in ten days are in time', () => {
    const slow = planOf({ date: '2026-11-28', desserts: [{ name: 'x', serveAt: '19:00', steps: [
      step('a', 60, true, { minutesSlow: 90 }), step('b', 60, false, { minutesSlow: 80 })] }] })
    expect(slow.chanceOnTime.x).toBeGreaterThanOrEqual(0.9)
    expect(slow.chanceOnTime.x).toBeLessThan(0.99)
    const minutes = (iso: string) => Date.parse(`${iso}Z`) / 60_000
    const [a, b, serve] = [at(slow, 'a'), at(slow, 'b'), minutes('2026-11-28T19:00:00')]
    // What may be slow is followed by its margin; what comes after is done late.
    expect(minutes(b.start) - minutes(a.end)).toBeGreaterThanOrEqual(30 - 1)
    expect(serve - minutes(b.end)).toBeGreaterThanOrEqual(20 - 1)
    const sure = planOf({ date: '2026-11-28', desserts: [{ name: 'x', serveAt: '19:00', steps: [
      step('chill', 200, false, { minutesSlow: 300 }), step('plate', 10)] }] })
    expect(at(sure, 'plate').end).toBe('2026-11-28T19:00:00')
    expect(sure.chanceOnTime.x).toBeGreaterThanOrEqual(0.9)
  })
  it('two who share their hands are each in time in nine of ten days; where food may not stand, it is said', () => {
    const two = ['x', 'y'].map(name => ({ name, serveAt: '19:00', keepMinutes: 60, steps: [
      step('cook', 40, true, { minutesSlow: 55 }), step('chill', 120, false, { minutesSlow: 170 }),
      step('plate', 12, true, { minutesSlow: 15 })] }))
    const cook = { name: 'Ada', from: '08:00', to: '21:00' }
    const both = planOf({ date: '2026-11-28', hands: [cook], desserts: two })
    for (const p of Object.values(both.chanceOnTime)) expect(p).toBeGreaterThanOrEqual(0.9)
    const tight = planOf({ date: '2026-11-28', hands: [cook], desserts: two.map(d => ({
      ...d, keepMinutes: 0, steps: d.steps.slice(0, 2) })) })
    expect(tight.feasible).toBe(true)
    for (const p of Object.values(tight.chanceOnTime)) expect(p).toBeLessThan(0.9)
  })
})
