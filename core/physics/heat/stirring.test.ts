/** What stands at a hot wall between two stirs, by hand and against practice; hobs, and a posset in the microwave. */
import { describe, expect, it } from 'vitest'
import { kitchen, make } from '../../../tests/support/core'
import { type Bench, fillingOf } from '../../formula/bench'
import { assess } from '../../pipeline/assess'
import { orderOfWork } from '../../plan/order'
import { edgeOf, wallLayer, wallShare } from './stirring'

const codesOf = (b: Bench, k = kitchen) => orderOfWork(b, k, assess(b, k)).map(s => s.code)
const bath = (stirEveryS?: number) => make('yolkBath', d => void Object.assign(d.heat, stirEveryS ? { stirEveryS } : {}))
const edgeIn = (b: Bench) => assess(b, kitchen).findings.find(f => f.code === 'edgeSets')

describe('a bath that is stirred now and then', () => {
  it('warms √(π·α·t) of the wall: 19.5 mm in a quarter of an hour, 7.1 in two minutes', () => {
    expect(1000 * wallLayer(900)).toBeCloseTo(1000 * Math.sqrt(Math.PI * 1.35e-7 * 900), 9)
    expect(1000 * wallLayer(120)).toBeCloseTo(7.13, 2)
  })
  it('of 600 ml in a half ball of 66 mm that is 44 %; never more than all of it', () => {
    expect(wallShare(6e-4, 900)).toBeCloseTo((1.5 * wallLayer(900)) / 0.0659, 2)
    expect(wallShare(1e-6, 3600)).toBe(1)
  })
  it('oversets by its own law: 2.5 K under T60b for two minutes, .28 of 16 %', () => {
    const e = edgeOf({ volumeM3: 6e-4, everyS: 120, targetC: 82, wallC: 95, t60bC: 87, decadeK: 3.2 })
    expect(e.overset).toBeCloseTo(wallShare(6e-4, 120) * (1 - Math.exp(-2 * 10 ** (-2.5 / 3.2))), 9)
  })
  it('every two minutes passes, every five is told, every fifteen is grainy at its edge (common practice)', () => {
    expect([edgeIn(bath()), edgeIn(bath(120))]).toEqual([undefined, undefined])
    expect([edgeIn(bath(300))?.severity, edgeIn(bath(900))?.severity]).toEqual(['info', 'look'])
  })
})

describe('steps that are work', () => {
  const posset = make('dissolved', d => void (d.use.kind = 'glass'))
  it('a posset is begun with twenty minutes of rest; then it is skimmed, poured, and tapped', () => {
    expect(posset.serve.ownS).toEqual({ rest: 1200 })
    const codes = codesOf(posset)
    const at = (c: string) => codes.indexOf(c as (typeof codes)[number])
    expect([at('rest') > at('juiceIn'), at('skim') > at('rest'), at('pour') > at('skim'), at('tap') > at('pour')])
      .toEqual([true, true, true, true])
  })
  it('what is beaten is neither skimmed nor tapped; a spooned curd is not tapped', () => {
    expect(codesOf(make('foldedMousse')).filter(c => c === 'skim' || c === 'tap')).toEqual([])
    expect(codesOf(make('yolkBath', d => void (d.use.kind = 'spooned')))).not.toContain('tap')
  })
  it('steeping waits off the heat, and zest that is sieved out gives more of its oil', () => {
    const steeped = (s: number) => make('dissolved', (d) => {
      d.serve.ownS = { rest: 1200, ...(s ? { steep: s } : {}) }
      fillingOf(d).steps.unshift({ id: 'sieve', kind: 'strain' })
      fillingOf(d).lines.find(l => l.ingredientId === 'zest')!.zest = { cut: 'strips' }
    }, { cream36: 600, sugar: 150, lemon: 90, zest: 8 })
    const drawn = (s: number) => assess(steeped(s), kitchen)
    expect(codesOf(steeped(1800))).toContain('steep')
    expect(drawn(1800).balance.aroma.gPerKg).toBeGreaterThan(1.03 * drawn(0).balance.aroma.gPerKg)
    expect(drawn(1800).serve.readyAfterS! - drawn(0).serve.readyAfterS!).toBeCloseTo(1800, -2)
  })
  it('a plate that stays hot says lift it off; gas and induction do not', () => {
    const on = (kind: 'gas' | 'ceramic' | 'induction') => {
      const k = { ...kitchen, burners: [{ id: 'b', name: 'B', kind, ratedW: 1800 }] }
      const b = make('wholeEggTempered', d => void Object.assign(d.heat, { method: 'direct', burnerId: 'b' }))
      return orderOfWork(b, k, assess(b, k)).find(s => s.code === 'offHeat')!.reasons
    }
    expect([on('ceramic').includes('plateHot'), on('gas').includes('plateHot'), on('induction').includes('plateHot')])
      .toEqual([true, false, false])
  })
  it('cream boiled down to two fifths of fat shows its oil; as it comes it does not', () => {
    const grams = (fat: number) => ({ cream48: fat, cream30: 600 - fat, sugar: 60, lemon: 90 })
    const oils = (fat: number) => assess(make('boiled', d => void (d.heat.holdS = 420), grams(fat)), kitchen).findings
      .some(f => f.code === 'creamOils')
    expect([oils(600), oils(0)]).toEqual([true, false])
  })
})

describe('a posset in the microwave', () => {
  it('240 ml of cream with 50 g of sugar, a minute at 1,200 W from the fridge: 55 to 60 °C, so the juice meets it cool', () => {
    const b = make('dissolved', (d) => {
      Object.assign(d.heat, { method: 'microwave', burnerW: 1200, burstS: 60, targetTempC: 57, holdS: 0, startTempC: 8 })
    }, { cream36: 238, sugar: 50, lemon: 45 })
    const a = assess(b, kitchen)
    // A burst of a minute and its quarter of whisking are 75 s of the plan's clock.
    const minute = a.heat.timeS.findIndex(s => s >= 75)
    expect(a.heat.tempC[minute < 0 ? a.heat.tempC.length - 1 : minute]).toBeGreaterThan(55)
    expect(a.heat.endS).toBeGreaterThan(60)
    expect(a.heat.joins[0]!.beforeC).toBeLessThan(60)
  })
})
