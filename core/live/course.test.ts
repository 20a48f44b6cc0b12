/**
 * Live courses of the cold and the oven held against simulated kitchens whose truth they do not know: how right is the
 * time that is left at half of the way, and does the range hold it?
 */
import { describe, expect, it } from 'vitest'
import { mean } from 'simple-statistics'
import { eventsOf } from '../book/record'
import { benchOf, ovenAirC, putBack } from '../formula/bench'
import { assess } from '../pipeline/assess'
import { timeAbove, timeBelow } from '../physics/thermal/conduction'
import { simulateBatch } from '../simulate/batch'
import { NOTHING_SAID } from '../plant/truth'
import { curd, posset } from '../../tests/support/batches'
import { formula, kitchen } from '../../tests/support/core'
import {
  COLD_COURSE, courseLeft, type CourseLaw, type LiveCourse, observeAir, observeCourse, OVEN_COURSE, type Pace,
  pacesByClock, startCourse,
} from './course'
import { coldPaces, ovenPaces } from './paces'

interface Held { leftS: number, said: NonNullable<ReturnType<typeof courseLeft>> }
/** Readings up to half of the way, then what is said of the rest; null: the truth never gets there. */
function trial(
  paces: readonly Pace[], endC: number, read: readonly { atS: number, tempC: number }[],
  levelC: number, law: CourseLaw, air: (atS: number) => number | null = () => null,
): Held | null {
  const [first] = read
  const falls = levelC < first!.tempC
  const there = (c: number, level: number) => (falls ? c <= level : c >= level)
  const half = read.findIndex(r => there(r.tempC, (first!.tempC + levelC) / 2))
  // A logger reads every few minutes: the middle passes the level between two of its readings.
  const passes = falls ? timeBelow : timeAbove
  const endS = passes(read.map(r => r.atS), read.map(r => r.tempC), levelC)
  if (endS === null || half < 1) return null
  const start = startCourse(paces, { nowC: first!.tempC, endC }, law)
  const live = read.slice(0, half + 1).reduce<LiveCourse>(observeCourse, start)
  const warmerK = air(live.atS)
  const said = courseLeft(warmerK === null ? live : observeAir(live, warmerK), levelC)
  return said && { leftS: endS - live.atS, said }
}
const shareOf = (all: readonly Held[], ok: (h: Held) => boolean) => all.filter(ok).length / all.length
const held = (all: readonly Held[]) => ({
  near: shareOf(all, h => Math.abs(h.said.value / h.leftS - 1) <= 0.1),
  close: shareOf(all, h => Math.abs(h.said.value / h.leftS - 1) <= 0.15),
  inside: shareOf(all, h => h.leftS >= h.said.low && h.leftS <= h.said.high),
})

const bar = putBack(formula(
  { egg: 243, sugar: 285, lemon: 140, flour: 35 }, d => void (d.heat.targetTempC = 80), { school: 'cooledBase', use: 'cut' },
))
const records = (planned: ReturnType<typeof curd>, n: number) => Array.from({ length: n }, (_, seed) =>
  simulateBatch({ planned, kitchen, said: NOTHING_SAID, kitchenSeed: 700 + seed, seed: 900 + seed, startedAt: '' }))

