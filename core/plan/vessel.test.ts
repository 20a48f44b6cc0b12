import { describe, expect, it } from 'vitest'
import { counter, EGG_CURD, formula, kitchen, YOLK_CURD } from '../../tests/support/core'
import type { InputError } from '../base/errors'
import { SYSTEM_ML } from '../base/units'
import checks from '../checks/vessels.json'
import { fillingOf } from '../formula/bench'
import {
  areaAt,
  cavityOf,
  cavityVolume,
  depthOf,
  equivalentRadius,
  factorToDepth,
  leanOf,
  plainVessel,
  UNLINED,
  volumeTo,
} from '../physics/geometry/cavity'
import { insertOf, NOMINAL_VESSELS } from '../physics/geometry/nominal'
import { cutGrid, cutWedges, evenPour, suggestGrid } from '../physics/geometry/portions'
import { assess } from '../pipeline/assess'
import { fitInto, fitVolume, withVessel, workVessels } from './fit'

const ml = (m3: number) => 1e6 * m3
const round20 = plainVessel('round', 'metal', 0.2, 0.2, 0.05)

describe('volume and depth, by hand', () => {
  it('a 20 cm round holds π·10²·5 = 1571 ml at 5 cm; 1 litre in 26 × 16 cm is 24 mm deep, in two of them half', () => {
    expect(ml(cavityVolume(cavityOf(round20)))).toBeCloseTo(1570.8, 1)
    const tray = cavityOf(plainVessel('rectangle', 'metal', 0.26, 0.16, 0.06))
    expect(1000 * depthOf(1e-3, tray, 1)).toBeCloseTo(24.04, 2)
    expect(1000 * depthOf(1e-3, tray, 2)).toBeCloseTo(12.02, 2)
  })
  it('a cone frustum π·h/3·(R² + R·r + r²): 10 and 6 cm wide, 4 cm deep, 205.3 ml; its depth is the inverse', () => {
    const c = cavityOf({ ...plainVessel('tartShell', 'metal', 0.1, 0.1, 0.04), taper: 0.6 })
    expect(ml(cavityVolume(c))).toBeCloseTo(((Math.PI * 4) / 3) * (25 + 15 + 9), 6)
    for (const z of [0.004, 0.019, 0.04]) expect(depthOf(volumeTo(c, z), c, 1)).toBeCloseTo(z, 9)
    expect(areaAt(c, 0.02)).toBeCloseTo(Math.PI * 0.04 ** 2, 9)
  })
  it('a half ball of 8 cm holds 2/3·π·4³ = 134 ml; half its height holds 5/16 of it', () => {
    const c = cavityOf(plainVessel('bowl', 'ceramic', 0.08, 0.08, 0.04))
    expect(ml(cavityVolume(c))).toBeCloseTo((2 / 3) * Math.PI * 64, 6)
    expect(volumeTo(c, 0.02) / cavityVolume(c)).toBeCloseTo(5 / 16, 9)
    expect(depthOf(volumeTo(c, 0.013), c, 1)).toBeCloseTo(0.013, 9)
  })
  it('what was measured by water holds that, whatever its size says', () => {
    for (const kind of ['mould', 'stemmed', 'round'] as const)
      expect(
        ml(
          cavityVolume(cavityOf({ ...plainVessel(kind, 'silicone', 0.07, 0.07, 0.04), taper: 0.7, heldM3: 9.5e-5 })),
        ),
      ).toBeCloseTo(95, 9)
  })
  it('over the rim it goes on as wide as the rim: 2 litres in the 20 cm round stand 63.7 mm', () => {
    expect(1000 * depthOf(2e-3, cavityOf(round20), 1)).toBeCloseTo(63.66, 2)
  })
  it('a shell takes base and sides, a base its height only; fruit takes its room from below', () => {
    const shell = cavityOf(round20, { crustM: 0.005, crustForm: 'shell', insertM3: 0 })
    expect([shell.heightM, 2 * Math.sqrt(shell.rimAreaM2 / Math.PI)]).toEqual([
      expect.closeTo(0.045, 9),
      expect.closeTo(0.19, 9),
    ])
    const base = cavityOf(round20, { crustM: 0.005, crustForm: 'base', insertM3: 0 })
    expect(ml(cavityVolume(base))).toBeCloseTo(Math.PI * 100 * 4.5, 6)
    const fruit = cavityOf(round20, { ...UNLINED, insertM3: 2e-4 })
    expect(ml(cavityVolume(fruit))).toBeCloseTo(1370.8, 1)
    expect(depthOf(1e-4, fruit, 1)).toBeCloseTo(3e-4 / (Math.PI * 0.01), 9)
  })
  it('cools as itself when round and straight; narrower, when it tapers', () => {
    expect(equivalentRadius(cavityOf(round20), 0.03)).toBeCloseTo(0.1, 9)
    expect(equivalentRadius(cavityOf({ ...round20, taper: 0.7 }), 0.03)).toBeLessThan(0.09)
  })
})

