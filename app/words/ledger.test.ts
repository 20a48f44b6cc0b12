import { describe, expect, it } from 'vitest'
import { PACK_UNITS, type PackUnit } from '#core/ledger/packs'
import { LEDGER_STATIONS } from '#core/ledger/ledger'
import { boughtWords, leftName, STATION_NAMES } from './ledger'

const fmt = { grams: (g: number) => `${g} g` } as never
const said = (unit: PackUnit, id: string, count: number, eachG: number) =>
  boughtWords({ id, unit, count, eachG, overG: 0 }, fmt)

describe('what a day takes, in words', () => {
  it('has a line of a shopping list for every unit a shop sells by, with nothing missing in it', () => {
    for (const unit of PACK_UNITS) {
      const words = said(unit, unit === 'fruit' ? 'lemon medium' : unit === 'egg' ? 'egg' : 'sugar', 3, 250)
      expect(words, unit).not.toMatch(/ledger\.|\{|undefined|NaN/)
      expect(words, unit).toMatch(/3|750/)
    }
  })
  it('says packs by their size, fruit by its name, what is weighed by its whole', () => {
    expect(said('pack', 'butter82', 4, 250)).toContain('4 × 250 g pack')
    expect(said('egg', 'egg', 35, 0)).toBe('35 eggs')
    expect(said('weight', 'citric', 2, 10)).toContain('20 g')
    expect(said('fruit', 'lemon medium', 12, 0)).toMatch(/^12 × lemon/)
  })
  it('calls spare whites whites, and what has no other name by its own', () => {
    expect([leftName('white'), leftName('yolk_sep')]).toEqual(['whites', 'yolks'])
    expect(leftName('lemon')).toMatch(/lemon/i)
    expect(leftName('no such thing')).toBe('no such thing')
  })
  it('has a name for every station', () => {
    expect(LEDGER_STATIONS.map(s => STATION_NAMES[s]).every(n => n.length > 3)).toBe(true)
  })
})
