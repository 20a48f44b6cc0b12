/** What goes onto a portion: grams by hand, in cost, allergens and the order of work, scaled with the rest. */
import { describe, expect, it } from 'vitest'
import { counter, formula, kitchen } from '../../tests/support/core'
import { assess } from '../pipeline/assess'
import { isWhole, plateOf } from '../plate/plate'
import { orderOfWork } from '../plan/order'
import { allergensIn } from './allergens'
import { putBack } from './bench'
import { batchCost } from './cost'
import { FINISH_KINDS } from './document'
import { scaleFormula } from './edits'
import { FINISH_FACTS, finishOf, finishRows, rosetteG, withFinish, withFinishOf, withoutFinish } from './finish'

const plain = formula()
const portions = plain.assembly.portions
const id = counter('f')
const all = FINISH_KINDS.reduce((b, k) => withFinish(b, k, id), plain)

describe('a rosette', () => {
  it('of a 14 mm star is 42 mm wide: ½·π/4·4.2²·2.94 cm³ at half a gram', () => {
    expect(rosetteG(0.014)).toBeCloseTo(0.5 * (Math.PI / 4) * 4.2 ** 2 * 2.94 * 0.5, 6)
  })
})

describe('on each portion', () => {
  it('is so much, times the portions, the earliest first; more of it, or of something else', () => {
    const rows = finishRows(all)
    expect(rows).toHaveLength(FINISH_KINDS.length)
    expect(rows.every((r, i) => i === 0 || rows[i - 1]!.onMin >= r.onMin)).toBe(true)
    for (const r of rows) expect(r.line.massG).toBeCloseTo(FINISH_FACTS[r.as].eachG * portions, 1)
    const dust = rows.find(r => r.as === 'dust')!
    const more = withFinishOf(all, dust.line.id, { eachG: 2, ingredientId: 'sugar' })
    expect(finishRows(more).find(r => r.as === 'dust')).toMatchObject({ eachG: 2, line: { ingredientId: 'sugar' } })
  })
  it('grows with the formula, and is gone with its last line', () => {
    expect(finishOf(scaleFormula(all, 2))!.lines[0]!.massG).toBeCloseTo(2 * finishOf(all)!.lines[0]!.massG, 6)
    const one = withFinish(plain, 'leaf', id)
    expect(withoutFinish(one, finishOf(one)!.lines[0]!.id)).toEqual(plain)
  })
  it('is in the cost, the allergens and the order of work, and changes nothing of the set', () => {
    const cream = withFinish(formula({ water: 100, sugar: 50, agar: 1 }), 'rosette', id)
    expect(allergensIn(cream)).toContain('milk')
    const k = { ...kitchen, prices: { cream36: 5 } }
    expect(batchCost(cream, k).batch).toBeCloseTo((5 * 9 * cream.assembly.portions) / 1000, 6)
    const [a, b] = [assess(plain, kitchen), assess(all, kitchen)]
    expect(b.verdict).toEqual(a.verdict)
    const order = orderOfWork(all, kitchen, b).map(s => s.code)
    expect(order.slice(-2)).toEqual(['finish', 'serve'])
    expect(orderOfWork(plain, kitchen, a).map(s => s.code)).not.toContain('finish')
  })
  it('makes no whole dessert of a filling, and lies beside the levels of one', () => {
    expect(isWhole(putBack(all))).toBe(false)
    const finish = plateOf(putBack(all), kitchen).parts.find(p => p.role === 'finish')
    expect(finish).toMatchObject({ form: 'beside', thickM: 0 })
  })
})
