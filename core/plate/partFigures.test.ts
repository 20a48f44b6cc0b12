/** What crusts, toppings and levels come to: in a real dessert, and as a cook says how they are made. */
import { describe, expect, it } from 'vitest'
import { counter, formula, kitchen } from '../../tests/support/core'
import { benchOf, putBack } from '../formula/bench'
import type { PartKind, PartMake } from '../formula/document'
import { withLaid, withWeight } from '../formula/layers'
import { partLines, plainMake, resizeParts, withPart } from '../formula/parts'
import { partWork } from '../plan/partWork'
import { stepsOfPlate } from '../schedule/ofPlate'
import { plainVessel } from '../physics/geometry/cavity'
import { dessertOf } from './kinds'
import { laidNature } from './nature'
import { assess } from '../pipeline/assess'
import { type PartFigure, partFigures } from './partFigures'
import { plateOf } from './plate'

const vessel = plainVessel('tartRing', 'metal', 0.24, 0.24, 0.025)
const tart = { ...formula(), assembly: { ...formula().assembly, vesselId: null, vessel, count: 1 } }
function figures(role: 'crust' | 'topping', kind: PartKind, over: Partial<PartMake> = {}, b = tart) {
  const doc = withPart(b, kitchen, role, { ...plainMake(kind), ...over }, counter('p'), '')
  const c = doc.components.find(x => x.role === role)!
  const all = partFigures(c, doc, kitchen)
  return <C extends PartFigure['code']>(code: C) =>
    all.find(f => f.code === code) as Extract<PartFigure, { code: C }> | undefined
}

describe('a shell', () => {
  it('of 24 cm: weights of its inside, a side that shrinks; unweighted it slumps and takes none', () => {
    const of = figures('crust', 'blindShell')
    expect(of('weights')!.g).toBeGreaterThan(650)
    expect(of('weights')!.g).toBeLessThan(905)
    expect(of('shrinks')).toMatchObject({ restMin: 30, slumpsM: 0 })
    const bare = figures('crust', 'blindShell', { unweighted: true, restS: 600 })
    expect(bare('weights')).toBeUndefined()
    expect(bare('shrinks')!.slumpsM).toBeGreaterThan(0.005)
    expect(bare('shrinks')!.share).toBeGreaterThan(of('shrinks')!.share)
  })
  it('bare it is soft at about six hours (common practice), sealed at four times that', () => {
    const s = figures('crust', 'blindShell')('softens')!
    expect(s.bareH!).toBeGreaterThan(5)
    expect(s.bareH!).toBeLessThan(8)
    expect(s.sealedH! / s.bareH!).toBeCloseTo(4, 1)
    expect(figures('crust', 'blindShell', { sealed: true })('softens')!.isSealed).toBe(true)
  })
})

describe('a crumb', () => {
  it('two to one holds, four to one crumbles, and with sugar in the butter it binds more', () => {
    expect([2, 4, 1.2].map(ratio => figures('crust', 'crumbChilled', { ratio })('binds')!.word))
      .toEqual(['holds', 'crumbles', 'greasy'])
    expect(figures('crust', 'crumbMelted')('binds')!.word).toBe('holds')
  })
})

describe('a roll from a tray', () => {
  const names = { dessert: (x: string) => x, part: (x: string) => x, made: (x: string) => x }
  const b = benchOf(dessertOf('curdRoll', kitchen, names, counter('k')))
  const sheet = b.components.find(c => c.make?.kind === 'rollSheet')!
  const of = (make: Partial<PartMake>) => partFigures({ ...sheet, make: { ...sheet.make!, ...make } }, b, kitchen)
  it('says its area, its roll and its syrup; as usual it bends', () => {
    const [area, bend, soaks] = of({})
    expect(area).toMatchObject({ code: 'sheet', areaM2: expect.closeTo(0.38 * 0.28, 3) })
    expect(bend).toMatchObject({ code: 'bends', word: 'bends' })
    expect(soaks).toMatchObject({ code: 'soaks' })
  })
  it('left half as long again in the oven it may crack, twice as long it cracks, and that is a finding', () => {
    expect(of({ bakedS: 15 * 60 }).find(f => f.code === 'bends')).toMatchObject({ word: 'mayCrack' })
    expect(of({ bakedS: 18 * 60 }).find(f => f.code === 'bends')).toMatchObject({ word: 'cracks' })
    const found = (bakedS?: number) => assess({
      ...b,
      components: b.components.map(c =>
        (c === sheet ? { ...c, make: { ...c.make!, ...(bakedS ? { bakedS } : {}) } } : c)),
    }, kitchen).findings.filter(f => f.code === 'rollCracks').map(f => f.severity)
    expect([found(), found(15 * 60), found(18 * 60)]).toEqual([[], ['info'], ['look']])
  })
})