describe(`nominal sizes (${checks.source})`, () => {
  it.each(checks.rows)('$id holds about $cups cups', ({ id, cups }) => {
    const held = ml(cavityVolume(cavityOf(NOMINAL_VESSELS.find(n => n.id === id)!.vessel)))
    expect(Math.abs(held / SYSTEM_ML.us.cup / cups - 1)).toBeLessThan(0.12)
  })
  it.each(checks.millilitres.rows)(`$id holds about $ml ml (${checks.millilitres.source})`, ({ id, ml: wanted }) => {
    const held = ml(cavityVolume(cavityOf(NOMINAL_VESSELS.find(n => n.id === id)!.vessel)))
    expect(Math.abs(held / wanted - 1)).toBeLessThan(0.12)
  })
  it(checks.squares.source, () => {
    const area = (id: string) => cavityOf({ ...NOMINAL_VESSELS.find(n => n.id === id)!.vessel, taper: 1 }).rimAreaM2
    expect(Math.abs(area('us-rd9') / area('us-sq8') - 1)).toBeLessThan(0.02)
  })
  it('moulds with their insert: its room by hand, well inside the mould, none elsewhere', () => {
    expect(ml(insertOf('m-domei'))).toBeCloseTo((2 / 3) * Math.PI * 2 ** 3, 6)
    expect(ml(insertOf('m-ring18i'))).toBeCloseTo(Math.PI * 7 ** 2 * 1.5, 6)
    expect(ml(insertOf('m-logi'))).toBeCloseTo(23 * 4 * 4, 6)
    expect([insertOf('m-rd20'), insertOf('nobody')]).toEqual([0, 0])
    for (const { vessel, insertM3 } of NOMINAL_VESSELS.filter(n => n.insertM3))
      expect(insertM3! / cavityVolume(cavityOf(vessel))).toBeLessThan(0.4)
  })
  it('ids are their own, and a 9-inch tin is 228.6 mm, not 230', () => {
    expect(new Set(NOMINAL_VESSELS.map(n => n.id)).size).toBe(NOMINAL_VESSELS.length)
    expect(1000 * NOMINAL_VESSELS.find(n => n.id === 'us-rd9')!.vessel.lengthM).toBeCloseTo(228.6, 6)
  })
})

