import { describe, expect, it } from 'vitest'
import { counter, formula, kitchen, YOLK_CURD } from '../../tests/support/core'
import type { InputError } from '../base/errors'
import { celsiusToFahrenheit, fahrenheitToCelsius, kelvinToFahrenheitDifference, SYSTEM_ML } from '../base/units'
import { createFormula, defaultUse, line } from '../formula/create'
import older from '../checks/older.json'
import { benchOf, fillingOf, putBack, vesselOf } from '../formula/bench'
import { SCHEMA_VERSION, type School, SCHOOLS } from '../formula/document'
import { plannedOf } from '../../tests/support/golden'
import { scaleFormula } from '../formula/edits'
import { migrate } from '../formula/migrate'
import { stepsFor } from '../formula/steps'
import { suggestSchool } from '../formula/suggest'
import { plainVessel } from '../physics/geometry/cavity'
import { evaporate, mix } from '../physics/matter/mix'
import { USE_KINDS } from '../physics/set/bands'
import { suggestTarget } from '../solve/target'
import { assess } from './assess'
import { mixPlanOf } from './mixPlan'

describe('migration', () => {
  it.each(older.files.map(f => [f.version, f.name, f.document] as const))(
    'version %i, %s: the engine takes it, and the file stays as it was',
    (_, __, document) => {
      const before = JSON.stringify(document)
      const bench = benchOf(plannedOf(document))
      expect(assess(bench, kitchen).schemaVersion).toBe(SCHEMA_VERSION)
      expect(bench.serve.startAt).toBe(document.serve.startAt)
      expect(JSON.stringify(document)).toBe(before)
    },
  )
  it('version 1: the use was a word with its measures beside it, the hold in minutes', () => {
    const old = older.files.find(f => f.version === 1)!.document as unknown as Record<string, number> & {
      heat: { holdMin: number }
    }
    const doc = benchOf(plannedOf(old))
    expect(doc.use).toEqual({
      kind: old.use,
      pieceHeightM: old.pieceHeightM,
      pieceWidthM: old.pieceWidthM,
      tableTempC: old.tableTempC,
      tableTimeS: old.tableTimeS,
    })
    expect(doc.heat.holdS).toBe(60 * old.heat.holdMin)
    expect(doc).not.toHaveProperty('pieceHeightM')
  })
  it('leaves a present document as it is', () => {
    const { formula: present, occasion } = putBack(formula())
    expect(migrate({ formula: present, occasion })).toEqual({ formula: present, occasion, kitchen: null })
    expect(migrate(present)).toEqual({ formula: present, occasion: null, kitchen: null })
  })
  it.each([
    [null, 'format'],
    [{ format: 'other' }, 'format'],
    [{ format: 'lumbik-formula' }, 'version'],
    [{ format: 'lumbik-formula', version: SCHEMA_VERSION + 1 }, 'version'],
    [{ format: 'lumbik-formula', version: 1.5 }, 'version'],
  ])('refuses %j at %s', (input, path) => {
    try {
      migrate(input)
      expect.unreachable()
    } catch (error) {
      expect((error as InputError).path).toBe(path)
    }
  })
})

