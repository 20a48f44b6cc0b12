/**
 * Fruit as a formula of its own: each way as it is usually made comes to what the common practice says of it,
 * is laid into a dessert as a part, and a part stands on the shelf as a formula again.
 */
import { describe, expect, it } from 'vitest'
import { counter, formula, type Grams, kitchen, MADE, make, YOLK_CURD } from '../../tests/support/core'
import { assess } from '../pipeline/assess'
import { pieceFigures } from '../pipeline/summary'
import { orderOfWork } from '../plan/order'
import { keepingOptions } from '../plan/storage'
import { LEAST_MOVE, levers, weighable } from '../solve/elasticity'
import { figuresAlone, type PartFigure } from '../plate/partFigures'
import { benchOf, fillingOf, putBack } from './bench'
import { retaken, withCopied } from './copied'
import { line } from './create'
import { withMass } from './edits'
import { isComputed, type School } from './document'
import { familyOf } from './families'
import { aloneOf, asLaid, driesOff, fruitKind, partOfBench, standsAlone } from './fruit'
import { withLaid } from './layers'
import { PART_FACTS } from './parts'
import { suggestFamily } from './suggest'

const WAYS = familyOf('fruit').schools
const figure = <C extends PartFigure['code']>(school: School, code: C) => {
  const doc = make(school)
  return figuresAlone(doc, assess(doc, kitchen)).find(f => f.code === code) as Extract<PartFigure, { code: C }>
}
const codes = (school: School) => {
  const doc = make(school)
  return orderOfWork(doc, kitchen, assess(doc, kitchen)).map(s => s.code)
}

