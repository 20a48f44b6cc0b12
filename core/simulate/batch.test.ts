/** The simulated kitchen: near the prediction where it is as stated, off the right way where it is not. */
import { describe, expect, it } from 'vitest'
import { eventsOf, seriesOf } from '../book/record'
import { benchOf, fillingOf, putBack } from '../formula/bench'
import { work } from '../pipeline/assess'
import { timeBelow } from '../physics/thermal/conduction'
import { formula, kitchen } from '../../tests/support/core'
import { readBatch } from '../../shared/schemas/batch'
import { batch, curd, made, NEUTRAL, posset } from '../../tests/support/batches'

const outcome = (r: ReturnType<typeof batch>) => eventsOf(r.events, 'outcome')[0]!.outcome
const heatS = (r: ReturnType<typeof batch>) =>
  eventsOf(r.events, 'heatOff')[0]!.atS - eventsOf(r.events, 'heatOn')[0]!.atS
const plain = made()

describe('a kitchen as stated', () => {
  const bar = putBack(formula(
    { egg: 240, sugar: 285, lemon: 140, flour: 35 }, () => {}, { school: 'cooledBase', use: 'cut' },
  ))
  const cream = putBack(formula(
    { cream36: 400, milk: 150, sugar: 80, gelatin: 5, lemon: 30 }, () => {}, { school: 'setCream', use: 'turnedOut' },
  ))
  for (const [name, planned] of Object.entries({ curd: curd(), posset: posset(), bar, cream }))
    it(`${name}: heat, cold and set come within the model's own spreads of what is foretold`, () => {
      const { record, truth } = made({ planned })
      const { heated, chilled, settled, mixed } = work(benchOf(planned), kitchen)
      expect(Math.abs(Math.log(truth.coldPa / settled.cold.tauPa.value))).toBeLessThan(0.3)
      expect(truth.pH).toBeCloseTo(mixed.pH, 1)
      const out = heated.bake?.core.timeS.at(-1) ?? heated.pot.run.history.timeS.at(-1)!
      const [on, off] = heated.bake ? (['ovenIn', 'ovenOut'] as const) : (['heatOn', 'heatOff'] as const)
      const took = eventsOf(record.events, off)[0]!.atS - eventsOf(record.events, on)[0]!.atS
      expect(Math.abs(took / out - 1)).toBeLessThan(0.16)
      const core = record.readings.find(s => s.deviceId === 'logger' && s.channel === 'core')!
      const first = eventsOf(record.events, 'movedTo')[0]!.atS
      const to15 = timeBelow(core.timeS.map(t => t - first), core.values as number[], 15)!
      expect(Math.abs(to15 / timeBelow(chilled.run.timeS, chilled.run.coreC, 15)! - 1)).toBeLessThan(0.08)
    })
  it('is the same for the same seeds, another day for another seed', () => {
    expect(batch()).toEqual(plain.record)
    expect(batch({ seed: 2 }).readings).not.toEqual(plain.record.readings)
  })
  it('keeps its truth to itself: the record says nothing of it, nor of the kitchen\'s seed', () => {
    const { record } = made({ values: { ...NEUTRAL, burnerFactor: 0.8125 }, kitchenSeed: 4711 })
    const text = JSON.stringify(record)
    expect(text).not.toMatch(/Factor|BiasK|0\.8125|4711/)
    expect(record.kitchen).toEqual(kitchen)
  })
})

