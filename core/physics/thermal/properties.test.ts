import psychrolib from 'psychrolib'
import { describe, expect, it } from 'vitest'
import { parts } from '../../../tests/support/core'
import checks from '../../checks/heat.json'
import tables from '../../checks/tables.json'
import { mix } from '../matter/mix'
import { fractionsOf, heatAt, heatCapacityTable, maxwellEucken, solidFat, thermalProperties } from './properties'
import {
  airPressure, boilingPoint, evaporationFlux, evaporationHeat, saturationPressure,
} from './steam'

const at20 = (id: string) => thermalProperties(fractionsOf(mix(parts({ [id]: 100 }))), 20)

describe(`heat properties (${checks.properties.source})`, () => {
  // One σ of the correlation is 4 % in heat capacity.
  it.each(checks.properties.rows)('heat capacity of $ingredient', (row) => {
    expect(Math.abs(at20(row.ingredient).cp / row.cp - 1)).toBeLessThan(0.025)
  })
  it('water: conductivity, density, heat capacity', () => {
    const w = at20('water')
    expect(w.k).toBeCloseTo(checks.properties.water.k, 2)
    expect(Math.abs(w.rho - checks.properties.water.rho)).toBeLessThan(1)
    expect(Math.abs(w.cp - checks.properties.water.cp)).toBeLessThan(5)
  })
  it('fractions of a mix sum to one, butter conducts less than egg', () => {
    const f = fractionsOf(mix(parts({ egg: 100, sugar: 80, lemon: 80, butter82: 50 })))
    expect(Object.values(f).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12)
    expect(at20('butter82').k).toBeLessThan(0.25)
    expect(at20('egg').k).toBeGreaterThan(0.45)
  })
  it('Maxwell–Eucken lies between its phases and meets them at the ends', () => {
    expect(maxwellEucken(0.6, 0.18, 0)).toBe(0.6)
    expect(maxwellEucken(0.6, 0.18, 1)).toBeCloseTo(0.18, 10)
    expect(maxwellEucken(0.6, 0.18, 0.3)).toBeGreaterThan(0.18)
    expect(maxwellEucken(0.6, 0.18, 0.3)).toBeLessThan(0.6)
  })
})

describe(`milk fat (${tables.solidFat.source})`, () => {
  it.each(tables.solidFat.rows)('is $sfc solid at $tempC °C', row =>
    expect(solidFat(row.tempC)).toBeCloseTo(row.sfc, 2),
  )
  it('takes its latent heat where it melts: 80 kJ/kg between −5 and 40 °C, times the change in solids', () => {
    const f = fractionsOf(mix(parts({ butter82: 100 })))
    const cp = heatCapacityTable(f)
    let excess = 0
    for (let t = -5; t <= 40; t++) excess += heatAt(cp, t) - thermalProperties(f, t).cp
    // Hand-computed: .82 × 80 kJ × (.70 − 0) = 46 kJ/kg, of which half a degree's worth lies outside at either end.
    expect(Math.abs(excess / (f.fat * 80e3 * 0.7) - 1)).toBeLessThan(0.05)
  })
})

describe('steam (psychrolib: ASHRAE Fundamentals 2017)', () => {
  psychrolib.SetUnitSystem(psychrolib.SI)
  it.each([1, 5, 10, 20, 30, 40, 50, 58, 60, 63, 70, 80, 90, 95, 99])('saturation pressure at %i °C', (t) => {
    expect(Math.abs(saturationPressure(t) / psychrolib.GetSatVapPres(t) - 1)).toBeLessThan(0.005)
  })
  it.each([0, 500, 1000, 2000, 3000])('air pressure at %i m', (h) => {
    expect(Math.abs(airPressure(h) / psychrolib.GetStandardAtmPressure(h) - 1)).toBeLessThan(0.001)
  })
  it.each(checks.boiling.rows)('water boils at $tempC °C at $altitudeM m', (row) => {
    expect(Math.abs(boilingPoint(row.altitudeM) - row.tempC)).toBeLessThan(0.1)
  })
  it('water that is less active boils later: where its pressure meets the air', () => {
    const t = boilingPoint(1600, 0.9)
    expect(0.9 * saturationPressure(t)).toBeCloseTo(airPressure(1600), 2)
    expect(t).toBeGreaterThan(boilingPoint(1600) + 2.5)
  })
  it('heat of evaporation agrees with steam tables (2257 kJ/kg at 100 °C, 2454 at 20 °C) within 1 %', () => {
    expect(Math.abs(evaporationHeat(100) / 2257e3 - 1)).toBeLessThan(0.01)
    expect(Math.abs(evaporationHeat(20) / 2454e3 - 1)).toBeLessThan(0.01)
  })
  it('nothing evaporates from a cold surface in warm damp air, and more from hot than warm', () => {
    expect(evaporationFlux(5, 3, 20, 0.95)).toBe(0)
    expect(evaporationFlux(5, 80, 20, 0.95)).toBeGreaterThan(2 * evaporationFlux(5, 60, 20, 0.95))
  })
})
