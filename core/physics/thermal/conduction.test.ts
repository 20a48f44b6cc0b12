import { describe, expect, it } from 'vitest'
import checks from '../../checks/conduction.json'
import { type ConductionInput, coolCylinder, timeBelow, valueAt } from './conduction'
import { boundaryOf, type Placing } from './places'
import { evenHeat } from './properties'

const K = 0.4
const RHO = 1100
const CP = 3050
const DIFFUSIVITY = K / RHO / CP
/** Start, °C, above an air of 0: temperatures divided by it are the table's. */
const START = 80
const solid = { k: K, rho: RHO, cp: evenHeat(CP) }
const even =
  (h: number, side = h) =>
    () => ({ top: { u: h, airC: 0, evaporationW: 0 }, base: { u: h, airC: 0 }, side: { u: side, airC: 0 } })

describe(`conduction (${checks.source})`, () => {
  const L = 0.02
  const run = (over: Partial<ConductionInput>) =>
    coolCylinder({
      radiusM: L,
      heightM: 2 * L,
      solid,
      startTempC: START,
      endS: ((2 * L * L) / DIFFUSIVITY) * 1.01,
      boundary: even(1),
      maxStepS: 60,
      ...over,
    })
  for (const row of checks.rows) {
    const h = (row.biot * K) / L
    it(`slab, Biot ${row.biot}`, () => {
      const r = run({ nr: 1, nz: 24, radiusM: 1, boundary: even(h, 0) })
      checks.fourier.forEach((fo, i) =>
        expect(Math.abs(valueAt(r.timeS, r.coreC, (fo * L * L) / DIFFUSIVITY) / START - row.slab[i]!)).toBeLessThan(
          0.003,
        ),
      )
    })
    it(`long cylinder, Biot ${row.biot}`, () => {
      const r = run({
        nr: 24,
        nz: 1,
        heightM: 1,
        boundary: () => ({
          top: { u: 0, airC: 0, evaporationW: 0 },
          base: { u: 0, airC: 0 },
          side: { u: h, airC: 0 },
        }),
      })
      checks.fourier.forEach((fo, i) =>
        expect(
          Math.abs(valueAt(r.timeS, r.coreC, (fo * L * L) / DIFFUSIVITY) / START - row.cylinder[i]!),
        ).toBeLessThan(0.003),
      )
    })
    it(`the table's own eigenvalues solve its transcendental equation, Biot ${row.biot}`, () => {
      expect(row.mu[0]! * Math.tan(row.mu[0]!)).toBeCloseTo(row.biot, 3)
    })
  }
  it.each(checks.finite.rows)(
    'finite cylinder $diameterM × $heightM, h $h: times to a half and a tenth within 1 %',
    (row) => {
      const r = coolCylinder({
        radiusM: row.diameterM / 2,
        heightM: row.heightM,
        solid,
        startTempC: START,
        endS: 14000,
        boundary: even(row.h),
      })
      expect(Math.abs(timeBelow(r.timeS, r.coreC, 0.5 * START)! / row.halfS - 1)).toBeLessThan(0.01)
      expect(Math.abs(timeBelow(r.timeS, r.coreC, 0.1 * START)! / row.tenthS - 1)).toBeLessThan(0.01)
    },
  )
  it('heat is conserved: what leaves the mean is what crossed the faces (insulated: nothing)', () => {
    const r = run({ boundary: even(0) })
    expect(r.meanC.every(t => Math.abs(t - START) < 1e-9)).toBe(true)
  })
  it('a finer grid and smaller steps change the answer by less than 1 %', () => {
    const coarse = coolCylinder({
      radiusM: 0.04,
      heightM: 0.03,
      solid,
      startTempC: START,
      endS: 9000,
      boundary: even(12),
    })
    const fine = coolCylinder({
      radiusM: 0.04,
      heightM: 0.03,
      solid,
      startTempC: START,
      endS: 9000,
      boundary: even(12),
      nr: 24,
      nz: 24,
      maxStepS: 20,
      firstStepS: 2,
    })
    for (const level of [0.7, 0.4, 0.15])
      expect(
        Math.abs(
          timeBelow(coarse.timeS, coarse.coreC, level * START)! / timeBelow(fine.timeS, fine.coreC, level * START)! -
          1,
        ),
      ).toBeLessThan(0.012)
  })
  it('a leg change is met exactly, and an early stop stops', () => {
    const r = run({ jumpsS: [500], endS: 2000 })
    expect(r.timeS).toContain(500)
    expect(run({ stopBelowC: 40, endS: 1e6, boundary: even(20) }).coreC.at(-1)).toBeLessThan(40)
  })
  it('reads between points, holds at the ends, and says null for what never happens', () => {
    expect(valueAt([0, 10, 20], [100, 50, 40], 5)).toBe(75)
    expect(valueAt([0, 10], [100, 50], 99)).toBe(50)
    expect(timeBelow([0, 10], [100, 50], 75)).toBe(5)
    expect(timeBelow([0, 10], [100, 50], 20)).toBeNull()
    expect(timeBelow([0, 10], [10, 5], 20)).toBe(0)
  })
})

describe('places', () => {
  const faces = { topC: 30, baseC: 30, sideC: 30, meanC: 30 }
  const placing = (over: Partial<Placing>): Placing => ({
    kind: 'fanFridge',
    airTempC: 3,
    cover: 'film',
    material: 'metal',
    crustM: 0,
    crustForm: 'shell',
    waterActivity: 0.95,
    hcFactor: 1,
    ...over,
  })
  it('a fan takes more than still air, a lid keeps heat in, a crust insulates', () => {
    const fan = boundaryOf(placing({}), faces)
    expect(boundaryOf(placing({ kind: 'domesticFridge' }), faces).side.u).toBeLessThan(fan.side.u)
    expect(boundaryOf(placing({ cover: 'lid' }), faces).top.u).toBeLessThan(0.5 * fan.top.u)
    expect(boundaryOf(placing({ crustM: 0.005 }), faces).base.u).toBeLessThan(fan.base.u)
    expect(boundaryOf(placing({ material: 'plastic' }), faces).base.u).toBeLessThan(fan.base.u)
  })
  it('only what is open dries, and ice in water takes most', () => {
    /** Heat that leaves the top, W/m². */
    const off = (part: Partial<Placing>) => {
      const { u, airC } = boundaryOf(placing(part), faces).top
      return u * (faces.topC - airC)
    }
    const dry = off({ cover: 'open', waterActivity: 1e-9 })
    expect(off({ cover: 'film' })).toBeLessThan(dry)
    expect(off({ cover: 'open' })).toBeGreaterThan(dry + 10)
    expect(boundaryOf(placing({ kind: 'iceBath', airTempC: 0.5 }), faces).side.u).toBeGreaterThan(40)
  })
  it.each([95, 98, 99, 99.9, 101])('a film two millimetres thin, open, from %d °C, only cools, and never below its air', (startTempC) => {
    const open = placing({ kind: 'blastChiller', cover: 'open', airTempC: 11, waterActivity: 0.99 })
    const { coreC } = coolCylinder({
      radiusM: 0.01, heightM: 0.002, solid, startTempC, endS: 1200, maxStepS: 15,
      boundary: (_, f) => boundaryOf(open, f),
    })
    expect(coreC.every((t, i) => i === 0 || t <= coreC[i - 1]! + 1e-6)).toBe(true)
    // What dries may stand a little under its air, as a wet bulb does.
    expect(Math.min(...coreC)).toBeGreaterThan(7)
  })
})
