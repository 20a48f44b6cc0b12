import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EGG_CURD, formula, kitchen, make as made, YOLK_CURD } from '../../tests/support/core'
import tables from '../checks/tables.json'
import { InputError } from '../base/errors'
import { INGREDIENTS } from '../base/ingredients/table'
import { fillingOf, type Bench } from '../formula/bench'
import { SCHOOLS } from '../formula/document'
import { scaleFormula } from '../formula/edits'
import { schoolOf } from '../formula/schools'
import { MATERIALS, plainVessel, VESSEL_KINDS } from '../physics/geometry/cavity'
import { mix } from '../physics/matter/mix'
import { CODES, coolingStages, useByDate } from '../physics/safety/keeping'
import { USE_KINDS } from '../physics/set/bands'
import { COVERS, PLACE_KINDS } from '../physics/thermal/places'
import { assess } from './assess'
import { type Assessment, type FindingCode, STATIONS } from './assessment'
import { mixPlanOf } from './mixPlan'
import { summarise } from './summary'

const codes = (a: Assessment): FindingCode[] => a.findings.map(f => f.code)
const tau = (a: Assessment) => a.verdict.cold.tauPa.value
describe('changes a cook would try', () => {
  const base = assess(formula(), kitchen)
  it('is good as it stands, every station answers', () => {
    expect(base.verdict.code).toBe('good')
    for (const s of STATIONS) expect(base.stations[s].state).toBe('ok')
  })
  it('more yolk is firmer, more juice looser and sharper, more sugar mellower', () => {
    expect(tau(assess(formula({ ...YOLK_CURD, yolk_sep: 210 }), kitchen))).toBeGreaterThan(1.2 * tau(base))
    const juicy = assess(formula({ ...YOLK_CURD, lemon: 220 }), kitchen)
    expect(tau(juicy)).toBeLessThan(tau(base))
    expect(juicy.balance.taste.sour).toBeGreaterThan(base.balance.taste.sour)
    expect(assess(formula({ ...YOLK_CURD, sugar: 230 }), kitchen).balance.taste.sour).toBeLessThan(
      base.balance.taste.sour,
    )
  })
  it('stopped at 74 °C it is loose, at 88 °C grainy', () => {
    const at = (t: number) =>
      assess(
        formula(
          EGG_CURD,
          (d) => {
            d.heat.targetTempC = t
          },
          { school: 'wholeEggTempered' },
        ),
        kitchen,
      )
    expect(['looseCold', 'runny']).toContain(at(74).verdict.code)
    expect(codes(at(74))).toContain('underset')
    expect(at(88).verdict.code).toBe('grainy')
    expect(codes(at(88))).toContain('grainy')
    expect(at(88).heat.grainyS).not.toBeNull()
  })
  it('deeper takes longer, a warmer fridge longer still, an ice bath less', () => {
    const deep = (m: number, edit: (d: Bench) => void = () => {}) =>
      assess(
        formula(EGG_CURD, (d) => {
          d.assembly.vessel = plainVessel('round', 'metal', m, m, 0.2)
          edit(d)
        }),
        kitchen,
      )
    expect(deep(0.1).chill.to5S!).toBeGreaterThan(2 * deep(0.2).chill.to5S!)
    expect(
      deep(0.1, (d) => {
        d.chill[1]!.placeId = 'still'
      }).chill.to21S!,
    ).toBeGreaterThan(deep(0.1).chill.to21S!)
    expect(
      deep(0.1, (d) => {
        d.chill.unshift({
          id: 'ice',
          placeId: null,
          place: { kind: 'iceBath', airTempC: 0.5 },
          timeS: 900,
          cover: 'open',
        })
      }).chill.to21S!,
    ).toBeLessThan(0.5 * deep(0.1).chill.to21S!)
  })
  it('a deep tub cools too slowly, and it says so with the limit', () => {
    const a = assess(
      formula(
        { egg: 1200, sugar: 1150, lemon: 900, butter82: 800 },
        (d) => {
          d.assembly.vessel = plainVessel('round', 'plastic', 0.2, 0.2, 0.16)
          d.heat.method = 'direct'
          d.heat.burnerW = 1500
        },
        { school: 'wholeEggTempered' },
      ),
      kitchen,
    )
    const f = a.findings.find(x => x.code === 'coolsTooSlowly')!
    expect(f.severity).toBe('stop')
    expect(f.params).toMatchObject({ toC: 21, withinS: 7200 })
    expect(Number(f.params.takesS)).toBeGreaterThan(7200)
    expect(a.chill.safe).toBe(false)
  })
  it('orange juice alone warns: too little acid, a coarse gel, flat', () => {
    const a = assess(formula({ yolk_sep: 170, sugar: 170, orange: 170, butter82: 85 }), kitchen)
    expect(codes(a)).toEqual(expect.arrayContaining(['lowAcid', 'coarseGel']))
    expect(a.balance.sharpness).toBe('flat')
  })
  it('much butter cuts cold and sags on a warm table', () => {
    const a = assess(
      formula(
        { yolk_sep: 150, sugar: 210, lemon: 210, butter82: 400 },
        (d) => {
          d.use = { kind: 'cut', pieceHeightM: 0.022, pieceWidthM: 0.06, tableTempC: 25, tableTimeS: 5400 }
          d.assembly.vessel = plainVessel('tartRing', 'metal', 0.22, 0.22, 0.035)
          d.assembly.crustM = 0.004
        },
        { school: 'emulsified', use: 'cut' },
      ),
      kitchen,
    )
    expect(a.verdict.code).toBe('sagsOnTable')
    expect(a.verdict.cold.mechanismsPa.butterPa).toBeGreaterThan(a.verdict.cold.mechanismsPa.eggPa)
    expect(a.verdict.plate.slump).toBeGreaterThan(0)
    expect(a.serve.standsOnTableS!).toBeLessThan(5400)
  })
  it(`a ramekin and a tub set in the hours of the notes (${tables.setting.source})`, () => {
    const ready = (place: string, size: number, grams: Record<string, number>) =>
      assess(
        formula(grams, (d) => {
          d.assembly.vessel = plainVessel('round', 'ceramic', size, size, 0.3)
          d.chill = [
            { id: 'c', placeId: place, place: { kind: 'fanFridge', airTempC: 3 }, timeS: 12 * 3600, cover: 'film' },
          ]
        }),
        kitchen,
      ).chill.readyS! / 3600
    const small = { yolk_sep: 34, sugar: 34, lemon: 34, butter82: 17 }
    const [low, high] = tables.setting.ramekin as [number, number]
    expect(ready('fan', 0.065, small)).toBeGreaterThan(low / 1.5)
    expect(ready('still', 0.065, small)).toBeLessThan(high * 1.5)
    const litre = { yolk_sep: 320, sugar: 320, lemon: 320, butter82: 160 }
    const [tubLow, tubHigh] = tables.setting.tub as [number, number]
    expect(ready('fan', 0.11, litre)).toBeGreaterThan(tubLow / 1.5)
    expect(ready('still', 0.11, litre)).toBeLessThan(tubHigh * 1.5)
  })
})