describe('a live course', () => {
  it('in the cold: the time left at half of the fall in a fridge, by a logger in the middle and one in the air', () => {
    const all = [...records(curd(), 10), ...records(posset(), 10)].flatMap((r) => {
      const b = benchOf(r, r.componentId)
      const { chill } = assess(b, kitchen)
      const leg = chill.legs.at(-1)!
      const startS = eventsOf(r.events, 'movedTo').at(-1)!.atS
      const core = r.readings.find(s => s.channel === 'core' && s.deviceId === 'logger')!
      const airs = r.readings.find(s => s.channel === 'air')!
      const read = core.timeS.flatMap((t, i) =>
        (t >= startS && core.values[i] != null ? [{ atS: t - startS, tempC: core.values[i]! }] : []))
      const paces = coldPaces(b, kitchen, b.chill.at(-1)!.id)
      // Its first reading is still of the room.
      const warmer = (atS: number) => mean(airs.values.filter((v, i): v is number =>
        v != null && airs.timeS[i]! > startS + 200 && airs.timeS[i]! - startS <= atS)) - leg.airTempC
      return trial(paces, leg.airTempC, read, 10, COLD_COURSE, warmer) ?? []
    })
    const { near, close, inside } = held(all)
    expect(all.length).toBeGreaterThan(15)
    expect(near).toBeGreaterThanOrEqual(0.9)
    expect(close).toBeGreaterThanOrEqual(0.95)
    expect(inside).toBeGreaterThanOrEqual(0.75)
  })
  it('in the oven: the same with a core probe', () => {
    const all = records(bar, 20).flatMap((r) => {
      const a = assess(benchOf(r, r.componentId), kitchen)
      const inS = eventsOf(r.events, 'ovenIn')[0]!.atS
      const core = r.readings.find(s => s.channel === 'core' && s.deviceId === 'probe')!
      const read = core.timeS.flatMap((t, i) =>
        (core.values[i] == null ? [] : [{ atS: t - inS, tempC: core.values[i] }]))
      const airC = ovenAirC(benchOf(r, r.componentId), kitchen)
      return trial(ovenPaces(a.heat, airC), airC, read, a.heat.tempC.at(-1)! - 4, OVEN_COURSE) ?? []
    })
    const { near, close, inside } = held(all)
    expect(all.length).toBeGreaterThan(12)
    expect(near).toBeGreaterThanOrEqual(0.9)
    expect(close).toBeGreaterThanOrEqual(0.95)
    expect(inside).toBeGreaterThanOrEqual(0.75)
  })
  it('is asked of the fridge at five paces; the stronger its fan, the sooner it is cold, a bench by the clock', () => {
    const b = benchOf(curd())
    const legs = b.chill.map(l => l.id)
    const cold = coldPaces(b, kitchen, legs.at(-1)!)
    const at = cold.map(p => timeBelow(p.timeS, p.tempC, 10)!)
    expect(at).toEqual(at.toSorted((x, y) => y - x))
    expect(at[0]! / at[4]!).toBeGreaterThan(1.5)
    expect(cold.map(p => p.tempC[0]!.toFixed(1))).toEqual(cold.map(() => cold[2]!.tempC[0]!.toFixed(1)))
    const bench = coldPaces(b, kitchen, legs[0]!)
    expect(bench[0]!.timeS.at(-1)! / bench[3]!.timeS.at(-1)!).toBeCloseTo(Math.exp(0.9), 6)
  })
  it('an oven is foretold beyond its end, on towards its air and never over it', () => {
    const heat = { timeS: [0, 600, 1200], tempC: [20, 60, 80] }
    const plain = ovenPaces(heat, 150).find(p => p.ln === 0)!
    expect(timeAbove(plain.timeS, plain.tempC, 85)).toBeGreaterThan(1300)
    expect(Math.max(...plain.tempC)).toBeLessThan(150)
    // At first it goes on at the pace it had: 2 K in the last minute.
    expect(plain.tempC[3]! - 80).toBeCloseTo((plain.timeS[3]! - 1200) / 30, 0)
  })
  it('narrows as it is read, follows a slow one, and says nothing of what it never reaches', () => {
    const timeS = Array.from({ length: 200 }, (_, i) => 120 * i)
    const tempC = timeS.map((_, i) => 4 + 56 * Math.exp(-i / 40))
    const start = startCourse(pacesByClock(timeS, tempC), { nowC: 60, endC: 4 }, COLD_COURSE)
    const width = (c: LiveCourse) => courseLeft(c, 10)!.high - courseLeft(c, 10)!.low
    // Truth: half as slow again.
    const slow = [10, 20, 30, 40].reduce<LiveCourse>((c, i) =>
      observeCourse(c, { atS: 180 * i, tempC: tempC[i]! }), start)
    expect(width(slow)).toBeLessThan(0.5 * width(start))
    const trueS = 1.5 * timeS[tempC.findIndex(c => c <= 10)]! - slow.atS
    expect(Math.abs(courseLeft(slow, 10)!.value / trueS - 1)).toBeLessThan(0.12)
    expect(courseLeft(slow, -5)).toBeNull()
    expect(observeCourse(slow, { atS: 60, tempC: 50 })).toBe(slow)
    expect(observeCourse(slow, { atS: 90_000, tempC: NaN })).toBe(slow)
  })
})
