import { describe, expect, it } from 'vitest'
import { formula } from '../../../tests/support/core'
import { plainVessel } from './cavity'
import { sectionOf, type SectionPoint } from './section'

const assembly = formula().assembly
/** Area of a polygon, m² (shoelace). */
const area = (p: SectionPoint[]) =>
  Math.abs(p.reduce((s, a, i) => s + a.x * p[(i + 1) % p.length]!.z - p[(i + 1) % p.length]!.x * a.z, 0)) / 2

describe('the section of a vessel', () => {
  it('a straight tin 200 × 50 mm, 30 mm full: 60 cm² of filling, wall from rim to rim', () => {
    const s = sectionOf(plainVessel('round', 'metal', 0.2, 0.2, 0.05), assembly, 0.03)
    expect(1e4 * area(s.fill)).toBeCloseTo(60, 6)
    expect([s.wall[0], s.wall.at(-1)]).toEqual([
      { x: -0.1, z: expect.closeTo(0.05, 9) },
      { x: 0.1, z: expect.closeTo(0.05, 9) },
    ])
    expect([s.crust, s.topping]).toEqual([[], []])
  })
  it('a shell of 5 mm takes base and sides, a base alone the base', () => {
    const tin = plainVessel('round', 'metal', 0.2, 0.2, 0.05)
    expect(1e4 * area(sectionOf(tin, { ...assembly, crustM: 0.005 }, 0.03).fill)).toBeCloseTo(19 * 3, 6)
    expect(1e4 * area(sectionOf(tin, { ...assembly, crustM: 0.005, crustForm: 'base' }, 0.03).fill)).toBeCloseTo(
      20 * 3,
      6,
    )
    expect(1e4 * area(sectionOf(tin, { ...assembly, crustM: 0.005 }, 0.03).crust)).toBeCloseTo(20 * 5 - 19 * 4.5, 6)
  })
  it('what would run over stops at the rim; a half ball holds π·r²/2 of section', () => {
    expect(1e4 * area(sectionOf(plainVessel('round', 'metal', 0.2, 0.2, 0.05), assembly, 0.09).fill)).toBeCloseTo(
      100,
      6,
    )
    expect(
      (1e4 * area(sectionOf(plainVessel('bowl', 'ceramic', 0.08, 0.08, 0.04), assembly, 0.04).fill)) /
      ((Math.PI * 16) / 2),
    ).toBeCloseTo(1, 1)
  })
  it('a leaning glass keeps its filling: one side higher by as much as the other is lower', () => {
    const glass = plainVessel('glass', 'glass', 0.06, 0.06, 0.09)
    const lean = sectionOf(glass, { ...assembly, tiltDeg: 20 }, 0.04)
    const top = (side: 1 | -1) => Math.max(...lean.fill.filter(p => Math.sign(p.x) === side).map(p => p.z))
    expect(top(1) - top(-1)).toBeCloseTo(0.06 * Math.tan((20 * Math.PI) / 180), 4)
    expect(top(1) + top(-1)).toBeCloseTo(0.08, 4)
  })
})
