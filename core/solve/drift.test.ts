/** What heat and cold of a kitchen move from one day to the next. */
import { describe, expect, it } from 'vitest'
import { kitchen, make } from '../../tests/support/core'
import { work } from '../pipeline/assess'
import { drifted, driftsOf } from './drift'
import { createSampler, MEASURABLE, sampleShares } from './sampling'

const of = (...args: Parameters<typeof make>) => work(make(...args), kitchen)

describe('one σ of it', () => {
  it('a hotter bath cooks egg less long: it counts as cooler; a hotter oven by the clock counts as hotter', () => {
    expect(driftsOf(of('yolkBath')).heatSupply!.shiftA).toBeLessThan(0)
    const timed = of('lowOven', (d) => { d.heat.oven.timeS = { given: 1800 } })
    expect(driftsOf(timed).heatSupply!.shiftA).toBeGreaterThan(2)
    // An oven that was measured says less wrong.
    const known = work({ ...timed.bench, heat: { ...timed.bench.heat, oven: { ...timed.bench.heat.oven, ovenId: 'o' } } }, {
      ...kitchen, ovens: [{ id: 'o', name: 'o', fan: false, offsetK: 0 }],
    })
    expect(driftsOf(known).heatSupply!.shiftA).toBeLessThan(0.7 * driftsOf(timed).heatSupply!.shiftA)
  })
  it('more heat under a long boil steams off more, though it begins sooner; what is not heated has no heat to differ', () => {
    const boil = of('boiled', (d) => { d.heat.holdS = 1800 })
    expect(driftsOf(boil).heatSupply!.lnSteam).toBeGreaterThan(0.05)
    expect(driftsOf(of('chillOnly')).heatSupply).toBeNull()
    const stated = of('yolkBath', (d) => { d.heat.course = { given: { rampKPerMin: 4, peakTempC: 82, holdS: 60 } } })
    expect(driftsOf(stated).heatSupply).toBeNull()
  })
  it('stiller air leaves less set at an early service', () => {
    const early = of('reduced', (d) => { d.chill.at(-1)!.timeS = 2 * 3600 })
    expect(driftsOf(early).convection.cold.casein).toBeLessThan(-0.01)
  })
  it('a state is moved by its σ, and no share leaves 0 to 1', () => {
    const { state } = of('reduced').settled.cold
    const by = { butter: 0, cream: 0.1, casein: -0.2, starch: 0, gelatin: 0 }
    const half = { ...state, cream: 0.5, casein: 0.3 }
    expect(drifted(half, [{ by, sigmas: 1 }])).toMatchObject({ cream: 0.6, tempC: state.tempC })
    expect(drifted(half, [{ by, sigmas: 1 }]).casein).toBeCloseTo(0.1, 12)
    expect(drifted(half, [{ by, sigmas: 2 }]).casein).toBe(0)
    expect(drifted(half, [{ by, sigmas: 9 }, { by, sigmas: 9 }]).cream).toBe(1)
  })
})

describe('what matters', () => {
  const share = (w: ReturnType<typeof of>, input: (typeof MEASURABLE)[number]) =>
    sampleShares(w).matters.find(m => m.input === input)!.share
  it('tells the oven for a pie by the clock, the scale for a little agar, the cold for an early posset', () => {
    const timed = of('lowOven', (d) => { d.heat.oven.timeS = { given: 2000 } })
    expect(share(timed, 'heatSupply')).toBeGreaterThan(0.1)
    const little = of('blendedGel', undefined, { lemon: 60, sugar: 30, water: 60, agar: 1 })
    expect(share(little, 'weighing')).toBeGreaterThan(0.2)
    const early = of('reduced', (d) => { d.chill.at(-1)!.timeS = 1.5 * 3600 })
    expect(share(early, 'convection')).toBeGreaterThan(share(of('reduced'), 'convection'))
  })
  it('all that can be measured and the model’s own part make one', () => {
    const { matters, modelShare } = sampleShares(of('yolkBath'))
    expect(matters.map(m => m.input).sort()).toEqual([...MEASURABLE].sort())
    expect(matters.reduce((sum, m) => sum + m.share, modelShare)).toBeCloseTo(1, 12)
    const sampler = createSampler(of('yolkBath'))
    sampler.run(10)
    expect(sampler.result().samples).toBe(10)
  })
})
