/** Where the juice comes from: by hand, and against the trade's figures that are named. */
import { describe, expect, it } from 'vitest'
import { kitchen } from '../../tests/support/core'
import { findIngredient } from '../base/ingredients/ingredients'
import { line } from '../formula/create'
import { FRUITS } from '../base/ingredients/measures'
import { type JuiceAsk, juiceSources, PLAIN_ASK, squeezedG } from './juiceSource'

const ask = PLAIN_ASK
const of = (over: Partial<JuiceAsk> = {}, id = 'lemon', g = 450) => juiceSources(line('l', id, g), { ...ask, ...over }, kitchen)
const each = FRUITS.find(f => f.id === 'lemon medium')!.juiceG

describe('squeezed', () => {
  it('a reamer gives the table\'s; a hand a fifth less; rolled and warm a tenth more together', () => {
    expect([squeezedG(45, ask), squeezedG(45, { ...ask, tool: 'hand' })]).toEqual([45, 36])
    expect(squeezedG(45, { ...ask, isRolled: true, isWarm: true })).toBeCloseTo(45 * 1.05 * 1.06, 9)
  })
  it('450 g are ten medium lemons, and none more for a hair; by hand thirteen', () => {
    expect(of()[0]).toMatchObject({ from: 'squeezed', massG: 450, fruits: 450 / each, eachG: each, scent: 1, cost: null })
    expect(of({}, 'lemon', 451)[0]!.fruits).toBe(11)
    expect(of({ tool: 'hand' })[0]!.fruits).toBe(13)
    expect(of({ perFruit: 0.4 })[0]!.cost).toBeCloseTo(4, 9)
  })
  it('goes by the kitchen\'s own rule where it has one', () => {
    expect(juiceSources(line('l', 'lemon', 450), ask, { ...kitchen, ownJuiceG: { 'lemon medium': 30 } })[0]!.fruits).toBe(15)
  })
})

describe('bought', () => {
  it('bottled lemon has 4.5 % of acid (US standard of the trade): for the same acid it takes more of it, with little scent', () => {
    const bottled = of({ perKg: { bottled: 3 } }).find(s => s.from === 'bottled')!
    const acid = findIngredient('lemon')!.acid!.typical
    expect([bottled.acidPercent, bottled.massG]).toEqual([4.5, expect.closeTo((450 * acid) / 4.5, 6)])
    expect(bottled.cost).toBeCloseTo((3 * bottled.massG) / 1000, 9)
    expect(bottled.scent).toBeLessThan(0.2)
  })
  it('a crate that was measured is squeezed as sharp as it is, and takes as much more of what is bought', () => {
    const typical = findIngredient('lemon')!.acid!.typical
    const sharp = { ...line('l', 'lemon', 450), strength: { kind: 'measured', acidPercent: 1.2 * typical } as const }
    for (const [s, usual] of juiceSources(sharp, ask, kitchen).map((x, i) => [x, of()[i]!] as const)) {
      const isBought = s.from !== 'squeezed'
      expect(s.acidPercent).toBeCloseTo(isBought ? usual.acidPercent : 1.2 * typical, 9)
      expect(s.massG).toBeCloseTo(isBought ? 1.2 * usual.massG : 450, 6)
      // Whatever it comes from, it brings the same acid.
      expect((s.massG * s.acidPercent) / 100).toBeCloseTo((450 * 1.2 * typical) / 100, 6)
    }
  })
  it('scent goes from fresh over frozen and tinned to bottled', () => {
    const scents = ['squeezed', 'frozen', 'tinned', 'bottled'].map(f => of().find(s => s.from === f)!.scent)
    expect(scents).toEqual([...scents].sort((a, b) => b - a))
  })
})

it('what no fruit gives has no other way', () => expect([of({}, 'sugar'), of({}, 'wine_white')]).toEqual([[], []]))
