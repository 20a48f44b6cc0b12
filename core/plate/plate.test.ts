/** A whole dessert: its parts under load, what leaks, how it is built, its room and its one verdict. */
import { describe, expect, it } from 'vitest'
import { counter, kitchen } from '../../tests/support/core'
import { twoFillings } from '../../tests/support/desserts'
import { solveFor } from '../base/solveFor'
import { benchOf, type Planned, putBack } from '../formula/bench'
import { withLaid, withThickness, withWeight } from '../formula/layers'
import { PART_FACTS, partMassG, resizeParts } from '../formula/parts'
import { spansOf } from '../pipeline/stack'
import type { BuildCode } from './build'
import { DESSERT_KINDS, type DessertKind, dessertOf, dessertPlan } from './kinds'
import type { PlatePart } from './part'
import { isWhole, leadsOf, plateOf } from './plate'

const NAMES = { dessert: (x: string) => x, part: (x: string) => x, made: (x: string) => x }
const make = (kind: DessertKind) => dessertOf(kind, kitchen, NAMES, counter(kind))
const named = (p: Planned, name: string) => p.formula.components.find(c => c.name === name)!
const partIn = (p: Planned, name: string) => plateOf(p, kitchen).parts.find(x => x.name === name)!
const buildOf = (p: Planned): BuildCode[] => plateOf(p, kitchen).build.map(s => s.code)
/** The dessert with the grams of one of its lines changed. */
function grams(p: Planned, component: string, ingredientId: string, by: number): Planned {
  const next = structuredClone(p)
  for (const l of named(next, component).lines) if (l.ingredientId === ingredientId) l.massG *= by
  return next
}

describe('kinds of dessert', () => {
  it.each(DESSERT_KINDS)('%s stands, fits its vessel, and holds every part it is built of', (kind) => {
    const planned = make(kind)
    const plate = plateOf(planned, kitchen)
    expect(plate.verdict).toEqual({ code: 'stands', partId: null })
    expect(plate.room.factor).toBe(1)
    expect(plate.parts.map(p => p.problem).filter(Boolean)).toEqual([])
    const { crust, topping, levels } = dessertPlan(kind)
    expect(plate.parts).toHaveLength(levels.length + (crust ? 1 : 0) + (topping ? 1 : 0))
    for (const p of plate.parts) {
      expect(p.massG, p.name).toBeGreaterThan(5)
      expect(p.thickM, p.name).toBeGreaterThan(0.002)
    }
    // Laid out and gathered again, nothing is lost.
    expect(putBack(benchOf(planned))).toEqual(planned)
  })
  it('lie upon each other without a gap', () => {
    const { parts } = plateOf(make('trifle'), kitchen)
    parts.slice(1).forEach((p, i) => expect(p.fromM).toBeCloseTo(parts[i]!.fromM + parts[i]!.thickM, 9))
  })
  it('are whole desserts where they are built of parts; a tart with its topping is not', () => {
    expect(['trifle', 'mousseCake', 'curdRoll', 'filledChoux', 'pavlova'].map(k => isWhole(make(k as DessertKind))))
      .toEqual([true, true, true, true, true])
    expect(['meringuePie', 'gelatinTart', 'crustBar'].map(k => isWhole(make(k as DessertKind)))).toEqual([false, false, false])
  })
})

