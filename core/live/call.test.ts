/** The call, each of its reasons just before and just after. */
import { describe, expect, it } from 'vitest'
import { STANDARD } from '../base/parameters'
import { callOf, type CallPlan, type PotNow } from './call'

const PLAN: CallPlan = { doneC: 80, grainyC: 86, holdS: 0, boils: false, biasK: 0, stopG: null }
const now = (over: Partial<PotNow>): PotNow => ({ nowS: 600, probe: [], pan: [], mixC: 70, off: null, ...over })
const range = (value: number) => ({ low: value, value, high: value })
const called = (plan: Partial<CallPlan>, over: Partial<PotNow>) => callOf({ ...PLAN, ...plan }, now(over)).isCalled
/** Readings of one temperature every 10 s from a time on. */
const held = (fromS: number, toS: number, tempC: number) =>
  Array.from({ length: (toS - fromS) / 10 + 1 }, (_, i) => ({ atS: fromS + 10 * i, tempC }))

describe('the call', () => {
  it('with no hold: a second before what the pan gives back ends it', () => {
    expect(called({}, { off: range(1) })).toBe(true)
    expect(called({}, { off: range(1.1) })).toBe(false)
    expect(called({}, { off: null })).toBe(false)
    expect(callOf(PLAN, now({ mixC: 78.5 })).carryK).toBeCloseTo(1.5, 9)
  })
  it('a hold counts from its target, as the probe errs, and faster above it', () => {
    const plan = { holdS: 60 }
    expect(called(plan, { probe: held(500, 550, 80), nowS: 559.9 })).toBe(false)
    expect(called(plan, { probe: held(500, 550, 80), nowS: 560 })).toBe(true)
    expect(callOf({ ...PLAN, ...plan }, now({ probe: held(500, 550, 79.7) })).holdLeftS).toBeNull()
    expect(callOf({ ...PLAN, ...plan }, now({ probe: held(500, 550, 79.8) })).holdLeftS).not.toBeNull()
    // A probe that shows two degrees too much is there at 82.
    expect(callOf({ ...PLAN, ...plan, biasK: 2 }, now({ probe: held(500, 550, 81) })).holdLeftS).toBeNull()
    const there = callOf({ ...PLAN, ...plan, biasK: 2 }, now({ probe: held(500, 550, 82), nowS: 550 }))
    expect(there.holdLeftS).toBeCloseTo(10, 9)
    // One z hotter it counts tenfold: 50 s are 500.
    const hot = held(500, 550, 80 + STANDARD.egg.settingZK)
    expect(callOf({ ...PLAN, holdS: 600 }, now({ probe: hot, nowS: 550 })).holdLeftS).toBeCloseTo(100, 6)
  })
  it('a boil is held by the clock, however hot', () => {
    const plan = { boils: true, doneC: 100, holdS: 60, grainyC: null }
    expect(callOf({ ...PLAN, ...plan }, now({ probe: held(500, 550, 103), nowS: 550 })).holdLeftS).toBeCloseTo(10, 9)
  })
  it('near grains it comes off, whatever is left of the hold', () => {
    expect(called({ holdS: 600 }, { mixC: 85.01, probe: held(590, 600, 85) })).toBe(true)
    expect(called({ holdS: 600 }, { mixC: 85, probe: held(590, 600, 81) })).toBe(false)
    expect(called({ holdS: 600, grainyC: null }, { mixC: 95, probe: held(590, 600, 81) })).toBe(false)
  })
  it('boiled back by the scale: at its weight, with the minutes at the pace of the last two', () => {
    const plan = { stopG: 1800, boils: true, grainyC: null }
    const pan = [{ atS: 500, shownG: 1900 }, { atS: 600, shownG: 1850 }]
    const call = callOf({ ...PLAN, ...plan }, now({ pan }))
    expect([call.isCalled, call.leftG, call.leftS]).toEqual([false, 50, 100])
    expect(called(plan, { pan: [...pan, { atS: 600, shownG: 1800 }] })).toBe(true)
    expect(called(plan, { pan: [] })).toBe(false)
    // Too short a while, or nothing that leaves, is no pace.
    const left = (fromS: number, shownG: number) => callOf(
      { ...PLAN, ...plan }, now({ pan: [{ atS: fromS, shownG }, { atS: 600, shownG: 1850 }] }),
    ).leftS
    expect([left(556, 1860), left(500, 1851)]).toEqual([null, null])
    expect([left(555, 1860), left(500, 1853)].every(s => s !== null)).toBe(true)
  })
  it('nothing is called before the first reading', () => {
    expect(called({ stopG: 1800 }, { mixC: null, pan: [{ atS: 1, shownG: 100 }] })).toBe(false)
    expect(called({}, { mixC: null, off: range(0) })).toBe(false)
  })
})