describe('fruit on the shelf', () => {
  it.each(WAYS)('%s: is a kind of part, needs no set, and nothing of it is a stop', (school) => {
    expect(PART_FACTS[fruitKind(school)!]).toBeDefined()
    const a = assess(make(school), kitchen)
    expect(['good', 'edge']).toContain(a.verdict.code)
    expect(a.findings.filter(f => f.severity === 'stop').map(f => f.code)).toEqual([])
  })
  it('other ways of making are no fruit', () => {
    expect([fruitKind('yolkBath'), partOfBench(make('yolkBath')), figuresAlone(make('yolkBath'), assess(make('yolkBath'), kitchen))])
      .toEqual([null, null, []])
  })
  it('1.5 kg of stone fruit with 60 ml each of juice and sugar: a quarter dries off, its sugar with the rest', () => {
    const { g, ofG, brix } = figure('roastedFruit', 'yields')
    expect(ofG).toBe(1613)
    expect(g / ofG).toBeCloseTo(0.75, 1)
    const before = assess(make('maceratedFruit', () => {}, { peach: 1500, orange: 62, sugar: 51 }), kitchen).balance.brix
    expect(brix).toBeCloseTo((before.value * ofG) / g, 1)
    const bake = orderOfWork(make('roastedFruit'), kitchen, assess(make('roastedFruit'), kitchen))
      .find(s => s.code === 'bake')!
    expect([bake.params, bake.timeS]).toEqual([expect.objectContaining({ dialC: 210 }), 17.5 * 60])
    expect(bake.tempC).toBe(assess(make('roastedFruit'), kitchen).heat.peakTempC)
  })
  it('a coulis loses its seeds, runs wide, and is blended and sieved', () => {
    expect(figure('coulis', 'yields').g / figure('coulis', 'yields').ofG).toBeCloseTo(0.82, 1)
    expect(codes('coulis')).toEqual(expect.arrayContaining(['blend', 'strain']))
  })
  it('a sauce bound with 2.2 % of starch coats; with none it is as thin as juice', () => {
    const bound = assess(make('boundSauce'), kitchen)
    expect(bound.verdict.cold.band).toBe('coats')
    expect(assess(make('boundSauce', () => {}, { orange: 500, sugar: 60 }), kitchen).verdict.cold.band).toBe('pourable')
    // Thicker runs less far.
    const runs = (starch: number) => {
      const doc = make('boundSauce', () => {}, { orange: 500, sugar: 60, cornflour: starch })
      const f = figuresAlone(doc, assess(doc, kitchen)).find(x => x.code === 'runs')
      return f?.code === 'runs' ? f.acrossM : 0
    }
    expect(runs(12.5)).toBeGreaterThan(runs(16))
    expect(assess(make('boundSauce', () => {}, { orange: 500, sugar: 60, cornflour: 40 }), kitchen).verdict.code).toBe('tooFirm')
  })
  it('peel: blanched three times before the syrup; dried to a quarter and ground; three days in spirit, which stays', () => {
    expect(codes('confitPeel')[0]).toBe('part:blanchThrice')
    const syrup = figure('confitPeel', 'yields')
    expect(syrup.g / syrup.ofG).toBeGreaterThan(0.5)
    expect(syrup.g / syrup.ofG).toBeLessThan(0.75)
    const dry = figure('peelPowder', 'yields')
    expect(dry.g / dry.ofG).toBeCloseTo(0.25, 1)
    expect(codes('peelPowder').indexOf('part:grindPeel')).toBe(codes('peelPowder').indexOf('bake') + 1)
    const spirit = assess(make('steepedSpirit'), kitchen)
    expect(spirit.findings.map(f => f.code)).toContain('alcohol')
    const steep = orderOfWork(make('steepedSpirit'), kitchen, spirit)
    const at = (code: string) => steep.find(s => s.code === code)!.atS
    expect(at('strain') - at('part:steepPeel')).toBe(3 * 24 * 3600)
  })
  it('what draws is ready once it has drawn, and goes into the cold only then', () => {
    const ready = (school: School) => assess(make(school), kitchen).serve.readyAfterS!
    expect(ready('steepedSpirit')).toBeGreaterThanOrEqual(3 * 24 * 3600)
    expect(ready('maceratedFruit')).toBeGreaterThanOrEqual(30 * 60)
    expect(ready('coulis')).toBeLessThan(30 * 60)
    for (const school of WAYS) {
      const order = orderOfWork(make(school), kitchen, assess(make(school), kitchen))
      const at = (code: string) => order.find(s => s.code === code)?.atS ?? 0
      expect([school, at('chill') >= at('pour')]).toEqual([school, true])
    }
  })
  it('each is told done by what it is, a bar by its wobble', () => {
    const cue = (school: School) => orderOfWork(make(school), kitchen, assess(make(school), kitchen))
      .find(s => s.cue && (s.code === 'bake' || s.code.startsWith('boil') || s.code.startsWith('heat')))?.cue
    expect((['roastedFruit', 'confitPeel', 'peelPowder', 'boundSauce', 'coulis', 'hotBase'] as const).map(cue))
      .toEqual(['softTip', 'clearPeel', 'snaps', 'thickBubble', undefined, 'wobble'])
  })
  it('what goes onto the tray is what was weighed, not what the oven leaves of it', () => {
    const spread = (school: School) => {
      const doc = make(school)
      return orderOfWork(doc, kitchen, assess(doc, kitchen)).find(s => s.code === 'pour')!.params.eachG
    }
    expect(spread('roastedFruit')).toBeCloseTo(1613 - 10, 6)
    expect(spread('peelPowder')).toBeCloseTo(Object.values(MADE.peelPowder).reduce((s, g) => s + g, 0), 6)
  })
  it('in pieces or dry it neither stands nor runs', () => {
    const solid = (school: School) => pieceFigures(make(school), assess(make(school), kitchen)).solid
    expect([solid('roastedFruit'), solid('maceratedFruit'), solid('confitPeel'), solid('peelPowder'), solid('coulis'), solid('yolkBath')])
      .toEqual(['pieces', 'pieces', 'pieces', 'powder', undefined, undefined])
  })
  it('fruit in its juice draws half an hour before it is filled, and lets juice go', () => {
    const order = orderOfWork(make('maceratedFruit'), kitchen, assess(make('maceratedFruit'), kitchen))
    const at = (code: string) => order.find(s => s.code === code)!.atS
    expect(at('pour') - at('part:macerate')).toBe(30 * 60)
    expect(order.some(s => s.code === 'tap')).toBe(false)
    expect(figure('maceratedFruit', 'leaks').g).toBeGreaterThan(0)
  })
  it('raw it keeps three days and says why, more so to guests at risk; boiled it keeps as the code has it', () => {
    const told = (school: School, guests = false) => {
      const a = assess(make(school, (d) => { d.use.guestsAtRisk = guests }), kitchen)
      return [a.serve.storageDays, a.findings.find(f => f.code === 'rawFruit')?.severity]
    }
    expect([told('coulis'), told('coulis', true)]).toEqual([[3, 'info'], [3, 'look']])
    expect(told('boundSauce', true)).toEqual([7, undefined])
    const doc = make('coulis')
    expect(keepingOptions(doc, kitchen, assess(doc, kitchen)).map(o => [o.code, o.days])).toEqual([['rawFruit', 3], ['freeze', 90]])
    const cooked = make('boundSauce')
    expect(keepingOptions(cooked, kitchen, assess(cooked, kitchen))[0]).toMatchObject({ code: 'code', days: 7 })
    // A third of raw fruit is where it decides.
    const days = (g: number) => assess(make('setCream', () => {}, { ...MADE.setCream, strawberry: g }), kitchen).serve.storageDays
    const rest = Object.values(MADE.setCream).reduce((s, g) => s + g, 0)
    expect([days(0.29 * rest / 0.71), days(0.31 * rest / 0.69)]).toEqual([7, 3])
  })
  it('fruit is cooked from 90 °C on', () => {
    const told = (targetTempC: number) => assess(make('boundSauce', (d) => { d.heat.targetTempC = targetTempC }, {
      strawberry: 500, sugar: 60, cornflour: 12,
    }), kitchen).findings.some(f => f.code === 'rawFruit')
    expect([told(89), told(91)]).toEqual([true, false])
  })
  it('lines mean fruit where nothing sets them: from so much fruit, peel or starch on, up to so much starch', () => {
    const means = (grams: Grams) =>
      suggestFamily(Object.entries(grams).map(([i, g], k) => line(`l${k}`, i, g))) === 'fruit'
    expect([means({ strawberry: 39, sugar: 61 }), means({ strawberry: 41, sugar: 59 })]).toEqual([false, true])
    expect([means({ zest: 14, lemon: 86 }), means({ zest: 16, lemon: 84 })]).toEqual([false, true])
    // With sugar and water alone it is boiled down, however little it is.
    const peel = (lemon: number) => means({ zest: 1, sugar: 50, water: 49 - lemon, lemon })
    expect([peel(4.9), peel(5.1), means({ sugar: 50, water: 50 })]).toEqual([true, false, false])
    const sauce = (starch: number) => means({ orange: 80, sugar: 20 - starch, cornflour: starch })
    expect([sauce(0.4), sauce(0.6), sauce(3.4), sauce(3.6)]).toEqual([false, true, true, false])
    expect([means({ spirit: 60, sugar: 40 }), means({ spirit: 60, sugar: 38, zest: 2 })]).toEqual([false, true])
    // A spoon of cream, an egg or gelatine, and it is something else.
    for (const more of [{ cream36: 5 }, { egg: 5 }, { gelatin: 1 }] as Grams[])
      expect(means({ strawberry: 90, sugar: 10, ...more })).toBe(false)
  })
  it('what has no set is moved in its sourness alone', () => {
    const found = levers(make('coulis'), kitchen)
    expect(found.length).toBeGreaterThan(0)
    for (const l of found) expect([l.firmerBy, l.firmness]).toEqual([1, 0])
    expect(found[0]!.ingredientId).toBe('lemon')
  })
  it('a step that moves less than the least that is told is not offered', () => {
    const moved = [10, 28, 30, 40, 44, 46].map((lemon) => {
      const doc = make('coulis', () => {}, { ...MADE.coulis, lemon })
      const its = fillingOf(doc).lines.find(l => l.ingredientId === 'lemon')!
      const [sour, more] = [doc, withMass(doc, its.id, weighable(lemon * 1.05))]
        .map(d => assess(d, kitchen).balance.taste.sour)
      return { by: Math.abs(more! / sour! - 1), isOffered: levers(doc, kitchen).some(l => l.ingredientId === 'lemon') }
    })
    expect(moved.map(m => m.by >= LEAST_MOVE)).toEqual(moved.map(m => m.isOffered))
    expect(moved.some(m => m.isOffered && m.by < 1.3 * LEAST_MOVE)).toBe(true)
    expect(moved.some(m => !m.isOffered && m.by > 0.7 * LEAST_MOVE)).toBe(true)
  })
  it('what dries in an oven does so by its kind; what is computed says so', () => {
    expect([driesOff(make('peelPowder')), driesOff(make('confitPeel')), driesOff(make('lowOven'))]).toEqual([0.75, null, null])
  })
})

