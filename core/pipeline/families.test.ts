/** Kinds of dessert and ways of making as data, and the ways they fail. */
import { describe, expect, it } from 'vitest'
import { counter, type Grams, kitchen, MADE, make } from '../../tests/support/core'
import { findIngredient } from '../base/ingredients/ingredients'
import { DENSITIES, FRUITS } from '../base/ingredients/measures'
import { INGREDIENTS } from '../base/ingredients/table'
import { ALLERGENS } from '../base/ingredients/types'
import { line } from '../formula/create'
import { fillingOf, type Bench } from '../formula/bench'
import { FAMILIES, type School, SCHOOLS } from '../formula/document'
import { withSchool } from '../formula/edits'
import { FAMILY_FACTS, familyOf, sourCentreOf } from '../formula/families'
import { schoolOf } from '../formula/schools'
import { renewSteps } from '../formula/steps'
import { suggestFamily, suggestSchool } from '../formula/suggest'
import { plainVessel } from '../physics/geometry/cavity'
import type { UseKind } from '../physics/set/bands'
import { MECHANISMS } from '../physics/set/firmness'
import { assess } from './assess'
import type { FindingCode } from './assessment'

const codes = (doc: Bench): FindingCode[] => assess(doc, kitchen).findings.map(f => f.code)

it('chickpea water beats like white: it holds a fool up, and no egg is raw in it', () => {
  const fool = (foam: string) =>
    assess(make('beatenWhites', undefined, { cream36: 200, [foam]: 100, sugar: 60, lemon: 40 }), kitchen)
  const [plant, egg] = [fool('aquafaba'), fool('white')]
  expect(plant.set.making.whiteFoam).toBe(true)
  expect(plant.set.making.air).toBeCloseTo(egg.set.making.air, 6)
  expect(plant.findings.map(f => f.code)).not.toContain('rawEgg')
  expect(egg.findings.map(f => f.code)).toContain('rawEgg')
})

describe('kinds of dessert', () => {
  it.each(FAMILIES)(
    '%s: its ways of making are its own, it is heated and served somehow, and something sets it',
    (family) => {
      const f = familyOf(family)
      expect(f.schools.every(s => schoolOf(s).family === family)).toBe(true)
      expect(f.methods.length * f.uses.length * f.sets.length).toBeGreaterThan(0)
      for (const s of f.schools) expect(f.methods).toContain(schoolOf(s).heat.method)
    },
  )
  it('every way of making belongs to exactly one kind, and says what it gives, costs and is for', () => {
    expect(
      Object.values(FAMILY_FACTS)
        .flatMap(f => [...f.schools])
        .sort(),
    ).toEqual([...SCHOOLS].sort())
    for (const s of SCHOOLS)
      expect(schoolOf(s).gives.length * schoolOf(s).costs.length * schoolOf(s).decides.length).toBeGreaterThan(0)
    expect(sourCentreOf('curd', 'emulsified')).toBe(3.2)
  })
  const sets = SCHOOLS.filter(s => schoolOf(s).family !== 'fruit')
  it.each(sets)('%s: made from its defaults it sets by what its kind is meant to be set by', (school) => {
    const a = assess(make(school), kitchen)
    const { mechanismsPa } = a.verdict.cold
    const meant = familyOf(schoolOf(school).family).sets.reduce((s, k) => s + mechanismsPa[k], 0)
    expect(a.verdict.cold.tauPa.value).toBeGreaterThan(10)
    expect(meant).toBeGreaterThan(0.5 * MECHANISMS.reduce((s, k) => s + mechanismsPa[k], 0))
    expect(['runny', 'grainy']).not.toContain(a.verdict.code)
  })
  // A lightened curd's lines are a curd's and cream: only its method, or the cook, tells it from a curd.
  // Fruit in its juice and roasted fruit have a coulis's lines, and are fruit all the same.
  it.each(Object.entries(MADE).filter(([s]) => s !== 'lightenedCurd'))('%s is recognised by its lines', (school, grams) => {
    const lines = Object.entries(grams).map(([i, g], k) => line(`l${k}`, i, g))
    expect(suggestFamily(lines)).toBe(schoolOf(school as School).family)
  })
  it('and the way of making by what decides', () => {
    const of = (grams: Grams, use: UseKind | null = null) =>
      suggestSchool(
        Object.entries(grams).map(([i, g], k) => line(`l${k}`, i, g)),
        undefined,
        use,
      )
    expect(of(MADE.gelatinBacked)).toBe('gelatinBacked')
    expect(of(MADE.milkPudding)).toBe('milkPudding')
    expect(of(MADE.wine)).toBe('wine')
    expect(of(MADE.beatenWhites)).toBe('beatenWhites')
    expect(of(MADE.frozenInsert, 'cut')).toBe('frozenInsert')
    expect(of(MADE.blendedGel, 'piped')).toBe('blendedGel')
  })
  it('another way of making brings its own steps and heat; lines that change keep the temperatures chosen', () => {
    const doc = make('foldedMousse', (d) => {
      Object.assign(
        fillingOf(d).steps.find(s => s.kind === 'foldIn')!,
        { mixTempC: { given: 24 }, overrun: 0.8 },
      )
    })
    const more = [...fillingOf(doc).lines, line('new', 'cream48', 50)]
    const steps = renewSteps('foldedMousse', more, fillingOf(doc).steps, counter('s'))
    expect(steps.find(s => s.kind === 'foldIn')).toMatchObject({
      mixTempC: { given: 24 },
      overrun: 0.8,
      lineIds: expect.arrayContaining(['new']),
    })
    const set = withSchool(doc, 'setCream', counter('t'))
    expect([
      set.family,
      set.school,
      set.heat.targetTempC,
      fillingOf(set).steps.some(s => s.kind === 'foldIn'),
    ]).toEqual(['gelatinCream', 'setCream', 80, false])
    // Nothing chosen in one formula reaches the next.
    make('lowOven', (d) => {
      d.heat.oven.fan = true
    })
    expect(make('lowOven').heat.oven.fan).toBe(false)
  })
})

