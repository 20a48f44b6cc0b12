import { describe, expect, it } from 'vitest'
import type { InputError } from '../base/errors'
import ladder from '../checks/ladder.json'
import { BANDS } from '../physics/set/bands'
import { evaluateLadder, LADDER_BANDS, ladderDocument, readLadder } from './ladder'

const report = evaluateLadder(readLadder(ladder))

describe(`bands a cook expects (${ladder.source})`, () => {
  it.each(report.rows)('$name', (r) => {
    expect(r.expectedBands).toContain(r.band)
    expect(Object.values(r.bandShares).reduce((x, y) => x + y, 0)).toBeCloseTo(1, 9)
  })
  it('all 30 by the central value, at least 28 by the largest share', () => {
    expect([report.inBand, report.total]).toEqual([30, 30])
    expect(report.rows.filter(r => r.expectedBands.includes(r.likeliestBand)).length).toBeGreaterThanOrEqual(28)
  })
  it('the bands are the ladder\'s own', () => {
    expect(ladder.bands.map(b => [b[0], b[1]])).toEqual(BANDS.map(b => [LADDER_BANDS[b.id], b.fromPa]))
  })
  it('a 20 % butter curd loses strength past its best: little at 86 °C, a fifth or more at 90, most at 94 (practice)', () => {
    const row = ladder.formulas.find(r => r.name === 'whole-egg curd 20 % butter')!
    const at = (Tpk: number) =>
      evaluateLadder(readLadder({ formulas: [{ ...row, process: { ...row.process, Tpk } }] })).rows[0]!.yieldStressPa
    expect(Math.abs(at(82) / 149 - 1)).toBeLessThan(0.1)
    expect(at(86)).toBeGreaterThan(0.95 * at(82))
    expect(at(90)).toBeLessThan(0.8 * at(86))
    expect(at(94)).toBeLessThan(0.7 * at(82))
  })
})

describe('possets as the notes have them (project notes, common practice behind them)', () => {
  const posset = (sugar: number, lemon: number, evap = 0.62 * sugar) =>
    evaluateLadder(
      readLadder({ formulas: [{ name: 'p', massG: { cream36: 480, sugar, lemon }, process: { evap } }] }),
    ).rows[0]!.yieldStressPa
  it('under the reduction rule half the sugar loosens it by a tenth or more', () =>
    expect(posset(68, 90) / posset(136, 90)).toBeLessThan(0.9))
  it('12 g of juice stays under 40 Pa, 230 g falls under four fifths of the best', () => {
    expect(posset(136, 12)).toBeLessThan(40)
    const best = Math.max(...[40, 60, 75, 90, 110].map(j => posset(136, j)))
    expect(posset(136, 230)).toBeLessThan(0.8 * best)
  })
  it('at a fixed evaporation more sugar softens: 92 to 57 Pa from 34 to 200 g within a quarter', () => {
    const at = (sugar: number) => posset(sugar, 90, 84)
    expect(at(200)).toBeLessThan(0.8 * at(34))
  })
})

describe('ladder files', () => {
  const path = (input: unknown) => {
    try {
      evaluateLadder(readLadder(input))
    } catch (e) {
      return (e as InputError).path
    }
    return null
  }
  it('need neither note nor bands; nothing depends on the name', () => {
    const row = ladder.formulas[1]!
    const again = evaluateLadder(
      readLadder({ formulas: [{ name: 'something else', massG: row.massG, process: row.process }] }),
    ).rows[0]!
    expect(again.yieldStressPa).toBe(report.rows[1]!.yieldStressPa)
    expect(again).toMatchObject({ expectedBands: [], inBand: false })
  })
  it('unknown ids, options, bands and impossible values are errors naming the field', () => {
    const row = (over: object) => ({ formulas: [{ name: 'x', massG: { lemon: 100, egg: 100 }, ...over }] })
    expect(path(row({}))).toBeNull()
    expect(path(row({ massG: { lemonade: 1 } }))).toBe('formulas.0.massG.lemonade')
    expect(path(row({ massG: { lemon: -1 } }))).toBe('formulas.0.massG.lemon')
    expect(path(row({ process: { Tpeak: 80 } }))).toBe('formulas.0.process.Tpeak')
    expect(path(row({ process: { Tpk: 'hot' } }))).toBe('formulas.0.process.Tpk')
    expect(path(row({ process: { stir: 1 } }))).toBe('formulas.0.process.stir')
    expect(path(row({ process: { air: 2 } }))).toBe('formulas.0.set.air')
    expect(path(row({ expectedBands: ['firm'] }))).toBe('formulas.0.expectedBands.0')
    expect(path({})).toBe('formulas')
    expect(path(row({ massG: { citric: 100 } }))).toContain('components')
  })
  it('a row becomes a document in which nothing is left to simulate', () => {
    const doc = ladderDocument(readLadder(ladder)[23]!)
    expect(
      [
        doc.heat.course,
        doc.heat.evaporationG,
        doc.serve.coldTempC,
        doc.serve.chilledS,
        ...Object.values(doc.set).filter(v => typeof v === 'object'),
      ].every(v => 'given' in (v as object)),
    ).toBe(true)
  })
})
