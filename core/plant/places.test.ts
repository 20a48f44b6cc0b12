import { describe, expect, it } from 'vitest'
import { evenHeat } from '../physics/thermal/properties'
import { pieceCoreC, pieceLater, startPiece } from './piece'
import { coldAirLater, coldFaces, type ColdStated, type ColdTruth, ovenAirAt, ovenFaces, type OvenStated } from './places'

const fan: ColdStated = {
  kind: 'fanFridge', airTempC: 3, cover: 'film', material: 'metal', crustM: 0, crustForm: 'shell', waterActivity: 0.95,
  count: 1, opensPerHour: 0, roomTempC: 20,
}
const still: ColdTruth = { airOffsetK: 0, convectionFactor: 1, swingK: 0, cycleS: 600, phase: 0 }
const custard = { radiusM: 0.05, depthM: 0.03, k: 0.5, rho: 1050, cp: evenHeat(3400) }

/** Air of a place after some hours. */
function after(hours: number, s: ColdStated, t: ColdTruth, loadW = 0): number[] {
  const out: number[] = []
  let airC = s.airTempC + t.airOffsetK
  for (let time = 0; time < hours * 3600; time += 20) out.push((airC = coldAirLater(s, t, airC, loadW, time, 20)))
  return out
}
/** A piece's middle after so many hours in such air. */
function cooled(s: ColdStated, t: ColdTruth, hours = 1): number {
  let p = startPiece(custard, 60)
  for (let time = 0; time < hours * 3600; time += 20) p = pieceLater(p, coldFaces(s, t, 3, p), 20)
  return pieceCoreC(p)
}

describe('a cold place', () => {
  it('stays at its air, off by what is true of it; a load and an open door warm it', () => {
    expect(after(3, fan, still).at(-1)).toBeCloseTo(3, 1)
    expect(after(3, fan, { ...still, airOffsetK: 2 }).at(-1)).toBeCloseTo(5, 1)
    expect(after(1, fan, still, 300).at(-1)).toBeGreaterThan(4)
    expect(after(3, { ...fan, opensPerHour: 20 }, still).at(-1)).toBeGreaterThan(3.3)
  })
  it('its compressor swings it, and a bench does not', () => {
    const swung = after(2, fan, { ...still, swingK: 1 }).slice(-90)
    expect(Math.max(...swung) - Math.min(...swung)).toBeGreaterThan(0.25)
    expect(after(1, { ...fan, kind: 'bench', airTempC: 20 }, still, 500).at(-1)).toBe(20)
  })
  it('more convection cools sooner, a lid later, an open top sooner by its steam', () => {
    const plain = cooled(fan, still)
    expect(cooled(fan, { ...still, convectionFactor: 1.4 })).toBeLessThan(plain - 1)
    expect(cooled({ ...fan, cover: 'lid' }, still)).toBeGreaterThan(plain + 1)
    expect(cooled({ ...fan, cover: 'open' }, still)).toBeLessThan(plain)
    expect(cooled({ ...fan, kind: 'blastChiller' }, still)).toBeLessThan(plain - 3)
    expect(cooled({ ...fan, kind: 'iceBath' }, still)).toBeLessThan(plain)
    expect(cooled({ ...fan, crustM: 0.008 }, still)).toBeGreaterThan(plain)
  })
})

describe('an oven', () => {
  const oven: OvenStated = {
    airTempC: 160, fan: false, bath: false, steam: 0, material: 'metal', crustM: 0, crustForm: 'shell',
    waterActivity: 0.95, altitudeM: 0,
  }
  it('is off by what is true of it, swings, and makes good what loading cost', () => {
    expect(ovenAirAt(oven, { offsetK: 10, swingK: 0, cycleS: 300 }, 7200, 20)).toBeCloseTo(170, 5)
    expect(ovenAirAt(oven, { offsetK: 0, swingK: 3, cycleS: 300 }, 75, 0)).toBeCloseTo(163, 5)
    expect(ovenAirAt(oven, { offsetK: 0, swingK: 0, cycleS: 300 }, 0, 20)).toBe(140)
  })
  it('a hotter, fanned or steamy one heats faster; a bath is as hot as its water', () => {
    const baked = (s: OvenStated, airC = s.airTempC) => {
      let p = startPiece(custard, 20)
      for (let t = 0; t < 1200; t += 5) p = pieceLater(p, ovenFaces(s, airC, p, 20).faces, 5)
      return pieceCoreC(p)
    }
    const plain = baked(oven)
    expect(baked(oven, 190)).toBeGreaterThan(plain + 2)
    expect(baked({ ...oven, fan: true })).toBeGreaterThan(plain + 2)
    expect(baked({ ...oven, bath: true })).toBeGreaterThan(plain)
    expect(ovenFaces({ ...oven, bath: true }, 160, startPiece(custard, 20), 20).faces.base.airC).toBe(90)
    expect(ovenFaces(oven, 160, startPiece(custard, 80), 20).steam).toBeGreaterThan(0)
    expect(ovenFaces({ ...oven, crustM: 0.006 }, 160, startPiece(custard, 20), 20).crustWM2).toBeGreaterThan(0)
  })
})
