import { describe, expect, it } from 'vitest'
import type { MapField } from '#core/solve/map'
import { drawMap, MAP_UNITS, placeFor } from './mapDrawing'

const N = 33
/** A made-up field: firmer to the right, sharper upwards, grainy in the far corner. */
const field = (): MapField => {
  const cells = Array.from({ length: N * N }, (_, k) => [(k % N) / (N - 1), Math.floor(k / N) / (N - 1)] as const)
  const stress = cells.map(([x]) => 20 * 100 ** x)
  return {
    n: N,
    coldStarPa: stress,
    plateStarPa: stress,
    sharp: cells.map(([, y]) => 0.5 + y),
    b: cells.map(([x, y]) => (x + y > 1.8 ? 0.5 : 0)),
    aromaGPerKg: null,
    // Meets the use between 200 and 900 Pa, where it is not grainy.
    meets: cells.map(([x, y], k) =>
      Math.min(Math.log(stress[k]! / 200), Math.log(900 / stress[k]!), 0.3 - (x + y > 1.8 ? 0.5 : 0))),
    grainyAt: 0.3,
  }
}

describe('the drawing of the map', () => {
  const d = drawMap(field(), 'plate')
  it('draws the bands that are there and no other, each line inside the frame', () => {
    expect(d.bands.map(b => b.band)).toEqual([
      'pourable',
      'coats',
      'spoonable',
      'mounds',
      'slicesSoftly',
      'slicesCleanly',
      'turnsOut',
    ])
    for (const n of d.bands.flatMap(b => b.path.match(/[\d.]+/g)!.map(Number))) {
      expect(n).toBeGreaterThanOrEqual(0)
      expect(n).toBeLessThanOrEqual(MAP_UNITS)
    }
  })
  it('scent: only where zest is an input; its lines and words along the edge it changes on', () => {
    expect([d.scent, d.scentWords]).toEqual([[], []])
    // From none to 16 g/kg across: faint to 2, clear to 8, full beyond; the same all the way up.
    const across = Array.from({ length: N * N }, (_, k) => (16 * (k % N)) / (N - 1))
    const s = drawMap({ ...field(), aromaGPerKg: across }, 'plate')
    expect(s.scent).toHaveLength(2)
    expect(s.scentWords.map(w => [w.aroma, w.side])).toEqual([['clear', 'bottom'], ['full', 'bottom']])
    expect(s.scentWords[1]!.at).toBeCloseTo(0.75, 1)
    const line = [...s.scent[1]!.matchAll(/([\d.]+) [\d.]+/g)].map(m => Number(m[1]))
    for (const x of line) expect(x / MAP_UNITS).toBeCloseTo(0.5, 1)
  })
  it('the edge of a band lies where its stress is: 120 Pa at x = ln 6 / ln 100', () => {
    const xs = d.bands
      .find(b => b.band === 'mounds')!
      .path.match(/[\d.]+ [\d.]+/g)!
      .map(p => p.split(' ').map(Number))
      .filter(([, y]) => y! > 200 && y! < 800)
      .map(([x]) => x!)
    expect(Math.min(...xs) / MAP_UNITS).toBeCloseTo(Math.log(6) / Math.log(100), 2)
  })
  it('sharpness has a line an edge, and its words stand along the right edge from flat to sharp', () => {
    expect(d.sharpness.map(s => s.edge)).toEqual([0.6, 0.85, 1.12, 1.35])
    const right = d.edgeWords.filter(w => w.side === 'right').sort((a, b) => a.at - b.at)
    expect(right.map(w => w.sharpness)).toEqual(['flat', 'mellow', 'balanced', 'bright', 'sharp'])
  })
  it('the grainy corner is drawn', () => expect(d.grainy!.path).not.toBe(''))
  it('a word is placed inside its region, in two lines when one is too long, or not at all', () => {
    const inside = (k: number) => k % N > 10 && k % N < 26
    const one = placeFor('firm', N, inside)!
    expect(one.lines).toEqual(['firm'])
    expect(one.x / MAP_UNITS).toBeCloseTo(18 / 32, 1)
    expect(placeFor('slices softly and then cleanly', N, inside)!.lines).toEqual([
      'slices softly and',
      'then cleanly',
    ])
    expect(placeFor('anything', N, k => k % N === 3)).toBeNull()
    expect(placeFor('x', N, () => false)).toBeNull()
  })
})

describe('where it meets the use', () => {
  it('is one region with a word of its own, which no other word runs into; none where nothing does', () => {
    const d = drawMap(field(), 'plate')
    const xs = d.meets!.path.match(/[\d.]+ [\d.]+/g)!.map(p => Number(p.split(' ')[0]))
    // 20·100^x = 200 and 900 Pa: x = .5 and .8266.
    expect(Math.min(...xs) / MAP_UNITS).toBeCloseTo(0.5, 1)
    expect(Math.max(...xs) / MAP_UNITS).toBeCloseTo(0.83, 1)
    const { x, y, lines } = d.meets!.label!
    expect(lines.join(' ')).toBe('holds as meant')
    for (const b of d.bands.filter(b => b.label))
      expect(Math.abs(b.label!.x - x) > 100 || Math.abs(b.label!.y - y) > 60, b.band).toBe(true)
    const dry = field()
    expect(drawMap({ ...dry, meets: dry.meets.map(() => -1) }, 'plate').meets).toBeNull()
  })
})
