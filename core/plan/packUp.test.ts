/** Packs: what a thawed set keeps, how long a pack thaws, when none is put up, the pack as a part of a dessert. */
import { describe, expect, it } from 'vitest'
import trade from '../checks/trade.json'
import { counter, EGG_CURD, formula, kitchen } from '../../tests/support/core'
import { demoBenches } from '../../tests/support/demo'
import { findIngredient, part } from '../base/ingredients/ingredients'
import { EMPTY_LABEL, labelOf, ownId } from '../base/ingredients/label'
import { benchOf, fillingOf, putBack } from '../formula/bench'
import type { Bench } from '../formula/bench'
import { readyFillings, withReady } from '../formula/layers'
import { type Lot, lotStrength } from '../kitchen/kitchen'
import { ICE_LATENT } from '../physics/chill/freezing'
import { packThawS } from '../physics/chill/plank'
import { NO_SET, outOfPack, thawSigns } from '../physics/set/thawed'
import { work } from '../pipeline/assess'
import { laidInDensity } from '../pipeline/stack'
import { laidNature } from '../plate/nature'
import { partFigures } from '../plate/partFigures'
import { stepsOfFormula } from '../schedule/ofFormula'
import { labelFacts } from './label'
import { orderOfWork, PREPARE_S } from './order'
import { packUp } from './packUp'
import { partWork } from './partWork'
import { thawOf, thawPackS } from './thaw'

const HOUR = 3600
const MADE = { packG: 120, frozen: true, name: 'Curd; by the cup', madeOn: '2026-11-28' }
const up = (doc: Bench, over: Partial<typeof MADE> = {}) => packUp(work(doc, kitchen), { ...MADE, ...over })
const lotOf = (ingredientId: string, over: Partial<Lot> = {}): Lot => ({
  id: 'lot', name: 'Cups', ingredientId, acidPercent: null, pH: null, brix: null, fatPercent: null, acidLnSigma: null,
  massG: 720, method: { kind: 'packed', packG: 240, frozen: true }, useBy: null, ...over,
})

const ready = (lot: Lot) => readyFillings({ ...kitchen, lots: [lot] })[0]!

describe('a set out of its pack', () => {
  it('each mechanism keeps its share, thawed before it is stirred', () => {
    expect(outOfPack({ ...NO_SET, eggPa: 100, butterPa: 40 }, false)).toBeCloseTo(90 + 30, 9)
    expect(outOfPack({ ...NO_SET, eggPa: 100, butterPa: 40 }, true)).toBeCloseTo(0.85 * 90 + 0.95 * 30, 9)
    // Starch and agar come out weakest, egg and gelatine are hardly moved by the freezer.
    const out = (k: keyof typeof NO_SET, frozen: boolean) => outOfPack({ ...NO_SET, [k]: 1 }, frozen)
    const kept = (k: keyof typeof NO_SET) => out(k, true) / out(k, false)
    expect(Math.max(kept('starchPa'), kept('agarPa'))).toBeLessThan(Math.min(kept('caseinPa'), kept('eggPa'), kept('whipPa')))
  })
  it('weeps by starch and agar, is grainy by acid milk: just over a fifth, not just under', () => {
    const of = (k: 'starchPa' | 'agarPa' | 'caseinPa' | 'creamFatPa', pa: number) => thawSigns({ ...NO_SET, eggPa: 100 - pa, [k]: pa })
    expect([of('starchPa', 19.9), of('starchPa', 20.1), of('agarPa', 20.1)]).toEqual([[], ['weeps'], ['weeps']])
    expect([of('caseinPa', 19.9), of('caseinPa', 20.1), of('creamFatPa', 20.1)]).toEqual([[], ['grainy'], ['grainy']])
  })
})

