/** Ovens with load and steam, pouches, microwaves, pulsing hobs; each equation by hand, each limit both ways. */
import { describe, expect, it } from 'vitest'
import { STANDARD } from '../../base/parameters'
import type { HeatTable } from '../thermal/properties'
import { condensingW } from '../thermal/steam'
import { type BakeInput, inOvenAtOnce, runOven } from './oven'
import { BURST, burstShape, burstsIn, heatsInPan, panFor, pulsePeakW, runPot, type PotInput } from './pot'
import { NEAR_BATH_K, runPouch } from './pouch'

const cp: HeatTable = { values: new Float64Array(200).fill(3000), fromC: -20, perK: 1 }
const solid = { k: 0.42, rho: 1200, cp }
/** A tartlet of 12 mm in a shell of 4 mm. */
const bake = (part: Partial<BakeInput> = {}, oven: Partial<BakeInput['oven']> = {}) => runOven({
  radiusM: 0.028, depthM: 0.012, atOnce: 1, roomTempC: 20, solid, startTempC: 20, material: 'metal', crustM: 0.004,
  crustForm: 'shell', waterActivity: 0.95, altitudeM: 0, targetTempC: 72, holdS: 60, timeS: null, ...part,
  oven: { airTempC: 175, fan: false, bath: false, steam: 0, ...oven },
})
const minutes = (part?: Partial<BakeInput>, oven?: Partial<BakeInput['oven']>) => bake(part, oven).reachedS! / 60

describe('an oven with its load', () => {
  it('a full tray of tablespoon tartlets takes about 12 min at 175 °C, alone sooner (common practice, a quarter)', () => {
    const full = bake({ atOnce: 24 }).core.timeS.at(-1)! / 60
    expect(full).toBeGreaterThan(9)
    expect(full).toBeLessThan(15)
    expect(minutes({ atOnce: 24 })).toBeGreaterThan(minutes() + 0.2)
  })
  it('a crust of 4 mm makes a filling of 9 mm take about half as long again, more the thicker it is', () => {
    const bare = minutes({ depthM: 0.009, crustM: 0 })
    expect(minutes({ depthM: 0.009 }) / bare).toBeGreaterThan(1.35)
    expect(minutes({ depthM: 0.009 }) / bare).toBeLessThan(2)
    // As thin as nothing it is as if it were not there, and nothing jumps on the way.
    expect(minutes({ depthM: 0.009, crustM: 1e-5 }) / bare).toBeCloseTo(1, 2)
    const [two, three, four] = [0.002, 0.003, 0.004].map(crustM => minutes({ crustM }))
    expect(two! < three! && three! < four!).toBe(true)
  })
  it('its air falls for minutes, the more the more is in it, and comes back to the dial', () => {
    const [one, all] = [bake({ atOnce: 1 }).airC, bake({ atOnce: 60, timeS: 3600 }).airC]
    expect(Math.min(...all)).toBeLessThan(Math.min(...one) - 4)
    expect(all.at(-1)).toBeGreaterThan(171)
    expect(Math.max(...all)).toBeLessThan(185)
  })
  it('as many stand in it as its shelves hold, and always one', () => {
    // .34 m² / (1.3·π·r²): 42 of 89 mm, 1 of 400 mm, 1 of a metre.
    expect(inOvenAtOnce(100, 0.0445)).toBe(42)
    expect([inOvenAtOnce(24, 0.0445), inOvenAtOnce(3, 0.2), inOvenAtOnce(3, 0.5)]).toEqual([24, 2, 1])
  })
})

describe('steam', () => {
  const deep = { depthM: 0.04, crustM: 0, targetTempC: 80 }
  it('at 85 °C full steam is far quicker than dry air, and dries nothing', () => {
    const wet = bake(deep, { airTempC: 85, steam: 1 })
    const dry = bake(deep, { airTempC: 85 })
    expect(wet.reachedS!).toBeLessThan(2700)
    expect(dry.reachedS === null || dry.reachedS > 2 * wet.reachedS!).toBe(true)
    expect(wet.evaporatedKgM2).toBeLessThan(0.02 * Math.max(dry.evaporatedKgM2, 0.01))
  })
  it('more steam is never slower; no steam is as it was', () => {
    const times = [0, 0.1, 0.3, 0.6, 1].map(steam => minutes(deep, { airTempC: 130, steam }))
    times.slice(1).forEach((t, i) => expect(t).toBeLessThanOrEqual(times[i]! + 1e-9))
    expect(times[4]! / times[0]!).toBeLessThan(0.7)
    // Nor under a crust, whose outside is hotter than the filling it keeps the steam from.
    const crusted = [0, 0.1, 0.3, 0.6, 1].map(steam => minutes({ depthM: 0.017 }, { airTempC: 170, steam }))
    crusted.slice(1).forEach((t, i) => expect(t).toBeLessThan(crusted[i]! + 1e-9))
  })
  it('condensing by hand: 90 kPa of steam on 60 °C at 20 W/(m²·K)', () => {
    // h_m = 20/(1.1·1006·.9) = .02008; p_s(60 °C) = 19.9 kPa; flux = .02008·101325/(461.5·333.15)·ln(81.4/11.3)
    const flux = ((0.02008 * 101325) / (461.5 * 333.15)) * Math.log(81.4 / 11.325)
    expect(condensingW(20, 60, 90000) / (flux * (2.501e6 - 2370 * 60))).toBeCloseTo(1, 2)
    expect(condensingW(20, 100, 90000)).toBe(0)
  })
})

