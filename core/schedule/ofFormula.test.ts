/** A formula as steps of a day: its order of work, its equipment, its cold as long as the set needs. */
import { describe, expect, it } from 'vitest'
import { curd, posset } from '../../tests/support/batches'
import { kitchen } from '../../tests/support/core'
import { benchOf } from '../formula/bench'
import { assess } from '../pipeline/assess'
import { orderOfWork } from '../plan/order'
import { demoFormulas, demoKitchen } from '../../server/database/demo'
import { bakedAt, freshMinutes, stepsOfFormula } from './ofFormula'
import { planOf } from './plan'

const ALL = new Set(['ring', 'oven', 'fridge', 'mixer', 'freezer', 'blastChiller'])
const steps = (of = curd(), count: number | null = null, has: ReadonlySet<string> = ALL) =>
  stepsOfFormula(of, kitchen, count, has)

describe('a formula as steps', () => {
  it('are those of its order of work, in that order, each with its hands', () => {
    const b = benchOf(curd())
    const order = orderOfWork(b, kitchen, assess(b, kitchen)).map(s => s.code)
    const names = steps().map(s => s.name)
    expect(names.length).toBeGreaterThan(4)
    expect(order.filter(c => names.includes(c))).toEqual(names)
    for (const s of steps()) {
      expect(s.minutes, s.name).toBeGreaterThan(0)
      expect(s.minutesSlow, s.name).toBeGreaterThanOrEqual(s.minutes)
      expect(s.attended as number, s.name).toBeLessThanOrEqual(s.minutes + 1e-9)
    }
  })
  it('take of the equipment what the day names, and nothing else', () => {
    const kinds = (has: ReadonlySet<string>) =>
      new Set(steps(posset(), null, has).flatMap(s => s.uses!.map(u => u.kind)))
    expect(kinds(ALL)).toEqual(new Set(['ring', 'fridge']))
    expect(kinds(new Set(['fridge']))).toEqual(new Set(['fridge']))
    expect(kinds(new Set())).toEqual(new Set())
  })
  it('the last cold is as long as the set needs, likely and slow; the night that was planned is not needed', () => {
    const last = steps().findLast(s => s.name === 'chill')!
    const planned = benchOf(curd()).chill.at(-1)!.timeS / 60
    expect(last.minutes).toBeLessThan(planned)
    expect(last.minutesSlow!).toBeGreaterThan(last.minutes)
    expect(last.minutesSlow!).toBeLessThan(2.5 * last.minutes)
  })
  it('what is hot does not wait for what follows; what is cold may', () => {
    const all = steps()
    const heat = all.findIndex(s => s.name.startsWith('heat'))
    expect(all[heat + 1]!.maxGapMinutes).toBe(5)
    expect(all[heat]!.maxGapMinutes).toBeNull()
    expect(all.at(-1)!.maxGapMinutes).toBeNull()
  })
  it('more covers take longer to pour and plate, never less', () => {
    const handsOf = (count: number) => steps(posset(), count).reduce((s, x) => s + (x.attended as number), 0)
    expect(handsOf(40)).toBeGreaterThan(handsOf(10))
  })
  it('an oven is asked for at its own temperature', () => {
    const pie = demoFormulas()[8]!.document
    const bakes = stepsOfFormula(pie, demoKitchen(), null, ALL).flatMap(s => s.uses!.filter(u => u.kind === 'oven'))
    expect(bakes.length).toBeGreaterThan(1)
    for (const u of bakes) {
      expect(u.tempC!).toBeGreaterThan(90)
      expect(u.tempC!).toBeLessThan(230)
    }
  })
  it('every formula of the demo becomes steps', () => {
    for (const { document } of demoFormulas())
      expect(stepsOfFormula(document, demoKitchen(), 12, ALL).length, document.formula.name).toBeGreaterThan(3)
  })
})

describe('another temperature of the oven', () => {
  const pie = demoFormulas().find(f => f.document.formula.name.startsWith('Key lime pie'))!.document
  const bake = (airC: number | null) =>
    stepsOfFormula(airC === null ? pie : bakedAt(pie, airC), demoKitchen(), null, ALL).find(s => s.name === 'bake')!
  it('cooler takes longer, hotter is quicker, and the oven is asked for it', () => {
    const [cool, usual, hot] = [bake(120), bake(null), bake(175)]
    expect(cool.minutes).toBeGreaterThan(usual.minutes)
    expect(hot.minutes).toBeLessThan(usual.minutes)
    expect([cool, hot].map(s => s.uses![0]!.tempC)).toEqual([120, 175])
  })
  it('what is not baked stays as it is', () => {
    expect(bakedAt(curd(), 120)).toEqual(curd())
  })
})

