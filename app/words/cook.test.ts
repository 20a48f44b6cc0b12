import { beforeEach, describe, expect, it } from 'vitest'
import { assess, work } from '#core/pipeline/assess'
import { chillWays } from '#core/plan/chillWays'
import { whenOf } from '#core/plan/when'
import { PART_KINDS, type School } from '#core/formula/document'
import { VARIANTS } from '#core/plan/variants'
import { orderOfWork } from '#core/plan/order'
import { plainMake, withPart } from '#core/formula/parts'
import { keepingOptions } from '#core/plan/storage'
import { workVessels } from '#core/plan/fit'
import {
  BURNERS,
  demoKitchen,
  LOTS,
  OVENS,
  PANS,
  PLACES,
  SETTINGS,
  VESSELS,
} from '../../server/database/demo'
import { useFormat } from '../composables/useFormat'
import { useKitchenStore } from '../stores/kitchen'
import { decidesWords, keepingWords, needWords, wayName, workVesselWords } from './cold'
import { heatMeant, stepWords, variantWords } from './cook'
import { make } from '../../tests/support/core'
import { demoBenches } from '../../tests/support/demo'

const kitchen = demoKitchen()
const all = demoBenches().map(d => ({ doc: d.document, a: assess(d.document, kitchen) }))
beforeEach(() => {
  useKitchenStore().take({
    id: 'k',
    name: 'Test',
    version: 1,
    revision: 1,
    settings: SETTINGS,
    places: PLACES,
    vessels: VESSELS,
    ovens: OVENS,
    burners: BURNERS,
    pans: PANS,
    lots: LOTS.map(l => ({ ...l, version: 1 })),
  })
})
/** Words without holes: no NaN, no undefined, no number without an end. */
const whole = (s: string) => expect(s).not.toMatch(/NaN|undefined|null|Infinity|\[object/)

describe('the order of work in words', () => {
  it('every step of every demo formula has a title and no hole; what is heated says degrees', () => {
    for (const { doc, a } of all) {
      for (const s of orderOfWork(doc, kitchen, a)) {
        const w = stepWords(s, useFormat(), doc, id => PLACES.find(p => p.id === id)?.name)
        expect(w.title.length, s.code).toBeGreaterThan(3)
        for (const text of [
          w.title,
          w.how,
          w.reach,
          w.cue,
          w.why,
          w.probe,
          ...w.lines.flatMap(l => [l.name, l.amount]),
        ])
          whole(text)
        if (s.code.startsWith('heat') || s.code === 'bake') expect(w.reach).toContain('°C')
        if (s.lines.length) expect(w.lines[0]!.amount).toMatch(/g$/)
      }
    }
  })
  it('fruit is put together, spread, roasted or dried, in words of its own', () => {
    const titles = (school: School) => {
      const doc = make(school)
      return orderOfWork(doc, kitchen, assess(doc, kitchen)).map(s => stepWords(s, useFormat(), doc, () => 'Fridge').title)
    }
    expect(titles('peelPowder').slice(0, 3)).toEqual(['Weigh it out', 'Spread it out', 'Dry it in the oven'])
    expect(titles('roastedFruit')).toEqual(expect.arrayContaining(['Put together', 'Spread it out', 'Roast it']))
    expect(titles('coulis')).toEqual(expect.arrayContaining(['Put together', 'Pour']))
    expect(titles('hotBase')).toEqual(expect.arrayContaining(['Whisk together, cold', 'Pour', 'Bake']))
  })
  it('what lies over or beside something is not said to stand', () => {
    const served = (school: School) => {
      const doc = make(school)
      return stepWords(orderOfWork(doc, kitchen, assess(doc, kitchen)).at(-1)!, useFormat(), doc, () => 'Fridge').reach
    }
    expect(served('roastedFruit')).toMatch(/^from \d+ °C$/)
    expect(served('hotBase')).toMatch(/^from \d+ °C; stands /)
  })
  it('a heat is meant so hot and so long, or so long in an oven so hot', () => {
    const meant = (school: School) => heatMeant(make(school).heat, useFormat())
    expect(['yolkBath', 'roastedFruit', 'hotBase', 'coulis'].map(s => meant(s as School)))
      .toEqual(['82 °C, 60 s', 'oven 210 °C, 18 min', '86 °C, 2 min', '—'])
  })
  it('every crust and topping says each of its steps', () => {
    const { doc } = all.find(x => x.doc.family === 'condensedPie')!
    for (const kind of PART_KINDS) {
      const d = withPart(
        doc,
        kitchen,
        kind.startsWith('meringue') || kind === 'whippedTop' ? 'topping' : 'crust',
        plainMake(kind),
        () => crypto.randomUUID(),
        kind,
      )
      for (const s of orderOfWork(d, kitchen, assess(d, kitchen)).filter(x => x.code.startsWith('part:')))
        whole(
          stepWords(s, useFormat(), d, () => undefined).title + stepWords(s, useFormat(), d, () => undefined).reach,
        )
    }
  })
  it('other ways have a name; °F shows in them when the kitchen reads it', () => {
    const { doc } = all.find(x => x.doc.heat.method === 'oven')!
    for (const code of VARIANTS) whole(variantWords(code, doc, useFormat()).name)
    useKitchenStore().take({ ...useKitchenStore().record!, settings: { ...SETTINGS, temperatureUnit: 'F' } })
    expect(variantWords('warmStart', doc, useFormat()).name).toContain('140 °F')
  })
})

describe('cold and keeping in words', () => {
  it('when, ways, keeping and bowls are said without holes for every kind of dessert', () => {
    for (const { doc, a } of all) {
      for (const r of whenOf(work(doc, kitchen), doc, kitchen)) whole(decidesWords(r))
      for (const w of chillWays(doc, kitchen)) expect(wayName(w).length).toBeGreaterThan(3)
      for (const o of keepingOptions(doc, { ...kitchen, business: false }, a))
        whole(`${keepingWords(o, useFormat())} ${needWords(o.needs)}`)
      for (const w of workVessels(doc, a)) whole(workVesselWords(w, useFormat()))
    }
  })
})
