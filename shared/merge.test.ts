import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { follow, merge, same } from './merge'
import { demoFormulas } from '../server/database/demo'
import { type Bench, benchOf, fillingOf, type Planned, putBack } from '#core/formula/bench'

const copy = <T>(x: T): T => structuredClone(x)
const edited = (doc: Planned, edit: (d: Bench) => void) => {
  const next = copy(benchOf(doc))
  edit(next)
  return putBack(next)
}
const tart = demoFormulas()[0]!.document
const sugarOf = (d: Bench) => fillingOf(d).lines.find(l => l.ingredientId === 'sugar')!
const sugar = (d: Planned | Bench) => sugarOf('formula' in d ? benchOf(d) : d)

describe('what only one of them changed is taken from that one', () => {
  it('a rename and another grams', () => {
    const mine = edited(tart, (d) => {
      sugar(d).massG = 250
    })
    const theirs = edited(tart, (d) => {
      d.name = 'Palm court tart'
    })
    const { value, clashes } = merge(tart, mine, theirs)
    expect(clashes).toEqual([])
    expect(value).toEqual(
      edited(tart, (d) => {
        sugar(d).massG = 250
        d.name = 'Palm court tart'
      }),
    )
  })
  it('two lines of one list, one added, one moved', () => {
    const base = { lines: ['a', 'b', 'c'].map(id => ({ id, g: 1 })) }
    const mine = {
      lines: [
        { id: 'b', g: 1 },
        { id: 'a', g: 2 },
        { id: 'c', g: 1 },
      ],
    }
    const theirs = { lines: [...base.lines, { id: 'd', g: 9 }] }
    expect(merge(base, mine, theirs)).toEqual({
      value: {
        lines: [
          { id: 'b', g: 1 },
          { id: 'a', g: 2 },
          { id: 'c', g: 1 },
          { id: 'd', g: 9 },
        ],
      },
      clashes: [],
    })
    expect(merge(base, theirs, mine).value.lines.map(l => l.id)).toEqual(['b', 'a', 'c', 'd'])
  })
  it('one took a line out that the other left alone', () => {
    const base = {
      lines: [
        { id: 'a', g: 1 },
        { id: 'b', g: 1 },
      ],
    }
    expect(merge(base, { lines: [{ id: 'a', g: 1 }] }, copy(base))).toEqual({
      value: { lines: [{ id: 'a', g: 1 }] },
      clashes: [],
    })
    expect(merge(base, copy(base), { lines: [{ id: 'b', g: 1 }] }).value.lines).toEqual([{ id: 'b', g: 1 }])
  })
  it('a price given and another taken away', () => {
    expect(
      merge({ prices: { egg: 4, milk: 1 } }, { prices: { egg: 4, milk: 1, agar: 60 } }, {
        prices: { milk: 1 },
      } as never),
    ).toEqual({ value: { prices: { milk: 1, agar: 60 } }, clashes: [] })
  })
})

describe('where both changed the same', () => {
  it('it is named by its field, and the side asked for is taken', () => {
    const mine = edited(tart, (d) => {
      sugar(d).massG = 250
    })
    const theirs = edited(tart, (d) => {
      sugar(d).massG = 240
    })
    const { value, clashes } = merge(tart, mine, theirs)
    expect(clashes).toEqual([
      {
        path: ['formula', 'components', fillingOf(benchOf(tart)).id, 'lines', sugar(tart).id, 'massG'],
        base: 245, mine: 250, theirs: 240,
      },
    ])
    expect(sugar(value).massG).toBe(250)
    expect(sugar(merge(tart, mine, theirs, 'theirs').value).massG).toBe(240)
  })
  it('a line taken out that the other changed is a clash, not a loss', () => {
    const base = { lines: [{ id: 'a', g: 1 }] }
    const { clashes, value } = merge(base, { lines: [{ id: 'a', g: 2 }] }, { lines: [] })
    expect(clashes).toEqual([
      { path: ['lines', 'a'], base: { id: 'a', g: 1 }, mine: { id: 'a', g: 2 }, theirs: undefined },
    ])
    expect(value.lines).toEqual([{ id: 'a', g: 2 }])
  })
  it('the same change by both is none', () =>
    expect(merge({ a: 1 }, { a: 2 }, { a: 2 })).toEqual({ value: { a: 2 }, clashes: [] }))
  it('one of several shapes is one field: never half of each', () => {
    const base = { v: { simulated: true } as object }
    const { clashes, value } = merge(base, { v: { given: 3 } }, { v: { given: 4 } })
    expect([clashes.length, value]).toEqual([1, { v: { given: 3 } }])
    const method = (kind: string, x: object) => ({ method: { kind, ...x } })
    expect(
      merge(method('entered', {}), method('titration', { sampleG: 1 }) as never, method('pH', { pH: 2 }) as never)
        .clashes,
    ).toHaveLength(1)
    // The same shape on all sides is merged by field.
    expect(
      merge(
        method('titration', { sampleG: 1, ml: 2 }),
        method('titration', { sampleG: 9, ml: 2 }),
        method('titration', { sampleG: 1, ml: 8 }),
      ),
    ).toEqual({ value: method('titration', { sampleG: 9, ml: 8 }), clashes: [] })
  })
  it('with nothing known of before, whatever differs is asked', () => {
    expect(merge(null, { a: 1, b: 2 }, { a: 1, b: 3 }).clashes.map(c => c.path)).toEqual([['b']])
  })
})

describe('laws', () => {
  const doc = fc.record({
    a: fc.integer({ min: 0, max: 3 }),
    b: fc.option(fc.string({ maxLength: 2 })),
    list: fc.uniqueArray(fc.record({ id: fc.constantFrom('p', 'q', 'r', 's'), g: fc.integer({ min: 0, max: 2 }) }), {
      selector: x => x.id,
      maxLength: 4,
    }),
  })
  it('who changed nothing gets the other\'s, exactly', () => {
    fc.assert(
      fc.property(doc, doc, (base, other) => {
        expect(merge(base, base, other)).toEqual({ value: other, clashes: [] })
        expect(merge(base, other, base)).toEqual({ value: other, clashes: [] })
      }),
    )
  })
  it('nothing that either wrote is lost without a clash that names it', () => {
    fc.assert(
      fc.property(doc, doc, doc, (base, mine, theirs) => {
        const { value, clashes } = merge(base, mine, theirs)
        const clashed = (...path: string[]) => clashes.some(c => path.join('.').startsWith(c.path.join('.')))
        for (const side of [mine, theirs]) {
          for (const key of ['a', 'b'] as const)
            if (!same(side[key], base[key])) expect(same(value[key], side[key]) || clashed(key)).toBe(true)
          for (const e of side.list) {
            const was = base.list.find(x => x.id === e.id)
            if (!same(e, was)) expect(value.list.some(x => same(x, e)) || clashed('list', e.id, 'g')).toBe(true)
          }
        }
      }),
    )
  })
  it('undo keeps what somebody else changed meanwhile', () => {
    const before = edited(tart, (d) => {
      sugar(d).massG = 100
    })
    expect(
      sugar(
        follow(
          tart,
          edited(tart, (d) => {
            d.name = 'x'
          }),
          before,
        ),
      ).massG,
    ).toBe(100)
    expect(
      follow(
        tart,
        edited(tart, (d) => {
          d.name = 'x'
        }),
        before,
      ).formula.name,
    ).toBe('x')
  })
})