describe('findings and safety', () => {
  it('what is not modelled is said, not counted', () => {
    const a = assess(formula({ ...YOLK_CURD, oat_cream: 20 }), kitchen)
    expect(a.findings.find(f => f.code === 'notModelled')!.params.setter).toBe('plant')
  })
  it('overflow, hot glass, too warm a fridge, too long on the table, bitter zest, medicines, skin', () => {
    const a = assess(
      formula(
        { ...EGG_CURD, seville: 60, lime: 30, zest: 30 },
        (d) => {
          d.assembly.vessel = plainVessel('ramekin', 'glass', 0.06, 0.06, 0.06)
          d.chill[1] = {
            id: 'w',
            placeId: null,
            place: { kind: 'domesticFridge', airTempC: 9 },
            timeS: 7200,
            cover: 'open',
          }
          d.use.tableTimeS = 5 * 3600
        },
        { school: 'wholeEggTempered' },
      ),
      kitchen,
    )
    expect(codes(a)).toEqual(
      expect.arrayContaining([
        'overflows',
        'fridgeWarm',
        'counterTooLong',
        'bitterZest',
        'medicines',
        'lightSkin',
        'scrubPeel',
        'uncovered',
        'allergens',
        'reactivePan',
      ]),
    )
    expect(a.serve.useBy).toBeNull()
    expect(a.stations.shape.mark).toBe('stop')
  })
  it('lightly cooked egg is a stop, with the thermometer\'s error taken off; well cooked still asks to be measured', () => {
    const at = (t: number) =>
      codes(
        assess(
          formula(EGG_CURD, (d) => {
            d.heat.targetTempC = t
          }),
          kitchen,
        ),
      )
    expect(at(70)).toContain('lethalityLow')
    expect(at(80)).toContain('measure71')
    expect(at(80)).not.toContain('lethalityLow')
  })
  it('seven days with the day of making as day 1, and never past a lot\'s own date', () => {
    expect(useByDate('2026-11-28T09:00', CODES.us, [])).toBe('2026-12-04')
    const d = formula(YOLK_CURD, (x) => {
      fillingOf(x).lines[2]!.strength = { kind: 'lot', lotId: 'L', name: 'crate', acidPercent: 5 }
    })
    const a = assess(d, {
      ...kitchen,
      lots: [{
        id: 'L', name: 'crate', ingredientId: 'lemon', acidPercent: 6, pH: null, useBy: '2026-11-30', brix: null,
        fatPercent: null, acidLnSigma: null, massG: null, method: { kind: 'entered' },
      }],
    })
    expect(a.serve.useBy).toBe('2026-11-30')
    expect(codes(a)).toContain('lotDate')
    // The kitchen's lot counts, not the snapshot.
    expect(a.stock.juiceAcid.value).toBeCloseTo(6, 9)
  })
  it('cooling counts from 57 °C, two stages in the US and one in the UK', () => {
    const at = (t: number) => ({ 57: 600, 21: 600 + 7000, 8: 12000, 5: 24000 })[t] ?? null
    expect(coolingStages(CODES.us, at).map(s => [s.takesS, s.passes])).toEqual([
      [7000, true],
      [23400, false],
    ])
    expect(coolingStages(CODES.uk, at)).toHaveLength(1)
    expect(coolingStages(CODES.us, () => null).every(s => !s.passes)).toBe(true)
  })
  it('the kitchen\'s altitude, code and fridge reach the answer', () => {
    const d = formula()
    expect(assess(d, { ...kitchen, foodCode: 'uk' }).chill.stages[0]!.toC).toBe(8)
    expect(assess(d, { ...kitchen, altitudeM: 1500 }).heat.reachedS!).toBeGreaterThan(
      assess(d, kitchen).heat.reachedS!,
    )
    const colder = { ...kitchen, places: [{ ...kitchen.places[0]!, airTempC: 1 }, kitchen.places[1]!] }
    expect(assess(d, colder).verdict.cold.tempC).toBeLessThan(assess(d, kitchen).verdict.cold.tempC)
  })
  it('an oven whose minutes are stated asks no temperature: it never stalls, what it comes to is judged', () => {
    const cold = (minutes: number | null) => assess(made('lowOven', (d) => {
      Object.assign(d.heat, { targetTempC: 95 })
      Object.assign(d.heat.oven, { airTempC: 90, timeS: minutes ? { given: 60 * minutes } : { simulated: true } })
    }), kitchen)
    expect(codes(cold(null))).toContain('ovenStalls')
    expect(codes(cold(5))).not.toContain('ovenStalls')
    expect(codes(cold(5))).toContain('lethalityLow')
  })
  it('stated values run through the same pipeline', () => {
    const d = formula(EGG_CURD, (x) => {
      x.heat.course = { given: { rampKPerMin: 3, peakTempC: 79, holdS: 90 } }
      x.heat.evaporationG = { given: 25 }
      x.serve.coldTempC = { given: 8 }
      x.serve.chilledS = { given: 7200 }
    })
    const a = assess(d, kitchen)
    expect(a.heat.peakTempC).toBe(79)
    expect(a.heat.evaporatedG).toBe(25)
    expect(a.verdict.cold.tempC).toBe(8)
  })
  it('a summary keeps what a thumbnail needs', () => {
    const d = formula()
    const s = summarise(d, assess(d, kitchen))
    expect(s).toMatchObject({ code: 'good', safe: true, piece: { use: 'spooned', heightM: 0.025 } })
  })
})

