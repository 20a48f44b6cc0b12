/** Learning: what is planted is found, what cannot be known stays open, and foretelling gets better by it. */
import { describe, expect, it } from 'vitest'
import { batch, curd, NEUTRAL } from '../../tests/support/batches'
import { eventsOf } from '../book/record'
import { asMade, shownByLine, steamWeighed, stoppedAtC } from './asMade'
import { calibrate } from './calibrate'
import { expectedOf, figuresSeen, stressFound } from './seen'
import { plainValue, thetaOf } from '../kitchen/spreads'
import { valueOf, zOf } from './theta'
import { plainOutcome } from '../book/outcome'

const kitchenOff = {
  probeBiasK: 3, burnerFactor: 0.72, fridgeAirOffsetK: 2, fridgeConvectionFactor: 1.5, setFactor: 0.6,
}
/** Batches of one kitchen; the day's own juice and eggs as they come. */
const batches = (n: number, values: Record<string, number>) => {
  const { juiceAcidFactor: _, yolkMassFactor: __, ...kitchen } = NEUTRAL
  return Array.from({ length: n }, (_x, i) => batch({ values: { ...kitchen, ...values }, seed: 10 + i }))
}

describe('calibration', () => {
  const records = batches(6, kitchenOff)
  const found = calibrate(records, { ...NEUTRAL, ...kitchenOff, juiceAcidFactor: 1, yolkMassFactor: 1 })
  const of = (id: string) => found.parameters.find(p => p.id === id)!
  it('finds what is true of the kitchen, within three of its own spreads', () => {
    for (const [id, value] of Object.entries({ probeBiasK: 3, fridgeAirOffsetK: 2, fridgeConvectionFactor: 1.5 })) {
      expect(Math.abs(of(id).value - value), id).toBeLessThan(3 * of(id).spread + 0.15)
      expect(of(id).spread, id).toBeLessThan(0.5 * of(id).prior.spread)
    }
    expect(of('burnerFactor').value).toBeLessThan(0.85)
    expect(of('setFactor.egg').value).toBeLessThan(0.8)
    expect(of('probeBiasK').batches).toBe(6)
  })
  it('says what it cannot know: a scale that no check weight was put on', () => {
    expect(of('scaleFactor').spread).toBeGreaterThan(0.8 * of('scaleFactor').prior.spread)
  })
  it('foretells each batch from the others at least half as far again as could be: the gap closes', () => {
    const { before, after, floor } = found.leftOut
    expect(floor).not.toBeNull()
    expect((before - after) / (before - floor!)).toBeGreaterThan(0.5)
    expect(found.byUnit.find(u => u.unit === 'K')!.after).toBeLessThan(found.byUnit.find(u => u.unit === 'K')!.before)
  })
  it('one wild batch moves little', () => {
    // Another thermometer, ring and pan of quite another kitchen.
    const wild = batch({ values: { ...NEUTRAL, probeBiasK: -12, burnerFactor: 2.5, setFactor: 4, lossFactor: 4 } })
    const withIt = calibrate([...records, wild]).parameters
    for (const id of ['probeBiasK', 'lossFactor.pan']) {
      const [before, after] = [of(id), withIt.find(p => p.id === id)!]
      expect(Math.abs(after.value - before.value), id).toBeLessThan(0.2 * before.prior.spread)
    }
  })
  it('a kitchen as stated is left nearly as it is, and foretold no worse', () => {
    const { parameters, leftOut } = calibrate(batches(4, {}))
    expect(parameters.find(p => p.id === 'probeBiasK')!.value).toBeCloseTo(0, 0)
    expect(leftOut.after).toBeLessThan(1.05 * leftOut.before)
    expect(leftOut.floor).toBeNull()
  })
  it('no batches teach nothing', () => {
    expect(calibrate([])).toMatchObject({ parameters: [], leftOut: { before: 0, after: 0, floor: null } })
  })
})

