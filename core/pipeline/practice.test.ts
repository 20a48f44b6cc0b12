/**
 * The models against what kitchens do. Where the model is off by more than is asked, the test says by how much it is
 * known to be off.
 */
import { describe, expect, it } from 'vitest'
import { counter, type Grams, kitchen, parts } from '../../tests/support/core'
import checks from '../checks/practice.json'
import { createFormula, defaultUse, line } from '../formula/create'
import type { Bench } from '../formula/bench'
import type { School } from '../formula/document'
import { plainVessel, type Vessel } from '../physics/geometry/cavity'
import { stirInTemperature } from '../physics/heat/pot'
import { reductionTarget } from '../physics/heat/reduction'
import { mix } from '../physics/matter/mix'
import type { UseKind } from '../physics/set/bands'
import { FAT_LATENT, fractionsOf, solidFat, thermalProperties } from '../physics/thermal/properties'
import { assess } from './assess'

const quarter = (value: number, [low, high]: readonly number[]) => {
  expect(value).toBeGreaterThan(low! / 1.25)
  expect(value).toBeLessThan(high! * 1.25)
}
const VESSELS: Record<string, Vessel> = {
  ramekin: plainVessel('ramekin', 'ceramic', 0.075, 0.075, 0.045),
  glass: plainVessel('ramekin', 'glass', 0.065, 0.065, 0.09),
  pie: plainVessel('round', 'metal', 0.23, 0.23, 0.04),
}
function make(grams: Grams, school: School, edit: (d: Bench) => void = () => {}, use: UseKind = 'spooned') {
  const id = counter()
  const doc = createFormula(
    { name: 'x', school, use: defaultUse(use), lines: Object.entries(grams).map(([i, g]) => line(id(), i, g)) },
    kitchen,
    id,
  )
  doc.losses = { sieveFraction: 0, panG: 0 }
  edit(doc)
  return assess(doc, kitchen)
}

describe(`pot and pan (${checks.source})`, () => {
  const { reduction, boil, microwave } = checks
  const boiling = (watts: number, holdS: number) =>
    make({ ...reduction.massG, lemon: 90 }, 'boiled', (d) => {
      Object.assign(d.heat, { burnerW: watts, holdS })
    })
  it.each(reduction.watts)(`${reduction.what}: %i W`, (watts) => {
    const rate = (boiling(watts, 1200).heat.evaporatedG - boiling(watts, 600).heat.evaporatedG) / 10
    for (const share of reduction.share) quarter((share * 750) / rate, reduction.minutes)
  })
  it(boil.what, () =>
    quarter(
      (100 * (boiling(300, 60 * boil.minutes).heat.evaporatedG - boiling(300, 0).heat.evaporatedG)) / 750,
      boil.percent,
    ),
  )
  it(microwave.what, () => {
    const a = make(microwave.massG, 'microwave', (d) => {
      Object.assign(d.heat, { targetTempC: 82, holdS: 0, burnerW: microwave.watts })
      d.components[0]!.steps = d.components[0]!.steps.filter(s => s.kind !== 'stirIn')
    })
    quarter(a.heat.reachedS! / 35, microwave.bursts)
  })
  it(checks.stirIn.what, () => {
    const curd = mix(parts({ egg: 150, sugar: 180, lemon: 120, yolk_sep: 70 }))
    const butter = mix(parts({ butter82: 120 }))
    const cp = (m: ReturnType<typeof mix>, t: number) => thermalProperties(fractionsOf(m), t).cp
    const latent = 0.82 * 0.12 * FAT_LATENT * solidFat(5)
    const t = stirInTemperature(
      { massG: 520, cp: cp(curd, 70), tempC: 82 },
      { massG: 120, cp: cp(butter, 30), tempC: 5 },
      latent,
    )
    expect(Math.abs(t - checks.stirIn.tempC)).toBeLessThan(3)
  })
  it('the reduction rule by hand: 150 g of sugar means 93 g off, and the pan says so', () => {
    expect(reductionTarget(600, 597, 150, 800)).toEqual({
      lossG: 93,
      panG: 1457,
      volumeMl: 597,
      hotVolumeMl: 597 * 1.04,
    })
    const a = make({ cream36: 600, sugar: 150, lemon: 90 }, 'reduced')
    expect(a.heat.evaporatedG).toBeCloseTo(93, 1)
    expect(a.heat.panG).toBeCloseTo(657, 1)
    expect(a.heat.reduction!.panG).toBeCloseTo(657, 6)
    // 600 g of cream at 1.005 g/ml.
    expect(a.heat.reduction!.volumeMl).toBeCloseTo(597, 0)
    expect(make({ cream36: 600, sugar: 75, lemon: 90 }, 'reduced').heat.evaporatedG).toBeCloseTo(46.5, 1)
  })
})

