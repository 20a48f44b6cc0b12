import psychrolib from 'psychrolib'
import { beforeAll, describe, expect, it } from 'vitest'
import { EGG_CURD, formula, kitchen } from '../../tests/support/core'
import { firstHourW } from '../physics/chill/load'
import { dewPoint, driesBy, sweatUnder } from '../physics/chill/moisture'
import { plainVessel } from '../physics/geometry/cavity'
import { valueAt } from '../physics/thermal/conduction'
import { assess, work } from '../pipeline/assess'
import { chillWays } from './chillWays'
import { pictureOf } from './picture'
import { mainMechanism, whenOf } from './when'

describe('water on a surface', () => {
  beforeAll(() => psychrolib.SetUnitSystem(psychrolib.SI))
  it.each([
    [21, 0.55],
    [24, 0.7],
    [4, 0.8],
    [60, 0.2],
  ])('dew point of %d °C at %f as ASHRAE has it (psychrolib), within .15 K', (t, rh) => {
    expect(Math.abs(dewPoint(t, rh) - psychrolib.GetTDewPointFromRelHum(t, rh))).toBeLessThan(0.15)
  })
  it('what sweats, by hand: 60 °C under a cover at 40.25 °C, h_m = 3/995.9 m/s: 3.2 g/m² a minute', () => {
    const p = (t: number) => psychrolib.GetSatVapPres(t)
    const rate = (3 / (1.1 * 1006 * 0.9) / 461.5) * ((0.96 * p(60)) / 333.15 - p(40.25) / 313.4)
    const still = { timeS: [0, 1e6], surfaceC: [60, 60], airC: () => 20.5 }
    expect(sweatUnder(still, 0.96, 0, 600) / (1000 * rate * 600)).toBeCloseTo(1, 2)
    expect(sweatUnder({ ...still, surfaceC: [20, 20] }, 0.96, 0, 600)).toBe(0)
  })
  it('dries in proportion to time and faster when warm', () => {
    const at = (t: number) => ({ timeS: [0, 1e6], surfaceC: [t, t], airC: () => 20 })
    expect(driesBy(at(50), 0.95, 0, 1200)).toBeCloseTo(2 * driesBy(at(50), 0.95, 0, 600), 6)
    expect(driesBy(at(50), 0.95, 0, 600)).toBeGreaterThan(3 * driesBy(at(25), 0.95, 0, 600))
  })
})

describe('load on a fridge', () => {
  it('by hand: 3 kg at 3300 J/kgK that fall from 60 to 32 °C in an hour give 77 W', () => {
    expect(firstHourW(3000, 3300, { timeS: [0, 3600], meanC: [60, 32] }, 0, 90000)).toBeCloseTo(77, 9)
    expect(firstHourW(3000, 3300, { timeS: [0, 3600], meanC: [60, 32] }, 0, 0)).toBe(0)
  })
  it('eleven kilos straight from the pot are too much for a still fridge, not for a walk-in', () => {
    const hot = (kind: 'domesticFridge' | 'walkIn') =>
      assess(
        formula({ egg: 3600, sugar: 3000, lemon: 3000, butter82: 1700 }, (d) => {
          d.assembly = { ...d.assembly, vessel: plainVessel('rectangle', 'metal', 0.5, 0.3, 0.065), count: 3 }
          d.heat.burnerW = 3000
          d.heat.method = 'direct'
          d.chill = [{ id: 'f', placeId: null, place: { kind, airTempC: 3 }, timeS: 36000, cover: 'film' }]
        }),
        kitchen,
      ).findings.some(f => f.code === 'fridgeLoad')
    expect([hot('domesticFridge'), hot('walkIn')]).toEqual([true, false])
  })
})

const tart = formula(
  { yolk_sep: 180, sugar: 240, lemon: 230, butter82: 430 },
  (d) => {
    d.assembly = {
      ...d.assembly,
      vessel: plainVessel('tartRing', 'metal', 0.22, 0.22, 0.035),
      crustM: 0.004,
      portions: 10,
    }
    d.use.pieceHeightM = 0.02
  },
  { school: 'emulsified', use: 'cut' },
)
const frozen = {
  ...tart,
  chill: [
    tart.chill[0]!,
    { ...tart.chill[1]!, timeS: 3 * 3600 },
    {
      id: 'fr',
      placeId: null,
      place: { kind: 'freezer' as const, airTempC: -18 },
      timeS: 45 * 60,
      cover: 'film' as const,
    },
    { ...tart.chill[1]!, id: 'th', timeS: 4 * 3600 },
  ],
}

