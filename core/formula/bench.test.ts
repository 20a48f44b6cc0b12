import { describe, expect, it } from 'vitest'
import { demoFormulas } from '../../server/database/demo'
import { counter, formula, kitchen, make } from '../../tests/support/core'
import { twoFillings } from '../../tests/support/desserts'
import { plannedOf } from '../../tests/support/golden'
import older from '../checks/older.json'
import { benchOf, benchPath, fillingOf, mainComponent, type Planned, putBack, turnTo } from './bench'
import { SCHOOLS } from './document'
import { withLineIn } from './edits'
import { movedLevel, withComponent, withoutComponent } from './layers'
import { plainMake, withPart } from './parts'

describe('laid out and put back, nothing is lost', () => {
  const all: [string, Planned][] = [
    ...demoFormulas().map(d => [d.document.formula.name, d.document] as [string, Planned]),
    ...SCHOOLS.map(s => [s, putBack(make(s))] as [string, Planned]),
    ...older.files.map(f => [`version ${f.version}`, plannedOf(f.document)] as [string, Planned]),
    ['two fillings', twoFillings().planned],
  ]
  it.each(all)('%s', (_, planned) => {
    for (const c of planned.formula.components.filter(x => x.process))
      expect(putBack(benchOf(planned, c.id))).toEqual(planned)
  })
  it('what is changed on the bench is what is there afterwards, whichever component lies on it', () => {
    const { planned, creamId } = twoFillings()
    const bench = benchOf(planned, creamId)
    expect([bench.school, fillingOf(bench).name]).toEqual(['setCream', 'Lime cream'])
    const hotter = putBack({ ...bench, heat: { ...bench.heat, targetTempC: 71 } })
    expect(benchOf(hotter, creamId).heat.targetTempC).toBe(71)
    expect(benchOf(hotter).heat).toEqual(benchOf(planned).heat)
    expect(turnTo(bench, mainComponent(planned.formula).id).school).toBe('yolkBath')
  })
  it('a component nobody knows: the filling', () => {
    const { planned } = twoFillings()
    expect(benchOf(planned, 'ghost').componentId).toBe(mainComponent(planned.formula).id)
  })
})

describe('crust and topping are layers', () => {
  const forms = (p: Planned) => p.formula.assembly.layers.map(l => [l.form, 'given' in l.thicknessM ? l.thicknessM.given : 0])
  it('put in, thickened and taken out again', () => {
    const bare = formula(undefined, () => {}, { use: 'spooned' })
    expect(forms(putBack(bare))).toEqual([['fill', 0]])
    const id = counter('y')
    const based = withPart(bare, kitchen, 'crust', plainMake('crumbChilled'), id, 'Base')
    const topped = withPart(based, kitchen, 'topping', plainMake('whippedTop'), id, 'Cream')
    expect(forms(putBack(topped)).map(([f]) => f)).toEqual(['shell', 'fill', 'top'])
    expect(forms(putBack({ ...topped, assembly: { ...topped.assembly, crustM: 0.009 } }))[0]).toEqual(['shell', 0.009])
    const without = withPart(withPart(topped, kitchen, 'crust', null, id, ''), kitchen, 'topping', null, id, '')
    expect(forms(putBack(without))).toEqual([['fill', 0]])
  })
  it('a bought shell has a layer and no component', () => {
    const b = formula()
    const [shell] = putBack({ ...b, assembly: { ...b.assembly, crustM: 0.003 } }).formula.assembly.layers
    expect(shell).toEqual({ id: 'crust', componentId: null, form: 'shell', thicknessM: { given: 0.003 } })
  })
})

describe('components come, go and move', () => {
  it('one more lies on top of what fills the vessel, under the topping; a sauce lies beside it', () => {
    const id = counter('z')
    const pie = withPart(formula(), kitchen, 'topping', plainMake('whippedTop'), id, 'Cream')
    const first = withComponent(putBack(pie), { role: 'filling', name: 'Jelly', school: 'setCream' }, id)
    const layers = first.planned.formula.assembly.layers
    expect(layers.map(l => l.form)).toEqual(['fill', 'fill', 'top'])
    expect(layers[1]!.componentId).toBe(first.id)
    const sauce = withComponent(first.planned, { role: 'sauce', name: 'Coulis', school: 'yolkBath' }, id)
    expect(sauce.planned.formula.assembly.layers).toEqual(layers)
    expect(putBack(benchOf(sauce.planned, sauce.id))).toEqual(sauce.planned)
  })
  it('levels change places; at the end nothing moves', () => {
    const { planned, creamId } = twoFillings()
    const order = (p: Planned) => p.formula.assembly.layers.flatMap(l => (l.form === 'fill' ? [l.componentId] : []))
    const down = movedLevel(planned, creamId, -1)
    expect(order(down)).toEqual(order(planned).toReversed())
    expect(movedLevel(down, creamId, -1)).toEqual(down)
    expect(movedLevel(down, creamId, 1)).toEqual(planned)
  })
  it('taken away with its layer and what the occasion says of its lines; the last that is made stays', () => {
    const { planned, creamId } = twoFillings()
    const lineId = fillingOf(benchOf(planned, creamId)).lines[0]!.id
    const stocked = { ...planned, occasion: { ...planned.occasion, have: [{ lineId, massG: 50 }] } }
    const one = withoutComponent(stocked, creamId)
    expect(one.formula.components.some(c => c.id === creamId)).toBe(false)
    expect([one.formula.assembly.layers.filter(l => l.form === 'fill').length, one.occasion.have]).toEqual([1, []])
    expect(withoutComponent(one, mainComponent(one.formula).id)).toBe(one)
  })
})

it.each([
  ['components.0.process.heat.targetTempC', 'heat.targetTempC'],
  ['components.*.process.set.bloom', 'set.bloom'],
  ['components.1.lines.0.massG', 'components.1.lines.0.massG'],
  ['occasion.startAt', 'serve.startAt'],
  ['occasion.serveAt', 'serve.serveAt'],
  ['occasion.fruit.0.count', 'stock.fruit.0.count'],
  ['occasion.lots.0', 'occasion.lots.0'],
])('%s is named %s', (stored, named) => expect(benchPath(stored)).toBe(named))

describe('a line moved to another component', () => {
  it('is in the steps of its new place and in none of its old one; grams are neither lost nor made', () => {
    const doc = benchOf(twoFillings().planned)
    const from = fillingOf(doc)
    const to = doc.components.find(c => c.id !== from.id && c.process)!
    const line = from.lines[0]!
    const moved = withLineIn(doc, line.id, to.id, counter())
    const [left, there] = [from.id, to.id].map(id => moved.components.find(c => c.id === id)!)
    expect(left!.lines.map(l => l.id)).toEqual(from.lines.slice(1).map(l => l.id))
    expect(there!.lines.at(-1)).toEqual(line)
    const stepLines = (c: typeof left) => c!.steps.flatMap(x => ('lineIds' in x ? x.lineIds : []))
    expect(stepLines(left)).not.toContain(line.id)
    expect(stepLines(there)).toContain(line.id)
    expect(withLineIn(doc, line.id, from.id, counter())).toBe(doc)
    expect(withLineIn(doc, line.id, 'nobody', counter())).toBe(doc)
    expect(withLineIn(doc, 'nothing', to.id, counter())).toBe(doc)
  })
})