describe('thawing a pack', () => {
  it('by Plank, a brick twice as wide as high: worked by hand', () => {
    // 4 kg at 1,000 kg/m³ is 20 · 20 · 10 cm; 1000 · L · .7 · 1 J/m³ over 7 or 15 K, a/4h + .0719 a²/k.
    const perK = 1000 * ICE_LATENT * 0.7
    expect(packThawS(4000, 1000, 1, 'fridge')).toBeCloseTo((perK / 7) * (0.1 / 48 + (0.0719 * 0.01) / 0.5), 6)
    expect(packThawS(4000, 1000, 1, 'water')).toBeCloseTo((perK / 15) * (0.1 / 600 + (0.0719 * 0.01) / 0.5), 6)
  })
  it.each(trade.thaw.rows)('$g g $within: $fromH to $untilH h', ({ g, within, fromH, untilH }) => {
    const h = thawPackS('lemon', g)[within as 'fridge' | 'water'] / HOUR
    expect(h).toBeGreaterThan(fromH)
    expect(h).toBeLessThan(untilH)
  })
  it('goes by the density of what is in it, where that is known', () => {
    // Sugar is .86 g/ml by the spoon; what nobody weighed is taken as 1.05.
    expect(thawPackS('sugar', 200).fridge).toBe(packThawS(200, 860, part(findIngredient('sugar')!, 'water') / 100, 'fridge'))
    const own = ownId({ ...EMPTY_LABEL, name: 'Pulp', kind: 'fruit', carbs: 10, sugars: 10 })
    expect(thawPackS(own, 200).water).toBe(packThawS(200, 1050, part(findIngredient(own)!, 'water') / 100, 'water'))
  })
  it('of several the slowest counts, whatever is not weighed does not', () => {
    const of = (ingredientId: string, massG: number) =>
      ({ ...fillingOf(formula()).lines[0]!, ingredientId, massG, strength: lotStrength(lotOf(ingredientId)) })
    const two = thawOf([of('lemon', 60), of('white', 240), of('lemon', 0)])!
    expect(two.lines.map(l => l.massG)).toEqual([60, 240])
    expect([two.fridgeS, two.waterS]).toEqual([thawPackS('white', 240).fridge, thawPackS('white', 240).water])
  })
  it('only what lies frozen is thawed; a last short pack thaws sooner', () => {
    const l = { ...fillingOf(formula()).lines.find(x => x.ingredientId === 'lemon')!, massG: 400 }
    const from = (lot: Lot, massG = 400) => thawOf([{ ...l, massG, strength: lotStrength(lot) }])
    const frozen = lotOf('lemon')
    expect(thawOf([l])).toBeNull()
    expect(from(lotOf('lemon', { method: { kind: 'packed', packG: 240, frozen: false } }))).toBeNull()
    expect(from(frozen)!.fridgeS).toBe(thawPackS('lemon', 240).fridge)
    expect(from(frozen, 100)!.fridgeS).toBe(thawPackS('lemon', 100).fridge)
  })
})