describe('a batch as it was made', () => {
  const record = batch()
  it('by what the scale showed, and a line that nobody ticked is not in it', () => {
    const shown = shownByLine(record)
    const [id, g] = [...shown][0]!
    const lines = (r: typeof record) => asMade(r, {}).bench.components[0]!.lines
    expect(lines(record).find(l => l.id === id)!.massG).toBe(g)
    const without = { ...record, events: record.events.filter(e => e.kind !== 'added' || e.lineId !== id) }
    expect(lines(without).find(l => l.id === id)!.massG).toBe(0)
    const kept = asMade(without, {}, { unticked: 'in' }).bench.components[0]!.lines
    expect(kept.find(l => l.id === id)!.massG).toBeGreaterThan(100)
    expect(asMade(record, { scaleFactor: 1.1 }).bench.components[0]!.lines[0]!.massG).toBeCloseTo(g! / 1.1, 9)
  })
  it('stopped where the probe was, less what it shows too much; steam by the pan', () => {
    expect(asMade(record, { probeBiasK: 2 }).bench.heat.targetTempC).toBeCloseTo(stoppedAtC(record)! - 2, 9)
    expect(steamWeighed(record)).toBeGreaterThan(0)
    expect(stoppedAtC({ ...record, readings: [] })).toBeNull()
  })
  it('what boils is not stopped by the probe: half a kelvin decides, and on a mountain sooner', () => {
    const at = (targetTempC: number, altitudeM: number) => {
      const { formula } = curd(d => void (d.heat.targetTempC = targetTempC))
      const there = { ...record, formula, readings: [], kitchen: { ...record.kitchen, altitudeM } }
      return asMade(there, { probeBiasK: 2 }).bench.heat.targetTempC
    }
    expect([at(98.6, 0), at(98.3, 0)]).toEqual([98.6, 96.3])
    expect([at(92, 2500), at(88, 2500)]).toEqual([92, 86])
  })
  it('opened when it was', () => {
    const short = batch({ mistake: { kind: 'chilledTooShortS', lineId: null, amount: 3600 } })
    const total = (r: typeof record) => asMade(r, {}).bench.chill.reduce((s, l) => s + l.timeS, 0)
    expect(total(short)).toBe(total(record) - 3600)
  })
})

describe('figures', () => {
  it('every one that was seen is expected, in its unit and near it where nothing is off', () => {
    const record = batch()
    const expected = expectedOf(record, {})
    const figures = figuresSeen(record)
    expect(figures.map(f => f.id)).toEqual(expect.arrayContaining(['pot50', 'heatMin', 'steamG', 'beside', 'lnPa', 'sharp']))
    for (const f of figures) expect(Math.abs(f.value - expected[f.id]!) / f.sigma, f.id).toBeLessThan(4)
  })
  it('three taps are enough to have some', () => {
    const record = batch({ planned: curd() })
    const outcome = { ...plainOutcome(), spoon: 'coats' as const }
    const taps = { ...record, readings: [], events: [{ id: 'o', atS: 1, actorId: 'a', kind: 'outcome' as const, outcome }] }
    expect(figuresSeen(taps).map(f => f.id)).toEqual(['lnPa'])
    expect(stressFound(eventsOf(record.events, 'outcome')[0]!.outcome, 1100)).toBeGreaterThan(10)
    expect(stressFound(outcome, 1100)).toBeNull()
  })
})

describe('what is supposed', () => {
  it('goes from σ to values and back; a ring\'s own before that for all', () => {
    const burner = { id: 'burnerFactor', law: 'lnNormal' as const, sigma: 0.15 }
    expect(zOf(burner, valueOf(burner, -1.7))).toBeCloseTo(-1.7, 9)
    expect(thetaOf({ burnerFactor: 0.8 }, 'burnerFactor', 'a')).toBe(0.8)
    expect(thetaOf({ 'burnerFactor': 0.8, 'burnerFactor.a': 0.7 }, 'burnerFactor', 'a')).toBe(0.7)
    expect([thetaOf({}, 'ovenOffsetK'), thetaOf({}, 'setFactor', 'egg'), plainValue('lossFactor.pan')]).toEqual([0, 1, 1])
  })
})
