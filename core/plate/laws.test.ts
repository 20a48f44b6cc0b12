/** The laws of a whole dessert, each once by hand. */
import { describe, expect, it } from 'vitest'
import checks from '../checks/plate.json'
import { plainMake } from '../formula/parts'
import { slumpShare } from '../physics/set/bands'
import { type Mechanisms, MECHANISMS } from '../physics/set/firmness'
import { warmestOn } from './build'
import { asSlab, freezeS, thawS } from '../physics/chill/plank'
import { type Contact, drunkGPerM2, ranOut, softAfterS, weepRate } from './leaks'
import { carriesPa, heavierThan, lostInRoll, lostUnder, type Loaded, weightOn } from './load'
import { isCrisp, laidNature, meltsAt } from './nature'

const PASTE = { share: 0, tearsAt: 1 }
const level = (thickM: number, density: number, pa: number | null): Loaded => ({ thickM, density, pa, elastic: PASTE })
const shell = laidNature({ role: 'crust', make: plainMake('blindShell') })
const contact = (over: Partial<Contact> = {}): Contact =>
  ({ wetAw: 0.95, weeps: 0, dry: shell, thickM: 0.004, isSealed: false, ...over })

describe('load', () => {
  it('a level alone loses what a free pile loses', () => {
    // τ 200 Pa halved by the allowance, 1100 kg/m³, 40 mm.
    expect(lostUnder([level(0.04, 1100, 200)], 'cut')[0]).toBeCloseTo(slumpShare(100, 1100, 0.04), 9)
  })
  it('two levels of one stuff lose together what one pile of both loses', () => {
    const [low, high] = lostUnder([level(0.02, 1100, 200), level(0.03, 1100, 200)], 'cut')
    expect(0.02 * low! + 0.03 * high!).toBeCloseTo(0.05 * slumpShare(100, 1100, 0.05), 9)
    expect(low!).toBeGreaterThan(high!)
  })
  it('what is heavy above counts more, what is stiff loses nothing, a glass holds all', () => {
    const under = (density: number) => lostUnder([level(0.02, 1000, 150), level(0.03, density, null)], 'cut')
    expect(under(1200)[0]!).toBeGreaterThan(under(300)[0]!)
    expect(under(1200)[1]).toBe(0)
    expect(lostUnder([level(0.05, 1100, 1)], 'glass')).toEqual([0])
  })
  it('weights, by hand: 9.81·(.01·500) over, and only what is denser sinks', () => {
    const two = [level(0.02, 600, null), level(0.01, 500, null)]
    expect(weightOn(two, 0)).toBeCloseTo(49.05, 9)
    expect(heavierThan(two, 0)).toBe(0)
    expect(heavierThan([level(0.02, 600, null), level(0.01, 1100, null)], 0)).toBeCloseTo(49.05, 9)
    expect(carriesPa(0)).toBe(40)
    expect(carriesPa(514)).toBeCloseTo(200, 9)
  })
  it('a roll squeezes out what is thick and soft: τ·r/(ρ·g·r·h) short of one', () => {
    // Sheet .28 m, 15 mm thick: r = √(.28·.015/π) = 36.6 mm; τ·r/(q·h) with q = ρ̄·g·r is τ/(ρ̄·g·h).
    const roll = (pa: number) => lostInRoll([level(0.01, 330, null), level(0.005, 1080, pa)], 0.28)[1]!
    const mean = (0.01 * 330 + 0.005 * 1080) / 0.015
    expect(roll(20)).toBeCloseTo(1 - 20 / (mean * 9.81 * 0.005), 9)
    expect(roll(mean * 9.81 * 0.005 + 0.1)).toBe(0)
  })
})