describe('laid-in levels', () => {
  it('weigh what their room weighs, and what the oven and trimming take', () => {
    const p = make('filledSponge')
    const sponge = named(p, 'spongeLayer')
    const volume = Math.PI * 0.1 ** 2 * 0.025
    expect(partMassG('spongeLayer', benchOf(p), kitchen, sponge.id)).toBeCloseTo((volume * 300 * 1000 * 1.1) / 0.9, 4)
  })
  it('grow with their thickness, and lift what lies on them', () => {
    const p = make('filledSponge')
    const { id } = named(p, 'spongeLayer')
    const thick = withThickness(p, kitchen, id, 0.05)
    const sum = (x: Planned) => x.formula.components.find(c => c.id === id)!.lines.reduce((s, l) => s + l.massG, 0)
    expect(sum(thick) / sum(p)).toBeCloseTo(2, 2)
    expect(partIn(thick, 'Filling').fromM).toBeCloseTo(0.05, 6)
    expect(partIn(thick, 'spongeLayer').thickM).toBeCloseTo(0.05, 6)
  })
  it('laid in by weight keep their grams in another vessel, and are as thick as it makes them', () => {
    const p = make('trifle')
    const { id } = named(p, 'spongeLayer')
    const sum = (x: Planned) => x.formula.components.find(c => c.id === id)!.lines.reduce((s, l) => s + l.massG, 0)
    expect(sum(p)).toBeCloseTo(210, 0)
    const heavier = withWeight(p, kitchen, id, 420)
    expect(sum(heavier)).toBeCloseTo(420, 0)
    expect(partIn(heavier, 'spongeLayer').thickM / partIn(p, 'spongeLayer').thickM).toBeCloseTo(2, 1)
    const wide = structuredClone(p)
    wide.formula.assembly.vessel.lengthM = 0.3
    const resized = putBack(resizeParts(benchOf(wide), kitchen))
    expect(sum(resized)).toBeCloseTo(210, 0)
    expect(partIn(resized, 'spongeLayer').thickM).toBeLessThan(partIn(p, 'spongeLayer').thickM)
  })
  it('by weight alone have the room of that weight', () => {
    const { planned, id } = withLaid(twoFillings().planned, kitchen, 'spongeLayer', 'Sponge', counter('s'))
    const { assembly } = planned.formula
    assembly.layers = assembly.layers.map(l => (l.componentId === id ? { ...l, thicknessM: { simulated: true } } : l))
    const c = planned.formula.components.find(x => x.id === id)!
    const g = c.lines.reduce((s, l) => s + l.massG, 0)
    const span = spansOf(benchOf(planned), kitchen).find(s => s.componentId === id)!
    expect(span.volumeM3).toBeCloseTo(g / 1000 / 300, 9)
    expect(resizeParts(benchOf(planned), kitchen).components).toHaveLength(planned.formula.components.length)
  })
})

describe('what is laid in', () => {
  it('lies on what fills the vessel and under what stands on top, in its own role and usual thickness', () => {
    const pie = make('meringuePie')
    for (const [kind, role] of [['spongeLayer', 'sponge'], ['whippedLayer', 'cream'], ['berryLayer', 'fruit']] as const) {
      const { planned, id } = withLaid(pie, kitchen, kind, kind, counter(kind))
      const { components, assembly } = planned.formula
      expect(components.find(c => c.id === id)!.role).toBe(role)
      const forms = assembly.layers.map(l => l.form)
      expect(forms).toEqual(['shell', 'fill', 'fill', 'top'])
      expect(assembly.layers[2]).toMatchObject({ componentId: id, thicknessM: { given: PART_FACTS[kind].thicknessM } })
    }
  })
  it('raises what stands on top, and asks nothing of what it is not', () => {
    const pie = make('meringuePie')
    const { planned } = withLaid(pie, kitchen, 'spongeLayer', 'Sponge', counter('s'))
    expect(partIn(planned, 'meringueCold').fromM).toBeCloseTo(partIn(pie, 'meringueCold').fromM + 0.015, 6)
    expect(isWhole(planned)).toBe(true)
    expect(isWhole(pie)).toBe(false)
  })
})

