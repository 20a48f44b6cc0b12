import { describe, expect, it } from 'vitest'
import { counter, EGG_CURD, formula, kitchen } from '../../tests/support/core'
import { findIngredient } from '../base/ingredients/ingredients'
import { fillingOf, type Bench } from '../formula/bench'
import { plainMake, withPart } from '../formula/parts'
import { plainVessel } from '../physics/geometry/cavity'
import { assess, work } from '../pipeline/assess'
import { pouredG, takenToC } from '../pipeline/assessment'
import { orderOfWork, PREPARE_S, temperTime } from './order'
import { watchOf } from './watch'
import { demoBenches } from '../../tests/support/demo'

const orderOf = (d: Bench) => orderOfWork(d, kitchen, assess(d, kitchen))
const codes = (d: Bench) => orderOf(d).map(s => s.code)
const before = (list: string[], a: string, b: string) => {
  expect(list).toContain(a)
  expect(list).toContain(b)
  expect(list.indexOf(a)).toBeLessThan(list.indexOf(b))
}

describe('the order of work', () => {
  it.each(demoBenches().map(d => [d.document.name, d.document] as const))(
    '%s: every gram of every line goes in, nothing twice but what is stirred or bloomed first; time never runs back',
    (_, doc) => {
      const steps = orderOf(doc)
      const lines = doc.components
        .filter(c => c.id === doc.componentId || c.make)
        .flatMap(c => c.lines)
        .filter(l => l.massG > 0)
      for (const l of lines) {
        const named = steps.filter(s => s.lines.some(x => x.ingredientId === l.ingredientId && x.massG === l.massG))
        expect(named.length, l.ingredientId).toBeGreaterThan(0)
        expect(named.length, l.ingredientId).toBeLessThanOrEqual(
          l.ingredientId === 'gelatin'
            ? 2
            : lines.filter(x => x.ingredientId === l.ingredientId && x.massG === l.massG).length,
        )
      }
      const filling = steps.filter(s => s.component === 'filling')
      for (let i = 1; i < filling.length; i++)
        expect(filling[i]!.atS).toBeGreaterThanOrEqual(filling[i - 1]!.atS - 1e-6)
      expect(steps.at(-1)!.code).toBe('serve')
      expect(lines.every(l => findIngredient(l.ingredientId))).toBe(true)
    },
  )
  it('schools differ as cooks do: yolks at once on the bath; whole eggs tempered into what was melted; cream reduced, then juice', () => {
    const bath = codes(formula())
    before(bath, 'heatBath', 'butterIn')
    expect(bath).not.toContain('temperEggs')
    const whole = codes(formula(EGG_CURD, () => {}, { school: 'wholeEggTempered' }))
    before(whole, 'meltFirst', 'temperEggs')
    before(whole, 'temperEggs', 'heatDirect')
    const posset = codes(
      formula(
        { cream36: 600, sugar: 150, lemon: 90 },
        (d) => {
          d.heat.targetTempC = 100
        },
        { school: 'reduced', use: 'glass' },
      ),
    )
    before(posset, 'boilDown', 'juiceIn')
    const starch = codes(
      formula(
        { water: 330, sugar: 210, cornflour: 50, yolk_sep: 70, lemon: 120, butter82: 40 },
        (d) => {
          d.heat.targetTempC = 97
        },
        { school: 'juiceAfter', use: 'cut' },
      ),
    )
    before(starch, 'slurry', 'boilStarch')
    before(starch, 'boilStarch', 'juiceIn')
    const mousse = codes(
      formula({ egg: 120, sugar: 120, lemon: 100, gelatin: 4, cream36: 300 }, () => {}, {
        school: 'foldedMousse',
        use: 'glass',
      }),
    )
    before(mousse, 'bloom', 'heatDirect')
    before(mousse, 'whip', 'fold')
    const gel = codes(
      formula(
        { water: 260, sugar: 110, agar: 5, lemon: 160 },
        (d) => {
          d.heat.targetTempC = 98
        },
        { school: 'blendedGel', use: 'piped' },
      ),
    )
    before(gel, 'boilAgar', 'juiceIn')
    before(gel, 'chill', 'blend')
  })
  it('what would go wrong stands at its step: juice too hot, gelatin strings, butter that splits, live yolk', () => {
    const at = (d: Bench, code: string) => orderOf(d).find(s => s.findings.some(f => f.code === code))?.code
    const mixAt = (d: Bench, kind: 'stirIn' | 'foldIn', tempC: number) => ({
      ...d,
      components: d.components.map(c => ({
        ...c,
        steps: c.steps.map(s => (s.kind === kind ? { ...s, mixTempC: { given: tempC } } : s)),
      })),
    })
    const posset = formula(
      { cream36: 600, sugar: 150, lemon: 90 },
      (d) => {
        d.heat.targetTempC = 100
      },
      { school: 'reduced', use: 'glass' },
    )
    const lean = { ...posset, components: posset.components.map(c => ({
      ...c, lines: c.lines.map(l => (l.ingredientId === 'cream36' ? { ...l, ingredientId: 'cream30' } : l)),
    })) }
    expect(at(mixAt(lean, 'stirIn', 98), 'acidTooHot')).toBe('juiceIn')
    expect(at(mixAt(posset, 'stirIn', 40), 'acidTooLate')).toBe('juiceIn')
    const mousse = formula({ egg: 120, sugar: 120, lemon: 100, gelatin: 4, cream36: 300 }, () => {}, {
      school: 'foldedMousse',
      use: 'glass',
    })
    expect(at(mixAt(mousse, 'foldIn', 18), 'gelatinStrings')).toBe('fold')
    const cream = formula({ egg: 200, sugar: 220, lemon: 160, butter82: 380 }, () => {}, {
      school: 'emulsified',
      use: 'cut',
    })
    expect(at(mixAt(cream, 'stirIn', 75), 'butterSplits')).toBe('butterIn')
    expect(
      at(
        formula(
          { milk: 330, sugar: 100, cornflour: 40, yolk_sep: 70 },
          (d) => {
            Object.assign(d.heat, { targetTempC: 76, holdS: 0 })
          },
          { school: 'milkPudding', use: 'cut' },
        ),
        'amylase',
      ),
    ).toBe('heatDirect')
  })
  it('a crust is made before, a topping ready for service; a frozen tart leaves its ring at the freezer', () => {
    const base = formula(
      EGG_CURD,
      (d) => {
        d.assembly = { ...d.assembly, vessel: plainVessel('tartRing', 'metal', 0.22, 0.22, 0.035) }
      },
      { school: 'wholeEggTempered', use: 'cut' },
    )
    const doc = withPart(
      withPart(base, kitchen, 'crust', plainMake('blindShell'), counter('c'), 'Shell'),
      kitchen,
      'topping',
      plainMake('meringueWarm'),
      counter('t'),
      'Meringue',
    )
    const a = assess(doc, kitchen)
    const steps = orderOfWork(doc, kitchen, a)
    const crust = steps.filter(s => s.component === 'crust')
    // Rub 8, rest 30, roll 10, dock 2, blind 14⅔, open 7⅓ = 72 min, before the 20 of weighing.
    expect(crust[0]!.atS / 60).toBeCloseTo(-92, 6)
    const topping = steps.filter(s => s.component === 'topping')
    expect(topping.at(-1)!.atS + topping.at(-1)!.timeS!).toBeCloseTo(a.serve.servedAfterS, 3)
    const iced = {
      ...doc,
      chill: [
        { ...doc.chill[0]!, timeS: 3600 },
        {
          id: 'f',
          placeId: null,
          place: { kind: 'freezer' as const, airTempC: -18 },
          timeS: 3600,
          cover: 'film' as const,
        },
        doc.chill[1]!,
      ],
    }
    const list = codes(iced)
    expect(list[list.indexOf('unmould') - 1]).toBe('chill')
    expect(list.lastIndexOf('chill')).toBeGreaterThan(list.indexOf('unmould'))
  })
  it('weights and degrees are the plan\'s own: each glass its pour, the oven its dial, the pan its tare', () => {
    const bars = formula(
      { egg: 300, sugar: 400, lemon: 180, flour: 48 },
      (d) => {
        Object.assign(d.heat.oven, { airTempC: 175, offsetK: -5 })
      },
      { school: 'cooledBase', use: 'cut' },
    )
    const a = assess(bars, kitchen)
    expect(orderOfWork(bars, kitchen, a).find(s => s.code === 'bake')).toMatchObject({
      tempC: bars.heat.targetTempC,
      timeS: a.heat.endS,
      probe: 'deepestMiddle',
      params: { dialC: 175, airC: 170 },
    })
    // The oven's steam leaves after it is poured: 928 g less the sieve's 2 % and 10 g of the pan.
    const poured = orderOfWork(bars, kitchen, a).find(s => s.code === 'pour')!.params
    expect(poured.eachG).toBeCloseTo(928 * 0.98 - 10, 6)
    expect(poured.eachG - a.shape.batchG).toBeCloseTo(0.98 * a.heat.evaporatedG, 6)
    expect(a.heat.evaporatedG).toBeGreaterThan(5)
    expect(poured.depthM / a.shape.depthM).toBeCloseTo(poured.eachG / a.shape.batchG, 3)
    expect(pouredG(bars, a)).toBe(poured.eachG)
    const glasses = formula(EGG_CURD, () => {}, { school: 'wholeEggTempered', use: 'glass' })
    expect(
      orderOfWork(glasses, kitchen, assess(glasses, kitchen)).find(s => s.code === 'pour')!.params.eachG,
    ).toBeCloseTo(assess(glasses, kitchen).shape.batchG / 6, 9)
    expect(orderOf(formula())[0]!.atS).toBe(0)
    expect(orderOf(formula({ yolk_sep: 170, sugar: 170, lemon: 170, butter82: 85, zest: 3 }))[0]).toMatchObject({
      code: 'zestSugar',
      atS: -PREPARE_S,
    })
    expect(fillingOf(bars).lines).toHaveLength(4)
  })
  it('whoever says the minutes in the oven is told the middle they come to, at the watch, too', () => {
    const bars = (timeS: { given: number } | { simulated: true }) => formula(
      { egg: 300, sugar: 400, lemon: 180, flour: 48 }, d => void (d.heat.oven.timeS = timeS),
      { school: 'cooledBase', use: 'cut' },
    )
    const middle = (doc: ReturnType<typeof bars>) => {
      const worked = work(doc, kitchen)
      const { tempC } = orderOfWork(doc, kitchen, worked.assessment).find(s => s.code === 'bake')!
      expect(watchOf(worked, {}).doneC).toBe(tempC)
      return tempC! - worked.assessment.heat.peakTempC
    }
    const short = bars({ given: 600 })
    expect(middle(short)).toBe(0)
    expect(assess(short, kitchen).heat.peakTempC).toBeLessThan(short.heat.targetTempC - 10)
    // Asked for 86 °C, it comes out a little over, for it holds.
    expect(middle(bars({ simulated: true }))).toBeLessThan(0)
    // A pan's minutes are never said so.
    const inPan = formula(undefined, d => void (d.heat.oven.timeS = { given: 60 }))
    expect(takenToC(inPan.heat, assess(inPan, kitchen))).toBe(80)
  })
  it('tempering: the mean of the piece passes the wish on its way to the table\'s own warmth', () => {
    const a = assess(formula(), kitchen)
    const half = temperTime(a, 10)!
    expect(half).toBeGreaterThan(0)
    expect(temperTime(a, 12)!).toBeGreaterThan(half)
    expect(temperTime(a, 60)).toBeNull()
    expect(temperTime(a, -5)).toBe(0)
  })
})