describe('leaks', () => {
  it(checks.bareShell.source, () => {
    const hours = softAfterS(contact())! / 3600
    expect(hours).toBeGreaterThan(checks.bareShell.hours[0]!)
    expect(hours).toBeLessThan(checks.bareShell.hours[1]!)
  })
  it(checks.sealedShell.source, () => {
    const hours = softAfterS(contact({ isSealed: true }))! / 3600
    expect(hours).toBeGreaterThan(checks.sealedShell.hours[0]!)
    expect(hours).toBeLessThan(checks.sealedShell.hours[1]!)
  })
  it('by hand: 2.4·.65·√3600 g/m² in an hour, and what weeps on top; half when sealed', () => {
    expect(drunkGPerM2(contact(), 3600)).toBeCloseTo(2.4 * 0.65 * 60, 9)
    expect(drunkGPerM2(contact({ weeps: 0.01 }), 3600)).toBeCloseTo(2.4 * 0.65 * 60 + 36, 9)
    expect(drunkGPerM2(contact({ isSealed: true }), 3600)).toBeCloseTo(1.2 * 0.65 * 60, 9)
    // ρ·h·(.09 − .04)/(1 − .09) = 230.8 g/m².
    expect(drunkGPerM2(contact(), softAfterS(contact())!)).toBeCloseTo((4200 * 0.05) / 0.91, 3)
  })
  it('a sponge is never said to go soft, what is drier than its neighbour drinks nothing', () => {
    const sponge = laidNature({ role: 'sponge' })
    expect(softAfterS(contact({ dry: sponge }))).toBeNull()
    expect(isCrisp({ nature: sponge })).toBe(false)
    expect(isCrisp({ nature: shell })).toBe(true)
    expect(drunkGPerM2(contact({ wetAw: 0.2 }), 3600)).toBe(0)
  })
  it('weeping by its score, and what runs by itself from its hour on', () => {
    expect(weepRate(2, 0.02, 1100)).toBeCloseTo((0.003 * 2 * 22_000) / 86_400, 9)
    const gives = laidNature({ role: 'cream', make: plainMake('whippedLayer') }).gives
    expect(ranOut(gives, 6)).toBe(0)
    expect(ranOut(gives, 8)).toBeCloseTo(0.02, 9)
    expect(ranOut(null, 100)).toBe(0)
  })
})

describe('freezing and melting', () => {
  it('Plank by hand: 15 mm, 1080 kg/m³, half water, −18 °C', () => {
    const s = { thickM: 0.015, density: 1080, waterShare: 0.5 }
    const perM3 = 1080 * 333.6e3 * 0.7 * 0.5
    expect(freezeS(s, -18)).toBeCloseTo((perM3 / 15) * (0.015 / 20 + 0.015 ** 2 / (8 * 1.3)), 6)
    expect(thawS(s, 4)).toBeCloseTo((perM3 / 7) * (0.015 / 24 + 0.015 ** 2 / (8 * 0.5)), 6)
  })
  it(checks.insertFreezes.source, () => {
    const h = freezeS({ thickM: 0.015, density: 1100, waterShare: 0.7 }, -18) / 3600
    expect(h).toBeGreaterThan(checks.insertFreezes.hours[0]!)
    expect(h).toBeLessThan(checks.insertFreezes.hours[1]!)
  })
  it('levels as one slab keep thickness, weight and water', () => {
    const slab = asSlab([
      { thickM: 0.01, density: 300, waterShare: 0.3 }, { thickM: 0.03, density: 700, waterShare: 0.5 },
    ])
    expect(slab.thickM).toBeCloseTo(0.04, 12)
    expect(slab.density).toBeCloseTo(600, 9)
    expect(slab.waterShare).toBeCloseTo((3 * 0.3 + 21 * 0.5) / 24, 12)
  })
  it('what melts first of what carries: cream at 15 °C, gelatine 28, fat 30, egg never', () => {
    const m = Object.fromEntries(MECHANISMS.map(k => [k, 0])) as Mechanisms
    expect(meltsAt({ ...m, whipPa: 31, eggPa: 69 })).toBe(15)
    expect(meltsAt({ ...m, whipPa: 29, eggPa: 71 })).toBeNull()
    expect(meltsAt({ ...m, gelatinPa: 50, butterPa: 50 })).toBe(28)
    expect(meltsAt({ ...m, butterPa: 50, eggPa: 50 })).toBe(30)
  })
  it('the face of two that touch: (ρ₁T₁ + ρ₂T₂)/(ρ₁ + ρ₂), three degrees short of melting', () => {
    const most = warmestOn({ density: 600, meltsC: 28 }, 1100)!
    expect((600 * 5 + 1100 * most) / 1700).toBeCloseTo(25, 9)
    expect(warmestOn({ density: 600, meltsC: null }, 1100)).toBeNull()
  })
})
