import { describe, expect, it } from 'vitest'
import { byVersion, type Judged, shareAtLeast } from './versions'

const of = (versionId: string, good: number, bad: number, open = 0): Judged[] => [
  ...Array.from({ length: good }, () => ({ versionId, asMeant: true })),
  ...Array.from({ length: bad }, () => ({ versionId, asMeant: false })),
  ...Array.from({ length: open }, () => ({ versionId, asMeant: null })),
]

describe('which version comes out as meant', () => {
  it('a share is known the better the more there are', () => {
    // By hand, z² = 1.6425: all of one n/(n + z²); half of four (0.5 + 0.20531 − 0.48634)/(1 + 0.41062) − …
    expect(shareAtLeast(1, 1)).toBeCloseTo(1 / 2.6425, 3)
    expect(shareAtLeast(8, 8)).toBeCloseTo(8 / 9.6425, 3)
    expect(shareAtLeast(2, 4)).toBeCloseTo((0.5 + 0.2053 - 1.2816 * Math.sqrt(0.0625 + 0.02566)) / 1.41062, 3)
    expect(shareAtLeast(0, 5)).toBeCloseTo(0, 9)
    expect(shareAtLeast(0, 0)).toBe(0)
  })
  it('one good batch does not beat nine of ten; what nobody judged counts as made, not as good', () => {
    const [first, second] = byVersion([...of('new', 1, 0), ...of('old', 9, 1, 3)])
    expect(first).toMatchObject({ versionId: 'old', batches: 13, judged: 10, asMeant: 9 })
    expect(second!.versionId).toBe('new')
    expect(byVersion([])).toEqual([])
  })
})
