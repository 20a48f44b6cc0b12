/** What crusts, toppings and levels come to: in a real dessert, and as a cook says how they are made. */
import { describe, expect, it } from 'vitest'
import { counter, formula, kitchen } from '../../tests/support/core'
import { benchOf } from '../formula/bench'
import type { PartKind, PartMake } from '../formula/document'
import { partLines, plainMake, withPart } from '../formula/parts'
import { plainVessel } from '../physics/geometry/cavity'
import { dessertOf } from './kinds'
import { laidNature } from './nature'
import { assess } from '../pipeline/assess'
import { type PartFigure, partFigures } from './partFigures'

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

it('what has no kind, or nothing in it, has no figures', () => {
  const empty = { id: 'x', role: 'crust', name: '', lines: [], steps: [], make: plainMake('blindShell') } as const
  expect(partFigures({ ...empty, lines: [], steps: [] }, tart, kitchen)).toEqual([])
})