describe('the ways it fails', () => {
  const grams = (school: School, over: Grams) => ({ ...MADE[school], ...over })
  const cases: [FindingCode, () => Bench][] = [
    ['acidShort', () => make('boiled', undefined, { cream36: 600, sugar: 120, orange: 90 })],
    ['acidCurdles', () => make('boiled', undefined, { cream36: 250, milk: 350, sugar: 110, lemon: 90 })],
    [
      'acidTooHot',
      () =>
        make('boiled', (d) => {
          Object.assign(
            fillingOf(d).steps.find(s => s.kind === 'stirIn')!,
            { mixTempC: { simulated: true } },
          )
        }, { cream30: 600, sugar: 100, lemon: 80 }),
    ],
    [
      'starchUndercooked',
      () =>
        make('juiceAfter', (d) => {
          d.heat.targetTempC = 82
        }),
    ],
    [
      'amylase',
      () =>
        make('milkPudding', (d) => {
          Object.assign(d.heat, { targetTempC: 76, holdS: 0 })
        }, { milk: 450, sugar: 80, cornflour: 40, yolk_sep: 60 }),
    ],
    [
      'starchAcid',
      () =>
        make('boiledAgain', (d) => {
          d.heat.holdS = 600
        }),
    ],
    [
      'gelatinStrings',
      () =>
        make('foldedMousse', (d) => {
          Object.assign(
            fillingOf(d).steps.find(s => s.kind === 'foldIn')!,
            { mixTempC: { given: 15 } },
          )
        }),
    ],
    ['gelatinAcid', () => make('foldedMousse', undefined, { lemon: 400, sugar: 100, gelatin: 9, cream36: 60 })],
    [
      'agarAcid',
      () =>
        make('blendedGel', (d) => {
          fillingOf(d).steps = [
            { id: 'c', kind: 'combine', lineIds: fillingOf(d).lines.map(l => l.id) },
            { id: 'k', kind: 'cook' },
          ]
        }),
    ],
    [
      'butterSplits',
      () =>
        make('emulsified', (d) => {
          Object.assign(
            fillingOf(d).steps.find(s => s.kind === 'stirIn')!,
            { mixTempC: { given: 22 } },
          )
        }),
    ],
    [
      'scrambled',
      () =>
        make('wholeEggTempered', (d) => {
          d.heat.targetTempC = 95
        }),
    ],
    ['rawEgg', () => make('beatenWhites')],
    [
      'rawFlour',
      () =>
        make('cooledBase', (d) => {
          d.heat.targetTempC = 60
        }),
    ],
    ['holdsHours', () => make('whippedAcid')],
    ['alcohol', () => make('wine')],
    ['animalGelatin', () => make('setCream')],
    ['boilOver', () => make('reduced')],
    ['boilingSugar', () => make('boiledMeringue')],
    ['microwaveJug', () => make('microwave')],
    ['tooSharp', () => make('yolkBath', undefined, grams('yolkBath', { citric: 15 }))],
    ['tasteFlat', () => make('yolkBath', undefined, { yolk_sep: 170, sugar: 170, orange: 170, butter82: 85 })],
    ['bitterZest', () => make('yolkBath', undefined, grams('yolkBath', { zest: 40 }))],
    [
      'weeps',
      () =>
        make('milkPudding', (d) => {
          Object.assign(d.heat, { targetTempC: 76, holdS: 0 })
        }, { milk: 450, sugar: 80, cornflour: 40, yolk_sep: 60 }),
    ],
    [
      'underset',
      () =>
        make('cooledBase', (d) => {
          d.heat.targetTempC = 70
        }),
    ],
    ['noSetter', () => make('setCream', undefined, { water: 300, sugar: 100, lemon: 50 })],
    [
      'thawing',
      () =>
        make('frozenInsert', (d) => {
          d.chill = [
            { id: 'f', placeId: null, place: { kind: 'freezer', airTempC: -18 }, timeS: 4 * 3600, cover: 'film' },
            { id: 'g', placeId: 'fan', place: { kind: 'fanFridge', airTempC: 3 }, timeS: 600, cover: 'film' },
          ]
        }),
    ],
    [
      'glassOven',
      () =>
        make('lowOven', (d) => {
          d.assembly.vessel.material = 'glass'
          d.heat.startTempC = 5
        }),
    ],
    ['phaseInversion', () => make('emulsified', undefined, grams('emulsified', { butter82: 900 }))],
  ]
  it.each(cases)('%s is caught', (code, doc) => expect(codes(doc())).toContain(code))
  it('and none of them where it is made well', () => {
    const failures: FindingCode[] = [
      'acidShort',
      'acidCurdles',
      'acidTooHot',
      'starchUndercooked',
      'amylase',
      'gelatinStrings',
      'butterSplits',
      'scrambled',
      'grainy',
      'underset',
      'noSetter',
      'noEgg',
      'ovenStalls',
      'potStalls',
      'rawFlour',
      'weeps',
    ]
    for (const school of SCHOOLS)
      expect({ school, codes: codes(make(school)).filter(c => failures.includes(c)) }).toEqual({ school, codes: [] })
  })
  it('what only air holds is kept a day at most, everything else no longer than the code\'s seven', () => {
    for (const s of ['beatenWhites', 'whippedAcid'] as const)
      expect(assess(make(s), kitchen).serve.storageDays).toBe(1)
    for (const s of SCHOOLS) expect(assess(make(s), kitchen).serve.storageDays).toBeLessThanOrEqual(7)
  })
  it('firm in the freezer, thawed again: a chilled tart of 20 mm takes 20–45 min, and comes back within two hours and a half', () => {
    const a = assess(
      make(
        'gelatinBacked',
        (d) => {
          d.assembly.vessel = plainVessel('tartRing', 'metal', 0.24, 0.24, 0.03)
          const leg = (id: string, kind: 'fanFridge' | 'freezer', airTempC: number, hours: number) => ({
            id,
            placeId: null,
            place: { kind, airTempC },
            timeS: hours * 3600,
            cover: 'film' as const,
          })
          d.chill = [leg('a', 'fanFridge', 3, 6), leg('b', 'freezer', -18, 0.75), leg('c', 'fanFridge', 3, 3)]
        },
        MADE.gelatinBacked,
        'cut',
      ),
      kitchen,
    )
    const after = a.chill.freeze!.firmS! - 6 * 3600
    expect(after).toBeGreaterThan(20 * 60)
    expect(after).toBeLessThan(45 * 60)
    expect(a.chill.freeze!.thawedS! - 6.75 * 3600).toBeLessThan(2.5 * 3600)
  })
})