describe('impossible input names its field', () => {
  const cases: [string, (d: Bench) => void, string][] = [
    [
      'a negative mass',
      (d) => {
        fillingOf(d).lines[0]!.massG = -1
      },
      'components.0.lines.0.massG',
    ],
    [
      'not a number',
      (d) => {
        fillingOf(d).lines[1]!.massG = Number.NaN
      },
      'components.0.lines.1.massG',
    ],
    [
      'an unknown ingredient',
      (d) => {
        fillingOf(d).lines[2]!.ingredientId = 'unobtainium'
      },
      'components.0.lines.2.ingredientId',
    ],
    [
      'no lines',
      (d) => {
        fillingOf(d).lines = []
      },
      'components.0.lines',
    ],
    [
      'no water',
      (d) => {
        fillingOf(d).lines = fillingOf(d).lines.filter(l => l.ingredientId === 'butter82')
      },
      'components.0.lines',
    ],
    [
      'a target no pot reaches',
      (d) => {
        d.heat.targetTempC = 200
      },
      'heat.targetTempC',
    ],
    [
      'a flat vessel',
      (d) => {
        d.assembly.vessel.heightM = 0
      },
      'assembly.vessel.heightM',
    ],
    [
      'an oven colder than it may be',
      (d) => {
        Object.assign(d.heat, { method: 'oven', oven: { ...d.heat.oven, airTempC: 18 } })
      },
      'heat.oven.airTempC',
    ],
    [
      'a temperature that is no number',
      (d) => {
        d.heat.targetTempC = Number.NaN
      },
      'heat.targetTempC',
    ],
    [
      'more air than there is room',
      (d) => {
        d.set.air = { given: 1.2 }
      },
      'set.air',
    ],
    [
      'gelatin of no grade',
      (d) => {
        d.set.bloom = 0
      },
      'set.bloom',
    ],
    [
      'acid stronger than the scale',
      (d) => {
        fillingOf(d).lines = [
          { id: 'x', ingredientId: 'citric', massG: 900, sourceText: '', assumption: '' },
          { id: 'y', ingredientId: 'water', massG: 20, sourceText: '', assumption: '' },
        ]
      },
      'pH',
    ],
    [
      'no legs',
      (d) => {
        d.chill = []
      },
      'chill',
    ],
    [
      'a leg of infinite length',
      (d) => {
        d.chill[0]!.timeS = Infinity
      },
      'chill.0.timeS',
    ],
    [
      'more steam than mix',
      (d) => {
        d.heat.evaporationG = { given: 1e5 }
      },
      'heat.evaporationG',
    ],
  ]
  it.each(cases)('%s', (_, edit, path) => {
    try {
      assess(formula(YOLK_CURD, edit), kitchen)
      expect.unreachable('should have been refused')
    } catch (error) {
      expect(error).toBeInstanceOf(InputError)
      expect((error as InputError).path).toBe(path)
    }
  })
})