describe('meringue', () => {
  it('holds longer with an acid, which is a line of it, and shorter with half its sugar', () => {
    const hours = (over: Partial<PartMake>) => figures('topping', 'meringueBoiled', over)('holds')!.hours
    expect([hours({}), hours({ withAcid: true }), hours({ ratio: 1.2 })])
      .toEqual([24, 36, expect.closeTo(24 * 0.6 ** 1.5, 6)])
    const doc = withPart(tart, kitchen, 'topping', { ...plainMake('meringueBoiled'), withAcid: true }, counter('p'), '')
    expect(doc.components.find(c => c.role === 'topping')!.lines.map(l => l.ingredientId)).toContain('tartar')
    expect(laidNature({ role: 'topping', make: { ...plainMake('meringueCold'), withAcid: true } }).gives!.holdsH).toBe(9)
  })
  it('boiled and warmed it is browned over a frozen core; beaten cold it is baked on what is hot', () => {
    expect(figures('topping', 'meringueWarm')('browns')).toMatchObject({ minutes: 3, ovenC: 232 })
    expect(figures('topping', 'meringueWarm')('browns')!.coreC).toBeLessThan(-15)
    expect(figures('topping', 'meringueCold')('browns')).toBeUndefined()
    expect(figures('topping', 'meringueCold')('carries')!.heightM).toBeCloseTo(300 / (500 * 9.81), 6)
  })
  it('dried: longer where it is thicker, soft sooner in damp air, and between shattering and soft it cuts', () => {
    const dry = figures('crust', 'meringueDry')
    expect(dry('dries')!.minutes).toBeCloseTo(90, 6)
    expect(dry('softInAir')!.dampH).toBeLessThan(0.5 * dry('softInAir')!.hours)
    expect(dry('cuts')!.fromH).toBeLessThan(dry('cuts')!.untilH)
    expect(dry('cuts')!.untilH).toBeLessThan(24)
  })
})

describe('fruit on and under', () => {
  const level = (kind: PartKind, massG = 1000) => {
    const make = plainMake(kind)
    const lines = partLines(make, massG, [], counter('l'))
    const all = partFigures({ id: 'x', role: 'fruit', name: '', steps: [], make, lines }, tart, kitchen)
    return <C extends PartFigure['code']>(code: C) =>
      all.find(f => f.code === code) as Extract<PartFigure, { code: C }> | undefined
  }
  it('roasted: 1.5 kg with 60 ml each of juice and sugar lose a quarter, and their sugar is so much more', () => {
    const f = level('roastedFruit', 1613)('yields')!
    expect([f.ofG, f.g]).toEqual([expect.closeTo(1613, 0), expect.closeTo(1613 * 0.75, 0)])
    // 1500 g of peach with 8.4 % of sugars (USDA), 62 g of orange, 51 g of sugar: 182 g and the rest of the solids.
    expect(f.brix).toBeGreaterThan(182 / 1613 / 0.75 * 100)
    expect(f.brix).toBeLessThan(22)
  })
  it('confit peel ends near the sugar of candied peel (65 to 80 °Brix, common practice); powder is dry', () => {
    expect(level('confitPeel')('yields')!.brix).toBeGreaterThan(65)
    expect(level('confitPeel')('yields')!.brix).toBeLessThan(80)
    expect(level('peelPowder')('yields')!.g).toBeCloseTo(250, 0)
  })
  it('a sauce that is bound runs less far than a coulis; 15 g at 14 Pa by Roussel & Coussot', () => {
    const across = level('boundSauce')('runs')!.acrossM
    const v = 15 / 1000 / 1060
    expect(across).toBeCloseTo(2 * ((225 * 1060 * 9.81 * v ** 2) / (128 * Math.PI ** 2 * 14)) ** 0.2, 3)
    expect(level('coulis')('runs')!.acrossM).toBeGreaterThan(across)
  })
  it('macerated fruit lets go of 15 % in four hours, roasted of less than a third of that; a coulis of none', () => {
    expect(level('maceratedFruit')('leaks')!.g).toBeCloseTo(1000 * 3.75 * 0.04, 0)
    expect(level('roastedFruit')('leaks')!.g).toBeLessThan(50)
    expect(level('coulis')('leaks')).toBeUndefined()
  })
})

