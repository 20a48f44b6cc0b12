/** Freezing and thawing: bounded whatever the piece and the step, and the heat is all there. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freezingOf } from '../chill/freezing'
import { type Boundary, coolCylinder } from './conduction'
import { latentStep } from './latent'
import type { Fractions } from './properties'

const moist = (water: number, protein = 0.03): Fractions =>
  ({ water, protein, fat: 0.05, carbohydrate: 0.92 - water - protein, fibre: 0, ash: 0 })
const place = (u: number, airC: number): Boundary => ({
  top: { u, airC, evaporationW: 0 }, base: { u, airC }, side: { u, airC },
})

/** A run of a single cell. */
function cell(tempC: number, areaM2: number) {
  const [next, gr, a, b, c, d] = Array.from({ length: 6 }, () => new Float64Array(1)) as Float64Array[]
  const arrays = { next: next!, gr: gr!, a: a!, b: b!, c: c!, d: d! }
  return { ...arrays, temp: Float64Array.of(tempC), ring: Float64Array.of(areaM2) }
}

describe('the maximum principle', () => {
  const leg = fc.record({
    airC: fc.double({ min: -40, max: 40, noNaN: true }),
    u: fc.double({ min: 2, max: 120, noNaN: true }),
    hours: fc.double({ min: 0.1, max: 10, noNaN: true }),
  })
  it('no cell leaves the range of what it was and the air around it, over random pieces, moistures and legs', () => {
    fc.assert(fc.property(
      fc.record({
        radiusM: fc.double({ min: 0.008, max: 0.25, noNaN: true }),
        heightM: fc.double({ min: 0.003, max: 0.12, noNaN: true }),
        water: fc.double({ min: 0.25, max: 0.88, noNaN: true }),
        aw: fc.double({ min: 0.86, max: 0.998, noNaN: true }),
        startTempC: fc.double({ min: -30, max: 90, noNaN: true }),
        legs: fc.array(leg, { minLength: 1, maxLength: 4 }),
      }),
      ({ radiusM, heightM, water, aw, startTempC, legs }) => {
        const ends = legs.map((_, i) => 3600 * legs.slice(0, i + 1).reduce((s, l) => s + l.hours, 0))
        const at = (t: number) => legs[Math.max(0, ends.findIndex(e => t < e - 1e-6))]!
        let [low, high] = [startTempC, startTempC]
        const run = coolCylinder({
          radiusM,
          heightM,
          nr: 6,
          nz: 6,
          solid: freezingOf(moist(water), aw).solid,
          startTempC,
          endS: ends.at(-1)!,
          jumpsS: ends,
          boundary: (t) => {
            const { airC, u } = at(t)
            ;[low, high] = [Math.min(low, airC), Math.max(high, airC)]
            return place(u, airC)
          },
          // Nearly at rest the plain step may pass a goal by what its θ leaves: hundredths of the way.
          watch: (_, field) => field.some(t => t < low - 0.02 * (high - low) || t > high + 0.02 * (high - low)),
        })
        expect(run.timeS.at(-1)!).toBeCloseTo(ends.at(-1)!, 3)
      },
    ), { numRuns: 120 })
  }, 60_000)
  it('a tray of gel 36 × 26 cm, two hours at −18 °C and six at 4 °C, from 100 to 220 g of water gram by gram', () => {
    for (let waterG = 100; waterG <= 220; waterG++) {
      const water = waterG / (waterG + 90)
      const run = coolCylinder({
        radiusM: 0.151,
        heightM: 0.006,
        solid: freezingOf(moist(Math.min(0.88, water), 0.01), 0.97 + (0.02 * (waterG - 100)) / 120).solid,
        startTempC: 21,
        endS: 8 * 3600,
        jumpsS: [2 * 3600],
        boundary: t => place(9, t < 7200 ? -18 : 4),
      })
      expect(Math.min(...run.meanC), `${waterG} g`).toBeGreaterThan(-18.4)
      expect(Math.max(...run.coreC), `${waterG} g`).toBeLessThanOrEqual(21)
      const served = run.meanC.at(-1)!
      expect(served > -1 && served < 4.4, `${waterG} g: ${served}`).toBe(true)
    }
  }, 60_000)
})

describe('the heat', () => {
  const { solid } = freezingOf(moist(0.7), 0.98)
  const fixed = { ...solid, freezing: { ...solid.freezing!, k: () => 0.8 } }
  const courses = [[20, -18], [-18, 21], [2, -30]] as const
  it.each(courses)('from %i °C into air of %i °C: what passed the top is what the slab lost', (from, airC) => {
    const [u, d, n] = [25, 0.03, 12]
    const inner = 0.8 / (d / n / 2)
    const through = (inner * u) / (inner + u)
    let [passed, before, was] = [0, 0, from as number]
    const run = coolCylinder({
      radiusM: 1,
      heightM: d,
      nr: 1,
      nz: n,
      solid: fixed,
      startTempC: from,
      endS: 6 * 3600,
      firstStepS: 2,
      maxStepS: 30,
      boundary: () => ({ top: { u, airC, evaporationW: 0 }, base: { u: 0, airC }, side: { u: 0, airC } }),
      watch: (t, field) => {
        // The trapezium over a step: the plain step works with a little more than half of the new field.
        passed += through * (airC - (field[n - 1]! + was) / 2) * (t - before)
        ;[before, was] = [t, field[n - 1]!]
        return false
      },
    })
    const held = (t: number) => solid.freezing!.enthalpy(t)
    const gained = run.field.reduce((s, [t]) => s + held(t!) - held(from), 0) * solid.rho * (d / n)
    expect(Math.abs(passed / gained - 1)).toBeLessThan(0.02)
  })
  it('one cell by hand: m·(h(T) − h(T₀)) = u·A·(air − T)·Δt, however long the step', () => {
    for (const dt of [10, 600, 36_000]) {
      const f = cell(1, 0.01)
      const edges = { uTop: 20, topC: -20, evaporationW: 0, uBase: 0, baseC: 0, sideW: 0, sideC: 0 }
      const s = { nr: 1, nz: 1, gz: 0, layerKgM2: 22, enthalpy: solid.freezing!.enthalpy, edges }
      const { change, closes } = latentStep(f, s, dt)
      const t = f.next[0]!
      const taken = 22 * 0.01 * (s.enthalpy(t) - s.enthalpy(1))
      expect(closes, `${dt} s`).toBe(true)
      expect(Math.abs(taken / (20 * 0.01 * (-20 - t) * dt) - 1), `${dt} s`).toBeLessThan(0.01)
      expect(change).toBeCloseTo(1 - t, 9)
    }
  })
  it('a step that cannot close is not taken for one that does', () => {
    const f = cell(0, 1)
    const edges = { uTop: 20, topC: -20, evaporationW: 0, uBase: 0, baseC: 0, sideW: 0, sideC: 0 }
    // An enthalpy that leaps has no temperature in between: no step through it can close.
    const leaping = (t: number) => (t < -5 ? 2000 * t - 4e5 : 2000 * t)
    expect(latentStep(f, { nr: 1, nz: 1, gz: 0, layerKgM2: 10, enthalpy: leaping, edges }, 9000).closes).toBe(false)
  })
})
