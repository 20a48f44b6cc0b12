import { describe, expect, it } from 'vitest'
import { kitchen, make } from '../../tests/support/core'
import type { Bench } from '../formula/bench'
import { type Material, plainVessel } from '../physics/geometry/cavity'
import { orderOfWork } from '../plan/order'
import { assess } from './assess'
import { leavesMould, releaseOf, type ReleaseWord } from './release'

const moulded = (edit: (d: Bench) => void = () => {}) => make('setCream', (d) => {
  d.use.kind = 'turnedOut'
  d.assembly.vessel = plainVessel('ramekin', 'metal', 0.06, 0.06, 0.05)
  edit(d)
})
const word = (pa: number, edit?: (d: Bench) => void): ReleaseWord => releaseOf(moulded(edit), kitchen, pa)!.word
const of = (material: Material, over: Partial<Bench['assembly']> = {}) => (d: Bench) => {
  d.assembly.vessel.material = material
  Object.assign(d.assembly, over)
}

describe('getting it out', () => {
  it('what stays in its glass, or is cut in its tin, is not got out at all', () => {
    expect(releaseOf(make('boiled'), kitchen, 500)).toBeNull()
    expect(leavesMould(make('cooledBase'), kitchen)).toBe(false)
    const ring = make('cooledBase', (d) => { d.assembly.vessel = plainVessel('tartRing', 'metal', 0.2, 0.2, 0.03) })
    expect(leavesMould(ring, kitchen)).toBe(true)
  })
  it('by hand: bare metal .5 over 600/600 Pa is a cloth\'s work, to .6; over half as firm the freezer\'s', () => {
    expect(releaseOf(moulded(), kitchen, 600)!.grip).toBeCloseTo(0.5, 9)
    expect([word(600), word(0.5 / 0.61 * 600), word(0.5 / 0.59 * 600)]).toEqual(['cloth', 'freezer', 'cloth'])
    expect([word(0.5 / 1.19 * 600), word(0.5 / 1.21 * 600)]).toEqual(['freezer', 'stays'])
    const greased = of('silicone', { coat: 'greased' })
    expect([word(0.125 / 0.24 * 600, greased), word(0.125 / 0.26 * 600, greased)]).toEqual(['lifts', 'cloth'])
  })
  it('silicone, grease, paper, draft and a loose base each ease it (common practice)', () => {
    const grip = (edit?: (d: Bench) => void) => releaseOf(moulded(edit), kitchen, 600)!.grip
    const bare = grip()
    for (const edit of [
      of('silicone'), of('metal', { coat: 'greased' }), of('metal', { coat: 'paper' }), of('metal', { coat: 'rinsed' }),
      of('metal', { looseBase: true }), (d: Bench) => { d.assembly.vessel.taper = 0.85 },
    ]) expect(grip(edit)).toBeLessThan(bare)
    expect(grip(of('ceramic'))).toBeGreaterThan(bare)
  })
  it('what is poured into a ring on a tray runs out at its foot, unless a crust or paper closes it', () => {
    const leaks = (over: Partial<Bench['assembly']>) => releaseOf(moulded(d => Object.assign(d.assembly, over)), kitchen, 600)!.leaks
    expect([leaks({}), leaks({ looseBase: true }), leaks({ looseBase: true, coat: 'paper' }), leaks({ looseBase: true, crustM: 0.005 })])
      .toEqual([false, true, false, false])
  })
})

describe('in a formula', () => {
  it('one too soft for its wall is told, and its step says the freezer and the hour back', () => {
    const soft = moulded((d) => {
      of('ceramic')(d)
      d.components[0]!.lines.find(l => l.ingredientId === 'gelatin')!.massG = 1.6
    })
    const a = assess(soft, kitchen)
    expect(a.shape.release!.word).toBe('stays')
    expect(a.findings.find(f => f.code === 'wontRelease')).toMatchObject({ severity: 'look', station: 'shape' })
    expect(orderOfWork(soft, kitchen, a).find(s => s.code === 'unmould')!.reasons).toEqual(['freezerFirst', 'warmEdge'])
    const firm = moulded(of('silicone', { coat: 'greased' }))
    expect(orderOfWork(firm, kitchen, assess(firm, kitchen)).find(s => s.code === 'unmould')!.reasons).toEqual(['liftsOff'])
  })
  it('a ring with nothing in its foot is told', () => {
    const ring = moulded(d => void (d.assembly.vessel = plainVessel('tartRing', 'metal', 0.08, 0.08, 0.045)))
    expect(assess(ring, kitchen).findings.map(f => f.code)).toContain('ringLeaks')
  })
})