describe('fit', () => {
  it('how many a volume fills, and what is left: 1 litre into 180 ml glasses with 5 mm to spare', () => {
    const glass = plainVessel('glass', 'glass', 0.06, 0.06, 0.0637)
    const doc = formula()
    const fit = fitVolume(1e-3, glass, doc.assembly, 4, 0.005)
    const each = Math.PI * 0.03 ** 2 * 0.0587
    expect(fit.fills).toBe(Math.floor(1e-3 / each))
    expect(fit.leftM3).toBeCloseTo(1e-3 - fit.fills * each, 9)
    expect(fit.overM3).toBeCloseTo(1e-3 - 4 * Math.PI * 0.03 ** 2 * 0.0637, 9)
  })
  it('the factor to a depth, by hand: 1571 g held at 5 cm, 1100 kg/m³, 10 g in the pan, from 800 g', () => {
    const c = cavityOf(round20)
    expect(factorToDepth(c, 1, 1100, 0.05, 800, 10)).toBeCloseTo((Math.PI * 0.01 * 0.05 * 1100 * 1000 + 10) / 810, 9)
  })
  const tin = (id: string) => NOMINAL_VESSELS.find(n => n.id === id)!.vessel
  const big = formula(
    { egg: 300, sugar: 400, lemon: 180, flour: 48 },
    (d) => {
      d.assembly = { ...d.assembly, vessel: tin('us-9x13'), crustM: 0.006, crustForm: 'base', portions: 24 }
    },
    { school: 'cooledBase', use: 'cut' },
  )
  it('a 9 × 13 formula in an 8 × 8 tin: areas say × .55, six eggs become three, and the depth that gives is told and true', () => {
    const before = assess(big, kitchen)
    const plan = fitInto(
      big,
      kitchen,
      before.shape,
      { vessel: tin('us-sq8'), vesselId: null, count: 1, depthM: null, wholeEggs: true },
      counter(),
    )
    expect(plan.exactFactor).toBeCloseTo(0.556, 1)
    expect(plan.eggs).toEqual([{ ingredientId: 'egg', from: 6, to: 3 }])
    expect(plan.factor).toBeCloseTo(0.5, 9)
    const after = assess(plan.doc, kitchen)
    expect(after.shape.depthM).toBeCloseTo(plan.depthM, 3)
    expect(after.shape.depthM).toBeLessThan(before.shape.depthM)
    expect(after.heat.endS).toBeLessThan(before.heat.endS)
  })
  it('an unrounded factor keeps the depth; a depth asked for is reached; into two tins it halves', () => {
    const { shape } = assess(big, kitchen)
    const same = fitInto(
      big,
      kitchen,
      shape,
      { vessel: tin('us-rd9'), vesselId: null, count: 1, depthM: null, wholeEggs: false },
      counter(),
    )
    // Grams are rounded to the tenth.
    expect(same.depthM).toBeCloseTo(shape.depthM, 5)
    expect(
      fitInto(
        big,
        kitchen,
        shape,
        { vessel: tin('us-rd9'), vesselId: null, count: 1, depthM: 0.02, wholeEggs: false },
        counter(),
      ).depthM,
    ).toBeCloseTo(0.02, 5)
    const two = fitInto(
      big,
      kitchen,
      shape,
      { vessel: tin('us-rd9'), vesselId: null, count: 2, depthM: null, wholeEggs: false },
      counter(),
    )
    expect((two.factor * (shape.batchG + 10) - 10) / (same.factor * (shape.batchG + 10) - 10)).toBeCloseTo(2, 6)
  })
  it('yolks and whole eggs are both whole, and the rest follows the line with most egg', () => {
    const doc = formula({ ...EGG_CURD, egg: 200, yolk_sep: 57 })
    const plan = fitInto(
      doc,
      kitchen,
      assess(doc, kitchen).shape,
      { vessel: round20, vesselId: null, count: 1, depthM: 0.03, wholeEggs: true },
      counter(),
    )
    for (const e of plan.eggs) expect(Number.isInteger(e.to)).toBe(true)
    const sugar = (d: typeof doc) => fillingOf(d).lines.find(l => l.ingredientId === 'sugar')!.massG
    expect(sugar(plan.doc) / sugar(doc)).toBeCloseTo(plan.factor, 2)
  })
  it('a crust goes where none can stand, comes where one must, and follows the tin', () => {
    const inGlasses = fitInto(
      big,
      kitchen,
      assess(big, kitchen).shape,
      { vessel: tin('m-glass'), vesselId: null, count: 12, depthM: 0.03, wholeEggs: false },
      counter(),
    )
    expect([inGlasses.doc.assembly.crustM, inGlasses.doc.components.some(c => c.role === 'crust')]).toEqual([
      0,
      false,
    ])
    expect(inGlasses.depthM).toBeCloseTo(0.03, 5)
    const ring = withVessel(formula(), kitchen, tin('m-ring24'), 'own', counter())
    expect(ring.assembly).toMatchObject({ vesselId: 'own', crustM: 0.004, crustForm: 'shell' })
    expect(ring.components.find(c => c.role === 'crust')!.make!.kind).toBe('blindShell')
    expect(withVessel(big, kitchen, tin('us-rd9'), null, counter()).assembly.crustForm).toBe('shell')
    expect(withVessel(big, kitchen, tin('us-sq8'), null, counter()).assembly.crustForm).toBe('base')
  })
  it('a depth that cannot be names its field', () => {
    expect(() =>
      fitInto(
        big,
        kitchen,
        assess(big, kitchen).shape,
        { vessel: round20, vesselId: null, count: 1, depthM: 0.0001, wholeEggs: false },
        counter(),
      ),
    ).toThrow(expect.objectContaining({ path: 'assembly.depth' }) as InputError)
  })
  it('pans and bowls: a boil wants three times, whipped cream twice its volume and half as much again', () => {
    const posset = formula(
      { cream36: 600, sugar: 150, lemon: 90 },
      (d) => {
        d.heat.targetTempC = 100
      },
      { school: 'reduced', use: 'glass' },
    )
    expect(workVessels(posset, assess(posset, kitchen))[0]).toMatchObject({
      what: 'boil',
      times: 3,
      ofM3: expect.closeTo(750 / 1.06e6, 9),
    })
    const mousse = formula({ egg: 120, sugar: 120, lemon: 100, gelatin: 3, cream36: 300 }, () => {}, {
      school: 'foldedMousse',
      use: 'glass',
    })
    const whip = workVessels(mousse, assess(mousse, kitchen)).find(w => w.what === 'whip')!
    expect(ml(whip.holdM3)).toBeCloseTo(300 * 2 * 1.5, 6)
    expect(workVessels(formula(YOLK_CURD), assess(formula(), kitchen))[0]!.what).toBe('bath')
  })
})

