import { describe, expect, it } from 'vitest'
import { counter, formula, kitchen, YOLK_CURD } from '../../tests/support/core'
import { fillingOf, type Bench } from '../formula/bench'
import { plainMake, withPart } from '../formula/parts'
import { assess } from '../pipeline/assess'
import { labelFacts } from './label'

const label = (d: Bench) => labelFacts(d, kitchen, assess(d, kitchen))

describe('a label', () => {
  it('lists ingredients of every part by weight, each with what it brings', () => {
    const doc = withPart(
      formula({ ...YOLK_CURD, lemon: 180 }),
      kitchen,
      'topping',
      plainMake('whippedTop'),
      counter('t'),
      'Cream',
    )
    const { ingredients, allergens } = label(doc)
    const grams = (id: string) =>
      doc.components
        .flatMap(c => c.lines)
        .filter(l => l.ingredientId === id)
        .reduce((s, l) => s + l.massG, 0)
    const ids = ingredients.map(i => i.ingredientId)
    for (let i = 1; i < ids.length; i++) expect(grams(ids[i - 1]!)).toBeGreaterThanOrEqual(grams(ids[i]!))
    expect(ingredients.find(i => i.ingredientId === 'yolk_sep')!.allergens).toEqual(['egg'])
    expect(ids).toContain('cream36')
    expect(allergens).toEqual(['egg', 'milk'])
  })
  it('a crust of no formula counts as wheat and butter; one with lines as what it is', () => {
    const plain = formula(YOLK_CURD, (d) => {
      d.assembly.crustM = 0.004
    })
    expect(label(plain)).toMatchObject({ plainCrust: true, allergens: ['egg', 'milk', 'gluten'] })
    const crumb = withPart(plain, kitchen, 'crust', plainMake('crumbChilled'), counter('c'), 'Crumb')
    expect(label(crumb).plainCrust).toBe(false)
    expect(label(crumb).ingredients.map(i => i.ingredientId)).toContain('digestive')
  })
  it('says when it was made, by when it is eaten, from which lots, and what a guest must be told', () => {
    const doc = formula({ cream36: 300, sugar: 60, white: 80, lemon: 40 }, () => {}, {
      school: 'beatenWhites',
      use: 'glass',
    })
    fillingOf(doc).lines.find(l => l.ingredientId === 'lemon')!.strength = {
      kind: 'lot',
      lotId: 'x',
      name: 'Vine house crate',
      acidPercent: 5,
    }
    expect(label(doc)).toMatchObject({
      madeOn: '2026-11-28',
      useBy: '2026-11-28',
      storageDays: 1,
      holdC: 5,
      lots: ['Vine house crate'],
      warnings: ['rawEgg'],
    })
    expect(label({ ...doc, serve: { ...doc.serve, startAt: '' } })).toMatchObject({ madeOn: null, useBy: null })
  })
})