describe('putting a batch up', () => {
  it('whole packs and what is over; its label holds what is in it, its set is what comes out', () => {
    const doc = formula(EGG_CURD)
    const w = work(doc, kitchen)
    const p = packUp(w, MADE)
    const { batchG, density } = w.assessment.shape
    expect([p.refused, p.packs]).toEqual([null, Math.floor(batchG / 120)])
    expect(p.packs * 120 + p.overG).toBeCloseTo(batchG, 9)
    const label = labelOf(p.ingredientId)!
    expect(label).toMatchObject({ name: 'Curd, by the cup', pack: 120, allergens: ['egg', 'milk'], tells: [] })
    expect(label.set).toBe(Math.round(p.outPa))
    expect(label.density).toBeCloseTo(density / 1000, 2)
    expect(p.outPa).toBeLessThan(up(doc, { frozen: false }).outPa)
    // As an ingredient it has the acid, sugar, fat and water it was cooked from.
    const row = findIngredient(p.ingredientId)!
    const { composition } = w.assessment.balance
    expect(row.acid!.typical).toBeCloseTo(w.assessment.balance.acidPercent.value, 1)
    expect(part(row, 'sucrose') + part(row, 'monosaccharides')).toBeCloseTo(composition.sugar, 0)
    expect([part(row, 'fat'), part(row, 'water')]).toEqual([
      expect.closeTo(composition.fat, 0), expect.closeTo(composition.water, 0)])
  })
  it('good for the code’s days in the fridge, for its quality’s in the freezer', () => {
    expect(up(formula(), { frozen: false }).useBy).toBe('2026-12-04')
    expect(up(formula()).useBy).toBe('2027-02-26')
  })
  it('tells gelatine and grapefruit on, and costs what its lines cost', () => {
    const doc = formula({ egg: 240, sugar: 200, grapefruit: 150, lemon: 60, butter82: 115, gelatin: 4 }, () => {}, { school: 'gelatinBacked' })
    expect(labelOf(up(doc).ingredientId)!.tells).toEqual(['gelatine', 'medicines'])
    const prices = Object.fromEntries(fillingOf(doc).lines.map(l => [l.ingredientId, 10]))
    const cost = (of: Record<string, number>) => packUp(work(doc, { ...kitchen, prices: of }), MADE).costPerKg
    const { batchG } = work(doc, kitchen).assessment.shape
    expect(cost(prices)).toBeCloseTo((10 * 769) / batchG, 6)
    expect(cost({ ...prices, gelatin: undefined as never })).toBeNull()
  })
  it('its label has the spirit and the starch that are in it, and a name that fits', () => {
    const wine = work(formula({ cream36: 600, sugar: 95, wine_late: 160, lemon: 40 }, () => {}, { school: 'wine' }), kitchen)
    const { alcohol, density } = labelOf(packUp(wine, MADE).ingredientId)!
    const { ethanolG, massG } = wine.heated.finished
    // % by volume: grams of ethanol over .789 g/ml in a hundred grams, times g/ml of the whole.
    expect(alcohol).toBeCloseTo(((100 * ethanolG) / massG / 0.789) * density!, 1)
    expect(labelOf(up(formula()).ingredientId)!.alcohol).toBeNull()
    const starchy = labelOf(up(formula(
      { water: 300, sugar: 200, cornflour: 45, yolk_sep: 75, lemon: 120 }, () => {}, { school: 'juiceAfter' })).ingredientId)!
    expect(starchy.carbs! - starchy.sugars!).toBeGreaterThan(4)
    expect(labelOf(up(formula(), { name: 'x'.repeat(90) }).ingredientId)!.name).toHaveLength(60)
    // Gelatine that came in a pack is told on.
    const pack = ownId({ ...EMPTY_LABEL, name: 'Set', sugars: 20, carbs: 20, tells: ['gelatine'] })
    expect(labelOf(up(formula({ ...EGG_CURD, [pack]: 50 })).ingredientId)!.tells).toEqual(['gelatine'])
  })
  it('packs from ten grams on; a batch that comes out even leaves nothing; cold ones have no signs of thawing', () => {
    expect(() => up(formula(), { packG: 9.9 })).toThrow(expect.objectContaining({
      code: 'tooSmall', path: 'method.packG', params: { min: 10 },
    }))
    expect(up(formula(), { packG: 10 }).packs).toBeGreaterThan(40)
    const { batchG } = work(formula(), kitchen).assessment.shape
    expect(up(formula(), { packG: batchG / 4 })).toMatchObject({ packs: 4, overG: expect.closeTo(0, 6) })
    const milky = (frozen: boolean) =>
      up(formula({ cream48: 600, sugar: 110, lemon: 80 }, () => {}, { school: 'reduced' }), { frozen }).signs
    expect([milky(true), milky(false)]).toEqual([['grainy'], []])
  })
  it('every formula of the demo can be put up, or says why not', () => {
    for (const { document } of demoBenches()) {
      const p = packUp(work(document, kitchen), { ...MADE, name: document.name })
      expect(p.refused === null ? labelOf(p.ingredientId)?.set : 1, document.name).toBeGreaterThan(0)
    }
  })
  it('is refused where the egg stays raw, where it is not sour enough, and where only air holds it', () => {
    expect(up(formula(EGG_CURD, (d) => { d.heat.targetTempC = 55; d.heat.holdS = 0 })).refused).toBe('notCooked')
    expect(up(formula({ egg: 240, sugar: 200, lemon: 8, milk: 300, butter82: 115 })).refused).toBe('lowAcid')
    expect(up(formula({ cream36: 400, sugar: 60, lemon: 60 }, () => {}, { school: 'whippedAcid' })).refused).toBe('sameDay')
  })
})

