/** The table of parameters: whole, bounded, and each one wired to the figures it stands for. */
import { describe, expect, it } from 'vitest'
import { type Bench, benchOf, fillingOf } from '../formula/bench'
import type { ChillLeg } from '../formula/document'
import { assess } from '../pipeline/assess'
import type { Cover, PlaceKind } from '../physics/thermal/places'
import { MADE, make } from '../../tests/support/core'
import { figuresOf, goldenDocuments, KITCHENS } from '../../tests/support/golden'
import type { InputError } from './errors'
import {
  PARAMETER_IDS, type ParameterId, parameterRow, type Parameters, parametersWith, setName, STANDARD, stepped,
} from './parameters'

/** What the common formulas never do: fans and baths in the oven, ice, lids, a freezer, whites alone, live amylase. */
function rare(): { name: string, kitchen: string, bench: Bench }[] {
  const leg = (kind: PlaceKind, airTempC: number, hours: number, cover: Cover = 'film'): ChillLeg =>
    ({ id: `${kind}${hours}`, placeId: null, place: { kind, airTempC }, timeS: hours * 3600, cover })
  const cold = (...chill: ChillLeg[]) => (d: Bench) => { d.chill = chill }
  const frozen = cold(leg('freezer', -18, 8), leg('fanFridge', 3, 12))
  const acidAgar = (d: Bench) => {
    const filling = fillingOf(d)
    filling.steps = [{ id: 'c', kind: 'combine', lineIds: filling.lines.map(l => l.id) }, { id: 'k', kind: 'cook' }]
  }
  const scaledTo = (school: 'yolkBath' | 'lowOven', by: number) =>
    Object.fromEntries(Object.entries(MADE[school]).map(([id, g]) => [id, g * by]))
  return [
    make('lowOven', (d) => { d.heat.oven.fan = true }),
    make('lowOven', (d) => { d.heat.oven.bath = true }),
    make('yolkBath', cold(leg('walkIn', 3, 1), leg('blastChiller', -2, 1, 'lid'), leg('iceBath', 0.5, 12))),
    make('yolkBath', cold(leg('iceBath', 0.5, 0.5), leg('fanFridge', 3, 12))),
    make('yolkBath', undefined, scaledTo('yolkBath', 20)),
    make('juiceAfter', frozen),
    make('cooledBase', frozen),
    // Amylase half alive.
    make('milkPudding', (d) => { Object.assign(d.heat, { targetTempC: 76, holdS: 20 }) }, {
      milk: 450, sugar: 80, cornflour: 40, yolk_sep: 60,
    }),
    make('blendedGel', acidAgar),
    make('foldedMousse', undefined, { choc_white: 200, cream36: 200, lemon: 40, gelatin: 3 }),
    make('blendedGel', undefined, { lemon: 200, sugar: 600, water: 100, pectin: 9 }),
    make('yolkBath', (d) => { d.heat.method = 'sousVide' }),
    make('yolkBath', (d) => { Object.assign(d.heat, { method: 'direct', burnerW: 300, burnerId: 'hob' }) }),
    make('tartlets', (d) => { d.heat.oven.atOnce = 24 }, undefined),
    make('lowOven', (d) => { Object.assign(d.assembly, { count: 12 }); d.heat.oven.atOnce = 12 }, scaledTo('lowOven', 12)),
    make('yolkBath', (d) => { d.chill.forEach((l) => { l.opensPerHour = 20 }) }),
    make('beatenWhites', (d) => { d.set.air = { given: 0.7 } }),
    make('wholeEggTempered', undefined, { white: 240, sugar: 200, lemon: 200, butter82: 115 }),
  ].map((bench, i) => ({ name: `rare ${i}`, kitchen: 'tests', bench }))
}
const documents = [
  ...goldenDocuments().map(({ name, kitchen, document }) => ({ name, kitchen, bench: benchOf(document) })),
  ...rare(),
]
const figuresWith = (p: Parameters, i: number) => {
  const { bench, kitchen } = documents[i]!
  return JSON.stringify(assess(bench, KITCHENS[kitchen]!, p))
}
const plain = documents.map((_, i) => figuresWith(STANDARD, i))

describe('the table', () => {
  it.each(PARAMETER_IDS)('%s: inside its bounds, with spread, unit and source', (id) => {
    const row = parameterRow(id)
    expect(row.value).toBeGreaterThanOrEqual(row.min)
    expect(row.value).toBeLessThanOrEqual(row.max)
    expect(row.spread).toBeGreaterThan(0)
    expect(row.source.length * row.what.length).toBeGreaterThan(0)
    expect(['H', 'M', 'L']).toContain(row.confidence)
  })
  it('one σ is an amount, or a factor', () => {
    expect(stepped('egg.t60ShiftK', 0, 1)).toBe(1.8)
    expect(stepped('setting.pace', 1, 1)).toBeCloseTo(1.5, 12)
    expect(stepped('set.eggPa', 26, -2)).toBeCloseTo(26 * Math.exp(-0.7), 12)
  })
  it('one replaced leaves the others; what is unknown or impossible is named', () => {
    const p = parametersWith({ 'egg.settingZK': 5.8 })
    expect([p.egg.settingZK, p.egg.oversettingZK, p.set]).toEqual([5.8, 3.2, STANDARD.set])
    const fails = (changes: Partial<Record<string, number>>) => {
      try {
        parametersWith(changes)
        return null
      } catch (error) {
        const { code, path } = error as InputError
        return [code, path]
      }
    }
    const { min, max } = parameterRow('egg.settingZK')
    expect(fails({ 'egg.zK': 5 })).toEqual(['unknownValue', 'parameters.egg.zK'])
    expect(fails({ 'egg.settingZK': Number.NaN })).toEqual(['notANumber', 'parameters.egg.settingZK'])
    expect(fails({ 'egg.settingZK': 0.99 * min })).toEqual(['tooSmall', 'parameters.egg.settingZK'])
    expect(fails({ 'egg.settingZK': 1.01 * max })).toEqual(['tooLarge', 'parameters.egg.settingZK'])
    expect(fails({ 'egg.settingZK': min })).toBeNull()
  })
})

it('a set has a name of its own: the same for the same values, another for any other', () => {
  expect(setName(parametersWith({}))).toBe(setName(STANDARD))
  const names = PARAMETER_IDS.map(id => setName(parametersWith({ [id]: stepped(id, parameterRow(id).value, 0.01) })))
  expect(new Set([...names, setName(STANDARD)]).size).toBe(PARAMETER_IDS.length + 1)
})

describe('every parameter', () => {
  /** Formulas that hardly anything else is asked of stand at the end: the common ones are tried first. */
  it.each(PARAMETER_IDS)('%s moves the assessment of some formula', (id: ParameterId) => {
    const moved = parametersWith({ [id]: stepped(id, parameterRow(id).value, 1) })
    expect(documents.some((_, i) => figuresWith(moved, i) !== plain[i])).toBe(true)
  })
  it('and the table\'s own values are what counts where nothing is said', () => {
    const { bench, kitchen } = documents[0]!
    expect(figuresOf(bench, KITCHENS[kitchen]!)['cold.yieldStressPa'])
      .toBe(assess(bench, KITCHENS[kitchen]!, parametersWith({})).verdict.cold.tauPa.value)
  })
})