describe('the one verdict', () => {
  it('a bowl too small says how much it needs, and the factor that fits', () => {
    const trifle = make('trifle')
    const { room } = plateOf(trifle, kitchen)
    const small = structuredClone(trifle)
    small.formula.assembly.vessel = { ...small.formula.assembly.vessel, heldM3: 0.75 * room.neededM3 }
    const plate = plateOf(small, kitchen)
    expect(plate.verdict.code).toBe('overflows')
    expect(plate.room.factor).toBeCloseTo(plate.room.holdsM3 / plate.room.neededM3, 12)
    expect(plate.room.factor).toBeLessThan(1)
    // A hair over what it needs, it fits.
    const fits = structuredClone(small)
    fits.formula.assembly.vessel.heldM3 = 1.2 * room.neededM3
    expect(plateOf(fits, kitchen).room.factor).toBe(1)
  })
  it('a part too loose to be cut fails the piece, and is named', () => {
    const loose = grams(make('mousseCake'), 'Filling', 'gelatin', 0.15)
    const { verdict } = plateOf(loose, kitchen)
    expect(verdict).toEqual({ code: 'partFails', partId: named(loose, 'Filling').id })
  })
  it('what is too firm fails no glass', () => {
    const firm = grams(make('trifle'), 'custard', 'cornflour', 1.5)
    expect(partIn(firm, 'custard').code).toBe('tooFirm')
    expect(plateOf(firm, kitchen).verdict.code).toBe('stands')
  })
  it('a soft level sinks under what lies on it, and not without', () => {
    const { planned } = twoFillings()
    expect(partIn(planned, 'Filling').lost.plate).toBeGreaterThan(0.05)
    const alone = structuredClone(planned)
    alone.formula.assembly.layers = alone.formula.assembly.layers.filter(l => l.componentId !== 'x1')
    expect(partIn(alone, 'Filling').lost.plate).toBeLessThan(partIn(planned, 'Filling').lost.plate)
  })
  it('what gives way under a sponge too heavy for it is named; a twentieth of its height is the limit', () => {
    const bar = make('crustBar')
    bar.formula.assembly.vessel.heightM = 0.4
    const id = counter('up')
    const creamed = withLaid(bar, kitchen, 'whippedLayer', 'Cream', id)
    const topped = withLaid(creamed.planned, kitchen, 'spongeLayer', 'Sponge', id)
    const under = (thickM: number) => plateOf(withThickness(topped.planned, kitchen, topped.id, thickM), kitchen)
    const lost = (x: number) => Math.max(...under(x).parts.flatMap(p => [p.lost.cold, p.lost.plate]))
    // Where it just begins to show.
    const limit = solveFor(lost, 0.05, 0.02, 0.3, { steps: 20 })
    expect(under(limit - 0.001).verdict).toEqual({ code: 'stands', partId: null })
    const { parts, verdict } = under(limit + 0.001)
    expect(verdict.code).toBe('sinks')
    const { lost: sunk } = parts.find(p => p.id === verdict.partId)!
    expect(Math.max(sunk.cold, sunk.plate)).toBeGreaterThan(0.05)
  })
  it('a bare shell goes soft in a long cold; sealed it lasts', () => {
    const tart = make('gelatinTart')
    tart.formula.chill.at(-1)!.timeS = 15 * 3600
    expect(plateOf(tart, kitchen).verdict.code).toBe('stands')
    const bare = structuredClone(tart)
    delete named(bare, 'blindShell').make!.sealed
    expect(plateOf(bare, kitchen).verdict).toEqual({ code: 'goesSoft', partId: named(bare, 'blindShell').id })
  })
  it('cold-beaten meringue runs overnight, boiled-sugar meringue does not', () => {
    const pie = make('meringuePie')
    pie.formula.chill.at(-1)!.timeS = 15 * 3600
    const plate = plateOf(pie, kitchen)
    expect(plate.verdict).toEqual({ code: 'runs', partId: named(pie, 'meringueCold').id })
    expect(plate.leaks.find(l => l.intoId === null)!.byServiceG).toBeGreaterThan(2)
  })
})