describe('churned, beside it', () => {
  const withIce = (kind: 'sorbet' | 'curdIce') => {
    const { planned, id } = withLaid(putBack(formula()), kitchen, kind, kind, counter('s'))
    const b = benchOf(planned)
    return { planned, b, id, c: b.components.find(x => x.id === id)! }
  }
  it.each(['sorbet', 'curdIce'] as const)('%s: a scoop of 60 g to a portion, that scoops at −12 °C', (kind) => {
    const { b, c } = withIce(kind)
    const grams = c.lines.reduce((s, l) => s + l.massG, 0)
    expect(grams).toBeCloseTo(60 * 20 * 1.1, -1)
    const [f] = partFigures(c, b, kitchen)
    expect(f).toMatchObject({ code: 'churned', scoop: 'scoops', sugarG: null })
    // Sorbet has 25 to 32 °Brix (trade practice).
    if (kind === 'sorbet') expect((f as { brix: number }).brix).toBeGreaterThan(25)
    if (kind === 'sorbet') expect((f as { brix: number }).brix).toBeLessThan(32.5)
  })
  it('with less sugar it is hard, and is told how much brings it back', () => {
    const { b, c } = withIce('sorbet')
    const dry = { ...c, lines: c.lines.map(l => (l.ingredientId === 'sugar' ? { ...l, massG: l.massG / 2 } : l)) }
    const [f] = partFigures(dry, b, kitchen) as Extract<PartFigure, { code: 'churned' }>[]
    expect(f!.scoop).toBe('hard')
    const more = dry.lines.map(l => (l.ingredientId === 'sugar' ? { ...l, massG: l.massG + f!.sugarG! } : l))
    expect(partFigures({ ...dry, lines: more }, b, kitchen)[0]).toMatchObject({ scoop: 'scoops' })
  })
  it('lies beside, keeps its weight when the vessel is sized, is made ahead and put on at the last', () => {
    const { planned, b, c } = withIce('curdIce')
    const larger = resizeParts({ ...b, assembly: { ...b.assembly, count: 9 } }, kitchen)
    expect(larger.components.find(x => x.id === c.id)!.lines).toEqual(c.lines)
    expect(withWeight(planned, kitchen, c.id, 500).formula.components.find(x => x.id === c.id)!.lines
      .reduce((s, l) => s + l.massG, 0)).toBeCloseTo(500, 0)
    const plate = plateOf(planned, kitchen)
    expect(plate.parts.find(p => p.id === c.id)).toMatchObject({ form: 'beside', thickM: 0 })
    expect(plate.build.at(-1)).toMatchObject({ code: 'beside', partId: c.id })
    const work = partWork(c, 0)
    expect(work.map(s => s.code)).toEqual(['part:cookBase', 'part:chillMix', 'part:churn', 'part:harden'])
    expect(work[0]).toMatchObject({ tempC: 82, probe: 'bulk' })
    const steps = stepsOfPlate(planned, kitchen, new Set(['freezer', 'ring'])).map(s => s.name)
    expect(steps.indexOf('part:harden · curdIce')).toBeLessThan(steps.indexOf('build:beside · curdIce'))
  })
})

it('what has no kind, or nothing in it, has no figures', () => {
  const empty = { id: 'x', role: 'crust', name: '', lines: [], steps: [], make: plainMake('blindShell') } as const
  expect(partFigures({ ...empty, lines: [], steps: [] }, tart, kitchen)).toEqual([])
})
