import { describe, expect, it } from 'vitest'
import { COLD_RAMP, FINE, levelLines, RAMP_HIGH, RAMP_LOW, rampColors, refine } from './coldDrawing'

describe('the drawing of the cold', () => {
  it('the ramp begins and ends with its colours, passes paper near 21 °C, and has no hole', () => {
    const colors = rampColors(104)
    expect([colors[0], colors.at(-1)]).toEqual([COLD_RAMP[0]![1].toLowerCase(), COLD_RAMP.at(-1)![1].toLowerCase()])
    for (const c of colors) expect(c).toMatch(/^#[0-9a-f]{6}$/)
    expect(colors[Math.round((21 - RAMP_LOW) / (RAMP_HIGH - RAMP_LOW) * 103)]).toMatch(/^#d[ef]/)
  })
  it('refining keeps a straight slope straight and never leaves the range of the cells', () => {
    const n = 8
    const slope = Array.from({ length: n * n }, (_, k) => 10 * (k % n))
    const fine = refine(slope, n)
    expect(fine).toHaveLength(FINE * FINE)
    expect([Math.min(...fine), Math.max(...fine)]).toEqual([0, 70])
    expect(fine[20] ?? 0).toBeCloseTo(10 * ((20.5 / FINE) * n - 0.5), 9)
  })
  it('a level lies where its value is: half way across a slope, from the base to the top, off the frame', () => {
    const n = 12
    const fine = refine(Array.from({ length: n * n }, (_, k) => k % n), n)
    const [line, ...more] = levelLines(fine, 5.5)
    expect(more).toEqual([])
    for (const [x] of line!) expect(x).toBeCloseTo(0.5, 1)
    expect(Math.max(...line!.map(p => p[1])) - Math.min(...line!.map(p => p[1]))).toBeGreaterThan(0.9)
    expect(levelLines(fine, 99)).toEqual([])
  })
})