describe('the building', () => {
  it('a mousse cake: insert frozen first, laid in, mousse over it, frozen whole, glazed, thawed', () => {
    expect(buildOf(make('mousseCake')))
      .toEqual(['freezeInsert', 'line', 'layFrozen', 'pour', 'freezeWhole', 'glaze', 'thaw'])
  })
  it('cold-beaten meringue goes on the hot filling, boiled-sugar meringue on the cold one', () => {
    expect(buildOf(make('meringuePie'))).toEqual(['line', 'pour', 'top', 'chill'])
    expect(buildOf(make('gelatinTart'))).toEqual(['line', 'pour', 'set', 'chill', 'top'])
  })
  it('shells are filled late, crisp tops laid on last, a sheet is rolled', () => {
    expect(buildOf(make('filledChoux'))).toEqual(['chill', 'fillShells'])
    expect(buildOf(make('possetJelly')).at(-1)).toBe('lay')
    expect(buildOf(make('curdRoll'))).toEqual(['lay', 'pour', 'roll', 'chill'])
  })
  it('a dome is filled from its top down, frozen, turned out, thawed; it stands on what was laid in last', () => {
    expect(buildOf(make('domes'))).toEqual(['pour', 'lay', 'freezeWhole', 'turnOut', 'thaw'])
    const plate = plateOf(make('domes'), kitchen)
    const [base, mousse] = plate.parts as [PlatePart, PlatePart]
    expect([base.role, base.fromM]).toEqual(['sponge', 0])
    expect(mousse.fromM).toBeCloseTo(base.thickM, 9)
    // The mousse is poured into the round of the mould, the sponge laid on it at the rim.
    expect(plate.build.map(s => s.partId).slice(0, 2)).toEqual([mousse.id, base.id])
    expect(plate.build[1]!.onId).toBe(mousse.id)
  })
  it('the same levels in a straight mould, not turned out, lie the other way round', () => {
    const p = structuredClone(make('domes'))
    delete p.formula.assembly.built
    expect(plateOf(p, kitchen).parts.map(x => x.role)).toEqual(['filling', 'sponge'])
  })
  it('a hot filling on a set cream must cool first, and says to how much', () => {
    // The cream below, the curd poured on it.
    const p = structuredClone(twoFillings().planned)
    const { layers } = p.formula.assembly
    const [curd, cream] = layers.filter(l => l.form === 'fill')
    p.formula.assembly.layers = layers.map(l => (l === curd ? cream! : l === cream ? curd! : l))
    const pour = plateOf(p, kitchen).build.findLast(s => s.code === 'pour')!
    expect(pour.why).toBe('meltsUnder')
    expect(pour.fromC!).toBeGreaterThan(pour.mostC!)
    // e ∝ ρ: 25 °C at the face, 5 °C below it.
    const { parts } = plateOf(p, kitchen)
    const [low, high] = parts.filter(x => x.form === 'fill')
    expect(pour.mostC).toBeCloseTo(25 + (20 * low!.nature.density) / high!.nature.density, 6)
  })
})

describe('one spoon through it', () => {
  it('says what leads only where it leads by a quarter', () => {
    expect(leadsOf({ sour: 5, sweet: 3.9, fatPercent: 0 })).toBe('sharp')
    expect(leadsOf({ sour: 5, sweet: 4.1, fatPercent: 0 })).toBe('even')
    expect(leadsOf({ sour: 1, sweet: 2, fatPercent: 30 })).toBe('rich')
  })
  it('lies between its parts; the portion is all of them', () => {
    const plate = plateOf(make('trifle'), kitchen)
    const sours = plate.parts.map(p => p.taste.sour)
    expect(plate.spoonful.sour).toBeGreaterThan(Math.min(...sours))
    expect(plate.spoonful.sour).toBeLessThan(Math.max(...sours))
    expect(plate.portionG).toBeCloseTo(plate.parts.reduce((s, p) => s + p.massG, 0) / 14, 6)
  })
  it('whites that separating leaves meet what needs whites: fewer eggs than part by part', () => {
    const { spares } = plateOf(make('pavlova'), kitchen)
    expect(spares.saved).toBeGreaterThan(0)
    expect(plateOf(make('curdRoll'), kitchen).spares.uses).toEqual([{ code: 'meringue', massG: expect.any(Number) }])
  })
})
