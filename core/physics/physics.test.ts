import { describe, expect, it } from 'vitest'
import checks from '../checks/physics.json'
import { parts, type Grams } from '../../tests/support/core'
import { freezingPoint } from './chill/freezing'
import { amylaseAlive } from './heat/milk'
import { pHOfMix } from './matter/acidity'
import { brix, ethanolLeft, mix } from './matter/mix'
import { singleActivity, SUGARS, sweetnessG, sugarsByKind, waterActivityOf } from './matter/solutes'
import { curdlingLogit, curdlingShare, curdlingTempC } from './set/curdling'
import { bodyOf, elasticOf, firmness, type Making, type Mechanisms } from './set/firmness'
import { neededModulus, PASTE, targetOf } from './set/bands'
import { starchTemperature } from './set/starch'
import { weepingOf } from './set/weeping'
import { boilingPoint } from './thermal/steam'
import { defaultUse } from '../formula/create'

const NO_SET: Mechanisms = {
  eggPa: 0, butterPa: 0, hardFatPa: 0, caseinPa: 0, creamFatPa: 0, starchPa: 0, gelatinPa: 0, agarPa: 0, gumPa: 0,
  whipPa: 0, foamPa: 0,
}
interface Row {
  what: string
  of: Record<string, number>
  as?: Grams
  at?: number
  from: number
  to: number
  source: string
}
const one = (of: Record<string, number>) => Object.entries(of)[0]! as [keyof typeof SUGARS, number]
const activity = (of: Record<string, number>) => {
  const [kind, percent] = one(of)
  return singleActivity(SUGARS[kind], percent, 100 - percent)
}
const plain: Making = {
  stirred: true, milkHeat: 1, air: 0, whisked: 0, whippedFat: 0,
  whiteFoam: false, starch: [], acidDoseMin: 0, amylase: 0,
  peakC: 90, bloom: 200, fluidGel: false,
}
const state = {
  tempC: 5, a: 0, b: 0, butter: 0, cream: 0, hard: 0, casein: 0, gelatin: 0.77, starch: 0, oven: 0, agar: 0,
}
const gelatin = (percent: number, pH: number, making: Partial<Making> = {}) =>
  firmness(bodyOf(mix(parts({ water: 100 - percent, gelatin: percent })), pH, { ...plain, ...making }), state)
const CASES: Record<string, (r: Row) => number> = {
  freezingC: r => freezingPoint(activity(r.of)),
  elevationK: r => boilingPoint(0, activity(r.of)) - boilingPoint(0),
  activity: r => activity(r.of),
  ethanolLeft: r => ethanolLeft(r.of.percent! / 100),
  gelatinModulusPa: r => gelatin(r.of.percent!, r.of.pH!).gelatinPa,
  curdles: r => curdlingShare(curdlingLogit(mix(parts(r.of)), r.at!)),
  brix: r => brix(mix(parts(r.of))),
  amylaseAlive: r => amylaseAlive({ timeS: [0, 60 * r.of.minutes!], tempC: [r.of.tempC!, r.of.tempC!] }),
  eggPH: r => pHOfMix(mix(parts(r.of))) - pHOfMix(mix(parts(r.as!))),
}

describe('physics against the outside', () => {
  it.each((checks.rows as unknown as Row[]).map(r => [`${r.what} ${JSON.stringify(r.of)}: ${r.source}`, r] as const))(
    '%s', (_, r) => {
      const ours = CASES[r.what]!(r)
      expect(ours).toBeGreaterThanOrEqual(r.from)
      expect(ours).toBeLessThanOrEqual(r.to)
    })
})

describe('solutes of a mix, by hand', () => {
  it('each ingredient brings its own sugar; what fruit brings is invert', () => {
    const m = mix(parts({ sugar: 100, dextrose: 100, trehalose: 100, orange: 100, milk: 100 }))
    const g = sugarsByKind(m)
    expect([g.sucrose, g.glucose, g.trehalose, g.invert, g.lactose].map(x => Number(x!.toFixed(1))))
      .toEqual([104.1, 91, 90.5, 4.6, 4.8])
    expect(sweetnessG(mix(parts({ sugar: 100, dextrose: 100 })))).toBeCloseTo(99.9 + 0.7 * 91, 6)
  })
  it('activities multiply: sugar, salt and ethanol, each in all the water', () => {
    const water = 100
    const m = { ...mix(parts({ water, sugar: 50, salt: 2 })), ethanolG: 5 }
    const g = m.grams.water
    const salt = 1 - (0.0335 * 2) / 58.44 / (g / 1000)
    const ethanol = (g / 18.015) / (g / 18.015 + 5 / 46.07)
    expect(waterActivityOf(m)).toBeCloseTo(singleActivity(SUGARS.sucrose, 49.95, g) * salt * ethanol, 9)
  })
})