describe('into a dessert and out again', () => {
  const curd = putBack(formula(YOLK_CURD))
  const coulis = putBack(make('coulis'))
  const from = { formulaId: 'f', version: 2, componentId: coulis.formula.components[0]!.id }
  it('taken from its formula it is laid in as the part it is, with where it came from', () => {
    const { planned, id } = withCopied(curd, coulis, from, counter('n'))
    const c = planned.formula.components.find(x => x.id === id)!
    expect([isComputed(c), c.make?.kind, c.role, c.from, c.lines.map(l => l.massG)])
      .toEqual([false, 'coulis', 'sauce', from, [500, 75, 30]])
    expect(assess(benchOf(planned), kitchen).verdict.code).toBe(assess(benchOf(curd), kitchen).verdict.code)
  })
  it('taken anew it is as its formula is now, as much as before, and still a part', () => {
    const { planned, id } = withCopied(curd, coulis, from, counter('n'))
    const more = structuredClone(coulis)
    more.formula.components[0]!.lines[1]!.massG = 150
    const c = retaken(planned, id!, more, 3, counter('m')).formula.components.find(x => x.id === id)!
    expect([isComputed(c), c.make?.kind, c.from?.version]).toEqual([false, 'coulis', 3])
    expect(c.lines.reduce((s, l) => s + l.massG, 0)).toBeCloseTo(605, 0)
    expect(c.lines[1]!.massG / c.lines[0]!.massG).toBeCloseTo(0.3, 2)
  })
  it('what is computed to set comes as it is', () => {
    expect(asLaid(curd.formula.components[0]!)).toBe(curd.formula.components[0])
  })
  it('a part stands on the shelf in its own grams; a sponge, or nothing, does not', () => {
    const { planned, id } = withLaid(curd, kitchen, 'boundSauce', 'Orange sauce', counter('p'))
    const part = planned.formula.components.find(x => x.id === id)!
    const alone = aloneOf(part, kitchen, counter('a'))!
    expect([alone.formula.name, benchOf(alone).school, benchOf(alone).use.kind]).toEqual(['Orange sauce', 'boundSauce', 'over'])
    expect(alone.formula.components[0]!.lines.map(l => l.massG)).toEqual(part.lines.map(l => l.massG))
    expect(aloneOf({ ...part, lines: [] }, kitchen, counter('b'))).toBeNull()
    const sponge = withLaid(curd, kitchen, 'spongeLayer', 'Sponge', counter('s'))
    const layer = sponge.planned.formula.components.find(x => x.id === sponge.id)!
    expect([standsAlone(part), standsAlone(layer), aloneOf(layer, kitchen, counter('c'))]).toEqual([true, false, null])
  })
})
