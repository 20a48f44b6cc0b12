import { describe, expect, it } from 'vitest'
import { standardDeviation } from 'simple-statistics'
import { drawTruths, NOTHING_SAID } from './truth'
import { ailing, brixShows, loggerShows, pHShows, scaleShows } from './instruments'
import { noiseOf } from '../base/noise'

describe('truths', () => {
  it('a kitchen is the same for every batch, its batches are not, and its rings differ', () => {
    const [a, b] = [drawTruths(NOTHING_SAID, 3, 1), drawTruths(NOTHING_SAID, 3, 2)]
    expect(a('burnerFactor', 'x')).toBe(b('burnerFactor', 'x'))
    expect(a('burnerFactor', 'x')).not.toBe(a('burnerFactor', 'y'))
    expect(a('juiceAcidFactor')).not.toBe(b('juiceAcidFactor'))
    expect(drawTruths(NOTHING_SAID, 4, 1)('burnerFactor', 'x')).not.toBe(a('burnerFactor', 'x'))
  })
  it('what is said wins, a ring\'s own over all', () => {
    const t = drawTruths({ values: { 'burnerFactor': 0.8, 'burnerFactor.x': 0.6, 'setFactor.egg': 2 }, mistake: null }, 0, 0)
    expect([t('burnerFactor', 'x'), t('burnerFactor', 'y'), t('setFactor', 'egg')]).toEqual([0.6, 0.8, 2])
    expect(t('setFactor', 'butter')).not.toBe(2)
  })
  it('are spread as the core says', () => {
    const bias = Array.from({ length: 400 }, (_, k) => drawTruths(NOTHING_SAID, k, 0)('probeBiasK'))
    expect(standardDeviation(bias)).toBeCloseTo(1.5, 0)
    const oven = Array.from({ length: 400 }, (_, k) => drawTruths(NOTHING_SAID, k, 0)('ovenOffsetK'))
    expect(standardDeviation(oven)).toBeGreaterThan(6.5)
    expect(standardDeviation(oven)).toBeLessThan(9.5)
  })
})

describe('instruments', () => {
  const noise = noiseOf(5)
  it('show what is there, off by what is true of them, to their step', () => {
    expect(Math.abs(scaleShows(1.02, 500, noise) - 510)).toBeLessThanOrEqual(2)
    expect(Number.isInteger(scaleShows(1, 300.4, noise))).toBe(true)
    expect(scaleShows(1, 3.04, noise)).toBeCloseTo(3, 0)
    expect(Math.min(...Array.from({ length: 50 }, () => scaleShows(1, 0.1, noise)))).toBe(0)
    expect(Math.abs(pHShows(3.4, 0.2, noise) - 3.6)).toBeLessThan(0.12)
    expect(Math.abs(brixShows(42, noise) - 42)).toBeLessThan(1)
    expect(Math.abs(loggerShows(4, 0.5, noise) - 4.5)).toBeLessThan(0.4)
  })
  it('drift by the hour, are silent in some half minutes and not in others, and go flat for good', () => {
    expect([0, 900, 3600].map(s => ailing('drifts', 50, s, 3))).toEqual([50, 51, 54])
    const said = Array.from({ length: 100 }, (_, i) => ailing('dropsOut', 50, 30 * i, 3))
    const silent = said.filter(x => x === null).length
    expect(silent).toBeGreaterThan(25)
    expect(silent).toBeLessThan(55)
    expect(ailing('dropsOut', 50, 29.9, 3)).toBe(said[0])
    const lasts = [1, 2, 3, 4].map(seed => Array.from({ length: 600 }, (_, s) => ailing('flatBattery', 50, s, seed)))
    for (const one of lasts) {
      const end = one.indexOf(null)
      expect(end).toBeGreaterThan(149)
      expect(end).toBeLessThan(502)
      expect(one.slice(end).every(x => x === null)).toBe(true)
    }
    expect(new Set(lasts.map(one => one.indexOf(null))).size).toBeGreaterThan(2)
  })
})