describe('making a formula', () => {
  const lines = [
    line('a', 'yolk_sep', 100),
    line('b', 'sugar', 100),
    line('c', 'lemon', 100),
    line('d', 'butter82', 60),
  ]
  it.each(SCHOOLS)('%s: every line has its step, and the plan can be assessed', (school) => {
    const doc = createFormula({ name: 'x', school, use: defaultUse('spooned'), lines }, kitchen, counter())
    const ids = fillingOf(doc).steps.flatMap(s => ('lineIds' in s ? s.lineIds : []))
    expect([...ids].sort()).toEqual(['a', 'b', 'c', 'd'])
    expect(() => assess(doc, kitchen)).not.toThrow()
  })
  it('butter goes in late on the bath, from the start over direct heat', () => {
    expect(stepsFor('yolkBath', lines, counter()).find(s => s.kind === 'stirIn')).toMatchObject({ lineIds: ['d'] })
    expect(stepsFor('wholeEggTempered', lines, counter()).some(s => s.kind === 'stirIn')).toBe(false)
  })
  it('whites go into a hot pot only where egg sets it: else they are beaten and folded in before it is poured', () => {
    const of = (school: School, grams: Record<string, number>) => {
      const lines = Object.entries(grams).map(([id, g]) => line(id, id, g))
      const steps = stepsFor(school, lines, counter())
      const at = (kind: string) => steps.find(s => s.kind === kind && 'lineIds' in s && s.lineIds.includes('white'))
      return { steps, pot: at('combine'), fold: at('foldIn') }
    }
    const pie = of('juiceAfter', { water: 300, cornflour: 40, yolk_sep: 60, lemon: 90, white: 100 })
    expect(pie.pot).toBeUndefined()
    expect(pie.fold).toMatchObject({ lineIds: ['white'], mixTempC: { given: 40 } })
    expect(pie.steps.findIndex(s => s === pie.fold)).toBe(pie.steps.findIndex(s => s.kind === 'pour') - 1)
    // A curd is set by its egg, whites too; a soufflé folds them once; whites alone are what there is to heat.
    expect(of('yolkBath', { white: 60, yolk_sep: 60, sugar: 90, lemon: 90 }).pot).toBeDefined()
    const folds = of('coldSouffle', { yolk_sep: 60, sugar: 90, lemon: 60, cream36: 200, gelatin: 6, white: 90 })
    expect(folds.steps.filter(s => s.kind === 'foldIn' && s.lineIds.includes('white'))).toHaveLength(1)
    expect(of('juiceAfter', { white: 100 }).pot).toBeDefined()
  })
  it.each(USE_KINDS)('a %s use brings a vessel the batch can be put in', (kind) => {
    const doc = createFormula({ name: 'x', school: 'yolkBath', use: defaultUse(kind), lines }, kitchen, counter())
    expect(doc.components.some(c => c.role === 'crust')).toBe(kind === 'cut')
    expect(assess(doc, kitchen).shape.depthM).toBeGreaterThan(0)
  })
  it('suggests the way of making that fits, and a target that sets without grain', () => {
    expect(suggestSchool(lines)).toBe('yolkBath')
    expect(suggestSchool([line('e', 'egg', 200), line('s', 'sugar', 100)])).toBe('wholeEggTempered')
    expect(suggestSchool([...lines, line('z', 'butter82', 200)])).toBe('emulsified')
    const doc = createFormula(
      { name: 'x', school: 'yolkBath', use: defaultUse('spooned'), lines },
      kitchen,
      counter(),
    )
    doc.heat.targetTempC = suggestTarget(doc, kitchen)
    const a = assess(doc, kitchen)
    expect(a.heat.a).toBeGreaterThan(0.95)
    expect(a.heat.b).toBeLessThan(0.15)
    // A degree less would not do, unless 75 °C held it up.
    const cooler = assess({ ...doc, heat: { ...doc.heat, targetTempC: doc.heat.targetTempC - 1 } }, kitchen)
    expect(cooler.heat.setting.at(-1)! < 0.95 || doc.heat.targetTempC === 75).toBe(true)
  })
  it('scales every line and nothing else', () => {
    const doc = formula()
    const twice = scaleFormula(doc, 2)
    expect(fillingOf(twice).lines.map(l => l.massG)).toEqual(Object.values(YOLK_CURD).map(g => 2 * g))
    expect({ ...twice, components: 0 }).toEqual({ ...doc, components: 0 })
  })
  it('late lines are told apart by the steps', () => {
    const s = mixPlanOf(formula(), kitchen)
    expect(s.additions).toHaveLength(1)
    expect(s.additions[0]!.parts.map(p => p.row.id)).toEqual(['butter82'])
    expect(s.cooked).toHaveLength(3)
  })
  it('steam takes water only, and never the last of it', () => {
    const m = mix(mixPlanOf(formula(), kitchen).all)
    expect(evaporate(m, 20).massG).toBeCloseTo(m.massG - 20, 9)
    expect(evaporate(m, 1e6).grams.water).toBeCloseTo(1, 9)
    expect(evaporate(m, 20).grams.sucrose).toBe(m.grams.sucrose)
  })
})

describe('vessels of the kitchen', () => {
  it('the kitchen\'s own vessel counts before the snapshot', () => {
    const ring = plainVessel('tartRing', 'metal', 0.24, 0.24, 0.035)
    const doc = formula(YOLK_CURD, (d) => {
      d.assembly.vesselId = 'v'
    })
    expect(vesselOf(doc, kitchen)).toBe(doc.assembly.vessel)
    expect(vesselOf(doc, { ...kitchen, vessels: [{ id: 'v', name: 'own', ...ring }] }).lengthM).toBe(0.24)
  })
})

describe('units', () => {
  it('degrees, and differences of degrees without the 32', () => {
    expect(celsiusToFahrenheit(177)).toBeCloseTo(350.6, 1)
    expect(fahrenheitToCelsius(350)).toBeCloseTo(176.7, 1)
    expect(kelvinToFahrenheitDifference(5)).toBe(9)
  })
  it('cups of four countries (NIST Handbook 44; metric definitions)', () => {
    expect(SYSTEM_ML.us.cup).toBeCloseTo(236.588, 3)
    expect(SYSTEM_ML.us.tablespoon * 16).toBeCloseTo(SYSTEM_ML.us.cup, 2)
    expect(SYSTEM_ML.australian.tablespoon).toBe(20)
    expect(SYSTEM_ML.imperial.cup).toBeCloseTo(284.131, 3)
  })
})
