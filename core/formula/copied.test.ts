/** A part taken from another formula, and taken anew. */
import { describe, expect, it } from 'vitest'
import { counter, kitchen } from '../../tests/support/core'
import { twoFillings } from '../../tests/support/desserts'
import { curd } from '../../tests/support/batches'
import { plateOf } from '../plate/plate'
import { retaken, withCopied } from './copied'
import { mainComponent } from './bench'

const source = curd()
const from = { formulaId: 'f1', version: 3, componentId: mainComponent(source.formula).id }
const { planned } = twoFillings()
const copied = withCopied(planned, source, from, counter('n'))
const part = copied.planned.formula.components.find(c => c.id === copied.id)!
const grams = (lines: { massG: number }[]) => lines.reduce((s, l) => s + l.massG, 0)

describe('a part of another formula', () => {
  it('comes with its grams, its process and where it is from; its ids are its own', () => {
    const c = mainComponent(source.formula)
    expect(part.lines.map(l => [l.ingredientId, l.massG])).toEqual(c.lines.map(l => [l.ingredientId, l.massG]))
    expect(part.process).toEqual(c.process)
    expect(part.from).toEqual(from)
    expect(part.lines.some(l => c.lines.some(x => x.id === l.id))).toBe(false)
    const own = new Set(part.lines.map(l => l.id))
    for (const s of part.steps) if ('lineIds' in s) expect(s.lineIds.every(x => own.has(x))).toBe(true)
    expect(plateOf(copied.planned, kitchen).parts.find(p => p.id === part.id)!.problem).toBeNull()
  })
  it('lies on top of what fills the vessel', () => {
    const fills = copied.planned.formula.assembly.layers.filter(l => l.form === 'fill').map(l => l.componentId)
    expect(fills.at(-1)).toBe(part.id)
    expect(fills).toHaveLength(3)
  })
  it('is taken anew as it stands there now, as much as before', () => {
    const changed = structuredClone(source)
    for (const l of mainComponent(changed.formula).lines) l.massG *= l.ingredientId === 'sugar' ? 4 : 2
    const next = retaken(copied.planned, part.id, changed, 5, counter('m'))
    const now = next.formula.components.find(c => c.id === part.id)!
    expect(grams(now.lines)).toBeCloseTo(grams(part.lines), 0)
    const share = (lines: typeof now.lines) => lines.find(l => l.ingredientId === 'sugar')!.massG / grams(lines)
    expect(share(now.lines)).toBeCloseTo(share(mainComponent(changed.formula).lines), 3)
    expect(now.from!.version).toBe(5)
    expect(now.name).toBe(part.name)
  })
  it('what is not there, or from nowhere, changes nothing', () => {
    expect(withCopied(planned, source, { ...from, componentId: 'gone' }, counter('n'))).toEqual({ planned, id: null })
    const [first] = planned.formula.components
    expect(retaken(planned, first!.id, source, 5, counter('m'))).toEqual(planned)
  })
})