describe('ingredients', () => {
  it.each(INGREDIENTS.map(i => [i.id, i] as const))(
    '%s: a source, a confidence, a sum under 101 g',
    (_, row) => {
      expect(row.source.length).toBeGreaterThan(5)
      const { milkFat: __, ...parts } = row.per100g
      const sum = Object.values(parts).reduce((a, b) => a + b, 0) + (row.acid?.typical ?? 0) + (row.ethanol ?? 0)
      expect(sum).toBeLessThanOrEqual(101.5)
      for (const a of row.allergens ?? []) expect(ALLERGENS).toContain(a)
      if (row.per100g.casein) expect(row.allergens).toContain('milk')
      if (row.per100g.yolkProtein || row.per100g.eggWhiteProtein) expect(row.allergens).toContain('egg')
    },
  )
  it('what the families need is there: biscuits, nuts, chocolate, soft cheese, coconut, plant creams; alias and density with each', () => {
    for (const id of [
      'digestive',
      'graham',
      'almond',
      'choc_white',
      'cream_cheese',
      'coconut_milk',
      'oat_cream',
      'soya_cream',
      'yolk_sugared',
      'mandarin',
    ]) {
      expect(findIngredient(id)!.aliases.length).toBeGreaterThan(0)
      expect(DENSITIES[id]!.gPerMl).toBeGreaterThan(0.2)
    }
    for (const f of FRUITS) expect(findIngredient(f.juiceId)).toBeDefined()
  })
})
