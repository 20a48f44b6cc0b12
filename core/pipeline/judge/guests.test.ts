/** Egg that is not cooked: a stop from the shell and for guests at risk, a word of care for pasteurised egg. */
import { describe, expect, it } from 'vitest'
import { findIngredient } from '../../base/ingredients/ingredients'
import { EMPTY_LABEL, ownId } from '../../base/ingredients/label'
import type { Bench } from '../../formula/bench'
import { line } from '../../formula/create'
import { plainMake, withPart } from '../../formula/parts'
import type { School } from '../../formula/document'
import { counter, type Grams, kitchen, make } from '../../../tests/support/core'
import { assess } from '../assess'
import type { FindingCode } from '../assessment'

const severity = (doc: Bench, code: FindingCode) => assess(doc, kitchen).findings.find(f => f.code === code)?.severity
const guests = (d: Bench) => void (d.use = { ...d.use, guestsAtRisk: true })
const both = (school: School, grams: Grams, code: FindingCode, edit: (d: Bench) => void = () => {}) => [
  severity(make(school, edit, grams), code),
  severity(make(school, (d) => {
    edit(d)
    guests(d)
  }, grams), code),
]

describe('egg that is not cooked', () => {
  it.each([['white', 'stop'], ['white_carton', 'look']] as const)('folded in cold: %s is a %s, for guests at risk a stop', (id, plain) => {
    expect(both('beatenWhites', { cream36: 200, [id]: 100, sugar: 60, lemon: 40 }, 'rawEgg')).toEqual([plain, 'stop'])
  })
  it.each([['yolk_sep', 'stop'], ['yolk', 'look']] as const)('stirred cold into condensed milk: %s is a %s', (id, plain) => {
    expect(both('chillOnly', { condensed: 400, lime: 120, [id]: 70 }, 'rawEgg')).toEqual([plain, 'stop'])
  })
  it('white from the shell replaced by a carton is no stop any more; yolks cooked enough beside it are none either', () => {
    const grams = { yolk_sep: 80, sugar: 120, lemon: 100, gelatin: 8, cream36: 250 }
    const codes = (id: string) => assess(make('coldSouffle', undefined, { ...grams, [id]: 100 }), kitchen).findings
      .filter(f => f.severity === 'stop' && ['rawEgg', 'lethalityLow'].includes(f.code)).map(f => f.code)
    expect(codes('white')).toEqual(['rawEgg'])
    expect(codes('white_carton')).toEqual([])
  })
  it('cooked too little: yolks from the shell stop it, a carton of yolk is a word of care', () => {
    const low = (d: Bench) => void Object.assign(d.heat, { targetTempC: 62, holdS: 0 })
    const curd = (id: string) => ({ [id]: 170, sugar: 170, lemon: 170, butter82: 85 })
    expect(both('yolkBath', curd('yolk_sep'), 'lethalityLow', low)).toEqual(['stop', 'stop'])
    expect(both('yolkBath', curd('yolk'), 'lethalityLow', low)).toEqual(['look', 'stop'])
  })
  it('on top: pasteurised white is a word of care, for guests at risk a stop', () => {
    const pie = (edit: (d: Bench) => void = () => {}) => {
      const d = withPart(make('lowOven'), kitchen, 'topping', plainMake('meringueCold'), counter(), 'Meringue')
      edit(d)
      return severity(d, 'rawTopping')
    }
    expect([pie(), pie(guests)]).toEqual(['look', 'stop'])
  })
})

describe('what is laid in is told too', () => {
  const dessert = (lines: Record<string, number>) => {
    const d = make('yolkBath')
    const own = Object.entries(lines).map(([ingredientId, massG], i) => line(`l${i}`, ingredientId, massG))
    return { ...d, components: [...d.components, { id: 'x', role: 'sauce' as const, name: '', lines: own, steps: [] }] }
  }
  const codes = (lines: Record<string, number>) => assess(dessert(lines), kitchen).findings.map(f => f.code)
  it('gelatine, grapefruit and spirit of a sauce, as of a filling; none of them otherwise', () => {
    const TOLD = ['animalGelatin', 'medicines', 'alcohol']
    expect(codes({ raspberry: 100, sugar: 20 }).filter(c => TOLD.includes(c))).toEqual([])
    expect(codes({ raspberry: 100, gelatin: 2 })).toContain('animalGelatin')
    expect(codes({ grapefruit: 100, sugar: 20 })).toContain('medicines')
    expect(codes({ spirit: 100, sugar: 20 })).toContain('alcohol')
    const pack = ownId({ ...EMPTY_LABEL, name: 'Pack', sugars: 20, carbs: 20, set: 80, tells: ['gelatine', 'medicines'] })
    expect(codes({ [pack]: 100 })).toEqual(expect.arrayContaining(['animalGelatin', 'medicines']))
  })
  it('a filling’s own wine is told once', () => {
    const wine = assess(make('wine', undefined, { cream36: 600, sugar: 95, wine_late: 160, lemon: 20 }), kitchen)
    expect(wine.findings.filter(f => f.code === 'alcohol')).toHaveLength(1)
  })
  it('alcohol over half a percent of the part, just under and just over', () => {
    const ethanol = findIngredient('spirit')!.ethanol!
    const share = (percent: number) => codes({ spirit: percent, water: ethanol - percent }).includes('alcohol')
    expect([share(0.49), share(0.51)]).toEqual([false, true])
  })
})
