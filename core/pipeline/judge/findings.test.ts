/**
 * What every finding is: where it is told, which field it points at, which figures it brings. The table stands in
 * `core/checks/findings.json`; the formulas are the kept ones and those that fail on purpose.
 */
import { describe, expect, it } from 'vitest'
import { formula, kitchen, MADE, make } from '../../../tests/support/core'
import { plannedOf } from '../../../tests/support/golden'
import golden from '../../checks/golden.json'
import table from '../../checks/findings.json'
import { type Bench, benchOf, fillingOf } from '../../formula/bench'
import { line } from '../../formula/create'
import { plainMake, withPart } from '../../formula/parts'
import { assess } from '../assess'
import { type Finding, stationOfPath } from '../assessment'

let n = 0
const id = () => `f${++n}`
/** Formulas that go wrong in ways the kept ones do not. */
const WRONG: Bench[] = [
  formula(undefined, d => void (d.serve.claimDays = 60)),
  formula(undefined, d => void (d.heat.pan = { panId: null, diameterM: 0.1, heightM: 0.05, tareG: null })),
  formula(undefined, d => void Object.assign(d.assembly.vessel, { material: 'glass' })),
  formula(undefined, d => void (d.chill = d.chill.slice(0, 1))),
  formula(undefined, d => void (d.assembly.count = 60)),
  formula(undefined, d => void Object.assign(d.use, { tableTimeS: 5 * 3600, tableTempC: 30 })),
  withPart(formula(), kitchen, 'topping', plainMake('meringueCold'), id, 'Meringue'),
  withPart(formula(), kitchen, 'topping', plainMake('meringueBoiled'), id, 'Meringue'),
  make('microwave', d => void (d.heat.burstS = 120)),
  make('yolkBath', d => void (d.heat.method = 'sousVide')),
  make('lowOven', d => void Object.assign(d.heat.oven, { steam: 0.5 })),
  make('tartlets', d => void Object.assign(d.heat.oven, { atOnce: 6 })),
  make('lowOven', d => void Object.assign(d.assembly.vessel, { material: 'glass' })),
  make('boiled', d => void (d.heat.pan = { panId: null, diameterM: 0.12, heightM: 0.06, tareG: null })),
  make('reduced', undefined, { ...MADE.reduced, lemon: 260 }),
  make('setCream', undefined, { ...MADE.setCream, lemon: 160 }),
  make('juiceAfter', d => void (d.heat.targetTempC = 70)),
  make('wine', undefined, { ...MADE.wine, wine_late: 400 }),
  make('boiled', undefined, { cream36: 250, milk: 350, sugar: 110, lemon: 90 }),
  make('milkPudding', d => void Object.assign(d.heat, { targetTempC: 76, holdS: 0 }), {
    milk: 450, sugar: 80, cornflour: 40, yolk_sep: 60,
  }),
  make('setCream', d => void (d.heat.targetTempC = 60), { ...MADE.setCream, kiwi: 60 }),
  make('foldedMousse', d => void Object.assign(fillingOf(d).steps.find(s => s.kind === 'foldIn')!, { lineTempC: 16 })),
  make('foldedMousse', d => void Object.assign(fillingOf(d).steps.find(s => s.kind === 'foldIn')!, { peak: 'firm' })),
  make('setCream', (d) => {
    d.use.kind = 'turnedOut'
    Object.assign(d.assembly.vessel, { kind: 'tartRing', material: 'ceramic' })
  }, { ...MADE.setCream, gelatin: 0.8 }),
  make('whippedAcid', undefined, { creme_fr: 100, lemon: 40, sugar: 160, cream36: 120 }),
  withPart(formula(), kitchen, 'topping', { ...plainMake('meringueCold'), ratio: 2.2 }, id, 'Meringue'),
  make('yolkBath', d => void (d.heat.stirEveryS = 900)),
  formula(undefined, (d) => {
    Object.assign(d.assembly, { built: 'roll', crustM: 0.03 })
    const lines = [line('re', 'egg', 200), line('rs', 'sugar', 110), line('rf', 'flour', 80)]
    d.components.push({ id: 'r', role: 'crust', name: 'Sheet', lines, steps: [], make: plainMake('rollSheet') })
  }),
]
const grapefruit = formula()
grapefruit.components[0]!.lines.push(line('g', 'grapefruit', 60), line('z', 'zest', 40))
const all: Bench[] = [...golden.cases.map(c => benchOf(plannedOf(c.document))), ...WRONG, grapefruit]

/** A field of a bench by its path; undefined where there is none. */
const fieldOf = (bench: Bench, path: string): unknown =>
  path.split('.').reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], bench)
const shapeOf = (f: Finding) => ({
  station: f.station,
  path: f.path.replace(/\.\d+(?=\.|$)/g, '.*'),
  params: Object.keys(f.params).sort(),
})
const found = all.flatMap(bench => assess(bench, kitchen).findings.map(f => ({ bench, f })))

describe('findings', () => {
  it('of more than forty kinds are met, each as the table has it', () => {
    const codes = new Set(found.map(x => x.f.code))
    expect(codes.size).toBeGreaterThan(40)
    const off = found.filter(({ f }) => {
      const rows = (table as Record<string, unknown[]>)[f.code] ?? []
      return !rows.some(row => JSON.stringify(row) === JSON.stringify(shapeOf(f)))
    })
    expect([...new Set(off.map(x => `${x.f.code} ${JSON.stringify(shapeOf(x.f))}`))]).toEqual([])
    expect(Object.keys(table).filter(code => !codes.has(code as Finding['code']))).toEqual([])
  })
  it('point at a field that is there, and figures are numbers', () => {
    for (const { bench, f } of found) {
      expect(fieldOf(bench, f.path), `${f.code} ${f.path}`).toBeDefined()
      for (const [key, value] of Object.entries(f.params))
        expect(typeof value === 'string' || Number.isFinite(value), `${f.code}.${key} ${value}`).toBe(true)
    }
  })
})

it.each([
  ['assembly.count', 'shape'], ['losses.panG', 'shape'], ['heat.holdS', 'heat'], ['set.bloom', 'heat'],
  ['chill.0', 'chill'], ['serve.startAt', 'serve'], ['use.kind', 'serve'], ['components.0.lines', 'balance'],
])('%s is changed at %s', (path, station) => expect(stationOfPath(path)).toBe(station))
