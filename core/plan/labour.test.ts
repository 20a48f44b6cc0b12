import { describe, expect, it } from 'vitest'
import { demoBenches } from '../../tests/support/demo'
import { EGG_CURD, formula, kitchen } from '../../tests/support/core'
import type { Bench } from '../formula/bench'
import { plainMake, withPart } from '../formula/parts'
import { assess } from '../pipeline/assess'
import { labourOf, labourOfOrder } from './labour'
import { orderOfWork } from './order'
import { noStep, type WorkStep, type WrittenStep } from './work'

const orderOf = (d: Bench) => orderOfWork(d, kitchen, assess(d, kitchen))
const find = (steps: WorkStep[], code: string) => steps.find(s => s.code === code)!
const written = (part: Partial<WrittenStep> & Pick<WrittenStep, 'code' | 'params'>) =>
  ({ ...noStep(), key: 'x', atS: 0, ...part }) as WrittenStep

describe('hands and waiting', () => {
  it.each(demoBenches().map(d => [d.document.name, d.document] as const))(
    '%s: a step with a time is stood at and left alone for just that time; every heat names what it takes',
    (_, doc) => {
      for (const s of orderOf(doc)) {
        expect(s.attendedS, s.code).toBeGreaterThanOrEqual(0)
        expect(s.unattendedS, s.code).toBeGreaterThanOrEqual(0)
        if (s.timeS !== null && s.code !== 'serve')
          expect(s.attendedS + s.unattendedS, s.code).toBeCloseTo(s.timeS, 6)
        if (/^(heat|boil)/.test(s.code)) {
          expect(s.uses.map(u => u.tool)).toEqual([s.code === 'heatMicrowave' ? 'microwave' : 'burner'])
          expect(s.unattendedS).toBe(0)
        }
      }
    },
  )
  it('a curd is stirred all the while, its cold goes on alone but for the minute that puts it there', () => {
    const steps = orderOf(formula())
    const heat = find(steps, 'heatBath')
    expect([heat.attendedS, heat.unattendedS]).toEqual([heat.timeS, 0])
    const cold = steps.findLast(s => s.code === 'chill')!
    expect([cold.attendedS, cold.unattendedS]).toEqual([60, cold.timeS! - 60])
    expect(cold.uses).toEqual([{ tool: 'fridge', id: formula().chill.at(-1)!.placeId }])
  })
  it('pouring and serving grow with their pieces: a minute and 15 s a glass, 20 s a plate', () => {
    const pour = (count: number) => written({ code: 'pour', params: { eachG: 90, count, depthM: 0.03 } })
    expect(labourOf(pour(1), formula()).attendedS).toBe(75)
    expect(labourOf(pour(24), formula()).attendedS).toBe(60 + 24 * 15)
    const serve = written({ code: 'serve', timeS: 30, params: { tableTimeS: 0, portions: 10 } })
    expect(labourOf(serve, formula())).toMatchObject({ attendedS: 200, unattendedS: 0 })
  })
  it('nobody stands longer at a step than it lasts', () => {
    const chill = (timeS: number) =>
      labourOf(written({
        code: 'chill', timeS, params: { place: 'bench', placeId: null, airC: 20, cover: 'film' },
      }), formula())
    expect(chill(40)).toEqual({ attendedS: 40, unattendedS: 0, uses: [] })
    expect(chill(61)).toEqual({ attendedS: 60, unattendedS: 1, uses: [] })
  })
  it('names the kitchen’s own burner and oven where the plan does', () => {
    const curd = formula(EGG_CURD, (d) => { d.heat.burnerId = 'ring 2' })
    expect(find(orderOf(curd), 'heatBath').uses).toEqual([{ tool: 'burner', id: 'ring 2' }])
    const bars = demoBenches().find(d => d.document.heat.method === 'oven')!.document
    const own = { ...bars, heat: { ...bars.heat, oven: { ...bars.heat.oven, ovenId: 'deck' } } }
    const bake = orderOfWork(own, kitchen, assess(own, kitchen)).find(s => s.code === 'bake')!
    expect(bake.uses).toEqual([{ tool: 'oven', id: 'deck' }])
    expect([bake.attendedS, bake.unattendedS]).toEqual([120, bake.timeS! - 120])
  })
  it('a shell takes the oven and rests alone; a topping under the oven’s heat needs no torch', () => {
    let n = 0
    const at = (kind: 'blindShell' | 'meringueCold') =>
      orderOf(withPart(formula(), kitchen, kind === 'blindShell' ? 'crust' : 'topping', plainMake(kind), () => `p${n++}`,
        kind))
    const shell = at('blindShell')
    expect(find(shell, 'part:bakeBlind').uses).toEqual([{ tool: 'oven', id: null }])
    expect(find(shell, 'part:rest')).toMatchObject({ attendedS: 60, uses: [{ tool: 'fridge', id: null }] })
    expect(find(shell, 'part:rollOut').unattendedS).toBe(0)
    expect(find(at('meringueCold'), 'part:brown').uses).toEqual([{ tool: 'oven', id: null }])
    const torched = written({ code: 'part:brown', timeS: 180, params: { holdMin: null, inOven: false } })
    expect(labourOf(torched, formula()).uses).toEqual([{ tool: 'torch', id: null }])
  })
  it('a whole order adds up, and each piece of equipment is told once', () => {
    const steps = orderOf(formula())
    const all = labourOfOrder(steps)
    expect(all.attendedS).toBeCloseTo(steps.reduce((s, x) => s + x.attendedS, 0), 6)
    expect(new Set(all.taken.map(t => `${t.tool} ${t.id}`)).size).toBe(all.taken.length)
    const burner = all.taken.find(t => t.tool === 'burner')!
    const onIt = steps.filter(s => s.uses.some(u => u.tool === 'burner'))
    expect(burner.takenS).toBeCloseTo(onIt.reduce((s, x) => s + x.attendedS + x.unattendedS, 0), 6)
    expect(labourOfOrder([])).toEqual({ attendedS: 0, unattendedS: 0, taken: [] })
  })
})
