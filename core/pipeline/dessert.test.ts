import { describe, expect, it } from 'vitest'
import { formula, kitchen } from '../../tests/support/core'
import { twoFillings } from '../../tests/support/desserts'
import { benchOf, mainComponent, type Planned, putBack, vesselOf } from '../formula/bench'
import { defaultUse } from '../formula/create'
import { movedLevel } from '../formula/layers'
import { reportOf } from '../formats/report'
import { cavityOf, volumeTo } from '../physics/geometry/cavity'
import { assess } from './assess'
import { assessDessert } from './dessert'
import { placed } from './stack'
import { pieceFigures, summariseDessert } from './summary'

const { planned, creamId } = twoFillings()
const curdId = mainComponent(planned.formula).id
const of = (id: string, p: Planned = planned) => assess(placed(benchOf(p, id), kitchen), kitchen)

describe('one component fills its vessel alone', () => {
  it('with no stack, and the same figures as its assessment', () => {
    const alone = formula()
    expect(placed(alone, kitchen)).toBe(alone)
    const { assessment, parts } = assessDessert(putBack(alone), kitchen)
    expect(assessment).toEqual(assess(alone, kitchen))
    expect(parts).toMatchObject([{ fromM: 0, code: assessment.verdict.code, thickM: assessment.shape.depthM }])
  })
})

describe('two fillings in one tin', () => {
  const curd = of(curdId)
  const cream = of(creamId)
  it('each has the level its own volume takes: by hand in a straight tin, V/A', () => {
    const cavity = cavityOf(vesselOf(benchOf(planned), kitchen), benchOf(planned).assembly)
    const perMetre = volumeTo(cavity, 0.01) / 0.01
    for (const a of [curd, cream]) expect(a.shape.depthM).toBeCloseTo(a.shape.volumeM3 / perMetre, 4)
    const { parts } = assessDessert(planned, kitchen)
    expect(parts.map(p => [p.id, p.role])).toEqual([[curdId, 'filling'], [creamId, 'cream']])
    expect(parts[0]!.fromM).toBe(0)
    expect(parts[1]!.fromM).toBeCloseTo(parts[0]!.thickM, 9)
  })
  it('headroom and fill are those of both', () => {
    expect(curd.shape.headroomM).toBeCloseTo(cream.shape.headroomM, 9)
    expect(curd.shape.fillShare).toBeCloseTo(cream.shape.fillShare, 9)
    const alone = assess({ ...benchOf(planned), layers: [] }, kitchen)
    expect(curd.shape.headroomM).toBeCloseTo(alone.shape.headroomM - cream.shape.depthM, 6)
  })
  it('what lies below carries what lies on it, and both cool as one', () => {
    const high = (p: Planned) => ({ ...p, formula: { ...p.formula, use: { ...p.formula.use, pieceHeightM: 0.2 } } })
    expect(of(curdId, high(planned)).shape.pieceHeightM)
      // Its own depth, and the cream's by weight: lighter, it counts for less than its height.
      .toBeCloseTo(curd.shape.depthM + (cream.shape.depthM * cream.shape.density) / curd.shape.density, 3)
    expect(of(creamId, high(planned)).shape.pieceHeightM).toBeCloseTo(cream.shape.depthM, 6)
    const alone = assess({ ...benchOf(planned), layers: [] }, kitchen)
    expect(curd.chill.to8S!).toBeGreaterThan(1.3 * alone.chill.to8S!)
  })
  it('changes places with the other', () => {
    const swapped = assessDessert(movedLevel(planned, creamId, -1), kitchen)
    expect(swapped.parts.map(p => p.id)).toEqual([creamId, curdId])
    expect(swapped.parts[1]!.fromM).toBeCloseTo(cream.shape.depthM, 4)
  })
  it('a list shows the one that stands worst', () => {
    const loose = structuredClone(planned)
    loose.formula.use = defaultUse('spooned')
    const { lines } = loose.formula.components.find(c => c.id === creamId)!
    lines.find(l => l.ingredientId === 'gelatin')!.massG = 0
    lines.find(l => l.ingredientId === 'cream36')!.ingredientId = 'milk'
    const cream = of(creamId, loose).verdict
    expect(cream.code).not.toBe('good')
    expect(summariseDessert(loose, kitchen)).toMatchObject({ code: cream.code, coldPa: cream.cold.tauPa.value })
    expect(summariseDessert(putBack(formula()), kitchen)).toMatchObject({ code: 'good' })
  })
  it('the drawing has every level, and says which lies on the bench', () => {
    const { bench, assessment, parts } = assessDessert(planned, kitchen, creamId)
    const { layers } = pieceFigures(bench, assessment, parts)
    expect(layers!.map(l => [l.name, l.chosen])).toEqual([['Filling', false], ['Lime cream', true]])
    expect(pieceFigures(bench, assessment).layers).toBeUndefined()
  })
  it('a component that cannot be made yet says its field, and takes no room', () => {
    const empty = structuredClone(planned)
    Object.assign(empty.formula.components.find(c => c.id === creamId)!, { lines: [], steps: [] })
    const { parts, assessment } = assessDessert(empty, kitchen)
    expect(parts[1]).toMatchObject({ mark: 'stop', problem: 'components.2.lines', thickM: 0 })
    expect(assessment.shape.depthM).toBeCloseTo(curd.shape.depthM, 6)
  })
  it('a laid-in layer of a given thickness lifts what lies over it', () => {
    const sponged = structuredClone(planned)
    sponged.formula.components.push({ id: 'sponge', role: 'sponge', name: 'Sponge', lines: [], steps: [] })
    const { layers } = sponged.formula.assembly
    layers.splice(layers.findIndex(l => l.componentId === creamId), 0, {
      id: 'sponge', componentId: 'sponge', form: 'fill', thicknessM: { given: 0.01 },
    })
    const { parts } = assessDessert(sponged, kitchen)
    expect(parts.map(p => p.role)).toEqual(['filling', 'sponge', 'cream'])
    expect(parts[2]!.fromM! - parts[0]!.thickM).toBeCloseTo(0.01, 9)
    expect(of(creamId, sponged).shape.headroomM).toBeCloseTo(cream.shape.headroomM - 0.01, 6)
  })
  it('the report gives the filling, and every component beside it', () => {
    const r = reportOf({ ...planned, kitchen })
    expect(r.components!.map(c => [c.componentId, c.role, c.verdict])).toEqual([
      [curdId, 'filling', curd.verdict.code],
      [creamId, 'cream', cream.verdict.code],
    ])
    expect(r.cold.yieldStressPa).toBeCloseTo(curd.verdict.cold.tauPa.value, 9)
    expect(reportOf({ ...putBack(formula()), kitchen }).components).toBeUndefined()
  })
})