describe('when', () => {
  it('every row runs from quick over likely to slow, and the likely time to serve is the assessment\'s', () => {
    const w = work(tart, kitchen)
    const rows = whenOf(w, tart, kitchen)
    expect(rows.map(r => r.what)).toEqual(['cover', 'unmould', 'cut', 'serve', 'best'])
    for (const r of rows) {
      expect(r.quickS!).toBeLessThanOrEqual(r.likelyS!)
      expect(r.likelyS!).toBeLessThanOrEqual(r.slowS!)
    }
    expect(rows.find(r => r.what === 'serve')!.likelyS).toBeCloseTo(w.assessment.chill.readyS!, 3)
    expect(rows.find(r => r.what === 'best')!.likelyS!).toBeGreaterThan(w.assessment.chill.readyS!)
  })
  it('frozen to unmould: firm while it is in the freezer, thawed in the fridge after it, cut no sooner', () => {
    const rows = Object.fromEntries(whenOf(work(frozen, kitchen), frozen, kitchen).map(r => [r.what, r]))
    const entersS = frozen.chill.slice(0, 2).reduce((s, l) => s + l.timeS, 0)
    expect(rows.unmould!.decides).toBe('ice')
    expect(rows.unmould!.likelyS!).toBeGreaterThan(entersS)
    expect(rows.unmould!.likelyS!).toBeLessThan(entersS + 45 * 60)
    expect(rows.thawed!.likelyS!).toBeGreaterThan(entersS + 45 * 60)
    expect(rows.cut!.likelyS).toBeGreaterThanOrEqual(rows.thawed!.likelyS!)
  })
  it('names what sets it: casein in a posset, gelatine in a set cream', () => {
    expect(
      mainMechanism(
        assess(
          formula(
            { cream48: 600, sugar: 130, lemon: 80 },
            (d) => {
              d.heat.targetTempC = 100
            },
            { school: 'reduced', use: 'glass' },
          ),
          kitchen,
        ),
      ),
    ).toBe('caseinPa')
    expect(
      mainMechanism(
        assess(
          formula({ cream36: 400, milk: 150, sugar: 80, gelatin: 6, lemon: 20 }, () => {}, {
            school: 'setCream',
            use: 'glass',
          }),
          kitchen,
        ),
      ),
    ).toBe('gelatinPa')
  })
})

describe('other ways to chill', () => {
  it('differ from the plan in legs or number only, each once, and are possible', () => {
    const ways = chillWays(tart, kitchen)
    expect(new Set(ways.map(w => w.key)).size).toBe(ways.length)
    for (const w of ways) {
      const { chill: _, assembly: __, ...rest } = w.doc
      const { chill: ___, assembly: ____, ...own } = tart
      expect(rest).toEqual(own)
      expect(() => assess(w.doc, kitchen)).not.toThrow()
    }
    expect(ways.filter(w => w.way === 'split').map(w => w.count)).toEqual([2, 4])
  })
  it('a deep tub fails the cooling rule; split four ways, or over ice first, it passes', () => {
    const tub = formula({ egg: 1000, sugar: 900, lemon: 850, butter82: 600 }, (d) => {
      d.assembly = { ...d.assembly, vessel: plainVessel('round', 'plastic', 0.2, 0.2, 0.16) }
      d.heat.method = 'direct'
      d.heat.burnerW = 1400
    })
    const safe = (key: string) => assess(chillWays(tub, kitchen).find(w => w.key === key)!.doc, kitchen).chill.safe
    expect([safe('planned'), safe('split4')]).toEqual([false, true])
    expect(assess(tub, kitchen).findings.some(f => f.code === 'coolsTooSlowly')).toBe(true)
  })
})

describe('the picture of the cold going in', () => {
  const w = work(tart, kitchen)
  const picture = pictureOf(w, tart, kitchen, 6 * 3600)
  it('begins at the pour, ends at its end, and its warmest cell is the assessment\'s core within .6 K', () => {
    expect(picture.frames[0]!.timeS).toBe(0)
    expect(picture.frames.at(-1)!.timeS).toBe(6 * 3600)
    for (const f of picture.frames)
      expect(
        Math.abs(Math.max(...f.tempC) - valueAt(w.assessment.chill.timeS, w.assessment.chill.coreC, f.timeS)),
      ).toBeLessThan(0.6)
  })
  it('sets from the cold faces inwards: the share grows to the whole, the middle last', () => {
    for (let i = 1; i < picture.setShare.length; i++)
      expect(picture.setShare[i]!).toBeGreaterThanOrEqual(picture.setShare[i - 1]! - 1e-9)
    expect(picture.setShare[0]).toBe(0)
    expect(picture.setShare.at(-1)).toBeCloseTo(1, 9)
    const { frames, grid } = picture
    const part = frames.find((_, i) => picture.setShare[i]! > 0.2 && picture.setShare[i]! < 0.8)!
    const middle = part.set[Math.floor(grid / 2) * grid]!
    expect(part.set[grid * grid - 1]!).toBeGreaterThan(middle)
  })
  it('covered hot it sweats many times as much as covered at 45 °C', () => {
    const hot = formula(EGG_CURD, () => {}, { school: 'wholeEggTempered' })
    const { moisture } = pictureOf(work(hot, kitchen), hot, kitchen, 4 * 3600)
    expect(moisture.sweatNowGM2).toBeGreaterThan(3 * moisture.sweatLaterGM2)
    expect(moisture.drops).toBe(true)
  })
  it('a bowl stirred over ice is one temperature throughout', () => {
    const iced = {
      ...tart,
      chill: [
        {
          id: 'ice',
          placeId: null,
          place: { kind: 'iceBath' as const, airTempC: 0.5 },
          timeS: 900,
          cover: 'open' as const,
        },
        tart.chill[1]!,
      ],
    }
    const first = pictureOf(work(iced, kitchen), iced, kitchen, 3600).frames[2]!
    expect(first.timeS).toBeLessThan(900)
    expect(Math.max(...first.tempC) - Math.min(...first.tempC)).toBe(0)
  })
})
