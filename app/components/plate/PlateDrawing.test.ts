import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import { benchOf } from '#core/formula/bench'
import { type DessertKind, dessertOf } from '#core/plate/kinds'
import { plateOf } from '#core/plate/plate'
import { counter, kitchen } from '../../../tests/support/core'
import { BEGUN_NAMES } from '../../words/plate'
import PlateDrawing from './PlateDrawing.vue'
import PlateParts from './PlateParts.vue'

const made = (kind: DessertKind) => {
  const planned = dessertOf(kind, kitchen, BEGUN_NAMES, counter(kind))
  return { planned, plate: plateOf(planned, kitchen) }
}
async function drawn(kind: DessertKind, change: (p: ReturnType<typeof made>['plate']) => void = () => {}) {
  const { planned, plate } = made(kind)
  change(plate)
  const { use, assembly } = { use: benchOf(planned).use, assembly: planned.formula.assembly }
  return mountSuspended(PlateDrawing, {
    props: { plate, pieceWidthM: use.pieceWidthM, vessel: assembly.vessel, built: assembly.built, isInVessel: use.kind === 'glass' },
  })
}
const tops = (d: string) => Math.min(...[...d.matchAll(/[ML]-?[\d.]+ (-?[\d.]+)/g)].map(m => Number(m[1])))

describe('a whole dessert drawn', () => {
  it('has every part twice, from the fridge and on the plate, and its names and millimetres in words', async () => {
    const w = await drawn('mousseCake')
    expect(w.findAll('[data-level]')).toHaveLength(8)
    const label = w.get('svg').attributes('aria-label')!
    for (const name of ['Sponge 10 mm', 'Passion insert 8 mm', 'Lemon glaze 6 mm']) expect(label).toContain(name)
    expect(w.text()).toContain('from the fridge')
    expect(w.text()).toContain('on the plate')
  })
  it('lies upon each other to scale: twice as thick is twice as high', async () => {
    const w = await drawn('filledSponge')
    const heights = w.findAll('[data-level]').slice(0, 4).map(x => tops(x.attributes('d')!))
    const [sponge, curd, cream, top] = heights as [number, number, number, number]
    expect(sponge).toBeGreaterThan(curd)
    expect(curd).toBeGreaterThan(cream)
    // Two sponges of 25 mm, one of them between what it lies on and its own top.
    const { parts } = made('filledSponge').plate
    expect((cream - top) / (curd - cream)).toBeCloseTo(parts[3]!.thickM / parts[2]!.thickM, 1)
  })
  it('a level that sinks is drawn lower on the plate, and what lies on it comes down with it', async () => {
    const w = await drawn('filledSponge', (p) => { p.parts[1]!.lost.plate = 0.5 })
    const all = w.findAll('[data-level]').map(x => tops(x.attributes('d')!))
    expect(all[4]).toBeCloseTo(all[0]!, 6)
    expect(all[5]!).toBeGreaterThan(all[1]!)
    expect(all[7]!).toBeGreaterThan(all[3]!)
  })
  it('a bowl has its walls, a roll is one line for each sheet, a shell holds its filling', async () => {
    expect((await drawn('trifle')).findAll('.rim')).toHaveLength(2)
    expect((await drawn('curdRoll')).findAll('path.line')).toHaveLength(4)
    expect((await drawn('filledChoux')).findAll('[data-level]')).toHaveLength(4)
    expect((await drawn('pavlova')).findAll('.rim')).toHaveLength(0)
  })
  it('a dome narrows upwards; long shells are cut along their length', async () => {
    const xs = (d: string) => [...d.matchAll(/[ML](-?[\d.]+) /g)].map(m => Number(m[1]))
    const across = (d: string) => Math.max(...xs(d)) - Math.min(...xs(d))
    const [base, mousse] = (await drawn('domes')).findAll('[data-level]').map(x => x.attributes('d')!)
    expect(across(mousse!)).toBeLessThanOrEqual(across(base!))
    expect(xs(mousse!)[24]! - xs(mousse!)[25]!).toBeLessThan(0.01)
    expect(tops(mousse!)).toBeLessThan(tops(base!))
    const [long, round] = await Promise.all([drawn('eclairs'), drawn('filledChoux')])
    expect(long.get('[data-level]').attributes('d')).toContain('H')
    expect(round.get('[data-level]').attributes('d')).not.toContain('H')
  })
})

describe('the parts of a whole dessert', () => {
  it('stand from the top down, the spoonful last, with a number beside every bar', async () => {
    const { plate } = made('trifle')
    const w = await mountSuspended(PlateParts, { props: { plate } })
    const rows = w.findAll('tbody tr').map(r => r.get('th').text())
    expect(rows[0]).toBe('Whipped cream')
    expect(rows.at(-2)).toBe('Sponge layer')
    expect(rows.at(-1)).toBe('a spoon through all of it')
    for (const bar of w.findAll('.bar')) expect(bar.element.parentElement!.textContent).toMatch(/\d\.\d/)
    await w.get('tbody button').trigger('click')
    expect(w.emitted('open')![0]).toEqual([plate.parts.find(p => p.role === 'cream' && p.code !== null)!.id])
  })
})
