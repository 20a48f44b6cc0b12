/** A fridge with what a day puts into it. */
import { describe, expect, it } from 'vitest'
import { curd } from '../../tests/support/batches'
import { kitchen } from '../../tests/support/core'
import { benchOf } from '../formula/bench'
import { forCovers } from '../plan/covers'
import { coldCourse, type Going } from './coldLoad'
import { warmOf } from './warm'

const FRIDGE = { kind: 'domesticFridge' as const, dialC: 4, roomC: 21, opensPerHour: 0 }
/** Three kilograms of a watery mix at 60 °C, an hour's time constant. */
const tub = (key: string, fromMin: number, over: Partial<Going> = {}): Going =>
  ({ key, fromMin, toMin: fromMin + 480, heatJPerK: 3 * 3600, fromC: 60, tauS: 3600, ...over })

describe('a fridge over a day', () => {
  it('begins with the heat by hand: C·(T − air)/τ', () => {
    const course = coldCourse(FRIDGE, [tub('a', 0)])
    expect(course.watts[0]).toBeCloseTo((3 * 3600 * (60 - 4)) / 3600, 6)
    expect(course.airC[0]).toBe(4)
    expect(Math.max(...course.airC)).toBeGreaterThan(5)
    expect(course.airC.at(-1)!).toBeLessThan(Math.max(...course.airC))
  })
  it('alone nobody is slowed; a second hot tub slows the first, and the more the sooner it comes', () => {
    const slowed = (at: number) => coldCourse(FRIDGE, [tub('a', 0), tub('b', at)]).slower.get('a')!
    expect(coldCourse(FRIDGE, [tub('a', 0)]).slower.get('a')).toBe(0)
    expect(slowed(0)).toBeGreaterThan(0)
    expect(slowed(0)).toBeGreaterThan(slowed(120))
    expect(slowed(479)).toBe(0)
  })
  it('what leaves before it is cold says so', () => {
    expect(coldCourse(FRIDGE, [tub('a', 0, { toMin: 20 })]).slower.get('a')).toBeNull()
  })
  it('a formula brings its heat and its own pace; twice as many bring twice the heat', () => {
    const one = warmOf(forCovers(benchOf(curd()), kitchen, 10), kitchen)!
    const two = warmOf(forCovers(benchOf(curd()), kitchen, 20), kitchen)!
    expect(one.fromC).toBeGreaterThan(30)
    expect(one.tauS).toBeGreaterThan(600)
    expect(two.heatJPerK / one.heatJPerK).toBeCloseTo(2, 1)
  })
})