describe(`oven (${checks.source})`, () => {
  const { bar, pie, shifts, exponent } = checks.oven
  const bake = (
    grams: Grams,
    school: School,
    diameterM: number,
    heat: Partial<Bench['heat']>,
    edit: (d: Bench) => void = () => {},
  ) =>
    make(
      grams,
      school,
      (d) => {
        d.assembly = {
          ...d.assembly,
          count: 1,
          crustM: 0.006,
          vessel: plainVessel('round', 'metal', diameterM, diameterM, 0.06),
        }
        Object.assign(d.heat, { holdS: 0, ...heat })
        edit(d)
      },
      'cut',
    )
  const minutes = (a: ReturnType<typeof assess>) => a.heat.endS / 60
  it(bar.what, () => {
    const a = bake(bar.massG, 'cooledBase', 0.256, { targetTempC: 84 })
    expect(a.shape.depthM).toBeGreaterThan(0.014)
    expect(a.shape.depthM).toBeLessThan(0.016)
    quarter(minutes(a), bar.minutes)
    expect(a.heat.coreA).toBeGreaterThan(0.85)
    expect(a.heat.b).toBeLessThan(0.3)
  })
  it.each([68, 74])(`${pie.what}: %i °C`, target =>
    quarter(minutes(bake(pie.massG, 'lowOven', 0.225, { targetTempC: target })), pie.minutes),
  )
  it(`${shifts.what}: ${shifts.hot}, ${shifts.fan}, ${shifts.glass}; a hot start saves the model half, more than is asked, and glass costs it a tenth`, () => {
    const base = (edit: (d: Bench) => void) =>
      minutes(bake(bar.massG, 'cooledBase', 0.256, { targetTempC: 84, startTempC: 25 }, edit))
    const from = base(() => {})
    const shift = (edit: (d: Bench) => void) => base(edit) / from - 1
    expect(
      Math.abs(
        shift((d) => {
          d.heat.oven.fan = true
        }) - shifts.fan,
      ),
    ).toBeLessThan(0.25 * 0.21)
    // Known to be off (docs/science.md): held to where it is, so that it is seen when it moves.
    const hot = shift((d) => {
      d.heat.startTempC = 60
    })
    expect(hot).toBeLessThan(shifts.hot)
    expect(hot).toBeGreaterThan(-0.55)
    expect(
      Math.abs(
        shift((d) => {
          d.assembly.vessel.material = 'glass'
        }) - shifts.glass,
      ),
    ).toBeLessThan(0.05)
  })
  it(exponent.what, () => {
    const at = (d: number) => bake(pie.massG, 'lowOven', d, { targetTempC: 70 })
    const [thin, deep] = [at(0.36), at(0.235)]
    const e = Math.log(minutes(deep) / minutes(thin)) / Math.log(deep.shape.depthM / thin.shape.depthM)
    expect(Math.abs(e / exponent.value - 1)).toBeLessThan(0.25)
  })
  it('a bath keeps the rest nearer to the middle and takes longer; a stated time is kept; a cold oven says so', () => {
    const tart = { egg: 250, sugar: 200, lemon: 140, cream36: 150 }
    const plain = bake(tart, 'cooledBase', 0.22, { targetTempC: 78 })
    const bath = bake(tart, 'cooledBase', 0.22, { targetTempC: 78 }, (d) => {
      d.heat.oven.bath = true
    })
    expect(minutes(bath)).toBeGreaterThan(minutes(plain))
    expect(bath.heat.pourTempC).toBeLessThan(plain.heat.pourTempC)
    expect(
      minutes(
        bake(tart, 'cooledBase', 0.22, {}, (d) => {
          d.heat.oven.timeS = { given: 900 }
        }),
      ),
    ).toBeCloseTo(15, 6)
    expect(
      bake(tart, 'cooledBase', 0.22, { targetTempC: 90 }, (d) => {
        d.heat.oven.airTempC = 75
      }).findings.map(f => f.code),
    ).toContain('ovenStalls')
  })
  it('twice the mix in one tin takes about twice as long, in two tins hardly longer: the oven warms both', () => {
    const double = Object.fromEntries(Object.entries(pie.massG).map(([k, g]) => [k, 2 * g]))
    const one = minutes(bake(pie.massG, 'lowOven', 0.26, { targetTempC: 70 }))
    expect(
      minutes(
        bake(double, 'lowOven', 0.26, { targetTempC: 70 }, (d) => {
          d.assembly.vessel.heightM = 0.08
        }),
      ) / one,
    ).toBeGreaterThan(1.8)
    const two = minutes(bake(double, 'lowOven', 0.26, { targetTempC: 70 }, (d) => {
      d.assembly.count = 2
    })) / one
    expect(two).toBeGreaterThan(1.005)
    expect(two).toBeLessThan(1.03)
  })
})

describe(`setting over time (${checks.setting.what})`, () => {
  const ready = (row: (typeof checks.setting.rows)[number], placeId: string) =>
    make(
      row.massG as unknown as Grams,
      row.school as School,
      (d) => {
        d.assembly = { ...d.assembly, vessel: VESSELS[row.vessel]!, count: row.count, crustM: 0 }
        d.chill = [{ id: 'c', placeId, place: { kind: 'fanFridge', airTempC: 3 }, timeS: 20 * 3600, cover: 'film' }]
      },
      row.vessel === 'pie' ? 'cut' : 'spooned',
    ).chill.readyS! / 3600
  it.each(checks.setting.rows)('$name', (row) => {
    const [fan, still] = [ready(row, 'fan'), ready(row, 'still')]
    expect(fan).toBeLessThan(still * 1.3)
    quarter(fan, row.hours)
    quarter(still, row.hours)
  })
  it(checks.setting.pie.what, () =>
    quarter(
      make(
        checks.oven.pie.massG,
        'lowOven',
        (d) => {
          d.assembly = { ...d.assembly, vessel: VESSELS.pie!, crustM: 0.006 }
        },
        'cut',
      ).chill.readyS! / 3600,
      checks.setting.pie.hours,
    ),
  )
})