describe('each truth shows where it should', () => {
  const off = (values: Record<string, number>) => made({ values: { ...NEUTRAL, ...values } })
  it('a probe that shows too much: it is stopped too early, and beside the logger it shows so much more', () => {
    const { record, truth } = off({ probeBiasK: 4 })
    expect(heatS(record)).toBeLessThan(heatS(plain.record))
    expect(truth.coldPa).toBeLessThan(plain.truth.coldPa)
    expect(outcome(record).coreC! - outcome(plain.record).coreC!).toBeCloseTo(4, 0)
  })
  it('a weak ring takes longer, a strong one is quicker', () => {
    expect(heatS(off({ burnerFactor: 0.7 }).record)).toBeGreaterThan(1.2 * heatS(plain.record))
    expect(heatS(off({ burnerFactor: 1.4 }).record)).toBeLessThan(0.9 * heatS(plain.record))
  })
  it('a warm fridge is warm, a still one slow', () => {
    const late = (r: ReturnType<typeof batch>) => seriesOf(r, 'air')!.values.at(-1)!
    expect(late(off({ fridgeAirOffsetK: 3 }).record) - late(plain.record)).toBeCloseTo(3, 0)
    const coreAt = (r: ReturnType<typeof batch>) =>
      r.readings.find(s => s.deviceId === 'logger' && s.channel === 'core')!.values[12]!
    expect(coreAt(off({ fridgeConvectionFactor: 0.5 }).record)).toBeGreaterThan(coreAt(plain.record) + 1)
  })
  it('sharper juice, small yolks, a soft set, a scale that flatters, a pan that keeps more', () => {
    expect(off({ juiceAcidFactor: 0.7 }).truth.pH).toBeGreaterThan(plain.truth.pH + 0.05)
    expect(off({ yolkMassFactor: 0.7 }).truth.coldPa).toBeLessThan(0.75 * plain.truth.coldPa)
    // Liquid, or hard as rubber: a cook's tests end somewhere, and the record with them.
    for (const [setFactor, key] of [[0.05, 'spreadM'], [200, 'loadKg']] as const)
      expect(readBatch(JSON.parse(JSON.stringify(off({ setFactor }).record))), key).toMatchObject({ ok: true })
    expect(outcome(off({ setFactor: 200 }).record).loadKg).toBe(20)
    expect(off({ setFactor: 0.5 }).truth.coldPa).toBeCloseTo(0.5 * plain.truth.coldPa, -1)
    expect(off({ scaleFactor: 1.1 }).truth.massG).toBeLessThan(0.97 * plain.truth.massG)
    expect(off({ lossFactor: 3 }).truth.massG).toBeLessThan(plain.truth.massG - 20)
    expect(off({ evaporationFactor: 2 }).truth.massG).toBeLessThan(plain.truth.massG - 1)
  })
})

describe('mistakes leave what they leave', () => {
  const lines = fillingOf(benchOf(curd())).lines
  const by = (kind: string, amount: number | null, lineId: string | null = null) =>
    batch({ mistake: { kind, amount, lineId } as never })
  it('a forgotten line is on no list, a doubled one twice, a spoon on no scale', () => {
    const times = (r: ReturnType<typeof batch>) => eventsOf(r.events, 'added').filter(e => e.lineId === lines[0]!.id)
    expect(times(by('lineForgotten', null, lines[0]!.id))).toEqual([])
    expect(times(by('lineDoubled', null, lines[0]!.id))).toHaveLength(2)
    expect(times(by('spoonSize', 20, lines[0]!.id))).toMatchObject([{ shownG: null }])
    expect(outcome(by('lineForgotten', null, lines[0]!.id)).massG).toBeLessThan(outcome(plain.record).massG! - 140)
  })
  it('a target missed shows on the probe; opened early or warm, it was', () => {
    const stop = (r: ReturnType<typeof batch>) => Math.max(...seriesOf(r, 'pot')!.values.map(v => v ?? 0))
    expect(stop(by('targetMissedK', -8)) - stop(plain.record)).toBeCloseTo(-8, -1)
    const opened = (r: ReturnType<typeof batch>) =>
      eventsOf(r.events, 'opened')[0]!.atS - eventsOf(r.events, 'movedTo')[0]!.atS
    expect(opened(by('chilledTooShortS', 3600))).toBe(opened(plain.record) - 3600)
    expect(outcome(by('openedWarm', null)).coreC).toBeCloseTo(18, 0)
    expect(outcome(by('openedWarm', 25)).coreC).toBeCloseTo(25, 0)
  })
})