describe('properties', () => {
  it('scaling a formula and its tins changes no intensive value, whatever the way of making', () => {
    const bases: Record<string, Record<string, number>> = {
      curd: YOLK_CURD,
      posset: { cream36: 600, sugar: 150, lemon: 90 },
      bar: { egg: 300, sugar: 380, lemon: 180, flour: 40 },
      condensedPie: { condensed: 800, yolk_sep: 110, lime: 240 },
    }
    fc.assert(
      fc.property(
        fc.constantFrom(...SCHOOLS.filter(s => bases[schoolOf(s).family])),
        fc.integer({ min: 2, max: 5 }),
        (school, k) => {
          const make = (factor: number) =>
            assess(
              formula(
                Object.fromEntries(Object.entries(bases[schoolOf(school).family]!).map(([i, g]) => [i, factor * g])),
                (d) => {
                  d.heat = {
                    ...d.heat,
                    targetTempC: schoolOf(school).heat.targetTempC,
                    course: { given: { rampKPerMin: 3, peakTempC: 80, holdS: 60 } },
                    evaporationG: { given: 0 },
                  }
                  d.losses = { sieveFraction: 0, panG: 0 }
                  d.assembly.count = factor
                },
                { school },
              ),
              kitchen,
            )
          const [one, many] = [make(1), make(k)]
          for (const at of ['pH', 'acidPercent', 'brix', 'waterActivity', 'fatPercent'] as const)
            expect(many.balance[at].value).toBeCloseTo(one.balance[at].value, 8)
          expect(many.shape.depthM).toBeCloseTo(one.shape.depthM, 9)
          expect(many.verdict.cold.tauPa.value / one.verdict.cold.tauPa.value).toBeCloseTo(1, 2)
        },
      ),
      { numRuns: 20 },
    )
  })
  const grams = fc.record({
    yolk_sep: fc.integer({ min: 40, max: 400 }),
    egg: fc.integer({ min: 0, max: 300 }),
    sugar: fc.integer({ min: 60, max: 500 }),
    lemon: fc.integer({ min: 60, max: 500 }),
    butter82: fc.integer({ min: 0, max: 500 }),
  })
  const finite = (value: unknown): boolean =>
    typeof value === 'number'
      ? !Number.isNaN(value)
      : value === null || typeof value !== 'object' || Object.values(value).every(finite)

  it('the answer is the same each time and never holds NaN', () => {
    fc.assert(
      fc.property(grams, fc.integer({ min: 60, max: 95 }), (g, target) => {
        const d = formula(g, (x) => {
          x.heat.targetTempC = target
        })
        const a = assess(d, kitchen)
        expect(finite(a)).toBe(true)
        expect(assess(d, kitchen)).toEqual(a)
      }),
      { numRuns: 25 },
    )
  })
  it('whatever is thrown at it, it answers or names a field', () => {
    const ids = INGREDIENTS.map(i => i.id)
    const anything = fc.record({
      grams: fc.dictionary(fc.constantFrom(...ids), fc.integer({ min: 0, max: 900 }), { minKeys: 1, maxKeys: 7 }),
      school: fc.constantFrom(...SCHOOLS),
      use: fc.constantFrom(...USE_KINDS),
      target: fc.integer({ min: 40, max: 105 }),
      hold: fc.integer({ min: 0, max: 3600 }),
      watts: fc.integer({ min: 50, max: 5000 }),
      kind: fc.constantFrom(...VESSEL_KINDS),
      material: fc.constantFrom(...MATERIALS),
      mm: fc.integer({ min: 20, max: 1000 }),
      table: fc.integer({ min: 0, max: 86400 }),
      count: fc.integer({ min: 1, max: 500 }),
      altitude: fc.integer({ min: -400, max: 5000 }),
      legs: fc.array(
        fc.record({
          kind: fc.constantFrom(...PLACE_KINDS),
          airTempC: fc.integer({ min: -40, max: 45 }),
          timeS: fc.integer({ min: 0, max: 100000 }),
          cover: fc.constantFrom(...COVERS),
        }),
        { minLength: 1, maxLength: 5 },
      ),
    })
    let answered = 0
    fc.assert(
      fc.property(anything, (x) => {
        const doc = formula(
          x.grams,
          (d) => {
            Object.assign(d.heat, {
              targetTempC: x.target,
              holdS: x.hold,
              burnerW: x.watts,
              oven: { ...d.heat.oven, airTempC: 60 + x.watts / 25 },
            })
            d.assembly = {
              ...d.assembly,
              vessel: plainVessel(x.kind, x.material, x.mm / 1000, x.mm / 1000, Math.min(0.4, x.mm / 1000)),
              count: x.count,
              crustM: 0.003,
            }
            d.use.tableTimeS = x.table
            d.chill = x.legs.map((l, i) => ({
              id: `l${i}`,
              placeId: null,
              place: { kind: l.kind, airTempC: l.airTempC },
              timeS: l.timeS,
              cover: l.cover,
            }))
          },
          { school: x.school, use: x.use },
        )
        try {
          expect(finite(assess(doc, { ...kitchen, altitudeM: x.altitude }))).toBe(true)
          answered++
        } catch (error) {
          if (!(error instanceof InputError)) throw error
          expect(error.path).not.toBe('')
        }
      }),
      { numRuns: 200 },
    )
    expect(answered).toBeGreaterThan(160)
  }, 40_000)
  it('what never sets is nought set, and what holds no acid has no ratio: no division by nothing', () => {
    const cold = assess(
      formula({ yolk_sep: 40, sugar: 138, lemon: 60 }, (d) => {
        d.heat.targetTempC = 60
      }),
      kitchen,
    )
    expect(cold.chill.setShare.every(Number.isFinite)).toBe(true)
    expect(assess(formula({ egg: 100, water: 50 }), kitchen).balance.sugarToAcid.value).toBe(Infinity)
    expect(() => assess(formula({ lemon: 0.5 }), kitchen)).toThrow(InputError)
  })
  it('mass is conserved in mixing', () => {
    fc.assert(
      fc.property(grams, (g) => {
        const m = mix(mixPlanOf(formula(g), kitchen).all)
        expect(m.massG).toBeCloseTo(
          Object.values(g).reduce((a, b) => a + b, 0),
          6,
        )
      }),
      { numRuns: 50 },
    )
  })
  it('scaling changes no intensive value of the mix', () => {
    fc.assert(
      fc.property(grams, fc.integer({ min: 2, max: 6 }), (g, k) => {
        const a = assess(formula(g), kitchen)
        const b = assess(scaleFormula(formula(g), k), kitchen)
        expect(b.balance.pH.value).toBeCloseTo(a.balance.pH.value, 6)
        expect(b.balance.composition.fat).toBeCloseTo(a.balance.composition.fat, 6)
        expect(b.heat.t60C!).toBeCloseTo(a.heat.t60C!, 6)
      }),
      { numRuns: 20 },
    )
  })
  it('more acid never raises pH', () => {
    fc.assert(
      fc.property(grams, fc.integer({ min: 1, max: 20 }), (g, citric) => {
        expect(assess(formula({ ...g, citric }), kitchen).balance.pH.value).toBeLessThan(
          assess(formula(g), kitchen).balance.pH.value,
        )
      }),
      { numRuns: 20 },
    )
  })
  it('a hotter target never sets less', () => {
    fc.assert(
      fc.property(grams, fc.integer({ min: 66, max: 84 }), (g, t) => {
        const at = (x: number) =>
          assess(
            formula(g, (d) => {
              d.heat.targetTempC = x
            }),
            kitchen,
          ).heat.a
        expect(at(t + 2)).toBeGreaterThanOrEqual(at(t) - 1e-9)
      }),
      { numRuns: 15 },
    )
  })
  it('a deeper fill in the same tin never cools faster', () => {
    fc.assert(
      fc.property(fc.integer({ min: 150, max: 900 }), fc.integer({ min: 120, max: 200 }), (batch, percent) => {
        const to5 = (g: number) =>
          assess(
            formula({ yolk_sep: g, sugar: g, lemon: g, butter82: g / 2 }, (d) => {
              // Stated heat, so that only the cooling differs.
              d.heat.course = { given: { rampKPerMin: 3, peakTempC: 80, holdS: 60 } }
              d.assembly.vessel = plainVessel('round', 'plastic', 0.18, 0.18, 0.35)
            }),
            kitchen,
          ).chill.to5S!
        expect(to5((batch * percent) / 100)).toBeGreaterThan(to5(batch))
      }),
      { numRuns: 12 },
    )
  })
})