describe('packs in a dessert', () => {
  const packed = up(formula(EGG_CURD), { packG: 240 })
  const dessert = withReady(putBack(formula(EGG_CURD)), kitchen, ready(lotOf(packed.ingredientId)), counter('r'))
  const bench = benchOf(dessert.planned)
  const own = bench.components.find(c => c.id === dessert.id)!
  it('is a level of its own weight and set, that keeps its one line when it is sized', () => {
    const { density, set } = labelOf(packed.ingredientId)!
    expect(own.lines.map(l => l.ingredientId)).toEqual([packed.ingredientId])
    expect(own.lines[0]!.massG).toBeGreaterThan(50)
    expect(laidInDensity(own)).toBeCloseTo(1000 * density!, 6)
    expect(laidNature(own).bearsPa).toEqual({ cold: set, plate: 0.85 * set! })
    expect(partFigures(own, bench, kitchen).map(f => f.code)).toEqual(['ready', 'thaws'])
  })
  it('a bought one needs no lot; juice in lots is no filling', () => {
    const own = { ...kitchen, ingredients: [packed.ingredientId], lots: [lotOf('lemon')] }
    expect(readyFillings(own)).toEqual([{ ingredientId: packed.ingredientId, name: 'Curd, by the cup', lot: null }])
    expect(readyFillings({ ...own, lots: [lotOf(packed.ingredientId)] }).map(r => r.lot?.name)).toEqual(['Cups'])
    expect(withReady(dessert.planned, kitchen, readyFillings(own)[0]!, counter('q')).planned.occasion.lots).toHaveLength(1)
  })
  it('its date limits the dessert’s own, and its lot stands on the label', () => {
    const until = (useBy: string | null) => {
      const lot = lotOf(packed.ingredientId, { useBy })
      const { planned } = withReady(putBack(formula(EGG_CURD)), kitchen, ready(lot), counter('r'))
      const k = { ...kitchen, lots: [lot] }
      const b = benchOf(planned)
      const { assessment } = work(b, k)
      return [assessment.serve.useBy, labelFacts(b, k, assessment).lots]
    }
    expect(until(null)).toEqual(['2026-12-04', ['Cups']])
    expect(until('2026-11-30')).toEqual(['2026-11-30', ['Cups']])
    expect(until('2027-02-20')).toEqual(['2026-12-04', ['Cups']])
  })
  it('is thawed before it is stirred smooth; from the fridge it is not', () => {
    const codes = (lot: Lot) => {
      const { planned, id } = withReady(putBack(formula(EGG_CURD)), kitchen, ready(lot), counter('r'))
      return partWork(benchOf(planned).components.find(c => c.id === id)!, 0).map(s => s.code)
    }
    expect(codes(lotOf(packed.ingredientId))).toEqual(['part:thawPack', 'part:stirSmooth'])
    expect(codes(lotOf(packed.ingredientId, { method: { kind: 'packed', packG: 240, frozen: false } }))).toEqual(['part:stirSmooth'])
  })
  it('in the day of a whole dessert its packs thaw in the fridge, before they are laid in', () => {
    const names = stepsOfFormula(dessert.planned, kitchen, null, new Set(['fridge'])).map(s => s.name)
    const [thaws, stirs] = ['part:thawPack · Cups', 'part:stirSmooth · Cups'].map(n => names.indexOf(n))
    expect(thaws).toBeGreaterThanOrEqual(0)
    expect(stirs).toBe(thaws! + 1)
  })
  it('frozen juice in a curd is the first step of its order and of its day', () => {
    const doc = formula(EGG_CURD, (d) => {
      fillingOf(d).lines.find(l => l.ingredientId === 'lemon')!.strength = lotStrength(lotOf('lemon'))
    })
    const [first] = orderOfWork(doc, kitchen, work(doc, kitchen).assessment)
    // The 200 g wanted of a 240 g pack.
    expect(first).toMatchObject({ code: 'thaw', timeS: thawPackS('lemon', 200).fridge })
    // It is thawed when weighing begins, twenty minutes before the heat.
    expect(first!.atS + first!.timeS!).toBe(-PREPARE_S)
    const step = stepsOfFormula(putBack(doc), { ...kitchen, lots: [lotOf('lemon')] }, null, new Set(['fridge']))[0]!
    expect(step).toMatchObject({ name: 'thaw', attended: 1 })
    expect(step.uses!.map(u => u.kind)).toEqual(['fridge'])
    expect(step.minutes).toBeCloseTo((thawPackS('lemon', 200).fridge + PREPARE_S) / 60, 3)
  })
})