describe('portions and cuts, by hand', () => {
  it('602 g into six: 100.3 g each, the scale reads 301 after three', () => {
    const pour = evenPour(602, 6)
    expect(pour.eachG).toBeCloseTo(100.333, 3)
    expect(pour.readingsG[2]).toBeCloseTo(301, 6)
    expect(pour.readingsG.at(-1)).toBe(602)
  })
  it('20 × 20 cm, four by four, 5 mm trimmed: 47.5 mm squares, 9.75 % trim; untrimmed twelve of sixteen have an edge', () => {
    const g = cutGrid(1600, { lengthM: 0.2, widthM: 0.2 }, 4, 4, 0.005)
    expect([g.lengthM, g.trimG, g.pieceG, g.edges]).toEqual([
      expect.closeTo(0.0475, 9),
      expect.closeTo(156, 6),
      expect.closeTo(90.25, 6),
      0,
    ])
    expect(cutGrid(1600, { lengthM: 0.2, widthM: 0.2 }, 4, 4, 0).edges).toBe(12)
    expect(() => cutGrid(1600, { lengthM: 0.2, widthM: 0.2 }, 4, 4, 0.2)).toThrow(
      expect.objectContaining({ path: 'grid.trimM' }) as InputError,
    )
  })
  it('a 33 × 23 cm tray for 24 is six by four', () => {
    expect(suggestGrid(24, { lengthM: 0.33, widthM: 0.23 })).toEqual({ columns: 6, rows: 4 })
    expect(suggestGrid(16, { lengthM: 0.2, widthM: 0.2 })).toEqual({ columns: 4, rows: 4 })
  })
  it('twelve wedges of a 24 cm tart: 30°, 62.8 mm along the rim, 62.1 straight across', () => {
    const w = cutWedges(1200, 0.24, 12)
    expect([w.angleDeg, 1000 * w.arcM, 1000 * w.chordM, w.pieceG]).toEqual([
      30,
      expect.closeTo(62.83, 2),
      expect.closeTo(62.12, 2),
      100,
    ])
  })
  it('a glass 60 mm wide, 40 of 80 mm full, leaning 30°: 22.7 and 57.3 mm; 53° is the most', () => {
    const c = cavityOf(plainVessel('glass', 'glass', 0.06, 0.06, 0.08))
    const lean = leanOf(c, 0.04, 30)
    expect([1000 * lean.lowM, 1000 * lean.highM, lean.mostDeg]).toEqual([
      expect.closeTo(22.68, 2),
      expect.closeTo(57.32, 2),
      expect.closeTo(53.13, 2),
    ])
  })
})
