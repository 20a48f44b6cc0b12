/** Pastry and sponge: each by hand, thresholds on both sides, against the practice that is named. */
import { describe, expect, it } from 'vitest'
import { bendOf, binds, CRUMB_FAT, shrinks, slumps, turnsOf, weightsG } from './pastry'

describe('a shell', () => {
  it('shrinks by 8 % at once, 4 % after half an hour, 2 % after a night', () => {
    expect([shrinks(0), shrinks(30), shrinks(12 * 60)])
      .toEqual([0.08, expect.closeTo(0.02 + 0.06 / Math.E, 9), expect.closeTo(0.02, 6)])
  })
  it('slumps only without weights, twice as far where it is not cold', () => {
    expect([slumps(19, true), slumps(20, false), slumps(19, false)]).toEqual([0, 0.2, 0.4])
  })
  it('of 23 to 25 cm takes about 900 g of weights up to the rim (common practice)', () => {
    const volume = (d: number) => (Math.PI * d ** 2 * 0.025) / 4
    expect(weightsG(volume(0.24))).toBeCloseTo(905, 0)
    expect([weightsG(volume(0.23)) > 800, weightsG(volume(0.25)) < 1000]).toEqual([true, true])
  })
})

describe('a crumb', () => {
  it('120 g with 60 g of butter holds, with 40 it crumbles, with 90 it is greasy; a spoon of sugar in the butter binds', () => {
    const of = (butterG: number, meltedSugarG = 0) =>
      binds({ fatG: 0.82 * butterG, meltedSugarG, massG: 120 + butterG + meltedSugarG })
    expect(of(60)).toBeCloseTo(49.2 / 180, 9)
    const [least, most] = CRUMB_FAT
    expect([of(40) > least, of(34) > least, of(60) < most, of(90) < most]).toEqual([true, false, true, false])
    expect(of(60, 12)).toBeGreaterThan(of(60))
    expect(binds({ fatG: 1, meltedSugarG: 0, massG: 0 })).toBe(0)
  })
})

describe('a sheet', () => {
  it('of 10 mm is strained by a quarter at a first turn of 15 mm; a third of water bears .3, warm .375', () => {
    expect(bendOf(0.01, 0.33, false)).toMatchObject({ strain: 0.25, bears: expect.closeTo(0.3, 9) })
    expect(bendOf(0.01, 0.33, true).bears).toBeCloseTo(0.375, 9)
  })
  it('bends up to three quarters of what it bears, may crack up to all of it', () => {
    // Strain .25: bears .3·(x/.33)²·1.25, so that x = .33·√(.25/(.375·s)).
    const at = (s: number) => 0.33 * Math.sqrt(0.25 / (0.375 * s))
    expect([0.749, 0.751, 0.999, 1.001].map(s => bendOf(0.01, at(s), true).word))
      .toEqual(['bends', 'mayCrack', 'mayCrack', 'cracks'])
  })
  it('as baked it bends at 10 mm; a third drier, or twice as thick, it cracks (common practice)', () => {
    expect([bendOf(0.01, 0.35, true).word, bendOf(0.01, 0.23, true).word, bendOf(0.022, 0.35, true).word])
      .toEqual(['bends', 'cracks', 'cracks'])
  })
  it('a radius of 36 mm of 12 mm is three turns', () => expect(turnsOf(0.036, 0.012)).toBeCloseTo(3, 9))
})
