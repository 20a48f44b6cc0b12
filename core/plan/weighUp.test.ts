import { describe, expect, it } from 'vitest'
import { EGG_CURD, formula, kitchen, YOLK_CURD } from '../../tests/support/core'
import { assess } from '../pipeline/assess'
import { labelFacts } from './label'
import { nutritionOf } from './nutrition'
import { orderOfWork } from './order'
import { PREHEAT_S, preheats, weighUp } from './weighUp'

const shell = {
  id: 'shell', name: 'Shell', role: 'crust', steps: [], make: { kind: 'blindShell', ratio: 2 },
  lines: [{ id: 's1', ingredientId: 'flour', massG: 240, sourceText: '', assumption: '' }],
} as never

describe('weighing up', () => {
  it('lists every line with grams, by component, and counts shells in the grade or the line\'s own weight', () => {
    const doc = formula({ ...YOLK_CURD, yolk_sep: 170, zest: 0 }, d => void d.components.push(shell))
    const [filling, crust] = weighUp(doc, kitchen)
    expect(filling!.lines.map(l => l.ingredientId)).not.toContain('zest')
    expect(crust).toMatchObject({ role: 'crust', name: 'Shell', lines: [{ ingredientId: 'flour', massG: 240, eggs: null }] })
    const yolk = filling!.lines.find(l => l.ingredientId === 'yolk_sep')!
    // 170 g at 17 g a yolk.
    expect(yolk.eggs).toEqual({ part: 'yolk', count: 10 })
    const big = formula({ ...YOLK_CURD, yolk_sep: 170 }, (d) => {
      d.components[0]!.lines.find(l => l.ingredientId === 'yolk_sep')!.piece = { kind: 'yolk', eachG: 20 }
    })
    expect(weighUp(big, kitchen)[0]!.lines.find(l => l.ingredientId === 'yolk_sep')!.eggs!.count).toBe(9)
    expect(weighUp(formula({ sugar: 100 }), kitchen)[0]!.lines).toHaveLength(1)
  })
  it('an oven goes on a quarter of an hour before each temperature it must have, once for the same', () => {
    const bar = formula(EGG_CURD, d => void d.components.push(shell), { school: 'lowOven', use: 'cut' })
    const order = orderOfWork(bar, kitchen, assess(bar, kitchen))
    const [blind, open] = ['part:bakeBlind', 'part:bakeOpen'].map(code => order.find(s => s.code === code)!)
    const heats = preheats(order)
    expect(heats[0]).toEqual({ atS: blind!.atS - PREHEAT_S, tempC: blind!.tempC })
    expect(open!.tempC).toBe(blind!.tempC)
    expect(heats).toHaveLength(2)
    expect(heats[1]).toEqual({ atS: -PREHEAT_S, tempC: bar.heat.oven.airTempC })
    expect(preheats(orderOfWork(formula(), kitchen, assess(formula(), kitchen)))).toEqual([])
  })
  it('label and nutrition speak of the same portion: filling, crust and topping', () => {
    const doc = formula(YOLK_CURD, d => void d.components.push(shell))
    const a = assess(doc, kitchen)
    const { portionG } = nutritionOf(doc, kitchen, a)
    expect(labelFacts(doc, kitchen, a).portionG).toBe(portionG)
    expect(portionG).toBeCloseTo(a.shape.portionG + 240 / doc.assembly.portions, 9)
  })
})
