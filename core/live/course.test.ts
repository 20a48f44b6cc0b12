/**
 * Live courses of the cold and the oven held against simulated kitchens whose truth they do not know: how right is the
 * time that is left at half of the way, and does the range hold it?
 */
import { describe, expect, it } from 'vitest'
import { eventsOf } from '../book/record'
import { benchOf, putBack } from '../formula/bench'
import { assess } from '../pipeline/assess'
import { simulateBatch } from '../simulate/batch'
import { NOTHING_SAID } from '../plant/truth'
import { curd, posset } from '../../tests/support/batches'
import { formula, kitchen } from '../../tests/support/core'
import {
  COLD_COURSE, courseFrom, courseLeft, type CourseLaw, type LiveCourse, observeAir, observeCourse, OVEN_COURSE,
  startCourse,
} from './course'

interface Held { leftS: number, said: NonNullable<ReturnType<typeof courseLeft>> }
/** Readings up to half of the way, then what is said of the rest; null: the truth never gets there. */
function trial(
  foretold: { timeS: readonly number[], tempC: readonly number[] }, read: readonly { atS: number, tempC: number }[],
  levelC: number, law: CourseLaw, air: (atS: number) => number | null = () => null,
): Held | null {
  const falls = levelC < foretold.tempC[0]!
  const there = (c: number, level: number) => (falls ? c <= level : c >= level)
  const end = read.find(r => there(r.tempC, levelC))
  const half = read.findIndex(r => there(r.tempC, (read[0]!.tempC + levelC) / 2))
  if (!end || half < 1) return null
  const start = startCourse(foretold.timeS, foretold.tempC, law)
  const live = read.slice(0, half + 1).reduce<LiveCourse>(observeCourse, start)
  const warmerK = air(live.atS)
  const said = courseLeft(warmerK === null ? live : observeAir(live, warmerK), levelC)
  return said && { leftS: end.atS - live.atS, said }
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
      const read = core.timeS.flatMap((t, i) => (t >= startS ? [{ atS: t - startS, tempC: core.values[i]! }] : []))
      const inFridge = chill.timeS.map((t, i) => ({ t, c: chill.coreC[i]! })).filter(x => x.t >= leg.fromS)
      const begun = courseFrom(inFridge.map(x => x.t), inFridge.map(x => x.c), read[0]!.tempC, COLD_COURSE)
      const warmer = (atS: number) =>
        airs.values[airs.timeS.findLastIndex(t => t - startS <= atS)]! - leg.airTempC
      return trial(begun, read, 10, COLD_COURSE, warmer) ?? []
    })
    const { close, inside } = held(all)
    expect(all.length).toBeGreaterThan(15)
    expect(close).toBeGreaterThanOrEqual(0.85)
    expect(inside).toBeGreaterThanOrEqual(0.75)
  })
  it('in the oven: the same with a core probe', () => {
    const all = records(bar, 20).flatMap((r) => {
      const a = assess(benchOf(r, r.componentId), kitchen)
      const inS = eventsOf(r.events, 'ovenIn')[0]!.atS
      const core = r.readings.find(s => s.channel === 'core' && s.deviceId === 'probe')!
      const read = core.timeS.map((t, i) => ({ atS: t - inS, tempC: core.values[i]! }))
      return trial(a.heat, read, a.heat.tempC.at(-1)! - 4, OVEN_COURSE) ?? []
    })
    const { near, close, inside } = held(all)
    expect(all.length).toBeGreaterThan(12)
    expect(near).toBeGreaterThanOrEqual(0.85)
    expect(close).toBeGreaterThanOrEqual(0.95)
    expect(inside).toBeGreaterThanOrEqual(0.75)
  })
  it('narrows as it is read, follows a slow one, and says nothing of what it never reaches', () => {
    const timeS = Array.from({ length: 200 }, (_, i) => 120 * i)
    const tempC = timeS.map((_, i) => 4 + 56 * Math.exp(-i / 40))
    const start = startCourse(timeS, tempC, COLD_COURSE)
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
