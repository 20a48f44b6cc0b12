/** A whole dessert as steps of a day: parts side by side, building in order, what waits in which cold. */
import { describe, expect, it } from 'vitest'
import { counter, kitchen } from '../../tests/support/core'
import { type DessertKind, dessertOf } from '../plate/kinds'
import { plateOf } from '../plate/plate'
import { forCovers } from '../plan/covers'
import { benchOf, putBack } from '../formula/bench'
import { stepsOfFormula } from './ofFormula'
import { stepsOfPlate } from './ofPlate'
import { planOf } from './plan'
import type { StepInput } from './read'

const ALL = new Set(['ring', 'oven', 'fridge', 'mixer', 'freezer'])
const make = (kind: DessertKind) =>
  dessertOf(kind, kitchen, { dessert: x => x, part: x => x, made: x => x }, counter(kind))
const stepsOf = (kind: DessertKind, has: ReadonlySet<string> = ALL) => stepsOfPlate(make(kind), kitchen, has)
const named = (all: readonly StepInput[], name: string) => all.find(s => s.name === name)!
/** All that must be over before a step, by id. */
function before(all: readonly StepInput[], id: string): Set<string> {
  const s = all.find(x => x.id === id)!
  return new Set((s.after ?? []).flatMap(a => [a, ...before(all, a)]))
}

describe('a whole dessert as steps', () => {
  it('is what a formula of several parts becomes; one of a filling alone keeps its own order', () => {
    expect(stepsOfFormula(make('trifle'), kitchen, null, ALL).map(s => ({ ...s, warm: undefined }))).toEqual(stepsOf('trifle'))
    expect(stepsOfFormula(make('crustBar'), kitchen, null, ALL).some(s => s.name.startsWith('build:'))).toBe(false)
  })
  it.each(['trifle', 'mousseCake', 'filledSponge', 'curdRoll', 'pavlova', 'filledChoux', 'possetJelly'] as const)(
    '%s: every step follows one that is there, none itself; every step of building is in order', (kind) => {
      const all = stepsOf(kind)
      const ids = all.map(s => s.id!)
      expect(new Set(ids).size).toBe(ids.length)
      for (const s of all) {
        for (const a of s.after ?? []) expect(ids.indexOf(a), s.name).toBeLessThan(ids.indexOf(s.id!))
        expect(s.minutesSlow!, s.name).toBeGreaterThanOrEqual(s.minutes - 1e-9)
        expect(s.attended as number, s.name).toBeLessThanOrEqual(s.minutes + 1e-9)
      }
      const codes = all.filter(s => s.name.startsWith('build:')).map(s => s.name.split(' · ')[0]!.slice('build:'.length))
      const built = plateOf(make(kind), kitchen).build.map(b => b.code)
      expect(built.filter(c => codes.includes(c))).toEqual(codes)
    })
  it('parts are made side by side: neither curd nor custard waits for the other to be cooked', () => {
    const all = stepsOf('trifle')
    const custard = all.find(s => s.name === 'boilStarch · custard')!
    const curd = all.find(s => s.name.startsWith('heat') && s.name.endsWith('Filling'))!
    expect(before(all, custard.id!).has(curd.id!)).toBe(false)
    expect(before(all, curd.id!).has(custard.id!)).toBe(false)
    // Poured, it waits for the curd to carry it.
    const pour = named(all, 'build:pour · custard')
    expect(before(all, pour.id!)).toContain(named(all, 'build:set · Filling').id)
  })
  it('an insert freezes by itself, and only laying it in waits for it', () => {
    const all = stepsOf('mousseCake')
    const freeze = named(all, 'build:freezeInsert · insert')
    expect(before(all, named(all, 'build:line · spongeBase').id!).has(freeze.id!)).toBe(false)
    expect(before(all, named(all, 'build:layFrozen · insert').id!).has(freeze.id!)).toBe(true)
    expect(freeze.uses!.map(u => u.kind)).toEqual(['freezer'])
    expect(named(all, 'build:thaw · mousseCake').uses!.map(u => u.kind)).toEqual(['fridge'])
  })
  it('takes of the equipment what the day names, and nothing else', () => {
    const kinds = (has: ReadonlySet<string>) => new Set(stepsOf('mousseCake', has).flatMap(s => s.uses!.map(u => u.kind)))
    expect(kinds(new Set())).toEqual(new Set())
    expect(kinds(new Set(['freezer']))).toEqual(new Set(['freezer']))
  })
  it('a drying meringue keeps its door shut; more vessels take more hands, the cold stays what it is', () => {
    const dry = stepsOf('pavlova').filter(s => s.uses!.some(u => u.closed)).map(s => s.name)
    expect(dry).toEqual(['part:dryOut · meringueDry', 'part:coolInOven · meringueDry'])
    const two = stepsOfPlate(putBack(forCovers(benchOf(make('filledSponge')), kitchen, 20)), kitchen, ALL)
    const one = stepsOf('filledSponge')
    const [a, b] = [one, two].map(all => named(all, 'build:pour · Filling').attended as number)
    expect(b!).toBeGreaterThan(a!)
  })
  it('a mousse cake for supper is begun the day before, and served in time nine times in ten', () => {
    const shift = (day: string) => ({ from: `2026-11-${day}T08:00`, to: `2026-11-${day}T20:00` })
    const plan = planOf({
      date: '2026-11-28', hands: [{ name: 'Ines', shifts: [shift('27'), shift('28')] }],
      equipment: [...ALL].map(kind => ({ id: kind, kind, capacity: kind === 'oven' || kind === 'ring' ? 1 : 10 })),
      desserts: [{ id: 'cake', name: 'cake', serveAt: '2026-11-28T19:00', keepMinutes: 60, steps: stepsOf('mousseCake') }],
    })
    expect(plan.feasible).toBe(true)
    expect(plan.chanceOnTime.cake).toBeGreaterThanOrEqual(0.9)
    const startOf = (code: string) => plan.tasks.find(t => t.name.startsWith(code))!.start
    expect(startOf('build:freezeWhole').startsWith('2026-11-27')).toBe(true)
    expect(startOf('serve').startsWith('2026-11-28T18')).toBe(true)
  })
})