describe('acid into hot cream, by hand', () => {
  const cream = mix(parts({ cream36: 600, sugar: 150, lemon: 90 }))
  it('goes with the fat round each gram of protein, eight kelvin and .35 of its logarithm being one', () => {
    expect(curdlingLogit(cream, 96) - curdlingLogit(cream, 88)).toBeCloseTo(1, 9)
    const ratio = (cream.grams.milkFat) / (cream.grams.casein + cream.grams.whey)
    // 840 g with 17.9 % of sugar: 2.9 % over 15; acid 4.95 g is .59 %.
    const sugar = (100 * (149.85 + 600 * 0.03 + 90 * 0.025)) / 840
    expect(curdlingLogit(cream, 88)).toBeCloseTo(Math.log(7 / ratio) / 0.35 - (sugar - 15) / 20, 6)
    expect(curdlingTempC(curdlingLogit(cream, 82), 82, 0.5)).toBeCloseTo(88 - 8 * curdlingLogit(cream, 88), 9)
  })
  it('acid counts from one per cent, a third of a point for a logit; without milk there is nothing to curdle', () => {
    const sharper = { ...cream, acidG: 0.013 * cream.massG }
    expect(curdlingLogit(sharper, 82) - curdlingLogit(cream, 82)).toBeCloseTo(1, 9)
    expect(curdlingLogit({ ...cream, acidG: 0.01 * cream.massG }, 82)).toBeCloseTo(curdlingLogit(cream, 82), 9)
    expect(curdlingLogit(mix(parts({ lemon: 100 })), 82)).toBe(-Infinity)
  })
})

describe('gels that stand by their elasticity', () => {
  const none = NO_SET
  it('gelatine tears at 1.2 of its modulus, agar at .3; a paste is not elastic', () => {
    expect(elasticOf({ ...none, gelatinPa: 100 })).toEqual({ share: 1, tearsAt: 1.2 })
    expect(elasticOf({ ...none, agarPa: 100 }).tearsAt).toBeCloseTo(0.3, 12)
    expect(elasticOf({ ...none, gelatinPa: 50, agarPa: 50, eggPa: 100 })).toEqual({ share: 0.5, tearsAt: 0.75 })
    expect(elasticOf({ ...none, eggPa: 100 })).toBe(PASTE)
  })
  it('40 mm of 1,060 kg/m³: sag asks 277 Pa, tearing with a factor of two 347 Pa of gelatine, 1,387 of agar', () => {
    expect(neededModulus(0.04, 1060, { share: 1, tearsAt: 10 }, 2)).toBeCloseTo(277.3, 0)
    expect(neededModulus(0.04, 1060, { share: 1, tearsAt: 1.2 }, 2)).toBeCloseTo(346.6, 0)
    expect(neededModulus(0.04, 1060, { share: 1, tearsAt: 0.3 }, 2)).toBeCloseTo(1386.5, 0)
  })
  it('what turns out is asked for that, a paste for its stress, half a gel for what lies between', () => {
    const use = { ...defaultUse('turnedOut'), pieceHeightM: 0.04 }
    const at = (share: number) => targetOf(use, 1060, { share, tearsAt: 1.2 }).coldMinPa
    expect(at(0)).toBeCloseTo(targetOf(use, 1060).coldMinPa, 9)
    expect(at(1)).toBeCloseTo(346.6, 0)
    expect(at(0.5)).toBeCloseTo(Math.sqrt(at(0) * at(1)), 6)
    // Practice: .86 % trembles and stands at 40 mm in cream, which raises it two to three times.
    expect(2.2 * gelatin(0.86, 6).gelatinPa).toBeGreaterThan(at(1))
    expect(gelatin(0.3, 6).gelatinPa).toBeLessThan(at(1))
  })
  it('blended gelatine keeps a fifth', () => {
    expect(gelatin(2, 6, { fluidGel: true }).gelatinPa / gelatin(2, 6).gelatinPa).toBeCloseTo(0.2, 9)
  })
  it('gellan counts twice as much as agar, kappa a little less', () => {
    const agar = (id: string, g: number) =>
      firmness(bodyOf(mix(parts({ water: 100 - g, [id]: g })), 6, plain), { ...state, agar: 1 }).agarPa
    expect(agar('gellan', 0.4)).toBeCloseTo(agar('agar', 0.8) * 1, -2)
    expect(agar('kappa', 0.8)).toBeLessThan(agar('agar', 0.8))
  })
})

describe('starches by their kind', () => {
  const of = (id: string) => {
    const m = mix(parts({ water: 100, [id]: 8 }))
    const heat = { peakTempC: 110, minutes: 1, minuteC: 110, share: 1 }
    return { m, body: bodyOf(m, 6, { ...plain, starch: [heat] }) }
  }
  it.each([['potato_starch', 0.7, 7], ['tapioca', 0.35, 4], ['rice_starch', 0.8, -2], ['waxy_maize', 0.1, 0],
    ['modified_starch', 0.6, 0]] as const)('%s gives %d of the firmness a gram, and swells %d K lower', (id, strength, lowerK) => {
    const [kind, maize] = [of(id), of('cornflour')]
    const each = (x: typeof kind) => x.body.starchPa / x.body.starchC ** 3 / x.body.starchCooked
    expect(each(kind) / each(maize)).toBeCloseTo(strength, 3)
    expect(starchTemperature(maize.m, 0.2) - starchTemperature(kind.m, 0.2)).toBeCloseTo(lowerK, 9)
  })
  it('a blend lies between by the starch each brings; what the freezer does too', () => {
    const blend = mix(parts({ water: 100, cornflour: 4, tapioca: (4 * 90) / 87 }))
    expect(starchTemperature(of('cornflour').m, 0) - starchTemperature(blend, 0)).toBeCloseTo(2, 6)
    const weeps = (id: string) => weepingOf(of(id).m, of(id).body, { ...NO_SET, starchPa: 100 }, 0, true).score
    expect(weeps('modified_starch')).toBeLessThan(0.1 * weeps('cornflour'))
    expect(weeps('tapioca') / weeps('cornflour')).toBeCloseTo(0.4, 4)
  })
})