describe('how long before service it may be begun', () => {
  it('is as long as it keeps by its food code, or a day for what sinks; what is frozen does not count', () => {
    const fresh = (of: ReturnType<typeof curd>) => freshMinutes(of, kitchen, []) / (24 * 60)
    const days = assess(benchOf(curd()), kitchen).serve.storageDays
    expect(days).toBeGreaterThan(1)
    expect(fresh(curd())).toBe(days)
    const night = { name: 'build:freezeWhole · x', minutes: 600, uses: [] }
    expect(freshMinutes(curd(), kitchen, [night]) - freshMinutes(curd(), kitchen, [])).toBe(600)
  })
})

describe('bowls', () => {
  const named = new Set([...ALL, 'bowl'])
  const inBowl = (of: ReturnType<typeof curd>, has: ReadonlySet<string>) => stepsOfFormula(of, demoKitchen(), null, has)
    .flatMap(s => s.uses!.filter(u => u.kind === 'bowl').map(u => ({ name: s.name, ...u })))
  it('hold the mix to where it is poured, from the sieve where it is cooked in its pan, from the start over a bath', () => {
    const direct = curd()
    const bath = structuredClone(direct)
    direct.formula.components[0]!.process!.heat.method = 'direct'
    bath.formula.components[0]!.process!.heat.method = 'waterBath'
    const [pan, bowl] = [inBowl(direct, named), inBowl(bath, named)]
    expect([pan[0]!.name, pan.at(-1)!.name]).toEqual(['strain', 'pour'])
    expect([bowl[0]!.name, bowl.at(-1)!.name]).toEqual(['heatBath', 'pour'])
    expect(bowl.map(u => u.held)).toEqual(bowl.map((_, i) => i < bowl.length - 1))
    expect(inBowl(direct, ALL)).toEqual([])
  })
  it('of a part of a whole dessert wait with it until it is laid in; parts are mixed in their own', () => {
    const whole = demoFormulas().find(f => f.document.formula.components.length > 3)!.document
    const uses = inBowl(whole, named)
    expect(uses.some(u => u.name.startsWith('build:'))).toBe(true)
    expect(uses.filter(u => u.name.startsWith('build:')).every(u => !u.held)).toBe(true)
    expect(uses.some(u => u.name.startsWith('part:'))).toBe(true)
  })
  it('two curds on the bath want one each, and one after the other where there is one', () => {
    const bath = curd()
    bath.formula.components[0]!.process!.heat.method = 'waterBath'
    const starts = (capacity: number) => planOf({
      date: '2026-11-28', equipment: [{ id: 'bowls', kind: 'bowl', capacity }],
      desserts: ['a', 'b'].map(id =>
        ({ id, name: id, serveAt: '19:00', steps: stepsOfFormula(bath, demoKitchen(), null, new Set(['bowl'])) })),
    }, 0.05).tasks.filter(t => t.name === 'pour').map(t => t.start)
    expect([new Set(starts(2)).size, new Set(starts(1)).size]).toEqual([1, 2])
  })
})

describe('tins', () => {
  const named = (...ids: string[]) => new Set([...ALL, 'tin', ...ids])
  const tart = structuredClone(demoFormulas().find(f => f.document.formula.name.startsWith('Bergamot tart'))!.document)
  const { vesselId, count } = tart.formula.assembly
  const inTin = (has: ReadonlySet<string>) =>
    stepsOfFormula(tart, demoKitchen(), null, has).filter(s => s.uses!.some(u => u.id === vesselId))
  it('hold what is in them from the pour to its turning out, as many as are filled; others are no limit', () => {
    expect(vesselId).not.toBeNull()
    const steps = inTin(named(vesselId!))
    expect([steps[0]!.name, steps.at(-1)!.name]).toEqual(['pour', 'unmould'])
    expect(steps.map(s => s.uses!.find(u => u.id === vesselId)!.amount)).toEqual(steps.map(() => count))
    expect([inTin(named('another')), inTin(ALL)]).toEqual([[], []])
  })
  it('two desserts that want the one tin there is stand in it one after the other', () => {
    const steps = stepsOfFormula(tart, demoKitchen(), null, named(vesselId!))
    const day = (capacity: number) => planOf({
      date: '2026-11-28', equipment: [{ id: vesselId!, kind: 'tin', capacity },
        ...[...ALL].map(kind => ({ id: kind, kind }))],
      desserts: ['a', 'b'].map(id => ({ id, name: id, serveAt: '19:00', steps })),
    }, 0.05)
    const pours = (n: number) => day(n * count).tasks.filter(t => t.name === 'pour').map(t => t.start)
    expect(new Set(pours(2)).size).toBe(1)
    expect(new Set(pours(1)).size).toBe(2)
  })
})