describe('a sealed pouch', () => {
  const run = (thicknessM: number, part = {}) =>
    runPouch({ thicknessM, solid, startTempC: 10, bathC: 82, holdS: 600, ...part })
  it('goes through as a slab does: the first term of its series (Carslaw & Jaeger)', () => {
    // Half of 20 mm, Bi = 250·.01/.42 = 5.95: ζ tan ζ = Bi → ζ = 1.347; A = 4 sin ζ/(2ζ + sin 2ζ) = 1.245.
    const zeta = 1.3470
    const a = (4 * Math.sin(zeta)) / (2 * zeta + Math.sin(2 * zeta))
    expect(zeta * Math.tan(zeta)).toBeCloseTo(5.95, 1)
    const alpha = 0.42 / 1200 / 3000
    const seconds = (Math.log((a * 72) / NEAR_BATH_K) * 0.01 ** 2) / (alpha * zeta ** 2)
    expect(run(0.02).reachedS! / seconds).toBeGreaterThan(0.97)
    expect(run(0.02).reachedS! / seconds).toBeLessThan(1.03)
  })
  it('twice as thick takes three to four times as long; the hold begins when its middle is there', () => {
    const [thin, thick] = [run(0.015), run(0.03)]
    expect(thick.reachedS! / thin.reachedS!).toBeGreaterThan(2.8)
    expect(thick.reachedS! / thin.reachedS!).toBeLessThan(4)
    expect(thin.core.timeS.at(-1)! - thin.reachedS!).toBeCloseTo(600, 6)
    expect(thin.layers.every(l => l.tempC.every(t => t <= 82 + 1e-9))).toBe(true)
    expect(run(0.12, { startTempC: 0, holdS: 0 }).reachedS).toBeNull()
  })
})

describe('a pan', () => {
  const pot = (part: Partial<PotInput> = {}) => runPot({
    massG: 600, cp: 3100, pan: panFor(6e-4), startTempC: 20, targetTempC: 80, holdS: 60, method: 'microwave',
    burnerW: 900, waterG: 300, roomTempC: 20, altitudeM: 0, waterActivity: 0.95, volumeM3: 6e-4, ...part,
  })
  const behindK = (part: Partial<PotInput>) => {
    const run = pot(part)
    const i = run.history.timeS.findIndex(t => t >= run.reachedS!) - 1
    expect(run.middleC!.at(-1)).toBe(run.endTempC)
    return run.history.tempC[i]! - run.middleC![i]!
  }
  it('a microwave leaves the middle behind by what a burst gives the mean, less where the bowl is small', () => {
    // 900 W · .72 · 20 s over 600 g and the bowl's own heat: some 6 K, the middle gets a sixteenth of it.
    expect(behindK({})).toBeGreaterThan(4)
    expect(behindK({})).toBeLessThan(7)
    expect(behindK({ burstS: 40 }) / behindK({})).toBeCloseTo(2, 1)
    expect(behindK({ volumeM3: 2e-5, massG: 600 })).toBeLessThan(0.7 * behindK({}))
    expect(pot({ method: 'direct', burnerW: 400 }).middleC).toBeUndefined()
  })
  it('what edge, middle and mean of a burst get: their mean over the ball is one', () => {
    const [r, depth] = [0.05, 0.015]
    const { edge, middle } = burstShape((4 / 3) * Math.PI * r ** 3, depth)
    expect(middle / edge).toBeCloseTo(Math.exp(-r / depth), 10)
    const n = 20000
    const mean = Array.from({ length: n }, (_, i) => ((i + 0.5) / n) * r)
      .reduce((sum, x) => sum + ((3 * x * x) / r ** 3) * edge * Math.exp((x - r) / depth) * (r / n), 0)
    expect(mean).toBeCloseTo(1, 4)
  })
  it('longer bursts need fewer whiskings and less time', () => {
    expect([burstsIn(350), burstsIn(350, 55), BURST.onS]).toEqual([10, 5, 20])
    expect(pot({ burstS: 60 }).reachedS!).toBeLessThan(pot().reachedS!)
  })
  it('an induction hob turned far down pulses: the film is hotter, the mix heats as before', () => {
    const low = { method: 'direct' as const, burnerW: 250 }
    const [even, pulsed] = [pot(low), pot({ ...low, inductionW: 1700 })]
    expect(pulsed.reachedS).toBe(even.reachedS)
    const over = (run: typeof even) => run.filmC[10]! - run.history.tempC[10]!
    expect(over(pulsed) / over(even)).toBeCloseTo(pulsePeakW(250, 680, 8) / 250, 6)
    // At .4 of 1,700 W and more it runs through.
    const high = { method: 'direct' as const, burnerW: 681 }
    expect(pot({ ...high, inductionW: 1700 }).filmC[8]).toBe(pot(high).filmC[8])
    expect(pulsePeakW(680, 680, 8)).toBe(680)
    expect(STANDARD.pot.leastInduction * 1700).toBeCloseTo(680, 9)
  })
  it('in a pan or bowl it is stirred, in an oven or pouch it is not', () => {
    expect((['direct', 'waterBath', 'microwave', 'sousVide', 'oven', 'none'] as const).filter(heatsInPan))
      .toEqual(['direct', 'waterBath', 'microwave'])
  })
})
