import { STANDARD } from '../../base/parameters'
import { describe, expect, it } from 'vitest'
import { parts } from '../../../tests/support/core'
import tables from '../../checks/tables.json'
import { defaultUse } from '../../formula/create'
import { mix, sugarsG } from '../matter/mix'
import {
  bandOf, BANDS, corrected, CUTS, G, heightsOf, isShaped, neededPa, slumpShare, standingHeight, STANDS, tableSlump,
  targetOf, USE_KINDS,
} from './bands'
import {
  type Body, bodyOf, caseinWindow, firmness, lnTauSigma, type Making, phasesOf, type SetState, yieldStress,
} from './firmness'
import { heapProfile, type Point, slicedProfile } from './profile'

const area = (points: Point[]) =>
  Math.abs(
    points.reduce((s, p, i) => {
      const q = points[(i + 1) % points.length]!
      return s + p.x * q.y - q.x * p.y
    }, 0),
  ) / 2

describe(`slump (${tables.slump.source})`, () => {
  const rho = 1100
  const h = 0.05
  it.each(tables.slump.rows)('τ′ $tau slumps $slump', row =>
    expect(Math.abs(slumpShare(row.tau * rho * G * h, rho, h) - row.slump)).toBeLessThan(0.001),
  )
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

describe('outlines', () => {
  it('a slice that lost 30 % of 25 mm, by hand: foot 2.2 · 7.5 + 1 = 17.5 mm, top 60 · 25/17.5 − 2/3 · 17.5 mm', () => {
    const points = slicedProfile(0.06, 0.025, 0.3)
    expect(points).toHaveLength(3 + 16)
    expect(points[2]!.x).toBeCloseTo(0.0740476, 6)
    expect(points.at(-1)!.x).toBeCloseTo(0.0740476 + 0.0175, 6)
    expect([points[1]!.y, points.at(-1)!.y]).toEqual([0.025 * 0.7, 0])
    // One that runs out altogether has a foot of 1.2 widths at most.
    expect(slicedProfile(0.01, 0.025, 0.92).at(-1)!.x - slicedProfile(0.01, 0.025, 0.92)[2]!.x).toBeCloseTo(0.012, 9)
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

describe('how high it is good for, and what it is asked for, are one rule', () => {
  const gels = [{ share: 0, tearsAt: 1 }, { share: 0.5, tearsAt: 0.3 }, { share: 1, tearsAt: 1.2 }]
  const kinds = USE_KINDS.filter(isShaped)
  it.each(kinds)('%s: a piece meets its use exactly where it is no higher than told', (kind) => {
    for (const elastic of gels)
      for (const tauPa of [60, 250, 420, 900, 2600])
        for (const density of [450, 1080]) {
          const high = heightsOf(kind, tauPa, density, elastic)
          const asked = (h: number) => targetOf({ ...defaultUse(kind), pieceHeightM: h }, density, elastic)
          expect(asked(high.standsM * 0.999).plateMinPa).toBeLessThan(tauPa)
          expect(asked(high.standsM * 1.001).plateMinPa).toBeGreaterThan(tauPa)
          if (high.cutsM > 0) expect(asked(high.cutsM * 0.999).coldMinPa).toBeLessThan(tauPa)
          expect(asked(Math.max(high.cutsM, 1e-6) * 1.001).coldMinPa).toBeGreaterThan(tauPa)
          expect(tableSlump(tauPa, density, high.standsM * 0.999, kind, elastic)).toBe(0)
          expect(tableSlump(tauPa, density, high.standsM * 1.05, kind, elastic)).toBeGreaterThan(0)
        }
  })
  it('a paste, by hand: 2τ/(S·ρ·g), and nothing that only spoons is cut at all', () => {
    expect(heightsOf('cut', 539.55, 1100)).toEqual({ standsM: expect.closeTo(0.05, 5), cutsM: expect.closeTo(0.025, 5) })
    expect(heightsOf('cut', 299, 1100).cutsM).toBe(0)
    expect(heightsOf('cut', 301, 1100).cutsM).toBeCloseTo(0.01395, 5)
    expect(heightsOf('turnedOut', 1199, 1100).cutsM).toBe(0)
    expect(heightsOf('glass', 539.55, 1100).cutsM).toBeCloseTo(0.025, 5)
  })
})

const making: Making = {
  stirred: true,
  milkHeat: 1,
  air: 0,
  whisked: 0,
  whippedFat: 0,
  whiteFoam: false,
  starch: [{ peakTempC: 96, minutes: 1.5, minuteC: 97, share: 1 }],
  acidDoseMin: 0,
  amylase: 0,
  peakC: 96,
  bloom: 200,
  fluidGel: false,
}
const set: SetState = {
  tempC: 5,
  a: 1,
  b: 0,
  butter: 0.56,
  cream: 0.56,
  hard: 1,
  casein: 1,
  gelatin: 0.77,
  starch: 1,
  oven: 0,
  agar: 1,
}
/** A body with nothing in it but what a test gives. */
const bare = (over: Partial<Body>): Body => ({
  phases: {
    aqueousG: 100, phi: 0, phiButter: 0, phiCream: 0, phiHard: { cocoa: 0, coconut: 0 }, sugarShare: 0.4, air: 0,
    density: 1100,
  },
  making,
  pH: 4.2,
  eggC: 0,
  caseinC: 0,
  caseinWindow: 0,
  starchPa: 0,
  starchCooked: 1,
  starchC: 0,
  gelatinPa: 0,
  gelatinC: 0,
  agarPa: 0,
  gums: { pa: 0, elastic: 0, tearsAt: 1 },
  starchLeft: 1,
  heldOfCasein: 0,
  heldOfStarch: 0,
  p: STANDARD.set,
  ...over,
})

describe('firmness, each mechanism by hand', () => {
  const of = (grams: Record<string, number>, s: Partial<SetState> = {}, m: Partial<Making> = {}, pH = 3.3) =>
    firmness(bodyOf(mix(parts(grams)), pH, { ...making, ...m }), { ...set, ...s })
  it('egg: no fat, 10 g set protein per 100 g water phase, 5 °C: 26·10^2.3·.062 = 321.6 Pa; baked 16 times that; .76 of it at 25 °C', () => {
    expect(firmness(bare({ eggC: 10 }), set).eggPa).toBeCloseTo(321.6, 0)
    expect(firmness(bare({ eggC: 10, making: { ...making, stirred: false } }), set).eggPa).toBeCloseTo(
      26 * 10 ** 2.3,
      6,
    )
    expect(
      firmness(bare({ eggC: 10 }), { ...set, tempC: 25 }).eggPa / firmness(bare({ eggC: 10 }), set).eggPa,
    ).toBeCloseTo(0.76, 9)
    expect(
      firmness(bare({ eggC: 10 }), { ...set, b: 1 }).eggPa / firmness(bare({ eggC: 10 }), set).eggPa,
    ).toBeCloseTo(0.3, 9)
  })
  it('butter: 4e4·(.3·.56)³ = 189.7 Pa; cream bridged by casein 8e3·(.3·.56)³·F·H = 37.9 Pa, none once whipped', () => {
    const fat = (over: object) => ({ ...bare({}).phases, phi: 0.3, ...over })
    expect(firmness(bare({ phases: fat({ phiButter: 0.3 }) }), set).butterPa).toBeCloseTo(189.7, 1)
    const cream = bare({ phases: fat({ phiCream: 0.3 }), caseinWindow: 1 })
    expect(firmness(cream, set).creamFatPa).toBeCloseTo(37.93, 1)
    expect(firmness({ ...cream, making: { ...making, whippedFat: 0.1 } }, set).creamFatPa).toBe(0)
  })
  it('casein: 2.5·4^2.3 = 60.6 Pa without fat in the middle of its window; the window is half at pH 4.75 and at 3.5', () => {
    expect(firmness(bare({ caseinC: 4, caseinWindow: 1 }), set).caseinPa).toBeCloseTo(60.6, 1)
    expect(firmness(bare({ caseinC: 4, caseinWindow: 1 }), { ...set, oven: 1 }).caseinPa).toBeCloseTo(1.6 * 60.6, 0)
    expect(caseinWindow(4.75)).toBeCloseTo(0.5, 2)
    expect(caseinWindow(3.5)).toBeCloseTo(0.5, 2)
  })
  it('starch: 5·7³ = 1715 Pa fully cooked and retrograded, a tenth when fresh, a tenth again with amylase', () => {
    const body = bodyOf(mix(parts({ water: 100, cornflour: (100 * 7) / 90 / (1 - (0.07 * 0.083) / 0.9) })), 5, {
      ...making,
      starch: [{ peakTempC: 110, minutes: 1, minuteC: 110, share: 1 }],
    })
    expect(body.starchC).toBeCloseTo(7, 1)
    expect(firmness(body, set).starchPa / 1715).toBeCloseTo(1, 1)
    expect(firmness(body, { ...set, starch: 0 }).starchPa / firmness(body, set).starchPa).toBeCloseTo(0.1, 9)
    expect(
      of({ water: 100, cornflour: 8 }, {}, { amylase: 1 }).starchPa / of({ water: 100, cornflour: 8 }).starchPa,
    ).toBeCloseTo(0.1, 9)
    expect(
      of({ water: 100, cornflour: 8 }, {}, { acidDoseMin: 2 }).starchPa / of({ water: 100, cornflour: 8 }).starchPa,
    ).toBeCloseTo(Math.exp(-0.9), 6)
    // Half of it boiled, half only warmed: half of its strength.
    const halves = [{ peakTempC: 110, minutes: 1, minuteC: 110, share: 0.5 },
      { peakTempC: 30, minutes: 1, minuteC: 30, share: 0.5 }]
    expect(
      of({ water: 100, cornflour: 8 }, {}, { starch: halves }).starchPa /
      of({ water: 100, cornflour: 8 }, {}, { starch: [{ ...halves[0]!, share: 1 }] }).starchPa,
    ).toBeCloseTo(0.5, 4)
  })
  it('set egg keeps its own water: it neither dilutes milk nor starch; runny egg does', () => {
    const milk = { condensed: 100, lime: 30, egg: 60 }
    const body = bodyOf(mix(parts(milk)), 4.5, making)
    const eggWater = 0.6 * 76.15
    const m = mix(parts(milk))
    expect(body.heldOfCasein * (m.grams.water + 0.1 * sugarsG(m))).toBeCloseTo(eggWater, 6)
    const at = (a: number) => firmness(body, { ...set, a }).caseinPa
    expect(at(1) / at(0)).toBeCloseTo((1 - body.heldOfCasein) ** -2.3, 9)
    const starch = bodyOf(mix(parts({ water: 100, cornflour: 8, egg: 40 })), 6, making)
    expect(firmness(starch, set).starchPa / firmness(starch, { ...set, a: 0 }).starchPa)
      .toBeCloseTo((1 - starch.heldOfStarch) ** -3, 9)
  })
  it('gelatin: 200 Bloom at 1 g per 100 g: 217 Pa at its 17 h; twice the Bloom, twice the stress; a third less per pH under 4.2', () => {
    const one = { water: 99, gelatin: 1 }
    expect(of(one, {}, {}, 5).gelatinPa).toBeCloseTo(217, 0)
    expect(of(one, {}, { bloom: 400 }, 5).gelatinPa / of(one, {}, {}, 5).gelatinPa).toBeCloseTo(2, 9)
    expect(of(one, {}, {}, 3.2).gelatinPa / of(one, {}, {}, 5).gelatinPa).toBeCloseTo(0.67, 6)
  })
  it('agar: 1.2e4·(.5 − .15)² = 1470 Pa, 3 % of it blended; air thins by (1 − φ)^1.5; whipped fat and white foam stand outside it', () => {
    const gel = { water: 99.5, agar: 0.5 }
    expect(of(gel).agarPa).toBeCloseTo(1470, 0)
    expect(of(gel, {}, { acidDoseMin: 2 }).agarPa / of(gel).agarPa).toBeCloseTo(Math.exp(-0.38), 6)
    expect(of(gel, {}, { fluidGel: true }).agarPa).toBeCloseTo(44.1, 1)
    expect(of(gel, {}, { air: 0.36 }).agarPa / of(gel).agarPa).toBeCloseTo(0.512, 6)
    expect(of(gel, {}, { whippedFat: 0.2 }).whipPa).toBeCloseTo(60, 6)
    expect(of(gel, {}, { air: 0.75, whiteFoam: true }).foamPa).toBeCloseTo(0.5 * 900 * 0.04, 6)
    expect(of(gel, {}, { air: 0.5, whiteFoam: true }).foamPa).toBe(0)
  })
  it('the spread of ln τ is its mechanisms\' own, weighted by what they carry', () => {
    expect(lnTauSigma(of({ water: 99, gelatin: 1 }))).toBeCloseTo(0.25, 6)
    expect(lnTauSigma(of({ water: 99.5, agar: 0.5 }))).toBeCloseTo(0.5, 6)
  })
  it('butter gives nothing melted, over-setting takes strength away, the cold adds', () => {
    const grams = { yolk_sep: 170, sugar: 170, lemon: 170, butter82: 150 }
    expect(of(grams, { butter: 0 }).butterPa).toBe(0)
    expect(yieldStress(of(grams, { b: 0.6 }))).toBeLessThan(yieldStress(of(grams)))
    expect(yieldStress(of(grams, { tempC: 20, butter: 0.18 }))).toBeLessThan(0.7 * yieldStress(of(grams)))
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
