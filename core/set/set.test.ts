import { describe, expect, it } from 'vitest'
import tables from '../checks/tables.json'
import { defaultUse } from '../formula/create'
import { mix } from '../formula/mix'
import { parts } from '../../tests/support/core'
import { BANDS, bandOf, corrected, CUTS, G, neededPa, slumpShare, standingHeight, STANDS, tableSlump, targetOf } from './bands'
import { firmness, phasesOf, yieldStress } from './firmness'
import { heapProfile, slicedProfile, type Point } from './profile'

const area = (points: Point[]) => Math.abs(points.reduce((s, p, i) => {
  const q = points[(i + 1) % points.length]!
  return s + p.x * q.y - q.x * p.y
}, 0)) / 2

describe(`slump (${tables.slump.source})`, () => {
  const rho = 1100
  const h = 0.05
  it.each(tables.slump.rows)('τ′ $tau slumps $slump', row => expect(Math.abs(slumpShare(row.tau * rho * G * h, rho, h) - row.slump)).toBeLessThan(0.001))
  it.each(tables.ring.rows)('a 50 mm ring that sinks $mm mm reads $pa Pa', (row) => {
    expect(Math.abs(1000 * h * slumpShare(row.pa, rho, h) - row.mm)).toBeLessThan(0.5)
  })
  it('a liquid runs flat, and nothing slumps twice', () => {
    expect(slumpShare(0, rho, h)).toBe(1)
    expect(slumpShare(1e5, rho, h)).toBe(0)
  })
  it('on a table a piece sags exactly when it falls below what standing needs', () => {
    const need = neededPa(0.025, 1050, STANDS)
    expect(tableSlump(need * 1.0001, 1050, 0.025)).toBe(0)
    expect(tableSlump(need * 0.9, 1050, 0.025)).toBeGreaterThan(0)
  })
})

describe('standing', () => {
  it('needs S·ρ·g·h/2: 25 mm at 1100 kg/m³ asks 270 Pa to stand and 540 Pa to be cut (hand-computed)', () => {
    expect(neededPa(0.025, 1100, STANDS)).toBeCloseTo(269.8, 1)
    expect(neededPa(0.025, 1100, CUTS)).toBeCloseTo(539.6, 1)
    expect(standingHeight(539.55, 1100, CUTS)).toBeCloseTo(0.025, 5)
  })
  it('bands meet without a gap and keep their order', () => {
    BANDS.forEach((b, i) => {
      expect(bandOf(b.fromPa)).toBe(b.id)
      if (i > 0) expect(bandOf(b.fromPa - 0.001)).toBe(BANDS[i - 1]!.id)
    })
    expect(corrected(100, 1100)).toBe(100)
    expect(corrected(100, 400)).toBeCloseTo(170, 9)
  })
  it('each use asks for a range; a cut piece asks for more the higher it is', () => {
    for (const kind of ['spooned', 'glass', 'piped', 'cut', 'turnedOut'] as const) {
      const t = targetOf(defaultUse(kind), 1080)
      expect(t.coldMinPa).toBeLessThan(t.coldMaxPa)
      expect(t.plateMinPa).toBeLessThanOrEqual(t.coldMinPa)
    }
    const at = (h: number) => targetOf({ ...defaultUse('cut'), pieceHeightM: h }, 1080)
    expect(at(0.04).coldMinPa).toBeCloseTo(2 * at(0.02).coldMinPa, 6)
  })
})

describe('firmness', () => {
  const state = { a: 1, b: 0, fatSolids: 0.56, tempC: 5 }
  const of = (grams: Record<string, number>, s = state) => {
    const m = mix(parts(grams))
    return firmness(phasesOf(m), m.grams.eggWhiteProtein + m.grams.yolkProtein, s)
  }
  it('by hand: no fat, 10 g set protein per 100 g water phase, 5 °C: 26·10^2.3·.062 = 321.6 Pa', () => {
    const ph = { aqueousG: 100, phi: 0, phiButter: 0, sugarShare: 0.4, density: 1100 }
    expect(firmness(ph, 10, state).eggPa).toBeCloseTo(26 * 10 ** 2.3 * 0.062, 6)
    expect(firmness(ph, 10, { ...state, tempC: 25 }).eggPa).toBeCloseTo(26 * 10 ** 2.3 * 0.062 * 0.76, 6)
    expect(firmness({ ...ph, phi: 0.3, phiButter: 0.3 }, 0, state).butterPa).toBeCloseTo(4e4 * 0.168 ** 3, 6)
  })
  it('butter gives nothing melted, over-setting takes strength away, the cold adds', () => {
    const grams = { yolk_sep: 170, sugar: 170, lemon: 170, butter82: 150 }
    expect(of(grams, { ...state, fatSolids: 0 }).butterPa).toBe(0)
    expect(yieldStress(of(grams, { ...state, b: 0.6 }))).toBeLessThan(yieldStress(of(grams)))
    expect(yieldStress(of(grams, { ...state, tempC: 20, fatSolids: 0.18 }))).toBeLessThan(0.7 * yieldStress(of(grams)))
  })
  it('only the butter\'s share of the fat hardens as butter', () => {
    const p = phasesOf(mix(parts({ yolk_sep: 200, sugar: 150, lemon: 150, butter82: 100 })))
    expect(p.phiButter).toBeLessThan(p.phi)
    expect(p.phiButter / p.phi).toBeCloseTo(82 / (82 + 0.233 * 200 + 0.3), 2)
  })
})

describe('outlines keep the section\'s area', () => {
  it.each([0, 0.1, 0.3, 0.6])('a slice that slumps by %f', (slump) => {
    const points = slicedProfile(0.06, 0.025, slump, 64)
    expect(Math.abs(area(points) / (0.06 * 0.025) - 1)).toBeLessThan(0.03)
    expect(Math.max(...points.map(p => p.y))).toBeCloseTo(0.025 * (1 - slump), 9)
  })
  it('a heap widens as it sinks', () => {
    expect(Math.abs(area(heapProfile(0.05, 0.025, 0.4)) / area(heapProfile(0.05, 0.025, 0)) - 1)).toBeLessThan(1e-9)
  })
})
