/** A kitchen that has learned: each figure moves what it is about, and nothing moves without one. */
import { describe, expect, it } from 'vitest'
import { STANDARD } from '../base/parameters'
import type { Bench } from '../formula/bench'
import { formula, kitchen } from '../../tests/support/core'
import { work } from './assess'
import { inLearnedKitchen, stopsAtC } from './learned'

const ring = formula(undefined, d => void Object.assign(d.heat, { method: 'direct', burnerW: 400 }))
const worked = (learned: Record<string, number>, doc: Bench = ring) => work(doc, { ...kitchen, learned }).assessment
const plain = worked({})

describe('a kitchen that has learned', () => {
  it('without a figure everything is as stated', () => {
    expect(worked({})).toEqual(work(ring, kitchen).assessment)
    expect(worked({ probeBiasK: 0, burnerFactor: 1, setFactor: 1, fridgeAirOffsetK: 0 })).toEqual(plain)
  })
  it('a ring that gives less takes longer, by about as much', () => {
    const slow = worked({ burnerFactor: 0.8 }).heat.reachedS! / plain.heat.reachedS!
    expect(slow).toBeGreaterThan(1.2)
    expect(slow).toBeLessThan(1.6)
  })
  it('a probe that is known to err moves no plan; one that nobody knew of stopped it too early; a boil is seen', () => {
    expect(worked({ probeBiasK: 2 })).toEqual(plain)
    const boil = formula({ cream48: 600, sugar: 150, lemon: 90 }, d => void (d.heat.targetTempC = 100), { school: 'reduced', use: 'glass' })
    expect(stopsAtC(boil, kitchen, { probeBiasK: 2 }, 100)).toBe(100)
    expect(stopsAtC(ring, kitchen, { probeBiasK: 2 }, 82)).toBe(80)
  })
  it('a set that is firmer is firmer; a warmer fridge takes longer, a stiller one too', () => {
    const pa = (a: typeof plain) => a.verdict.cold.tauPa.value
    expect(pa(worked({ 'setFactor.egg': 1.5 }))).toBeGreaterThan(1.2 * pa(plain))
    expect(worked({ fridgeAirOffsetK: 1.5 }).chill.to8S!).toBeGreaterThan(plain.chill.to8S!)
    const fan = formula(undefined, (d) => { d.chill = d.chill.map(l => ({ ...l, place: { kind: 'fanFridge', airTempC: 3 } })) })
    expect(worked({ fridgeConvectionFactor: 0.5 }, fan).chill.to8S!).toBeGreaterThan(worked({}, fan).chill.to8S!)
  })
  it('of one ring only that ring; what is beyond what can be is held there; the plan stays as written', () => {
    const left = { ...ring, heat: { ...ring.heat, burnerId: 'left' } }
    expect(worked({ 'burnerFactor.right': 0.5 }, left)).toEqual(worked({}, left))
    expect(worked({ 'burnerFactor.left': 0.5 }, left).heat.reachedS!).toBeGreaterThan(1.5 * plain.heat.reachedS!)
    const wild = { ...kitchen, learned: { burnerFactor: 1000, ovenOffsetK: 999 } }
    const { bench } = inLearnedKitchen(ring, wild, STANDARD)
    expect(bench.heat.burnerW).toBeLessThan(100_000)
    expect(Number.isFinite(worked({ setFactor: 1e6 }).verdict.cold.tauPa.value)).toBe(true)
    expect(ring.heat.burnerW).toBe(400)
  })
})
